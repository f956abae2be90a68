import { NUMBER, type Rule, rule, VOLTS } from '@/src/core/quick-line/rule'
import { NO_VOLTS } from '@/src/core/quick-line/rules-by-name'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { NOT_24_V } from '@/src/core/quick-line/units'
import type { PartOf } from '@/src/core/wiring/part'
import { partById, partsOf } from '@/src/core/wiring/system'

/** The line's own switches: what is read at them, and what a hand does with them. */

/** The disconnect, breaker or switch of a line, by its name. */
function disconnectNamed(the: Sentence, name: string): PartOf<'disconnect'> | null {
  const part = partById(the.system, the.part(name) ?? '')
  return part?.kind === 'disconnect' ? part : null
}

/** Volts behind a disconnect: between its legs, or of the one leg against the neutral. */
function behind(the: Sentence, name: string, volts: string): string | null {
  const part = disconnectNamed(the, name)
  if (!part || !the.state.bench.power) return null
  const [[, first], second] = part.poles
  const other = second?.[1] ?? partsOf(the.system, 'supply').find(({ place }) => place === part.place)?.neutral
  return other === undefined ? null : `${first}-${other} ${volts} V at ${part.place}`
}

/** Whether all 24 V go dead with it: every transformer is behind it. */
function feedsAll(the: Sentence, part: PartOf<'disconnect'>): boolean {
  const after = new Set(part.poles.map(([, load]) => load))
  // A door switch may stand between the two.
  for (const { place, between } of partsOf(the.system, 'switch'))
    if (place === part.place && between.some((name) => after.has(name))) for (const name of between) after.add(name)
  return partsOf(the.system, 'transformer').every(({ place, primary }) => place === part.place && primary.some((lead) => after.has(lead)))
}

/** Switched by hand: the power goes or comes with it where all transformers hang on it; else it is a remark. */
function switched(the: Sentence, name: string, on: boolean): string | null {
  const part = disconnectNamed(the, name)
  if (!part) return null
  if (!feedsAll(the, part)) return the.asNote()
  return the.state.bench.power === on ? the.asNote() : `power ${on ? 'on' : 'off'}`
}

/** Volts between all three legs, each pair alike. */
function betweenAll(the: Sentence, volts: string): string | null {
  const legs = partsOf(the.system, 'disconnect')
    .filter(({ place }) => place === the.state.bench.place)
    .flatMap(({ poles }) => poles.map(([, after]) => after))
  const pairs = legs.flatMap((one, at) => legs.slice(at + 1).map((other) => `${one}-${other} ${volts} V`))
  return pairs.length > 0 ? pairs.join('; ') : null
}

/** The one disconnect, or switch, of the place where one stands, by what kind of thing it is. */
function oneHere({ system, state }: Sentence, kind: RegExp): PartOf<'disconnect'> | null {
  const here = partsOf(system, 'disconnect').filter(({ place, name }) => place === state.bench.place && kind.test(name))
  return here.length === 1 ? here[0] : null
}

function switchedHere(the: Sentence, isOn: boolean, kind = /disconnect/): string | null {
  const here = oneHere(the, kind)
  return here && switched(the, here.name, isOn)
}

/** Volts into a disconnect or switch and out of it. */
function through(the: Sentence, name: string, into: string, out: string): string | null {
  const part = /^(?:toggle |service )?switch$/.test(name)
    ? oneHere(the, /\bswitch$/)
    : name === 'disconnect'
      ? oneHere(the, /disconnect/)
      : disconnectNamed(the, name)
  if (!part || !the.state.bench.power || Number(into) < NOT_24_V) return null
  const [[before, after], second] = part.poles
  const other = (side: 0 | 1) => second?.[side] ?? partsOf(the.system, 'supply').find(({ place }) => place === part.place)?.neutral
  return [
    [before, other(0), into],
    [after, other(1), /\d/.test(out) ? out : '0'],
  ]
    .map(([one, opposite, volts]) => `${one}-${opposite} ${volts} V at ${part.place}`)
    .join('; ')
}
const NONE = '(?:nothing|none|zero|no volts|no power)'

const DISCONNECT = '((?:\\w+ )+(?:switch|breaker|disconnect))'

/** The line at a disconnect, between the two points that are said: on the side of the line. */
function legsAt(the: Sentence, one: string, other: string, volts: string, name: string): string | null {
  const part = name === 'disconnect' ? onlyOf(the, /disconnect/) : disconnectNamed(the, name)
  return part && the.state.bench.power ? `${the.letter(one)}-${the.letter(other)} ${volts} V at ${part.place}` : null
}

/** The one disconnect of a house that goes by that word. */
function onlyOf({ system }: Sentence, kind: RegExp): PartOf<'disconnect'> | null {
  const [only, another] = partsOf(system, 'disconnect').filter(({ name }) => kind.test(name))
  return only && !another ? only : null
}

/** What is read at and done with the line's own switches. */
export const disconnectRules: readonly Rule[] = [
  // The one where one stands needs no name there.
  rule(
    '(?:pulled|pull|opened|killed|shut off|turned off)(?: the)? (?:disconnect|disco)(?: out| off)?|(?:disconnect|disco) (?:is |was )?(?:pulled|out|off|open)',
    (the) => switchedHere(the, false),
  ),
  rule(
    '(?:put|pushed|plugged|turned)(?: the)? (?:disconnect|disco) (?:back )?(?:in|on)|(?:disconnect|disco) (?:is )?(?:back )?(?:in|on)',
    (the) => switchedHere(the, true),
  ),
  rule('(?:(?:toggle|service) )?switch (?:(?:at|on) (?:the )?unit )?(?:is )?(?:turned |flipped )?(off|on)(?: again| now)?', (the, how) =>
    switchedHere(the, how === 'on', /\bswitch$/),
  ),
  rule(
    '(?:turn|turned|flip|flipped|switched|shut|put) (?:(?:toggle|service) )?switch (?:back )?(off|on)|(?:turn|turned|flip|flipped|switched|shut) (off|on) (?:(?:toggle|service) )?switch',
    (the, how, before) => switchedHere(the, (how || before) === 'on', /\bswitch$/),
  ),
  rule(
    `${NUMBER} ?${VOLTS}? (?:at|on|in|into|to) ((?:\\w+ )*?(?:switch|disconnect))(?: in)?,? (?:and |but )?(?:${NUMBER} ?${VOLTS}?|${NONE}) (?:coming |going )?out`,
    (the, into, name, out) => through(the, name, into, out),
  ),
  rule(
    `${NUMBER} ?${VOLTS}? in,? (?:and )?(?:${NUMBER} ?${VOLTS}?|${NONE}) out (?:(?:of|at|on|from) )?((?:\\w+ )*?(?:switch|disconnect))`,
    (the, into, out, name) => through(the, name, into, out),
  ),
  rule(
    `${NUMBER} ?${VOLTS}? (?:at|on|in|into|to) ((?:\\w+ )*?(?:switch|disconnect)),? (?:and |but )?(?:${NUMBER} ?${VOLTS}?|${NONE}) (?:past|after|behind|below|beyond|out of)(?: it)?`,
    (the, into, name, out) => through(the, name, into, out),
  ),
  rule(`(l\\d)(?: to |[ -])(l\\d|n|gnd|ground)(?: is| reads)? ${NUMBER} ?${VOLTS}? (?:at|on|in|into) ((?:\\w+ )*?disconnect)`, legsAt),
  rule(`${NUMBER} ?${VOLTS}? (?:between|across|on) all(?: three| 3| the)*(?: legs| phases)`, (the, volts) => betweenAll(the, volts)),
  rule(`${NUMBER} ?${VOLTS}? (?:at|on|to|across|out of|through|off)(?: the)? ${DISCONNECT}`, (the, volts, name) =>
    behind(the, name, volts),
  ),
  rule(`${DISCONNECT} (?:has|reads|is|at|gets|shows)? ?${NUMBER} ?${VOLTS}?`, (the, name, volts) => behind(the, name, volts)),
  rule(`${NO_VOLTS}(?: is)?(?: coming)? (?:at|on|to|across|out of|through|off)(?: the)? ${DISCONNECT}`, (the, name) =>
    behind(the, name, '0'),
  ),
  rule(`${DISCONNECT} (?:is |has )?(?:dead|${NO_VOLTS})(?: out| at all)?`, (the, name) => behind(the, name, '0')),
  rule(
    `(?:turned|flipped|shut|threw|switched|cut|killed|pulled|opened|turn|flip|pull)(?: off| down)?(?: the)? ${DISCONNECT}(?: off| down| out| open)?`,
    (the, name) => switched(the, name, false),
  ),
  rule(
    `${DISCONNECT}(?: is| was)?(?: (?:turned|flipped|shut|thrown|pulled|switched|all the way))? (?:off|down|out|open|pulled)`,
    (the, name) => switched(the, name, false),
  ),
  rule(`${DISCONNECT}(?: is)?(?: back)? (?:on|in|closed)(?: again)?`, (the, name) => switched(the, name, true)),
  rule(
    `(?:turned|flipped|switched|put|closed|pushed|threw|turn|flip)(?: back)?(?: on| in)?(?: the)? ${DISCONNECT}(?: back)?(?: on| in)?(?: again)?`,
    (the, name) => switched(the, name, true),
  ),
  rule(
    'breaker (?:for |at |to |feeding |of )?(?:outdoor unit|outdoors|outside|condenser|heat pump|air handler|furnace|unit|ac) (?:is |was |had |has |keeps )?(?:tripped|tripping|off)(?: .*)?',
    (the) => the.asNote(),
  ),
  rule(`${DISCONNECT} (?:is |was |had |has |keeps )?(?:tripped|tripping|trips)(?: .*)?|reset(?: the)? ${DISCONNECT}`, (the, name, other) =>
    disconnectNamed(the, name || other) ? the.asNote() : null,
  ),
]
