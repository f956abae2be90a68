import { letterOfColour } from '@/src/core/quick-line/colours'
import { allOf, swapped } from '@/src/core/quick-line/hands'
import { cableTowards } from '@/src/core/quick-line/meaning'
import { asks, NUMBER, type Rule, rule, type Said } from '@/src/core/quick-line/rule'
import { nothingCalls, runsCompressor } from '@/src/core/quick-line/sense'
import { leading, loadOf, type Sentence, worded } from '@/src/core/quick-line/sentence'
import { sayCall } from '@/src/core/wiring/call'
import { callsOf, placeById } from '@/src/core/wiring/system'

const _STAT = '(?:thermostat|stat|tstat|t-stat|screen|display)s?'
const TRIPS = '(?:trips|tripped|tripping|pops|popped|blows|blew|kicks out|kicked out)'

/** What a letter does to the breaker, in a list of them. */
const DID = '(?:holds|is ok|ok|is fine|fine|trips|pops|doesnt(?: trip)?|does not(?: trip)?)(?: it)?'

const isAtStat = ({ system, state }: Sentence): boolean => placeById(system, state.bench.place)?.kind === 'thermostat'

/** A call that is made or tried by its stage: second stage heat, heat stage 2. */
const staged = (the: Sentence, stage: string, mode: string): string | null =>
  leading('call', the.call(/^(?:2|second|2nd)/.test(stage) ? `${/^h/.test(mode) ? 'heat' : 'cool'}-2` : /^h/.test(mode) ? 'heat' : 'cool'))

/** The second source of heat by its name, where the house has it as a call. */
function stageOrAsk(the: Sentence, said: string): Said {
  const named = the.call(/^em\b/.test(said) ? 'emergency' : said)
  if (named !== null) return `call ${named}`
  // A house without a heat pump has its strips on heat.
  const isOther = /^(?:em|aux|backup|strip)/.test(said) && !callsOf(the.system).some((one) => one === 'emergency' || one === 'heat-2')
  if (isOther && the.call('heat')) return `call ${the.call('heat')}`
  const calls = callsOf(the.system).map((one) => sayCall[one])
  return { asks: `This house has no such call. It has ${calls.join(', ')}.` }
}

/** It trips as the compressor is to start: on the call that is on, else on the one that runs it. */
function tripsAtStart(the: Sentence): Said {
  if (!nothingCalls(the)) return 'trips'
  const [call, another] = callsOf(the.system).filter((one) => !/-/.test(one) && runsCompressor(the, one))
  if (call === undefined) return null
  return another ? { asks: `On which call? Say "trips on ${call}" or "trips on ${another}".` } : `call ${call}; trips`
}

/** What happened, and what was seen, in the words in which it is told on the phone. Asked first: they say more than their single words. */
export const toldRules: readonly Rule[] = [
  rule(
    `(?:it |breaker |fuse )?(?:it )?${TRIPS}(?: right| just| instantly)?,? (?:when|as|once|as soon as|second|instant|moment) (?:contactor|condenser|compressor|outdoor unit|outside unit|heat pump) (?:tries to |should |is supposed to |goes to |is about to )?(?:pulls?|pulled|comes?|came|starts?|started|kicks?|kicked|runs?|energizes?)(?: in| on| up)?`,
    tripsAtStart,
  ),
  rule(
    '(holds|trips)(?: fine)? (?:on|with|in) (?:everything|all calls|all|every call|any call) (?:but|except|besides) (\\S+)',
    (the, word, but) => {
      const odd = the.call(but)
      const others = ['fan', 'cool', 'heat'].flatMap((one) => the.call(one) ?? []).filter((one) => one !== odd)
      const opposite = word === 'holds' ? 'trips' : 'holds'
      return odd && [...others.map((one) => `${word} on ${one}`), `${opposite} on ${odd}`].join('; ')
    },
  ),
  rule('zone (\\d)(?: stat| thermostat)?(?: is)? (?:set|calling|calls|called|turned|switched)(?: for| to| on)? (.+)', (the, zone, call) =>
    leading('call', the.call(`zone ${zone} ${call}`)),
  ),
  rule(
    `(?:draws?|drawing|pulls?|pulling|takes?) ${NUMBER}(?: ?(?:a|amps?))? (?:on|in|with) (\\S+),? (?:and )?${NUMBER}(?: ?(?:a|amps?))? (?:on|in|with) (\\S+)`,
    (the, amps, call, more, other) => {
      const [one, two] = [the.call(call), the.call(other)]
      return one && two && `call ${one}; ${amps} A on R; call ${two}; ${more} A on R`
    },
  ),
  rule(
    `(?:amps? (?:was |were |at )?(?=[\\d.]+ ))?${NUMBER} ?(?:a|amps?)?(?: on r| draw)? (?:right |just )?(?:when|before|as) it ${TRIPS}(?: out)?`,
    (_, amps) => `max ${amps} A on R; trips`,
  ),
  rule(
    '(cool|cooling|heat|heating|fan) (?:ran|running|has run|has been running)(?: for)? (\\d+) (?:min|mins|minutes),? ([\\d.]+ ?(?:a|amps?)),? (?:and )?([\\d.]+) ?(?:v|volts?)',
    (the, call, _, amps, volts) => {
      const named = the.call(call)
      return named === null
        ? null
        : the.state.repairs.length === 0
          ? the.asNote()
          : `proved ${named} ${amps.replace(/ ?amps?$/, 'A')} ${volts} V`
    },
  ),
  rule(
    '(?:swapped|changed|replaced|put|traded)(?: out)?(?: in)? (?:(?:fuse |it )?(?:with|for|to)(?: an?)? )?(?:new )?(\\d{1,2}) ?(?:a|amps?)(?: (fuse|breaker|one))?(?: in)?',
    (_, size, what) => `${what === 'breaker' ? 'breaker' : 'fuse'} ${size} in`,
  ),
  rule('(?:turned|switched|shut|set) (?:everything|it all|it) (?:to )?off (?:at|on) (?:thermostat|stat|tstat)', () => 'call off'),
  asks('.*\\d+ ?(?:v|volts?)? on (?:one|1) leg.*', 'Which leg is which? Say each against ground: "L1-gnd 120; L2-gnd 0".'),
  rule('breaker (?:just )?(?:went|let go|opened)(?: again)?', () => 'trips'),
  rule(
    'proved (?:second|2nd|high) stage (cool|heat)(?:ing)?( .*)?|proved (cool|heat)(?:ing)? (?:second|2nd|high) stage( .*)?',
    (_, one, rest, other, more) => `proved ${one || other}-2${rest || more}`,
  ),
  rule(
    '(?:blew|popped|burned|went through|ate|cooked) (?:up )?(?:\\d+|two|three|four|several|couple|few|bunch)(?: more)? (?:fuses|breakers|transformers)(?: .*)?',
    (the) => the.asComplaint(),
  ),
  rule(
    `(?:it )?(?:holds|held)(?: fine)? (?:until|till|til)(?: i| you)? (?:land|landed|put|connect|connected|hook up|hooked up|touch|touched) (.+?)(?: back)?(?: on| up)?`,
    (the, what) => leading('holds; land', the.conductor(what) && `${the.conductor(what)}; trips`),
  ),
  rule(
    '(?:it |breaker |fuse )?(?:holds|held)(?: fine| good)? (?:until|till|til)(?: the)? (.+?)(?: call)? (?:kicks|comes|came|pulls|pulled|starts|started|clicks|is|was|gets|goes|went|turns|runs|calls|energizes)(?: .*)?',
    (the, what) => {
      const call = the.call(what)
      return call ? `trips on ${call}` : the.part(what) ? 'trips' : null
    },
  ),
  rule(
    `(?:it |breaker |fuse )?${TRIPS}(?: it)?(?: right)? (?:instant|second|moment|minute|when|as soon as|once)(?: i)? (?:land|landed|connect|connected) (.+?)(?: back)?(?: on)?|(?:it |breaker |fuse )?${TRIPS}(?: it)?(?: right)? (?:the )?(?:instant|second|moment|minute|when|as soon as|once) (.+?) (?:goes|went|is put|is|gets|lands|touches) (?:back )?(?:on|landed)`,
    (the, one, other) => leading('land', the.conductor(one || other) && `${the.conductor(one || other)}; trips`),
  ),
  rule(
    '(?:used|using|use) (.+?) (?:wire )?(?:for|as|in place(?: of)?|instead(?: of)?) (\\S+)(?: wire)?(?: (?:at|on) both ends)?(?: now| instead)?(?: only)?(?: (between .+ and .+|from .+ to .+))?',
    (the, spare, what, section) => {
      const letter = the.isLetter(what) ? what : letterOfColour(the, what)
      const swap = letter === null ? null : swapped(the, letter.toLowerCase(), spare)
      return typeof swap === 'string' && section ? `${swap} ${section}` : swap
    },
  ),
  rule('(?:thermostat|stat|tstat) (?:base|sub ?base|wall plate|plate)(?: is)? (?:pulled|off|removed|hanging)(?: off)?(?: .*)?', (the) =>
    leading('unplug', the.thermostat()),
  ),
  rule('(\\S+) (?:to|and) (ground|gnd|chassis|metal|cabinet) (?:is |reads? )?(?:nothing|clear|no reading|none)', (the, letter, ground) =>
    !the.state.bench.power && the.isLetter(letter) ? `${the.letter(letter)}-${ground} OL` : null,
  ),
  rule(
    `(?:amps? |draw |current )(?:climbs?|climbed|goes up|went up|rises?|rose|jumps?|jumped|shoots?|spikes?|spiked)(?: up)? to ${NUMBER} ?(?:a|amps?)?`,
    (_, amps) => `max ${amps} A on R`,
  ),
  rule(
    `(?:amp |amps |current )?(?:draw|amps|current) (?:on|of|in) (?:24(?: ?v)?|low voltage|control|secondary|low) ?(?:side|circuit|leg)? (?:is |reads )?${NUMBER} ?(?:a|amps?)?`,
    (_, amps) => `${amps} A on R`,
  ),
  rule(
    `(?:amps? |draw |current |it )?(?:climbs?|climbed|goes up|went up|rises?|rose|jumps?|jumped|shoots?|spikes?|spiked)(?: up)? to ${NUMBER} ?(?:a|amps?)?(?: and| then| before| when)*(?: then)?(?: it)? (?:trips|tripped|pops|popped|blows|blew)(?: it)?`,
    (_, amps) => `max ${amps} A on R; trips`,
  ),
  rule(
    '(?:.*\\b(?:but|and) )?(?:the )?fan (?:motor )?(?:isnt|is not|is off|doesnt|does not|wont|not|runs|running|is running|spins|spinning|is on|comes on)(?: .*)?',
    (the) => (placeById(the.system, the.state.bench.place)?.kind === 'outdoor' && the.part('fan') === null ? the.asNote() : null),
  ),
  rule('.*\\b(?:(?:cond|condenser|outdoor|outside) fan|fan (?:outside|outdoors|out there))\\b.*', (the) =>
    the.part('outdoor fan') === null ? the.asNote() : null,
  ),
  rule(
    `(?:it |fuse |breaker )?(?:${TRIPS}|let go|went)(?: (?:it|again|right))* (?:when|as soon as|once|second|minute|moment|every time|whenever) (?:thermostat|stat|tstat|it|i|we) (?:calls|called|call|goes|went|asks|asked|tries|tried)(?: for| to| into| on)* (\\S+)`,
    (the, call) => leading('trips on', the.call(call)),
  ),
  rule(
    '(?:lift|lifted|pulled|pull|took|take|disconnected|disconnect|unhooked)(?: off)? (?:everything|cable|both wires|wires|all wires|pair|low voltage)(?: cable| wires)? (?:going (?:out )?(?:to )?|that goes? (?:out )?(?:to )?|to |from )(.+)',
    (the, where) => {
      const cable = cableTowards(the, where)
      return cable && allOf(the, cable)
    },
  ),
  rule('(?:thermostat|stat|it)(?: is)? (?:in|to|on|set to|turned to|at) off', () => 'call off'),
  // Where the system switch is.
  rule('system(?: is| switch)?(?: set)?(?: to)? off', (the) =>
    placeById(the.system, the.state.bench.place)?.kind === 'thermostat' ? 'call off' : null,
  ),
  rule('(?:turned |switched |put |set )?fan (?:switch )?(?:to )?on at (?:stat|thermostat|wall|tstat)', () => 'call fan'),
  rule(
    '(.+?) (?:is )?(off|dead|down|not running|still|runs|running|on) (?:on|with|in) (?:a )?(cool|cooling|heat|heating|fan)(?: call| mode)',
    (the, where, how, call) => {
      const [place, named] = [the.place(where), the.call(call)]
      return place && named ? `call ${named}; ${place} ${/^(?:runs|running|on)$/.test(how) ? 'as called' : 'not as called'}` : null
    },
  ),
  rule(
    '(\\S+)(?: spare| wire)? (?:is )?(?:now )?(?:doing|serving|used for|carrying|takes over for|took over for|fills in for|stands in for) (\\S+)',
    (the, spare, what) => (the.isLetter(what) ? swapped(the, what, spare) : null),
  ),
  rule('(?:panel|door|cover) back on (.+)', (the, where) => leading('panel', the.place(where) && `${the.place(where)} on`)),
  rule('(?:it |breaker |fuse )?(?:is )?(?:holds|held|holding|stayed in|stays in|staying in)(?: so far| fine| up| in)?', () => 'holds'),
  rule('went through (?:\\d+|two|three|several|couple) fuses(?: .*)?', (the) => the.asNote()),
  rule(
    `(?:it |breaker |fuse )?(?:${TRIPS}|holds?|held)(?: out)?(?: it)?(?: \\d+ ?(?:a|amps?)(?: fuse)?)? (?:immediately |instantly |right away |every time )?(?:on|with|as soon as|when|once) ([ywgob]\\d?)(?: only| call| was energized| is energized| got energized| got hot| was hot| has power)?`,
    (the, letter) => {
      const does = the.says(/\bh(?:o|e)ld/i) ? 'holds' : 'trips'
      const call = letter === 'g' ? 'fan' : 'cool'
      return {
        asks: `Is that the call, or ${the.letter(letter)} joined to R at the unit? Say "${does} on ${call}", or "jumper R ${the.letter(letter)}; ${does}".`,
      }
    },
  ),
  asks(
    `(?:one by one:? )?[ywgob]\\d? ${DID}(?:,? (?:and |but )?[ywgob]\\d? ${DID})+`,
    'Joined to R, or put back on its screw? Say each: "jumper R Y; holds; jumper R O; trips", or "land Y; holds; land O; trips".',
  ),
  rule(
    `(?:it )?(?:peaked|peaks|hit|got|went|pulled|drew)(?: up)?(?: at| to)? ${NUMBER} ?(?:a|amps?)(?:,? (and|before|then|and then)(?: it)? ${TRIPS})?`,
    (_, amps, trips) => `${trips ? 'trips; ' : ''}max ${amps} A on R`,
  ),
  rule(
    '(cool|cooling|heat|heating|fan|aux) and (cool|cooling|heat|heating|fan|aux)(?: calls?)? (?:both )?(?:work|works|run|runs|hold|holds|are|is)(?: both)?(?: fine| ok| good)?',
    (the, one, other) => {
      const [a, b] = [the.call(one), the.call(other)]
      return a && b && `holds on ${a}; holds on ${b}`
    },
  ),
  rule(`(?:ok|okay|fine|good|runs) on (\\S+) and (\\S+)`, (the, one, other) => {
    const [a, b] = [the.call(one), the.call(other)]
    return a && b && `holds on ${a}; holds on ${b}`
  }),
  rule(
    `(heat|cool|fan|heating|cooling) (?:is |was )?(?:fine|ok|good|holds),? (?:and |but )?(heat|cool|fan|heating|cooling) (?:kills it|trips it|trips|blows it|pops it|takes it out|doesnt)`,
    (the, one, other) => {
      const [a, b] = [the.call(one), the.call(other)]
      return a && b && `holds on ${a}; trips on ${b}`
    },
  ),
  rule(
    `(?:it |breaker |fuse )?${TRIPS}(?: out)? (?:after|in|within) (?:about )?(\\d+) ?(s|sec|secs|seconds?|min|mins|minutes?) (?:on|into|in|with) (\\S+)(?: call)?`,
    (the, seconds, unit, call) => leading('trips on', the.call(call) && `${the.call(call)} after ${seconds} ${unit}`),
  ),
  rule(
    `(?:it |breaker |fuse )?${TRIPS} on (\\S+)(?: call)? (?:after|in|within) (?:about )?(\\d+) ?(s|sec|secs|seconds?|min|mins|minutes?)`,
    (the, call, seconds, unit) => leading('trips on', the.call(call) && `${the.call(call)} after ${seconds} ${unit}`),
  ),
  rule(`(\\S+) call (?:still )?(?:${TRIPS}|trips|blows|pops)(?: it| fuse| breaker)?`, (the, call) => leading('trips on', the.call(call))),
  rule('(\\S+) call (?:still )?(?:holds|held|is fine|fine|ok)(?: fine)?', (the, call) => leading('holds on', the.call(call))),
  rule('(?:scratch|strike|undo|cancel) (?:that|last|it|last one)|oops(?: undo)?|never ?mind|take that back', () => 'undo'),
  rule('(?:breaker )(?:popped|kicked|jumped|came) out', () => 'trips'),
  rule('(?:power (?:is )?restored|restored (?:all )?power)', () => 'power on'),
  rule('(?:heading|headed|going|walking|walked|went) out', (the) => leading('walk', the.place('outside'))),
  // A relay came in, too.
  rule(
    '(?:(?:coming|heading|headed|going|walking|walked) (?:back )?|(?:came|went) back )in|(?:coming|heading|headed|going|came|went|walking|walked) (?:back )?(?:inside|indoors)',
    (the) => leading('walk', the.place('inside')),
  ),
  rule('checked for dead(?:[ ,].*)?', (the) => the.asNote()),
  rule('(?:opened|opened up) (.+)', (the, what) => leading('panel', leading('', the.place(what) && `${the.place(what)} off`))),
  rule(
    '(zone \\d )?(cool|cooling|heat|heating|fan) (?:call )?(?:proven|proved)|(?:proven|proved) (cool|heat|fan)(?:ing)? (zone \\d)',
    (the, zone, call, other, ofZone) => leading('proved', the.call(`${zone || (ofZone ? `${ofZone} ` : '')}${call || other}`)),
  ),
  asks('(?:it )?chatters(?: without (?:tripping|trip))?', 'What chatters? Say "contactor chatters", or "thermostat chatters".'),
  rule('(?:it )?(?:is )?satisfied(?: now)?', (the) => (isAtStat(the) ? 'call off' : null)),
  rule(
    `(?:turned|set|cranked|ran|pushed|dropped|bumped)(?: it| stat| thermostat| setpoint)?(?: all way)? (?:up|down) to \\d+(?: degrees)?,? (?:in |to |on |and )?(cool|cooling|heat|heating)`,
    (the, call) => leading('call', the.call(call)),
  ),
  rule('fuse(?: is)?,? \\d+ ?(?:a|amps?),? (?:and )?(good|fine|ok|blown|popped|open)', (_, how) =>
    /^(?:good|fine|ok)$/.test(how) ? 'fuse good' : 'fuse blown',
  ),
  rule(`(?:it |breaker |fuse )?${TRIPS} (?:on|in|with) (\\S+),? (?:but |and )?not (?:on |in |with )?(\\S+)`, (the, one, other) => {
    const [trips, holds] = [the.call(one), the.call(other)]
    return trips && holds && `trips on ${trips}; holds on ${holds}`
  }),
  rule('(?:reset|pushed|pressed)(?: in)? (?:transformer |board |pocket |built-in )?breaker(?: button)?(?: back)?(?: in)?', () => 'reset'),
  // Switches that show what they do.
  rule(
    'float(?: switch)?(?: is| was| has)? (?:up|tripped|popped|kicked|high|floating|full|under water|in water)(?: up| (?:of )?water)?',
    (the) => worded(the.part('float'), 'up'),
  ),
  rule('float(?: switch)?(?: is| was|s)? (?:back )?(?:(?:to )?normal|down|dry|low|not tripped|fine|ok)(?: again| now)*', (the) =>
    worded(the.part('float'), 'down'),
  ),
  rule('tripped (?:out )?roll-?out(?: switch)?', (the) => worded(the.part('rollout'), 'tripped')),
  rule('roll-?out(?: switch| button)?(?: is| was| has)? (?:tripped|popped)(?: out)?', (the) => worded(the.part('rollout'), 'tripped')),
  rule('roll-?out(?: switch| button)?(?: is| was)? (?:set|not tripped|fine|ok)', (the) => worded(the.part('rollout'), 'set')),
  // Thermostat.
  rule(
    '(?:put|set|switched|turned|flipped)(?: it| thermostat)?(?: in| into| to| over to)? (cool|cooling|heat|heating|fan)(?: mode)?',
    (the, call) => leading('call', the.call(call)),
  ),
  rule(
    '(?:put|set|switched|turned|flipped)(?: it| thermostat)?(?: in| into| to| over to)? ((?:emergency|em|aux|auxiliary)(?: heat)?)',
    stageOrAsk,
  ),
  rule('(cool|cooling|heat|heating|fan) call(?: is)? in', (the, call) => leading('call', the.call(call))),
  rule('(?:set|put|turned|switched) fan (?:switch )?(?:to )?on', () => 'call fan'),
  // With the fan on auto it runs with the calls: a call that stands stays.
  rule('fan (?:is )?(?:back )?(?:to |on |in )?auto', (the) => (['fan', 'off'].includes(the.state.bench.call) ? 'call off' : the.asNote())),
  rule('(?:everything|all)(?: is)? off (?:at|on) (?:thermostat|stat|tstat)|thermostat (?:all )?off and .*', () => 'call off'),
  rule(
    '(?:call|calling|called|set|turn|turned|run|running)?(?: it)?(?: for| to| on)? ?(second|2nd|first|1st) stage(?: of)? (heat|heating|cool|cooling)',
    staged,
  ),
  rule(
    '(?:call|calling|called|set|turn|turned|run|running)?(?: it)?(?: for| to| on)? ?stage (1|2|one|two)(?: of)? (heat|heating|cool|cooling)',
    (the, stage, mode) => staged(the, /^(?:2|two)$/.test(stage) ? '2' : '1', mode),
  ),
  rule(
    '(?:call|calling|called|set|turn|turned|run|running)?(?: it)?(?: for| to| on)? ?(heat|heating|cool|cooling) (?:stage )?(2|two)',
    (the, mode) => staged(the, '2', mode),
  ),
  rule('(?:call |calling |set to )?(aux|auxiliary|emergency|em|strips)(?: heat)?(?: is)?(?: on)?', (the, call) => {
    return loadOf(the, call) ? null : stageOrAsk(the, call)
  }),
  rule('(heat|heating|cool|cooling|fan) call(?: on)?', (the, call) => leading('call', the.call(call))),
  rule(
    '(cool|cooling|heat|heating|fan) (?:ran|running|has run|has been running)(?: for)? (\\d+) (?:min|mins|minutes)(?: .*)?',
    (the, call) => {
      const named = the.call(call)
      return named === null ? null : the.state.repairs.length === 0 ? the.asNote() : `proved ${named}`
    },
  ),
]
