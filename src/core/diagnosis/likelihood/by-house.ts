import { degrees, type WiringKind } from '@/src/core/diagnosis/hypotheses/houses'
import { type Link, type Reading, UNREAD, weighNext } from '@/src/core/diagnosis/likelihood/chain'
import type { Prediction } from '@/src/core/readings/prediction'
import { workLimit } from '@/src/core/units/work-limit'

/**
 * The houses that each hypothesis may stand in, one hypothesis after the other: kind of wiring after kind, degree of the damage after degree
 * (one alone where damage has none). What else is not known of a house (`readings/causes.ts`) is integrated along its chain.
 */
export interface Houses {
  /** Where each hypothesis's houses begin, and in the last place where all end. */
  readonly first: Int32Array
  /** How many degrees each hypothesis's damage may have. */
  readonly degrees: Uint8Array
  /** log of the weight of each house; those of one hypothesis sum to one. */
  readonly logWeights: Float64Array
}

/** @param hasDegrees for each hypothesis whether its damage comes by degrees */
export function layOutHouses(hasDegrees: readonly boolean[], kinds: readonly WiringKind[]): Houses {
  const first = new Int32Array(hasDegrees.length + 1)
  for (const [hypothesis, has] of hasDegrees.entries())
    first[hypothesis + 1] = first[hypothesis] + kinds.length * (has ? degrees.length : 1)
  const logWeights = new Float64Array(first[hasDegrees.length])
  const [whole, graded] = [[1], degrees.map(({ weight }) => weight)].map((shares) =>
    Float64Array.from(kinds.flatMap((kind) => shares.map((share) => Math.log(kind.weight * share)))),
  )
  for (const [hypothesis, has] of hasDegrees.entries()) logWeights.set(has ? graded : whole, first[hypothesis])
  return { first, degrees: Uint8Array.from(hasDegrees, (has) => (has ? degrees.length : 1)), logWeights }
}

/** The house of a hypothesis that is wired and damaged so. */
export const houseOf = ({ first, degrees: counts }: Houses, hypothesis: number, kind: number, degree: number): number =>
  first[hypothesis] + kind * counts[hypothesis] + degree

/** The houses of more hypotheses behind those of some. */
export function joinHouses(some: Houses, more: Houses): Houses {
  const end = some.first[some.first.length - 1]
  return {
    first: Int32Array.of(...some.first, ...more.first.subarray(1).map((place) => place + end)),
    degrees: Uint8Array.of(...some.degrees, ...more.degrees),
    logWeights: joinArrays(some.logWeights, more.logWeights),
  }
}

export function joinArrays(a: Float64Array, b: Float64Array): Float64Array {
  const joined = new Float64Array(a.length + b.length)
  joined.set(a)
  joined.set(b, a.length)
  return joined
}

/** What is predicted of one reading: the different predictions, and for each house the place of its own among them. */
export interface SharedPredictions {
  readonly predictions: readonly Prediction[]
  readonly of: Uint16Array
}

/**
 * Some houses after some readings. Houses in which all readings were predicted alike share one chain: faults are mostly elsewhere, and
 * of some thousand houses a few hundred are told apart.
 */
export interface Chains {
  readonly links: readonly Link[]
  /** For each house the place of its link. */
  readonly of: Int32Array
}

export const unread = (houses: number): Chains => ({ links: [UNREAD], of: new Int32Array(houses) })

/** An answer that counts more than once for some houses is weighed apart for those. */
const MOST_TIMES = workLimit(8)

/**
 * One reading more.
 *
 * @param predictionOf for each of the houses the place of its prediction, @param times how often the answer counts there; null: once
 */
export function weighReading(
  before: Chains,
  predictions: readonly Prediction[],
  predictionOf: (house: number) => number,
  reading: Reading,
  causes: number,
  times: ((house: number) => number) | null,
): Chains {
  const links: Link[] = []
  const of = new Int32Array(before.of.length)
  const known = new Map<number, number>()
  let lastKey = -1
  let lastPlace = -1
  for (let house = 0; house < of.length; house++) {
    const prediction = predictionOf(house)
    const count = times === null ? 1 : Math.min(MOST_TIMES, times(house))
    const key = (before.of[house] * predictions.length + prediction) * (MOST_TIMES + 1) + count
    if (key !== lastKey) {
      lastKey = key
      const place = known.get(key)
      if (place === undefined) {
        lastPlace = links.push(weighNext(before.links[before.of[house]], predictions[prediction], reading, causes, count)) - 1
        known.set(key, lastPlace)
      } else lastPlace = place
    }
    of[house] = lastPlace
  }
  return { links, of }
}
