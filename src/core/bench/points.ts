import { leadsOf } from '@/src/core/wiring/conduction'
import type { PlaceId } from '@/src/core/wiring/ids'
import { type PartOf, watchedFor } from '@/src/core/wiring/part'
import { CHASSIS, type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { cableById, partsOf, placeById, type System } from '@/src/core/wiring/system'

/** Every lead name that a part uses at a place, terminals and chassis included. */
export function leadNames(system: System, place: PlaceId): string[] {
  const names = new Set<string>(placeById(system, place)?.terminals ?? [])
  for (const part of system.parts) {
    if (part.place !== place) continue
    for (const { name } of leadsOf(part)) names.add(name)
  }
  if (placeById(system, place)?.metal) names.add(CHASSIS)
  return [...names]
}

/** The part that a point is an own lead of; null for every other point. */
export function pinOf(system: System, point: Point): PartOf<'switch'> | PartOf<'coil'> | null {
  const { cable, name, place } = parsePoint(point)
  if (cable === null || (name !== '1' && name !== '2')) return null
  const part = system.parts.find((candidate) => candidate.id === cable && candidate.place === place)
  return part?.kind === 'switch' || part?.kind === 'coil' ? part : null
}

/** Null when the point exists in the system, else a sentence that says what there is instead. */
export function problemWithPoint(system: System, point: Point): string | null {
  const { cable, name, place } = parsePoint(point)
  if (!placeById(system, place)) return `There is no place "${place}". Places here: ${system.places.map((p) => p.id).join(', ')}.`
  if (cable === null) {
    const names = leadNames(system, place)
    if (names.includes(name)) return null
    return `There is no "${name}" at the ${placeById(system, place)?.name}. It has ${names.join(', ')}.`
  }
  const pinned = pinOf(system, point)
  if (pinned) return null
  const found = cableById(system, cable)
  if (!found) return `There is no cable "${cable}". Cables here: ${system.cables.map((c) => c.id).join(', ')}.`
  if (!found.between.includes(place)) return `The ${found.name} does not reach the ${placeById(system, place)?.name}.`
  if (!found.conductors.some((conductor) => conductor.id === name))
    return `The ${found.name} has no conductor "${name}". It has ${found.conductors.map((c) => c.id).join(', ')}.`
  return null
}

/** Where a conductor's end is landed in the template; null for a spare. */
export function landingOf(system: System, end: Point): Point | null {
  const { cable, name, place } = parsePoint(end)
  const found = cableById(system, cable)
  const terminal = found?.conductors.find((conductor) => conductor.id === name)?.lands[found.between.indexOf(place)]
  return terminal ? terminalPoint(terminal, place) : null
}

export function sayPoint(system: System, point: Point): string {
  const { cable, name, place } = parsePoint(point)
  const placeName = placeById(system, place)?.name ?? place
  const pinned = pinOf(system, point)
  if (pinned) return `own lead ${name} of the ${pinned.name} at the ${placeName}`
  if (cable !== null) {
    const found = cableById(system, cable)
    const conductor = found?.conductors.find((candidate) => candidate.id === name)
    const colour = conductor && conductor.colour !== conductor.id && conductor.colour !== 'unknown' ? ` (${conductor.colour})` : ''
    return `${name}${colour} of the ${found?.name ?? cable} at the ${placeName}`
  }
  return `${sayLead(system, name, place)} at the ${placeName}`
}

/** A lead between two parts is called after them: "lead from high-pressure switch to low-pressure switch". */
export function sayLead(system: System, name: string, place: PlaceId): string {
  if (name === CHASSIS) return 'chassis'
  if (placeById(system, place)?.terminals.includes(name)) return name
  for (const part of system.parts) {
    if (part.place !== place) continue
    if (part.kind === 'transformer' && part.secondary.includes(name))
      return `${part.name} secondary, ${name === part.secondary[0] ? 'hot' : 'common'} side`
    const tap = part.kind === 'transformer' ? part.taps?.find(({ lead }) => lead === name) : undefined
    if (tap) return `${tap.volts} V lead of the ${part.name}`
  }
  // The line's own nodes keep their letters.
  if (
    partsOf(system, 'supply').some((part) => part.place === place && (part.neutral === name || part.legs.some(({ node }) => node === name)))
  )
    return name
  const door = partsOf(system, 'switch').find((part) => part.place === place && part.role === 'door' && part.between[1] === name)
  if (door) {
    const poles = partsOf(system, 'disconnect').flatMap((part) => (part.place === place ? part.poles : []))
    return `${poles.find(([, after]) => after === door.between[0])?.[0] ?? door.between[0]} after the ${door.name}`
  }
  for (const part of system.parts) {
    if (part.kind !== 'disconnect' || part.place !== place) continue
    const pole = part.poles.find(([, after]) => after === name)
    if (pole) return `${pole[0]} after the ${part.name}`
  }
  const parts = system.parts.filter(
    (part) =>
      part.place === place &&
      (('between' in part && (part.between as string[]).includes(name)) ||
        (part.kind === 'coil' && part.contact?.includes(name)) ||
        (part.kind === 'board' && part.outputs.some((output) => output.to === name || watchedFor(output).includes(name)))),
  )
  if (parts.length >= 2) return `lead from ${parts[0].name} to ${parts[1].name}`
  return name
}
