import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import { heatPrice } from '@/src/core/diagnosis/planner/heat'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { wasAskedOnCall } from '@/src/core/diagnosis/planner/to-metal'
import type { Probe } from '@/src/core/readings/check'
import { modelValue } from '@/src/core/units/model-value'
import { firstPart } from '@/src/core/wiring/system'

/** R is clamped when the transformer that may burn out costs more than this: the half minute of the reading. */
const WORTH_A_CLAMP = modelValue({ value: 0.5, unit: 'minutes at its odds', source: 'assumption' })
/** With something else to ask, R is clamped first when the call that stays on meanwhile costs more than this. */
export const CLAMPED_FIRST = modelValue({ value: 5, unit: 'minutes at its odds', source: 'assumption' })

/**
 * Amps on R of the transformer, where one stands before it with a call on: a resistive short under which all runs, and on which nothing
 * opens, shows in them, and burns the winding out while one walks on. Null where the call can hardly overload it, and once it was read.
 */
export function loadOnCall(
  engine: Engine,
  posterior: Posterior,
  { observations }: Evidence,
  bench: Bench,
  { skipped = [] }: Choice,
  worth: number = WORTH_A_CLAMP,
): Check | null {
  const { id, place } = firstPart(engine.system, 'fuse')
  if (bench.place !== place || bench.call === 'off' || bench.slot.open) return null
  const probe: Probe = { meter: 'amps', on: id }
  if (wasAskedOnCall(observations, skipped, bench, probe)) return null
  if (heatPrice(engine, posterior, observations, 'left-on')(bench) <= worth) return null
  return weighQuestion(engine, posterior, observations, bench, bench, probe, place, true)
}
