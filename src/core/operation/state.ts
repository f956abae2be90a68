import type { IgnitionModel, Machine, OutputKey, ThermostatModel } from '@/src/core/operation/machine'

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
  /** Coils whose armature stays out, ignition controls that sense no flame, and thermostats that guard for nothing. */
  readonly jammed: readonly string[]
  /** Thermostats that guard their outputs though their kind does not say so: they have shown it. */
  readonly guards: readonly string[]
  /** Who is quicker than the guard of a thermostat: the relays, which let go of what overloads it before it dies, or its own death. */
  readonly beforeGuard?: 'relays' | 'thermostat'
  /** How a board's output behaves where it is not as its style says, by `board.output`. */
  readonly outputs: Readonly<Record<OutputKey, OutputMode>>
  /** Constraints of the same key make the same moves in the same state. */
  readonly moves: string
}

/** `relay` and `passes` as built; `dead` never made; `on` always; `toggles` on and off while it is called, `chatters` called or not. */
export type OutputMode = 'relay' | 'passes' | 'dead' | 'on' | 'toggles' | 'chatters'

/**
 * One state of everything that moves: bit 0 the first thermostat alive, bit k+1 relay k pulled in, then a bit for each board
 * output made, then its guard tripped; a pair of bits, guard and alive, for each further thermostat stands behind, and after
 * those a bit for each switch that is open at rest, and for each flame.
 */
export type StateBits = number

/** A thermostat lives, the first one if not said otherwise. */
export const isAlive = (state: StateBits, thermostat?: ThermostatModel): boolean => ((state >> (thermostat?.aliveBit ?? 0)) & 1) === 1
export const isPulledIn = (state: StateBits, relay: number): boolean => ((state >> (relay + 1)) & 1) === 1
export const isMade = (machine: Machine, state: StateBits, output: number): boolean =>
  ((state >> (machine.relays.length + output + 1)) & 1) === 1
/** A thermostat's over-current guard has opened its outputs. */
export const isGuarded = (state: StateBits, thermostat: ThermostatModel): boolean => ((state >> thermostat.guardBit) & 1) === 1

/** An ignition control senses flame. */
export const isBurning = (state: StateBits, { bit }: IgnitionModel): boolean => ((state >> bit) & 1) === 1

/** What a bit of the state stands for. */
export type Meaning =
  | { readonly of: 'alive'; readonly thermostat: ThermostatModel }
  | { readonly of: 'guard'; readonly thermostat: ThermostatModel }
  | { readonly of: 'relay'; readonly index: number }
  | { readonly of: 'output'; readonly index: number }
  | { readonly of: 'proving'; readonly index: number }
  | { readonly of: 'flame'; readonly index: number }

/** Every bit that a machine's state can have, with what it stands for, lowest first. */
export function meaningsOf({
  thermostats,
  relays,
  outputs,
  proving,
  ignitions,
}: Machine): { readonly bit: number; readonly meaning: Meaning }[] {
  return [
    ...thermostats.map((thermostat) => ({ bit: thermostat.aliveBit, meaning: { of: 'alive', thermostat } as const })),
    ...relays.map((_, index) => ({ bit: index + 1, meaning: { of: 'relay', index } as const })),
    ...outputs.map((_, index) => ({ bit: relays.length + index + 1, meaning: { of: 'output', index } as const })),
    ...thermostats.map((thermostat) => ({ bit: thermostat.guardBit, meaning: { of: 'guard', thermostat } as const })),
    ...proving.map(({ bit }, index) => ({ bit, meaning: { of: 'proving', index } as const })),
    ...ignitions.map(({ bit }, index) => ({ bit, meaning: { of: 'flame', index } as const })),
  ].sort((a, b) => a.bit - b.bit)
}
