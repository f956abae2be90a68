import { setInState } from '@/src/core/operation/in-state'
import { overloaded, USUAL_GUARD_A } from '@/src/core/operation/settle'
import { isAlive, isGuarded } from '@/src/core/operation/state'
import type { Laboratory } from '@/src/core/readings/laboratory'
import type { Component } from '@/src/core/readings/prediction'
import type { World, Worlds } from '@/src/core/readings/world'
import { modelValue } from '@/src/core/units/model-value'

/** An over-current code, and one that names its wire. */
export const CODE = 'over-current code'
export const codeFor = (terminal: string): string => `${CODE} on ${terminal}`
export const isCode = (word: string | null): word is string => word !== null && (word === CODE || word.startsWith(`${CODE} on `))

/** An over-current code that is told without its wire. */
const WIRE_UNTOLD = modelValue({ value: 0.5, unit: 'share of codes', source: 'assumption' })

/** A thermostat that has opened its outputs: what its code says, and which wire it names where it does. */
export function codeLooks(laboratory: Laboratory, at: string, worlds: Worlds, world: World): Component[] {
  const { machine, kernel } = laboratory
  const thermostat = machine.thermostats.find(({ part }) => part.id === at)
  const { constraints, base } = worlds
  const closing = thermostat && machine.thermostats[constraints.caller] === thermostat ? constraints.closing : []
  const before = world.settled.path.findLast((state) => thermostat && isAlive(state, thermostat) && !isGuarded(state, thermostat))
  const solved = before === undefined ? null : setInState(kernel, machine, base, world.fixed, constraints, before)
  const over = thermostat && solved ? overloaded(thermostat, closing, thermostat.part.guardA ?? USUAL_GUARD_A, solved.kernel) : []
  const named = over.length > 0 ? over : closing
  const word = (said: string, share: number): Component => ({ weight: world.weight * share, at: { word: said }, sigma: 1, floating: false })
  if (named.length === 0) return [word(CODE, 1)]
  return [word(CODE, WIRE_UNTOLD), ...named.map((terminal) => word(codeFor(terminal), (1 - WIRE_UNTOLD) / named.length))]
}
