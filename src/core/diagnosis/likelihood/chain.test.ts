import { createBench } from '@/src/core/bench/bench'
import { knownOf, type Link, predictionIn, type Reading, UNREAD, weighNext } from '@/src/core/diagnosis/likelihood/chain'
import { expectedAfter } from '@/src/core/diagnosis/likelihood/lesson'
import { countCauses } from '@/src/core/diagnosis/likelihood/one-reading'
import { causeIndex, SPREADS } from '@/src/core/readings/causes'
import type { Answer, Probe } from '@/src/core/readings/check'
import { healthy } from '@/src/core/readings/hypothesis'
import { createLaboratory, type Laboratory } from '@/src/core/readings/laboratory'
import { likelihood } from '@/src/core/readings/likelihood'
import { predict, scaleOf } from '@/src/core/readings/predict'
import { fromOhmScale, type Prediction } from '@/src/core/readings/prediction'
import { logSum } from '@/src/core/units/log-sum'
import { createRandom } from '@/src/core/units/random'
import type { Part } from '@/src/core/wiring/part'
import { terminalPoint } from '@/src/core/wiring/point'
import type { System } from '@/src/core/wiring/system'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { furnaceEngine } from '@/tests/setup/furnace'

const { laboratory } = furnaceEngine()
const live = createBench(laboratory.system)
const off = { ...live, power: false }
const causes = countCauses(laboratory)
const reading = (lab: Laboratory, probe: Probe, answer: Answer, bench = 'one'): Reading => ({
  answer,
  scale: scaleOf(lab.system, probe),
  words: 0,
  wrong: 0.02,
  bench,
})
const contactor: Probe = { meter: 'ohms', a: 'Y@indoor', b: 'C@indoor' }
const beyond: Probe = { meter: 'ohms', a: 'Y@outdoor', b: 'C@outdoor' }
const valve: Probe = { meter: 'ohms', a: 'W@indoor', b: 'C@indoor' }
const weigh = (link: Link, probe: Probe, answer: Answer): Link =>
  weighNext(link, predict(laboratory, off, healthy, probe, true), reading(laboratory, probe, answer), causes)

describe('readings that share a cause', () => {
  // The contactor of the template has 14 ohm; this one is sold, too.
  const once = weigh(UNREAD, contactor, 7.4)
  const twice = weigh(once, beyond, 7.0)

  it('are one fact: a second reading of an unusual coil says hardly more than the first', () => {
    const usual = weigh(UNREAD, contactor, 15.1).log
    expect(once.log).toBeLessThan(usual - 0.7)
    const first = usual - once.log
    const second = weigh(weigh(UNREAD, contactor, 15.1), beyond, 14.7).log - usual - (twice.log - once.log)
    expect(second).toBeLessThan(0.25 * first)
  })

  it('say nothing of another part', () => {
    const [before, after] = [UNREAD, twice].map((link) => predictionIn(link, predict(laboratory, off, healthy, valve, true))[0])
    expect(Number(after.at)).toBeCloseTo(Number(before.at), 2)
    expect(after.sigma).toBeCloseTo(before.sigma, 2)
  })

  it('tell the part: half the middle of what is sold, and surer with each', () => {
    const place = causeIndex.of(laboratory.system).get('ohms:contactor') ?? -1
    const known = knownOf(twice, place)
    expect(Math.exp(SPREADS.coilOhm * known.mean)).toBeCloseTo(0.47, 1)
    expect(known.sigma).toBeLessThan(knownOf(once, place).sigma)
    expect(knownOf(UNREAD, place)).toEqual({ mean: 0, sigma: 1 })
  })

  it('leave what is expected of the next reading there narrow, and where the part puts it', () => {
    const [component] = predict(laboratory, off, healthy, beyond, true)
    const { at, variance } = expectedAfter(once.lessons, Number(component.at), component.leans)
    expect(fromOhmScale(at)).toBeGreaterThan(6)
    expect(fromOhmScale(at)).toBeLessThan(8.5)
    expect(variance).toBeLessThan(0.02)
  })

  it('do not learn from what is plain wrong', () => {
    const wrong = weigh(UNREAD, contactor, 4000)
    expect(wrong.lessons).toBeNull()
    expect(wrong.away).toBeGreaterThan(4)
    expect(wrong.log).toBeGreaterThan(Math.log(0.0005))
  })
})

describe('ohms of the line side that nobody has read', () => {
  const primary: Probe = { meter: 'ohms', a: 'L1-unit@indoor', b: 'N@indoor' }
  const toMetal: Probe = { meter: 'ohms', a: 'L1-unit@indoor', b: 'chassis@indoor' }
  const motor: Probe = { meter: 'ohms', a: 'blower-line@indoor', b: 'N@indoor' }

  it('run wide: a primary of 32 where the template has 18 is a sound one, and read to the metal it is the same fact', () => {
    const once = weigh(UNREAD, primary, 32)
    expect(once.away).toBeLessThan(2)
    expect(weigh(once, toMetal, 32.5).away).toBeLessThan(1.5)
    expect(weigh(UNREAD, primary, 3000).away).toBeGreaterThan(4)
  })

  it('a motor that is read cold has far fewer ohms than its amps ask for', () => {
    const expected = fromOhmScale(Number(predict(laboratory, off, healthy, motor, true)[0].at))
    expect(weigh(UNREAD, motor, expected / 4).away).toBeLessThan(2.5)
    expect(weigh(UNREAD, motor, 'OL').away).toBeGreaterThan(4)
  })
})

describe('one plain wrong reading among good ones', () => {
  const supply: Probe = { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }
  const wall: Probe = { meter: 'volts', a: 'R@thermostat', b: 'C@thermostat' }
  const read = (link: Link, [probe, answer]: readonly [Probe, number], bench: number) =>
    weighNext(link, predict(laboratory, live, healthy, probe, true), reading(laboratory, probe, answer, `bench ${bench}`), causes)
  const weighed = (readings: readonly (readonly [Probe, number])[]) => readings.reduce(read, UNREAD)
  const good: [Probe, number][] = [
    [supply, 26.8],
    [wall, 26.7],
    [supply, 26.9],
    [wall, 26.6],
  ]
  const wrong: [Probe, number] = [wall, 22.6]

  it('costs about the same whether it was the first or the last: whoever believes the first does not take all others for wrong', () => {
    const [first, last, without] = [[wrong, ...good], [...good, wrong], good].map((readings) => weighed(readings).log)
    expect(Math.abs(first - last)).toBeLessThan(2)
    // One reading in fifty is wrong, and then it may be anything at all.
    expect(without - first).toBeLessThan(10)
  })

  it('is the one that does not fit, once the others have said so', () => {
    const link = weighed([wrong, ...good])
    const misfits: number[] = []
    for (let one: Link | null = link, place = good.length; one?.before; one = one.before, place--) if (one.away > 4) misfits.push(place)
    expect(misfits).toEqual([0])
    const volts = Number(predictionIn(link, predict(laboratory, live, healthy, supply, true))[0].at)
    expect(volts).toBeGreaterThan(26)
  })

  it('is believed as long as nothing speaks against it', () => {
    expect(weighed([wrong]).away).toBeLessThan(4)
    expect(Number(predictionIn(weighed([wrong]), predict(laboratory, live, healthy, supply, true))[0].at)).toBeLessThan(24)
  })
})

describe('two transformers', () => {
  const system = systemById('furnace-two-transformers')
  if (!system) throw new Error('no such system')
  const two = createLaboratory(system, templateValues)
  const cooling: Probe = { meter: 'volts', a: 'Rc@indoor', b: 'C@indoor' }
  const heating: Probe = { meter: 'volts', a: 'Rh@indoor', b: 'C@indoor' }
  const read = (link: Link, probe: Probe, answer: number) =>
    weighNext(link, predict(two, createBench(system), healthy, probe, true), reading(two, probe, answer), countCauses(two))
  const volts = (probe: Probe) => Number(predict(two, createBench(system), healthy, probe)[0].at)

  it('may each be a little off in its own way: one low and one high is no load on either', () => {
    const link = read(read(UNREAD, cooling, volts(cooling) - 0.8), heating, volts(heating) + 0.8)
    expect(link.away).toBeLessThan(1.2)
    const again = read(link, cooling, volts(cooling) - 0.8)
    expect(again.away).toBeLessThan(1)
    expect(read(link, cooling, volts(cooling) + 0.8).away).toBeGreaterThan(2)
  })
})

describe('trials of the protection in one house', () => {
  const raced = (trips: number): Prediction => [
    { weight: trips, at: { word: 'trips' }, sigma: 1, floating: false, race: true },
    { weight: 1 - trips, at: { word: 'holds' }, sigma: 1, floating: false, race: true },
  ]
  const trial = (link: Link, trips: number, word: 'trips' | 'holds') =>
    weighNext(link, raced(trips), { ...reading(laboratory, { meter: 'trip' }, { word }), words: 2, wrong: 0.005 }, causes)
  const chanceOf = (link: Link, before: Link) => Math.exp(link.log - before.log)

  it('what tripped once trips again: a hold with the short still there is next to impossible', () => {
    const once = trial(UNREAD, 0.3, 'trips')
    expect(chanceOf(once, UNREAD)).toBeCloseTo(0.3, 1)
    expect(chanceOf(trial(once, 0.3, 'trips'), once)).toBeGreaterThan(0.9)
    expect(chanceOf(trial(once, 0.3, 'holds'), once)).toBeLessThan(0.1)
  })

  it('where a thermostat let go first a harder short may still trip, an easier one will not', () => {
    const held = trial(UNREAD, 0.5, 'holds')
    expect(chanceOf(trial(held, 0.9, 'trips'), held)).toBeGreaterThan(0.6)
    expect(chanceOf(trial(held, 0.2, 'trips'), held)).toBeLessThan(0.05)
  })
})

describe('what comes and goes', () => {
  const probe: Probe = { meter: 'volts', a: 'Y@indoor', b: 'C@indoor' }
  const now = { floating: false, sigma: 0.3 }
  const split = [
    { ...now, weight: 0.4, at: 0, while: 'shown' as const },
    { ...now, weight: 0.6, at: 26, while: 'hidden' as const },
  ]
  const read = (answers: readonly number[], benches: readonly string[]) =>
    answers.reduce((link, answer, index) => weighNext(link, split, reading(laboratory, probe, answer, benches[index]), causes), UNREAD).log

  it('is there for all readings on a bench that nobody moved, or for none', () => {
    expect(read([0, 26], ['a', 'a'])).toBeLessThan(read([0, 26], ['a', 'b']) - 2)
    expect(read([0, 0], ['a', 'a'])).toBeGreaterThan(read([0, 0], ['a', 'b']) + 0.5)
  })
})

describe.each(['furnace-ac', 'heat-pump-o'])('all readings together on %s', (id) => {
  it('weigh what brute force over four hundred houses weighs @long', () => {
    const system = systemById(id)
    if (!system) throw new Error(`no system ${id}`)
    const drawn = createLaboratory(system, templateValues)
    const place = system.places.find(({ kind }) => kind === 'indoor')?.id ?? system.places[0].id
    const at = (name: string) => terminalPoint(name, place)
    const bench = createBench(system)
    const asked: [typeof bench, Probe][] = [
      [
        { ...bench, power: false },
        { meter: 'ohms', a: at('Y'), b: at('C') },
      ],
      [
        { ...bench, call: 'fan' },
        { meter: 'volts', a: at('R'), b: at('C') },
      ],
      [
        { ...bench, power: false },
        { meter: 'ohms', a: at('G'), b: at('C') },
      ],
    ]
    // With a coarse meter, which more of the houses come near: brute force is rough at the edges.
    const coarse = (prediction: Prediction) => prediction.map((component) => ({ ...component, sigma: 3 * component.sigma }))
    const told = asked.map(([on, probe]) => coarse(predict(drawn, on, healthy, probe, true)))
    const random = createRandom(7)
    // One house that is read, and many that might be it.
    const houses = Array.from({ length: 400 }, () => {
      const laboratoryOf = createLaboratory(drawSystem(system, random), templateValues)
      return asked.map(([on, probe]) => coarse(predict(laboratoryOf, on, healthy, probe)))
    })
    // Not out at the edge, where hardly any of the many comes near it.
    const wide = told.map((prediction) => predictionIn(UNREAD, prediction)[0])
    const one = houses.findIndex((house) =>
      house.every(([{ at: value }], index) => Math.abs(Number(value) - Number(wide[index].at)) < 1.2 * wide[index].sigma),
    )
    const answers = houses[one].map(([{ at: value }], index) =>
      asked[index][1].meter === 'ohms' ? fromOhmScale(Number(value)) : Number(value),
    )
    const readings = answers.map((answer, index) => ({ ...reading(drawn, asked[index][1], answer), wrong: 0 }))
    const brute =
      logSum(
        houses
          .filter((_, index) => index !== one)
          .map((house) =>
            house.reduce(
              (sum, prediction, index) => sum + Math.log(likelihood(answers[index], prediction, readings[index].scale, 0, 0) + 1e-300),
              0,
            ),
          ),
      ) - Math.log(houses.length - 1)
    const chain = told.reduce((link, prediction, index) => weighNext(link, prediction, readings[index], countCauses(drawn)), UNREAD)
    expect(Math.abs(chain.log - brute)).toBeLessThan(0.4)
  }, 60_000)
})

/** A house with parts drawn as the causes say. */
function drawSystem(system: System, random: ReturnType<typeof createRandom>): System {
  const factor = (sigma: number) => Math.exp(sigma * random.normal())
  const line = factor(SPREADS.line)
  const draw = (part: Part): Part => {
    switch (part.kind) {
      case 'coil': {
        const z = random.normal()
        const impedance = Math.exp(SPREADS.coilOhm * SPREADS.impedanceByOhm * z) * factor(SPREADS.coilImpedance)
        return { ...part, dcOhm: part.dcOhm * Math.exp(SPREADS.coilOhm * z), sealedVa: part.sealedVa / impedance }
      }
      case 'board':
        return { ...part, va: part.va * factor(SPREADS.electronicsVa), dcOhm: part.dcOhm * factor(SPREADS.electronicsDc) }
      case 'thermostat':
        return { ...part, va: part.va * factor(SPREADS.electronicsVa), dcOhm: part.dcOhm * factor(SPREADS.electronicsDc) }
      case 'transformer':
        return { ...part, openVolts: part.openVolts * factor(SPREADS.winding) }
      case 'supply':
        return { ...part, legs: part.legs.map((leg) => ({ ...leg, volts: leg.volts * line })) }
      default:
        return part
    }
  }
  return {
    ...system,
    parts: system.parts.map(draw),
    cables: system.cables.map((cable) => ({ ...cable, lengthM: cable.lengthM * factor(SPREADS.length) })),
  }
}
