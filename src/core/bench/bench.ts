import type { z } from 'zod'
import type { benchChangeSchema } from '@/src/core/bench/change-schema'
import type { callSettings, slotContents } from '@/src/core/bench/settings'
import { Memo } from '@/src/core/units/cache'
import type { CableId, PartId, PlaceId } from '@/src/core/wiring/ids'
import type { Point } from '@/src/core/wiring/point'
import { firstPart, partById, type System } from '@/src/core/wiring/system'

/** One change of the bench, as the technician does it. */
export type BenchChange = z.infer<typeof benchChangeSchema>

export interface Slot {
  readonly holds: 'as-found' | (typeof slotContents)[number]
  readonly ratingA: number
  /** Known to be open: a fuse that was seen or recorded blown, a breaker that tripped and was not reset, nothing in it. */
  readonly open: boolean
}

/** What is in the place of another fuse than the transformer's first: a zone panel's, one fitted in the line later. */
export interface FurtherSlot extends Slot {
  readonly part: PartId
}

export interface Jumper {
  readonly a: Point
  readonly b: Point
  /** A resistor of known value, in only while the power is off; left out, a clip lead. */
  readonly ohm?: number
}

/** A conductor whose place another of its cable has taken: a spare, at both ends or on a section of the way, or one in use, as a test. */
export interface Swap {
  readonly cable: CableId
  readonly from: string
  readonly to: string
  /** The places along the run between which the spare serves, with a joint at each; left out where it serves the whole way. */
  readonly section?: readonly [string, string]
  /** The other is in use, and takes the places of this one while this one takes its own. */
  readonly exchange?: true
  /** An exchange at one end only; left out where it is made at both. */
  readonly at?: PlaceId
  /** It stays so: it was recorded as the repair. */
  readonly kept: boolean
}

/** What is changed from normal right now. */
export interface Bench {
  readonly power: boolean
  readonly call: (typeof callSettings)[number]
  readonly lifted: readonly Point[]
  readonly unplugged: readonly PartId[]
  readonly jumpers: readonly Jumper[]
  readonly swaps: readonly Swap[]
  readonly slot: Slot
  /** Further fuses and breakers of the house that are not as they were found; left out where all are. */
  readonly further?: readonly FurtherSlot[]
  readonly panelsOff: readonly string[]
  /** Where the technician stands. */
  readonly place: PlaceId
  /** Thermostats that have shown an over-current code: this house's are of the kind that opens its outputs. Left out where none has. */
  readonly guards?: readonly string[]
  /** How long it has stood so; left out, as long as usual. Only a bench that was read on says so. */
  readonly since?: Since
}

// One list for all benches without a swap: what hangs on it is not worked out again.
const NONE: readonly Swap[] = []

/** The bench as the technician finds it: power on, nothing called, standing at the indoor unit. */
export function createBench(system: System): Bench {
  const fuse = system.parts.find((part) => part.kind === 'fuse')
  return {
    power: true,
    call: 'off',
    lifted: [],
    unplugged: [],
    jumpers: [],
    swaps: NONE,
    slot: { holds: 'as-found', ratingA: fuse?.kind === 'fuse' ? fuse.ratingA : 3, open: false },
    panelsOff: [],
    place: fuse?.place ?? system.places[0].id,
  }
}

/** The bench of a house in which this thermostat was seen to guard its outputs. */
export const guardedBy = (bench: Bench, thermostat: PartId): Bench =>
  bench.guards?.includes(thermostat) ? bench : { ...bench, guards: [...(bench.guards ?? []), thermostat].sort() }

/** What is in the place of a fuse or breaker of the system, by its part. */
export function slotOf(system: System, bench: Pick<Bench, 'slot' | 'further'>, part: PartId): Slot {
  if (part === firstPart(system, 'fuse').id) return bench.slot
  const found = bench.further?.find((slot) => slot.part === part)
  const built = partById(system, part)
  return found ?? { holds: 'as-found', ratingA: built?.kind === 'fuse' ? built.ratingA : 3, open: false }
}

/** The bench with something else in the place of a fuse. */
export function withSlot(system: System, bench: Bench, part: PartId, slot: Slot): Bench {
  if (part === firstPart(system, 'fuse').id) return { ...bench, slot }
  const others = (bench.further ?? []).filter((other) => other.part !== part)
  return { ...bench, further: [...others, { ...slot, part }].sort((a, b) => a.part.localeCompare(b.part)) }
}

/** What trips or holds was closed before it did, whatever was told of it until then. */
export function withClosed(system: System, bench: Bench, part: PartId): Bench {
  const slot = slotOf(system, bench, part)
  return slot.open ? withSlot(system, bench, part, { ...slot, open: false }) : bench
}

/** Same electrical bench, whoever stands wherever: the key under which predictions are kept. */
export const benchKey = (bench: Bench): string => keysOf.of(bench).whole

/** The same whatever is called: the key under which networks are kept. */
export const wiringKey = (bench: Bench): string => keysOf.of(bench).wiring

/** All that a bench is, with what is called while the power is off and where the technician stands: the key under which ways are kept. */
export const standingKey = (bench: Bench): string =>
  `${benchKey(bench)} | ${bench.call} | ${[...bench.panelsOff].sort().join(',')} | ${bench.place}`

// Asked many thousand times while checks are ranked; a bench never changes once it is made.
const keysOf = new Memo((bench: Bench) => {
  const jumpers = bench.jumpers.map(({ a, b, ohm = '' }) => `${[a, b].sort().join('=')}${ohm}`).sort()
  const changes = [
    [...bench.lifted].sort().join(','),
    [...bench.unplugged].sort().join(','),
    jumpers.join(','),
    bench.swaps
      .map(
        ({ cable, from, to, section, exchange, at = '' }) =>
          `${cable}.${from}>${to}${section ? ' section' : ''}${exchange ? ` exchange ${at}` : ''}`,
      )
      .sort()
      .join(','),
    `${bench.slot.holds} ${bench.slot.ratingA} ${bench.slot.open ? 'open' : 'closed'}`,
    ...(bench.further ?? []).map(({ part, holds, ratingA, open }) => `${part} ${holds} ${ratingA} ${open ? 'open' : 'closed'}`),
  ].join(' | ')
  const { since, guards } = bench
  const guarded = guards ? ` | guards ${guards.join(',')}` : ''
  const minutes = since && bench.power ? ` | ${since.call} ${since.power}` : ''
  return {
    whole: `${bench.power ? `live ${bench.call}` : 'off'} | ${changes}${guarded}${minutes}`,
    wiring: `${bench.power ? 'live' : 'off'} | ${changes}`,
  }
})

/** A resistor of known value, not a clip lead. */
export const isResistor = ({ ohm }: Jumper): boolean => ohm !== undefined

/** The bench with the resistors out: nothing else is looked for with them in, and no power goes on. */
export const withoutResistors = (bench: Bench): Bench =>
  bench.jumpers.some(isResistor) ? { ...bench, jumpers: bench.jumpers.filter((jumper) => !isResistor(jumper)) } : bench

export const isSameJumper = (jumper: Jumper, a: Point, b: Point): boolean =>
  (jumper.a === a && jumper.b === b) || (jumper.a === b && jumper.b === a)

/**
 * How long a bench has stood as it does when it is read: what a delay of a board, a warming joint or a purge makes of a reading hangs on
 * it, and most of those minutes are the search's own acts. Told in stretches, since nobody holds a stop-watch.
 */
export interface Since {
  /** The call: just made, a minute or two ago, minutes ago, or longer than any delay runs. */
  readonly call: 'moment' | 'minute' | 'minutes' | 'long'
  /** The power: put back so lately that delays still run, or long ago. */
  readonly power: 'fresh' | 'long'
}
