import type { Shortened } from '@/src/core/quick-line/short-readings'

/** Conditions said before or after a reading: power off, a wire off, a place, both units, a stage. */
export const ofConditions: readonly Shortened[] = [
  [
    /^(?:the )?(?:low voltage|24 volts?|control voltage)(?: is| reads|'s)? (?:at |only |down to )?(\d{1,2}(?:\.\d+)?)(?: ?v| volts?)?$/i,
    'R-C $1',
  ],
  [
    /^(?:my |a )?(\d{1,2}) ?a(?:mps?)? breaker (?:clipped |wired |put |is )?(?:on|across) (?:the )?fuse (?:leads|clips|holder|terminals)$/i,
    'breaker $1 in',
  ],
  [
    /^(?:i )?(?:put|installed|stuck|wired)(?: in)? (?:a |an |my )?(\d{1,2}) ?a(?:mps?)? (?:pocket |resettable )?breaker (?:in )?(?:in place of|instead of|for|where) (?:the )?fuse(?: (?:goes|was))?$/i,
    'breaker $1 in',
  ],
  [/^(.*\d ?ohms?),? (?:cold|hot|when (?:hot|cold)|warm)$/i, '$1'],
  [/^(.*\b(?:holds|held))(?: (?:at|with))? (\d*\.?\d+ ?(?:a|amps?))$/i, '$1, $2'],
  [/(?<=\d(?: ?v| volts?)?) (?:rock )?(?:solid|steady)$/i, ''],
  // Something comes off, and the same points read otherwise.
  [
    /^((?:the )?(?:(?:stat|outdoor|zone \d|unit|whole) (?:cable|wires?)|contactor|valve|gas valve|thermostat|stat|damper(?: \d)?|board)(?: is)? (?:off|unplugged|disconnected|lifted|out)(?: the wall)?)[:,] (?:it is |it reads |reads |now |still )?(\d*\.?\d+|OL)(?: ?(ohms?|v|volts?))?$/i,
    '$1, $2 $3 now',
  ],
  // A thermostat that is off where something is read hangs on no wall.
  [/^(.*\d.*?|.*\bol\b),? (?:with )?(?:the )?(?:stat|thermostat|tstat) (?:off|pulled)(?: the wall)?$/i, 'stat off the wall, $1'],
  [/(?<!^nothing(?:[’']s| is)? (?:on|going) )\bout here\b/gi, 'outside'],
  [/^nothing(?:[’']s| is)? (?:on|going) out here$/i, 'nothing running'],
  [/\bat (h|l)ps\b/gi, (_, side) => `at ${/h/i.test(side) ? 'high' : 'low'}-pressure switch`],
  [
    /^(?:i |we )?(?:killed|cut|shut off|turned off) (?:all )?(?:the )?power[, ]+(?:and |then )?(?=\S)(?!at\b|to\b|on\b|outside|inside)/i,
    'power off, ',
  ],
  // What is off is said first, and what is read or seen then.
  [
    /^with (?:the )?(.+? (?:off|lifted|unhooked|unplugged|disconnected|jumped|jumpered|off the wall)(?: at (?:the )?[a-z ]+?| outside| inside)?),? (?=(?:contactor|compressor|valve|blower|fan|it|trips|holds|[A-Z]\w?(?:-| to )|\d))/i,
    '$1, ',
  ],
  [/^(?:ohms? )?with (?:the )?power (?:off|down|killed|cut)[, ]+(?:and )?(?=\S)/i, 'power off, '],
  [/^(?!.*\d.* with)(\S.*?) with (?:the )?power (?:off|down|killed|cut),? (?=[\d.]+\b|ol\b)/i, 'power off, $1 '],
  [/^power (?:is )?(?:down|killed|cut)[, ]+(?:and )?(?=\S)(?!at\b|to\b|outside|inside)/i, 'power off, '],
  [/^(?!.*\bohms?\b.*\bohms?\b)ohms?,? (?:from |between |across )?(?=[A-Z]\w?(?:-| to | and )\S+ [\d.]|[\d.]+ )(.+)$/i, '$1 ohms'],
  [/\bwhen (cool|heat)ing$/i, 'on $1'],
  // Readings in a row, and behind the last of them where they all were taken.
  [
    /^((?:[A-Z]\w?(?:[-/&]| to | )[A-Z]\w{0,2} \d[\d.]*(?: ?v)?(?:, ?(?:and )?| and | (?=[A-Z])))+[A-Z]\w?(?:[-/&]| to | )[A-Z]\w{0,2} \d[\d.]*(?: ?v)?) (at (?:the )?[a-z].*|outside|outdoors|inside|indoors)$/i,
    (_, list, where) =>
      `${list.replace(/(?<=\d(?: ?v)?)(?:, ?(?:and )?| and | )(?=[A-Z]\w?(?:[-/&]| to | )[A-Z]\w{0,2} \d)/gi, ` ${where}, `)} ${where}`,
  ],
  [/\b(?:indoor|inside) (?:blower|fan)(?= (?:is |motor )?(?:on|off|runs?|running|not|never|won|does|still|dead|quit)\b)/gi, 'blower'],
  [/^(cool|heat) ?2 (?=(?:never|doesn|won|not|isn|didn|comes|runs|works)\w*\b)/i, 'second stage $1 '],
  [/\bstage (?:2|two) (?=(?:solenoid|compressor|contactor)\b)/gi, 'second stage '],
  // A trial on a call with a wire off.
  [
    /^(cool|heat|fan)(?:ing)? with (.+? (?:off|lifted|unhooked|disconnected)(?: (?:outside|inside|at .+?))?),? (holds|held|trips|tripped)$/i,
    '$2, $3 on $1',
  ],
  [/^((?:outdoor |stat )?[A-Z]\d?) back on,? (?:and |it )?(?:still )?(holds|trips)(?: again)?$/i, 'land $1, $2'],
  [/^(?:my |the )?\d+ ?a(?:mps?)? breaker (?=(?:on|at|of) )/i, 'breaker '],
  [/^((?:still )?(?:trips|pops|blows)) (?:the |a |my )?\d+ ?a(?:mps?)?(?: fuse| breaker)? (?=\S)/i, '$1 '],
  [/^(?:ohmed|ohms|readings?|measured|checked)(?: (?:all|them|everything|it|out))*[:,] (?=[A-Z]\d?(?:[- ]| to )?\S* ?\d)/i, ''],
  [/^(?:the )?(\w+) (?:plug )?pins (?=\d)/i, '$1 coil '],
  // What is so at both units is read at each.
  [
    /^((?=.*(?:\d|\bhot\b|\bdead\b|\bopen\b)).+?),? (?:both )?(?:inside and out(?:side)?|indoors and out(?:doors)?|in and out)$/i,
    '$1 inside, $1 outside',
  ],
  [/^(\d[\d.]*(?: ?v(?:olts?)?)?) (?:leaving|out of) (?:the )?(air handler|furnace|indoor unit)(?=,|$)/i, '$1 at the $2'],
  [
    /^(?:no|0|zero) (?:120|208|230|240)(?: ?v(?:olts?)?)? (?:at|on|to) (?:the )?(?:line side of (?:the )?)?contactor$/i,
    'line side of contactor 0',
  ],
  // Legs against each other, one after the other: L1-L2 209 L2-L3 208.
  [/\b(L\d)[ -]+(L\d) (\d+)(?: ?v)? (?=L\d)/gi, '$1-$2 $3, '],
]
