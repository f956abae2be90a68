import { type Bench, type BenchChange, type FurtherSlot, type Slot, type Swap, slotOf } from '@/src/core/bench/bench'
import { pinOf, sayPoint } from '@/src/core/bench/points'
import { sayOhms } from '@/src/core/units/quantity'
import { sayCall } from '@/src/core/wiring/call'
import type { PartId } from '@/src/core/wiring/ids'
import { type Point, parsePoint } from '@/src/core/wiring/point'
import { type Cable, cableById, firstPart, partById, placeById, type System, sayRightFuse } from '@/src/core/wiring/system'

/** One bench change as a technician says it. */
export function sayChange(system: System, change: BenchChange): string {
  switch (change.do) {
    case 'power':
      return change.on ? 'power on' : 'power off'
    case 'call':
      return change.call === 'off' ? 'set the thermostat to off' : `set the thermostat to call for ${sayCall[change.call]}`
    case 'lift':
      return `lift ${sayPoint(system, change.end)}`
    case 'land':
      return `land ${sayPoint(system, change.end)}`
    case 'unplug': {
      const { name, leads } = pluggedOf(system, change.part)
      return leads ? `take the ${leads} off the ${name}` : `unplug the ${name}`
    }
    case 'plug': {
      const { name, leads } = pluggedOf(system, change.part)
      return leads ? `put the ${leads} of the ${name} back on` : `plug the ${name} back in`
    }
    case 'jumper':
      return change.ohm === undefined
        ? `jumper ${sayPair(system, change.a, change.b)}`
        : `clip ${sayOhms(change.ohm)} from ${sayPair(system, change.a, change.b)}`
    case 'unjumper':
      return `take out the jumper ${sayPair(system, change.a, change.b)}`
    case 'slot':
      if (change.part !== undefined) return sayFurtherSlot(system, change.part, change.holds, change.ratingA)
      if (change.holds === 'breaker') return `${change.ratingA === undefined ? '' : `${change.ratingA} A `}breaker in the fuse slot`
      if (change.holds === 'nothing') return 'fuse slot left empty'
      return change.ratingA === undefined ? `${sayRightFuse(system)} in the slot` : `${change.ratingA} A fuse in the slot`
    case 'reset':
      return change.part === undefined ? 'reset the breaker' : `reset the ${partById(system, change.part)?.name ?? change.part}`
    case 'walk':
      return `walk to the ${placeById(system, change.place)?.name ?? change.place}`
    case 'swap': {
      const cable = cableById(system, change.cable)
      return `swap ${sayConductor(cable, change.from)} to the spare ${sayConductor(cable, change.to)} of the ${cable?.name ?? change.cable}, ${change.section ? saySection(change.section) : 'both ends'}`
    }
    case 'exchange': {
      const { two, where } = exchangedOf(system, change)
      return `exchange ${two} ${where}`
    }
    case 'unswap': {
      const cable = cableById(system, change.cable)
      if (change.to === undefined) return `swap ${sayConductor(cable, change.from)} of the ${cable?.name ?? change.cable} back`
      return `put ${exchangedOf(system, { ...change, to: change.to }).two} back on their own screws`
    }
    case 'panel':
      return `panel of the ${placeById(system, change.place)?.name ?? change.place} ${change.on ? 'on' : 'off'}`
  }
}

/** What comes off a part: its plug, or the leads of a transformer's secondary. */
export function pluggedOf(system: System, id: PartId): { readonly name: string; readonly leads: string | null } {
  const part = partById(system, id)
  return { name: part?.name ?? id, leads: part?.kind === 'transformer' ? '24 V leads' : null }
}

/** Two conductors that change places, and at which ends. */
function exchangedOf(system: System, { cable: id, from, to, at }: Pick<Swap, 'cable' | 'from' | 'to' | 'at'>) {
  const cable = cableById(system, id)
  return {
    two: `${sayConductor(cable, from)} and ${sayConductor(cable, to)} of the ${cable?.name ?? id}`,
    where: at === undefined ? 'at both ends' : `at the ${placeById(system, at)?.name ?? at} only`,
  }
}

/** An exchange as it stands. */
export function sayExchange(system: System, swap: Swap): string {
  const { two, where } = exchangedOf(system, swap)
  return `${two} exchanged ${where}`
}

/** Where along the run a spare serves. */
export const saySection = ([from, to]: readonly [string, string]): string => `between ${from} and ${to}`

/** What a swap is to the one conductor of it and to the other. */
export function sayOnSpare({ from, to, section, exchange }: Swap, id: string): string {
  if (exchange) return `exchanged with ${id === from ? to : from}`
  const where = section ? saySection(section) : null
  if (id === from) return where === null ? `moved to ${to}` : `on ${to} ${where}`
  return where === null ? `in place of ${from}` : `serves ${from} ${where}`
}

/** What a section makes of a conductor between its two ends. */
export const sayOnTheWay = (cable: Cable | undefined, to: string, section: readonly [string, string]): string =>
  `runs on ${sayConductor(cable, to)} ${saySection(section)}`

/** The conductors that run on another color for a part of their way, by this job or an earlier one: neither end shows it. */
export const saySections = (system: System, { swaps }: Pick<Bench, 'swaps'>): string[] =>
  system.cables.flatMap((cable) =>
    cable.conductors.flatMap(({ id, onTheWay }) => {
      const swap = swaps.find((one) => one.cable === cable.id && one.from === id && !one.exchange)
      // One that was given up for the whole way since then runs nowhere.
      const said = swap ? swap.section && sayOnTheWay(cable, swap.to, swap.section) : onTheWay
      return said ? [`${sayConductor(cable, id)} of the ${cable.name} ${said}`] : []
    }),
  )

/** A conductor as it is called among those of its cable: its letter, and its colour where that is another word. */
export function sayConductor(cable: Cable | undefined, id: string): string {
  const colour = cable?.conductors.find((conductor) => conductor.id === id)?.colour
  return colour && colour !== id && colour !== 'unknown' ? `${id} (${colour})` : id
}

/** Two points, the place said once when they share it. */
export function sayPair(system: System, a: Point, b: Point): string {
  const [pa, pb] = [parsePoint(a), parsePoint(b)]
  const part = pinOf(system, a)
  if (part && part === pinOf(system, b)) return `across the ${part.name} itself at the ${placeById(system, part.place)?.name ?? part.place}`
  const [sayA, sayB] = [sayPoint(system, a), sayPoint(system, b)]
  if (pa.place !== pb.place) return `${sayA} to ${sayB}`
  const shared = [` at the ${placeById(system, pa.place)?.name ?? pa.place}`]
  if (pa.cable !== null && pa.cable === pb.cable) shared.unshift(` of the ${cableName(system, pa.cable)}`)
  const tail = shared.join('')
  return `${sayA.replace(tail, '').replace(shared[shared.length - 1], '')} to ${sayB.replace(tail, '').replace(shared[shared.length - 1], '')}${tail}`
}

const cableName = (system: System, id: string): string => cableById(system, id)?.name ?? id

/** What is not normal on the bench, one phrase a thing, for the bench strip. */
export function sayBench(system: System, bench: Bench): string[] {
  const phrases: string[] = []
  if (!bench.power) phrases.push('power off')
  if (bench.call !== 'off') phrases.push(`call: ${sayCall[bench.call]}`)
  if (isSlotOdd(system, bench)) phrases.push(saySlot(system, bench))
  for (const slot of bench.further ?? []) if (isFurtherOdd(system, slot)) phrases.push(sayFurther(system, slot))
  for (const { a, b, ohm } of bench.jumpers)
    phrases.push(`${ohm === undefined ? 'jumper' : `${sayOhms(ohm)} from`} ${sayPair(system, a, b)}`)
  for (const end of bench.lifted) phrases.push(`${sayPoint(system, end)} lifted`)
  for (const swap of bench.swaps) {
    const { cable, from, to, section } = swap
    if (swap.exchange) {
      phrases.push(sayExchange(system, swap))
      continue
    }
    const found = cableById(system, cable)
    const where = section ? ` ${saySection(section)}` : ''
    phrases.push(`${sayConductor(found, from)} of the ${found?.name ?? cable} on ${sayConductor(found, to)}${where}`)
  }
  for (const part of bench.unplugged) {
    const { name, leads } = pluggedOf(system, part)
    phrases.push(leads ? `${leads} of the ${name} off` : `${name} unplugged`)
  }
  for (const place of bench.panelsOff) phrases.push(`${placeById(system, place)?.name ?? place} panel off`)
  return phrases
}

function sayFurtherSlot(system: System, part: PartId, holds: Slot['holds'], ratingA: number | undefined): string {
  const name = partById(system, part)?.name ?? part
  if (holds === 'breaker') return `breaker in for the ${name}`
  if (holds === 'nothing') return `take out the ${name}`
  return ratingA === undefined ? `new ${name} in, as rated` : `new ${ratingA} A ${name} in`
}

/** Not as it was built: open, empty, a pocket breaker in it, a fuse of another size. */
export function isFurtherOdd(system: System, { part, holds, ratingA, open }: FurtherSlot): boolean {
  const built = partById(system, part)
  if (built?.kind !== 'fuse') return false
  if (open || holds === 'nothing') return true
  return built.holds === 'breaker' ? holds === 'fuse' : holds === 'breaker' || (holds === 'fuse' && ratingA !== built.ratingA)
}

/** How another fuse or breaker than the first stands, in words. */
export function sayFurther(system: System, { part, holds, ratingA, open }: FurtherSlot): string {
  const built = partById(system, part)
  const name = built?.name ?? part
  const isBuiltBreaker = built?.kind === 'fuse' && built.holds === 'breaker'
  if (holds === 'nothing') return `${name} is out`
  if (isBuiltBreaker && holds !== 'fuse') return `${name} ${open ? 'tripped' : 'set'}`
  if (holds === 'breaker') return `breaker in for the ${name}${open ? ', tripped' : ''}`
  return open ? `${name} blown` : holds === 'fuse' ? `new ${ratingA} A ${name}` : `${name} as found`
}

/** A breaker that was built in and is closed is nothing out of the ordinary. */
const isSlotOdd = (system: System, { slot }: Bench): boolean =>
  slot.open || (slot.holds !== 'as-found' && !(slot.holds === 'breaker' && firstPart(system, 'fuse').holds === 'breaker'))

export function saySlot(system: System, bench: Bench): string {
  const { holds, open, ratingA } = bench.slot
  const built = firstPart(system, 'fuse')
  if (built.holds === 'breaker' && (holds === 'as-found' || holds === 'breaker')) return `${built.name} ${open ? 'tripped' : 'set'}`
  if (holds === 'as-found' && built.holds === 'none') return 'no fuse fitted'
  const size = ratingA === built.ratingA ? '' : `${ratingA} A `
  if (holds === 'breaker') return open ? `${size}breaker tripped` : `${size}breaker in the fuse slot`
  if (holds === 'nothing') return 'fuse slot empty'
  if (holds === 'fuse') return open ? `${ratingA} A fuse blown` : `${ratingA} A fuse in`
  return open ? 'fuse as found: blown' : 'fuse as found'
}

/** The slot in two words, for a drawing. */
export function saySlotShort(system: System, bench: Bench, fuse = firstPart(system, 'fuse').id): string {
  const part = partById(system, fuse)
  const built = part?.kind === 'fuse' ? part.holds : undefined
  const slot = slotOf(system, bench, fuse)
  if (slot.holds === 'nothing') return 'empty'
  if (slot.holds === 'breaker' || (slot.holds === 'as-found' && built === 'breaker')) return slot.open ? 'tripped' : 'breaker'
  if (slot.holds === 'as-found' && built === 'none') return 'no fuse'
  return slot.open ? `${slot.ratingA} A blown` : `${slot.ratingA} A fuse`
}
