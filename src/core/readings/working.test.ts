import { createBench } from '@/src/core/bench/bench'
import { graded } from '@/src/core/diagnosis/hypotheses/houses'
import { predict } from '@/src/core/readings/predict'
import type { Prediction } from '@/src/core/readings/prediction'
import { engineOf } from '@/tests/setup/engines'

const { hypotheses, laboratory, system } = engineOf('heat-pump-b')
const burned = hypotheses.find(({ id }) => id === 'contact-burned:blower-relay 60 ohm')
const onFan = { ...createBench(system), call: 'fan' as const, place: 'indoor' as const }
/** Burned faces of so many ohms ahead of the blower: how often each word is said of a look. */
const saidWith = (times: number, at: string) => {
  if (!burned) throw new Error('nothing burns at the blower relay')
  return shares(predict(laboratory, onFan, graded(burned, times), { meter: 'look', at }))
}
const shares = (prediction: Prediction) => {
  const of = (word: string) =>
    prediction.reduce((sum, { at, weight }) => (typeof at === 'object' && at.word === word ? sum + weight : sum), 0)
  return { runs: of('runs'), still: of('still'), asCalled: of('as called') }
}

describe('a motor on part of its volts', () => {
  it('runs on most of them and stands still on few', () => {
    expect(saidWith(0.05, 'blower').runs).toBeCloseTo(1)
    expect(saidWith(100, 'blower').runs).toBe(0)
  })

  it('in between may do either, and its unit is as called or not in the same shares', () => {
    const blower = saidWith(1, 'blower')
    expect(blower.runs).toBeGreaterThan(0.1)
    expect(blower.still).toBeGreaterThan(0.1)
    expect(blower.runs + blower.still).toBeCloseTo(1)
    expect(saidWith(1, 'runs@indoor').asCalled).toBeCloseTo(blower.runs)
  })

  it('goes less often the less it gets', () => {
    const going = [0.25, 0.5, 1, 2, 4].map((times) => saidWith(times, 'blower').runs)
    expect(going).toEqual([...going].sort((a, b) => b - a))
  })
})
