import { type Bench, type BenchChange, isResistor, isSameJumper, type Jumper, type Swap, slotOf, withSlot } from '@/src/core/bench/bench'
import { problemWithJumpers, problemWithPuttingBack } from '@/src/core/bench/jumper-guard'
import { pinOf, problemWithPoint, sayPoint } from '@/src/core/bench/points'
import { pluggedOf } from '@/src/core/bench/say'
import { sayJumpers } from '@/src/core/bench/say-jumpers'
import { landingsOfSwap, problemWithExchange, problemWithSwap, servesElsewhere } from '@/src/core/bench/swaps'
import type { PartId } from '@/src/core/wiring/ids'
import type { PartOf } from '@/src/core/wiring/part'
import { unplugs } from '@/src/core/wiring/part-kinds'
import { type Point, parsePoint } from '@/src/core/wiring/point'
import { firstPart, partById, partsOf, placeById, type System } from '@/src/core/wiring/system'

export type Applied = { readonly ok: true; readonly bench: Bench } | { readonly ok: false; readonly problem: string }

const refuse = (problem: string): Applied => ({ ok: false, problem })

/** The bench after one change, or a sentence why that change cannot be. The old bench is never touched. */
export function applyChange(system: System, bench: Bench, change: BenchChange): Applied {
  const done = (changed: Partial<Bench>): Applied => ({ ok: true, bench: { ...bench, ...changed } })
  switch (change.do) {
    case 'power': {
      const resistors = bench.jumpers.filter(isResistor)
      if (change.on && resistors.length > 0)
        return refuse(`Take the resistors out before the power goes on: ${sayJumpers(system, resistors)}. Nothing was changed.`)
      return done({ power: change.on })
    }
    case 'call':
      return done({ call: change.call })
    case 'walk':
      if (!placeById(system, change.place))
        return refuse(`There is no place "${change.place}". Places here: ${system.places.map((p) => p.id).join(', ')}.`)
      return done({ place: change.place })
    case 'panel': {
      if (!placeById(system, change.place)) return refuse(`There is no place "${change.place}".`)
      const others = bench.panelsOff.filter((place) => place !== change.place)
      return done({ panelsOff: change.on ? others : [...others, change.place] })
    }
    case 'lift':
    case 'land':
      return moveEnd(system, bench, change.do, change.end)
    case 'unplug':
    case 'plug': {
      const part = partById(system, change.part)
      if (!part || !unplugs(system, part))
        return refuse(`"${change.part}" does not unplug. These do: ${pluggableParts(system).join(', ')}.`)
      const others = bench.unplugged.filter((other) => other !== change.part)
      if (change.do === 'unplug') return done({ unplugged: [...others, change.part] })
      const { name, leads } = pluggedOf(system, part.id)
      if (others.length === bench.unplugged.length)
        return refuse(leads ? `The ${leads} of the ${name} are on already.` : `The ${name} is plugged in already.`)
      const putting = leads ? `Putting the ${leads} of the ${name} back on` : `Plugging the ${name} in`
      return putBack(system, bench, { ...bench, unplugged: others }, putting)
    }
    case 'jumper':
      return addJumper(system, bench, { a: change.a, b: change.b, ...(change.ohm !== undefined && { ohm: change.ohm }) })
    case 'unjumper': {
      const others = bench.jumpers.filter((jumper) => !isSameJumper(jumper, change.a, change.b))
      if (others.length === bench.jumpers.length)
        return refuse(`There is no jumper between ${sayPoint(system, change.a)} and ${sayPoint(system, change.b)}.`)
      return done({ jumpers: others })
    }
    case 'slot': {
      const fuse = fuseOf(system, change.part)
      if (!fuse) return refuse(noSuchFuse(system, change.part))
      const { holds, ratingA = fuse.ratingA } = change
      return { ok: true, bench: withSlot(system, bench, fuse.id, { holds, ratingA, open: holds === 'nothing' }) }
    }
    case 'swap': {
      const problem = problemWithSwap(system, bench.swaps, change)
      if (problem) return refuse(problem)
      const { cable, from, to, section } = change
      const swap: Swap = { cable, from, to, ...(section && { section }), kept: false }
      // An end that is in the hand already stays off: the spare takes its screw.
      const off = new Set(landingsOfSwap(system, swap).map((landing) => landing.off))
      const lifted = bench.lifted.filter((end) => !off.has(end))
      return putBack(system, bench, { ...bench, lifted, swaps: [...bench.swaps, swap] }, 'That swap')
    }
    case 'exchange': {
      const problem = problemWithExchange(system, bench, change)
      if (problem) return refuse(problem)
      const { cable, from, to, at } = change
      const swap: Swap = { cable, from, to, exchange: true, ...(at !== undefined && { at }), kept: false }
      const moved = new Set(landingsOfSwap(system, swap).map((landing) => landing.off))
      const lifted = bench.lifted.filter((end) => !moved.has(end))
      return putBack(system, bench, { ...bench, lifted, swaps: [...bench.swaps, swap] }, 'That exchange')
    }
    case 'unswap': {
      const isMeant = ({ cable, from, to, exchange }: Swap) =>
        cable === change.cable && (from === change.from || (exchange === true && to === change.from))
      const others = bench.swaps.filter((swap) => !isMeant(swap))
      if (others.length === bench.swaps.length) return refuse(`${change.from} of the ${change.cable} is on no spare.`)
      return putBack(system, bench, { ...bench, swaps: others }, `Putting ${change.from} back`)
    }
    case 'reset': {
      const fuse = fuseOf(system, change.part)
      if (!fuse) return refuse(noSuchFuse(system, change.part))
      if (!isResettable(system, bench, fuse.id))
        return refuse('There is no breaker in the fuse slot to reset. A blown fuse is replaced: "breaker in" or "fuse 3 in".')
      // A breaker that was found tripped is, once reset, one that the technician knows: no longer as found.
      const slot = slotOf(system, bench, fuse.id)
      return { ok: true, bench: withSlot(system, bench, fuse.id, { holds: 'breaker', ratingA: slot.ratingA, open: false }) }
    }
  }
}

/** The fuse or breaker of that id, the transformer's first where none is said. */
const fuseOf = (system: System, part: PartId | undefined): PartOf<'fuse'> | undefined =>
  part === undefined ? firstPart(system, 'fuse') : partsOf(system, 'fuse').find(({ id }) => id === part)

const noSuchFuse = (system: System, part: PartId | undefined): string =>
  `"${part}" is not a fuse or breaker of this system. These are: ${partsOf(system, 'fuse')
    .map(({ id }) => id)
    .join(', ')}.`

/** A breaker protects now: the technician's own, or the one that was built in. */
export function isResettable(system: System, bench: Bench, part = firstPart(system, 'fuse').id): boolean {
  const { holds } = slotOf(system, bench, part)
  return holds === 'breaker' || (holds === 'as-found' && fuseOf(system, part)?.holds === 'breaker')
}

export const pluggableParts = (system: System): string[] => system.parts.filter((part) => unplugs(system, part)).map(({ id }) => id)

function moveEnd(system: System, bench: Bench, act: 'lift' | 'land', end: Point): Applied {
  const problem = problemWithPoint(system, end)
  if (problem) return refuse(problem)
  if (parsePoint(end).cable === null || pinOf(system, end))
    return refuse(
      `${end} is a terminal or a part's lead. Name the conductor that is ${act === 'lift' ? 'lifted' : 'landed'}, as in outdoor-cable.Y@indoor.`,
    )
  const others = bench.lifted.filter((other) => other !== end)
  const isLifted = others.length < bench.lifted.length
  if (act === 'lift' && servesElsewhere(bench.swaps, end))
    return refuse(`${sayPoint(system, end)} is off its terminal already: a spare serves in its place.`)
  if (act === 'lift' && isLifted) return refuse(`${sayPoint(system, end)} is lifted already.`)
  if (act === 'land' && !isLifted) return refuse(`${sayPoint(system, end)} is not lifted.`)
  if (act === 'land') return putBack(system, bench, { ...bench, lifted: others }, `Landing ${sayPoint(system, end)}`)
  return { ok: true, bench: { ...bench, lifted: [...others, end] } }
}

/** Metal that comes back together may close a jumper into a short: that has to come out first. */
function putBack(system: System, before: Bench, after: Bench, what: string): Applied {
  const problem = problemWithPuttingBack(system, before, after, what)
  return problem ? refuse(problem) : { ok: true, bench: after }
}

function addJumper(system: System, bench: Bench, jumper: Jumper): Applied {
  const { a, b } = jumper
  for (const point of [a, b]) {
    const problem = problemWithPoint(system, point)
    if (problem) return refuse(problem)
  }
  if (a === b) return refuse('A jumper needs two different ends.')
  if (bench.jumpers.some((other) => isSameJumper(other, a, b))) return refuse('That jumper is in already.')
  if (isResistor(jumper) && bench.power)
    return refuse('A resistor goes in with the power off, to tell wires apart: say "power off" first. Nothing was changed.')
  const after = { ...bench, jumpers: [...bench.jumpers, jumper] }
  const harm = problemWithJumpers(system, after)
  return harm ? refuse(harm) : { ok: true, bench: after }
}
