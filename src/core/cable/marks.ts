import { metalEnd, reached } from '@/src/core/cable/conductor-faults'
import { type CableEnd, type ConductorTest, endOf } from '@/src/core/cable/conductor-tests'
import { modelValue } from '@/src/core/units/model-value'

/**
 * Resistors of known values at one end of a cable, each from its own wire to one wire that all of them share: read from the other end, a
 * wire shows its value, and several that hang together the parallel of theirs.
 */
export interface Marks {
  /** The end that all of them go to. */
  readonly hub: number
  readonly of: readonly { readonly end: number; readonly ohm: number }[]
}

/** What a bag for this holds: each over twice the one before, and all in parallel still far above a corroded touch. */
export const MARK_OHMS = modelValue({
  value: [2200, 4700, 10_000, 22_000, 47_000, 100_000, 220_000],
  unit: 'ohm',
  source: 'IEC 60063: every other value of the E6 series; how many a bag holds is an assumption',
})
/** A resistor of 5 % and the meter on it. */
const OFF_BY = modelValue({ value: 0.06, unit: 'share', source: 'IEC 60062 tolerance letter J, and 1 % for the meter: assumption' })
/** Contacts in the way of it: clips, a splice, a touch. */
const CONTACTS_OHM = modelValue({ value: 60, unit: 'ohm', source: 'assumption' })
/** Two values that are further apart than this are told from each other. */
const TOLD_APART = 1 + 2 * OFF_BY

/** Ohm from one end to another: 0 where they hang together, Infinity where no path is. */
export function ohmsBetween(masks: Uint32Array, joins: readonly (readonly number[])[], marks: Marks | null, a: number, b: number): number {
  const from = reached(masks, joins, a)
  if ((from & (1 << b)) !== 0) return 0
  return marks === null ? Number.POSITIVE_INFINITY : toHub(from, marks) + toHub(reached(masks, joins, b), marks)
}

/** From all that hangs together to the wire that the resistors share. */
function toHub(bits: number, { hub, of }: Marks): number {
  if ((bits & (1 << hub)) !== 0) return 0
  let siemens = 0
  for (const { end, ohm } of of) if ((bits & (1 << end)) !== 0) siemens += 1 / ohm
  return siemens === 0 ? Number.POSITIVE_INFINITY : 1 / siemens
}

/** What a meter said: closed, open, or so many ohm through resistors. */
export interface Told {
  readonly isClosed: boolean
  readonly ohm?: number
}

export const toldBy = (ohm: number): Told =>
  ohm === 0 || ohm === Number.POSITIVE_INFINITY ? { isClosed: ohm === 0 } : { isClosed: false, ohm }

/** Whether that is what would be read where the ohms are these. */
export function isTold({ isClosed, ohm: read }: Told, ohm: number): boolean {
  if (isClosed) return ohm === 0
  if (read === undefined) return ohm === Number.POSITIVE_INFINITY
  return ohm > 0 && read >= ohm * (1 - OFF_BY) && read <= ohm * (1 + OFF_BY) + CONTACTS_OHM
}

/** For each value its class: those of two classes are told from each other by a meter. */
export function classesOf(values: readonly number[]): number[] {
  const sorted = [...new Set(values)].sort((a, b) => a - b)
  const classes = new Map<number, number>()
  let before = Number.NaN
  let at = -1
  for (const value of sorted) {
    if (!(value <= (before + CONTACTS_OHM) * TOLD_APART && before > 0)) at++
    classes.set(value, at)
    before = value
  }
  return values.map((value) => classes.get(value) ?? 0)
}

/** Resistors on the conductors in that order, as many as there are, all to the last of them. */
export function marksAt(end: Pick<CableEnd, 'conductors' | 'side'>, order: readonly number[], ohms: readonly number[]): Marks {
  const hub = order[order.length - 1]
  const marked = order.slice(0, -1).slice(0, ohms.length)
  return { hub: endOf(end, hub), of: marked.map((conductor, index) => ({ end: endOf(end, conductor), ohm: ohms[index] })) }
}

/**
 * With resistors at the other end: each pair; each thing against all the others clipped together; and two or three clipped together against
 * the wire that the resistors share, which reads the parallel of theirs.
 */
export function testsThrough(end: CableEnd, marks: Marks): ConductorTest[] {
  const hub = endOf(end, conductorOf(end, marks.hub))
  const marked = marks.of.map((one) => endOf(end, conductorOf(end, one.end)))
  const bunches = marked.flatMap((a, index) =>
    marked.slice(index + 1).flatMap((b, further) => [[a, b], ...marked.slice(index + further + 2).map((c) => [a, b, c])]),
  )
  return [
    ...pairsAt(end),
    ...bunches.map((bunch) => ({ joins: [bunch], a: hub, b: bunch[0] })),
    ...thingsAt(end).map((a) => {
      const others = thingsAt(end).filter((one) => one !== a)
      return { joins: [others], a, b: others[0] }
    }),
  ]
}

const conductorOf = ({ conductors }: CableEnd, end: number): number => (end > conductors ? end - conductors - 1 : end)

const thingsAt = (end: CableEnd): number[] => {
  const own = Array.from({ length: end.conductors }, (_, conductor) => endOf(end, conductor))
  return end.hasMetal ? [...own, metalEnd(end.conductors)] : own
}

/** Each pair at one end, and each conductor against the metal. */
export const pairsAt = (end: CableEnd): ConductorTest[] =>
  thingsAt(end).flatMap((a, index, things) => things.slice(index + 1).map((b) => ({ joins: [], a, b })))

/** What every pair at one end would read, in a word. */
export const pictureThrough = (end: CableEnd, masks: Uint32Array, marks: Marks): string =>
  pairsAt(end)
    .map(({ a, b }) => ohmsBetween(masks, [], marks, a, b).toPrecision(2))
    .join(' ')
