import type { Bench, BenchChange, Jumper } from '@/src/core/bench/bench'
import { isResistor, isSameJumper } from '@/src/core/bench/bench'
import { metalEnd } from '@/src/core/cable/conductor-faults'
import type { ConductorReading, Setup } from '@/src/core/cable/conductor-plan'
import { endOf } from '@/src/core/cable/conductor-tests'
import type { Marks, Told } from '@/src/core/cable/marks'
import type { Answer } from '@/src/core/readings/check'
import { OPEN_FROM_OHM } from '@/src/core/readings/meter-readings'
import type { Observation } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'
import type { PlaceId } from '@/src/core/wiring/ids'
import { CHASSIS, conductorEnd, isPoint, type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { type Cable, placeById, type System } from '@/src/core/wiring/system'

/*
 * A cable on the bench, with everything off at both ends: its ends as the plans number them, what is tied to what, and the changes that
 * make it so.
 */

/** Below this, two ends are joined by copper, through a touch or a corroded joint at the worst; above it they are not. */
const CLOSED_BELOW = modelValue({ value: 1000, unit: 'ohm', source: 'assumption: wet insulation between two conductors reads more' })

export const hasMetal = (system: System, place: PlaceId): boolean => placeById(system, place)?.metal === true

/** A conductor is off its screw there, or never was on one. */
const isOff = (bench: Bench, cable: Cable, side: number, conductor: Cable['conductors'][number]): boolean =>
  conductor.lands[side] === null || bench.lifted.includes(conductorEnd(cable.id, conductor.id, cable.between[side]))

export const isAllOff = (cable: Cable, bench: Bench, place: PlaceId): boolean =>
  cable.conductors.every((conductor) => isOff(bench, cable, cable.between.indexOf(place), conductor))

export const liftAll = (cable: Cable, bench: Bench, place: PlaceId): BenchChange[] =>
  cable.conductors
    .filter((conductor) => !isOff(bench, cable, cable.between.indexOf(place), conductor))
    .map(({ id }) => ({ do: 'lift', end: conductorEnd(cable.id, id, place) }))

/** An ohm reading of the cable by itself, as the plan takes it; null for one that anything else may be in. */
export function readingOf(cable: Cable, { bench, probe, answer }: Observation): ConductorReading | null {
  if (probe.meter !== 'ohms' || bench.power) return null
  const told = toldByAnswer(answer)
  if (told === null || !cable.between.every((place) => isAllOff(cable, bench, place))) return null
  const [a, b] = [probe.a, probe.b].map((point) => numberOf(cable, point))
  const joins = ([0, 1] as const).map((side) => groupsAt(cable, bench, side))
  const marked = ([0, 1] as const).map((side) => marksIn(cable, bench, side))
  if (a === null || b === null || joins.some((groups) => groups === null) || marked.includes(null)) return null
  const [marks, another] = marked.flatMap((some) => (some && some !== NO_MARKS ? [some] : []))
  // Resistors at both ends: nobody planned that.
  if (another) return null
  const { isClosed, ohm } = told
  return { a, b, joins: joins.flatMap((groups) => groups ?? []), isClosed, ...(marks && { marks, ...(ohm !== undefined && { ohm }) }) }
}

/** Closed, open, or the ohms that it is; null for what may be either. */
function toldByAnswer(answer: Answer): Told | null {
  if (answer === 'OL') return { isClosed: false }
  if (typeof answer === 'number')
    return answer < CLOSED_BELOW ? { isClosed: true } : answer < OPEN_FROM_OHM ? { isClosed: false, ohm: answer } : { isClosed: false }
  if ('word' in answer) return null
  if (answer.high < CLOSED_BELOW) return { isClosed: true }
  if (answer.low < CLOSED_BELOW) return null
  return answer.low >= OPEN_FROM_OHM ? { isClosed: false } : { isClosed: false, ohm: Math.sqrt(answer.low * answer.high) }
}

/** A point of the cable, or the metal, as the plan's number; null for any other. */
function numberOf(cable: Cable, point: Point): number | null {
  const { cable: of, name, place } = parsePoint(point)
  const side = cable.between.indexOf(place)
  if (of === null) return name === CHASSIS ? metalEnd(cable.conductors.length) : null
  const conductor = cable.conductors.findIndex(({ id }) => id === name)
  return of !== cable.id || side < 0 || conductor < 0
    ? null
    : endOf({ conductors: cable.conductors.length, side: side as 0 | 1 }, conductor)
}

/** Jumpers and resistors on the cable's ends at one of its places. */
const jumpersAt = (cable: Cable, { jumpers }: Bench, side: 0 | 1): Jumper[] =>
  jumpers.filter((jumper) =>
    ends(jumper).some((point) => parsePoint(point).cable === cable.id && parsePoint(point).place === cable.between[side]),
  )

const ends = ({ a, b }: Jumper): Point[] => [a, b].filter(isPoint)

/** What is tied together there; null where something else than the cable's own is tied to it. */
export function groupsAt(cable: Cable, bench: Bench, side: 0 | 1): number[][] | null {
  const groups: number[][] = []
  for (const jumper of jumpersAt(cable, bench, side)) {
    if (isResistor(jumper)) continue
    const numbers = [jumper.a, jumper.b].map((point) => numberOf(cable, point))
    if (numbers.includes(null)) return null
    const pair = numbers.flatMap((number) => number ?? [])
    const met = groups.filter((group) => group.some((end) => pair.includes(end)))
    for (const group of met) groups.splice(groups.indexOf(group), 1)
    groups.push([...new Set([...met.flat(), ...pair])])
  }
  return groups
}

/** No resistor is in. */
export const NO_MARKS: Marks = { hub: -1, of: [] }

/** Resistors that are in there, all to one wire; null where they are anything else. */
export function marksIn(cable: Cable, bench: Bench, side: 0 | 1): Marks | null {
  const resistors = jumpersAt(cable, bench, side).filter(isResistor)
  const pairs = resistors.map(({ a, b, ohm = 0 }) => ({ ends: [numberOf(cable, a), numberOf(cable, b)], ohm }))
  const [first] = pairs
  if (!first) return NO_MARKS
  const hub = [...first.ends].reverse().find((end) => end !== null && pairs.every(({ ends: both }) => both.includes(end)))
  const of = pairs.flatMap(({ ends: both, ohm }) => both.flatMap((end) => (end === null || end === hub ? [] : [{ end, ohm }])))
  return hub === undefined || hub === null || of.length < pairs.length ? null : { hub, of }
}

export const pointOf = (cable: Cable, number: number, place: PlaceId): Point => {
  const count = cable.conductors.length
  if (number === metalEnd(count)) return terminalPoint(CHASSIS, place)
  return conductorEnd(cable.id, cable.conductors[number > count ? number - count - 1 : number].id, place)
}

/** The jumpers there as they have to be: those that are not wanted come out, each group gets its own. */
export function tie(cable: Cable, bench: Bench, side: 0 | 1, { ties, marks }: Setup): BenchChange[] {
  const place = cable.between[side]
  const wanted = [
    ...ties.flatMap((group) =>
      group.slice(1).map((end): Jumper => ({ a: pointOf(cable, group[0], place), b: pointOf(cable, end, place) })),
    ),
    ...(marks?.of ?? []).map(({ end, ohm }): Jumper => ({ a: pointOf(cable, end, place), b: pointOf(cable, marks?.hub ?? 0, place), ohm })),
  ]
  const isIn = (some: readonly Jumper[], { a, b, ohm }: Jumper) => some.some((one) => isSameJumper(one, a, b) && one.ohm === ohm)
  const present = jumpersAt(cable, bench, side)
  return [
    ...present.filter((one) => !isIn(wanted, one)).map(({ a, b }): BenchChange => ({ do: 'unjumper', a, b })),
    ...wanted.filter((one) => !isIn(present, one)).map((one): BenchChange => ({ do: 'jumper', ...one })),
  ]
}
