import type { PartId, PlaceId } from '@/src/core/wiring/ids'

/** What a look goes over, as a probe names it: the landings of a place, all that runs at a place, the wiring of a zone, the flame of an ignition control and its signal, the contacts of a contactor, a capacitor with the power off, or one part. */
interface LookTarget {
  readonly what: 'landings' | 'runs' | 'wiring' | 'flame' | 'signal' | 'contacts' | 'capacitor' | 'part'
  /** The place, the zone, the control, the contactor, the capacitor or the part. */
  readonly of: string
}

export const landingsAt = (place: PlaceId): string => `landings@${place}`
/** Whether everything at a place does what the bench calls for. */
export const runsAt = (place: PlaceId): string => `runs@${place}`
/** The burners of an ignition control, from the call on. */
export const flameOf = (board: PartId): string => `flame@${board}`
/** The current through its flame, in series with the rod. */
export const flameSignalOf = (board: PartId): string => `signal@${board}`
export const wiringOf = (zone: string): string => `wiring@${zone}`

/** The faces of a contactor's contacts, and what lies between them. */
export const contactsOf = (contactor: string): string => `contacts@${contactor}`

/** The case of a capacitor, and its microfarads, power off and discharged. */
export const capacitorAt = (capacitor: PartId): string => `capacitor@${capacitor}`

const KINDS = ['landings', 'runs', 'wiring', 'flame', 'signal', 'contacts', 'capacitor'] as const

/** The target of a look from its name; no part has an @ in its id. */
export function parseLook(at: string): LookTarget {
  const end = at.indexOf('@')
  const what = at.slice(0, Math.max(0, end))
  const known = KINDS.find((kind) => kind === what)
  return known ? { what: known, of: at.slice(end + 1) } : { what: 'part', of: at }
}
