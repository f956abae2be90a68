import { INTERMITTENT_SHOWS } from '@/src/core/faults/rates'
import type { JobState } from '@/src/core/job/job-state'
import { modelValue } from '@/src/core/units/model-value'
import { sayPercent } from '@/src/core/units/quantity'
import type { CallName } from '@/src/core/wiring/call'
import { partsOf, type System } from '@/src/core/wiring/system'

/** A mode runs so long in a cycle: what comes with it has come, and is warm. */
const ON_S = modelValue({ value: 180, unit: 's', source: 'assumption' })
/** So long it is off, where no board keeps it off longer. */
const OFF_S = modelValue({ value: 60, unit: 's', source: 'assumption' })
/** Cycled until no more than this is left. */
const LEFT_AT_MOST = modelValue({ value: 0.05, unit: 'share', source: 'assumption' })

/** What clean cycles say of a fault that comes and goes. */
export interface Cycles {
  readonly clean: number
  /** The most that is left that it is still there, had nothing been mended. */
  readonly left: number
  /** Clean cycles that it takes to be done. */
  readonly wanted: number
  readonly say: string
}

/** Clean cycles since the last repair or trip: each would have shown the fault with the chance of one look. */
export function cyclesOf({ cycles }: Pick<JobState, 'cycles'>): Cycles {
  const clean = cycles.length
  const left = (1 - INTERMITTENT_SHOWS) ** clean
  const wanted = Math.ceil(Math.log(LEFT_AT_MOST) / Math.log(1 - INTERMITTENT_SHOWS))
  const count = clean === 1 ? '1 clean cycle' : `${clean} clean cycles`
  return {
    clean,
    left,
    wanted,
    say: clean === 0 ? 'No clean cycle yet.' : `${count}: at most ${sayPercent(left)} left that it is still there.`,
  }
}

/** How long a cycle is on and off, seconds: off as long as a board's own delay keeps it. */
export const cycleTimes = (system: System, call: CallName): { readonly onS: number; readonly offS: number } => {
  const delays = partsOf(system, 'board').flatMap(({ outputs }) => outputs.flatMap(({ minimumOffS }) => minimumOffS ?? []))
  return { onS: ON_S, offS: call === 'fan' ? OFF_S : Math.max(OFF_S, ...delays) }
}
