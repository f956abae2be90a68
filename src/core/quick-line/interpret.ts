import type { Sense } from '@/src/core/quick-line/lexicon'
import { cableTowards, type Meaning, meaningOf } from '@/src/core/quick-line/meaning'
import { isGroundWord } from '@/src/core/quick-line/names'
import type { Rule } from '@/src/core/quick-line/rule'
import { allAt, allOf, landAll, pluggable, type Sentence } from '@/src/core/quick-line/sentence'
import { marks } from '@/src/core/readings/looks'
import { partById } from '@/src/core/wiring/system'

/**
 * A sentence by what is in it, whatever the order of its words: "24 on Y outside", "nothing outside on Y" and "Y has no volts at the
 * condenser" have the same words in them. What comes back is the grammar's own line.
 */
export function interpret(text: string, the: Sentence): ReturnType<Rule['as']> {
  // Every word known first; then with a word or two that are not, where the rest says something whole.
  for (const isLenient of SEVERAL.test(text) ? [false] : [false, true]) {
    const meaning = meaningOf(text, the, isLenient)
    if (!meaning || meaning.places.length > 1) continue
    for (const reading of readings) {
      const line = reading(meaning, the)
      if (line !== null) return line
    }
  }
  return null
}

/** More than one thing is said: what is not known of it may be a whole clause. */
const SEVERAL = /,|\bbut\b|\band (?:it|then)\b/

type Reading = (meaning: Meaning, the: Sentence) => ReturnType<Rule['as']>

const has = ({ senses }: Meaning, ...wanted: Sense[]): boolean => wanted.some((sense) => senses.has(sense))
/** The sentence has no sense but these. */
const only = ({ senses }: Meaning, ...allowed: Sense[]): boolean => [...senses].every((sense) => allowed.includes(sense))

const placeOf = ({ places }: Meaning): string => (places.length > 0 ? ` at ${places[0]}` : '')
const pairOf = ({ letters }: Meaning): string | null => {
  const [one, other, third] = letters
  if (!one || !other || third) return null
  // A cable that was named means its own wires, off their terminals.
  const point = ({ letter, cable }: Meaning['letters'][number]) => (cable ? `${cable} ${letter}` : letter)
  return isGroundWord(one.letter) ? `${point(other)}-${point(one)}` : `${point(one)}-${point(other)}`
}
/** What runs says nothing while nobody knows what is called. */
export const NO_CALL = 'No call is on in the record. Say which one is: "call cool", then what runs.'

const onlyNumber = ({ numbers }: Meaning) => (numbers.length === 1 ? numbers[0] : null)

/** Volts, ohms or no path between two points, or at one against common. */
const readBetween: Reading = (meaning, the) => {
  const { parts, cables, calls } = meaning
  // A cable that is said after its wire.
  const [along] = cables
  const letters = meaning.letters.map((one) => (along && !isGroundWord(one.letter) ? { ...one, cable: one.cable ?? along } : one))
  if (
    parts.length + calls.length > 0 ||
    cables.length > 1 ||
    !only(meaning, 'volts', 'ohms', 'none', 'not', 'open', 'shorted', 'beeps', 'dead')
  )
    return null
  const number = onlyNumber(meaning)
  const where = placeOf(meaning)
  if (letters.length === 2 && meaning.isPair) {
    const pair = pairOf({ ...meaning, letters })
    if (pair === null) return null
    if (number) {
      const unit = number.unit ?? (has(meaning, 'volts') ? 'V' : has(meaning, 'ohms') ? 'ohm' : null)
      return only(meaning, 'volts', 'ohms')
        ? `${unit === 'ohm' ? 'ohms ' : ''}${pair} ${number.value}${unit === 'V' ? ' V' : ''}${where}`
        : null
    }
    if (meaning.numbers.length > 0) return null
    // No short is not a figure: OL, or a coil.
    if (has(meaning, 'none', 'not') && has(meaning, 'shorted')) return { asks: `What did it read? Say "${pair} OL", or its ohms.` }
    if (has(meaning, 'open')) return `${pair} OL${where}`
    if (has(meaning, 'shorted')) return `ohms ${pair} jumps between 0 and 1${where}`
    if (has(meaning, 'beeps') && !has(meaning, 'none')) return `ohms ${pair} jumps between 0 and 40${where}`
    // No ohms may be a dead short or no path at all.
    if (has(meaning, 'none') && has(meaning, 'ohms')) return null
    if (has(meaning, 'none', 'dead')) return `${pair} 0 V${where}`
    return null
  }
  if (letters.length !== 1 || letters[0].cable !== null || !only(meaning, 'volts', 'none', 'dead')) return null
  const { letter } = letters[0]
  if (number)
    return number.unit === 'ohm' || number.value > 60 ? null : the.voltsAt(`${letter.toLowerCase()}${where}`, String(number.value))
  return has(meaning, 'none', 'dead') ? the.voltsAt(`${letter.toLowerCase()}${where}`, '0') : null
}

/** Several letters that read alike, each against common: Y and G have 24; R, Y and O are hot. */
const readEach: Reading = (meaning, the) => {
  const { letters, parts, cables, calls } = meaning
  if (letters.length < 2 || meaning.isPair || parts.length + cables.length + calls.length > 0) return null
  if (letters.some(({ cable, letter }) => cable !== null || isGroundWord(letter)) || !only(meaning, 'volts', 'none', 'dead', 'hot'))
    return null
  const number = onlyNumber(meaning)
  // One thing is said of all of them, or it is for the clauses to say which of which.
  if ([number !== null, has(meaning, 'none', 'dead'), has(meaning, 'hot')].filter(Boolean).length !== 1) return null
  if (number ? number.unit === 'ohm' || number.unit === 'A' || number.value > 60 : meaning.numbers.length > 0) return null
  const said = number ? `${number.value} V` : has(meaning, 'none', 'dead') ? '0 V' : has(meaning, 'hot') ? 'jumps between 20 and 28' : null
  return (
    said && letters.map(({ letter }) => the.voltsAt(`${letter.toLowerCase()}${placeOf(meaning)}`, 'X')?.replace('X V', said)).join('; ')
  )
}

/** Volts or ohms across a part, or at a place. */
const readAtPart: Reading = (meaning, the) => {
  const { letters, parts, cables, calls } = meaning
  if (
    letters.length + cables.length + calls.length > 0 ||
    parts.length > 1 ||
    !only(meaning, 'volts', 'ohms', 'none', 'open', 'in', 'shorted', 'beeps', 'fine')
  )
    return null
  const number = onlyNumber(meaning)
  const [part] = parts
  const kind = part === undefined ? null : partById(the.system, part)?.kind
  const at = part ?? meaning.places[0]
  if (at === undefined) return has(meaning, 'none') && has(meaning, 'volts') && !number ? the.voltsAt(the.state.bench.place, '0') : null
  const { power } = the.state.bench
  const is24 = power && number !== null && number.value >= LEAST_OF_24 && number.value <= MOST_OF_24
  const unit = number?.unit ?? (has(meaning, 'volts') || is24 ? 'V' : has(meaning, 'ohms') ? 'ohm' : null)
  if (has(meaning, 'shorted', 'beeps', 'fine'))
    return kind === 'switch' && !power && !number && !has(meaning, 'none', 'open', 'volts')
      ? `ohms across ${part} jumps between 0 and 1`
      : null
  if (kind === 'coil' || kind === 'switch') {
    if (number && unit === 'ohm') return `ohms across ${part} ${number.value}`
    if (!number && has(meaning, 'open') && kind === 'coil') return `ohms across ${part} OL`
  }
  if (number && unit === 'V' && number.value < 60) return the.voltsAt(at, String(number.value))
  return !number && has(meaning, 'none') && has(meaning, 'volts') ? the.voltsAt(at, '0') : null
}

/** What is 24 V by the number alone: assumption. */
const LEAST_OF_24 = 15
const MOST_OF_24 = 32

/** A unit as a whole: what was called there runs, or not. */
const unitRuns: Reading = (meaning, the) => {
  const { letters, parts, cables, calls, numbers, places } = meaning
  if (letters.length + parts.length + cables.length + calls.length + numbers.length > 0 || places.length !== 1) return null
  if (!only(meaning, 'runs', 'still', 'not', 'dead', 'none') || !has(meaning, 'runs', 'still', 'not', 'dead', 'none')) return null
  if (the.state.bench.call === 'off') return { asks: NO_CALL }
  return has(meaning, 'still', 'not', 'dead', 'none')
    ? `${places[0]} not as called`
    : has(meaning, 'runs')
      ? `${places[0]} as called`
      : null
}

/** What a part does, as it is seen and heard. */
const seen: Reading = (meaning, the) => {
  const { letters, parts, cables, calls, numbers } = meaning
  if (letters.length + cables.length + calls.length + numbers.length > 0 || parts.length !== 1) return null
  const part = partById(the.system, parts[0])
  if (!part) return null
  const one = (...senses: Sense[]) => senses.find((sense) => meaning.senses.has(sense)) ?? null
  switch (part.kind) {
    case 'coil': {
      const word = has(meaning, 'chatters')
        ? 'chatters'
        : one('in') !== null || has(meaning, 'runs')
          ? 'in'
          : one('out', 'still', 'dead') !== null
            ? 'out'
            : null
      if (word === null || !only(meaning, 'chatters', 'in', 'out', 'runs', 'still', 'dead', 'not')) return null
      return has(meaning, 'not') && word === 'in' ? `${part.id} out` : `${part.id} ${word}`
    }
    case 'load':
      if (!only(meaning, 'runs', 'still', 'dead', 'not', 'none')) return null
      return has(meaning, 'still', 'dead', 'not', 'none') ? `${part.id} still` : has(meaning, 'runs') ? `${part.id} runs` : null
    case 'thermostat':
      if (!only(meaning, 'blank', 'alive', 'dead', 'runs')) return null
      return has(meaning, 'blank', 'dead') ? `${part.id} blank` : has(meaning, 'alive', 'runs') ? `${part.id} alive` : null
    case 'board': {
      if (!only(meaning, 'flashes', 'steady', 'alive', 'blank', 'dead', 'none', 'off', 'runs')) return null
      const word = has(meaning, 'flashes')
        ? 'flashes'
        : has(meaning, 'steady', 'alive')
          ? 'steady'
          : has(meaning, 'blank', 'off', 'none')
            ? 'dark'
            : null
      return word && `${part.id} ${word}`
    }
    default:
      return null
  }
}

/** Wires and parts that a hand takes off or puts back. */
const hands: Reading = (meaning, the) => {
  const { letters, cables, calls, numbers } = meaning
  // What a wire is taken off of needs no saying.
  const parts =
    letters.length + cables.length > 0 ? meaning.parts.filter((id) => partById(the.system, id)?.kind !== 'board') : meaning.parts
  if (calls.length + numbers.length > 0 || !only(meaning, 'off', 'back')) return null
  // A unit that is off is not one whose wires are.
  if (!meaning.isWhole && letters.length + cables.length === 0) return null
  const isOff = has(meaning, 'off') && !has(meaning, 'back')
  if (!isOff && !has(meaning, 'back')) return null
  const towards = meaning.goesThere && meaning.places.length === 1 ? cableTowards(the, meaning.places[0]) : null
  if (letters.length > 0 && parts.length === 0 && cables.length < 2)
    return letters
      .map(({ letter, cable }) => {
        const along = cable ?? cables[0] ?? towards
        return `${isOff ? 'lift' : 'land'} ${along ? `${along} ` : ''}${letter}${towards ? '' : placeOf(meaning)}`
      })
      .join('; ')
  if (isOff && towards && parts.length + cables.length === 0) return allOf(the, towards)
  if (cables.length === 1 && letters.length + parts.length === 0) {
    const said = cables[0].replace(/-cable$/, '')
    return isOff ? allOf(the, said) : landAll(the, said)
  }
  if (isOff && meaning.places.length === 1 && letters.length + parts.length + cables.length === 0) return allAt(the, meaning.places[0])
  const [part] = parts
  if (parts.length !== 1 || letters.length + cables.length > 0 || pluggable(the, part) === null) return null
  // A thermostat that is off may be blank, off the wall or set to off.
  if (partById(the.system, part)?.kind === 'thermostat' && !meaning.isByHand) return null
  return `${isOff ? 'unplug' : 'plug'} ${part}`
}

/** Terminals that are joined, and switches that are gone past. */
const clips: Reading = (meaning, the) => {
  const { letters, parts, cables, calls, numbers } = meaning
  if (cables.length + numbers.length > 0 || !has(meaning, 'joined', 'past')) return null
  if (letters.length >= 2 && parts.length + calls.length === 0 && only(meaning, 'joined', 'with', 'back')) {
    const [first, ...others] = letters.map(({ letter }) => letter)
    return others.map((other) => `jumper ${first} ${other}${placeOf(meaning)}`).join('; ')
  }
  return parts.length === 1 && letters.length === 0 ? the.around(parts[0]) : null
}

/** Trips and holds: on a call, with nothing called, with something off. */
const trials: Reading = (meaning, the) => {
  const { letters, parts, cables, calls, numbers } = meaning
  if (
    numbers.length > 0 ||
    !has(meaning, 'trips', 'holds', 'fine') ||
    (has(meaning, 'fine') && !has(meaning, 'trips', 'holds') && calls.length === 0)
  )
    return null
  // Which call trips and which one holds stands in the order of the words: that is for the clauses.
  if (has(meaning, 'trips') && has(meaning, 'holds', 'fine')) return null
  const word = has(meaning, 'trips') ? 'trips' : 'holds'
  const rest = parts.filter((part) => partById(the.system, part)?.kind !== 'fuse')
  if (calls.length > 0 && letters.length + cables.length + rest.length === 0 && only(meaning, 'trips', 'holds', 'fine', 'with', 'runs'))
    return calls.map((call) => `${word} on ${call}`).join('; ')
  if (calls.length > 0) return null
  if (letters.length + cables.length + rest.length + meaning.places.length === 0 && only(meaning, 'trips', 'holds', 'fine')) return word
  if (has(meaning, 'idle') && only(meaning, 'trips', 'holds', 'idle', 'with'))
    return the.state.bench.call === 'off' ? word : `call off; ${word}`
  if (!has(meaning, 'off') || !only(meaning, 'trips', 'holds', 'off', 'with')) return null
  const taken = hands({ ...meaning, parts: rest, senses: new Set<Sense>(['off']) }, the)
  return typeof taken === 'string' ? `${taken}; ${word}` : taken
}

/** A mark on the wiring, at a place or along a cable; copper of one conductor by its letter. */
const marked: Reading = (meaning, the) => {
  const { letters, parts, cables, calls, numbers, places } = meaning
  const mark = marks.find((one) => meaning.senses.has(one))
  if (
    mark === undefined ||
    parts.length + calls.length + numbers.length > 0 ||
    !only(meaning, mark, 'scorched', 'rubbed', 'chewed', 'stapled')
  )
    return null
  const { system, state } = the
  // Along the one cable that comes to the place, where no other is named.
  const [oneCable, another] = system.cables.filter(({ between }) => between.includes(places[0] ?? state.bench.place))
  const along = another ? undefined : oneCable?.id
  if (letters.length === 1 && mark === 'rubbed') {
    const cable = letters[0].cable ?? cables[0] ?? along
    return cable === undefined
      ? { asks: 'In which cable? Say "bare outdoor Y", or where it is rubbed: "rubbed indoor".' }
      : `bare ${cable} ${letters[0].letter}`
  }
  if (letters.length > 0) return null
  const zone = cables[0] ?? places[0]
  return zone === undefined || cables.length + places.length > 1 ? null : `${mark} ${zone}`
}

const idle: Reading = (meaning) => {
  const { letters, parts, cables, calls, numbers } = meaning
  const isAlone = letters.length + cables.length + calls.length + numbers.length === 0 && parts.length < 2
  return isAlone && meaning.isWhole && has(meaning, 'idle') && only(meaning, 'idle', 'off') ? 'call off' : null
}

const walked: Reading = (meaning) => {
  const { letters, parts, cables, calls, numbers, places } = meaning
  const isAlone = letters.length + parts.length + cables.length + calls.length + numbers.length === 0
  return isAlone && meaning.isWhole && places.length === 1 && only(meaning, 'walk', 'back') ? `walk ${places[0]}` : null
}

const readings: readonly Reading[] = [trials, readBetween, readEach, readAtPart, unitRuns, seen, clips, hands, marked, idle, walked]
