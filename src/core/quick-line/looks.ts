import type { EntryDraft } from '@/src/core/job/entry'
import { findCable, findEnds, findPart, findPlace } from '@/src/core/quick-line/names'
import { placeName, readAtPlace, readCable, theOneEnd } from '@/src/core/quick-line/points'
import type { Reader } from '@/src/core/quick-line/reader'
import type { Token } from '@/src/core/quick-line/tokens'
import type { Probe } from '@/src/core/readings/check'
import { contactWords, seenContacts } from '@/src/core/readings/contact-looks'
import { LANDED, landedEnds, ownScrew, stripFindings, swappedWord, swappedWords, wrongOn } from '@/src/core/readings/landing-looks'
import { contactsOf, landingsAt, runsAt, wiringOf } from '@/src/core/readings/look-target'
import { bareWord } from '@/src/core/readings/looks'
import { wordsFor } from '@/src/core/readings/predict'
import type { PlaceId } from '@/src/core/wiring/ids'
import { type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { placeById, type System, zonesOf } from '@/src/core/wiring/system'

/** `thermostat blank`, `contactor in`. */
export function readLook(reader: Reader): EntryDraft[] | null {
  const first = reader.peek()
  if (!first || reader.tokens.length < 2) return null
  const at = findPart(reader.context.system, first.text)
  if (!at) return null
  const probe: Probe = { meter: 'look', at }
  const words = wordsFor(reader.context.system, probe)
  if (words.length === 0) return null
  // Some are of several words: shows a call, over-current code.
  const last = reader.tokens[reader.tokens.length - 1]
  const said = reader.line.slice(reader.tokens[1].start, last.end).toLowerCase()
  const phrase = words.find((candidate) => [candidate, `shows ${candidate}`].some((form) => form.toLowerCase() === said))
  if (phrase !== undefined) {
    reader.at = reader.tokens.length
    return [{ kind: 'reading', probe, answer: { word: phrase } }]
  }
  if (reader.tokens.length !== 2) return null
  reader.at = 1
  const token = reader.word(`Say one of: ${words.join(', ')}.`)
  const word = words.find((candidate) => candidate === token.text.toLowerCase())
  if (!word) reader.failAt(`The ${first.text} is one of: ${words.join(', ')}.`, token)
  return [{ kind: 'reading', probe, answer: { word: word as string } }]
}

/** `outdoor as called`, `indoor not as called`. */
export function readWhatRuns(reader: Reader): EntryDraft[] | null {
  const said = reader.tokens.map(({ text }) => text.toLowerCase())
  const place = findPlace(reader.context.system, said[0], reader.context.state.bench.place)
  const word = ['as called', 'not as called'].find((candidate) => said.slice(1).join(' ') === candidate)
  if (place === null || word === undefined) return null
  reader.at = reader.tokens.length
  return [{ kind: 'reading', probe: { meter: 'look', at: runsAt(place) }, answer: { word } }]
}

/** `landings ok at indoor`, `landings corroded`, `landings outdoor Y off at indoor`, `landings outdoor Y wrong`, `landings stat Y and G swapped`. */
export function readLandings(reader: Reader): EntryDraft[] {
  const whole = readWholeStrip(reader)
  if (whole !== null) {
    const place = readAtPlace(reader) ?? reader.context.state.bench.place
    return [{ kind: 'reading', probe: { meter: 'look', at: landingsAt(place) }, answer: { word: whole } }]
  }
  const cable = readCable(reader)
  const name = reader.word('Say "landings ok", "landings corroded", or which conductor is off: landings outdoor Y off.')
  const second = reader.accept('and') ? reader.word('Say the two that are swapped: landings stat Y and G swapped.') : null
  for (const filler of ['is', 'are', 'landed']) reader.accept(filler)
  if (second) {
    reader.expect('swapped', 'Two wires on each other\'s screws are "swapped": landings stat Y and G swapped.')
    const at = readAtPlace(reader) ?? reader.context.state.bench.place
    return [seen(at, swappedAt(reader, [name, second], cable, at))]
  }
  const found = reader.oneOf(
    { off: 'off', wrong: 'wrong', on: 'on' },
    'Say "off" for a wire that is off, or "on" and the terminal that it is on: landings outdoor C on Y.',
  )
  const screw = found === 'on' ? reader.word('Say on which terminal it is: landings outdoor C on Y.') : null
  const place = readAtPlace(reader) ?? reader.context.state.bench.place
  const end = theOneEnd(reader, findEnds(reader.context.system, name.text, place, cable), name, place)
  if (!screw) return [seen(place, `${found}: ${end}`)]
  const terminal = terminalAt(reader, place, screw)
  const other = onScrewOf(reader, end, terminal)
  return [seen(place, (other && theWordOf(reader.context.system, place, end, other)) ?? wrongOn(end, terminal))]
}

/** The word for two wires, by their letters, of the one cable here that has both. */
function swappedAt(reader: Reader, named: readonly [Token, Token], cable: string | null, place: PlaceId): string {
  const { system } = reader.context
  const [first, second] = named.map(({ text }) => findEnds(system, text, place, cable))
  const cableOf = (end: Point) => parsePoint(end).cable
  const words = first.flatMap((a) => second.flatMap((b) => (cableOf(a) === cableOf(b) ? (theWordOf(system, place, a, b) ?? []) : [])))
  if (words.length === 1) return words[0]
  const [a, b] = [theOneEnd(reader, first, named[0], place), theOneEnd(reader, second, named[1], place)]
  return theWordOf(system, place, a, b) ?? reader.failAt('Two wires of one cable are swapped with each other.', named[1])
}

const seen = (place: PlaceId, word: string): EntryDraft => ({
  kind: 'reading',
  probe: { meter: 'look', at: landingsAt(place) },
  answer: { word },
})

/** Two wires on each other's screws, in the order in which the strip has them. */
const theWordOf = (system: System, place: PlaceId, a: Point, b: Point): string | undefined => {
  const either = [swappedWord(a, b), swappedWord(b, a)]
  return swappedWords(system, place).find((word) => either.includes(word))
}

/** The wire of that screw, where it was seen on the screw of this one just before. */
function onScrewOf({ context: { system, state } }: Reader, end: Point, terminal: string): Point | null {
  const { place, cable } = parsePoint(end)
  const last = state.observations.at(-1)
  if (last?.probe.meter !== 'look' || last.probe.at !== landingsAt(place)) return null
  const [word, own] = [typeof last.answer === 'object' && 'word' in last.answer ? last.answer.word : '', ownScrew(system, end)]
  const isOther = (other: Point) =>
    own !== null &&
    parsePoint(other).cable === cable &&
    ownScrew(system, other) === terminalPoint(terminal, place) &&
    word === wrongOn(other, parsePoint(own).name)
  return landedEnds(system, place).find(isOther) ?? null
}

function terminalAt(reader: Reader, place: PlaceId, said: Token): string {
  const terminals = placeById(reader.context.system, place)?.terminals ?? []
  const found = terminals.find((terminal) => terminal.toLowerCase() === said.text.toLowerCase())
  if (found === undefined)
    reader.failAt(`There is no terminal "${said.text}" at the ${placeName(reader, place)}: ${terminals.join(', ')}.`, said)
  return found as string
}

/** `contacts burned`, `contacts contactor-2 blocked`: what is seen of a contactor's contacts. */
export function readContacts(reader: Reader): EntryDraft[] {
  for (const filler of ['of', 'the']) reader.accept(filler)
  const { system, state } = reader.context
  const all = seenContacts(system)
  const named = all.find(({ id }) => reader.accept(id))
  const here = all.filter(({ place }) => place === state.bench.place)
  const meant = named ? [named] : all.length > 1 && here.length > 0 ? here : all
  if (meant.length !== 1)
    reader.fail(meant.length === 0 ? 'No contactor stands open here.' : `Say of which: contacts ${meant[0].id} burned.`)
  const word = reader.oneOf(
    Object.fromEntries(contactWords.map((one) => [one, one])),
    'Say how the contacts are: clean, burned, or blocked by something.',
  )
  return [{ kind: 'reading', probe: { meter: 'look', at: contactsOf(meant[0].id) }, answer: { word } }]
}

/** `bare Y in the outdoor cable`, `bare outdoor Y`: copper that shows. */
export function readBareCopper(reader: Reader): EntryDraft[] {
  reader.accept('copper')
  reader.accept('on')
  const before = readCable(reader)
  const name = reader.word('Say which conductor shows copper: bare outdoor Y.')
  for (const filler of ['in', 'on', 'of', 'the']) reader.accept(filler)
  const cable = before ?? readCable(reader)
  const { system } = reader.context
  const found = system.cables.filter(
    ({ id, conductors }) => (cable === null || id === cable) && conductors.some((one) => one.id.toLowerCase() === name.text.toLowerCase()),
  )
  if (found.length !== 1)
    reader.failAt(
      found.length === 0
        ? `There is no conductor "${name.text}"${cable === null ? '' : ` in the ${cable}`}.`
        : `Say in which cable: ${found.map(({ name: one }) => one).join(', ')}.`,
      name,
    )
  const [{ id, conductors }] = found
  const conductor = conductors.find((one) => one.id.toLowerCase() === name.text.toLowerCase())?.id ?? name.text
  return [{ kind: 'reading', probe: { meter: 'look', at: wiringOf(id) }, answer: { word: bareWord(conductor) } }]
}

/** What is said of all landings of a place at once. */
function readWholeStrip(reader: Reader): string | null {
  if (reader.accept('ok') || reader.accept('good') || reader.accept('all')) {
    reader.accept('landed')
    return LANDED
  }
  return stripFindings.find((word) => reader.accept(word)) ?? null
}

/** `rubbed at the outdoor cable`, `chewed stat cable`, `scorched indoor`. */
export function readMark(reader: Reader, mark: string): EntryDraft[] {
  for (const filler of ['at', 'in', 'on', 'along', 'the']) reader.accept(filler)
  const { system } = reader.context
  const token = reader.word(
    `Say where: ${zonesOf(system)
      .map(({ name }) => name)
      .join(', ')}.`,
  )
  const isCable = reader.accept('cable')
  const zone = isCable ? findCable(system, token.text) : (findPlace(system, token.text) ?? findCable(system, token.text))
  if (zone === null)
    reader.failAt(
      `There is no "${token.text}" here. Say one of: ${zonesOf(system)
        .map(({ name }) => name)
        .join(', ')}.`,
      token,
    )
  reader.accept('unit')
  return [{ kind: 'reading', probe: { meter: 'look', at: wiringOf(zone) }, answer: { word: mark } }]
}
