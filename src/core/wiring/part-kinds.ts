import type { Part } from '@/src/core/wiring/part'
import { placeById, type System } from '@/src/core/wiring/system'

/** What holds of every part of a kind, whatever its role. A new kind does not compile until it has its answers. */
export interface PartKindRecord {
  /** It comes off its leads by hand; a transformer off those of its secondary. */
  readonly unplugs: boolean
  /** Off its leads, it is read across two of its own. */
  readonly hasOwnLeads: boolean
  /** Whoever stands beside it sees or hears what it does, without a meter. */
  readonly isSeenAtWork: boolean
  /** It stands in a row between the hot side and common, and is drawn there. */
  readonly standsInChain: boolean
}

const NONE: PartKindRecord = { unplugs: false, hasOwnLeads: false, isSeenAtWork: false, standsInChain: false }

export const partKinds: Readonly<Record<Part['kind'], PartKindRecord>> = {
  transformer: { ...NONE, unplugs: true, standsInChain: true },
  fuse: { ...NONE, standsInChain: true },
  thermostat: { ...NONE, unplugs: true, isSeenAtWork: true },
  switch: { unplugs: true, hasOwnLeads: true, isSeenAtWork: false, standsInChain: true },
  coil: { unplugs: true, hasOwnLeads: true, isSeenAtWork: true, standsInChain: true },
  board: { ...NONE, unplugs: true, isSeenAtWork: true, standsInChain: true },
  electronics: { ...NONE, standsInChain: true },
  load: { ...NONE, isSeenAtWork: true },
  strap: NONE,
  bond: NONE,
  disconnect: NONE,
  supply: NONE,
  capacitor: NONE,
}

/** Whether a part unplugs by hand. Field wires land on a zone panel's own screws: it has no plug. */
export const unplugs = (system: System, part: Part): boolean =>
  partKinds[part.kind].unplugs && !(part.kind === 'board' && placeById(system, part.place)?.kind === 'zone-panel')
