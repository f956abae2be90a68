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
  rule(
    'both ([a-z]+)s (?:are |is |have |stay |still )*(in|out|pulled in|pulling in|not in|not pulled in|buzzing|humming|chattering|running|run|off|still|dead)',
    (the, kind, how) => {
      const two = the.system.parts.filter(({ name }) => [kind, `second ${kind}`].includes(name.toLowerCase()))
      const word = /not|out/.test(how)
        ? 'out'
        : / in|^in$/.test(how)
          ? 'in'
          : /^run/.test(how)
            ? 'runs'
            : /^(?:off|still|dead)$/.test(how)
              ? 'still'
              : 'chatters'
      const isFit = two.every((part) => (/^(?:runs|still)$/.test(word) ? part.kind === 'load' : part.kind === 'coil'))
      return two.length === 2 && isFit ? two.map(({ id }) => `${id} ${word}`).join('; ') : null
    },
  ),
  // All that was off is on again.
  rule('(?:both|all)(?: of)?(?: the)? (?:breakers|disconnects|switches) (?:are |is )?(?:back )?on(?: again)?', (the) =>
    the.state.bench.power ? the.asNote() : 'power on',
  ),
  rule(
    '(?:freeze ?stat|duct (?:smoke|detector)|duct smoke detector|smoke detector|phase monitor) (?:is |was )?(?:open|tripped|closed|ok|good|out|reset)',
    (the) => the.asNote(),
  ),
  rule(
    '(?:the )?(?:a )?\\d{1,2} ?(?:a|amps?)(?: fuse)? (?:is )?(?:holding|holds|held)(?: (on .+))?',
    (_, on) => `holds${on ? ` ${on}` : ''}`,
  ),
  rule('(combustion (?:fan|blower|motor)|inducer) (?:is )?(?:stuck|seized|locked(?: up)?)', (the) => worded(the.part('inducer'), 'still')),
  rule('damper(?!s|[ -]\\d\\b)(.*)', (the, rest) => {
    const dampers = partsOf(the.system, 'coil').filter(({ role }) => role === 'damper')
    return dampers.length > 1 && the.part('damper') === null
      ? { asks: `Which damper? Say ${dampers.map(({ name }) => `"${name}${rest}"`).join(' or ')}.` }
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
