import type { Bench } from '@/src/core/bench/bench'
import { degrees, isGraded } from '@/src/core/diagnosis/hypotheses/houses'
import type { SharedPredictions } from '@/src/core/diagnosis/likelihood/by-house'
import { OneReading } from '@/src/core/diagnosis/likelihood/one-reading'
import type { Probe } from '@/src/core/readings/check'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { isAlike, type Lean, type Prediction } from '@/src/core/readings/prediction'
import { workLimit } from '@/src/core/units/work-limit'

/** Hypotheses to a piece of work: some ten milliseconds, which is the longest that an answer may have to wait behind it. */
const HYPOTHESES_TO_A_PIECE = workLimit(40)

/** The first house with a prediction: it stands for all that predict the same. */
interface First {
  readonly hypothesis: Hypothesis
  /** How much of its damage there is, where that shows. */
  readonly degree: number | null
}

/** One reading being predicted, hypothesis by hypothesis: in pieces while there is time, and the rest at once when its answer comes. */
export class PredictionTask {
  private done = 0
  private readonly predictions: Prediction[]
  private readonly firsts: First[]
  private readonly places: Map<string, number>
  private readonly of: number[] = []
  private readonly sound: Prediction[] = []
  private reading: OneReading | null
  private finished: SharedPredictions | null = null
  /** Two coils of the same ohms read alike, and are two coils: which one it is shows in what a reading of ohms leans on. */
  private readonly leansTell: boolean

  /**
   * @param hypothesesOfKinds the same hypotheses in each kind of wiring, a sound house first
   * @param sameMoments the same reading on a bench that differs in minutes which wait for nothing, all of it predicted: what is met there as
   * often as here is not predicted again
   */
  constructor(
    laboratory: Laboratory,
    private readonly hypothesesOfKinds: readonly (readonly Hypothesis[])[],
    private readonly bench: Bench,
    private readonly probe: Probe,
    private readonly sameMoments: PredictionTask | null = null,
  ) {
    this.reading = new OneReading(laboratory, bench, probe)
    this.leansTell = probe.meter === 'ohms'
    this.predictions = [...(sameMoments?.predictions ?? [])]
    this.firsts = [...(sameMoments?.firsts ?? [])]
    this.places = new Map(sameMoments?.places)
  }

  /** The work that is left, in pieces that may be done in this order or not at all. */
  pieces(): (() => void)[] {
    const left = this.total - this.done
    return Array.from({ length: Math.ceil(left / HYPOTHESES_TO_A_PIECE) }, () => () => this.advance(HYPOTHESES_TO_A_PIECE))
  }

  /** Does what is left. */
  finish(): SharedPredictions {
    if (this.finished) return this.finished
    this.advance(this.total - this.done)
    // What is kept is the different predictions, and not what they were put together from.
    this.reading = null
    this.finished = { predictions: this.predictions, of: Uint16Array.from(this.of) }
    return this.finished
  }

  /**
   * The same in a house of other part values: what no meter could tell apart in this one, it could not in that.
   *
   * @param isOther whether a prediction is another there; what is not stays as it is
   * @param put what becomes of one that was worked out there
   */
  finishIn(laboratory: Laboratory, isOther: (here: Prediction) => boolean, put: (there: Prediction) => Prediction): SharedPredictions {
    const { predictions: all, of } = this.finish()
    const reading = new OneReading(laboratory, this.bench, this.probe)
    let last: { hypothesis: Hypothesis; at: ReturnType<OneReading['byDegree']> } | null = null
    const predictions = this.firsts.map(({ hypothesis, degree }, place) => {
      if (!isOther(all[place])) return all[place]
      if (degree === null) return put(reading.predict(hypothesis, true))
      if (last?.hypothesis !== hypothesis) last = { hypothesis, at: reading.byDegree(hypothesis) }
      return put(last.at(degree, true))
    })
    return { predictions, of }
  }

  private get total(): number {
    return this.hypothesesOfKinds[0].length
  }

  private advance(hypotheses: number): void {
    const end = Math.min(this.total, this.done + hypotheses)
    const { reading } = this
    if (reading === null) return
    for (; this.done < end; this.done++)
      for (const [kind, all] of this.hypothesesOfKinds.entries()) this.predictOne(reading, all[this.done], kind)
  }

  /** The houses of one hypothesis in one kind of wiring. */
  private predictOne(reading: OneReading, hypothesis: Hypothesis, kind: number): void {
    const { of, sameMoments } = this
    if (sameMoments && reading.isMetAsOften(hypothesis, sameMoments.bench)) {
      if (this.done === 0) this.sound[kind] = sameMoments.sound[kind]
      for (const houses = isGraded(hypothesis) ? degrees.length : 1, end = of.length + houses; of.length < end; )
        of.push(sameMoments.of[of.length])
      return
    }
    const plain = reading.predict(hypothesis, this.leansTell)
    const place = this.placeOf(plain, { hypothesis, degree: null }, () => reading.predict(hypothesis, true))
    if (this.done === 0) this.sound[kind] = plain
    const count = isGraded(hypothesis) ? degrees.length : 1
    // A reading that shows the damage shows how much of it there is.
    if (count === 1 || isAlike(plain, this.sound[kind])) {
      for (let degree = 0; degree < count; degree++) of.push(place)
      return
    }
    const at = reading.byDegree(hypothesis)
    for (let degree = 0; degree < count; degree++)
      of.push(this.placeOf(at(degree, this.leansTell), { hypothesis, degree }, () => at(degree, true)))
  }

  /** Predictions that no meter could tell apart are one; how it leans is worked out for the first. */
  private placeOf(prediction: Prediction, first: First, leaning: () => Prediction): number {
    const key = keyOf(prediction)
    const known = this.places.get(key)
    if (known !== undefined) return known
    const place = this.predictions.push(leaning()) - 1
    this.firsts.push(first)
    this.places.set(key, place)
    return place
  }
}

/** Volts to a twentieth, ohms to half a hundredth, and what each hangs on. */
const keyOf = (prediction: Prediction): string =>
  prediction
    .map(({ at, weight, sigma, leans = [], while: moment = '', race = '' }) => {
      const said = typeof at === 'number' ? `${at.toPrecision(3)} ${sigma.toPrecision(1)}` : sayAt(at)
      return `${said} ${weight.toFixed(3)}${moment}${race}${leans.map((lean) => sayLean(lean, sigma)).join('')}`
    })
    .join(' ')

const sayAt = (at: 'OL' | { readonly word: string }): string => (at === 'OL' ? at : at.word)

/** To a whole width of the reading; on its damage as it is, for degrees that read alike lean on it otherwise. */
const sayLean = ({ cause, by, isDamage }: Lean, sigma: number): string =>
  isDamage ? ` ${by.toFixed(2)}` : ` ${cause}:${Math.round(by / sigma)}`
