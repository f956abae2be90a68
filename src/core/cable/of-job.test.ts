import { runsOf } from '@/src/core/cable/of-job'
import { type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { applyEntry, foldJob } from '@/src/core/job/fold'
import { copperOhm } from '@/src/core/wiring/copper'
import type { Point } from '@/src/core/wiring/point'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }
const jobAfter = (...drafts: EntryDraft[]) =>
  foldJob(
    furnaceAc,
    drafts.map((draft) => stampEntry(draft, stamp)),
  )
const bench = (change: Extract<EntryDraft, { kind: 'bench' }>['change']): EntryDraft => ({ kind: 'bench', change })
const lift = (...ends: Point[]) => ends.map((end) => bench({ do: 'lift', end }))
const ohms = (a: Point, b: Point, answer: number): EntryDraft => ({ kind: 'reading', probe: { meter: 'ohms', a, b }, answer })
const run = (fact: Extract<EntryDraft, { kind: 'run' }>['fact'], cable = 'outdoor-cable'): EntryDraft => ({ kind: 'run', cable, fact })
const off = bench({ do: 'power', on: false })
const bothOff = lift('outdoor-cable.Y@indoor', 'outdoor-cable.C@indoor', 'outdoor-cable.Y@outdoor', 'outdoor-cable.C@outdoor')
const outdoor = (state: ReturnType<typeof jobAfter>) => runsOf(furnaceAc, state).find(({ cable }) => cable.id === 'outdoor-cable')
const perMetre = copperOhm(18, 1)
const loop = (metres: number) => Number((2 * perMetre * metres + 0.31).toFixed(2))

describe('a run of cable in a job', () => {
  it('has a short between two conductors where the loops from both ends put it', () => {
    const told = [run({ what: 'length', metres: 20 }), run({ what: 'meter', isNulled: true })]
    const near = ohms('outdoor-cable.Y@indoor', 'outdoor-cable.C@indoor', loop(12))
    const far = ohms('outdoor-cable.Y@outdoor', 'outdoor-cable.C@outdoor', loop(8))
    const found = outdoor(jobAfter(off, ...bothOff, ...told, near, bench({ do: 'walk', place: 'outdoor' }), far))
    expect(found).toMatchObject({ lengthM: 20, lengthFrom: 'told' })
    expect(found?.findings).toMatchObject([{ of: 'short', conductors: ['C', 'Y'], readFrom: ['indoor', 'outdoor'] }])
    const distance = found?.findings[0].distance
    expect(distance?.middleM).toBeCloseTo(12, 0)
    expect(distance && distance.lowM < 12 && distance.highM > 12).toBe(true)
  })

  it('says nothing of a reading while something hangs on the wires', () => {
    const atOneEnd = lift('outdoor-cable.Y@indoor', 'outdoor-cable.C@indoor')
    expect(outdoor(jobAfter(off, ...atOneEnd, ohms('outdoor-cable.Y@indoor', 'outdoor-cable.C@indoor', 0.9)))?.findings).toEqual([])
  })

  it('has its length from two sound conductors that are joined at the far end', () => {
    const joined = bench({ do: 'jumper', a: 'outdoor-cable.Y@outdoor', b: 'outdoor-cable.C@outdoor' })
    const read = ohms('outdoor-cable.Y@indoor', 'outdoor-cable.C@indoor', Number((2 * perMetre * 24 + 0.2).toFixed(2)))
    const found = outdoor(jobAfter(off, ...bothOff, joined, read))
    expect(found).toMatchObject({ lengthFrom: 'loop', findings: [] })
    expect(Math.abs((found?.loop?.middleM ?? 0) - 24)).toBeLessThan(3)
  })

  it('takes no resistor of known value for the copper of a run', () => {
    const resistor = bench({ do: 'jumper', a: 'outdoor-cable.Y@outdoor', b: 'outdoor-cable.C@outdoor', ohm: 4700 })
    const found = outdoor(jobAfter(off, ...bothOff, resistor, ohms('outdoor-cable.Y@indoor', 'outdoor-cable.C@indoor', 4702)))
    expect(found).toMatchObject({ loop: null, findings: [] })
  })

  it('has an open where the capacitance from both ends puts it, with the landmarks in their order', () => {
    const capacitance = (conductor: string, place: string, nF: number) => run({ what: 'capacitance', conductor, against: null, place, nF })
    const found = outdoor(
      jobAfter(
        run({ what: 'length', metres: 10 }),
        run({ what: 'landmark', name: 'fence post', metres: 8 }),
        run({ what: 'landmark', name: 'wall plate', metres: 3 }),
        capacitance('Y', 'indoor', 0.42),
        capacitance('Y', 'outdoor', 0.18),
        capacitance('C', 'indoor', 0.61),
      ),
    )
    expect(found?.landmarks.map(({ name }) => name)).toEqual(['wall plate', 'fence post'])
    expect(found?.findings).toMatchObject([{ of: 'open', conductors: ['Y'] }])
    expect(found?.findings[0].distance?.middleM).toBeCloseTo(7, 0)
  })

  it('calls nothing open by one capacitance with nothing beside it', () => {
    expect(outdoor(jobAfter(run({ what: 'capacitance', conductor: 'Y', against: null, place: 'indoor', nF: 0.42 })))?.findings).toEqual([])
  })

  it('refuses a run that is none, and a conductor that it has not', () => {
    const state = jobAfter()
    const refusal = (draft: EntryDraft) => applyEntry(furnaceAc, state, stampEntry(draft, stamp)).refusal
    expect(refusal(run({ what: 'length', metres: 4 }, 'attic-cable'))).toContain('There is no cable "attic-cable"')
    expect(refusal(run({ what: 'capacitance', conductor: 'Z', against: null, place: 'indoor', nF: 1 }))).toContain('no conductor "Z"')
    expect(refusal(run({ what: 'capacitance', conductor: 'Y', against: null, place: 'thermostat', nF: 1 }))).toContain('does not come to')
  })
})
