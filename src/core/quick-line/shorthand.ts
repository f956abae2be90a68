import { COLOUR } from '@/src/core/quick-line/colours'
import { DIGIT_WORD, numberIn, TENS_WORD } from '@/src/core/quick-line/number-words'
import { ofConditions } from '@/src/core/quick-line/short-conditions'
import { ofPartsShort } from '@/src/core/quick-line/short-parts'
import { ofReadings, type Shortened } from '@/src/core/quick-line/short-readings'
import { ofTrips } from '@/src/core/quick-line/short-trips'
import { LruCache } from '@/src/core/units/cache'
import { workLimit } from '@/src/core/units/work-limit'

/** What is shortened, or spelled out, in typing and dictating: the same in the words that everything else is read in. */

/** `twenty five point two`: a reading that was dictated. A word of ones alone may count things. */
const SPOKEN_NUMBER = new RegExp(`\\b(${TENS_WORD})(?:[ -](${DIGIT_WORD}))?(?: point (${DIGIT_WORD}))?\\b`, 'gi')

/** What is called, and set. */
const ofCalls: readonly Shortened[] = [
  [
    /^(?:set|put) (?:this|it|this one|this stat|this thermostat|the stat|the thermostat|stat|thermostat|tstat) (?:one )?(?:to|on|in|into) (cool|heat|fan|off)(?:ing)?(?: mode)?$/i,
    'set to $1',
  ],
  [
    /^(?:(?:kicked|bumped|flipped|threw|put) (?:it|the stat|stat|the thermostat) )?(?:back |over )*(?:to |into |on )?(cool|heat|fan)(?:ing)?(?: again)?$/i,
    'set to $1',
  ],
  [/^(?:power cycled|cycled (?:the )?power|power (?:was )?off (?:and|then) (?:back )?on)(?: again)?$/i, 'power off; power on'],
  [
    /^([YW])2 (.+) (?:on|in|with) (?:the )?(?:second|2nd|high) stage$/i,
    (_, letter, said) => `call ${/y/i.test(letter) ? 'cool' : 'heat'}-2, ${letter.toUpperCase()}2 ${said}`,
  ],
  [
    /\b(stat|thermostat|tstat) in (?:the )?(?:suite|unit|apt|office|store|hall(?:way)?|lobby|shop|bedroom|kitchen|living room|den)(?: \w\d?)? (?=(?:is )?(?:set|turned|switched)\b)/gi,
    '$1 ',
  ],
  [
    /^(?:the )?\d+ ?(?:min|minute)s?(?: time| compressor)? delay (?:is |was )?(?:over|done|up|finished|timed out|ran out),? (?:and |then )?(?=\S)/i,
    'delay timed out, ',
  ],
  [
    /^(jump(?:ed|er|ered)? .+),? (?:and )?got (?:the |a )?(blower|fan|compressor|contactor|burners|condenser|strips|inducer|heat|cooling)(?: on| running| going)?$/i,
    (_, act, what) => `${act.replace(/,$/, '')}, ${what} ${/contactor/i.test(what) ? 'in' : 'runs'}`,
  ],
  [
    /^(?:set|put|turn(?:ed)?|switch(?:ed)?)(?: the)? zone (\d)(?: stat| thermostat)?(?: over)? (?:to|on) (cool|heat|fan)(?:ing)?$/i,
    'call $2 zone $1',
  ],
  [
    /\b(?:when|once|as soon as) ([YG]1?|Y2|W[12]?) (?:is |gets |was )?(?:called(?: for)?|calling|calls|energi[sz]e[sd]|comes on|came on|kicks in|goes hot|gets power)\b/g,
    (_, letter) => `on ${{ Y: 'cool', G: 'fan', W: 'heat' }[letter[0] as 'Y' | 'G' | 'W']}${letter.endsWith('2') ? '-2' : ''}`,
  ],
  [/\bre-?tried (cool|heat|fan|ac)(?:ing)?\b/gi, 'tried $1'],
  [
    /^(?=.*\b(?:trips?|tripped|pops?|popped|blows?|blew|holds?|held)\b)(.*?\b(?:heat|cool))s (?=(?:ok|okay|fine|good|great|alright)\b)/i,
    '$1 ',
  ],
  [/\b(stat|thermostat|tstat)(?:[’']s| is)? in (?:a |its )?(?:\d+ ?(?:min|minute|minutes)? )?(?:time )?delay\b/gi, '$1 is in delay'],
  // How it lies on a call is seen on that call.
  [
    /^((?:the )?(?:outdoor |indoor |condenser )?(?:blower|fan motor|compressor|contactor|condenser|unit|valve|reversing valve|gas valve|relay|blower relay|inducer|strips|sequencer|heat pump))(?: is)? (off|out|in|dead|not in|not running) (?:on|in|with) (cool|heat|aux|fan)(?:ing)?(?: called| call)?$/i,
    (_, what, how, call) =>
      `call ${call}; ${what} ${/unit|condenser|heat pump/i.test(what) && /off|dead/i.test(how) ? 'not running' : how}`,
  ],
  [/^zone (\d) (cool|heat|fan)(?:ing)?(?: call)?: /i, 'call $2 zone $1, '],
  [
    /^(?:changed|switched|turned|moved|flipped|set) (?:it|stat|thermostat|the stat|mode)(?: over)? to (cool|heat)(?:ing)?(?: mode)?(?: (?:at )?[4-9]\d)?$/i,
    'set to $1',
  ],
  [/^(cool|heat)(?:ing)? mode(?: (?:at )?[4-9]\d)?$/i, 'set to $1'],
  [/^call(?:ing)? (?:for )?(cool|heat|fan)(?:ing)? on (?:zone )?(\d)$/i, 'call $1 zone $2'],
  // What was read while something was called, wherever that stands.
  [/^((?!.*\bzone\b).+\d.*),? (?:and |with |while )?calling (?:for )?(cool|heat|fan|aux)(?:ing)?$/i, 'call $2; $1'],
  [/^hold(?:ing)? (cool|heat)(?:ing)?(?: at| to)? [4-9]\d(?: degrees)?$/i, 'set to $1'],
  [/^(?:turn(?:ed)?|shut|switch(?:ed)?) off (?:the )?(?:cool|cooling|heat|heating|ac|fan)(?: call)?$/i, 'call off'],
  [/^(?:turn(?:ed)?|shut|switch(?:ed)?) (?:the )?(?:cool|cooling|heat|heating|ac|fan)(?: call)? off$/i, 'call off'],
  [
    /^(?:bumped|turned|cranked|set|ran) (?:it |(?:the )?(?:stat|thermostat) )?(?:up|down) to call (?:for )?(heat|cool)(?:ing)?$/i,
    'call $1',
  ],
  [/^(?:set|put|turn(?:ed)?|switch(?:ed)?) (?:the )?fan (?:back )?(?:to |on )?auto$/i, 'fan auto'],
  [/^heat(?:ing)?,? (?:and |with |plus )?aux(?:iliary)?(?: heat)? (?:on|calling|called|too)$/i, 'call aux'],
  [/^(?:turned|switched|shut) off (?:the )?(?:stat|thermostat|tstat)$/i, 'call off'],
  [/^(heat|cool)(?:ing)? (?:second|2nd) stage$/i, 'second stage $1'],
  [/^(?:set |put |turned )?(?:the )?fan switch (?:to |is )?on$/i, 'call fan'],
  [/^(?:the )?(?:fan|fan switch)(?: is)?(?: set)? (?:on|to|in) auto$/i, 'fan auto'],
  [
    /^(?:back|up|down|over|out|in|upstairs|downstairs)(?: \w+){0,4} at (?:the )?(stat|thermostat|furnace|air handler|condenser|heat pump|outdoor unit|zone panel)$/i,
    'at the $1',
  ],
  [/\b([a-z]{1,2}\d?[- ]?[a-z]?\d?) ?= ?(\d[\d.]*) (?=[a-z]{1,2}\d?[- ]?[a-z]?\d? ?= ?\d)/gi, '$1=$2, '],
  [/^(?:the )?insulation (?:is |was )?(?:rubbed|worn)(?: off| through)?$/i, 'wire rubbed'],
  [
    /^((?:the )?compressor (?:is |just )?(?:hums|humming|buzzes|buzzing)),? (?:and |but )?(?:is )?(?:not|wont|won[’']t|doesn[’']t|does not) (?:start|starting|run|running|turn|turning)(?: over)?$/i,
    'compressor still; note $1',
  ],
  // What was found off is no act.
  [
    new RegExp(
      `^found (?:the )?((?:outdoor |stat )?(?:[a-z]\\d?|${COLOUR}))(?: wire)? (?:was )?(?:off|loose|disconnected|hanging|hanging loose|not connected|unhooked|broken|broken off)(?: (?:of |at |from )?(?:the |its )?(?:screw|terminal|board|strip))?$`,
      'i',
    ),
    '$1 wire fell off',
  ],
  [
    /^((?:outdoor |stat )?[a-z]\d?) wire (?:broke|snapped|came|fell|has broken) off (?:behind|at|of|from) (?:the )?(\w+)$/i,
    '$1 wire fell off at $2',
  ],
  [/^no wire (?:on|under|at) (?:the )?([a-z]\d?)(?: screw| terminal)?$/i, '$1 wire fell off'],
  [/^(?:blank|dead|dark) (?:screen|display)$/i, 'stat blank'],
  [/^(?:the )?fuse on (?:the )?board (?:is |was )?(blown|good|popped|bad)$/i, 'fuse $1'],
  [/^(?:breaker installed|using (?:the|a|my) (?:pocket |resettable )?breaker(?: instead)?)$/i, 'breaker in'],
  [/^(?:the )?((?:second )?contactor) (?:is )?made$/i, '$1 in'],
  [/^(?:the )?(reversing valve|rv) (?:is )?on$/i, 'reversing valve in'],
  [/^(?:the )?(primary|secondary) side (?:is |reads |has )?(?=\d)/i, '$1 '],
  [/^(\d{3})(?: ?v| volts?)? (?:to|into|going to|at) (?:the )?(?:transformer|xfmr)$/i, 'primary $1'],
  [/^line side of (?:the )?(?:transformer|xfmr)(?: is| reads?)? (?=\d{3})/i, 'primary '],
  [/^24 ?v?(?:olt)?s?(?: side)? (?:draw|load|amps|current)(?: is| of)? (\d*\.?\d+) ?(?:a|amps?)?$/i, '$1 A on R'],
  [/^(?:ok|okay) (?:on|in|with) (cool|heat|fan)(?:ing)?(?: call)?$/i, 'holds on $1'],
  [/^no call(?: for \w+)?,? (?!(?:at|to|reaching|getting|coming|leaving|showing|on)\b)(?=\S+ \S)/i, 'nothing calling, '],
  [/^(\S.*\d(?: ?v| volts?)?),? (?:with|while|and) (?:there is )?no call for \w+$/i, '$1'],
  [/^(\S.*\d(?: ?v| volts?)?),? (?:with|while|and) (?:there is )?(?:no call|nothing called|nothing calling)$/i, 'nothing calling, $1'],
  [/\bfloat (?:switch )?(?:broke|breaks|opened|cut|killed)(?: (?:the )?(?:r|24|circuit|power|y|call))?(?=$|,)/gi, 'float up'],
  [/^(?:low|first stage|1st stage) (cool|heat)(?:ing)?$/i, 'call $1'],
  [/^(cool|heat) ?2 (?:on|is on|call(?:ed|ing)?)$/i, 'call $1-2'],
  [
    /^(fan|cool|heat)(?:ing)? (?:is )?(?:on|called|set),? (?:and |but )?(?:still )?nothing(?: happens| runs| comes on)?$/i,
    'call $1, nothing happens',
  ],
  [
    /^(?:set|turned|switched|put)(?: it| (?:the )?(?:stat|thermostat))? (?:to|on|in) (fan|cool|heat)(?:ing)?(?: on)?,? (?:and |but )?(?:still )?nothing(?: happens| runs| comes on)?$/i,
    'call $1, nothing happens',
  ],
  [/^(?:the )?(igniter|ignitor) (?:is |reads )?cold,? (?=\d)/i, '$1 '],
  [/^((?:the )?(?:igniter|ignitor) \d[\d.]*(?: ?ohms?)?),? cold$/i, '$1'],
  [
    /^(?:(?:the )?(?:xfmr|transformer):? )?(\d[\d.]*)(?: ?v)? (?:on (?:the )?)?sec(?:ondary)?,? (?:and )?(\d[\d.]*)(?: ?v)? (?:on (?:the )?)?pri(?:mary)?$/i,
    'secondary $1, primary $2',
  ],
  [
    /^(?:(?:the )?(?:xfmr|transformer):? )?(\d[\d.]*)(?: ?v)? (?:on (?:the )?)?pri(?:mary)?,? (?:and )?(\d[\d.]*)(?: ?v)? (?:on (?:the )?)?sec(?:ondary)?$/i,
    'primary $1, secondary $2',
  ],
  [/^(?:the )?(?:xfmr|transformer):? (\d[\d.]*)(?: ?v)? (sec|pri)(?:ondary|mary)?$/i, '$1 $2'],
  [/^(cool|heat|fan)(?:ing)? call,? (?:and |but )?nothing(?: happens| runs| comes on| going)?$/i, 'call $1, nothing happens'],
  [/(?<=^|\bcall |\bcall for |\bset to |\bon |\bin )(?:low|first|1st)(?: stage)? (?=(?:cool|heat)(?:ing)?\b)/gi, ''],
  [/(?<=^|\bcall |\bcall for |\bset to |\bon |\bin )high(?: stage)? (?=(?:cool|heat)(?:ing)?\b)/gi, 'second stage '],
]

/** What is joined, and what is left for another day. */
const ofHands: readonly Shortened[] = [
  [
    /^((?:put (?:a )?)?jump(?:ed|er|ered)? .+?)(?:,| and|, and) (?:then )?it (?:runs|ran|fired(?: right)? up|fires(?: right)? up|starts?|started|comes on|came on|kicked on|took off)$/i,
    // Y brings on what stands outside, G the blower.
    (_, act) => `${act}, ${/\by\d?\b/i.test(act) ? 'condenser' : /\bg\b/i.test(act) ? 'blower' : 'unit'} runs`,
  ],
  [
    /^((?:unplug|unplugged|pull|pulled|disconnect|disconnected|plug|plugged)(?: in)? (?:the )?.+?) (?:wire |wiring )?(?:harness|connector|molex)(?: plug)?$/i,
    '$1',
  ],
  [/^short (R\w?) (?:to|and|with) (c|common|gnd|ground|chassis|frame|metal|the (?:frame|cabinet|metal))\b(?: .*)?$/i, 'jumper $1 to $2'],
  [
    /^(?:jump|jumper|touch|short)(?:ed)? (?:the )?(?:24|24 ?v|24 volts?|hot|24 hot|24 ?v hot|hot leg)(?: wire)? to (?:the )?(?:frame|ground|gnd|chassis|cabinet|metal|case|common|c)\b.*$/i,
    'jumper R to ground',
  ],
  // Found there, and not put in.
  [/^((?:the )?(?:jumper|strap|link|jumper wire) (?:between|from) .+ (?:is )?still (?:in|there|on|in place))$/i, 'note $1'],
  [/^(?:a )?(R\w?)(?: to |[- /])([A-Z]\d?) jumper(?:ed)?(?= *,)/, 'jumped $1 to $2'],
  [/^((?:put (?:a )?)?jump(?:ed|er|ered)? .+?(?<! does| do| did)),? (?:but |and |still )?nothing$/i, '$1, nothing happens'],
  [/^short(?:ed)? ([A-Z]\w?) to (\w+)(?: to test)?$/, 'jumper $1 to $2'],
  [/^(R[ch]?(?: to |[- ])[A-Z]\d? jump(?:ed|ered)),? (?:but |and )?nothing$/i, '$1, nothing happens'],
  [/^(jump(?:ed|er|ered)? R[ch]? to [A-Z]\d?),? (?:and )?R[ch]? to ([A-Z]\d?)$/, '$1 $2'],
  [/^(.+?) with ([A-Z]\w?)(?: to |-)([A-Z]\w?) (?:jump(?:ed|ered)(?: out)?|tied|joined)$/, 'jumped $2 to $3, $1'],
  [
    /^(?:leaving|left|leave)(?: it| for now| today)?,? (?=(?:new |the )?(?:part|parts|board|transformer|contactor|valve|motor|thermostat)s? (?:is |are |was )?(?:ordered|on order)\b)/i,
    '',
  ],
]

/** One after the other: each takes what those before it have left. */
const shortened: readonly Shortened[] = [
  ...ofConditions,
  [
    /^(?:the )?(?:room|set ?point|return|ambient|discharge|(?:outdoor|outside|indoor|inside|room|supply|return)(?: air)? temp(?:erature)?)s?,? (?:is |at |of )?\d{2,3}(?: ?(?:f|degrees|°f?))?$/i,
    'note $&',
  ],
  [/(?<=\S),? (?:just )?(?:to test(?: it)?|to check(?: it)?|for now|temporarily|for a test|as a test)$/i, ''],
  [
    /\b((?:still )?(?:holds|held|trips|tripped|pops))(?: fine)? without (?:the )?((?:outdoor |stat )?[A-Z]\d?)(?: wire)?(?: on| connected| hooked up)?$/,
    '$1 with $2 off',
  ],
  [/(?<=^|\s)w\/o (?=\S)/gi, 'without '],
  // W/C is two letters, w/ is with.
  [/(?<=^|\s)w\/(?![a-z]\d?\b) ?(?=\S)/gi, 'with '],
  [/(?<!\bas )\bsoon as\b/gi, 'as soon as'],
  [/\bthru\b/gi, 'through'],
  // What stands between a verb and its particle says how fast: came right in.
  [
    /\b(com(?:es?|ing)|came|go(?:es|ing)?|went|pull(?:s|ed)?|kick(?:s|ed)?|snap(?:s|ped)?|click(?:s|ed)?|drop(?:s|ped)?|fell|falls?|turn(?:s|ed)?|fire[ds]?|start(?:s|ed)?|shuts?|cuts?|pop(?:s|ped)?|trip(?:s|ped)?|held|holds?) (?:right|straight|immediately|instantly|finally|actually) (?=in\b|on\b|out\b|off\b|back\b|up\b|down\b)/gi,
    '$1 ',
  ],
  [/\btill?\b/gi, 'until'],
  // Air that blows is no fuse.
  [
    /\b(fan|blower|furnace) (?:is |just |only )?blow(?:s|ing) (?:out )?(?:warm|hot|cold|cool|room temp(?:erature)?|lukewarm)(?: air)?\b/gi,
    '$1 runs',
  ],
  ...ofTrips,
  ...ofCalls,
  ...ofReadings,
  ...ofPartsShort,
  ...ofHands,
  // What is done while it is typed.
  [
    /^(?:now |i'm |im )?(lift|land|unplug|plug|jump|jumper|pull|clip|reset|disconnect|reconnect|unhook|check|turn|switch|kill|swap)(?:p|g|t)?ing (?=\S)/i,
    (_, verb) => `${/^(?:unplug|plug|clip|swap)$/i.test(verb) ? `${verb}${verb.slice(-1)}` : verb}ed `,
  ],
  [
    /\b(?:breaker|fuse|it) keeps? (?:on )?(popping|tripping|blowing|kicking)\b(?= (?:when|whenever|as soon as|every|on|with|once|if)\b)/gi,
    (_, verb) => ({ p: 'pops', t: 'trips', b: 'blows', k: 'trips' })[verb[0].toLowerCase()] ?? 'trips',
  ],
  [/\bwhenever\b/gi, 'when'],
  [/ (?:on (?:a|the|its) call|when calling|when called)$/gi, ''],
  // One letter on two calls.
  [
    /^([A-Z]\d?) (?:is |has |reads )?([\d.]+) ?v? in (cool|heat)(?:ing)?,? (?:and |but )?(?:is |has )?([\d.]+) ?v? in (cool|heat)(?:ing)?$/i,
    'call $3; $1-C $2 V; call $5; $1-C $4 V',
  ],
  [/\b(stat|thermostat) (?:calls|is calling),/gi, '$1 shows a call;'],
  // What keeps it from tripping until then makes it trip.
  [
    /\b(?:does ?n[’']?t|does not|wo ?n[’']?t|will not|did ?n[’']?t|never|not) (trip|pop|blow)(?:s|ped)?(?: it)?,? until (.+)$/i,
    (_, verb, then) => `${verb}s when ${then}`,
  ],
  [
    /\b(?:before|without) (?:anything|any call|a call|any calls|nothing)(?: (?:was|is|were))?(?: even)?(?: (?:calling|called|called for|on))?\b/gi,
    'with nothing calling',
  ],
  [/\b\d+ (?:min|mins|minutes),? (?:and |with )?(?:no|without) (?:problems?|trips?|issues?|trouble)\b/gi, 'no trip'],
  [/\b(?:disregard|forget|scratch|strike|ignore)(?: that)? last(?: one| entry| reading| line)?\b/gi, 'scratch that'],
  [/\b(?:every|each) time\b(?= \w)/gi, 'when'],
  [/\beven (?=with\b|when\b|if\b|after\b)/gi, ''],
  [
    /\b(when|once|if|as soon as|with) (?:i |you |we )?(?:energize|power up|power|put 24 ?(?:v |volts )?(?:to|on)|apply 24 ?(?:v |volts )?to)(?: the)? ([YGWOB]\d?)\b/gi,
    '$1 I jumper R to $2',
  ],
  // What came of an act stands right behind it.
  [
    /((?:^|[,;] ?)(?:i )?(?:put|take|took|pull|pulled|lift|lifted|land|landed|add|added|jump|jumped|unplug|unplugged|plug|plugged|reconnect|reconnected|disconnect|disconnected)\b[^,;]*?(?<!\b(?:it|so|that|and|then|but|still|again|breaker|fuse|which|until|now))) (trips|tripped|holds|held|pops|popped|blows|blew)(?: again)?(?=\s*(?:[,;]|$))/gi,
    '$1, $2',
  ],
  [/\bright (?=(?:when|as|after|at|on|once)\b)/gi, ''],
  // What was off is said behind what came of it, the call with it.
  [
    /^with (?:the )?(.+? (?:disconnected|off|lifted|unhooked|unplugged|loose|pulled|out)),? (?:the )?(?:breaker |fuse |it )?((?:still )?(?:holds|held|trips|tripped|pops|popped|blows|blew)) ((?:on|in) (?:cool|heat|fan|aux|emergency)(?:ing)?)$/i,
    '$1; $2 $3',
  ],
  [
    /^with (?:the )?(.+? (?:disconnected|off|lifted|unhooked|unplugged|loose|pulled|out)),? (?:the )?(?:breaker |fuse |it )?((?:still )?(?:holds|held|trips|tripped|pops|popped|blows|blew))$/i,
    '$2 with $1',
  ],
  [/\bb\/c\b/gi, 'because'],
  [/\benergis(?=e|ing)/gi, 'energiz'],
  [/\bbtwn\b/gi, 'between'],
  [/(?<=\d) ?(?:vac|vdc|v(?:olts?)? ?(?:ac|dc))\b/gi, ' V'],
  [/\b(\w+) dont\b/gi, "$1 don't"],
]

/** The line in full: what it says is the same. One line asks for the same several times. */
export const inFull = (line: string): string => inFullOf.get(line, () => putInFull(line))
const inFullOf = new LruCache<string, string>(workLimit(500))

function putInFull(line: string): string {
  const full = shortened.reduce((text, [says, as]) => (typeof as === 'string' ? text.replace(says, as) : text.replace(says, as)), line)
  return full.replace(SPOKEN_NUMBER, (_, tens: string, ones = 'zero', tenths?: string) => {
    const whole = (numberIn(tens) ?? 0) + (numberIn(ones) ?? 0)
    return tenths === undefined ? String(whole) : `${whole}.${numberIn(tenths)}`
  })
}
