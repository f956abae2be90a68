import type { Bench, BenchChange } from '@/src/core/bench/bench'
import { bypassedBy } from '@/src/core/bench/caution'
import { sayPoint } from '@/src/core/bench/points'
import { isFurtherOdd, pluggedOf, sayConductor, sayExchange, sayFurther, sayPair, saySection } from '@/src/core/bench/say'
import { modelValue } from '@/src/core/units/model-value'
import { sayOhms } from '@/src/core/units/quantity'
import { sayCall } from '@/src/core/wiring/call'
import type { PlaceId } from '@/src/core/wiring/ids'
import { parsePoint } from '@/src/core/wiring/point'
import {
  cableById,
  callerOf,
  firstPart,
  isUnknown,
  partById,
  partsOf,
  placeById,
  type System,
  sayRightFuse,
} from '@/src/core/wiring/system'

/** One thing that the bench still owes before the job may close, and the change that pays it. */
export interface Owed {
  readonly what: 'jumper' | 'bypass' | 'swap' | 'lifted' | 'unplugged' | 'slot' | 'panel' | 'power' | 'call'
  readonly place: PlaceId
  readonly say: string
  readonly putBack: BenchChange
  /** Where the size on the label has not been looked at: how each size is put back. The hand that reads the label says which. */
  readonly sizes?: readonly { readonly ratingA: number; readonly putBack: BenchChange }[]
}

/** Fuses that 24 V sides are built with. */
const FUSE_SIZES = modelValue({ value: [3, 5], unit: 'A', source: 'engine.md section 1' })

/** The put-back list, in the order in which hands should do it: what can hurt first. */
export function owedBy(system: System, bench: Bench): Owed[] {
  const owed: Owed[] = []
  for (const { a, b, ohm } of bench.jumpers) {
    // A resistor carries nothing while the power is off, and is out before it goes on.
    const names = ohm === undefined ? bypassedBy(system, { a, b }).map(({ name }) => name) : []
    const bypassed = names.length === 0 ? null : `${names.join(' and ')} ${names.length === 1 ? 'is' : 'are'} bypassed`
    owed.push({
      what: bypassed ? 'bypass' : 'jumper',
      place: parsePoint(a).place,
      say: bypassed ?? `${ohm === undefined ? 'jumper' : `resistor ${sayOhms(ohm)} from`} ${sayPair(system, a, b)}`,
      putBack: { do: 'unjumper', a, b },
    })
  }
  for (const end of bench.lifted)
    owed.push({ what: 'lifted', place: parsePoint(end).place, say: `${sayPoint(system, end)} is lifted`, putBack: { do: 'land', end } })
  for (const swap of bench.swaps) {
    const { cable, from, to, section, kept } = swap
    if (kept) continue
    const found = cableById(system, cable)
    owed.push({
      what: 'swap',
      place: swap.at ?? found?.between[0] ?? '',
      say: swap.exchange
        ? `${sayExchange(system, swap)}: put them back`
        : `${sayConductor(found, from)} is on ${sayConductor(found, to)} of the ${found?.name ?? cable}${section ? ` ${saySection(section)}` : ''}: swap back, or record it as the repair`,
      putBack: { do: 'unswap', cable, from, ...(swap.exchange && { to: swap.to }) },
    })
  }
  for (const id of bench.unplugged) {
    const { name, leads } = pluggedOf(system, id)
    const say = leads ? `The ${leads} of the ${name} are off` : `${name} is unplugged`
    owed.push({ what: 'unplugged', place: partById(system, id)?.place ?? '', say, putBack: { do: 'plug', part: id } })
  }
  const fuse = firstPart(system, 'fuse')
  const goesIn = (ratingA: number): BenchChange => ({ do: 'slot', holds: 'fuse', ratingA })
  const rightFuse: Pick<Owed, 'putBack' | 'sizes'> = {
    putBack: goesIn(fuse.ratingA),
    ...(isUnknown(system, 'fuse') && { sizes: FUSE_SIZES.map((ratingA) => ({ ratingA, putBack: goesIn(ratingA) })) }),
  }
  const isBuiltBreaker = fuse.holds === 'breaker' && (bench.slot.holds === 'breaker' || bench.slot.holds === 'as-found')
  if (
    bench.slot.holds !== 'as-found' &&
    !isBuiltBreaker &&
    (bench.slot.holds !== 'fuse' || (bench.slot.ratingA !== fuse.ratingA && !isUnknown(system, 'fuse')) || bench.slot.open)
  )
    owed.push({
      what: 'slot',
      place: fuse.place,
      say: saySlotOwed(bench, sayRightFuse(system)),
      ...rightFuse,
    })
  if (isBuiltBreaker && bench.slot.open)
    owed.push({ what: 'slot', place: fuse.place, say: `the ${fuse.name} tripped: reset it`, putBack: { do: 'reset' } })
  else if (bench.slot.holds === 'as-found' && bench.slot.open)
    owed.push({
      what: 'slot',
      place: fuse.place,
      say: `the fuse is blown: ${sayRightFuse(system)} goes in, once`,
      ...rightFuse,
    })
  owed.push(...furtherOwed(system, bench))
  for (const place of bench.panelsOff)
    owed.push({
      what: 'panel',
      place,
      say: `panel of the ${placeById(system, place)?.name ?? place} is off`,
      putBack: { do: 'panel', place, on: true },
    })
  if (bench.call !== 'off')
    owed.push({
      what: 'call',
      place: callerOf(system, bench.call).place,
      say: `${partsOf(system, 'thermostat').length > 1 ? callerOf(system, bench.call).name : 'thermostat'} is set to ${sayCall[bench.call]}`,
      putBack: { do: 'call', call: 'off' },
    })
  if (!bench.power) owed.push({ what: 'power', place: fuse.place, say: 'power is off', putBack: { do: 'power', on: true } })
  return owed
}

/** Further fuses and breakers that are not as they were built. */
function furtherOwed(system: System, bench: Bench): Owed[] {
  return (bench.further ?? []).flatMap((slot): Owed[] => {
    const fuse = partById(system, slot.part)
    if (fuse?.kind !== 'fuse' || !isFurtherOdd(system, slot)) return []
    const isReset = fuse.holds === 'breaker' && slot.open && slot.holds !== 'fuse'
    return [
      {
        what: 'slot',
        place: fuse.place,
        say: `${sayFurther(system, slot)}: ${isReset ? 'reset it' : `a ${fuse.ratingA} A ${fuse.holds === 'breaker' ? 'breaker' : 'fuse'} belongs there`}`,
        putBack: isReset
          ? { do: 'reset', part: fuse.id }
          : { do: 'slot', holds: fuse.holds === 'breaker' ? 'breaker' : 'fuse', ratingA: fuse.ratingA, part: fuse.id },
      },
    ]
  })
}

function saySlotOwed(bench: Bench, rated: string): string {
  if (bench.slot.holds === 'breaker') return `breaker is in the place of the fuse: ${rated} goes in, once`
  if (bench.slot.holds === 'nothing') return `fuse slot is empty: ${rated} goes in`
  if (bench.slot.open) return `the fuse is blown: ${rated} goes in, once`
  return `a ${bench.slot.ratingA} A fuse is in the slot: a ${rated} belongs there`
}
