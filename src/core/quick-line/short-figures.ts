import type { Shortened } from '@/src/core/quick-line/short-readings'

const FRACTION = new Map([
  ['half', '0.5'],
  ['quarter', '0.25'],
  ['third', '0.33'],
  ['tenth', '0.1'],
])

/** How a figure stands beside what it was read at: a word between them, a fraction, both sides at once. */
export const ofFigures: readonly Shortened[] = [
  [/^(?:both|either) sides? of (?:the )?([a-z][a-z -]+?)(?: is| are| reads?| has)? (\d[\d.]*)(?: ?v| volts?)?$/i, '$2 both sides of $1'],
  [
    /^([RYGWOBC]\d?(?:-| to )[A-Z]\w*) (\d*\.?\d+k?|ol)(?: ?ohms?)?,? (?:the )?(stat|thermostat|outdoor) (?:wires?|cable) (?:off|lifted|disconnected)$/i,
    '$3 cable off, $1 $2',
  ],
  [/^(\d[\d.]*(?: ?v| volts?)?) (?:at|on) [MD](\d)$/i, 'damper $2 $1'],
  [
    /^(?:the )?neutral (?:is )?(?:loose|bad|burned|burnt),? (\d[\d.]*)(?: ?v)? to (?:ground|gnd)$/i,
    'neutral to ground $1; note neutral loose',
  ],
  [/(?<=\b(?:coil|valve|winding|contactor|relay|sequencer) )ohms (?=ol\b|open\b)/gi, ''],
  [/^let (?:it|that) (?:go|run|sit) (\d+ ?(?:min|minutes?|s|secs?|seconds?)),? (\S.*)$/i, '$2; note after $1'],
  // From the thermostat it came, and here it was read.
  [
    /^([YGWOB]\d?) (?:calling |call |is |has )?(\d[\d.]*)?(?: ?v)? ?(?:coming )?(?:in )?from (?:the )?(?:stat|thermostat)(?: is| reads)? ?(\d[\d.]*)?(?: ?v)?$/i,
    (all, letter, before = '', behind = '') => (before === '' && behind === '' ? all : `${letter}-C ${before || behind}`),
  ],
  [
    /^(?:across )?(?:the )?(.+ coil) (\d[\d.]*)(?: ?v)?,? (?:and )?(?:dropping|drops|falling|falls|sagging|sags|down) to (\d[\d.]*)(?: ?v)?$/i,
    '$1 jumps between $3 and $2 V',
  ],
  [/^([RYGWOBC]\d?(?: wire)? to [a-z]+) (?:with )?both ends (?:off|lifted|loose) (\d*\.?\d+k?|ol)(?: ?ohms?)?$/i, '$1 $2 both ends off'],
  [
    /^comp(?:ressor)?(?: amps| draws| pulls)? (\d[\d.]*)(?: ?a(?:mps?)?)?,? (?:and )?(?:cond(?:enser)? )?fan (\d[\d.]*)(?: ?a(?:mps?)?)?$/i,
    'compressor $1 amps, condenser fan $2 amps',
  ],
  [/\b(at|on) (?:the )?hp\b(?! switch)/gi, '$1 the heat pump'],
  [/^(.*\b(?:switch|float|limit|rollout)) (?:wires|leads|terminals|spades) (?=\d[\d.]*(?: ?v)? in\b)/i, '$1 '],
  [
    /^(?:only |just |i |i[’']?m )*(?:getting|got|have|seeing) (?:only |just |about )?(?=\d[\d.]*(?: ?v| volts?)? (?:at|on|across|between|to) )/i,
    '',
  ],
  // Amps on what feeds everything, at their most, and as they fall.
  [
    /^(?:max(?:imum)?|peak|min[/-]?max)(?: hold)? (?:on|of|at) (?:the )?R(?: wire)?(?: is| was|:)? (\d+(?:\.\d+)?|\.\d+)(?: ?a(?:mps?)?)?$/i,
    'max $1 A on R',
  ],
  [
    /^(\d*\.?\d+) ?a(?:mps?)? (?:on|of|at) (?:the )?(?:24 ?v(?:olts?)?|low voltage|control|secondary)(?: side| circuit| wire| leg)?$/i,
    '$1 A on R',
  ],
  [
    /^(?:it )?(?:pulls|draws|pulling|drawing|pulled|drew|jumps to|spikes to) (\d*\.?\d+) ?a(?:mps?)?(?: on (?:a |the )?call)?,? (?:and )?(?:then )?(?:drops|settles|falls|goes|dropped|settled)(?: down| back)* (?:to|at) (\d*\.?\d+)(?: ?a(?:mps?)?)?$/i,
    'max $1 A on R; $2 A on R',
  ],
  // What was off while it was read stands behind it.
  [
    /^([RYGWOBC]\d?(?:-| to )[A-Z]\w*)(?: is| reads)? (\d*\.?\d+k?|ol)(?: ?ohms?)?,? (?:the )?([a-z][a-z -]+?) (unplugged|disconnected)$/i,
    '$1 $2 with the $3 $4',
  ],
  [
    /^(?:ohm(?:s|ed)? )?([RYGWOBC]\d?(?:-| to )[A-Z]\w*) with (?:the )?([a-z][a-z -]*?) (out|off|unplugged|disconnected)(?: is| reads|:)? (\d*\.?\d+k?|ol)(?: ?ohms?)?$/i,
    '$1 $4 with the $2 $3',
  ],
  // Two letters side by side are at the place with which they end.
  [
    /^([A-Z]\d? \d[\d.]*(?: ?v)?),? (?:and )?([A-Z]\d? \d[\d.]*(?: ?v)?) ((?:at|in|on) (?:the )?[a-z]+(?: unit)?|outside|inside)$/i,
    (all, one, other, where) => (one.split(' ')[0] === other.split(' ')[0] ? all : `${one} ${where}, ${other} ${where}`),
  ],
  // What one makes of it is no part of what was read.
  [
    /^(R\w?(?:-| to )[A-Z]\d? \d[\d.]*(?: ?v)?),? (?:the )?(?:stat |thermostat )?contacts? (?:is |are )?(?:closed|open|made|good|making)$/i,
    '$1',
  ],
  [/\b(?:a )?(half|quarter|third|tenth) (?:of )?an amp\b/gi, (_, part) => `${FRACTION.get(part.toLowerCase())} amps`],
  [
    /(?<=^(?!i\b|i[’']?m\b|meter\b|it\b|still\b|now\b)[a-z][a-z0-9/-]*(?: [a-z][a-z0-9/-]*){0,3}) (?:reading|showing|measuring|metering|sitting at|checks out at) (?=\d|\.\d|ol\b)/i,
    ' ',
  ],
  // That it is well stands beside what was read.
  [
    /^(?!.*\b(?:cap|capacitor|fuse)\b)([a-z][a-z -]+?)(?: is|[’']s)? (?:ok|okay|good|fine|all right|alright|bad)[,:]? (\d*\.?\d+|ol)(?: ?ohms?)?$/i,
    '$1 $2',
  ],
  [
    /^(?:the )?((?!all\b|everything\b|both\b)(?:[RYGWOBC]\d?|[a-z]+)) (?:is |wire )?(?:good|ok|okay|clear|clean|fine) to (?:ground|gnd|chassis|metal|frame|cabinet)$/i,
    'no ground on $1',
  ],
  [
    /^(?:the )?((?!all\b|everything\b|both\b)(?:[RYGWOBC]\d?|[a-z]+)) (?:wire )?to (?:ground|gnd|chassis|metal|frame|cabinet)(?: is)? (?:good|ok|okay|clear|clean|fine)$/i,
    'no ground on $1',
  ],
  [/^((?:\d[\d.]*|no|nothing)(?: ?v| volts?)?) (?:going )?in and out(?: of| on| at| through)? (?=\S)/i, '$1 both sides of '],
  [/^(\d[\d.]*(?: ?v| volts?)?) (?:from |between |on |across )?([A-Z]\d?) and ([A-Z]\d?)(?= at\b)/, '$2-$3 $1'],
  [/^(\d[\d.]*(?: ?v| volts?)?) (at (?:the )?[a-z]+) ([A-Z]\d?) and ([A-Z]\d?)$/, '$3-$4 $1 $2'],
  [/\b([RYGWOBC]\d?) wire to ([RYGWOBC]\d?) wire (?=(?:\d*\.?\d+|ol)\b.* both ends\b)/gi, '$1 to $2 '],
  // One letter, here and there.
  [
    /^([RYGWOB]\d?) (\d[\d.]*|nothing|dead)(?: ?v| volts?)? ((?:in|at|on) (?:the )?(?!cool|heat|fan)[a-z]+(?: (?!and |but )[a-z]+)?),? (?:and |but )?(\d[\d.]*|nothing|dead)(?: ?v| volts?)? (outside|inside|outdoors|(?:in|at|on) (?:the )?(?!cool|heat|fan)[a-z]+(?: [a-z]+)?)$/i,
    // A coil has volts of its own.
    (_, letter, first, here, second, there) =>
      `${letter} ${first} ${here}, ${/\b(?:contactor|relay|valve|sequencer)$/i.test(there) ? '' : `${letter} `}${second} ${there}`,
  ],
  // A part's ohms to common are across it.
  [/^(?:the )?([a-z][a-z -]+?) (\d*\.?\d+) ?ohms? (?:to|and) (?:c|com|common)$/i, '$1 $2 ohms'],
  [/^(?:any|each)(?: of the)? (wires?|conductors?) to (?=\S+ (?:ol|open|\d))/i, 'every wire to '],
  // Joined at the far end and read here.
  [
    /^(?:looped|twisted|tied|shorted|joined)(?: together)? ([RYGWOBC]\d?)(?: and | to |-)([RYGWOBC]\d?)(?: together)? (?:at )?(?:the )?(stat|thermostat|outdoor|outdoor unit|outside|condenser|heat pump)(?:,|:| and)? ?(?:(?:it |meter )?(?:read|reads|got|get|ohms?) )?(\d*\.?\d+|ol)(?: ?ohms?)?(?: (?:here|back here|at (?:the )?(?:furnace|air handler|unit|panel)))?$/i,
    (_, a, b, where, read) => `loop ${/stat/i.test(where) ? 'stat' : 'outdoor'} ${a}-${b} ${read}`,
  ],
  // A wire that is open from one place to the other is a wire of that cable.
  [
    /^(?:the )?([RYGWOBC]\d?|red|yellow|green|white|blue|orange|brown|black)(?: wire)?(?: is|[’']s)? (?:open|broken|broke) (?:between|from) (?:the )?(?:air handler|ah|furnace|unit|indoor unit|board)? ?(?:and|to)? ?(?:the )?(stat|thermostat|condenser|outdoor unit|heat pump|hp|outside)(?: (?:and|to) (?:the )?(?:air handler|furnace|unit|indoor unit|board))?$/i,
    (_, wire, where) => `${/stat/i.test(where) ? 'stat' : 'outdoor'} cable ${wire} end to end OL`,
  ],
  // Where it is, by the words of the hand.
  [/\bfan (?:on|at|of) (?:the )?(?:cond|condenser|outdoor unit)(?=$| (?:spins?|runs?|running|slow|not|dead|still))/i, 'condenser fan'],
  [/^(?:the )?(?:outside|condenser) disco(?:nnect)?\b/i, 'outdoor disconnect'],
  [/^(?:the )?disc(?:o|onnect) (pulled|out|off|in|on|back in) (?:outside|outdoors|at the condenser)$/i, 'outdoor disconnect $1'],
  [/^(?:the )?(?:whole )?(?:unit )?power (?:is )?(off|on) at (?:the )?(?:unit )?disconnect$/i, 'disconnect $1'],
  [/\bstage (?:1|one)\b(?! (?:coil|contactor|compressor))/gi, 'first stage'],
  [/\bstage (?:2|two)\b(?! (?:coil|contactor|compressor))/gi, 'second stage'],
  [/^(?:a )?(\d+)(?: ?a| ?amps?)?(?: fuse)? (?:is )?(?:in|already in) (?:the )?(?:fuse )?(?:holder|slot)$/i, 'fuse is $1 A'],
  [
    /^(?:the )?(?:xfmr |transformer )?tap (?:is |was )?(?:on |at |set (?:to|for) )?(?:the )?(208|220|230|240|277)(?: ?v)?$/i,
    'transformer is on the $1 tap',
  ],
  [
    /^(float|limit|rollout|door|(?:high|low|hi|lo)[- ]?press(?:ure)?(?: switch)?|(?:pressure|door|float|limit|rollout) switch) (?:leads|wires|terminals|spades) (?=\d|\.\d|ol\b)/i,
    '$1 ',
  ],
  [
    /^(\d[\d.]*)(?: ?v)? (?:at|into|in to) (?:the )?(float|limit|rollout|door|(?:high|low)[- ]pressure)(?: switch)?,? (?:and |but )?(?:(\d[\d.]*|nothing)(?: ?v)? out|out (\d[\d.]*|nothing)(?: ?v)?)$/i,
    (_, into, name, before = '', behind = '') => `${into} in ${before || behind} out of ${name}`,
  ],
  [/^([GYWO]\d?) (?:makes|gets) (?:the )?([a-z][a-z ]+?) (?:go|run|start|come on|to run|going|running)$/i, '$2 comes on with $1'],
  [/^ign(?= (?:cracked|ol|open|glows?|glowing|dead|\d))/i, 'igniter'],
  [/^(?:the )?belt (?:is |was )?(?:broken|broke|slipping|slips|loose|off|gone|worn|bad|squealing)$/i, 'note $&'],
  [
    /^(?:cut|trimmed|stripped)(?: back)? ([RYGWOBC]\d?)(?: wire)?(?: back)?,? (?:and )?(?:re-?landed|re-?terminated|landed)(?: it)?(?: again)?$/i,
    'repaired $&',
  ],
  [
    /^(?:the )?(?:breaker|fuse|it) (?:stays|stayed) (?:in|on|set) (?:on|in|with) (cool|heat|fan|aux)(?:ing)?(?: call| called| on)?$/i,
    'holds on $1',
  ],
  // What lies in or out behind its volts is its armature.
  [
    /^(?:the )?(contactor|relay|fan relay|sequencer|reversing valve|valve)(?: coil)? (?:has |reads |is |at )?(\d{2}(?:\.\d+)?)(?: ?v(?:olts?)?)?,? (?:and |but )?(?:it[’']?s |it is )?(?:still )?(in|out)$/i,
    '$1 $2 V; $1 $3',
  ],
  [
    /^(\d{2}(?:\.\d+)?)(?: ?v(?:olts?)?)? (?:at|on|across) (?:the )?(contactor|relay|fan relay|sequencer|reversing valve|valve)(?: coil)?,? (?:and |but )?(?:it[’']?s |it is )?(?:still )?(in|out)$/i,
    '$2 $1 V; $2 $3',
  ],
  // A wire that is gone where one looks for its volts reads nothing there.
  [/^lost ([YGWOB]\d?) (at (?:the )?[a-z]+(?: [a-z]+)?|outside|outdoors|inside|indoors)$/i, '$1-C 0 V $2'],
  [/^(?:the )?fuse (?:was )?(?:a )?(\d{1,2}) (?:is |was )?(blown|popped|open)$/i, '$1 A fuse $2'],
  [/^(?:the )?(furnace|burners?) (?:lights|fires|fires up) on W\d?$/i, '$1 lights on heat'],
  [
    /^(?:no|nothing|no (?:24|volts|voltage|power)(?: ?v)?) on (?:the )?(cooling|heating|heat|ac) side$/i,
    (_, side) => `${/^h/i.test(side) ? 'Rh' : 'Rc'}-C 0 V`,
  ],
  [/^([RYGWOBC]\d?) (?:and|to) ([RYGWOBC]\d?) (?:on|of|at) (?:the )?((?:cooling|heating|heat) transformer) (?=\d|ol)/i, '$3 secondary '],
  [/^spare (red|brown|blue|black|orange|white|purple|gr[ae]y|pink|tan) (?:for|as|in place of) (?=[A-Z]\d?$)/i, 'used the $1 for '],
  [/^(stat|thermostat|outdoor) (?:cable|wires?) ([RYGWOBC]\d?)(?:-| to )([RYGWOBC]\d?) (?=\d|\.\d|ol\b)/i, '$1 $2 to $1 $3 '],
  [
    /^(?:lifted|pulled|took off|took) ([RYGWOBC]\d?) and ([RYGWOBC]\d?)(?: off)?(?: at)? both ends,? (?:and )?(\d*\.?\d+|ol)(?: ?ohms?)? between(?: them)?$/i,
    '$1 to $2 $3 both ends off',
  ],
  [
    /^(?:the )?((?:heat )?strips|aux(?: heat)?|blower|compressor) (?:is |are |stays? )?on (?:in|with) (cool|heat|fan)(?:ing)?$/i,
    'call $2; $1 running',
  ],
  [/^(?:the )?(furnace|heat pump|hp|ac|aux) (?:runs|comes on|fires) when (?:the )?[a-z ]+ should(?: be)?$/i, 'note $&'],
  [/^(.+ (?:bypassed|jumped|jumpered)),? (?:and )?(cool|heat|fan)(?:ing)? (?:runs|works|comes on)(?: fine| now)?$/i, '$1; holds on $2'],
  [/^off at (?:the )?(?:stat|thermostat|wall)(?=$|,|;)/i, 'call off'],
  [/^(?:power )?back on,? (?:and )?(?:calling |call )?(heat|cool|fan)(?:ing)?$/i, 'power on; call $1'],
  // What the letter feeds, where that is read: across it.
  [/^Y\d?(?:-| to | and )C (?:at|on|across) (?:the )?contactor(?: coil)?(?: is| reads)? (?=\d|\.\d|ol\b)/i, 'contactor '],
  [/^Y\d?(?:-| to | and )C (\d[\d.]*(?: ?v| ?ohms?)?|ol) (?:at|on|across) (?:the )?contactor(?: coil)?$/i, 'contactor $1'],
  [
    /^(\d[\d.]*)(?: ?v)? out of (?:the )?(?:transformer|xfmr|secondary),? (?:and |but )?(\d[\d.]*|nothing)(?: ?v)? (?:after|past|behind) (?:the )?fuse$/i,
    '$1 before fuse, $2 after fuse',
  ],
  // A screw that is loose has its wire off, as far as the record goes.
  [/^([RYGWOBC]\d?) (?:screw|terminal) (?:is |was )?loose (?=(?:at|on|in) |outside|inside)/i, '$1 loose '],
  [
    /^(?:the )?(common|[RYGWOBC]\d?)(?: wire)? (?:is |was )?(?:broke|broken|fell|came|burnt|burned|corroded|pulled) off (?:at |of )?(?:the )?(?:contactor|condenser|outdoor unit|heat pump)$/i,
    (_, wire) => `${/^common$/i.test(wire) ? 'C' : wire.toUpperCase()} loose outside`,
  ],
  [/^replaced (?:the )?fuse (?:w|with) (?:a )?(\d{1,2}) ?a(?:mps?)?$/i, 'fuse $1 in'],
  [
    /^(?:recharged|added refrigerant|charged (?:it|the system)|left (?:it )?running|re-?checked,? all good|customer (?:is )?happy)$/i,
    'note $&',
  ],
  [/^(jump(?:er)?ed .+|bypassed .+),? no (?:change|difference|response)$/i, '$1; note no change'],
  // What goes again has blown again, and what survives holds.
  [/(?<=^(?:new|another|fresh) fuse\b.*), gone again$/i, ', blew again'],
  [/\b(fuse|breaker) survive[sd]\b/gi, '$1 holds'],
  // What was off while it was read, behind it.
  [
    /^([RYGWOBC]\d?(?:-| to )[A-Z]\w* (?:\d*\.?\d+|ol)(?: ?ohms?)?),? (?:with )?(?:the )?(?:stat|thermostat) (?:is )?(?:off (?:the )?(?:wall|base|sub-?base)|unplugged|pulled)$/i,
    'thermostat off the wall; $1',
  ],
  [
    /^([RYGWOBC]\d?(?:-| to )[A-Z]\w*) (\d*\.?\d+|ol)(?: ?ohms?)?,? (?:the )?((?:reversing )?valve|contactor|sequencer|(?:fan |blower )?relay|gas valve) (?:off|out of it|disconnected)$/i,
    '$1 $2 with the $3 unplugged',
  ],
  [/^(?:the )?([a-z][a-z ]*?(?:relay|contactor|valve|sequencer)) (\d{2}(?:\.\d+)?) ?v?,? no click$/i, '$1 $2 V; $1 out'],
  [
    /^\d{2}(?:\.\d+)? ?v(?:olts?)? (?:dips|drops|sags|falls) to (\d{1,2}(?:\.\d+)?)(?: ?v)?(?: (when|once|as) (?:the )?(?:contactor|relay|compressor) (?:pulls(?: in)?|starts|kicks in|comes on|closes))$/i,
    'R-C drops to $1; note $2 it pulls in',
  ],
  [/^(?:the )?sec(?:ondary)? winding (?:is |reads )?(?=open|ol|\d)/i, 'transformer secondary '],
  [/^(buzzing|humming|chattering) (transformer|contactor|(?:fan |blower )?relay|(?:reversing |gas )?valve|sequencer)$/i, '$2 $1'],
  [
    /^(pulled|took off|lifted|disconnected|unhooked) (?:the )?(red|yellow|blue|white|green|orange|black|brown) (?:wire )?(?:going|that goes|headed) (?:out )?to (?:the )?(?:condenser|outdoor unit|heat pump)\b/i,
    '$1 outdoor $2',
  ],
  [/^all calls (?:are )?dead\b/i, 'nothing runs'],
  [/^([RYGWOBC]\d?)(?: wire)? (?:is )?back(?: on)?,?(?: at| on)? both ends$/i, 'land $1 at both ends'],
]
