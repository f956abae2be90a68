import type { EntryDraft } from '@/src/core/job/entry'
import type { Reader } from '@/src/core/quick-line/reader'
import { asks, NUMBER, type Rule, rule, type Said } from '@/src/core/quick-line/rule'
import { nothingCalls } from '@/src/core/quick-line/sense'
import { leading, type Sentence, worded } from '@/src/core/quick-line/sentence'
import { FLAME_SIGNAL_FROM, flameWords, signalWords } from '@/src/core/readings/flame-looks'
import { flameOf, flameSignalOf } from '@/src/core/readings/look-target'
import type { PartOf } from '@/src/core/wiring/part'
import { partById, partsOf, type System } from '@/src/core/wiring/system'

/** What is seen, read and told of an ignition: its burners from the call on, its signal, its igniter. */

export const ignitionOf = (system: System): PartOf<'board'> | undefined =>
  partsOf(system, 'board').find(({ ignites }) => ignites !== undefined)

/** `flame burns`, `flame lights and goes out`, `flame signal low`, `flame 0.4 µA`. */
export function readFlame(reader: Reader): EntryDraft[] {
  const ignition = ignitionOf(reader.context.system)
  if (!ignition) reader.fail('No ignition control is on record here. Put "note" before it to keep it as a remark.')
  const { id } = ignition as PartOf<'board'>
  const isSignal = reader.accept('signal')
  if (reader.peek()?.kind === 'number') {
    const read = reader.number()
    const unit = reader.peek()
    if (unit && !/^(?:[uµμ]a|microamps?|micro amps?)$/i.test(reader.words('').trim()))
      reader.failAt('A flame signal is read in microamps: flame 2.4 µA.', unit)
    const answer = { word: read >= FLAME_SIGNAL_FROM ? 'good' : 'low' }
    return [
      { kind: 'reading', probe: { meter: 'look', at: flameSignalOf(id) }, answer },
      { kind: 'note', text: `flame signal ${read} µA` },
    ]
  }
  const words: readonly string[] = isSignal ? signalWords : flameWords
  const said = reader.words(`Say one of: ${words.join(', ')}.`).toLowerCase()
  const word = words.find((one) => one === said)
  if (word === undefined) reader.fail(`The ${isSignal ? 'flame signal' : 'flame'} is one of: ${words.join(', ')}.`)
  return [{ kind: 'reading', probe: { meter: 'look', at: isSignal ? flameSignalOf(id) : flameOf(id) }, answer: { word: word as string } }]
}

/**
 * As it is said, where there is an ignition control; elsewhere it is a remark. Fire is seen on a call for heat: where none is on, it is made.
 */
const onHeat = (the: Sentence, said: string): string | null => {
  if (!the.state.bench.power) return null
  if (!ignitionOf(the.system)) {
    // Where nothing watches the flame, fire that stays is a gas valve that is open.
    const [valve, another] = partsOf(the.system, 'coil').filter(({ role }) => role === 'gas-valve')
    const isLit = said === 'flame burns' && valve !== undefined && another === undefined
    return isLit && !nothingCalls(the) ? `${valve.id} in; ${the.asNote()}` : the.asNote()
  }
  return nothingCalls(the) ? `call heat; ${said}` : said
}

const flame =
  (word: (typeof flameWords)[number]) =>
  (the: Sentence): string | null =>
    onHeat(the, `flame ${word}`)

/** Where nothing watches the flame, burners that stay cold on a call for heat are a unit that does not do what is called. */
function noFire(the: Sentence): string | null {
  const [valve, another] = partsOf(the.system, 'coil').filter(({ role }) => role === 'gas-valve')
  const isCalled = the.state.bench.power && the.state.bench.call.startsWith('heat')
  return valve && !another && isCalled ? `${valve.place} not as called` : null
}

const FIRE = '(?:burners?|flames?|fire|gas|it|furnace)'
const GOES_OUT = '(?:goes|went|drops|dropped|shuts|shut|cuts|cut|drop|go|dies|died|quits|quit)(?: right| back)?(?: out| off| down)?'

/** Volts at the igniter, or what an ohmmeter reads of it. */
function ofIgniter(the: Sentence, as: (igniter: string) => string): Said {
  const igniter = ignitionOf(the.system)?.ignites?.igniter
  return igniter === undefined ? null : as(igniter)
}

const IGNITER = '(?:hot surface )?(?:igniter|ignitor|hsi|glow ?bar)'

export const flameRules: readonly Rule[] = [
  rule(
    `${FIRE} (?:lights?|lit|fires?|fired|ignites?|starts?|comes? on|came on)(?: up| off)?(?: and| but| then|,)* (?:then )?${GOES_OUT}(?: (?:after|in|within|again) ?.*)?`,
    flame('lights and goes out'),
  ),
  rule(
    `(?:lights?|lit|fires?|ignites?)(?: up| off)?(?: and| but| then|,)+ (?:then )?${GOES_OUT}(?: (?:after|in|within) .*)?`,
    flame('lights and goes out'),
  ),
  // Step by step, up to what comes last.
  rule(
    `(?:it )?(?:glows?|lights?),? (?:.*,? )?(?:lights?|lit|fires?|flame),? (?:and |then |but )*${GOES_OUT}(?: (?:after|in|within) .*)?`,
    flame('lights and goes out'),
  ),
  rule(
    `${IGNITER} (?:lights?|glows?|lit)(?: up)?,?(?: and| but| then)+ (?:the )?flame ${GOES_OUT}(?: (?:after|in|within) .*)?`,
    flame('lights and goes out'),
  ),
  rule(
    `(?:flames?|burners?|fire|lit|burns?),? (?:and |then )+(?:it )?${GOES_OUT}(?: (?:after|in|within) .*)?|(?:flames?|burners?|fire|lit|burns?) (?:for )?(?:about |maybe )?(?:\\d+|a few|two|three|four|five|ten) ?(?:s|secs?|seconds?),?(?: and| but| then)* (?:out|gone|off|nothing|${GOES_OUT})|${FIRE} (?:wont|will not|doesnt|does not) stay (?:lit|on)|(?:flames?|burners?|fire) ${GOES_OUT} (?:after|in|within) .*|loses flame|flame (?:drops|dropped) out(?: .*)?|(?:locks|locked|in) (?:out|lockout) on flame(?: .*)?`,
    flame('lights and goes out'),
  ),
  rule(
    `${IGNITER} (?:glows?|glowed|gets hot|heats up|lights up|hot)(?: up)?(?: and| but| then|,)* (?:no (?:flame|gas|fire|ignition|light)|nothing(?: .*)?|(?:burners?|gas|it|flame) (?:never|doesnt|does not|wont) (?:light|lights|come on|comes on|fire|fires|open|opens))`,
    flame('glows without flame'),
  ),
  // Tried, and shut down again: no word of a flame.
  rule(
    `${IGNITER} (?:glows?|glowed|sparks?|lights up)(?: up| orange| red)?,? (?:and |then |but )+(?:it |the unit |the control )?(?:${GOES_OUT}|shuts? down|stops|locks out|quits)(?: .*)?|(?:it )?spark(?:s|ing|ed)?,? (?:but |and )*(?:no|never any|without) (?:flame|gas|fire|light|ignition)`,
    flame('glows without flame'),
  ),
  rule(
    `(?:glows?|it glows)(?: but| and|,)+ (?:no|never any) (?:flame|gas|fire|light)|(?:glow|glows) (?:no|without) flame`,
    flame('glows without flame'),
  ),
  rule(
    `no glow(?: .*)?|${IGNITER} (?:never|doesnt|does not|wont|isnt|is not|not)(?: even)? (?:glow|glows|glowing|light up|lights up|heat|gets? hot|heats? up|comes? on)(?: .*)?`,
    flame('no glow'),
  ),
  rule(`${IGNITER} (?:is |has |reads |gets )?(?:0|zero|nothing|no volts|no voltage)(?: ?v| volts)?`, (the) =>
    the.state.bench.power ? ofIgniter(the, (igniter) => `${igniter} 0 V`) : null,
  ),
  rule(
    '(?:it |furnace |unit |and )*(?:ignites|ignited|fires up|fires right up|fired|fired up|fired right up|lit|lit up|lit right up|lights right up)',
    flame('burns'),
  ),
  rule(
    '(?:it |burners? |flame )?(?:lights?|lit|burns?|fires?) (?:for )?(?:about |maybe |only )*(?:\\d+|a few|a couple|two|three|four|five|ten) ?(?:of )?(?:s|secs?|seconds?),? (?:and |then |but )*(?:shuts down|shut down|shuts off|shut off|quits|quit|stops|stopped|drops out)',
    flame('lights and goes out'),
  ),
  // Without a word of the igniter: whether it glowed is told by what was seen of it on this call, else asked.
  rule(
    '(no (?:flame|fire|burners?))|(?:(?:it|gas|flame|burners?|fire)s? )?(?:never|doesnt|does not|dont|do not|didnt|did not|wont|will not|isnt|arent|not)(?: ever| even)? (?:comes?|come on|comes on|light|lights|lighting|lit|appears?|ignites?|fire|fires)(?: up| on| off)?',
    (the, absent) => {
      const igniter = ignitionOf(the.system)?.ignites?.igniter
      if (igniter === undefined) return noFire(the)
      if (!the.state.bench.power) return null
      const seen = the.state.observations.findLast(
        ({ probe, bench }) => probe.meter === 'look' && probe.at === igniter && bench.call === the.state.bench.call,
      )
      if (seen && typeof seen.answer === 'object' && 'word' in seen.answer)
        return onHeat(the, seen.answer.word === 'runs' ? 'flame glows without flame' : 'flame no glow')
      return absent ? the.asNote() : { asks: 'Did the igniter glow? Say "no glow", or "glows without flame".' }
    },
  ),
  rule(`${IGNITER} (?:is |stays )?(?:dark|cold)`, flame('no glow')),
  rule(
    `(?:it |they )?(?:stays|stayed) lit(?: now)?|(?:it |they |burners? |flame )?(?:lights?|lit|ignites?|fires?)(?: up| off)?(?:,? and|,) (?:stays?|stayed|keeps) (?:lit|on|burning|running)(?: now| fine)*|(?:burners?|flame|fire)(?: is| are)? (?:lit|on|comes? on|came on|lights?|fires?|fired|fires? up|burning|burns?|steady|good|stays? (?:lit|on))(?: and stays? (?:lit|on))?(?: (?:fine|now|steady|good|ok))?`,
    flame('burns'),
  ),
  rule(`${IGNITER} (?:is )?(?:glows|glowing|glowed|lit|red hot|bright)(?: (?:up|fine|orange|white|bright|good|ok|yellow|red))*`, (the) =>
    ofIgniter(the, (igniter) => `${igniter} runs`),
  ),
  rule(
    `(?:flame|rod|sensor)(?: (?:signal|sense|sensor|rod|current))*(?: is| reads| read| at)? ${NUMBER} ?(?:[uµμ]a|microamps?|micro amps?)`,
    (the, read) => onHeat(the, `flame ${read}`),
  ),
  rule(
    '(?:(?:flame|rod|flame rod) (?:signal|sense|sensor|current)|flame rod|rod)(?: is| reads| read| at)? (0(?:[.]\\d+)?|[1-9][.]\\d+)',
    (the, read) => onHeat(the, `flame ${read}`),
  ),
  rule(`(?:[uµμ]a|microamps?|micro amps?)(?: is| are| reads?| read| at)? ${NUMBER}`, (the, read) => onHeat(the, `flame ${read}`)),
  rule(`${NUMBER} ?(?:[uµμ]a|microamps?|micro amps?)(?: (?:on|at|from|of|in series with) .*)?`, (the, read) =>
    onHeat(the, `flame ${read}`),
  ),
  rule('(?:flame |burners? )(?:is |goes |went )?(?:out|gone) (?:after|in|within) .*', flame('lights and goes out')),
  rule(
    '(?:flame|burners?|it) (?:lights?|lit|burns?|runs?|stays? lit) (?:for )?(?:only |about |just )?\\d+ ?(?:s|sec|secs|seconds?)',
    flame('lights and goes out'),
  ),
  rule('signal (?:is |reads )?(low|weak|good|fine|strong|ok)', (the, how) =>
    ignitionOf(the.system) ? onHeat(the, `flame signal ${/^(?:low|weak)$/.test(how) ? 'low' : 'good'}`) : null,
  ),
  rule('(?:flame|rod|sensor)(?: (?:signal|sensor|rod|current))* (?:is |reads )?(low|weak|bad|good|fine|strong|ok)', (the, how) =>
    onHeat(the, `flame signal ${/^(?:low|weak|bad)$/.test(how) ? 'low' : 'good'}`),
  ),
  rule(
    `${IGNITER} (?:is |reads? |ohms? |ohmed |ohming |checks |out |at )*(ol|open|infinite|infinity|\\d*[.]?\\d+)(?: ?ohms?)?`,
    (the, read) =>
      the.state.bench.power
        ? null
        : ofIgniter(the, (igniter) => leading('ohms across', worded(igniter, /^\d|[.]/.test(read) ? read : 'OL')) ?? ''),
  ),
  // Step by step, as it is watched from the call on, up to the fire.
  rule(
    `(?:(?:call(?:s|ing|ed)? for heat|heat call|call heat|heat on),? )?(?:inducer(?: on| runs| starts| comes on)?,? (?:then |and )?)?(?:(?:pressure )?switch (?:closes|makes|made|closed),? (?:then |and )?)?(?:${IGNITER}(?: glows| on| lights| lit)?,? (?:then |and )?)?(?:gas(?: valve)?(?: opens| on)?,? (?:then |and )?)?(?:flame|fire|burners?)(?: on| lights?| lit| ok| good)?,? (?:then |and )?(?:blower|fan)(?: on| runs| comes on| kicks on| starts)?`,
    (the) => {
      const ignition = ignitionOf(the.system)
      if (!ignition || !the.state.bench.power || !the.says(/\b(?:inducer|ign?it[eo]r|hsi|glow)/i)) return null
      const inducer = the.says(/\binducer\b/i) && partById(the.system, 'inducer') ? '; inducer runs' : ''
      const blower = partsOf(the.system, 'load').find(({ id, name }) => /blower/.test(id + name))
      return `${onHeat(the, 'flame burns')}${inducer}${blower ? `; ${blower.id} runs` : ''}`
    },
  ),
  asks(
    `${IGNITER} (?:is )?(?:bad|dead|shot|no good|cracked|broken)`,
    'What did it read? Say its volts while it should glow ("igniter 118 V"), or with the power off "igniter OL".',
  ),
]
