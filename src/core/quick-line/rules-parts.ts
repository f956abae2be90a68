import { COLOUR, letterOfColour } from '@/src/core/quick-line/colours'
import { allOf, landAll } from '@/src/core/quick-line/hands'
import { findCable } from '@/src/core/quick-line/names'
import { closedSwitch, openSwitch } from '@/src/core/quick-line/open-switch'
import { NUMBER, type Rule, rule, type Said, VOLTS } from '@/src/core/quick-line/rule'
import { NOTHING_OFF } from '@/src/core/quick-line/rules-put-back'
import { nothingCalls } from '@/src/core/quick-line/sense'
import { leading, loadOf, type Sentence, statHere, worded } from '@/src/core/quick-line/sentence'
import { lineSide, primary } from '@/src/core/quick-line/volts'
import { boardHere } from '@/src/core/quick-line/which-part'
import { SHOWS_CALL } from '@/src/core/readings/looks'
import { conductorEnd, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside } from '@/src/core/wiring/supply'
import { callerOf, callsOf, partById, partsOf, placeById } from '@/src/core/wiring/system'

/** Volts to common before and behind a switch, or into and out of a transformer. */
function inAndOut(the: Sentence, into: string, outOf: string, what: string): string | null {
  const transformer = partsOf(the.system, 'transformer')
  if (/^(?:transformer|xfmr)$/.test(what) && transformer.length === 1) {
    const [{ secondary, place }] = transformer
    return leading('', primary(the, into)) && `${primary(the, into)}; ${secondary[0]}-${secondary[1]} ${outOf} V at ${place}`
  }
  const part = partById(the.system, the.part(what) ?? '')
  if (part?.kind !== 'switch') return null
  const [before, behind] = part.between
  const common = commonBeside(the.system, terminalPoint(before, part.place))
  const name = common && parsePoint(common).name
  return name && `${before}-${name} ${into} V at ${part.place}; ${behind}-${name} ${outOf} V at ${part.place}`
}

const OUTDOORS = /^(?:outdoor unit|outside unit|condenser|condensing unit|compressor|contactor|ac|a\/c)$/

/** The one call, stages aside, that brings on the outdoor unit; null where several do. */
function onlyCallOf({ system }: Sentence, what: string): string | null {
  if (!OUTDOORS.test(what)) return null
  const [call, another] = callsOf(system).filter(
    (one) => !/-/.test(one) && (callerOf(system, one).calls[one] ?? []).some((letter) => /^Y1?$/.test(letter)),
  )
  return call && !another ? call : null
}

/** Two motors, each with what it does. */
const bothLoads = (the: Sentence, one: string, first: string, other: string, second: string): string | null => {
  const [a, b] = [loadOf(the, one), loadOf(the, other)]
  return a && b && a !== b ? `${a} ${first}; ${b} ${second}` : null
}

/** What was moved by this search goes back: jumpers out, wires on their screws, parts plugged in. */
function allBack({ state: { bench } }: Sentence): Said {
  const back = [
    ...bench.jumpers.map(({ a, b }) => `jumper out ${a} ${b}`),
    ...bench.unplugged.map((part) => `plug ${part}`),
    ...bench.lifted.map((end) => `land ${end}`),
  ]
  return back.length === 0 ? { asks: NOTHING_OFF } : back.join('; ')
}

const NOT = '(?:not|isnt|is not|doesnt|does not|wont|will not)'

/** Parts: what goes in and what comes out, what stays open, several at once. */
export const partRules: readonly Rule[] = [
  rule('(.+?)(?: is| was| reads| ohms| checks| stays| stuck)* (?:closed|making|made|proving|proved)', (the, what) =>
    closedSwitch(the, what),
  ),
  rule(
    '(.+?)(?: is| was| reads| ohms| ohmed| checks| meters| stays| stuck)* (open|not making|not made|wont make|not closing|wont close|wont prove|not proving)',
    openSwitch,
  ),
  rule(
    `${NUMBER} ?${VOLTS}? in(?:to)?,? (?:and |but )?(?:${NUMBER}|(?:nothing|none|zero|no volts|no voltage)) ?${VOLTS}? out(?: of| on| at| from)? (.+)`,
    (the, into, out, what) => inAndOut(the, into, out === '' ? '0' : out, what),
  ),
  rule(
    `${NUMBER} ?${VOLTS}? (?:to|into|at|on|in) (transformer|xfmr|.+? switch|limit|rollout),? (?:and |but )?(?:nothing|none|zero|0|no volts|no voltage|no 24)(?: ?v)?(?: coming| comes| going)? out(?: of it)?`,
    (the, into, what) => inAndOut(the, into, '0', what),
  ),
  rule(
    `(?:have |got |getting |reading |reads )?${NUMBER} ?${VOLTS}? (?:across|out of|off|between) (?:transformer )?secondary`,
    (the, volts) => the.voltsAt('transformer', volts),
  ),
  rule(`(?:have |got |getting |reading |reads )?${NUMBER} ?${VOLTS}? (?:across|into|to|on|at) (?:transformer )?primary`, (the, volts) =>
    primary(the, volts),
  ),
  rule(`(?:have |got |getting )?${NUMBER} ?${VOLTS}? (?:to|going to|getting to|reaching) (.+)`, (the, volts, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'coil' && Number(volts) < 60 ? the.voltsAt(what, volts) : null
  }),
  rule(
    `(.+?) (?:is )?(?:runs|running|on|turning),? (?:but |and )?(.+?) (?:is |are |does )?(?:${NOT}|off|dead|still)(?: (?:run|running|turning|on))?`,
    (the, one, other) => bothLoads(the, one, 'runs', other, 'still'),
  ),
  rule('(.+?) and (.+?) (?:are |is |both )*(?:dead|off|still|not running|wont run|wont start|not turning|stopped)', (the, one, other) =>
    bothLoads(the, one, 'still', other, 'still'),
  ),
  rule('(.+?) and (.+?) (?:are |is |both )*(?:run|runs|running|on|turning|come on|came on)', (the, one, other) =>
    bothLoads(the, one, 'runs', other, 'runs'),
  ),
  rule(
    '(.+?) (?:is )?(?:runs|running|comes on|came on|on) (?:on|in|at) (?:low|high|medium|med|low speed|high speed)(?: speed)?',
    (the, what) => worded(loadOf(the, what), 'runs'),
  ),
  rule(
    '(?:lift|lifted|pull|pulled|take|took|disconnect|disconnected|unhook|unhooked)(?: off)? (?:all|everything|all wires)(?: (?:of|for|from|on|to|off))? zone (\\d)(?: wires)?(?: off)?',
    (the, zone) => allOf(the, `stat-cable-${zone}`),
  ),
  rule(
    '(?:land|landed|put|hooked up|reconnect|reconnected)(?: back)? (?:all|everything)(?: (?:of|for|from|on|to))? zone (\\d)(?: wires)?(?: back)?(?: on)?',
    (the, zone) => landAll(the, `stat-cable-${zone}`),
  ),
  rule(
    '(?:put|hooked|landed|plugged|got|have)? ?(?:it all|everything|all of it|all wires|all)(?: (?:is|are|hooked|landed|plugged|put))* back(?: (?:on|up|in|together|how it was|way it was|where it was|like it was|as found|as it was))?|(?:land|landed|reconnect|reconnected) (?:it all|everything|all of it|all wires)',
    (the) => allBack(the),
  ),
  rule(
    '(?:built.?in |reset )?breaker (?:on|at|of|built into) transformer (?:popped|tripped|trips|pops|opened|kicked out|is out)(?: again)?',
    () => 'trips',
  ),
  rule('(?:pushed|pressed|reset|push|hit)(?: in)? (?:reset )?button(?: back)?(?: in)?', () => 'reset'),
  rule(
    '(?:it |breaker |fuse )?(?:only )?(?:trips|tripped|pops|popped|blows|blew)(?: (?:it|again|right|only|fuse|breaker))* (?:second|minute|moment|instant|as soon as|when|whenever|every time|once)(?: (?:i|it|that))? (.+?) (?:kicks|comes|pulls|clicks|turns|goes|is|gets|starts|was|snaps)(?: .*)?',
    (the, what) => {
      const call = nothingCalls(the) ? onlyCallOf(the, what) : null
      return call ? `trips on ${call}` : the.part(what) ? 'trips' : null
    },
  ),
  rule(
    '(?:found )?(?:loose (?:wire|connection|terminal|screw) (?:on|at|under|in)|(?:wire|screw|connection) (?:is |was )?loose (?:on|at|under|in)) (\\S+)',
    (the, name) => (the.isLetter(name) ? `landings ${the.letter(name)} off` : null),
  ),
  rule(
    `(\\S+) in(?: (?:is|has|reads))? ${NUMBER} ?${VOLTS}?,? (?:and |but )?\\1[ -]out(?: (?:is|has|reads))? ${NUMBER} ?${VOLTS}?`,
    (the, name, into, out) =>
      the.isLetter(`${name}-out`) ? `${the.letter(name)}-C ${into} V; ${the.letter(`${name}-out`)}-C ${out} V` : null,
  ),
  rule(
    '(?:nothing|no volts|no voltage|no 24|zero|0)(?: ?v| volts)? (?:out of|coming out of|off|from|on|at) (?:transformer|xfmr)(?: secondary)?',
    (the) => the.voltsAt('transformer', '0'),
  ),
  rule('(.+?) (?:is |was |has )?(?:tripped|popped),? reset it', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'switch' && the.part('rollout') === part.id ? `${part.id} tripped; ${part.id} set` : null
  }),
  rule(
    '(.+?) (?:is |are )?(?:not|isnt|never|wasnt) (?:getting|got|seeing|receiving)(?: any)? (?:power|voltage|volts|24(?: ?v| volts)?|juice)',
    (the, what) => the.voltsAt(what, '0'),
  ),
  rule(
    '(\\S+)(?: wire)? (?:is |was )?(?:not|never|isnt|wasnt) (?:landed|connected|hooked up|attached|on its (?:screw|terminal))(?: (?:at|in|on) (.+))?',
    (the, name, where) => {
      const letter = the.isLetter(name) ? the.letter(name) : letterOfColour(the, name)
      const place = where ? the.place(where) : ''
      return letter !== null && place !== null ? `landings ${letter} off${place ? ` at ${place}` : ''}` : null
    },
  ),
  rule(
    '(?:put|landed|ran|hooked|moved|laid) (\\S+)(?: wire)? (?:straight|direct|directly|right) (?:on|to|onto|into|across to) (.+?)(?: coil)?',
    (the, name, what) => {
      const part = partById(the.system, the.part(what) ?? '')
      return the.isLetter(name) && part?.kind === 'coil' ? `jumper ${the.letter(name)} ${part.between[0]} at ${part.place}` : null
    },
  ),
  rule('zone (\\d) (?:stat|thermostat|tstat|screen|display) (?:is |went |goes )?(?:blank|dead|dark|black|out)', (the, zone) =>
    worded(partById(the.system, `thermostat-${zone}`)?.id ?? null, 'blank'),
  ),
  rule(
    '(?:thermostat|stat|tstat|screen|display) (?:wont|doesnt|will not|does not|never) (?:come on|turn on|light up|power up|wake up|start)',
    (the) => statHere(the, 'blank'),
  ),
  rule('loose (\\S+)(?: wire| conductor)?(?: (?:at|on|in) (.+))?', (the, name, where) => {
    const letter = the.isLetter(name) ? the.letter(name) : letterOfColour(the, name)
    const place = where ? the.place(where) : ''
    return letter !== null && place !== null ? `landings ${letter} off${place ? ` at ${place}` : ''}` : null
  }),
  rule(
    '(?:transformer |xfmr )?(?:secondary|sec)(?: side| winding)? (?:is |was )?(?:dead|0|nothing)|transformer(?: is| was)?(?: completely| totally)? dead',
    (the) => (the.state.bench.power ? the.voltsAt('transformer', '0') : null),
  ),
  rule('(.+?)(?: coil)? (?:is )?not (?:grounded|shorted to (?:ground|chassis|metal)|to ground)', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'coil' || part?.kind === 'switch' ? `ohms ${part.between[0]}-gnd OL at ${part.place}` : null
  }),
  rule('(e|em|emergency|aux|auxiliary) heat (?:works|runs|holds|is fine|is good|ok)', (the, call) =>
    leading('holds on', the.call(/^e/.test(call) ? 'emergency' : call)),
  ),
  rule('(\\S+)(?: is)? cold', (the, name) => (the.isLetter(name) ? the.voltsAt(name, '0') : null)),
  rule(
    `(.+?)(?: coil)?(?: is| reads)? ${NUMBER} ?ohms?,? (?:with )?(?:both )?(?:leads|wires|spades) (?:off|pulled|unplugged|disconnected)`,
    (the, what, ohms) => {
      const part = partById(the.system, the.part(what) ?? '')
      if (part?.kind !== 'coil' && part?.kind !== 'switch') return null
      return `${the.state.bench.unplugged.includes(part.id) ? '' : `unplug ${part.id}; `}ohms across ${part.id} ${ohms}`
    },
  ),
  rule('(?:back )?(?:to|set to|on|in) auto(?: mode)?', () => 'call off'),
  rule(
    '(?:(.+) )?board (?:is )?(?:in|on|still in) (?:its )?(?:time |compressor |anti ?short ?cycle )?(?:delay|timer|time out)',
    (the, which) => worded(which ? the.part(`${which} board`) : boardHere(the), 'flashes'),
  ),
  rule(
    'zone (\\d) (?:stat|thermostat|tstat) (?:shows|says|is calling for|calls for|calling for|is calling|calling)(?: a)?(?: call| call for)?(?: (?:cool|cooling|heat|heating))?',
    (the, zone) => worded(the.part(`zone ${zone} thermostat`), SHOWS_CALL),
  ),
  rule('(?:pulled|ran|run|installed|put in|strung)(?: a| in)? new (.+?)(?: cable| wire| run)?', (the, what) =>
    findCable(the.system, what) ? `repaired ${what} cable, new one run` : null,
  ),
  rule(
    '(?:put in |installed |stuck in )?(?:a )?(?:new |another )?([\\d.]+) ?(?:a|amp|amps)(?: fuse)? (?:installed|in|in place|in slot|fitted|went in)',
    (_, size) => `fuse ${size} in`,
  ),
  rule(`(\\S+) (?:call )?(?:is )?(?:proved|proven|proves) ${NUMBER} ?(?:a|amps?)(?:,? ${NUMBER} ?${VOLTS})?`, (the, call, amps, volts) =>
    leading('proved', the.call(call) && `${the.call(call)} ${amps} A${volts ? ` ${volts} V` : ''}`),
  ),
  rule(
    '(\\S+)(?: wire)? (?:is |was )?(?:broke|broken|broken off|broke off|came off|fell off|hanging)(?: off| loose)?(?: (?:at|in|on) (.+))?',
    (the, name, where) => {
      const place = where ? the.place(where) : ''
      return the.isLetter(name) && place !== null ? `landings ${the.letter(name)} off${place ? ` at ${place}` : ''}` : null
    },
  ),
  rule(
    `(?:amp draw|draw|amps|current) (?:on|in|through|of) (\\S+)(?: circuit| wire| call)?(?: is| reads)? ${NUMBER} ?(?:a|amps?)?`,
    (the, name, amps) => (the.isLetter(name) ? `${amps} A on ${the.letter(name)}` : null),
  ),
  rule(`(?:checked |check )?(?:transformer |xfmr )?${NUMBER} ?${VOLTS}? in,? (?:and )?${NUMBER} ?${VOLTS}? out`, (the, into, outOf) =>
    Number(into) > 90 && Number(outOf) < 60 ? inAndOut(the, into, outOf, 'transformer') : null,
  ),
  rule(
    `(?:both|all) (?:line )?legs (?:have |read |are |show )?${NUMBER} ?${VOLTS}? (?:to|against) (?:ground|gnd|chassis|earth)`,
    (the, volts) => {
      const legs = (placeById(the.system, the.state.bench.place)?.terminals ?? []).filter((name) => /^L\\d/.test(name))
      return legs.length > 1 ? legs.map((leg) => `${leg}-gnd ${volts} V`).join('; ') : null
    },
  ),
  rule('(\\S+) (?:is )?(?:energized|comes on|comes up|gets power|gets hot|energizes)', (the, letter) =>
    the.state.bench.power && the.isLetter(letter) && !/^(?:c|gnd|ground|chassis|metal)/i.test(letter)
      ? (the.voltsAt(letter, 'X')?.replace('X V', 'jumps between 20 and 28') ?? null)
      : null,
  ),
  rule(
    'no (?:240|230|208)(?: ?v| volts)?(?: (?:here|at all|at disconnect|coming in))?',
    (the) => lineSide(the, '240')?.replace('240 V', '0 V') ?? null,
  ),
  rule(
    '(?:panel|board|inline|in-line|low voltage|24 ?v|control|blade|purple|little) fuse (?:is |was |looks |checks )?(good|ok|fine|intact|blown|bad|open|popped|shot)',
    (_, how) => (/^(?:good|ok|fine|intact)$/.test(how) ? 'fuse good' : 'fuse blown'),
  ),
  rule('(?:lost|blew|took out|ate|popped) (?:fuse|breaker)(?: again| too)?', () => 'fuse blown'),
  rule('float(?: switch)? in (?:drain )?pan (?:is )?(up|down|wet|tripped)', (the, how) =>
    worded(the.part('float'), /^(?:down)$/.test(how) ? 'down' : 'up'),
  ),
  rule(
    `(\\S+) (?:coming )?(?:out(?: of)?|off|from|leaving) (?:defrost |control )?board(?: is| has| reads)? (${NUMBER}|nothing|dead|none)(?: ?${VOLTS})?|(${NUMBER}|nothing|none)(?: ?${VOLTS})? (?:coming )?(?:out(?: of)?|off|leaving) (?:defrost |control )?board (?:on|at|for) (\\S+)`,
    (the, one, after, _, before, __, other) => {
      const name = `${one || other}-out`
      const read = after || before
      return the.isLetter(name) ? `${the.letter(name)}-C ${/\d/.test(read) ? read : '0'} V` : null
    },
  ),
  rule(
    '(?:board |defrost board |it )?(?:gives|puts|puts out|sends|sends out|makes|has) (?:no|nothing on|nothing at) (\\S+)(?: out| output)?|(?:no|nothing on) (\\S+) out(?:put)?',
    (the, one, other) => {
      const name = `${one || other}-out`
      return the.isLetter(name) ? `${the.letter(name)}-C 0 V` : null
    },
  ),
  rule(
    `(?:lifted|pulled|took|lift|pull|take|unhooked|disconnected) (?:the )?(${COLOUR})(?: wire| one)? (?:off|from)(?: of)? (\\S+)(?: terminal| screw)?`,
    (the, colour, name) => {
      const { place } = the.state.bench
      const ends = the.system.cables.flatMap((cable) => {
        const side = cable.between.indexOf(place)
        return cable.conductors.flatMap((one) =>
          side >= 0 && one.colour === colour && one.lands[side]?.toLowerCase() === name.toLowerCase()
            ? [conductorEnd(cable.id, one.id, place)]
            : [],
        )
      })
      return ends.length === 1 ? `lift ${ends[0]}` : null
    },
  ),
  rule(
    `(?:weed ?eater|weed ?whacker|trimmer|mower|shovel|fence crew|dog|somebody)(?: has)? (cut|nicked|hit|chewed|skinned)(?: through| into)? (?:cable|wire|wires|run|it)`,
    (the, how) => {
      const [cable, another] = the.system.cables.filter(({ between }) => between.includes(the.state.bench.place))
      return cable && !another ? `${how === 'chewed' ? 'chewed' : 'rubbed'} ${cable.id}` : null
    },
  ),
  rule(
    '(?:stat|thermostat|tstat|display|screen) (?:lost|loses|has lost|drops|dropped|lost its) (?:power|display|its power|screen)',
    (the) => statHere(the, 'blank'),
  ),
  rule('(cool|cooling|heat|heating|ac) (?:came|comes|coming|kicked|kicks|turned|turns|went) on', (the, call) =>
    // What comes on by a jumper, or on a call that is on, is no call of its own.
    !nothingCalls(the) ? the.asNote() : leading('call', the.call(call)),
  ),
]
