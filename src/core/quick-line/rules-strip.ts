import { letterOfColour } from '@/src/core/quick-line/colours'
import { allOf, takenOff, wiresOf } from '@/src/core/quick-line/hands'
import { cableTowards } from '@/src/core/quick-line/meaning'
import { findCable } from '@/src/core/quick-line/names'
import { NUMBER, type Rule, rule, VOLTS } from '@/src/core/quick-line/rule'
import { leading, type Sentence, statHere, worded } from '@/src/core/quick-line/sentence'
import { conductorEnd } from '@/src/core/wiring/point'
import { cableById, partById, partsOf, placeById } from '@/src/core/wiring/system'

/** What is on a strip: the letters of zones on their panel, the wires that go to another place, and what is hot there. */

/** `zone 1 Y` on a panel is Y1; null where no screw here is called so. */
function zoneScrew({ system, state }: Sentence, zone: string, letter: string): string | null {
  const screw = `${letter.toUpperCase()}${zone}`
  return placeById(system, state.bench.place)?.terminals.includes(screw) ? screw : null
}

function zoneVolts(the: Sentence, zone: string, one: string, other: string, volts: string): string | null {
  const [a, b] = [one, other === '' || other === 'common' ? 'c' : other].map((letter) => zoneScrew(the, zone, letter))
  return a && b ? `${a}-${b} ${volts}${the.state.bench.power ? ' V' : ''}` : null
}

/** Wires of the one cable that goes to another place, taken off where one stands. */
function offTowards(the: Sentence, wires: readonly string[], where: string): string | null {
  const { system, state } = the
  const cable = cableById(system, cableTowards(the, where) ?? findCable(system, where) ?? '')
  const here = state.bench.place
  const found = wiresOf(cable, wires)
  if (!cable?.between.includes(here) || !found) return null
  return found.map(({ id }) => `lift ${conductorEnd(cable.id, id, here)}`).join('; ')
}

/** All that is landed of the cable to another place, but for one wire. */
function allBut(the: Sentence, where: string, kept: string): string | null {
  const { system, state } = the
  const cable = cableById(system, cableTowards(the, where) ?? findCable(system, where) ?? '')
  const side = cable?.between.indexOf(state.bench.place) ?? -1
  const [stays] = wiresOf(cable, [kept]) ?? []
  if (!cable || side < 0 || !stays) return null
  return offTowards(
    the,
    cable.conductors.filter((wire) => wire !== stays && wire.lands[side] !== null).map(({ id }) => id.toLowerCase()),
    where,
  )
}

/** Every switch of that kind where one stands, gone past one after the other. */
function pastBoth(the: Sentence): string | null {
  const switches = partsOf(the.system, 'switch').filter(
    ({ place, id }) => place === the.state.bench.place && /^(?:high|low)-pressure$/.test(id),
  )
  return switches.length < 2 ? null : switches.map(({ between, place }) => `jumper ${between[0]} ${between[1]} at ${place}`).join('; ')
}

const CALLS = '(cool|cooling|heat|heating|fan|aux|emergency heat)'

export const stripRules: readonly Rule[] = [
  // A wire by its color or letter, and the screw that it was seen on. One that is where it belongs says nothing of the others.
  rule(
    '(\\S+) (?:wire |conductor )?(?:is |was |landed |sits |found )*(?:on|under) ([a-z]\\d?) (?:screw|terminal|post|lug)',
    (the, wire, screw) => {
      const letter = the.isLetter(wire) ? wire : letterOfColour(the, wire)
      if (letter === null || !the.isLetter(screw)) return null
      return letter.toLowerCase() === screw ? the.asNote() : `landings ${the.letter(letter)} on ${the.letter(screw)}`
    },
  ),
  rule(
    '(?:all )?(?:wires|wiring|connections|terminals|screws|landings) (?:all )?(?:look|looks|looked|are|is|were)(?: all)? (?:good|tight|fine|ok|clean|solid)(?: (?:at|on|in) (?:board|strip|here|(.+)))?',
    (the, where) => (where ? leading('landings ok at', the.place(where)) : 'landings ok'),
  ),
  rule('(\\S+)(?: wire)? (?:is |was )?not (?:on|under) ([a-z]\\d?)(?: (?:screw|terminal))?', (the, wire, screw) => {
    const letter = the.isLetter(wire) ? the.letter(wire) : letterOfColour(the, wire)
    return letter !== null && the.isLetter(screw) && the.letter(screw) === letter ? `landings ${letter} off` : null
  }),
  // A whole cable that was rung out: of two wires it is one reading, of more it stays as it was said.
  rule(
    '(\\S+) (?:cable|wires?|run) (?:is |are |was |were |reads? |all |rings? |checks? )*(open|ol|clear|good|shorted|dead short)',
    (the, name, how) => {
      const cable = cableById(the.system, findCable(the.system, name) ?? '')
      const here = the.state.bench.place
      if (!cable?.between.includes(here) || the.state.bench.power) return null
      const side = cable.between.indexOf(here)
      const [a, b, third] = cable.conductors.filter(({ lands }) => lands[side] !== null)
      if (!b || third) return the.asNote()
      const reads = /^(?:open|ol|clear)$/.test(how) ? 'OL' : how === 'good' ? null : 'jumps between 0 and 1'
      return reads ? `ohms ${conductorEnd(cable.id, a.id, here)} ${conductorEnd(cable.id, b.id, here)} ${reads}` : the.asNote()
    },
  ),
  rule(
    '([a-z]\\d?)(?: wire)?(?: is)?(?: landed)? on wrong (?:screw|terminal|one|letter),? (?:it is |its |is )?on ([a-z]\\d?)',
    (the, wire, screw) => (the.isLetter(wire) && the.isLetter(screw) ? `landings ${the.letter(wire)} on ${the.letter(screw)}` : null),
  ),
  rule(
    `zone (\\d) ([a-z])\\d?(?: (?:to|and) ([a-z]|common)\\d?)?(?: has| is| reads?)? ${NUMBER} ?${VOLTS}?`,
    (the, zone, one, other, volts) => zoneVolts(the, zone, one, other, volts),
  ),
  rule(`${NUMBER} ?${VOLTS}? (?:on|at|from) zone (\\d) (\\w)(?: (?:to|and) (\\w|common))?`, (the, volts, zone, one, other) =>
    zoneVolts(the, zone, one, other, volts),
  ),
  rule(`${NUMBER} ?${VOLTS}? (?:in|into|at|feeding)(?: at)? (?:zone )?panel`, (the, volts) => {
    const panel = partById(the.system, the.part('zone board') ?? '')
    return panel?.kind === 'board' && placeById(the.system, panel.place)?.kind === 'zone-panel'
      ? `${panel.between[0]}-${panel.between[1]} ${volts} V at ${panel.place}`
      : null
  }),
  rule('damper (\\d) (?:stays?|is|stuck|wont open|will not open|remains?)(?: stuck)?(?: in)? ?(closed|shut|open)?', (the, zone, how) =>
    worded(the.part(`damper ${zone}`), how === 'open' ? 'open' : 'shut'),
  ),
  rule(
    '(?:pulled|pull|took|take|lifted|lift|disconnected|unhooked|removed)(?: off)? (\\S+) and (\\S+)(?: wires)?(?: that go| going| off)? to (.+)',
    (the, one, other, where) => offTowards(the, [one, other], where),
  ),
  rule(
    '(?:with )?(?:all|every|all of)(?: the)? (?:wires?|conductors?)(?: (?:to|going to|for|of|from|on))? (.+?)(?: are| is)? (?:off|lifted|pulled|loose|disconnected) (?:except|but|except for|besides) (\\S+)(?: wire)?|(?:lifted|pulled|took off|disconnected|lift|pull|take off) (?:everything|all(?: wires)?|every wire)(?: (?:to|going to|for|of|from|on))? (.+?) (?:except|but|except for|besides) (\\S+)(?: wire)?',
    (the, one, kept, other, keptToo) => allBut(the, one || other, kept || keptToo),
  ),
  rule('(\\S+) (\\S+) and (\\S+)(?: wires?)?(?: are| is)? (?:off|lifted|pulled|loose|disconnected)', (the, cable, one, other) =>
    offTowards(the, [one, other], cable),
  ),
  rule('(.+?) (?:leads?|wires?|spades?)(?: are| is)? (?:off|pulled|disconnected)(?: (?:at |from )?(?:board|coil|it))?', (the, what) =>
    the.isLetter(what) ? null : takenOff(the, `${what} wires`),
  ),
  rule('(?:jumped|jumpered|bypassed|bypass|jump|jumper)(?: out| around| past)? (?:both |all )?pressure switches', pastBoth),
  // A zone that is off is off at its panel.
  rule(
    '(?:disconnected|pulled|took off|take off|lifted|lift|unhooked) zone (\\d)(?: cable| wires)?|(?:with )?zone (\\d)(?: cable| wires)? (?:off|disconnected|unhooked)',
    (the, one, other) =>
      placeById(the.system, the.state.bench.place)?.kind === 'zone-panel' ? allOf(the, `stat-cable-${one || other}`) : null,
  ),
  rule('no (\\S+) (?:signal|voltage|volts|power|24)(?: here| out here)?', (the, said) => {
    const letter = the.isLetter(said) ? said : letterOfColour(the, said)
    return letter === null ? null : the.voltsAt(letter.toLowerCase(), '0')
  }),
  rule(
    '(?:thermostat|stat|tstat) (?:is )?(?:in|on|set to|set for|switched to) (cool|cooling|heat|heating|fan|aux|emergency|emergency heat|em heat)(?: mode)?',
    (the, call) => leading('call', the.call(call)),
  ),
  rule('(cool|cooling|heat|heating)(?: to| at)? [4-9]\\d(?: degrees| f)?', (the, call) => leading('call', the.call(call))),
  rule('(?:thermostat|stat|tstat) (?:is )?(?:out of|off)(?: of)? (?:base|sub ?base|wall ?plate|plate)', (the) =>
    leading('unplug', the.thermostat()),
  ),
  rule('(?:at )?unit outside|outside(?: at)? unit', (the) => leading('walk', the.place('outside'))),
  rule(
    `(\\S+) (?:to|and) (\\S+) ${NUMBER} ?${VOLTS}? (?:in|on|with) ${CALLS},? (?:and |but )?${NUMBER} ?${VOLTS}? (?:in|on|with) ${CALLS}`,
    (the, a, b, volts, call, other, another) => {
      const [one, two] = [the.call(call), the.call(another)]
      const pair = `${the.letter(a)}-${the.letter(b)}`
      return one && two && the.isLetter(a) && the.isLetter(b) ? `call ${one}; ${pair} ${volts} V; call ${two}; ${pair} ${other} V` : null
    },
  ),
  rule(
    `(?:goes|went|going) (?:blank|dark|dead) (?:when|on|once|as soon as|with) ${CALLS}(?: (?:comes|calls|called|kicks|call)(?: on| in)?)?`,
    (the, call) => {
      const [seen, named] = [statHere(the, 'blank'), the.call(call)]
      return seen && named && placeById(the.system, the.state.bench.place)?.kind === 'thermostat' ? `call ${named}; ${seen}` : null
    },
  ),
  rule('(cool|cooling|heat|heating|fan)(?: is)? (?:set|selected)', (the, call) => leading('call', the.call(call))),
  rule('(?:safety )?float(?: switch)? (?:is )?(?:open|opened|tripped|up)', (the) =>
    worded(the.part('float switch') ?? the.part('float'), 'up'),
  ),
  rule('(?:with )?cable(?: is)? (?:off|disconnected|unhooked|up|lifted)|both wires (?:up|off|lifted)', (the) => allOf(the, '')),
  rule('(\\S+) (?:is )?(?:energized|hot|live)(?: all (?:the )?time| constantly| nonstop| always)', (the, letter) =>
    the.isLetter(letter) ? leading('', the.voltsAt(letter, 'X')?.replace('X V', 'jumps between 20 and 28') ?? null) : null,
  ),
  rule(
    `${CALLS}(?: call)? (?:runs|works|is fine|stays on|comes on)(?: fine)? (?:without|with no|and no|and never) (?:tripping|a trip|trips?|blowing(?: .*)?)`,
    (the, call) => leading('holds on', the.call(call)),
  ),
  rule(
    `(?:set|turned|put)(?: it| stat| thermostat)?(?: down| up)? (?:to )?\\d+(?: degrees)?(?: and| on| in)? (?:to |for |calling for )?${CALLS}`,
    (the, call) => leading('call', the.call(call)),
  ),
  rule('(.+?) (?:wont|will not|doesnt|does not|isnt|is not|not) (?:pull|pulling|closing|close|make|making)(?: in)?', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'coil' && part.role !== 'gas-valve' && part.role !== 'damper' ? `${part.id} out` : null
  }),
]
