import { allAt, allOf, joined, panelOff, pluggable, swapped, takenOff } from '@/src/core/quick-line/hands'
import { leavesControlLive, STAYS_LIVE } from '@/src/core/quick-line/power'
import { asks, either, NUMBER, type Rule, rule, VOLTS } from '@/src/core/quick-line/rule'
import { nothingCalls, unitDoes } from '@/src/core/quick-line/sense'
import { leading, loadOf, type Sentence, worded, zoneOf } from '@/src/core/quick-line/sentence'
import { lineSide } from '@/src/core/quick-line/volts'
import { boardHere, coilMeant } from '@/src/core/quick-line/which-part'
import { partById, placeById } from '@/src/core/wiring/system'

const CALLS = '(cool|cooling|ac|a/c|heat|heating|fan|blower|aux|aux heat|auxiliary|emergency heat|em heat|emergency|strips|second stage)'
const ON_CALL = `(?:when|as soon as|once|if|whenever|every time|any time|while|during|in|with)(?: (?:i|we|it|you))? ?(?:calls? for |calling for |called for |calls? |calling |turn on |set to |switch to )?${CALLS}(?: (?:is|gets|was))?(?: (?:called|calling|on|comes on|came on|kicks on|kicks in|kicked in|kicked on|turns on|turned on|calls|starts|started|mode|call))*`
const HOLDS = '(?:still )?(?:holds|held|holding|stays in|stayed in)'
const TRIPS = '(?:still )?(?:trips|tripped|trip|pops|popped|blows|blew|kicks out|goes)'

/** A call that was seen to run proves a repair; before any repair it is a remark. */
const ran = (the: Sentence, call: string, amps = '', volts = ''): string | null => {
  const named = the.call(call)
  if (named === null) return null
  return the.state.repairs.length === 0 && !volts ? the.asNote() : `proved ${named}${amps ? ` ${amps} A` : ''}${volts ? ` ${volts} V` : ''}`
}

/** Words as they are spoken over a shoulder, beyond what `rules.ts` and `rules-visit.ts` know. */
export const spokenRules: readonly Rule[] = [
  // Fuse, breaker, power.
  rule(
    'fuse (?:is |was |looks |reads |tests |ohms |checks )?(?:out )?(?:already )?(?:blown|popped|open|gone|bad|no good|toast|burnt|burned)(?: .*)?',
    () => 'fuse blown',
  ),
  rule(
    '(?:\\d+ ?(?:a|amp) )?(?:blown|popped|bad|open) fuse(?: .*)?|\\d+ ?(?:a|amp) fuse (?:is |was )?(?:blown|popped|bad|open)',
    () => 'fuse blown',
  ),
  rule('(?:put|stuck|threw|dropped|installed)(?: in)? (?:new|another|fresh) (?:one|fuse)(?: in)?', () => 'fuse in'),
  rule(
    '(?:put|hooked|clipped|stuck|wired|plugged|have|rigged|set)(?: up| in)? (?:(\\d+) ?(?:a|amp|amps) )?(?:pocket |lamp |test |resettable )?breaker (?:in )?(?:where|in place of where) fuse (?:goes|was|sits|is|used to be|belongs)',
    (_, size) => (size ? `breaker ${size} in` : 'breaker in'),
  ),
  rule('(?:new |fresh |another )(?:(\\d+) ?(?:a|amp) )?fuse(?: is)? (?:in|installed)(?: slot)?', (_, size) =>
    size ? `fuse ${size} in` : 'fuse in',
  ),
  rule(
    '(?:put|popped|stuck|clipped|plugged|threw|installed|set)(?: in)? (?:(\\d+) ?(?:a|amp|amps) )?(?:pocket |lamp |test |resettable )?(?:breaker|resettable)(?: in)?(?: (?:slot|fuse slot|for fuse|place of fuse))?',
    (_, size) => (size ? `breaker ${size} in` : 'breaker in'),
  ),
  rule('(?:reset|pushed|popped|set)(?: breaker| it)(?: back)?(?: in)?|breaker (?:reset|is reset|back in)', () => 'reset'),
  rule('(?:powered|power|powering)(?: it| unit| everything)? (?:up|back up)|energized|power (?:restored|is restored)', () => 'power on'),
  rule(
    '(?:killed|cut|shut|turned|pulled|dropped|killing)(?: off)? (?:all |furnace |air handler )?power(?: off| down)?(?: (?:at|to|from) ([^,]*))?',
    (the, where) => (leavesControlLive(the, where) ? { asks: STAYS_LIVE } : 'power off'),
  ),
  rule('powered (?:down|it down|off)|de-?energized', () => 'power off'),
  rule('breaker in,? (?:at )?(\\d+) ?(?:a|amps?)|(\\d+) ?(?:a|amp) resettable(?: in)?', (_, one, other) => `breaker ${one || other} in`),
  asks(
    '(?:main |house |branch |furnace )?breaker (?:in|at) (?:main |breaker )?panel (?:is |was )?(?:off|tripped|on)|main(?: breaker)?(?: is| was)? (?:off|tripped|on)',
    'Say "power off" once all of it is off and proved dead, or "power on" once all of it is back.',
  ),
  rule('close(?: out)?(?: job| it| up)?|job(?: is)? (?:done|closed|complete)', () => 'close'),
  // Thermostat and calls.
  rule(`(?:stat|thermostat|tstat)(?: is| was)? (?:set|turned|switched)(?: to| on)? ${CALLS}`, (the, call) =>
    leading('call', the.call(call)),
  ),
  rule('(?:stat|thermostat|tstat)(?: is)? (?:set|turned|switched)(?: to)? off', () => 'call off'),
  rule(`${CALLS}(?: call| mode)?(?: is| turned)? on`, (the, call) => leading('call', the.call(call))),
  rule(`${CALLS}(?: call| mode)?(?: is| turned)? off`, (the, call) => (the.call(call) === null ? null : 'call off')),
  rule('(?:stat|thermostat|tstat|screen|display)(?: has| is)?(?: come| came)? (?:back on|back|up|lit up|powered up|on|alive)', (the) =>
    worded(the.thermostat(), 'alive'),
  ),
  rule('(?:screen|display)(?: is| went| goes)? (?:blank|dark|off|dead|out)', (the) => worded(the.thermostat(), 'blank')),
  // Trips.
  rule(`(?:it |breaker |fuse )?${TRIPS} ${ON_CALL}`, (the, call) => leading('trips on', the.call(call))),
  rule(`(?:it |breaker |fuse )?${HOLDS} ${ON_CALL}`, (the, call) => leading('holds on', the.call(call))),
  rule(`(?:it |breaker |fuse )?${TRIPS}(?: out)? (?:immediately|instantly|right off|straight away|every time|right back)`, () => 'trips'),
  rule(
    `(?:it |breaker |fuse )?${TRIPS}(?: out)? (?:after|in|within) (?:about )?(\\d+) ?(s|sec|secs|seconds?|min|mins|minutes?)`,
    (_, count, unit) => `trips after ${count} ${unit}`,
  ),
  rule(
    '(?:it |breaker |fuse )?(?:doesnt|does not|dont|wont|will not|didnt|did not|no longer|not)(?: (?:trip|trips|tripping|pop|popping|blow|blowing))(?! with)(?: .*)?|(?:no|not) (?:more )?(?:trips?|tripping)(?! with| on| in)(?: .*)?',
    () => 'holds',
  ),
  rule(`(?:it |breaker |fuse )?${HOLDS} with (.+?)(?: (?:off|lifted|disconnected|pulled|unhooked))`, (the, what) => {
    const end = the.conductor(what)
    return end && `lift ${end}; holds`
  }),
  rule(`(?:it |breaker |fuse )?${TRIPS} with (.+?)(?: (?:off|lifted|disconnected|pulled|unhooked))`, (the, what) => {
    const end = the.conductor(what)
    return end && `lift ${end}; trips`
  }),
  // Hands.
  rule(
    '(?:took|take|taking|pulled|pull|pulling)(?: off)? (?:both |all )?(?:wires|leads|spades|connectors?)(?: off)? (?:from |of |off )?(.+)',
    (the, what) => leading('unplug', pluggable(the, what)),
  ),
  rule('(.+?) (?:wires|leads|spades)(?: are)? off', (the, what) => takenOff(the, `${what} wires`)),
  rule('(.+?)(?: switch| coil)? (?:is |was )?unplugged', (the, what) =>
    either(leading('unplug', pluggable(the, what)), leading('lift', the.conductor(what))),
  ),
  rule('(.+?) (?:is |was )?(?:plugged|hooked|back)(?: back)? (?:in|up|on)', (the, what) =>
    either(leading('plug', pluggable(the, what)), leading('land', the.conductor(what))),
  ),
  rule(
    '(?:unhooked|unhook|disconnected|disconnect|pulled|removed) (\\S+) cable(?: (?:off|loose|up))?(?: (?:at|in|from|on|off) (?:terminals|strip|screws|board|(.+)))?',
    (the, cable, where) => {
      const place = where ? the.place(where) : the.state.bench.place
      return place === null ? null : allOf(the.at(place), cable)
    },
  ),
  rule(
    '(?:jump|jumped|jumper|jumpered|bypass|bypassed|jumping|bypassing)(?: out| across| past| around| over)? (.+?)(?: switch)?',
    (the, what) => either(the.around(what), joined(the, what)),
  ),
  rule(
    '(?:move|moved|park|parked|swap|swapped|switch|switched|change|changed|put) (.+?) (?:over )?(?:to|on|onto) (?:spare|(\\S+?)(?: spare)?(?: wire)?)',
    (the, what, spare) => swapped(the, what, spare),
  ),
  rule('(?:using|used|use) (\\S+?)?(?: spare| wire)? ?(?:for|as|in place of|instead of) (.+)', (the, spare, what) =>
    leading('swap', the.conductor(what) && `${the.conductor(what)}${spare && spare !== 'spare' ? ` to ${spare}` : ''}`),
  ),
  rule('(?:both|all) (?:wires|conductors|leads) off(?: (?:at|in|on) (.+))?', (the, where) =>
    allAt(the, where ? the.place(where) : the.state.bench.place),
  ),
  // Readings.
  rule(
    `(?:max|peak|highest|inrush)(?: hold| amps?)*(?: draw)?(?: is| was)? ${NUMBER}(?: ?(?:a|amps?))?(?: on r)?`,
    (_, amps) => `max ${amps} A on R`,
  ),
  rule(`(?:line|line voltage|voltage in|incoming|supply|input)(?: voltage)?(?: is| was| has| reads)? ${NUMBER} ?${VOLTS}?`, (the, volts) =>
    Number(volts) > 90 ? lineSide(the, volts) : null,
  ),
  rule(`${NUMBER} ?${VOLTS}? (?:in|coming in|going in|incoming)(?!.* out\\b)(?: .*)?`, (the, volts) =>
    Number(volts) > 90 ? lineSide(the, volts) : null,
  ),
  rule(`(?:${NUMBER} ?${VOLTS}? (?:on|across|between|at) )?l1(?: ?- ?| to | and |/| )l2(?: ${NUMBER} ?${VOLTS}?)?`, (the, before, after) =>
    before || after ? lineSide(the, before || after) : null,
  ),
  rule(
    `transformer(?: is)?(?: reads| reading| putting out| puts out| gives| has| output(?: is)?)? ${NUMBER} ?${VOLTS}?(?: out| output| on (?:secondary|output))?`,
    (the, volts) => (Number(volts) > 60 ? lineSide(the, volts) : the.voltsAt('transformer', volts)),
  ),
  rule(
    '(?:no|zero|0)(?: volts?)? (?:output|out)(?: (?:from|of|on|at) transformer)?|transformer (?:has |is )?(?:no output|not putting (?:anything )?out|putting out nothing)',
    (the) => the.voltsAt('transformer', '0'),
  ),
  rule(
    `primary(?: has| is| reads)? ${NUMBER} ?${VOLTS}?,?(?: and)? secondary(?: has| is| reads)? ${NUMBER} ?${VOLTS}?`,
    (the, one, other) => {
      const [first, second] = [lineSide(the, one), the.voltsAt('transformer', other)]
      return first && second && `${first}; ${second}`
    },
  ),
  rule(`coil(?: is| reads| read| ohms| has)?(?: (open|ol)| ${NUMBER} ?(?:ohms?)?)`, (the, open, ohms) => {
    const coil = coilMeant(the)
    return coil ? `ohms across ${coil} ${open ? 'OL' : ohms}` : { asks: 'Which coil? Say its part: "contactor coil 12 ohms".' }
  }),
  rule(`${NUMBER} ?${VOLTS}? (?:out of|out from|off) transformer`, (the, volts) => the.voltsAt('transformer', volts)),
  rule(`transformer ${NUMBER} ?${VOLTS}? in,?(?: and| but)? ${NUMBER} ?${VOLTS}? out`, (the, one, other) => {
    const [first, second] = [lineSide(the, one), the.voltsAt('transformer', other)]
    return first && second && `${first}; ${second}`
  }),
  rule(
    `(?:voltage|volts|line voltage)?(?: (?:at|on))? ?(?:(?:roof|rooftop|unit|outdoor) )?(?:disconnect|whip|service switch)(?: is| has| reads)? ${NUMBER} ?${VOLTS}?`,
    (the, volts) => lineSide(the, volts),
  ),
  rule(
    '(?:no|zero|0) (?:power|voltage|volts|line voltage)(?: (?:at|on|to|from))? (?:disconnect|unit disconnect|whip)',
    (the) => lineSide(the, '240')?.replace('240 V', '0 V') ?? null,
  ),
  asks(
    '(?:one|a) leg (?:is )?(?:dead|out|gone|missing|down)|(?:lost|missing|dropped) (?:a |one )?(?:leg|phase)(?: (?:at|on) .+)?|both legs(?: are)? (?:good|there|hot|ok)',
    'Read the legs: "L1-unit to gnd 120", and "line 240" across them.',
  ),
  // Eyes and ears.
  rule('contacts?(?: are| is)? (?:welded|stuck|stuck closed|stuck shut|fused)(?: shut| closed)?', (the) =>
    worded(the.part('contactor'), 'in'),
  ),
  rule(
    '(?:door |access |unit |service |blower )*(?:panel|cover|door)(?: is| back)? (off|on|open|closed|shut)(?: again)?(?: (?:at |on |of )?(.+))?',
    (the, how, where) => {
      const isOff = /^(?:off|open)$/.test(how)
      const place = where ? the.place(where) : isOff ? the.state.bench.place : panelOff(the)
      return place && `panel ${place} ${isOff ? 'off' : 'on'}`
    },
  ),
  rule(
    '(?:closed|buttoned|closing|buttoning)(?: it)? up(?: (?:panel|unit|it|cabinet))?|(?:panel|cover)s? (?:buttoned|closed) up',
    (the) => `panel ${panelOff(the)} on`,
  ),
  rule('(?:opened|opening|open)(?: up)? (?:panel|cover|unit|cabinet)', (the) => `panel ${the.state.bench.place} off`),
  rule('(?:everything|all)(?: is)? (?:landed|connected|on)(?: right| correctly| good| where it belongs)?', () => 'landings ok'),
  rule('no (blower|indoor fan|fan)', (the, what) => worded(loadOf(the, what), 'still')),
  rule('(.+?) (?:not|isnt|aint|wasnt)', (the, what) => worded(loadOf(the, what), 'still')),
  rule('(?:not|isnt|wont|doesnt|didnt) (?:pulling|pull|pulled) in|no pull ?in', (the) => worded(the.part('contactor'), 'out')),
  rule('(?:pulls|pulled|pulling) in(?: fine| ok| good)?', (the) => worded(the.part('contactor'), 'in')),
  rule('(?:board|control board|control)(?: light| led| lamp)?(?: is)? (?:solid|steady|on|lit|lit solid|on solid)', (the) =>
    worded(boardHere(the), 'steady'),
  ),
  rule('(?:board|control board|control)(?: light| led| lamp)?(?: is)? (?:off|out|dark|dead)|no (?:light|led|lights)(?: on board)?', (the) =>
    worded(boardHere(the), 'dark'),
  ),
  rule('(?:board|control board|control)(?: light| led| lamp)?(?: is)? (?:flashing|blinking|flashes|blinks)', (the) =>
    worded(boardHere(the), 'flashes'),
  ),
  rule(
    'wires? (?:is |are |was )?(chewed|rubbed|burnt|melted|gnawed|nicked)(?: by \\w+)?(?: through)?(?: (?:at|in|on|by))? ?(.+)',
    (the, how, where) =>
      leading(
        how === 'burnt' || how === 'melted' ? 'scorched' : how === 'gnawed' ? 'chewed' : how === 'nicked' ? 'rubbed' : how,
        zoneOf(the, where),
      ),
  ),
  asks(
    '(?:wires|two wires|conductors)(?: are| were)? (?:swapped|crossed|reversed|backwards)',
    'Which two? Say "G and Y swapped at thermostat".',
  ),
  rule(
    '(?:(?:error|fault|code)(?: code)? ?[a-z]?\\d+|[a-z]\\d+) (?:on|at|from) .+|(?:code|error|fault) .*|\\d+ (?:blinks?|flash(?:es)?|(?:blink|flash) code)(?: .*)?|(?:flashing|blinking) .*|low voltage code(?: .*)?',
    (the) => the.asNote(),
  ),
  rule(
    '(?:waiting|wait|waited)(?: .*)?|(?:is )?(?:in |on )?(?:time|short ?cycle|anti ?short ?cycle|compressor)? ?delay(?: timer)?(?: .*)?',
    (the) => the.asNote(),
  ),
  // What was repaired, and what ran.
  rule(
    '(?!changed when )(?:replaced|fixed|repaired|changed out|changed|swapped out|installed new|put in new|put in|installed|respliced|resealed)(?: \\d+ ?va)? (.+)',
    (the, what) =>
      /fuse|breaker|^(?:with|for|it)\b/.test(what) ? null : the.says(/^\s*repaired\b/i) ? `repaired ${what}` : the.asRepair(),
  ),
  rule(
    '(?:swapped|changed|traded)(?: out)? (.+?) (?:for|with|to) (?:an? )?(?:new |bigger )*(?:one|\\d+ ?va(?: one)?|.+ one)',
    (the, what) => {
      const part = partById(the.system, the.part(what) ?? '')
      return part && part.kind !== 'fuse' ? the.asRepair() : null
    },
  ),
  rule('(?:swapped|changed) (.+)', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part && part.kind !== 'fuse' ? the.asRepair() : null
  }),
  rule('(.+?) (?:is |was |got |has been )*(?:swapped|replaced|changed)(?: out)?', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part && part.kind !== 'fuse' ? the.asRepair() : null
  }),
  rule('(?:ran|pulled) (?:an? )?new \\d+[/-]\\d+(?: (.+))?', (the) => the.asRepair()),
  rule('new (.+?)', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part && part.kind !== 'fuse' ? the.asRepair() : null
  }),
  rule('(?:new )(.+?) (?:is )?(?:installed|in|fitted)', (the, what) => (/fuse|breaker/.test(what) ? null : the.asRepair())),
  rule('(?:ran (?:a )?(?:new )?|pulled (?:in )?(?:a )?new )(?:wire|cable|stat wire|thermostat wire)(?: .*)?', (the) => the.asRepair()),
  rule(
    `${CALLS}(?: call)?(?: is| was)? ?(?:works?|working|is running|runs|running|ran|tested|tests|checks|checked|proved|ok|good)(?: good| ok| out| fine| now| great| well)*(?:,? ${NUMBER} ?${VOLTS})?(?:,? ${NUMBER} ?(?:a|amps?))?`,
    (the, call, volts, amps) => ran(the, call, amps, volts),
  ),
  asks(
    '(?:all|everything)(?: calls| modes)? (?:works?|working|good|tested|tests|checks?|runs|ok)(?: .*)?',
    'Say which call ran, each by itself: "proved cool 0.9 A 26 V".',
  ),
  asks(
    '(?:next|whats next|what next|now what|what should i do|help)',
    'The next check is the one that is shown. Enter what it reads, or "skip" when it cannot be done.',
  ),
  asks(
    'transformer(?: is| was| looks)? (?:bad|gone|shot|shorted|open)(?: .*)?',
    'What did it read? Say "primary 120" and "transformer secondary 0"; or "ohms" of its windings with the power off.',
  ),
  rule('transformer(?: is| was| looks)? (?:burnt|burned|burned out|burnt up|toast|fried|cooked|melted)(?: .*)?', (the) => the.asNote()),
  rule(
    '(?:.* )?(float(?: switch)?|door switch|rollout|limit|draft switch|inducer|gas valve|igniter|flame sensor|damper|sequencer|reversing valve|defrost board|zone panel|pressure switch)(?: .*)?',
    (the, what) =>
      the.part(what) === null &&
      the.place(what) === null &&
      !the.system.parts.some(({ name }) => ` ${name.toLowerCase().replaceAll('-', ' ')} `.includes(` ${what.replace(/ switch$/, '')} `))
        ? { asks: `The record of this house has no ${what}. Put "note" before it to keep it as a remark.` }
        : null,
  ),
  // Of nothing that was seen before, on no call.
  rule('(?:it )?(?:runs|running)(?: (?:fine|good|ok))?', (the) => {
    const { power, place } = the.state.bench
    if (!the.says(/^\s*(?:it )?(?:runs|running)(?: \w+)?\s*$/i)) return null
    return power && nothingCalls(the) && placeById(the.system, place)?.kind !== 'thermostat' ? unitDoes(the, place, 'as called') : null
  }),
]
