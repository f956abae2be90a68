import type { Shortened } from '@/src/core/quick-line/short-readings'

/** A call that something happens on. */
const ON_CALL =
  '(?:on|in|with|when|as soon as) (?:a |the |any )?(?:call for |calling for |calling )?(?:first stage |second stage |low |high )?(?:cool|heat|fan|ac\\b|aux|em\\b|emergency)'

/** What trips and what holds: the fuse that went on a call, and what no longer goes. */
export const ofTrips: readonly Shortened[] = [
  [/^(?:it )?(trips|tripped|pops|popped|blows) (?:at|around|about) (\d+(?:\.\d+)?) ?a(?:mps?)?$/i, 'trips; max $2 A on R'],
  [/^(?:the |my )?breaker(?: is|[’']s) (?:a |rated )?(\d+) ?a(?:mps?)?$/i, 'breaker $1 in'],
  [/(?<=^|, )(trips|tripped|holds|held|fine|ok) (?=zone \d(?:$|,))/gi, (_, does) => `${/^(?:fine|ok)$/i.test(does) ? 'holds' : does} on `],
  [/^(?:call|calling|called) (zone \d),? (?:it )?(trips|tripped|holds|held)$/i, '$2 on $1'],
  [
    /^(?:still |keeps |keep )?(?:popping|blowing|tripping) (?:it|(?:the |my |this )?(?:fuse|breaker)) (on|with|when|once) (?=\S)/i,
    'still trips $1 ',
  ],
  [/^(?:still |keeps )(?:popping|blowing|tripping) (?=(?:on|with|when|once) )/i, 'still trips '],
  [/^no (?:blow|trip|pop)s? (?:on|with|in) (?=\S)/i, 'holds on '],
  [
    /^(?:it )?(?:took|takes|was|needed|needs) (?:about |around |maybe |like )?(\d+) ?(?:s|secs?|seconds?) (?:to|before it|until it) (?:trip|trips|tripped|blow|blew|pop|popped)$/i,
    'trips after $1 s',
  ],
  [
    /^(?:stuck|threw|shoved|dropped|popped|slid|tried) an? (\d+)(?: ?a(?:mps?)?)?(?: fuse)? in(?: (?:there|it))?(?:(?: just)? to (?:see|test|check)| for now)?$/i,
    'fuse $1 in',
  ],
  [
    /^(?:got|have|using|has|there is) (?:an? |my |the )?(?:inline |pocket |pop[- ]?out |resettable )?breaker (?:in |in the )?(?:place|instead) of (?:the |a )?fuse$/i,
    'breaker in',
  ],
  [
    /^(cool|heat|fan|aux)(?:ing)? (?:still )?(?:pops|trips|blows)(?: it)? (?:after|in|within) (?:about )?(\d+ ?(?:s|secs?|seconds?|min|minutes?))$/i,
    'trips on $1 after $2',
  ],
  [/^(?:there (?:goes|went) )?another fuse(?: is| was)? (?:gone|shot|dead|toast)$/i, 'fuse blown'],
  [/^ohmed (?:the |out the )?fuse[,:]? (?=ol\b|open\b|\d|good\b)/i, 'fuse '],
  // In the panel of the house it is the line's own.
  [
    /^(?:the )?breaker (?:is |was |has |had )?(tripped|popped|off|kicked) (?:in|at|on) the (?:main |house |electrical |service )?(?:panel|load center)$/i,
    'panel breaker $1',
  ],
  // Down to that on a call; what comes up on one is another point's.
  [
    /^(?:it )?(?:drops?|dropped|goes|went|falls?|fell|sags?|sagged)? ?(?:from )?(\d[\d.]*)(?: ?v)? (?:down )?to (\d[\d.]*)(?: ?v)? ((?:on|with|when|once|as soon as) (?:the )?(?:cool|heat|fan|aux)(?:ing)?(?: call)?)(?: comes on| calls| kicks in)?$/i,
    (all, before, now, onCall) => (Number(now) < Number(before) ? `drops to ${now} ${onCall}` : all),
  ],
  [
    /^(?:went|goes|dropped|drops|fell|falls) from \d[\d.]*(?: ?v)? to (\d[\d.]*|nothing)(?: ?v)? (?:on|at) ([A-Z]\d?)$/i,
    (_, now, letter) => `${letter}-C ${/^n/i.test(now) ? '0' : now}`,
  ],
  // Two letters that are joined, and what comes of it.
  [
    /^([RGYWOB]\d?) to ([RGYWOB]\d?) (?:still )?(pops|trips|blows|kills|holds)(?: it| the fuse| the breaker)?$/,
    (_, a, b, does) => `jumper ${a} ${b}, ${does === 'holds' ? 'holds' : 'trips'}`,
  ],
  // The line's own breaker is none of the 24 V side.
  [
    /^((?:the )?(?:main|house|panel|service|unit|condenser|outdoor|240 ?v?(?:olt)?|120 ?v?(?:olt)?|line) breaker (?:keeps |is |was |has |had |still )*(?:tripping|trips|tripped|popping|popped)\b.*)$/i,
    'note $1',
  ],
  [/\b(?:24 ?v(?:olt)?s?|low volt(?:age)?|control) fuse\b/gi, 'fuse'],
  [/^(it )?(tripped|trips|popped|pops|blew|blows) before (?:i|we) (?:could|can) .+$/i, '$2'],
  [/\bfuse (?:is |was )?(?:not|isn[’']?t|wasn[’']?t) (?:blown|open|popped|bad)\b/gi, 'fuse good'],
  [/^((?:still )?(?:trips|tripped|pops|blows)),? (?:on a |it is a |its a |a )?dead short (?=with\b|on\b|when\b)/i, '$1 '],
  [
    /^(?:it |breaker |fuse )?(?:doesn[’']?t|does not|won[’']?t|didn[’']?t|did not|no) (?:trip|pop|blow)s?(?: it)? (?:on|in|with) (.+?),? (?:but )?(?:only|just) (?:on |in |with )?(\w+(?: heat)?)$/i,
    'holds on $1, trips on $2',
  ],
  [
    /^(?:it |breaker |fuse )?(held|holds) with (?:the )?(.+?) off((?: at the \w+| outside| inside)?),? (?:and |but )(tripped|trips) with (?:it|that)(?: back)? on$/i,
    'lift $2$3, $1, land $2$3, $4',
  ],
  [
    /^(?:it |breaker |fuse )?(tripped|trips) with (?:the )?(.+?) on((?: at the \w+| outside| inside)?),? (?:and |but )(held|holds) with (?:it|that) off$/i,
    '$1, lift $2$3, $4',
  ],
  // Which fuse went says no more than that it went: blew a fuse as soon as, new 3 amp fuse blew when.
  [
    /^(?:just |it )?(blew|popped|blows|pops|tripped|trips) (?:the |a |another |my )(?:new |fresh |second )?(?:\d+ ?a(?:mps?)? )?(?:fuse|breaker) (?=(?:as soon|when|once|with|every|the (?:second|minute|moment|instant))\b)/i,
    '$1 ',
  ],
  [
    /^(?:the |my |a )?(?:new|second|another|2nd|third|fresh)(?: \d+ ?a(?:mps?)?)? (?:fuse|breaker|one) (?:also |just )?(blew|popped|blows|pops|tripped|trips)(?= (?:as soon|when|once|with|every|the (?:second|minute|moment|instant)|on|in)\b)/i,
    '$1',
  ],
  // Off it holds, on it trips: one wire, and both trials.
  [
    /^(?:the )?((?:outdoor |stat |zone \d )?[a-z]+\d?)(?: wire)? off,? (?:it )?(holds|trips),? (?:and |but )?(?:the )?\1(?: wire)? (?:back )?on,? (?:it )?(?:still )?(holds|trips)$/i,
    'lift $1, $2, land $1, $3',
  ],
  [
    /^(?:i )?(?:can[’']?t|can not|cannot|could ?n[’']?t|unable to) (?:get it to|make it) (?:trip|pop|blow)(?: (?:again|now|anymore))?$/i,
    'holds',
  ],
  [
    /\bput (?:the |a |in a |my |in my )?(?:\d+ ?a(?:mps?)? |pocket |resettable )?breaker in(?: the)? place of (?:the )?fuse\b/gi,
    'breaker in',
  ],
  [/^(proved .+\d.*?),? (?:and )?(cool|heat|fan|cooling|heating) (?=\d[\d.]* ?a\b)/i, '$1; proved $2 '],
  [/^it(?: is|[’']s) an? (\d+) ?(?:a|amps?)(?: one)?$/i, 'rated $1 amp'],
  [
    /^(?:i )?(?:put|added|installed|wired|stuck|spliced)?(?: in)? ?(?:an? |my |the )?(?:(\d+) ?a(?:mps?)? )?(?:(?:inline|in[- ]line) (?:pocket |pop[- ]?out )?breaker|(?:pocket |pop[- ]?out )?breaker (?:inline|in[- ]line))(?: in)?(?: (?:on|with|in)(?: the)? (?:r|red|hot|24 ?v(?:olts?)?)(?: wire| lead)?)?$/i,
    'breaker $1 in',
  ],
  // What a fuse is rated is not what was read through it.
  [
    /^((?:the )?fuse (?:is |was )?(?:open|blown|good|ok|fine)),? (?:(?:but )?it(?: is|[’']s) )?(?:an? )?(\d+) ?(?:a|amps?)(?: (?:tan|orange|purple|violet|brown|one))?$/i,
    '$1; note $2 A fuse',
  ],
  [/^((?:the )?fuse (?:is |was )?(?:good|ok|fine)),? (?:but |and )?(?:it(?: is|[’']s) )(?:an? )?(\d+)$/i, '$1; note $2 A fuse'],
  [/\b(?:it|the furnace|furnace|the heater) (?:lit|lit up|lights|lights up|ignites|ignited|lit off|lights off)$/i, 'burners lit'],
  [/ (?:when|as) (?:i|we) (?:got|get|came|arrived|found it)(?: here| there| out| on site)?$/i, ''],
  [/^(?:the )?(?:heat pump|system|unit|it|hp)(?: is)? in (heat|cool|heating|cooling)(?: mode)?(?=,)/i, 'call for $1'],
  [
    /^(?:the )?(?:24 ?v(?:olt)? |control |low )?(?:(?:voltage|volts) (?:is )?(?:a little |way |too )?(?:low|high|good|fine|ok|weak)|low voltage),? (?=.*\d)/i,
    '',
  ],
  [/\b(rc|rh) (?:side )?(?:transformer|xfmr)\b/gi, (_, hot) => (/rc/i.test(hot) ? 'cooling transformer' : 'heating transformer')],
  [/\b(?:took|pulled) (?:the |my |that )?jumper (?:back )?(?:off|out)(?: again)?$/i, 'jumper out'],
  [
    /^(trips?|tripped|pops?|popped|blows?|blew) (?:the |my )?(?:new )?(?:inline|in-line)(?: fuse| breaker)?(?: right off| right away| at once| again| immediately)*$/i,
    'trips',
  ],
  [
    /\b(?:24 ?v |control )?breaker on (?:the )?(?:side of (?:the )?)?transformer (?=(?:is |was |has )?(?:trips?|tripped|popped|out)\b)/gi,
    'fuse ',
  ],
  [/^(.+\block(?:ed )?out),? (?:and )?(?:i )?reset it$/i, '$1; note reset it'],
  [
    /^((?:the )?fuse (?:blew|popped)(?: again)?),? (when it (?:got|gets|was) (?:cold|hot|wet|warm).*|after (?:the|a) (?:rain|storm).*|last (?:night|week).*)$/i,
    '$1; note $2',
  ],
  [
    /^(still trips|trips|tripped|holds|held) with (?:just|only) ([A-Z]\d?)(?:(?:,| and|, and) ([A-Z]\d?))? (?:on|landed|hooked up|connected)$/,
    (_, how, a, b) => `${how} with everything off but ${a}${b ? ` and ${b}` : ''}`,
  ],
  [
    /^(still trips|trips|tripped|holds|held) with ([A-Z]\d?)(?: and ([A-Z]\d?))? only(?: (?:on|landed|hooked up|connected))?$/,
    (_, how, a, b) => `${how} with everything off but ${a}${b ? ` and ${b}` : ''}`,
  ],
  [
    /^(?:it |breaker |fuse )?(trips|pops|blows|tripped|popped|blew)(?: right| just)? (?:when|as soon as|once|the second) (?:the )?power (?:comes|came|goes|is) (?:back )?(?:on|back)?$/i,
    'trips',
  ],
  // Said behind it: how the power stood.
  [/^(?!.*\b(?:call|cool|heat|fan)\b)(.*\d.*?),?\s+(?:with )?(?:the )?power (?:is |was )?off$/i, 'power off; $1'],
  [
    /^([A-Z]\d?) jump(?:er)?ed(?: to R)?,\s*(?:and )?(?=(?:the )?(?:blower|fan|furnace|burners|contactor|compressor|inducer|strips)\b)/,
    'jumped R to $1, ',
  ],
  [/^([A-Z]\d?) jump(?:er)?ed(?: to R)?,? (?:and |it )?(trips|holds)$/, 'jumped R to $1, $2'],
  [/^([A-Z]\d?) jump(?:er)?ed(?: to R)?,? (?:and )?(?:it |unit )?(?:comes on|runs|starts)$/, 'jumped R to $1, unit runs'],
  [/^(?:R[-/ ])([YWGO]\d?) jump(?:er)?ed,? (?:and )?(?:it )?(?:cools|heats|runs|comes on|starts)$/, 'jumped R to $1, unit runs'],
  [/^(?:still )?(trips|tripped|holds|held|blows|pops) without (?:the )?(stat|thermostat|tstat)(?: on)?$/i, 'unplugged thermostat, $1'],
  [/\bno longer (?:trips?|pops?|blows?|kicks?)(?: it| the breaker| the fuse)?\b/gi, 'holds'],
  [/\b(holds?|held) (\d{1,2})(?=$|,| then\b)/gi, '$1 $2 min'],
  [/\b(?:the )?(?:fuse|breaker) (?:popped|blew|blows|pops|tripped|trips)(?: again)? (?=(?:when|as soon as|once|every time) )/gi, 'trips '],
  [/\b(?:24 ?v(?:olt)?s?|low voltage|control|transformer) breaker (?=(?:trips?|tripped|holds?|held|pops?|popped)\b)/gi, 'breaker '],
  // A fuse that goes on a call is a trip on it: popped the fuse on cool, fuse blew in heat.
  [
    new RegExp(
      `\\b(?:the |my |another |a )?(?:new |fresh |second )?(?:fuse|breaker) (?:popped|blew|blows|pops|tripped|trips|kicks|kicked)(?: again)? (?=${ON_CALL})`,
      'gi',
    ),
    'trips ',
  ],
  [
    new RegExp(
      `^(?:it |that |this )?(?:popped|blew|blows|pops|tripped|trips|kicks|kicked|takes out|took out) (?:the |my |another |a )?(?:new |fresh )?(?:fuse|breaker)(?: again)? (?=${ON_CALL})`,
      'i',
    ),
    'trips ',
  ],
  [/^([YWGOB]\d?) (?:trips|pops|blows|kicks|takes out)(?: it| the breaker| the fuse)?$/, 'trips on $1'],
  [
    /^(?:the )?(aux(?:iliary)?|emergency|em|e)(?: heat)? (?:trips|pops|blows|kills|takes out)(?: it| the breaker| the fuse)?(?: every time)?$/i,
    'trips on $1 heat',
  ],
]
