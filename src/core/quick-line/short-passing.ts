import type { Shortened } from '@/src/core/quick-line/short-readings'

/** How things are said in passing on a day of work: what was heard, what went back on, a meter's figure by what it is read at. */
export const inPassing: readonly Shortened[] = [
  [
    /^(?:i )?(?:put|installed|stuck|wired)(?: in)? (?:a |my |the )?(?:pocket |resettable )?breaker (?:in )?(?:in place of|instead of|for) (?:the )?fuse$/i,
    'breaker in',
  ],
  [
    /^(?:the )?(?:condenser|outdoor unit|unit|it) (?:hums|buzzes|is humming|is buzzing)(?:,| and| but)+ (?:the )?(?=contactor (?:chatters|buzzes|is chattering))/i,
    '',
  ],
  [/^(?:re)?hung (?:the )?(?:stat|thermostat|tstat)$/i, 'stat back on the wall'],
  // A cable that is off, and what two of its wires read.
  [
    /^(stat|outdoor|thermostat) wires[:,] ([A-Z]\d?)(?: to |-)([A-Z]\d?) (?=(?:[\d.]+(?: ?ohms?)?|ol)$)/i,
    (_, cable, one, other) => `${cable.replace(/^thermo/i, '')}-cable ${one} to ${cable.replace(/^thermo/i, '')}-cable ${other} `,
  ],
  [/^(?:clunk|click|snap|bang|thunk)[,!.]+ (?=(?:the )?(?:contactor|relay|compressor|blower|fan)\b)/i, ''],
  [/^amps? (?:on )?(?:the )?(comp(?:ressor)?|condenser fan|blower)(?: 1| one)? ([\d.]+)$/i, '$1 $2 amps'],
  [/^comp(?:ressor)?(?: 1)? amps ([\d.]+)$/i, 'compressor $1 amps'],
  [/^(\d{3})(?: ?v(?:olts?)?)? (?:at|on) (?:the )?disconnect (L\d)(?: to |-| )(L\d)$/i, '$2-$3 $1'],
  [/^(?:pulled|took|popped) (?:the |its )?hose\b.*$/i, 'note $&'],
  [/^(?:put )?((?:the )?(?:outdoor|stat) wires) back(?: on)?, ([\d.]+|ol)(?: ?ohms)?$/i, 'put $1 back, $2 now'],
  [/^(?:24 ?v(?:olt)? |voltage |volt |ohm )?(?:check|test|reading)s?[:,] (?=[A-Z]\d?(?:-| to | and ))/i, ''],
  [
    /^(?:(outside|at the condenser|at the unit),? )?(?:at )?(?:the )?disconnect,? (?:i have |got )?(2[0-4]\d)(?: ?v| volts)? (?:across |on )?(?:both legs|the legs|leg to leg)$/i,
    (_, where = '', volts) => `${where ? `${where}, ` : ''}${volts} at the disconnect`,
  ],
  [/^(2[0-4]\d)(?: ?v| volts)? (?:across |on |to )?(?:both legs|leg to leg)$/i, '$1 at the disconnect'],
  [/^(?:the )?load side of (?:the )?(?:transformer|xfmr) (?:ohms? )?(\d*\.?\d+|ol)(?: ?ohms?)?$/i, 'secondary $1 ohms'],
  [/^(?:the )?(?:zone )?(panel|board) power light (?:is )?(on|off)$/i, '$1 light $2'],
  [/^((?:the )?(?:condenser|outdoor unit|unit|compressor) (?:is )?(?:running|runs)), (\d[\d.]*) ?a(?:mps?)?$/i, '$1, note $2 A'],
  [/^(?:the )?(\d[\d.]*)(?: ?v| volts)? (?:is )?still there$/i, 'still $1'],
  [
    /^((?:the )?(?:contactor|relay)) (?:buzzes|chatters|hums|buzzed|chattered|hummed) (?:once|for a (?:second|sec|moment)|briefly|a little),? (?:and )?then (?:holds|pulls|stays|goes|held|pulled|went)(?: in)?$/i,
    '$1 in',
  ],
  [/\b(?:stat|thermostat)(?: sub)? ?base off\b/i, 'stat off the wall'],
  [/^fan on (works|runs)$/i, 'fan $1'],
  [/^re-?spliced?(?: it)?$/i, 'spliced it'],
  [/^(?:in |during )?(?:forced )?defrost,? (?:it )?(?:trips|tripped|holds|held)$/i, 'note $&'],
  [
    /^(?:the )?(?:dual )?cap(?:acitor)? (?:reads |is |only )*([\d.]+)(?: ?uf)? on (?:the )?(fan|herm|compressor|c)(?: side)?,? (?:it )?(?:should be|supposed to be|rated) ([\d.]+)(?: ?uf)?$/i,
    '$2 $1 uf, rated $3',
  ],
  [/^(?:re)?landed back(?: on| up)?$/i, 'landed it back'],
  [/^(?:it )?loaded(?: up)?(?:,? it)? drops to (\d+(?:\.\d+)?)(?: ?v| volts)?$/i, 'drops to $1 under load'],
  [/^(?:the )?heat (?:fires|fired|lights|lit)(?: right)?(?: up| off)?$/i, 'heat works'],
  // Each on the other's screw.
  [
    /^(?:look(?:ed)? at (?:the )?[a-z ]+: )?(?:the )?([A-Z]\d?)(?: wire)?(?: is| was)? on (?:the )?([A-Z]\d?)(?: screw| terminal)?,? (?:and )?(?:the )?\2(?: wire)?(?: is| was)? on (?:the )?\1(?: screw| terminal)?$/i,
    'landings $1 and $2 swapped',
  ],
  [/^(?:it )?pulled (?=[\d.]+ ?amps?,? (?:and |and then |then |before |when )(?:it )?(?:trip|pop|blew))/i, 'drew '],
]
