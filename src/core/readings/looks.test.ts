import type { BenchChange } from '@/src/core/bench/bench'
import { computePosterior, noEvidence, zoneProbabilities } from '@/src/core/diagnosis/posterior'
import { marks } from '@/src/core/readings/looks'
import { predict, wordsFor } from '@/src/core/readings/predict'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { benchWith, change, furnaceEngine, storyOf } from '@/tests/setup/furnace'

const wiring = (zone: string) => ({ meter: 'look', at: `wiring@${zone}` }) as const
const zoneAfter = (zone: string, word: string) => {
  const observations = [{ id: 'seen', bench: benchWith(), probe: wiring(zone), answer: { word } }]
  return zoneProbabilities(furnaceEngine(), computePosterior(furnaceEngine(), { ...noEvidence, observations }).hypotheses).get(zone) ?? 0
}

describe('a mark along the wiring', () => {
  it('raises its own zone and proves nothing', () => {
    const before = zoneProbabilities(furnaceEngine(), computePosterior(furnaceEngine(), noEvidence).hypotheses).get('outdoor-cable') ?? 0
    for (const mark of marks) expect(zoneAfter('outdoor-cable', mark)).toBeGreaterThan(2 * before)
    expect(zoneAfter('outdoor-cable', 'rubbed')).toBeLessThan(0.9)
    expect(zoneAfter('outdoor-cable', 'sound')).toBeLessThan(before)
  })

  it('has words that add up to one', () => {
    const prediction = predict(
      furnaceEngine().laboratory,
      benchWith(),
      storyOf('conductor-to-chassis:outdoor-cable.Y'),
      wiring('outdoor-cable'),
    )
    expect(prediction.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9)
    expect(prediction.map(({ at }) => (typeof at === 'object' ? at.word : at))).toEqual(wordsFor(furnaceAc, wiring('outdoor-cable')))
  })
})

describe('a motor that is heard', () => {
  const runs = (fault: string | null, ...changes: Parameters<typeof benchWith>) =>
    predict(furnaceEngine().laboratory, benchWith(...changes), storyOf(fault), { meter: 'look', at: 'compressor' })[0].at

  it('runs on its call, stands without one, and without its line', () => {
    expect(runs(null, change.cool)).toEqual({ word: 'runs' })
    expect(runs(null)).toEqual({ word: 'still' })
    expect(runs('supply-off:outdoor-disconnect', change.cool)).toEqual({ word: 'still' })
    expect(runs('contact-welded:contactor')).toEqual({ word: 'runs' })
  })
})

describe('what runs at a place', () => {
  const { laboratory } = furnaceEngine()
  const seen = (place: string, fault: string | null, ...changes: BenchChange[]) =>
    predict(laboratory, benchWith(...changes), storyOf(fault), { meter: 'look', at: `runs@${place}` })
      .filter(({ weight }) => weight > 0.5)
      .map(({ at }) => (typeof at === 'object' ? at.word : at))

  it('is as called in a sound house, whatever is called', () => {
    for (const call of [change.cool, change.heat, change.fan])
      for (const place of ['indoor', 'outdoor']) expect(seen(place, null, call)).toEqual(['as called'])
  })

  it('is not as called where the trouble shows, and is elsewhere', () => {
    expect(seen('outdoor', 'coil-open:contactor', change.cool)).toEqual(['not as called'])
    expect(seen('indoor', 'coil-open:contactor', change.cool)).toEqual(['as called'])
    // Nothing is called, and yet the compressor runs.
    expect(seen('outdoor', 'contact-welded:contactor')).toEqual(['not as called'])
  })

  it('goes by the bench: what a lifted wire lets rest is as called', () => {
    expect(seen('outdoor', null, change.cool, change.liftY)).toEqual(['as called'])
  })
})
