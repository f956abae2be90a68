import type { Swap } from '@/src/core/bench/bench'
import { conductorEnd, type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { type Cable, type Conductor, cableById, type System } from '@/src/core/wiring/system'

/**
 * A conductor on a spare: an experiment (does the fault follow the conductor, or stay?), and often the repair. Where no spare is left two
 * conductors in use change places, as the experiment alone.
 */

const conductorOf = (cable: Cable | undefined, id: string): Conductor | undefined =>
  cable?.conductors.find((conductor) => conductor.id === id)

/** Conductors of a cable that are landed at neither end. */
export const sparesOf = (cable: Cable): Conductor[] => cable.conductors.filter(({ lands }) => lands.every((terminal) => terminal === null))

/** Null when a conductor can go on that spare now, else a sentence. */
export function problemWithSwap(system: System, swaps: readonly Swap[], wanted: Omit<Swap, 'kept'>): string | null {
  const { cable: id, from, to, section } = wanted
  const cable = cableById(system, id)
  if (!cable) return `There is no cable "${id}". Cables here: ${system.cables.map((one) => one.id).join(', ')}.`
  const taken = conductorOf(cable, from)
  if (!taken) return `The ${cable.name} has no conductor "${from}". It has ${cable.conductors.map((one) => one.id).join(', ')}.`
  if (taken.lands.some((terminal) => terminal === null))
    return `${from} of the ${cable.name} serves nothing at one end: there is nothing to swap.`
  const free = sparesOf(cable).filter((spare) => !swaps.some((swap) => swap.cable === id && swap.to === spare.id))
  if (!free.some((spare) => spare.id === to))
    return free.length === 0
      ? `The ${cable.name} has no free spare.`
      : `${to} of the ${cable.name} is not a free spare. Free: ${free.map((spare) => spare.id).join(', ')}.`
  const made = swaps.find((swap) => swap.cable === id && (swap.from === from || (swap.exchange && swap.to === from)))
  if (made) return made.exchange ? sayExchanged(cable, made) : `${from} of the ${cable.name} is on a spare already.`
  return section && isSamePlace(...section) ? `A section has two ends: "${section[0]}" is said for both.` : null
}

const sayExchanged = ({ name }: Cable, { from, to }: Swap): string =>
  `${from} and ${to} of the ${name} are exchanged already: put them back first, "swap back ${from}".`

/** What carries the supply: exchanged at one end only it would put hot on common, or on an output. */
const SUPPLY = /^(?:R[ch]?\d?|C\d?)$/

/** Null when two conductors can change places now, else a sentence. `at`: at that end only. */
export function problemWithExchange(
  system: System,
  bench: { readonly swaps: readonly Swap[] },
  { cable: id, from, to, at }: { readonly cable: string; readonly from: string; readonly to: string; readonly at?: string },
): string | null {
  const cable = cableById(system, id)
  if (!cable) return `There is no cable "${id}". Cables here: ${system.cables.map((one) => one.id).join(', ')}.`
  const two = [from, to].map((one) => conductorOf(cable, one))
  const missing = [from, to].find((_, index) => two[index] === undefined)
  if (missing !== undefined)
    return `The ${cable.name} has no conductor "${missing}". It has ${cable.conductors.map((one) => one.id).join(', ')}.`
  if (from === to) return 'Name two different conductors to exchange.'
  const loose = two.find((one) => one?.lands.some((terminal) => terminal === null))
  if (loose) return `${loose.id} of the ${cable.name} is in use at neither end, or at one: swap to it instead, "swap ${from} to ${to}".`
  if (at !== undefined && !cable.between.includes(at)) return `The ${cable.name} does not go to "${at}".`
  const made = bench.swaps.find((swap) => swap.cable === id && [swap.from, swap.to].some((one) => one === from || one === to))
  if (made) return made.exchange ? sayExchanged(cable, made) : `${made.from} of the ${cable.name} is on a spare: swap it back first.`
  const supply = at === undefined ? undefined : two.find((one) => one?.lands.some((terminal) => SUPPLY.test(terminal ?? '')))
  return supply
    ? `${supply.id} carries the supply: exchanged at one end it would stand on an output. Exchange it at both ends. Nothing was changed.`
    : null
}

const isSamePlace = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase()

/** The landings that a swap moves: the end that comes off, the spare's end that takes its place, and their terminal. None on a section. */
export function landingsOfSwap(system: System, { cable: id, from, to, section, exchange, at }: Swap): SwapLanding[] {
  if (section) return []
  const cable = cableById(system, id)
  const takes = (off: string, on: string): SwapLanding[] =>
    (conductorOf(cable, off)?.lands ?? []).flatMap((terminal, side) => {
      const place = cable?.between[side]
      if (terminal === null || place === undefined || (at !== undefined && at !== place)) return []
      return [{ off: conductorEnd(id, off, place), on: conductorEnd(id, on, place), terminal: terminalPoint(terminal, place) }]
    })
  return exchange ? [...takes(from, to), ...takes(to, from)] : takes(from, to)
}

interface SwapLanding {
  readonly off: Point
  readonly on: Point
  readonly terminal: Point
}

/** The wiring as it is landed now: what serves what once the swaps are made. */
export function wiredNow(system: System, made: readonly Swap[]): System {
  const swaps = made.filter(({ section }) => !section)
  if (swaps.length === 0) return system
  return {
    ...system,
    cables: system.cables.map((cable) => ({
      ...cable,
      conductors: cable.conductors.map((conductor): Conductor => {
        const swap = swaps.find((one) => one.cable === cable.id && (one.from === conductor.id || one.to === conductor.id))
        if (!swap) return conductor
        if (swap.exchange) {
          const other = conductorOf(cable, swap.from === conductor.id ? swap.to : swap.from)
          const land = (side: 0 | 1) =>
            (swap.at === undefined || swap.at === cable.between[side] ? other?.lands[side] : conductor.lands[side]) ?? null
          return { ...conductor, lands: [land(0), land(1)] }
        }
        const lands = swap.to === conductor.id ? conductorOf(cable, swap.from)?.lands : undefined
        return { ...conductor, lands: lands ?? [null, null] }
      }),
    })),
  }
}

/** The swap that took a conductor's end off its terminal, if one did. */
export const swapAt = (swaps: readonly Swap[], end: Point): Swap | undefined => {
  const { cable, name } = parsePoint(end)
  return swaps.find((swap) => swap.cable === cable && (swap.from === name || swap.to === name))
}

/** Whether a conductor's end is off its terminal because a spare serves in its place. */
export function servesElsewhere(swaps: readonly Swap[], end: Point): boolean {
  const swap = swapAt(swaps, end)
  return swap?.from === parsePoint(end).name && !swap.section && !swap.exchange
}
