import type { OutputMode } from '@/src/core/operation/state'
import type { PartId } from '@/src/core/wiring/ids'
import type { LinkName } from '@/src/core/wiring/links'

/** What a fault changes, in the words of the wiring; `readings/world.ts` turns it into network changes. */
export type Effect =
  /** A link is open for good. */
  | { readonly do: 'open'; readonly link: LinkName }
  /** A link stands at a resistance that it should not have. */
  | { readonly do: 'resist'; readonly link: LinkName; readonly ohm: number }
  /** A link that stands open is closed. */
  | { readonly do: 'close'; readonly link: LinkName }
  /** A line contact is welded: closed whatever its coil does. */
  | { readonly do: 'weld'; readonly coil: PartId }
  /** A board's output behaves in another way than it was built to. */
  | { readonly do: 'output'; readonly board: PartId; readonly to: string; readonly mode: OutputMode }
  /** Two nodes touch; where that is inside a part, no longer once it is unplugged. */
  | { readonly do: 'short'; readonly a: string; readonly b: string; readonly ohm: number; readonly within?: string }
  /** A motor hums and does not turn, until what protects it opens. */
  | { readonly do: 'stall'; readonly load: PartId }
  /** An armature does not move, whatever its coil is fed. */
  | { readonly do: 'jam'; readonly coil: PartId }
  /** An ignition control senses no flame, though there is one. */
  | { readonly do: 'no-flame'; readonly board: PartId }
  /** A thermostat never closes these terminals, whatever it is set to. */
  | { readonly do: 'never-closes'; readonly thermostat: PartId; readonly terminals: readonly string[] }
  /** A thermostat that guards its outputs does so for nothing. */
  | { readonly do: 'false-code'; readonly thermostat: PartId }
  /** A thermostat draws nothing and shows nothing. */
  | { readonly do: 'thermostat-dead'; readonly thermostat: PartId }
  /** The fuse that was found in the slot is blown. */
  | { readonly do: 'found-blown' }

/** The same damage, less of it: a rub through dirt, a corroded joint, a few shorted turns. */
export interface FaultVariant {
  readonly name: string
  readonly share: number
  readonly effects: readonly Effect[]
}
