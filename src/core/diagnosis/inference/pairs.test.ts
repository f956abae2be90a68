import { type Bench, createBench } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { joinFaults, weigh } from '@/src/core/diagnosis/inference/pairs'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { listSuspects } from '@/src/core/diagnosis/inference/suspects'
import { reachVerdict } from '@/src/core/diagnosis/inference/verdict'
import { houseOf } from '@/src/core/diagnosis/likelihood/by-house'
import { createHouse } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import type { Probe } from '@/src/core/readings/check'
import type { Observation } from '@/src/core/readings/observations'
import { predict } from '@/src/core/readings/predict'
import { createRandom } from '@/src/core/units/random'
import type { Point } from '@/src/core/wiring/point'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { engineOf } from '@/tests/setup/engines'
import { benchWith, change, furnaceEngine, hypothesisOf } from '@/tests/setup/furnace'

const both = (a: string, b: string) => {
  const [first, second] = [hypothesisOf(a), hypothesisOf(b)]
  if (!first.fault || !second.fault) throw new Error('no such fault')
  return { ...first, id: `${a} + ${b}`, fault: joinFaults(first.fault, second.fault), effects: [...first.effects, ...second.effects] }
}
const openW = 'conductor-open:stat-cable.W'
const openContactor = 'coil-open:contactor'

/** What a house with both shows: each trouble in a reading that the other cannot explain. */
function readings(): Observation[] {
  const house = createHouse(furnaceAc, both(openW, openContactor), templateValues, createRandom(5))
  const ask = (id: string, probe: Probe, ...changes: Parameters<typeof benchWith>): Observation => {
    const fresh = createHouse(furnaceAc, house.hypothesis, templateValues, createRandom(5))
    for (const made of changes) fresh.change(made)
    return { id, bench: benchWith(...changes), probe, answer: fresh.ask(probe).answer }
  }
  return [
    ask('w', { meter: 'volts', a: 'W@indoor', b: 'C@indoor' }, change.heat),
    ask('w at the stat', { meter: 'volts', a: 'W@thermostat', b: 'C@thermostat' }, change.heat),
    ask('y outdoors', { meter: 'volts', a: 'Y@outdoor', b: 'C@outdoor' }, change.cool),
    ask('contactor', { meter: 'look', at: 'contactor' }, change.cool),
    ask('coil', { meter: 'ohms', a: 'low-contactor@outdoor', b: 'C@outdoor' }, change.off),
  ]
}

describe('weigh', () => {
  it('leaves a house with one fault to the single hypotheses', () => {
    const single: Observation[] = [readings()[0], readings()[1]]
    expect(weigh(furnaceEngine(), { ...noEvidence, observations: single }).engine).toBe(furnaceEngine())
  })

  it('names both of two faults that no single one explains', () => {
    const evidence = { ...noEvidence, observations: readings() }
    const { engine, posterior } = weigh(furnaceEngine(), evidence)
    const [lead] = listSuspects(engine, evidence, posterior, 3)
    expect(lead.parts.map(({ id }) => id).sort()).toEqual([openContactor, openW].sort())
    expect(lead.say).toContain('; and ')
    const sum = posterior.hypotheses.reduce((total, share) => total + share, posterior.noneOfThese)
    expect(sum).toBeCloseTo(1, 9)
  })

  it('predicts a pair in each kind of wiring as the circuit does, though it solves only the kinds that either half shows', () => {
    const { engine } = weigh(furnaceEngine(), { ...noEvidence, observations: readings() })
    const singles = furnaceEngine().hypotheses.length
    const pairs = engine.hypotheses.slice(singles, singles + 12)
    expect(pairs).toHaveLength(12)
    for (const observation of readings()) {
      const { predictions, of } = engine.store.predictionsFor(observation)
      for (const [pair] of pairs.entries())
        for (const kind of engine.kinds.keys()) {
          const { bench, probe } = observation
          const told = predictions[of[houseOf(engine.houses, singles + pair, kind, 0)]]
          const solved = predict(engine.laboratory, bench, engine.hypothesesByKind[kind][singles + pair], probe)
          expect(told.map(({ weight }) => weight.toFixed(2))).toEqual(solved.map(({ weight }) => weight.toFixed(2)))
          for (const [place, { at, sigma }] of solved.entries())
            if (typeof at === 'number') expect(Math.abs(Number(told[place].at) - at)).toBeLessThan(Math.max(sigma, 0.05 * at))
            else expect(told[place].at).toEqual(at)
        }
    }
  })

  it('gives each of the two its own repair in the verdict', () => {
    const suspect = {
      id: 'a + b',
      say: '',
      zone: 'indoor',
      probability: 0.97,
      repair: { id: 'x + y', say: '' },
      parts: ['x', 'y'].map((id) => ({ id, say: id, zone: 'indoor', repair: { id, say: id } })),
      evidence: [],
      misfits: 0,
      unsteady: 0,
    }
    expect(reachVerdict([suspect], false)).toMatchObject({ found: 'repair', repair: { id: 'x' }, also: { repair: { id: 'y' } } })
  })
})

describe('a second fault behind the first', () => {
  it('is found after the first is mended, and the readings from before the repair are not thrown away @long', () => {
    const engine = furnaceEngine()
    const house = createHouse(furnaceAc, both(openW, openContactor), templateValues, createRandom(8))
    const first = runTrial(engine, house, { complaint: noEvidence.complaint })
    if (first.verdict?.found !== 'repair') throw new Error('nothing found')
    const mended = first.verdict.suspects.flatMap((id) => id.split(' + ')).includes(openW) ? openW : openContactor
    const left = mended === openW ? openContactor : openW
    house.mend(hypothesisOf(left))
    const second = runTrial(engine, house, {
      complaint: noEvidence.complaint,
      bench: { ...first.bench, slot: { ...createBench(furnaceAc).slot, holds: first.bench.slot.holds === 'breaker' ? 'breaker' : 'fuse' } },
      repaired: [mended],
      before: first.observations,
    })
    expect(second.verdict).toMatchObject({ found: 'repair', repair: { id: hypothesisOf(left).fault?.repair.id } })
  })
})

describe('a short and the transformer that it burned out', () => {
  const plain = systemById('air-handler-plain')
  if (!plain) throw new Error('no plain air handler')
  const off = { ...createBench(plain), power: false, unplugged: ['contactor'] }
  const readings: Observation[] = [
    { id: 'dead', bench: createBench(plain), probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, answer: 0 },
    { id: 'coil', bench: off, probe: { meter: 'ohms', a: 'contactor.1@outdoor', b: 'contactor.2@outdoor' }, answer: 0.3 },
  ]

  it('are one story: a bare coil of next to no ohm, and no 24 V, name both', () => {
    const evidence = { ...noEvidence, observations: readings }
    const { engine, posterior } = weigh(createEngine(plain), evidence)
    const suspects = listSuspects(engine, evidence, posterior, 1)
    const burned = suspects.filter(({ id }) => id.includes('coil-shorted:contactor') && id.includes('transformer-dead'))
    expect(burned.reduce((sum, { probability }) => sum + probability, 0)).toBeGreaterThan(0.9)
  })
})

describe('what burned a transformer out, read behind its open winding', () => {
  const dead = benchWith(change.off, { do: 'slot', holds: 'nothing' })
  const unplugged = benchWith(change.off, { do: 'slot', holds: 'nothing' }, { do: 'unplug', part: 'gas-valve' })
  const ohms = (id: string, a: Point, b: Point, answer: Observation['answer'], bench = dead): Observation => ({
    id,
    bench,
    probe: { meter: 'ohms', a, b },
    answer,
  })
  const shareOf = (observations: readonly Observation[], isMeant: (id: string) => boolean) => {
    const { engine, posterior } = weigh(furnaceEngine(), { ...noEvidence, observations })
    return engine.hypotheses.reduce((sum, { id }, index) => sum + (isMeant(id) ? posterior.hypotheses[index] : 0), 0)
  }
  const winding = ohms('winding', 'sec@indoor', 'C@indoor', 'OL')

  it('a coil that reads too little by itself is suspected, though it explains nothing else', () => {
    const isAccessory = (id: string) => id.includes('accessory-across:blower-relay')
    expect(shareOf([winding, ohms('g', 'G@indoor', 'C@indoor', 8.5)], isAccessory)).toBeGreaterThan(0.05)
    expect(shareOf([winding, ohms('g', 'G@indoor', 'C@indoor', 28)], isAccessory)).toBeLessThan(0.01)
  })

  it('some ohms that stay with the valve off are as well a rub of its wire as something wired across it', () => {
    const seen = [
      winding,
      ohms('w', 'W@indoor', 'C@indoor', 6.4),
      ohms('valve', 'gas-valve.1@indoor', 'gas-valve.2@indoor', 30.1, unplugged),
      ohms('stays', 'W@indoor', 'C@indoor', 7.9, unplugged),
    ]
    const ofRub = shareOf(seen, (id) =>
      /(?:conductor-to-chassis|conductor-short|lead-to-chassis):(?:stat-cable\.)?(?:W|limit|rollout)/.test(id),
    )
    expect(ofRub).toBeGreaterThan(0.02)
    expect(shareOf(seen, (id) => id.includes('accessory-across:gas-valve'))).toBeGreaterThan(ofRub)
  })
})

describe('a short through ten ohm, and the transformer that it burned out', () => {
  it('stays the two that it is, whichever way its ohms are read', () => {
    const engine = engineOf('furnace-two-transformers')
    const off: Bench = { ...createBench(engine.system), power: false, place: 'indoor' }
    const fuseOut: Bench = { ...off, slot: { ...off.slot, holds: 'nothing', open: true } }
    const lifted: Bench = { ...fuseOut, lifted: ['stat-cable.G@indoor' as Point] }
    const ohms = (bench: Bench, a: string, b: string, answer: number | 'OL'): Observation => ({
      id: `${a} ${b}`,
      bench,
      probe: { meter: 'ohms', a: a as Point, b: b as Point },
      answer,
    })
    const observations: Observation[] = [
      {
        id: 'dead',
        bench: { ...off, power: true },
        probe: { meter: 'volts', a: 'Rc@indoor' as Point, b: 'C@indoor' as Point },
        answer: 0.02,
      },
      ohms(off, 'G@indoor', 'C@indoor', 6.9),
      ohms(off, 'Y@indoor', 'C@indoor', 16.1),
      ohms(fuseOut, 'sec@indoor', 'C@indoor', 'OL'),
      ohms({ ...fuseOut, unplugged: ['blower-relay'] }, 'G@indoor', 'C@indoor', 9.7),
      ohms({ ...lifted, unplugged: ['blower-relay'] }, 'stat-cable.G@indoor', 'chassis@indoor', 9.6),
      ohms(lifted, 'stat-cable.G@indoor', 'stat-cable.Y@indoor', 25.4),
    ]
    const evidence = { ...noEvidence, observations }
    const { engine: withPairs, posterior } = weigh(engine, evidence)
    const [lead] = listSuspects(withPairs, evidence, posterior, 3)
    expect(lead.id).toBe('conductor-to-chassis:stat-cable.G + transformer-dead:transformer.secondary')
    expect(lead.probability).toBeGreaterThan(0.5)
    expect(lead.misfits).toBe(0)
  })
})
