import { COLOUR } from '@/src/core/quick-line/colours'
import type { Shortened } from '@/src/core/quick-line/short-readings'

/** What is called, and set, in short. */
export const ofCalls: readonly Shortened[] = [
  // A mode by itself behind the power is what is set next.
  [
    /^(power(?: back)? (?:on|up)|powered (?:it )?(?:back )?up|breaker (?:back )?on),? (?:and )?(cool|heat|fan)(?:ing)?(?: call)?(?: on)?$/i,
    'power on; call $2',
  ],
  [/^(ran (?:cool|heat|fan)(?:ing)?),? (?:(?:about )?\d+ (?:degree|deg) (?:split|rise|drop)|.*\b(?:split|rise) (?:is |of )?\d+.*)$/i, '$1'],
  // As well as what was tried before it.
  [/^(?:and )?(zone \d|heat|cool|fan|heating|cooling)(?: mode)? (?:too|also|as well)(?: now)?$/i, '$1 works'],
  // One side of the house as a customer calls it.
  [/^(?:the )?(?:ac|a\/c|air)(?: is|[’']s)? (?:out|down)(?=,| but| and|$)/i, 'no ac'],
  [/(?<=^|, |, but |, and | but )(?:the )?furnace (?:is |works |runs |part )?(?:fine|ok|okay|good)$/i, 'heat ok'],
  [
    /^(?:set|put) (?:this|it|this one|this stat|this thermostat|the stat|the thermostat|stat|thermostat|tstat) (?:one )?(?:to|on|in|into) (cool|heat|fan|off)(?:ing)?(?: mode)?$/i,
    'set to $1',
  ],
  [
    /^(?:(?:kicked|bumped|flipped|threw|put) (?:it|the stat|stat|the thermostat) )?(?:back |over )*(?:to |into |on )?(cool|heat|fan)(?:ing)?(?: again)?$/i,
    'set to $1',
  ],
  [
    /^(?:power cycled|cycled (?:the )?power|power cycled (?:it|the (?:furnace|unit|system|board))|power (?:was )?off (?:and|then) (?:back )?on)(?: again)?$/i,
    'power off; power on',
  ],
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
  [
    /^(?:the )?(?:stat|thermostat|tstat) (?:is )?set (?:to|at|for) [4-9]\d(?: degrees)?,? (?:in |on |for |to )?(cool|heat)(?:ing)?$/i,
    'set to $1',
  ],
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
    'compressor just hums',
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
  [/^no call(?: for \w+)?,? (?!(?:at|to|from|reaching|getting|coming|leaving|showing|on)\b)(?=\S+ \S)/i, 'nothing calling, '],
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
  [/^(cool|heat|fan) ?(2)? proved,? (?=[\d.]+ ?(?:a|amps?)\b)/i, 'proved $1$2 '],
  [/^(cool|heat) ?2 (?=proved\b|ok\b|works\b|holds\b|runs\b)/i, 'second stage $1 '],
  [/(?<=^|\bcall |\bcall for |\bset to |\bon |\bin )(?:low|first|1st)(?: stage)? (?=(?:cool|heat)(?:ing)?\b)/gi, ''],
  // A call, and what it does: heat, holds, lights; cool: Y-C 0.
  [
    /^(heat|htg|cool|clg|fan)(?:ing)?(?: call| mode)?[:,] +(?!(?:and|but|not|no|then|nothing)\b)(?=(?:[a-z]\d?[- ]?[a-z]?\d? (?:to \w+ )?\d|\d|holds?\b|held\b|trips?\b|pops?\b|contactor\b|compressor\b|inducer\b|igniter\b|burners?\b|valve\b|lights\b))(?!.*\b(?:heat|cool|fan|aux)(?:ing)?\b)/i,
    (_, call) => `call ${/^h/i.test(call) ? 'heat' : /^c/i.test(call) ? 'cool' : 'fan'}; `,
  ],
  [
    /\b(?:both zones|zones? 1 (?:and|&) (?:zone )?2)(?: (?:are|is))?(?: both)? calling (?:for )?(?=(?:cool|heat|fan))/gi,
    'zone 1 and zone 2 both calling for ',
  ],
  [/(?<=^|\bcall |\bcall for |\bset to |\bon |\bin )high(?: stage)? (?=(?:cool|heat)(?:ing)?\b)/gi, 'second stage '],
]
