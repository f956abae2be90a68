import { allOf, joined, panelOff, putOn, swapped, takenOff } from '@/src/core/quick-line/hands'
import { asks, either, NUMBER, type Rule, rule, VOLTS } from '@/src/core/quick-line/rule'
import { leading, loadOf, type Sentence, statHere, worded, zoneOf } from '@/src/core/quick-line/sentence'
import { acrossLoad, lineSide, primary } from '@/src/core/quick-line/volts'
import { contactorPlace } from '@/src/core/quick-line/which-part'
import { SHOWS_CALL } from '@/src/core/readings/looks'
import { partById } from '@/src/core/wiring/system'

const SWITCHES = '(?:breaker|disconnect|unit disconnect|furnace switch|switch|furnace|unit|system|it)'
export const WHICH_SWITCH =
  'Which one? The outdoor disconnect leaves the 24 V side live. Say "power off" once all of it is off and proved dead, "power on" once all of it is back, or "breaker out" for the one in the fuse slot.'

/** More volts than the control circuit has: at the primary, or at the contactor's line side. */
function ofTheLine(the: Sentence, what: string, volts: string): string | null {
  if (/\b(?:contactor|condenser|compressor|disconnect)\b/.test(what))
    return /\bload\b/.test(what) ? null : lineSide(the.at(contactorPlace(the)), volts)
  return /transformer|primary|line/.test(what) ? primary(the, volts) : null
}

export const rules: readonly Rule[] = [
  // With something else called it is what one sees, or what one sets.
  rule('fan (?:switch )?(to )?on', (the, to) =>
    to || the.state.bench.call === 'off' || the.state.bench.call.startsWith('fan')
      ? 'call fan'
      : { asks: 'Does the fan run, or was the fan set to on? Say "fan runs", or "call fan".' },
  ),
  // What is off comes on again as a whole, where nothing else is said.
  rule('(?:turned|switched|put)(?: it| them)? back on(?: again)?', (the) => (the.state.bench.power ? null : 'power on')),
  rule(
    '(?:both|all)(?: of)?(?: the)? (?:breakers|disconnects|switches|breakers and disconnects)(?: are)? off|(?:turned|switched|shut|killed|flipped|threw)(?: off)? (?:both|all)(?: of)?(?: the)? (?:breakers|disconnects|switches)(?: off)?',
    () => 'power off',
  ),
  // Which switch is off decides what is dead: the main question before ohms.
  asks(
    `(?:turned|switched|shut|killed|cut|pulled)(?: off)? ${SWITCHES}(?: off| down| out)?(?: at (?:breaker|disconnect|switch|panel)| outside| outdoors| at .+)?|(?:house |main |furnace |air handler |condenser |outdoor )?${SWITCHES}(?: (?:on|for|at) .+?)?(?: is| was|s)? (?:off|pulled|down|out)(?: at .+)?`,
    WHICH_SWITCH,
  ),
  // That it is on, where all is on, is no news.
  rule('(?:furnace |main |house )?(?:breakers?|switch) (?:is |are )?(?:both |all )?(?:on|good|ok|fine)(?: and good)?', (the) =>
    the.state.bench.power ? the.asNote() : null,
  ),
  asks(`(?:(?:turned|switched|put) )?${SWITCHES}(?: is)?(?: back)? on(?: again)?`, WHICH_SWITCH),
  asks(
    '(?:thermostat|stat|t-?stat)(?: is)? (?:off|out)',
    'Is it blank, off the wall, or set to off? Say "thermostat blank", "unplug thermostat" or "call off".',
  ),
  rule('(?:thermostat|stat|t-?stat|tstat|display) (?:has power|is alive|lights up|lit|is lit|came back|is back)', (the) =>
    worded(the.thermostat(), 'alive'),
  ),
  rule('(?:thermostat|stat|t-?stat|tstat|display) (?:lost|has no|no|loses) power', (the) => worded(the.thermostat(), 'blank')),
  rule('(?:corroded|green) (?:terminals|screws|landings)(?: at (.+))?', (the, where) =>
    where ? leading('landings corroded at', the.place(where)) : 'landings corroded',
  ),
  rule('bare (?:wire|copper)(?: at| in| on) (.+)', (the, where) => leading('rubbed', zoneOf(the, where))),
  rule(
    '(?:(?:thermostat|stat|control|low voltage) )?wires? (?:is |are |was |were )?(chewed|rubbed|burnt|melted)(?: by \\w+| through)?(?: at| in| on)? ?(.+)',
    (the, how, where) => leading(how === 'burnt' || how === 'melted' ? 'scorched' : how, zoneOf(the, where)),
  ),
  // Hands.
  rule('(?:took|take|pulled|pull|popped) (.+?) off(?: wall)?', (the, what) =>
    either(takenOff(the, what), leading('lift', the.conductor(what))),
  ),
  rule(
    '(?:pulled|lifted|took|removed|disconnected|loosened|undid) (.+?)(?: off)?(?: (outside|outdoors|inside|indoors))?',
    (the, what, where) => either(takenOff(the, what), leading('lift', the.conductor(`${what}${where ? ` ${where}` : ''}`))),
  ),
  rule('(?:put|landed|connected|reconnected|hooked|tightened) (.+?)(?: back)?(?: on| up| in)?', (the, what) =>
    either(putOn(the, what), leading('land', the.conductor(what))),
  ),
  rule('(?:unhooked|unlanded|untied|cut loose) (.+)', (the, what) => leading('lift', the.conductor(what))),
  rule('(?:lift|lifted|pulled|took|take)(?: off)? (?:all|both)(?: (\\S+))? (?:wires|conductors)(?: off)?', (the, cable) =>
    allOf(the, cable),
  ),
  rule('(?:lift|lifted|pulled|took|take)(?: off)? (\\S+) cable(?: off)?', (the, cable) => allOf(the, cable)),
  rule(
    '(?:lift|lifted|pulled|took|take)(?: off)? (?:(\\S+) )?(\\S+) and (\\S+)(?: (?:off ?)?(?:at |from )?(.+))?',
    (the, cable, a, b, where) => {
      const both = [a, b].map((one) => the.conductor([cable, one, where].filter(Boolean).join(' ')))
      return both.includes(null) ? null : both.map((one) => `lift ${one}`).join('; ')
    },
  ),
  rule('(\\S+)(?: wire)? off(?: board| strip| terminal| screw)?(?: (outside|outdoors|inside|indoors|at .+))?', (the, what, where) =>
    /^(power|breaker|panel|door|cover|disconnect)$/.test(what)
      ? null
      : leading('lift', the.conductor(`${what}${where ? ` ${where}` : ''}`)),
  ),
  rule('(.+) back on', (the, what) => either(what === 'power' ? 'power on' : null, leading('land', the.conductor(what)))),
  rule('(?:unplugged|disconnected|unplug) (.+)', (the, what) => leading('unplug', the.part(what))),
  rule('(?:plugged|plug) (.+?)(?: back)?(?: in| on)?', (the, what) => leading('plug', the.part(what))),
  rule('(?:jumped|jumpered|bypassed|bypass|jump)(?: out| around)? (.+)', (the, what) => either(the.around(what), joined(the, what))),
  rule('(?:put )?jumper (?:from|between|across|in from) (.+)', (the, what) => joined(the, what)),
  rule('(.+?) (?:jumped|jumpered)(?: out| together)?', (the, what) => either(the.around(what), joined(the, what))),
  rule(
    '(?:swapped|moved|switched|changed|swap|move|switch|change|put) (.+?)(?: over)? (?:to|for|onto|on) (?:spare|(.+?)(?: wire)?)(?:,? (?:(?:at|on) )?both ends)?',
    (the, what, spare) => swapped(the, what, spare),
  ),
  // Power, calls, panels, protection.
  rule('(?:turned|switched|shut|killed|cut|kill) (?:power|all power|everything)(?: off| down)?', () => 'power off'),
  rule('(?:turned|switched|shut) off (?:power|all power|everything)', () => 'power off'),
  rule('(?:all )?power(?: is|s)? (?:off|down)', () => 'power off'),
  rule('(?:turned|switched|put) (?:power|everything)(?: back)? on', () => 'power on'),
  rule('(?:powers?|everything)(?: is)?(?: back)? on(?: again)?|power(?: is)? back', () => 'power on'),
  rule('(?:turned|set|switched) (?:thermostat|stat|t-?stat) (?:to )?off', () => 'call off'),
  rule(
    '(?:heat pump|system|unit|furnace|ac|thermostat|stat|tstat) (?:is |was )?(?:(?:set|switched|turned)(?: to| for)|(?:calls|calling)(?: for)?) (\\S+)(?: mode)?',
    (the, call) => leading('call', the.call(call)),
  ),
  rule(
    '(?:(?:stuck|put|dropped|slid|threw|stick)(?: in)? )?(?:pocket |resettable |reset (?=breaker (?:is )?in)|pop )?(?:popper|pop-?up|breaker|resettable)(?: is)?(?: in(?:to)?)?(?: (?:for|instead of|in place of) fuse)?(?: (?:fuse )?(?:slot|holder|place|socket))?',
    () => 'breaker in',
  ),
  rule('(?:call|calling|called|set|turn|turned)(?: it)?(?: on)?(?: for| to| up to)? (\\S+)(?: on)?', (the, call) =>
    leading('call', the.call(call)),
  ),
  rule('call (?:is )?off|(?:thermostat|stat) (?:is )?satisfied', () => 'call off'),
  rule('(?:panel|door|cover|access panel)(?: is)? (off|on)', (the, how) =>
    how === 'on' ? `panel ${panelOff(the)} on` : `panel ${the.state.bench.place} off`,
  ),
  rule('(?:put |stuck )?(?:in )?(?:(\\d+) ?(?:a|amp|amps) )?(?:pocket |lamp |test )?breaker(?: is)?(?: in| in slot)?', (_, size) =>
    size ? `breaker ${size} in` : 'breaker in',
  ),
  rule('(?:checked )?fuse,?(?: is| looks| checks| checked)?(?: out)? (?:good|fine|ok|intact)', () => 'fuse good'),
  rule(
    '(?:replaced|changed|renewed) fuse|new fuse(?: in)?|(?:new )?(\\d+) ?(?:a|amp) fuse(?: in)?|fuse (?:is |was )?(?:replaced|changed|swapped)(?: (?:with|for|by) (?:new )?(\\d+) ?(?:a|amps?))?(?: fuse)?',
    (_, size, other) => (size || other ? `fuse ${size || other} in` : 'fuse in'),
  ),
  rule(
    '(?:blew|popped|burnt|burned)(?: up)? (?:fuse|another fuse|fuse again|(?:another|second|third|(?:the |a )?) ?\\d+ ?(?:a|amps?)(?: fuse)?(?: again)?)',
    () => 'fuse blown',
  ),
  rule(
    '(?:fuse )?(?:popped|blew|tripped|trips|trip|pops|blows)(?: (?:as soon as|when|once|if))? (?:i |we |it )?(?:call|calls|called)(?: for| on)? (\\S+)',
    (the, call) => leading('trips on', the.call(call)),
  ),
  rule(
    '(?:popped|blew|tripped|trips|pops|blows) (?:on|at|as soon as|when|with) (?:power ?-?up|power(?: comes| goes| is)?(?: back)? on|i turn it on)',
    () => 'trips at power-up',
  ),
  rule('(?:popped|blew|tripped|trips|pops|blows) (?:on|in) (\\S+)', (the, call) => leading('trips on', the.call(call))),
  rule('(?:still |breaker )?(?:trips|tripped|popped|pops|blew|blows)(?: again| now| right away| at once)?', () => 'trips'),
  rule('(?:still |breaker )?(?:holds|holding|held|no trip|doesnt trip|does not trip|didnt trip)(?: now| fine| again)?', () => 'holds'),
  // Eyes and ears.
  rule('(.+?) (?:is |are |was )?(?:chatters|chattering|buzzes|buzzing|hums|humming|clicking on and off)', (the, what) =>
    leading('', worded(the.part(what), 'chatters')),
  ),
  rule('(.+?) (?:isnt|is not|wont|will not|doesnt|does not|not|never) (?:pulled|pulling|pulls|pull) in', (the, what) =>
    worded(the.part(what), 'out'),
  ),
  rule('(.+?) (?:is )?(?:pulled|pulls|pulling|pull|sucked) in', (the, what) => worded(the.part(what), 'in')),
  rule(
    '(.+?) (?:isnt|is not|not|wont|will not|doesnt|does not|does nt|never) (?:running|run|runs|start|starts|starting|come on|coming on|turning)',
    (the, what) => worded(the.part(what), 'still'),
  ),
  rule('(.+?) (?:is |are )?(?:running|runs|run|on|comes on|came on|turning)(?: fine| now)?', (the, what) =>
    worded(loadOf(the, what), 'runs'),
  ),
  rule('(?:thermostat|stat|t-?stat|tstat|display)(?: is| went| goes)? (?:blank|dead|dark)', (the) => worded(the.thermostat(), 'blank')),
  rule('(?:thermostat|stat|t-?stat|tstat|display) (?:shows|says|reads|displays) (?:(cool|heat)(?:ing| on)|call|calling)', (the, call) => {
    const shown = statHere(the, SHOWS_CALL)
    // What it shows is called.
    const wanted = call ? the.call(call) : null
    const named = wanted !== null && !the.state.bench.call.startsWith(wanted) ? wanted : null
    return shown && named ? `call ${named}; ${shown}` : shown
  }),
  rule(
    '(?:rub|rubbed|rubbing|worn|chafed)(?: through)?(?: mark| spot| wire| wires| insulation)?(?: at| on| in| along)? (.+)',
    (the, where) => leading('rubbed', zoneOf(the, where)),
  ),
  rule('(?:chewed|chew marks|mice|rodents)(?: through)?(?: wire| wires| cable)?(?: at| on| in)? (.+)', (the, where) =>
    leading('chewed', zoneOf(the, where)),
  ),
  rule(
    '(?:there is |theres )?(?:a )?(?:(rub|chew|burn|scorch|gnaw|tooth|teeth)(?:bed|ed)? (?:marks?|spots?)|spots? (?:rubbed|worn)) (?:on|along|in|under) .+',
    (_, mark) => {
      const word = /^(?:chew|gnaw|t)/.test(mark) ? 'chewed' : /^(?:burn|scorch)/.test(mark) ? 'scorched' : 'rubbed'
      return { asks: `Along which one? Say "${word} outdoor cable", or the place: "${word} outdoor".` }
    },
  ),
  rule('(?:melted|burnt|burned|scorched|charred)(?: wire| wires| insulation| spot)?(?: at| on| in)? (.+)', (the, where) =>
    leading('scorched', zoneOf(the, where)),
  ),
  rule('(.+?)(?: is| was)?(?: stuck)? (?:open|opened|tripped)', (the, what) => {
    const part = the.part(what)
    return part !== null && partById(the.system, part)?.kind === 'switch' ? `ohms across ${part} OL` : null
  }),
  // Readings.
  rule(`(?:max|peak|highest) ${NUMBER} ?(?:a|amps?)`, (_, amps) => `max ${amps} A on R`),
  rule(`${NUMBER} ?(?:a|amps?) (?:when|before|as) it (?:pops|trips|blows|went|tripped|popped)`, (_, amps) => `max ${amps} A on R`),
  rule(`${NUMBER} ?${VOLTS}? (?:at |on |from )?(?:transformer )?secondary`, (the, volts) => the.voltsAt('transformer', volts)),
  rule('(\\S+)(?: is| was)? (?:hot|live)', (the, what) =>
    the.isLetter(what) ? leading('', the.voltsAt(what, 'X')?.replace('X V', 'jumps between 20 and 28') ?? null) : null,
  ),
  rule(`(.+?) coil(?: is| reads| read| ohms)? ${NUMBER} ?ohms?`, (the, what, ohms) => leading('ohms across', worded(the.part(what), ohms))),
  rule('(.+?) coil(?: is| reads)? (?:open|ol)', (the, what) => leading('ohms across', worded(the.part(what), 'OL'))),
  rule(
    '(?:no reading|infinite|infinity|no path)(?: from| between| on)? (.+?) (?:to|and) (.+)',
    (the, a, b) => `ohms ${the.letter(a)}-${the.letter(b)} OL`,
  ),
  rule(
    '(\\S+) (?:is )?(?:shorted|grounded|dead short)(?: to (\\S+))?',
    (the, a, b) => `ohms ${the.letter(a)}-${b ? the.letter(b) : 'gnd'} jumps between 0 and 1`,
  ),
  rule(String.raw`${NUMBER} ?(?:a|amp|amps)\b(?: draw)?(?: on| at| around)? ?(.*)`, (the, amps, on) =>
    /^(?:fuse|breaker)/.test(on) ? null : `${amps} A on ${on ? the.letter(on) : 'R'}`,
  ),
  rule(
    `(?:amp draw|clamp|clamped|draw|draws|drawing|amps)(?: is| reads)? ${NUMBER}(?: ?(?:a|amps?))?(?: (?:on|at|around) (.+))?`,
    (the, amps, on) => `${amps} A on ${on ? the.letter(on) : 'R'}`,
  ),
  rule(`no continuity(?: from| between| on| through)? (.+?) (?:to|and) (.+)`, (the, a, b) => `ohms ${the.letter(a)}-${the.letter(b)} OL`),
  rule(`(?:ol|open)(?: from| between| on)? (.+?) (?:to|and) (.+)`, (the, a, b) => `${the.letter(a)}-${the.letter(b)} OL`),
  rule(
    `${NUMBER} ?(?:ohm|ohms)(?: from| between| on| across)? (.+?) (?:to|and) (.+)`,
    (the, ohms, a, b) => `ohms ${the.letter(a)}-${the.letter(b)} ${ohms}`,
  ),
  rule(
    `${NUMBER} ?${VOLTS}?(?: from| between| across)? (\\S+)(?: ?- ?| to | and )(\\S+)(?: (?:at |in )?(.+))?`,
    (the, volts, a, b, where) => {
      const place = where ? the.place(where) : null
      return where && !place ? null : `${the.letter(a)}-${the.letter(b)} ${volts} V${place ? ` at ${place}` : ''}`
    },
  ),
  rule(`(?:primary|line)(?: side)?(?: has| reads| is| shows) ${NUMBER} ?${VOLTS}?`, (the, volts) => primary(the, volts)),
  rule(
    `(?:got |have |reads? )?${NUMBER} ?${VOLTS}? (?:at|on|across|from) ([^\\d,]+?)(?: coil| plug| leads| connector)?`,
    (the, volts, what) => (Number(volts) > 90 ? (acrossLoad(the, what, volts) ?? ofTheLine(the, what, volts)) : the.voltsAt(what, volts)),
  ),
  rule(`(.+?)(?: coil)? (?:has|have|reads|gets|getting|shows|sees) ${NUMBER} ?${VOLTS}?`, (the, what, volts) =>
    Number(volts) > 90 ? null : the.voltsAt(what, volts),
  ),
  rule(`(?:no|0|zero)(?: ?(?:24|power|voltage|volts?|v|24 ?v|24 ?volts))? (?:at|on|across|from|to) (.+?)(?: coil)?`, (the, what) =>
    the.voltsAt(what, '0'),
  ),
  rule('nothing (?:at|on|across|from|out of) (.+?)(?: coil)?', (the, what) => the.voltsAt(what, '0')),
  rule(`(.+?)(?: coil)? (?:has|have|gets|getting|shows) (?:no|0|zero) ?(?:24|power|voltage|volts?|v|24 ?v|24 ?volts)`, (the, what) =>
    the.voltsAt(what, '0'),
  ),
  rule('(.+?) (?:is|was) dead', (the, what) => {
    const board = partById(the.system, the.part(what) ?? '')
    return board?.kind === 'board' ? `${board.id} dark` : the.voltsAt(what, '0')
  }),
  // Feet.
  rule(
    '(?:went|going|go|walked|walk|moved|headed|am|im|back|now)?(?: back| over)?(?: to| at| in| up to| out to| down to| on)? ?(.+)',
    (the, where) => leading('walk', the.place(where)),
  ),
]
