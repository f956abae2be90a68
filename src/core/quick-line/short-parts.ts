import { numberIn } from '@/src/core/quick-line/number-words'
import type { Shortened } from '@/src/core/quick-line/short-readings'

/** What a part does, and how it lies. */
export const ofPartsShort: readonly Shortened[] = [
  [
    /^((?:the )?(?:compressor|condenser fan|blower|inducer|strips?)) (?:is )?(?:off|dead) (?=(?:in|on) (?:cool|heat|fan|aux)(?:ing)?\b)/i,
    '$1 not running ',
  ],
  [
    /^((?:heat pump|outdoor unit|condenser|compressor) (?:is )?(?:on|runs|running|going)),? (?:but |and )?no (?:aux|strips?)(?: heat)?$/i,
    '$1, strips not running',
  ],
  [/^(?:pushed|slid|snapped|clipped|screwed) (?:it|that|them) back on$/i, 'put it back on'],
  [/^((?:comp(?:ressor)?|stage) [12]) (?:is )?(?:fine|ok|okay|good)$/i, '$1 runs'],
  [/^(?:the )?(?:door )?switch (?:is )?(?:taped|held|tied)(?: in| down| closed)?$/i, 'note $&'],
  [/^(?:the )?gas (?:cock|shut ?off|line|supply) (?:is )?(?:on|open)$/i, 'note $&'],
  [
    /^(?:the )?(?:ahu|air handler|furnace|unit|stat|thermostat|condenser|equipment) (?:is )?(?:up )?in (?:the )?(?:attic|closet|garage|basement|hall(?:way)?|crawl ?space|utility room|roof)$/i,
    'note $&',
  ],
  [/^([AD-FH-NP-QS-VXZ]\d{1,2}) (?:on|at|showing on) (?:the )?(?:stat|thermostat|display|screen)$/, 'code $1'],
  [
    /^((?:heat )?strips?|compressor|blower|inducer|condenser fan|fan) (?:draws? |pulls? |at )?(\d[\d.]*) ?a(?:mps?)? after (?:about )?(\d+) ?(s|secs?|seconds?|min|minutes?)$/i,
    '$1 $2 amps; note after $3 $4',
  ],
  [/^((?:indoor )?(?:blower|fan)) (?:stays|is|comes|runs|came) on with (?:the )?(?:heat|strips|cool)$/i, '$1 runs'],
  [/^(?:the )?(contactor|relay|sequencer) (?:is )?(?:goes )?in,? (?:and )?out,? (?:and )?in(?:,? (?:and )?out)?$/i, '$1 chatters'],
  [
    /^(?:the )?(?:gas|burners?) (?:is |are )?lit,? (?:then )?(?:the )?(?:blower|fan)(?: on| comes on| came on| starts)? after (?:about )?(\d+)(?: ?s(?:ec(?:onds?)?)?)?$/i,
    'burners lit; blower comes on after $1 s',
  ],
  [/^tightened (?:the )?(?:common|c|hot|r)(?: (?:screw|lug|lead|wire))?(?: at .+)?$/i, 'repaired $&'],
  [/\bdamper (?:motor|actuator) (?=\d\b)/gi, 'damper '],
  [/\b(damper) (?:motor|actuator) (?:no hum|does[n ’']*t hum|silent|dead)$/i, '$1 motor not moving'],
  [/^(?:the )?air(?: is|[’']s)? (?:coming out )?(?:hot|warm|cold|cool)(?: now| again)?$/i, 'note $&'],
  [/^(?:the )?(contactor|relay) (?:won[’']?t|doesn[’']?t|will not|does not|can[’']?t) (?:stay|hold)(?: pulled)?(?: in)?$/i, '$1 lets go'],
  [
    /^(?:found )?(?:the )?contactor (?:is |was )?(?:jammed|wedged|blocked|propped)(?: in| open| shut)?(?: (?:with|by) .+)?$/i,
    'contacts of contactor blocked',
  ],
  [
    /^((?:pulled|took|lifted|unhooked) (?:the )?(?:outdoor |stat )?(?:[RYGWOBC]\d?|red|yellow|green|white|blue)(?: off| loose)?(?: outside| at the \w+)?) still (runs|running|going|on)$/i,
    '$1, still $2',
  ],
  [
    /^(?:the )?(condenser|condensing unit|outdoor unit|heat pump)(?: is|[’']s)? (?:silent|quiet|dead quiet|asleep|(?:just )?sit(?:s|ting) there|not making a sound|makes no sound)$/i,
    '$1 not running',
  ],
  [
    /^(?:the )?(condenser|condensing unit|outdoor unit|heat pump|unit)(?: is|[’']s)? (?:just )?(?:humming|hums|buzzing|buzzes)$/i,
    'note $&',
  ],
  [/^([A-Z]2 \d[\d.]*(?: ?v)?),? no (second|2nd) stage$/i, '$2 stage not running; $1'],
  [/(?<=\b[A-Z]\d? \d[\d.]*(?: ?v)?) (?=no (?:first|flame|ignition|spark|blower|fan|condenser|compressor|heat|cool)\b)/i, ', '],
  [/^no (second|2nd|first|1st) stage$/i, '$1 stage not running'],
  [
    /^(first|1st|low)(?: stage)? (works|runs|is on|comes on|good|fine),? (?:but )?(?:the )?(second|2nd|high)(?: stage)? (?:doesn[’']?t|does not|won[’']?t|is not|isn[’']?t|dead|out)(?: work| run| come on)?$/i,
    '$1 stage runs; $3 stage not running',
  ],
  [
    /^(?:dropped|slid|backed|popped|knocked) (?:the )?((?:outdoor |stat )?(?:[RYGWOBC]\d?|red|yellow|green|white|blue|orange|brown|black))(?: wire)? (?:off|out|loose)(?= |$)(?: of(?= ))?/i,
    'took $1 off',
  ],
  [/^(?:the )?(.+?) (?:doesn[’']?t|does not|won[’']?t|didn[’']?t|never|not) (?:beep|beeping|tone out|ring out)s?$/i, 'no beep on $1'],
  [/^(?:the )?flames?(?: is| are|[’']s)? (?:lit|on|burning)$/i, 'burners lit'],
  [
    /\b(limit|low[- ]pressure|high[- ]pressure)(?: switch| cut ?-?out)? (?:is |was |has )?(?:cut[- ]?out|tripped|popped|kicked out)$/i,
    '$1 open',
  ],
  [/\b(?:hi|high)[- ]press(?:ure)?(?: switch)? cut ?-?out(?=$| )/i, 'high-pressure switch'],
  [/^(.*\bswitch(?:es)?|ps|limit|rollout|float) (?:is |was )?(?:stuck|welded|frozen|jammed) (open|closed|shut)$/i, '$1 $2'],
  [/\bpressure switch (?:won[’']?t|doesn[’']?t|will not|does not|never) opens?$/i, 'pressure switch closed'],
  [/^(?:pushed|pressed|held|holding|taped) (?:the )?door switch (?:in|down|closed)$/i, 'panel on; note $&'],
  [/^[MD](\d)(?:(?: to |-)(?:com|common|c))? (?=\d|ol\b)/i, 'damper $1 '],
  // A motor on its overload is no trip of the 24 V side.
  [
    /,? (?:(?:and|then|but) )*(?:keeps |it )?(?:trips|tripped|tripping|trips out|cuts out|cutting out|goes off|going off|went off|kicks off|kicking off|shuts off) (?:off )?on (?:its |the |thermal |internal )*overload$/i,
    ', note goes off on overload',
  ],
  [/\bcomp(?= (?:is|starts?|started|runs?|running|hums?|humming|won|not|dead|on|off|kicks|comes|came|pulls|draws|just)\b)/gi, 'compressor'],
  [
    /^checked (?:the )?(rollout|limit|float|fuse|contactor)(?: switch)?(?: -|,|:)+ (?:it (?:is |was )?)?(tripped|open|up|down|blown|good|in|out)$/i,
    '$1 $2',
  ],
  [/^reset (?:the )?rollout(?: switch)?(?=,|$| and)/i, 'rollout set'],
  [/^(?:it )?(?:runs|ran) .+ then (?:the )?(rollout|limit)(?: switch)? (?:trips|tripped|opens|opened)(?: again)?$/i, '$1 tripped'],
  [
    /^((?:cooling|heating|second|zone panel|furnace|air handler)? ?(?:transformer|xfmr)),? (?:has )?(\d{3})(?: ?v)? in,? (?:and )?(\d+(?:\.\d+)?|nothing|none|zero)(?: ?v)? out$/i,
    (_, what, into, outOf) => `${what} primary ${into}, ${what} secondary ${/^\d/.test(outOf) ? outOf : '0'}`,
  ],
  [
    /^((?:cooling|heating|second|zone panel|furnace|air handler)? ?(?:transformer|xfmr)),? in (\d{3})(?: ?v)?,? (?:and )?out (\d+(?:\.\d+)?|nothing|none|zero)(?: ?v)?$/i,
    (_, what, into, outOf) => `${what} primary ${into}, ${what} secondary ${/^\d/.test(outOf) ? outOf : '0'}`,
  ],
  [/^(?:the )?line (?:is )?off$/i, 'power off'],
  [/^(.*\bcap(?:acitor)? .*\d),? (?:but )?(?:should be|should read|supposed to be) (\d+)(?: ?(?:uf|mfd))?$/i, '$1 rated $2'],
  [/\b[A-Z]-[A-Z] pair (?=\d|ol\b)/gi, 'pair '],
  [/^((?:just )?(?:heat pump|gas|furnace|air handler) only(?: now)?)$/i, 'note $1'],
  // Beside the compressor it is the fan there.
  [
    /(^|[,;:] ?)((?:the )?comp(?:ressor)? (?:is )?(?:runs|running|on|off|hums|dead|starts|started|not running|came on|comes on|kicks on)),? (?:(?:and|but) )?(?:the )?fan(?= )/i,
    '$1$2, condenser fan',
  ],
  // What hums and does not start hums: that it stands still is in it.
  [
    /^(.*\b(?:compressor|fan|motor|blower)(?: \d)?) (?:is |just |only |sits there |sits |there )*(?:hums?|humming|buzz(?:es|ing)?),? (?:(?:and|but|then) )*(?:it )?(?:won[’']?t|doesn[’']?t|does not|will not|isn[’']?t|not|never|can[’']?t|no)(?: \w+)?(?: up| over| on)?$/i,
    '$1 just hums',
  ],
  // Which thermostat of a zone shows which wire.
  [
    /^(?:an? )?(?:over-? ?current|short(?:ed)?)(?: code)? on zone (\d)(?: (?:stat|thermostat))?,? (?:on )?([A-Z]\d?)(?: wire)?$/i,
    'zone $1 stat shows over-current on $2',
  ],
  [
    /^zone (\d)(?: (?:stat|thermostat))? (?:shows|says|reads|has|throws) (?:an? )?([A-Z]\d?)(?: wire)? (?:is )?(?:short(?:ed)?|over-? ?current)(?: code)?$/i,
    'zone $1 stat shows over-current on $2',
  ],
  [
    /^zone (\d)(?: (?:stat|thermostat))? (?:shows|says|has|throws) (?:an? )?over-? ?current(?: code)?(?: on)? ([A-Z]\d?)(?: wire)?$/i,
    'zone $1 stat shows over-current on $2',
  ],
  [/^(unplugged|disconnected) (both [a-z-]+s)(?=$|,)/i, '$2 $1'],
  [/^plugged (both [a-z-]+s)(?: back)?(?: in)?(?=$|,)/i, '$1 plugged in'],
  [/^zone (\d)(?: wires)? off (?:the |of the )?panel/i, 'pulled zone $1 wires'],
  [/\b(?:little |purple |violet |tan )+(?=fuse\b)/gi, ''],
  [/\b(?:blower|furnace|bottom|access|service) (door|cover)(?= (?:is |was )?(?:off|on|open|shut|closed|removed|back on)\b)/gi, '$1'],
  [/\bmain burners?\b/gi, 'burners'],
  [/\bled (?=flicker)/gi, 'board light '],
  [/\b(?:(?:blower|fan|run|dual|start|compressor) )?cap(?= (?:is |reads |at )*\d)/gi, 'capacitor'],
  [/^jump(?:ed|er|ered)? ([YOWB]\d?) (?:across|past|through|around) (?:the )?(?:defrost |control )?board$/i, 'jumper $1 to $1-out'],
  [/^(?:defrost |control )?board (?:out|output),? ([YOWB]\d?) (?=\d)/i, '$1-out '],
  [/ (?:like|as) (?:it |they )?(?:should|is supposed to|normal|expected)$/i, ''],
  [/\bburn(?:ed|t) open\b/gi, 'open'],
  [/\b(?:it[’']?s |it is |is |its )?(?:isn[’']t|not|is not) (?:magnetized|magnetic|magnetizing)\b/gi, 'not pulled in'],
  [/\b([YOWB]\d?) in to ([YOWB]\d?) out\b/g, '$1 to $2-out'],
  [/\bfloat (?:switch )?(?:is )?(?:not|isn[’']?t) up$/gi, 'float down'],
  [/\bfloat (?:switch )?(?:is |has )?(?:reset|dropped|back down|dropped back down|went down|went back down|cleared)$/gi, 'float down'],
  [/^(stat|thermostat|display|screen) (?:is )?(?:not|isn[’']?t) (?:blank|dead|dark)$/i, 'thermostat alive'],
  [/^no flame signal$/i, 'flame signal low'],
  [
    /^(damper \d) (?:doesn[’']?t|does not|won[’']?t|not) (?:move|moving|drive) with (\d\S*)(?: ?v| volts?)?(?: on it| to it| across it)?$/i,
    '$1 $2 V, note $1 does not move',
  ],
  [/(?<=\binducer (?:is )?(?:on|runs|running)),? (?:and |but )?(?:the )?switch (?=\d|open|closed)/gi, ', pressure switch '],
  [/\b(damper \d|valve|relay) shorted,? (?:at )?(?=\d)/gi, '$1 '],
  [/^(stat|thermostat|display|screen) (?:comes and goes|goes on and off|flickers)$/i, 'thermostat chatters'],
  [/^(?:drain |the )?pan (?:is )?full,? (?:and |the )?float (?:is )?up$/i, 'float up; note pan full'],
  // What comes of it is no call.
  [
    /(?<=\b(?:in|out|on|energized|runs|running|lit|closed|good|contactor|relay|valve|sequencer)),? (?:but |and )?(no (?:heat|heating|cooling|cool air|cold air|hot air|warm air|air))$/i,
    ', $1',
  ],
  [
    /(?<=\b(?:in|out|on|energized|runs|running|contactor|relay|valve|sequencer)),? (?:but |and )?(still (?:heating|cooling))$/i,
    '; note $1',
  ],
  [/^(.+?) (?:pulled |pulls |is |stays )?in (?:without|with no|with nothing) (?:a )?(?:call|calling|called)$/i, 'nothing calling, $1 in'],
  [/\b(contactor|relay|valve) (?:is |keeps |just |keeps on )?click(?:s|ing)? in and out$/gi, '$1 chatters'],
  [
    /\b(stat|thermostat|tstat|display|screen) keeps (?:on )?(?:going (?:blank|dark)|blanking(?: out)?|dying|shutting off|cutting out|resetting)$/gi,
    '$1 chatters',
  ],
  [/\b(?:and |then )?trips? (?:out )?on (?:its |the )?(?:thermal |internal )?overload$/gi, 'goes off on its overload'],
  [/\b(?:and |then )trips? (?:its |the )?(?:thermal |internal )?overload$/gi, 'and goes off on its overload'],
  [/\bwire under (?:the )?([A-Z]\d?)(?: screw| terminal)? (?:is |was )?(?:broken|broke|cut|snapped|loose)(?: off)?$/g, '$1 wire fell off'],
  // What coil has its volts and does not move.
  [
    /^(?:the )?(\w+(?: \w+)?) (?:won[’']?t|doesn[’']?t|will not|does not|isn[’']?t|not) (?:pull|pulling) in with (\d[\d.]*) ?(?:v|volts?)?(?: (?:on|at|across) (?:it|the coil|its coil))?$/i,
    '$2 V across the $1, $1 not pulled in',
  ],
  [/\b(ignit[eo]r) (?:has |at |gets )?(\d[\d.]*) ?(?:v(?:olts)?)?,? (?:and )?(?:is )?(?:glowing|glows|lit|hot)$/gi, '$1 $2 V, $1 glows'],
  [
    /^(?:defrost |control )?board in on ([A-Z]\d?) (\d[\d.]*)(?: ?v)?,? (?:and |but )?out (\d[\d.]*|nothing)(?: ?v)?$/i,
    '$2 in on $1, $3 out',
  ],
  [
    /^(?:listened|looked|checked|felt|watched),? (?:and )?(?:the )?(?=(?:contactor|valve|reversing valve|relay|blower|compressor|fan|inducer|igniter|burners?|board|stat|thermostat)\b)/i,
    '',
  ],
  [/\b24 ?v(?:olts?)? (?=transformer\b)/gi, ''],
  [/\bhsi\b/gi, 'igniter'],
  [/\b(damper \d|zone \d damper)(?: motor)? coil (?:is |reads )?(?:open|ol)$/i, '$1 coil OL'],
  [/^(?:it |now )?(cool|heat)s(?= (?:ok|fine|good|great|well|now)\b)/i, '$1 works'],
  [
    /^(?:checked|tested) (?:the )?((?:high )?limit|rollout|float|(?:low |high )?pressure switch)(?: switch)?[:,]? (?=(?:is )?(?:closed|open|made)\b)/i,
    '$1 ',
  ],
  [/^(?:let|letting) it run (?=(?:for )?(?:an? |\d|five|ten|fifteen|twenty|thirty))/i, 'ran '],
  [
    /^(?:i )?went out(?:side)? (?:there )?and (?=(?:took|pulled|unhooked|lifted|disconnected|opened|read|checked|jumped|looked)\b)/i,
    'went outside, ',
  ],
  [/\b(?:condenser|outdoor unit|outside unit)(?= (?:pulls|pulled|(?:won[’']?t|doesn[’']?t|does not|didn[’']?t) pull) in\b)/gi, 'contactor'],
  [/\b(zone|stage|stat|compressor|damper) (one|two|three)\b/gi, (_, what, number) => `${what} ${numberIn(number)}`],
  [/\b(stat|thermostat|tstat) (?:in|of|for) zone (\d)\b/gi, 'zone $2 stat'],
  [/^both (compressors|contactors|dampers) (?:are )?(running|runs|in|out|off|open|shut)$/i, 'both $1 $2'],
  [/\b((?:limit|rollout|pressure|float)(?: switch)?) is open and (?:it is|it[’']s|it) (?:cold|hot|cool)$/i, '$1 is open'],
  [/^(\d[\d.]*(?: ?v(?:olts)?)? (?:at|on|across|to) (?:the )?(contactor|relay|valve)),? (?:but |and )?no click$/i, '$1, $2 out'],
  [
    /^(holds?|held) (?:for )?(\d+ ?(?:s|secs?|seconds?|min|minutes?)),? (?:and )?then (?:it )?(trips|tripped|popped|pops|blew|blows)$/i,
    '$3 after $2',
  ],
  [
    /^(?:the )?(contactor|relay|valve|gas valve|reversing valve)(?: coil)? (?:has |gets |at )?(\d[\d.]*)(?: ?v(?:olts)?)?,? (?:but |and )?no click$/i,
    '$1 $2 V, $1 out',
  ],
  [/^board out(?:put)? to (?:the )?(contactor|valve|reversing valve) (?:is )?(?:dead|0|nothing|zero)$/i, '$1 coil 0 V'],
  // With the fuse out is how it was read.
  [
    /^([A-Z]\w? ?(?:to |-|\/)\s?(?:[A-Z]\w?|ground|gnd) (?:is |reads? )?(?:[\d.]+(?: ?k?ohms?)?|ol|open)),? (?:with )?(?:the )?fuse (in|out|pulled)$/i,
    (_, read, how) => (/^in$/i.test(how) ? `${read}; note fuse in` : `fuse out; ${read}`),
  ],
  [/^([A-Z]\w?) to ([A-Z]\w?) (?:jumped|jumpered|tied),? (?:and )?(?:the )?(.+) (?:on|comes on|runs)$/, 'jumped $1 to $2, $3 runs'],
  [/\b(?:overflow|condensate|drain|pan|wet) float\b/gi, 'float'],
  [
    /^(contactor|relay)s? (hums?|buzz(?:es)?|chatters?),? (?:and |but )?(?:doesn[’']?t|does not|won[’']?t|never) (?:seat|seats|pull in|close)(?: all the way| fully)?$/i,
    '$1 $2',
  ],
  [/^(cool|heat)(?:ing)? on (?:at|to) [4-9]\d$/i, 'set to $1'],
  [/^([YW]\d?) (contactor|valve|relay) (in|out),? (?:and |but )?([YW]\d?) (in|out)$/, '$1 $2 $3, $4 $2 $5'],
  [/^(rollout(?: switch)?) (?:is |was )?reset$/i, '$1 set'],
  [/\bodu\b/gi, 'outdoor unit'],
  [/\bidu\b/gi, 'indoor unit'],
  [/^(?:pulled|took (?:off|out)|removed|pull) (?:all (?:of )?)?(?:the |my )?jumpers(?: off| out)?$/i, 'jumpers out'],
  [/\b(inducer|blower|compressor|(?:condenser |outdoor )?fan) motor (?=(?:is )?(?:stuck|seized|locked))/gi, '$1 '],
  [
    /,? (?:but |and )?(?:so )?(?:that is (?:a )?|that[’']s (?:a )?|it is (?:a )?|it[’']s (?:a )?|a )?bad (?:coil|contactor|relay|valve|motor|transformer|board)$/i,
    '',
  ],
  [/\b(on|at|across|to) (?:the )?(inducer|blower|compressor) motor\b/gi, '$1 the $2'],
  [
    /\b(ignit[eo]r) (\d[\d.]*) ?(?:v|volts?)?,? (?:but |and )?(?:is )?(?:not glowing|no glow|not hot|stays cold)$/gi,
    '$2 at the $1 but no glow',
  ],
  [/\bfurnace (?:lights|lit|fires|fired|is lit)(?: up| off)?(?: fine| ok| good)?(?= but\b|,|$)/gi, 'burners lit'],
  [/\b(damper \d|zone \d damper) motor\b/gi, '$1'],
  // A valve that stays where it is has not been pulled over.
  [
    /\b(reversing valve|rev(?:ersing)? valve|rv) (?:is |does |did |has )?(?:not|n[’']t|isn[’']t|won[’']t|will not|doesn[’']t|didn[’']t|never|hasn[’']t) (?:switch|shift|change|move|revers|energiz)(?:e|es|ed|ing|s)?(?: over)?$/i,
    '$1 out',
  ],
  [/,? (?:but )?no (blower|compressor|condenser fan|outdoor fan|inducer)$/i, ', $1 not running'],
  [/^((?:air handler|furnace|indoor|outdoor|condenser) (?:blower|fan|motor))(?: is)? on$/i, '$1 running'],
  [
    /^zone (\d) (?:stat|thermostat|tstat) (?:calls|is calling|calling),? (?:but |and )?damper (?=\w+$)/i,
    'zone $1 stat is calling, zone $1 damper ',
  ],
  [
    /\b(contactor|relay|valve) (?:pulls|pulled|comes|came|goes|went|snaps) in,? (?:and then |and |then |but )(?:it )?(?:drops|dropped|falls|fell|lets go|let go|kicks)(?: right)?(?: back)?(?: out)?$/i,
    '$1 chatters',
  ],
  // What lies in or out at the end is the part that was read.
  [/(\b(?:contactor|relay|valve|sequencer|damper|coil)\b.*\d.*), (?:but |and )?(?:pulled |pulls )?(in|out)$/i, '$1, it is $2'],
  [/^no wire (?:on|under|at) (?:the )?([A-Z]\d?)(?: screw| terminal)?$/, '$1 wire fell out'],
  [/\b(board|control) (?:says|shows|gives|reads) (\d+) (?:flashes|blinks)/gi, '$1 flashes $2 times'],
  [/^(zone \d) damper (open|closed|shut),? (?:and )?(zone \d) (open|closed|shut)$/i, '$1 damper $2, $3 damper $4'],
  // `heat's fine`, and what goes blank without being named.
  [
    /\b(heat|cool|cooling|heating|fan|blower|compressor|contactor|breaker|fuse|stat|thermostat|condenser|furnace|inducer|valve|limit|float|power)[’']s (?=(?:fine|ok|good|dead|off|on|out|in|up|down|running|holding|tripping|open|closed|shut|blank|hot|back|calling)\b)/gi,
    '$1 is ',
  ],
  [/^(?:it )?(went|goes|going) (?=(?:blank|dark|dead)\b)/i, 'thermostat $1 '],
  [
    /^(?:stat|thermostat|it|screen|display) (?:is |went |goes )?(?:blank|dark)(?:,? and)?,? then (?:comes?|came) back(?: on| up)?$/i,
    'thermostat went blank then came back',
  ],
  [
    /^(?:stat|thermostat|it|screen|display) (?:went|goes|is|was) (?:blank|dark) (?:on|in|when (?:i |it )?(?:calls?|called)(?: for)?) (?:a )?(cool|heat|fan)(?:ing)?(?: call)?,?(?: and)? then (?:comes?|came) back(?: on| up)?$/i,
    'call $1, thermostat went blank then came back',
  ],
]
