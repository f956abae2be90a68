import type { OutputMode } from '@/src/core/operation/state'
import type { Point } from '@/src/core/wiring/point'

/** What a fault changes, in the words of the wiring; `readings/world.ts` turns it into network changes. */
export type Effect =
  /** A link is open for good. */
  | { readonly do: 'open'; readonly link: string }
  /** A link stands at a resistance that it should not have. */
  | { readonly do: 'resist'; readonly link: string; readonly ohm: number }
  /** A link that stands open is closed. */
  | { readonly do: 'close'; readonly link: string }
  /** A line contact is welded: closed whatever its coil does. */
  | { readonly do: 'weld'; readonly coil: string }
  /** A board's output behaves in another way than it was built to. */
  | { readonly do: 'output'; readonly board: string; readonly to: string; readonly mode: OutputMode }
  /** Two nodes touch; where that is inside a part, no longer once it is unplugged. */
  | { readonly do: 'short'; readonly a: string; readonly b: string; readonly ohm: number; readonly within?: string }
  /** An armature does not move, whatever its coil is fed. */
  | { readonly do: 'jam'; readonly coil: string }
  /** A thermostat never closes these terminals, whatever it is set to. */
  | { readonly do: 'never-closes'; readonly thermostat: string; readonly terminals: readonly string[] }
  /** A thermostat draws nothing and shows nothing. */
  | { readonly do: 'thermostat-dead'; readonly thermostat: string }
  /** The fuse that was found in the slot is blown. */
  | { readonly do: 'found-blown' }

export const faultFamilies = [
  'conductor-open',
  'conductor-short',
  'conductor-to-chassis',
  'lead-to-chassis',
  'coil-shorted',
  'coil-open',
  'coil-to-ground',
  'armature-jammed',
  'accessory-across',
  'lead-loose',
  'switch-open',
  'thermostat-not-called',
  'thermostat-dead',
  'delay-running',
  'thermostat-not-closing',
  'thermostat-stuck-closed',
  'thermostat-shorted',
  'thermostat-joined',
  'not-landed',
  'landed-wrong',
  'ends-swapped',
  'bond-missing',
  'contact-welded',
  'output-dead',
  'output-on',
  'output-toggles',
  'output-chatters',
  'board-dead',
  'water-in-connector',
  'strip-corroded',
  'jumper-left',
  'transformers-tied',
  'spare-serves',
  'defrost-stuck',
  'wrong-tap',
  'neutral-open',
  'supply-leg-open',
  'transformer-dead',
  'transformer-weak',
  'fuse-clip-loose',
  'supply-off',
  'fuse-only',
] as const
export type FaultFamily = (typeof faultFamilies)[number]

export interface Repair {
  /** Two faults with one repair id are mended by the same act at the same spot. */
  readonly id: string
  readonly say: string
}

/** The same damage, less of it: a rub through dirt, a corroded joint, a few shorted turns. */
export interface FaultVariant {
  readonly name: string
  readonly share: number
  readonly effects: readonly Effect[]
}

export interface Fault {
  readonly id: string
  readonly family: FaultFamily
  readonly zone: string
  /** One sentence for people. */
  readonly say: string
  readonly repair: Repair
  /** Relative frequency before anything is known about this job. */
  readonly rate: number
  readonly effects: readonly Effect[]
  /** Milder forms of the same damage, each with its share of the cases; the rest are as `effects` says. */
  readonly variants: readonly FaultVariant[]
  /** Terminals, conductors or parts that the fault touches: what the loom warms. */
  readonly touches: readonly Point[]
  /** Set when two faults at once are told as one hypothesis. */
  readonly parts?: readonly [Fault, Fault]
}

/** The single faults of a hypothesis: itself, or the two that it joins. */
export const singlesOf = (fault: Fault): readonly Fault[] => fault.parts ?? [fault]
