import { type Bench, benchKey } from '@/src/core/bench/bench'
import { gather, type Houses, type Likelihoods, layOutHouses, overLevels } from '@/src/core/diagnosis/by-house'
import { type CostModel, defaultCost } from '@/src/core/diagnosis/cost'
import { Foreseeing } from '@/src/core/diagnosis/foresee'
import { atLevel, degrees, isGraded, kindsOfWiring, valueSpreads, type WiringKind } from '@/src/core/diagnosis/houses'
import { type Observation, observationKey, timesTold, wrongShare } from '@/src/core/diagnosis/observations'
import { Predicted } from '@/src/core/diagnosis/predicted'
import { type Behaviour, createHypotheses } from '@/src/core/diagnosis/priors'
import { type ShopCounts, withShopRates } from '@/src/core/diagnosis/shop-rates'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import type { Fault } from '@/src/core/faults/fault'
import { type Probe, probeKey, probesKey } from '@/src/core/readings/check'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import { createLaboratory, type Laboratory } from '@/src/core/readings/laboratory'
import { likelihood, likelihoodOfAnything } from '@/src/core/readings/likelihood'
import { scaleOf, wordsFor } from '@/src/core/readings/predict'
import type { Prediction } from '@/src/core/readings/prediction'
import { Kept } from '@/src/core/units/kept'
import { isUnknown, partsOf, type System } from '@/src/core/wiring/system'

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
  /** The houses that each story may stand in. */
  readonly houses: Houses
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
  const laboratories = valueSpreads.map(({ factors }) => createLaboratory(system, factors))
  const [laboratory] = laboratories
  const faults = withShopRates(enumerateFaults(system), shop).map((fault) => inWhatMayNotBe(system, fault))
  const { hypotheses, rates, behaviours } = createHypotheses(laboratory, faults)
  // A house wired differently is the template's with the difference beside each fault.
  const hypothesesByKind = kinds.map(({ wiring }) =>
    wiring.length === 0 ? hypotheses : hypotheses.map((hypothesis) => ({ ...hypothesis, wiring })),
  )
  const houses = layOutHouses(hypotheses.map(isGraded), kinds)
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
    const weighed = new Map<Prediction, number[]>()
    const weighOnce = (prediction: Prediction): number[] => {
      const found = weighed.get(prediction) ?? weighAt(prediction)
      weighed.set(prediction, found)
      return found
    }
    const wiredOtherwise = (story: number, kind: number, degree: number): number[] => {
      const predictions = otherwise[kind - 1][story]
      return weighOnce(predictions[degree] ?? predictions[0])
    }
    return gather(
      (story, kind, degree) => (kind === 0 ? asDrawn[spreadOf[story]][degree] : wiredOtherwise(story, kind, degree)),
      hypotheses.map((story) => timesTold(story, observation)),
      kinds,
      houses,
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
    houses,
    foresee: (bench, probe) => foresee(bench, probe).pieces(),
    logLikelihoods: (observation) => known.get(observationKey(observation), () => compute(observation)),
    predictions: (bench, probes) => {
      const key = `${benchKey(bench)} ${probesKey(probes)}`
      const table = predicted.get(key, () => new Predicted(laboratory, hypotheses[0], bench, probes))
      return (hypothesis, kind) => table.rowOf(hypothesis * kinds.length + kind, hypothesesByKind[kind][hypothesis])
    },
  }
}
