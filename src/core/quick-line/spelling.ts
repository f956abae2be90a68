import { distance } from 'fastest-levenshtein'
import { dashedNames } from '@/src/core/quick-line/names'
import { rewriter } from '@/src/core/quick-line/sieve'
import { LruCache, Memo } from '@/src/core/units/cache'
import { workLimit } from '@/src/core/units/work-limit'
import type { System } from '@/src/core/wiring/system'

/** Words cut short by thumbs, in full: everything else is read in whole words. */

/** Words of the trade that people misspell or cut short, whatever the system. */
const tradeWords = [
  'contactor',
  'contacts',
  'thermostat',
  'compressor',
  'transformer',
  'condenser',
  'blower',
  'breaker',
  'landings',
  'jumper',
  'jumped',
  'indoor',
  'outdoor',
  'furnace',
  'reversing',
  'sequencer',
  'unplug',
  'continuity',
  'secondary',
  'primary',
  // What hands do, and what is seen, is misspelt as often. No word that is one letter from another: stripped is not tripped.
  'disconnected',
  'unhooked',
  'jumpered',
  'bypassed',
  'replaced',
  'humming',
  'buzzing',
  'chattering',
  'flashing',
  'blinking',
  'pressure',
  'orange',
  'yellow',
]

/** Words that are cut down to their consonants. */
const cutDown = [
  ...tradeWords,
  ...['board', 'valve', 'relay', 'damper', 'inducer', 'switch', 'ground', 'grounded', 'cabinet', 'screw', 'cable', 'batteries'],
  ...[
    'white',
    'green',
    'black',
    'brown',
    'orange',
    'purple',
    'pressure',
    'defrost',
    'disconnect',
    'common',
    'neutral',
    'terminal',
    'meter',
    'blown',
    'shorted',
    'chatters',
  ],
]

/** What is cut short otherwise than by leaving out vowels. */
const cutShort: readonly (readonly [RegExp, string])[] = [
  [/\b(?:xfr?mr|xfmer|xfrmer|x-?former|xformer|trafo|tranny)\b/gi, 'transformer'],
  [/\bzone one\b/gi, 'zone 1'],
  [/\bzone two\b/gi, 'zone 2'],
  [/\b(zone \d)[’']s (?=\S)/gi, '$1 '],
  // The contactor's in is the contactor is in; the contactor's coil is its coil.
  [
    /\b(contactor|compressor|blower|fan|motor|valve|relay|inducer|igniter|limit|rollout|pressure|switch|board|light|stat|thermostat|display|breaker|fuse|burner|rod|damper|float|sequencer|coil|transformer)[’']s (?=(?:coil|wires?|contacts?|terminals?|plug|leads?|cable|thermostat|stat|damper|winding|primary|secondary|own|fuse|board|light|screw|plate)\b)/gi,
    '$1 ',
  ],
  [
    /\b(contactor|compressor|blower|fan|motor|valve|relay|inducer|igniter|limit|rollout|pressure|switch|board|light|stat|thermostat|display|breaker|fuse|burner|rod|damper|float|sequencer|coil|transformer|red|white|green|yellow|blue|brown|orange|black)[’']s (?=[a-z])/gi,
    '$1 is ',
  ],
  [/\bdisco\b/gi, 'disconnect'],
  // Misspelt too short, or too near to another word, to be put right by likeness.
  [/\bjump(?:d|rd|erd|rred|erred)\b/gi, 'jumped'],
  [/\bunplug(?:ed|gd|d)\b/gi, 'unplugged'],
  [/\bpoped\b/gi, 'popped'],
  [/\b(?:swaped|swapd|swoped)\b/gi, 'swapped'],
  [/(?<=\b(?:dis|re)?)(?:conected|connectd|conneted|conectd)\b/gi, 'connected'],
  [/\b(?:bypased|bypssed|bipassed|by-passed)\b/gi, 'bypassed'],
  [/\btr(?:iped|ippd|iiped|ippped)\b/gi, 'tripped'],
  [/\b(?:lifed|liftd|liffted)\b/gi, 'lifted'],
  [/\b(?:landd|lannded)\b/gi, 'landed'],
  [/\b(?:resset|restet|rset)\b/gi, 'reset'],
  [/\b(?:yelow|yello|yellw)\b/gi, 'yellow'],
  [/\b(?:grean|geen|grn|gren)\b/gi, 'green'],
  [/\b(?:blowr|bloer|blwer|blowwer)\b/gi, 'blower'],
  [/\b(?:swich|swtich|swithc)(es)?\b/gi, 'switch$1'],
  [/\b(?:vlave|valv|vavle)\b/gi, 'valve'],
  [/\b(?:borad|baord)\b/gi, 'board'],
  [/\b(?:releay|rellay|rely(?= (?:in|out|coil|chatters)))\b/gi, 'relay'],
  [/\b(?:groud|gound|grond|gruond)\b/gi, 'ground'],
  [/\b(?:furance|furnance|furnce)\b/gi, 'furnace'],
  [/\b(?:limt|limmit)\b/gi, 'limit'],
  [/\brever[a-z]{2,6}ing valve\b/gi, 'reversing valve'],
  [/\bdisc\.? (?=(?:the )?(?:\w+ )?(?:wires?|leads?|cable|cond|condenser|outdoor|stat|[A-Z]\b))/gi, 'disconnected '],
  [/\bw\/o\b/gi, 'without'],
  [/\bw\/ ?(?=[a-z]{2,}\b)/g, 'with '],
  [/(?<=\S) @ ?(?=[a-z])/gi, ' at '],
  [/\bpwr\b/gi, 'power'],
  [/\bbkr(s?)\b/gi, 'breaker$1'],
  [/\bign (?=bd\b|brd\b|board\b|control\b|module\b)/gi, 'ignition '],
  [/(?<=\bno )ign\b/gi, 'ignition'],
  [/\bign(?= (?:\d|ol\b|open\b|glows?|volts?|ohms?|coil))/gi, 'igniter'],
  [/\b(?:bd|brd)\b/gi, 'board'],
  [/\bscr\b/gi, 'screw'],
  [/\b(screw|wire)-(?=[A-Z]\d?\b|gnd\b)/g, '$1 to '],
  [/\b0L\b/g, 'OL'],
  [/\b(?:dfb|defrost bd|def(?:rost)? brd)\b/gi, 'defrost board'],
  [/\bdmpr\b/gi, 'damper'],
  [/\bfurn\b\.?/gi, 'furnace'],
  [/\bhtr\b/gi, 'heater'],
  [/\bz(\d)(?= )/gi, 'zone $1'],
  [/\bod\b/gi, 'outdoor'],
  [/(?<=\b(?:at|in|from) (?:the )?)ah\b/gi, 'air handler'],
  [/(?<=\b(?:at|to|from) (?:the )?)HP\b(?! (?:sw|switch|lead|cut))/g, 'heat pump'],
  [/\bbreaker \((\d+) ?a(?:mps?)?\)/gi, '$1 A breaker'],
  [/\bah\b(?= (?:[a-z]\d?[- ]|fan|blower|board|breaker))/gi, 'air handler'],
  [/\bHP(?= [A-Z]\d?(?:[- ]C\b| \d))/g, 'heat pump'],
  [/\bind(?= (?:on|off|runs|running|motor|mtr|relay|rly|wont|doesnt)\b)/gi, 'inducer'],
  [/\bsol(?= (?:\d|out|in|coil|ol\b|open))/gi, 'solenoid'],
  [/\brly\b/gi, 'relay'],
  [/\bcond\.(?=,| |$)/gi, 'condenser'],
  [/\bcont\.(?=,| |$)/gi, 'contactor'],
  [/\b(comp|xfmr|stat)\.(?=,? [a-z\d])/g, '$1'],
  [/\blite(s?)\b/gi, 'light$1'],
  [/\bcond(?= (?:on|off|runs|running|dead|comes|came|wont|doesnt|still)\b)/gi, 'condenser'],
  [/\bcomp(?= \d[\d.]* ?a\b)/gi, 'compressor'],
  [/\b(?:transformer|secondary|primary) (1[12]\d|2[0-4]\d) ?\/ ?(\d[\d.]*)/gi, 'primary $1, secondary $2'],
  [/\bsec(?=\.? \.\d)\.?/gi, 'secondary'],
  [/\bcont\.?(?= (?:#|no\.? ?)?\d\b| in\b| out\b| coil\b| pulled\b| chatter)/gi, 'contactor'],
  [/\bFS(?= \d)/gi, 'flame sensor'],
  [/\bHSI\b/gi, 'igniter'],
  [/\bPS(?= (?:\d|open|closed|switch|OL|makes|made|won))/gi, 'pressure switch'],
  [/\bGV(?= (?:\d|open|closed|has|gets|coil))/g, 'gas valve'],
  // A wire or its lack, told by signs.
  [/ = (?=holds?\b|trips?\b|held\b|tripped\b)/gi, ', '],
  [/\broll[ -]out\b/gi, 'rollout'],
  [/\b(?:prs|press|pr)(?=\.? (?:sw|switch)\b)\.?/gi, 'pressure'],
  [/\b(hi|high|lo|low|limit|pressure|rollout|float|door|draft|safety|toggle|furnace|unit|service) sw\b\.?/gi, '$1 switch'],
  [/\bsup(?=\.? (?:air )?\d)\.?/gi, 'supply'],
  [/\b(?:ret|rtn)(?=\.? (?:air )?\d)\.?/gi, 'return'],
  [/\bpurp\b/gi, 'purple'],
  [/\b(?:org|orn|ornge)\b/gi, 'orange'],
  [/\b(?:yel|ylw|yelw)\b/gi, 'yellow'],
  [/\bblu\b/gi, 'blue'],
  [/\b(?:compr|compres)\b/gi, 'compressor'],
  [/\bjmp(?= )/gi, 'jumper'],
  [/\b(?:fus|fuze)\b/gi, 'fuse'],
  [/(?<=\b(?:em|emer|emerg|emergency|aux|auxiliary|call|call for|calling|stage|set to|in|on) )ht\b/gi, 'heat'],
  [/(?<=\b(?:call|stage|set to) )cl\b/gi, 'cool'],
  [/\bbat(?:t|ts|s)\b/gi, 'batteries'],
  [/\bgnded\b/gi, 'grounded'],
  [/\bemer(?=g? heat\b)/gi, 'emergency'],
  [/\bcomp(?= (?:#|no\.? ?)?\d\b)/gi, 'compressor'],
  [/\b(compressor|blower|motor|inducer|strips) (?:terminals|windings?)(?= (?:is |are |reads? |has |to |open\b|ol\b|\d))/gi, '$1'],
  [/\b(contactor|relay|valve|coil|transformer) (buzz|hum)$/gi, '$1 $2ing'],
  [/\bheat strip\b/gi, 'heat strips'],
  [/\b(?:drain )?pan switch\b/gi, 'float switch'],
  // `htg - holds`: a dash between a call and what it does.
  [
    /^(htg|heat|heating|clg|cool|cooling|fan|aux|em heat|emergency heat)(?: call)? ?(?:[-–:]|->) ?(?=(?:still )?(?:holds?|held|trips?|tripped|pops?|popped|blows?|ok\b))/i,
    '$1 ',
  ],
  [/^(.+) \((?:the )?(board|strip|unit|screw|panel|furnace|field|wire|cable) side\)$/i, '$2 side $1'],
  [/^reset (?:the )?power$/i, 'power cycled'],
  [/,? (?:with )?nothing (?:calling|called)$/i, ' with no call'],
  [/\b((?:flashes|blinks)(?: \d+| \w+)(?: times?)?),? (?:and )?then (?:pauses|stops|repeats|off)\b.*$/i, '$1'],
  [
    /^(?:it |the furnace |furnace |unit )?(?:runs|burns|lights|fires)(?: for)? \d+ (?:min|sec)\w*,? (?:and )?then (?:the )?(?:burners?|flame|it) (?:shuts|goes|drops|cuts) (?:off|out)$/i,
    'burner lights and goes out',
  ],
  [/\b(\d[\d.]*) ?(?:v|volts?)? (L[12]-(?:L[123]|N))\b/gi, '$2 $1'],
]

/** `contactor 2`, `compressor #2 contactor`: the second one, where there are two. */
const SECOND =
  /\bcompressor (?:#|no\.? ?|number )?2 contactor\b|\b(contactor|compressor) (?:#|no\.? ?|number )?2\b(?! ?(?:\.\d|v\b|volts?|a\b|amps?|ohms?))/gi

/** What goes into a board and what comes out of it, by the letter. */
const THROUGH_BOARD =
  /(?:\b(?:the )?(?:defrost|control) board )?\b([A-Z]) (out|in)(?= (?:is |reads |has )?(?:\d|nothing|ol\b))|(?<=\d(?: ?v(?:olts?)?)? (?:(?:at|on) )?)\b([A-Z]) (out)\b(?! of\b)/g

/** The line with each word that is cut short or left without its vowels in full: `brd`, `vlv`, `ctctr`, `wht`. */
export const wordsInFull = (line: string, system: System): string => wholeOf.of(system).get(line, () => putInFull(line, system))
const wholeOf = new Memo((_: System) => new LruCache<string, string>(MOST_MET))

const inWhole = rewriter(cutShort)

function putInFull(line: string, system: System): string {
  const whole = inWhole(line, (text, [says, as]) => text.replace(says, as))
  const known = knownOf.of(system)
  const numbered = system.parts.some(({ id }) => id.startsWith('second-'))
    ? whole.replace(SECOND, (_, what = 'contactor') => `second ${what}`)
    : whole
  const isNamed = system.parts.some(({ name }) => /compressor contactor/i.test(name))
  const names = dashedNames(system)
  const throughBoards = numbered
    .replace(THROUGH_BOARD, (all, before, way, behind) => {
      const letter = before ?? behind
      return names.has(`${letter}-out`) ? (way === 'in' ? letter : `${letter}-out`) : all
    })
    .replace(/(?<=^|[,;] )no ([A-Z]) out(?:put)?\b(?! (?:here|there)\b)/g, (all, letter) =>
      names.has(`${letter}-out`) ? `${letter}-out 0` : all,
    )
  // Letters with a digit are terminals; what has a vowel is read as it stands.
  return throughBoards
    .replace(/\bcompressor (?=contactor\b)/gi, (all) => (isNamed ? all : ''))
    .replace(/(?<![\w.-])[b-df-hj-np-tv-xz]{3,}(?![\w-])/gi, (word) => known.get(word.toLowerCase()) ?? word)
}

/** Without its vowels, a doubled letter once: how a word looks when it is cut short. */
const bonesOf = (word: string): string =>
  word[0] +
  word
    .slice(1)
    .replace(/[aeiouy]/g, '')
    .replace(/(.)\1+/g, '$1')

/** The one known word that begins and ends as the letters do and has all of them in their order; null where two have, or none. */
function wordOf(letters: string, words: readonly string[]): string | null {
  const once = letters.replace(/(.)\1+/g, '$1')
  const fits = words.filter((word) => {
    const bones = bonesOf(word)
    if (bones[0] !== once[0] || bones.at(-1) !== once.at(-1) || once.length * 2 < bones.length) return false
    let at = 0
    for (const letter of bones) if (letter === once[at]) at++
    return at === once.length
  })
  return fits.length === 1 ? fits[0] : null
}

/** No word of the trade has more consonants. */
const LONGEST = workLimit(12)
/** Different runs of letters that are kept for one system. */
const MOST_MET = workLimit(500)
/** Runs of consonants and what they stand for: worked out once for a system, as they are met. */
const knownOf = new Memo((system: System) => {
  // Nobody cuts a capacitor down to its consonants: it is a cap, and ctr is the contactor.
  const parts = system.parts.filter(({ kind }) => kind !== 'capacitor')
  const names = [...parts, ...system.places].flatMap(({ name }) => name.toLowerCase().split(/[\s-]+/))
  const words = [...new Set([...cutDown, ...names.filter((word) => /^[a-z]{5,}$/.test(word))])]
  const met = new Map<string, string | null>()
  return {
    get: (letters: string): string | null => {
      if (letters.length > LONGEST) return null
      const known = met.get(letters)
      if (known !== undefined) return known
      const word = wordOf(letters, words)
      if (met.size < MOST_MET) met.set(letters, word)
      return word
    },
  }
})

/** Words that people misspell: of this system's parts and places, and of the trade. */
const longWordsOf = new Memo((system: System): string[] => [
  ...new Set([
    ...tradeWords,
    ...[...system.parts, ...system.places].flatMap(({ name }) => name.toLowerCase().split(/[\s-]+/)).filter((word) => word.length > 4),
  ]),
])

/** The line with its misspelt words put right; the line itself where none is. */
export const corrected = (line: string, system: System): string =>
  line.replace(/(?<![\w.-])[A-Za-z]{5,}(?![\w-])/g, (word) => correctedWord(word, system))

/** Words of their own, a letter away from one of the trade: nobody who bumped the thermostat up jumped it. */
const spelledRight = new Set(
  'bumped dumped pumped lumped bumper contractor contractors slower flower compression compressed condensed transformed ignited ignites induced sequences reserving slashing clashing hammering mellow fellow hopper chopper'.split(
    ' ',
  ),
)

/** A letter too many, too few or another one, two of them in a long word, or two letters changed about. */
export function correctedWord(word: string, system: System): string {
  const lower = word.toLowerCase()
  const known = longWordsOf.of(system)
  if (
    lower.length < 5 ||
    !/^[a-z]+$/.test(lower) ||
    spelledRight.has(lower) ||
    known.some((one) => one.startsWith(lower) || lower.startsWith(one))
  )
    return word
  const letters = [...lower].sort().join('')
  const isTwisted = (one: string) => one.length === lower.length && one[0] === lower[0] && [...one].sort().join('') === letters
  if (lower.length === 5) return known.find(isTwisted) ?? word
  return known.find((one) => one.length > 5 && (isTwisted(one) || distance(lower, one) <= (one.length > 8 ? 2 : 1))) ?? word
}
