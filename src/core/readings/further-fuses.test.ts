import { type Bench, createBench } from '@/src/core/bench/bench'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { type Hypothesis, healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { predict } from '@/src/core/readings/predict'
import { worldsOf } from '@/src/core/readings/world'
import { templateValues } from '@/src/core/wiring/values'
import { furnaceWithInlineFuse } from '@/tests/setup/inline-fuse'

const system = furnaceWithInlineFuse()
const laboratory = createLaboratory(system, templateValues)
const found = createBench(system)
const hypothesis = (id: string): Hypothesis => {
  const fault = enumerateFaults(system).find((one) => one.id === id)
  if (!fault) throw new Error(`no fault ${id}`)
  return hypothesisOfFault(fault)
}
const onY: Bench = { ...found, jumpers: [{ a: 'R@indoor', b: 'Y@indoor' }] }
const short = 'conductor-to-chassis:outdoor-cable.Y'

describe('a second fuse in one line', () => {
  it('of two the smaller opens, and spares the larger', () => {
    const { trips, furtherTrips } = worldsOf(laboratory, onY, hypothesis(short))
    expect(furtherTrips.find(({ part }) => part === 'inline-fuse')?.trips).toBeGreaterThan(0.8)
    expect(trips).toBeLessThan(0.2)
  })

  it('opens nothing in a sound house', () => {
    const { trips, furtherTrips } = worldsOf(laboratory, { ...found, call: 'cool' }, healthy)
    expect(trips + furtherTrips.reduce((sum, one) => sum + one.trips, 0)).toBeLessThan(0.001)
  })

  it('found open it takes the 24 V with it while the first is good, until another is in its place', () => {
    const open = { ...healthy, foundOpen: 'inline-fuse' }
    const seen = (at: string, bench: Bench) => predict(laboratory, bench, open, { meter: 'look', at })[0].at
    const volts = (bench: Bench) => Number(predict(laboratory, bench, open, { meter: 'volts', a: 'R@indoor', b: 'C@indoor' })[0].at)
    expect(seen('fuse', found)).toEqual({ word: 'good' })
    expect(seen('inline-fuse', found)).toEqual({ word: 'blown' })
    expect(volts(found)).toBeLessThan(3)
    const renewed: Bench = { ...found, further: [{ part: 'inline-fuse', holds: 'fuse', ratingA: 2, open: false }] }
    expect(volts(renewed)).toBeGreaterThan(22)
  })

  it('tells by the trip which one it was', () => {
    const words = predict(laboratory, onY, hypothesis(short), { meter: 'trip' })
    const weightOf = (word: string) => words.find(({ at }) => typeof at === 'object' && at.word === word)?.weight ?? 0
    expect(weightOf('trips: inline-fuse')).toBeGreaterThan(0.8)
    expect(words.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1)
  })
})
