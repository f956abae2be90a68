import { isCommon, type Meaning } from '@/src/core/quick-line/meaning'
import { isGroundWord } from '@/src/core/quick-line/names'
import { has, only, onlyNumber, pairOf, placeOf, type Reading } from '@/src/core/quick-line/sense'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { across, neutralAt } from '@/src/core/quick-line/volts'
import { partById, placeById } from '@/src/core/wiring/system'

/** Amps of a clamp: around a wire, or around the lead that feeds everything. */
const ampsAround: Reading = (meaning, the) => {
  const { letters, parts, cables, calls } = meaning
  const number = onlyNumber(meaning)
  const isAmps = number?.unit === 'A' || (number?.unit === null && has(meaning, 'amps'))
  if (!number || !isAmps || calls.length + cables.length > 0 || letters.length > 1 || !only(meaning, 'amps')) return null
  // With a word in it that is not known, the amps may be anything's: they are not put on R.
  if (letters.length === 0 && !meaning.isWhole) return null
  // What a fuse is rated for is not what flows.
  if (/\b(?:fuse|breaker|inline|in-line|install|new|put|threw|stuck|installed|dropped)\b/.test(meaning.text)) return null
  // A motor's amps are line amps, not 24 V amps.
  if (meaning.motors.length > 0 || parts.some((id) => !['fuse', 'transformer'].includes(partById(the.system, id)?.kind ?? ''))) return null
  const [wire] = letters
  return `${number.value} A on ${wire ? `${wire.cable ? `${wire.cable} ` : ''}${wire.letter}` : 'R'}${placeOf(meaning)}`
}

/** Volts, ohms or no path between two points, or at one against common. */
const readBetween: Reading = (meaning, the) => {
  const { parts, cables, calls } = meaning
  // A cable that is said after its wire.
  const [along] = cables
  const letters = meaning.letters.map((one) => (along && !isGroundWord(one.letter) ? { ...one, cable: one.cable ?? along } : one))
  if (
    parts.length + calls.length > 0 ||
    cables.length > 1 ||
    !only(meaning, 'volts', 'ohms', 'none', 'not', 'open', 'shorted', 'beeps', 'dead', 'hot', 'idle')
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
    // No continuity is no path, and nothing read with the power off is no volts.
    if (has(meaning, 'beeps') && has(meaning, 'none')) return `ohms ${pair} jumps between 40 and 40000000${where}`
    if (!the.state.bench.power && has(meaning, 'none', 'dead') && !has(meaning, 'volts')) return null
    if (has(meaning, 'beeps')) return `ohms ${pair} jumps between 0 and 40${where}`
    // No ohms may be a dead short or no path at all.
    if (has(meaning, 'none') && has(meaning, 'ohms')) return null
    if (has(meaning, 'none', 'dead')) return `${pair} 0 V${where}`
    return null
  }
  if (letters.length !== 1 || letters[0].cable !== null || !only(meaning, 'volts', 'none', 'dead', 'hot', 'idle', 'in')) return null
  const { letter } = letters[0]
  if (/^L\d?$/i.test(letter)) return legVolts(meaning, the, letter)
  // No C at the thermostat: nothing between the hot side and it.
  if (isCommon(the, letter)) return !number && has(meaning, 'none') ? the.voltsAt(meaning.places[0] ?? the.state.bench.place, '0') : null
  if (has(meaning, 'hot') || (has(meaning, 'in') && /\benergized\b/.test(meaning.text)))
    return number || has(meaning, 'none', 'dead')
      ? null
      : (the.voltsAt(`${letter.toLowerCase()}${where}`, 'X')?.replace('X V', 'jumps between 20 and 28') ?? null)
  // A figure and nothing: one of them was read elsewhere.
  if (number)
    return number.unit === 'ohm' || number.unit === 'A' || number.value > 60 || has(meaning, 'none', 'dead')
      ? null
      : the.voltsAt(`${letter.toLowerCase()}${where}`, String(number.value))
  return has(meaning, 'none', 'dead', 'idle') ? the.voltsAt(`${letter.toLowerCase()}${where}`, '0') : null
}

/** A leg of the line against the neutral where that is said, or on the strip; else against the metal. */
function legVolts(meaning: Meaning, the: Sentence, leg: string): string | null {
  const place = placeById(the.system, meaning.places[0] ?? the.state.bench.place)
  const number = onlyNumber(meaning)
  const volts = number ? number.value : has(meaning, 'none', 'dead') ? 0 : null
  if (!place || volts === null || number?.unit === 'ohm' || has(meaning, 'hot')) return null
  const neutral = neutralAt(the.system, place.id)
  const isSaid = /\bneutral\b/.test(meaning.text)
  if (isSaid && neutral === null) return null
  return `${leg.toUpperCase()}-${isSaid || place.terminals.includes('N') ? neutral : 'gnd'} ${volts} V at ${place.id}`
}

/** Volts across a motor or an element, with the power on. */
function lineVolts(meaning: Meaning, the: Sentence, id: string): string | null {
  const part = partById(the.system, id)
  if (part?.kind !== 'load') return null
  const number = onlyNumber(meaning)
  const [a, b] = part.between
  const { power } = the.state.bench
  if (!number) return power && has(meaning, 'none') && has(meaning, 'volts') ? `${a}-${b} 0 V at ${part.place}` : null
  if (number.unit === 'ohm' || !power) return null
  return number.unit === 'V' || (number.unit === null && (has(meaning, 'volts') || number.value > LEAST_OF_LINE))
    ? `${a}-${b} ${number.value} V at ${part.place}`
    : null
}

/** A number beside a motor that is more than its amps: assumption. */
const LEAST_OF_LINE = 60

/** A part's lead against the metal. */
const readToGround: Reading = (meaning, the) => {
  const { letters, parts, cables, calls } = meaning
  const part = partById(the.system, parts[0] ?? '')
  if (letters.length !== 1 || !isGroundWord(letters[0].letter) || parts.length !== 1 || cables.length + calls.length > 0) return null
  if (part?.kind !== 'coil' && part?.kind !== 'switch') return null
  if (!only(meaning, 'ohms', 'open', 'shorted', 'beeps', 'none')) return null
  const number = onlyNumber(meaning)
  if (number ? number.unit === 'V' || number.unit === 'A' || the.state.bench.power : meaning.numbers.length > 0) return null
  const said = number
    ? String(number.value)
    : has(meaning, 'open') || (has(meaning, 'none') && has(meaning, 'shorted'))
      ? 'OL'
      : has(meaning, 'shorted')
        ? 'jumps between 0 and 1'
        : has(meaning, 'beeps')
          ? 'jumps between 0 and 40'
          : null
  return said && `ohms ${part.between[0]}-gnd ${said} at ${part.place}`
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
  const strip = placeById(the.system, at ?? the.state.bench.place)?.terminals
  if (has(meaning, 'volts') && has(meaning, 'none') && strip && !strip.includes('R'))
    return { asks: 'Between which points? Say them: "Y-C 0 V".' }
  if (at === undefined) return has(meaning, 'none') && has(meaning, 'volts') && !number ? the.voltsAt(the.state.bench.place, '0') : null
  const { power } = the.state.bench
  const isAcross = /\bacross\b/.test(meaning.text)
  const is24 = power && number !== null && number.value <= MOST_OF_24 && (number.value >= LEAST_OF_24 || isAcross)
  const unit = number?.unit ?? (has(meaning, 'volts') || is24 ? 'V' : has(meaning, 'ohms') ? 'ohm' : null)
  if (kind === 'load' && part !== undefined) return lineVolts(meaning, the, part)
  if (has(meaning, 'shorted', 'beeps', 'fine'))
    return kind === 'switch' && !power && !number && !has(meaning, 'none', 'open', 'volts')
      ? `ohms across ${part} jumps between 0 and 1`
      : null
  if (kind === 'coil' || kind === 'switch') {
    if (number && unit === 'ohm') return `ohms across ${part} ${number.value}`
    // A damper that is open lies so; its coil is said to be.
    const isBlade = isDamper(the, part) && !/\b(?:coil|ol|ohms?)\b/.test(meaning.text)
    if (!number && has(meaning, 'open') && !isBlade && (kind === 'coil' || !power))
      return /\bbeep|\btone/.test(meaning.text) ? `ohms across ${part} jumps between 40 and 40000000` : `ohms across ${part} OL`
  }
  // On one side of a switch is not across it.
  if (kind === 'switch' && SIDE.test(meaning.text) && !isAcross) return null
  if (number && unit === 'V' && number.value < 60) return across(the, at, String(number.value)) ?? the.voltsAt(at, String(number.value))
  const isMissing = has(meaning, 'none') && (has(meaning, 'volts') || (power && kind === 'coil' && NONE_TO.test(meaning.text)))
  return !number && isMissing ? the.voltsAt(at, '0') : null
}

/** What does not get to a coil is its volts. */
const NONE_TO = /^(?:but |and )?(?:none|nothing) (?:out to|going to|to|at|on|reaching|getting to|across) /

function isDamper({ system }: Sentence, id: string | undefined): boolean {
  const part = partById(system, id ?? '')
  return part?.kind === 'coil' && part.role === 'damper'
}

const SIDE = /\b(?:into|in to|out|past|behind|before|ahead|leaving|entering|after|feeding|side)\b/

/** What is 24 V by the number alone: assumption. */
const LEAST_OF_24 = 15
const MOST_OF_24 = 32

/** What a meter was read to say. */
export const measured: readonly Reading[] = [ampsAround, readToGround, readBetween, readEach, readAtPart]
