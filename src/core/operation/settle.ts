import type { Change, Factored } from '@/src/core/circuit/factored'
import type { Perturbation } from '@/src/core/circuit/perturbation'
import { type Machine, reverse } from '@/src/core/operation/machine'

/** What the bench asks of the thermostat and a fault leaves it able to do. */
export interface Constraints {
  /** Terminals that the thermostat is asked to close and can. */
  readonly closing: readonly string[]
  /** It never comes alive. */
  readonly thermostatDead: boolean
}

/** One state of everything that moves: bit 0 the thermostat alive, bit k+1 relay k pulled in. */
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

/** Network changes that take the machine from one state to another. */
export function changesBetween(machine: Machine, constraints: Constraints, from: StateBits, to: StateBits): Change[] {
  const changes: Change[] = []
  if (isAlive(from) !== isAlive(to)) {
    for (const terminal of constraints.closing) {
      const close = machine.contacts.get(terminal)
      if (close) changes.push(isAlive(to) ? close : reverse(close))
    }
  }
  machine.relays.forEach((relay, index) => {
    if (isPulledIn(from, index) === isPulledIn(to, index)) return
    const closes = isPulledIn(to, index)
    changes.push(closes ? relay.sealed : reverse(relay.sealed))
    if (relay.contact) changes.push(closes ? relay.contact : reverse(relay.contact))
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

function nextState(machine: Machine, constraints: Constraints, state: StateBits, kernel: Perturbation): StateBits {
  let next = 0
  if (!constraints.thermostatDead && kernel.difference(machine.hot, machine.common) >= machine.thermostat.aliveAboveVolts) next |= 1
  machine.relays.forEach((relay, index) => {
    const threshold = isPulledIn(state, index) ? relay.part.dropOutVolts : relay.part.pullInVolts
    if (kernel.difference(relay.a, relay.b) >= threshold) next |= 1 << (index + 1)
  })
  return next
}
