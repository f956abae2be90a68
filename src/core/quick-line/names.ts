import type { Bench } from '@/src/core/bench/bench'
import { leadNames } from '@/src/core/bench/points'
import { Memo } from '@/src/core/units/cache'
import type { CableId, PlaceId } from '@/src/core/wiring/ids'
import { CHASSIS, conductorEnd, type Point, terminalPoint } from '@/src/core/wiring/point'
import type { Place } from '@/src/core/wiring/system'
import { placeById, type System } from '@/src/core/wiring/system'

/** What people call things, against what the system calls them. */

export const GROUND_WORDS = ['gnd', 'ground', 'earth', 'chassis', 'metal', 'case', 'frame', 'cabinet', 'casing']

export const isGroundWord = (word: string): boolean => GROUND_WORDS.includes(word.toLowerCase())

const placeAliases = new Map([
  ['stat', 'thermostat'],
  ['tstat', 'thermostat'],
  ['inside', 'indoor'],
  ['furnace', 'indoor'],
  ['attic', 'indoor'],
  ['outside', 'outdoor'],
  ['condenser', 'outdoor'],
])
const partAliases = new Map([
  ['stat', 'thermostat'],
  ['thermostat', 'thermostat'],
])

/** A place by its id, its name, or the first letters of either; of several of one kind the one where one stands, else the first. */
export function findPlace(system: System, word: string, standing: string | null = null): string | null {
  const lower = word.toLowerCase()
  const exact = system.places.find((place) => place.id === lower || place.name.toLowerCase() === lower)
  if (exact) return exact.id
  const ofKind = placesOfKind(system, lower)
  if (ofKind.length > 0) return (ofKind.find(({ id }) => id === standing) ?? ofKind[0]).id
  const starting = system.places.filter((place) => lower.length > 2 && place.id.startsWith(lower))
  return starting.length === 1 ? starting[0].id : null
}

/** The places that go by a word for their kind: both thermostats of two zones. */
export const placesOfKind = (system: System, word: string): readonly Place[] =>
  system.places.filter(({ kind }) => kind === placeAliases.get(word.toLowerCase()))

export function findCable(system: System, word: string): string | null {
  const lower = /^(?:thermostat|tstat|t-stat)$/i.test(word) ? 'stat' : word.toLowerCase()
  const found = system.cables.find((cable) => cable.id === lower || cable.id === `${lower}-cable` || cable.name.toLowerCase() === lower)
  return found?.id ?? null
}

/** A part by its id, or by its id without the dash. */
export function findPart(system: System, word: string): string | null {
  const lower = word.toLowerCase()
  const found = system.parts.find((part) => part.id === lower || part.name.toLowerCase() === lower)
  if (found) return found.id
  // Of several that answer to a word nobody knows which one is meant.
  const [one, another] = system.parts.filter((part) => part.kind === partAliases.get(lower))
  return one && !another ? one.id : null
}

/** Every word with a dash in it that means one thing here. */
const dashedOf = new Memo((system: System): ReadonlySet<string> => {
  const names = new Set<string>()
  for (const cable of system.cables) {
    names.add(cable.id)
    for (const conductor of cable.conductors) {
      names.add(`${cable.id}.${conductor.id}`)
      for (const place of cable.between) names.add(`${cable.id}.${conductor.id}@${place}`)
    }
  }
  for (const part of system.parts) names.add(part.id)
  for (const place of system.places) names.add(place.id)
  for (const place of system.places)
    for (const lead of leadNames(system, place.id)) {
      names.add(lead)
      names.add(`${lead}@${place.id}`)
    }
  return new Set([...names].filter((name) => name.includes('-')))
})

export const dashedNames = (system: System): ReadonlySet<string> => dashedOf.of(system)

/** A terminal or lead at a place, letters in any case; null when the place has none such. */
export function findLead(system: System, word: string, place: PlaceId): Point | null {
  if (isGroundWord(word)) return placeById(system, place)?.metal ? terminalPoint(CHASSIS, place) : null
  const names = leadNames(system, place)
  const found = names.find((name) => name === word) ?? names.find((name) => name.toLowerCase() === word.toLowerCase())
  return found ? terminalPoint(found, place) : null
}

/** Conductor ends at a place that serve a terminal, or are called by their id or colour. */
export function findEnds(system: System, word: string, place: PlaceId, cable: CableId | null): Point[] {
  const lower = word.toLowerCase()
  return system.cables
    .filter((candidate) => candidate.between.includes(place) && (cable === null || candidate.id === cable))
    .flatMap((candidate) => {
      const byId = candidate.conductors.filter(
        (conductor) => conductor.id.toLowerCase() === lower || conductor.lands[candidate.between.indexOf(place)]?.toLowerCase() === lower,
      )
      const matching = byId.length > 0 ? byId : candidate.conductors.filter((conductor) => conductor.colour === lower)
      return matching.map((conductor) => conductorEnd(candidate.id, conductor.id, place))
    })
}

export const isLifted = (bench: Bench, end: Point): boolean => bench.lifted.includes(end)
