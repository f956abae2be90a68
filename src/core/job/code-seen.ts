import type { Bench } from '@/src/core/bench/bench'
import type { EntryDraft } from '@/src/core/job/entry'
import { codeFor } from '@/src/core/readings/code-looks'
import { type CallName, callNames } from '@/src/core/wiring/call'
import type { PartOf } from '@/src/core/wiring/part'
import { callerOf, callsOf, type System } from '@/src/core/wiring/system'

/** The call of a thermostat that closes a wire together with the fewest others; null for a wire that it never closes. */
export function callClosing(system: System, stat: PartOf<'thermostat'>, terminal: string): CallName | null {
  const closing = (call: CallName): readonly string[] => stat.calls[call] ?? []
  const own = callsOf(system).filter((call) => callerOf(system, call).id === stat.id && closing(call).includes(terminal))
  const [first] = [...own].sort((a, b) => closing(a).length - closing(b).length || callNames.indexOf(a) - callNames.indexOf(b))
  return first ?? null
}

/** An over-current code that names a wire, as it goes on the timeline: a wire carries nothing until it is called, so the call goes with it. */
export function codeSeen(system: System, bench: Bench, stat: PartOf<'thermostat'>, terminal: string): EntryDraft[] {
  const call = bench.call === 'off' ? callClosing(system, stat, terminal) : null
  return [
    ...(call ? [{ kind: 'bench', change: { do: 'call', call } } as const] : []),
    { kind: 'reading', probe: { meter: 'look', at: stat.id }, answer: { word: codeFor(terminal) } },
  ]
}
