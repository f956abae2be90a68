import { LruCache, Memo } from '@/src/core/units/cache'
import { DisjointSet } from '@/src/core/units/disjoint-set'
import { workLimit } from '@/src/core/units/work-limit'
import { joinsOnceClosed, leadsOf, pathsOf } from '@/src/core/wiring/conduction'
import type { PartId } from '@/src/core/wiring/ids'
import { joinedThrough } from '@/src/core/wiring/joined'
import { type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { firstPart, partsOf, placeById, type System } from '@/src/core/wiring/system'
import { feedOf, switchedTerminals } from '@/src/core/wiring/thermostat'

/** What feeds what: the hot and the common side of each 24 V circuit, and the line side. */

/** The terminal that the house calls common: the transformer's, or the fuse's far side where the fuse sits in that leg. */
export const houseCommon = (system: System): string => legName(system, 1)

/** The terminal that the house calls hot, behind the fuse where it sits in that leg. */
export const houseHot = (system: System): string => legName(system, 0)

function legName(system: System, side: 0 | 1): string {
  const leg = firstPart(system, 'transformer').secondary[side]
  const { between } = firstPart(system, 'fuse')
  if (!between.includes(leg)) return leg
  // A float or another switch may stand between the fuse and the terminal.
  let here = between[0] === leg ? between[1] : between[0]
  const passed = new Set<string>([leg])
  const { place } = firstPart(system, 'transformer')
  const terminals = placeById(system, place)?.terminals ?? []
  while (!terminals.includes(here)) {
    passed.add(here)
    const onward = partsOf(system, 'switch').find((part) => part.place === place && part.between.includes(here))
    const next = onward?.between.find((name) => !passed.has(name))
    if (next === undefined) break
    here = next
  }
  return here
}

/** Nodes at line voltage: primaries, and everything that supplies reach through disconnects, line contacts, loads and switches. */
export const lineNodes = (system: System): ReadonlySet<Point> => lineOf.of(system)
const lineOf = new Memo(findLine)

function findLine(system: System): ReadonlySet<Point> {
  const found = new Set<Point>()
  for (const part of system.parts)
    for (const { name, role } of leadsOf(part)) if (role === 'line' || role === 'tap') found.add(terminalPoint(name, part.place))
  // A door switch is in this line where one of its leads is; so is a second switch behind it.
  for (let size = 0; size < found.size; ) {
    size = found.size
    for (const part of partsOf(system, 'switch')) {
      const ends = part.between.map((name) => terminalPoint(name, part.place))
      if (ends.some((end) => found.has(end))) for (const end of ends) found.add(end)
    }
  }
  return found
}

/**
 * The 24 V circuits as groups of nodes that wires, switches, loads and windings join: one for each transformer that
 * stands alone. Thermostat contacts join nothing: Rc and Rh stay apart.
 */
export const circuitOf = (system: System, point: Point): Point => circuitsOf.of(system)(point)
const circuitsOf = new Memo(joinCircuits)

function joinCircuits(system: System): (point: Point) => Point {
  const circuits = new DisjointSet<Point>()
  const join = (points: readonly Point[]) => circuits.join(...points)
  for (const cable of system.cables)
    for (const { lands } of cable.conductors)
      join(lands.flatMap((terminal, side) => (terminal === null ? [] : [terminalPoint(terminal, cable.between[side])])))
  const line = lineNodes(system)
  for (const part of system.parts)
    for (const { through, joins } of pathsOf(part)) {
      // What a thermostat closes, and what it lives on, would tie Rc to Rh; the bond ties each circuit to the same metal.
      if (part.kind === 'thermostat' || through === 'bond') continue
      join(joins.filter((point) => !line.has(point)))
    }
  for (const { hot, common, place } of partsOf(system, 'thermostat'))
    if (common !== undefined) join([terminalPoint(hot, place), terminalPoint(common, place)])
  return (point) => circuits.find(point)
}

/** Nodes that the template ties to the common side of a transformer, through conductors and a fuse in the common leg. */
export const commonNodes = (system: System): ReadonlySet<Point> => commonsOf.of(system)
const commonsOf = new Memo(findCommon)

function findCommon(system: System): ReadonlySet<Point> {
  const found = new Set(partsOf(system, 'transformer').map(({ secondary, place }) => terminalPoint(secondary[1], place)))
  let size = 0
  while (found.size > size) {
    size = found.size
    const spread = (points: readonly Point[]) => {
      if (points.some((point) => found.has(point))) for (const point of points) found.add(point)
    }
    for (const { through, joins } of system.parts.flatMap((part) => pathsOf(part))) if (through === 'metal') spread(joins)
    for (const cable of system.cables)
      for (const { lands } of cable.conductors)
        spread(lands.flatMap((terminal, side) => (terminal === null ? [] : [terminalPoint(terminal, cable.between[side])])))
  }
  return found
}

/** Whether a node is still tied to the hot side of a winding, through any switch or contact, where a fuse stands open. */
export const isAhead = (system: System, fuse: PartId, point: Point): boolean =>
  aheadOf.of(system).get(fuse, () => findAhead(system, fuse))(point)
const aheadOf = new Memo((_: System) => new LruCache<PartId, (point: Point) => boolean>(MOST_FUSES))
const MOST_FUSES = workLimit(8)

function findAhead(system: System, fuse: PartId): (point: Point) => boolean {
  const joined = joinedThrough(system, (path, { id }) => id !== fuse && path.through !== 'bond' && joinsOnceClosed(path))
  const hot = new Set(partsOf(system, 'transformer').map(({ secondary, place }) => joined.find(terminalPoint(secondary[0], place))))
  return (point) => hot.has(joined.find(point))
}

/** Where a probe goes for the common side of a node at its own place: a lettered terminal before a bare lead; null when there is none. */
export function commonBeside(system: System, point: Point): Point | null {
  const { place } = parsePoint(point)
  const terminals = placeById(system, place)?.terminals ?? []
  const here = [...commonNodes(system)].filter((node) => parsePoint(node).place === place)
  const circuit = circuitOf(system, point)
  const own = here.filter((node) => circuitOf(system, node) === circuit)
  const lettered = own.filter((node) => terminals.includes(parsePoint(node).name))
  return lettered[0] ?? own[0] ?? null
}

/** Each call letter that a thermostat of the system closes, with the hot letter that it is closed to. */
export const hotOfCalls = (system: System): Map<string, string> =>
  new Map(
    partsOf(system, 'thermostat').flatMap((part) => switchedTerminals(part).map((terminal) => [terminal, feedOf(part, terminal)] as const)),
  )
