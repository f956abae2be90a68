import { letterOfColour } from '@/src/core/quick-line/colours'
import { everythingAt, landLast } from '@/src/core/quick-line/hands'
import { cableTowards } from '@/src/core/quick-line/meaning'
import { asks, NUMBER, type Rule, rule } from '@/src/core/quick-line/rule'
import { leading, loadOf, type Sentence, statHere } from '@/src/core/quick-line/sentence'
import { lineSide, primary } from '@/src/core/quick-line/volts'
import { conductorEnd } from '@/src/core/wiring/point'
import { partById, partsOf, placeById } from '@/src/core/wiring/system'

/** What a word by itself means where one stands, and what one thing that is said implies of another. */

const GROUND = '(?:ground|gnd|chassis|metal|cabinet)'
const isAtStat = ({ system, state }: Sentence): boolean => placeById(system, state.bench.place)?.kind === 'thermostat'

/** All that is landed where one stands on letters that are meant, off. */
function offHere({ system, state }: Sentence, isMeant: (letter: string) => boolean): string | null {
  const { place, lifted } = state.bench
  const on = system.cables.flatMap(({ id, between, conductors }) =>
    conductors.flatMap(({ id: wire, lands }) => {
      const letter = between.includes(place) ? lands[between.indexOf(place)] : null
      const end = conductorEnd(id, wire, place)
      return letter !== null && isMeant(letter) && !lifted.includes(end) ? [`lift ${end}`] : []
    }),
  )
  return on.length === 0 ? null : on.join('; ')
}

/** There are volts across a furnace pressure switch that stays open on its call, and none across one that closes. */
function acrossDraft(the: Sentence, said: string): string | null {
  const draft = partById(the.system, the.part('furnace pressure switch') ?? '')
  if (draft?.kind !== 'switch' || !the.state.bench.power) return null
  const isOpen = /^open|\b(?:not|wont|doesnt|never|isnt)\b/.test(said)
  return `${draft.between[0]}-${draft.between[1]} jumps between ${isOpen ? '20 and 28' : '0 and 1'} V at ${draft.place}`
}

/** An inducer that runs was called to. */
function draftWhileItRuns(the: Sentence, said: string): string | null {
  const [inducer, across] = [loadOf(the, 'inducer'), acrossDraft(the, said)]
  return inducer && across && `${the.state.bench.call === 'off' ? 'call heat; ' : ''}${inducer} runs; ${across}`
}

const CLEAR = '(?:clear|open|ol|infinite)'
const CLEAR_TO_GROUND = `(?:(?:is |are |reads? )*${CLEAR} to ${GROUND}|to ${GROUND} (?:is |are |all |reads? )*${CLEAR})`

const TIGHT = '(?:good|ok|okay|fine|tight|landed|solid|clean)'
const TIGHT_FIRST =
  '(?:all tight|(?:nothing|no (?:wires?|screws?|terminals?)) (?:is |are )?loose|no loose (?:wires?|screws?|terminals?|connections?))'

/** Every wire is on its screw, at a place that is named or where one stands. */
function landedAt(the: Sentence, named: string): string | null {
  const said = named.trim()
  const place = /^(?:here|board|strip|)$/.test(said) ? the.state.bench.place : the.place(said)
  return place === null ? null : `landings ok at ${place}`
}

/** The line seen on another lead of the primary: nothing is read between the two. Beside what the record has it on, it is a remark. */
function onTap(the: Sentence, volts: string): string {
  const taps = partsOf(the.system, 'transformer').flatMap(({ primary, place, taps: leads = [] }) =>
    leads.filter((tap) => String(tap.volts) === volts).map(({ lead }) => ({ lead, line: primary[0], place })),
  )
  const [tap, another] = taps
  if (!tap || another) return the.asNote()
  const { power } = the.state.bench
  const read = power ? `${tap.line}-${tap.lead} 0 V` : `ohms ${tap.line}-${tap.lead} jumps between 0 and 1`
  return `${read} at ${tap.place}; ${the.asNote()}`
}

export const impliedRules: readonly Rule[] = [
  // A setpoint that is below the room calls; for what, the season knows.
  asks('set (?:at|to) [4-9]\\d(?: degrees)?,? (?:and |its |it is )?(?:calling|call)', 'Calling for what? Say "call cool" or "call heat".'),
  // At the thermostat a word is what it is set to, or what it shows.
  rule('(blank|off|fan|cool|cooling|heat|heating|dark|dead)', (the, word) => {
    if (!isAtStat(the)) return word === 'off' ? { asks: 'The call, or the power? Say "call off", or "power off".' } : null
    if (/^(?:blank|dark|dead)$/.test(word)) return statHere(the, 'blank')
    return word === 'off' ? 'call off' : leading('call', the.call(word))
  }),
  rule(
    '(?:all )?(?:stat|thermostat|tstat) (?:wires|wiring|screws|connections) (?:all )?(?:are |is |look |looks )?(?:ok|good|tight|fine)',
    (the) => {
      const stat = partsOf(the.system, 'thermostat').find(({ place }) => place === the.state.bench.place)
      return stat ? `landings ok at ${stat.place}` : null
    },
  ),
  // A strip that was looked over: by its place, or here.
  rule(
    `(?:checked (?:all )?)?(?:landings|terminals|strip|connections|screws)(?: (?:at|on|of) (.+?))?,? (?:(?:are|is|look|looks|all) )*${TIGHT}|${TIGHT_FIRST}(?: (?:at|on|in) (.+))?`,
    (the, named, other) => landedAt(the, named || other),
  ),
  asks(
    `(?:all )?(?:thermostat|stat|tstat|outdoor|condenser) (?:wires|wiring) (?:(?:are|is|look|looks|all) )*(?:tight|snug|landed)`,
    'At which end? Say "landings ok at thermostat", or "landings ok" where you stand.',
  ),
  rule(`(?:at |on )?(.+?) (?:landings|terminals|strip|connections|screws) (?:(?:are|is|look|looks|all) )*${TIGHT}`, (the, named) =>
    landedAt(the, named),
  ),
  rule(
    '(?:pulled|took|lifted|lift|pull|take|disconnected|unhooked|removed)(?: off)? (?:everything|all(?: (?:of )?wires)|all of it)(?: (?:off|from|on|at|of|loose))*(?: (?:(?:terminal |low voltage |thermostat |control )?(?:board|strip|block|terminals|screws)|here))?',
    (the) => everythingAt(the, the.state.bench.place),
  ),
  rule(
    '(?:pulled|took|lifted|lift|pull|take|disconnected|unhooked)(?: off)? (?:everything|all(?: (?:of )?wires)?|all of it|both(?: wires)?) (?:off|on|from|under)(?: of)? ([a-z]\\d?)',
    (the, letter) => (the.isLetter(letter) ? offHere(the, (one) => one === the.letter(letter)) : null),
  ),
  rule(
    '(?:draft )?inducer (?:is )?(?:runs|running|on|comes on|starts|runs fine)(?: but| and| then|,)* (?:furnace |draft )?pressure switch (?:is |stays |still )?((?:not |wont |will not |doesnt |does not |never |isnt )?(?:open|opens|closed|close|closes|closing|make|makes|making|made|prove|proves|proving))',
    draftWhileItRuns,
  ),
  // With heat called: what it does is read across it.
  rule(
    '(?:furnace |draft )?pressure switch (closes|makes|proves|pulls in|(?:wont|will not|doesnt|does not|never|not) (?:close|closes|make|makes|prove|proves|closing|making))(?: now)?',
    (the, said) => {
      // Nothing but a call for heat has it close.
      const { call } = the.state.bench
      const across = /^heat/.test(call) || call === 'off' ? acrossDraft(the, said) : null
      return across && `${call === 'off' ? 'call heat; ' : ''}${across}`
    },
  ),
  rule(
    '(?:(?:it )?(holds|held|trips|tripped|still trips|still holds) with )?(?:everything|all(?: (?:the )?wires)?) (?:is )?(?:off|lifted|pulled)(?: (?:off|from))?(?: (?:board|strip|here))? (?:but|except|besides|except for)(?: for)? ([a-z]\\d?)(?:(?:,| and|, and) ([a-z]\\d?))?,?(?: (?:it )?(holds|trips))?',
    (the, before, a, b, after) => {
      const kept = [a, b].filter(Boolean)
      const letters = kept.map((one) => the.letter(one))
      const off = kept.every((one) => the.isLetter(one)) ? offHere(the, (one) => !letters.includes(one)) : null
      const how = before || after
      return off && (how ? `${off}; ${/trip/.test(how) ? 'trips' : 'holds'}` : off)
    },
  ),
  // One against all the others on the strip.
  rule(
    '([a-z]\\d?) to (?:everything|all(?: of them)?|all others|every other|everything else|each)(?: else)?(?: is| are| reads)? (?:ol|open|clear|infinite)',
    (the, letter) => {
      const { place, power } = the.state.bench
      if (power || !the.isLetter(letter)) return null
      const others = (placeById(the.system, place)?.terminals ?? []).filter(
        (one) => one !== the.letter(letter) && !/^(?:L\\d|N)$/.test(one),
      )
      return others.length === 0 ? null : others.map((one) => `${the.letter(letter)}-${one} OL`).join('; ')
    },
  ),
  rule(
    '(?:all|everything|every (?:wire|terminal|screw|one)|all (?:the )?(?:wires|terminals|screws|letters)) (?:is |are |reads? |reading |checks? |ohms? |out )*(?:clear|open|ol|infinite) to (?:ground|gnd|chassis|metal|cabinet)',
    (the) => {
      const { place, power } = the.state.bench
      const letters = (placeById(the.system, place)?.terminals ?? []).filter((name) => !/^(?:L\\d|N)$/.test(name))
      return power || letters.length === 0 ? null : letters.map((name) => `${name}-gnd OL`).join('; ')
    },
  ),
  // One cable against the metal, where one stands.
  rule(
    `(?:all|every|each)(?: of)?(?: (?:wires?|conductors?|them))? (?:in |on |of |going (?:to )?)?(.+?)(?: (?:cable|bundle|wires?|conductors?))? ${CLEAR_TO_GROUND}`,
    (the, whose) => {
      const { place, power, lifted } = the.state.bench
      const cable = the.system.cables.find(({ id, between }) => id === cableTowards(the, whose) && between.includes(place))
      if (!cable || power) return null
      const ends = cable.conductors.flatMap(({ id, lands }) => {
        const letter = lands[cable.between.indexOf(place)]
        const end = conductorEnd(cable.id, id, place)
        return letter === null ? [] : [lifted.includes(end) ? end : letter]
      })
      return ends.map((end) => `${end}-gnd OL`).join('; ')
    },
  ),
  rule(
    '(?:used|put|using) (\\w+) (?:for|in place of|instead of) ([a-z]\\d?)(?: (?:on|in|of) (\\S+)(?: cable)?)?(?:,? (?:at )?both ends)?',
    (the, colour, letter, cable) =>
      the.isLetter(letter) && letterOfColour(the, colour) === null
        ? `swap ${cable ? `${cable} ` : ''}${the.letter(letter)} to ${colour}`
        : null,
  ),
  rule('bundled? ((?:[a-z]\\d?)(?:(?: |, | and )[a-z]\\d?)+)', (the, letters) => {
    const all = letters.split(/(?:, | and | )/)
    const [first, ...others] = all.map((one) => the.letter(one))
    return all.every((one) => the.isLetter(one)) ? others.map((one) => `jumper ${first} ${one}`).join('; ') : null
  }),
  rule('(?:full|good) (?:voltage|volts|power) (?:on|at) ([a-z]\\d?)', (the, letter) => {
    const read = the.isLetter(letter) && !/^(?:c|gnd)$/.test(letter) ? the.voltsAt(letter, 'X') : null
    return read && the.state.bench.power ? read.replace('X V', 'jumps between 20 and 28') : null
  }),
  rule(`${NUMBER}(?: ?v| volts)? across (?:both|both pressure|the pressure|pressure) switches`, (the, volts) => {
    const here = partsOf(the.system, 'switch').filter(({ place, id }) => place === the.state.bench.place && /-pressure$/.test(id))
    return the.state.bench.power && here.length === 2
      ? here.map(({ between }) => `${between[0]}-${between[1]} ${volts} V`).join('; ')
      : null
  }),
  rule('no (?:high|line) (?:voltage|volts|power)(?: (?:at|to|on) (?:disconnect|unit|contactor|switch|transformer))?', (the) => {
    const { place } = the.state.bench
    // Where one stands at a transformer whose line has one leg, that is the line there.
    const hasLegs = partsOf(the.system, 'disconnect').some((part) => part.place === place && part.poles.length > 1)
    const isAtTransformer = partsOf(the.system, 'transformer').some((part) => part.place === place)
    return isAtTransformer && !hasLegs ? primary(the, '0') : (lineSide(the, '240')?.replace('240 V', '0 V') ?? null)
  }),
  rule(
    '(?:all )?(?:wires|wiring|screws|connections) (?:look |looks |are |is )*(?:ok|good|tight|fine) (?:behind|at|on) (?:stat|thermostat|tstat)',
    (the) => {
      const [stat, another] = partsOf(the.system, 'thermostat')
      return another ? null : `landings ok at ${stat.place}`
    },
  ),
  rule('(\\w+) lead (?:is |was )?(burnt|burned|melted|scorched|rubbed)(?: through)?', (the, colour, how) =>
    /^(?:red|white|green|yellow|blue|black|orange|brown|purple)$/.test(colour)
      ? `${how === 'rubbed' ? 'rubbed' : 'scorched'} ${the.state.bench.place}; ${the.asNote()}`
      : null,
  ),
  rule(
    `(?:(?:.+ )?transformer|primary|line|it)(?: is| was)? (?:on|wired to|hooked to|tapped (?:at|for|to|on)) (?:the )?(\\d{3})(?: ?v| volts?)? (?:tap|lead)?(?: .*)?`,
    onTap,
  ),
  rule(
    '(?:moved|switched|changed|put)(?: it| line| primary| transformer)?(?: over| back)? (?:to|on|onto) (?:the )?\\d{3}(?: ?v| volts?)? (?:tap|lead)(?: .*)?',
    (the) => the.asRepair(),
  ),
  // What was taken off last goes back.
  rule(
    '(?:land|landed|put|hooked|hook|reconnected|reconnect|relanded|plugged|plug|put back) (it|them)(?: back)?(?: (?:on|up|in))?',
    (the, what) => landLast(the, what === 'them'),
  ),
  // Of several transformers the one that is named, in and out.
  rule(
    `(.+ transformer) (?:has )?${NUMBER}(?: ?v| volts)? in,? (?:and |but )?(?:${NUMBER}|nothing|none|zero)(?: ?v| volts)? out`,
    (the, name, into, outOf) => {
      const part = partById(the.system, the.part(name) ?? '')
      if (part?.kind !== 'transformer') return null
      const [primary, secondary] = [part.primary, part.secondary].map((pair) => pair.join('-'))
      return `${primary} ${into} V at ${part.place}; ${secondary} ${outOf || '0'} V at ${part.place}`
    },
  ),
  // Colors that lie on each other's letters.
  rule('(\\S+) (?:is )?on ([a-z]\\d?)(?:,| and|, and) (\\S+) (?:is )?on ([a-z]\\d?)', (the, one, first, other, second) => {
    const [a, b] = [one, other].map((wire) => (the.isLetter(wire) ? the.letter(wire) : letterOfColour(the, wire)))
    return a && b && the.isLetter(first) && the.isLetter(second) && a === the.letter(second) && b === the.letter(first)
      ? `landings ${a} on ${the.letter(first)}`
      : null
  }),
  rule(
    `(?:nothing|no volts|no voltage|no 24|no power|0)(?: ?v| volts)?(?: (?:out|going|coming|getting|goes|out going))* (?:to|at) (.+)`,
    (the, what) => {
      const part = partById(the.system, the.part(what) ?? '')
      return part?.kind === 'coil' && the.state.bench.power ? the.voltsAt(what, '0') : null
    },
  ),
  rule('([a-z]\\d?) (?:is )?(?:energized|hot|live) (?:in|on) (cool|cooling|heat|heating|fan)(?: call)?', (the, letter, said) => {
    const call = the.call(said)
    const read = the.isLetter(letter) && !/^(?:c|r|gnd)$/.test(letter) ? the.voltsAt(letter, 'X') : null
    return call && read && the.state.bench.power ? `call ${call}; ${read.replace('X V', 'jumps between 20 and 28')}` : null
  }),
  rule(
    '(?:set(?: to| at)?|setpoint|set point)(?: is)? (?:[4-9]\\d),? room(?: is| at)? (?:[4-9]\\d),? (?:on |in )?(cool|cooling|heat|heating)(?: mode)?',
    (the, call) => leading('call', the.call(call)),
  ),
  rule(
    '(?:setpoint|set point|set) (?:at |to |is )?[4-9]\\d,? (?:room|actual|reads|reading)(?: temp(?:erature)?)? (?:is |at )?[4-9]\\d',
    (the) => the.asNote(),
  ),
  // Off its plug while that is read.
  rule(`(.+?) with (.+?) (?:unplugged|off its leads) (?:is |reads )?(${NUMBER}|ol|open)(?: ?ohms?)?`, (the, points, what, read) => {
    const part = partById(the.system, the.part(what) ?? '')
    const two = /^(\S+)(?: to |-| and )(\S+)$/.exec(points)
    if (!part || !two || the.state.bench.power || !the.isLetter(two[1]) || !the.isLetter(two[2])) return null
    const isOff = the.state.bench.unplugged.includes(part.id)
    return `${isOff ? '' : `unplug ${part.id}; `}${the.letter(two[1])}-${the.letter(two[2])} ${/^\d|^\./.test(read) ? read : 'OL'}`
  }),
]
