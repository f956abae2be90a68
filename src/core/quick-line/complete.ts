import { leadNames } from '@/src/core/bench/points'
import { type QuickLineContext, readInGrammar } from '@/src/core/quick-line/in-grammar'
import { callsOf, type System } from '@/src/core/wiring/system'

/** Words that begin a line, and words that stand within one. */
const OPENERS = [
  'volts',
  'ohms',
  'across',
  'max',
  'power',
  'call',
  'set',
  'walk',
  'lift',
  'land',
  'jumper',
  'unjumper',
  'unplug',
  'plug',
  'panel',
  'swap',
  'unswap',
  'exchange',
  'breaker',
  'fuse',
  'slot',
  'reset',
  'trip',
  'holds',
  'landings',
  'look',
  'repaired',
  'proved',
  'note',
  'complaint',
  'leave',
  'offer',
  'customer',
  'run',
  'landmark',
  'cap',
  'loop',
  'nulled',
  'far',
  'damage',
  'skip',
  'way',
  'undo',
  'close',
] as const
const WITHIN = ['on', 'off', 'in', 'out', 'at', 'to', 'and', 'then', 'trips', 'holds', 'zone', 'lifted', 'good', 'blown', 'open'] as const

/** A word may end a line so; what is missing after it is no mistake yet. */
const isWordEnd = /[^A-Za-z0-9/.@-]/

/** Whole lines that the one being typed may become, the likeliest first: only words that this system knows and that fit where they stand. */
export function completeLine(line: string, context: QuickLineContext, most = 4): string[] {
  const start = wordStart(line)
  const typed = line.slice(start).toLowerCase()
  if (typed === '') return []
  const isFirst = line.slice(0, start).trim() === '' || /(;|\bthen)\s*$/i.test(line.slice(0, start))
  const words = isFirst ? [...OPENERS, ...namesOf(context.system)] : [...namesOf(context.system), ...WITHIN, ...OPENERS]
  const fitting = [...new Set(words)]
    .filter((word) => word.toLowerCase().startsWith(typed) && word.toLowerCase() !== typed)
    .flatMap((word) => {
      const made = line.slice(0, start) + word
      const read = readInGrammar(made, context)
      // Understood, or understood so far: what fails is what has not been typed yet.
      return read.ok ? [{ made, rank: 0 }] : read.start >= made.length ? [{ made, rank: 1 }] : []
    })
  return fitting
    .sort((a, b) => a.rank - b.rank)
    .slice(0, most)
    .map(({ made }) => made)
}

/** Where the word at the end of the line begins; a dash between two points begins a new one. */
function wordStart(line: string): number {
  let at = line.length
  while (at > 0 && !isWordEnd.test(line[at - 1])) at--
  const word = line.slice(at)
  const dash = word.lastIndexOf('-')
  return dash > 0 && /^[A-Z][A-Za-z0-9]*-/.test(word) ? at + dash + 1 : at
}

/** Everything in the system that a line can name. */
function namesOf(system: System): string[] {
  return [
    ...system.places.flatMap(({ id, terminals }) => [id, ...terminals]),
    ...system.cables.flatMap(({ id, conductors }) => [id.replace(/-cable$/, ''), ...conductors.map((conductor) => conductor.id)]),
    ...system.parts.map(({ id }) => id),
    ...system.places.flatMap(({ id }) => leadNames(system, id)),
    ...callsOf(system).filter((call) => !call.includes('-')),
  ]
}
