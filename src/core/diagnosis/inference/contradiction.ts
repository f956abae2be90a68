import type { Engine } from '@/src/core/diagnosis/engine'
import { type Evidence, priorsOf } from '@/src/core/diagnosis/inference/posterior'
import type { Suspect } from '@/src/core/diagnosis/inference/suspects'
import { FOUND } from '@/src/core/diagnosis/inference/verdict'
import { isPlainToSee, latestAnswers } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'

/** A reading that stands against all the others. */
export interface Contradiction {
  readonly observation: string
  /** By how much the best hypothesis explains the rest better without it, or the others explain it better than the best: a log likelihood ratio. */
  readonly weight: number
}

/** Below this the readings agree well enough with some hypothesis: one reading in fifty is plain wrong anyway. */
const WORTH_REPEATING = modelValue({ value: 3, unit: 'natural logarithm', source: 'assumption' })

/**
 * The single reading that the technician should take again, or none: the one that stands against the others; or, where a
 * repair is found, the one that its suspect does not explain, though no other hypothesis is better off without it.
 */
export function findContradictions(engine: Engine, evidence: Evidence, suspects: readonly Suspect[]): Contradiction[] {
  const against = weighAgainst(engine, evidence)
  const found = against.length > 0 ? against : doesNotFit(evidence, suspects)
  // Nobody is asked to look again at what was plain to see: the rest is read in its light.
  const plain = new Set(evidence.observations.flatMap((one) => (isPlainToSee(one) ? [one.id] : [])))
  return found.filter(({ observation }) => !plain.has(observation))
}

/** The reading that stands against all the others, none or one. */
export const standsAgainst = (engine: Engine, evidence: Evidence): string[] =>
  weighAgainst(engine, evidence).map(({ observation }) => observation)

function doesNotFit({ observations }: Evidence, [lead]: readonly Suspect[]): Contradiction[] {
  if (!lead?.repair || lead.probability < FOUND) return []
  const repeated = new Set(latestAnswers(observations).flatMap(({ id, repeats }) => (repeats ? [id] : [])))
  const misfits = lead.evidence.filter(({ observation, fits }) => !fits && !repeated.has(observation))
  return misfits.length === 1 ? [{ observation: misfits[0].observation, weight: Math.max(0, -misfits[0].weight) }] : []
}

/**
 * When the best hypothesis still fits some reading worse than chance, names the single reading that, left out, lets the rest
 * agree. Measured against "anything at all": a hypothesis that explains a reading worse than no hypothesis contradicts it.
 */
function weighAgainst(engine: Engine, evidence: Evidence): Contradiction[] {
  const observations = latestAnswers(evidence.observations)
  const count = engine.hypotheses.length
  const excess = observations.map((observation) => {
    const logs = engine.store.alone(observation)
    return Float64Array.from({ length: count }, (_, index) => logs[index] - logs[count])
  })
  if (excess.length < 2) return []
  // Among hypotheses that explain the rest alike, the one that is met more often is the better one.
  const sums = Float64Array.from(priorsOf(engine, evidence), Math.log)
  for (const row of excess) for (let index = 0; index < count; index++) sums[index] += row[index]
  const bestWithout = (left: Float64Array | null) => {
    let best = -Infinity
    for (let index = 0; index < count; index++) best = Math.max(best, left ? sums[index] - left[index] : sums[index])
    return best
  }
  const best = bestWithout(null)
  const ranked = observations
    .map((observation, row) => ({ observation: observation.id, weight: bestWithout(excess[row]) - best }))
    .filter(({ weight }) => weight > WORTH_REPEATING)
    .sort((a, b) => b.weight - a.weight)
  return ranked.slice(0, 1)
}
