import { asks, NUMBER, type Rule, rule, VOLTS } from '@/src/core/quick-line/rule'
import { throughSwitch } from '@/src/core/quick-line/rules-through'
import { type Sentence, worded } from '@/src/core/quick-line/sentence'
import { NOT_24_V } from '@/src/core/quick-line/units'
import { partsOf } from '@/src/core/wiring/system'

/** What is named by its kind alone, where one stands and there is one of it; and both of two. */

/** The fuse of one of two sides, by what the side does. */
function fuseOf(the: Sentence, side: string): string | null {
  const name = /^(?:ac|a\/c|cool|cooling|condenser)$/.test(side) ? 'cooling fuse' : 'heating fuse'
  return the.part(name)
}

export const oneHereRules: readonly Rule[] = [
  rule(`both transformers (?:are |have |read |put out |at )*${NUMBER} ?${VOLTS}?`, (the, volts) => {
    const two = partsOf(the.system, 'transformer')
    return two.length === 2 && the.state.bench.power && Number(volts) < NOT_24_V
      ? two.map(({ secondary, place }) => `${secondary[0]}-${secondary[1]} ${volts} V at ${place}`).join('; ')
      : null
  }),
  rule('(?:.+ )?transformer (?:is |checks |looks |tests )?(?:good|ok|fine)(?: now)?', (the) => the.asNote()),
  rule(
    'fuse (?:on|for|of) (ac|a\\/c|cool|cooling|condenser|heat|heating|furnace)(?: side| transformer| circuit)? (?:is )?(blown|good|bad|open|out)',
    (the, side, how) => worded(fuseOf(the, side), /^(?:bad|open)$/.test(how) ? 'blown' : how),
  ),
  rule('float(?: switch)? (?:dropped|went down|fell|came down|is down)(?: again| back)?', (the) => worded(the.part('float'), 'down')),
  rule(
    `(?:r (?:to|-) ?c )?${NUMBER} ?${VOLTS}? before (.+?),? (?:and |but )?(?:${NUMBER} ?${VOLTS}?|(?:nothing|none)) after(?: it)?`,
    (the, ahead, what, behind) => (the.state.bench.power ? throughSwitch(the, ahead, what, behind) : null),
  ),
  rule(
    '(?:moved|changed|switched)(?: over)? (?:transformer )?(?:tap|primary tap|primary lead|line lead) (?:to|over to|onto) \\d{3}(?: ?v| volts?)?(?: tap| lead)?',
    (the) => the.asRepair(),
  ),
  rule(
    '\\d{1,2} code|code \\d{1,2}|gas (?:is |was )?off|(?:gas )?(?:valve )?knob (?:is |was )?off|.*pressure switch (?:chatters|flutters|chattering|fluttering)(?: .*)?|(?:three|3)[ -]phase(?: .*)?|(?:it is |still |keeps )?retrying|pan (?:is )?dry',
    (the) => the.asNote(),
  ),
  asks(
    '(?:it is |its |still |something is )?(?:hot|real hot|getting hot)',
    'What is hot? Say "transformer hot", "contactor hot", or "smell" where something burns: power off first.',
  ),
  asks(
    '(?:it |meter )?(?:beeps|beeped|no beep|does not beep|doesnt beep|no continuity|has continuity|continuity)',
    'Between which points? Say them: "Y-gnd beeps", "limit no beep".',
  ),
  asks('l[12][ -](?:to )?l3 .*', 'This house is recorded with two legs. Put "note" before it to keep the third as a remark.'),
]
