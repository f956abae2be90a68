import type { Shortened } from '@/src/core/quick-line/short-readings'

/** Where a wire ends, as it is said. */
const AT_ONE_END =
  '(?:(?:at|in|on) (?:the )?)?(?:board|strip|furnace|air handler|inside|indoors|condenser|outside|outdoors|heat pump|outdoor unit|stat|thermostat|panel)'

/** Calls that are said to do the same: heat, cool and fan work. */
const CALL = '(?:heat|cool|fan|heating|cooling|ac)'
const callsInTurn: readonly Shortened[] = [3, 2].flatMap((count) => [
  ...inTurn(count, '(?:works?|runs?|worked|ran)', 'works'),
  ...inTurn(count, '(?:holds?|held)', 'holds'),
])

function inTurn(count: number, said: string, does: string): Shortened[] {
  const calls = `(${CALL})${`(?:,? and |, | & | )(${CALL})`.repeat(count - 1)}`
  const each = Array.from({ length: count }, (_, place) => `$${place + 1} ${does}`).join(', ')
  return [
    [new RegExp(`^(?:all |both )?${calls} (?:all |both )?${said}(?: all)?(?: fine| good| ok)?$`, 'i'), each],
    [new RegExp(`^(?:it )?${said}(?: all)?(?: fine| good| ok)? (?:in |on )?${calls}$`, 'i'), each],
  ]
}

/** Turns of whole days of work, in the words that the rules take: wires by where they go, a reading by its name first, what is thought in between. */
export const ofDays: readonly Shortened[] = [
  // The condenser's Y, said of what is in the hand where one stands.
  [
    /^((?:then |and )?(?:took off|take off|pulled|pull|lifted|lift|disconnected|disconnect|removed|unhooked)) (?:the )?(?:condenser|outdoor unit|heat pump) ([YCOBWRG]\d?)(?: wire)?(?=$|,| and| put in)/i,
    '$1 outdoor $2',
  ],
  [
    /^(?:pulled|took|lifted|disconnected|unhooked) (?:all (?:of )?)?(?:the )?(?:low[- ]?volt(?:age)?|24 ?v(?:olt)?) wires off(?: of)? (?:the )?(?:board|strip)$/i,
    'pulled everything off the board',
  ],
  [/^put in (?:a )?(?:new )?fuse,? (?:and )?(?:it )?(?:is )?(ok|holds|held|fine|blew|pops|popped)$/i, 'new fuse, $1'],
  [/^voltages? (?=[A-Z]\w?\d?-[A-Z])/i, ''],
  [/^calls (?:for )?(cool|heat|fan)(?:ing)?,? (?=\S)/i, '$1 call, '],
  [/^(cool|heat|fan)(?:ing)? call,? (?:runs|works|starts)(?: fine| good| ok| now)*$/i, '$1 runs'],
  [
    /^(cool|heat|fan)(?:ing)? call (?:trips|pops|blows) (?:the )?(?:transformer |low voltage |24 ?v )?(?:breaker|fuse)$/i,
    'call $1, it trips',
  ],
  [/^(?:it )?(?:pop|boom|bang)[.!]*$/i, 'trips'],
  [/^([YWOBG]\d?)[- ](out|in) still (?=\d|ol\b)/i, '$1 $2 '],
  [/^([YWOBG]\d?)[- ](out|in) to C (?=\d|ol\b)/i, '$1 $2 '],
  [/\b(?:HP|high) switch\b/gi, 'high-pressure switch'],
  [/\b(?:LP|low) switch\b/gi, 'low-pressure switch'],
  [/^(.*(?:jumped|jumpered|bypassed)) - (?=nothing|no )/i, '$1, '],
  [/\b(compressor|fan|blower|unit|both|everything) (?:is |are )?going$/i, '$1 running'],
  [
    /^(compressor|condenser fan|blower|fan|motor) (hums?|humming|hummed|buzzes),? (?:and |and then |then |but )?((?:trips|kicks|goes|cuts|shuts|drops|tripped|kicked|went|cut|shut|dropped)(?: off| out)?(?: on (?:its |the )?(?:overload|internal|internals|protector))?)$/i,
    '$1 hums, note $3',
  ],
  [
    /^([YWGOB]\d?) (?:has|gets|got|has got) (?:power|voltage)(?: to it)?(?: (?:on|in) (?:a )?(cool(?:ing)?|heat(?:ing)?)(?: call)?)?$/,
    '$1 hot on $2',
  ],
  // A letter that is live at one end of its wire and not at the other.
  [
    new RegExp(
      `^((?:\\d[\\d.]*(?: ?v(?:olts?)?)? (?:on|at) (?=[YWGOB]\\d? (?!is |hot|live))|(?=[YWGOB]\\d? (?:is )?(?:hot|live|has power|powered|energized)))([YWGOB]\\d?)(?: (?:is )?(?:hot|live|has power|powered|energized))? ${AT_ONE_END}),? (?:but |and |yet )*(?:it(?:[’']s| is) )?(?:not|dead|nothing|none|no power|no voltage|gone|lost)(?: hot| live| there)? (${AT_ONE_END})$`,
      'i',
    ),
    '$1, nothing on $2 $3',
  ],
  // Proved dead on both sides of the transformer.
  [/^((?:l[12](?:-unit)?|line(?: side)?|primary)(?:(?:[ -]| to )(?:n|l2|gnd|ground))?) 0,? (?:and )?(R-C|R to C|RC) 0$/i, '$1 0 V, $2 0 V'],
  [/^(?:locked out(?: and|,| &|\/)? ?tagged(?: out)?|loto(?: on| done)?|locked and tagged)$/i, 'power off'],
  [
    /^(?:flipped|turned|switched) (?:it|the power|power)(?: back)? on,? (?:and )?(?:it )?(popped|pops|blew|trips|tripped|holds|held)(?: again| right away)?$/i,
    'power on, $1',
  ],
  [/^(?:flipped|switched) (?:it|the power|power)(?: back)? on$/i, 'power on'],
  [/^(?:the )?new fuse (?:blew|popped|went)(?: again)?(?: right away| immediately| instantly| at once)?$/i, 'new fuse, blew'],
  [
    /^(?:going|went|leaving|off|heading out|have to go|need to go)(?: out)? (?:to get |for |after )(?:the |a |some )?parts?$/i,
    'leave part on order',
  ],
  [/^(?:board|strip): (?=\S)/i, 'at board '],
  [/^(?:both )?(?:the )?coil wires? off(?: of)? (?:the )?(contactor|relay|reversing valve|gas valve|sequencer|valve)$/i, 'unplugged $1'],
  [
    /^(?:the )?(?:indoor unit|inside unit|idu|furnace|air handler)(?: is)? (?:running|runs|on|works),? (?:but |and )?(?:the )?(?:outdoor unit|outside unit|odu|condenser|outside)(?: is)? (?:off|dead|not running|down|still|doesn[’']?t|doesn[’']?t run|isn[’']?t|isn[’']?t running)$/i,
    'indoor unit running, nothing outside',
  ],
  [
    new RegExp(
      `^(\\d[\\d.]*(?: ?v(?:olts?)?)?) (?:on|to|at) ([YWGOB]\\d?) (${AT_ONE_END}),? (?:and |but |only )*(\\d[\\d.]*(?: ?v(?:olts?)?)?) (${AT_ONE_END})$`,
      'i',
    ),
    '$1 on $2 $3, $4 on $2 $5',
  ],
  // On the wire that is off, not on its screw.
  [
    /^([YWGOBCR]\d?)(?: wire)? to (ground|gnd|chassis|metal) (?:is |reads? )?(?:a )?(?:dead short|shorted|short) on (?:the )?wire$/i,
    '$1 wire to $2 jumps between 0 and 1',
  ],
  [
    /^([YWGOBCR]\d?)(?: wire)? to (ground|gnd|chassis|metal) (?:is |reads? )?(\d[\d.]*(?: ?ohms?)?|ol|open)? ?on (?:the )?wire(?: (\d[\d.]*(?: ?ohms?)?|ol|open))?$/i,
    '$1 wire to $2 $3$4',
  ],
  [/^(?:the )?wire (?:is |reads? )?(\d[\d.]*(?: ?ohms?)?|ol|open) to (ground|gnd|chassis|metal)(?=$|,)/i, 'wire to $2 $1'],
  [/^(?:the )?wire (?:is |reads? )?(?:dead )?shorted to (ground|gnd|chassis|metal)(?=$|,)/i, 'wire to $1 jumps between 0 and 1'],
  [
    /(?<=\bwire\b.*)\b(?:contactor|unit|condenser|board|terminal) side (?=(?:to (?:ground|gnd|c) )?(?:is |reads? )?(?:\d|ol\b|open\b))/gi,
    'terminal ',
  ],
  // Whoever goes somewhere to do something has not done it.
  [
    /^((?:i[’']m |now )?(?:going|heading|headed|walking|off) (?:back )?(?:outside|outdoors|(?:out )?to (?:the )?(?:condenser|heat pump|outdoor unit|furnace|attic|stat|thermostat|air handler|unit|roof|panel))) to [a-z].*$/i,
    '$1',
  ],
  [/^(?:i[’']m |now )?(?:going|heading|headed) out to [a-z].*$/i, 'going outside'],
  [
    /^((?:i[’']m )?(?:holding|held) (?:the )?(?:door |safety )?(?:switch|plunger|button)(?: in| down| closed| shut)?), (.+)$/i,
    '$2, note $1',
  ],
  [/(^|, )((?:i[’']m )?(?:holding|held) (?:the )?(?:door |safety )?(?:switch|plunger|button)(?: in| down| closed| shut)?)$/i, '$1note $2'],
  [
    new RegExp(
      `^([YWGOB]\\d?) (${AT_ONE_END}) (\\d[\\d.]*(?: ?v(?:olts?)?)?),? (?:but |and |yet )*(?:not|dead|nothing|none|no power|no voltage)(?: there)? (${AT_ONE_END})$`,
      'i',
    ),
    '$3 on $1 $2, nothing on $1 $4',
  ],
  [
    /^(.*\b(?:rubbed|chewed|nicked|cut|pinched)\b(?: (?:through|thru|bare))?) (?:where it (?:comes|goes) (?:out of|through|into|in)|at|in|out of|through) (?:the )?(?:wall|house|soffit|conduit|hole|chase|siding|brick)$/i,
    '$1, note $&',
  ],
  [/\b(?:auto(?:motive)?|blade|ato|atc) fuse\b/gi, 'fuse'],
  ...callsInTurn,
  [/^(?:the )?(?:outdoor |condenser )?(?:pair|two)(?: wires)? to each other (?=\d|ol\b|open\b)/i, 'the pair reads '],
  [
    /^(red|white|green|blue|yellow|black|brown|orange) (?:wire )?(?:to|for|from) (?:the )?(?:condenser|outdoor unit|outside unit|heat pump) (?=(?:to )?(?:ground|\d|ol\b))/i,
    'outdoor $1 ',
  ],
  [
    // Of a transformer's label, not of its volts.
    /^((?:the )?transformer (?:(?:label|plate|nameplate) (?:says|is|reads|shows)?(?: it(?:[’']s| is))?(?: a)? ?\d{2,3}(?: ?va)?|(?:says|is|reads|shows)(?: a)? \d{2,3} ?va))$/i,
    'note $1',
  ],
  [
    /^((?:(?:the|there|is|are|has|got|lots?|of|some|heavy|thick|all|outdoor|indoor|outside|inside|suction|evaporator|coil|lines?|lineset|unit) )*(?:ice|iced|frost|frozen)(?: up)?(?: over)?(?: (?:on|over|all over) (?:the )?(?:outdoor |outside |indoor |inside |suction )?(?:coil|line|lineset|unit|condenser|compressor|evaporator))?)$/i,
    'note $1',
  ],
  [/\bstrip (?:element|heater)s? (?=(?:open|ol|reads?|\d))/gi, 'strips '],
  // What only tries to is not in.
  [
    /^(?:the )?(?:voltage|volts|it|r to c|r-c) (?:drops|dropped|sags|sagged|goes|pulls down|falls) (?:down )?to (\d[\d.]*)(?: ?v(?:olts)?)? (?:when|as|while) (?:the )?(?:contactor|relay|valve) (?:tries|trying|attempts|goes) to (?:pull|come|go) in$/i,
    'drops to $1, note tries to pull in',
  ],
  // What blows inside, and nothing where the other unit stands.
  [
    /^(?:the )?(?:indoor |inside )?(?:fan|blower)(?: motor)?(?: is)? (?:on|runs|running|comes on|came on|kicks on|works|going)(?: fine)?(?: inside| indoors)?,? (?:but |and |though )?(?:nothing|not)(?: is| runs| running| happens| happening| going on)* (?:outside|outdoors|out there|at (?:the )?(?:condenser|heat pump|outdoor unit))$/i,
    'fan runs inside, nothing outside',
  ],
  [
    /^(?:the )?(?:indoor |inside )?(?:fan|blower)(?: motor)?(?: is)? (?:on|runs|running|comes on|came on|kicks on|works|going)(?: fine)?(?: inside| indoors)?,? (?:but |and |though )?(?:the )?(?:outside|outdoors|outdoor unit|outside unit|condenser)(?: is)? (?:dead|off|still|not running|down|isn[’']?t|isn[’']?t running|doesn[’']?t run|won[’']?t run|not)$/i,
    'fan runs inside, nothing outside',
  ],
  [/^(?:the )?breakers (?:are )?(?:all |both )?off,? (?:and )?((?:proved|tested|verified|checked|confirmed) dead)$/i, 'power off, note $1'],
  [/(^|[, ])(\d+(?:\.\d+)?)(?: ?v)? out,? (\d{3})(?: ?v)? in$/i, '$1$3 in, $2 out'],
  [/^ohms across (?:the )?(.+?) (\d[\d.]*|ol)$/i, '$1 $2 ohms'],
  [/^(contactor|relay|valve|rv|reversing valve) (?:is |now |stays )*(?:steady|solid)(?: now)?$/i, '$1 in'],
  // A question to oneself, and what was done then.
  [/^([^?\d]{3,45}\?) (?!(?:no|nope|yes|yep|yeah|it|not|none|nothing)\b)(\S+ \S+ \S.*)$/i, '$2, note $1'],
  [/^(\d{3} ?v(?:olt)?s? unit)(?=,|$)/i, 'note $1'],
  [/^((?:outdoor |outside )?sensor (?:reads|says|shows) .*)$/i, 'note $1'],
  [/^(?:the )?breaker (?:is )?(?:good|fine|ok)(?: now)?$/i, 'breaker holds'],
  // Of the customer's words, which are kept as they were typed.
  [
    /(?<=^(?:called|got here|got there|arrived|on site)\b.*)[.,;] ?(?:the )?(?:house|room|inside)(?: is)?(?: at)? \d{2}(?: degrees)?\.?$/i,
    '',
  ],
  [/^called (?:out )?(?:for|about|because of) (?:a )?(?=no |not )/i, ''],
  // Beside a unit outdoors it is the fan there.
  [
    /^((?:the )?(?:outdoor unit|condenser|heat pump|unit outside)\b[^,;]*, (?:the )?)fan (?=(?:is |was )?(?:not|isn|won|does|dead|still|running|runs|spin|turn|stopped))/i,
    '$1condenser fan ',
  ],
  [/^(compressor|fan|blower) (started|starts|running|runs)[.,] (\d+(?:\.\d+)?) ?(?:a|amps)$/i, '$1 runs, note $3 amps'],
  [/^(heat|cool)(?:ing)? stage (?:1|one) (?:ran|runs|holds|held)(?: \d+ ?min\w*)?(?: fine| good| ok| no trip)?$/i, 'holds on $1'],
  [
    /^(heat|cool)(?:ing)? stage (?:2|two) (?:ran|runs|holds|held)(?: \d+ ?min\w*)?(?: fine| good| ok| no trip)?$/i,
    'holds on second stage $1',
  ],
  [/^([A-Z]\d?) (?:was |is )?put back(?=$|,)/i, 'put $1 back'],
  [
    /^((?:bearings? (?:are )?seized|low (?:charge|on charge)|added .* ?(?:lbs?|pounds|oz|ounces)(?: .*)?|cycles? (?:good|fine|ok)))$/i,
    'note $1',
  ],
  [/^((?:stat|thermostat|display) (?:is )?(?:blank|dead|dark)) on (?:the )?(?:cooling|heating|cool|heat) side$/i, '$1'],
  [/^reset it(?=$|,)/i, 'reset'],
  [
    /(?<!\b(?:outdoor|condenser|outside|second)) (?=(?:fan|blower|compressor|contactor) (?:keeps|still|stays) (?:going|running|on|runs|in)\b)/i,
    ', ',
  ],
  [/^((?:transformer|line|primary) wire ?nuts? .*)$/i, 'note $1'],
  // The wires stay on; it is the thermostat that is off.
  [
    /^(?:the )?stat cable (?:is )?(?:back )?on(?: the board)?,? (?:but |and )?(?:with )?(?:the )?(?:stat|thermostat) off (?:of )?(?:the )?wall(?=,|$)/i,
    'stat off the wall',
  ],
  [/,? with (?:the )?(?:stat|thermostat) off (?:of )?(?:the )?wall(?=,|$)/i, ', stat off the wall'],
  [
    /^zone (\d) (?:stat |thermostat )?([RYWG])-C (\d[\d.]*)(?: ?v)? at (?:the )?panel$/i,
    (_, zone, letter, volts) => `${letter.toUpperCase()}${zone}-C${zone} ${volts} V at panel`,
  ],
  [/\b(?:heat )?strips? volt(?:age|s)(?: is| reads)? (?=\d)/gi, 'strips '],
  [/^both zones (heat|cool)(?:s|ing)?(?: now| fine| good)*$/i, 'zone 1 $1s, zone 2 $1s'],
  [/^new (?:stat|thermostat) (?:mounted|hung|installed|up|on the wall)$/i, 'new thermostat'],
  [/^(fuse) \d ?a(?:mps?)? (pops|blows)$/i, '$1 $2'],
  [/^([A-Z]\d? is (?:shorted|open|broken|grounded)(?: to ground)? somewhere(?: .*)?)$/i, 'note $1'],
  [
    /^(so (?!.*\d)(?!.*\b(?:i|we|trips|tripped|holds|held|pops|blew|pulled|put|took|lifted|jumped|swapped|unplugged|landed|reset|turned|went|walked|killed|hooked|replaced|disconnected|checked|off|on)\b).+)$/i,
    'note $1',
  ],
  [/^(?:started|starting|first|ok|found)(?:: | - )(?=\S)/i, ''],
  [/,? (?:and )?put (?:a |my )?(\d) ?a(?:mps?)? breaker in (?:its|the fuse['’]?s) place$/i, ', $1 amp breaker in'],
  [
    /^(?:(.*?), )?((?:defrost |coil |outdoor |outside )?sensor (?:wires? |plug )?(?:off|unplugged|disconnected)),? (.+)$/i,
    (_, before, sensor, rest) => `${before ? `${before}, ` : ''}${rest}, note ${sensor}`,
  ],
  [/\bboth (?:low[- ]voltage|24 ?v(?:olt)?) wires\b/gi, 'both wires'],
  [/^(?:defrost |control )?board ([YWOBG]\d?) in (\d[\d.]*),? ([YWOBG]\d?) out (\d[\d.]*)(?: for \d+ .*)?$/i, '$1 in $2, $3 out $4'],
  [/^zone (\d) ([RYWG])\1 (?:at|on) (?:the )?panel (\d[\d.]*)$/i, '$2$1-C$1 $3 V at panel'],
  [/^(heat|cool|fan)(?:ing)? blows(?: it| it right away| right off| right away| instantly| right out)$/i, 'call $1, trips'],
  [/^cleaned (?:the )?(?:flame )?(?:sensor|rod),? (?:now )?(\d(?:\.\d+)?) ?(?:microamps|ua|µa)$/i, 'flame $1 µA, note cleaned the sensor'],
  [/^((?:swapped|reversed|corrected|fixed) (?:the )?(?:hot and neutral|polarity)\b.*)$/i, 'repaired $1'],
  [/^(?:the )?cable (?:is )?(open|shorted|bad)$/i, 'note cable $1'],
  // The same two points at two places.
  [
    /^([A-Z]\w?\d?-[A-Z]\w?\d?) (\d[\d.]*)(?: ?v)? (at (?:the )?[a-z][a-z ]*?),? (?:and |but )?(\d[\d.]*)(?: ?v)? (at (?:the )?[a-z][a-z ]*)$/i,
    '$1 $2 $3, $1 $4 $5',
  ],
  [/\bran (?:the )?(fan|heat|cool|ac)(?:ing)?,? (?:and )?(?:it was |its )?(?:ok|fine|good|held|no trip)$/i, '$1 holds'],
  [
    /^contactor (?:has|had|is full of|full of|was full of) (ants|bugs|bees|spiders|a lizard|a gecko|insects)(?:,? (?:and )?(?:all |is |its )*(burn(?:ed|t)(?: up)?))?$/i,
    (_, what, burned) => `${what} in the contactor${burned ? ', note burned' : ''}`,
  ],
  [
    /^(contactor|compressor|blower|condenser fan|reversing valve|gas valve|sequencer) (in|out|runs|running|not in|not running|chattering|humming) at (?:the )?(?:heat pump|condenser|outdoor unit|furnace|air handler|unit)$/i,
    '$1 $2',
  ],
  [/^((?:the )?jumpers?(?:[’']s| is| are)? still (?:in|on)(?: place)?|still jumped(?: out)?)$/i, 'note $1'],
  [
    /^((?:there is )?water in (?:the )?pan|(?:the )?pan (?:is )?full),? (?:and )?float(?: switch)? (?:is |was )?(?:tripped|up|open)$/i,
    'float up, note $1',
  ],
  // What is thought of it in between.
  [/^(?:h+m+|huh|ok(?:ay)? so|well|weird|strange|odd)[.!]*$/i, 'note $&'],
  [/^(so (?!.*\d).*\b(?:short(?:ed)?|open|bad|broken|dead|fine|good|wrong)(?: then)?)$/i, 'note $1'],
  [/^((?:zone \d )?(?:stat|outdoor|unit) (?:cable|wire|wiring) has (?:a|an) (?:short|open|break)(?: .*)?)$/i, 'note $1'],
  [/^([A-Z]\d? has (?:\d|two|three|four) wires?\b.*)$/i, 'note $1'],
  [/^24 ?v(?:olt)? (?=fuse\b)/i, ''],
  [/^(.*\bfuse ok), (?:the )?disconnect (?:ok|good|has) (\d{3})$/i, '$1, line $2'],
  [/\b(primary|secondary|coil) ohms (\d[\d.]*)/gi, '$1 $2 ohms'],
  [/^volts at (?:the )?(.+?) (\d{2,3}(?:\.\d+)?)(?: ?v)?(?: during .*| while .*)?$/i, '$1 $2 V'],
  [/\b(igniter|inducer) (?:plug|connector|leads?) (?=\d)/gi, '$1 '],
  // What was mended, and what is read then.
  [/^(?:repaired|fixed|mended) (?:the )?([a-z ]*?(?:cable|wire|splice|lead)),? (?:now )?([A-Z]\w?\d?-[A-Z]\w?\d? .+)$/i, 'repaired $1; $2'],
  // Who takes something off there stands there, and reads the rest there, too.
  [
    /^(?:back |over )?at (?:the )?(stat|thermostat|furnace|air handler|condenser|heat pump|zone panel|panel|outdoor unit)[,:] (?=.*\b(?:off|lifted|pulled|took|unplug\w*|jump\w*|landed|back on)\b.*\d)/i,
    'walk to the $1, ',
  ],
  [/^at (?:the )?(stat|thermostat|furnace|air handler|condenser|heat pump|panel|zone panel|outdoor unit): (?=\S)/i, 'at the $1, '],
  [/ put in (?:a )?(?:new )?fuse,? (?:and )?(?:it )?(?:is )?(ok|holds|held|fine|blew|pops|popped)$/i, ', new fuse, $1'],
]
