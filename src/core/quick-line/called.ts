import { leadNames } from '@/src/core/bench/points'
import { Memo } from '@/src/core/units/cache'
import type { Place, System } from '@/src/core/wiring/system'

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
