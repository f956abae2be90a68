import type { JobState } from '@/src/core/job/job-state'
import { IS_COLOUR } from '@/src/core/quick-line/colours'
import { findCable, findEnds, findLead, findPart, findPlace, isGroundWord, isLifted, placesOfKind } from '@/src/core/quick-line/names'
import type { Reader } from '@/src/core/quick-line/reader'
import type { Token } from '@/src/core/quick-line/tokens'
import type { PlaceId } from '@/src/core/wiring/ids'
import { CHASSIS, isPoint, type Point, parsePoint, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { partById, placeById } from '@/src/core/wiring/system'

interface SaidPoint {
  readonly token: Token
  readonly cable: string | null
  readonly lifted: boolean
  /** Said to be the screw, not the wire that has come off it. */
  readonly screw: boolean
  readonly place: PlaceId | null
}

export interface SaidPair {
  readonly first: SaidPoint
  readonly second: SaidPoint
  readonly place: PlaceId | null
}

/** What a meter shows, or a hand says, of no connection. */
export const isOverload = (word: string): boolean => /^(ol|open|infinite|infinity|overload)$/i.test(word)

/** A part by its name: its own two leads while it is unplugged, else the two that it hangs on. */
export function readAcrossPart(reader: Reader): [Point, Point] | null {
  const { system, state } = reader.context
  const id = findPart(system, reader.peek()?.text ?? '')
  const part = id === null ? undefined : partById(system, id)
  if (part?.kind !== 'switch' && part?.kind !== 'coil' && part?.kind !== 'load') return null
  reader.at++
  if (part.kind !== 'load' && state.bench.unplugged.includes(part.id)) return [pinPoint(part, 0), pinPoint(part, 1)]
  return [terminalPoint(part.between[0], part.place), terminalPoint(part.between[1], part.place)]
}

/** Two points as they are said, before it is known where; the place may still follow. */
export function readTwoPoints(reader: Reader): SaidPair {
  const first = readPoint(reader)
  if (!reader.accept('-') && !reader.accept('to')) reader.accept('and')
  return { first, second: readPoint(reader), place: readAtPlace(reader) }
}

export function resolveBoth(reader: Reader, { first, second, place }: SaidPair, later: string | null): [Point, Point] {
  const home = place ?? later ?? first.place ?? second.place ?? reader.context.state.bench.place
  return [resolvePoint(reader, first, home), resolvePoint(reader, second, home)]
}

function readPoint(reader: Reader): SaidPoint {
  const lifted = reader.accept('lifted')
  const screw = !lifted && reader.accept('screw')
  const cable = screw ? null : readCable(reader)
  const token = reader.word('Name two points, as in R-C 26.4 or Y-gnd OL.')
  return { token, cable, lifted, screw, place: isPoint(token.text) ? parsePoint(token.text).place : null }
}

/**
 * The same two points, with the wires that are off their screws at the place in the stead of their letters: whoever holds two wires and joins
 * "R and Y" joins those. Where only one of the two is in the hand both ways are done, and it is asked which.
 */
export function inTheHand(reader: Reader, { first, second, place }: SaidPair): SaidPair {
  const { system, state } = reader.context
  const home = place ?? state.bench.place
  const isPlain = (said: SaidPoint) => said.cable === null && !said.lifted && !said.screw && said.place === null
  const held = [first, second].map((point) =>
    isPlain(point) ? findEnds(system, point.token.text, home, null).filter((end) => isLifted(state.bench, end)) : [],
  )
  if (held.every((ends) => ends.length === 0)) return { first, second, place }
  const isInHand = (point: SaidPoint, side: number) => held[side].length === 1 || point.lifted || point.cable !== null
  if ([first, second].every(isInHand)) {
    const [one, other] = [first, second].map((point) => (isPlain(point) ? { ...point, lifted: true } : point))
    return { first: one, second: other, place }
  }
  const off = [first, second].filter((_, side) => held[side].length > 0)
  const said = (isHeld: boolean) =>
    [first, second]
      .map((point) => (off.includes(point) ? `${isHeld ? 'lifted' : 'screw'} ${point.token.text}` : point.token.text))
      .join(' ')
  return reader.failAt(
    `${off.map(({ token }) => token.text).join(' and ')} is off its screw here: say jumper ${said(true)} for the wire in your hand, or jumper ${said(false)} for the bare screw.`,
    off[0].token,
  )
}

function resolvePoint(reader: Reader, point: SaidPoint, home: string): Point {
  const { system, state } = reader.context
  const { token } = point
  if (isPoint(token.text)) {
    const { name, place } = parsePoint(token.text)
    return isGroundWord(name) ? terminalPoint(CHASSIS, place) : token.text
  }
  if (point.cable !== null || point.lifted) {
    const ends = findEnds(system, token.text, home, point.cable).filter((end) => !point.lifted || isLifted(state.bench, end))
    return theOneEnd(reader, ends, token, home)
  }
  const lead = findLead(system, token.text, home)
  if (lead) return lead
  const ends = findEnds(system, token.text, home, null)
  if (ends.length === 0) {
    // A letter that only one strip of the house has is read there.
    const [only, another] = system.places.filter(({ terminals }) => terminals.some((one) => one.toLowerCase() === token.text.toLowerCase()))
    const own = only?.terminals.find((one) => one.toLowerCase() === token.text.toLowerCase())
    if (only && !another && own !== undefined && /\d/.test(own)) return terminalPoint(own, only.id)
    const place = placeById(system, home)
    reader.failAt(
      `There is no "${token.text}" at the ${placeName(reader, home)}. It has ${[...(place?.terminals ?? []), ...(place?.metal ? ['chassis (gnd)'] : [])].join(', ')}.`,
      token,
    )
  }
  return theOneEnd(reader, ends, token, home)
}

export function readConductor(reader: Reader, wanted: (end: Point) => boolean): Point {
  const { system, state } = reader.context
  const cable = readCable(reader)
  const token = reader.word('Say which conductor, as in lift outdoor Y at indoor.')
  const place = readAtPlace(reader) ?? state.bench.place
  if (isPoint(token.text)) return token.text
  const [dotted, conductor] = token.text.includes('.') ? token.text.split('.') : [null, token.text]
  const ends = findEnds(system, conductor, place, cable ?? dotted)
  const fitting = ends.filter(wanted)
  const other =
    fitting.length > 1
      ? (otherEndOff(state.bench.lifted, fitting) ?? landedLast(state, fitting))
      : fitting.length === 0 && IS_COLOUR.test(token.text)
        ? offByItsLetter(reader, ends, place)
        : undefined
  return other ?? theOneEnd(reader, fitting.length > 0 ? fitting : ends, token, place)
}

/** `put yellow back` where the outdoor Y is off, and red: the one wire in the hand with the letter that yellow has here. */
function offByItsLetter({ context: { system, state } }: Reader, ends: readonly Point[], place: PlaceId): Point | undefined {
  const off = ends.flatMap((end) => findEnds(system, parsePoint(end).name, place, null)).filter((end) => isLifted(state.bench, end))
  return off.length === 1 ? off[0] : undefined
}

/** Entries after which what was landed is no longer in the hand: assumption. */
const IN_HAND = 4

/** Of several wires of one letter the one that was put on just before: what it did then is why it is handled again. */
export function landedLast({ standing }: JobState, ends: readonly Point[]): Point | undefined {
  const wireOf = (end: Point) => `${parsePoint(end).cable}.${parsePoint(end).name}`
  const landed = standing
    .slice(-IN_HAND)
    .flatMap((entry) => (entry.kind === 'bench' && entry.change.do === 'land' ? [entry.change.end] : []))
  const meant = ends.filter((end) => landed.some((one) => wireOf(one) === wireOf(end)))
  return meant.length === 1 ? meant[0] : undefined
}

/** Of several ends the one whose wire was taken off last at its other end: it is taken off here too. */
function otherEndOff(lifted: readonly Point[], ends: readonly Point[]): Point | undefined {
  const wireOf = (end: Point) => `${parsePoint(end).cable}.${parsePoint(end).name}`
  // What is off here, too, is one of those that could be meant.
  const last = [...lifted].reverse().find((off) => !ends.includes(off) && ends.some((end) => wireOf(end) === wireOf(off)))
  return last && ends.find((end) => wireOf(end) === wireOf(last))
}

export function theOneEnd(reader: Reader, ends: readonly Point[], token: Token, place: PlaceId): Point {
  const { suspects } = reader.context
  if (ends.length === 0) reader.failAt(`There is no conductor "${token.text}" at the ${placeName(reader, place)}.`, token)
  if (ends.length > 1) {
    // The one in a cable that is suspected first.
    const rank = (end: Point) => suspects.findIndex(({ zone }) => zone === parsePoint(end).cable) + 1 || suspects.length + 1
    const cables = [...ends].sort((a, b) => rank(a) - rank(b)).map((end) => `"${parsePoint(end).cable} ${parsePoint(end).name}"`)
    reader.failAt(`More than one conductor answers to ${token.text} at the ${placeName(reader, place)}: say ${cables.join(' or ')}.`, token)
  }
  return ends[0]
}

export function readPlace(reader: Reader): string {
  const token = reader.word('Say the place.')
  const { system, state } = reader.context
  const found = findPlace(system, token.text, state.bench.place)
  const several = placesOfKind(system, token.text)
  if (several.length > 1 && several.every(({ id }) => id !== state.bench.place && id !== token.text))
    reader.failAt(`Which one? Say ${several.map(({ id }) => `"${id}"`).join(' or ')} for "${token.text}".`, token)
  if (!found)
    reader.failAt(`There is no place "${token.text}". Places: ${reader.context.system.places.map((place) => place.id).join(', ')}.`, token)
  return found as string
}

/** `at outdoor`; or the place alone, where no point could stand: before the value, or at the end. */
export function readAtPlace(reader: Reader): string | null {
  if (reader.accept('at')) return readPlace(reader)
  const token = reader.peek()
  const next = reader.tokens[reader.at + 1]
  const isLast = next === undefined || next.kind === 'number' || isOverload(next.text)
  const found = token?.kind === 'word' && isLast ? findPlace(reader.context.system, token.text, reader.context.state.bench.place) : null
  if (found !== null) reader.at++
  return found
}

export function readCable(reader: Reader): string | null {
  const token = reader.peek()
  const next = reader.tokens[reader.at + 1]
  if (!token || next?.kind !== 'word') return null
  const found = findCable(reader.context.system, token.text)
  if (found) reader.at++
  return found
}

export function readPart(reader: Reader): string {
  const token = reader.word('Say what is unplugged or plugged in.')
  const found = findPart(reader.context.system, token.text)
  if (!found) reader.failAt(`There is no part "${token.text}" here.`, token)
  return found as string
}

export function placeName(reader: Reader, place: PlaceId): string {
  return placeById(reader.context.system, place)?.name ?? place
}
