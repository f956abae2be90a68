import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Posterior } from '@/src/core/diagnosis/inference/posterior'
import type { Route } from '@/src/core/diagnosis/planner/route'
import type { Observation } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'

/** What the first power-off takes away: codes and lights that nobody has read yet, and the minutes of every delay that starts again. */
const FIRST_POWER_OFF = modelValue({ value: 5, unit: 'minutes', source: 'assumption' })
/** What a later one does: delays start again. */
const LATER_POWER_OFF = modelValue({ value: 1, unit: 'minutes', source: 'assumption' })
/** A call that trips so often in a house says that it is shorted. */
const SHORTED = modelValue({ value: 0.3, unit: 'chance', source: 'assumption' })

/**
 * What a power-off costs beside its handling, in minutes, by what is thought now: looks and live readings come first while lights,
 * codes and delays are there to be seen. Where nothing is live, and where it is shorted, there is nothing to lose: ohms come first.
 */
export function powerOffPrice(engine: Engine, posterior: Posterior, from: Bench, asked: readonly Observation[]): number {
  if (!from.power || from.slot.open) return 0
  let live = 0
  let all = 0
  for (const [index, share] of posterior.hypotheses.entries()) {
    const { fresh, asFound } = engine.behaviours[index]
    all += share
    if (asFound.off.alive && Object.values(fresh).every(({ trips }) => trips < SHORTED)) live += share
  }
  const wasOff = asked.some(({ bench }) => !bench.power)
  return ((wasOff ? LATER_POWER_OFF : FIRST_POWER_OFF) * live) / Math.max(all, 1e-9)
}

/** The power goes off on the way. */
export const goesDark = ({ changes }: Route): boolean => changes.some((change) => change.do === 'power' && !change.on)
