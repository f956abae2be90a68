import { numberIn } from '@/src/core/quick-line/number-words'
import { type Rule, rule } from '@/src/core/quick-line/rule'
import { unitDoes } from '@/src/core/quick-line/sense'
import { leading, loadOf, type Sentence, worded } from '@/src/core/quick-line/sentence'
import { parsePoint } from '@/src/core/wiring/point'
import { firstPart, partsOf, placeById } from '@/src/core/wiring/system'

const CALLED =
  '((?:(?:first|second|1st|2nd|high|low) stage )?(?:cool|cooling|heat|heating)|ac|fan|emergency(?: heat)?|em heat|aux(?:iliary)?(?: heat)?|strips|(?:first|second|1st|2nd|high|low) stage|[gyw] call)(?: mode| call)?'
const NOT = '(?:is not|isnt|wont|dont|do not|will not|doesnt|does not|didnt|did not|not|never)'
const RUN = '(?:runs?|running|ran|works?|working|worked|comes? on|coming on|came on|starts?|starting|started|kicks? on|turns? on)'
const IT = '(?:it|unit|system|everything|all)'

const STANDS = new RegExp(`\\b(?:${NOT}|off|dead|still|stopped)\\b`)

/** What runs, or does not, on a call that is said with it: of a unit, of something in it, or of all there is where one stands. */
function onCall(the: Sentence, what: string, said: string, runs: boolean): string | null {
  const call = the.call(said)
  if (call === null) return null
  const here = placeById(the.system, the.state.bench.place)
  const isAll = what === '' || new RegExp(`^${IT}$`).test(what)
  const load = isAll ? null : loadOf(the, what)
  if (load !== null) return `call ${call}; ${load} ${runs ? 'runs' : 'still'}`
  // Who stands at a furnace says it of the whole system, of which he sees half.
  const place = isAll ? (here?.kind === 'outdoor' || here?.kind === 'package' ? here.id : null) : the.place(what)
  if (place) return `call ${call}; ${place} ${runs ? '' : 'not '}as called`
  // What runs did not trip; which unit stands still is not seen from there.
  return isAll ? (runs ? leading('holds on', call) : the.asComplaint()) : null
}

/** One jumper from the hot side to one terminal after the other, with what each did: it is moved on before the next. */
function jumpedInTurn(the: Sentence, joined: string, hot: string, said: string): string | null {
  const trials = said
    .split(/,? (?:and |but |then )?(?=r[ch]? to )|, (?:and |but |then )?(?=to )/)
    .map((one) => /^(?:r[ch]? )?to ([gywob]\d?) (\S+)/.exec(one.trim()))
  const results = trials.map((trial) => (trial ? TRIALS.get(trial[2]) : undefined))
  // What reads good at one letter after the other is volts, unless something was said to be joined, to hold or to trip.
  const isTrial = joined !== '' || trials.some((trial) => trial && !/^(?:fine|ok|good)$/.test(trial[2]))
  if (trials.length < 2 || results.includes(undefined) || !isTrial) return null
  const letters = trials.map((trial) => the.letter(trial?.[1] ?? ''))
  if (!the.isLetter(hot) || letters.some((letter) => !the.isLetter(letter))) return null
  const from = the.letter(hot)
  return letters
    .map((letter, index) => `${index > 0 ? `jumper out ${from} ${letters[index - 1]}; ` : ''}jumper ${from} ${letter}; ${results[index]}`)
    .join('; ')
}
const TRIALS: ReadonlyMap<string, 'holds' | 'trips'> = new Map([
  ...['holds', 'held', 'hold', 'fine', 'ok', 'good'].map((word) => [word, 'holds'] as const),
  ...['trips', 'tripped', 'trip', 'pops', 'popped', 'blows', 'blew'].map((word) => [word, 'trips'] as const),
])

/** What runs on which call, and how long it did. */
export const runRules: readonly Rule[] = [
  // Where the auxiliary heat is strips, those are what comes on.
  rule('aux(?:iliary)?(?: heat)? (?:comes|came|kicks|kicked|is) on', (the) => {
    const strips = loadOf(the, 'heat strips')
    return strips === null ? the.asNote() : `${strips} runs`
  }),
  // Where something could have opened, what is fine held.
  rule(
    '(?:jumped|jumpered|jumper|joined|added|add) (?:(r[ch]?)(?: to| and)? )?([gywob]\\d?),? (?:ok|okay|fine|good)',
    (the, hot, letter) => {
      const { bench } = the.state
      const from = hot || (bench.jumpers.length > 0 ? parsePoint(bench.jumpers[0].a).name.toLowerCase() : 'r')
      const couldTrip = bench.slot.holds === 'breaker' || firstPart(the.system, 'fuse').holds !== 'none'
      return couldTrip && the.isLetter(from) && the.isLetter(letter) ? `jumper ${the.letter(from)} ${the.letter(letter)}; holds` : null
    },
  ),
  rule('(jumped |jumpered |jumper )?(r[ch]?) (to [gywob]\\d? \\w+,? (?:and |but |then )?(?:r[ch]? )?to [gywob]\\d? .+)', jumpedInTurn),
  rule(
    `(r[ch]?) and ([gywob]\\d?) together,? (?:and )?(?:it )?(trips?|tripped|pops|popped|blows|blew|holds?|held)(?: .*)?`,
    (the, hot, letter, how) =>
      the.isLetter(hot) && the.isLetter(letter) ? `jumper ${the.letter(hot)} ${the.letter(letter)}; ${TRIALS.get(how) ?? 'trips'}` : null,
  ),
  // Whoever stands at the thermostat, and hears the unit, hears the one outside.
  rule(`(?:unit|system|condenser|outdoor unit|ac|a/c) (${NOT} )?${RUN}(?: up| fine| good)*`, (the, not) => {
    const { system, state } = the
    const outside = system.places.find(({ kind }) => kind === 'outdoor' || kind === 'package')
    const isAtStat = placeById(system, state.bench.place)?.kind === 'thermostat'
    const isCalled = state.bench.call !== 'off' || state.bench.jumpers.length > 0
    return outside && isAtStat && isCalled ? `${outside.id} ${not ? 'not ' : ''}as called` : null
  }),
  // A unit that runs uncalled.
  rule(`(.+?) (?:is |still |keeps )*${RUN} (?:with|on) (?:nothing (?:is )?(?:calling|called)|no calls?)(?: at all)?`, (the, what) => {
    const place = placeById(the.system, the.place(what) ?? '')
    const load = loadOf(the, what)
    const seen = load ? `${load} runs` : place && place.kind !== 'thermostat' ? `${place.id} not as called` : null
    return seen && (the.state.bench.call === 'off' ? seen : `call off; ${seen}`)
  }),
  // A unit by its name, while something is called.
  rule(
    `(furnace|air handler|outdoor unit|outside unit|heat pump|condenser) (?:(${NOT}) |is )?${RUN}(?: (?:now|fine|at all|up))*`,
    (the, what, not) => {
      const place = the.place(what)
      return place && the.state.bench.power ? unitDoes(the, place, not ? 'not as called' : 'as called') : null
    },
  ),
  rule(`(?:(.+?) )??(?:is )?${RUN}(?: fine| good| ok)? (?:in|on|with) ${CALLED}`, (the, what, call) => onCall(the, what, call, true)),
  // What works did so on its own call, and held.
  rule(`${CALLED} (?:works?|working|is working|worked)(?: fine| good| ok| great| well)*`, (the, said) => {
    const call = the.call(said)
    if (call === null) return null
    if (the.state.repairs.length > 0) return `proved ${call}`
    const blower = call === 'fan' ? loadOf(the, 'blower') : null
    return blower === null ? `holds on ${call}` : `call fan; ${blower} runs`
  }),
  rule(
    '((?:(?:first|second|1st|2nd|high|low) stage )?(?:cool|cooling|heat|heating)|ac) (?:comes?|came|kicks|kicked|turns|turned) on(?: now| fine| good| ok)*',
    (the, said) => {
      const call = the.call(said)
      if (the.state.bench.jumpers.length > 0) return the.asNote()
      return call && (the.state.repairs.length > 0 ? `proved ${call}` : `holds on ${call}`)
    },
  ),
  rule(`(?:(.+?) )??${NOT} ${RUN}(?: at all)? (?:in|on|with) ${CALLED}`, (the, what, call) => onCall(the, what, call, false)),
  rule(
    '((?:second stage |first stage )?(?:cool|cooling|heat|heating|ac)|emergency(?: heat)?|em heat|aux(?:iliary)?(?: heat)?) (?:runs|ran|is running)(?: fine| good| ok| great| well| now)*',
    (the, said) => {
      const call = the.call(said)
      return call && (the.state.repairs.length > 0 ? `proved ${call}` : `holds on ${call}`)
    },
  ),
  rule('(?:tried|trying|testing|tested)(?: it)?(?: on| in| with)? (cool|cooling|heat|heating|fan|ac)(?: only| again)?', (the, said) =>
    leading('call', the.call(said)),
  ),
  rule(`(.+?) and (.+?) (?:are |is )?(?:both )?${RUN}(?: at (?:once|same time|the same time))?`, (the, one, other) =>
    [one, other].every((name) => the.place(name) !== null)
      ? { asks: 'Say what each does by itself: "furnace as called; outdoor not as called".' }
      : null,
  ),
  rule('(.+?) (?:stays?|staying|stayed) on(?: all the time)?', (the, what) => worded(loadOf(the, what), 'runs')),
  // A cycle that showed nothing.
  rule(
    '(?:cycled?|ran)(?: it)?(?: (cool(?:ing)?|heat(?:ing)?|fan))? (\\d+|one|two|three|four|five|six) (?:times|cycles?),? (?:and )?(?:it |all )?(?:held|holds|no trips?|clean|fine|good|ok|nothing)(?: every time| each time)?|(\\d+|one|two|three|four|five|six) (?:clean|good) cycles?|(?:another )?(?:clean|good) cycle',
    (the, call, one, other) => `cycles ${numberIn(one || other) ?? 1} ${the.call(call) ?? ''}`.trim(),
  ),
  // What its plate says of a motor or heater.
  rule(
    '(.+?) (?:plate|nameplate|name plate|rla|fla|rated|rated load|full load)(?: amps)?(?: is| says| reads)? (\\d+(?:[.]\\d+)?) ?(?:a|amps?)?',
    (the, what, amps) => leading('plate', worded(loadOf(the, what), amps)),
  ),
  // A motor by the letter that asks for it.
  rule(`(.+?) ${NOT} ${RUN}(?: at all)? (?:on|with) ([gyw])1?`, (the, what, letter) =>
    loadOf(the, what) === null ? null : onCall(the, what, `${letter} call`, false),
  ),
  rule(`(.+?) (?:is )?${RUN}(?: fine)? (?:on|with) ([gyw])1?`, (the, what, letter) =>
    loadOf(the, what) === null ? null : onCall(the, what, `${letter} call`, true),
  ),
  rule(`(heat pump|condenser|outdoor unit|outside unit) ${NOT} (heat|cool)(?:ing)?(?: at all)?`, (the, what, call) =>
    onCall(the, what, call, false),
  ),
  // A fan beside the compressor is the outdoor unit's, of which most records have no part: no call for the blower.
  rule(`(?:(?:condenser |outdoor )?fan and compressor|compressor and (?:condenser |outdoor )?fan) (?:both |are |is )*${RUN}`, (the) => {
    const compressor = loadOf(the, 'compressor')
    return compressor !== null && the.part('outdoor fan') === null ? `${compressor} runs; ${the.asNote()}` : null
  }),
  ...(['fan first', 'compressor first'] as const).map((order) => {
    const says = `((?:(?:is|are|both) )*(?:${NOT} ?)?(?:${RUN}|on|off|dead|still|stopped)?)(?: fine)?`
    const [fan, compressor] = [`fan(?: motor| outside)? ${says}`, `compressor ${says}`]
    return rule(
      `${order === 'fan first' ? fan : compressor},? ?(?:but |and )?(?:the )?${order === 'fan first' ? compressor : fan}`,
      (the, ...said) => {
        const load = loadOf(the, 'compressor')
        const [ofFan, ofCompressor] = order === 'fan first' ? said : [...said].reverse()
        // What is said of both stands behind the second.
        const does = ofCompressor.trim() || ofFan.trim()
        if (load === null || does === '' || the.part('outdoor fan') !== null) return null
        return `${load} ${STANDS.test(does) ? 'still' : 'runs'}; ${the.asNote()}`
      },
    )
  }),
  // A valve that does not change over, told by what comes of it, was not seen.
  rule('(?:(?:reversing )?valve )?(?:stays|stuck|staying) in (?:heat|cool|heating|cooling)(?: mode)?', (the) => the.asNote()),
  rule(
    `(?:both|all) (?:compressors|stages) ${RUN}(?: fine)?`,
    (the) =>
      partsOf(the.system, 'load')
        .flatMap(({ id, name }) => (/compressor/.test(name) ? [`${id} runs`] : []))
        .join('; ') || null,
  ),
  // Air of the wrong kind is what a customer tells; a valve that does not shift is read.
  rule(
    '(?:.+ (?:but|and),? )?(?:it |unit |system |fan |heat pump )?(?:is )?(?:blows|blowing|blew|putting out|puts out|get|gets|getting)? ?(?:cold|cool|warm|hot|ice cold|room temp(?:erature)?)(?: air)? (?:in|on) (?:heat|heating|cool|cooling)(?: mode)?',
    (the) => the.asComplaint(),
  ),
  rule(
    '(?:it |unit |system |heat pump )?(?:is )?(?:cools|cooling|heats|heating) (?:in|on) (?:heat|heating|cool|cooling)(?: mode)?',
    (the) => the.asComplaint(),
  ),
  rule(`nothing(?: ${RUN}| happens| happening)? (?:on|in|with) ${CALLED}`, (the, said) => {
    const here = placeById(the.system, the.state.bench.place)
    return here?.kind === 'outdoor' || here?.kind === 'package' ? onCall(the, '', said, false) : the.asComplaint()
  }),
]
