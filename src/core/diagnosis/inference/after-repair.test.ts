import { createBench } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import { type Evidence, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { listSuspects } from '@/src/core/diagnosis/inference/suspects'
import type { Answer, Probe } from '@/src/core/readings/check'
import type { Observation } from '@/src/core/readings/observations'
import { catalogue } from '@/src/core/wiring/systems/catalogue'

/** What was read before a repair, heard again after it. */

const [system] = catalogue.filter(({ id }) => id === 'package-heat-pump')
const engine = createEngine(system)
const off = { ...createBench(system), power: false }
const live = { ...createBench(system), slot: { holds: 'breaker', ratingA: 5, open: false } as const }

const read = (list: readonly (readonly [Observation['bench'], Probe, Answer])[]): Observation[] =>
  list.map(([bench, probe, answer], index) => ({ id: `r${index}`, bench, probe, answer }))
const ohms = (terminal: string): Probe => ({ meter: 'ohms', a: 'C@package', b: `${terminal}@package` })
const suspectsAfter = (evidence: Partial<Evidence>) => {
  const all = { ...noEvidence, repaired: ['lead-to-chassis:W@package'], ...evidence }
  const weighed = weigh(engine, all)
  return listSuspects(weighed.engine, all, weighed.posterior)
}

/** W rubbed through; the calls of this house read only the board's inputs, since its board has relays where the template's passes on. */
const before = read([
  [off, ohms('Y'), 3954],
  [off, ohms('Y-out'), 18],
  [off, ohms('O'), 4039],
  [off, ohms('W'), 0.6],
  [off, ohms('O-out'), 30.2],
])

describe('readings from before a repair', () => {
  it('that speak for a board with relays do not make it a dead one', () => {
    const [lead] = suspectsAfter({ before })
    expect(lead).toMatchObject({ id: 'nothing-wrong' })
    expect(lead.probability).toBeGreaterThan(0.8)
  })

  it('come after a repair that leaves most houses sound: nothing of no catalogue is in those', () => {
    const held = (suspects: ReturnType<typeof suspectsAfter>) => suspects.find(({ id }) => id === 'none-of-these')?.probability ?? 1
    expect(held(suspectsAfter({ repaired: [] }))).toBeCloseTo(0.02, 6)
    expect(held(suspectsAfter({}))).toBeCloseTo(0.02 * 0.15, 6)
  })

  it('leave a valve that stays out on cool to everything that may keep it out, the wire of its call before the board @long', () => {
    const cool = { ...live, call: 'cool' } as const
    const runs: Probe = { meter: 'look', at: 'runs@package' }
    const observations = read([
      [live, runs, { word: 'as called' }],
      [{ ...live, call: 'fan' }, runs, { word: 'as called' }],
      [cool, runs, { word: 'not as called' }],
      [cool, { meter: 'look', at: 'valve' }, { word: 'out' }],
    ])
    const suspects = suspectsAfter({ before, observations })
    expect(suspects[0].id).toBe('conductor-open:stat-cable.O')
    const board = suspects.filter(({ repair }) => repair?.id === 'replace:defrost-board')
    expect(board.reduce((sum, { probability }) => sum + probability, 0)).toBeLessThan(0.3)
  })

  it('keep what they said of a second fault: a valve that read open is the first thing to look at', () => {
    const readings = before.map((one) => (one.probe === before[4].probe ? { ...one, answer: 'OL' as const } : one))
    const [good, open] = [before, readings].map((heard) => suspectsAfter({ before: heard }))
    expect(open.filter(({ id }) => id !== 'nothing-wrong')[0].id).toBe('coil-open:valve')
    const held = (suspects: typeof open) => suspects.find(({ id }) => id === 'coil-open:valve')?.probability ?? 0
    expect(held(open)).toBeGreaterThan(100 * held(good))
  })
})
