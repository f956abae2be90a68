import { formOpinion } from '@/src/core/advice/advise'
import { readingOf } from '@/src/core/cable/cable-bench'
import { type ConductorOdds, usualOdds } from '@/src/core/cable/conductor-faults'
import type { Engine } from '@/src/core/diagnosis/engine'
import { foldJob } from '@/src/core/job/fold'
import type { JobState } from '@/src/core/job/job-state'
import { modelValue } from '@/src/core/units/model-value'
import { cableById } from '@/src/core/wiring/system'

/** However little suspected, a cable that somebody tests by itself has its usual odds times this. */
const LEAST_TIMES = modelValue({ value: 0.3, unit: 'times the usual odds', source: 'assumption' })
/** However much suspected, no more than this: the search may be wrong. */
const MOST_ODDS = modelValue({ value: 9, unit: 'odds', source: 'assumption' })

/**
 * How likely each trouble of a cable is by all that was read, but for what was read of it by itself: that is for its own plan to take.
 *
 * @returns odds in two digits, so that they stay the same while only the cable is read
 */
export function conductorOdds(engine: Engine, state: JobState, cableId: string): ConductorOdds | undefined {
  const { system } = engine
  const cable = cableById(system, cableId)
  if (!cable) return undefined
  const own = new Set(state.observations.flatMap((one) => (readingOf(cable, one) ? [one.id] : [])))
  const before =
    own.size === 0
      ? state
      : foldJob(
          system,
          state.entries.filter(({ id }) => !own.has(id)),
        )
  const suspects = new Map(formOpinion(engine, before).suspects.map(({ id, probability }) => [id, probability]))
  const usual = usualOdds(cable.conductors.length)
  const oddsOf = (id: string, at: number): number => {
    const probability = suspects.get(id) ?? 0
    return Number(Math.min(MOST_ODDS, Math.max(LEAST_TIMES * at, probability / Math.max(1e-9, 1 - probability))).toPrecision(2))
  }
  const names = cable.conductors.map(({ id }) => id)
  return {
    open: names.map((name, one) => oddsOf(`conductor-open:${cableId}.${name}`, usual.open[one])),
    metal: names.map((name, one) => oddsOf(`conductor-to-chassis:${cableId}.${name}`, usual.metal[one])),
    pair: names.map((a, one) =>
      names.map((b, other) =>
        Math.max(
          oddsOf(`conductor-short:${cableId}.${a}+${b}`, usual.pair[one][other]),
          oddsOf(`conductor-short:${cableId}.${b}+${a}`, usual.pair[one][other]),
        ),
      ),
    ),
  }
}
