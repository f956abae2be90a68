import { proposeCheck } from '@/src/core/advice/advise'
import { isResistor } from '@/src/core/bench/bench'
import { owedBy } from '@/src/core/bench/owed'
import { conductorsOfJob, isAskedFor } from '@/src/core/cable/conductors-of-job'
import { MARK_OHMS } from '@/src/core/cable/marks'
import { sayConductor, sayConductorAct } from '@/src/core/cable/say-conductors'
import { createEngine } from '@/src/core/diagnosis/engine'
import { listCandidates } from '@/src/core/diagnosis/planner/candidates'
import { type Entry, type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { applyEntry, foldJob, problemWithEntry } from '@/src/core/job/fold'
import { drawCase, openHouse } from '@/src/core/practice/exam'
import { createRandom } from '@/src/core/units/random'
import { systemById } from '@/src/core/wiring/systems/catalogue'

const heatPump = systemById('heat-pump-o')
if (!heatPump) throw new Error('There is no such system.')
const system = heatPump
const engine = createEngine(system)
const stat = system.cables[0]

/** Does what the plan says in a simulated house that has this fault, each answer by the circuit solver with a meter's noise. */
function follow(fault: string | null, begin: readonly EntryDraft[] = []) {
  let count = 0
  const stamp = { newId: () => `e${++count}`, now: () => '2026-11-28T09:00:00Z' }
  const drawn = drawCase(engine, createRandom(3), fault ?? 'conductor-open:stat-cable.G')
  const nothing = engine.hypotheses.find(({ fault: of, wiring, effects }) => of === null && wiring.length + effects.length === 0)
  if (!nothing) throw new Error('There is no house with nothing wrong.')
  const house = openHouse(engine, fault === null ? { ...drawn, hypothesis: nothing } : drawn)
  const entries: Entry[] = []
  const record = (draft: EntryDraft) => {
    const entry = stampEntry(draft, stamp)
    expect(problemWithEntry(system, entries, entry)).toBeNull()
    entries.push(entry)
  }
  for (const draft of begin) record(draft)
  let walks = 0
  for (let step = 0; step < 60; step++) {
    const state = foldJob(system, entries)
    const report = conductorsOfJob(system, state, 'stat-cable')
    const { next } = report
    const said = sayConductorAct(system, report)
    if (next.do === 'done' || next.do === 'stuck')
      return { report, walks, said, told: report.states.map((one) => sayConductor(stat, one)), state }
    expect(said.title).not.toBe('')
    for (const change of next.changes) {
      record({ kind: 'bench', change })
      house.change(change)
    }
    walks += Number(next.do === 'walk')
    if (next.do === 'read') record({ kind: 'reading', probe: next.probe, answer: house.ask(next.probe).answer })
  }
  throw new Error('The plan has no end.')
}

describe('the conductors of a cable told apart in a house', () => {
  it('finds the open one, with everything else sound @long', () => {
    const { told, report, walks, state } = follow('conductor-open:stat-cable.G')
    expect(told).toEqual(stat.conductors.map(({ id }) => (id === 'G' ? 'open' : 'sound')))
    expect(report.taken).toBeLessThan(28)
    expect(walks).toBeLessThanOrEqual(4)
    expect(isAskedFor(system, state, 'stat-cable')).toBe(true)
  })

  it('finds two that touch, each by its partner @long', () => {
    const { told } = follow('conductor-short:stat-cable.Y+C')
    expect(told).toEqual(stat.conductors.map(({ id }) => (id === 'Y' ? 'shorted to C' : id === 'C' ? 'shorted to Y' : 'sound')))
  })

  it('needs one walk and fewer readings with resistors, each value by the circuit solver with a meter in hand @long', () => {
    const bag: EntryDraft = { kind: 'run', cable: 'stat-cable', fact: { what: 'resistors', ohms: [...MARK_OHMS] } }
    for (const fault of [null, 'conductor-open:stat-cable.G', 'conductor-short:stat-cable.Y+C', 'conductor-to-chassis:stat-cable.W']) {
      const { told, report, walks, state } = follow(fault, [bag])
      const wrong = told.flatMap((said, index) => (said === 'sound' ? [] : [`${stat.conductors[index].id} ${said}`]))
      const expected = {
        'conductor-open:stat-cable.G': ['G open'],
        'conductor-short:stat-cable.Y+C': ['Y shorted to C', 'C shorted to Y'],
        'conductor-to-chassis:stat-cable.W': ['W shorted to ground'],
      }
      expect(wrong).toEqual(fault === null ? [] : expected[fault as keyof typeof expected])
      expect(report.taken).toBeLessThanOrEqual(9)
      expect(walks).toBeLessThanOrEqual(2)
      // They are owed, and the power stays off until they are out.
      expect(owedBy(system, state.bench).filter(({ say }) => say.startsWith('resistor')).length).toBeGreaterThan(0)
      const on: Entry = { id: 'on', at: '2026-11-28T09:00:00Z', kind: 'bench', change: { do: 'power', on: true } }
      expect(applyEntry(system, state, on).refusal).toContain('Take the resistors out')
      // The search goes on from there: whatever it asks for next, no check is made with them in.
      expect(proposeCheck(engine, state).next).not.toBeNull()
      const asked = listCandidates(system, state.bench)
      expect(asked.some(({ bench }) => bench.power)).toBe(true)
      expect(asked.filter(({ bench }) => bench.jumpers.some(isResistor))).toEqual([])
    }
  })

  it('says of a cable with more conductors than can be planned that it is too many, at once', () => {
    const many = Array.from({ length: 20 }, (_, index) => ({
      id: `n${index}`,
      colour: 'unknown' as const,
      lands: [null, null] as [null, null],
    }))
    const big = { ...system, cables: [{ ...stat, conductors: [...stat.conductors, ...many] }, ...system.cables.slice(1)] }
    const report = conductorsOfJob(big, foldJob(big, []), stat.id)
    expect(report.next).toEqual({ do: 'stuck', why: 'too many' })
    expect(sayConductorAct(big, report).title).toContain('pair by pair')
  })

  it('says what one end alone cannot tell', () => {
    const far: EntryDraft = { kind: 'run', cable: 'stat-cable', fact: { what: 'far-end', reach: 'none' } }
    const { said, report } = follow('conductor-open:stat-cable.G', [far])
    expect(report.next).toMatchObject({ do: 'stuck', why: 'far end' })
    expect(said.title).toContain('capacitance')
  })
})
