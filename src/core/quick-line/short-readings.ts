import { COLOUR } from '@/src/core/quick-line/colours'

/** A shortened form, and the words it stands for. */
export type Shortened = readonly [RegExp, string | ((...found: string[]) => string)]

/** A place as it stands behind a reading; here says nothing more. */
const whereOf = (said: string): string => {
  const place = said.replace(/^(?:at|in|on|out|over) /i, '').replace(/^the /i, '')
  return /^(?:in )?here$/i.test(place) ? '' : /^out here$/i.test(place) ? ' outside' : ` at the ${place}`
}

/** What is said of each letter of a list. */
const ofEach = (list: string, said: string): string =>
  (list.match(/\b[A-Z]\d?\b/gi) ?? []).map((letter) => `${letter.toUpperCase()} ${said}`).join(', ')

const sideOf = (said: string): string => (/^out/i.test(said) ? 'outside' : 'inside')

const ofCable = (cable: string, a: string, b: string, read: string): string => `ohms ${cable} ${a} to ${cable} ${b} ${read}`

/** What was read, of two at once or against what. */
export const ofReadings: readonly Shortened[] = [
  [/^(?:unit|rtu|ahu|system) #?\d{1,2}$/i, 'note $&'],
  [/[.,] (?:unit|rtu|ahu|system) #?(\d{1,2})$/i, '; note unit $1'],
  // "Unit 4" says which unit it is: the 4 was not read off the meter.
  [/^(?:unit|rtu|ahu|system) #?\d{1,2} (?=[a-z])(?!(?:v|vac|volts?|ohms?|a|amps?|to|and|in|out|on|at)\b)/i, 'unit '],
  [/\bO\.L\.?(?=\s|$|,)/gi, 'OL'],
  [/\bmeter (?:does ?n[’']?t|does not|did ?n[’']?t|won[’']?t) beep (?:from |between |on )?/gi, 'no beep '],
  [/\b(hi|high|lo|low) press\b(?!ure)/gi, '$1 pressure'],
  [/^(?:the )?(?:pressure )?switches (?:are )?both (closed|open|good|shut)$/i, 'both pressure switches $1'],
  [/^both (?:pressure )?switches read (?:0|zero)$/i, 'both pressure switches closed'],
  [
    /\b(?:lead|wire) (?:from|between) (?:the )?(?:hps?|high[- ]pressure(?: switch)?) (?:to|and) (?:the )?(?:lps?|low[- ]pressure(?: switch)?)\b/gi,
    'lead from high-pressure switch to low-pressure switch',
  ],
  // The same reading with something off: Y-C 12.7, contactor off 0.3.
  [
    /^([A-Z]\d?(?:-| to |\/)[A-Z]\w{0,5}) (\d*\.?\d+|ol)(?: ?ohms?)?,? (?:and |but )?(?:with )?(?:the )?([a-z]+(?: [a-z]+){0,2}) (off|unplugged|disconnected|out)[:,]? (?:it (?:is|reads) )?(\d*\.?\d+|ol)(?: ?ohms?)?$/i,
    (_, pair, first, what, how, second) => `${pair} ${first}; ${what} ${how}; ${pair} ${second}`,
  ],
  [
    /^(\d[\d.]*(?: ?v)? (?:after|past|before|ahead of|behind) (?:the )?[a-z][a-z -]+?),? (?:and |but )?(\d[\d.]*(?: ?v)? (?:after|past|before|ahead of|behind) (?:the )?[a-z][a-z -]+)$/i,
    '$1, $2',
  ],
  // Off its screw, read on the wire and then on the screw.
  [
    /^(?:took|lifted|pulled|unhooked) (?:the )?((?:outdoor |stat )?[A-Z]\d?)(?: off)?[,:;] (?:the )?(?:wire|cable|wire side|cable side|field side)(?: is| reads?)? (?:to (?:ground|gnd) (\d*\.?\d+|ol)|(\d*\.?\d+|ol) to (?:ground|gnd)),? (?:and |but )?(?:the )?(?:screw|terminal|unit side|board side|strip)(?: is| reads?)? (?:to (?:ground|gnd) )?(\d*\.?\d+|ol)(?: to (?:ground|gnd))?$/i,
    (_, wire, a, b, screw) =>
      `lift ${wire}; ohms lifted ${wire.split(' ').at(-1)}-gnd ${a ?? b}; ohms screw ${wire.split(' ').at(-1)}-gnd ${screw}`,
  ],
  [/\b([YGWOB]\d?) and ([YGWOB]\d?) (?:are |both |is )*(dead|hot|live)\b/g, '$1 $3, $2 $3'],
  [/(?<=\b[A-Z]\w?(?:-| to )[A-Z]\w?) (?:a )?(?:steady|solid|constant|good)(?: at)? (?=\d)/g, ' '],
  // The same two points here and there.
  [
    /^([A-Z]\d?(?:(?:-| to )[A-Z]\w?)?) (?:here|inside) (?:is |reads )?(\d[\d.]*|nothing)(?: ?v)?,? (?:and |but )?(outside|out there|outdoors|at the (?:condenser|heat pump|outdoor unit)) (?:is |reads |it is )?(\d[\d.]*|nothing)(?: ?v)?$/i,
    (_, pair, here, where, there) => `${pair} ${here}, ${pair} ${there} ${/there/.test(where) ? 'outside' : where}`,
  ],
  [
    /^(outdoor|outside|indoor|inside) ([A-Z]\d?(?:-| to )[A-Z]\w?) (\d[\d.]*)(?: ?v)?,? (?:and )?(outdoor|outside|indoor|inside) ([A-Z]\d?(?:-| to )[A-Z]\w?) (\d[\d.]*)(?: ?v)?$/i,
    (_, one, pair, first, other, pair2, second) => `${pair} ${first} ${sideOf(one)}, ${pair2} ${second} ${sideOf(other)}`,
  ],
  // One letter has it, and another has not.
  [/^([YGWOB]\d?) (?:yes|good|ok|there),? (?:but |and )?([YGWOB]\d?) (?:no|not|dead|bad|none)$/, '$1 hot, $2 dead'],
  [/^([YGWOB]\d?),? but no ([YGWOB]\d?)$/, '$1 hot, $2 dead'],
  [/^(\d[\d.]*)(?: ?v)? on ([RYGWOB]\d?),? (?:but )?(?:not|nothing|none) on ([RYGWOB]\d?)$/i, '$2-C $1, $3-C 0'],
  // Letters in a row, each with its figure or none.
  [
    /^(?=.*\bOL\b)(?:[A-Z]\d?[ =:]+(?:\d[\d.]*|OL)(?:[,;]? +|$)){2,}$/i,
    (all) => [...all.matchAll(/([A-Z]\d?)[ =:]+(\d[\d.]*|OL)/gi)].map(([, letter, read]) => `${letter.toUpperCase()}-C ${read}`).join(', '),
  ],
  // No more than that, or no less.
  [
    /^(?:less than|under|below) (\d[\d.]*) ohms?(?: (?:from|between|on|across))? ([A-Z]\d?(?:-| to | and )\w+)$/i,
    'ohms $2 jumps between 0 and $1',
  ],
  [/^([A-Z]\d?(?:-| to | and )\w+)(?: is| reads?)? (?:less than|under|below) (\d[\d.]*) ohms?$/i, 'ohms $1 jumps between 0 and $2'],
  // Sent from here, and what comes of it there.
  [
    /^(?:the )?([A-Z]\d?) leaves (?:here |the (?:board|furnace|air handler) )?(?:at|with) (\d[\d.]*),? (?:and |but )?(?:arrives|gets there|comes out) (?:at|with) (\d[\d.]*)$/i,
    '$1-C $2, $1-C $3 outside',
  ],
  [
    /^(\d[\d.]*)(?: ?v)? (?:leaving|leaves|going out)(?: the (?:board|furnace|air handler))? on ([A-Z]\d?),? (?:and |but )?(\d[\d.]*|nothing|0|none) (at the (?:condenser|heat pump|outdoor unit)|outside|out there)$/i,
    (_, here, letter, there, where) =>
      `${letter}-C ${here}, ${letter}-C ${/^(?:n)/i.test(there) ? '0' : there} ${/there/.test(where) ? 'outside' : where}`,
  ],
  [
    /^([A-Z]\d?) (\d[\d.]*)(?: ?v)? (?:in )?here,? (?:and |but )?(\d[\d.]*|nothing)(?: ?v)? out there$/i,
    (_, letter, here, there) => `${letter}-C ${here}, ${letter}-C ${/^n/i.test(there) ? '0' : there} outside`,
  ],
  [
    /^(?:looked (?:at|over|along) (?:the )?(?:whip|cable|wiring|wires),? )?(?:the )?insulation (?:is )?(?:missing|gone|off|stripped|worn off|rubbed off|rubbed through) (?:on|off|from|of) (?:the )?(\S+(?: (?!where|at|near|by)\S+)?)(?: (?:where|at|near|by) .*)?$/i,
    'bare copper on $1',
  ],
  // Wet or dry, it is what was read.
  [
    /^(\S+(?: to |-)\S+) (\d[\d.]*) ?(k|m)(?:egs?|eg ?ohms?|ohms?)?,? (?:and |when |while |since it is )*(?:it is |its )?(?:wet|damp|soaked)$/i,
    '$1 $2 $3ohm, note wet',
  ],
  [/^(?:wire|screw|screwed)(?: is)?(?: down)? (?:under|on)(?: the)? insulation (?:at|on|of) (?:the )?([A-Z]\d?)$/i, '$1 is loose'],
  // From this end along the cable that goes there.
  [
    /^(?:(?:looking|reading|read|ohmed) )?(?:out )?(?:toward|towards|at|to|outside|out)(?: the)? ?(condenser|outdoor unit|outdoors|outside|stat|thermostat|),? ([A-Z]\d?)(?:-| to )([A-Z]\d?) (\d[\d.]*|ol)(?: ?ohms?)?$/i,
    (all, where, a, b, read) => (/^(?:looking|toward)/i.test(all) ? ofCable(/stat/i.test(where) ? 'stat' : 'outdoor', a, b, read) : all),
  ],
  [
    /^(?:looking )?(?:toward|towards) (?:the )?(condenser|outdoor unit|outside|stat|thermostat),? (\d[\d.]*|ol)(?: ?ohms?)? ([A-Z]\d?)(?:-| to )([A-Z]\d?)$/i,
    (_, where, read, a, b) => ofCable(/stat/i.test(where) ? 'stat' : 'outdoor', a, b, read),
  ],
  [/ ?[kK][ΩΩ]/g, 'k'],
  [/ ?M[ΩΩ]/g, ' meg'],
  [/ ?[ΩΩ]/g, ' ohms'],
  [/^((?:\d[\d.]* ?(?:v|volts?)? )?)L ?(?:to|-) ?N((?: \d[\d.]* ?(?:v|volts?)?)?)$/, '$1L1 to N$2'],
  // Two colors on either side of the probes.
  [new RegExp(`^between (?:the )?(${COLOUR}) and (?:the )?(${COLOUR})(?: is| reads?)? (?=\\d|ol\\b|open\\b)`, 'i'), '$1 to $2 '],
  // Several letters against one thing: Y, O and W OL to ground.
  [
    /^((?:[A-Z]\d?(?:, ?(?:and )?| and | & )){1,6}[A-Z]\d?)(?: all| both)?(?: are| read)? (ol|open|infinite|clear) to (ground|gnd|chassis|metal|C|common)$/i,
    (_, list, read, against) => ofEach(list, `to ${against} ${read === 'clear' ? 'OL' : read}`),
  ],
  [
    /^((?:[A-Z]\d?(?:, ?(?:and )?| and | & )){1,6}[A-Z]\d?) to (ground|gnd|chassis|metal|C|common),?(?: all| both)?(?: are| is| reads?)? (ol|open|infinite|clear)$/i,
    (_, list, against, read) => ofEach(list, `to ${against} ${read === 'clear' ? 'OL' : read}`),
  ],
  [
    /^line side(?: is| has| reads)? (\d+)(?: ?v)?,? (?:and |but )?load side(?: is| has| reads)? (\d+)(?: ?v)?$/i,
    'line side $1, load side $2',
  ],
  [
    /^(\d{3})(?: ?v| volts?)? (?:to|into|at|going to|on) (?:the )?(?:transformer|xfmr),? (?:but |and )?(?:no(?:thing)?|0|zero)(?: 24(?: ?v(?:olts?)?)?)?(?: out| coming out| on the secondary)?$/i,
    'primary $1, secondary 0',
  ],
  // A mark beside what stands outdoors is there; beside what may be anywhere it is where one is.
  [
    /^(.*\b(?:bare|rub\w*|chew\w*|pinch\w*|burn\w*|melt\w*|skinned|nick\w*|cut|scorch\w*)\b.*?) (?:at|by|near|in|inside|behind|on|under|against) the (?:\w+ )?(?:whip|service valves?|compressor|base pan|pad)$/i,
    '$1 outside',
  ],
  [/^(?:the )?whip (?:is |was )?(rubbed|chewed|burned|burnt|melted|cut|nicked)(?: through| up| in two)?$/i, 'rubbed through outside'],
  [
    /^(.*\b(?:bare|rub\w*|chew\w*|pinch\w*|burn\w*|melt\w*|skinned|nick\w*|scorch\w*)\b.*?) (?:at|by|near|in|inside|behind|on|under|against) the (?:\w+ )?(?:disconnect|line ?set|suction line|discharge line|liquid line)(?: whip| box)?$/i,
    '$1',
  ],
  [/^((?:found )?(?:the )?fuse is (?:a )?\d+ ?a(?:mps?)?),? (?:should be|supposed to be|label says|calls for|wants) .*$/i, '$1'],
  [/^([A-Z]\w?) (\d[\d.]*) ([A-Z]\w?) (\d[\d.]*) ([A-Z]\w?) (\d[\d.]*),? C (?:ok|good|fine)$/, '$1 $2, $3 $4, $5 $6'],
  [/^(.+ (?:switch|limit|rollout|pressure)) (\d[\d.]*)(?: ?v(?:olts)?)? across(?: it)?$/i, '$2 V across the $1'],
  [/,? and (?:holding |staying )?(?:steady|solid|holding)$/i, ''],
  [
    /^(\d+) ?(?:v |volts )?coming in,? (?:and )?(\d+|nothing|0) ?(?:v |volts )?(?:leaving|coming out of|going out of) (?:the )?contactor$/i,
    'line side $1, load side $2',
  ],
  // A letter and its figure written as one: no terminal has two digits.
  [/^([gywobr])(\d{2}(?:\.\d+)?)(?= ?v?$)/i, '$1 $2'],
  [/^(?:ohms|ohmed|ohming) (?=(?:red|white|green|yellow|blue|brown|orange|black|purple) (?:to|and) )/i, ''],
  [/^([A-Z]\d?) (?:is )?(?:hot|live) to (ground|gnd|chassis|metal),? (?:at |reads? )?(?=\d)/, '$1 to $2 '],
  [
    /^max(?:imum)? (?:amps|current|draw)(?: is| was| of)? (\d[\d.]*)(?: ?a| ?amps)?(?: before it (?:tripped|popped|blew|went))?$/i,
    'max $1 A on R',
  ],
  [/(?<=\b(?:ground|gnd|chassis|[a-z]\d?|reads?|is|at)) point (\d+)\b/gi, ' .$1'],
  [
    /(?<=\b[A-Z]\w?(?: to |-| )[A-Z]\w? \d*[.]?\d+(?: ?ohms?)?),? (?:so )?(?:it[’']?s |is )?shorted(?: (?:in|inside|somewhere|along)\b.*)?$/i,
    '',
  ],
  [/^(.*\bcoil)(?:[’']s| is)? (?:good|ok|okay|fine|bad|shot),? (?=\d)/i, '$1 '],
  // One letter at two places: Y has 24 here and nothing outside.
  [
    /^([A-Z]\d?)(?:(?: to |-| )C)?(?: has| is| reads| gets| at)? (\d[\d.]*)(?: ?v| volts?)? ((?:at |in |on )?(?:the )?(?:(?:out |in )?here|inside|outside|outdoors|indoors|stat|thermostat|board|furnace|air handler|condenser|unit|heat pump|panel)),? (?:and |but )?(?:has |is |reads |only )?(\d[\d.]*|nothing|none|zero|no volts|no voltage|dead)(?: ?v| volts?)? ((?:at |in |on |out |over )?(?:the )?(?:here|there|inside|outside|outdoors|indoors|stat|thermostat|board|furnace|air handler|condenser|unit|heat pump|panel))$/i,
    (_, letter, first, here, second, there) =>
      `${letter} ${first} V${whereOf(here)}, ${letter} ${/^\d/.test(second) ? second : '0'} V${whereOf(there)}`,
  ],
  [/^not (?:getting|seeing|reading) anything (on|at) ([a-z]\d?)$/i, 'nothing $1 $2'],
  [/^([a-z]\d?) (?:is )?shorted to (ground|gnd|chassis|metal|cabinet) (?=\d|\.\d)/i, '$1 to $2 '],
  [
    /^(?:am(?:p ?)?meter|amp clamp|clamp ?meter|clamp-on)(?: says| reads| shows| on| around)* ?(?:([A-Z]\d?) )?(\d*\.?\d+)(?: ?a| amps)?(?: (?:on|around) ([A-Z]\d?))?$/i,
    (all, before, amps, after) => {
      const letter = before ?? after
      return letter ? `${amps} A on ${letter}` : all
    },
  ],
  [/^(?:no|zero|0) (?:amps|current|draw) (?:on|through|at) ([A-Z]\d?)$/i, '0 A on $1'],
  [/^nothing to (ground|gnd|chassis|metal)$/i, 'all open to $1'],
  [/^common (?:is )?(grounded|shorted to (?:ground|gnd|chassis))/i, 'C $1'],
  // Into a part, and out of it.
  [
    /^(\d[\d.]*)(?: ?v| volts)? (?:before|ahead of|into|going into) (?:the )?([a-z][a-z -]+?),? (?:and |but )?(\d[\d.]*|nothing|none|zero)(?: ?v| volts)? (?:after|past|behind|out)(?: (?:it|that))?$/i,
    '$1 in and $3 out of the $2',
  ],
  [
    /^(\d[\d.]*)(?: ?v| volts)? (?:on )?(?:one|1|the one) side (?:of |on )?(?:the )?([a-z][a-z -]+?),? (?:and |but )?(\d[\d.]*|nothing|none|zero)(?: ?v| volts)? (?:on )?(?:the )?other(?: side)?$/i,
    '$1 in and $3 out of the $2',
  ],
  [/^L ?(?:-|to) ?N (\d+)\S*,? L ?(?:-|to) ?(?:G|gnd|ground) (\d+)\S*$/, 'hot to neutral $1, hot to ground $2'],
  [
    /^(?:looking |reading )?back (?:at|to|toward|towards|into) (?:the )?(?:house|furnace|air handler|indoor unit|inside),? (?=.*(?:\d|\bol\b))/i,
    '',
  ],
  // What it is not, or should be, beside what it is.
  [/(?<=\d(?: ?ohms?)?),? (?:so )?not (?:shorted|open)$/i, ''],
  [
    // What a capacitor should read says which side of it was read.
    /(?<!\bcap(?:acitor)?\b.*)(?<=\d\S*(?: ?v| volts?| ?ohms?)?),? (?:when |but )?(?:it |that )?(?:should|ought to|supposed to|is supposed to) (?:be|read)(?: around| about| like| near)? \d\S*(?: ?v| volts?| ?ohms?)?$/i,
    '',
  ],
  [/(?<=\d\S*(?: ?v| volts?| ?ohms?)?),? (?:too|also|as well)$/i, ''],
  [/(?<=\b0(?: ?v| volts?)?),? (?:so )?(?:it[’']?s |contact )?closed$/i, ''],
  [/ not (?:\d\S*)(?: ?v| volts?)?,? (?:it[’']?s|it is|but) (?=\d)/i, ' '],
  [/ reads good,? (?=\d)/i, ' '],
  [/^nothing (?:is )?shorted to (ground|gnd|chassis|metal)$/i, 'all open to $1'],
  [/^([A-Z]\d?) (?:is )?not (?:hot|live|energized) (?:on|in) (cool|heat|fan)(?:ing)?(?: call)?$/, 'call $2, $1 dead'],
  // Of one cable, pair by pair.
  [
    /^(outdoor|stat|condenser) cable: (?=.*,)(.+)$/i,
    (_, cable, pairs) =>
      pairs
        .replace(/\b([A-Z]\d?) (?:to|-) ([A-Z]\d?)\b/g, `${cable} $1 to ${cable} $2`)
        .replace(/(?<!to )(?<!\w )\b([A-Z]\d?) to (?=ground|gnd|chassis)/g, `${cable} $1 to `),
  ],
  [/^(\d{2,3})(?: ?v| volts?)? to (?:the )?(?:transformer|xfmr),? (?:and |but )?(\d\S*|nothing)(?: ?v)? out$/i, 'primary $1, secondary $2'],
  [/^(?:weak|good|full) voltage,? (?=\d)/i, ''],
  [/\b(\d[\d.]*)(?: ?v| volts?)? at ([A-Z]\d?) to ([A-Z]\d?)(?=$|,)/g, '$2 to $3 $1'],
  [/^([A-Z]\d?[- ](?:to )?[A-Z]\d? 0(?: ?v)?),? (?:so )?(?:it is )?closed$/, '$1'],
  [/^(\d\S*)(?: ?v| volts?)? on (?:the )?hot side of (?:the )?(?:transformer|xfmr)$/i, 'secondary $1'],
  [/\b(outdoor|condenser|stat) wires to each other (?=\S)/gi, '$1 pair '],
  [/^(.+ \S+) with (?:the |both )?(?:pressure )?switches unplugged$/i, 'unplugged both pressure switches, $1'],
  [/^(\d\S*)(?: ?v)? at (?:the )?(.+?) in,? (?:and |but )?(\d\S*|nothing)(?: ?v)? out$/i, '$1 in $3 out of $2'],
  [
    /^(red|white|green|yellow|blue|black|orange|brown) (?:and|to) (red|white|green|yellow|blue|black|orange|brown) (?:wires? )?(?:going|that go|headed) (outside|outdoors|to the condenser)(?: reads?| is)? (?=\S)/i,
    'outdoor $1 to outdoor $2 ',
  ],
  [/^(\d[\d.]*) ?(?:a|amps?)(?: on (?:the )?R)? with ([A-Z]\d?) jump(?:er)?ed(?: to R| in)?$/i, 'jumped R to $2, $1 A on R'],
  [
    /^(?:first|1st) (contactor|compressor|relay|stage)(?: coil)? ([^\s,]+(?: ?ohms?)?),? (?:and )?(?:second|2nd) (?:contactor|compressor|relay|stage)(?: coil)? (\S+(?: ?ohms?)?)$/i,
    '$1 $2; second $1 $3',
  ],
  // Several pairs in a row, against common or the metal.
  [
    /^(?:[A-Z]\d? C \d[\d.]*(?: ?v)?,? ?){2,}$/,
    (all) => all.replace(/([A-Z]\d?) C (\d[\d.]*)(?: ?v)?,? ?/g, '$1-C $2; ').replace(/; $/, ''),
  ],
  [
    /^([A-Z]\d?) (\d[\d.]*)(?: ?v)? to (ground|gnd|chassis),? (?:and )?([A-Z]\d?) (\d[\d.]*)(?: ?v)? to (?:ground|gnd|chassis)$/i,
    '$1 to $3 $2, $4 to $3 $5',
  ],
  [/^(\d[\d.]*) ?(?:v|volts?)? hot to (?:common|c)$/i, 'R-C $1'],
  [/\b(secondary|primary) (?:is |reads? )?(?:good|ok|fine),? (?=\d)/gi, '$1 '],
  [
    /^([A-Z]\d?) (?:and|to) ([A-Z]\d?) (?:are )?shorted(?: together)?(?: (?:at|on) (?:the )?(?:stat|thermostat|unit|furnace)(?: end)?)?,? (?:at |reads? )?(\d[\d.]*)(?: ?ohms?)?$/,
    '$1 to $2 $3',
  ],
  [/^(\d[\d.]*|nothing)(?: ?v| volts?)? (?:at|on) ([A-Z]\d?)[ -](out|in)$/, '$2-$3 $1'],
  [/(?<=\d\S*),? (?:unloaded|open circuit|with nothing on it|no load on it)$/gi, ''],
  [/(?<=\d(?: ?v| volts?)?),? (?=no (?:flame|fire|ignition)$)/gi, ', '],
  [/^(\d{2,3})(?: ?v| volts)? and (\d{1,3})(?: ?v| volts)? to (ground|gnd|chassis|earth)$/i, 'L1 to $3 $1, L2 to $3 $2'],
  // A condition may stand first.
  [
    /^with (?:the )?(?!everything\b|all\b)(.+?) (off|lifted|pulled|disconnected|unhooked|unplugged|out),? (?=.*(?:\d|\bol\b|\bopen\b|\bholds?\b|\btrips?\b|\bbeeps?\b))(.+)$/i,
    (_, what, how, then) => `${/plug|out/i.test(how) ? 'unplugged' : 'lifted'} ${what}, ${then.replace(/^(?:it |its |it's )/i, '')}`,
  ],
  [/^half (?:the )?(?:voltage|volts) (?:at|on|across|to) (?:the )?(.+?),? (\d[\d.]*)(?: ?v| volts)?$/i, '$1 $2 V'],
  [
    /^(.+?) (drops?|dropped|goes|went|falls?|fell|sags?|sagged) (?:down )?to (\d\S*)(?: ?v| volts)? (?:when|with|once|as soon as) ([A-Z]\d?) (?:was |is |gets |got )?jump(?:er)?ed(?: to R| in)?$/i,
    'jumped R to $4, $1 $3 V',
  ],
  [/\b(?:low|control) voltage(?: is| reads?| present| at| of)?,? (?=\d)/gi, 'R-C '],
  [/\b(transformer|xfmr) input(?: is| reads?)? (?=\d)/gi, 'primary '],
  // On one of two and not on the other.
  [/^(\d+(?:\.\d+)?) ?(?:v|volts?)? (at|on|to) (.+?),? but (?:not|none|nothing|no) (?:at|on|to) (.+)$/i, '$1 V $2 $3, 0 V at $4'],
  // What two were read against stands behind the second.
  [
    /^([A-Z]\d?) (\d[\d.]*),? (?:and )?([A-Z]\d?) (\d[\d.]*) (?:v |volts )?to (ground|gnd|chassis|neutral|common|C)$/i,
    '$1 to $5 $2, $3 to $5 $4',
  ],
  [
    /\bno (?:110|115|120|208|220|230|240|277)(?: ?(?:v|volts?))? (?:to|at|on|into|coming to) (?:the )?(?:transformer|primary)(?: primary)?$/i,
    'primary 0',
  ],
  [/\b(at|on) (?:the )?sec(?=$|,)/gi, '$1 secondary'],
  [/^(?:the )?(?:transformer|xfmr) (?:out|output)(?: is| reads?)? (?=\d)/i, 'secondary '],
  [/^(1[12]\d|2[0-4]\d)(?: ?v| volts)? (?:at|on|to) (?:the )?(?:furnace |service |unit )?switch$/i, 'line $1'],
  // Two letters against the same.
  [
    /^([A-Z]\d?)(?:,| and|, and) ([A-Z]\d?) to (ground|gnd|chassis|common)(?: are| is| read| reads)?(?: both| all)? (ol|open|clear|shorted|\d[\d.]*)$/i,
    '$1 to $3 $4, $2 to $3 $4',
  ],
  [
    /^([YW])2 (?:is |has |reads )?(\d[\d.]*) ?v?(?:olts)? (?:on|in) (?:second|2nd|high)(?: stage)?$/i,
    (_, letter, volts) => `call second stage ${letter.toUpperCase() === 'Y' ? 'cool' : 'heat'}; ${letter.toUpperCase()}2-C ${volts} V`,
  ],
  [/\bcoil (?:is )?shorted,? (?:at |reads )?(?=\d)/gi, 'coil '],
  [/(?<=\b(?:coil|contactor|relay|valve|damper)\b.* (?:\d*\.\d+(?: ?ohms?)?|\d+ ?ohms?)),? (?:dead )?shorted$/gi, ''],
  [/^secondary to (?=ground|gnd|chassis)/i, 'transformer secondary to '],
  [/^([A-Z]\d?)(?: in)? (\d\S*),? (?:and |but )?out (\d\S*)(?: (?:at|on|of) (?:the )?(?:\w+ )?board)?$/, '$1 $2, $1-out $3'],
  [/\b(boards?|control) (\d+) (flashes|blinks)$/gi, '$1 flashes $2 times'],
  [/(?<=\d.*),? (?:with )?no load$/i, ''],
  [/\b24 ?v(?:olt)?s? side\b/gi, 'secondary'],
  [/^(cooling|heating) transformer (\d\S*),? (?:and )?(cooling|heating) (\d\S*)$/i, '$1 transformer $2, $3 transformer $4'],
]
