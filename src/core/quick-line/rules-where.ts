import { isResettable } from '@/src/core/bench/apply'
import { ignitionOf } from '@/src/core/quick-line/flame'
import { allAt, endsBetween } from '@/src/core/quick-line/hands'
import { NUMBER, type Rule, rule, VOLTS } from '@/src/core/quick-line/rule'
import { nothingCalls, nothingDone, unitDoes } from '@/src/core/quick-line/sense'
import { leading, type Sentence } from '@/src/core/quick-line/sentence'
import { ampsOnWhat, MOST_ON_24_V } from '@/src/core/quick-line/small-figure'
import { coilMeant } from '@/src/core/quick-line/which-part'
import { parsePoint } from '@/src/core/wiring/point'
import { firstPart, isUnknown, partById, partsOf, placeById } from '@/src/core/wiring/system'

/** Lines that depend on where things are: both ends of a wire by two places, the only disconnect, the zone panel's own supply. */

const OFF = '(?:off|loose|lifted|disconnected|unhooked|pulled)'
const TOOK = '(?:lift|lifted|took|take|pulled|pull|disconnect|disconnected|unhook|unhooked|unplug|unplugged|unlanded)'

/** The branch breaker, where it is called so by its name alone: not one in the fuse slot, and not that of a condenser. */
function branchBreaker(the: Sentence, how: string): string | null {
  const { system, state } = the
  const [breaker, another] = partsOf(system, 'disconnect').filter(({ name }) => /breaker$/.test(name))
  const isOther = isResettable(system, state.bench) || placeById(system, state.bench.place)?.kind === 'outdoor'
  if (!breaker || another || isOther || how === '') return null
  // That it is on says nothing new of a house that has power.
  return how === 'on' && state.bench.power ? the.asNote() : `power ${how}`
}

/** The house's own breaker, as it was found, with nothing asked of it and no trial made. */
export function isFoundOut(the: Sentence): boolean {
  const { bench, observations } = the.state
  const isAsFound = firstPart(the.system, 'fuse').holds === 'breaker' && bench.slot.holds === 'as-found'
  return isAsFound && bench.power && nothingCalls(the) && !observations.some(({ probe }) => probe.meter === 'trip')
}

/** Where one disconnect feeds a whole unit, and one stands at it, that is the power. That a unit is off may mean that it does not run. */
const onlySwitch = ({ system, state }: Sentence, how: 'off' | 'on'): string | null =>
  partsOf(system, 'disconnect').length === 1 &&
  placeById(system, state.bench.place)?.kind === 'package' &&
  state.bench.power === (how === 'off')
    ? `power ${how}`
    : null

const UNIT = '(?:it|unit|rtu|rooftop|rooftop unit|package unit|power|disconnect|disco)'
const DISCONNECT = '(?:disconnect|disco)'

export const whereRules: readonly Rule[] = [
  // Where a house has one breaker by that name, and none in the slot, that is the one.
  rule(
    '(?:(?:turned|switched|shut|killed|cut|flipped|threw|tripped) )?(?:(off|on) )?breaker(?: is)?(?: back)? ?(off|on)?(?: again)?',
    (the, before, after) => branchBreaker(the, before || after),
  ),
  // A built-in breaker that nobody has tried yet was found so.
  rule(
    '(?:found )?(?:24 ?v |control |little |transformer |unit )?(?:breaker|fuse)(?: (?:on|in|at) (?:transformer|board|unit|rtu|rooftop|control))? (?:is |was |had |has |has been )?(?:already )?tripped',
    (the) => (isFoundOut(the) ? 'fuse blown' : null),
  ),
  rule('(?:turned|switched|shut) off breaker|(?:killed|cut) breaker', (the) => branchBreaker(the, 'off')),
  rule(
    `(?:turned|switched|shut|powered) (?:off|down) ${UNIT}|(?:turned|switched|shut|powered) ${UNIT} (?:off|down)|(?:killed|cut) (?:power|unit)|(?:pulled|opened|killed) ${DISCONNECT}(?: out| off)?|${DISCONNECT} (?:is |was )?(?:off|out|pulled|open)`,
    (the) => onlySwitch(the, 'off'),
  ),
  rule(
    `(?:turned|switched|powered) ${UNIT} back (?:on|up)|(?:put|pushed|closed) ${DISCONNECT}(?: back)?(?: in)?|${DISCONNECT} (?:is )?(?:back )?(?:on|in)(?: again)?`,
    (the) => onlySwitch(the, 'on'),
  ),
  // One wire, both ends, by the two places.
  rule(
    `(?:${TOOK}(?: off)? )?(\\w\\d?)(?: wire)?(?: is| ${OFF})* (?:at|on|from) (.+?) and (?:at |on |from )?(.+?)(?: ${OFF})?`,
    (the, letter, there, elsewhere) => {
      const ends = the.isLetter(letter) ? endsBetween(the, letter, [the.place(there), the.place(elsewhere)]) : []
      const on = ends.filter((end) => !the.state.bench.lifted.includes(end))
      return on.length === 0 || !the.says(OFF_SAID) ? null : on.map((end) => `lift ${end}`).join('; ')
    },
  ),
  rule('(\\w\\d?)(?: wire)?(?: is)? back on (?:at )?(.+?) and (?:at )?(.+?)', (the, letter, there, elsewhere) => {
    const board = (said: string) => partById(the.system, the.part(said) ?? '')?.place ?? the.place(said)
    const places = [there, elsewhere].map(board)
    const off = the.state.bench.lifted.filter(
      (end) => parsePoint(end).name.toLowerCase() === letter && (places.includes(parsePoint(end).place) || places.includes(null)),
    )
    return off.length === 0 ? null : off.map((end) => `land ${end}`).join('; ')
  }),
  // A wire off a board or panel that is elsewhere comes off where that is.
  rule(
    `${TOOK}(?: off)? (\\w\\d?)(?: wire)? (?:off|from|at|on) (.+?[ -]board|.+?[ -]panel|contactor)(?: (?:terminal|strip))?|(?:at unit,? |out there,? )?((?:\\w+ cable )?\\w\\d?)(?: wire)? off (?:at |of |from )?(.+?[ -]board|.+?[ -]panel|board|panel|contactor)`,
    (the, letter, what, other, board) => {
      const said = what || board
      const place = partById(the.system, the.part(said) ?? '')?.place ?? (board === 'board' ? the.state.bench.place : the.place(said))
      const wire = the.conductor(letter || other)
      return wire === null || place === null || (letter && place === the.state.bench.place) ? null : `lift ${wire} at ${place}`
    },
  ),
  rule('(.+?) (?:clicks|clicked|snaps|snapped) (off|out|on|in)', (the, what, how) => {
    const coil = partById(the.system, the.part(what) ?? '')
    return coil?.kind === 'coil' && coil.role !== 'damper' ? `${coil.id} ${/^o(?:ff|ut)/.test(how) ? 'out' : 'in'}` : null
  }),
  rule(`${TOOK}(?: off)? (?:whole )?cable (?:off )?(?:at|from|on) (.+)`, (the, where) => allAt(the, the.place(where))),
  // A panel of zones is fed by a pair of its own.
  rule(
    `(?:panel |zone panel |board )?r (?:to|and) c (?:is |reads |at panel )*${NUMBER} ?${VOLTS}?(?: at (?:panel|zone panel))?`,
    (the, volts) => {
      const { place, power } = the.state.bench
      const panel = partsOf(the.system, 'board').find(
        (board) => board.place === place && placeById(the.system, place)?.kind === 'zone-panel',
      )
      const isScrew = placeById(the.system, place)?.terminals.includes('C')
      return panel && !isScrew && power ? `${panel.between[0]}-${panel.between[1]} ${volts} V` : null
    },
  ),
  rule(`(\\w\\d?) (?:dropped|drops|went|goes|fell|falls)(?: right| down)? to ${NUMBER} ?${VOLTS}?`, (the, letter, volts) =>
    the.state.bench.power && the.isLetter(letter) ? the.voltsAt(letter, volts) : null,
  ),
  rule('(?:run|try|running|trying) (?:it )?(?:in|on) (heat|cool|heating|cooling|fan)(?: mode)?', (the, said) =>
    leading('call', the.call(said)),
  ),
  rule('(?:it |burners? |flame )?lights(?: off| up)?', (the) =>
    ignitionOf(the.system) && /^heat/.test(the.state.bench.call) ? 'flame burns' : null,
  ),
  // Air, which has no 24 V and no line volts.
  rule('supply(?: air)?(?: temp(?:erature)?)?(?: is| at| of)? (\\d{2})(?: ?(?:f|degrees))?', (the) => the.asNote()),
  rule(
    'no zones? (?:cools?|heats?|cooling|heating|works?|working)(?: .*)?|none of zones .+|(?:both|all|all of) zones (?:are )?(?:dead|out|no|wont|not|dont)(?: .*)?',
    (the) => (nothingDone(the) ? the.asComplaint() : the.asNote()),
  ),
  rule(
    '(?:ac |it |unit |system |furnace |heat pump |compressor )?short cycl(?:es|ing|ed)(?: .*)?|(?:thermostat|stat|display|screen) (?:goes|went|keeps going) blank (?:when|whenever|as soon as|every time|on) .+',
    (the) => (nothingDone(the) ? the.asComplaint() : null),
  ),
  rule(
    '(?:it )?(?:came|comes|went) back (?:in|on|out) by itself(?: .*)?|\\d+ ?(?:min|minutes?) (?:time )?delay\\??|(?:fuse|breaker) (?:has )?never (?:tripped|blew|popped|blown)(?: .*)?',
    (the) => the.asNote(),
  ),
  rule('new (?:(\\d+) ?(?:a|amps?) )?fuse(?: (\\d+) ?(?:a|amps?))?(?: in)?', (the, before, after) =>
    before || after ? `fuse ${before || after} in` : isUnknown(the.system, 'fuse') ? null : 'fuse in',
  ),
  rule('(?:thermostat|stat|tstat) (?:to |in |on )?(cool|heat|cooling|heating|fan)', (the, said) => leading('call', the.call(said))),
  rule('bare ([a-z]\\d?)(?: wire)? (?:is )?(?:touching|against|on|hitting|shorted to|rubbing) (?:[a-z]\\d?|.+)', (the, letter) => {
    const [cable, another] = the.system.cables.filter(
      ({ between, conductors }) => between.includes(the.state.bench.place) && conductors.some(({ id }) => id.toLowerCase() === letter),
    )
    return cable && !another ? `bare ${cable.id} ${the.letter(letter)}` : null
  }),
  rule('(?:trimmed|snipped|cut back|bent|moved|pushed)(?: back)? (?:it|them|wire|copper|bare copper|strands?)(?: .*)?', (the) =>
    the.asRepair(),
  ),
  rule(
    '(?:blows|blowing|putting out) (?:warm|cold|hot|cool)(?: air)?(?: .*)?|(?:warm|hot|cold|cool) air(?: now| again| out of .+)?|(?:stat|outdoor|thermostat|condenser) wires (?:at|in|on) .+ (?:look|looks|are|is) (?:fine|good|ok|tight)',
    (the) => (nothingDone(the) ? null : the.asNote()),
  ),
  rule('([a-z]\\d?)(?: wire)? (?:is back |back )?on', (the, letter) => {
    const [off, another] = the.state.bench.lifted.filter((end) => parsePoint(end).name.toLowerCase() === letter)
    return off && !another ? `land ${off}` : null
  }),
  rule(
    '(contactor|relay|valve|sequencer) (?:is |stays |still )*in with (?:no|0|zero) (?:power|volts|voltage|24|24 ?v)(?: volts)? (?:on|at|to|across) (?:its )?coil',
    (the, what) => {
      const coil = partById(the.system, the.part(what) ?? '')
      const read = coil?.kind === 'coil' ? the.voltsAt(coil.id, '0') : null
      return coil === undefined || read === null ? null : `${read}; ${coil.id} in`
    },
  ),
  rule(`(?:checked|ohmed|read|metered|tested)(?: out)? (.+?) with power off,? ${NUMBER}(?: ?ohms?)?`, (the, what, ohms) => {
    const coil = /^coil$/.test(what) ? coilMeant(the) : the.part(what.replace(/ coil$/, ''))
    return coil && `${the.state.bench.power ? 'power off; ' : ''}${coil} ${ohms} ohm`
  }),
  rule(
    `(\\w\\d?)[- ](?:to )?(\\w\\d?) ${NUMBER} ?${VOLTS}? (?:with )?(?:no call|nothing called|no calls),? (?:and |but )?${NUMBER} ?${VOLTS}? (?:with|on|in|when) (cool|heat|fan)(?:ing)?(?: on| called| call| calls)?`,
    (the, a, b, before, after, said) => {
      const call = the.call(said)
      if (call === null || !the.isLetter(a) || !the.isLetter(b)) return null
      const pair = `${the.letter(a)}-${the.letter(b)}`
      return `${nothingCalls(the) ? '' : 'call off; '}${pair} ${before} V; call ${call}; ${pair} ${after} V`
    },
  ),
  rule(
    '(?:my |pocket |test )*(\\d+) ?(?:a|amps?) (?:pocket |resettable |test )?breaker (?:is )?(?:clipped|wired|stuck|put|plugged) in(?: .*)?',
    (_, size) => `breaker ${size} in`,
  ),
  rule(
    '(?:put|installed|wired|stuck|dropped)(?: in)? (\\d+) ?(?:a|amps?) (?:pocket |resettable )?breaker (?:in line|inline|in(?: place of fuse| slot| fuse slot| holder)?|for fuse)',
    (_, size) => `breaker ${size} in`,
  ),
  rule(
    '(?:thermostat|stat|tstat) (?:is )?set (?:to|at|for) \\d+,? (?:and )?(calling|not calling)(?: for (cool|heat)(?:ing)?)?',
    (_, how, call) => `thermostat ${how}${call ? ` for ${call}` : ''}`,
  ),
  rule(
    '(?:found )?(?:refrigerant |gas )?leak(?:s|ing|ed)?(?: .*)?|(?:damper|blower|fan|inducer) motor (?:hums|buzzes|growls|squeals)(?: .*)?',
    (the) => the.asNote(),
  ),
  rule('it (?:ran|runs|started|starts|came on|kicked on)(?: now| fine| ok)*', (the) => {
    const { system, state } = the
    const here = placeById(system, state.bench.place)
    return !nothingCalls(the) && (here?.kind === 'outdoor' || here?.kind === 'package') ? `${here.id} as called` : null
  }),
  // What a board shows, what a cable is, what a thermostat has: kept in its words.
  rule(
    '(?:board |led |light |control )?(?:flashes|blinks|flashing|blinking) (?:\\d+|once|twice|two|three|four|five|six)(?: times?)?(?: .*)?',
    (the) => the.asNote(),
  ),
  rule(
    'cable is (?:\\d|new|old|original|long|about).*|(?:thermostat|stat|tstat) has (?:only )?(?:one|two) (?:r|wires?|c)\\b.*|(?:it |unit |fan )?(?:stops|stopped|quits|quit)|(?:thermostat |stat )?fan (?:is )?set to auto',
    (the) => (nothingDone(the) ? null : the.asNote()),
  ),
  rule('(?:it |burners? |flame )?stays lit(?: .*)?', (the) => (ignitionOf(the.system) && !nothingCalls(the) ? 'flame burns' : null)),
  rule('(?:stat|thermostat|zone) (\\d)(?: stat| thermostat)?(?: code)? (?:clears|cleared|is clear|goes away|went away)', (the, zone) => {
    const stat = partById(the.system, `thermostat-${zone}`)
    return stat ? `${stat.id} alive` : null
  }),
  rule('(?:cleaned|cleared|drilled|blew)(?: out)? (?:pressure )?(?:port|tap|pickup|hose|tubing|tube)(?: out)?', (the) => {
    const [draft] = partsOf(the.system, 'switch').filter(({ role }) => role === 'draft')
    return draft ? `${the.asRepair()} at the ${draft.name}` : the.asRepair()
  }),
  // What is gone, and what stops as it should, is no look of its own.
  rule(
    '(?:chatter|chattering|buzz|buzzing|hum|humming|noise|smell)(?: is)? gone(?: now)?|no more (?:chatter|buzz|hum|noise|smell)(?:ing)?|(?:it )?(?:shuts|turns|goes|cycles) off(?: now| fine| ok| like it should)*',
    (the) => the.asNote(),
  ),
  rule('everything (?:runs|works|comes on|came on|kicks on)(?: now| fine)*', (the) => {
    const { system, state } = the
    const outside = system.places.find(({ kind }) => kind === 'outdoor' || kind === 'package')
    return outside && placeById(system, state.bench.place)?.kind === 'thermostat' && !nothingCalls(the) ? `${outside.id} as called` : null
  }),
  rule(`${NUMBER} ?(?:a|amps?)`, (_, amps) => (Number(amps) > MOST_ON_24_V ? { asks: ampsOnWhat(Number(amps)) } : null)),
  // What is meant to be so, or is set so, was not seen to do anything.
  rule(
    '(?:it |valve |that |there )?should (?:be|have|not|only) .+|(?:thermostat|stat) (?:is )?(?:set|setup|set up|configured|wired) (?:for|as) (?!cool|heat|fan|off|emergency|aux|\\d).+',
    (the) => the.asNote(),
  ),
  rule('(?:no spares?(?: left)?,? so )?(?:i )?(?:pulled|ran)(?: in)? (?:new )?(?:cable|wire|stat wire)', (the) =>
    the.says(/new/i) ? the.asRepair() : null,
  ),
  rule(
    'new (?:switch|disconnect|transformer|contactor|board|thermostat|stat|valve|solenoid|coil|relay|sequencer|igniter|sensor|motor|damper|damper motor|control|zone panel|defrost board)',
    (the) => the.asRepair(),
  ),
  rule('(?:condenser|outdoor unit|condensing unit|(unit|system)) (?:is )?on', (the, unit) => {
    // With the power off in the record that may be the power.
    if (unit && !the.state.bench.power) return null
    const outside = the.system.places.find(({ kind }) => kind === 'outdoor')
    return !outside ? null : unitDoes(the, outside.id, 'as called')
  }),
  // A unit that can do both does either on any call.
  rule('(?:unit|it|heat pump|outdoor unit|condenser) (?:is )?(?:running|runs) in (?:cool|heat)(?:ing)?(?: mode)?', (the) =>
    partsOf(the.system, 'coil').some(({ role }) => role === 'reversing-valve')
      ? { asks: 'What is called? Say it, and whether the valve is in or out: "call heat; valve in", "call heat; valve out".' }
      : null,
  ),
  rule('(?:so )?(?:transformer|(.+?)) (?:is )?(?:bad|no good|junk|open|shot)', (the, what) => {
    // Only a transformer is told open by what was read of it before; anything else is read so.
    const part = what === '' ? 'transformer' : the.says(/\bopen\b/i) ? null : the.part(what)
    return part !== null && the.state.observations.some(({ probe }) => probe.meter !== 'trip') ? the.asNote() : null
  }),
  rule('(?:replace|change|new) (.+?)(?: (?:motor|actuator))?', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part && part.kind !== 'fuse' && the.says(/^\s*(?:replace|change|new) /i) ? the.asRepair() : null
  }),
]

const OFF_SAID = new RegExp(`\\b(?:${OFF}|${TOOK})\\b`, 'i')
