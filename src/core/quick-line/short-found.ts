import { COLOUR } from '@/src/core/quick-line/colours'
import { GROUND_WORDS } from '@/src/core/quick-line/names'
import type { Shortened } from '@/src/core/quick-line/short-readings'

const GROUND = `(?:${GROUND_WORDS.join('|')})`
const NOT_RUN = "(?:won[’']?t|will not|does ?n[’']?t|does not|is ?n[’']?t|is not|not)"

/** What was found: a wire that was off, a mark, what is fine, what a unit does; and what was read at both ends of a wire. */
export const ofWhatIsFound: readonly Shortened[] = [
  [
    /^(?:found )?((?:(?:outdoor|stat) )?(?:[RYGWOBC]\d?|red|yellow|green|white|blue|orange|brown|black)) and ([RYGWOBC]\d?|red|yellow|green|white|blue|orange|brown|black) (?:were |are |wires )?(?:mixed up|reversed|backwards|flipped|switched around)(?= |$)/i,
    '$1 and $2 swapped',
  ],
  [/^(?:cut (?:it )?back and )?(?:re-?stripped|stripped back) (?=\S)/i, 'repaired restripped '],
  // It was so before the search touched it.
  [/^([A-Z]\d?)(?: wire)? (?:on|in|of) (?:the )?(outdoor|stat|thermostat) cable was (off|loose)\b/i, '$2 $1 was $3'],
  [
    new RegExp(
      `^(?:i )?found (?:the )?((?:(?:outdoor|stat|thermostat) )?(?:[A-Z]\\d?|${COLOUR}))(?: wire)? (?:was )?(off|loose|disconnected|hanging)(?= (?:at|in|on|of|from|its)\\b|$)`,
      'i',
    ),
    (_, wire, how) => `${wire} was ${/^(?:disconnected|hanging)$/i.test(how) ? 'off' : how}`,
  ],
  [
    new RegExp(
      `^(?:the )?(${COLOUR})(?: wire)? was (off|loose)(?: of| from)? (?:the )?[A-Z]\\d?(?: (?:terminal|screw))?(?= (?:at|in|on)\\b|$)`,
      'i',
    ),
    '$1 was $2',
  ],
  [
    /^(?:found |there[’']?s |there is )?(?:an? )?(burnt|burned|scorched|charred|melted) (?:spot|mark|place|area)s? (?:on|in) (?:the )?(?:wiring|wires?|insulation|loom)(?: (?:by|near|at|next to|behind|in) (?:the )?(.+))?$/i,
    (_, how, where = '') => `${how} wiring ${/^(?:|.*(?:board|strip|fuse|transformer))$/i.test(where) ? 'here' : `at the ${where}`}`,
  ],
  [
    /^(?:the )?(?:low[- ]voltage |24 ?v )?(?:wires|connections|terminals|landings) (?:are |look |all )*corroded(?: here| out here)?$/i,
    'landings corroded',
  ],
  [/^(?:the )?(?:checked |tested )(?:the )?fuse,? (?:and )?(?:it[’']?s |it is |is )?(good|ok|fine|blown|bad|open)$/i, 'fuse $1'],
  [/^(?:the )?fuse (?:tested|tests|checked|checks|ohmed|ohms)(?: out)? (good|ok|fine|blown|bad|open)$/i, 'fuse $1'],
  [
    /(?<=^|[,;] )((?:zone \d |upstairs |downstairs )?(?:stat|thermostat)) (?:is |looks |seems )?(?:fine|ok|okay|normal|working(?: fine)?|lit(?: up)?|powered(?: up)?|up and running)(?=$|[,;])/gi,
    '$1 alive',
  ],
  [/^([YGWOB]\d?) (?:is )?energi[sz]ed,? (?:with |at )?(\d[\d.]*) ?v(?:olts?)?$/i, '$1-C $2 V'],
  [/^prim(?:ary)? (?:has |is |reads? )?(\d{2,3}(?:\.\d+)?)(?: ?v(?:olts?)?)?$/i, 'primary $1'],
  [
    /^(?:it[’']?s )?(?:pulling|drawing|pulls|draws|pulled) (\d*\.?\d+) ?a(?:mps?)? (?:on|in|off|from) (?:the )?(?:24[- ]?v(?:olts?)?|24|low[- ]voltage|control|secondary)(?: side| circuit| wire| line)?$/i,
    'R $1 A',
  ],
  // The power is off, whatever else was told.
  [
    /^(.*\b(?:smell|smells|smelled|smoke|smoked|smoking|burnt|burning)\b.*?),? (?:so |and )?(?:i )?(?:power(?: is)? (?:off|killed)|(?:killed|cut|shut off|turned off|pulled) (?:the )?power|shut (?:the )?power (?:off|down)|turned (?:the )?power off)$/i,
    '$1; power off',
  ],
  // What stands still or runs in spite of what is called.
  [/(?<=^|[,;] |\band |\bbut )(?:the )?outside (?=(?:is |was )?(?:running|runs|on\b|dead|not\b|isn|won|doesn|still\b))/gi, 'outside unit '],
  [
    /^(blower|fan|furnace|air handler) and (outside|outdoor|condenser)(?: unit)? (?:are |is )?(?:both )?(?:running|on|run)$/i,
    '$1 runs, outside unit runs',
  ],
  [/^(?:i hear )?clicks? (?:at|in|on) (?:the )?(?:board|furnace|relay),? but nothing outside$/i, 'outside unit not running'],
  [/^(?:a )?(blower|inducer|fan) (\d+) ?v(?:olts?)? (not (?:spinning|running|turning))$/i, '$1 $2 volts, $3'],
  [new RegExp(`^(?:the )?unit ${NOT_RUN} (?:run|come on|start|running|on) outside\\b`, 'i'), 'outside unit not running'],
  [/^(outside unit not running),? but (?:the )?(blower|fan|furnace|air handler) (?:does|is|runs)$/i, '$1, $2 runs'],
  [new RegExp(`^(?:the )?(furnace|heater) ${NOT_RUN} (?:light|fire|ignite|lighting|firing)(?: up| off)?$`, 'i'), '$1 not running'],
  [
    /^(?:it[’']?s |it is |the |unit )*(?:still )?(?:runs|running) (outside|inside)(?:,? with)? (?:no calls?|nothing (?:called|calling)|the stat off)$/i,
    '$1 not as called',
  ],
  // What went past a switch, and what came of it.
  [
    /^((?:bypassed|jumped(?: out)?|jumpered(?: out)?) (?:the )?(?:high|low|hp|lp)[a-z -]*?(?:switch|control)?),? (?:and |now |then )+(?:it |the unit )?(?:runs|ran|starts|started|comes on|came on|kicks on|kicked on|takes off|took off)(?: now)?$/i,
    '$1, condenser runs',
  ],
  [
    /^((?:bypassed|jumped(?: out)?|jumpered(?: out)?) (?:the )?(?:limit|rollout|roll-out)[a-z -]*?(?:switch)?),? (?:and |now |then )+(?:it |the furnace )?(?:runs|ran|starts|started|comes on|came on|fires|fired|lights|lit)(?: up| now)*$/i,
    '$1, furnace runs',
  ],
  // One letter at both ends of its run.
  [
    /^([A-Z]\d?)(?: ?= ?| is | has | )(\d[\d.]*)(?: ?v)? at (?:the )?([a-z]+(?: [a-z]+)?),? (?:and |but )?(\d[\d.]*)(?: ?v)? at (?:the )?([a-z]+(?: [a-z]+)?)$/i,
    '$1-C $2 at $3, $1-C $4 at $5',
  ],
  [
    /^(?:between )(?:the )?(?:two |both )?(outdoor|stat|thermostat|condenser) wires (?:is |reads? |measures? )?(\S+)$/i,
    'both $1 wires read $2',
  ],
  // A board by what goes in and what comes out.
  [
    /^(?:the )?(?:defrost )?board[:,]? (?:has |gets |got )?(\d[\d.]*)(?: ?v)? in on ([A-Z]\d?),? (?:and |but )?(\d[\d.]*|nothing|none|no)(?: ?v)? (?:comes |coming )?out$/i,
    (_, into, letter, out) => `${letter} ${into} V outside, ${letter}-out ${/^n/i.test(out) ? 0 : out} V outside`,
  ],
  [
    /^(?:the )?((?:outdoor|stat|thermostat|condenser) (?:wires|cable)) (?:are |is )?(?:landed|connected|hooked up|on) again$/i,
    '$1 back on',
  ],
  // A wire against the metal, whatever one calls it.
  [new RegExp(`^(?:the )?([A-Z]\\d?) (?:field )?wire (?:to|and) (?:the )?${GROUND}\\b`, 'i'), '$1 wire to ground'],
  [/^([A-Z]\d? (?:wire )?to ground|(?:the )?wire to ground) (?:is |reads? )?now (?=\d)/i, '$1 '],
  [
    new RegExp(`^([A-Z]\\d?) to ${GROUND} (?:is |reads? )?(\\d*\\.?\\d+(?: ?(?:k|m)?ohms?)?|ol) on the (?:field )?wire$`, 'i'),
    '$1 wire to ground $2',
  ],
  [/^([A-Z]\d? wire to ground) (?:is |reads? )?(?:a )?(?:dead )?short(?:ed)?$/i, '$1 shorted'],
  // On both sides of the fuse.
  [
    /^(\d[\d.]*) ?(?:v )?on (?:the )?secondary(?: side)?(?: of (?:the )?(?:transformer|xfmr))?,? (?:but |and )?nothing (?:past|after|behind) (?:the )?fuse$/i,
    '$1 before the fuse, 0 after',
  ],
  [
    /^(?:voltage |volts )?before (?:the )?fuse (\d[\d.]*)(?: ?v)?,? (?:and )?after(?: it)? (\d[\d.]*)(?: ?v)?$/i,
    '$1 before the fuse, $2 after',
  ],
  [/^(?:on )?both sides of (?:the )?fuse (?:are |read |is )?(\d[\d.]*)(?: ?v)?$/i, '$1 on both sides of the fuse'],
  [/^(fuse (?:out|pulled|removed)) (?:ohm(?:ed|s)? |read )?(?=[A-Z]\d?(?: to |-))/i, '$1, '],
  [
    /^(?:nothing|no voltage|no 24) (?:comes? |coming )?out of (?:the )?(?:defrost )?board (?:to|for) (?:the )?contactor$/i,
    'Y-out 0 V outside',
  ],
  [
    /^(?:it |unit |system )?(?:only (?:the )?(aux|emergency)(?: heat)? works|(?:runs|works|heats) (?:on|in) (aux|emergency)(?: heat)? only)$/i,
    'complaint heat pump not heating, only $1$2 heat works',
  ],
  // Where a letter is read, and that it stays there, says nothing more.
  [/^(\d[\d.]*)(?: ?v)? (?:leaving|coming out of|coming off|out of) (?:the )?(?:board|furnace|air handler) on ([YGWOB]\d?)$/i, '$2-C $1'],
  [/^([A-Z]\d?(?: to |-)[A-Z]\d? \d[\d.]*(?: ?v)?),? (?:and |it )*(?:holds|holding|stays|staying|is)? ?(?:rock )?(?:steady|solid)$/i, '$1'],
  [/^([A-Z]\d?(?: to |-)(?:[A-Z]\d?|ground|gnd|chassis)) at (?:the )?(?:board|strip|terminal strip|terminal block)(?= )/i, '$1'],
  [/^([A-Z]\d?(?: to |-)(?:[A-Z]\d?|ground|gnd|chassis)),? (?:(?:is|it[’']?s|reads?|now|only|about|around) )+(?=\d|\.\d|ol\b)/i, '$1 '],
  [
    /^([A-Z]\d?(?: to |-)(?:C|ground|gnd|chassis|[A-Z]\d?) \d*\.?\d+(?: ?ohms?)?),? (?:that[’']?s |it[’']?s |got )?(?:a )?(?:dead |direct )?short(?:ed)?(?: somewhere)?$/i,
    '$1',
  ],
  [/^((?:used|using|swapped|ran|put)\b.* for (?:the )?[A-Z]\d?),? (?:at |on )?both ends$/i, '$1'],
  [/^(?:the )?(high|low)[- ]pressure(?: switch)? (?:is |has )?(?:tripped|kicked out)$/i, '$1 pressure switch open'],
  // What a motor draws, beside its plate; and one that stands still, hot as it is.
  [
    /^(compressor|condenser fan|outdoor fan|fan motor|blower|strips) amps? (?:is |are |at |reads? )?(\d[\d.]*)(?:,? (?:rla|fla|plate|nameplate|rated) (\d[\d.]*))?$/i,
    (_, what, read, plate) => `${what} ${read} amps${plate ? `, ${what} rla ${plate}` : ''}`,
  ],
  [
    /^(?:the )?(fan motor|condenser fan|outdoor fan|blower motor|blower|compressor)(?: is)? (?:hot|burning hot|warm),? (?:and |but )?(?:is )?not (?:turning|running|spinning)$/i,
    '$1 not running; note $1 is hot',
  ],
  [
    /^(?:the )?(?:(outdoor|outside|condenser) )?fan motor(?: is)? (?=not\b|isn|won|does|runs?\b|running|hum|still\b|turns?\b|turning|spins?\b|spinning)/i,
    (_, where) => `${where ? 'condenser fan' : 'fan'} `,
  ],
  // What was so before anybody called.
  [/^fuse (?:is )?intermittent\b.*$/i, 'fuse blows now and then'],
  [
    /^new (?:furnace|unit|system|equipment|air handler|condenser|heat pump|ac|a\/c)\b.*\b(?:first|yesterday|last|ago|year|month|week|installed)\b.*$/i,
    'complaint $&',
  ],
  [/^(?:that[’']?s|that is) (?:\d|two|three|four|five) fuses(?: now| already| so far| today)*$/i, 'note $&'],
]
