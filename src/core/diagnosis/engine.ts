import { type Bench, benchKey } from '@/src/core/bench/bench'
import { type CostModel, defaultCost } from '@/src/core/bench/cost'
import { isGraded, kindsOfWiring, type WiringKind } from '@/src/core/diagnosis/hypotheses/houses'
import { type Behaviour, createHypotheses } from '@/src/core/diagnosis/hypotheses/priors'
import { type ShopCounts, withShopRates } from '@/src/core/diagnosis/hypotheses/shop-rates'
import {
  type Chains,
  type Houses,
  layOutHouses,
  type SharedPredictions,
  unread,
  weighReading,
} from '@/src/core/diagnosis/likelihood/by-house'
import { type Reading, UNREAD, weighNext } from '@/src/core/diagnosis/likelihood/chain'
import { fromTemplate, hangsOn, nearest, type OperatingPoint, pointsOf } from '@/src/core/diagnosis/likelihood/operating-point'
import { countCauses, PredictionTask } from '@/src/core/diagnosis/likelihood/prediction-task'
import { Predicted } from '@/src/core/diagnosis/planner/predicted'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import type { Fault } from '@/src/core/faults/fault'
import { openedBy, type Probe, probeKey, probesKey } from '@/src/core/readings/check'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import { createLaboratory, type Laboratory } from '@/src/core/readings/laboratory'
import { likelihoodOfAnything } from '@/src/core/readings/likelihood'
import { isPlainToSee, type Observation, observationKey, timesTold, wrongShare } from '@/src/core/readings/observations'
import { scaleOf, wordsFor } from '@/src/core/readings/predict'
import type { Prediction } from '@/src/core/readings/prediction'
import { LruCache } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'
import { isUnknown, partsOf, type System } from '@/src/core/wiring/system'
import { templateValues } from '@/src/core/wiring/values'

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
  /** The kinds of wiring that a house of this system may have, as drawn first. */
  readonly kinds: readonly WiringKind[]
  /** The houses that each hypothesis may stand in. */
  readonly houses: Houses
  /** The hypotheses as they are in each kind of wiring. */
  readonly hypothesesByKind: readonly (readonly Hypothesis[])[]
  /** Every house after these readings, in their order. */
  chains(observations: readonly Observation[]): Chains
  /** What every house foretells of a reading. */
  predictionsFor(observation: Observation): SharedPredictions
  /** log P(answer | hypothesis) of one reading by itself, and in the last place that of anything at all. */
  alone(observation: Observation): Float64Array
  /** The work, in short pieces, of foretelling a reading before it is taken: once it is done, an answer is weighed at once. */
  predictAhead(bench: Bench, probe: Probe): (() => void)[]
  /** What each probe would read in the template's house under a hypothesis, wired in this way; kept, for the planner asks the same again. */
  predictions(bench: Bench, probes: readonly Probe[]): (hypothesis: number, kind: number) => readonly Prediction[]
}

/** A float switch that nobody has looked for is there. */
const FLOAT_THERE = modelValue({ value: 0.5, unit: 'share of houses', source: 'assumption' })

function inWhatMayNotBe(system: System, fault: Fault): Fault {
  const float = isUnknown(system, 'float') ? partsOf(system, 'switch').find(({ role }) => role === 'float') : undefined
  return float && fault.id === `switch-open:${float.id}`
    ? { ...fault, rate: fault.rate * FLOAT_THERE, say: `${fault.say} (if there is a float switch)` }
    : fault
}

const KEPT_OBSERVATIONS = workLimit(120)
/** Stretches of readings whose chains are kept: a job's, what is thought ahead, and what is left out in turn. */
const KEPT_CHAINS = workLimit(240)
/** Readings whose predictions are kept: those of a job, and the one that is about to be taken. */
const KEPT_FORESEEN = workLimit(120)
/** Operating points whose networks are kept: those of a job, and of the one before. */
const KEPT_LABORATORIES = workLimit(6)
/** Benches whose predictions are kept. With a wire lifted there are some 270 to choose from, and what is asked lately must fit twice (`LruCache`). */
const KEPT_QUESTIONS = workLimit(700)

/** What a shop and its technician know better than the defaults. */
export interface EngineOptions {
  readonly cost?: CostModel
  readonly shop?: ShopCounts
}

export function createEngine(system: System, { cost = defaultCost, shop = {} }: EngineOptions = {}): Engine {
  const kinds = kindsOfWiring(system)
  const laboratory = createLaboratory(system, templateValues)
  const faults = withShopRates(enumerateFaults(system), shop).map((fault) => inWhatMayNotBe(system, fault))
  const { hypotheses, rates, behaviours } = createHypotheses(laboratory, faults)
  // A house wired differently is the template's with the difference beside each fault.
  const hypothesesByKind = kinds.map(({ wiring }) =>
    wiring.length === 0 ? hypotheses : hypotheses.map((hypothesis) => ({ ...hypothesis, wiring })),
  )
  const houses = layOutHouses(hypotheses.map(isGraded), kinds)
  const predicted = new LruCache<string, Predicted>(KEPT_QUESTIONS)

  const tasks = new LruCache<string, PredictionTask>(KEPT_FORESEEN)
  const laboratories = new LruCache<string, Laboratory>(KEPT_LABORATORIES)
  const laboratoryAt = ({ key, factors }: OperatingPoint) => laboratories.get(key, () => createLaboratory(system, factors))
  const taskOf = (bench: Bench, probe: Probe, point: OperatingPoint | null = null): PredictionTask =>
    tasks.get(
      `${point?.key ?? ''} ${benchKey(bench)} ${probeKey(probe)}`,
      () => new PredictionTask(point ? laboratoryAt(point) : laboratory, hypothesesByKind, bench, probe),
    )
  const predictionsAt = ({ bench, probe }: Pick<Observation, 'bench' | 'probe'>, point: OperatingPoint | null): SharedPredictions => {
    const plain = taskOf(bench, probe).finish()
    return point && hangsOn(plain, point) ? fromTemplate(taskOf(bench, probe, point).finish(), point) : plain
  }

  const alone = new LruCache<string, Float64Array>(KEPT_OBSERVATIONS)
  const causes = countCauses(laboratory)
  const weighed = new LruCache<string, Chains>(KEPT_CHAINS)
  const nearestOf = new LruCache<string, Chains>(KEPT_CHAINS)
  // The operating points of the last answer: thinking ahead predicts around those as well. It only warms the caches.
  let pointsNow: readonly OperatingPoint[] = []

  /** One reading more is one step from the chains of those before it. */
  function chainsAt(point: OperatingPoint | null, observations: readonly Observation[]): Chains {
    const last = observations.at(-1)
    if (!last) return unread(houses.logWeights.length)
    return weighed.get(`${point?.key ?? ''} ${observations.map(observationKey).join('; ')}`, () => {
      const { predictions, of } = predictionsAt(last, point)
      return weighReading(
        chainsAt(point, observations.slice(0, -1)),
        predictions,
        (house) => of[house],
        readingOf(system, last),
        causes,
        timesOf(hypotheses, houses, last),
      )
    })
  }

  /** Each house linearised nearest to what was read of it. */
  function chains(observations: readonly Observation[]): Chains {
    return nearestOf.get(observations.map(observationKey).join('; '), () => {
      const plain = chainsAt(null, observations)
      const points = pointsOf(system, plain)
      pointsNow = points
      if (points.length === 0) return plain
      const laid = [null, ...points].map((point) => ({ point, chains: chainsAt(point, observations) }))
      return nearest(system, laid, houses)
    })
  }

  function weighAlone(observation: Observation): Float64Array {
    const { predictions, of } = taskOf(observation.bench, observation.probe).finish()
    const reading = readingOf(system, observation)
    const chances = predictions.map((prediction) => Math.exp(weighNext(UNREAD, prediction, reading, causes).log))
    const logs = new Float64Array(hypotheses.length + 1)
    for (let hypothesis = 0; hypothesis < hypotheses.length; hypothesis++) {
      let sum = 0
      for (let house = houses.first[hypothesis]; house < houses.first[hypothesis + 1]; house++)
        sum += Math.exp(houses.logWeights[house]) * chances[of[house]]
      logs[hypothesis] = timesTold(hypotheses[hypothesis], observation) * Math.log(sum)
    }
    logs[hypotheses.length] = logOfAnything(system, observation)
    return logs
  }

  return {
    system,
    cost,
    faults,
    hypotheses,
    rates,
    behaviours,
    laboratory,
    hypothesesByKind,
    kinds,
    houses,
    predictAhead: (bench, probe) => [
      ...taskOf(bench, probe).pieces(),
      ...pointsNow.map((point) => () => void predictionsAt({ bench, probe }, point)),
    ],
    chains,
    predictionsFor: (observation) => taskOf(observation.bench, observation.probe).finish(),
    alone: (observation) => alone.get(observationKey(observation), () => weighAlone(observation)),
    predictions: (bench, probes) => {
      const key = `${benchKey(bench)} ${probesKey(probes)}`
      const table = predicted.get(key, () => new Predicted(laboratory, hypotheses[0], bench, probes))
      return (hypothesis, kind) => table.rowOf(hypothesis * kinds.length + kind, hypothesesByKind[kind][hypothesis])
    },
  }
}

/** How often an answer counts in each house; null where it counts once in all. */
function timesOf(hypotheses: readonly Hypothesis[], houses: Houses, observation: Observation): ((house: number) => number) | null {
  if (!observation.repeats) return null
  const times = new Uint8Array(houses.logWeights.length)
  for (const [index, hypothesis] of hypotheses.entries())
    times.fill(timesTold(hypothesis, observation), houses.first[index], houses.first[index + 1])
  return (house) => times[house]
}

/** An answer with what it is weighed by. */
export function readingOf(system: System, observation: Observation): Reading {
  const unlike = unlikeAnything(observation)
  return {
    answer: observation.answer,
    scale: scaleOf(system, observation.probe),
    words: wordsFor(system, observation.probe).length,
    wrong: wrongShare(observation),
    bench: benchKey(observation.bench),
    ...(unlike !== null && { unlike }),
  }
}

/** Something of no catalogue trips the protection on a call. */
const TRIPS_UNKNOWN = modelValue({ value: 0.15, unit: 'chance', source: 'assumption' })
/** Something of no catalogue holds on a call, where another call tripped before. */
const HOLDS_UNKNOWN = modelValue({ value: 0.4, unit: 'chance', source: 'assumption' })
/** Something of no catalogue shows as a plain finding, such as a wire that is off. */
const FINDS_UNKNOWN = modelValue({ value: 0.005, unit: 'chance', source: 'assumption' })

/** How likely something of no catalogue would be to answer so, where that is not like anything at all: what is plain to see has its own causes. */
function unlikeAnything({ probe, answer }: Observation): number | null {
  if (probe.meter === 'trip') return openedBy(answer) === null ? HOLDS_UNKNOWN : TRIPS_UNKNOWN
  return isPlainToSee(probe, answer) ? FINDS_UNKNOWN : null
}

/** log of how likely an answer is when nothing at all is known. */
export function logOfAnything(system: System, observation: Observation): number {
  const { answer, scale, words, unlike } = readingOf(system, observation)
  return Math.log(Math.max(unlike ?? likelihoodOfAnything(answer, scale, words), 1e-9))
}
