import { toldBy } from '@/src/core/job/customer-words'
import { type Rule, rule } from '@/src/core/quick-line/rule'
import { loadOf, type Sentence, worded } from '@/src/core/quick-line/sentence'

const MODE =
  '(?:(?:emergency|aux|auxiliary|backup|second stage|2nd stage) )?(?:heat|heating|cool|cooling|ac|a/c|air|air ?conditioning|air conditioner)(?: (?:mode|side))?'
const NOT = '(?:is not|isnt|wont|will not|doesnt|does not|didnt|not|never)'

const SOMETIME =
  '(?:(?:about |maybe |like )*every (?:\\d+|few|couple|other|so often|now and then|time it (?:rains|gets (?:wet|hot|cold)))(?: .*)?|(?:only )?(?:when|if|after|whenever) (?:it is |its |it |theres |there is )?(?:rains|raining|rain|rained|wet|damp|windy|wind blows|hot out|cold out|storms?|gets (?:wet|hot|cold)|heavy rain)|in (?:the )?(?:rain|wet weather)|at night|overnight|in (?:the )?(?:morning|afternoon|evening)s?|on (?:hot|cold|rainy|wet) days)'

const TELLER = '(?:customer|cust|homeowner|home owner|owner|tenant|client|lady|caller)'

/** Nothing was read and nothing is called: what is said now is what the house was reported to do. */
const isFirst = ({ state }: Sentence): boolean => state.observations.length === 0 && state.bench.call === 'off'

/** What is said ticks something of the complaint. */
function ticks(the: Sentence): boolean {
  const { symptoms, changed } = toldBy(the.asComplaint(), the.system)
  return symptoms.length + changed.length > 0
}

/** Nothing is called: what is said is told, and was not seen here. */
const isIdle = ({ state }: Sentence): boolean => state.bench.call === 'off' && state.bench.jumpers.length === 0

/** What the customer says, and a mode that is said to be missing: they belong to the complaint, and tick what they mean. */
export const complaintRules: readonly Rule[] = [
  // Defrost is no call that is made: what it brings on is told.
  rule(
    '(?:(?:fuse|breaker|it) )?(?:trips|blows|pops|quits)(?: .*)? (?:goes|going|went|is|gets)? ?(?:in|to|into|on|during) defrost',
    (the) => the.asComplaint(),
  ),
  rule(`${TELLER} (?:is |was |has )*(?:says|said|reports|reported|states|complains of|complains|told me|tells me|mentioned) .+`, (the) =>
    the.asComplaint(),
  ),
  rule(`(?:complaint|work order|ticket|dispatch)[ :,]+.+|${TELLER} ?:.+`, (the) => the.asComplaint()),
  rule(
    `zone \\d (?:is |has )?(?:${NOT} (?:cool|heat|cooling|heating|work|working)|dead|out|down)(?:,? (?:but |and )?zone \\d (?:is |works |cools |heats |runs )?(?:fine|ok|good|works|cools|heats|runs|working|cooling|heating))?`,
    (the) => the.asComplaint(),
  ),
  rule(`${TELLER} .+`, (the) => (ticks(the) ? the.asComplaint() : null)),
  rule(
    '(?:ac|a/c|heat|heat pump|furnace|unit|system|it|cooling|heating) (?:quits|stops|shuts off|shuts down|cuts out|goes off|dies)(?: (?:after|every|about|once|on hot|at night|in afternoon).*)',
    (the) => the.asComplaint(),
  ),
  rule(
    '(?:furnace|air handler|(?:package |rooftop )?unit|rooftop|rtu|system|heat pump|boiler|ac) (?:is )?(?:dead|completely dead|stone dead)(?:,? (?:and )?no (?:lights?|power)(?: on board)?)?',
    // On a call it was seen, and is no complaint.
    (the) => (isIdle(the) ? the.asComplaint() : null),
  ),
  rule(
    '(?:heat|heating|cooling|ac|a/c) (?:only )?(?:works|runs|comes on) (?:only )?(?:on|in|with) (?:emergency|em|aux|auxiliary|backup|second stage)(?: heat)?(?: only)?',
    (the) => the.asComplaint(),
  ),
  // What happened to the house, and since when it is so.
  rule(
    '(?:somebody|someone|they|he|she|neighbou?rs?|gardeners?|landscapers?|lawn (?:guy|crew)|roofers?|painters?|electrician|another (?:tech|company)) (?:was |were |had |has |have |just )*\\w+.*|.+ (?:ever )?since (?:the )?(?:storm|lightning|last night|yesterday|they|somebody|new|power)(?: .*)?',
    (the) => (ticks(the) ? the.asComplaint() : null),
  ),
  rule(
    `(?:there is |theres |has |have |got |still )?no (?:${MODE}|cold air|hot air|warm air|cool air)(?: (?:at all|in (?:the )?(?:house|building)|upstairs|downstairs))?`,
    (the) => the.asComplaint(),
  ),
  rule(
    `${MODE} (?:is |was |has |just )*(?:dead|out|down|gone|broken|quit|stopped|${NOT} (?:work|working|works|run|running|come on|coming on|comes on|start|starting|kick in|kicking in))`,
    (the) => the.asComplaint(),
  ),
  rule(
    `(?:it |unit |system |house |ac |a/c |air conditioner )?${NOT} (?:cool|heat|cooling|heating)(?: (?:the house|at all|anymore|any more))?`,
    (the) => the.asComplaint(),
  ),
  rule(
    `(?:heat |electric |aux |emergency |backup )?(?:strips?|heaters?|heat kit) ${NOT} (?:work|working|works|come on|coming on|comes on|kick in|kicking in)`,
    (the) => (isIdle(the) ? the.asComplaint() : null),
  ),
  rule(
    `(?:heat pump|hp) ${NOT} (?:heat|heating)(?: at all)?,? (?:just |only )?(?:aux|auxiliary|strips?|emergency heat|backup)(?: heat)?(?: only)?`,
    (the) => (isFirst(the) ? the.asComplaint() : null),
  ),
  rule('(?:aux(?:iliary)?|strips?|emergency|backup)(?: heat)? only,? (?:and |but )?no (?:heat pump|compressor|outdoor unit)', (the) =>
    isFirst(the) ? the.asComplaint() : null,
  ),
  // One mode of several: the others work.
  rule(
    `(?:${MODE}|fan) (?:works|ok|is fine|is good|runs)(?: fine)?,? (?:and |but )?(?:(?:${MODE}|fan) (?:works|ok|is fine|is good|runs)(?: fine)?,? (?:and |but )?)*(?:${MODE}|fan) (?:doesnt|does not|wont|is dead|dead|is not|isnt|is out)(?: work| run| come on)?`,
    (the) => (isFirst(the) && ticks(the) ? the.asComplaint() : null),
  ),
  rule('(?:furnace|air handler|(?:package |rooftop )?unit|rooftop|system|heat pump) (?:has |with )?no power', (the) =>
    isFirst(the) ? the.asComplaint().replace(/^complaint /, 'complaint nothing runs, ') : null,
  ),
  rule('nothing(?: at all)?|no nothing|dead as a doornail', (the) =>
    isFirst(the) ? the.asComplaint().replace(/^complaint /, 'complaint nothing runs, ') : null,
  ),
  rule(
    '(?:second|2nd|high)(?: stage)? (?:never|doesnt|does not|wont|will not|isnt) (?:come on|comes on|coming on|kick in|kicks in|work|works|working|run|runs|running|start|starts)',
    (the) =>
      isIdle(the)
        ? { asks: 'Second stage of what? Say "second stage cooling dead" or "second stage heat dead", or call it and say what runs.' }
        : null,
  ),
  // While something is called it is what was seen.
  rule(
    '(?:unit|rtu|system|furnace|everything|it|all)(?: is)?(?: completely| totally| just| stone)? dead,? (?:and )?(?:nothing|no lights?|not a thing) ?(?:is )?(?:lit|on|works?|at all|anywhere)?|(?:nothing|it all|everything)(?: (?:at all|in the house))? (?:works?|runs?|working|running|happens|dead|is dead|comes on)(?: at all)?',
    (the) => (isIdle(the) ? the.asComplaint() : null),
  ),
  rule(
    '(?:it |unit |system |fan |blower |condenser |ac |heat |aux |aux heat |strips |furnace )?(?:runs?|running|stays? on|on) (?:all (?:the )?time|all day|all night|constantly|continuously|non ?-?stop|nonstop|forever)|(?:it |unit |system |fan |ac )?(?:never|wont|will not|doesnt) (?:stops?|shuts? off|quits?|shuts? down|turns? off)|(?:it |unit )?keeps (?:on )?running',
    (the) => the.asComplaint(),
  ),
  rule(
    '(?:it )?(?:keeps?|kept) (?:blowing|popping|eating) (?:up )?fuses|(?:24 ?v )?fuse (?:keeps?|kept) (?:blowing|popping)|(?:(?:breaker |fuse |it )?(?:blows|pops|trips)|(?:blows|pops|eats|blowing) fuses?)(?: (?:now and then|every so often|every few \\S+|every couple \\S+|every other \\S+|(?:once|twice|two times|three times) (?:every )?(?:hour|day|night|week|month|season|year)|once in a while|off and on|on and off|from time to time|occasionally|intermittently|at random|randomly))(?: .*)?',
    (the) => the.asComplaint(),
  ),
  // When it goes is told, and was not seen.
  rule(
    `(?:(?:it|(?:low voltage |24 ?v |control )?(?:fuse|breaker)(?: (?:in|at|on) (?:attic|furnace|air handler|unit|closet|basement|garage|board|house))?) )?(?:only |just |always )?(?:trips|blows|pops|goes|kicks(?: out)?|tripping|blowing|popping)(?: (?:it|fuse|breaker|fuses))? ${SOMETIME}(?: .*)?|(?:only |always )?(?:trips|blows|pops|goes)(?: fuse| fuses)? (?:in|during|on) defrost(?: .*)?`,
    (the) => the.asComplaint(),
  ),
  rule(
    '(?:.+ )?(?:smells?|smelled|smelt|stinks?|odou?r)(?: .+)?|(?:smoke(?! (?:detector|alarm|head|sensor))|smoking|smoky)(?: .+)?|(?:.+ )(?:smoke|smoking)',
    (the) => (ticks(the) ? the.asComplaint() : null),
  ),
  rule(
    '(?:aux|auxiliary|second stage) (?:heat )?(?:never|wont|doesnt|does not|will not) (?:comes? on|kicks? in|runs?|works?)(?: at all)?',
    (the) => (isIdle(the) ? the.asComplaint() : worded(loadOf(the, 'strips'), 'still')),
  ),
  rule(
    '(?:only|just) (?:blows|blowing|the fan|fan|fan runs|the fan runs|fan works|blower|runs the fan)(?: air)?|fan only (?:works|runs)|(?:both|all) (?:zones|floors|stats|thermostats) (?:are )?(?:dead|blank|out|down)|(?:it |fuse |breaker )?(?:blows|pops|trips)(?: (?:it|fuse|breaker))? every time (?:it|unit|ac|heat|cool|fan|thermostat|stat|compressor|furnace)(?: (?:calls|comes on|kicks on|starts|runs|tries to (?:start|run)))?(?: for (?:heat|cool)\\w*)?',
    (the) => (isIdle(the) ? the.asComplaint() : null),
  ),
  rule('(?:one )?mode dead,?:? (?:on )?(\\S+)', (the) => the.asComplaint()),
]
