import { acted, tried } from '@/src/core/quick-line/acted'
import { askWhichOf, COLOUR } from '@/src/core/quick-line/colours'
import { type Meaning, meaningOf } from '@/src/core/quick-line/meaning'
import { measured } from '@/src/core/quick-line/measured'
import { findCable } from '@/src/core/quick-line/names'
import { noticed } from '@/src/core/quick-line/noticed'
import type { Said } from '@/src/core/quick-line/rule'
import type { Reading } from '@/src/core/quick-line/sense'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { partById, placeById } from '@/src/core/wiring/system'

/**
 * A sentence by what is in it, whatever the order of its words: "24 on Y outside", "nothing outside on Y" and "Y has no volts at the
 * condenser" have the same words in them. What comes back is the grammar's own line.
 */
export function interpret(said: string, the: Sentence): Said {
  // "Blower panel" names a place on the unit, not a fan call.
  const text = said.replace(/\bblower (?:panel|door|compartment|section|cabinet|deck)\b/, 'indoor unit')
  // What a hand pushes in says nothing of its coil.
  if (/\bby hand\b|\bpush(?:ed|ing|es)?\b.*\b(?:in|contactor|relay|armature)\b/.test(text)) return null
  // What it does not do is nothing that it did, and what it did some time ago is told.
  if (/\b(?:not|isnt|stopped|no longer|quit|never) (?:chatter|buzz|humm?|click)/.test(text)) return null
  if (/\b(?:was|were)\b.*\b(?:earlier|before|yesterday|last (?:night|week|time|year))\b/.test(text)) return null
  // The relays inside a thermostat are no parts of the record.
  if (/\brelay in(?:side)? (?:thermostat|stat)\b/.test(text)) return null
  // Nor is what heats a crankcase, or is wired to a humidifier, the part of that name that the record has.
  const [foreign] = FOREIGN.exec(text) ?? []
  if (foreign !== undefined && !the.system.parts.some(({ name }) => name.toLowerCase().includes(foreign))) return null
  // "No common" says that the house has no such wire: nothing was read.
  if (the.says(/\bno common\b(?! \d)/i)) return null
  // What is gone, or is one of several, is not what stands there.
  if (/\b(?:goes|went|gone) away\b|\bdisappear|\bonly one\b/.test(text)) return null
  // What goes on when its call is over holds nothing.
  if (/\bstay(?:s|ed|ing)? (?:on|running)\b/.test(text) && !/\b(?:fuse|breaker|power)\b/.test(text)) return null
  // What alone heats the house is told, and not called.
  if (/^(?:aux|auxiliary|emergency|em|strips?|gas|backup)(?: heat)? only\b/.test(text)) return null
  // "It" is the cable in the hand, and no place.
  if (/^(?:found |saw )?it (?:is |was |got |all )?(?:chewed|rubbed|melted|scorched|nicked)\b|\bthrough it\b/.test(text)) return null
  // Air that is blown is no fuse.
  if (/\bblow(?:s|ing) (?:out )?(?:warm|hot|cold|cool|lukewarm)\b/.test(text)) return null
  // Broken somewhere on its way is thought: nobody saw it.
  if (/^(?:so )?[a-z]\d?(?: wire)? (?:is |was )(?:cut|broken|severed)$/.test(text)) return null
  // A valve that stays in a mode holds nothing.
  if (/\b(?:stuck|stays?|staying|stayed) in (?:heat|cool)/.test(text))
    return /\bvalve\b|\brv\b/.test(text)
      ? {
          asks: 'What does its coil have? Say "valve in" where it is energized and "valve out" where it is not, or what O reads: "O-C 24".',
        }
      : null
  // A trial, and what runs with it, are two things; so are what goes back on and what comes off.
  if (TRIAL_AND_MORE.test(text)) return null
  if (/\bback (?:on|in)\b/.test(text) && /\b(?:unplugged|pulled|lifted|disconnected|unhooked|off)\b/.test(text)) return null
  // What lies in or out at the end is no filler: 24 at the contactor, it is out.
  if (SAID_OF_IT.test(text)) return null
  // Every word known first; then with a word or two that are not, where the rest says something whole.
  for (const isLenient of SEVERAL.test(text) ? [false] : [false, true]) {
    const first = meaningOf(text, the, isLenient)
    if (!first || first.places.length > 1) continue
    // A color said of another place is one of the wires there.
    const [there] = first.places
    const isElsewhere = there !== undefined && there !== the.state.bench.place && /\d|\bol\b/.test(text) && first.letters.some(isByColour)
    const meaning = isElsewhere ? meaningOf(text, the.at(there), isLenient) : first
    if (!meaning) return whichWire(text, the.at(there))
    const line = firstOf([...tried, ...measured, ...noticed, ...acted], meaning, the) ?? onCall(meaning, the)
    if (line !== null) return line
  }
  return whichPart(text, the) ?? whichWire(text, the)
}

const FOREIGN = /\b(?:crankcase|humidifier|dehumidifier|water heater|pan heater|economizer|attic fan|bath fan|exhaust fan)\b/

const isByColour = ({ colourOf }: Meaning['letters'][number]): boolean => colourOf !== undefined && colourOf !== null

/** A part that could be one of several is asked after by their names. */
function whichPart(text: string, the: Sentence): Said {
  const words = text.split(/\s+/)
  for (let at = 0; at + 1 < words.length; at++) {
    const two = `${words[at]} ${words[at + 1]}`
    const names = at > 0 && the.part(`${words[at - 1]} ${two}`) !== null ? [] : the.several(two)
    if (names.length > 0) return { asks: `Which one? Say ${names.map((name) => `"${name}"`).join(' or ')}.` }
  }
  return null
}

const WIRE_COLOUR = new RegExp(`(?<!\\b(?:light|led|lights|leds)(?: is)? )\\b${COLOUR}\\b(?! (?:light|led|fuse|tape|label))`, 'g')

/** The first wire by its color that may be one of several. */
function whichWire(text: string, the: Sentence): Said {
  for (const { 0: colour, index } of text.matchAll(WIRE_COLOUR)) {
    const before = text.slice(0, index).trim().split(/\s+/).at(-1) ?? ''
    if (findCable(the.system, before) !== null) continue
    const asked = askWhichOf(the, colour)
    if (asked) return asked
  }
  return null
}

/** A clause of its own about what was named before. */
const SAID_OF_IT =
  /[,:]\s*(?:and |but )?(?:it|its|(?:the )?(?:\w+[ -]){0,2}(?:contactor|relay|valve|sequencer|damper))?(?: is)? ?(?:still |not |just )*(?:in|out|off|on)$/

/** It holds, condenser runs. */
const TRIAL_AND_MORE =
  /\b(?:holds?|held|trips?|tripped)\b(?: on \w+)?(?:,| and| but) ?(?:and |but )?(?:\w+ ){1,3}(?:runs?|running|ran|comes on|came on|starts|started|pulls in|pulled in|on)\b(?! heat| cool| fan)/

/** More than one thing is said: what is not known of it may be a whole clause. */
const SEVERAL = /,|\bbut\b|\band (?:it|then)\b/

function firstOf(readings: readonly Reading[], meaning: Meaning, the: Sentence): Said {
  for (const reading of readings) {
    const line = reading(meaning, the)
    if (line !== null) return line
  }
  return null
}

/** What there is none of nobody has called for; and beside a mark on a wire a fan is where it was found. */
const NO_CALL_OF_ITS_OWN = /\bno (?:heat|cool)(?:ing)?\b|\b(?:rubbed|chewed|scorched|stapled|burnt|melted|bare)\b/

/** Whoever stands at an outdoor unit and does not say that it is called means the fan there. */
const isOutdoorFan = (text: string, { system, state }: Sentence): boolean =>
  placeById(system, state.bench.place)?.kind === 'outdoor' && !CALLS_FAN.test(text)

const isMotorBeside = (text: string): boolean =>
  /\bfan and\b|\band (?:the )?fan\b/.test(text) || (/\bcompressor\b/.test(text) && !CALLS_FAN.test(text))

const isOfGas = ({ system }: Sentence, id: string): boolean => {
  const part = partById(system, id)
  return part?.kind === 'coil' && part.role === 'gas-valve'
}

/** What runs is a motor, and no call for it. */
const FAN_RUNS = /\bfan (?:motor )?(?:is )?(?:running|runs|spins|spinning|not|still|dead)\b/

const CALLS_FAN = /\b(?:on|in|with|for|to|calls?|called|calling) (?:the )?fan\b|\bfan (?:call|called|calling|mode|only|on)\b/

/** What is read or seen on a call that is said beside it: 26 on O in cool. */
function onCall(meaning: Meaning, the: Sentence): Said {
  const [call, another] = meaning.calls
  // The fan beside another motor is the motor, where nothing is said to call for it.
  if (
    !call ||
    another ||
    (call === 'fan' && (FAN_RUNS.test(meaning.text) || isMotorBeside(meaning.text) || isOutdoorFan(meaning.text, the))) ||
    NO_CALL_OF_ITS_OWN.test(meaning.text)
  )
    return null
  const senses = new Set(meaning.senses)
  senses.delete('with')
  const line = firstOf([...measured, ...noticed], { ...meaning, calls: [], senses }, the)
  // The second stage of what burns gas is no stage of cooling.
  if (/^cool/.test(call) && meaning.parts.some((id) => isOfGas(the, id))) return null
  // A mark on a wire is there with or without a call.
  if (typeof line !== 'string' || /^(?:bare|rubbed|chewed|scorched|stapled) /.test(line)) return line
  return the.state.bench.call === call.replace(/(?<=[a-z])(?=\d)/, '-') ? line : `call ${call}; ${line}`
}
