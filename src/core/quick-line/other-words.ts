import { leadNames } from '@/src/core/bench/points'
import { panelSupply } from '@/src/core/quick-line/against-common'
import { cableForms, type Form } from '@/src/core/quick-line/cable-words'
import { COLOUR, lettersOfPair } from '@/src/core/quick-line/colours'
import { cableTowards } from '@/src/core/quick-line/meaning'
import { findCable } from '@/src/core/quick-line/names'
import { loadOf, type Sentence } from '@/src/core/quick-line/sentence'
import { rewriter } from '@/src/core/quick-line/sieve'
import { neutralAt } from '@/src/core/quick-line/volts'
import { boardHere } from '@/src/core/quick-line/which-part'
import { cableById, partById, placeById, type System } from '@/src/core/wiring/system'

/** How something is said, and the same in other words: `$1` is what was found, or it is made of that in the system. */

/** `Y to C 13.8 with the contactor plugged in`, `trips with the valve plugged in`. */
export const IN_PLACE =
  /^(.*(?:\d|\b(?:trips?|tripped|pops?|popped|blows?|holds?|held)\b).*?),? (?:with|w\/) (?:the )?(\S+(?: \S+)?) (?:still )?(?:plugged(?: in)?|connected|hooked up|landed)$/i

/** Other words for the same, in the order in which they are put: each takes what those before it have left. */
const forms: readonly Form[] = [
  [/^\/+\s*/, ''],
  [
    /\b(furnace|air handler|unit|transformer|board|fuse) (?:is )?in the (?:garage|basement|closet|attic|crawl ?space|hall closet|utility room)\b(?=.)/gi,
    '$1',
  ],
  [/\b(furnace|air handler|unit) in the (?:garage|basement|closet|attic|crawl ?space|hall closet|utility room)$/gi, '$1'],
  // As it is in the record: what went back on for the reading is entered.
  [
    IN_PLACE,
    (the, all, read, what) => {
      const { bench } = the.state
      const part = the.part(what.toLowerCase())
      const end = the.conductor(what.toLowerCase())
      if (part !== null) return bench.unplugged.some((id) => id === part) ? all : read
      return end !== null && bench.lifted.length === 0 ? read : all
    },
  ],
  [/\bHP (?=(?:contactor|compressor|board|fan|unit|disconnect)\b)/g, ''],
  [/(?<=\b(?:open|closed|shut|out|in|off|on|dead|blank|hot|tripped|running|blown)) now$/i, ''],
  // Two colors that are joined: the letters of the one cable that has both where it was done.
  [
    new RegExp(
      `^((?:tied?|twist(?:ed)?|join(?:ed)?|jump(?:ed|er|ered)?|touch(?:ed)?|bridged?|clip(?:ped)?|put|connect(?:ed)?|hook(?:ed)?) (?:the )?)(${COLOUR})( and | to | with |-)(?:the )?(${COLOUR})\\b((?:.* (?:at|on) (?:the )?(\\w+))?.*)$`,
      'i',
    ),
    (the, all, verb, one, joint, other, tail, where = '') => {
      const letters = lettersOfPair(the, one.toLowerCase(), other.toLowerCase(), the.place(where.toLowerCase()))
      return letters === null ? all : `${verb}${letters[0]}${joint}${letters[1]}${tail}`
    },
  ],
  // As it is said in one shop and another: the same in the words of the rules.
  // What judges a reading before it is said.
  [
    /^(?:a )?(?:good|solid|steady|healthy|strong|nice|only|just|still|about|around)(?: an?)? (?=[\d.]+ ?(?:v|volts?|ohms?|a|amps?|[a-z]{1,2}\d? ?(?:to|-|\/)|leg|across|on|at|between|from)\b)/gi,
    '',
  ],
  [/\b(clicks?|clicked|shifts?|shifted|pulls? in|pulled in|comes? in|runs?|works?) over(?= |$)/gi, '$1'],
  [/ (?:on one side),? (?:and |but )?(?=[\d.]+ ?v? (?:on )?(?:the )?other(?: side)?$)/gi, ' in, '],
  [/(?<=\d) one side,? (?:and |but )?([\d.]+) (?:on )?(?:the )?other(?: side)?$/gi, ' in, $1 out'],
  // What a board gives out has a lead of that name: y out to c, o out 26.
  [
    /\b([a-z]) out\b(?= (?:to|and|has|is|reads|\d)|-|$)/gi,
    (the, all, letter) =>
      leadNames(the.system, the.state.bench.place).includes(`${letter.toUpperCase()}-out`) ? `${letter.toUpperCase()}-out` : all,
  ],
  // Behind the switch a leg has the name of the unit: L1 unit.
  [
    /\b(L\d) unit\b(?= (?:to|and)\b|$)/gi,
    (the, all, leg) => (the.isLetter(`${leg.toUpperCase()}-unit`) ? `${leg.toUpperCase()}-unit` : all),
  ],
  [/\bbetween hot and neutral\b/gi, 'hot to neutral'],
  [/^(before|after|past|ahead of|behind) (?:the )?([a-z ]+?) (?:is |reads? |there is )?(\d\S*)(?: ?v| volts?)?$/gi, '$3 $1 $2'],
  [/\b(low|high) pressure (?:switch )?(?:cut out|is out|kicked out|dropped out)\b/gi, '$1-pressure switch open'],
  [/\b(?:ran) ([A-Z]\d?) (?:on|over|through) (?:the )?(?=\w+$)/gi, 'swap $1 to '],
  [/\b(board|panel|control|thermostat|stat|transformer|unit)[’']s (?=(?:led|lights?|fuse|display|screen|breaker)\b)/gi, '$1 '],
  [/(\w)[’']s got (?=\d|no\b|nothing\b|a\b)/gi, '$1 has '],
  // How a meter's figure is come by says no more than the figure.
  [
    / (?:checks|checked|tests|tested|meters|metered|came back|comes back|comes out|came out|rings|rang)(?: out)?(?: at| as| to)? (?=[\d.]+(?: ?ohms?)?$|ol$|open$)/gi,
    ' ',
  ],
  [/\b(click(?:s|ed)) open\b/gi, 'pulls in'],
  [/\b(?:zip|zilch|nada|squat|goose egg)\b/gi, 'nothing'],
  [/\bcoming (?=out$|out\b[,;])/gi, ''],
  [/\b(\w+) and (\w+) (?:beep|beeps|ring|rings)(?: together| to each other)?$/gi, '$1 to $2 beeps'],
  [/\b([A-Z]\d?) ([A-Z]\d?) (?:beeps?|rings?)(?: together)?$/g, '$1 to $2 beeps'],
  [/\b(?:hpc|hpco)\b/gi, 'high-pressure switch'],
  [/\bloss[ -]of[ -]charge (?:switch|cut-?out)\b/gi, 'low-pressure switch'],
  [/\bmanual[ -]reset (?=(?:rollout|limit|switch)\b)/gi, ''],
  [/\b(?:lpc|lpco)\b/gi, 'low-pressure switch'],
  [/\bsec(?= (?:is |reads? )?(?:\d|ol\b|open\b))/gi, 'secondary'],
  [/^(?:lost|missing|no) (L\d)$/gi, '$1 is dead'],
  [/\b(L\d) leg\b/gi, '$1'],
  [/\bleg (?:one|1|a)\b/gi, 'L1'],
  [/\bleg (?:two|2|b)\b/gi, 'L2'],
  [/\bleg (?:three|3|c)\b/gi, 'L3'],
  [/\b(?:leg to leg|line to line|between (?:the |both )?(?:two )?legs|across (?:the |both )?legs|phase to phase)\b/gi, 'L1 to L2'],
  [/\b(?:yanked|ripped|plucked|snatched)\b/gi, 'pulled'],
  // Two wires go outdoors: the whole of that cable.
  [
    /\b(outdoor|outside|condenser) pair(?=$| (?:off|at|from|back))/gi,
    ({ system }, all, where) => {
      const cable = cableById(system, findCable(system, 'outdoor') ?? '')
      return cable?.conductors.filter(({ lands }) => lands[0] !== null).length === 2 ? `${where} cable` : all
    },
  ],
  [/\boff (?:the |its |of the )?(?:sub-?base|back ?plate|wall ?plate|mounting plate)\b/gi, 'off the wall'],
  [/\btook ((?:the )?\w+(?: \w+)?) loose\b/gi, 'took $1 off'],
  [/\b(goes|went|going) black\b/gi, '$1 blank'],
  [/(?<=blank) (?:for (?:a )?)?(?:a )?(?:second|sec|moment|split second)\b/gi, ''],
  [/\b(?:the )?bunch\b/gi, 'the bundle'],
  [/\b(?:the )?(?:whole|entire) (?=(?:\w+ ){0,2}(?:cable|bundle|harness|run)\b)/gi, 'the '],
  [/^(\w+(?: \w+)?):\s+/, (the, all, head) => (the.place(head.toLowerCase()) ? `at ${head} ` : all)],
  [/\s*=\s*(?=\d|ol\b)/gi, ' '],
  [/\s+/g, ' '],
  [/,? (?:just )?to (?:see (?:if|what|whether)|be sure|check)\b.*$/i, ''],
  [
    / so (?:it|that|fuse)(?: that)? (?:holds|would hold|wont (?:blow|pop)|won['’]t (?:blow|pop)|doesn['’]t (?:blow|pop)|quits? (?:blowing|popping)|stops? (?:blowing|popping))$/i,
    '',
  ],
  [/ ?\b(?:again|still|really|just(?! now)|like crazy|right now|right away|at once|for some reason|i think)\b/gi, ''],
  [/^(?:i |i've |ive |we |just |now )*(?:got|get|getting|have|had|see|seeing|measured|measure|reading|showing) (?=[-\d.])/i, ''],
  [/\b(thermostat|stat|tstat) (?:display|screen)\b/i, '$1'],
  [/^across the /i, 'across '],
  // A setpoint is not a reading.
  [/\b(cool|heat|cooling|heating)(?: to| at)? [4-9]\d(?: degrees| f)?(?=$|,|\s(?!v|a|o))/gi, '$1'],
  [/ (?:out|in|up|down) here\b(?=.)/gi, ''],
  // Whose part it is says no more than the part: the air handler's board fuse.
  [
    /\b(?:the )?(air handler|furnace|condenser|outdoor|indoor|attic|heat pump|rooftop|package unit)(?:['’]s| unit)? (?=(\w+(?: \w+)?)\b)/gi,
    (the, all, owner, what) => {
      const [first] = what.toLowerCase().split(' ')
      const isPart = (name: string) => the.part(name) !== null
      const isOwn = isPart(`${owner} ${what}`.toLowerCase()) || isPart(`${owner} ${first}`.toLowerCase())
      return !isOwn && /[a-z]{3}/.test(first) && (isPart(what.toLowerCase()) || /^(?:contactor|transformer|float)$/.test(first)) ? '' : all
    },
  ],
  [/\bcompressor contactor\b/gi, (the, all) => (the.part('compressor contactor') ? all : 'contactor')],
  [/\bpressure cut-?out\b/gi, 'pressure switch'],
  [/\b(compressor|contactor) (?:#|no\.? ?|number )?1\b(?! ?(?:v|a|ohm))/gi, '$1'],
  [
    /\b(?:the )?common(?: wire| side)?(?= (?:to|and|is|has|at|in|reads|off|on|landed|loose|ol|-?[\d.]+)\b|$)/gi,
    (the, all) => (the.isLetter('C') ? 'C' : all),
  ],
  [
    /\b(?:the )?(outdoor|outside|condenser|stat|thermostat) pair\b(?: (?:reads?|is|measures))?/gi,
    (the, all, name) => pairOfCable(the.system, name) ?? all,
  ],
  [/(?<=\bol|\d|ohms?|open|shorted) (?:between|across) (?:them|each other|the two|both|the wires)$/i, ''],
  [/ from (?:here|this end)\b/i, ''],
  [/^(?:checked|proved|verified|tested)(?: it)? dead,? (?=\S+ (?:to|and) \S+ \d)/i, ''],
  [/\b(light|led)s? (?:is )?(?:green|red|amber|yellow|orange|blue),? (?=steady|solid|on\b|blinking|flashing)/gi, '$1 '],
  [/^(?:ohm ?meter)(?: (?:reads?|shows?|from|on|between))? (.+?)(?: (?:shows?|reads?|is))? (\S+)$/i, 'ohms $1 $2'],
  [/^(?:multimeter|meter|dvom)(?: (?:reads?|shows?|from|on|between))? (?=\S+ \S)/i, ''],
  [/\b(?:safety float|float safety|(?:condensate|overflow|wet|drain) (?:safety )?switch|condensate safety)\b/gi, 'float'],
  [/\bwide open\b/gi, 'open'],
  [/(?<=\S) and (?:watched|waited|let it run|stood there)(?: .*)?$/i, ''],
  [/^(amps \d[\d.]*) (?:at (?:start|first|start ?up)|steady)\b.*$/i, '$1'],
  // The number of a unit is no voltage.
  [/^(?:unit|rtu|rooftop|ac|system) ?#?\d{1,2} (?:on|up on) (?:the )?roof,? (?=\S)/i, ''],
  [/^(?:got |have )?(\d[\d.]*) ?(?:v|volts)? from ([A-Z]\d?(?: out)?) to ([A-Z]\d?)$/i, '$2-$3 $1 V'],
  [/\b(jumped|jumpered) across it\b/gi, '$1 it'],
  [/^(power off) (?:first|now|for safety)$/i, '$1'],
  [/^power (?:is )?(off|on) (?:at|by|with) (?:the )?((?:\w+ )*(?:disconnect|breaker|switch))$/i, '$2 $1'],
  [/ on (?:the )?(?:ohm ?meter|ohms? scale|my meter|the meter)$/i, ''],
  [/^(?:checked|tested|metered) (?:the )?((?:ac|cooling|heating|furnace) transformer|transformer),? (?=\d+ ?v?(?:olts)? in\b)/i, '$1 '],
  // Where the wires come from is not where they were read.
  [
    /(?<=\d.*| )(?:on|at|across) (?:the )?(?:field |control |low voltage )?wires? (?:that )?(?:coming (?:in|out|from (?:the )?\w+)|come in|from (?:the )?(?:furnace|air handler|inside|house))$/i,
    '',
  ],
  // What a reading is held for is no part of it; nor is what a hand did it for.
  [/,? which is (?:the |about |what |normal|right|ok|good|fine).*$/i, ''],
  [/(?<=\b(?:out|across|past|around)) for (?:a )?test(?:ing)?$/i, ''],
  [/^((?:jump|bypass)\w* .+?) (?:to|for a) (?:test|check|see)(?: it)?(?=,|$)/i, '$1'],
  [/\btrips? no more\b|\bno longer trips\b/gi, 'holds'],
  ...cableForms,
  // On a panel that has no common of its own letter, the one beside it.
  [
    /\b([RYGW]\d?) ?(?:to|-|\/) ?C\b(?! ?\d\b)(?:( (?:at|in|on) (?:the )?(\w+))|(?= [\d.]+(?: ?v| volts)? (?:at|in|on) (?:the )?(?:zone )?(\w+))|)/gi,
    (the, all, said, tail = '', where = '', later = '') => {
      const letter = said.toUpperCase()
      const named = where || later
      const place = (named && the.place(named.toLowerCase())) || the.state.bench.place
      const screws = placeById(the.system, place)?.terminals ?? []
      const supply = letter === 'R' ? panelSupply(the.system, place) : null
      if (supply !== null) return `${supply.replace('-', ' to ')}${tail}`
      return screws.includes(letter) && !screws.includes('C') ? `${letter} to ${the.commonOf(letter, place)}${tail}` : all
    },
  ],
  // One stage is lettered with a number or without, and a neutral is N.
  [
    /\b([YW])\b(?![-\w])(?=(?: (?:to|and) |-|\/)?\S*.*\d| (?:is |has )?(?:dead|hot|live|off|nothing)\b)/g,
    (the, all, letter) => (!the.isLetter(letter) && the.isLetter(`${letter}1`) ? `${letter}1` : all),
  ],
  [/\b([YW])1\b/g, (the, all, letter) => (!the.isLetter(all) && the.isLetter(letter) ? letter : all)],
  [/\bR[hc]\b/gi, (the, all) => (the.isLetter(all) ? all : 'R')],
  [
    /\b(?:the )?neutral(?= (?:to|and)\b)|(?<=\b[LT]\d (?:to|and) )(?:the )?neutral\b/gi,
    (the, all) => neutralAt(the.system, the.state.bench.place) ?? all,
  ],
  [/\bzone (one|two)\b/gi, (_the, _, zone) => `zone ${zone.toLowerCase() === 'one' ? 1 : 2}`],
  [
    /(?<=\b[A-Z]\w? ?(?:to|and|-) ?[A-Z]\w?) (?:is )?(?:coming in|coming up|showing|comes in|sitting|sits|gives(?: me)?)(?: at)?(?= -?\d)/g,
    '',
  ],
  [
    /\b([A-Z]\w?) (?:coming )?from (?:the )?(\w+)(?= (?:is |has |reads )?(?:-?\d|nothing|no |dead))/g,
    (the, all, letter, from) => (the.isLetter(letter) && the.place(from.toLowerCase()) ? letter : all),
  ],
  [
    /\b(?:the )?([A-Z]\w?)(?: wire)? (?:going|that goes|running|headed) (?:out )?(?:to )?(?:the )?(outside|outdoors|condenser|heat pump|stat|thermostat)\b/g,
    (the, all, letter, towards) => {
      const cable = cableTowards(the, towards.toLowerCase())
      return cable === null ? all : `${cable} ${letter}`
    },
  ],
  [/\be[- ]heat\b/gi, 'emergency heat'],
  [/\b(?:compressor (?:#|no\.? ?)?2|second compressor) contactor\b/gi, 'second contactor'],
  // The setpoint is how a call is made.
  [
    /\b(cool|cooling|heat|heating),? (?:and |then )?(?:i )?(?:dropped|turned|ran|bumped|set|cranked|raised|lowered)(?: it| setpoint| the setpoint)?(?: up| down)?(?: all the way)?(?: to)? [4-9]\d\b/gi,
    '$1',
  ],
  [/\b(at|to|from|by) (?:the )?hp$/i, '$1 heat pump'],
  [
    /\bhp (?=(?:is |isn['’]?t |does |doesn['’]?t |won['’]?t )?(?:not )?(?:runs?|running|on|off|dead|out|heats?|heating|cools?|cooling|starts?|comes?|came|kicks?)\b)/gi,
    'heat pump ',
  ],
  [/ (?:when|and|but) it (?:should ?n['’]?t|should not)(?: be| have any)?$/i, ''],
  [/\bstrip heat\b/gi, 'heat strips'],
  [/\bdraft (?:motor|fan|blower|inducer)\b/gi, 'inducer'],
  [/\bcoil to (?:C|common)\b(?=.* -?\d|$)/g, 'coil'],
  [/\bW2\b/g, (the, _all) => (the.isLetter('W2') || !the.isLetter('W') ? 'W2' : 'W')],
  [/^parts? (?:is |are )?on order(?: (?:till|until|til) (.+))?$/i, (_the, _, day) => `leave part on order${day ? ` until ${day}` : ''}`],
  [/^(?:rang|rung|ringing) out (?:the )?\S+ cable,? (?=\S)/i, ''],
  [/\b(high|low) side(?: pressure)? (switch|cutout)\b/gi, '$1 pressure switch'],
  [/\b2nd\b/gi, 'second'],
  [/\b(compressor|contactor) (?:#|no\.? ?|number )?2\b/gi, 'second $1'],
  [/\bsecond[- ]stage (?=contactor|compressor)/gi, 'second '],
  [/^(?:meg(?:g?ed|'?d)|ohm'?d|rang out|metered) (?=\S+ )/i, ''],
  // What comes from the panel comes in its own cable.
  [
    /\b([A-Z])(?: wire)?( (?:at|in) the (?:furnace|air handler))? from the (?:zone )?panel\b/g,
    (the, all, letter, there) => (findCable(the.system, 'unit') === null ? all : `unit ${letter}${there ? ' at indoor' : ''}`),
  ],
  // Two screws that one place alone has are read there, wherever one stands.
  [
    /^([A-Z]\d)( to | and | ?- ?|\/| )([A-Z]\d) (?=\S*\d)(?!.* at )(.+)$/,
    (the, all, one, joint, other, read) => {
      const having = the.system.places.filter(({ terminals }) => terminals.includes(one) && terminals.includes(other))
      return having.length === 1 && having[0].id !== the.state.bench.place ? `${one}${joint}${other} ${read} at ${having[0].id}` : all
    },
  ],
  // A zone's letters stand beside its own common.
  [
    /\b([A-Z])([12]) ?(?:to|-|and) ?C\b/g,
    (the, all, letter, zone) => (the.isLetter(`${letter}${zone}`) && the.isLetter(`C${zone}`) ? `${letter}${zone}-C${zone}` : all),
  ],
  [/\b([A-Z]) (?:of |on |for |at )?(?:the )?zone (\d)(?= (?:to|-|and) )/g, 'zone $2 $1'],
  [
    /\b(?:zone (\d) (?:stat|thermostat|tstat)|(?:stat|thermostat|tstat)[ -](\d)|(?:stat|thermostat|tstat) (?:of|in|for|on) zone (\d))\b(?! (?:cable|wires?|bundle))/gi,
    (the, all, ...zones) => {
      const zone = zones.find((one) => one !== undefined)
      return partById(the.system, `thermostat-${zone}`) ? `thermostat-${zone}` : all
    },
  ],
  // The one board that flashes here: that of the ignition.
  [
    /^(?:the )?(?:control |furnace )?board(?: is| light(?: is)?)? (?=(?:flashing|blinking|flashes|blinks)\b)/i,
    (the, all) => (boardHere(the) === 'ignition' ? 'ignition control ' : all),
  ],
  // The coil that a letter pulls in.
  [
    /^(?:the )?([YGWOB]\d?) coil(?= (?:is |reads? )?(?:\d|ol\b|open\b))/i,
    (the, all, letter) => the.part(`${letter.toLowerCase()} coil`) ?? all,
  ],
  // The letter of the strips, where it has volts or none.
  [
    /^(?:the )?aux(?:iliary)?(?: wire| terminal| screw)?(?= (?:is )?(?:hot|dead|live|\d))(?! \d+ ?amps)/i,
    (the, all) => (the.isLetter('w') && the.call('aux') !== null ? the.letter('w') : all),
  ],
  // Of two ways to heat the gas is called as emergency heat.
  [
    /\b(?:gas|furnace) heat\b(?! pump)/gi,
    (the, all) => (the.call('emergency heat') !== null && the.part('gas valve') !== null ? 'emergency heat' : all),
  ],
  // A gas valve's second coil, and a motor's amps before the figure.
  [
    /\b(?:second|high)[- ](?:stage|fire) (?:gas )?valve\b/gi,
    (the, all) => (partById(the.system, 'gas-valve-high') ? 'gas-valve-high' : all),
  ],
  [
    /^(?:the )?(\w+(?: (?:motor|fan|strips))?) (?:amps?|amp draw|current)(?: is| are| at| reads?| draw)? (\d+(?:\.\d+)?)(?: ?(?:a|amps?))?$/i,
    (the, all, motor, amps) => (loadOf(the, motor.toLowerCase()) === null ? all : `${motor} ${amps} amps`),
  ],
  [
    /\b(?:heat|strip|heater) relay\b/gi,
    (the, all) => (the.part(all.toLowerCase()) === null && partById(the.system, 'sequencer') ? 'sequencer' : all),
  ],
]

const putInForms = rewriter(forms)

/** A clause in the words in which the rules are written, where it has others for the same. */
export const inOtherWords = (clause: string, the: Sentence): string =>
  putInForms(clause.trim(), (text, [says, as]) =>
    typeof as === 'string' ? text.replace(says, as) : text.replace(says, (...found) => as(the, ...groups(found))),
  ).trim()

/** What was found and its groups, without where it stood. */
function groups(found: readonly unknown[]): [string, ...string[]] {
  const end = found.findIndex((one) => typeof one === 'number')
  return found.slice(0, end) as [string, ...string[]]
}

/** The two wires of a cable that has no others in use. */
function pairOfCable(system: System, name: string): string | null {
  const cable = cableById(system, findCable(system, /^(?:outside|condenser)$/i.test(name) ? 'outdoor' : name) ?? '')
  const used = cable?.conductors.filter(({ lands }) => lands.some((terminal) => terminal !== null)) ?? []
  return cable && used.length === 2 ? used.map(({ id }) => `${cable.id} ${id}`).join('-') : null
}
