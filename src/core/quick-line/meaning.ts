import { COLOUR, cableOfColour, letterOfColour } from '@/src/core/quick-line/colours'
import { lexicon, NO_LINE_VOLTS, NO_VOLTS, type Sense } from '@/src/core/quick-line/lexicon'
import { findCable, isGroundWord } from '@/src/core/quick-line/names'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { boardHere, coilMeant } from '@/src/core/quick-line/which-part'
import { parsePoint } from '@/src/core/wiring/point'
import { commonNodes } from '@/src/core/wiring/supply'
import { type Cable, cableById, partById, partsOf } from '@/src/core/wiring/system'

/** What the words of a sentence are, each of them once; nothing is left over. */
export interface Meaning {
  readonly senses: ReadonlySet<Sense>
  /** Terminals and conductors in the order in which they were said, each with the cable that was said before it. */
  readonly letters: readonly {
    readonly letter: string
    readonly cable: string | null
    /** It was said by its colour, which one cable alone has here. */
    readonly colourOf?: string | null
  }[]
  readonly parts: readonly string[]
  readonly cables: readonly string[]
  readonly places: readonly string[]
  readonly calls: readonly string[]
  /** What was said by a word that is a call and something that runs by it: the strips. */
  readonly motors: readonly string[]
  readonly numbers: readonly { readonly value: number; readonly unit: 'V' | 'ohm' | 'A' | null }[]
  /** The words themselves. */
  readonly text: string
  /** Every word was known. */
  readonly isWhole: boolean
  /** The letters are the two ends of one reading, not a list. */
  readonly isPair: boolean
  /** A place is said as where a wire goes to, or not as where the hand is. */
  readonly goesThere: boolean
  /** It is said to stand on a display. */
  readonly isShown: boolean
  /** A hand is said to have done it. */
  readonly isByHand: boolean
}

/** Words that turn what is said round, or make it something else than a finding: with one of them nothing is guessed. */
const TURNS =
  /^(?:if|lost|loses|losing|lose|drops|dropped|should|shouldnt|would|could|supposed|expected|expect|before|yesterday|last|used|except|unless|until|without|instead|than|half|almost|nearly|never|might|customer|owner|homeowner|tomorrow|next|later|maybe|probably|same|other|another|whether|why|how|what|which|cant|cannot|but|everything|everywhere|all|any|anything|test|tests|testing|check|whole|entire|every|goes|went|doesnt|dont|didnt|wont|isnt|low|high|aux|auxiliary|emergency|strips|red|white|green|yellow|blue|brown|orange|black|purple|violet|grey|gray|pink|tan)$/

const COLOURS = new RegExp(`^${COLOUR}$`)

/** So many words of a sentence may be none that are known, where the others say something whole. */
const MOST_UNKNOWN = 2

const LONGEST_NAME = 4

/** `the condenser wires`, said elsewhere: the one cable that goes there from where one stands. */
export function cableTowards(the: Sentence, said: string): string | null {
  const { system, state } = the
  const there = the.place(said)
  const here = state.bench.place
  const [cable, another] = system.cables.filter(
    ({ between }) => there !== null && there !== here && between.includes(there) && between.includes(here),
  )
  return cable && !another ? cable.id : null
}

/** The cable that a sentence names: its colors are meant. */
function cableNamed(text: string, the: Sentence): Cable | undefined {
  const found = /\b(\w+) (?:cable|bundle|pair|run)\b/.exec(text)
  const id = found && (findCable(the.system, found[1]) ?? cableTowards(the, found[1]))
  return id ? cableById(the.system, id) : undefined
}

/** Every word of a sentence by what it is in this system; null where one of them is nothing that is known. */
export function meaningOf(text: string, the: Sentence, isLenient = false): Meaning | null {
  const words = text
    // A run time and a setpoint are not readings.
    .replace(/\b(?:for |about |like )*\d+(?:\.\d+)? ?(?:secs?|seconds?|mins?|minutes?|hrs?|hours?)\b/g, ' ')
    .replace(
      /\b(?:after |for |in |within )?(?:a|an|one|two|three|few|a few|couple|couple of|five|ten|fifteen|twenty|half a) (?:secs?|seconds?|mins?|minutes?|hours?)(?: or (?:two|so))?\b/g,
      ' ',
    )
    .replace(/\b(cool|heat|cooling|heating|down|up)(?: to| at)? [4-9]\d(?: degrees| f)?(?=$|,|\s(?!v|a|o))/g, '$1')
    .replace(/\b(zone \d)(?: is)? (?:calling|calls|called)(?: for)? /g, '$1 ')
    .replace(/\b(?:pulling|pulls)(?= \.?\d)/g, 'draws')
    .replace(/(\d)\s*(?=(?:v|vac|volts?|ohms?|amps?|a)\b)/g, '$1 ')
    .replace(/(?<=^|\s)[a-z]\w?(?:\s*[-/]\s*[a-z]\w*)+(?=\s|,|$)/g, (all) => {
      const joined = all.split(/\s*[-/]\s*/)
      return joined.every((one) => the.isLetter(one)) ? joined.join(' ') : all
    })
    .split(/[\s,]+/)
    .filter(Boolean)
  const named = cableNamed(text, the)
  const senses = new Set<Sense>()
  const letters: { letter: string; cable: string | null; colourOf?: string | null }[] = []
  const [parts, cables, places, calls]: string[][] = [[], [], [], []]
  const numbers: { value: number; unit: 'V' | 'ohm' | 'A' | null }[] = []
  const motors: string[] = []
  let said: string | null = null
  let along: string | null = null
  let unknown = 0
  let isForeign = false
  let isWithoutLine = false

  /** Takes the phrase that begins here, if it is one; returns whether it was. */
  const take = (phrase: string, next: string | undefined): boolean => {
    // What leads up to a name is no part of it: on heat strips.
    if (/^(?:on|for|in|to|with|at|from) /.test(phrase) && !lexicon.has(phrase)) {
      // In the stat cable is not at the stat.
      const isOfCable = /^(?:cable|wires?|bundle|run|pair|leads?|wiring|conductors?)$/.test(next ?? '')
      const at = !isOfCable && /^(?:at|in|from|to) /.test(phrase) ? the.place(phrase) : null
      return at !== null && places.push(at) > 0
    }
    // "No 120" reads 0 V.
    if (NO_LINE_VOLTS.test(phrase)) {
      isWithoutLine = true
      return senses.add('none').add('volts').size > 0
    }
    const number = /^-?\d*\.?\d+$/.test(phrase) ? Number(phrase) : null
    if (number !== null) return numbers.push({ value: number, unit: null }) > 0
    const sense = lexicon.get(phrase)
    if (sense === 'filler') return true
    if (NO_VOLTS.test(phrase)) return senses.add('none').add('volts').size > 0
    if (/^fan (?:outside|outdoors|out there)$/.test(phrase) && the.part(phrase) === null) isForeign = true
    // A fan that the record does not have is none of the blower.
    if (/^(?:condenser|cond|outdoor|outside|exhaust|draft) fan(?: motor)?$/.test(phrase) && the.part(phrase) === null) isForeign = true
    // A damper motor is not the blower motor.
    if (/^damper motor$/.test(phrase)) isForeign = true
    // Nor a second one where there is one alone.
    if (/^second (?:compressor|contactor|stage (?:compressor|contactor))$/.test(phrase) && the.part(phrase) === null) isForeign = true
    // `outdoor Y`: a cable that is said before its conductor.
    const zone = /^zone (\d)$/.exec(phrase)
    const cable = findCable(the.system, zone ? `stat-cable-${zone[1]}` : phrase)
    const isWire = (word: string) =>
      the.isLetter(word) || cableById(the.system, cable ?? '')?.conductors.some(({ colour }) => colour === word)
    // A color that a cable does not have is none of its wires, and the cable's name no place then.
    if (cable !== null && next !== undefined && COLOURS.test(next) && !isWire(next)) isForeign = true
    if (cable !== null && next !== undefined && isWire(next) && !/^(?:at|in|on)$/.test(next)) {
      said = cable
      along = cable
      return true
    }
    if (the.isLetter(phrase)) {
      letters.push({ letter: the.letter(phrase), cable: said })
      said = null
      return true
    }
    const bundle = /^(.+) (?:cable|wires|wire|leads|bundle|wiring|pair|run)$/.exec(phrase)
    const whole = bundle && (findCable(the.system, bundle[1]) ?? cableTowards(the, bundle[1]))
    if (whole) return cables.push(whole) > 0
    // A wire by its colour, where one alone has it.
    const isOfThing = /^(?:light|lights|led|fuse|label|tape|leds)$/.test(next ?? '')
    const within = cableById(the.system, said ?? along ?? '') ?? named
    const inNamed = isOfThing ? undefined : within?.conductors.find(({ colour }) => colour === phrase)
    // A color that the named cable does not have is none of its wires.
    if (within && !inNamed && !isOfThing && COLOURS.test(phrase)) isForeign = true
    const coloured = isOfThing ? null : (inNamed?.id ?? letterOfColour(the, phrase))
    if (coloured !== null) {
      letters.push({ letter: coloured, cable: said ?? (inNamed && within ? within.id : null), colourOf: cableOfColour(the, phrase) })
      said = null
      return true
    }
    if (sense !== undefined) {
      if (sense === 'volts' || sense === 'ohms' || sense === 'amps') {
        const last = numbers.at(-1)
        if (last?.unit === null) last.unit = sense === 'volts' ? 'V' : sense === 'ohms' ? 'ohm' : 'A'
      }
      // Nothing on Y is a reading; nothing on is no call.
      senses.add(phrase === 'nothing on' && next !== undefined && the.isLetter(next) ? 'none' : sense)
      return true
    }
    const call = the.call(phrase)
    // High and low alone say how much, not which switch.
    const part = /^(?:high|low)$/.test(phrase) ? null : (the.part(phrase) ?? unnamedPart(the, phrase))
    // What is a call and a motor by one word is the motor; who means the call says so.
    if (part !== null && (call === null || partById(the.system, part)?.kind !== 'load')) return parts.includes(part) || parts.push(part) > 0
    if (part !== null) motors.push(part)
    if (call !== null) return calls.push(call) > 0
    const place = the.place(phrase)
    return place !== null && places.push(place) > 0
  }

  for (let at = 0; at < words.length; ) {
    const last = numbers.at(-1)
    // An A behind a number is amps, and no article.
    if (words[at] === 'a' && last?.unit === null && /^-?\d*\.?\d+$/.test(words[at - 1] ?? '')) {
      last.unit = 'A'
      at++
      continue
    }
    let length = Math.min(LONGEST_NAME, words.length - at)
    while (length > 0 && !take(words.slice(at, at + length).join(' '), words[at + length])) length--
    if (length === 0) {
      unknown++
      // What stands behind a number is its unit: one that is not known is none.
      const isWord =
        /^[a-z]{3,}$/.test(words[at]) &&
        (!/\d$|^(?:v|volts?|ohms?|a|amps?)$/.test(words[at - 1] ?? '') || /^(?:sitting|showing|standing|hanging|holding)$/.test(words[at]))
      if (!isLenient || !isWord || TURNS.test(words[at]) || unknown > MOST_UNKNOWN || unknown > words.length / 2) return null
      length = 1
    }
    at += length
  }
  if (isForeign) return null
  // Letters at the board are those of the strip there.
  if (letters.length > 0)
    for (const id of [...parts]) {
      const board = partById(the.system, id)
      if (board?.kind !== 'board' && board?.kind !== 'electronics') continue
      parts.splice(parts.indexOf(id), 1)
      if (places.length === 0 && board.place !== the.state.bench.place) places.push(board.place)
    }
  // A motor and a call that runs it, by the same word or another: the blower runs on fan.
  const [motor] = motors
  const own = the.call('fan')
  // What moves, and what has volts, is the motor and not the call.
  const isMotor =
    (['runs', 'still', 'dead', 'chatters', 'volts'] as const).some((one) => senses.has(one)) ||
    numbers.some(({ value, unit }) => unit === 'V' || value > 60)
  if (motor !== undefined && parts.length === 0 && calls.length === 1 && isMotor) {
    calls.splice(0, 1)
    parts.push(motor)
  }
  if (motor !== undefined && own !== null && calls.length === 2 && !['trips', 'holds', 'fine'].some((one) => senses.has(one as Sense))) {
    calls.splice(calls.indexOf(own), 1)
    parts.push(motor)
  }
  // Line volts are missing at a motor; what else has none of them is for the rules of the line side.
  if (isWithoutLine && !(parts.length === 1 && partById(the.system, parts[0])?.kind === 'load')) return null
  const isPair = letters.length === 2 && (letters.some(({ letter }) => isGroundWord(letter) || isCommon(the, letter)) || JOINS.test(text))
  return {
    senses,
    letters,
    parts,
    cables,
    places,
    calls,
    motors,
    numbers,
    text,
    isWhole: unknown === 0,
    isPair,
    isShown: /\b(?:says|saying|shows|showing|display|displays|screen|calling)\b/.test(text),
    isByHand: /\b(?:pull\w*|took|take|lift\w*|unplug\w*|disconnect\w*|remov\w*|unhook\w*|popped|wall|base|back)\b/.test(text),
    goesThere: /\bgo(?:ing|es)\b/.test(text) || !/\b(?:at|in|on|outside|inside|outdoors|indoors|out|back)\b/.test(text),
  }
}

/** `the coil`, `the light`: what there is one of here. */
function unnamedPart(the: Sentence, phrase: string): string | null {
  if (phrase === 'solenoid') return valveHere(the) ?? coilMeant(the)
  if (phrase === 'coil') return coilMeant(the)
  return /^(?:green |red |amber |status |board |control |ignition |led )?(?:light|lights|led)$/.test(phrase) ? boardHere(the) : null
}

/** The one valve where one stands. */
function valveHere({ system, state }: Sentence): string | null {
  const [valve, another] = partsOf(system, 'coil').filter(
    ({ role, place }) => place === state.bench.place && (role === 'reversing-valve' || role === 'gas-valve'),
  )
  return valve && !another ? valve.id : null
}

/** Two letters are the two ends of one reading where the words between them say so. */
const JOINS = /\b(?:to|between|across|against)\b|\w-\w/

/** The common side of a transformer, by its letter. */
export const isCommon = ({ system }: Sentence, letter: string): boolean =>
  [...commonNodes(system)].some((point) => parsePoint(point).name.toLowerCase() === letter.toLowerCase())
