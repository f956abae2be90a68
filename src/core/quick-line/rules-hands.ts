import { bypassedBy } from '@/src/core/bench/caution'
import { askWhichOf, COLOUR, letterOfColour } from '@/src/core/quick-line/colours'
import { allOf, everythingAt, panelOff, pluggable } from '@/src/core/quick-line/hands'
import { either, NUMBER, type Rule, rule, type Said, VOLTS } from '@/src/core/quick-line/rule'
import { leading, type Sentence, worded } from '@/src/core/quick-line/sentence'
import { lineSide, primary } from '@/src/core/quick-line/volts'
import { coilMeant } from '@/src/core/quick-line/which-part'
import { parsePoint } from '@/src/core/wiring/point'
import { callerOf, callsOf, partById, partsOf } from '@/src/core/wiring/system'
import { feedOf } from '@/src/core/wiring/thermostat'

const TAKES_OFF = '(?:took|take|pulled|pull|popped|pop|slid|knocked|unclipped|unsnapped)'

/** The pressure switches of the place where one stands, else all of them. */
function pressuresHere({ system, state }: Sentence) {
  const all = partsOf(system, 'switch').filter(({ role }) => role === 'high-pressure' || role === 'low-pressure')
  const here = all.filter(({ place }) => place === state.bench.place)
  return here.length > 0 ? here : all
}

/** Past all pressure switches of a place in a row: from the first one's near side to the last one's far side. */
function pastPressures(the: Sentence): string | null {
  const row = pressuresHere(the)
  const ends = row.flatMap(({ between }) => between).filter((name, _, names) => names.filter((one) => one === name).length === 1)
  return row.length > 1 && ends.length === 2 ? `jumper ${ends[0]} ${ends[1]} at ${row[0].place}` : null
}

/** Volts on either side of a switch, each against common. */
function bothSides(the: Sentence, what: string, near: string, far: string): string | null {
  const part = partById(the.system, the.part(what) ?? '')
  if (part?.kind !== 'switch') return null
  const [a, b] = part.between
  return `${a}-C ${near} V at ${part.place}; ${b}-C ${far} V at ${part.place}`
}

/** A call made at the unit: the hot side joined to each of its terminals. */
function callJoined(the: Sentence, call: string): string | null {
  const named = callsOf(the.system).find((one) => one === the.call(call))
  const stat = named && callerOf(the.system, named)
  return stat ? (stat.calls[named] ?? []).map((terminal) => `jumper ${feedOf(stat, terminal)} ${terminal}`).join('; ') : null
}

/** Every conductor that is landed where one stands, cable by cable. */
function everythingHere(the: Sentence): string | null {
  const here = the.system.cables.filter(({ between }) => between.includes(the.state.bench.place))
  const lifted = here.flatMap(({ id }) => allOf(the, id) ?? [])
  return lifted.length === 0 ? null : lifted.join('; ')
}

/** The two legs behind the disconnect where one stands. */
function legsHere({ system, state }: Sentence): readonly string[] {
  const disconnect = partsOf(system, 'disconnect').find(({ place, poles }) => place === state.bench.place && poles.length > 1)
  return disconnect?.poles.map(([, after]) => after) ?? []
}

/** What hands did, and what the meter read, as it is told. */
/** Where the thermostat is: the one that is stood before, or the only one. */
function placeOfStat(the: Sentence): string | null {
  const stats = partsOf(the.system, 'thermostat')
  const [one, another] = stats.filter(({ place }) => place === the.state.bench.place)
  return one && !another ? one.place : stats.length === 1 ? stats[0].place : null
}

/** A jumper past a board, from its input to its output; with several outputs it is asked which. */
function pastBoard(the: Sentence, what: string): Said {
  const board = partById(the.system, the.part(what) ?? '')
  if (board?.kind !== 'board') return null
  const ways = board.outputs.filter(({ call }) => !call.includes('-')).map(({ call, to }) => `jumper ${call} ${to} at ${board.place}`)
  const [only, another] = ways
  if (only === undefined) return null
  return another === undefined ? only : { asks: `Which call is jumped past the board? Say ${ways.map((way) => `"${way}"`).join(' or ')}.` }
}

export const handRules: readonly Rule[] = [
  rule('(?:unplugged|unplug|pulled|disconnected)(?: the)? (?:both|all|two) (?:pressure )?(?:switches|safeties|pressures)', (the) => {
    const here = partsOf(the.system, 'switch').filter(({ id, place }) => place === the.state.bench.place && /pressure/.test(id))
    return here.length > 0 ? here.map(({ id }) => `unplug ${id}`).join('; ') : null
  }),
  rule(
    '(?:bypassed|bypass|jumped|jumpered|jump)(?: out)? (?:thermostat|stat|tstat),? ([a-z]\\d?) (?:to|and) ([a-z]\\d?)',
    (the, one, other) => {
      const at = placeOfStat(the)
      return at && the.isLetter(one) && the.isLetter(other) ? `jumper ${the.letter(one)} ${the.letter(other)} at ${at}` : null
    },
  ),
  rule('(?:used?|using) spare (?:for|in place of|instead of) (.+?)(?:,? (?:at )?both ends)?', (the, what) =>
    leading('swap', the.conductor(what)),
  ),
  rule('(?:both|all)(?: the)? (\\S+) (?:wires|conductors|leads)(?: are)? (?:off|lifted|loose|unhooked|disconnected)', (the, cable) =>
    allOf(the, cable),
  ),
  rule(
    '([a-z]\\d?) (?:and|&) ([a-z]\\d?)(?: are)? (?:tied|joined|jumped|jumpered|clipped|twisted|nutted|bridged|tied together|joined together)',
    (the, one, other) => (the.isLetter(one) && the.isLetter(other) ? `jumper ${the.letter(one)} ${the.letter(other)}` : null),
  ),
  rule(
    '([a-z]\\d?)(?: to | and |[-/])([a-z]\\d?) (?:makes|gets|brings|fires|starts|kicks) (?:the )?(.+?)(?: go| going| run| running| on| in| up| come on| come in| kick on| pull in| start)?',
    (the, one, other, what) => {
      const part = partById(the.system, the.part(what) ?? '')
      const does = part?.kind === 'load' ? 'runs' : part?.kind === 'coil' ? 'in' : null
      return part && does && the.isLetter(one) && the.isLetter(other)
        ? `jumper ${the.letter(one)} ${the.letter(other)}; ${part.id} ${does}`
        : null
    },
  ),
  // Joined, and nothing came of it.
  rule(
    'r[ch]?(?: to | and |[-/ ])([ywgob]\\d?),? (?:and |but )?no (blower|fan|compressor|condenser|contactor|inducer|burners?|heat|strips)',
    (the, letter, what) => {
      const part = partById(the.system, the.part(what) ?? '')
      const does = part?.kind === 'load' ? 'still' : part?.kind === 'coil' ? 'out' : null
      return part && does && the.isLetter(letter) ? `jumper R ${the.letter(letter)}; ${part.id} ${does}` : null
    },
  ),
  rule(
    'r[ch]?(?: to | and |[-/ ])([ywgob]\\d?), (?:and |the )?(contactor|relay|blower relay|valve|gas valve|sequencer)(?: is| pulls| pulled)? in',
    (the, letter, what) => (the.part(what) && the.isLetter(letter) ? `jumper R ${the.letter(letter)}; ${the.part(what)} in` : null),
  ),
  rule('(?:jump|jumped|jumper|jumpered) ([ywgob]\\d?)', (the, letter) => (the.isLetter(letter) ? `jumper R ${the.letter(letter)}` : null)),
  rule('(?:pull|unplug|pop|disconnect) (.+?) (?:plug|connector|harness)', (the, what) => leading('unplug', pluggable(the, what))),
  rule('(?:took|pulled|popped|have|got)(?: it)?(?: (?:thermostat|stat))? off wall', (the) => {
    const here = partsOf(the.system, 'thermostat').find(({ place }) => place === the.state.bench.place)
    return leading('unplug', here?.id ?? the.thermostat())
  }),
  rule('(?:put|screwed|hung|snapped)(?: the)? (?:covers?|panels?|doors?) (?:back )?(?:on|back|back on|up)', ({ state: { bench } }) =>
    bench.panelsOff.includes(bench.place) ? `panel ${bench.place} on` : null,
  ),
  rule(
    '(?:took|pulled|removed|take|pull)(?: out)?(?: my)? (?:\\d+ ?(?:a|amp) )?(?:pocket )?breaker(?: back)?(?: out)?',
    ({ state: { bench } }) => (bench.slot.holds === 'breaker' ? 'slot empty' : null),
  ),
  // Hands.
  rule(
    '(?:everything|(?:all|every)(?: of)?(?: the)? (?:wires?|conductors))(?: are| is)? (?:disconnected|unhooked|lifted|taken off)',
    (the) => everythingHere(the),
  ),
  rule('(.+?) plug (?:is )?(?:off|out|pulled)', (the, what) => leading('unplug', pluggable(the, what))),
  rule('(?:jumped|jumpered|jumper|jump)(?: in)? (fan|cool|cooling|heat|heating)', (the, call) => callJoined(the, call)),
  rule('(?:untied|untwisted|undid|unjumped|unjumpered) (?:it|them|those|that)', (the) =>
    the.state.bench.jumpers.length === 1 ? 'jumper out' : null,
  ),
  rule(
    '(?:took|take|taking|pulled|pull|removed|remove)(?: out| off)? (?:bypass|bypasses)(?: (?:back )?(?:out|off))?',
    ({ state, system }) => {
      const around = state.bench.jumpers.filter((jumper) => bypassedBy(system, jumper).length > 0)
      return around.length === 1 ? `jumper out ${around[0].a} ${around[0].b}` : null
    },
  ),
  rule(
    'jumpers? (?:is |are )?(?:off|out|removed|pulled|gone)|(?:pulled|removed|took out|took off|took|pull|remove) (?:jumpers?|jumper wire|clip)(?: off| out)?',
    () => 'jumper out',
  ),
  rule(
    '(?:removed|remove|pulled|pull|took|take|taking)(?: out| off)? ([a-z][a-z]?\\d?)(?: to | and |[ -])([a-z][a-z]?\\d?) (?:jumper|strap|link)(?: (?:back )?(?:out|off))?',
    ({ state: { bench } }, one, other) => {
      const named = [one, other].sort().join()
      const meant = bench.jumpers.filter(
        ({ a, b }) =>
          [a, b]
            .map((end) => parsePoint(end).name.toLowerCase())
            .sort()
            .join() === named,
      )
      return meant.length === 1
        ? `jumper out ${meant[0].a} ${meant[0].b}`
        : {
            asks: `The record has no jumper between ${one.toUpperCase()} and ${other.toUpperCase()}. Put "note" before the line to keep it as a remark.`,
          }
    },
  ),
  rule('(?:removed|remove|pulled|pull|took|take)(?: off)? jumper(?: off| out)? (?:from|between|on|off) .+', () => 'jumper out'),
  rule(
    '(?:took|take|pulled|pull|lifted|lift)(?: off)? (?:all|every)(?: of)?(?: low voltage)? (?:wires?|conductors)(?: off| loose)?(?: (?:off|from|at|of|on) (?:board|strip|terminal strip|terminals?|here))?',
    (the) => everythingHere(the),
  ),
  rule(
    '(?:all|every)(?: of)?(?: the)?(?: low voltage)? (?:wires?|conductors)(?: are| is)? (?:off|pulled|lifted|disconnected|unhooked)(?: (?:of )?(?:board|strip|terminal strip|terminals?|here))?',
    (the) => everythingHere(the),
  ),
  rule(
    '(?:undo|undid|unhooked|loosened|took off|pulled|lifted) (?:both|all|the two)(?: of)?(?: the)? (\\S+) (?:wires|conductors|leads)(?: off)?',
    (the, cable) => allOf(the, cable),
  ),
  rule('(?:connected|hooked|put|tied|twisted|held) (\\S+) (?:and|to) (\\S+) together', (the, a, b) =>
    the.isLetter(a) && the.isLetter(b) ? `jumper ${the.letter(a)} ${the.letter(b)}` : null,
  ),
  rule('(lift|land|lifted|landed|pulled|pull) zone (\\d) (\\S+)(?: wire)?', (the, how, zone, letter) =>
    leading(/^land/.test(how) ? 'land' : 'lift', the.conductor(`zone ${zone} ${letter}`)),
  ),
  rule(
    '(?:lift|lifted|pulled|pull|took|took off|take|unhooked|unhook|disconnected) zone (\\d)(?: stat| thermostat)? (?:wires|cable|conductors)(?: (?:off|loose))?(?: (?:from |at |of |on )?(panel|board|zone panel|zone board|strip))?',
    (the, zone, at) => {
      const place = at && /panel|zone/.test(at) ? the.place('panel') : the.state.bench.place
      return place === null ? null : allOf(the.at(place), `stat-cable-${zone}`)
    },
  ),
  rule(`${TAKES_OFF} (?:thermostat|stat|tstat) off(?: base| subbase| plate| wall| wall plate| its base)*`, (the) =>
    leading('unplug', the.thermostat()),
  ),
  rule(
    '(?:lift|lifted|pulled|pull|took|take|unhooked|unhook|disconnected|disconnect)(?: off)? (?:everything|all|all of it|it all)(?: off)? (?:at|on|in) (.+)',
    (the, where) => everythingAt(the, the.place(where)),
  ),
  rule('(?:pulled|pull|took|take|popped)(?: off)? (?:plugs?|spades|connectors?|leads)(?: off)? (?:off |from |on |at )?(.+)', (the, what) =>
    leading('unplug', pluggable(the, what)),
  ),
  rule(
    '(?:lift|lifted|pulled|pull|took|take|unhooked|unhook|disconnected|disconnect)(?: off)? (?:whole|entire|all|complete) (\\S+) cable(?: (?:off|loose))?(?: (?:at|in|from|on) (.+))?',
    (the, cable, where) => {
      const place = where ? the.place(where) : the.state.bench.place
      return place === null ? null : allOf(the.at(place), cable)
    },
  ),
  // Past a board its call goes from the letter that it watches to the one that it gives.
  rule('(?:jump|jumped|jumper|jumpered|bypass|bypassed)(?: out| past| around| across)? (.*board)', (the, what) => pastBoard(the, what)),
  rule(
    '(?:lift|lifted|pulled|took|take|unhooked|disconnected) (?:everything|all wires|all of it)(?: off| from| on)+ (\\S+) cable',
    (the, cable) => allOf(the, cable),
  ),
  rule(
    '(?:lift|lifted|pulled|pull|took|take|unhooked|unhook|disconnected|disconnect) (\\S+)(?: wire)?(?: off)? (?:at|on|of|in|from|off) (\\S+) cable',
    (the, letter, cable) => leading('lift', the.conductor(`${cable} ${letter}`)),
  ),
  rule(
    '(?:jump|jumped|jumper|jumpered|bypass|bypassed)(?: out| past| around)? (?:both|all|two|high and low)(?: pressure)? ?(?:switches|pressures|safeties|switch)?',
    pastPressures,
  ),
  rule('(?:closed|shut)(?: up)? (?:panel|door|cover)s?', (the) => `panel ${panelOff(the)} on`),
  rule('(?:panel|door|cover)s? (?:is )?back(?: on)?', (the) => `panel ${panelOff(the)} on`),
  rule('(?:panel|door|cover)s? (?:is )?off', (the) => `panel ${the.state.bench.place} off`),
  // Readings.
  rule(`${NUMBER} and ${NUMBER}(?: ?${VOLTS})? (?:on|at) (?:both |two )?legs`, (the, one, other) => {
    const [first, second] = legsHere(the)
    return first && second && `${first}-gnd ${one} V; ${second}-gnd ${other} V`
  }),
  rule(`${NUMBER} ?${VOLTS}? (?:between|across|on) (?:both |two )?legs`, (the, volts) => lineSide(the, volts)),
  rule(`transformer in ${NUMBER} ?${VOLTS}?,? out ${NUMBER} ?${VOLTS}?`, (the, one, other) => {
    const [first, second] = [lineSide(the, one), the.voltsAt('transformer', other)]
    return first && second && `${first}; ${second}`
  }),
  rule('ground fault (?:on|at|in) (\\S+)', (the, letter) =>
    the.isLetter(letter) ? `ohms ${the.letter(letter)}-gnd jumps between 0 and 1` : null,
  ),
  rule(
    '(?:both|all)(?: pressure)? (?:switches|pressures)(?: are| read| reads| check| checked)?(?: out)? (closed|good|shut|ok|open)',
    (the, how) =>
      pressuresHere(the)
        .map(({ id }) => `ohms across ${id} ${how === 'open' ? 'OL' : 'jumps between 0 and 1'}`)
        .join('; '),
  ),
  rule(`${NUMBER} ?${VOLTS}? (?:on |at |to )?both sides(?: of)? (.+)`, (the, volts, what) => bothSides(the, what, volts, volts)),
  rule(
    `${NUMBER} ?${VOLTS}? (?:in|into|going in|on one side)(?: (?:of|on|to|at))? (.+?),? (?:and |but )?(?:${NUMBER}|nothing|none|no)(?: ?${VOLTS})? (?:out|coming out|on other(?: side)?|other side)`,
    (the, near, what, far) => bothSides(the, what, near, far || '0'),
  ),
  rule(
    `(.+?)(?: has| is)? ${NUMBER} ?${VOLTS}? (?:in|on one side),? (?:and |but )?(?:${NUMBER}|nothing|none|no)(?: ?${VOLTS})? (?:out|on other(?: side)?)`,
    (the, what, near, far) => bothSides(the, what, near, far || '0'),
  ),
  rule(`(?:got |have |reads? )?(?:2\\d(?:[.]\\d+)?) ?${VOLTS}`, () => ({ asks: 'Between which points? Say them: "R-C 27.2".' })),
  rule(
    '(?:no|zero|0|nothing)(?: volts?| voltage| power)? (?:on |at |from |out of )?secondary(?: volts?| voltage)?|(?:dead )?secondary(?: is)? (?:dead|0|has nothing)|dead secondary',
    (the) => the.voltsAt('transformer', '0'),
  ),
  rule(
    '(?:no|zero|0|nothing)(?: volts?| voltage| power)? (?:on |at |to )?primary(?: volts?| voltage)?|primary(?: is)? dead|dead primary',
    (the) => primary(the, '0'),
  ),
  rule(`transformer sec(?:ondary)?(?: is| has| reads)? ${NUMBER} ?${VOLTS}?`, (the, volts) => the.voltsAt('transformer', volts)),
  rule(`(?:clamp|clamped|clamping) (\\S+)(?: wire)?(?: at| is| reads| for)? ${NUMBER}(?: ?(?:a|amps?))?`, (the, what, amps) => {
    const letter = the.isLetter(what) ? what : letterOfColour(the, what)
    return letter && `${amps} A on ${the.letter(letter)}`
  }),
  rule(`${NUMBER} ?(?:a|amps?) (?:on|at|around|through) (${COLOUR})`, (the, amps, colour) => {
    const letter = letterOfColour(the, colour)
    return letter === null ? askWhichOf(the, colour) : `${amps} A on ${the.letter(letter)}`
  }),
  rule(
    `(?:pulling |pulls |drawing |draws |carrying )?${NUMBER} ?(?:a|amps?) (?:on|at|around|through) (\\S+)(?: wire| conductor| lead)`,
    (the, amps, colour) => {
      const letter = the.isLetter(colour) ? colour : letterOfColour(the, colour)
      return letter && `${amps} A on ${the.letter(letter)}`
    },
  ),
  rule(`coil (?:ohms|ohmed|reads|measures|measured|checks|tests)(?: out)?(?: at)? ${NUMBER}(?: ?ohms?)?`, (the, ohms) => {
    const coil = coilMeant(the)
    return coil ? `ohms across ${coil} ${ohms}` : { asks: 'Which coil? Say its part: "contactor coil 12 ohms".' }
  }),
  rule('(.+?) (?:is )?(?:de-?energized|unenergized)', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'coil' ? `${part.id} out` : null
  }),
  rule('(.+?) (?:is )?(?:energized|shifted)', (the, what) => {
    if (the.isLetter(what)) return the.voltsAt(what, 'X')?.replace('X V', 'jumps between 20 and 28') ?? null
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'coil' ? either(worded(part.id, 'in')) : null
  }),
]
