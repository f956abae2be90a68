import type { Change, Factored } from '@/src/core/circuit/factored'
import type { Perturbation } from '@/src/core/circuit/perturbation'
import { setInState } from '@/src/core/operation/in-state'
import type { IgnitionModel, Machine, ThermostatModel } from '@/src/core/operation/machine'
import { type Constraints, isAlive, isBurning, isGuarded, isMade, isPulledIn, type StateBits } from '@/src/core/operation/state'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'

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

const MAX_STEPS = workLimit(24)

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
    const solved = setInState(kernel, machine, base, fixed, constraints, state)
    state = nextState(machine, constraints, state, solved.kernel)
  }
  return { outcome: 'gave-up', members: seen.slice(-4), path: seen }
}

/**
 * What chatters where the guard of a thermostat is slower than something else: a relay that lets go of the overload by itself, or the
 * thermostat, which the overload starves. None where no guard opens, and for a thermostat that has shown its code: it was quick enough.
 */
export function settleBeforeGuard(
  machine: Machine,
  base: Factored,
  fixed: readonly Change[],
  constraints: Constraints,
  guarded: Settled,
  kernel: Perturbation,
): Settled[] {
  const opens = machine.thermostats.filter((one) => guarded.members.every((member) => isGuarded(member, one)))
  if (opens.every(({ part }) => constraints.guards.includes(part.id))) return []
  return (['relays', 'thermostat'] as const)
    .map((beforeGuard) => settle(machine, base, fixed, { ...constraints, beforeGuard }, 0, kernel))
    .filter(({ outcome }) => outcome === 'chatters')
}

/** What is asked of a solved network: volts between nodes, and currents of links. */
type Asked = Pick<Perturbation, 'difference' | 'current'>

/** What every device does next, given the volts of the present state in the kernel. */
export function nextState(machine: Machine, constraints: Constraints, state: StateBits, kernel: Asked): StateBits {
  const { thermostats, relays, outputs, proving, ignitions } = machine
  let next = 0
  for (let index = 0; index < thermostats.length; index++) {
    const thermostat = thermostats[index]
    const closing = index === constraints.caller ? constraints.closing : NOTHING
    const holdsUp = constraints.beforeGuard === 'relays' && isAlive(state, thermostat)
    if (!constraints.dead.includes(thermostat.part.id) && (holdsUp || staysAlive(thermostat, closing, state, kernel)))
      next |= 1 << thermostat.aliveBit
    if (isGuarded(state, thermostat) || guardTrips(thermostat, closing, constraints, state, kernel)) next |= 1 << thermostat.guardBit
  }
  for (let index = 0; index < relays.length; index++) {
    const { a, b, part } = relays[index]
    const threshold = isPulledIn(state, index) ? part.dropOutVolts : part.pullInVolts
    if (kernel.difference(a, b) >= threshold && !constraints.jammed.includes(part.id)) next |= 1 << (index + 1)
  }
  for (let index = 0; index < outputs.length; index++) {
    const { key, style, hot, common, inputs, needs, unless, part } = outputs[index]
    const mode = constraints.outputs[key] ?? style
    if (mode !== 'relay' && mode !== 'toggles' && mode !== 'chatters') continue
    if (mode !== 'relay' && isMade(machine, state, index)) continue
    if (kernel.difference(hot, common) < part.aliveAboveVolts) continue
    if (mode === 'chatters') {
      next |= 1 << (relays.length + index + 1)
      continue
    }
    const isCalled = (input: number) => kernel.difference(input, common) >= part.inputAboveVolts
    if (inputs.some(isCalled) && needs.every(isCalled) && !unless.some(isCalled) && isItsTurn(machine, state, index, kernel))
      next |= 1 << (relays.length + index + 1)
  }
  for (let index = 0; index < proving.length; index++) {
    const { motor, bit } = proving[index]
    if (kernel.difference(motor.a, motor.b) > motor.runsAboveVolts) next |= 1 << bit
  }
  for (const ignition of ignitions) {
    const canBurn = isPulledIn(state, ignition.valve) && !constraints.jammed.includes(ignition.part.id)
    if (canBurn && (isBurning(state, ignition) || isLit(ignition, kernel))) next |= 1 << ignition.bit
  }
  return next
}

/** The igniter is hot enough to light gas. */
export const isLit = ({ igniter }: IgnitionModel, kernel: Pick<Perturbation, 'difference'>): boolean =>
  kernel.difference(igniter.a, igniter.b) > igniter.lightsAboveVolts

/** An ignition control lights until there is flame, and opens the valve on a hot igniter for as long as there is flame. */
function isItsTurn({ ignitions }: Machine, state: StateBits, output: number, kernel: Asked): boolean {
  return ignitions.every((ignition) => {
    if (output === ignition.lights) return !isBurning(state, ignition)
    return output !== ignition.opens || isBurning(state, ignition) || isLit(ignition, kernel)
  })
}

const NOTHING: readonly string[] = []

function staysAlive(thermostat: ThermostatModel, closing: readonly string[], state: StateBits, kernel: Asked): boolean {
  if (!thermostat.lives) return true
  // While it calls through the load it lives on, a power-stealing thermostat lives on what it has stored.
  const { steals, power, aliveAboveVolts } = thermostat.part
  if (power === 'stealing' && isAlive(state, thermostat) && steals !== undefined && closing.includes(steals)) return true
  return kernel.difference(thermostat.lives.hot, thermostat.lives.common) >= aliveAboveVolts
}

function guardTrips(
  thermostat: ThermostatModel,
  closing: readonly string[],
  { guards, beforeGuard, jammed }: Constraints,
  state: StateBits,
  kernel: Asked,
): boolean {
  const { id, guardA = guards.includes(id) ? USUAL_GUARD_A : undefined } = thermostat.part
  if (guardA === undefined || !isAlive(state, thermostat)) return false
  return (
    closing.length > 0 && (jammed.includes(id) || (beforeGuard === undefined && overloaded(thermostat, closing, guardA, kernel).length > 0))
  )
}

/** The terminals whose contact carries more than so many amps. */
export const overloaded = (
  { contacts }: ThermostatModel,
  closing: readonly string[],
  amps: number,
  kernel: Pick<Perturbation, 'current'>,
): string[] =>
  closing.filter((terminal) => {
    const contact = contacts.get(terminal)
    return contact !== undefined && kernel.current(contact.row) > amps
  })

/** At what an output of a thermostat opens that is known to guard and not at how much. */
export const USUAL_GUARD_A = modelValue({ value: 1.5, unit: 'A', source: 'assumption: outputs of 1 A, opened at half as much again' })
