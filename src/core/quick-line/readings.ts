import type { EntryDraft } from '@/src/core/job/entry'
import { findEnds, findPlace, isLifted } from '@/src/core/quick-line/names'
import {
  isOverload,
  placeName,
  readAcrossPart,
  readAtPlace,
  readCable,
  readTwoPoints,
  resolveBoth,
  type SaidPair,
} from '@/src/core/quick-line/points'
import type { Reader } from '@/src/core/quick-line/reader'
import { NOT_24_V, unitsOfReading } from '@/src/core/quick-line/units'
import type { Answer, Probe } from '@/src/core/readings/check'
import { CHASSIS, isPoint, type Point, parsePoint } from '@/src/core/wiring/point'
import { lineNodes } from '@/src/core/wiring/supply'
import { firstPart } from '@/src/core/wiring/system'

/** With the power off, at line voltage, without a unit: less is ohms. Assumption. */
const NOT_OHMS = 60

/** A reading between two points; `said` when the line began with what was measured. */
export function readReading(reader: Reader, said: 'volts' | 'ohms' | null = null): EntryDraft[] {
  for (const filler of ['from', 'between', 'across']) reader.accept(filler)
  const across = readAcrossPart(reader)
  const points = across ? null : placeFirst(reader, readTwoPoints(reader))
  for (const filler of ['reads', 'is', 'read']) reader.accept(filler)
  const before = readMeterWord(reader)
  const { answer, unit: typed } = readValue(reader)
  const unit = typed ?? before ?? said
  const [a, b] = across ?? resolveBoth(reader, points as SaidPair, readAtPlace(reader))
  const isLive = reader.context.state.bench.power
  // At line voltage nobody reads a hundred ohm by chance: volts ahead of a switch that is off. Nothing at all from a leg is dead, and no short.
  const isLine = typeof answer === 'number' && ((!isLowVoltage(reader, a, b) && answer >= NOT_OHMS) || (answer === 0 && isFromLeg(a, b)))
  const meter = unit ?? ((isLive || isLine) && answer !== 'OL' ? 'volts' : 'ohms')
  if (meter === 'volts' && typed === null && typeof answer === 'number' && answer >= NOT_24_V && isLowVoltage(reader, a, b))
    reader.fail(
      `${answer} V on the 24 V side? Type the decimal point, or "${answer} V" if it really reads that. Ohms are read with the power off.`,
    )
  return [{ kind: 'reading', probe: { meter, a, b }, answer }]
}

/**
 * `outdoor Y-C 25`: live volts on a wire that is on its screw are those of the place that is named, which its cable is named after. A wire
 * in the hand, and every wire with the power off, is its own.
 */
function placeFirst({ context: { system, state }, tokens }: Reader, said: SaidPair): SaidPair {
  const { first, second } = said
  if (!state.bench.power || first.cable === null || second.cable !== null || first.lifted || said.place !== null) return said
  const named = findPlace(system, tokens[tokens.indexOf(first.token) - 1]?.text ?? '')
  const isOff = findEnds(system, first.token.text, state.bench.place, first.cable).some((end) => isLifted(state.bench, end))
  return named === null || isOff ? said : { first: { ...first, cable: null }, second, place: named }
}

/** A leg of the line against another, the neutral or the metal; along one leg a switch or a contact lies between, which is ohmed. */
function isFromLeg(a: Point, b: Point): boolean {
  const [one, other] = [a, b].map((point) => {
    const { name } = parsePoint(point)
    return name === CHASSIS ? CHASSIS : /^(?:L\d|N)(?=-|$)/.exec(name)?.[0]
  })
  return one !== undefined && other !== undefined && one !== other && [one, other].some((name) => name.startsWith('L'))
}

function isLowVoltage({ context }: Reader, ...points: Point[]): boolean {
  const line = lineNodes(context.system)
  return !points.some((point) => line.has(point))
}

/** `Y-C ohms OL`: what was measured, said before the number. */
export function readMeterWord(reader: Reader): 'volts' | 'ohms' | null {
  if (reader.accept('ohms') || reader.accept('ohm')) return 'ohms'
  return reader.accept('volts') || reader.accept('volt') ? 'volts' : null
}

export function readValue(reader: Reader): { answer: Answer; unit: 'volts' | 'ohms' | null } {
  const token = reader.peek()
  if (!token) reader.fail('What did the meter read? Add a number or OL.')
  if (token?.kind === 'word') {
    if (isOverload(token.text)) {
      reader.at++
      reader.accept('ohm')
      return { answer: 'OL', unit: 'ohms' }
    }
    reader.failAt(`A reading is a number or OL; "${token.text}" is neither.`, token)
  }
  const value = reader.number()
  const unit = reader.peek()
  if (!unit || unit.text.toLowerCase() === 'at') return { answer: value, unit: null }
  const known = unitsOfReading.get(unit.text.toLowerCase())
  if (!known && findPlace(reader.context.system, unit.text) !== null) return { answer: value, unit: null }
  // Another reading begins there, at a terminal that this house does not have.
  if (!known && /^[A-Z]\d?$/.test(unit.text) && reader.tokens.length > reader.at + 2)
    reader.failAt(`There is no "${unit.text}" in the record of this house.`, unit)
  if (!known) reader.failAt(`"${unit.text}" is not a unit for a reading. Use V, mV, ohm, kohm or Mohm.`, unit)
  reader.at++
  return { answer: value * known[0], unit: known[1] }
}

/** `0.27 A on R`, `8.1 amps on outdoor Y at indoor`, `max 8.1 A on R`. */
export function readAmps(reader: Reader, said?: 'max'): EntryDraft[] {
  const value = reader.number()
  const unit = reader.peek()
  if (!unit || !/^(a|amp|amps|ma)$/i.test(unit.text))
    reader.fail(
      'Between which two points? Say them: "Y-C 26", "26 Y to C at the condenser"; amps are said with what they are on: "0.27 A on R".',
    )
  reader.at++
  const hold = said ?? (reader.accept('max') ? 'max' : undefined)
  reader.expect('on', 'Say what the clamp is around: 0.27 A on R.')
  const amps = /^ma$/i.test(unit?.text ?? '') ? value / 1000 : value
  const probe: Probe = { meter: 'amps', on: readClampSpot(reader), ...(hold && { hold }) }
  return [{ kind: 'reading', probe, answer: amps }]
}

/** R at the unit is the transformer's lead; any other letter is its conductor, the one that leaves the unit if there are two. */
export function readClampSpot(reader: Reader): string {
  const { system, state } = reader.context
  const fuse = firstPart(system, 'fuse')
  const start = reader.peek()
  const cable = readCable(reader)
  const token = reader.word('Say what the clamp is around.')
  const place = readAtPlace(reader) ?? state.bench.place
  if (isPoint(token.text)) return token.text
  const isSupply =
    token.text.toLowerCase() === 'fuse' || (cable === null && token.text.toUpperCase() === fuse.between[1] && place === fuse.place)
  if (isSupply) return fuse.id
  const ends = findEnds(system, token.text, place, cable)
  // Where no R comes, it is that of the transformer.
  if (ends.length === 0 && cable === null && token.text.toUpperCase() === fuse.between[1]) return fuse.id
  if (ends.length === 0) reader.failAt(`There is no conductor "${token.text}" at the ${placeName(reader, place)}.`, start ?? token)
  // Of a letter the one that leaves the unit is clamped; of two wires of one color nobody knows which.
  const isColor = !ends.some((end) => parsePoint(end).name.toLowerCase() === token.text.toLowerCase())
  if (isColor && ends.length > 1)
    reader.failAt(
      `More than one ${token.text.toLowerCase()} wire comes to the ${placeName(reader, place)}: say ${ends
        .map((end) => `${parsePoint(end).cable?.replace(/-cable$/, '')} ${parsePoint(end).name}`)
        .join(' or ')}.`,
      token,
    )
  return ends[ends.length - 1]
}
