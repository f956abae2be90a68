import type { Shortened } from '@/src/core/quick-line/short-readings'

/** What the line feeds, and the lead of it that comes from the hot side. */
const LOAD = 'igniter|ignitor|inducer|blower|compressor|condenser fan|outdoor fan|heater|strips'
const HOT = '(?:l1|hot|line|black|hot lead|hot leg|hot side)(?: lead| wire| leg)?'

/** What the line feeds, read across it and to the metal, and seen beside that. */
export const ofLine: readonly Shortened[] = [
  [
    /^(?:the )?(?:customer|homeowner|owner|tenant|they|he|she) (?:said|says|is) (?:yes|yep|no|ok|okay|fine|go ahead|do it|not today|not now)$/i,
    'note $&',
  ],
  // Behind a leg of the line G is the ground.
  [/\b(L\d)(-| to |\/| )G(?=$| (?:is |reads )?\d|,)/g, '$1 to ground'],
  [
    /^(?:the )?(?:house |main |line )?breaker (?:in|at|on) the (?:house |main |electrical |service )?(?:panel|load center|box) (?:is |was |had |has )*(tripped|popped|off|kicked)(?: off)?$/i,
    'note $&',
  ],
  [/^hot (\d{2,3}(?:\.\d+)?(?: ?v)? to (?:ground|gnd),? )/i, '$1'],
  [/^(?:checked|tested) (?:for (?:power|voltage)|dead)[,:]? (?:it is |it[’']s |all )?(?:dead|off|none|nothing)$/i, 'note $&'],
  [/^(?:the )?meter (?:proved|checked|tested|works?) (?:on|at) (?:a )?(?:live|known)(?: source| circuit)?$/i, 'note $&'],
  // How far it is, and which of several, was not read off a meter.
  [/^(?:the )?walk to (?:the )?.+ (?:is|takes) (?:about )?\d+ ?(?:s|secs?|min|minutes?)$/i, 'note $&'],
  [/^(?:unit|rtu|ahu|system) #?\d{1,2} of \d{1,2}$/i, 'note $&'],
  // A contactor has the line on top, and what it feeds below; a figure of the line at it is there.
  [
    /^(?:the )?(?:top|line lugs?|line terminals?|L1 L2) (?:of|on|at) (?:the )?contactor (?=(?:is |reads |has )?(?:\d|0|nothing|dead))/i,
    'contactor line side ',
  ],
  [
    /^(?:(?:the )?(?:bottom|load lugs?|load terminals?|T1 (?:and |to |-)?T2) (?:of|on|at) (?:the )?contactor|T1(?: to |-| and |\/| )T2) (?=(?:is |reads |has )?(?:\d|0|nothing|dead))/i,
    'contactor load side ',
  ],
  [
    /^(?:(?:got|have|good) )?(\d{3}(?:\.\d+)?)(?: ?v| volts?)? (?:at|to|into|on|going into|coming into|on top of|at the top of|feeding) (?:the )?contactor$/i,
    'contactor line side $1',
  ],
  [
    /^(\d{3}(?:\.\d+)?)(?: ?v| volts?)? (?:out of|leaving|on the bottom of|coming out of|at the bottom of) (?:the )?contactor$/i,
    'contactor load side $1',
  ],
  [
    /^line (?:voltage|volts|power) (?:at|to|on|into) (?:the )?contactor(?: is| reads|:)? (\d{3}(?:\.\d+)?)(?: ?v| volts?)?$/i,
    'contactor line side $1',
  ],
  // Across it, and to the metal.
  [
    new RegExp(
      `^(?:the )?(${LOAD})[:,]? ${HOT} to (?:neutral|n|white)(?: is| reads?)? (\\d+)(?: ?v| volts)?,? (?:and |but )?(?:${HOT} )?to (?:ground|gnd|chassis|the cabinet)(?: is| reads?)? (\\d+)(?: ?v| volts)?$`,
      'i',
    ),
    '$1 $2 V, $1 to gnd $3 V',
  ],
  [
    new RegExp(
      `^(\\d+)(?: ?v| volts)? (?:at|across|on) (?:the )?(${LOAD}),? (?:and |but )?(\\d+)(?: ?v| volts)? (?:from )?(?:${HOT} )?to (?:ground|gnd|chassis|the cabinet)$`,
      'i',
    ),
    '$2 $1 V, $2 to gnd $3 V',
  ],
  [new RegExp(`^(?:the )?(${LOAD})[:,]? ${HOT} to (?:neutral|n|white)(?: is| reads?)? (\\d+)(?: ?v| volts)?$`, 'i'), '$1 $2 V'],
  [
    new RegExp(`^(?:the )?(${LOAD})[:,]? ${HOT} to (?:ground|gnd|chassis|the cabinet)(?: is| reads?)? (\\d+)(?: ?v| volts)?$`, 'i'),
    '$1 to gnd $2 V',
  ],
  [
    new RegExp(`^(?:the )?(${LOAD}) (\\d+)(?: ?v| volts)?,? (?:and |but )?(\\d+)(?: ?v| volts)? to (?:ground|gnd|chassis)$`, 'i'),
    '$1 $2 V, $1 to gnd $3 V',
  ],
  [
    /^(?:the )?(igniter|ignitor|inducer|blower|compressor|condenser fan|outdoor fan) (?:has |gets |is getting |at )?(\d+)(?: ?v| volts)?,? (?:and |but )?(?:it is |it )?((?:is )?not running|won[’']?t run|does ?n[’']?t run|no glow|is ?n[’']?t running|not glowing)$/i,
    '$1 $2 V, $1 $3',
  ],
  [
    /^((?:the )?(?:hp|heat pump|condenser|outdoor unit|unit|compressor)\b.*\b(?:running|runs|on|off|dead)) (?:outside|outdoors|out there)$/i,
    '$1',
  ],
]
