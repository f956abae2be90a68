import type { Change, Factored } from '@/src/core/circuit/factored'
import type { Perturbation } from '@/src/core/circuit/perturbation'
import { type Machine, reverse, type ThermostatModel } from '@/src/core/operation/machine'

/** What the bench asks of the thermostats and a fault leaves them able to do. */
export interface Constraints {
  /** The thermostat that is asked to call: its place in the machine's list. */
  readonly caller: number
  /** Terminals that it is asked to close and can. */
  readonly closing: readonly string[]
  /** Thermostats that never come alive, by part. */
  readonly dead: readonly string[]
  /** Line contacts that are welded: their coil moves nothing. */
  readonly welded: readonly string[]
  /** How a board's output behaves where it is not as its style says, by `board.output`. */
  readonly outputs: Readonly<Record<string, OutputMode>>
}

/** `relay` and `passes` as built; `dead` never made; `on` always; `toggles` on and off while it is called. */
export type OutputMode = 'relay' | 'passes' | 'dead' | 'on' | 'toggles'

export const outputKey = (board: string, to: string): string => `${board}.${to}`

/**
 * One state of everything that moves: bit 0 the first thermostat alive, bit k+1 relay k pulled in, then a bit for each board
 * output made, then its guard tripped; a pair of bits, guard and alive, for each further thermostat stands behind.
 */
export type StateBits = number

/**
 * How the machine came to rest. `chatters`: the same states come round again, listed in order; a finding, not an
 * error. `gave-up` keeps the last states seen.
 */
export interface Settled {
  readonly outcome: 'settled' | 'chatters' | 'gave-up'
  readonly members: readonly StateBits[]
  /** Every state on the way there, the first one included: what a meter that keeps the highest has seen. */
  readonly path: readonly StateBits[]
}

const MAX_STEPS = 24

/** A thermostat lives, the first one if not said otherwise. */
export const isAlive = (state: StateBits, thermostat?: ThermostatModel): boolean => ((state >> (thermostat?.aliveBit ?? 0)) & 1) === 1
export const isPulledIn = (state: StateBits, relay: number): boolean => ((state >> (relay + 1)) & 1) === 1
export const isMade = (machine: Machine, state: StateBits, output: number): boolean =>
  ((state >> (machine.relays.length + output + 1)) & 1) === 1
/** A thermostat's over-current guard has opened its outputs. */
export const isGuarded = (state: StateBits, thermostat: ThermostatModel): boolean => ((state >> thermostat.guardBit) & 1) === 1

/** What a bit of the state stands for. */
export type Meaning =
  | { readonly of: 'alive'; readonly thermostat: ThermostatModel }
  | { readonly of: 'guard'; readonly thermostat: ThermostatModel }
  | { readonly of: 'relay'; readonly index: number }
  | { readonly of: 'output'; readonly index: number }

/** Every bit that a machine's state can have, with what it stands for, lowest first. */
export function meaningsOf({ thermostats, relays, outputs }: Machine): { readonly bit: number; readonly meaning: Meaning }[] {
  return [
    ...thermostats.map((thermostat) => ({ bit: thermostat.aliveBit, meaning: { of: 'alive', thermostat } as const })),
    ...relays.map((_, index) => ({ bit: index + 1, meaning: { of: 'relay', index } as const })),
    ...outputs.map((_, index) => ({ bit: relays.length + index + 1, meaning: { of: 'output', index } as const })),
    ...thermostats.map((thermostat) => ({ bit: thermostat.guardBit, meaning: { of: 'guard', thermostat } as const })),
  ].sort((a, b) => a.bit - b.bit)
}

/** Network changes that take the machine from one state to another. */
export function changesBetween(machine: Machine, constraints: Constraints, from: StateBits, to: StateBits): Change[] {
  const changes: Change[] = []
  const caller = machine.thermostats[constraints.caller]
  const closes = (state: StateBits) => isAlive(state, caller) && !isGuarded(state, caller)
  if (closes(from) !== closes(to)) {
    for (const terminal of constraints.closing) {
      const contact = caller.contacts.get(terminal)
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
      return { outcome: members.length === 1 ? 'settled' : 'chatters', members, path: seen }
    }
    seen.push(state)
    kernel.set(base, [...fixed, ...changesBetween(machine, constraints, 0, state)])
    state = nextState(machine, constraints, state, kernel)
  }
  return { outcome: 'gave-up', members: seen.slice(-4), path: seen }
}

/** What every device does next, given the volts of the present state in the kernel. */
export function nextState(machine: Machine, constraints: Constraints, state: StateBits, kernel: Perturbation): StateBits {
  let next = 0
  machine.thermostats.forEach((thermostat, index) => {
    const closing = index === constraints.caller ? constraints.closing : []
    if (!constraints.dead.includes(thermostat.part.id) && staysAlive(thermostat, closing, state, kernel)) next |= 1 << thermostat.aliveBit
    if (isGuarded(state, thermostat) || guardTrips(thermostat, closing, state, kernel)) next |= 1 << thermostat.guardBit
  })
  machine.relays.forEach((relay, index) => {
    const threshold = isPulledIn(state, index) ? relay.part.dropOutVolts : relay.part.pullInVolts
    if (kernel.difference(relay.a, relay.b) >= threshold) next |= 1 << (index + 1)
  })
  machine.outputs.forEach((output, index) => {
    const mode = constraints.outputs[outputKey(output.part.id, output.to)] ?? output.style
    if (mode !== 'relay' && mode !== 'toggles') return
    if (mode === 'toggles' && isMade(machine, state, index)) return
    if (kernel.difference(output.hot, output.common) < output.part.aliveAboveVolts) return
    if (output.inputs.some((input) => kernel.difference(input, output.common) >= output.part.inputAboveVolts))
      next |= 1 << (machine.relays.length + index + 1)
  })
  return next
}

function staysAlive(thermostat: ThermostatModel, closing: readonly string[], state: StateBits, kernel: Perturbation): boolean {
  if (!thermostat.lives) return true
  // While it calls through the load it lives on, a power-stealing thermostat lives on what it has stored.
  const { steals, power, aliveAboveVolts } = thermostat.part
  if (power === 'stealing' && isAlive(state, thermostat) && steals !== undefined && closing.includes(steals)) return true
  return kernel.difference(thermostat.lives.hot, thermostat.lives.common) >= aliveAboveVolts
}

function guardTrips(thermostat: ThermostatModel, closing: readonly string[], state: StateBits, kernel: Perturbation): boolean {
  const { guardA } = thermostat.part
  if (guardA === undefined || !isAlive(state, thermostat)) return false
  return closing.some((terminal) => {
    const contact = thermostat.contacts.get(terminal)
    return contact !== undefined && kernel.difference(contact.row, -1) > guardA
  })
}
