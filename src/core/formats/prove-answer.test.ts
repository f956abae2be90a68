import { createEngine } from '@/src/core/diagnosis/engine'
import { writeProofs } from '@/src/core/formats/prove-answer'
import { type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { furnaceAc as system } from '@/src/core/wiring/systems/catalogue'

const engine = createEngine(system)
const START = Date.parse('2026-05-04T09:10:00Z')
let count = 0
const stateOf = (...drafts: EntryDraft[]) =>
  foldJob(
    system,
    drafts.map((draft) => stampEntry(draft, { newId: () => `p${++count}`, now: () => new Date(START + 1000 * count).toISOString() })),
  )

const repair: EntryDraft = { kind: 'repair', fault: null, zone: 'outdoor-cable', what: 'spliced', cause: 'fence post' }

describe('how far a job is proved', () => {
  it('is nothing before there is something to prove', () => {
    expect(writeProofs(engine, stateOf(), START)).toEqual([])
  })

  it('is every mode with what it should read, those that ran with what they did', () => {
    const state = stateOf(repair, { kind: 'proof', call: 'cool', held: true, amps: 0.4, volts: 26.1, air: { returnF: 76, supplyF: 57 } })
    const proofs = writeProofs(engine, state, START)
    expect(proofs.map(({ call, held }) => [call, held])).toEqual([
      ['fan', null],
      ['cool', true],
      ['heat', null],
    ])
    const [fan, cool] = proofs
    expect(cool).toMatchObject({ amps: 0.4, volts: 26.1, air: expect.stringMatching(/19 °F/) })
    // The contactor is on in cool and not in fan.
    expect(cool.expectedAmps?.low).toBeGreaterThan(fan.expectedAmps?.low ?? 9)
  })

  it('goes step by step in the mode that is called', () => {
    const state = stateOf(repair, { kind: 'bench', change: { do: 'call', call: 'cool' } })
    const [, cool, heat] = writeProofs(engine, state, START + 60_000)
    expect(cool.steps.map(({ what, to }) => `${what} ${to}`)).toContain('contactor in')
    expect(cool.steps.every(({ afterS }) => afterS >= 0)).toBe(true)
    expect(heat.steps).toEqual([])
  })
})
