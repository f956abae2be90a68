import { type Bench, type Jumper, withoutResistors } from '@/src/core/bench/bench'
import { sayPoint } from '@/src/core/bench/points'
import { sayPair } from '@/src/core/bench/say'
import { wiredNow } from '@/src/core/bench/swaps'
import { worstWindingLoad } from '@/src/core/bench/winding-load'
import { add, type Complex, complex, magnitude, polar, scale, subtract } from '@/src/core/units/complex'
import { DisjointSet } from '@/src/core/units/disjoint-set'
import { modelValue } from '@/src/core/units/model-value'
import { joinsOnceClosed, pathsOf } from '@/src/core/wiring/conduction'
import type { PartOf } from '@/src/core/wiring/part'
import { CHASSIS, conductorEnd, type Point, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { lineNodes } from '@/src/core/wiring/supply'
import { partsOf, type System } from '@/src/core/wiring/system'

/**
 * Keeps clip leads from doing harm. What is asked is not whether the bench shorts a transformer now, but whether it would with
 * the power on, a whole fuse in, and every contact closed that may close while the lead is in: any call of the thermostat may
 * come on by itself. Held against the circuit solver over all systems (jumper-guard.test.ts).
 */

/** The one refusal of a dead short, however it is asked for. */
export const NEVER_JOIN = 'Never join C, or the chassis, to R: that is a dead short. Nothing was changed.'

/** Null when no jumper of the bench is in a place where it could do harm, else a sentence that says what it would do. */
export function problemWithJumpers(system: System, stands: Bench): string | null {
  const bench = withoutResistors(stands)
  if (bench.jumpers.length === 0) return null
  return problemWithLineSide(system, bench.jumpers) ?? problemWithShorts(system, bench) ?? problemWithOverload(system, bench)
}

/** Nothing of the line side is ever clipped to anything; but for the door switch, which is held closed while its panel is off. */
function problemWithLineSide(system: System, jumpers: readonly Jumper[]): string | null {
  const line = lineNodes(system)
  for (const { a, b } of jumpers) {
    const live = [a, b].find((point) => line.has(nodeOf(system, point)))
    if (live !== undefined && !isAcrossDoor(system, a, b))
      return `${sayPoint(system, live)} is line voltage: no jumper goes there. Nothing was changed.`
  }
  return null
}

/** A part's own lead hangs on the node that its plug goes to. */
function nodeOf(system: System, point: Point): Point {
  for (const part of system.parts) {
    if (part.kind !== 'switch' && part.kind !== 'coil') continue
    for (const side of [0, 1] as const) if (pinPoint(part, side) === point) return terminalPoint(part.between[side], part.place)
  }
  return point
}

const isAcrossDoor = (system: System, a: Point, b: Point): boolean =>
  partsOf(system, 'switch').some(
    ({ role, between, place }) => role === 'door' && between.every((name) => [a, b].includes(terminalPoint(name, place))),
  )

function problemWithShorts(system: System, bench: Bench): string | null {
  const joined = withCommonsJoined(system, joinedOnceAllClose(system, { ...bench, jumpers: [] }))
  for (const { a, b } of bench.jumpers) {
    joined.join(a, b)
    const shorted = shortedTransformer(system, joined)
    if (!shorted) continue
    const asItStands = joinedOnceAllClose(system, { ...bench, unplugged: contactsOf(system) })
    const isDeadAlready = shortedTransformer(system, withCommonsJoined(system, asItStands))
    return isDeadAlready
      ? NEVER_JOIN
      : `No jumper from ${sayPair(system, a, b)}: as soon as a call comes on, that is a dead short across the ${shorted.name}. Nothing was changed.`
  }
  return null
}

/**
 * The common sides of all transformers on one node. Where two supplies are apart nothing flows from one's hot side to the other's common,
 * until a second bond or a wire of the house joins the two, which nobody sees from where the clip goes.
 */
function withCommonsJoined(system: System, joined: DisjointSet<Point>): DisjointSet<Point> {
  joined.join(...partsOf(system, 'transformer').map(({ secondary, place }) => terminalPoint(secondary[1], place)))
  return joined
}

/** Everything that closes by itself while a call is on. */
const contactsOf = (system: System): string[] =>
  system.parts.filter(({ kind }) => kind === 'thermostat' || kind === 'board').map(({ id }) => id)

/**
 * One jumper that makes a call by hand, or ties ends that nothing feeds, adds no load that the house was not built for. Anything
 * else is put to the solver: several calls at once may be more than the transformer is made for, and two loads in a row may stay
 * short of pulling in and draw their inrush for good.
 */
function problemWithOverload(system: System, bench: Bench): string | null {
  if (isPlain(system, bench) || worstWindingLoad(system, bench) <= 1) return null
  const jumpers = bench.jumpers.map(({ a, b }) => sayPair(system, a, b)).join(', and ')
  return `With a jumper from ${jumpers} a transformer would carry more than its rating, at the latest when a call comes on. Nothing was changed.`
}

function isPlain(system: System, bench: Bench): boolean {
  const [{ a, b }, ...others] = bench.jumpers
  if (others.length > 0 || bench.swaps.length > 0) return false
  const joined = joinedOnceAllClose(system, { ...bench, jumpers: [] })
  if (joined.isJoined(a, b)) return true
  const sideOf = sidesOf(system, joined)
  return [a, b].every((point) => sideOf(joined.find(point)) !== 'between')
}

/** Where a group of joined points stands: a transformer's own side, fed by nothing, or between two loads. */
function sidesOf(system: System, joined: DisjointSet<Point>): (group: Point) => 'supply' | 'unfed' | 'between' {
  const ends = (side: 0 | 1) =>
    new Set(partsOf(system, 'transformer').map(({ secondary, place }) => joined.find(terminalPoint(secondary[side], place))))
  const [hot, common] = [ends(0), ends(1)]
  const beside = new Map<Point, Point[]>()
  for (const { through, joins } of system.parts.filter(({ kind }) => kind !== 'load').flatMap((part) => pathsOf(part))) {
    if (through !== 'load') continue
    const [from, ...others] = joins
    for (const to of others) {
      const [a, b] = [joined.find(from), joined.find(to)]
      beside.set(a, [...(beside.get(a) ?? []), b])
      beside.set(b, [...(beside.get(b) ?? []), a])
    }
  }
  // What current reaches from a hot side through loads before it is at a common.
  const fed = new Set(hot)
  for (const group of fed) if (!common.has(group)) for (const next of beside.get(group) ?? []) fed.add(next)
  return (group) => (hot.has(group) || common.has(group) ? 'supply' : fed.has(group) ? 'between' : 'unfed')
}

/** Two open voltages that differ by less than this drive no more round their loop than their windings are made for. */
const SAME_EMF = modelValue({ value: 0.1, unit: 'share', source: 'assumption' })

/**
 * A transformer whose secondary is in a loop of metal and windings with volts left over: its own two ends joined, or two
 * transformers joined at both ends so that they do not cancel. Each secondary is a step in potential between two groups.
 */
function shortedTransformer(system: System, joined: DisjointSet<Point>): PartOf<'transformer'> | null {
  const potential = new Map<Point, { readonly tree: number; readonly volts: Complex }>()
  let trees = 0
  for (const part of partsOf(system, 'transformer')) {
    const [hot, common] = part.secondary.map((name) => joined.find(terminalPoint(name, part.place)))
    const emf = scale(phaseOf(system, part), part.openVolts)
    const atHot = potential.get(hot)
    const atCommon = potential.get(common)
    if (hot === common) return part
    if (atHot && atCommon && atHot.tree === atCommon.tree) {
      if (magnitude(subtract(subtract(atHot.volts, atCommon.volts), emf)) > SAME_EMF * part.openVolts) return part
      continue
    }
    if (atHot && atCommon) {
      const shift = subtract(subtract(atHot.volts, emf), atCommon.volts)
      for (const [point, { tree, volts }] of potential)
        if (tree === atCommon.tree) potential.set(point, { tree: atHot.tree, volts: add(volts, shift) })
      continue
    }
    const tree = atHot?.tree ?? atCommon?.tree ?? trees++
    if (!atHot) potential.set(hot, { tree, volts: add(atCommon?.volts ?? complex(0), emf) })
    if (!atCommon) potential.set(common, { tree, volts: subtract(potential.get(hot)?.volts ?? complex(0), emf) })
  }
  return null
}

/** Which way round the primary is fed and at which angle, of size 1: by the legs of the supply that its two leads come from. */
function phaseOf(system: System, { primary, place }: PartOf<'transformer'>): Complex {
  const fed = new DisjointSet<Point>()
  for (const part of system.parts)
    if (part.kind === 'disconnect' || part.kind === 'switch') for (const { joins } of pathsOf(part)) fed.join(...joins)
  const voltsAt = (name: string): Complex => {
    const node = fed.find(terminalPoint(name, place))
    for (const supply of partsOf(system, 'supply'))
      for (const leg of supply.legs) if (fed.find(terminalPoint(leg.node, supply.place)) === node) return polar(leg.volts, leg.degrees ?? 0)
    return complex(0)
  }
  const across = subtract(voltsAt(primary[0]), voltsAt(primary[1]))
  const size = magnitude(across)
  return size === 0 ? complex(1) : scale(across, 1 / size)
}

/** Points of one metal path once every switch is closed and every contact that may close has closed. Loads and windings join nothing. */
function joinedOnceAllClose(system: System, bench: Bench): DisjointSet<Point> {
  const joined = new DisjointSet<Point>()
  const wired = wiredNow(system, bench.swaps)
  for (const cable of wired.cables) {
    for (const { id, lands } of cable.conductors) {
      const ends = cable.between.map((place) => conductorEnd(cable.id, id, place))
      joined.join(...ends)
      lands.forEach((terminal, side) => {
        if (terminal !== null && !bench.lifted.includes(ends[side])) joined.join(ends[side], terminalPoint(terminal, cable.between[side]))
      })
    }
  }
  for (const part of system.parts)
    for (const path of pathsOf(part, bench.unplugged.includes(part.id))) if (joinsOnceClosed(path)) joined.join(...path.joins)
  joined.join(...system.places.filter(({ metal }) => metal).map(({ id }) => terminalPoint(CHASSIS, id)))
  for (const { a, b } of bench.jumpers) joined.join(a, b)
  return joined
}

/** Null when putting something back on this bench closes no jumper into a short, else why it has to wait and for what. */
export function problemWithPuttingBack(system: System, before: Bench, after: Bench, what: string): string | null {
  if (before.jumpers.length === 0 || problemWithJumpers(system, after) === null) return null
  const jumpers = before.jumpers.map(({ a, b }) => sayPair(system, a, b)).join(', and ')
  return `${what} would put a jumper straight across a transformer. Take the jumper out first: ${jumpers}. Nothing was changed.`
}
