import { type Bench, benchKey } from '@/src/core/bench/bench'
import { type Build, buildsOf, gather, type Likelihoods, overLevels } from '@/src/core/diagnosis/by-house'
import { type CostModel, defaultCost } from '@/src/core/diagnosis/cost'
import { Foreseeing, widened } from '@/src/core/diagnosis/foresee'
import { atLevel, degrees, kindsOfWiring, valueSpreads, voltLevels, type WiringKind } from '@/src/core/diagnosis/houses'
import { type Observation, observationKey, timesTold, wrongShare } from '@/src/core/diagnosis/observations'
import { type Behaviour, createHypotheses } from '@/src/core/diagnosis/priors'
import { type ShopCounts, withShopRates } from '@/src/core/diagnosis/shop-rates'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import type { Fault } from '@/src/core/faults/fault'
import { type Probe, probeKey, probesKey } from '@/src/core/readings/check'
import { type Hypothesis, whileHidden, whileShown } from '@/src/core/readings/hypothesis'
import { createLaboratory, type Laboratory } from '@/src/core/readings/laboratory'
import { likelihood, likelihoodOfAnything } from '@/src/core/readings/likelihood'
import { nowAndThen, predictAll, scaleOf, wordsFor } from '@/src/core/readings/predict'
import { isAlike, type Prediction } from '@/src/core/readings/prediction'
import { Kept, KeptPer } from '@/src/core/units/kept'
import { isUnknown, partsOf, type System } from '@/src/core/wiring/system'

/** What the stories foretell of the probes of one bench, as far as it was asked. */
interface Predicted {
  /** By story and kind of wiring. */
  readonly rows: Map<number, readonly Prediction[]>
  /** Of stories that stand still, from which those of what comes and goes are made. */
  readonly steady: Map<Hypothesis, readonly Prediction[]>
  /** The different predictions of each probe so far, a sound house's first: stories that foretell the same share one. */
  readonly different: readonly Prediction[][]
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
  /** The work, in short pieces, of foretelling a reading before it is taken: once it is done, an answer is weighed at once. */
  foresee(bench: Bench, probe: Probe): (() => void)[]
  /** What each probe would read in the template's house under a hypothesis, wired in this way; kept, for the planner asks the same again. */
  predictions(bench: Bench, probes: readonly Probe[]): (hypothesis: number, kind: number) => readonly Prediction[]
}

/** A float that nobody has looked for is there in half of the houses: assumption. */
const FLOAT_THERE = 0.5

function inWhatMayNotBe(system: System, fault: Fault): Fault {
  const float = isUnknown(system, 'float') ? partsOf(system, 'switch').find(({ role }) => role === 'float') : undefined
  return float && fault.id === `switch-open:${float.id}`
    ? { ...fault, rate: fault.rate * FLOAT_THERE, say: `${fault.say} (if there is a float switch)` }
    : fault
}

const withFuseIntact = new KeptPer((story: Hypothesis): Hypothesis => ({ ...story, foundFuse: 'intact' }))

/** Different predictions of one probe that others are held against. */
const MOST_SHARED = 24
/** Two faults that are one to the network differ by no more than the solver's rounding, in widths. */
const THE_SAME = 1e-6
const KEPT_OBSERVATIONS = 120
/** Readings whose predictions are kept: those of a job, and the one that is about to be taken. */
const KEPT_FORESEEN = 40
/** Benches whose predictions are kept. With a wire lifted there are some 270 to choose from, and what is asked lately must fit twice (`Kept`). */
const KEPT_QUESTIONS = 700

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

  const foreseen = new Kept<string, Foreseeing>(KEPT_FORESEEN)
  const foresee = (bench: Bench, probe: Probe): Foreseeing =>
    foreseen.get(`${benchKey(bench)} ${probeKey(probe)}`, () => new Foreseeing(laboratories, hypothesesByKind, bench, probe))

  function compute(observation: Observation): Likelihoods {
    const { bench, probe, answer } = observation
    const scale = scaleOf(system, probe)
    const words = wordsFor(system, probe).length
    const wrong = wrongShare(observation)
    const { spreads, spreadOf, otherwise } = foresee(bench, probe).finish()
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
    foresee: (bench, probe) => foresee(bench, probe).pieces(),
    logLikelihoods: (observation) => known.get(observationKey(observation), () => compute(observation)),
    predictions: (bench, probes) => {
      const table = predicted.get(`${benchKey(bench)} ${probesKey(probes)}`, () => ({
        rows: new Map(),
        steady: new Map(),
        different: probes.map(() => []),
      }))
      const share = (prediction: Prediction, different: Prediction[]): Prediction => {
        const [soundly] = different
        // Which of two neighbours came first must not show: beside the sound house only what is the same is shared.
        const known = soundly && isAlike(prediction, soundly) ? soundly : different.find((other) => isAlike(prediction, other, THE_SAME))
        if (known) return known
        if (different.length < MOST_SHARED) different.push(prediction)
        return prediction
      }
      const scales = probes.map((probe) => scaleOf(system, probe))
      // With another fuse or a breaker in the slot the one that was found no longer tells, unless it is looked at.
      const isFuseTold = bench.slot.holds === 'as-found' || probes.some((probe) => probe.meter === 'look' && probe.at === 'fuse')
      const steadyOf = (told: Hypothesis): readonly Prediction[] => {
        const story = isFuseTold || told.foundFuse === 'intact' ? told : whileShown(withFuseIntact.of(told))
        const found = table.steady.get(story)
        if (found) return found
        // Most faults are elsewhere and leave a reading as a sound house shows it, which is foretold first.
        if (story !== hypotheses[0]) steadyOf(hypotheses[0])
        const own = predictAll(laboratory, bench, story, probes).map((prediction, index) =>
          share(widened(prediction, scales[index]), table.different[index]),
        )
        const sound = table.steady.get(hypotheses[0])
        const made = sound && own.every((prediction, index) => prediction === sound[index]) ? sound : own
        table.steady.set(story, made)
        return made
      }
      return (hypothesis, kind) => {
        const place = hypothesis * kinds.length + kind
        const found = table.rows.get(place)
        if (found) return found
        const story = hypothesesByKind[kind][hypothesis]
        const shown = steadyOf(whileShown(story))
        const hidden = story.intermittent ? steadyOf(whileHidden(story)) : shown
        const made = shown === hidden ? shown : nowAndThen(shown, hidden)
        table.rows.set(place, made)
        return made
      }
    },
  }
}
