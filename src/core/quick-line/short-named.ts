import { COLOUR } from '@/src/core/quick-line/colours'
import { GROUND_WORDS } from '@/src/core/quick-line/names'
import type { Shortened } from '@/src/core/quick-line/short-readings'

const WIRE = `[A-Z]\\d?|${COLOUR}`
/** A cable by the word that it goes by. */
const cableOf = (said: string): string => (/^(?:stat|thermostat)$/i.test(said) ? 'stat' : 'outdoor')

const TAKEN_OFF = '(?:yank|yanked|pull|pulled|take|took|lift|lifted|remove|removed|disconnect|disconnected|unhook|unhooked)'

/** How places, parts and wires are called beside what was read or done there. */
export const ofNames: readonly Shortened[] = [
  // Of 24 V, and no reading.
  [/\b24[- ]?v(?:olts?|ac)? (?=(?:leads?|wires?)\b(?! \d))/gi, 'low-voltage '],
  [/\b(?:at|on) (?:the )?(?:stat |thermostat )?(?:sub[- ]?base|wall ?plate|base ?plate|back ?plate)\b/gi, 'at the thermostat'],
  [/\bhot[- ]surface igni(?:ter|tor)\b/gi, 'igniter'],
  // The line where it comes in.
  [
    /^(L1)(?:[- ]| to | and )(L2|N) (?:at|on) (?:the )?((?:condenser |outdoor )?disconnect|furnace switch)[,:]? (?:is |reads? )?(\d[\d.]*)(?: ?v(?:olts?)?)?$/i,
    '$4 at the $3',
  ],
  [
    /^(?:the )?breaker (?:for|to|on) (?:the )?(?:condenser|ac|a\/c|furnace|air handler|heat pump|outdoor unit|outside unit|blower|strips) (?:is |was |has |had |keeps )*(?:tripped|tripping|trips|off|popped)\b.*$/i,
    'note $&',
  ],
  // Which cable a wire is of, said behind the wires.
  [
    new RegExp(
      `\\b(${WIRE}) (to|and) (${WIRE}) (?:in|of|on) (?:the )?(outdoor|outside|condenser|stat|thermostat)(?: cable| wire| bundle)(?=[ ,;:]|$)`,
      'gi',
    ),
    (_, one, joint, other, cable) => `${cableOf(cable)} ${one} ${joint} ${cableOf(cable)} ${other}`,
  ],
  // A spare that takes a wire's place.
  [
    new RegExp(
      `^(swap|swapped) (${WIRE}) (?:for|with|to) (${WIRE}) (?:in|of|on) (?:the )?(outdoor|outside|stat|thermostat)(?: cable| bundle)?$`,
      'i',
    ),
    (_, act, wire, spare, cable) => `${act} ${cableOf(cable)} ${wire} to ${spare}`,
  ],
  [
    new RegExp(
      `^(${TAKEN_OFF}) (?:both|the|all|two| )*(?:low[- ]volt(?:age)?|24 ?v(?:olts?)?|control)(?: wires| leads) (?:off|from) (?=(?:the )?(?:contactor|gas valve|reversing valve|valve|coil|relay)\\b)`,
      'i',
    ),
    '$1 the wires off ',
  ],
  // Volts on a letter, then what the part there does.
  [
    /^(\d[\d.]*)(?: ?v(?:olts?)?)? (?:at|on) ([A-Z]\d?) (outside|outdoors|inside|indoors) (?=(?:the )?(?:contactor|valve|reversing valve|compressor|fan|condenser|blower) (?:not|isn|won|is|in|out|still|dead|doesn)\b)/i,
    '$2-C $1 $3, ',
  ],
  [/(\d ?v(?:olts?)?) (?=(?:won[’']?t|doesn[’']?t|isn[’']?t|not) (?:open|close|pull|run|turn|move|budge))/gi, '$1, '],
  // A slip and the trip that it caused are one entry.
  [
    /^(?:(?:oops|whoops|damn|dang|shoot|crap|sorry|ugh)[,!]? )?(?:i |(?:my )?(?:probes?|leads?|hand|screwdriver|meter|(?:meter|test) (?:leads?|probes?)) )?(?:slipped|touched|shorted|crossed)(?: together)?(?: with (?:the |my |a )?(?:test |meter )?(?:leads?|probes?|meter|screwdriver|wrench|clip|jumper))?,? (?:and |it )*(?:popped|blew|tripped|took out)(?: it| (?:the |a |another )?(?:fuse|breaker))?$/i,
    'slip',
  ],
  [
    /^(?:put (?:in )?(?:a )?|installed (?:a )?|stuck in (?:a )?)?(?:new|fresh|another) fuse(?: in)?,? (?:it |and |and it )?(blew|blows|popped|pops)(?: again)? (?:before (?:i|we) (?:even )?(?:touched|did|called|got).*|without (?:touching|calling) .*)$/i,
    'new fuse, $1',
  ],
  // A delay is not a fault.
  [
    /^(?:there[’']?s |there is |has )?(?:an? )?\d+[- ]?(?:min|mins|minute|minutes|sec|secs|second|seconds) (?:time )?delay\b.*$/i,
    'note $&',
  ],
  // With a letter jumped at a unit, what runs is that unit.
  [
    /^((?:put (?:a )?)?jump(?:ed|er|ered)? R[ch]?(?: to |[- ])[A-Z]\d?(?: (?:at|in|on|outside|outdoors) ?[a-z ]*?)?),? (?:and |then |it )*(?:runs|ran|fired(?: right)? up|starts|started|comes on|came on|kicks on|kicked on|takes off|took off)$/i,
    '$1 and it runs',
  ],
  [
    /^(?:a )?(smoked|burnt|burned|burned[- ]up|burnt[- ]up|cooked|fried|melted|toasted) (transformer|xfmr|board|stat|thermostat|contactor|relay)$/i,
    '$2 is burned',
  ],
  [
    /^(?:no|stat has no|thermostat has no|there is no|there[’']s no) (?:c|common)(?:[- ]?wire) (?:run |pulled |here |in the wall )*$/i,
    'no C wire',
  ],
  [
    /^(?:all )?(?:the )?wires (?:at|on) (?:the )?(stat|thermostat|furnace|air handler|condenser|outdoor unit|board|panel|strip) (?:are |is )?(?:all )?(?:tight|good|landed|snug|fine|on tight|secure)$/i,
    'landings at the $1 all landed',
  ],
  [
    new RegExp(
      `^(\\d[\\d.]* ?(?:meg|megs|megohms?|k|kohms?|ohms?)) (?:between |from |across )?(${WIRE}) (?:and|to) (?:the )?(${WIRE}|${GROUND_WORDS.join('|')})( (?:at|in|on|outside|outdoors|here)\\b.*)?$`,
      'i',
    ),
    '$2 to $3$4 $1',
  ],
  [
    /^ohm(?:ed|s)?(?: out)? (?:the )?(igniter|ignitor|hsi|flame sensor|contactor|gas valve|valve|inducer|blower|compressor)[:,]? (?=\d|\.\d|ol\b|open\b|infinite\b)(\S+)(?: ?ohms?)?$/i,
    (_, part, read) => `${part} ${/\d/.test(read) ? `${read} ohms` : 'OL'}`,
  ],
  // A jumper by another name.
  [
    /^(?:ran|run|used|put|added|strung|hooked up|hooked)(?: in)? (?:a |an )?(?:temp(?:orary)?|test|jumper|jump|clip)[- ]?(?:wire|lead|jumper)? (?:from |between |across )?([A-Z]\d?|red|yellow|green|white|blue|orange) (?:to|and) (?=[A-Z]\d?\b|red|yellow|green|white|blue|orange)/i,
    'jumped $1 to ',
  ],
  // Wires off and a reading, with no comma between.
  [
    /^((?:pulled|took|lifted|unhooked|disconnected) (?:the |both |all )*[a-z]+ (?:wires|wire)(?: off)?),? (?=[A-Z]\d? (?:to|and) (?:[A-Z]\d?|ground|gnd) (?:is |now |reads? )*(?:\d|\.\d|ol\b))/i,
    '$1; ',
  ],
  // Remarks: nothing is weighed by them.
  [
    /^(?:the )?(?:air |return )?filters? (?:is |are |was |were )?(?:plugged|dirty|clogged|filthy|blocked|solid|impacted|brand new|clean|new)\b.*$/i,
    'note $&',
  ],
  [
    /^(?:\d+|one|two|three|four|five|six) (?:flash(?:es)?|blinks?)[,:]? (?:= ?|is |means |for )?(?:the )?(?:pressure switch|limit|flame|ignition|lockout|rollout|polarity|open|low|high)\b.*$/i,
    'note $&',
  ],
  [/^(?:there[’']?s |found )?(?:an? )?extra (?:wire|conductor) (?:on|at|under) .+$/i, 'note $&'],
  [
    /^(?:cooling|heating|cools|heats|blowing)(?: now| fine| good)?,? (?:at )?\d{2,3}(?: degrees| f)? (?:out of|at|from|in|off) (?:the )?(?:vents?|registers?|supply|plenum|coil)$/i,
    'note $&',
  ],
  [/^phase ([ABC]) to ([ABC])[,:]? (?=\d)/i, (all, a, b) => (`${a}${b}`.toUpperCase() === 'AB' ? 'L1 to L2 ' : all)],
  // A motor by another name.
  [/\bdraft (?:motor|blower|fan)\b/gi, 'inducer'],
  [/^(?:the )?(inducer|blower|condenser fan|outdoor fan) motor (?=\d)/i, '$1 '],
  [
    /^(?:the )?(?:igniter|ignitor|hsi) (?:has|gets|is getting|reads|at|with) (\d[\d.]*)(?: ?v(?:olts?)?)?,? (?:but |and )?(?:it )?(?:does ?n[’']?t|doesnt|won[’']?t|wont|not|is ?n[’']?t|isnt|never|no) (?:glow(?:ing|s)?|light(?:ing)?|get hot|heat up)$/i,
    '$1 at the igniter, no glow',
  ],
  [
    /^(inducer .*?),? (?:but |and )?(?:the )?(?<!pressure |draft )switch (won[’']?t|wont|does ?n[’']?t|doesnt|never|not) (close|closes|make|makes|pull in)$/i,
    "$1, pressure switch won't make",
  ],
  // A word beside a reading adds nothing to it.
  [
    /^([A-Z]\d?(?: to |-)[A-Z]\d?) (?:is |was )?(?:hot|live|good|dead|low|high|energi[sz]ed),? (?:at |with |it[’']?s |reads? )?(?=\d)/i,
    '$1 ',
  ],
  [
    /^(?:it )?(?:still )?(trips|pops|blows|holds) (?:when|once|with) ([A-Z]\d?) (?:is )?(?:jumped|jumpered|jumped out)$/i,
    'jumper R $2, $1',
  ],
  // A drop in volts is not a reading: nobody said what is left.
  [/^(?:a )?(?:drop|dip|sag) of (?:about )?\d[\d.]* ?v(?:olts?)?\b.*$/i, 'note $&'],
  [
    /^(?:the )?(?:home ?owner|customer|tenant|owner|landlord|manager) (?:already |has |had )*(?:flipped|reset|tripped|replaced|changed|swapped|turned|put|pushed|checked)\b.*$/i,
    'note $&',
  ],
  [/^(?:it[’']?s |is |unit )?running on (?:gas|aux|emergency heat|strips|second stage|high)$/i, 'note $&'],
]
