import type { Bench } from '@/src/core/bench/bench'
import type { Probe } from '@/src/core/readings/check'
import { type Hypothesis, whileHidden, whileShown, withFuseIntact } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { nowAndThen, seenToOpen, showsOn } from '@/src/core/readings/now-and-then'
import { predictAll, tellsFoundFuse } from '@/src/core/readings/predict'
import { isAlike, type Prediction } from '@/src/core/readings/prediction'
import { workLimit } from '@/src/core/units/work-limit'

/** What one hypothesis foretells: a prediction for each probe. */
export type Row = readonly Prediction[]

/** Rows of one bench that others are held against. */
const MOST_ROWS_SHARED = workLimit(200)
/** Two faults that are one to the network differ by no more than the solver's rounding, in widths. */
const THE_SAME = workLimit(1e-6)

/**
 * What hypotheses foretell of the probes of one bench, worked out as it is asked and kept. Most faults are elsewhere: predictions
 * that are the same are one object, and so are rows of them, for there are many hypotheses and few rows.
 */
export class Predicted {
  private readonly rows = new Map<number, Row>()
  /** Of hypotheses that stand still, from which those of what comes and goes are made. */
  private readonly steady = new Map<Hypothesis, Row>()
  /** The different predictions of each probe, by what finds them. */
  private readonly different: Map<number | string, Prediction[]>[]
  private readonly differentRows: Row[] = []
  /** By what is there while a fault hides, then by what it shows, then by how often it does. */
  private readonly unsteady: Map<Prediction, Map<Prediction, Map<number, Prediction>>>[]
  private readonly isFuseTold: boolean

  /** @param sound the hypothesis of a sound house, which is predicted first */
  constructor(
    private readonly laboratory: Laboratory,
    private readonly sound: Hypothesis,
    private readonly bench: Bench,
    private readonly probes: readonly Probe[],
  ) {
    this.different = probes.map(() => new Map())
    this.unsteady = probes.map(() => new Map())
    this.isFuseTold = tellsFoundFuse(bench, probes)
  }

  /** @param place a number of the hypothesis's own */
  rowOf(place: number, hypothesis: Hypothesis): Row {
    const found = this.rows.get(place)
    if (found) return found
    const shown = this.steadyOf(whileShown(hypothesis))
    const isAlways = showsOn(this.laboratory.system, hypothesis, this.bench) === 1
    const made = isAlways ? shown : this.comingAndGoing(shown, this.steadyOf(whileHidden(hypothesis)), hypothesis)
    this.rows.set(place, made)
    return made
  }

  private steadyOf(told: Hypothesis): Row {
    const hypothesis = this.isFuseTold ? told : withFuseIntact(told)
    const found = this.steady.get(hypothesis)
    if (found) return found
    if (hypothesis !== this.sound) this.steadyOf(this.sound)
    const predictions = predictAll(this.laboratory, this.bench, hypothesis, this.probes)
    const known = predictions.map((prediction, index) => this.known(prediction, index))
    const isNew = known.map((found, index) => found === null && LEANS.has(this.probes[index].meter))
    // How a reading leans takes as long to work out as the reading: asked of those alone that nobody predicted so before.
    const leaning = isNew.includes(true) ? predictAll(this.laboratory, this.bench, hypothesis, this.probes, isNew) : predictions
    const made = this.shareRow(known.map((found, index) => found ?? this.keep(isNew[index] ? leaning[index] : predictions[index], index)))
    this.steady.set(hypothesis, made)
    return made
  }

  private comingAndGoing(shown: Row, hidden: Row, hypothesis: Hypothesis): Row {
    if (shown === hidden) return shown
    return this.shareRow(
      shown.map((steady, index) => {
        if (steady === hidden[index]) return steady
        const prediction = seenToOpen(hypothesis, this.probes[index], steady, hidden[index])
        const shows = showsOn(this.laboratory.system, hypothesis, this.bench, this.probes[index])
        const known = this.unsteady[index].get(hidden[index]) ?? new Map<Prediction, Map<number, Prediction>>()
        this.unsteady[index].set(hidden[index], known)
        const byShare = known.get(prediction) ?? new Map<number, Prediction>()
        known.set(prediction, byShare)
        const made = byShare.get(shows) ?? nowAndThen(prediction, hidden[index], shows)
        byShare.set(shows, made)
        return made
      }),
    )
  }

  /** The same prediction as another hypothesis's, if there is one. */
  private known(prediction: Prediction, index: number): Prediction | null {
    // Which of two neighbours came first must not show: beside the sound house only what is the same is shared.
    const soundly = this.steady.get(this.sound)?.[index]
    if (soundly && isAlike(prediction, soundly)) return soundly
    return this.different[index].get(keyOf(prediction))?.find((other) => isAlike(other, prediction, THE_SAME)) ?? null
  }

  private keep(prediction: Prediction, index: number): Prediction {
    const key = keyOf(prediction)
    const neighbours = this.different[index].get(key)
    if (neighbours) neighbours.push(prediction)
    else this.different[index].set(key, [prediction])
    return prediction
  }

  private shareRow(row: Row): Row {
    const known = this.differentRows.find((other) => other.every((prediction, index) => prediction === row[index]))
    if (known) return known
    if (this.differentRows.length < MOST_ROWS_SHARED) this.differentRows.push(row)
    return row
  }
}

/** Meters whose readings lean on the values of a house. */
const LEANS: ReadonlySet<Probe['meter']> = new Set(['volts', 'ohms', 'amps'])

/** The same for what is the same; now and then, across the edge of two steps, it is not, and a prediction is not shared. */
function keyOf([first]: Prediction): number | string {
  if (first === undefined) return ''
  if (typeof first.at === 'number') return Math.round((first.at / first.sigma) * STEPS_TO_A_WIDTH)
  return first.at === 'OL' ? first.at : first.at.word
}

const STEPS_TO_A_WIDTH = workLimit(1e4)
