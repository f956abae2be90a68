import type { Bench, BenchChange, Since } from '@/src/core/bench/bench'
import { modelValue } from '@/src/core/units/model-value'

/** What is taken when nobody knows, and what a check is planned for: watched for a minute, delays waited out. */
export const USUAL_SINCE: Since = { call: 'minute', power: 'long' }

/** What was done within this is a moment ago. */
const MOMENT_MIN = modelValue({ value: 0.75, unit: 'minutes', source: 'assumption' })
/** What was done longer ago than this has warmed up what warms. */
const MINUTES_MIN = modelValue({ value: 3, unit: 'minutes', source: 'assumption' })
/** The longest delays of compressors. */
export const FRESH_MIN = modelValue({ value: 5, unit: 'minutes', source: 'assumption of the trade' })

/** No delay runs for longer than this: the longest, and what a slow one adds. */
export const WAITED_OUT_MIN = modelValue({ value: 6, unit: 'minutes', source: 'assumption' })

/** Minutes of a search: now, and when the call and the power last changed. */
export interface BenchClock {
  readonly now: number
  readonly call: number
  readonly power: number
}

/** Before anything was touched, all has stood for long. */
export const UNTOUCHED: BenchClock = { now: 0, call: Number.NEGATIVE_INFINITY, power: Number.NEGATIVE_INFINITY }

/** The clock after a change that took so many minutes. */
export function clockAfter({ now, call, power }: BenchClock, change: BenchChange, minutes: number): BenchClock {
  const then = now + minutes
  if (change.do === 'power') return { now: then, call: change.on ? then : call, power: change.on ? then : power }
  return { now: then, call: change.do === 'call' ? then : call, power }
}

export const clockLater = (clock: BenchClock, minutes: number): BenchClock => ({ ...clock, now: clock.now + minutes })

/** A bench as it is read at a time; left as it is where its minutes change nothing. */
export function atTime(bench: Bench, { now, call, power }: BenchClock): Bench {
  if (!bench.power) return bench
  const onFor = now - call
  const since: Since = {
    call: bench.call === 'off' ? 'minute' : calledSince(onFor),
    power: now - power < FRESH_MIN ? 'fresh' : 'long',
  }
  return since.call === USUAL_SINCE.call && since.power === USUAL_SINCE.power ? bench : { ...bench, since }
}

const calledSince = (minutes: number): Since['call'] =>
  minutes < MOMENT_MIN ? 'moment' : minutes < MINUTES_MIN ? 'minute' : minutes < WAITED_OUT_MIN ? 'minutes' : 'long'

/** Whether a call has been on for so long that what opens with its heat has mostly opened. */
export const isWarm = ({ call }: Since): boolean => call === 'minutes' || call === 'long'

/** The same bench with nothing said of its minutes. */
export const anyTime = (bench: Bench): Bench => {
  if (!bench.since) return bench
  const { since: _, ...rest } = bench
  return rest
}
