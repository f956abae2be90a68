import { type Bench, wiringKey } from '@/src/core/bench/bench'
import { joinedCalls } from '@/src/core/diagnosis/planner/candidates'
import { lowVoltageNodes } from '@/src/core/faults/low-voltage'
import type { Question } from '@/src/core/practice/trial'
import { probeKey } from '@/src/core/readings/check'
import { flameOf, flameSignalOf, parseLook } from '@/src/core/readings/look-target'
import type { Observation } from '@/src/core/readings/observations'
import { DisjointSet } from '@/src/core/units/disjoint-set'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'
import type { CallName } from '@/src/core/wiring/call'
import { pathsOf } from '@/src/core/wiring/conduction'
import type { PlaceId } from '@/src/core/wiring/ids'
import { CHASSIS, conductorEnd, type Point, parsePoint, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside, commonNodes, houseHot, lineNodes } from '@/src/core/wiring/supply'
import { type Cable, callerOf, firstPart, partsOf, placeById, type System } from '@/src/core/wiring/system'
import { feedOf } from '@/src/core/wiring/thermostat'

/** The steps that a habit is made of, each as a good technician does it: it goes on from what it has just read. */

/** What a hand calls a short: less than any coil. */
const SHORT_OHM = modelValue({ value: 5, unit: 'ohm', source: 'assumption: coils of the trade read 8 ohm and more' })
/** What it calls a short on R with the fuse out, where no coil hangs. */
const SHORT_ON_R_OHM = modelValue({
  value: 20,
  unit: 'ohm',
  source: 'assumption: a thermostat and a panel draw less than 1 A between R and C',
})
/** What a hand calls 24 V there. */
const THERE_VOLTS = modelValue({ value: 18, unit: 'V', source: 'assumption' })

/** The answers so far, by what was asked with which wires where: minutes and the state of the breaker make no other question of it. */
type Known = (question: Pick<Question, 'bench' | 'probe'>) => Observation['answer'] | undefined

export function knownFrom(observations: readonly Observation[]): Known {
  const keyOf = ({ bench, probe }: Pick<Question, 'bench' | 'probe'>) =>
    probe.meter === 'look' && parseLook(probe.at).what === 'landings'
      ? probe.at
      : `${wiringKey(bench)} ${bench.power ? bench.call : 'dead'} ${probeKey(probe)}`
  const answers = new Map(observations.map((observation) => [keyOf(observation), observation.answer]))
  return (question) => answers.get(keyOf(question))
}

/** Nodes that hang on a call's terminal through wires, switches and what a board passes on or puts out for it. */
function circuitOfCall(system: System, terminal: string): ReadonlySet<Point> {
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

/** Everything taken off that hangs on a terminal at a place. */
const endsOn = (
  system: System,
  terminal: string,
  place: PlaceId,
): { cable: Cable; end: Point; far: string; farTerminal: string | null }[] =>
  system.cables.flatMap((cable) => {
    const side = cable.between.indexOf(place)
    if (side < 0) return []
    return cable.conductors
      .filter(({ lands }) => lands[side] === terminal)
      .map(({ id, lands }) => ({
        cable,
        end: conductorEnd(cable.id, id, place),
        far: cable.between[1 - side],
        farTerminal: lands[1 - side],
      }))
  })

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
  const wires = endsOn(system, terminal, home)
  const freed: Bench = { ...dead, lifted: wires.map(({ end }) => end) }
  const atUnit = terminalPoint(terminal, home)
  const unit = againstMetal(system, freed, atUnit)
  const wiresAway = wires.map((wire) => ({ wire, away: againstMetal(system, freed, wire.end, atUnit) }))
  const sections = [
    ...(isAnyShort(unit, known, below) ? partsOneByOne(system, freed, terminal, home) : []),
    ...wiresAway.flatMap(({ wire, away }) => (isAnyShort(away, known, below) ? alongWire(system, freed, wire, home, terminal) : [])),
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
function alongWire(system: System, freed: Bench, wire: ReturnType<typeof endsOn>[number], home: string, terminal: string): Question[] {
  const { cable, end, far, farTerminal } = wire
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

/**
 * A call that does nothing, followed live from the thermostat to its load: across the contact, at the unit, node by node along the way;
 * where the volts end is the place, and what lies there is read with the power off.
 */
export function followCall(system: System, from: Bench, call: CallName, known: Known): Question[] {
  const { place: home } = firstPart(system, 'fuse')
  const stat = callerOf(system, call)
  const live: Bench = { ...joinedCalls(system, from, home)[0], call }
  const dead: Bench = { ...from, power: false, call: 'off', lifted: [], jumpers: [], unplugged: [] }
  const terminals = [...(stat.calls[call] ?? [])].sort((a, b) => Number(a === 'G') - Number(b === 'G'))
  return terminals.flatMap((terminal) => {
    const circuit = circuitOfCall(system, terminal)
    const nodes = [stat.place, home, ...system.places.map(({ id }) => id)]
      .filter((place, index, all) => all.indexOf(place) === index)
      .flatMap((place) => [...circuit].filter((node) => parsePoint(node).place === place && commonBeside(system, node)))
    const volts = nodes.flatMap((node): Question[] => {
      const { place } = parsePoint(node)
      const against = commonBeside(system, node)
      return against ? [{ bench: live, place, probe: { meter: 'volts', a: node, b: against } }] : []
    })
    const across: Question = {
      bench: live,
      place: stat.place,
      probe: { meter: 'volts', a: terminalPoint(feedOf(stat, terminal), stat.place), b: terminalPoint(terminal, stat.place) },
    }
    const gone = volts.findIndex((question) => {
      const answer = known(question)
      return typeof answer === 'number' && answer < THERE_VOLTS
    })
    // Past the first dead node nothing is read live: what lies before it is to blame, the wire to its place or a part there.
    const walked = gone < 0 ? volts : volts.slice(0, gone + 1)
    const there = gone < 0 ? null : volts[gone].place
    // Dead to common and alive to the metal: it is the common that is open.
    const toMetal =
      gone < 0 || !placeById(system, volts[gone].place)?.metal
        ? []
        : [{ ...volts[gone], probe: { meter: 'volts', a: nodes[gone], b: terminalPoint(CHASSIS, volts[gone].place) } } satisfies Question]
    const isWire = gone > 0 && volts[gone - 1].place !== there
    const parts = [...partsOf(system, 'switch'), ...partsOf(system, 'coil')]
      .filter(
        (part) => part.between.some((name) => circuit.has(terminalPoint(name, part.place))) && (there === null || part.place === there),
      )
      .map(
        (part): Question => ({
          bench: { ...dead, unplugged: [part.id] },
          place: part.place,
          probe: { meter: 'ohms', a: pinPoint(part, 0), b: pinPoint(part, 1) },
        }),
      )
    const wires = loops(system, dead, terminal, home, there)
    return [
      { bench: live, place: stat.place, probe: { meter: 'look', at: stat.id } } satisfies Question,
      across,
      ...walked,
      ...toMetal,
      ...seenOnCall(system, live, circuit),
      ...(isWire ? [...wires, ...parts] : [...parts, ...wires]),
    ]
  })
}

/** What a call brings on, looked at where its circuit goes: armatures, boards, what the line feeds, the burners and their signal. */
function seenOnCall(system: System, live: Bench, circuit: ReadonlySet<Point>): Question[] {
  const look = (place: PlaceId, at: string): Question => ({ bench: live, place, probe: { meter: 'look', at } })
  const places = new Set([...circuit].map((node) => parsePoint(node).place))
  const coils = partsOf(system, 'coil').filter(({ place, between }) => between.some((name) => circuit.has(terminalPoint(name, place))))
  const boards = partsOf(system, 'board').filter(({ place }) => places.has(place))
  const loads = partsOf(system, 'load').filter(({ place }) => places.has(place))
  const burners = boards
    .filter(({ ignites }) => ignites !== undefined)
    .flatMap(({ place, id }) => [look(place, flameOf(id)), look(place, flameSignalOf(id))])
  return [...[...coils, ...boards, ...loads].map(({ place, id }) => look(place, id)), ...burners]
}

/** Each wire of a call, towards the place where the volts end where that is known: joined at its far end to two others in turn, and the loops read. */
const loops = (system: System, dead: Bench, terminal: string, home: string, there: string | null): Question[] =>
  endsOn(system, terminal, home)
    .filter(({ far }) => there === null || there === home || far === there)
    .flatMap(({ cable, end, far, farTerminal }) => {
      const side = cable.between.indexOf(home)
      const mates = cable.conductors.filter(
        ({ lands }) => lands.every((name) => name !== null && name !== terminal) && farTerminal !== null && lands[side] !== null,
      )
      return mates.slice(-MOST_MATES).map((mate): Question => {
        const other = conductorEnd(cable.id, mate.id, home)
        const joined = [farTerminal, mate.lands[1 - side]].map((name) => terminalPoint(name ?? '', far))
        return {
          bench: { ...dead, lifted: [end, other], jumpers: [{ a: joined[0], b: joined[1] }] },
          place: home,
          probe: { meter: 'ohms', a: end, b: other },
        }
      })
    })
/** One partner leaves two wires in doubt; a second one tells which. */
const MOST_MATES = workLimit(2)
