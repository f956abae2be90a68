import { COLOUR } from '@/src/core/quick-line/colours'
import type { Shortened } from '@/src/core/quick-line/short-readings'

const GROUND = '(ground|gnd|chassis|metal)'
const READ = '(\\d[\\d.]*(?: ?(?:k|m)?ohms?)?|ol|open)'
const OFF = '(?:off|lifted|pulled|disconnected|unhooked)(?: (?:of |from |at )?(?:the |its )?(?:board|strip|screw|terminal))?'
const HERE = '(?:(?:at|in|on) (?:the )?(?:board|furnace|air handler|unit)|here|inside)'
const THERE = '(?:at|on) (?:the )?(stat|thermostat|condenser|outdoor unit|outside unit|heat pump)'
const NONE = '(?:not|none|nothing|0|zero|no volts|dead)'
const cableWire = (cable: string, wire: string): string => `${/^out/i.test(cable) ? 'outdoor-cable' : 'stat-cable'} ${wire}`
const WIRE = `[A-Z]\\d?|${COLOUR}`
const alongCable = (cable: string, one: string, other: string, read: string): string =>
  `${cableWire(cable, one)} to ${/^(?:ground|gnd|chassis|metal)$/i.test(other) ? 'ground' : cableWire(cable, other)} ${read}`
const UNIT = '(?:(?:the )?(?:condenser|outdoor unit|outside unit|heat pump))'

/** What is said beside a reading or an act: what is off meanwhile, which fuse it was, whose label, which cable a spare runs in. */
export const ofWhatIsBeside: readonly Shortened[] = [
  // The wire is off, and the reading is of the wire.
  [
    new RegExp(`^([A-Z]\\d?) to ${GROUND} (?:is |reads? )?${READ},? (?:with )?(?:the |its )?wire (?:is )?${OFF}$`, 'i'),
    '$1 wire off, $1 wire to $2 $3',
  ],
  [
    new RegExp(`^with (?:the )?([A-Z]\\d?)(?: wire)? ${OFF},? (?:it |i |still |now |get |got |have |reads? )*${READ} to ${GROUND}$`, 'i'),
    '$1 wire off, $1 wire to $3 $2',
  ],
  [/^(\S.* to (?:ground|gnd|chassis|metal|(?:outdoor |stat )?[A-Z]\d?)): (?=\S)/i, '$1 '],
  // The same at both ends of a cable, by its letter; at the thermostat it is R where none is named.
  [
    new RegExp(
      `^(?:have |got |i have )?(\\d[\\d.]*)(?: ?v(?:olts?|ac)?)? (?:at|on) ([A-Z]\\d?) ${HERE},? (?:but |and )*${NONE} ${THERE}$`,
      'i',
    ),
    '$2-C $1, $2-C 0 at the $3',
  ],
  [
    new RegExp(
      `^(?:have |got |i have )?(\\d[\\d.]*)(?: ?v(?:olts?|ac)?)? ${HERE},? (?:but |and )*${NONE} (?:at|on) (?:the )?(stat|thermostat)$`,
      'i',
    ),
    'R-C $1, R-C 0 at the $2',
  ],
  [
    new RegExp(`^([A-Z]\\d?)(?: to C)? (?:is |has )?(?:good|hot|live|fine) ${HERE},? (?:but |and )*${NONE} ${THERE}$`, 'i'),
    '$1-C 0 at the $2, note $1 to C good at the unit',
  ],
  [/^(?:measured |have |got |reading |read )?(\d[\d.]*) ?v(?:olts?|ac)? (?:on |at )?(?:the )?(secondary|primary)(?: side)?$/i, '$2 $1'],
  // Every one of them.
  [
    /^all (?:of )?(?:the )?(?:stat |thermostat )?(?:wires|conductors|terminals) (?:are |read |show |is )?(?:clear )?(?:to|of) (?:ground|gnd|chassis|metal)(?: are| read| is)? ?(?:ol|open|clear|good)?$/i,
    'no short to ground on any wire',
  ],
  [
    new RegExp(
      `^([A-Z]\\d?|${COLOUR}) (?:and|to) ([A-Z]\\d?|${COLOUR}) (?:are |is )?short(?:ed)?(?: together)? (?:in|inside) (?:the )?(outdoor|stat|thermostat) (?:wire|cable|bundle)$`,
      'i',
    ),
    (_, one, other, cable) => `${cableWire(cable, one)} to ${cableWire(cable, other)} shorted`,
  ],
  [
    new RegExp(
      `^(outdoor|stat) ([A-Z]\\d?|${COLOUR}) (?:and|to) \\1 ([A-Z]\\d?|${COLOUR}) (?:are |is |reads? )?short(?:ed)?(?: together)?$`,
      'i',
    ),
    (_, cable, one, other) => `${cableWire(cable, one)} to ${cableWire(cable, other)} shorted`,
  ],
  // Along a cable that is named, before its wires or behind them.
  [
    new RegExp(
      `^(outdoor|stat|thermostat) (?:cable|wires?)[:,]? (${WIRE}) (?:to|and) (${WIRE}|ground|gnd|chassis|metal)(?: is| reads?)? ${READ}$`,
      'i',
    ),
    (_, cable, one, other, read) => alongCable(cable, one, other, read),
  ],
  [
    new RegExp(
      `^(${WIRE}) (?:to|and) (${WIRE}|ground|gnd|chassis|metal) (?:through|along|on|in|of) (?:the )?(outdoor|stat|thermostat) (?:cable|wires?)(?: is| reads?)? ${READ}$`,
      'i',
    ),
    (_, one, other, cable, read) => alongCable(cable, one, other, read),
  ],
  [/^(?:it |stat |thermostat )?clicks?,? (?:but |and )*no ([YGW]\d?)$/, '$1-C 0 V, note it clicks'],
  // What it does under its volts.
  [
    /^(.*\b(?:reversing valve|rv|(?<!gas )valve)(?: coil)?),? (?:but |and )?(?:it )?(?:no shift|not shift(?:ing)?|no click)$/i,
    '$1, reversing valve not shifting',
  ],
  [/^(trips|blows|pops) only (?:with|when) (?:the )?(.+?) (?:is )?(?:hooked up|connected|on|landed|plugged in)$/i, '$1; lift $2; holds'],
  // The line side has no 24 V on it: before "nothing on" is a thermostat that asks for nothing.
  [
    /^(?:i have |i[’']ve got |got |there[’']s |there is )?(?:nothing|no power|no voltage|no volts|0(?: ?v)?) (?:on|at) (?:the )?line(?:[- ]side)?(?: of (?:the )?(?:transformer|primary|unit))?$/i,
    'no line voltage',
  ],
  [/^(?:the )?line(?:[- ]side| voltage)? (?:is )?dead$/i, 'no line voltage'],
  // A fuse that blows on a call is the one in the slot, of whatever size.
  [/^(?:the |a |my )?(?:new )?\d+[- ]?a(?:mps?)? fuse (?=(?:blew|popped|pops|blows|went|blown) .*\b(?:call|cool|heat|fan))/i, 'fuse '],
  // The label stands before what was read.
  [/^(?:the )?\d+[/+]\d+(?: ?(?:uf|mfd))? cap(?:acitor)? (?=(?:reads?|tests?|tested|measures?|measured|shows?|is reading)\b)/i, 'cap '],
  [
    /^((?:the )?(?:dual )?cap(?:acitor)?),? \d+[/+]\d+(?: ?(?:uf|mfd))?,? (?=(?:reads?|tests?|tested|measures?|measured|shows?|is reading)\b)/i,
    '$1 ',
  ],
  // A spare by the cable it runs in.
  [
    new RegExp(
      `^(?:using|used|use|put|running|ran) (?:the )?(?:spare )?(${COLOUR})(?: spare| wire| one)?(?: in (?:the )?outdoor (?:cable|wire))? for (?:the )?([A-Z]\\d?)(?: wire)? (?:to|of|at|for) ${UNIT}$`,
      'i',
    ),
    'swap outdoor $2 to $1',
  ],
  [
    new RegExp(
      `^(?:using|used|use|put|running|ran) (?:the )?(?:spare )?(${COLOUR})(?: spare| wire| one)? in (?:the )?(outdoor|stat|thermostat)(?: cable| wire)? for (?:the )?([A-Z]\\d?)$`,
      'i',
    ),
    'swap $2 $3 to $1',
  ],
  [
    new RegExp(`^(?:the )?(?:spare )?(${COLOUR})(?: spare| wire| one)? (?:to|of) ${UNIT} is (?:now |the new )?([A-Z]\\d?)(?: now)?$`, 'i'),
    'swap outdoor $2 to $1',
  ],
  [/\b(comes?|came|kicks?|kicked|starts?|started) on (?:right away|immediately|instantly|at once|straight away)$/i, '$1 on'],
]
