import { joined, panelOff, swapped, takenOff } from '@/src/core/quick-line/hands'
import { asks, either, NUMBER, type Rule, rule, VOLTS } from '@/src/core/quick-line/rule'
import { leading, loadOf, type Sentence, worded, zoneOf } from '@/src/core/quick-line/sentence'
import { across, lineSide, windingOhms } from '@/src/core/quick-line/volts'
import { parsePoint } from '@/src/core/wiring/point'
import { callsOf, partById } from '@/src/core/wiring/system'

/** A call that was joined at the unit comes off again; else a wire, or what unplugs. */
function offAgain(the: Sentence, what: string): string | null {
  const letter = the.letter(what)
  const clips = the.state.bench.jumpers.filter(({ a, b }) => [a, b].some((point) => parsePoint(point).name === letter))
  const clip = clips.length === 1 ? clips[0] : null
  return clip ? `jumper out ${clip.a} ${clip.b}` : either(takenOff(the, what), leading('lift', the.conductor(what)))
}

/** Each letter joined with the first. */
const joinedToFirst = (the: Sentence, first: string, others: readonly string[]): string | null =>
  [first, ...others].every((one) => the.isLetter(one))
    ? others.map((one) => `jumper ${the.letter(first)} ${the.letter(one)}`).join('; ')
    : null

/** What stops: a motor is still, a relay is out. */
const stopped = (the: Sentence, what: string): string | null => {
  const load = loadOf(the, what)
  const part = partById(the.system, the.part(what) ?? '')
  return load ? `${load} still` : part?.kind === 'coil' ? `${part.id} out` : null
}

/** The rest of a visit, as it is said: hands in the present, what happened, readings named by their part, and what is kept as a note. */
export const visitRules: readonly Rule[] = [
  rule('(?:can ?not|cant|unable to|no way to) (?:get to|reach|access|get at|find) .+', () => 'skip'),
  rule(
    '(?:new |replacement )?(?:\\w+ ){0,2}(?:is |are |was |has been )?(?:ordered|on order)(?:,? (?:and |will be |be |im |we are )?(?:back|returning|return|coming back|come back)(?: on)? (.+))?',
    (_, day) => `leave part on order${day ? ` until ${day}` : ''}`,
  ),
  rule('(?:customer|homeowner|tenant|owner|they|he|she|last guy) (?:says?|said|tells?|told|heard|noticed|thinks?) (.+)', (the) =>
    the.asNote(),
  ),
  rule(
    '(?:call|calling|called|set|turned|run)?(?: for| to| on)? ?(emergency heat|em heat|e-heat|aux heat|aux|auxiliary|strips)(?: heat)?',
    (the, call) => leading('call', the.call(call)),
  ),
  rule('(?:panel|door|cover|access panel)(?: is)? (?:shut|closed)', (the) => `panel ${panelOff(the)} on`),
  rule(
    '(furnace|air handler|unit|condenser|access|service|blower) (?:door|panel|cover|compartment)(?: is| was)? (off|on|open|shut|closed)',
    (the, where, how) => {
      const place = the.place(where) ?? the.state.bench.place
      return `panel ${place} ${/^(?:off|open)$/.test(how) ? 'off' : 'on'}`
    },
  ),
  rule('(?:panel|door|cover|access panel)(?: is)? open', (the) => `panel ${the.state.bench.place} off`),
  // Hands.
  rule('(?:thermostat|stat|t-?stat) (?:is )?off wall', (the) => leading('unplug', the.thermostat())),
  rule('(?:unhook|disconnect|pull|remove|unland|take off|take) (.+?)(?: off| loose)?', (the, what) => offAgain(the, what)),
  rule('(?:hook up|reconnect|connect|put back|put) (.+?)(?: back)?(?: on)?', (the, what) => leading('land', the.conductor(what))),
  rule('jumper (\\S+) (?:to |and )?(?:common|com)', (the, a) => joinedToFirst(the, a, ['c'])),
  rule(
    '(?:tie|join|connect|twist|bridge|clip|jumper|touch|bridging|tying|joining|clipping|twisting|touching) (\\S+?),? (?:(?:to|and|with) )?(\\S+)(?: together)?(?: now)?(?: (?:at|in|on) (.+))?',
    (the, a, b, where) => joined(the, `${a} ${b}${where ? ` at ${where}` : ''}`),
  ),
  rule(
    '(?:tie|join|jumper|jump)(?:ed)? (\\S+),? (?:to |and )?(\\S+),? (?:and )?(\\S+)(?:,? (?:and )?(\\S+))?(?: together)?',
    (the, a, b, c, d) => joinedToFirst(the, a, [b, c, ...(d ? [d] : [])]),
  ),
  rule(
    '(?:jump|jumping|jumper|jumpering|jumped|jumpered) (\\S+) (?:to|and) (\\S+),? (?:and )?(?:runs?|starts?|gets?|brings? on|kicks? on|turns? on) (.+?)(?: running| going| on)?',
    (the, a, b, what) => {
      const place = /^(?:ac|a\/c|outdoor unit|outside)$/.test(what) ? the.place('outside') : the.place(what)
      const jumper = joinedToFirst(the, a, [b])
      return jumper && place && `${jumper}; ${place} as called`
    },
  ),
  rule('jumper from (\\S+) (?:to|over to) (\\S+)', (the, a, b) => joinedToFirst(the, a, [b])),
  // A wire that is off here goes back on; a letter whose wires are all on is joined to the hot side.
  rule('add(?:ed)? (\\S+)', (the, call) => {
    const { lifted, place } = the.state.bench
    const [off, another] = lifted.filter((end) => parsePoint(end).place === place && parsePoint(end).name.toLowerCase() === call)
    return off && !another ? `land ${off}` : joinedToFirst(the, 'r', [call])
  }),
  rule(
    '(?:move|park|swap|switch|change|rewire|rewired|reran|landed) (.+?) (?:to|on|onto|over to) (?:spare ?)?(.*?)(?: (?:at|on) both ends)?(?: now)?',
    (the, what, spare) => swapped(the, what, spare),
  ),
  // Whoever caps or tapes wires has them off.
  rule(
    '(?:cap|capped|cap off|capped off|tape off|taped off) (?:(outdoor|stat|thermostat) )?([a-z]\\d?) (?:and|&) ([a-z]\\d?)',
    (the, cable, a, b) => {
      const both = [a, b].map((one) => the.conductor([cable, one].filter(Boolean).join(' ')))
      return both.includes(null) ? null : `${both.map((one) => `lift ${one}`).join('; ')}; ${the.asNote()}`
    },
  ),
  rule('(?:cap|capped|tape|taped|splice|spliced|wire ?nut|wire ?nutted|tied off|tie off|soldered|crimped) (.+)', (the) => the.asNote()),
  rule('(?:put )?jumper (?:on|wire on|wire from) (.+)', (the, what) => joined(the, what)),
  rule('(?:unhook|unhooked|disconnect|disconnected|remove|removed|pull) (?:(\\S+) )?(\\S+) and (\\S+)', (the, cable, a, b) => {
    const both = [a, b].map((one) => the.conductor([cable, one].filter(Boolean).join(' ')))
    return both.includes(null) ? null : both.map((one) => `lift ${one}`).join('; ')
  }),
  rule('(holds|held|trips|tripped) with (.+?) (?:off|lifted|disconnected)', (the, how, what) => {
    const end = the.conductor(what)
    return end && `lift ${end}; ${/^h/.test(how) ? 'holds' : 'trips'}`
  }),
  rule(
    '(?:set|turn|turned|switch|switched)(?: thermostat)?(?: to| it to)? (cool|cooling|heat|heating|fan)(?: (?:to |at )?\\d+)?',
    (the, call) => leading('call', the.call(call)),
  ),
  // The stage of the complaint.
  rule('(?:called|call|calling|set it to|asked for)(?: for)? (?:the )?(?:second|2nd|high) stage', (the) => {
    const told = the.state.complaint.call
    const [call, another] = callsOf(the.system).filter((one) => /-2$/.test(one) && (told === null || told === one || !/-2$/.test(told)))
    return call && !another
      ? `call ${call.replace('-2', '2')}`
      : { asks: 'Second stage of what? Say "second stage cool", or "second stage heat".' }
  }),
  // From a roof there is one way down, where the house has two places.
  rule('(?:went|going|climbed|back|came|came back|headed)(?: back)? (?:down|downstairs|inside|in the house)', (the) => {
    const [other, another] = the.system.places.filter(({ id }) => id !== the.state.bench.place)
    return other && !another ? `walk ${other.id}` : null
  }),
  rule('(?:turn|turned|switch) (?:thermostat|stat) off|(?:cancel|cancell?ed|drop|dropped|end|ended|kill|killed) call', () => 'call off'),
  rule('undo (?:that|it|last|last one)', () => 'undo'),
  rule(
    'skip(?: (?:this|that|it))?(?: one| check)?|(?:cant|cannot|can not) (?:reach|get to|do|get at) (?:that|this|it|that one)',
    () => 'skip',
  ),
  // The strip, as found.
  rule(
    '(?:all )?(?:wires|landings|terminals|screws|connections)(?: all| look| are| is)* (?:good|tight|ok|fine|clean|landed|snug)(?: (?:out |in )?here)?|everything(?: is| looks)? (?:tight|landed|snug)(?: (?:out |in )?here)?',
    () => 'landings ok',
  ),
  rule('(\\S+)(?: wire)? (?:is )?loose', (the, name) => (the.isLetter(name) ? `landings ${the.letter(name)} off` : null)),
  rule('(\\S+)(?: wire)? is off', (the, name) => (the.isLetter(name) ? `landings ${the.letter(name)} off` : null)),
  rule('(\\S+)(?: wire)? (?:is )?(?:landed )?(?:on|in) (\\S+)(?: terminal| screw)?', (the, name, screw) =>
    the.isLetter(name) && the.isLetter(screw) ? `landings ${the.letter(name)} on ${the.letter(screw)}` : null,
  ),
  rule('wires? (?:is |are )?(chewed|rubbed|burnt|melted)(?: through)? (?:at|in|on) (.+)', (the, how, where) =>
    leading(how === 'burnt' || how === 'melted' ? 'scorched' : how, zoneOf(the, where)),
  ),
  rule(
    '(?:it is |its |it )?(?:proved|proven|checked|verified|confirmed|tested|reads)(?: (?:it|that|circuit|all))*(?: is| as)? (?:dead|deenergized|de-energized)(?: .*)?|(?:meter )?(?:proved|checked|good) on (?:a )?(?:known )?(?:live|hot) (?:source|circuit|side)(?: .*)?|(?:locked|tagged)(?: out)?(?: and tagged)?(?: out)?(?: .*)?',
    (the) => the.asNote(),
  ),
  // What happened.
  rule(
    '(?:that was |it was |oops |sorry )?(?:(?:my |own )*(?:slip|fault|bad|mistake|screwdriver|wrench)|me|oops,?)(?: (?:slipped|did it|that tripped it|blew it))?|(?:i )?shorted (?:it|something|it out|terminals|strip)? ?with (?:screwdriver|probe|probes|lead|wrench|pliers|meter lead)|(?:i|probe|screwdriver|wrench) (?:slipped|shorted (?:it|r|r to .+|the strip)|touched .+)(?: and (?:it )?(?:tripped|blew)(?: it)?)?|(?:that|this)(?: one| trip| was)* (?:was |is )?(?:me|mine|my fault)|(?:my )?(?:fault|bad|mistake|slip),? (?:i )?(?:hit|touched|bumped|shorted|slipped|crossed|brushed) .+',
    () => 'slip',
  ),
  rule(
    `(?:pulling|pulls|draws|drawing|draw) ${NUMBER} ?(?:a|amps?)(?: (?:on|at|from) (?:transformer|fuse|secondary|r))?`,
    (_, amps) => `${amps} A on R`,
  ),
  rule('(\\S+) (?:still |just )?(holds|held|holding|trips|tripped|blows|pops|popped|blew)(?: it| again)?', (the, call, how) =>
    leading(/^h/.test(how) ? 'holds on' : 'trips on', the.call(call)),
  ),
  rule('(?:breaker |it |fuse )?(?:wont|will not|doesnt|does not|cant) (?:reset|stay in|stay set|hold)', () => 'trips'),
  rule('(.+?) (?:is )?(?:flickers|flickering|flutters|fluttering|pulses|pulsing|rattles|rattling)', (the, what) =>
    worded(the.part(what), 'chatters'),
  ),
  rule(
    '(.+?) (?:has |just )?(?:quit|quits|stopped|stops|died|dies|cut out|cuts out|shut down|shuts down|shut off|shuts off|shut itself off)',
    (the, what) => stopped(the, what),
  ),
  rule(
    'fuse(?: in there| in it)? (?:is|says|was|is rated|rated|reads|marked|is marked) (?:a )?(\\d+) ?(?:a|amps?)?',
    (_, size) => `fuse ${size} in`,
  ),
  rule('(?:smell|smells|burning smell|burnt smell|smoke|smoking)(?: .*)?', (the) => the.asNote()),
  rule('(?:transformer|board|cabinet|compressor|motor|wire|wires)(?: .+)? (?:is |are |feels |runs )?(?:hot|warm|scorching)', (the) =>
    the.asNote(),
  ),
  rule('(?:code|led|light|board)(?: is)? (?:flash|flashes|flashing|blinks|blinking|on)(?: .*)?', (the) => the.asNote()),
  rule('((?:fan |blower )?motor|compressor|blower|fan) (?:hums|humming|buzzes|growls|grinds|squeals)(?: .*)?', (the) => the.asNote()),
  rule(
    '(?:burners?|flame|pilot) .+|no (?:flame|spark|ignition)|(?:heat|cool|cooling|heating|fan|ac) (?:works|dead|is dead|does not work|doesnt work|wont work|not working)(?: .*)?',
    (the) => the.asNote(),
  ),
  asks(
    '(?:line|line side|line voltage|high voltage|supply)(?: is| looks)? (?:good|ok|fine|there|present)',
    'Say the volts that it read: "line 240", or "primary 120".',
  ),
  // Readings by the name of the part.
  rule(`(\\S+) ${NUMBER}( ?${VOLTS})?`, (the, name, value, unit) =>
    the.isLetter(name) ? `${the.letter(name)}-C ${value}${unit ? ' V' : ''}` : null,
  ),
  rule('(.+?) (?:gets|has|shows) nothing', (the, what) => the.voltsAt(what, '0')),
  rule('(\\S+) (?:reads |is |shows )?(ol|open|shorted|beeps|\\d*[.]?\\d+)(?: ohms?)? (?:to|and) (\\S+)', (the, a, said, b) =>
    the.isLetter(a) && the.isLetter(b)
      ? `ohms ${the.letter(a)}-${the.letter(b)} ${said === 'open' ? 'OL' : said === 'shorted' ? 'jumps between 0 and 1' : said === 'beeps' ? 'jumps between 0 and 40' : said}`
      : null,
  ),
  rule(`${NUMBER} ?${VOLTS}? (?:sec|secondary)`, (the, volts) => the.voltsAt('transformer', volts)),
  rule(`${NUMBER} ?${VOLTS}? (?:at|on|from) (?:primary|line|disconnect|condenser|outdoor|unit)`, (the, volts) =>
    Number(volts) > 90 ? lineSide(the, volts) : null,
  ),
  rule(
    `(?:transformer )?(primary|secondary)(?: winding| coil| side)?(?: is| reads| measures| checks| tests)?(?: ohms| ohmed)?(?: out)?(?: at)? (?:(open|ol)|${NUMBER} ?ohms?)`,
    (the, side, open, ohms) => windingOhms(the, side, open ? 'OL' : ohms),
  ),
  rule(`(?:transformer )?(primary|secondary)(?: ohms| ohmed| measures| checks)?(?: out)?(?: at)? ${NUMBER}`, (the, side, value) =>
    // Without a unit it is what is read now: volts with the power on, ohms with it off.
    the.state.bench.power ? null : windingOhms(the, side, value),
  ),
  rule(`(?:transformer )?primary ${NUMBER} ?${VOLTS}?`, (the, volts) => lineSide(the, volts)),
  rule(`(?:line|line side|incoming|supply voltage|disconnect)(?: is| has| reads)? ${NUMBER} ?${VOLTS}?`, (the, volts) =>
    lineSide(the, volts),
  ),
  rule(`(?:transformer )?secondary(?: is| has| reads)? ${NUMBER} ?${VOLTS}?`, (the, volts) => the.voltsAt('transformer', volts)),
  rule(`transformer ${NUMBER} ?${VOLTS}?`, (the, volts) => (Number(volts) > 60 ? lineSide(the, volts) : the.voltsAt('transformer', volts))),
  rule(`(\\S+)(?: coil)? ${NUMBER} ?${VOLTS}`, (the, what, volts) => across(the, what, volts)),
  rule(`(\\S+)(?: coil)? ${NUMBER}`, (the, what, value) =>
    across(the, what, value) === null
      ? null
      : isVoltsOf24(Number(value)) || (the.state.bench.power && Number(value) === 0)
        ? across(the, what, value)
        : { asks: `Is that ${value} V across the ${what}, or ohms? Say "${what} ${value} V"; ohms are read with the power off.` },
  ),
  rule(
    '(.+?) (?:is |has |are )?(?:tripped|popped|open|closed|shut|made|closes|stays closed|stays open|staying open|stuck open|(?:not|never|wont|will not|doesnt|does not|isnt|is not) (?:clos(?:e|es|ing)|mak(?:e|es|ing)|made(?: up)?|closed))',
    (the, what) => {
      const part = partById(the.system, the.part(what) ?? '')
      return part?.kind === 'switch'
        ? {
            asks: `Read the ${part.name}: "${part.id} 26 V" across it with the power on (0 V: closed), or "${part.id} open" with the power off.`,
          }
        : null
    },
  ),
  rule('door(?: switch)?(?: is)? (?:in|out|pushed in|held in|made)', (the) =>
    partById(the.system, the.part('door') ?? '')
      ? { asks: 'Is the panel on, or the switch held by hand? Say "panel on", or read it: "door 0 V" across it with the power on.' }
      : null,
  ),
  asks('(?:it )?(?:works|fixed|good to go|all good|done)', 'Say what ran: "proved cool 3.4 A 26 V", or "close" once all is proved.'),
]

/** What a 24 V part reads across itself when it is fed, loaded or not: assumption. */
const isVoltsOf24 = (value: number): boolean => value >= 18 && value <= 32
