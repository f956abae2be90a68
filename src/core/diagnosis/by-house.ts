import { degrees, houseLevels, timesAt, type WiringKind } from '@/src/core/diagnosis/houses'
import type { Scale } from '@/src/core/readings/prediction'

/** How well every story explains one reading. Rows run story after story. */
export interface Likelihoods {
  /** log P(answer | story), kinds of wiring and levels of volts averaged; "anything at all" in the last place. */
  readonly marginal: Float64Array
  /**
   * The same for each house that it may be, of one build and one level for all its readings: build after build, each at every
   * level.
   */
  readonly byHouse: Float64Array
  /** The same for each level, the builds averaged. */
  readonly byLevel: Float64Array
}

/** One way in which a house may be built: as drawn with one degree of the damage, if there is damage by degrees; or wired otherwise. */
export interface Build {
  readonly kind: number
  readonly degree: number
  readonly weight: number
}

export const buildsOf = (kinds: readonly WiringKind[]): Build[] =>
  kinds.flatMap(({ weight }, kind): Build[] =>
    kind === 0 ? degrees.map((one, degree) => ({ kind, degree, weight: weight * one.weight })) : [{ kind, degree: 0, weight }],
  )

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
 * Gathers the likelihoods of one answer. `once` gives those of a story in a build, level after level; `times` how often the
 * answer counts for each story.
 */
export function gather(
  once: (story: number, build: Build) => readonly number[],
  times: readonly number[],
  builds: readonly Build[],
  logAnything: number,
): Likelihoods {
  const stories = times.length
  const levels = houseLevels.length
  const marginal = new Float64Array(stories + 1)
  const byHouse = new Float64Array(stories * builds.length * levels)
  const byLevel = new Float64Array(stories * levels)
  for (let story = 0; story < stories; story++) {
    let sum = 0
    let before: readonly number[] | null = null
    for (let build = 0; build < builds.length; build++) {
      const values = once(story, builds[build])
      const place = (story * builds.length + build) * levels
      // Most stories have no degrees: their builds share one row.
      if (values === before) byHouse.copyWithin(place, place - levels, place)
      for (let level = 0; level < levels; level++) {
        const value = times[story] === 1 ? values[level] : values[level] ** times[story]
        if (values !== before) byHouse[place + level] = Math.log(value)
        byLevel[story * levels + level] += builds[build].weight * value
        sum += builds[build].weight * houseLevels[level].weight * value
      }
      before = values
    }
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

function join(a: Float64Array, b: Float64Array): Float64Array {
  const joined = new Float64Array(a.length + b.length)
  joined.set(a)
  joined.set(b, a.length)
  return joined
}
