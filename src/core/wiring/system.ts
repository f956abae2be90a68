import type { z } from 'zod'
import { Memo } from '@/src/core/units/cache'
import { type CallName, callNames } from '@/src/core/wiring/call'
import type { CableId, PartId, PlaceId } from '@/src/core/wiring/ids'
import type { unknownThings } from '@/src/core/wiring/insulation'
import type { Part, PartOf } from '@/src/core/wiring/part'
import type { cableSchema, conductorSchema, placeSchema, systemSchema } from '@/src/core/wiring/system-schema'

export type System = z.infer<typeof systemSchema>
/** Nobody has looked whether this is so. */
export const isUnknown = ({ unknown = [] }: System, thing: (typeof unknownThings)[number]): boolean => unknown.includes(thing)

/** The fuse that belongs there: of the size on its label, where nobody has looked which. */
export const sayRightFuse = (system: System): string =>
  isUnknown(system, 'fuse') ? 'fuse of the size on its label' : `${firstPart(system, 'fuse').ratingA} A fuse`

export type Place = z.infer<typeof placeSchema>
export type Cable = z.infer<typeof cableSchema>
export type Conductor = z.infer<typeof conductorSchema>

/** Found once, for they are asked for with every hypothesis that is settled. */
const partsIn = new Memo(({ parts }: System) => {
  const byKind = new Map<Part['kind'], Part[]>()
  for (const part of parts) byKind.set(part.kind, [...(byKind.get(part.kind) ?? []), part])
  return { byKind, byId: new Map(parts.map((part) => [part.id, part])) }
})

export const partsOf = <K extends Part['kind']>(system: System, kind: K): readonly PartOf<K>[] =>
  (partsIn.of(system).byKind.get(kind) ?? []) as readonly Part[] as readonly PartOf<K>[]

export const partById = (system: System, id: PartId): Part | undefined => partsIn.of(system).byId.get(id)

export const cableById = (system: System, id: CableId | null): Cable | undefined => system.cables.find((cable) => cable.id === id)

/** The walk between two places, whichever way it was written down. */
export const walkBetween = (walks: System['walks'], from: string, to: string): System['walks'][number] | undefined =>
  walks.find(({ between }) => between.includes(from) && between.includes(to))

export function placeById(system: System, id: PlaceId): Place | undefined {
  return system.places.find((place) => place.id === id)
}

/** The first thermostat, fuse or transformer: that of the house where there are several. The schema assures there is at least one. */
export function firstPart<K extends 'thermostat' | 'fuse' | 'transformer'>(system: System, kind: K): PartOf<K> {
  const part = partsOf(system, kind)[0]
  if (!part) throw new Error(`system ${system.id} has no ${kind}`)
  return part
}

/** Fuses and breakers of the 24 V side beyond the transformer's first: a zone panel's, one fitted in the line later. */
export const furtherFuses = (system: System): readonly PartOf<'fuse'>[] => partsOf(system, 'fuse').slice(1)

export const callsOf = (system: System): CallName[] =>
  callNames.filter((call) => partsOf(system, 'thermostat').some(({ calls }) => calls[call] !== undefined))

/** The thermostat at which a call is made: each zone has its own. */
export const callerOf = (system: System, call: CallName | 'off'): PartOf<'thermostat'> =>
  partsOf(system, 'thermostat').find(({ calls }) => call !== 'off' && calls[call] !== undefined) ?? firstPart(system, 'thermostat')

/** Zones in the order of the wiring: thermostat, stat cable, then the next zone's, panel, indoor unit, outdoor cable, outdoor unit. */
export function zonesOf(system: System): { id: string; name: string; kind: 'place' | 'cable' }[] {
  const order: { id: string; name: string; kind: 'place' | 'cable' }[] = []
  const rank = { thermostat: 0, 'zone-panel': 1, indoor: 2, package: 2, outdoor: 3 }
  const places = [...system.places].sort((a, b) => rank[a.kind] - rank[b.kind])
  const position = (id: string) => places.findIndex((place) => place.id === id)
  const nearEnd = ({ between: [a, b] }: Cable) => Math.min(position(a), position(b))
  places.forEach((place, index) => {
    order.push({ id: place.id, name: place.name, kind: 'place' })
    for (const cable of system.cables) if (nearEnd(cable) === index) order.push({ id: cable.id, name: cable.name, kind: 'cable' })
  })
  return order
}

export function zoneName(system: System, zone: string): string {
  return placeById(system, zone)?.name ?? cableById(system, zone)?.name ?? zone
}
