import { askWhichOf, COLOUR, cableOfColour, letterOfColour } from '@/src/core/quick-line/colours'
import { type Rule, rule, type Said } from '@/src/core/quick-line/rule'
import type { Sentence } from '@/src/core/quick-line/sentence'

/** A wire that was found not to be where it belongs: off, loose, on another screw, changed about. */

/** What a wire is on, wherever one stands. */
const STRIP =
  /^(?:(?:its|terminal|screw) )?(?:board|strip|terminals?|screw|block|sub-?base|base|(?:wall|back) ?plate|terminal (?:strip|block|board))$/

const IS_COLOUR = new RegExp(`^${COLOUR}$`)

/** A wire by its letter or its color; asked after where more than one wire of that color is here. */
function wire(the: Sentence, name: string): { readonly letter: string } | { readonly asks: string } | null {
  if (the.isLetter(name)) return { letter: the.letter(name) }
  if (!IS_COLOUR.test(name)) return null
  const [cable, letter] = [cableOfColour(the, name), letterOfColour(the, name)]
  if (letter !== null) return { letter: cable === null ? letter : `${cable} ${letter}` }
  return askWhichOf(the, name)
}

function foundOff(the: Sentence, name: string, said: string, how: string): Said {
  const found = wire(the, name)
  if (found === null || 'asks' in found) return found
  // A spare is on no screw.
  if (IS_COLOUR.test(found.letter.split(' ').at(-1) ?? '')) return null
  const where = STRIP.test(said) ? '' : said
  const place = where ? the.place(where) : null
  return where && !place ? null : `landings ${found.letter} ${how}${place ? ` at ${place}` : ''}`
}

export const foundOffRules: readonly Rule[] = [
  rule(
    '(?:all )?(?:wires|landings|screws|connections|terminals) (?:at|on|in)(?: the)? (.+?) (?:are |all )*(?:look|looks|looked|are)(?: all)? (?:good|ok|fine|tight|clean)',
    (the, where) => {
      const place = the.place(where)
      return place && `landings ok at ${place}`
    },
  ),
  rule('(?:loose|broken|burnt) wire (?:on|at) (\\S+)(?: (?:at|in|on) (.+))?', (the, name, where) => foundOff(the, name, where, 'off')),
  rule(
    '(\\S+)(?: wire)? (?:is |was |were )?(?:not (?:connected|landed|hooked up|attached|on|under screw|tight)|(?:hanging|dangling)(?: loose| off| there)?|(?:came|fell|popped|slipped|pulled|worked|backed|has come|had come)(?: itself)? (?:off|out|loose)(?: of)?|come loose|loose|was off)(?: under)?(?: (?:at|in|on|from|of))?(?: (.+))?',
    (the, name, where) => foundOff(the, name, where, 'off'),
  ),
  rule('common(?: wire)? (?:is |was )?(?:not (?:connected|landed|hooked up|attached)|off|loose)(?: (?:at|in|on) (.+))?', (the, where) =>
    foundOff(the, 'c', where, 'off'),
  ),
  rule('(\\S+) wire (?:is |was )?not on ([a-z]\\d?)(?: (?:at|in|on) (.+))?', (the, name, _, where) => foundOff(the, name, where, 'off')),
  rule(
    '(\\S+)(?: wire)? (?:is |was )?(?:on|in|under) (?:the )?wrong (?:terminal|screw|spot|place)(?: (?:at|in|on) (.+))?',
    (the, name, where) => foundOff(the, name, where, 'wrong'),
  ),
  rule(
    '(?:(stat|thermostat|outdoor|condenser)(?: cable)? )?(\\S+)(?: wire)? and (\\S+)(?: wires?)? (?:are |were |is )?(?:swapped|reversed|crossed|switched|backwards|backward|mixed up|flipped)(?: here| out here)?(?: (?:at|in|on) (.+))?',
    (the, cable, one, other, where) => {
      const letter = the.isLetter(other) ? the.letter(other) : letterOfColour(the, other)
      const found = letter && foundOff(the, one, where, `and ${letter} swapped`)
      return typeof found === 'string' && cable ? found.replace('landings ', `landings ${cable} `) : found
    },
  ),
]
