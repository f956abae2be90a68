import type { Bench } from '@/src/core/bench/bench'
import { joinedCalls } from '@/src/core/diagnosis/planner/candidates'
import { circuitOfCall, endsOfCall, type Known, shortOnCall } from '@/src/core/practice/habit-steps'
import type { Question } from '@/src/core/practice/trial'
import { wordOf } from '@/src/core/readings/check'
import { flameOf, flameSignalOf } from '@/src/core/readings/look-target'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'
import type { CallName } from '@/src/core/wiring/call'
import type { PlaceId } from '@/src/core/wiring/ids'
import type { PartOf } from '@/src/core/wiring/part'
import { CHASSIS, conductorEnd, type Point, parsePoint, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside } from '@/src/core/wiring/supply'
import { callerOf, firstPart, partsOf, placeById, type System } from '@/src/core/wiring/system'
import { feedOf } from '@/src/core/wiring/thermostat'

/** What a hand calls 24 V there. */
const THERE_VOLTS = modelValue({ value: 18, unit: 'V', source: 'assumption' })

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
  // What opens the fuse while it is followed is a short, and hunted as one.
  const word = wordOf(known({ bench: live, probe: { meter: 'trip' } }))
  const isShorted = word !== null && word !== 'holds'
  return terminals.flatMap((terminal) => {
    const circuit = circuitOfCall(system, terminal)
    const nodes = [stat.place, home, ...system.places.map(({ id }) => id)]
      .filter((place, index, all) => all.indexOf(place) === index)
      .flatMap((place) => [...circuit].filter((node) => parsePoint(node).place === place && commonBeside(system, node)))
    const volts = nodes.flatMap((node): Question[] => {
      const against = commonBeside(system, node)
      return against ? [across(live, node, against)] : []
    })
    const gone = volts.findIndex((question) => {
      const answer = known(question)
      return typeof answer === 'number' && answer < THERE_VOLTS
    })
    // Past the first dead node nothing is read live: what lies before it is to blame, the wire to its place or a part there.
    const walked = gone < 0 ? volts : volts.slice(0, gone + 1)
    const there = gone < 0 ? null : volts[gone].place
    // Dead to common and alive to the metal: it is the common that is open.
    const toMetal =
      gone < 0 || !placeById(system, volts[gone].place)?.metal ? [] : [across(live, nodes[gone], terminalPoint(CHASSIS, volts[gone].place))]
    const isWire = gone > 0 && volts[gone - 1].place !== there
    const parts = [...partsOf(system, 'switch'), ...partsOf(system, 'coil')].filter(
      (part) => part.between.some((name) => circuit.has(terminalPoint(name, part.place))) && (there === null || part.place === there),
    )
    const dry = parts.map(
      (part): Question => ({
        bench: { ...dead, unplugged: [part.id] },
        place: part.place,
        probe: { meter: 'ohms', a: pinPoint(part, 0), b: pinPoint(part, 1) },
      }),
    )
    const wires = loops(system, dead, terminal, home, there)
    return [
      { bench: live, place: stat.place, probe: { meter: 'look', at: stat.id } } satisfies Question,
      across(live, terminalPoint(feedOf(stat, terminal), stat.place), terminalPoint(terminal, stat.place)),
      ...(isShorted
        ? shortOnCall(system, from, terminal, known)
        : [...walked, ...toMetal, ...(gone < 0 ? [] : atSwitches(parts, live, nodes[gone])), ...seenOnCall(system, live, circuit, known)]),
      ...(isWire ? [...wires, ...dry] : [...dry, ...wires]),
    ]
  })
}

const across = (bench: Bench, a: Point, b: Point): Question => ({ bench, place: parsePoint(a).place, probe: { meter: 'volts', a, b } })

/** The switch before a dead node, live across its own pins: it holds the volts back, or they end at one of its leads. */
const atSwitches = (parts: readonly (PartOf<'switch'> | PartOf<'coil'>)[], live: Bench, node: Point): Question[] =>
  parts.flatMap((part) =>
    part.kind === 'switch' && part.between.some((name) => terminalPoint(name, part.place) === node)
      ? [across(live, pinPoint(part, 0), pinPoint(part, 1))]
      : [],
  )

/**
 * What a call brings on, looked at where its circuit goes: boards, armatures, what their contacts feed, the burners and their signal.
 * An armature that stays out is read across its coil; what stands still behind one that is in, across its own leads and across the contact.
 */
function seenOnCall(system: System, live: Bench, circuit: ReadonlySet<Point>, known: Known): Question[] {
  const look = (place: PlaceId, at: string): Question => ({ bench: live, place, probe: { meter: 'look', at } })
  const wordAt = (place: PlaceId, at: string) => wordOf(known(look(place, at)))
  const at = (place: PlaceId, [a, b]: readonly string[]) => across(live, terminalPoint(a, place), terminalPoint(b, place))
  const places = new Set([...circuit].map((node) => parsePoint(node).place))
  const boards = partsOf(system, 'board').filter(({ place }) => places.has(place))
  const coils = partsOf(system, 'coil').filter(({ place, between }) => between.some((name) => circuit.has(terminalPoint(name, place))))
  const loads = partsOf(system, 'load')
  const fedBy = (place: PlaceId, lines: readonly string[]) =>
    loads.filter((load) => load.place === place && load.between.some((name) => lines.includes(name)))
  const ofCoils = coils.flatMap((coil): Question[] => {
    const { place, id, contact } = coil
    const word = wordAt(place, id)
    const isIn = word === 'in'
    const fed = contact ? fedBy(place, contact.slice(1)) : []
    return [
      look(place, id),
      ...(word === null || isIn ? [] : [across(live, pinPoint(coil, 0), pinPoint(coil, 1))]),
      ...fed.flatMap((load): Question[] => [
        look(place, load.id),
        ...(isIn && wordAt(place, load.id) === 'still' ? [at(place, load.between), ...(contact ? [at(place, contact)] : [])] : []),
      ]),
    ]
  })
  const ofBoards = boards.flatMap(({ place, id, outputs, ignites }): Question[] => [
    look(place, id),
    ...fedBy(
      place,
      outputs.flatMap(({ line, call, to }) => (line && circuit.has(terminalPoint(call, place)) ? [to] : [])),
    ).map((load) => look(place, load.id)),
    ...(ignites !== undefined && outputs.some(({ call }) => circuit.has(terminalPoint(call, place)))
      ? [look(place, flameOf(id)), look(place, flameSignalOf(id))]
      : []),
  ])
  return [...ofCoils, ...ofBoards]
}

/** Each wire of a call, towards the place where the volts end where that is known: joined at its far end to two others in turn, and the loops read. */
const loops = (system: System, dead: Bench, terminal: string, home: string, there: string | null): Question[] =>
  endsOfCall(system, terminal, home)
    .filter(({ far }) => there === null || there === home || far === there)
    .flatMap(({ cable, end, far, farTerminal, terminal: on }) => {
      const side = cable.between.indexOf(home)
      const mates = cable.conductors.filter(
        ({ lands }) => lands.every((name) => name !== null && name !== on) && farTerminal !== null && lands[side] !== null,
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
