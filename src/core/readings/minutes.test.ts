import { type Bench, createBench } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { planRoute } from '@/src/core/diagnosis/planner/route'
import { healthy } from '@/src/core/readings/hypothesis'
import { predict } from '@/src/core/readings/predict'
import type { Prediction } from '@/src/core/readings/prediction'
import { systemById } from '@/src/core/wiring/systems/catalogue'

const heatPump = systemById('heat-pump-o')
if (!heatPump) throw new Error('the heat pump is gone from the catalogue')
const engine = createEngine(heatPump)
const bench = createBench(heatPump)
const weightOf = (prediction: Prediction, word: string) =>
  prediction.reduce((sum, { at, weight }) => sum + (typeof at === 'object' && at.word === word ? weight : 0), 0)
const seen = (on: Bench, at: string, hypothesis = healthy) => predict(engine.laboratory, on, hypothesis, { meter: 'look', at })

describe('a delay that the search itself has started', () => {
  const cooling: Bench = { ...bench, call: 'cool' }
  const board = engine.laboratory.machine.outputs.find(({ minimumOffS }) => minimumOffS !== undefined)

  it('is expected of a sound house minutes after a power-off, and no more once it is over', () => {
    if (!board) return expect(heatPump.parts.some(({ kind }) => kind === 'board')).toBe(true)
    const fresh: Bench = { ...cooling, since: { call: 'minute', power: 'fresh' } }
    expect(weightOf(seen(cooling, 'contactor'), 'in')).toBeCloseTo(1)
    if (board.style === 'relay') {
      expect(weightOf(seen(fresh, 'contactor'), 'out')).toBeGreaterThan(0.4)
      expect(weightOf(seen(fresh, board.part.id), 'flashes')).toBeGreaterThan(0.4)
    } else expect(weightOf(seen(fresh, 'contactor'), 'in')).toBeCloseTo(1)
  })

  it('is waited out, at its price, by a check that needs the call after a power-off', () => {
    const off: Bench = { ...bench, power: false }
    const there = planRoute(heatPump, off, cooling, bench.place)
    expect(there.waits).toBeGreaterThanOrEqual(board ? 1 : 0)
    expect(planRoute(heatPump, bench, cooling, bench.place).waits).toBe(0)
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
