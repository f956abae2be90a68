import { type Bench, benchKey } from '@/src/core/bench/bench'
import { type Build, buildsOf, gather, type Likelihoods, overLevels } from '@/src/core/diagnosis/by-house'
import { type CostModel, defaultCost } from '@/src/core/diagnosis/cost'
import {
  atLevel,
  BESIDE_LEVEL,
  degrees,
  inDegree,
  isGraded,
  kindsOfWiring,
  overDegrees,
  valueSpreads,
  voltLevels,
  type WiringKind,
} from '@/src/core/diagnosis/houses'
import { type Observation, observationKey, timesTold, wrongShare } from '@/src/core/diagnosis/observations'
import { type Behaviour, createHypotheses } from '@/src/core/diagnosis/priors'
import { type ShopCounts, withShopRates } from '@/src/core/diagnosis/shop-rates'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import type { Fault } from '@/src/core/faults/fault'
import { type Probe, probeKey } from '@/src/core/readings/check'
import { type Hypothesis, whileHidden, whileShown } from '@/src/core/readings/hypothesis'
import { createLaboratory, type Laboratory } from '@/src/core/readings/laboratory'
import { likelihood, likelihoodOfAnything } from '@/src/core/readings/likelihood'
import { nowAndThen, predict, predictAll, scaleOf, wordsFor } from '@/src/core/readings/predict'
import { isAlike, onOhmScale, type Prediction, type Scale } from '@/src/core/readings/prediction'
import { Kept } from '@/src/core/units/kept'
import { isUnknown, partsOf, type System } from '@/src/core/wiring/system'

/** What every story foretells of one reading, over the spread of values and in each kind of wiring. */
interface Foreseen {
  /** Predictions in each of the spread's houses, or at each degree of the damage; stories that foretell the same share them. */
  readonly spreads: readonly { readonly over: 'values' | 'degrees'; readonly predictions: readonly Prediction[] }[]
  readonly spreadOf: readonly number[]
  /** Predictions in the template's house wired otherwise, kind after kind. */
  readonly otherwise: readonly (readonly Prediction[])[]
}

/** What the stories foretell of the probes of one bench, as far as it was asked. */
interface Predicted {
  /** By story and kind of wiring. */
  readonly rows: Map<number, readonly Prediction[]>
  /** Of stories that stand still, from which those of what comes and goes are made. */
  readonly steady: Map<Hypothesis, readonly Prediction[]>
}

/** Everything about one system that does not depend on the job; keeps what it has computed. Make one per system and thread. */
export interface Engine {
  readonly system: System
  readonly cost: CostModel
  readonly faults: readonly Fault[]
  readonly hypotheses: readonly Hypothesis[]
  readonly rates: readonly number[]
  readonly behaviours: readonly Behaviour[]
  /** The house as the template says. */
  readonly laboratory: Laboratory
  /** The same house over the spread of part values, the template first. */
  readonly laboratories: readonly Laboratory[]
  /** The kinds of wiring that a house of this system may have, as drawn first. */
  readonly kinds: readonly WiringKind[]
  /** The ways in which it may be built, and log of the weight of each at each level of volts, in the order of `byHouse`. */
  readonly builds: readonly Build[]
  readonly logHouses: Float64Array
  /** The hypotheses as they are in each kind of wiring. */
  readonly hypothesesByKind: readonly (readonly Hypothesis[])[]
  logLikelihoods(observation: Observation): Likelihoods
  /** Works out what every story foretells of a reading before it is taken, so that its answer is weighed at once. */
  foresee(bench: Bench, probe: Probe): void
  /** What each probe would read in the template's house under a hypothesis, wired in this way; kept, for the planner asks the same again. */
  predictions(bench: Bench, probes: readonly Probe[]): (hypothesis: number, kind: number) => readonly Prediction[]
}

/** How far part values carry a reading from the template's: the planner must not hope to see what the spread of houses hides. */
const SPREAD = { ohms: 0.22, volts: 0.03, 'line-volts': 0.03, amps: 0.15 } as const

/** `volts` is the share of the volts that is not known of the house: less where its level is weighed beside. */
export function widened(prediction: Prediction, scale: Scale, volts: number = SPREAD.volts): Prediction {
  if (scale === 'word') return prediction
  return prediction.map((component) => {
    if (typeof component.at !== 'number' || component.floating) return component
    // A metal path of an ohm or less is copper and contacts: no part value moves it.
    const spread =
      scale === 'ohms' ? (component.at < onOhmScale(2) ? 0 : SPREAD.ohms) : (scale === 'volts' ? volts : SPREAD[scale]) * component.at
    return { ...component, sigma: Math.hypot(component.sigma, spread) }
  })
}

/** What a story of damage by degrees foretells at each of them; part values are in the width. */
export function foretellByDegree(laboratory: Laboratory, bench: Bench, story: Hypothesis, probe: Probe): Prediction[] {
  const scale = scaleOf(laboratory.system, probe)
  return overDegrees(degrees.map((_, degree) => widened(predict(laboratory, bench, inDegree(story, degree), probe), scale, BESIDE_LEVEL)))
}

const sayAt = (at: 'OL' | { readonly word: string }): string => (at === 'OL' ? at : at.word)

/** A float that nobody has looked for is there in half of the houses: assumption. */
const FLOAT_THERE = 0.5

function inWhatMayNotBe(system: System, fault: Fault): Fault {
  const float = isUnknown(system, 'float') ? partsOf(system, 'switch').find(({ role }) => role === 'float') : undefined
  return float && fault.id === `switch-open:${float.id}`
    ? { ...fault, rate: fault.rate * FLOAT_THERE, say: `${fault.say} (if there is a float switch)` }
    : fault
}

const KEPT_OBSERVATIONS = 120
/** Readings whose predictions are kept: those of a job, and the one that is about to be taken. */
const KEPT_FORESEEN = 40
/** Benches whose predictions are kept: what two jobs' worth of planning weighs. */
const KEPT_QUESTIONS = 400

/** What a shop and its technician know better than the defaults. */
export interface EngineOptions {
  readonly cost?: CostModel
  readonly shop?: ShopCounts
}

export function createEngine(system: System, { cost = defaultCost, shop = {} }: EngineOptions = {}): Engine {
  const kinds = kindsOfWiring(system)
  const builds = buildsOf(kinds)
  const laboratories = valueSpreads.map(({ factors }) => createLaboratory(system, factors))
  const [laboratory] = laboratories
  const faults = withShopRates(enumerateFaults(system), shop).map((fault) => inWhatMayNotBe(system, fault))
  const { hypotheses, rates, behaviours } = createHypotheses(laboratory, faults)
  // A house wired differently is the template's with the difference beside each fault.
  const hypothesesByKind = kinds.map(({ wiring }) =>
    wiring.length === 0 ? hypotheses : hypotheses.map((hypothesis) => ({ ...hypothesis, wiring })),
  )
  const known = new Kept<string, Likelihoods>(KEPT_OBSERVATIONS)
  const predicted = new Kept<string, Predicted>(KEPT_QUESTIONS)

  const foreseen = new Kept<string, Foreseen>(KEPT_FORESEEN)
  const foresee = (bench: Bench, probe: Probe): Foreseen =>
    foreseen.get(`${benchKey(bench)} ${probeKey(probe)}`, () => foreseeAnew(bench, probe))

  function foreseeAnew(bench: Bench, probe: Probe): Foreseen {
    const keyOf = (prediction: Prediction) =>
      prediction.map(({ at, weight }) => `${typeof at === 'number' ? at.toPrecision(3) : sayAt(at)} ${weight.toFixed(3)}`).join(' ')
    const ofSound = keyOf(predict(laboratory, bench, hypotheses[0], probe))
    // Stories that foretell the same in the template's house (most of them: their fault is elsewhere) do so over the spread.
    const places = new Map<string, number>()
    const spreads: Foreseen['spreads'][number][] = []
    const spreadOf = hypotheses.map((story) => {
      const inTemplate = predict(laboratory, bench, story, probe)
      const foretold = keyOf(inTemplate)
      // A reading that shows the damage shows how much of it there is, and that is its own in each story.
      const isShown = isGraded(story) && foretold !== ofSound
      const key = isShown ? `${foretold} ${story.id}` : foretold
      const known = places.get(key)
      if (known !== undefined) return known
      places.set(key, spreads.length)
      spreads.push(
        isShown
          ? { over: 'degrees', predictions: foretellByDegree(laboratory, bench, story, probe) }
          : {
              over: 'values',
              predictions: laboratories.map((one, corner) => (corner === 0 ? inTemplate : predict(one, bench, story, probe))),
            },
      )
      return spreads.length - 1
    })
    // The spread of values matters where the house is drawn as it should be; beside a wiring difference the template will do.
    const otherwise = hypothesesByKind.slice(1).map(([first, ...stories]) => {
      const soundly = predict(laboratory, bench, first, probe)
      const shared = (prediction: Prediction) => (isAlike(prediction, soundly) ? soundly : prediction)
      return [soundly, ...stories.map((story) => shared(predict(laboratory, bench, story, probe)))]
    })
    return { spreads, spreadOf, otherwise }
  }

  function compute(observation: Observation): Likelihoods {
    const { bench, probe, answer } = observation
    const scale = scaleOf(system, probe)
    const words = wordsFor(system, probe).length
    const wrong = wrongShare(observation)
    const { spreads, spreadOf, otherwise } = foresee(bench, probe)
    const weighAt = (prediction: Prediction) =>
      overLevels(scale, (times) => likelihood(answer, atLevel(prediction, scale, times), scale, words, wrong))
    const asDrawn = spreads.map(({ over, predictions }): readonly (readonly number[])[] => {
      if (over === 'degrees') return predictions.map(weighAt)
      const overValues = overLevels(scale, (times) =>
        valueSpreads.reduce(
          (sum, { weight, factors }, corner) =>
            sum + weight * likelihood(answer, atLevel(predictions[corner], scale, times / factors.emf), scale, words, wrong),
          0,
        ),
      )
      return degrees.map(() => overValues)
    })
    const wiredOtherwise = otherwise.map((predictions) => {
      const known = new Map<Prediction, number[]>()
      return (index: number): number[] => {
        const prediction = predictions[index]
        const found = known.get(prediction) ?? weighAt(prediction)
        known.set(prediction, found)
        return found
      }
    })
    return gather(
      (index, { kind, degree }) => (kind === 0 ? asDrawn[spreadOf[index]][degree] : wiredOtherwise[kind - 1](index)),
      hypotheses.map((story) => timesTold(story, observation)),
      builds,
      Math.log(Math.max(likelihoodOfAnything(answer, scale, words), 1e-9)),
    )
  }

  return {
    system,
    cost,
    faults,
    hypotheses,
    rates,
    behaviours,
    laboratory,
    laboratories,
    hypothesesByKind,
    kinds,
    builds,
    logHouses: Float64Array.from(builds.flatMap(({ weight }) => voltLevels.map((level) => Math.log(weight * level.weight)))),
    foresee: (bench, probe) => void foresee(bench, probe),
    logLikelihoods: (observation) => known.get(observationKey(observation), () => compute(observation)),
    predictions: (bench, probes) => {
      const table = predicted.get(`${benchKey(bench)} ${probes.map(probeKey).join(' ')}`, () => ({ rows: new Map(), steady: new Map() }))
      const steadyOf = (story: Hypothesis): readonly Prediction[] => {
        const found = table.steady.get(story)
        if (found) return found
        const made = predictAll(laboratory, bench, story, probes).map((prediction, index) =>
          widened(prediction, scaleOf(system, probes[index])),
        )
        // Most faults are elsewhere and leave a reading as a sound house shows it: those share one prediction.
        const [sound] = hypotheses
        const soundly = story === sound ? made : steadyOf(sound)
        const shared = made.map((prediction, index) => (isAlike(prediction, soundly[index]) ? soundly[index] : prediction))
        table.steady.set(story, shared)
        return shared
      }
      return (hypothesis, kind) => {
        const place = hypothesis * kinds.length + kind
        const found = table.rows.get(place)
        if (found) return found
        const story = hypothesesByKind[kind][hypothesis]
        const shown = steadyOf(whileShown(story))
        const made = story.intermittent ? nowAndThen(shown, steadyOf(whileHidden(story))) : shown
        table.rows.set(place, made)
        return made
      }
    },
  }
}
