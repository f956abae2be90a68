import { type Bench, benchKey } from '@/src/core/bench/bench'
import type { HypothesisSet } from '@/src/core/diagnosis/hypotheses/hypothesis-set'
import { type Chains, type Houses, houseOf, type SharedPredictions, unread, weighReading } from '@/src/core/diagnosis/likelihood/by-house'
import { UNREAD, weighNext } from '@/src/core/diagnosis/likelihood/chain'
import { countCauses } from '@/src/core/diagnosis/likelihood/one-reading'
import { fromTemplate, hangsOn, nearest, type OperatingPoint, pointsAhead, pointsOf } from '@/src/core/diagnosis/likelihood/operating-point'
import { PredictionTask } from '@/src/core/diagnosis/likelihood/prediction-task'
import { logOfAnything, readingOf } from '@/src/core/diagnosis/likelihood/reading'
import { Predicted } from '@/src/core/diagnosis/planner/predicted'
import { type Probe, probeKey, probesKey } from '@/src/core/readings/check'
import { type Hypothesis, healthy } from '@/src/core/readings/hypothesis'
import { createLaboratory, type Laboratory } from '@/src/core/readings/laboratory'
import { type Observation, observationKey, timesTold } from '@/src/core/readings/observations'
import { predict } from '@/src/core/readings/predict'
import type { Prediction } from '@/src/core/readings/prediction'
import { minutesThatMatter } from '@/src/core/readings/waiting'
import { LruCache } from '@/src/core/units/cache'
import { workLimit } from '@/src/core/units/work-limit'
import type { System } from '@/src/core/wiring/system'

/** What a set of hypotheses predicts, and how it stands after readings; keeps what it has worked out. */
export interface PredictionStore {
  /** Every house after these readings, in their order. */
  chains(observations: readonly Observation[]): Chains
  /** What every house predicts of a reading. */
  predictionsFor(observation: Observation): SharedPredictions
  /** What one house predicts of a reading, its hypothesis in a kind of wiring and a degree of its damage. */
  predictionIn(observation: Observation, hypothesis: number, kind: number, degree: number): Prediction
  /** log P(answer | hypothesis) of one reading by itself, and in the last place that of anything at all. */
  alone(observation: Observation): Float64Array
  /** The work, in short pieces, of predicting a reading before it is taken, after others: once it is done, an answer is weighed at once. */
  predictAhead(bench: Bench, probe: Probe, after: readonly Observation[]): (() => void)[]
  /** What each probe would read in the template's house under a hypothesis, wired in this way; the planner asks the same again. */
  predictions(bench: Bench, probes: readonly Probe[]): (hypothesis: number, kind: number) => readonly Prediction[]
  /** How many answers are kept. */
  readonly size: number
  /** Forgets all of them: what is asked next is worked out anew, and is the same. */
  drop(): void
}

/** A reading that may be taken yet. */
type Asked = Pick<Observation, 'bench' | 'probe'>

/** Readings that are kept by themselves. */
const KEPT_OBSERVATIONS = workLimit(120)
/** Stretches of readings whose chains are kept: a job's, what is thought ahead, and what is left out in turn. */
const KEPT_CHAINS = workLimit(240)
/** Readings whose predictions are kept: those of a job, and the one that is about to be taken. */
const KEPT_TASKS = workLimit(120)
/** Operating points whose networks are kept: those of a job, and those that a coil about to be read may call for. */
const KEPT_LABORATORIES = workLimit(20)
/** Readings whose predictions are kept at those points. */
const KEPT_AT_POINTS = workLimit(200)
/** Benches whose predictions are kept. With a wire lifted there are some 270 to choose from, and what is asked lately must fit twice. */
const KEPT_QUESTIONS = workLimit(700)

/** The store of a set as it is laid out; pairs of faults have one of their own behind it (`inference/pair-store.ts`). */
export class SinglesStore implements PredictionStore {
  private readonly system: System
  private readonly causes: number
  private readonly predicted = new LruCache<string, Predicted>(KEPT_QUESTIONS)
  private readonly tasks = new LruCache<string, PredictionTask>(KEPT_TASKS)
  private readonly relaid = new LruCache<string, SharedPredictions>(KEPT_AT_POINTS)
  private readonly laboratories = new LruCache<string, Laboratory>(KEPT_LABORATORIES)
  private readonly weighedAlone = new LruCache<string, Float64Array>(KEPT_OBSERVATIONS)
  private readonly weighed = new LruCache<string, Chains>(KEPT_CHAINS)
  private readonly nearestOf = new LruCache<string, Chains>(KEPT_CHAINS)
  /** The operating points of the last answer: thinking ahead predicts around those as well. It only warms the caches. */
  private pointsNow: readonly OperatingPoint[] = []

  constructor(
    private readonly laboratory: Laboratory,
    private readonly set: HypothesisSet,
  ) {
    this.system = laboratory.system
    this.causes = countCauses(laboratory)
  }

  /** Each house linearised nearest to what was read of it. */
  chains(observations: readonly Observation[]): Chains {
    return this.nearestOf.get(observations.map(observationKey).join('; '), () => {
      const plain = this.chainsAt(null, observations)
      const points = pointsOf(this.system, plain)
      this.pointsNow = points
      if (points.length === 0) return plain
      const laid = [null, ...points].map((point) => ({ point, chains: this.chainsAt(point, observations) }))
      return nearest(this.system, laid, this.set.houses)
    })
  }

  predictionsFor({ bench, probe }: Asked): SharedPredictions {
    return this.taskOf(bench, probe).finish()
  }

  predictionIn(observation: Observation, hypothesis: number, kind: number, degree: number): Prediction {
    const { predictions, of } = this.predictionsFor(observation)
    return predictions[of[houseOf(this.set.houses, hypothesis, kind, degree)]]
  }

  alone(observation: Observation): Float64Array {
    return this.weighedAlone.get(observationKey(observation), () => this.weighAlone(observation))
  }

  predictAhead(bench: Bench, probe: Probe, after: readonly Observation[]): (() => void)[] {
    const reading: Asked = { bench, probe }
    const at = (point: OperatingPoint, asked: readonly Asked[]) => asked.map((one) => () => void this.predictionsAt(one, point))
    // A coil's ohms move the operating point, around which the readings before it are predicted again.
    const ahead =
      probe.meter === 'ohms' ? pointsAhead(this.system, this.pointsNow, predict(this.laboratory, bench, healthy, probe, true)) : []
    return [
      ...this.taskOf(minutesThatMatter(this.laboratory, bench), probe).pieces(),
      () => void this.predictionsFor(reading),
      ...this.pointsNow.flatMap((point) => at(point, [reading])),
      ...ahead.flatMap((point) => at(point, [...after, reading])),
    ]
  }

  predictions(bench: Bench, probes: readonly Probe[]): (hypothesis: number, kind: number) => readonly Prediction[] {
    const { hypotheses, hypothesesByKind } = this.set
    const key = `${benchKey(bench)} ${probesKey(probes)}`
    const table = this.predicted.get(key, () => new Predicted(this.laboratory, hypotheses[0], bench, probes))
    return (hypothesis, kind) => table.rowOf(hypothesis * hypothesesByKind.length + kind, hypothesesByKind[kind][hypothesis])
  }

  get size(): number {
    return this.caches.reduce((sum, cache) => sum + cache.size, 0)
  }

  drop(): void {
    for (const cache of this.caches) cache.clear()
    this.pointsNow = []
  }

  private get caches(): readonly { readonly size: number; clear(): void }[] {
    return [this.predicted, this.tasks, this.relaid, this.laboratories, this.weighedAlone, this.weighed, this.nearestOf]
  }

  private taskOf(bench: Bench, probe: Probe): PredictionTask {
    return this.tasks.get(taskKey(bench, probe), () => {
      const { laboratory, set } = this
      const plain = minutesThatMatter(laboratory, bench)
      const isPlain = benchKey(plain) === benchKey(bench)
      const sameMoments = isPlain ? null : this.taskOf(plain, probe)
      sameMoments?.finish()
      return new PredictionTask(laboratory, set.hypothesesByKind, bench, probe, sameMoments)
    })
  }

  private laboratoryAt({ key, factors }: OperatingPoint): Laboratory {
    return this.laboratories.get(key, () => createLaboratory(this.system, factors))
  }

  private predictionsAt({ bench, probe }: Asked, point: OperatingPoint): SharedPredictions {
    return this.relaid.get(`${point.key} ${taskKey(bench, probe)}`, () => {
      const task = this.taskOf(bench, probe)
      const plain = task.finish()
      const isOther = (prediction: Prediction) => hangsOn(prediction, point)
      if (!plain.predictions.some(isOther)) return plain
      return task.finishIn(this.laboratoryAt(point), isOther, (prediction) => fromTemplate(prediction, point))
    })
  }

  /** One reading more is one step from the chains of those before it. */
  private chainsAt(point: OperatingPoint | null, observations: readonly Observation[]): Chains {
    const { hypotheses, houses } = this.set
    const last = observations.at(-1)
    if (!last) return unread(houses.logWeights.length)
    // Up to the first reading that depends on the point all are weighed alike at every point.
    if (point && observations.every((one) => this.predictionsAt(one, point) === this.predictionsFor(one)))
      return this.chainsAt(null, observations)
    return this.weighed.get(`${point?.key ?? ''} ${observations.map(observationKey).join('; ')}`, () => {
      const { predictions, of } = point ? this.predictionsAt(last, point) : this.predictionsFor(last)
      return weighReading(
        this.chainsAt(point, observations.slice(0, -1)),
        predictions,
        (house) => of[house],
        readingOf(this.system, last),
        this.causes,
        timesOf(hypotheses, houses, last),
      )
    })
  }

  private weighAlone(observation: Observation): Float64Array {
    const { hypotheses, houses } = this.set
    const { predictions, of } = this.predictionsFor(observation)
    const reading = readingOf(this.system, observation)
    const chances = predictions.map((prediction) => Math.exp(weighNext(UNREAD, prediction, reading, this.causes).log))
    const logs = new Float64Array(hypotheses.length + 1)
    for (let hypothesis = 0; hypothesis < hypotheses.length; hypothesis++) {
      let sum = 0
      for (let house = houses.first[hypothesis]; house < houses.first[hypothesis + 1]; house++)
        sum += Math.exp(houses.logWeights[house]) * chances[of[house]]
      logs[hypothesis] = timesTold(hypotheses[hypothesis], observation) * Math.log(sum)
    }
    logs[hypotheses.length] = logOfAnything(this.system, observation)
    return logs
  }
}

const taskKey = (bench: Bench, probe: Probe): string => `${benchKey(bench)} ${probeKey(probe)}`

/** How often an answer counts in each house; null where it counts once in all. */
function timesOf(hypotheses: readonly Hypothesis[], houses: Houses, observation: Observation): ((house: number) => number) | null {
  if (!observation.repeats) return null
  const times = new Uint8Array(houses.logWeights.length)
  for (const [index, hypothesis] of hypotheses.entries())
    times.fill(timesTold(hypothesis, observation), houses.first[index], houses.first[index + 1])
  return (house) => times[house]
}
