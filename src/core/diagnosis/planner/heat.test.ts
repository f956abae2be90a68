import { createBench } from '@/src/core/bench/bench'
import { computePosterior, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { cooksOn, heatPrice } from '@/src/core/diagnosis/planner/heat'
import { overloadedBenches } from '@/src/core/diagnosis/planner/overload-read'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { emptyComplaint } from '@/src/core/job/complaint'
import { createHouse, drawValues } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import { type Hypothesis, healthy } from '@/src/core/readings/hypothesis'
import type { Observation } from '@/src/core/readings/observations'
import { overloadOn } from '@/src/core/readings/overload'
import { createRandom } from '@/src/core/units/random'
import type { Point } from '@/src/core/wiring/point'
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

describe('what a meter says of a transformer that carries too much', () => {
  const zoned = systemOf('zoned-furnace-ac')
  const zonedEngine = engineOf(zoned.id)
  const on = { ...createBench(zoned), call: 'cool' as const, place: 'panel' as const }
  const volts = (a: Point, b: Point, answer: number): Observation => ({
    id: `${a} ${answer}`,
    bench: on,
    probe: { meter: 'volts', a, b },
    answer,
  })

  it('a wire of the call that has sagged has its supply read beside it, before anything else is read live', () => {
    const observations = [volts('Y1@panel', 'C1@panel', 4.8)]
    const { next } = propose(zonedEngine, { ...noEvidence, observations }, on)
    expect(next?.probe).toEqual({ meter: 'volts', a: 'R1@panel', b: 'C1@panel' })
    expect(next?.setup).toEqual([])
  })

  it('a panel transformer that has sagged is not left on, nor the same call made with one thing off', () => {
    const observations = [volts('Y1@panel', 'C1@panel', 4.8), volts('R1@panel', 'C1@panel', 4.9)]
    const cooks = cooksOn(zonedEngine, computePosterior(zonedEngine, { ...noEvidence, observations }), observations)
    expect(cooks(on)).toBe(true)
    expect(cooks({ ...on, unplugged: ['damper-1'] })).toBe(true)
    expect(cooks({ ...on, call: 'off' })).toBe(false)
    const { next } = propose(zonedEngine, { ...noEvidence, observations }, on)
    expect(next && (!next.bench.power || next.bench.call !== 'cool')).toBe(true)
  })

  it('full volts beside a wire that has sagged are no overload', () => {
    const observations = [volts('Y1@panel', 'C1@panel', 4.8), volts('R1@panel', 'C1@panel', 25.9)]
    expect(overloadedBenches(zoned, observations)).toEqual([])
  })
})

it('a call that is not made since it would burn out a transformer was not seen to run: its circuit is ohmed, and no house is called sound @long', () => {
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

describe('what a transformer carries', () => {
  const pump = systemOf('heat-pump-o')
  const shorted = engineOf(pump.id).hypotheses.find(({ id }) => id === 'conductor-to-chassis:outdoor-cable.Y')
  if (!shorted) throw new Error('no such hypothesis')
  const { laboratory } = engineOf(pump.id)
  const onCool = (ratingA: number) => ({
    ...createBench(pump),
    call: 'cool' as const,
    slot: { holds: 'fuse' as const, ratingA, open: false },
  })

  it('is counted where a thermostat dies of a short and comes back: the winding does not cool between', () => {
    expect(overloadOn(laboratory, onCool(10), shorted)).toMatchObject({ atTimes: true, chatters: true })
    expect(overloadOn(laboratory, onCool(10), shorted).lasts).toBeGreaterThan(0.5)
  })

  it('is no chatter of the thermostat where a board cycles its output into a load: the display rests meanwhile', () => {
    const cycled: Hypothesis = {
      ...healthy,
      id: 'cycled into a load',
      effects: [
        { do: 'output', board: 'defrost-board', to: 'Y-out', mode: 'chatters' },
        { do: 'short', a: 'Y-out@outdoor', b: 'C@outdoor', ohm: 5 },
      ],
    }
    expect(overloadOn(laboratory, onCool(10), cycled)).toMatchObject({ atTimes: true, chatters: false })
    expect(overloadOn(laboratory, onCool(10), cycled).lasts).toBeGreaterThan(0.5)
  })

  it('is less where something may open first, and nothing in a sound house', () => {
    expect(overloadOn(laboratory, onCool(3), shorted).lasts).toBeLessThan(overloadOn(laboratory, onCool(10), shorted).lasts)
    expect(overloadOn(laboratory, onCool(10), healthy)).toMatchObject({ atTimes: false, lasts: 0 })
  })
})

describe('a lead of some ohm to the metal', () => {
  const apart = { ...bench, power: false, lifted: ['stat-cable.G@indoor' as const], unplugged: ['blower-relay'] }
  const fan = { ...bench, call: 'fan' as const }
  const readOhms = (ohms: number): Observation => ({
    id: `${ohms}`,
    bench: apart,
    probe: { meter: 'ohms', a: 'G@indoor', b: 'chassis@indoor' },
    answer: ohms,
  })
  const priced = (observations: readonly Observation[], until: 'for-a-check' | 'left-on') =>
    heatPrice(engine, computePosterior(engine, { ...noEvidence, observations }), observations, until)(fan)

  it('is priced by as many ohms as were read of it', () => {
    expect(priced([readOhms(9)], 'left-on')).toBeGreaterThan(15)
    expect(priced([readOhms(60)], 'left-on')).toBeLessThan(5)
  })

  it('costs a first reading on its call less than a call that is left on, and each further one more', () => {
    const posterior = computePosterior(engine, { ...noEvidence, observations: [readOhms(9)] })
    const onFan: Observation = { id: 'fan', bench: fan, probe: { meter: 'look', at: 'runs@indoor' }, answer: { word: 'as called' } }
    const priceAfter = (times: number) =>
      heatPrice(
        engine,
        posterior,
        Array.from({ length: times }, (_, time) => ({ ...onFan, id: `fan ${time}` })),
      )(fan)
    expect(priceAfter(0)).toBeLessThan(priced([readOhms(9)], 'left-on') / 2)
    expect(priceAfter(2)).toBeGreaterThan(2 * priceAfter(0))
  })
})
