import { allAt, allOf, landAll, pluggable } from '@/src/core/quick-line/hands'
import type { Sense } from '@/src/core/quick-line/lexicon'
import { cableTowards, type Meaning } from '@/src/core/quick-line/meaning'
import { findCable } from '@/src/core/quick-line/names'
import { has, only, placeOf, type Reading } from '@/src/core/quick-line/sense'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { conductorEnd } from '@/src/core/wiring/point'
import { type Cable, partById, partsOf, placeById } from '@/src/core/wiring/system'

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
  const isOff = has(meaning, 'off') && only(meaning, 'trips', 'holds', 'off', 'with')
  // What is off already is said again with what came of it.
  if (isOff && rest.length === 0 && calls.length < 2 && areOff(meaning, the)) return calls.length > 0 ? `${word} on ${calls[0]}` : word
  if (calls.length > 0) return null
  if (letters.length + cables.length + rest.length + meaning.places.length === 0 && only(meaning, 'trips', 'holds', 'fine')) return word
  if (has(meaning, 'idle') && only(meaning, 'trips', 'holds', 'idle', 'with'))
    return the.state.bench.call === 'off' ? word : `call off; ${word}`
  if (!isOff) return null
  const taken = hands({ ...meaning, parts: rest, senses: new Set<Sense>(['off']) }, the)
  return typeof taken === 'string' ? `${taken}; ${word}` : taken
}

/** Whether all wires of the one cable that is meant, or to the place that is, are off at one of its ends. */
function areOff({ letters, cables, places }: Meaning, the: Sentence): boolean {
  const { bench } = the.state
  const [said] = cables.length > 0 ? cables : places.flatMap((place) => cableTowards(the, place) ?? [])
  const cable = the.system.cables.find(({ id }) => id === findCable(the.system, said ?? ''))
  if (!cable || letters.length > 0 || cables.length > 1) return false
  return cable.between.some((place, side) => {
    const ends = cable.conductors.flatMap(({ id, lands }) => (lands[side] === null ? [] : [conductorEnd(cable.id, id, place)]))
    return ends.length > 0 && ends.every((end) => bench.lifted.includes(end))
  })
}

/** Terminals that are joined, and switches that are gone past. */
const clips: Reading = (meaning, the) => {
  const { letters, parts, cables, calls, numbers } = meaning
  // What is past something is behind it, unless a hand went past it.
  const isByHand = has(meaning, 'joined') || /\b(?:bypass|bypassed|go around|went around|went past|got past|around)\b/.test(meaning.text)
  if (cables.length + numbers.length > 0 || !has(meaning, 'joined', 'past') || !isByHand || has(meaning, 'none', 'volts')) return null
  if (letters.length >= 2 && parts.length + calls.length === 0 && only(meaning, 'joined', 'with', 'back')) {
    const [first, ...others] = letters.map(({ letter }) => letter)
    return others.map((other) => `jumper ${first} ${other}${placeOf(meaning)}`).join('; ')
  }
  // What came of it is another clause's.
  const isAll = parts.length === 1 && letters.length === 0 && !has(meaning, 'runs', 'still', 'dead', 'in', 'trips', 'holds')
  const around = isAll ? the.around(parts[0]) : null
  return around && has(meaning, 'off') ? around.replace(/^jumper /, 'jumper out ') : around
}

/** Wires and parts that a hand takes off or puts back. */
const UNIT = /\b(?:heat pump|hp|condenser|unit|furnace|air handler)\b/

/** A cable that comes here, with a wire under each of these letters. */
function isIn({ state }: Sentence, { between, conductors }: Cable, letters: Meaning['letters']): boolean {
  const end = between.indexOf(state.bench.place)
  return end >= 0 && letters.every(({ letter }) => conductors.some(({ lands }) => lands[end]?.toLowerCase() === letter.toLowerCase()))
}

/** The coil or switch here that a wire is said to come off of. */
const leadless = ({ parts, text }: Meaning, { system, state }: Sentence): string[] =>
  /\boff (?:of )?(?:the )?\w/.test(text)
    ? parts.filter((id) => {
        const part = partById(system, id)
        return (part?.kind === 'coil' || part?.kind === 'switch') && part.place === state.bench.place && !state.bench.unplugged.includes(id)
      })
    : []

const STILL_OR_LIFTED = 'Does it stand still, or are its wires off? Say "outdoor not as called", or "lift outdoor cable".'

const hands: Reading = (meaning, the) => {
  const { letters, cables, calls, numbers } = meaning
  // What a wire is taken off of needs no saying.
  const parts = letters.length + cables.length > 0 ? [] : meaning.parts
  const [from] = meaning.parts.flatMap((id) => partById(the.system, id) ?? []).filter(({ kind }) => kind === 'thermostat')
  if (calls.length + numbers.length > 0 || !only(meaning, 'off', 'back')) return null
  // A unit that is off while something is called stands still, or has its wires off.
  const isUnit = /^(?:the )?(?:outdoor|outside)(?: unit)?(?: is| was)? off$/.test(meaning.text.trim())
  const isApart = the.system.places.some(({ kind }) => kind === 'outdoor')
  if (isUnit && isApart && the.state.bench.power && the.state.bench.call !== 'off') return { asks: STILL_OR_LIFTED }
  // Off the wall is the thermostat; what is told of letters behind it is something else.
  if (from && letters.length > 0 && /\b(?:wall|sub ?base|base|plate)\b/.test(meaning.text)) return null
  // A unit that is off is not one whose wires are.
  if (!meaning.isWhole && letters.length + cables.length === 0) return null
  const isOff = has(meaning, 'off') && !has(meaning, 'back')
  if (!isOff && !has(meaning, 'back')) return null
  // A lead that comes off a coil or a switch is none of the strip's wires: that part is off its leads.
  const [lost] = isOff && letters.length === 1 && letters[0].cable === null && cables.length === 0 ? leadless(meaning, the) : []
  if (lost) return `unplug ${lost}; ${the.asNote()}`
  const towards = meaning.goesThere && meaning.places.length === 1 ? cableTowards(the, meaning.places[0]) : null
  // Several letters in one breath are of one cable, where one alone here has them all.
  const having = letters.length < 2 ? [] : the.system.cables.filter((cable) => isIn(the, cable, letters))
  const together = having.length === 1 && letters.every((one) => one.cable === null) ? having[0].id : null
  if (letters.length > 0 && parts.length === 0 && cables.length < 2)
    return letters
      .map(({ letter, cable, colourOf }, index) => {
        // The outdoor Y and C: both of that cable.
        const before = letters
          .slice(0, index)
          .reverse()
          .find((one) => one.cable !== null)?.cable
        const along = cable ?? before ?? cables[0] ?? towards ?? colourOf ?? together
        return `${isOff ? 'lift' : 'land'} ${along ? `${along} ` : ''}${letter}${towards ? '' : from ? ` at ${from.place}` : placeOf(meaning)}`
      })
      .join('; ')
  const isOfWires = /\b(?:wires?|cables?|leads?|conductors?|everything|all|both)\b/.test(meaning.text)
  if (isOff && towards && parts.length + cables.length === 0) {
    // A thermostat that is off hangs on no wall, or is set to off, or blank: its wires are another matter.
    const hung =
      isOfWires || !/\b(?:stat|thermostat|tstat)/.test(meaning.text)
        ? undefined
        : partsOf(the.system, 'thermostat').find(({ place }) => place === meaning.places[0])
    if (hung) return meaning.isByHand || /\b(?:wall|base|plate)\b/.test(meaning.text) ? `unplug ${hung.id}` : null
    // A unit that is off is switched off.
    return isOfWires || meaning.isByHand || /\bisolat/.test(meaning.text) || !UNIT.test(meaning.text) ? allOf(the, towards) : null
  }
  if (cables.length === 1 && letters.length + parts.length === 0) {
    const said = cables[0].replace(/-cable$/, '')
    // At the end that was named, where one was.
    const there = meaning.places.length === 1 ? the.at(meaning.places[0]) : the
    return isOff ? allOf(there, said) : landAll(the, said, meaning.places.length === 1 ? meaning.places[0] : null)
  }
  // What is pulled somewhere may be a disconnect.
  if (isOff && isOfWires && meaning.places.length === 1 && letters.length + parts.length + cables.length === 0)
    return allAt(the, meaning.places[0])
  const [part] = parts
  if (parts.length !== 1 || letters.length + cables.length > 0 || pluggable(the, part) === null) return null
  // A thermostat that is off may be blank, off the wall or set to off; its wires that are off are not it.
  const isOffTheWall = meaning.isByHand && (!isOfWires || /\b(?:wall|base|plate)\b/.test(meaning.text))
  if (partById(the.system, part)?.kind === 'thermostat' && !isOffTheWall) return null
  return `${isOff ? 'unplug' : 'plug'} ${part}`
}

const idle: Reading = (meaning) => {
  const { letters, parts, cables, calls, numbers } = meaning
  const isAlone = letters.length + cables.length + calls.length + numbers.length === 0 && parts.length < 2
  return isAlone && meaning.isWhole && !meaning.isByHand && has(meaning, 'idle') && only(meaning, 'idle', 'off') ? 'call off' : null
}

const walked: Reading = (meaning) => {
  const { letters, parts, cables, calls, numbers, places } = meaning
  const isAlone = letters.length + parts.length + cables.length + calls.length + numbers.length === 0
  if (isAlone && /\bcall/.test(meaning.text) && !/\b(?:no calls?|nothing call(?:ed|ing))\b/.test(meaning.text))
    return { asks: 'For what? Say the call: "call cool", or "call cool zone 2".' }
  const isMoved = meaning.isWhole && !OTHER_VERBS.test(meaning.text)
  return isAlone && isMoved && meaning.isWhole && places.length === 1 && only(meaning, 'walk', 'back') ? `walk ${places[0]}` : null
}
/** What is done at a place, other than to go there. */
const OTHER_VERBS =
  /\b(?:ran|put|got|hook\w*|unhook\w*|connect\w*|reconnect\w*|wired|tied|landed|wires?|cables?|leads?|reads?|reading|shows?|showing|showed|found|find|keeps?|kept|hear\w*|smell\w*|says?|said|tells?|told|knows?|check\w*|looks?|looked|seems?|appears?|makes?|made|making|done|did|do|does|tries|tried|trying|needs?|wants?|rang|measur\w*|calls?|called|calling)\b/

/** A call that is made, and nothing said of what came of it. */
const called: Reading = (meaning, the) => {
  const { letters, parts, cables, calls, numbers, places, senses } = meaning
  const isAtStat = places.every((place) => placeById(the.system, place)?.kind === 'thermostat')
  const isAlone = letters.length + parts.length + cables.length + numbers.length + senses.size === 0
  const isMade = /\b(?:call|set|ran|run|turn|put|switch|on)/.test(meaning.text)
  return isAlone && isAtStat && isMade && meaning.isWhole && calls.length === 1 ? `call ${calls[0]}` : null
}

/** What was tried and what a hand did. */
export const tried: readonly Reading[] = [trials]
export const acted: readonly Reading[] = [clips, hands, idle, walked, called]
