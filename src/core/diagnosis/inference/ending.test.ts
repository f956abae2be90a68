import { type Bench, createBench } from '@/src/core/bench/bench'
import { sayVerdict } from '@/src/core/diagnosis/explanation/say-verdict'
import { endSearch, hasAskedEnough, MOST_CHECKS, soundOnceAllRan } from '@/src/core/diagnosis/inference/ending'
import { computePosterior, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { listSuspects, type Suspect } from '@/src/core/diagnosis/inference/suspects'
import { readySlot } from '@/src/core/diagnosis/planner/candidates'
import { cooksOn } from '@/src/core/diagnosis/planner/heat'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { emptyComplaint } from '@/src/core/job/complaint'
import { createHouse, drawValues } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import { healthy } from '@/src/core/readings/hypothesis'
import type { Observation } from '@/src/core/readings/observations'
import { createRandom } from '@/src/core/units/random'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'
import { furnaceEngine, hypothesisOf } from '@/tests/setup/furnace'

const engine = furnaceEngine()
const bench = createBench(furnaceAc)
const suspect = (id: string, probability: number, unsteady = 0, misfits = 0): Suspect => ({
  id,
  say: id,
  zone: 'outdoor',
  probability,
  repair: id === 'nothing-wrong' ? null : { id: `mend ${id}`, say: id },
  parts: [],
  evidence: [],
  misfits,
  unsteady,
})

describe('how a search ends', () => {
  const posterior = computePosterior(engine, noEvidence)
  const end = (...suspects: Suspect[]) => endSearch(engine, posterior, suspects)

  it('with a repair that holds enough, with a group that does not', () => {
    expect(end(suspect('a', 0.97), suspect('b', 0.03)).found).toBe('repair')
    expect(end(suspect('a', 0.5), suspect('b', 0.4), suspect('c', 0.1))).toMatchObject({ found: 'group', suspects: ['a', 'b', 'c'] })
  })

  it('with what the repair holds of all that it mends, not with what its first suspect holds', () => {
    const same = { id: 'mend a', say: 'a' }
    const said = end(suspect('a', 0.5), { ...suspect('b', 0.3), repair: same }, suspect('c', 0.2))
    expect(said).toMatchObject({ found: 'group', repair: same })
    expect('probability' in said && said.probability).toBeCloseTo(0.8)
  })

  it('with "comes and goes" and what to do until it shows', () => {
    const said = end(suspect('a', 0.5, 0.4), suspect('b', 0.4))
    expect(said.found).toBe('comes-and-goes')
    expect(sayVerdict(furnaceAc, said)).toMatch(/Leave the call on/)
  })

  it('with none of these, the section and what to look for there, where the best explains two readings not at all', () => {
    const said = end(suspect('a', 0.97, 0, 2), suspect('b', 0.03))
    expect(said.found).toBe('none-of-these')
    expect(sayVerdict(furnaceAc, said)).toMatch(/They point to the .*\. Look/)
  })

  it('a sound house by what it holds with what no call shows', () => {
    expect(
      soundOnceAllRan([suspect('nothing-wrong', 0.4), suspect('bond-missing:bond', 0.3), suspect('a', 0.2), suspect('b', 0.1)]),
    ).toMatchObject({
      found: 'nothing-wrong',
      suspects: ['nothing-wrong', 'bond-missing:bond'],
    })
    expect(soundOnceAllRan([suspect('a', 0.6), suspect('nothing-wrong', 0.4)])).toBeNull()
  })

  it('by a stated number of checks, whatever was read @long', () => {
    // Every terminal reads like a live one and like a dead one by turns.
    const ends = ['R', 'Y', 'G', 'W', 'sec', 'limit-rollout', 'rollout-valve', 'R', 'Y']
    const muddle = Array.from({ length: MOST_CHECKS }, (_, index): Observation => {
      const end = Math.floor(index / 4)
      return {
        id: `r${index}`,
        bench: { ...bench, call: (['off', 'cool', 'heat', 'fan'] as const)[index % 4] },
        probe: { meter: 'volts', a: `${ends[end]}@indoor`, b: end < 7 ? 'C@indoor' : 'G@indoor' },
        answer: index % 2 === 0 ? 27 : 3,
      }
    })
    const { next, verdict } = propose(engine, { ...noEvidence, observations: muddle }, bench)
    expect(next).toBeNull()
    expect(verdict).not.toBeNull()
  })
})

describe('a fault that comes and goes', () => {
  it('is looked for by hand and eye after twenty checks; what stands still is read on', () => {
    const observations = Array.from(
      { length: 20 },
      (_, index): Observation => ({
        id: `r${index}`,
        bench,
        probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' },
        answer: 27,
      }),
    )
    const hides = [{ ...suspect('a', 0.9), unsteady: 0.85 }, suspect('b', 0.1)]
    expect(hasAskedEnough({ ...noEvidence, observations }, hides)).toBe(true)
    expect(hasAskedEnough({ ...noEvidence, observations: observations.slice(1) }, hides)).toBe(false)
    expect(hasAskedEnough({ ...noEvidence, observations }, [suspect('a', 0.9), suspect('b', 0.1)])).toBe(false)
    // While it shows, each reading tells.
    expect(hasAskedEnough({ ...noEvidence, observations }, hides, true)).toBe(false)
  })
})

describe('a sound house', () => {
  it('is told within a dozen checks, by running it through its calls, and no part is condemned @long', () => {
    const house = createHouse(furnaceAc, healthy, drawValues(furnaceAc, createRandom(5), 2), createRandom(9))
    const { verdict, checks } = runTrial(engine, house, { complaint: emptyComplaint })
    expect(verdict?.found).toBe('nothing-wrong')
    expect(checks).toBeLessThanOrEqual(12)
  })
})

describe('a short that is known', () => {
  it('is not powered through protection that may hold', () => {
    const short = hypothesisOf('conductor-short:stat-cable.R+C')
    const index = engine.hypotheses.findIndex(({ id }) => id === short.id)
    const hypotheses = new Float64Array(engine.hypotheses.length)
    hypotheses[index] = 1
    const sure = { ...computePosterior(engine, noEvidence), hypotheses }
    const unprotected = { ...bench, slot: { ...bench.slot, holds: 'breaker' as const, ratingA: 20 } }
    expect(cooksOn(engine, sure, [])(unprotected)).toBe(true)
    expect(cooksOn(engine, sure, [])({ ...bench, power: false })).toBe(false)
    hypotheses.fill(0)
    hypotheses[0] = 1
    expect(cooksOn(engine, { ...sure, hypotheses: Float64Array.from(hypotheses) }, [])(unprotected)).toBe(false)
  })
})

describe('an overload that was read', () => {
  const on: Bench = { ...bench, call: 'off', jumpers: [{ a: 'R@indoor', b: 'G@indoor' }] }
  const nothing = computePosterior(engine, noEvidence)
  const read = (meter: 'volts' | 'amps', answer: number): Observation[] => [
    { id: 'o', bench: on, probe: meter === 'volts' ? { meter, a: 'sec@indoor', b: 'C@indoor' } : { meter, on: 'fuse' }, answer },
  ]

  it('is not powered again, nor with more on it, while the protection holds', () => {
    const more: Bench = { ...on, jumpers: [...on.jumpers, { a: 'R@indoor', b: 'Y@indoor' }] }
    for (const asked of [read('volts', 16.8), read('amps', 3.5)])
      expect([on, more].map((where) => cooksOn(engine, nothing, asked)(where))).toEqual([true, true])
  })

  it('is powered with that call off, and where it read as it should', () => {
    expect(cooksOn(engine, nothing, read('volts', 16.8))(bench)).toBe(false)
    expect(cooksOn(engine, nothing, read('volts', 25.1))(on)).toBe(false)
    expect(cooksOn(engine, nothing, read('volts', 0))(on)).toBe(false)
  })
})

describe('the pocket breaker that goes in', () => {
  it('is one of 3 A beside a small transformer, whatever fuse is printed there, and stays the one that is in', () => {
    const system = systemById('heat-pump-o')
    if (!system) throw new Error('no such system')
    const found = createBench(system)
    expect(found.slot.ratingA).toBe(5)
    expect(readySlot(system, found)).toEqual({ holds: 'breaker', ratingA: 3, open: false })
    const own = { ...found, slot: { holds: 'breaker' as const, ratingA: 5, open: true } }
    expect(readySlot(system, own)).toEqual({ holds: 'breaker', ratingA: 5, open: false })
  })
})

describe('a coil that reads low from a terminal', () => {
  it('is read by itself, its leads off, before it is condemned', () => {
    const house = createHouse(furnaceAc, hypothesisOf('coil-shorted:contactor'), drawValues(furnaceAc, createRandom(3)), createRandom(6))
    const { verdict, observations } = runTrial(engine, house, { complaint: emptyComplaint })
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'replace:contactor' } })
    expect(observations.some((one) => one.bench.unplugged.includes('contactor') && one.probe.meter === 'ohms')).toBe(true)
  })

  it('that nobody has read is any of what is sold: 19 ohm where the middle is 45 condemns nothing', () => {
    const valve: Observation = {
      id: 'v',
      bench: { ...bench, power: false },
      probe: { meter: 'ohms', a: 'W@indoor', b: 'C@indoor' },
      answer: 19,
    }
    const evidence = { ...noEvidence, observations: [valve] }
    const suspects = listSuspects(engine, evidence, computePosterior(engine, evidence))
    expect(suspects.find(({ id }) => id === 'coil-shorted:gas-valve')?.probability ?? 0).toBeLessThan(0.3)
  })
})
