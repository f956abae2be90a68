import { leadNames } from '@/src/core/bench/points'
import { Memo } from '@/src/core/units/cache'
import { DisjointSet } from '@/src/core/units/disjoint-set'
import { pathsOf } from '@/src/core/wiring/conduction'
import type { PlaceId } from '@/src/core/wiring/ids'
import { type Point, terminalPoint } from '@/src/core/wiring/point'
import { type Place, partsOf, type System } from '@/src/core/wiring/system'

/** By what words parts, terminals and places of a system are called. */

/** A name without what kind of thing it is. */
export const bare = (name: string): string => name.replaceAll('-', ' ').replace(/ (switch|relay|motor|coil|sensor|pressure switch)$/, '')

/** Every part by its name and id, with and without what kind of thing it is. */
export const calledOf = new Memo((system: System) =>
  system.parts.map(({ id, name }) => ({
    id,
    forms: [name.toLowerCase(), name.toLowerCase().split(' of ')[0], id, bare(name.toLowerCase()), bare(id)],
  })),
)

/** Every terminal of a system, and every lead with a dash in its name, by how it is typed in small letters. */
export const lettersOf = new Memo(
  (system: System) =>
    new Map(
      [
        ...system.places.flatMap(({ id }) => leadNames(system, id).filter((name) => /^(?:[A-Z]\d?-|L\d$|N$)/.test(name))),
        ...system.places.flatMap(({ terminals }) => terminals),
      ].map((name) => [name.toLowerCase(), name]),
    ),
)

export const placeKinds: readonly { readonly says: RegExp; readonly kind: readonly Place['kind'][] }[] = [
  {
    says: /^(out|outside|outdoor|outdoors|outdoor unit|outside unit|condenser|condensing unit|heat pump|yard)$/,
    kind: ['outdoor', 'package'],
  },
  {
    says: /^(inside|indoor|indoors|indoor unit|furnace|air handler|attic|basement|closet|garage|crawlspace)$/,
    kind: ['indoor', 'package'],
  },
  { says: /^(roof|rooftop|rooftop unit|package unit|unit)$/, kind: ['package'] },
  { says: /^(stat|tstat|t-stat|hall|hallway|wall)$/, kind: ['thermostat'] },
  { says: /^(panel|zone panel|zone board)$/, kind: ['zone-panel'] },
]

/** The coil of a place that a letter calls there, straight or through switches in a row, by what kind of thing it is. */
export function calledCoil(system: System, place: PlaceId, letter: string, kind: string): string | null {
  const wires = new DisjointSet<Point>()
  for (const part of partsOf(system, 'switch')) for (const { joins } of pathsOf(part)) wires.join(...joins)
  const called = terminalPoint(letter.toUpperCase(), place)
  const coils = partsOf(system, 'coil').filter(
    (coil) => coil.place === place && isOfKind(coil.role, kind) && wires.isJoined(called, terminalPoint(coil.between[0], place)),
  )
  return coils.length === 1 ? coils[0].id : null
}

const isOfKind = (role: string, kind: string): boolean => kind === 'coil' || role === kind || role.endsWith(`-${kind}`)
