import { asks, NUMBER, type Rule, rule, VOLTS } from '@/src/core/quick-line/rule'
import { WHICH_SWITCH } from '@/src/core/quick-line/rules'
import { leading, type Sentence, worded } from '@/src/core/quick-line/sentence'
import { lineSide, neutralAt, primary, windingOhms } from '@/src/core/quick-line/volts'
import { coilMeant } from '@/src/core/quick-line/which-part'
import type { PlaceId } from '@/src/core/wiring/ids'
import { partById, partsOf, type System } from '@/src/core/wiring/system'

const NOTHING = '(?:nothing|none|0|zero|no volts|no voltage|no power)'
const SAGS = '(?:drops?|dropped|sags?|sagged|falls?|fell|goes|went|dips?|dipped|pulls? down|pulled down)'

/** Volts on either side of a switch, each against the common at its place: what comes in, what goes out. */
function through(the: Sentence, what: string, into: string, out: string): string | null {
  const part = partById(the.system, the.part(what) ?? '')
  if (part?.kind !== 'switch') return null
  const [near, far] = part.between
  return `${near}-C ${into} V at ${part.place}; ${far}-C ${out} V at ${part.place}`
}

const zeroOr = (said: string): string => (/^\d|^\./.test(said) ? said : '0')

/** A switch or a coil by itself: open, closed or shorted, or so many ohms. */
function acrossPart({ system }: Sentence, id: string | null, said: string): string | null {
  const part = partById(system, id ?? '')
  if (part?.kind !== 'switch' && part?.kind !== 'coil') return null
  if (/^(?:closed|shut|shorted|good|made)$/.test(said))
    return part.kind === 'switch' || said === 'shorted' ? `ohms across ${part.id} jumps between 0 and 1` : null
  return `ohms across ${part.id} ${/^(?:open|ol|infinite|bad)$/.test(said) ? 'OL' : said}`
}

/** The legs of the supply that feeds the one transformer, at its place. */
function legOf(system: System): { hot: string; place: PlaceId; hasNeutral: boolean } | null {
  const [transformer, another] = partsOf(system, 'transformer')
  if (!transformer || another) return null
  const neutrals = partsOf(system, 'supply').map(({ neutral }) => neutral)
  return { hot: transformer.primary[0], place: transformer.place, hasNeutral: neutrals.includes(transformer.primary[1]) }
}

/** The light of a board, as it is told of the one that is meant. */
function boardLight(the: Sentence, which: string, how: string): string | null {
  const boards = partsOf(the.system, 'board').filter(
    ({ id, name }) => which === 'control' || which === 'main' || `${id} ${name}`.includes(which),
  )
  const word = /^(?:steady|solid|on|lit)$/.test(how) ? 'steady' : /^(?:off|out|dark|dead)$/.test(how) ? 'dark' : 'flashes'
  // A board that has no outputs in this record has no light of its own in it.
  return boards.length === 1 ? worded(boards[0].id, word) : partsOf(the.system, 'board').length === 0 ? the.asNote() : null
}

/** Readings as a circuit is followed along: into this and out of that, before a call and after it, from the line to the load. */
export const followedRules: readonly Rule[] = [
  // Line voltage that a board switches to a motor is not its 24 V side, and not a call.
  asks(
    '.*\\bboard (?:output |out )to (?:outdoor |outside )?(?:fan|motor|compressor|blower)\\b.*',
    'Read line voltage at the motor itself: "blower 0 V". Put "note" before it to keep it as a remark.',
  ),
  rule(
    `(?:(control|main|defrost|zone|panel|ignition) )?board (?:has|shows|got|with) no (?:lights?|leds?|power light)(?: on| lit| at all)*|no (?:lights?|leds?) (?:on|at|lit on) (?:(control|main|defrost|zone|panel|ignition) )?board`,
    (the, one, other) => boardLight(the, one || other || 'main', 'dark') ?? the.asNote(),
  ),
  rule(
    `${NUMBER} ?(?:a|amps?) (?:through|at|on|across) fuse|amps (?:on|at|through) (?:r|fuse) ${NUMBER}|(?:amp )?clamp (?:says|reads|shows) ${NUMBER} (?:on|around) (?:r|red|red wire)`,
    (_, one, two, three) => `${one || two || three} A on R`,
  ),
  rule(`(?:hot|r) to common ${NUMBER} ?${VOLTS}?`, (the, volts) => the.voltsAt(the.state.bench.place, volts)),
  rule(`${NUMBER} ?${VOLTS}? on line,?(?: and)? ${NUMBER} ?${VOLTS}? on (?:load|secondary|low side)`, (the, into, out) => {
    const [line, secondary] = [lineSide(the, into), the.voltsAt('transformer', out)]
    return line && secondary && `${line}; ${secondary}`
  }),
  rule(
    `(?:transformer (?:has |gets |reads |is )?)?${NUMBER} ?${VOLTS}? in,? (?:and |but )?(?:(\\d*[.]?\\d+) ?${VOLTS}?|${NOTHING}) out(?: of transformer)?`,
    (the, into, out) => {
      const [line, secondary] = [Number(into) > 60 ? lineSide(the, into) : null, the.voltsAt('transformer', zeroOr(out))]
      return line && secondary && `${line}; ${secondary}`
    },
  ),
  rule(
    `(?:transformer )?primary(?: is| has)? ${NUMBER} ?${VOLTS}?,?(?: and| but)? secondary(?: is| has)? (?:${NUMBER} ?${VOLTS}?|${NOTHING})`,
    (the, into, out) => {
      const [line, secondary] = [lineSide(the, into), the.voltsAt('transformer', zeroOr(out))]
      return line && secondary && `${line}; ${secondary}`
    },
  ),
  rule(`(?:transformer )?secondary(?: is)? (?:dead|0|nothing),? (?:and |but )?primary (?:is )?${NUMBER} ?${VOLTS}?`, (the, into) => {
    const [line, secondary] = [lineSide(the, into), the.voltsAt('transformer', '0')]
    return line && secondary && `${line}; ${secondary}`
  }),
  rule(`${NUMBER} ?(?:a|amps?) (?:running|steady|with .+ running)`, (_, amps) => `${amps} A on R`),
  asks(
    '(?:flipped|threw|hit|turned)(?: off)? (?:furnace |unit |service )?(?:switch|disconnect|breaker)(?: (?:off|down))?|unplugged (?:furnace|unit|air handler)',
    WHICH_SWITCH,
  ),
  rule(
    'power (?:is )?off at (?:switch|breaker|panel|breaker panel|furnace switch|furnace|air handler|indoor|indoor unit|unit)',
    () => 'power off',
  ),
  // In and out.
  rule(
    `(.+?) (?:has |gets |shows )?${NUMBER} ?${VOLTS}? in(?:to it)?,? (?:and |but )?(?:(\\d*[.]?\\d+) ?${VOLTS}?|${NOTHING}) (?:coming |going )?out(?: of it)?`,
    (the, what, into, out) => through(the, what, into, zeroOr(out)),
  ),
  rule(
    `${NUMBER} ?${VOLTS}? (?:going |coming |goes |comes )?(?:into|in to|in) (.+?),? (?:and |but )?(?:(\\d*[.]?\\d+) ?${VOLTS}?|${NOTHING}) (?:coming |going |comes )?out(?: of it)?`,
    (the, into, what, out) => through(the, what, into, zeroOr(out)),
  ),
  rule(`${NUMBER} ?${VOLTS}? (?:on|at) (?:both|either) (?:sides?|ends?)(?: of)? (.+)`, (the, volts, what) =>
    through(the, what, volts, volts),
  ),
  rule(
    `(?:got |have )?(${NOTHING}|\\d*[.]?\\d+) ?${VOLTS}? (past|after|beyond|downstream of|before|ahead of|upstream of) (.+)`,
    (the, volts, where, what) => {
      const part = partById(the.system, the.part(what) ?? '')
      if (part?.kind !== 'switch') return null
      const node = part.between[/^(?:before|ahead|upstream)/.test(where) ? 0 : 1]
      // On the line side it is read to the neutral.
      return `${node}-${/^L\d/.test(node) ? 'N' : the.commonOf(node, part.place)} ${zeroOr(volts)} V at ${part.place}`
    },
  ),
  // Before and after a call.
  rule(
    `(\\S+?)(?: to | and | ?- ?| )(\\S+) ${SAGS}(?: down)? to ${NUMBER} ?${VOLTS}?(?: (?:when|with|on|once|during|if|as soon as)(?: i| we| it)?(?: calls?| called| calling)?(?: for)? ?(\\S+)(?: (?:is called|call|calls|comes on|is on|kicks on))?)?`,
    (the, a, b, volts, call) => {
      if (!the.isLetter(a) || !the.isLetter(b)) return null
      const called = call ? the.call(call) : null
      return call && called === null ? null : `${called ? `call ${called}; ` : ''}${the.letter(a)}-${the.letter(b)} ${volts} V`
    },
  ),
  rule(
    `(24|25|26|27|28) ?${VOLTS}? ${SAGS}(?: down)? to ${NUMBER} ?${VOLTS}?(?: (?:when|with|on|once|during|if|as soon as)(?: i| we| it)?(?: calls?| called| calling)?(?: for)? ?(\\S+)(?: (?:is called|call|calls|comes on|is on|kicks on))?)?`,
    (the, first, volts, call) => {
      const called = call ? the.call(call) : null
      const { place } = the.state.bench
      const read = the.voltsAt(place, volts)
      // What it was is read with nothing called.
      const before = called && the.state.bench.call === 'off' ? `${the.voltsAt(place, first)}; ` : ''
      return read && !(call && called === null) ? `${before}${called ? `call ${called}; ` : ''}${read}` : null
    },
  ),
  // A part by itself.
  rule(
    `(?:ohm|ohms|ohmed|check|checked|meter|metered|test|tested)(?: out)? (.+?)[:,]? (?:${NUMBER}(?: ?ohms?)?|(open|ol|closed|shorted|infinite|good))`,
    (the, what, ohms, word) => (/^\w{1,2}-|\bto\b/.test(what) ? null : acrossPart(the, the.part(what), ohms || word)),
  ),
  rule(
    '(.+?) (?:is )?(closed|open|ol|shut|made),? (?:and |but )?(.+?) (?:is )?(closed|open|ol|shut|made)',
    (the, one, first, other, second) => {
      const both = [acrossPart(the, the.part(one), first), acrossPart(the, the.part(other), second)]
      return both.includes(null) ? null : both.join('; ')
    },
  ),
  rule(
    `${NUMBER} ?(v|volts?|ohms?)? (?:on|across|at|to)(?: the)? coil|coil (?:to|and) (?:ground|gnd|chassis|metal|common|c)\\b.*`,
    (the) => (coilMeant(the) ? null : { asks: 'Which coil? Say its part: "contactor coil 24", "contactor to ground OL".' }),
  ),
  rule('coils? (?:is )?(shorted|open|ol)', (the, said) => {
    const coil = coilMeant(the)
    return coil ? acrossPart(the, coil, said) : { asks: 'Which coil? Say its part: "contactor coil open".' }
  }),
  rule(`(primary|secondary) winding(?: is| reads)? (?:${NUMBER} ?(?:ohms?)?|(open|ol))`, (the, side, ohms, open) =>
    windingOhms(the, side, open ? 'OL' : ohms),
  ),
  rule(`${NUMBER} ?ohms? (?:across|on|through|at|for) (.+)`, (the, ohms, what) => acrossPart(the, the.part(what), ohms)),
  rule(`(.+?) (?:reads|is|has|shows|measures) ${NUMBER}(?: ?ohms?)?`, (the, what, ohms) =>
    the.state.bench.power ? null : acrossPart(the, the.part(what), ohms),
  ),
  // The line.
  rule(`${NUMBER} ?${VOLTS}? (?:on |at )?line side(?: of transformer)?`, (the, volts) =>
    Number(volts) > 90 ? lineSide(the, volts) : null,
  ),
  rule(`(?:${NUMBER} ?${VOLTS}? )?(?:hot|line|l1)(?: leg)? to neutral(?: (?:is |reads )?${NUMBER} ?${VOLTS}?)?`, (the, before, after) => {
    const leg = legOf(the.system)
    if (!leg || !(before || after)) return null
    const neutral = neutralAt(the.system, leg.place)
    return leg.hasNeutral ? primary(the, before || after) : neutral && `${leg.hot}-${neutral} ${before || after} V at ${leg.place}`
  }),
  rule(
    `(?:${NUMBER} ?${VOLTS}? )?(?:hot|line|l1)(?: leg)? to (?:ground|gnd|earth)(?: (?:is |reads )?${NUMBER} ?${VOLTS}?)?`,
    (the, before, after) => {
      const leg = legOf(the.system)
      const volts = Number(before || after)
      return leg && volts > 60 ? `${leg.hot}-gnd ${volts} V at ${leg.place}` : null
    },
  ),
  rule(`${NUMBER} ?${VOLTS}? (?:line to line|leg to leg|l1 to l2|across (?:both )?legs)`, (the, volts) =>
    Number(volts) > 90 ? lineSide(the, volts) : null,
  ),
  rule('no (?:120|208|230|240|line voltage|high voltage|line)(?: ?v| volts?)?(?: (?:at|to|on|in) (.+))?', (the, where) => {
    const leg = legOf(the.system)
    const place = where ? the.place(where) : the.state.bench.place
    return leg && place === leg.place ? primary(the, '0') : null
  }),
  asks(
    '(?:furnace |unit |service )?(?:switch|disconnect)(?: on (?:side of |wall of |wall by )?(?:furnace|unit|air handler|wall))? (?:is |was )(?:off|pulled|down)',
    WHICH_SWITCH,
  ),
  // Fuse and trips.
  rule(
    '(?:no|not|doesnt|does not|didnt|wont)(?: more)? (?:trips?|tripping|tripped|pops?|popping|blows?|blowing) (?:on|with|in) (\\S+)(?: call| on)?',
    (the, call) => leading('holds on', the.call(call)),
  ),
  rule('(?:blown|popped|bad) (\\d+) ?(?:a|amp|amps)(?: fuse)?', () => 'fuse blown'),
  rule('(?:new|another|fresh) (?:fuse|one) (?:held|holds|is holding|holding|stays in|good)', () => 'fuse in; holds'),
  rule(
    '(?:new|another|fresh) (?:fuse|one) (?:popped|blew|blown|blows|pops|tripped|went)(?: too| again| right away)?',
    () => 'fuse in; trips',
  ),
  rule(
    '(?:no|not|doesnt|does not|didnt|wont)(?: more)? (?:trips?|tripping|tripped|pop|pops|popping|blow|blowing) with (.+?)(?: (?:off|lifted|disconnected|pulled|unhooked|out))',
    (the, what) => {
      const end = the.conductor(what)
      return end === null ? { asks: `What is off? Say it first: "lift outdoor Y; holds".` } : `lift ${end}; holds`
    },
  ),
  // Hands and what follows.
  rule(
    '(?:touched|touch|jumped|jump|jumpered|tied|bumped|flashed) (\\S+) (?:to|and) (\\S+),? (?:and )?(?:the )?(.+?) (?:came|comes|kicks|kicked|turns|turned|fires|fired|starts|started|ran|runs)(?: (?:on|up|off))?',
    (the, a, b, what) => {
      const part = partById(the.system, the.part(what) ?? '')
      return the.isLetter(a) && the.isLetter(b) && part?.kind === 'load'
        ? `jumper ${the.letter(a)} ${the.letter(b)}; ${part.id} runs`
        : null
    },
  ),
  // With the hot side as one of the two a hand has joined them.
  rule(
    '(\\S+) (?:to|and) (\\S+),? (?:and )?(?:the )?(.+?) (?:comes on|came on|kicks on|kicked on|starts|started|runs|ran)',
    (the, a, b, what) => {
      const part = partById(the.system, the.part(what) ?? '')
      const isHot = [a, b].some((letter) => /^r[ch]?$/.test(letter)) && ![a, b].some((letter) => /^c$|^common$/.test(letter))
      return isHot && the.isLetter(a) && the.isLetter(b) && part?.kind === 'load'
        ? `jumper ${the.letter(a)} ${the.letter(b)}; ${part.id} runs`
        : null
    },
  ),
  rule(
    '(?:jumped|jumpered|jumper(?: from)?|tied|ran|went from) ([a-z]\\d?) to ([a-z]\\d?)[ -]out(?: (?:on|at|of) (?:defrost |control )?board)?',
    (the, into, out) =>
      the.isLetter(into) && the.isLetter(`${out}-out`) ? `jumper ${the.letter(into)} ${the.letter(`${out}-out`)}` : null,
  ),
  rule(
    '(?:cranked|turned|set|bumped|pushed)(?: it)? (heat|heating|cool|cooling|ac) (?:up|down|on)(?: .*)?|(?:cranked|turned|bumped) (?:up|down) (heat|cool|ac)(?: .*)?',
    (the, one, other) => leading('call', the.call(one || other)),
  ),
  // Lights.
  rule(
    'no (?:status )?(?:lights?|leds?|lamps?) (?:on|at|lit on) (defrost|zone|ignition|control|main)? ?(?:board|control|panel)',
    (the, which) => boardLight(the, which || 'main', 'dark'),
  ),
  rule(
    '(defrost|zone|ignition|control|main) ?(?:board|control|panel)?(?: status)?(?: light| led| lamp)(?: is)? (steady|solid|on|lit|flashing|blinking|flashes|blinks|off|out|dark|dead)',
    boardLight,
  ),
  rule('(?:panel|board)(?: status)? (?:light|led|lamp)s?(?: is| are)? (?:off|out|dark|dead)', (the) => {
    const [board, another] = partsOf(the.system, 'board')
    return board && !another ? worded(board.id, 'dark') : null
  }),
]
