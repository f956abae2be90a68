/** What a word does in a sentence about a visit; `filler` does nothing. */
export type Sense =
  | 'filler'
  | 'volts'
  | 'ohms'
  | 'amps'
  | 'none'
  | 'open'
  | 'shorted'
  | 'beeps'
  | 'off'
  | 'back'
  | 'joined'
  | 'past'
  | 'with'
  | 'trips'
  | 'holds'
  | 'fine'
  | 'runs'
  | 'dead'
  | 'still'
  | 'in'
  | 'out'
  | 'chatters'
  | 'blank'
  | 'alive'
  | 'not'
  | 'rubbed'
  | 'chewed'
  | 'scorched'
  | 'stapled'
  | 'walk'
  | 'code'
  | 'stays-shut'
  | 'stays-open'
  | 'idle'
  | 'hot'
  | 'flashes'
  | 'steady'

const words: Readonly<Partial<{ [S in Sense]: string }>> = {
  filler:
    'the a an is are was were be been it its that this there here at on to from between across and of for by in out up down over i im ive we has have had got get getting gets see seeing reads read reading shows showing showed measured measuring found find just now still again then so some my your all both only even wire wires lead leads terminal terminals screw coming come comes going goes put when as soon once every time times during while if after call calling calls called says say looks look like me side connection away keeps keep ran nonstop constantly constant always anywhere everywhere present far please hit instantly immediately minute thing things stuff place little bit tiny through exactly actually really pretty clearly definitely line ghost two pair gotta gonna looking hear hearing heard hear smell sees saw seen notice noticed think believe guess maybe appears seems another same one ones other end edge near under behind inside where which what who how am you he she they them his her their our us let lets do did does done make made making try trying tried need needs want wants said tell told know or checked checking tested rang',
  volts: 'v volt volts vac vdc voltage',
  ohms: 'ohm ohms resistance ohmed',
  amps: 'amp amps clamp clamped draw draws drawing',
  code: 'code codes error fault',
  none: 'no zero nothing none',
  open: 'open opened ol infinite infinity clear',
  shorted: 'shorted short grounded',
  beeps: 'continuity beeps beep tone tones rings',
  off: 'off undid isolated undone separated lifted lift pulled pull disconnected disconnect unhooked unhook removed remove took take taken taking unlanded isolated isolate separated separate unplugged unplug pulling',
  back: 'back relanded reland landed land reconnected reconnect connected connect hooked hook plugged plug',
  joined: 'jumper jumpers jumpered jumped jump joined join twisted touched touch tied tie bridged together',
  past: 'bypassed bypass past around',
  with: 'with',
  trips: 'trips trip tripped pops popped blows blew blowing tripping',
  holds: 'holds hold held holding',
  fine: 'fine good ok okay',
  runs: 'running runs run starts started spinning spins turning working works',
  dead: 'dead',
  still: 'stopped stops quit quits cold',
  in: 'clicks clicked energized energizes energize shifts shifted engaged welded magnetized magnetised magnetic',
  chatters:
    'chatters chattering chatter chattered buzzed hummed fluttered rattled buzzes buzzing hums humming rattles clicking flutters pulsing cycling',
  blank: 'blank dark',
  alive: 'alive lit',
  not: 'not isnt aint never',
  rubbed: 'rubbed rub rubbing nicked nick nicks worn touching chafed chafing pinched bare cut skinned frayed',
  chewed: 'chewed gnawed mice mouse rodent rodents rat rats squirrel squirrels',
  scorched: 'burnt burned melted scorched charred',
  stapled: 'stapled staple',
  hot: 'hot live',
  flashes: 'flashing blinking blinks flashes blink flash',
  steady: 'steady solid',
  'stays-shut': 'shut closed',
  walk: 'walking walk walked heading headed went moved standing',
}

/** Phrases of several words that are one thing; what is said word by word needs no entry here. */
const phrases: readonly (readonly [string, Sense])[] = [
  ['all the time', 'filler'],
  ['second i hit', 'filler'],
  ['minute i hit', 'filler'],
  ['second i call', 'filler'],
  ['second it calls', 'filler'],
  ['right away', 'filler'],
  ['right now', 'filler'],
  ['low voltage', 'filler'],
  ['stuck on', 'runs'],
  ['wont shut off', 'runs'],
  ['wont turn off', 'runs'],
  ['wont stop', 'runs'],
  ['keeps running', 'runs'],
  ['never shuts off', 'runs'],
  ['stuck in', 'in'],
  ['wont let go', 'in'],
  ['doesnt let go', 'in'],
  ['stuck closed', 'stays-shut'],
  ['stuck shut', 'stays-shut'],
  ['stuck open', 'stays-open'],
  ['shift', 'in'],
  ['but wont pull in', 'out'],
  ['not in', 'out'],
  ['isnt in', 'out'],
  ['on and off', 'chatters'],
  ['in and out', 'chatters'],
  ['open line', 'open'],
  ['open circuit', 'open'],
  ['holding so far', 'holds'],
  ['stayed in', 'holds'],
  ['stays on', 'holds'],
  ['stayed on', 'holds'],
  ['kills it', 'trips'],
  ['takes it out', 'trips'],
  ['takes out', 'trips'],
  ['breaker kicks', 'trips'],
  ['breaker kicked', 'trips'],
  ['dead short', 'shorted'],
  ['direct short', 'shorted'],
  ['short circuit', 'shorted'],
  ['no continuity', 'open'],
  ['no beep', 'open'],
  ['no reading', 'open'],
  ['no path', 'open'],
  ['quit tripping', 'holds'],
  ['quits tripping', 'holds'],
  ['stopped tripping', 'holds'],
  ['stops tripping', 'holds'],
  ['quit blowing', 'holds'],
  ['no problem', 'fine'],
  ['no problems', 'fine'],
  ['no issue', 'fine'],
  ['no trip', 'holds'],
  ['no trips', 'holds'],
  ['stays in', 'holds'],
  ['stays set', 'holds'],
  ['kicks out', 'trips'],
  ['off the wall', 'off'],
  ['off wall', 'off'],
  ['back on', 'back'],
  ['back in', 'back'],
  ['back up', 'back'],
  ['back on the wall', 'back'],
  ['back on wall', 'back'],
  ['on wall', 'back'],
  ['weed whacker', 'filler'],
  ['weed eater', 'filler'],
  ['lawn mower', 'filler'],
  ['bare spot', 'rubbed'],
  ['cut into', 'rubbed'],
  ['rub mark', 'rubbed'],
  ['rubbed through', 'rubbed'],
  ['copper showing', 'rubbed'],
  ['bare copper', 'rubbed'],
  ['bare wire', 'rubbed'],
  ['screw through', 'stapled'],
  ['staple through', 'stapled'],
  ['nail through', 'stapled'],
  ['nothing calling', 'idle'],
  ['nothing called', 'idle'],
  ['no call', 'idle'],
  ['no calls', 'idle'],
  ['no zone calls', 'idle'],
  ['no zone calling', 'idle'],
  ['no zones calling', 'idle'],
  ['nothing on', 'idle'],
  ['everything off', 'idle'],
  ['has power', 'alive'],
  ['lights up', 'alive'],
  ['went blank', 'blank'],
  ['goes blank', 'blank'],
]

/** What something does, and what it does not, by the forms of its verb. */
const verbs: readonly {
  readonly forms: readonly [base: string, s: string, ing: string, past: string]
  readonly does?: Sense
  readonly not: Sense
}[] = [
  { forms: ['run', 'runs', 'running', 'ran'], not: 'still' },
  { forms: ['start', 'starts', 'starting', 'started'], not: 'still' },
  { forms: ['start up', 'starts up', 'starting up', 'started up'], does: 'runs', not: 'still' },
  { forms: ['fire up', 'fires up', 'firing up', 'fired up'], does: 'runs', not: 'still' },
  { forms: ['spin up', 'spins up', 'spinning up', 'spun up'], does: 'runs', not: 'still' },
  { forms: ['spool up', 'spools up', 'spooling up', 'spooled up'], does: 'runs', not: 'still' },
  { forms: ['ramp up', 'ramps up', 'ramping up', 'ramped up'], does: 'runs', not: 'still' },
  { forms: ['come on', 'comes on', 'coming on', 'came on'], does: 'runs', not: 'still' },
  { forms: ['kick on', 'kicks on', 'kicking on', 'kicked on'], does: 'runs', not: 'still' },
  { forms: ['cut on', 'cuts on', 'cutting on', 'cut on'], does: 'runs', not: 'still' },
  { forms: ['turn on', 'turns on', 'turning on', 'turned on'], not: 'still' },
  { forms: ['work', 'works', 'working', 'worked'], not: 'still' },
  { forms: ['turn', 'turns', 'turning', 'turned'], not: 'still' },
  { forms: ['spin', 'spins', 'spinning', 'spun'], not: 'still' },
  { forms: ['heat', 'heats', 'heating', 'heated'], not: 'still' },
  { forms: ['draw', 'draws', 'drawing', 'drew'], not: 'still' },
  { forms: ['cool', 'cools', 'cooling', 'cooled'], not: 'still' },
  { forms: ['pull in', 'pulls in', 'pulling in', 'pulled in'], does: 'in', not: 'out' },
  { forms: ['pull down', 'pulls down', 'pulling down', 'pulled down'], not: 'out' },
  { forms: ['pull', 'pulls', 'pulling', 'pulled'], not: 'out' },
  { forms: ['pick up', 'picks up', 'picking up', 'picked up'], does: 'in', not: 'out' },
  { forms: ['kick in', 'kicks in', 'kicking in', 'kicked in'], does: 'in', not: 'out' },
  { forms: ['snap in', 'snaps in', 'snapping in', 'snapped in'], does: 'in', not: 'out' },
  { forms: ['suck in', 'sucks in', 'sucking in', 'sucked in'], does: 'in', not: 'out' },
  { forms: ['clunk in', 'clunks in', 'clunking in', 'clunked in'], does: 'in', not: 'out' },
  { forms: ['come in', 'comes in', 'coming in', 'came in'], does: 'in', not: 'out' },
  { forms: ['click in', 'clicks in', 'clicking in', 'clicked in'], does: 'in', not: 'out' },
  { forms: ['engage', 'engages', 'engaging', 'engaged'], does: 'in', not: 'out' },
  { forms: ['energize', 'energizes', 'energizing', 'energized'], not: 'out' },
  { forms: ['actuate', 'actuates', 'actuating', 'actuated'], does: 'in', not: 'out' },
  { forms: ['load', 'loads', 'loading', 'loaded'], not: 'out' },
  { forms: ['shift', 'shifts', 'shifting', 'shifted'], not: 'out' },
  { forms: ['click', 'clicks', 'clicking', 'clicked'], not: 'out' },
  { forms: ['close', 'closes', 'closing', 'closed'], not: 'stays-open' },
  { forms: ['make', 'makes', 'making', 'made'], not: 'stays-open' },
  { forms: ['open', 'opens', 'opening', 'opened'], not: 'stays-shut' },
  { forms: ['drop out', 'drops out', 'dropping out', 'dropped out'], does: 'out', not: 'in' },
  { forms: ['fall out', 'falls out', 'falling out', 'fell out'], does: 'out', not: 'in' },
  { forms: ['release', 'releases', 'releasing', 'released'], not: 'in' },
  { forms: ['trip', 'trips', 'tripping', 'tripped'], not: 'holds' },
  { forms: ['pop', 'pops', 'popping', 'popped'], not: 'holds' },
  { forms: ['blow', 'blows', 'blowing', 'blown'], not: 'holds' },
  { forms: ['kick', 'kicks', 'kicking', 'kicked'], not: 'holds' },
]
const BEFORE_BASE = ['wont', 'will not', 'doesnt', 'does not', 'dont', 'do not', 'didnt', 'did not', 'cant', 'cannot', 'never']
const BEFORE_ING = ['not', 'isnt', 'is not', 'arent', 'are not', 'wasnt', 'was not', 'never']
const BEFORE_PAST = ['never', 'not', 'isnt', 'is not', 'hasnt', 'has not']

const negated: readonly (readonly [string, Sense])[] = verbs.flatMap(({ forms: [base, s, ing, past], not }) => [
  ...BEFORE_BASE.map((no) => [`${no} ${base}`, not] as const),
  ...BEFORE_ING.map((no) => [`${no} ${ing}`, not] as const),
  ...BEFORE_PAST.map((no) => [`${no} ${past}`, not] as const),
  [`never ${s}`, not] as const,
])

const affirmed: readonly (readonly [string, Sense])[] = verbs.flatMap(({ forms, does }) =>
  does ? forms.map((form) => [form, does] as const) : [],
)

/** No volts, in one breath. */
export const NO_VOLTS = /^no (?:24(?: ?v)?|control voltage|low voltage|voltage|power|juice|volts)$/

/** Every word and phrase by what it does. A word with a sense of its own is no filler. */
export const lexicon: ReadonlyMap<string, Sense> = new Map([
  ...(Object.entries(words) as [Sense, string][]).flatMap(([sense, list]) => list.split(' ').map((word) => [word, sense] as const)),
  ...affirmed,
  ...negated,
  ...phrases,
])

/** Words that judge what was read and say nothing more. */
const JUDGEMENTS =
  /^(?:(?:thats|that is|its|is|looks|so|all|pretty|really|too|dead|direct|a|way) )*(?:good|bad|dead|ok|okay|fine|normal|as expected|expected|perfect|weak|low|high|short|shorted|shorted out|open|great|right|correct|weird|odd|solid|as it should be|where it should be|to spec|in spec|out of spec|checks out|passes|toast|shot|cooked|cracked|broken|done|(?:down|up) to \d\d|thats (?:the )?[a-z]+(?: coil)?)$/

/** Whether a clause only judges the reading before it: `0.4 ohms, dead short`. */
export const isJudgement = (text: string): boolean => JUDGEMENTS.test(text)
/** No line voltage: "no 120" reads 0 V, not 120 V. */
export const NO_LINE_VOLTS = /^no (?:110|115|120|208|220|230|240|277)(?: ?v(?:olts?)?)?$/
