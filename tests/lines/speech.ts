import type { BenchChange } from '@/src/core/bench/bench'
import type { Random } from '@/src/core/units/random'
import { systemById } from '@/src/core/wiring/systems/catalogue'

/** One line as somebody might say it, the bench it is said on, and the line of the grammar that it means. */
export interface SaidLine {
  readonly system: string
  readonly before: readonly BenchChange[]
  readonly said: string
  readonly means: string
}

export type Speaker = (random: Random) => SaidLine

export const pumps = ['heat-pump-o', 'heat-pump-b', 'furnace-ac', 'dual-fuel'] as const

/** Short words for a place, by its kind; each as it is said of where a reading is taken. */
const places = {
  thermostat: ['thermostat', 'stat', 'tstat', 'wall'],
  indoor: ['furnace', 'air handler', 'attic', 'indoor unit'],
  outdoor: ['condenser', 'outdoor unit', 'heat pump'],
} as const
export type Kind = keyof typeof places
export const kinds = Object.keys(places) as Kind[]

export function placeOf(system: string, kind: Kind): string {
  const found = systemById(system)?.places.find((place) => place.kind === kind)
  if (!found) throw new Error(`${system} has no ${kind}`)
  return found.id
}

/** At a place, with the power on or off. */
export const standingAt = (place: string, isDead = false): BenchChange[] => [
  { do: 'walk', place },
  ...(isDead ? [{ do: 'power', on: false } as const] : []),
]

export const standing = (system: string, kind: Kind, isDead = false): BenchChange[] => standingAt(placeOf(system, kind), isDead)

export const fill = (form: string, words: Readonly<Record<string, string>>): string =>
  form.replace(/\{(\w+)\}/g, (_, name) => words[name] ?? '')

/** A word that this house's place goes by: a furnace has no heat pump, a heat pump has. */
export function wordFor(system: string, kind: Kind, random: Random): string {
  const fits = (word: string) =>
    !(word === 'heat pump' && system === 'furnace-ac') &&
    !(word === 'furnace' && system.startsWith('heat-pump')) &&
    !(word === 'air handler' && !system.startsWith('heat-pump'))
  return random.pick(places[kind].filter(fits))
}
