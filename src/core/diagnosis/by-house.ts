import { degrees, houseLevels, timesAt, type WiringKind } from '@/src/core/diagnosis/houses'
import type { Scale } from '@/src/core/readings/prediction'

/** How well every story explains one reading. Rows run story after story. */
export interface Likelihoods {
  /** log P(answer | story), the houses that it may stand in averaged; "anything at all" in the last place. */
  readonly marginal: Float64Array
  /** The same for each of those houses, which is one house for all its readings, in the order of `Houses`. */
  readonly byHouse: Float64Array
  /** The same for each level, wiring and degrees averaged. */
  readonly byLevel: Float64Array
}

/**
 * The houses that each story may stand in, one story after the other: kind of wiring after kind, degree of the damage after
 * degree (one alone where damage has none), level of volts and load after level.
 */
export interface Houses {
  /** Where each story's houses begin, and in the last place where all end. */
  readonly first: Int32Array
  /** How many degrees each story's damage may have. */
  readonly degrees: Uint8Array
  /** log of the weight of each house; those of one story sum to one. */
  readonly logWeights: Float64Array
}

/** @param hasDegrees for each story whether its damage comes by degrees */
export function layOutHouses(hasDegrees: readonly boolean[], kinds: readonly WiringKind[]): Houses {
  const perDegree = kinds.length * houseLevels.length
  const first = new Int32Array(hasDegrees.length + 1)
  for (const [story, has] of hasDegrees.entries()) first[story + 1] = first[story] + perDegree * (has ? degrees.length : 1)
  const logWeights = new Float64Array(first[hasDegrees.length])
  const [whole, graded] = [[1], degrees.map(({ weight }) => weight)].map((shares) =>
    Float64Array.from(
      kinds.flatMap((kind) => shares.flatMap((share) => houseLevels.map((level) => Math.log(kind.weight * share * level.weight)))),
    ),
  )
  for (const [story, has] of hasDegrees.entries()) logWeights.set(has ? graded : whole, first[story])
  return { first, degrees: Uint8Array.from(hasDegrees, (has) => (has ? degrees.length : 1)), logWeights }
}

/** Where the houses of a story begin that are wired and damaged so: as many as there are levels. */
export const houseOf = ({ first, degrees: counts }: Houses, story: number, kind: number, degree: number): number =>
  first[story] + (kind * counts[story] + degree) * houseLevels.length

/** One answer's likelihood at each level of volts; what does not hang on the house's volts is worked out once. */
export function overLevels(scale: Scale, likelihoodAt: (times: number) => number): number[] {
  const asDrawn = likelihoodAt(1)
  const hangsOnVolts = scale === 'volts' || scale === 'amps'
  if (!hangsOnVolts) return houseLevels.map(() => asDrawn)
  const values: number[] = []
  for (const [place, level] of houseLevels.entries()) {
    const isKnown = scale === 'volts' && level.asVolts < place
    values.push(isKnown ? values[level.asVolts] : place === 0 ? asDrawn : likelihoodAt(timesAt(level, scale)))
  }
  return values
}

/**
 * Gathers the likelihoods of one answer. `once` gives those of a story in a kind of wiring and a degree, level after level;
 * `times` how often the answer counts for each story.
 */
export function gather(
  once: (story: number, kind: number, degree: number) => readonly number[],
  times: readonly number[],
  kinds: readonly WiringKind[],
  houses: Houses,
  logAnything: number,
): Likelihoods {
  const stories = times.length
  const levels = houseLevels.length
  const marginal = new Float64Array(stories + 1)
  const byHouse = new Float64Array(houses.first[stories])
  const byLevel = new Float64Array(stories * levels)
  for (let story = 0; story < stories; story++) {
    let sum = 0
    const count = houses.degrees[story]
    /** Takes in what all houses with the same row weigh together. */
    const take = (values: readonly number[], weight: number) => {
      for (let level = 0; level < levels; level++) {
        const value = times[story] === 1 ? values[level] : values[level] ** times[story]
        byLevel[story * levels + level] += weight * value
        sum += weight * houseLevels[level].weight * value
      }
    }
    let before: readonly number[] | null = null
    let shared = 0
    let place = houses.first[story]
    for (let kind = 0; kind < kinds.length; kind++)
      for (let degree = 0; degree < count; degree++) {
        const values = once(story, kind, degree)
        // Where a reading does not show the damage, all its degrees share one row.
        if (values === before) byHouse.copyWithin(place, place - levels, place)
        else {
          if (before) take(before, shared)
          shared = 0
          for (let level = 0; level < levels; level++) byHouse[place + level] = times[story] * Math.log(values[level])
        }
        shared += kinds[kind].weight * (count === 1 ? 1 : degrees[degree].weight)
        before = values
        place += levels
      }
    if (before) take(before, shared)
    marginal[story] = Math.log(sum)
  }
  marginal[stories] = logAnything
  return { marginal, byHouse, byLevel: byLevel.map(Math.log) }
}

/** The rows of more stories behind those of some. */
export const joinRows = (some: Likelihoods, more: Likelihoods): Likelihoods => ({
  marginal: join(some.marginal.subarray(0, -1), more.marginal),
  byHouse: join(some.byHouse, more.byHouse),
  byLevel: join(some.byLevel, more.byLevel),
})

/** The houses of more stories behind those of some. */
export function joinHouses(some: Houses, more: Houses): Houses {
  const end = some.first[some.first.length - 1]
  return {
    first: Int32Array.of(...some.first, ...more.first.subarray(1).map((place) => place + end)),
    degrees: Uint8Array.of(...some.degrees, ...more.degrees),
    logWeights: join(some.logWeights, more.logWeights),
  }
}

function join(a: Float64Array, b: Float64Array): Float64Array {
  const joined = new Float64Array(a.length + b.length)
  joined.set(a)
  joined.set(b, a.length)
  return joined
}
