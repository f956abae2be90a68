import type { Bench } from '@/src/core/bench/bench'
import { type BenchClock, clockLater } from '@/src/core/bench/since'
import type { Probe } from '@/src/core/readings/check'
import { parseLook } from '@/src/core/readings/look-target'
import { modelValue } from '@/src/core/units/model-value'

/** From the call to the flame that stays: purge, warm-up, trial. */
const WATCHED_FROM_CALL_MIN = modelValue({ value: 1.5, unit: 'minutes', source: 'assumption' })

/** Burners are watched from the call on, which is made anew for it. */
export const isFromTheCallOn = (probe: Probe): boolean => probe.meter === 'look' && ['flame', 'signal'].includes(parseLook(probe.at).what)

/** The clock after a reading that took so many minutes: who watches burners from the call on has made the call anew for it. */
export function clockAfterReading(clock: BenchClock, { call }: Bench, probe: Probe, minutes: number): BenchClock {
  const later = clockLater(clock, minutes)
  return call !== 'off' && isFromTheCallOn(probe) ? { ...later, call: Math.max(later.call, later.now - WATCHED_FROM_CALL_MIN) } : later
}
