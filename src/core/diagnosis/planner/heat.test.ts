import { createBench } from '@/src/core/bench/bench'
import { computePosterior, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { cooksOn } from '@/src/core/diagnosis/planner/heat'
import { emptyComplaint } from '@/src/core/job/complaint'
import { createHouse, drawValues } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import type { Observation } from '@/src/core/readings/observations'
import { createRandom } from '@/src/core/units/random'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { engineOf, systemOf } from '@/tests/setup/engines'
import { furnaceEngine } from '@/tests/setup/furnace'

const engine = furnaceEngine()
const bench = createBench(furnaceAc)
const cool = { ...bench, call: 'cool' as const }
const posterior = computePosterior(engine, noEvidence)
const seen = (word: string, on: Observation['bench'] = cool): Observation => ({
  id: word,
  bench: on,
  probe: { meter: 'look', at: 'stat' },
  answer: { word },
})

describe('a call on which the thermostat chatters', () => {
  it('is not made again with as much on: it pulls the transformer down', () => {
    const cooks = cooksOn(engine, posterior, [seen('chatters')])
    expect(cooks(cool)).toBe(true)
    expect(cooks({ ...cool, jumpers: [{ a: 'R@indoor', b: 'G@indoor' }] })).toBe(true)
  })

  it('is made again with something off, and the others are made', () => {
    const cooks = cooksOn(engine, posterior, [seen('chatters')])
    for (const other of [{ ...cool, unplugged: ['contactor'] }, { ...bench, call: 'heat' as const }, bench, { ...cool, power: false }])
      expect(cooks(other)).toBe(false)
  })

  it('says nothing where nothing was called, or where it did not chatter', () => {
    expect(cooksOn(engine, posterior, [seen('chatters', bench)])(cool)).toBe(false)
    expect(cooksOn(engine, posterior, [seen('shows a call')])(cool)).toBe(false)
  })
})

it('a call that is not made since it would burn out a transformer was not seen to run: its circuit is ohmed, and no house is called sound', () => {
  const system = systemOf('furnace-two-transformers')
  const lead = engineOf(system.id).hypotheses.find(({ id }) => id === 'lead-to-chassis:limit-rollout@indoor')
  if (!lead) throw new Error('no such hypothesis')
  const random = createRandom(6)
  const house = createHouse(system, lead, drawValues(system, random), random)
  const { verdict, observations, cooked } = runTrial(engineOf(system.id), house, { complaint: emptyComplaint })
  expect(observations.some(({ bench: on }) => on.call === 'heat')).toBe(false)
  expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'lead:limit-rollout@indoor' } })
  expect(cooked).toBe(0)
})
