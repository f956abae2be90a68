import { type ChangeLately, type Complaint, emptyComplaint, type Symptom } from '@/src/core/job/complaint'
import type { CallName } from '@/src/core/wiring/call'
import { callsOf, type System } from '@/src/core/wiring/system'

/** What a customer's words would tick: suggestions, never taken silently. */
export interface Told {
  readonly symptoms: readonly Symptom[]
  readonly call: CallName | null
  readonly changed: readonly ChangeLately[]
}

const MODES: readonly { readonly call: CallName; readonly says: string }[] = [
  {
    call: 'emergency',
    says: '(?:(?:emergency|aux|auxiliary|backup|back-up) heat|(?:heat |electric |aux )?strips?|strip heat|electric heat)',
  },
  {
    call: 'cool-2',
    says: '(?:(?:second|2nd|high) stage (?:cool(?:ing)?|ac)|stage (?:2|two) (?:cool(?:ing)?|ac)|(?:cool(?:ing)?|ac) (?:(?:second|2nd|high) stage|stage (?:2|two)))',
  },
  {
    call: 'heat-2',
    says: '(?:(?:second|2nd|high) stage heat(?:ing)?|stage (?:2|two) heat(?:ing)?|heat(?:ing)? (?:(?:second|2nd|high) stage|stage (?:2|two)))',
  },
  { call: 'cool', says: '(?:ac|air ?con(?:ditioning|ditioner)?|cool(?:ing)?|(?:cold|cool) air)' },
  { call: 'heat', says: '(?:heat(?:ing|er)?(?! pump)|furnace|(?:hot|warm) air)' },
  { call: 'fan', says: '(?<!(?:outside|outdoor|condenser) )(?:fan|blower)' },
]
const ANY_MODE = `(?:${MODES.map(({ says }) => says).join('|')})`
const NOT = '(?:is not|isnt|wont|will not|doesnt|does not|didnt|did not|not|never|cant|cannot|stopped|quit)'
const WORKS =
  '(?:work(?:s|ing)?|run(?:s|ning)?|com(?:e|es|ing) on|kick(?:s|ing)? (?:on|in)|start(?:s|ing)?|light(?:s|ing)?(?: up| off)?|fir(?:e|es|ing)(?: up)?|ignit(?:e|es|ing)|turn(?:s|ing)? on|go(?:es|ing)? on)'
const OPENS =
  '(?:blow(?:s|ing|n)?|blew|pop(?:s|ped|ping)?|trip(?:s|ped|ping)?|eat(?:s|ing)?|burn(?:s|ed|ing)? (?:up|out)|(?:tak(?:es|ing)|took|knock(?:s|ed)|kill(?:s|ed)?) out|kill(?:s|ed|ing)?)'
const PROTECTION =
  '(?:(?:the |a |another |its |low ?voltage |24 ?v(?:olt)? |\\d+ ?a(?:mps?)? )*(?:fuses?|breakers?)|(?:an? |the |another )?\\d+ ?a(?:mps?)?(?: ones?)?)'
const OPENED = `(?:${OPENS}(?: ${PROTECTION})?|${PROTECTION} (?:keeps |kept |will |always )?${OPENS})`
const STAT = '(?:thermostat|stat|tstat|t-stat|display|screen)'

/** A mode that is missing: "no heat", "the a/c is not working", "won't cool", "blowing warm air". */
const deadMode = (says: string): RegExp =>
  new RegExp(
    `\\bno ${says}\\b|\\bmode dead (?:on |in )?${says}\\b|\\b${says}(?: (?:unit|system|mode|call|side))?(?: is| was| has| just)* (?:dead|out|down|gone|off|broken|quit|stopped|${NOT} ${WORKS})\\b(?! of\\b)|\\b${says} (?:doesnt|does not|wont|isnt|is not|never does)$|\\b(?:${NOT} ${WORKS}|nothing(?: ${WORKS}| happens)?)(?: at all)? (?:in|on|with) (?:the )?${says}\\b`,
  )

const symptomWords: readonly { readonly symptom: Symptom; readonly says: RegExp }[] = [
  {
    symptom: 'blank-thermostat',
    says: new RegExp(
      `\\b${STAT}(?: is| went| goes| was| has gone| gone)* (?:blank|dark|dead|black|empty|out)\\b|\\b(?:blank|dead|dark|no) ${STAT}\\b|\\bnothing on the ${STAT}\\b`,
    ),
  },
  {
    symptom: 'nothing-runs',
    says: new RegExp(
      `\\bboth (?:zones|systems|units|floors)(?: are| is)? (?:completely )?(?:dead|down|out)\\b|\\bnothing (?:at all )?(?:${WORKS}|happens|comes on)\\b|\\beverything(?: is| was)? (?:dead|off|down|out)\\b|\\b(?:whole|entire) (?:system|unit|thing|house)(?: is| was)? (?:dead|down|off|out)\\b|(?<!\\b(?:outdoor|outside|condensing|ac) )\\b(?:system|unit|furnace|air handler|heat pump|rooftop|rtu)(?: is| was)? (?:completely |totally |stone )?dead\\b|\\b(?:system|unit|it) ${NOT} ${WORKS} at all\\b`,
    ),
  },
  {
    symptom: 'never-stops',
    says: /\b(?:run(?:s|ning)?|stays? on|on) (?:all the time|all day|all night|day and night|constantly|continuously|non ?-?stop|24 ?\/? ?7|for ever|forever)\b|\b(?:wont|will not|never|doesnt|does not|cant|cannot) (?:stop|stops|shut off|shuts off|shut down|turn off|turns off|quit|quits|go off|goes off|shut it off|turn it off)\b|\bkeeps (?:on )?running\b|\b(?:calls|calling) (?:all the time|constantly|non ?-?stop|day and night)\b|\b(?:runs?|running|stays on|on|burner on|heats|cools) with (?:the )?(?:thermostat|stat|tstat|t-stat) (?:is |set to |turned )?off\b|\b(?:runs?|running|is on|on) when (?:it is|its|the (?:thermostat|stat) is|set to|turned)? ?(?:off|not calling|satisfied)\b|\b(?:fan|blower|furnace|strips?|condenser|compressor) (?:stays?|keeps?) on\b/,
  },
  {
    symptom: 'fuse-at-power-up',
    says: new RegExp(
      `\\b${OPENED} (?:as soon as|when(?:ever)?|every time|once|the moment|at|on|right (?:when|at))(?: the| you| i| we| it| they)* (?:power|powers|powered|restore|restored|energize|turn it on|turn the power on|plug it in|switch it on|flip)`,
    ),
  },
  {
    symptom: 'fuse-on-call',
    says: new RegExp(
      `\\b${ANY_MODE} (?:always |keeps |will |just )?${OPENS} ${PROTECTION}\\b|\\b${ANY_MODE} (?:always |keeps |will )?${OPENED} (?:again )?(?:right )?(?:as soon as|when(?:ever)?|every time|once|the (?:moment|second)|if) (?:it|you|i|we|they)\\b|\\b${OPENED} (?:again )?(?:(?:on|in|at) (?:the )?(?:transformer|board|unit|furnace|air handler|rooftop|rtu) )?(?:as soon as|when(?:ever)?|every time|once|the moment|if|on|in|with)(?: the| a| an| you| i| we| it| they| turn(?:s|ed)?| set(?:s)?| call(?:s|ed)?| for| on| to| tr(?:y|ies)| goes| go| into)* ${ANY_MODE}\\b|\\b${OPENED} (?:again )?(?:right )?(?:(?:as )?soon as|the (?:moment|second|minute)|when(?:ever)?|every time|once) (?:it is |its |it |you |we |i |they |the (?:system|unit) (?:is )?)(?:turn(?:ed|s)?|switch(?:ed|es)?|kicks|comes)(?: it| the (?:system|unit|thermostat))? on\\b`,
    ),
  },
  {
    symptom: 'fuse-now-and-then',
    says: new RegExp(
      `\\b${OPENED} (?:again )?(?:now and then|(?:once )?every (?:few|couple|other|so)|once in a while|sometimes|off and on|on and off|occasionally|randomly|at random|intermittently|from time to time|once a|twice a|for no reason|(?:about |maybe )*every \\d+ (?:sec|min|hour|day)\\w*|(?:only )?(?:when|after|if) (?:it |its |it is )?(?:rains|raining|rain|rained|wet|damp)|in the rain|at night|overnight)|\\b(?:gone|goes|going|went) through (?:\\d+|two|three|four|five|several|a few|a couple|a bunch)(?: of)? fuses\\b|\\bkeeps? (?:blowing|popping|eating|burning) (?:up |out )?(?:(?:the )?fuses|(?:the |a |my )?\\d ?a(?:mps?)?(?: fuses?)?)\\b|\\b\\d ?a(?:mps?)? keeps? (?:on )?(?:blowing|popping|going|tripping|burning)\\b|\\bit (?:blows|pops|eats) fuses\\b|\\b(?:heat pump|unit|system|air handler|rooftop|rtu) (?:blows|pops|eats|trips|burns (?:up|out)) (?:the |its )?(?:\\d ?a(?:mps?)? )?(?:fuses?|breakers?)\\b|\\bfuses? keeps? (?:on )?(?:blowing|popping|going|tripping|burning)\\b|\\b(?:second|third|fourth|2nd|3rd|4th) fuse\\b|\\b(?:blowing|popping|eating|burning up|going through) (?:\\d+ ?a(?:mps?)? )?fuses\\b`,
    ),
  },
  {
    symptom: 'half-works',
    says: new RegExp(
      `\\b(?:outdoor|outside|condenser|compressor|condensing)(?: unit| fan| motor)?(?: just)? ${NOT}(?: ${WORKS})?\\b(?! (?:shut|stop|quit|turn|go|cycle|cut)\\b)|\\b(?:outdoor|outside|condenser|compressor|condensing)(?: unit| fan| motor)?(?: is| was)?(?: just| completely| totally| stone)* dead\\b|\\b(?:fan|blower|air|inside|indoor unit) (?:runs|blows|works|comes on|is running|is blowing|running|blowing) but\\b|\\bblow(?:s|ing) (?:warm|hot|room|lukewarm)(?: temperature)? air\\b|\\bblow(?:s|ing) but\\b|\\bno (?:heat pump|compressor|outdoor unit|condenser|outside unit)$`,
    ),
  },
  {
    symptom: 'chatters',
    says: /\bchatter(?:s|ing)?\b|\bbuzz(?:es|ing)?\b|\bclick(?:s|ing) (?:on and off|over and over|constantly|repeatedly|all the time|like crazy)\b|\b(?:keeps|constant|constantly) clicking\b/,
  },
  {
    symptom: 'code',
    says: /\b(?:error|fault|trouble|alert)(?: code| message)?s?\b(?= (?:on|at|code)|$)|\bover ?-?(?:current|load)(?: code| error| fault| message)?\b|\bcode [a-z]?\d+|\b[ef]-?\d{1,3}\b|\bflash(?:es|ing) (?:a )?(?:code|\d+ times)/,
  },
  {
    symptom: 'smell',
    says: /\b(?:burn(?:t|ing|ed)?|electrical|plastic|hot|smok[ey]y?) (?:smell|odou?r|plastic smell|wire smell)\b|\bsmell(?:s|ed)?(?: of| like| something)* (?:burn|smok|hot|electric|plastic|scorch)|\bsmok(?:e|ing)\b|\b(?:it )?(?:stinks?|stank)\b|^(?:complaint )?(?:a |bad |strong |funny |weird |there is a )?smells?(?: (?:at|in|from|near|by|around) .+| bad| funny)?$|\b(?:transformer|board|furnace|unit|blower|motor|air handler|contactor) smells?(?: (?:bad|funny|hot))?$/,
  },
]

const changeWords: readonly { readonly changed: ChangeLately; readonly says: RegExp }[] = [
  {
    changed: 'garden-work',
    says: /\b(?:mow(?:ed|er|ing|s)?|weed ?-?(?:whack|eat|trim)\w*|string trimmer|trimmer|fence|fencing|gardener|gardening|landscap\w*|dig|digging|dug|yard (?:work|crew|guy)|lawn|shovel\w*|edger|edging)\b/,
  },
  {
    changed: 'new-thermostat',
    says: /\b(?:new|smart|wifi|wi-fi) (?:\w+ )?(?:thermostat|stat|t-?stat)\b|\b(?:changed|replaced|swapped|installed|put in|put on|hung|upgraded)(?: out)?(?: the| a| his| her| our| my| their)?(?: new)? (?:thermostat|stat|t-?stat)\b|\b(?:thermostat|stat|t-?stat)(?: was| got| has been)(?: just)? (?:changed|replaced|swapped|upgraded)\b/,
  },
  {
    changed: 'new-equipment',
    says: /\bnew (?:\w+ )?(?:unit|furnace|condenser|air handler|heat pump|compressor|system|coil|humidifier|board|motor|water heater|zone panel|uv light|pump)\b|\b(?:installed|added|put in)(?: a| the)? (?:humidifier|zone|uv|pump|float|heat kit|heat strips?)\b/,
  },
  {
    changed: 'earlier-repair',
    says: /\b(?:another|other|last|previous|different|first) (?:tech(?:nician)?|company|guy|man|repairman|contractor|outfit|fellow|crew)\b|\b(?:had|got) it (?:fixed|repaired|serviced|worked on)\b|\b(?:somebody|someone|a tech(?:nician)?|they|brother[- ]in[- ]law|handyman|neighbou?r)(?: already| just)* (?:was (?:here|out)|came out|fixed|repaired|worked on|tried to fix|messed with|looked at)\b/,
  },
  { changed: 'rodents', says: /\b(?:mouse|mice|rats?|squirrels?|rodents?|raccoons?|chipmunks?|chew(?:ed|s|ing)?|gnaw\w*|droppings)\b/ },
  {
    changed: 'storm',
    says: /\b(?:storms?|lightning|thunder\w*|hail|flood\w*|(?:power|electric(?:al)?) (?:outage|surge|failure|cut|went out|blip|bump|flicker\w*)|surge|brown ?-?out|black ?-?out)\b/,
  },
]

/** Short forms in call notes. */
const SHORT: ReadonlyMap<string, string> = new Map([
  ['clg', 'cooling'],
  ['htg', 'heating'],
  ['bkr', 'breaker'],
  ['htr', 'heater'],
  ['tstat', 'thermostat'],
  ['xfmr', 'transformer'],
  ['cond', 'condenser'],
])

const SECOND_STAGE_DEAD = new RegExp(
  `\\b(?:(?:second|2nd|high) stage|stage (?:2|two))(?: cool(?:ing)?| heat(?:ing)?)? ${NOT}\\b|\\b${NOT} (?:cool|heat|work|run)(?:ing)? (?:in |on )?(?:the )?(?:(?:second|2nd|high) stage|stage (?:2|two))\\b|\\bno (?:second|2nd|high) stage\\b`,
)

/**
 * What words of a customer's would tick, in the trade's own list: symptoms, the call that they speak of and what was changed lately.
 *
 * @param words as they were said, in any case
 */
export function toldBy(words: string, system: System): Told {
  const said = words
    .trim()
    .toLowerCase()
    .replace(/[’']/g, '')
    .replace(/a\/c|a\.c\./g, 'ac')
    // What quit stands before the comma, and not behind it.
    .replace(/\b(quit|stopped), (?=(?:heat|cool|ac)(?:ing)?\b)/g, '$1 but ')
    .replace(/[^a-z0-9/ .-]+/g, ' ')
    .replace(/\b(?:clg|htg|bkr|htr|tstat|xfmr|cond)\b/g, (short) => SHORT.get(short) ?? short)
    .replace(/\b(when|whenever|as soon as|every time|once|if) (it|unit|the unit|system|the system) (cool|heat)s\b/g, '$1 $2 calls for $3')
    .replace(/\s+/g, ' ')
    // What it only does to its fuse says nothing of what works.
    .replace(/\b(blows?|blowing|pops?|popping|trips?|tripping|fuse|breaker)\b(.*) only (in|on|when)\b/, '$1$2 $3')
  const symptoms = symptomWords.filter(({ says }) => says.test(said)).map(({ symptom }) => symptom)
  const has = (symptom: Symptom) => symptoms.includes(symptom)
  const dead = MODES.filter(({ says }) => deadMode(says).test(said)).map(({ call }) => call)
  // In one mode for good is not in the other.
  if (/\b(?:stuck|locked|stays|only) in (?:cool|cooling|ac)\b/.test(said)) dead.push('heat')
  if (/\b(?:stuck|locked|stays|only) in (?:heat|heating)\b/.test(said)) dead.push('cool')
  // The first stage alone.
  if (
    /\bonly (?:the )?(?:first|1st|low) stage (?:runs?|works?|comes on)\b|\bonly (?:runs?|works?|comes on|has|gets?)(?: in| on)? (?:the )?(?:first|1st|low)(?: stage)?\b|\bonly (?:runs?|works?|comes on)(?: in| on)? stage (?:1|one)\b/.test(
      said,
    )
  )
    dead.push(/\b(?:heat|furnace)\b/.test(said) && !/\b(?:ac|cool|cooling)\b/.test(said) ? 'heat-2' : 'cool-2')
  if (
    /\b(?:wont|not|isnt|doesnt|does not|never|quit|stopped) (?:cool|cools|cooling)\b|\bblow(?:s|ing) (?:warm|hot) air\b|\b(?:warm|hot|heats|heating)(?: air)? (?:in|on) (?:cool|cooling|ac)\b/.test(
      said,
    )
  )
    dead.push('cool')
  if (
    /\b(?:wont|not|isnt|doesnt|does not|never|quit|stopped) (?:heat|heats|heating)\b|\bblow(?:s|ing) (?:cold|cool) air\b|\b(?:heat pump|furnace|heat|heater|it|unit)(?: is| just)? blow(?:s|ing) cold\b(?! (?:in|on) (?:cool|cooling|ac))|\b(?:cold|cool|cools|cooling)(?: air)? (?:in|on) (?:heat|heating)\b/.test(
      said,
    )
  )
    dead.push('heat')
  // What heats beside it works, and it does not.
  if (
    /\b(?:(?:e[- ]heat|em heat|emergency|aux|auxiliary|backup|strips?|gas|furnace)\b.* (?:works?|only)|furnace (?:heats|runs|works|is fine))\b/.test(
      said,
    ) &&
    /\bheat pump (?:doesnt|does not|wont|will not|isnt|never)\b|\bno heat pump\b/.test(said)
  )
    dead.push('heat')
  if (SECOND_STAGE_DEAD.test(said) && !/\bonly\b/.test(said))
    dead.push(/\b(?:heat|furnace)\b/.test(said) && !/\b(?:ac|cool|cooling)\b/.test(said) ? 'heat-2' : 'cool-2')
  const isOnCall = has('fuse-on-call') && !has('fuse-at-power-up')
  const told = symptoms.filter(
    (symptom) => !(symptom === 'fuse-on-call' && !isOnCall) && !(symptom === 'fuse-now-and-then' && (isOnCall || has('fuse-at-power-up'))),
  )
  const calls = callsOf(system)
  const spokenOf = () => MODES.filter(({ says }) => new RegExp(`\\b${says}\\b`).test(said)).map(({ call }) => call)
  const runsOn = has('never-stops') && dead.length === 0
  // A heat pump that never stops may do either.
  const named = [...new Set(isOnCall ? spokenOf() : runsOn && !/\bheat pump\b/.test(said) ? spokenOf() : dead)]
  // "Second stage heat" has "heat" in it.
  // Whoever has no heat pump and says strips means what heats.
  const meant = named.map((one) => (one === 'emergency' && !calls.includes(one) ? 'heat' : one))
  const [call, another] = [...new Set(meant)].filter(
    (one) => calls.includes(one) && !meant.some((other) => other !== one && other.startsWith(`${one}-`)),
  )
  // Of a house with zones, the zone that is named.
  const [, zone] =
    /\bzone (\d)\b(?= (?:is |has |does )?(?:no|not|wont|doesnt|isnt|dead|never|nothing)\b)/.exec(said) ?? /\bzone (\d)\b/.exec(said) ?? []
  const ofZone = call && zone ? calls.find((one) => one === `${call}-zone-${zone}`) : undefined
  return {
    symptoms: dead.length > 0 && !has('nothing-runs') ? [...told, 'mode-dead'] : told,
    call: call && !another ? (ofZone ?? call) : null,
    changed: changeWords.filter(({ says }) => says.test(said)).map(({ changed }) => changed),
  }
}

/** A complaint with more words in it, and what those words tick. */
export function tellMore(complaint: Complaint, words: string, system: System): Complaint {
  const told = toldBy(words, system)
  return {
    ...emptyComplaint,
    ...complaint,
    words: complaint.words === '' ? words : `${complaint.words}; ${words}`,
    symptoms: [...new Set([...complaint.symptoms, ...told.symptoms])],
    changed: [...new Set([...complaint.changed, ...told.changed])],
    call: told.call ?? complaint.call,
  }
}
