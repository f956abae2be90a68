import { DIGIT_WORD, figuresOf, numberIn, TENS_WORD } from '@/src/core/quick-line/number-words'
import { ofWhatIsBeside } from '@/src/core/quick-line/short-beside'
import { ofCalls } from '@/src/core/quick-line/short-calls'
import { ofConditions } from '@/src/core/quick-line/short-conditions'
import { ofFigures } from '@/src/core/quick-line/short-figures'
import { ofWhatIsFound } from '@/src/core/quick-line/short-found'
import { ofWhatIsFreed } from '@/src/core/quick-line/short-freed'
import { ofWhatHappened } from '@/src/core/quick-line/short-happened'
import { ofLine } from '@/src/core/quick-line/short-line'
import { ofNames } from '@/src/core/quick-line/short-named'
import { ofPartsShort } from '@/src/core/quick-line/short-parts'
import { inPassing } from '@/src/core/quick-line/short-passing'
import { ofReadings, type Shortened } from '@/src/core/quick-line/short-readings'
import { ofDays } from '@/src/core/quick-line/short-said'
import { ofTrips } from '@/src/core/quick-line/short-trips'
import { rewriter } from '@/src/core/quick-line/sieve'
import { LruCache } from '@/src/core/units/cache'
import { workLimit } from '@/src/core/units/work-limit'

/** What is shortened, or spelled out, in typing and dictating: the same in the words that everything else is read in. */

/** `twenty five point two`: a reading that was dictated. A word of ones alone may count things. */
const SPOKEN_NUMBER = new RegExp(`\\b(${TENS_WORD})(?:[ -](${DIGIT_WORD}))?(?: point (${DIGIT_WORD}))?\\b`, 'gi')

/** What is joined, and what is left for another day. */
const ofHands: readonly Shortened[] = [
  // Two readings side by side are at the place with which they end.
  [
    /(?<=^|[,;] )([A-Z]\d?-[A-Z]\d? [\d.]+(?: ?v)?) ([A-Z]\d?-[A-Z]\d? [\d.]+(?: ?v)?) at ((?:the )?[a-z]+)(?=$|[,;])/g,
    '$1 at $3, $2 at $3',
  ],
  [/^plugged back in\b/i, 'plugged it back in'],
  // One wire after the other goes back, and what is fine then held.
  [
    /^((?:(?:[Pp]ut|[Ll]and(?:ed)?|[Hh]ooked|[Rr]econnected|[Cc]onnected) [A-Z]\d?(?: wire)?(?: back)?(?: on| up)?|[A-Z]\d? (?:back )?on)),? (?:and )?(?:it is |it[’']s |still )?(?:fine|ok|good|no trip)$/,
    '$1, holds',
  ],
  // What a jumper brings on is no call for it.
  [
    /^(.*\bjump(?:ed|er|ered)? R[ch]?(?: to |[- ])W\d?(?: (?:at|in|on) [a-z ]+?)?)(?:,|:| and|, and) (?:the )?heat(?: is)? (?:on|going|running|runs|comes on|came on)$/i,
    '$1; note heat is on',
  ],
  [
    /^((?:i )?jump(?:ed|er|ered)? R[ch]?(?: to |[- ])[A-Z]\d?(?: (?:at|in|on) [a-z ]+?)?),? (?:and |the )*(fan|blower|outdoor|outdoor unit|condenser|compressor|strips|heat pump)(?: is)? (?:on|going|running|runs)$/i,
    (_, act, what) => `${act}, ${/^fan$/i.test(what) ? 'blower' : /^outdoor/i.test(what) ? 'condenser' : what} runs`,
  ],
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
  // Whoever tells it did it.
  [
    /^(?:okay,? |ok,? )?i(?:[’']ve| have)? (?:just |then |also )*(?=(?:set|put|turned|switched|jumped|jumpered|unplugged|plugged|lifted|pulled|took|moved|swapped|landed|hooked|disconnected|reconnected|unhooked|bypassed)\b)/i,
    '',
  ],
  [
    /^(?:okay,? |ok,? )?(?:the )?(?:furnace |air handler |control |unit )?board has an? (blown|good) (?:\d+ ?a(?:mps?)? )?fuse$/i,
    'fuse $1',
  ],
  [
    /^(?:lifted|took|pulled|disconnected|unhooked) (?:the )?([A-Z]\d?)(?: wire)?(?: off| loose)? (?:at|on) both ends of (?:the )?(\w+) cable$/i,
    'took $2 $1 off both ends',
  ],
  ...ofWhatIsFreed,
  ...inPassing,
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
  [/^(?:i )?put (?:my |the )?(?:meter|leads|probes)(?: leads)? (?:on|from|between|across|at)? ?(?=\S+.* \d|\S+.*\bol\b)/i, ''],
  [/^(?:and |but )?now (?:it[’']?s |it )?(?:is |reads? |shows? |at )*(\d*\.?\d+|ol)(?= ?(?:v|volts?|ohms?)?$)/i, '$1 now'],
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
  ...ofWhatIsBeside,
  ...ofNames,
  ...ofWhatHappened,
  ...ofWhatIsFound,
  ...ofDays,
  ...ofTrips,
  ...ofCalls,
  ...ofLine,
  ...ofFigures,
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
    /\b(?:before|without) (?:anything|any call|a call|the call|any calls|nothing)(?: (?:was|is|were))?(?: even)?(?: (?:calling|called|called for|on))?\b/gi,
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

const inShort = rewriter(shortened)

/** The line in full: what it says is the same. One line asks for the same several times. */
export const inFull = (line: string): string => inFullOf.get(line, () => putInFull(line))
const inFullOf = new LruCache<string, string>(workLimit(500))

function putInFull(line: string): string {
  // A full stop ends a sentence, and is no part of it.
  const full = inShort(figuresOf(line.replace(/(?<=\S)[.!]+\s*$/, '')), (text, [says, as]) =>
    typeof as === 'string' ? text.replace(says, as) : text.replace(says, as),
  )
  return full.replace(SPOKEN_NUMBER, (_, tens: string, ones = 'zero', tenths?: string) => {
    const whole = (numberIn(tens) ?? 0) + (numberIn(ones) ?? 0)
    return tenths === undefined ? String(whole) : `${whole}.${numberIn(tenths)}`
  })
}
