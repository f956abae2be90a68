import type { JobState } from '@/src/core/job/job-state'
import { findCable, findPart, findPlace } from '@/src/core/job/quick-line-names'
import { callNames } from '@/src/core/wiring/call'
import { callsOf, type Place, partById, partsOf, placeById, type System } from '@/src/core/wiring/system'

/**
 * Sentences as they come over the shoulder, put into the words of the grammar (docs/quick-line.md): "took the outdoor Y off" is
 * `lift outdoor Y`. Only asked for what the grammar does not read by itself; what comes back is read, shown and entered like anything else.
 */
export function inTheGrammar(said: string, system: System, state: JobState): string | null {
  const text = plain(said)
  for (const rule of rules) {
    const found = rule.says.exec(text)
    const command = found && rule.as(new Sentence(system, state), ...found.slice(1).map((part) => part ?? ''))
    if (command) return command
  }
  return null
}

/** Small letters, one space between words, no full stop, and none of the words that only lead up to what is said. */
const plain = (said: string): string =>
  said
    .toLowerCase()
    .replace(/[’']/g, '')
    .replace(/\s+/g, ' ')
    .replace(/[.!]+$/, '')
    .trim()
    .replace(/^(ok|so|and|well|now|just|then|i|ive|we|weve|it|its)\s+/g, '')
    .replace(/^(ive|im|just|now|already)\s+/g, '')
    .replace(/^(got|getting|have|had|get|reading|read|reads|measured|showing|found|see|seeing)\s+(?=\S)/g, '')
    .replace(/\b(about|around|roughly|exactly|and change|or so|still just)\s?/g, '')
    .replace(/\b(the|a|an|my|its|of)\s+/g, '')

/** What the words of one sentence mean in a system. */
class Sentence {
  constructor(
    readonly system: System,
    readonly state: JobState,
  ) {}

  place(words: string): string | null {
    const word = words.replace(/^(at|in|to|on|from|by|back|over|out|up|down)\s+/g, '').trim()
    const kind = placeKinds.find(({ says }) => says.test(word))?.kind
    return findPlace(this.system, word) ?? this.system.places.find((place) => kind?.includes(place.kind))?.id ?? null
  }

  /** A part by its name or id, with or without what kind of thing it is. */
  part(words: string): string | null {
    const word = words.trim()
    const bare = (name: string) => name.replaceAll('-', ' ').replace(/ (switch|relay|motor|coil|sensor|pressure switch)$/, '')
    const known = findPart(this.system, word)
    if (known) return known
    const isFan = /^(outdoor fan|condenser fan|fan outside|fan outdoors|outside fan)$/.test(word)
    const loads = partsOf(this.system, 'load')
    if (isFan) return loads.find(({ name, place }) => /fan/.test(name) && placeById(this.system, place)?.kind !== 'indoor')?.id ?? null
    if (/^(blower motor|indoor fan|fan|blower)$/.test(word)) return loads.find(({ name, id }) => /blower/.test(name + id))?.id ?? null
    const named = this.system.parts.filter(({ id, name }) =>
      [name.toLowerCase(), id].some((one) => one === word || bare(one) === bare(word)),
    )
    if (named.length === 1) return named[0].id
    // The last word of a name, where one part alone has it: the valve, the contactor.
    const ending = this.system.parts.filter(({ name }) => name.toLowerCase().endsWith(` ${word}`))
    return ending.length === 1 ? ending[0].id : null
  }

  /** `outdoor Y`, `Y at condenser`, `stat cable green outside`: cable, conductor and place as the grammar has them. */
  conductor(words: string): string | null {
    const left = words
      .split(' ')
      .filter((word) => !/^(wire|wires|lead|conductor|terminal|screw|off|loose|up|end|one|from|at|in|on|to)$/.test(word))
    const [first, ...rest] = left
    if (first === undefined) return null
    const cable = rest.length > 0 ? findCable(this.system, first) : null
    const [name, ...after] = cable ? rest.filter((word) => word !== 'cable') : left
    if (name === undefined || !this.isConductor(name)) return null
    const place = after.length > 0 ? this.place(after.join(' ')) : null
    if (after.length > 0 && place === null) return null
    return `${cable ? `${cable} ` : ''}${this.letter(name)}${place ? ` at ${place}` : ''}`
  }

  call(word: string): string | null {
    const named = { cooling: 'cool', cold: 'cool', ac: 'cool', heating: 'heat', blower: 'fan', 'the fan': 'fan' }
    const call = Object.hasOwn(named, word) ? named[word as keyof typeof named] : word
    return callNames.some((name) => name === call) && callsOf(this.system).some((name) => name === call) ? call : null
  }

  /** Volts read at something: a letter against common, or across a part. */
  voltsAt(words: string, volts: string): string | null {
    const [what, where] = words.split(/ (?:at|in|on) /)
    const place = where === undefined ? null : this.place(where)
    if (where !== undefined && place === null) return null
    const tail = place ? ` at ${place}` : ''
    if (this.isConductor(what)) return `${this.letter(what)}-C ${volts} V${tail}`
    const part = this.part(what)
    const found = part === null ? undefined : partById(this.system, part)
    if (found?.kind === 'transformer') return `${found.secondary[0]}-${found.secondary[1]} ${volts} V at ${found.place}`
    if (found?.kind === 'thermostat') return `R-C ${volts} V at ${found.place}`
    if (found?.kind === 'coil') return `${found.between[0]}-${found.between[1]} ${volts} V at ${found.place}`
    const at = this.place(what)
    return at ? `R-C ${volts} V at ${at}` : null
  }

  /** The points on either side of a switch, as a jumper goes. */
  around(words: string): string | null {
    const part = this.part(words)
    const found = part === null ? undefined : partById(this.system, part)
    return found?.kind === 'switch' ? `jumper ${found.between[0]} ${found.between[1]} at ${found.place}` : null
  }

  private isConductor(word: string): boolean {
    return this.system.cables.some(({ conductors }) =>
      conductors.some(({ id, colour, lands }) => [id, colour, ...lands].some((one) => one?.toLowerCase() === word)),
    )
  }

  letter(word: string): string {
    const letters = this.system.places.flatMap(({ terminals }) => terminals)
    return letters.find((one) => one.toLowerCase() === word) ?? word
  }
}

const placeKinds: readonly { readonly says: RegExp; readonly kind: readonly Place['kind'][] }[] = [
  { says: /^(out|outside|outdoors|outdoor unit|condenser|condensing unit|heat pump|yard)$/, kind: ['outdoor'] },
  {
    says: /^(inside|indoors|indoor unit|furnace|air handler|attic|basement|closet|garage|crawlspace)$/,
    kind: ['indoor', 'package'],
  },
  { says: /^(roof|rooftop|rooftop unit|package unit|unit)$/, kind: ['package'] },
  { says: /^(stat|tstat|t-stat|hall|hallway|wall)$/, kind: ['thermostat'] },
  { says: /^(panel|zone panel|zone board)$/, kind: ['zone-panel'] },
]

interface Rule {
  readonly says: RegExp
  readonly as: (the: Sentence, ...found: string[]) => string | null
}

const either = (...commands: (string | null)[]): string | null => commands.find((command) => command !== null) ?? null
const with_ = (before: string, command: string | null): string | null => command && `${before} ${command}`

const NUMBER = String.raw`(-?\d*[.,]?\d+)`
const VOLTS = '(?:v|volt|volts|vac)'
const rule = (says: string, as: Rule['as']): Rule => ({ says: new RegExp(`^${says}$`), as })

const rules: readonly Rule[] = [
  rule('(?:thermostat|stat|t-?stat|tstat|display) (?:has power|is alive|lights up|lit|is lit|came back|is back)', (the) =>
    worded(partsOf(the.system, 'thermostat')[0].id, 'alive'),
  ),
  rule('(?:thermostat|stat|t-?stat|tstat|display) (?:lost|has no|no|loses) power', (the) =>
    worded(partsOf(the.system, 'thermostat')[0].id, 'blank'),
  ),
  rule('(?:corroded|green) (?:terminals|screws|landings)(?: at (.+))?', (the, where) =>
    where ? with_('landings corroded at', the.place(where)) : 'landings corroded',
  ),
  rule('bare (?:wire|copper)(?: at| in| on) (.+)', (the, where) => with_('rubbed', zoneOf(the, where))),
  rule('wires? (chewed|rubbed|burnt|melted)(?: by mice| through)?(?: at| in| on)? ?(.+)', (the, how, where) =>
    with_(how === 'burnt' || how === 'melted' ? 'scorched' : how, zoneOf(the, where)),
  ),
  rule(
    '(?:popped|blew|tripped|trips|pops|blows) (?:on|at|as soon as|when|with) (?:power ?-?up|power(?: comes| goes| is)?(?: back)? on|i turn it on)',
    () => 'trips at power-up',
  ),
  // Hands.
  rule('(?:took|take|pulled|pull|popped) (.+?) off(?: wall)?', (the, what) =>
    either(takenOff(the, what), with_('lift', the.conductor(what))),
  ),
  rule(
    '(?:pulled|lifted|took|removed|disconnected|loosened|undid) (.+?)(?: off)?(?: (outside|outdoors|inside|indoors))?',
    (the, what, where) => either(takenOff(the, what), with_('lift', the.conductor(`${what}${where ? ` ${where}` : ''}`))),
  ),
  rule('(?:put|landed|connected|reconnected|hooked|tightened) (.+?)(?: back)?(?: on| up| in)?', (the, what) =>
    either(putOn(the, what), with_('land', the.conductor(what))),
  ),
  rule('(?:unhooked|unlanded|untied|cut loose) (.+)', (the, what) => with_('lift', the.conductor(what))),
  rule('(?:lift|lifted|pulled|took|take)(?: off)? (?:all|both)(?: (\\S+))? (?:wires|conductors)(?: off)?', (the, cable) =>
    allOf(the, cable),
  ),
  rule('(?:lift|lifted|pulled|took|take)(?: off)? (\\S+) cable(?: off)?', (the, cable) => allOf(the, cable)),
  rule(
    '(?:lift|lifted|pulled|took|take)(?: off)? (?:(\\S+) )?(\\S+) and (\\S+)(?: (?:off ?)?(?:at |from )?(.+))?',
    (the, cable, a, b, where) => {
      const both = [a, b].map((one) => the.conductor([cable, one, where].filter(Boolean).join(' ')))
      return both.includes(null) ? null : both.map((one) => `lift ${one}`).join('; ')
    },
  ),
  rule('(\\S+)(?: wire)? off(?: (outside|outdoors|inside|indoors|at .+))?', (the, what, where) =>
    /^(power|breaker|panel|door|cover|disconnect)$/.test(what) ? null : with_('lift', the.conductor(`${what}${where ? ` ${where}` : ''}`)),
  ),
  rule('(.+) back on', (the, what) => either(what === 'power' ? 'power on' : null, with_('land', the.conductor(what)))),
  rule('(?:unplugged|disconnected|unplug) (.+)', (the, what) => with_('unplug', the.part(what))),
  rule('(?:plugged|plug) (.+?)(?: back)?(?: in| on)?', (the, what) => with_('plug', the.part(what))),
  rule('(?:jumped|jumpered|bypassed|bypass|jump)(?: out| around)? (.+)', (the, what) => either(the.around(what), joined(the, what))),
  rule('(?:put )?jumper (?:from|between|across|in from) (.+)', (the, what) => joined(the, what)),
  rule('(.+?) (?:jumped|jumpered)(?: out| together)?', (the, what) => either(the.around(what), joined(the, what))),
  rule('(?:swapped|moved|switched|changed) (.+?) (?:to|for|onto) (?:spare|(.+?)(?: wire)?)', (the, what, spare) =>
    with_('swap', the.conductor(what) && `${the.conductor(what)}${spare ? ` to ${spare}` : ''}`),
  ),
  // Power, calls, panels, protection.
  rule('(?:turned|switched|shut|killed|cut|pulled) (?:power|breaker|disconnect|furnace switch)(?: off| down)?', () => 'power off'),
  rule(
    '(?:turned|switched|shut|killed)(?: (?:unit|furnace|system|everything|all|it))? off(?: (?:unit|furnace|system|everything|it))?',
    () => 'power off',
  ),
  rule('(?:turned|set|switched) (?:thermostat|stat|t-?stat) (?:to )?off', () => 'call off'),
  rule('(?:power|breaker|disconnect|switch)(?: is|s)? (?:off|pulled|down)', () => 'power off'),
  rule('(?:turned|switched|put) (?:power|breaker|disconnect)(?: back)? on', () => 'power on'),
  rule('(?:powers?|breaker|disconnect)(?: is)?(?: back)? on(?: again)?', () => 'power on'),
  rule('(?:call|calling|called|set|turn|turned)(?: it)?(?: on)?(?: for| to| up to)? (\\S+)(?: on)?', (the, call) =>
    with_('call', the.call(call)),
  ),
  rule('(?:call|thermostat|stat) (?:is )?(?:satisfied|off)', () => 'call off'),
  rule('(?:panel|door|cover|access panel)(?: is)? (off|on)', (the, how) => `panel ${the.state.bench.place} ${how}`),
  rule('(?:put |stuck )?(?:in )?(?:(\\d+) ?(?:a|amp|amps) )?(?:pocket |lamp |test )?breaker(?: is)?(?: in| in slot)?', (_, size) =>
    size ? `breaker ${size} in` : 'breaker in',
  ),
  rule('(?:checked )?fuse,?(?: is| looks| checks| checked)?(?: out)? (?:good|fine|ok|intact)', () => 'fuse good'),
  rule('(?:replaced|changed|renewed) fuse|new fuse(?: in)?|(?:new )?(\\d+) ?(?:a|amp) fuse(?: in)?', (_, size) =>
    size ? `fuse ${size} in` : 'fuse in',
  ),
  rule('(?:blew|popped|burnt|burned)(?: up)? (?:fuse|another fuse|fuse again)', () => 'fuse blown'),
  rule(
    '(?:fuse )?(?:popped|blew|tripped|trips|trip|pops|blows)(?: (?:as soon as|when|once|if))? (?:i |we |it )?(?:call|calls|called)(?: for| on)? (\\S+)',
    (the, call) => with_('trips on', the.call(call)),
  ),
  rule(
    '(?:popped|blew|tripped|trips|pops|blows) (?:on|at|as soon as|when|with) (?:power ?-?up|power(?: comes| goes| is)?(?: back)? on|i turn it on)',
    () => 'trips at power-up',
  ),
  rule('(?:popped|blew|tripped|trips|pops|blows) (?:on|in) (\\S+)', (the, call) => with_('trips on', the.call(call))),
  rule('(?:still |breaker )?(?:trips|tripped|popped|pops|blew|blows)(?: again| now| right away| at once)?', () => 'trips'),
  rule('(?:still |breaker )?(?:holds|holding|held|no trip|doesnt trip|does not trip|didnt trip)(?: now| fine| again)?', () => 'holds'),
  // Eyes and ears.
  rule('(.+?) (?:is |are |was )?(?:chatters|chattering|buzzes|buzzing|hums|humming|clicking on and off)', (the, what) =>
    with_('', worded(the.part(what), 'chatters')),
  ),
  rule('(.+?) (?:isnt|is not|wont|will not|doesnt|does not|not|never) (?:pulled|pulling|pulls|pull) in', (the, what) =>
    worded(the.part(what), 'out'),
  ),
  rule('(.+?) (?:is )?(?:pulled|pulls|pulling|pull|sucked) in', (the, what) => worded(the.part(what), 'in')),
  rule(
    '(.+?) (?:isnt|is not|not|wont|will not|doesnt|does not|does nt|never) (?:running|run|runs|start|starts|starting|come on|coming on|turning)',
    (the, what) => worded(the.part(what), 'still'),
  ),
  rule('(.+?) (?:is |are )?(?:running|runs|run|on|comes on|came on|turning)(?: fine| now)?', (the, what) =>
    worded(loadOf(the, what), 'runs'),
  ),
  rule('(?:thermostat|stat|t-?stat|tstat|display)(?: is| went| goes)? (?:blank|dead|dark|off|out)', (the) =>
    worded(partsOf(the.system, 'thermostat')[0].id, 'blank'),
  ),
  rule(
    '(?:thermostat|stat|t-?stat|tstat|display) (?:shows|says|reads|displays) (?:cooling|cool on|heating|heat on|call|calling)',
    (the) => {
      const { id } = partsOf(the.system, 'thermostat')[0]
      return `${id} shows a call`
    },
  ),
  rule(
    '(?:rub|rubbed|rubbing|worn|chafed)(?: through)?(?: mark| spot| wire| wires| insulation)?(?: at| on| in| along)? (.+)',
    (the, where) => with_('rubbed', zoneOf(the, where)),
  ),
  rule('(?:chewed|chew marks|mice|rodents)(?: through)?(?: wire| wires| cable)?(?: at| on| in)? (.+)', (the, where) =>
    with_('chewed', zoneOf(the, where)),
  ),
  rule('(?:melted|burnt|burned|scorched|charred)(?: wire| wires| insulation| spot)?(?: at| on| in)? (.+)', (the, where) =>
    with_('scorched', zoneOf(the, where)),
  ),
  rule('(.+?)(?: is| was)?(?: stuck)? (?:open|opened|tripped)', (the, what) => {
    const part = the.part(what)
    return part !== null && partById(the.system, part)?.kind === 'switch' ? `ohms across ${part} OL` : null
  }),
  // Readings.
  rule(`(?:max|peak|highest) ${NUMBER} ?(?:a|amps?)`, (_, amps) => `max ${amps} A on R`),
  rule(`${NUMBER} ?(?:a|amps?) (?:when|before|as) it (?:pops|trips|blows|went|tripped|popped)`, (_, amps) => `max ${amps} A on R`),
  rule(`${NUMBER} ?${VOLTS}? (?:at |on |from )?(?:transformer )?secondary`, (the, volts) => the.voltsAt('transformer', volts)),
  rule('(\\S+) (?:is|was) (?:hot|live)', (the, what) =>
    with_('', the.voltsAt(what, 'X')?.replace('X V', 'jumps between 20 and 28') ?? null),
  ),
  rule(`(.+?) coil(?: is| reads| read| ohms)? ${NUMBER} ?ohms?`, (the, what, ohms) => with_('ohms across', worded(the.part(what), ohms))),
  rule('(.+?) coil(?: is| reads)? (?:open|ol)', (the, what) => with_('ohms across', worded(the.part(what), 'OL'))),
  rule(
    '(?:no reading|infinite|infinity|no path)(?: from| between| on)? (.+?) (?:to|and) (.+)',
    (the, a, b) => `ohms ${the.letter(a)}-${the.letter(b)} OL`,
  ),
  rule(
    '(\\S+) (?:is )?(?:shorted|grounded|dead short)(?: to (\\S+))?',
    (the, a, b) => `ohms ${the.letter(a)}-${b ? the.letter(b) : 'gnd'} 0.2`,
  ),
  rule(
    String.raw`${NUMBER} ?(?:a|amp|amps)\b(?: draw)?(?: on| at| around)? ?(.*)`,
    (the, amps, on) => `${amps} A on ${on ? the.letter(on) : 'R'}`,
  ),
  rule(
    `(?:amp draw|clamp|clamped|draw|draws|drawing|amps)(?: is| reads)? ${NUMBER}(?: ?(?:a|amps?))?(?: (?:on|at|around) (.+))?`,
    (the, amps, on) => `${amps} A on ${on ? the.letter(on) : 'R'}`,
  ),
  rule(
    `(?:no|0) (?:continuity|ohms)(?: from| between| on| through)? (.+?) (?:to|and) (.+)`,
    (the, a, b) => `ohms ${the.letter(a)}-${the.letter(b)} OL`,
  ),
  rule(`(?:ol|open)(?: from| between| on)? (.+?) (?:to|and) (.+)`, (the, a, b) => `${the.letter(a)}-${the.letter(b)} OL`),
  rule(
    `${NUMBER} ?(?:ohm|ohms)(?: from| between| on| across)? (.+?) (?:to|and) (.+)`,
    (the, ohms, a, b) => `ohms ${the.letter(a)}-${the.letter(b)} ${ohms}`,
  ),
  rule(`${NUMBER} ?${VOLTS}?(?: from| between| across)? (\\S+) ?(?:to|and|-) ?(\\S+)(?: (?:at |in )?(.+))?`, (the, volts, a, b, where) => {
    const place = where ? the.place(where) : null
    return where && !place ? null : `${the.letter(a)}-${the.letter(b)} ${volts} V${place ? ` at ${place}` : ''}`
  }),
  rule(`(?:primary|line)(?: side)?(?: has| reads| is| shows) ${NUMBER} ?${VOLTS}?`, (the, volts) => primary(the, volts)),
  rule(`(?:got |have |reads? )?${NUMBER} ?${VOLTS}? (?:at|on|across|from) (.+?)(?: coil)?`, (the, volts, what) =>
    Number(volts) > 90 ? (/transformer|primary|line/.test(what) ? primary(the, volts) : null) : the.voltsAt(what, volts),
  ),
  rule(`(.+?)(?: coil)? (?:has|have|reads|gets|getting|shows|sees) ${NUMBER} ?${VOLTS}?`, (the, what, volts) =>
    Number(volts) > 90 ? null : the.voltsAt(what, volts),
  ),
  rule(`(?:no|0|zero)(?: ?(?:24|power|voltage|volts?|v|24 ?v|24 ?volts))? (?:at|on|across|from|to) (.+?)(?: coil)?`, (the, what) =>
    the.voltsAt(what, '0'),
  ),
  rule('nothing (?:at|on|across|from|out of) (.+?)(?: coil)?', (the, what) => the.voltsAt(what, '0')),
  rule(`(.+?)(?: coil)? (?:has|have|gets|getting|shows) (?:no|0|zero) ?(?:24|power|voltage|volts?|v|24 ?v|24 ?volts)`, (the, what) =>
    the.voltsAt(what, '0'),
  ),
  rule('(\\S+) (?:is|was) dead', (the, what) => the.voltsAt(what, '0')),
  // Feet.
  rule(
    '(?:went|going|go|walked|walk|moved|headed|am|im|back|now)?(?: back| over)?(?: to| at| in| up to| out to| down to| on)? ?(.+)',
    (the, where) => with_('walk', the.place(where)),
  ),
]

const worded = (part: string | null, word: string): string | null => part && `${part} ${word}`

/** Something that runs: a motor, a heater. */
function loadOf(the: Sentence, what: string): string | null {
  const part = the.part(what)
  return part !== null && partById(the.system, part)?.kind === 'load' ? part : null
}

/** What comes off other than a wire: a jumper, a panel, a thermostat, the lead of a part. */
function takenOff(the: Sentence, what: string): string | null {
  if (/^(jumper|jumper wire|jumper lead)( out)?$/.test(what)) return 'jumper out'
  if (/^(panel|door|cover|access panel)$/.test(what)) return `panel ${the.state.bench.place} off`
  if (/^(fuse)( out)?$/.test(what)) return 'fuse out'
  return with_('unplug', the.part(what.replace(/ (?:lead|leads|wires|spades)$/, '')))
}

function putOn(the: Sentence, what: string): string | null {
  if (/^(panel|door|cover|access panel)$/.test(what)) return `panel ${the.state.bench.place} on`
  const breaker = /^(?:in )?(?:(\d+) ?(?:a|amp|amps) )?(?:pocket |lamp |test )?breaker(?: in(?: slot)?)?$/.exec(what)
  if (breaker) return breaker[1] ? `breaker ${breaker[1]} in` : 'breaker in'
  const fuse = /^(?:in )?(?:new )?(?:(\d+) ?(?:a|amp|amps) )?(?:new )?fuse(?: in(?: slot)?)?$/.exec(what)
  if (fuse) return fuse[1] ? `fuse ${fuse[1]} in` : 'fuse in'
  return with_('plug', the.part(what))
}

/** Every conductor of a cable that is landed where one stands, one after the other. */
function allOf(the: Sentence, said: string): string | null {
  const { place } = the.state.bench
  const here = the.system.cables.filter(({ between }) => between.includes(place))
  const id = said === '' ? null : findCable(the.system, said)
  const [cable, another] = said === '' ? here : here.filter((one) => one.id === id)
  if (!cable || another) return null
  const ends = cable.conductors
    .filter(({ lands }) => lands[cable.between.indexOf(place)] !== null)
    .map((conductor) => `${cable.id}.${conductor.id}@${place}`)
    .filter((end) => !the.state.bench.lifted.includes(end))
  return ends.length === 0 ? null : ends.map((end) => `lift ${end}`).join('; ')
}

/** Two letters that are joined. */
function joined(the: Sentence, what: string): string | null {
  const found = /^(\S+) ?(?:to|and|-|,)? ?(\S+)(?: (?:at|in|on) (.+))?$/.exec(what)
  if (!found || found[1] === found[2]) return null
  const place = found[3] === undefined ? null : the.place(found[3])
  if (found[3] !== undefined && place === null) return null
  return `jumper ${the.letter(found[1])} ${the.letter(found[2])}${place ? ` at ${place}` : ''}`
}

/** Where a mark is: a cable before a place of the same name, since marks are mostly along the wire. */
function zoneOf(the: Sentence, where: string): string | null {
  const word = where.replace(/ (unit|cable)$/, '')
  const isCable = / cable$/.test(where)
  return isCable && findCable(the.system, word) ? `${word} cable` : the.place(where)
}

function primary(the: Sentence, volts: string): string | null {
  const [transformer] = partsOf(the.system, 'transformer')
  return transformer ? `${transformer.primary[0]}-${transformer.primary[1]} ${volts} V at ${transformer.place}` : null
}
