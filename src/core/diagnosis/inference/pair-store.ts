import { type Bench, benchKey } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import { graded, leaningOnDamage, limitedMean } from '@/src/core/diagnosis/hypotheses/houses'
import type { HypothesisSet } from '@/src/core/diagnosis/hypotheses/hypothesis-set'
import { type Chains, houseOf, type SharedPredictions, unread, weighReading } from '@/src/core/diagnosis/likelihood/by-house'
import { UNREAD, weighNext } from '@/src/core/diagnosis/likelihood/chain'
import { countCauses, damageCause } from '@/src/core/diagnosis/likelihood/one-reading'
import type { PredictionStore } from '@/src/core/diagnosis/likelihood/prediction-store'
import { readingOf } from '@/src/core/diagnosis/likelihood/reading'
import { type Probe, probesKey } from '@/src/core/readings/check'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { type Observation, observationKey } from '@/src/core/readings/observations'
import { predictAll } from '@/src/core/readings/predict'
import type { Prediction } from '@/src/core/readings/prediction'
import { LruCache } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'

/** Predictions that are kept, of all pairs of one system. */
const MOST_PREDICTIONS = workLimit(20_000)
/** Stretches of readings whose chains are kept, of one choice of pairs. */
const MOST_CHAINS = workLimit(60)

/** The degree of a half is found to a quarter of an octave, and one spread of it is as much. */
export const DEGREE_STEP = modelValue({ value: 2 ** 0.25, unit: 'times', source: 'assumption' })

/** What pairs predict, kept from one reading to the next though other pairs are chosen then. */
export class PairPredictions {
  private readonly kept = new LruCache<string, Prediction[]>(MOST_PREDICTIONS)

  constructor(private readonly laboratory: Laboratory) {}

  /** @param hasDegree one of the two is more or less bad: its degree was found in steps, and lies between two of them */
  of(hypothesis: Hypothesis, kind: number, bench: Bench, probes: readonly Probe[], hasDegree: boolean): readonly Prediction[] {
    return this.kept.get(`${hypothesis.id} ${kind} ${benchKey(bench)} ${probesKey(probes)}`, () => {
      const { laboratory } = this
      const as = predictAll(laboratory, bench, hypothesis, probes, true)
      if (!hasDegree) return as
      const [less, more] = [1 / DEGREE_STEP, DEGREE_STEP].map((times) => predictAll(laboratory, bench, graded(hypothesis, times), probes))
      return as.map((here, place) =>
        leaningOnDamage([less[place], here, more[place]], damageCause(laboratory), ([down, up]) => limitedMean(down, up)),
      )
    })
  }

  get size(): number {
    return this.kept.size
  }

  clear(): void {
    this.kept.clear()
  }
}

/** The singles' store, and a set of pairs behind it. */
export class PairStore implements PredictionStore {
  private readonly singles: PredictionStore
  private readonly single: number
  private readonly causes: number
  private readonly kept = new LruCache<string, Chains>(MOST_CHAINS)
  private readonly weighedAlone = new LruCache<string, Float64Array>(MOST_CHAINS)
  private readonly read = new LruCache<string, SharedPredictions>(MOST_CHAINS)

  constructor(
    private readonly base: Engine,
    private readonly pairs: HypothesisSet,
    private readonly predicted: PairPredictions,
    /** The two of each pair, by their index among the singles. */
    private readonly halves: readonly (readonly number[])[],
    /** Which of the pairs have a degree of damage, and one only. */
    private readonly haveDegree: readonly boolean[],
  ) {
    this.singles = base.store
    this.single = base.hypotheses.length
    this.causes = countCauses(base.laboratory)
  }

  chains(observations: readonly Observation[]): Chains {
    const [singles, more] = [this.singles.chains(observations), this.chainsOfPairs(observations)]
    const of = new Int32Array(singles.of.length + more.of.length)
    of.set(singles.of)
    more.of.forEach((place, house) => {
      of[singles.of.length + house] = place + singles.links.length
    })
    return { links: [...singles.links, ...more.links], of }
  }

  predictionsFor(observation: Observation): SharedPredictions {
    const singles = this.singles.predictionsFor(observation)
    const more = this.predictionsOfPairs(observation)
    const of = new Uint16Array(singles.of.length + more.of.length)
    of.set(singles.of)
    more.of.forEach((place, house) => {
      of[singles.of.length + house] = place + singles.predictions.length
    })
    return { predictions: [...singles.predictions, ...more.predictions], of }
  }

  predictionIn(observation: Observation, hypothesis: number, kind: number, degree: number): Prediction {
    return hypothesis < this.single
      ? this.singles.predictionIn(observation, hypothesis, kind, degree)
      : this.ofReading(observation, hypothesis - this.single, this.showsIn(observation, hypothesis - this.single, kind) ? kind : 0)
  }

  alone(observation: Observation): Float64Array {
    return this.weighedAlone.get(observationKey(observation), () => this.weighAlone(observation))
  }

  private weighAlone(observation: Observation): Float64Array {
    const singles = this.singles.alone(observation)
    const { kinds, system } = this.base
    const reading = readingOf(system, observation)
    const { predictions, of } = this.predictionsOfPairs(observation)
    const chances = predictions.map((prediction) => Math.exp(weighNext(UNREAD, prediction, reading, this.causes).log))
    const logs = this.pairs.hypotheses.map((_, pair) =>
      Math.log(kinds.reduce((sum, { weight }, kind) => sum + weight * chances[of[pair * kinds.length + kind]], 0)),
    )
    return Float64Array.of(...singles.subarray(0, this.single), ...logs, singles[this.single])
  }

  predictAhead(bench: Bench, probe: Probe, after: readonly Observation[]): (() => void)[] {
    return this.singles.predictAhead(bench, probe, after)
  }

  predictions(bench: Bench, probes: readonly Probe[]): (hypothesis: number, kind: number) => readonly Prediction[] {
    const ofSingle = this.singles.predictions(bench, probes)
    return (hypothesis, kind) =>
      hypothesis < this.single ? ofSingle(hypothesis, kind) : this.ofPair(hypothesis - this.single, kind, bench, probes)
  }

  get size(): number {
    return this.singles.size + this.kept.size + this.weighedAlone.size + this.read.size + this.predicted.size
  }

  drop(): void {
    this.singles.drop()
    this.kept.clear()
    this.weighedAlone.clear()
    this.read.clear()
    this.predicted.clear()
  }

  /** What a reading is predicted as for each pair, kind after kind. */
  private predictionsOfPairs(observation: Observation): SharedPredictions {
    return this.read.get(observationKey(observation), () => {
      const places = new Map<Prediction, number>()
      const of = this.pairs.hypotheses.flatMap((_, pair) => {
        const drawn = this.ofReading(observation, pair, 0)
        return this.base.kinds.map((_kind, kind) => {
          const prediction = this.showsIn(observation, pair, kind) ? this.ofReading(observation, pair, kind) : drawn
          const place = places.get(prediction) ?? places.size
          places.set(prediction, place)
          return place
        })
      })
      return { predictions: [...places.keys()], of: Uint16Array.from(of) }
    })
  }

  private ofReading({ bench, probe }: Observation, pair: number, kind: number): Prediction {
    return this.ofPair(pair, kind, bench, [probe])[0]
  }

  /**
   * Whether a reading of either half tells this kind of wiring from the house as drawn. Where neither does, both together are taken not to:
   * an approximation, since the three may interact (docs/measurements/speed.md has by how much).
   */
  private showsIn(observation: Observation, pair: number, kind: number): boolean {
    // As drawn comes first.
    if (kind === 0) return false
    const { of } = this.singles.predictionsFor(observation)
    const { houses } = this.base
    return this.halves[pair].some((half) => {
      const [drawn, other] = [0, kind].map((one) => houseOf(houses, half, one, 0))
      for (let degree = 0; degree < houses.degrees[half]; degree++) if (of[drawn + degree] !== of[other + degree]) return true
      return false
    })
  }

  private ofPair(pair: number, kind: number, bench: Bench, probes: readonly Probe[]): readonly Prediction[] {
    return this.predicted.of(this.pairs.hypothesesByKind[kind][pair], kind, bench, probes, this.haveDegree[pair])
  }

  private chainsOfPairs(observations: readonly Observation[]): Chains {
    const last = observations.at(-1)
    if (!last) return unread(this.pairs.houses.logWeights.length)
    return this.kept.get(observations.map(observationKey).join('; '), () => {
      const { predictions, of } = this.predictionsOfPairs(last)
      const reading = readingOf(this.base.system, last)
      return weighReading(this.chainsOfPairs(observations.slice(0, -1)), predictions, (house) => of[house], reading, this.causes, null)
    })
  }
}
