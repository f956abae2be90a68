import type { Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { COLOUR } from '@/src/core/quick-line/colours'
import { lexicon } from '@/src/core/quick-line/lexicon'
import { plain } from '@/src/core/quick-line/said'
import { Sentence } from '@/src/core/quick-line/sentence'
import type { System } from '@/src/core/wiring/system'

/** What is said beside an entry and is none: what came of it, what was wiggled, the air's temperatures, the one who types. */

/** Beside something that is understood: what names nothing of the circuit and no reading is a remark of the one who types. */
export function isAside(text: string, { system, entries }: { readonly system: System; readonly entries: readonly Entry[] }): boolean {
  if (RESULTS.test(plain(text)) || MOVED.test(text) || KNOWN_BY.test(text.trim()) || THE_REST.test(text.trim())) return true
  if (TEMPERATURES.test(text)) return true
  const the = new Sentence(system, foldJob(system, entries))
  const words = plain(text).split(/[\s,]+/)
  return (
    words.length > 1 &&
    !/\d/.test(text) &&
    !words.some(
      (word) =>
        OF_THE_CIRCUIT.test(word) ||
        IS_COLOUR.test(word) ||
        (lexicon.get(word) ?? 'filler') !== 'filler' ||
        the.isLetter(word) ||
        the.part(word) !== null,
    )
  )
}

/** Temperatures of air, by their numbers. */
const TEMPERATURES = /\b(?:room|set ?point|supply|return|ambient|(?:outside|inside|outdoor) temp)\D{0,12}\d{2}\b(?! ?v)/i

/** What came of it, in words by which nothing is weighed. */
const WORKS_THEN = /^(?:it |unit |system )?(?:cools|heats)(?: fine| now| good| ok| again)*$/
const RESULTS =
  /^(?:nothing (?:happened|happens|changed|changes)|no (?:change|difference|luck|effect|response|help|good|dice|heat|cooling|cool|air)|no (?:gas|flame|fire|ignition|spark)(?: sensed| detected| seen| at all)?|(?:same|exact same)(?: thing| result| problem| as before)?|(?:made|makes) no difference|doesnt help|still (?:heating|cooling)|(?:it )?(?:runs|works)(?: fine| now| again)?|did(?:nt| not) (?:help|do anything|work)|leaving|done|all done|heading out|packing up|buttoned up|buttoning up)$/

/** How somebody knows what was said before it. */
const KNOWN_BY =
  /^(?:i |we |just |already )*(?:checked|tested|verified|ohmed|metered|confirmed|looked)(?: it| them| that| at it)?(?: out)?(?: (?:with|by|on) (?:a |an |my |the )?(?:meter|ohmmeter|dvom|eye|hand))?(?: too| twice| again)?$/i

/** Of all that is not named, no more is known than that. */
const THE_REST =
  /^(?:the )?(?:others?|rest|all (?:the )?others?|everything else)(?: (?:are|is|all|reads?))* (?:open|ol|clear|good|fine|ok)$/i

/** Something was moved by hand, without being taken off. */
const MOVED =
  /^(?:i |we |it )*(?:wiggled?|moved?|touch(?:ed)?|shook|shake|bump(?:ed)?|tapp?(?:ed)?|push(?:ed)?|press(?:ed)?|bent|bend|flex(?:ed)?)\b/i

const IS_COLOUR = new RegExp(`^${COLOUR}$`, 'i')

/** What would be weighed if it were understood: with one of these a line is no remark. */
export const OF_THE_CIRCUIT =
  /\b(?:fuse|breaker|thermostat|stat|contactor|transformer|board|relay|valve|coil|switch|damper|volts?|ohms?|amps?|power|trips?|tripped|tripping|holds?|holding|popped|blows?|jumper|landings?)\b/i

/** What came of an act, with nothing in it that is weighed. */
export const isResult = (text: string): boolean => RESULTS.test(plain(text)) || WORKS_THEN.test(plain(text))

/** Something was moved, and stays where it was. */
export const isWiggled = (text: string): boolean => MOVED.test(text.trim())
