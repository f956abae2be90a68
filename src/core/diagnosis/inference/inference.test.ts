import { conductorTable } from '@/src/core/diagnosis/explanation/conductors'
import { findContradictions } from '@/src/core/diagnosis/inference/contradiction'
import { computePosterior, type Evidence, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { listSuspects, NONE_OF_THESE, type Suspect } from '@/src/core/diagnosis/inference/suspects'
import { reachVerdict } from '@/src/core/diagnosis/inference/verdict'
import { type Complaint, emptyComplaint } from '@/src/core/job/complaint'
import type { Answer, Probe } from '@/src/core/readings/check'
import { latestAnswers, type Observation } from '@/src/core/readings/observations'
import { benchWith, change, furnaceEngine } from '@/tests/setup/furnace'

let count = 0
const read = (probe: Probe, answer: Answer, ...changes: Parameters<typeof benchWith>): Observation => ({
  id: `reading ${++count}`,
  bench: benchWith(...changes),
  probe,
  answer,
})
const trip = (result: 'trips' | 'holds', ...changes: Parameters<typeof benchWith>) => read({ meter: 'trip' }, { word: result }, ...changes)
const onCool: Complaint = { ...emptyComplaint, symptoms: ['fuse-on-call'], call: 'cool' }

const suspectsAfter = (observations: Observation[], complaint = onCool) => {
  const evidence: Evidence = { ...noEvidence, complaint, observations }
  return listSuspects(furnaceEngine(), evidence, computePosterior(furnaceEngine(), evidence))
}

const rubbedOutdoors = [
  trip('holds', change.breaker),
  trip('trips', change.breaker, change.jumperY),
  trip('holds', change.breaker, change.jumperY, change.liftY),
]

describe('suspects after readings', () => {
  it('trip logic alone leaves only what hangs on the outdoor Y', () => {
    const suspects = suspectsAfter(rubbedOutdoors)
    const outdoors = suspects.filter(({ zone }) => zone === 'outdoor-cable' || zone === 'outdoor')
    expect(outdoors.reduce((sum, { probability }) => sum + probability, 0)).toBeGreaterThan(0.9)
  })

  it('ohms on the lifted conductor then name the rub, with the evidence for it', () => {
    const ohm: Probe = { meter: 'ohms', a: 'outdoor-cable.Y@indoor', b: 'chassis@indoor' }
    const bothLifted = read(ohm, 0.5, change.off, change.liftY, { do: 'lift', end: 'outdoor-cable.Y@outdoor' })
    const [lead] = suspectsAfter([...rubbedOutdoors, bothLifted])
    expect(lead.id).toBe('conductor-to-chassis:outdoor-cable.Y')
    // Y shorted to C reads the same through the bond: a tenth or so stays with it.
    expect(lead.probability).toBeGreaterThan(0.8)
    const row = lead.evidence.find(({ observation }) => observation === bothLifted.id)
    expect(row?.verdict).toBe('strongly for')
    expect(lead.misfits).toBe(0)
  })

  it('adds up to one whatever is read', () => {
    const total = suspectsAfter(rubbedOutdoors).reduce((sum, { probability }) => sum + probability, 0)
    expect(total).toBeCloseTo(1, 6)
  })

  it('a question asked again replaces its earlier answer', () => {
    const first = trip('trips', change.breaker)
    const second = trip('holds', change.breaker)
    expect(latestAnswers([first, second])).toEqual([second])
  })

  it('readings that no fault makes grow "none of these"', () => {
    const odd = [
      read({ meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, 12.1),
      read({ meter: 'volts', a: 'sec@indoor', b: 'C@indoor' }, 41),
      read({ meter: 'volts', a: 'L1-unit@indoor', b: 'N@indoor' }, 121),
    ]
    const none = suspectsAfter(odd, emptyComplaint).find(({ id }) => id === NONE_OF_THESE)
    expect(none?.probability).toBeGreaterThan(0.3)
  })
})

const contradictionsOf = (observations: readonly Observation[], complaint = emptyComplaint) => {
  const evidence: Evidence = { ...noEvidence, complaint, observations }
  return findContradictions(
    furnaceEngine(),
    evidence,
    listSuspects(furnaceEngine(), evidence, computePosterior(furnaceEngine(), evidence), 1),
  )
}

describe('contradictions', () => {
  it('names the one reading that stands against the rest', () => {
    const wrong = read({ meter: 'volts', a: 'sec@indoor', b: 'C@indoor' }, 1.2)
    const good = [
      read({ meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, 26.5),
      read({ meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, 26.1, change.fan),
      read({ meter: 'volts', a: 'R@thermostat', b: 'C@thermostat' }, 26.3),
    ]
    const found = contradictionsOf([...good, wrong])
    expect(found.map(({ observation }) => observation)).toEqual([wrong.id])
    expect(contradictionsOf(good)).toEqual([])
  })
})

describe('a reading that what was found does not explain', () => {
  const ohms: Probe = { meter: 'ohms', a: 'Y@indoor', b: 'C@indoor' }
  const overload = read(ohms, 'OL', change.off)
  const others = [read({ meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, 26.5), overload]
  const row = (observation: string, fits: boolean) => ({ observation, expected: '15 ohm', weight: -0.6, fits, verdict: 'against' as const })
  const lead = (probability: number, rows: ReturnType<typeof row>[]): Suspect => ({
    id: 'lead',
    say: 'lead',
    zone: 'indoor',
    probability,
    repair: { id: 'mend', say: 'Mend it' },
    parts: [],
    evidence: rows,
    misfits: 1,
    unsteady: 0,
  })
  const named = (observations: Observation[], suspect: Suspect) =>
    findContradictions(furnaceEngine(), { ...noEvidence, observations }, [suspect]).map(({ observation }) => observation)
  const rows = [row(others[0].id, true), row(overload.id, false)]

  it('is named, though no other hypothesis is better off without it', () => {
    expect(named(others, lead(0.97, rows))).toEqual([overload.id])
    expect(named(others, lead(0.97, [rows[0], row(overload.id, true)]))).toEqual([])
  })

  it('is left alone before anything is found, when it came out the same twice, or when it is not the only one', () => {
    expect(named(others, lead(0.8, rows))).toEqual([])
    const again = read(ohms, 'OL', change.off)
    expect(named([...others, again], lead(0.97, [rows[0], row(again.id, false)]))).toEqual([])
    expect(named(others, lead(0.97, [row(others[0].id, false), row(overload.id, false)]))).toEqual([])
  })
})

describe('reachVerdict', () => {
  const suspect = (id: string, probability: number, repair: string | null, misfits = 0) => ({
    id,
    say: id,
    zone: repair && 'indoor',
    probability,
    repair: repair === null ? null : { id: repair, say: repair },
    parts: [],
    evidence: [],
    misfits,
    unsteady: 0,
  })

  it('waits for 95 % of one repair, suspects that share it added up', () => {
    expect(reachVerdict([suspect('a', 0.6, 'x'), suspect('b', 0.3, 'x'), suspect('c', 0.1, 'y')], false)).toBeNull()
    expect(reachVerdict([suspect('a', 0.6, 'x'), suspect('b', 0.36, 'x'), suspect('c', 0.04, 'y')], false)).toMatchObject({
      found: 'repair',
      suspects: ['a', 'b'],
    })
  })

  it('never calls found what two readings do not fit', () => {
    expect(reachVerdict([suspect('a', 0.99, 'x', 2)], false)).toBeNull()
    expect(reachVerdict([suspect('a', 0.99, 'x', 1)], false)).toMatchObject({ found: 'repair' })
  })

  it('names a group when no check is left, and nothing when "none of these" leads', () => {
    expect(reachVerdict([suspect('a', 0.6, 'x'), suspect('b', 0.38, 'y')], true)).toMatchObject({ found: 'group', suspects: ['a', 'b'] })
    expect(reachVerdict([suspect(NONE_OF_THESE, 0.9, null)], true)).toBeNull()
    expect(reachVerdict([suspect('nothing-wrong', 0.97, null)], false)).toMatchObject({ found: 'nothing-wrong' })
  })

  it('says that a fuse blew for nothing when only faults that hide are left beside it, and not before everything was asked', () => {
    const fuse = suspect('fuse-only:fuse', 0.7, 'fuse:fuse')
    const hiding = { ...suspect('conductor-to-chassis:y', 0.28, 'y'), unsteady: 0.28 }
    expect(reachVerdict([fuse, hiding], true)).toMatchObject({ found: 'repair', repair: { id: 'fuse:fuse' }, probability: 0.7 })
    expect(reachVerdict([fuse, hiding], false)).toBeNull()
    // One that stands still is none that hides.
    expect(reachVerdict([fuse, { ...hiding, unsteady: 0 }], true)).toMatchObject({ found: 'group' })
  })
})

describe('conductorTable', () => {
  const rowsAfter = (observations: Observation[]) => {
    const engine = furnaceEngine()
    const prior = computePosterior(engine, { ...noEvidence, complaint: onCool })
    return conductorTable(engine, prior, computePosterior(engine, { ...noEvidence, complaint: onCool, observations }))
  }

  it('has every conductor, the spares as spares', () => {
    const rows = rowsAfter([])
    expect(rows).toHaveLength(10)
    expect(rows.filter(({ state }) => state === 'spare').map(({ conductor }) => conductor.colour)).toEqual(['brown', 'orange', 'black'])
  })

  it('calls the outdoor Y suspect and the stat cable sound after the trip logic', () => {
    const rows = rowsAfter(rubbedOutdoors)
    expect(rows.find(({ cable, conductor }) => cable === 'outdoor-cable' && conductor.id === 'Y')).toMatchObject({ state: 'suspect' })
    expect(rows.find(({ cable, conductor }) => cable === 'stat-cable' && conductor.id === 'Y')?.state).toBe('sound')
  })
})
