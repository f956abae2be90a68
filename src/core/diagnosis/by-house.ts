import { voltLevels } from '@/src/core/diagnosis/houses'
import type { Scale } from '@/src/core/readings/prediction'

/** How well every story explains one reading. Rows run story after story. */
export interface Likelihoods {
  /** log P(answer | story), kinds of wiring and levels of volts averaged; "anything at all" in the last place. */
  readonly marginal: Float64Array
  /** The same for each house that it may be, of one wiring and one level for all its readings: wiring after wiring, each at every level. */
  readonly byHouse: Float64Array
  /** The same for each level, the wirings averaged. */
  readonly byLevel: Float64Array
}

/** One answer's likelihood at each level of volts; what does not hang on the house's volts is worked out once. */
export function overLevels(scale: Scale, likelihoodAt: (times: number) => number): number[] {
  const asDrawn = likelihoodAt(1)
  const hangsOnVolts = scale === 'volts' || scale === 'amps'
  return voltLevels.map(({ times }) => (times === 1 || !hangsOnVolts ? asDrawn : likelihoodAt(times)))
}

/**
 * Gathers the likelihoods of one answer. `once` gives those of a story in a kind of wiring, level after level; `times` how often
 * the answer counts for each story.
 */
export function gather(
  once: (story: number, kind: number) => readonly number[],
  times: readonly number[],
  kindWeights: readonly number[],
  logAnything: number,
): Likelihoods {
  const stories = times.length
  const kinds = kindWeights.length
  const levels = voltLevels.length
  const marginal = new Float64Array(stories + 1)
  const byHouse = new Float64Array(stories * kinds * levels)
  const byLevel = new Float64Array(stories * levels)
  for (let story = 0; story < stories; story++) {
    let sum = 0
    for (let kind = 0; kind < kinds; kind++) {
      const values = once(story, kind)
      for (let level = 0; level < levels; level++) {
        const value = times[story] === 1 ? values[level] : values[level] ** times[story]
        byHouse[(story * kinds + kind) * levels + level] = Math.log(value)
        byLevel[story * levels + level] += kindWeights[kind] * value
        sum += kindWeights[kind] * voltLevels[level].weight * value
      }
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
