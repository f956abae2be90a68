import type { Machine } from '@/src/core/operation/machine'
import type { Constraints } from '@/src/core/operation/state'
import type { CallName } from '@/src/core/wiring/call'
import type { PartId } from '@/src/core/wiring/ids'
import { callerOf } from '@/src/core/wiring/system'

/**
 * What a call asks of a sound machine whose `unplugged` parts are off: which thermostat closes which terminals, and which of them are dead.
 *
 * @param guards thermostats that have shown that they guard their outputs
 */
export function constraintsOfCall(
  machine: Machine,
  call: CallName | 'off',
  unplugged: readonly PartId[],
  guards: readonly string[] = [],
): Constraints {
  const ids = machine.thermostats.map(({ part }) => part.id)
  const part = callerOf(machine.system, call)
  const caller = ids.indexOf(part.id)
  const closing = call === 'off' || unplugged.includes(part.id) ? [] : (part.calls[call] ?? [])
  return {
    caller,
    closing,
    dead: ids.filter((id) => unplugged.includes(id)),
    welded: [],
    jammed: [],
    guards,
    outputs: {},
    moves: movesKey(caller, closing, []),
  }
}

/** Constraints of one key make the same moves in the same state. */
export const movesKey = (caller: number, closing: readonly string[], welded: readonly string[]): string =>
  `${caller} ${closing.join()} ${welded.join()}`
