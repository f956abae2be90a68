import type { Bench, BenchChange, Jumper } from '@/src/core/bench/bench'
import type { PartOf } from '@/src/core/wiring/part'
import { conductorEnd, type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { cableById, partById, partsOf, type System } from '@/src/core/wiring/system'
import { hotTerminals } from '@/src/core/wiring/thermostat'

/** The switches that a jumper goes past, in their order: one, or several in a row at its place. */
export function bypassedBy(system: System, { a, b }: Jumper): PartOf<'switch'>[] {
  const { place } = parsePoint(a)
  if (parsePoint(b).place !== place) return []
  const here = partsOf(system, 'switch').filter((part) => part.place === place)
  // What a board passes on is on the way, and no safety of its own.
  const seen = new Set([a])
  const trails: { at: string; past: PartOf<'switch'>[] }[] = [{ at: a, past: [] }]
  for (const trail of trails) {
    for (const part of here) {
      if (trail.past.includes(part)) continue
      const ends = part.between.map((name) => terminalPoint(name, place))
      const next = ends.find((_, side) => ends[1 - side] === trail.at)
      if (next === undefined) continue
      const past = [...trail.past, part]
      if (next === b) return past
      trails.push({ at: next, past })
    }
    for (const output of partsOf(system, 'board').flatMap((board) => (board.place === place ? board.outputs : []))) {
      const [call, to] = [output.call, output.to].map((name) => terminalPoint(name, place))
      const next = trail.at === call ? to : trail.at === to ? call : null
      if (next === null || seen.has(next)) continue
      if (next === b) return trail.past
      seen.add(next)
      trails.push({ at: next, past: trail.past })
    }
  }
  return []
}

/** What is said before a hand makes a change that can hurt somebody or something; null for every other. */
export function cautionOf(system: System, bench: Bench, change: BenchChange): string | null {
  if (change.do === 'jumper') {
    const past = bypassedBy(system, change)
    if (past.length > 0) return `This bypasses the ${listed(past.map(({ name }) => name))}: minutes only, watch it, and take it out.`
    const bare = [change.a, change.b].filter((point) => isWithoutWire(system, bench, point)).map((point) => parsePoint(point).name)
    return bare.length > 0
      ? `No wire is on ${bare.join(' and ')} there now: the jumper feeds what hangs on the bare screw, not the wire.`
      : null
  }
  if (change.do === 'lift' && bench.power && isHot(system, change.end))
    return 'That end is live: on metal it blows the fuse or burns out the transformer. Power off first, or cap it.'
  if (change.do === 'unplug' && bench.power && partById(system, change.part)?.kind === 'transformer')
    return 'Those leads are live: on each other or on metal they burn out the transformer. Power off first.'
  if (change.do === 'exchange') {
    const bare = bench.power ? ['Power off first: both wires are bare while they change places.'] : []
    const other = change.at === undefined ? [] : ['A call then comes out on the other terminal, and brings on what hangs there.']
    return bare.length + other.length > 0 ? [...bare, ...other].join(' ') : null
  }
  return null
}

/** A terminal whose wires are all off their screw. */
function isWithoutWire(system: System, { lifted }: Bench, point: Point): boolean {
  const { cable: own, name, place } = parsePoint(point)
  if (own !== null) return false
  const ends = system.cables.flatMap((cable) => {
    const side = cable.between.indexOf(place)
    return cable.conductors.flatMap(({ id, lands }) => (side >= 0 && lands[side] === name ? [conductorEnd(cable.id, id, place)] : []))
  })
  return ends.length > 0 && ends.every((end) => lifted.includes(end))
}

const listed = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', the ')} and the ${names[names.length - 1]}`

/** A conductor that lands on a hot terminal of a thermostat: R, Rc, Rh. */
function isHot(system: System, end: Point): boolean {
  const { cable: id, name, place } = parsePoint(end)
  const cable = cableById(system, id ?? '')
  if (!cable) return false
  const lands = cable.conductors.find((conductor) => conductor.id === name)?.lands[cable.between.indexOf(place)]
  return lands != null && partsOf(system, 'thermostat').some((part) => hotTerminals(part).includes(lands))
}
