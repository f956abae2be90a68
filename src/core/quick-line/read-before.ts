import type { JobState } from '@/src/core/job/job-state'
import type { Said } from '@/src/core/quick-line/rule'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { NOT_24_V } from '@/src/core/quick-line/units'
import { lastSeen } from '@/src/core/quick-line/which-part'
import { CHASSIS, conductorEnd, type Point, parsePoint } from '@/src/core/wiring/point'
import { lineNodes } from '@/src/core/wiring/supply'
import { cableById, partsOf, type System } from '@/src/core/wiring/system'

/** What was read before, read again: between the same points, across the same part, or on the wires that came off. */

/** The last reading of a meter, taken again: "still 0.6". */
export function readAgain({ state, system }: Sentence, value: string, unit: string): Said {
  const last = state.observations.findLast(({ probe }) => probe.meter === 'volts' || probe.meter === 'ohms')
  if (last?.probe.meter !== 'volts' && last?.probe.meter !== 'ohms') return null
  const { meter, a, b } = last.probe
  const isOhms = meter === 'ohms'
  if (isOhms === state.bench.power || (unit !== '' && /ohm/.test(unit) !== isOhms)) return null
  if (!isOhms && isElsewhere(system, [a, b], Number(value)))
    return { asks: `Between which points? Say them: "R-C ${value}", "L1-L2 ${value}".` }
  // With a wire of that letter in the hand it may have been read on that.
  const inHand = state.bench.lifted.find((end) => [a, b].some((point) => isWireOf(end, point)) && !isWholeOff(end, state, system))
  if (inHand !== undefined) {
    const { cable, name } = parsePoint(inHand)
    const other = parsePoint(isWireOf(inHand, a) ? b : a).name
    return { asks: `On the screw, or on the wire that is off? Say "${name}-${other} ${value}", or "${cable} ${name}-${other} ${value}".` }
  }
  return `${isOhms ? 'ohms ' : ''}${a} to ${b} ${asRead(value)}${isOhms ? '' : ' V'}`
}

/** The switch or coil whose leads were read last, or that was looked at last. */
export function partLast({ state, system }: Sentence) {
  const parts = [...partsOf(system, 'switch'), ...partsOf(system, 'coil')]
  const last = state.observations.at(-1)?.probe
  const names = last && 'a' in last ? [last.a, last.b].map((point) => parsePoint(point).name) : []
  const id = lastSeen(state, parts)
  return parts.find(({ between }) => between.every((lead) => names.includes(lead))) ?? parts.find((part) => part.id === id)
}

/** A figure across that part: volts while the power is on, else its ohms. */
export function acrossLast(the: Sentence, value: string, unit: string): Said {
  const part = partLast(the)
  const { power } = the.state.bench
  if (!part || !/\d/.test(value) || (unit !== '' && power === /ohm/.test(unit))) return null
  return power ? `${part.between[0]}-${part.between[1]} ${value} V at ${part.place}` : `ohms ${part.id} ${value}`
}

/** The letters that were read last, on their wires where one stands now. */
export function onTheWires({ state, system }: Sentence, value: string): string | null {
  const last = state.observations.findLast(({ probe }) => probe.meter === 'ohms')?.probe
  if (state.bench.power || last?.meter !== 'ohms') return null
  const { place, lifted } = state.bench
  const names = [last.a, last.b].map((point) => parsePoint(point).name)
  const inHand = (cable: string) => names.map((name) => lifted.find((end) => end === conductorEnd(cable, name, place)))
  const cables = system.cables.filter(({ id }) => inHand(id).some((end) => end !== undefined))
  if (cables.length === 0) return `ohms ${names.map((name) => `${name}@${place}`).join(' to ')} ${asRead(value)}`
  const [ends, others] = cables.map(({ id }) => inHand(id)).filter((pair) => !pair.includes(undefined))
  return ends && !others ? `ohms ${ends.join(' to ')} ${asRead(value)}` : null
}

/** Volts that cannot be between the points read last: 26 on the line, 208 on the control side, or 208 from one leg to the metal. */
function isElsewhere(system: System, points: readonly Point[], volts: number): boolean {
  if (!(volts > 0)) return false
  const isOfLine = points.some((point) => lineNodes(system).has(point))
  if (!isOfLine) return volts >= NOT_24_V
  return volts < NOT_24_V || (volts > ONE_LEG_VOLTS && points.some((point) => parsePoint(point).name === CHASSIS))
}
/** The most that one leg reads to the metal on 120/240 V; a 277 V supply is typed with its unit. */
const ONE_LEG_VOLTS = 150

export const SHORTED = 'shorted'

/** What the meter was said to show, as the grammar has it. */
export const asRead = (value: string): string => (/^(?:ol|open)$/.test(value) ? 'OL' : value === SHORTED ? 'jumps between 0 and 1' : value)

/** A wire in the hand whose letter is that of a terminal, at the same place. */
const isWireOf = (end: Point, point: Point): boolean =>
  parsePoint(point).cable === null && parsePoint(end).place === parsePoint(point).place && parsePoint(end).name === parsePoint(point).name

/** Whether a wire hangs with all others of its cable: nobody picks it out of those without a word. */
function isWholeOff(end: Point, { bench }: JobState, system: System): boolean {
  const { cable, place } = parsePoint(end)
  const whole = cableById(system, cable ?? '')
  const side = whole?.between.indexOf(place) ?? -1
  const landed = whole?.conductors.filter(({ lands }) => lands[side] !== null) ?? []
  return landed.length > 1 && landed.every(({ id }) => bench.lifted.includes(conductorEnd(cable ?? '', id, place)))
}
