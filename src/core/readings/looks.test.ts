import { type Bench, type BenchChange, createBench } from '@/src/core/bench/bench'
import { computePosterior, noEvidence, zoneProbabilities } from '@/src/core/diagnosis/inference/posterior'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { marks } from '@/src/core/readings/looks'
import { predict, predictAll, wordsFor } from '@/src/core/readings/predict'
import { worldsOf } from '@/src/core/readings/world'
import { partsOf } from '@/src/core/wiring/system'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { benchWith, change, furnaceEngine, hypothesisOf } from '@/tests/setup/furnace'

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
      hypothesisOf('conductor-to-chassis:outdoor-cable.Y'),
      wiring('outdoor-cable'),
    )
    expect(prediction.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1, 9)
    expect(prediction.map(({ at }) => (typeof at === 'object' ? at.word : at))).toEqual(wordsFor(furnaceAc, wiring('outdoor-cable')))
  })
})

describe('something wired in across a coil', () => {
  it('is seen by who looks the wiring of its unit over, and by few elsewhere', () => {
    const seen = (fault: string | null, zone: string) =>
      predict(furnaceEngine().laboratory, benchWith(), hypothesisOf(fault), wiring(zone)).find(
        ({ at }) => typeof at === 'object' && at.word === 'accessory',
      )?.weight ?? 0
    expect(seen('accessory-across:contactor', 'outdoor')).toBeGreaterThan(0.7)
    expect(seen('accessory-across:contactor', 'indoor')).toBeLessThan(0.05)
    expect(seen(null, 'outdoor')).toBeLessThan(0.05)
    expect(wordsFor(furnaceAc, wiring('outdoor-cable'))).not.toContain('accessory')
  })
})

describe('a motor that is heard', () => {
  const runs = (fault: string | null, ...changes: Parameters<typeof benchWith>) =>
    predict(furnaceEngine().laboratory, benchWith(...changes), hypothesisOf(fault), { meter: 'look', at: 'compressor' })[0].at

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
    predict(laboratory, benchWith(...changes), hypothesisOf(fault), { meter: 'look', at: `runs@${place}` })
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

describe('the light of a board in a house that chatters', () => {
  const system = systemById('zoned-furnace-ac')
  if (!system) throw new Error('no such system')
  const laboratory = createLaboratory(system, templateValues)
  const panel = partsOf(system, 'board').find(({ place }) => place === 'panel')
  const short = enumerateFaults(system).find(({ id }) => id === 'conductor-short:stat-cable-1.Y+C')
  if (!panel || !short) throw new Error('no panel or no such fault')
  const light = { meter: 'look', at: panel.id } as const
  const others = [
    { meter: 'volts', a: 'R@indoor', b: 'C@indoor' },
    { meter: 'look', at: 'compressor' },
  ] as const
  const bench: Bench = { ...createBench(system), call: 'cool' }

  it('comes and goes with it, whatever else is asked in the same breath', () => {
    const hypothesis = hypothesisOfFault(short)
    expect(worldsOf(laboratory, bench, hypothesis).worlds[0].settled.outcome).toBe('chatters')
    const [alone] = predictAll(laboratory, bench, hypothesis, [light])
    expect(alone.map(({ at }) => at)).toEqual([{ word: 'flashes' }])
    for (const probes of [[...others, light] as const, [light, ...others] as const])
      expect(predictAll(laboratory, bench, hypothesis, probes)[probes.indexOf(light)]).toEqual(alone)
  })

  it('is steady in a sound house on the same call, or blinks to say that it lives', () => {
    const [steady, flashes] = predict(laboratory, bench, healthy, light)
    expect([steady.at, flashes.at]).toEqual([{ word: 'steady' }, { word: 'flashes' }])
    expect(steady.weight).toBeGreaterThan(4 * flashes.weight)
  })
})
