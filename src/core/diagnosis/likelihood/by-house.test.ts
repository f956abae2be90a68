import { type Bench, createBench } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { computePosterior, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { listSuspects } from '@/src/core/diagnosis/inference/suspects'
import { healthy } from '@/src/core/readings/hypothesis'
import type { Observation } from '@/src/core/readings/observations'
import { predict } from '@/src/core/readings/predict'
import type { Point } from '@/src/core/wiring/point'
import { catalogue, furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { furnaceEngine } from '@/tests/setup/furnace'

const engine = furnaceEngine()
const live = createBench(furnaceAc)

/** What a sound house shows whose volts all stand so many times as high as the template's. */
function soundHouseAt(times: number, points: readonly (readonly [Point, Point])[]): Observation[] {
  return points.map(([a, b], index): Observation => {
    const probe = { meter: 'volts', a, b } as const
    const [{ at }] = predict(engine.laboratory, live, healthy, probe)
    return { id: String(index), bench: live, probe, answer: Number((times * Number(at)).toFixed(2)) }
  })
}

const places = [
  ['R@indoor', 'C@indoor'],
  ['R@thermostat', 'C@thermostat'],
  ['sec@indoor', 'C@indoor'],
  ['R@indoor', 'Y@indoor'],
  ['R@indoor', 'W@indoor'],
  ['R@thermostat', 'Y@thermostat'],
] as const

describe('a house on a low line', () => {
  const oddsAgainstSound = (observations: readonly Observation[]) => {
    const { hypotheses } = computePosterior(engine, { ...noEvidence, observations })
    return hypotheses.map((probability) => probability / hypotheses[0])
  }

  it('does not come to look like any fault by many readings that are all as low as the first', () => {
    const [before, after] = [[], soundHouseAt(0.93, places)].map(oddsAgainstSound)
    engine.hypotheses.forEach(({ id }, index) => {
      expect([id, after[index] < 4 * before[index]]).toEqual([id, true])
    })
  })

  it('does not come to look like a leak by many clamps that all read a third more than the template draws', () => {
    const calls = ['off', 'fan', 'cool', 'heat'] as const
    const clamp = { meter: 'amps', on: 'fuse' } as const
    const observations = calls.map((call, index): Observation => {
      const bench = { ...live, call }
      return {
        id: String(index),
        bench,
        probe: clamp,
        answer: Number((1.3 * Number(predict(engine.laboratory, bench, healthy, clamp)[0].at)).toFixed(2)),
      }
    })
    const [before, after] = [[], observations].map(oddsAgainstSound)
    engine.hypotheses.forEach(({ id }, index) => {
      expect([id, after[index] < 4 * before[index]]).toEqual([id, true])
    })
  })

  it('fits the hypothesis of a sound house in every reading', () => {
    const evidence = { ...noEvidence, observations: soundHouseAt(0.925, places) }
    const suspects = listSuspects(engine, evidence, computePosterior(engine, evidence), Number.POSITIVE_INFINITY)
    const sound = suspects.find(({ id }) => id === 'nothing-wrong')
    expect(sound?.evidence).toHaveLength(places.length)
    expect(sound?.misfits).toBe(0)
  })

  it('is told from one whose readings do not agree with each other: that is none of these sooner', () => {
    const low = soundHouseAt(0.93, places)
    const high = soundHouseAt(1.07, places)
    const mixed = low.map((reading, index) => (index % 2 === 0 ? reading : high[index]))
    const none = (observations: readonly Observation[]) => computePosterior(engine, { ...noEvidence, observations }).noneOfThese
    expect(none(mixed)).toBeGreaterThan(4 * none(low))
  })
})

describe('damage in a house that is wired otherwise', () => {
  const [heatPump] = catalogue.filter(({ id }) => id === 'heat-pump-o')
  const itsEngine = createEngine(heatPump)
  const off = { ...createBench(heatPump), power: false }
  const ohms = (id: string, a: Point, b: Point, answer: Observation['answer'], change: Partial<Bench> = {}): Observation => ({
    id,
    bench: { ...off, ...change },
    probe: { meter: 'ohms', a, b },
    answer,
  })
  const lifted: Partial<Bench> = { lifted: ['outdoor-cable.O@indoor'] }
  // The board outdoors has relays, where the template's passes on: its inputs are all that the calls read. W leaks to the metal with some 48 ohm.
  const readings = [
    ohms('y', 'Y@indoor', 'C@indoor', 'OL'),
    ohms('o', 'O@indoor', 'C@indoor', 4018),
    ohms('yo', 'outdoor-cable.Y@indoor', 'outdoor-cable.O@indoor', 8010, lifted),
    ohms('w', 'W@indoor', 'C@indoor', 27.8, lifted),
    ohms('w2', 'W@indoor', 'chassis@indoor', 48.2, { ...lifted, unplugged: ['sequencer'] }),
  ]

  it('comes by degrees there, too: a leak of 48 ohm is not taken for the one short whose coil happens to read so', () => {
    const evidence = { ...noEvidence, observations: readings }
    const suspects = listSuspects(itsEngine, evidence, computePosterior(itsEngine, evidence))
    const held = (isMeant: (id: string) => boolean) =>
      suspects.filter(({ id }) => isMeant(id)).reduce((sum, { probability }) => sum + probability, 0)
    expect(held((id) => id === 'conductor-short:stat-cable.G+W')).toBeLessThan(0.6)
    expect(held((id) => /^(lead|conductor)-to-chassis:(W@|.*\.W$)/.test(id))).toBeGreaterThan(0.1)
  })

  it('is a hypothesis that weighs one in all its houses together', () => {
    const { houses, hypotheses, kinds } = itsEngine
    for (let hypothesis = 0; hypothesis < hypotheses.length; hypothesis += 29) {
      const weights = houses.logWeights.subarray(houses.first[hypothesis], houses.first[hypothesis + 1])
      expect(weights).toHaveLength(kinds.length * houses.degrees[hypothesis])
      expect(weights.reduce((sum, log) => sum + Math.exp(log), 0)).toBeCloseTo(1, 9)
    }
  })
})
