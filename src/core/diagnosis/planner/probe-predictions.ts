import { type Link, predictionIn } from '@/src/core/diagnosis/likelihood/chain'
import type { LiveHypothesis } from '@/src/core/diagnosis/planner/live-hypothesis'
import { isAlike, type Prediction } from '@/src/core/readings/prediction'

/**
 * What some hypotheses foretell of all that is asked on one bench. A fault that is elsewhere leaves every reading as a sound house
 * shows it: such hypotheses share one row, and the rows are few.
 */
export interface Rows {
  /** The different rows: one prediction for each probe. */
  readonly rows: readonly (readonly Prediction[])[]
  /** The place of each hypothesis's row among them. */
  readonly of: Int32Array
  /** What the hypotheses of each row weigh together. */
  readonly weights: Float64Array
}

/** What they foretell of one probe. */
export interface ProbePredictions {
  readonly different: readonly Prediction[]
  /** What the hypotheses that foretell each of them weigh together. */
  readonly weights: Float64Array
  /** The place of each row's prediction among them. */
  readonly ofRow: Int32Array
  readonly rows: Rows
}

/** Gathers the rows of hypotheses, given hypothesis by hypothesis, that are the same object. */
export function gatherRows(hypotheses: readonly LiveHypothesis[], rowOf: (place: number) => readonly Prediction[]): Rows {
  const rows: (readonly Prediction[])[] = []
  const places = new Map<readonly Prediction[], number>()
  const sums: number[] = []
  const of = new Int32Array(hypotheses.length)
  let last = -1
  for (let place = 0; place < hypotheses.length; place++) {
    const row = rowOf(place)
    if (row !== rows[last]) last = places.get(row) ?? -1
    if (last < 0) {
      last = rows.push(row) - 1
      places.set(row, last)
      sums.push(0)
    }
    of[place] = last
    sums[last] += hypotheses[place].weight
  }
  return { rows, of, weights: Float64Array.from(sums) }
}

/** What is predicted of one probe of the bench: predictions that are the same object are one. */
export function predictionsOfProbe(rows: Rows, probe: number): ProbePredictions {
  const different: Prediction[] = []
  const places = new Map<Prediction, number>()
  const sums: number[] = []
  const ofRow = new Int32Array(rows.rows.length)
  let last = -1
  for (let row = 0; row < rows.rows.length; row++) {
    const prediction = rows.rows[row][probe]
    if (prediction !== different[last]) last = places.get(prediction) ?? -1
    if (last < 0) {
      last = different.push(prediction) - 1
      places.set(prediction, last)
      sums.push(0)
    }
    ofRow[row] = last
    sums[last] += rows.weights[row]
  }
  return { different, weights: Float64Array.from(sums), ofRow, rows }
}

/** What is predicted of a probe hypothesis by hypothesis, each in its own house: with what the readings have taught of that house's values. */
export interface HypothesisPredictions {
  readonly different: readonly Prediction[]
  /** The place of each hypothesis's prediction among the different ones. */
  readonly of: Int32Array
}

export function inTheirHouses(hypotheses: readonly LiveHypothesis[], { different, ofRow, rows }: ProbePredictions): HypothesisPredictions {
  const told: Prediction[] = []
  const of = new Int32Array(hypotheses.length)
  const known: Map<Link, number>[] = different.map(() => new Map())
  for (let hypothesis = 0; hypothesis < hypotheses.length; hypothesis++) {
    const place = ofRow[rows.of[hypothesis]]
    const { chain } = hypotheses[hypothesis]
    let found = known[place].get(chain)
    if (found === undefined) {
      const prediction = predictionIn(chain, different[place])
      // Where nothing was learnt that this reading leans on, the houses read alike.
      const same = told.findIndex((other) => other === prediction || isAlike(other, prediction))
      found = same < 0 ? told.push(prediction) - 1 : same
      known[place].set(chain, found)
    }
    of[hypothesis] = found
  }
  return { different: told, of }
}
