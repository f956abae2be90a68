import { COLOUR } from '@/src/core/quick-line/colours'
import type { Shortened } from '@/src/core/quick-line/short-readings'

const AMPS = '(\\d+(?:\\.\\d)?)[- ]?(?:a|amps?)'
const WIRE = `[A-Z]\\d?|${COLOUR}`
const STAT = '(?:stat|thermostat|sub ?base|wall plate)'
/** The board of the unit where one stands. */
const AT_THE_BOARD = /^(?:at|on) the (?:furnace |control )?board$/i
const SWAPPED = '(?:swapped|reversed|crossed|switched|flipped|backwards)'

/** What was put in, what fell off, what changed places, and what runs on a jumper that is named behind it. */
export const ofWhatHappened: readonly Shortened[] = [
  // A size, and no reading.
  [
    new RegExp(
      `^(?:i )?(?:replaced|changed|swapped|installed|put in)(?: out)? (?:the |a |another |new )*fuse(?: again)?,? (?:with |it[’']?s |is |was )?(?:an? )?${AMPS}$`,
      'i',
    ),
    'fuse $1 in',
  ],
  [
    new RegExp(`^(?:the |a |an |another )?(?:new |fresh )?${AMPS}(?: fuse)? (?:is |goes |went )?(?:back )?in(?: again)?$`, 'i'),
    'fuse $1 in',
  ],
  [/\b(?:auto[- ]?reset(?:ting)?|self[- ]?reset(?:ting)?|resettable)(?: breaker| fuse)?(?=(?: is)?(?: back)? in\b|$|,)/gi, 'breaker'],
  // A switch that the volts do not get across.
  [
    /^(?:i )?(?:am |[’']m )?(?:los(?:t|ing|es?)|dropp?(?:ed|ing|s)?) (?:the |my |all )?(?:24(?: ?v(?:olts?)?)?|(?:control )?voltage|volts|power|signal|it) (?:across|at|through|in) (?:the )?(?=(?:high|low|limit|rollout|[hl]ps?|pressure|float|draft|door)\b)/i,
    '24 across the ',
  ],
  [
    /^(?:stage |compressor |contactor )?(?:1|one)(?: compressor| contactor)? (?:is )?(?:on|runs|running|in|up),? (?:and |but )?(?:stage |compressor |contactor )?(?:2|two)(?: compressor| contactor)? (?:is )?(?:off|out|down|not|still|dead|not running|not on)$/i,
    (said) => (/contactor/i.test(said) ? 'contactor in, second contactor out' : 'compressor runs, second compressor still'),
  ],
  [/\b(?:takes|taking|kills|knocks|knocked) (?:the |a |our |my )?(fuse|breaker) out\b/gi, 'trips the $1'],
  [/\b(?:takes|knocks|knocked) out (?:the |a |our |my )(fuse|breaker)\b/gi, 'trips the $1'],
  [
    /^((?:heat|cool|fan|ac|aux|heating|cooling)(?: mode)? (?:is |works |runs )?(?:ok|okay|fine|good)) (?=(?:heat|cool|fan|ac|aux|heating|cooling) (?:is |works |runs )?(?:ok|okay|fine|good)\b)/i,
    '$1, ',
  ],
  // It fell off at the thermostat.
  [
    new RegExp(
      `^((?:the )?(?:[A-Z]\\d?|${COLOUR})(?: wire)? (?:fell|came|popped|slipped|broke|pulled)) (?:off|out)(?: of)? (?:the )?${STAT}$`,
      'i',
    ),
    '$1 off at the stat',
  ],
  [
    new RegExp(
      `^(?:the )?((?:outdoor|stat|thermostat) )?(${WIRE}) and (?:(?:outdoor|stat|thermostat) )?(${WIRE})(?: wires?)? (?:are |were |is |got )?${SWAPPED} ((?:at|on|in|behind) .+)$`,
      'i',
    ),
    (_, cable = '', one, other, where) =>
      `landings ${cable}${one} and ${other} swapped ${where.replace(/^(?:on|in|behind)\b/i, 'at').replace(AT_THE_BOARD, '')}`.trim(),
  ],
  [
    new RegExp(
      `^(?:the )?${STAT} (?:is |was )?off,? ((?:and |i )*jump\\w* .*) (?:at|on) the (?:wall|base|sub ?base|wall plate|wires)$`,
      'i',
    ),
    'stat off the wall, $1 at the thermostat',
  ],
  [
    /^(?:the )?([a-z][a-z ]+?) (?:come|comes|came|runs?|ran|kicks|kicked|fires?|fired|lights?|lit)(?: on| up| right up)? (?:with|when|once) ([A-Z]\d?) (?:is )?(?:jumped|jumpered)(?: out)?$/i,
    (_, what, letter) => `jumper R ${letter}, ${/^nothing$/i.test(what) ? 'nothing happens' : `${what} runs`}`,
  ],
  // The base of the thermostat.
  [/\b(?:at|on) the (?:stat |thermostat )?base$/gi, 'at the thermostat'],
  [/^L1(?: to |[- /])L2 (\d{3})(?: ?v)? (?:at|on) (?:the )?contactor$/i, 'line side of contactor $1'],
  [/^L1(?: to |[- /])L2 (?:at|on) (?:the )?contactor (?:is |reads? |has )?(\d{3})(?: ?v)?$/i, 'line side of contactor $1'],
  [
    /^(?:line|line side)(?: voltage| volts)?(?: is| reads?| has)? (\d{2,3})(?: ?v(?:olts?)?)? (?:at|in|on) (?:the )?(furnace|air handler|condenser|outdoor unit|heat pump|unit|board)$/i,
    'at the $2, line $1',
  ],
  // Volts into a transformer and out of it.
  [
    /^(\d{2,3})(?: ?v(?:olts?|ac)?)? (?:in|into|on|at|to|across) (?:the )?primary,? (?:and |but )?(\d[\d.]*|nothing)(?: ?v(?:olts?|ac)?)? (?:out|coming out|(?:on|at|out of|across) (?:the )?secondary|secondary)$/i,
    (_, into, out) => `primary ${into}, secondary ${/^n/i.test(out) ? '0' : out}`,
  ],
  [
    /^primary (?:has |is |gets )(?:power|hot|live|good|ok|fine|volts|voltage),? (?:but |and )?secondary (?:is |has |reads )?(?:dead|0|nothing|none)$/i,
    'secondary 0, note primary has power',
  ],
  [/\b(hi|high|lo|low) ?psi(?: switch)?\b/gi, (_, side) => `${/^h/i.test(side) ? 'high' : 'low'}-pressure switch`],
  // Shorted, and how much: the reading says it.
  [/^(.+? (?:to|and) .+?) (?:is |are |reads? )?(?:dead )?short(?:ed)?,? (?:at |with |reads? )?(\d*\.?\d+)(?: ?ohms?)?$/i, '$1 $2'],
  [/^((?:the )?[a-z][a-z -]*?) (?:is |reads? )?(?:dead )?short(?:ed)?,? (?:at |with |reads? |only )?(\d*\.?\d+) ?ohms?$/i, '$1 $2 ohms'],
  // A motor that is still does not run; "still" before a verb means as before.
  [/\b(inducer|blower|compressor|(?:condenser |outdoor )?fan|motor) (?:is )?still(?=\s*(?:[,;]|$))/gi, '$1 not running'],
  // Volts that get through a switch are read behind it, not across it.
  [
    /^(\d{2,3}(?:\.\d+)?)(?: ?v(?:olts?|ac)?)? (?:is |gets |getting |makes it |goes |going |all the way )*(?:through|past) (?:the )?(?=[a-z -]*\b(?:switch|limit|rollout|float|cut-?out|pressure|safety|door)$)/i,
    '$1 out of the ',
  ],
  [
    /^(\d+(?:\.\d+)?)(?: ?v(?:olts?|ac)?)? (?:is )?(?:going|goes|leaving|headed|heading|sent)(?: out)? (?:to|for|towards) (?:the )?(?:condenser|outdoor unit|outside unit|heat pump|outside)$/i,
    'Y-C $1',
  ],
  [
    /^(?:have |got |there is |is )?(\d+(?:\.\d+)?)(?: ?v(?:olts?|ac)?)? (?:leaving|coming out of|going out of|out of|coming off) (?:the )?(?:board|furnace|air handler) (?:on|at) ([A-Z]\d?)$/i,
    '$2-C $1',
  ],
  [
    /^(?:i have |i[’']ve got |got |have |reading |read )?(\d[\d.]*)(?: ?v(?:olts?|ac)?)? between (red|white|green|yellow|blue|brown|orange|black) and (red|white|green|yellow|blue|brown|orange|black)(?: (?:at|on) the (?:furnace |control )?board$|\b)/i,
    '$2 to $3 $1',
  ],
  // A breaker in place of the fuse.
  [
    /^(?:put|stuck|threw|popped|installed|plugged|dropped)(?: in)? (?:the |a |my )?(?:pop[- ]?(?:up|out)|reset(?:t)?able|test|pocket)(?: (\d) ?a(?:mp)?)? (?:breaker|fuse|cb)(?: in)?$/i,
    (_, amps = '') => `breaker ${amps} in`.replace('  ', ' '),
  ],
  [
    /^(?:(\d+) ?a(?:mp)? )?(?:pop[- ]?up )?breaker (?:is |was )?(?:installed|put in|wired in|in)? ?(?:in )?(?:place of|instead of|for) (?:the )?fuse$/i,
    (_, amps = '') => `breaker ${amps} in`.replace('  ', ' '),
  ],
  [
    /^(?:the )?fuse (?:on|in) (?:the )?(?:board|slot|holder|furnace|air handler) (?:is |was )?(?:a |an )?(\d+)[- ]?a(?:mps?)?$/i,
    'fuse is $1 A',
  ],
  // A motor against its plate; its volts, and that it does not turn.
  [
    /^(?:the )?(compressor|blower|condenser fan|outdoor fan|inducer)(?: motor)? (?:is |pulls |pulling |draws |drawing |at )*(\d[\d.]*) ?a(?:mps?)? (?:on|with|of|against|for) (?:a |an |the |its )?(\d[\d.]*)(?: ?a(?:mps?)?)? (?:plate|rla|fla|nameplate|name plate|tag|rated|rating)$/i,
    'plate $1 $3, $1 $2 A',
  ],
  [
    /^(?:the )?(inducer|blower|compressor|condenser fan|outdoor fan)(?: motor)? (?:has |gets |getting |got |at )*(\d+)(?: ?v| volts)?,? (?:and |but )?(?:it )?(?:does ?n[’']?t|won[’']?t|is ?n[’']?t|not) (?:spin|turn|move|start|run)(?:ning|ing)?$/i,
    '$1 $2 V, $1 not running',
  ],
  [/\breads? short(?:ed)?\b/gi, 'shorted'],
  // What stands for the fuse, with its size; a fuse that was looked at, with its own.
  [
    /^(?:i )?(?:put|stuck|threw|dropped|plugged|have|got|using|installed) (?:in )?(?:a |an |my )?(\d{1,2}) ?a(?:mps?)? (?:popper|pop-?up|resettable|auto ?reset)(?: breaker| fuse)?(?: (?:in|into|for|instead of)\b.*)?$/i,
    'breaker $1 in',
  ],
  [
    /^((?:the )?(?:board|control|inline) fuse (?:is |was )?(?:blown|popped|bad|good|fine|open|ok)),? (?:it[’']?s |its |a )*(\d{1,2}) ?a(?:mps?)?(?: fuse)?$/i,
    '$1, note $2 A fuse',
  ],
  [/^(heat|cool|fan|aux|heating|cooling)[:-] ?(?:it )?(no trips?|holds?|held|trips?|tripped|pops|popped|fine|ok)$/i, 'call $1, $2'],
  [
    /^(?:pull|pulled|take|took|lift|lifted)(?: off)? both pressure switch(?:es)?(?: off| loose| plugs?)*$/i,
    'unplugged both pressure switches',
  ],
  [
    /^([YGWOB]\d?) (?:is |was )?not (?:getting|seeing|receiving)(?: any)? (?:24(?: ?v(?:olts?)?)?|power|voltage|volts|anything)$/,
    '$1-C 0 V',
  ],
  [
    /^(?:kids?|dog|somebody|someone|painter|they|customer|homeowner|owner) (?:pulled|knocked|ripped|took) (?:the )?(?:stat|thermostat)\b.*$/i,
    'complaint $&',
  ],
  [
    /^(?:i )?(?:replaced|swapped|changed)(?: out)? (?:the )?fuse (?:with|for) (?:a |an |my )?(?:pocket |test )?breaker,? (?:it[’']?s |it is )?(?:a |an )?(\d{1,2}) ?a(?:mps?)?$/i,
    'breaker $1 in',
  ],
  // Two units, each by what it does.
  [
    /^((?:the )?(?:furnace|air handler|blower|strips|aux)) (?:is |are )?(?:on|going|heating),? (?:and |but )*(?:the )?(outdoor|condenser|heat pump|outside|outdoor unit|outside unit) (?:is )?(?:off|dead|not on)$/i,
    '$1 running, $2 not running',
  ],
  [
    /^(.*\b(?:on|running|runs)),? (?:and |but )*((?:the )?(?:outdoor unit|condenser|heat pump|outside unit))(?:[’']s| is| was)? off$/i,
    '$1, $2 not running',
  ],
  [/^(?:walk|go|come|head)(?:ing)? back (in|out|up|down)$/i, 'went back $1'],
  [/^(?:walk|go|went|head|come|came)(?:ing|ed)? back (?=inside\b|outside\b|indoors\b|outdoors\b|(?:up |down |in |out )?to\b)/i, 'back '],
  // What goes into a switch, and what comes out of it.
  [
    /^(?:the )?((?:high|low)[- ]?pressure(?: switch)?|[hl]ps?|limit(?: switch)?|rollout(?: switch)?|(?:draft|pressure) switch|float(?: switch)?) in (\d[\d.]*)(?: ?v)?,? (?:and |but )?out (\d[\d.]*)(?: ?v)?$/i,
    '$2 in to the $1, $3 out',
  ],
  [
    /^(?:i )?tapped (?:on )?(?:it|the valve|the reversing valve),? (?:and |then )?(?:it )?shift(?:ed|s)$/i,
    'reversing valve in, note tapped on it',
  ],
  // Wire by wire is how it will go: nothing is on yet.
  [
    /^(?:i[’']?m |going to |will )?(?:put(?:ting)?|land(?:ed|ing)?|add(?:ed|ing)?|hook(?:ed|ing)?|reconnect(?:ed|ing)?)\b.*\b(?:one (?:at a time|by one|after (?:the other|another))|wire by wire)$/i,
    'note $&',
  ],
  [
    /^(?:i )?(?:removed|took|pulled|popped) (?:the )?(?:stat|thermostat) (?:from|off)(?: of)? (?:the |its )?(?:base|sub ?base|wall plate|wall)$/i,
    'stat off the wall',
  ],
  [/^(?:with )?both ends (?:off|loose|lifted|disconnected),? (?=\S+ (?:to|and) )(.+)$/i, '$1, both ends off'],
  // One wire by its color, and what came of it.
  [
    new RegExp(
      `^(?:the )?(${COLOUR})(?: wire)? (?:back )?on,? (?:and )?(?:it |still )*(holds?|held|trips?|tripped|pops|popped|blew|blows)(?: again)?$`,
      'i',
    ),
    'land $1, $2',
  ],
  [/(?<=\b[12]\d(?:\.\d+)?(?: ?v(?:olts?)?)?) (?:and )?holding(?: steady| there)?$/i, ''],
  [/^(?:the )?(?:new )?(?:stat|thermostat) has (?:a |an )?(?:factory )?jumper\b.*$/i, 'note $&'],
  // The breaker of a branch, and not the one in the fuse slot.
  [
    /^(?:the )?(?:circuit )?breaker (?:for|to|of|on) (?:the )?(?:rooftop|rtu|unit|condenser|furnace|air handler|heat pump|ac)\b.*\b(?:keeps? tripping|trips|tripped|was off|off)\b.*$/i,
    'note $&',
  ],
  // Volts that are said to go to a letter.
  [/^((?:1[89]|2\d|3[0-2])(?:\.\d+)?)(?: ?v(?:olts?|ac)?)? (?:going )?to (?:the )?([YGWOB]\d?)(?=$|,)/, '$2-C $1'],
  [
    /^((?:the )?(?:outdoor unit|outdoor|condenser|heat pump|outside unit|outside)) (?:is )?(?:off|dead|not on),? (?:and |but )*((?:the )?(?:furnace|air handler|blower|strips|aux)) (?:is |are )?(?:on|going|heating|running|runs)$/i,
    '$1 not running, $2 running',
  ],
  // In and out of a zone panel, and a wire that comes off there.
  [/^((?:took|take|pulled|pull|lifted|lift)) ([A-Z]) off (?:of )?(zone \d) (?:at|on) (?:the )?panel\b/i, '$1 $3 $2 at panel'],
  [
    /^([YGW]\d) (?:at|on) (?:the )?(?:zone )?panel (?:input|in) (\d[\d.]*)(?: ?v)?,? (?:and |but )?(?:output|out) (\d[\d.]*)(?: ?v)?$/,
    (_, letter, first, second) =>
      `${letter}-C${letter.slice(1)} ${first} V at panel, ${letter[0]}-C${letter.slice(1)} ${second} V at panel`,
  ],
  [
    /^zone (\d) ((?:panel )?(?:light|led)s? (?:is )?(?:on|off|green|red|lit|amber|flashing|blinking)),? (?:and |but )?(?:its |the )?damper (?:is )?(.+)$/i,
    'zone $1 damper $3, note zone $1 $2',
  ],
  [/^(?:the )?(?:zone )?panel (?:light|led) (?:is )?(?:red|green|amber|yellow|blue)\b.*$/i, 'note $&'],
  [/^(?:it |unit |house |this (?:one|unit) )?needs? (?:a |an |the )?new .+$/i, 'note $&'],
  // Frost, and other things of the trade that no wire hangs on.
  [
    /^(?:it[’']?s |coil |the coil |unit |outdoor coil |all )*(?:frosted|iced|frozen)(?: over| up)?(?: solid)?(?: .*)?$|^(?:defrost|coil|outdoor|ambient) sensor \d.*$|^(?:phase monitor|smoke detector|hard start(?: kit)?)\b.*$|^(?:low|high) fire(?: only)?$/i,
    'note $&',
  ],
  [
    new RegExp(
      `^(?:the |a )?(?:spare )?${COLOUR}(?: wire)? (?:is )?(?:tucked|folded|coiled|pushed|rolled)(?: up)? (?:behind|back|in|into|inside)\\b.*$`,
      'i',
    ),
    'note $&',
  ],
  [/^aux(?:iliary)? (?=strips\b)/i, ''],
  [
    /^(?:the )?(?:outdoor unit|heat pump|unit|condenser|it|system) (?:is |just |went |goes |going )*(?:in|into|through|on) (?:a )?defrost\b.*$/i,
    'note $&',
  ],
  [
    /^(.*\b(?:runs|running)),? (?:and |but )?(?:the )?(furnace|blower|strips|heat pump|condenser|compressor) (?:is |stays )?off$/i,
    '$1, $2 not running',
  ],
  [
    /^(swap|swapped) (?:the )?([A-Z]\d?|[a-z]+) (?:for|with|to) (?:the )?([A-Z]\d?|[a-z]+) in (?:the )?(outdoor|outside|stat|thermostat) wires?$/i,
    (_, act, wire, spare, cable) => `${act} ${/^out/i.test(cable) ? 'outdoor' : 'stat'} ${wire} to ${spare}`,
  ],
  // Remarks: what is missing, spares that are kept out of the way, thermostats that were swapped.
  [
    /^(?:the )?(?:jumper|strap|link)(?: wire)? (?:between|from|for) .+ (?:is |was )?(?:missing|gone|not there|never (?:installed|put in)|not installed)$/i,
    'note $&',
  ],
  [
    /^(?:tie|tied|cap|capped|tape|taped|fold|folded|coil|coiled|tuck|tucked)(?: off| back| up)? (?:the |all |both )*(?:spares?|unused|extra)(?: wires?| conductors?| ends?| ones?)?(?: off| back| up)?$/i,
    'note $&',
  ],
  [
    /^(?:swap|swapped|switch|switched|trade|traded|exchange|exchanged) (?:the )?(?:zone \d and zone \d|two|both) (?:stats|thermostats)\b.*$/i,
    'note $&',
  ],
  [
    /^(?:the )?(?:economizer|defrost board (?:sends|calls|brings on)|furnace (?:fires|runs|comes on) with (?:the )?heat pump)\b.*$/i,
    'note $&',
  ],
  [
    /^(?:the )?((?:zone \d |upstairs |downstairs )?(?:stat|thermostat)) (?:shows |has |reads |is showing |with )?(?:an? )?([a-z]\d{1,2})(?: error| code)$/i,
    'note $&',
  ],
  // A pressure switch by another name; what a stage does on a jumper.
  [/\b(high|low)[- ]pressure cut-?out (?:is |was |has )?(?:tripped|open|out|kicked out)\b/gi, '$1-pressure switch open'],
  [/^([A-Z]\d?) (?:is )?jumped(?: out)?,? (?:and )?((?:high|low) fire|second stage|2nd stage)$/i, 'jumper R $1, note $2'],
  // A dead damper motor may have left it open or shut.
  [
    /^(?:the )?(?:(?:zone \d|upstairs|downstairs) damper|damper \d)(?: motor)? (?:is )?(?:dead|burned out|burnt out|bad|shot|no good)$/i,
    'note $&',
  ],
]
