import type { Change, Factored } from '@/src/core/circuit/factored'
import type { Perturbation } from '@/src/core/circuit/perturbation'
import { type Machine, reverse } from '@/src/core/operation/machine'

/** What the bench asks of the thermostat and a fault leaves it able to do. */
export interface Constraints {
  /** Terminals that the thermostat is asked to close and can. */
  readonly closing: readonly string[]
  /** It never comes alive. */
  readonly thermostatDead: boolean
  /** Line contacts that are welded: their coil moves nothing. */
  readonly welded: readonly string[]
  /** How a board's output behaves where it is not as its style says, by `board.output`. */
  readonly outputs: Readonly<Record<string, OutputMode>>
}

/** `relay` and `passes` as built; `dead` never made; `on` always; `toggles` on and off while it is called. */
export type OutputMode = 'relay' | 'passes' | 'dead' | 'on' | 'toggles'

export const outputKey = (board: string, to: string): string => `${board}.${to}`

/**
 * One state of everything that moves: bit 0 the thermostat alive, bit k+1 relay k pulled in, then a bit for each board
 * output made, and last the thermostat's guard tripped.
 */
export type StateBits = number

/**
 * How the machine came to rest. `chatters`: the same states come round again, listed in order; a finding, not an
 * error. `gave-up` keeps the last states seen.
 */
export interface Settled {
  readonly outcome: 'settled' | 'chatters' | 'gave-up'
  readonly members: readonly StateBits[]
}

const MAX_STEPS = 24

export const isAlive = (state: StateBits): boolean => (state & 1) === 1
export const isPulledIn = (state: StateBits, relay: number): boolean => ((state >> (relay + 1)) & 1) === 1
export const isMade = (machine: Machine, state: StateBits, output: number): boolean =>
  ((state >> (machine.relays.length + output + 1)) & 1) === 1
const guardBit = (machine: Machine): number => 1 << (machine.relays.length + machine.outputs.length + 1)
/** The thermostat's over-current guard has opened its outputs. */
export const isGuarded = (machine: Machine, state: StateBits): boolean => (state & guardBit(machine)) !== 0

/** Network changes that take the machine from one state to another. */
export function changesBetween(machine: Machine, constraints: Constraints, from: StateBits, to: StateBits): Change[] {
  const changes: Change[] = []
  const closes = (state: StateBits) => isAlive(state) && !isGuarded(machine, state)
  if (closes(from) !== closes(to)) {
    for (const terminal of constraints.closing) {
      const contact = machine.contacts.get(terminal)
      if (contact) changes.push(closes(to) ? contact.closes : reverse(contact.closes))
    }
  }
  machine.outputs.forEach((output, index) => {
    if (isMade(machine, from, index) !== isMade(machine, to, index))
      changes.push(isMade(machine, to, index) ? output.closes : reverse(output.closes))
  })
  machine.relays.forEach((relay, index) => {
    if (isPulledIn(from, index) === isPulledIn(to, index)) return
    const pullsIn = isPulledIn(to, index)
    changes.push(pullsIn ? relay.sealed : reverse(relay.sealed))
    if (relay.contact && !constraints.welded.includes(relay.part.id)) changes.push(pullsIn ? relay.contact : reverse(relay.contact))
  })
  return changes
}

/**
 * Iterates relays and thermostat to a fixed point from a given state (`base` has every contact and armature at rest).
 * Each step solves the network in the present state and lets every device answer to its own volts.
 */
export function settle(
  machine: Machine,
  base: Factored,
  fixed: readonly Change[],
  constraints: Constraints,
  from: StateBits,
  kernel: Perturbation,
): Settled {
  const seen: StateBits[] = []
  let state = from
  for (let step = 0; step < MAX_STEPS; step++) {
    const earlier = seen.indexOf(state)
    if (earlier >= 0) {
      const members = seen.slice(earlier)
      return { outcome: members.length === 1 ? 'settled' : 'chatters', members }
    }
    seen.push(state)
    kernel.set(base, [...fixed, ...changesBetween(machine, constraints, 0, state)])
    state = nextState(machine, constraints, state, kernel)
  }
  return { outcome: 'gave-up', members: seen.slice(-4) }
}

/** What every device does next, given the volts of the present state in the kernel. */
export function nextState(machine: Machine, constraints: Constraints, state: StateBits, kernel: Perturbation): StateBits {
  let next = 0
  if (staysAlive(machine, constraints, state, kernel)) next |= 1
  machine.relays.forEach((relay, index) => {
    const threshold = isPulledIn(state, index) ? relay.part.dropOutVolts : relay.part.pullInVolts
    if (kernel.difference(relay.a, relay.b) >= threshold) next |= 1 << (index + 1)
  })
  machine.outputs.forEach((output, index) => {
    const mode = constraints.outputs[outputKey(output.part.id, output.to)] ?? output.style
    if (mode !== 'relay' && mode !== 'toggles') return
    if (mode === 'toggles' && isMade(machine, state, index)) return
    if (kernel.difference(output.hot, output.common) < output.part.aliveAboveVolts) return
    if (kernel.difference(output.input, output.common) >= output.part.inputAboveVolts) next |= 1 << (machine.relays.length + index + 1)
  })
  if (isGuarded(machine, state) || guardTrips(machine, constraints, state, kernel)) next |= guardBit(machine)
  return next
}

function staysAlive(machine: Machine, constraints: Constraints, state: StateBits, kernel: Perturbation): boolean {
  if (constraints.thermostatDead) return false
  if (!machine.lives) return true
  // While it calls through the load it lives on, a power-stealing thermostat lives on what it has stored.
  const { steals, power, aliveAboveVolts } = machine.thermostat
  if (power === 'stealing' && isAlive(state) && steals !== undefined && constraints.closing.includes(steals)) return true
  return kernel.difference(machine.lives.hot, machine.lives.common) >= aliveAboveVolts
}

function guardTrips(machine: Machine, { closing }: Constraints, state: StateBits, kernel: Perturbation): boolean {
  const { guardA } = machine.thermostat
  if (guardA === undefined || !isAlive(state)) return false
  return closing.some((terminal) => {
    const contact = machine.contacts.get(terminal)
    return contact !== undefined && kernel.difference(contact.row, -1) > guardA
  })
}
