import { type Bench, wiringKey } from '@/src/core/bench/bench'
import { lowVoltageNodes } from '@/src/core/faults/low-voltage'
import type { Question } from '@/src/core/practice/trial'
import { probeKey } from '@/src/core/readings/check'
import { parseLook } from '@/src/core/readings/look-target'
import type { Observation } from '@/src/core/readings/observations'
import { DisjointSet } from '@/src/core/units/disjoint-set'
import { modelValue } from '@/src/core/units/model-value'
import { pathsOf } from '@/src/core/wiring/conduction'
import type { PlaceId } from '@/src/core/wiring/ids'
import { CHASSIS, conductorEnd, type Point, parsePoint, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside, commonNodes, houseHot, lineNodes } from '@/src/core/wiring/supply'
import { type Cable, firstPart, partsOf, placeById, type System } from '@/src/core/wiring/system'

/** The steps that a habit is made of, each as a good technician does it: it goes on from what it has just read. */

/** What a hand calls a short: less than any coil. */
const SHORT_OHM = modelValue({ value: 5, unit: 'ohm', source: 'assumption: coils of the trade read 8 ohm and more' })
/** What it calls a short on R with the fuse out, where no coil hangs. */
const SHORT_ON_R_OHM = modelValue({
  value: 20,
  unit: 'ohm',
  source: 'assumption: a thermostat and a panel draw less than 1 A between R and C',
})
/** The answers so far, by what was asked with which wires where: minutes and the state of the breaker make no other question of it. */
export type Known = (question: Pick<Question, 'bench' | 'probe'>) => Observation['answer'] | undefined

export function knownFrom(observations: readonly Observation[]): Known {
  const keyOf = ({ bench, probe }: Pick<Question, 'bench' | 'probe'>) =>
    probe.meter === 'look' && parseLook(probe.at).what === 'landings'
      ? probe.at
      : `${wiringKey(bench)} ${bench.power ? bench.call : 'dead'} ${probeKey(probe)}`
  const answers = new Map(observations.map((observation) => [keyOf(observation), observation.answer]))
  return (question) => answers.get(keyOf(question))
}

/** Nodes that hang on a call's terminal through wires, switches and what a board passes on or puts out for it. */
export function circuitOfCall(system: System, terminal: string): ReadonlySet<Point> {
  const joined = new DisjointSet<Point>()
  const apart = new Set([...commonNodes(system), ...lineNodes(system)])
  const join = (points: readonly Point[]) => joined.join(...points.filter((point) => !apart.has(point)))
  for (const { between, conductors } of system.cables)
    for (const { lands } of conductors) join(lands.flatMap((name, side) => (name === null ? [] : [terminalPoint(name, between[side])])))
  for (const part of system.parts) {
    if (part.kind === 'thermostat') continue
    for (const { through, joins } of pathsOf(part)) if (['switch', 'plug', 'passes'].includes(through)) join(joins)
    if (part.kind === 'board')
      for (const { call, to } of part.outputs) join([terminalPoint(call, part.place), terminalPoint(to, part.place)])
  }
  const nodes = system.places.flatMap((place) => lowVoltageNodes(system, place).map((name) => terminalPoint(name, place.id)))
  const { place } = firstPart(system, 'fuse')
  return new Set(nodes.filter((node) => joined.isJoined(node, terminalPoint(terminal, place))))
}

const isShort = (answer: Observation['answer'] | undefined, below: number = SHORT_OHM): boolean =>
  typeof answer === 'number' && answer < below

/** A wire's end at one place, the terminal that it lands on there, and where its other end goes. */
interface WireEnd {
  readonly cable: Cable
  readonly end: Point
  readonly terminal: string
  readonly far: string
  readonly farTerminal: string | null
}

/** Every wire that lands on a terminal at a place. */
const endsOn = (system: System, terminal: string, place: PlaceId): WireEnd[] =>
  system.cables.flatMap((cable) => {
    const side = cable.between.indexOf(place)
    if (side < 0) return []
    return cable.conductors
      .filter(({ lands }) => lands[side] === terminal)
      .map(({ id, lands }) => ({
        cable,
        end: conductorEnd(cable.id, id, place),
        terminal,
        far: cable.between[1 - side],
        farTerminal: lands[1 - side],
      }))
  })

/** The same of all that a call goes through at a place: behind a float the wire outdoors is on a screw of its own. */
export const endsOfCall = (system: System, terminal: string, place: PlaceId): WireEnd[] =>
  [
    ...new Set([terminal, ...[...circuitOfCall(system, terminal)].map(parsePoint).flatMap((at) => (at.place === place ? [at.name] : []))]),
  ].flatMap((name) => endsOn(system, name, place))

/**
 * A short on a call's circuit, section by section with the power off: the unit, each wire away from it, and then the section that reads
 * short: its parts one after the other, the wire by itself.
 */
export function shortOnCall(system: System, from: Bench, terminal: string, known: Known): Question[] {
  const { place: home } = firstPart(system, 'fuse')
  const off: Bench = { ...from, power: false, call: 'off', lifted: [], jumpers: [], unplugged: [] }
  // The transformer's own winding hangs on R, until the fuse is out.
  const dead: Bench = terminal === houseHot(system) ? { ...off, slot: { ...off.slot, holds: 'nothing', open: true } } : off
  const below = terminal === houseHot(system) ? SHORT_ON_R_OHM : SHORT_OHM
  const wires = endsOfCall(system, terminal, home)
  const freed: Bench = { ...dead, lifted: wires.map(({ end }) => end) }
  const atUnit = terminalPoint(terminal, home)
  const unit = againstMetal(system, freed, atUnit)
  const wiresAway = wires.map((wire) => ({ wire, away: againstMetal(system, freed, wire.end, terminalPoint(wire.terminal, home)) }))
  const sections = [
    ...(isAnyShort(unit, known, below) ? partsOneByOne(system, freed, terminal, home) : []),
    ...wiresAway.flatMap(({ wire, away }) => (isAnyShort(away, known, below) ? alongWire(system, freed, wire, home) : [])),
  ]
  return [...unit, ...wiresAway.flatMap(({ away }) => away), ...sections]
}

const isAnyShort = (questions: readonly Question[], known: Known, below: number): boolean =>
  questions.some((question) => isShort(known(question), below))

/** A point to common and to the metal of its place; of a wire or a lead in the hand the common is that beside its terminal. */
function againstMetal(system: System, bench: Bench, point: Point, terminal = point): Question[] {
  const { place } = parsePoint(point)
  const others = [commonBeside(system, terminal), placeById(system, place)?.metal ? terminalPoint(CHASSIS, place) : null]
  return others.flatMap((b) => (b === null || b === point ? [] : [{ bench, place, probe: { meter: 'ohms', a: point, b } as const }]))
}

/** What hangs on a call at a place, unplugged one after the other, nearest the terminal first: the short goes with one of them, or stays. */
function partsOneByOne(system: System, freed: Bench, terminal: string, place: PlaceId): Question[] {
  const circuit = circuitOfCall(system, terminal)
  const parts = [...partsOf(system, 'switch'), ...partsOf(system, 'coil')].filter(
    (part) => part.place === place && part.between.some((name) => circuit.has(terminalPoint(name, place))),
  )
  return parts.flatMap((part, index) => {
    const unplugged = parts.slice(0, index + 1).map(({ id }) => id)
    const bench = { ...freed, unplugged }
    const [first, second] = part.between.map((name) => terminalPoint(name, place))
    return [
      ...againstMetal(system, bench, first),
      ...(circuit.has(second) ? againstMetal(system, bench, second) : []),
      ...(part.kind === 'coil'
        ? [
            { bench, place, probe: { meter: 'ohms', a: pinPoint(part, 0), b: pinPoint(part, 1) } as const },
            ...againstMetal(system, bench, pinPoint(part, 0), first).slice(-1),
          ]
        : []),
    ]
  })
}

/** A wire by itself, both ends off, against the metal and its neighbours; then what it feeds at its far end. */
function alongWire(system: System, freed: Bench, wire: WireEnd, home: string): Question[] {
  const { cable, end, far, farTerminal, terminal } = wire
  const { name } = parsePoint(end)
  const alone: Bench = { ...freed, lifted: [...freed.lifted, conductorEnd(cable.id, name, far)] }
  const side = cable.between.indexOf(home)
  const neighbours = cable.conductors.filter(({ id, lands }) => id !== name && lands[side] !== null)
  return [
    ...againstMetal(system, alone, end, terminalPoint(terminal, home)).slice(-1),
    ...neighbours.map(({ id }): Question => {
      const other = conductorEnd(cable.id, id, home)
      return {
        bench: { ...alone, lifted: [...alone.lifted, other, conductorEnd(cable.id, id, far)] },
        place: home,
        probe: { meter: 'ohms', a: end, b: other },
      }
    }),
    ...(farTerminal === null ? [] : againstMetal(system, alone, terminalPoint(farTerminal, far))),
    ...partsOneByOne(system, alone, terminal, far),
  ]
}
