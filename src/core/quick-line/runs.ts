import type { EntryDraft } from '@/src/core/job/entry'
import { cableWays, type DamageKind, type DamagePlace, farEndReaches, type RunFact } from '@/src/core/job/run-schema'
import { findCable, findEnds, isLifted } from '@/src/core/quick-line/names'
import { placeName, readAtPlace, readCable, theOneEnd } from '@/src/core/quick-line/points'
import type { Reader } from '@/src/core/quick-line/reader'
import { readValue } from '@/src/core/quick-line/readings'
import type { Token } from '@/src/core/quick-line/tokens'
import { modelValue } from '@/src/core/units/model-value'
import type { CableId } from '@/src/core/wiring/ids'
import { parsePoint } from '@/src/core/wiring/point'
import { cableById } from '@/src/core/wiring/system'

/** What is said of the run of a cable: how long it is, what it passes, and what was read along it. */

const FOOT_M = modelValue({ value: 0.3048, unit: 'm', source: 'international foot' })

const draft = (cable: CableId, fact: RunFact): EntryDraft => ({ kind: 'run', cable, fact })

/** The cable that is said, else the one that comes here; of several the one with wires in the hand. */
function cableMeant(reader: Reader, said: string | null): string {
  if (said !== null) return said
  const { system, state } = reader.context
  const { place, lifted } = state.bench
  const here = system.cables.filter(({ between }) => between.includes(place))
  const inHand = here.filter(({ id }) => lifted.some((end) => parsePoint(end).cable === id))
  const [cable, another] = inHand.length > 0 ? inHand : here
  if (!cable || another)
    reader.failAt(
      `Which cable? Say it before: ${here.map(({ id }) => `"${reader.tokens[0].text} ${id.replace(/-cable$/, '')} ..."`).join(' or ')}.`,
      reader.tokens[0],
    )
  return (cable as NonNullable<typeof cable>).id
}

/** A cable by its name, with a number behind it. */
function readCableSaid(reader: Reader): string | null {
  const token = reader.peek()
  const found = token?.kind === 'word' ? findCable(reader.context.system, token.text) : null
  if (found !== null) reader.at++
  return found
}

/** Metres, said in metres or in feet. */
function readMetres(reader: Reader): number {
  const value = reader.number()
  const isFeet = ['ft', 'feet', 'foot', "'"].some((unit) => reader.accept(unit))
  if (!isFeet) for (const unit of ['m', 'metres', 'meters', 'metre', 'meter']) reader.accept(unit)
  return isFeet ? Number((value * FOOT_M).toFixed(2)) : value
}

/** `run outdoor 15 m`, `run 50 ft`. */
export function readRunLength(reader: Reader): EntryDraft[] {
  const cable = readCableSaid(reader)
  reader.accept('cable')
  reader.accept('is')
  const metres = readMetres(reader)
  reader.accept('long')
  return [draft(cableMeant(reader, cable), { what: 'length', metres })]
}

/** `landmark 6 m wall plate`, `landmark outdoor 40 ft fence post`: from the cable's first end. */
export function readLandmark(reader: Reader): EntryDraft[] {
  const cable = readCableSaid(reader)
  const metres = readMetres(reader)
  const name = reader.words('Say what stands there: "landmark 6 m wall plate".')
  return [draft(cableMeant(reader, cable), { what: 'landmark', name, metres })]
}

/** `cap Y-C 2.1 nF`, `cap Y 0.42 nF at outdoor`: both ends of it off. */
export function readCapacitance(reader: Reader): EntryDraft[] {
  const { system, state } = reader.context
  const cable = readCable(reader)
  const conductor = reader.word('Say which conductor, as in "cap Y-C 2.1 nF".')
  const against = reader.accept('-') || reader.accept('to') ? reader.word('Say the other conductor, as in "cap Y-C 2.1 nF".') : null
  const value = reader.number()
  const nF = reader.accept('pf') ? value / 1000 : reader.accept('uf') ? 1000 * value : value
  reader.accept('nf')
  const place = readAtPlace(reader) ?? state.bench.place
  const idOf = (token: Token) => parsePoint(theOneEnd(reader, findEnds(system, token.text, place, cable), token, place))
  const end = idOf(conductor)
  return [
    draft(end.cable ?? '', { what: 'capacitance', conductor: end.name, against: against === null ? null : idOf(against).name, place, nF }),
  ]
}

/** `loop Y-C 1.84`: the ohms between two wires in the hand here; the far ends are off too, or joined. */
export function readLoop(reader: Reader): EntryDraft[] {
  const { system, state } = reader.context
  const cable = readCable(reader)
  const said = [reader.word('Say which two, as in "loop Y-C 1.84".')]
  if (!reader.accept('-')) reader.accept('to')
  said.push(reader.word('Say the other one, as in "loop Y-C 1.84".'))
  const { answer } = readValue(reader)
  const place = readAtPlace(reader) ?? state.bench.place
  const [a, b] = said.map((token) => {
    const ends = findEnds(system, token.text, place, cable)
    const inHand = ends.filter((end) => isLifted(state.bench, end))
    return theOneEnd(reader, inHand.length > 0 ? inHand : ends, token, place)
  })
  const landed = [a, b].filter((end) => !isLifted(state.bench, end) && isOnScrew(reader, end))
  if (landed.length > 0)
    reader.failAt(
      `A loop is read with both wires off at both ends: ${landed.map((end) => parsePoint(end).name).join(' and ')} ${landed.length > 1 ? 'are on their screws' : 'is on its screw'} at the ${placeName(reader, place)}. Say "lift ${parsePoint(landed[0]).name}" first.`,
      said[0],
    )
  return [{ kind: 'reading', probe: { meter: 'ohms', a, b }, answer }]
}

const isOnScrew = ({ context }: Reader, end: Parameters<typeof parsePoint>[0]): boolean => {
  const { cable: id, name, place } = parsePoint(end)
  const cable = cableById(context.system, id)
  return (cable?.conductors.find((one) => one.id === name)?.lands[cable.between.indexOf(place)] ?? null) !== null
}

/** `nulled`: the meter, with its leads together, for every cable that comes here. */
export function readNulled(reader: Reader): EntryDraft[] {
  const { system, state } = reader.context
  return system.cables
    .filter(({ between }) => between.includes(state.bench.place))
    .map(({ id }) => draft(id, { what: 'meter', isNulled: true }))
}

/** `copper 45 C`, `copper outdoor 110 F`. */
export function readCopper(reader: Reader): EntryDraft[] {
  const cable = readCableSaid(reader)
  const value = reader.number()
  const celsius = reader.accept('f') ? ((value - 32) * 5) / 9 : value
  reader.accept('c')
  return [draft(cableMeant(reader, cable), { what: 'copper', celsius: Number(celsius.toFixed(1)) })]
}

/** `far end helper`, `far end stat none`, `far end walk`: how the end of the cable is reached where nobody of us stands. */
export function readFarEnd(reader: Reader): EntryDraft[] {
  reader.accept('end')
  const cable = readCableSaid(reader)
  reader.accept('cable')
  const token = reader.word('Say how the other end is reached: "far end helper", "far end walk", "far end none".')
  const reach = farEndReaches.find((one) => one === token.text.toLowerCase())
  if (!reach) return reader.failAt('The other end is reached by "walk", by a "helper" who stands there, or by "none".', token)
  return [draft(cableMeant(reader, cable), { what: 'far-end', reach })]
}

/** `way cable pairs`, `way cable stat all to one`: how its conductors are told apart. */
export function readCableWay(reader: Reader): EntryDraft[] {
  const cable = readCableSaid(reader)
  reader.accept('cable')
  const said = reader.words('Say which way: "pairs", "all to one" or "fewest".').toLowerCase().replaceAll(' ', '-')
  const way = cableWays.find((one) => one === said)
  if (!way) return reader.failAt('The ways are "pairs", "all to one" and "fewest".', reader.tokens[reader.tokens.length - 1])
  return [draft(cableMeant(reader, cable), { what: 'way', way })]
}

const damageWords: readonly (readonly [RegExp, DamageKind])[] = [
  [/^(?:insulation|jacket|rubbed|scuffed)$/, 'insulation'],
  [/^(?:nicked|nick|skinned)$/, 'nicked'],
  [/^(?:parted|cut|broken|broke|severed)$/, 'parted'],
  [/^(?:wet|green|corroded|soaked)$/, 'wet'],
  [/^(?:chewed|gnawed)$/, 'chewed'],
  [/^(?:melted|burnt|burned|scorched)$/, 'melted'],
]
const damagePlaceWords: readonly (readonly [RegExp, DamagePlace])[] = [
  [/^(?:wall|walls|ceiling|drywall)$/, 'wall'],
  [/^(?:buried|ground|underground)$/, 'buried'],
  [/^(?:roof|rooftop)$/, 'roof'],
  [/^(?:unit|cabinet|inside)$/, 'unit'],
  [/^(?:open|outside|attic|crawlspace|reach)$/, 'open'],
]

/** `damage stat copper nicked in wall`, `damage outdoor chewed in the open, no slack`: what is hurt of a cable, and where. */
export function readDamage(reader: Reader): EntryDraft[] {
  const cable = readCableSaid(reader)
  const said = reader
    .words('Say what is damaged, and where: "damage stat copper nicked in wall".')
    .toLowerCase()
    .split(/[\s,]+/)
  const kind = said.flatMap((word) => damageWords.find(([says]) => says.test(word))?.[1] ?? []).at(-1)
  const where = said.flatMap((word) => damagePlaceWords.find(([says]) => says.test(word))?.[1] ?? []).at(-1)
  if (!kind) return reader.failAt('Say what is damaged: insulation, nicked, parted, wet, chewed or melted.', reader.tokens[0])
  if (!where) return reader.failAt('Say where it is: in the open, inside a unit, on the roof, in a wall, or buried.', reader.tokens[0])
  const hasSlack = said.includes('slack') && !said.includes('no')
  return [draft(cableMeant(reader, cable), { what: 'damage', kind, where, hasSlack })]
}
