import type { Said } from '@/src/core/quick-line/rule'
import { nothingCalls } from '@/src/core/quick-line/sense'
import type { Sentence } from '@/src/core/quick-line/sentence'
import type { PartOf } from '@/src/core/wiring/part'
import { callsOf, partById } from '@/src/core/wiring/system'

const OF_HEAT: ReadonlySet<string> = new Set(['limit', 'rollout', 'draft'])

/** A switch that is said to be open while something is called through it stands between the hot side and nothing: full volts across. */
export function openSwitch(the: Sentence, what: string, how: string): Said {
  const across = acrossSwitch(the, what, 'OL', 'jumps between 20 and 28 V')
  const part = partById(the.system, the.part(what) ?? '')
  if (across !== null || part?.kind !== 'switch' || how !== 'open' || !nothingCalls(the)) return across
  const through = callsOf(the.system).find((one) => one === (OF_HEAT.has(part.role) ? 'heat' : (the.state.complaint.call ?? 'cool')))
  return through && !isOfLine(part)
    ? {
        asks: `The power is on in the record, and nothing is called. Ohms, or live on a call? Say "power off; ${part.id} open", or "call ${through}; ${part.id} open".`,
      }
    : null
}

const isOfLine = ({ between }: PartOf<'switch'>): boolean => between.some((name) => /^(?:L\d|N\b)/.test(name))

/** One that is said to be closed has none of the volts across it. */
export const closedSwitch = (the: Sentence, what: string): string | null =>
  acrossSwitch(the, what, 'jumps between 0 and 1', 'jumps between 0 and 1 V')

function acrossSwitch(the: Sentence, what: string, ohms: string, volts: string): string | null {
  const part = partById(the.system, the.part(what) ?? '')
  if (part?.kind !== 'switch') return null
  const { power, call, jumpers } = the.state.bench
  // On the line side it is read against its own volts.
  if (power && isOfLine(part)) return null
  if (!power) return `ohms across ${part.id} ${ohms}`
  return call !== 'off' || jumpers.length > 0 ? `${part.between[0]}-${part.between[1]} ${volts} at ${part.place}` : null
}
