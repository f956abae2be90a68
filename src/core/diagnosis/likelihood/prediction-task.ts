import type { Bench } from '@/src/core/bench/bench'
import { degrees, inDegree, isGraded, overDegrees } from '@/src/core/diagnosis/hypotheses/houses'
import type { SharedPredictions } from '@/src/core/diagnosis/likelihood/by-house'
import { causesOf } from '@/src/core/readings/causes'
import type { Probe } from '@/src/core/readings/check'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { predict } from '@/src/core/readings/predict'
import { isAlike, type Prediction } from '@/src/core/readings/prediction'
import { workLimit } from '@/src/core/units/work-limit'

/** The cause behind a system's own: how much of its damage a hypothesis has beyond its degree. */
export const damageCause = ({ system }: Laboratory): number => causesOf.of(system).length

/** How many causes a chain of a system's readings knows. */
export const countCauses = (laboratory: Laboratory): number => damageCause(laboratory) + 1

/** What a hypothesis of damage by degrees foretells at each of them. */
export function foretellByDegree(laboratory: Laboratory, bench: Bench, hypothesis: Hypothesis, probe: Probe): Prediction[] {
  return overDegrees(
    degrees.map((_, degree) => predict(laboratory, bench, inDegree(hypothesis, degree), probe, true)),
    damageCause(laboratory),
  )
}

/** Hypotheses to a piece of work: some ten milliseconds, which is the longest that an answer may have to wait behind it. */
const STORIES_TO_A_PIECE = workLimit(40)

/** One reading being predicted, hypothesis by hypothesis: in pieces while there is time, and the rest at once when its answer comes. */
export class PredictionTask {
  private done = 0
  private readonly predictions: Prediction[] = []
  private readonly places = new Map<string, number>()
  private readonly of: number[] = []
  private readonly sound: Prediction[] = []

  /** @param hypothesesOfKinds the same hypotheses in each kind of wiring, a sound house first */
  constructor(
    private readonly laboratory: Laboratory,
    private readonly hypothesesOfKinds: readonly (readonly Hypothesis[])[],
    private readonly bench: Bench,
    private readonly probe: Probe,
  ) {}

  /** The work that is left, in pieces that may be done in this order or not at all. */
  pieces(): (() => void)[] {
    const left = this.total - this.done
    return Array.from({ length: Math.ceil(left / STORIES_TO_A_PIECE) }, () => () => this.advance(STORIES_TO_A_PIECE))
  }

  /** Does what is left. */
  finish(): SharedPredictions {
    this.advance(this.total - this.done)
    return { predictions: this.predictions, of: Uint16Array.from(this.of) }
  }

  private get total(): number {
    return this.hypothesesOfKinds[0].length
  }

  private advance(hypotheses: number): void {
    const end = Math.min(this.total, this.done + hypotheses)
    for (; this.done < end; this.done++) for (const [kind, all] of this.hypothesesOfKinds.entries()) this.predictOne(all[this.done], kind)
  }

  /** The houses of one hypothesis in one kind of wiring. */
  private predictOne(hypothesis: Hypothesis, kind: number): void {
    const { laboratory, bench, probe, of } = this
    const count = isGraded(hypothesis) ? degrees.length : 1
    const plain = predict(laboratory, bench, hypothesis, probe)
    const place = this.placeOf(plain, () => predict(laboratory, bench, hypothesis, probe, true))
    if (this.done === 0) this.sound[kind] = plain
    // A reading that shows the damage shows how much of it there is.
    if (count === 1 || isAlike(plain, this.sound[kind])) for (let degree = 0; degree < count; degree++) of.push(place)
    else
      for (const prediction of foretellByDegree(laboratory, bench, hypothesis, probe)) of.push(this.placeOf(prediction, () => prediction))
  }

  /** Predictions that no meter could tell apart are one; how it leans is worked out for the first. */
  private placeOf(prediction: Prediction, leaning: () => Prediction): number {
    const key = keyOf(prediction)
    const known = this.places.get(key)
    if (known !== undefined) return known
    const place = this.predictions.push(leaning()) - 1
    this.places.set(key, place)
    return place
  }
}

/** Volts to a twentieth, ohms to half a hundredth, and how it hangs on damage. */
const keyOf = (prediction: Prediction): string =>
  prediction
    .map(({ at, weight, sigma, leans = [], while: moment = '', race = '' }) => {
      const damage = leans.find(({ isDamage }) => isDamage)
      return `${typeof at === 'number' ? `${at.toPrecision(3)} ${sigma.toPrecision(1)}` : sayAt(at)} ${weight.toFixed(3)}${moment}${race}${damage ? ` ${damage.by.toFixed(2)}` : ''}`
    })
    .join(' ')

const sayAt = (at: 'OL' | { readonly word: string }): string => (at === 'OL' ? at : at.word)
