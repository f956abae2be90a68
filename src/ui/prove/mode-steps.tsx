import { Check, Hourglass } from 'lucide-react'
import type { Step } from '@/src/core/advice/sequence'
import { parseDeviceKey } from '@/src/core/operation/machine'
import { sayCountdown } from '@/src/core/units/quantity'
import { partById, type System } from '@/src/core/wiring/system'

/** Steps that come within this of the call need no count. */
const AT_ONCE_MS = 1500

/** What a mode does, step by step: what has to have come by now, and what is still to come. */
export function ModeSteps({ steps, system, calledMs, nowMs }: ModeStepsProps) {
  if (steps.length === 0) return null
  return (
    <ol className="my-2 flex flex-col gap-1 text-small" aria-label="what it does, step by step">
      {steps.map(({ what, to, ms, shows }) => {
        const left = Math.ceil((ms - nowMs) / 1000)
        const isDue = calledMs !== null && left <= 0
        return (
          <li key={`${what} ${to} ${ms}`} className="flex items-baseline gap-2">
            {isDue ? (
              <Check aria-hidden className="size-4 shrink-0 self-center text-hold" />
            ) : (
              <Hourglass aria-hidden className="size-4 shrink-0 self-center text-muted" />
            )}
            <span>
              {partById(system, parseDeviceKey(what).part)?.name ?? what} {shows}
              <span className="text-muted">{isDue ? ', by now' : whenOf(ms, calledMs ?? nowMs, calledMs === null, left)}</span>
            </span>
          </li>
        )
      })}
    </ol>
  )
}

const whenOf = (ms: number, fromMs: number, isAhead: boolean, left: number): string =>
  ms - fromMs < AT_ONCE_MS
    ? ', at once'
    : isAhead
      ? `, after ${sayCountdown(Math.round((ms - fromMs) / 1000))}`
      : `, in ${sayCountdown(left)}`

interface ModeStepsProps {
  readonly steps: readonly Step[]
  readonly system: System
  /** When the call was made; null while it is not. */
  readonly calledMs: number | null
  readonly nowMs: number
}
