import type { conductorColours } from '@/src/core/wiring/insulation'
import { callsOf, firstPart, partsOf, type System } from '@/src/core/wiring/system'

/** A system put together from what can be seen at the door. What nobody looked at stays unknown, and is weighed as unknown. */

export type Said = 'yes' | 'no' | 'unknown'

/** What is there or not, in the order in which it is seen: each can be read off a system. */
export const traits = {
  oneCabinet: { say: 'everything in one cabinet outdoors', weight: 6 },
  gasValve: { say: 'a gas furnace', weight: 6 },
  reversingValve: { say: 'a heat pump (reversing valve)', weight: 6 },
  strips: { say: 'electric heat strips', weight: 4 },
  zonePanel: { say: 'a zone panel, more than one thermostat', weight: 6 },
  secondCooling: { say: 'a second stage of cooling', weight: 3 },
  secondHeating: { say: 'a second stage of heat', weight: 2 },
  valveOnB: { say: 'a conductor on B, none on O', weight: 3 },
  commonAtThermostat: { say: 'a conductor on C at the thermostat', weight: 1 },
  secondTransformer: { say: 'a second 24 V transformer', weight: 4 },
  plainRelay: { say: 'a fan relay and no board', weight: 2 },
} as const
export type Trait = keyof typeof traits
export const traitNames = Object.keys(traits) as Trait[]

/** Which traits a system has. */
export function traitsOf(system: System): Record<Trait, boolean> {
  const coil = (role: string) => partsOf(system, 'coil').some((part) => part.role === role)
  const calls = callsOf(system)
  const stat = system.places.find(({ id }) => id === firstPart(system, 'thermostat').place)
  return {
    oneCabinet: system.places.some(({ kind }) => kind === 'package'),
    gasValve: coil('gas-valve'),
    reversingValve: coil('reversing-valve'),
    strips: coil('sequencer'),
    zonePanel: partsOf(system, 'thermostat').length > 1,
    secondCooling: calls.includes('cool-2'),
    secondHeating: calls.includes('heat-2'),
    valveOnB: stat?.terminals.includes('B') ?? false,
    commonAtThermostat: partsOf(system, 'thermostat').every(({ common }) => common !== undefined),
    secondTransformer: partsOf(system, 'transformer').length > 1,
    plainRelay: coil('blower-relay') && partsOf(system, 'board').length + partsOf(system, 'electronics').length === 0,
  }
}

/** What a lead of a transformer's primary is made for, V: single-phase and control supplies as they are met. */
export const leadVolts = [120, 208, 240, 277, 480] as const

export interface WhatIsThere {
  readonly traits: Partial<Record<Trait, Said>>
  readonly fuse: '3' | '5' | 'breaker' | 'none' | 'unknown'
  readonly float: 'none' | 'R' | 'Y' | 'unknown'
  readonly board: 'passes' | 'relay' | 'unknown'
  /** Volts of the other leads on the transformer's primary, which are capped; left out, nobody looked. */
  readonly capped?: readonly (typeof leadVolts)[number][]
  /** By `cable.conductor` of the kind that comes nearest; what is left out was not looked at. */
  readonly colours: Readonly<Record<`${string}.${string}`, (typeof conductorColours)[number]>>
}

/** At the door: nothing has been looked at. */
export const nothingLookedAt: WhatIsThere = { traits: {}, fuse: 'unknown', float: 'unknown', board: 'unknown', colours: {} }
