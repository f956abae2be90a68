import { createBench } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import type { Observation } from '@/src/core/readings/observations'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

const bench = createBench(furnaceAc)
const onCall = (call: 'heat' | 'cool' | 'off') => ({ ...bench, call })
/** W dead at both ends of its cable, and a coil that is open: no single fault does both. */
const observations: Observation[] = [
  { id: '0', bench: onCall('heat'), probe: { meter: 'volts', a: 'W@indoor', b: 'C@indoor' }, answer: 0.01 },
  { id: '1', bench: onCall('heat'), probe: { meter: 'volts', a: 'W@thermostat', b: 'C@thermostat' }, answer: 26.2 },
  { id: '2', bench: onCall('cool'), probe: { meter: 'volts', a: 'Y@outdoor', b: 'C@outdoor' }, answer: 26.2 },
  { id: '3', bench: onCall('cool'), probe: { meter: 'look', at: 'contactor' }, answer: { word: 'out' } },
]
const evidence = { ...noEvidence, observations }

describe('the store of predictions', () => {
  it('says the same after it was dropped, and keeps nothing in between @long', () => {
    const engine = createEngine(furnaceAc)
    const before = weigh(engine, evidence)
    expect(before.engine.hypotheses.length).toBeGreaterThan(engine.hypotheses.length)
    expect(before.engine.store.size).toBeGreaterThan(engine.store.size)
    before.engine.store.drop()
    expect(before.engine.store.size).toBe(0)
    expect(engine.store.size).toBe(0)
    const chains = before.engine.store.chains(observations)
    expect(chains.of.length).toBe(before.engine.houses.logWeights.length)
    expect(weigh(createEngine(furnaceAc), evidence).posterior.hypotheses).toEqual(before.posterior.hypotheses)
  })

  it('is bounded: hundreds of readings leave it no larger than its shelves', () => {
    const { store } = createEngine(furnaceAc)
    const sizes = Array.from({ length: 400 }, (_, step) => {
      store.alone({ ...observations[0], answer: 20 + step / 100 })
      return store.size
    })
    expect(sizes[399]).toBe(sizes[200])
    expect(sizes[200]).toBeGreaterThan(sizes[0])
  })
})
