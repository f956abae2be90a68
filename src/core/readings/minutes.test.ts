import { type Bench, benchKey, createBench } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { planRoute } from '@/src/core/diagnosis/planner/route'
import { type Hypothesis, healthy } from '@/src/core/readings/hypothesis'
import { predict } from '@/src/core/readings/predict'
import type { Prediction } from '@/src/core/readings/prediction'
import { minutesThatMatter, waitOn } from '@/src/core/readings/waiting'
import { constraintsOf, worldsOf } from '@/src/core/readings/world'
import { terminalPoint } from '@/src/core/wiring/point'
import { callsOf } from '@/src/core/wiring/system'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'
import { engineOf } from '@/tests/setup/engines'

const heatPump = systemById('heat-pump-o')
if (!heatPump) throw new Error('the heat pump is gone from the catalogue')
const engine = createEngine(heatPump)
const bench = createBench(heatPump)
const weightOf = (prediction: Prediction, word: string) =>
  prediction.reduce((sum, { at, weight }) => sum + (typeof at === 'object' && at.word === word ? weight : 0), 0)
const seen = (on: Bench, at: string, hypothesis = healthy) => predict(engine.laboratory, on, hypothesis, { meter: 'look', at })

describe('a delay that the search itself has started', () => {
  const cooling: Bench = { ...bench, call: 'cool' }
  const fresh: Bench = { ...cooling, since: { call: 'minute', power: 'fresh' } }

  it('is expected of a sound house minutes after a power-off, and no more once it is over', () => {
    expect(weightOf(seen(cooling, 'contactor'), 'in')).toBeCloseTo(1)
    const held = weightOf(seen(fresh, 'contactor'), 'out')
    expect(held).toBeGreaterThan(0.2)
    // What blinks to say that it lives does so whatever waits.
    const blinks = weightOf(seen(cooling, 'defrost-board'), 'flashes')
    expect(weightOf(seen(fresh, 'defrost-board'), 'flashes')).toBeCloseTo(held + (1 - held) * blinks)
    expect(weightOf(seen(fresh, 'contactor'), 'in')).toBeCloseTo(1 - held)
  })

  it('is surer of a board with a relay of its own', () => {
    const relays: Hypothesis = { ...healthy, wiring: [{ do: 'output', board: 'defrost-board', to: 'Y-out', mode: 'relay' }] }
    expect(weightOf(seen(fresh, 'contactor', relays), 'out')).toBeGreaterThan(weightOf(seen(fresh, 'contactor'), 'out') + 0.1)
  })

  it('shares out each moment among the ways in which it may be met: no more than one of them is', () => {
    for (const hypothesis of engine.hypotheses.filter(({ intermittent }) => !intermittent).slice(0, 60))
      for (const on of [cooling, fresh]) {
        const { worlds } = worldsOf(engine.laboratory, on, hypothesis)
        expect(worlds.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 2)
      }
  })

  it('begins again whenever a short behind it pulls the volts down: what is met is mostly the wait', () => {
    const short = engine.hypotheses.find(({ id }) => id === 'coil-shorted:contactor')
    if (!short) throw new Error('no hypothesis of a shorted contactor')
    const waits = worldsOf(engine.laboratory, cooling, short).worlds.filter(({ waiting }) => waiting?.includes('defrost-board'))
    expect(waits.map(({ settled }) => settled.outcome)).toEqual(['settled'])
    expect(waits[0].weight).toBeGreaterThan(0.3)
  })

  it('keeps the protection from opening on what comes for a moment and waits again', () => {
    const short = engine.hypotheses.find(({ id }) => id === 'coil-shorted:contactor')
    if (!short) throw new Error('no hypothesis of a shorted contactor')
    const relays = {
      ...short,
      id: `${short.id}, relays`,
      wiring: [{ do: 'output', board: 'defrost-board', to: 'Y-out', mode: 'relay' } as const],
    }
    const { worlds, trips } = worldsOf(engine.laboratory, cooling, relays)
    expect(trips).toBeLessThan(0.6)
    expect(worlds.some(({ waiting, weight }) => waiting?.includes('defrost-board') && weight > 0.3)).toBe(true)
  })

  it('is no excuse for what is still off when its minutes are over', () => {
    const waiting = engine.hypotheses.find(({ id }) => id === 'delay-running:defrost-board.Y-out')
    if (!waiting) throw new Error('no hypothesis of a delay')
    const later: Bench = { ...cooling, since: { call: 'long', power: 'long' } }
    expect(weightOf(seen(cooling, 'contactor', waiting), 'out')).toBeCloseTo(1)
    expect(weightOf(seen(later, 'contactor', waiting), 'out')).toBeLessThan(0.05)
  })

  it('is waited out, at its price, by a check that needs the call after a power-off', () => {
    expect(planRoute(heatPump, { ...bench, power: false }, cooling, 'outdoor').waits).toBeGreaterThanOrEqual(1)
    expect(planRoute(heatPump, bench, cooling, 'outdoor').waits).toBe(0)
    // Nothing of the board's output is read at the thermostat: nobody waits for it there.
    expect(planRoute(heatPump, { ...bench, power: false }, cooling, 'thermostat').waits).toBe(0)
  })
})

describe('minutes that nothing waits for', () => {
  const calls = ['moment', 'minute', 'minutes', 'long'] as const
  const powers = ['fresh', 'long'] as const

  it.each(catalogue.map(({ id }) => id))('make no moment another one: %s', (id) => {
    const { laboratory, hypotheses, system } = engineOf(id)
    const set = [createBench(system), ...callsOf(system).map((call): Bench => ({ ...createBench(system), call }))]
    const { id: place, terminals } = system.places[0]
    const [a, b] = terminals.map((name) => terminalPoint(name, place))
    let fewer = 0
    for (const plain of [...set, { ...set[0], jumpers: [{ a, b }] }])
      for (const hypothesis of hypotheses.filter((_, index) => index % 40 === 0)) {
        const worlds = worldsOf(laboratory, plain, hypothesis)
        const constraints = constraintsOf(laboratory, plain, hypothesis)
        const waitIn = (on: Bench) => waitOn(laboratory, on, constraints, worlds.before.settled)
        for (const call of plain.call === 'off' ? (['minute'] as const) : calls)
          for (const power of powers) {
            const on: Bench = { ...plain, since: { call, power } }
            const told = minutesThatMatter(laboratory, on)
            expect(waitIn(told)).toEqual(waitIn(on))
            if (benchKey(told) !== benchKey(on)) fewer++
          }
      }
    expect(fewer).toBeGreaterThan(0)
  })
})

describe('a joint that opens with the heat', () => {
  const warm = engine.hypotheses.find(({ id }) => id === 'coil-open:contactor when warm')
  if (!warm) throw new Error('no hypothesis of a contactor that opens when warm')
  const at = (call: 'moment' | 'minutes'): Bench => ({ ...bench, call: 'cool', since: { call, power: 'long' } })

  it('is hardly there a moment after the call, and mostly minutes later', () => {
    expect(weightOf(seen(at('moment'), 'contactor', warm), 'out')).toBeLessThan(0.1)
    expect(weightOf(seen(at('minutes'), 'contactor', warm), 'out')).toBeGreaterThan(0.9)
  })
})
