import { createBench } from '@/src/core/bench/bench'
import { type Hypothesis, healthy } from '@/src/core/readings/hypothesis'
import { predict } from '@/src/core/readings/predict'
import { benchWith, change, furnaceEngine, hypothesisOf } from '@/tests/setup/furnace'

const { laboratory, system } = furnaceEngine()
const saysHum = (hypothesis: Hypothesis, bench = benchWith(change.cool)) =>
  predict(laboratory, bench, hypothesis, { meter: 'look', at: 'contactor' })
    .filter(({ at }) => typeof at === 'object' && at.word === 'chatters')
    .reduce((sum, { weight }) => sum + weight, 0)

describe('an armature that is driven and cannot seat', () => {
  it('hums, as some tell it, while it is called', () => {
    expect(saysHum(hypothesisOf('armature-jammed:contactor'))).toBeGreaterThan(0.2)
    expect(saysHum(hypothesisOf('armature-jammed:contactor'), createBench(system))).toBe(0)
  })

  it('is no sound one, and none whose coil is open or dead', () => {
    expect(saysHum(healthy)).toBe(0)
    expect(saysHum(hypothesisOf('coil-open:contactor'))).toBe(0)
    expect(saysHum(hypothesisOf('conductor-open:outdoor-cable.Y'))).toBe(0)
  })
})
