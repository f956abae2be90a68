import { type Bench, benchKey } from '@/src/core/bench/bench'
import { gather, type Likelihoods, overLevels } from '@/src/core/diagnosis/by-house'
import { type CostModel, defaultCost } from '@/src/core/diagnosis/cost'
import {
  atLevel,
  inDegree,
  isGraded,
  kindsOfWiring,
  overDegrees,
  valueSpreads,
  voltLevels,
  type WiringKind,
} from '@/src/core/diagnosis/houses'
import { type Behaviour, createHypotheses } from '@/src/core/diagnosis/priors'
import { type ShopCounts, withShopRates } from '@/src/core/diagnosis/shop-rates'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import type { Fault } from '@/src/core/faults/fault'
import { type Answer, type Probe, probeKey } from '@/src/core/readings/check'
import { type Hypothesis, whileHidden, whileShown } from '@/src/core/readings/hypothesis'
import { createLaboratory, type Laboratory } from '@/src/core/readings/laboratory'
import { likelihood, likelihoodOfAnything, WRONG_READING } from '@/src/core/readings/likelihood'
import { WIRING } from '@/src/core/readings/looks'
import { nowAndThen, predict, predictAll, scaleOf, wordsFor } from '@/src/core/readings/predict'
import { isAlike, onOhmScale, type Prediction, type Scale } from '@/src/core/readings/prediction'
import { Kept, KeptPer } from '@/src/core/units/kept'
import { isUnknown, partsOf, type System } from '@/src/core/wiring/system'

/** One reading with the bench it was taken on. */
export interface Observation {
  readonly id: string
  readonly bench: Bench
  readonly probe: Probe
  readonly answer: Answer
  /** How often the same question was answered alike before: it is not plain wrong twice. Set by `latestAnswers`. */
  readonly repeats?: number
}

/**
 * What makes two readings the same question: one bench and one probe. A look at the fuse or at landings does not depend
 * on calls and jumpers.
 */
export function questionKey(bench: Bench, probe: Probe): string {
  return probe.meter === 'look' && (probe.at === 'fuse' || probe.at.startsWith('landings@') || probe.at.startsWith(WIRING))
    ? probeKey(probe)
    : `${benchKey(bench)} ${probeKey(probe)}`
}

/** What makes two readings the same evidence: the question, on its bench as it stood, and the answer. */
export const observationKey = ({ bench, probe, answer, repeats = 0 }: Observation): string =>
  `${benchKey(bench)} ${probeKey(probe)} ${JSON.stringify(answer)}${repeats > 0 ? ` ${repeats} times before` : ''}`

/** The observations that count: a question asked again replaces its earlier answer, and is surer where it agrees with it. */
export function latestAnswers(observations: readonly Observation[]): Observation[] {
  const latest = new Map<string, Observation>()
  const agreed = new Map<Observation, number>()
  for (const observation of observations) {
    const key = questionKey(observation.bench, observation.probe)
    const before = latest.get(key)
    if (before && agree(before.answer, observation.answer)) agreed.set(observation, (agreed.get(before) ?? 0) + 1)
    latest.set(key, observation)
  }
  return observations
    .filter((observation) => latest.get(questionKey(observation.bench, observation.probe)) === observation)
    .map((observation) => {
      const repeats = agreed.get(observation)
      return repeats === undefined ? observation : repeatedOf.of(observation).get(repeats, () => ({ ...observation, repeats }))
    })
}
const MOST_REPEATS_KEPT = 4
const repeatedOf = new KeptPer((_: Observation) => new Kept<number, Observation>(MOST_REPEATS_KEPT))

/** How often an answer counts for a story: what comes and goes had its chance to show each time, what stands still tells once. */
export const timesTold = ({ intermittent }: Hypothesis, { repeats = 0 }: Observation): number => (intermittent ? 1 + repeats : 1)

/** Chance that an answer is plain wrong: twice over it is not. */
export const wrongShare = ({ repeats = 0 }: Observation): number => (repeats > 0 ? WRONG_READING ** 2 : WRONG_READING)

/** Two answers to one question that a meter and a hand may give of the same thing: assumption. */
function agree(a: Answer, b: Answer): boolean {
  if (typeof a === 'number' && typeof b === 'number') return Math.abs(a - b) <= 0.5 + 0.1 * Math.max(Math.abs(a), Math.abs(b))
  return JSON.stringify(a) === JSON.stringify(b)
}

/** What every story foretells of one reading, over the spread of values and in each kind of wiring. */
interface Foreseen {
  /** Predictions in each of the spread's houses; stories that foretell the same share one. */
  readonly spreads: readonly (readonly Prediction[])[]
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
  /** log of the weight of each house that it may be, in the order of `byHouse`. */
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
    const spreads: Prediction[][] = []
    const spreadOf = hypotheses.map((story) => {
      const inTemplate = predict(laboratory, bench, story, probe)
      const foretold = keyOf(inTemplate)
      // A reading that shows the damage shows how much of it there is, and that is its own in each story.
      const isShown = isGraded(story) && foretold !== ofSound
      const key = isShown ? `${foretold} ${story.id}` : foretold
      const known = places.get(key)
      if (known !== undefined) return known
      places.set(key, spreads.length)
      const corners = valueSpreads.map((_, corner) =>
        corner === 0 ? inTemplate : predict(laboratories[corner], bench, inDegree(story, corner), probe),
      )
      spreads.push(isShown ? overDegrees(corners) : corners)
      return spreads.length - 1
    })
    // The spread of values matters where the house is drawn as it should be; beside a wiring difference the template will do.
    const otherwise = hypothesesByKind.slice(1).map((stories) => stories.map((story) => predict(laboratory, bench, story, probe)))
    return { spreads, spreadOf, otherwise }
  }

  function compute(observation: Observation): Likelihoods {
    const { bench, probe, answer } = observation
    const scale = scaleOf(system, probe)
    const words = wordsFor(system, probe).length
    const wrong = wrongShare(observation)
    const { spreads, spreadOf, otherwise } = foresee(bench, probe)
    const asDrawn = spreads.map((corners) =>
      overLevels(scale, (times) =>
        valueSpreads.reduce(
          (sum, { weight, factors }, corner) =>
            sum + weight * likelihood(answer, atLevel(corners[corner], scale, times / factors.emf), scale, words, wrong),
          0,
        ),
      ),
    )
    const wiredOtherwise = otherwise.map((predictions) => {
      const known = new Map<Prediction, number[]>()
      return (index: number): number[] => {
        const prediction = predictions[index]
        const found =
          known.get(prediction) ?? overLevels(scale, (times) => likelihood(answer, atLevel(prediction, scale, times), scale, words, wrong))
        known.set(prediction, found)
        return found
      }
    })
    return gather(
      (index, kind) => (kind === 0 ? asDrawn[spreadOf[index]] : wiredOtherwise[kind - 1](index)),
      hypotheses.map((story) => timesTold(story, observation)),
      kinds.map(({ weight }) => weight),
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
    logHouses: Float64Array.from(kinds.flatMap(({ weight }) => voltLevels.map((level) => Math.log(weight * level.weight)))),
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
