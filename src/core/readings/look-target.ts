/** What a look goes over, as a probe names it: the landings of a place, all that runs at a place, the wiring of a zone, or one part. */
interface LookTarget {
  readonly what: 'landings' | 'runs' | 'wiring' | 'part'
  /** The place, the zone or the part. */
  readonly of: string
}

export const landingsAt = (place: string): string => `landings@${place}`
/** Whether everything at a place does what the bench calls for. */
export const runsAt = (place: string): string => `runs@${place}`
export const wiringOf = (zone: string): string => `wiring@${zone}`

/** The target of a look from its name; no part has an @ in its id. */
export function parseLook(at: string): LookTarget {
  const end = at.indexOf('@')
  const what = at.slice(0, Math.max(0, end))
  return what === 'landings' || what === 'runs' || what === 'wiring' ? { what, of: at.slice(end + 1) } : { what: 'part', of: at }
}
