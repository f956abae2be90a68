import { asks, NUMBER, type Rule, rule, type Said, VOLTS } from '@/src/core/quick-line/rule'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { NOT_24_V } from '@/src/core/quick-line/units'
import { lineSide, windingOhms } from '@/src/core/quick-line/volts'
import { coilMeant, contactorPlace } from '@/src/core/quick-line/which-part'
import { type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside } from '@/src/core/wiring/supply'
import { partById, partsOf } from '@/src/core/wiring/system'

/** A disconnect has a line side and a load side as well as a contactor, where nothing has led to the contactor. */
function mayBeDisconnect(the: Sentence): boolean {
  const { bench, observations } = the.state
  const hasDisconnect = partsOf(the.system, 'disconnect').some(({ place }) => place === bench.place)
  const last = observations.at(-1)?.probe
  const wasContactor = last?.meter === 'look' && partById(the.system, last.at)?.kind === 'coil'
  return hasDisconnect && bench.call === 'off' && !wasContactor && !the.says(/contactor|\bcc\b/i)
}

/** Line volts into a contactor and out of it to what it feeds, where one stands at one or names it. */
function throughContactor(the: Sentence, into: string, out: string): Said {
  if (mayBeDisconnect(the)) return { asks: WHICH_SIDES }
  const [line, load] = [Number(into) > 60 ? lineSide(the, into) : null, loadSide(the, out)]
  return line && load && `${line}; ${load}`
}

/** Line volts into the contacts of a relay or sequencer that is named, and out of them to what it feeds. */
function throughContacts(the: Sentence, named: string, into: string, out: string): string | null {
  const coil = partById(the.system, the.part(named.replace(/ contacts?$/, '')) ?? '')
  const contact = coil?.kind === 'coil' ? coil.contact : undefined
  const fed = contact && partsOf(the.system, 'load').find(({ place, between }) => place === coil?.place && between.includes(contact[1]))
  if (!contact || !fed || !the.state.bench.power || Number(into) < NOT_24_V) return null
  const other = fed.between.find((node) => node !== contact[1])
  return `${contact[0]}-${other} ${into} V at ${fed.place}; ${contact[1]}-${other} ${/^[\d.]/.test(out) ? out : '0'} V at ${fed.place}`
}
const WHICH_SIDES =
  'Of the disconnect, or of the contactor? Say "240 in 240 out of the disconnect", or "240 in 0 out of the contactor", with what you read.'

const hasTransformer = ({ system, state }: Sentence): boolean =>
  partsOf(system, 'transformer').some(({ place }) => place === state.bench.place)

/** Volts ahead of a switch and behind it, each against common. */
export function throughSwitch(the: Sentence, before: string, named: string, after: string): string | null {
  const part = partById(the.system, the.part(named) ?? '')
  if (part?.kind !== 'switch' || Number(before) > 60) return null
  const [ahead, behind] = part.between.map((lead) => ({ lead, common: commonBeside(the.system, terminalPoint(lead, part.place)) }))
  if (!ahead.common || !behind.common) return null
  const volts = ({ lead, common }: typeof ahead, value: string) => `${lead}-${parsePoint(common as Point).name} ${value} V at ${part.place}`
  return `${volts(ahead, before)}; ${volts(behind, /^[\d.]/.test(after) ? after : '0')}`
}

/** Volts on one side of a switch against common. */
function besideSwitch(the: Sentence, named: string, volts: string, side: 0 | 1): string | null {
  const part = partById(the.system, the.part(named) ?? '')
  if (part?.kind !== 'switch' || Number(volts) > 60 || !the.state.bench.power) return null
  const lead = part.between[side]
  const common = commonBeside(the.system, terminalPoint(lead, part.place))
  return common && `${lead}-${parsePoint(common).name} ${volts} V at ${part.place}`
}

/** What a contactor feeds, by itself. */
function loadSide(the: Sentence, volts: string): string | null {
  const { system, state } = the
  // Whoever names it says where.
  const place = the.says(/contactor/i) ? contactorPlace(the) : state.bench.place
  const contactor = partsOf(system, 'coil').find((coil) => coil.role === 'contactor' && coil.place === place && coil.contact)
  const fed = partsOf(system, 'load').find((load) => load.place === place && load.between.some((node) => contactor?.contact?.[1] === node))
  return fed ? `${fed.between[0]}-${fed.between[1]} ${/^[\d.]/.test(volts) ? volts : '0'} V at ${place}` : null
}

/** The coil's own lead behind the last of the switches in its way, where one stands. */
function behindSwitches(the: Sentence, volts: string): string | null {
  const { place } = the.state.bench
  const isBehindSwitch = (node: string) => partsOf(the.system, 'switch').some((one) => one.place === place && one.between[1] === node)
  const [coil, another] = partsOf(the.system, 'coil').filter((one) => one.place === place && isBehindSwitch(one.between[0]))
  return coil && !another ? `${coil.between[0]}-${coil.between[1]} ${volts} V at ${place}` : null
}

const NONE = '(?:nothing|none|0|zero|no volts|no voltage|no power)'

/** What goes into a contactor, a switch or a transformer, and what comes out of it. */
export const throughRules: readonly Rule[] = [
  // A board has a supply and several outputs.
  rule(
    `${NUMBER} ?${VOLTS}? in(?:to)?,? (?:and |but )?${NONE} (?:coming |going )?out (?:of )?(?:defrost[ -]|control[ -]|zone[ -]|ignition[ -])?board`,
    () => ({ asks: 'Into which terminal, and out of which? Say each by its letter: "R-C 24; Y-out 0".' }),
  ),
  rule(
    `${NUMBER} ?${VOLTS}? in(?:to)?,? (?:and |but )?(?:${NUMBER} ?${VOLTS}?|${NONE}) (?:coming |going )?out (?:of|on|at|from|through) (.+)`,
    (the, into, out, named) => throughContacts(the, named, into, out),
  ),
  rule('(.+?)(?: coil)? (?:is )?(?:grounded|shorted to (?:ground|gnd|metal|case|chassis))(?: out)?', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'coil' && !the.state.bench.power ? `ohms ${part.between[0]}-gnd jumps between 0 and 1 at ${part.place}` : null
  }),
  rule(
    '(.+? )?coil(?: is| reads)? (\\d*[.]?\\d+|ol|open)(?: ?ohms?)?,? (?:and |but )?(?:coil )?to (?:ground|gnd|chassis|metal|case) (?:is |reads )?(\\d*[.]?\\d+|ol|open)(?: ?ohms?)?',
    (the, named, across, ground) => {
      const part = partById(the.system, (named ? the.part(named) : coilMeant(the)) ?? '')
      if (part?.kind !== 'coil' || the.state.bench.power) return null
      const said = (read: string) => (read === 'open' ? 'OL' : read)
      return `ohms across ${part.id} ${said(across)}; ohms ${part.between[0]}-gnd ${said(ground)} at ${part.place}`
    },
  ),
  rule('(\\S+),? (?:and )?(\\S+),? (?:are )?both (closed|open|ok|fine|good)', (the, one, other, how) => {
    const switches = [one, other].map((name) => partById(the.system, the.part(name) ?? ''))
    if (the.state.bench.power || switches.some((part) => part?.kind !== 'switch')) return null
    return switches.map((part) => `ohms across ${part?.id} ${how === 'open' ? 'OL' : 'jumps between 0 and 1'}`).join('; ')
  }),
  rule(`${NONE} (?:on|at|across|out of|from)(?: transformer)? secondary`, (the) => the.voltsAt('transformer', '0')),
  rule(`(.+?) (?:has|reads|shows|sees)? ?${NUMBER} ?${VOLTS}? (?:on |at )?(?:both|each) sides?`, (the, named, volts) =>
    throughSwitch(the, volts, named, volts),
  ),
  rule(`${NUMBER} ?${VOLTS}? (?:on |at )?(?:both|each) sides? of (.+)`, (the, volts, named) => throughSwitch(the, volts, named, volts)),
  rule(
    `(.+?) (?:is )?(?:not (?:opening|pulling in|in|closing|shifting|energizing)|(?:isnt|is not) (?:opening|pulling in|in|shifting)|(?:wont|will not|doesnt|does not) (?:open|pull in|shift|close)|out) with ${NUMBER} ?${VOLTS}? (?:on|at|to|across) (?:it|coil|its coil)`,
    (the, what, volts) => {
      const part = partById(the.system, the.part(what) ?? '')
      return part?.kind === 'coil' && part.role !== 'damper' && Number(volts) < 60 ? `${the.voltsAt(what, volts)}; ${part.id} out` : null
    },
  ),
  rule(
    `${NUMBER} ?${VOLTS}? (?:on |at )?(?:top|line side|line)(?: (?:of|on))?(?: contactor)?,? (?:and |but )?(?:(\\d*[.]?\\d+) ?${VOLTS}?|${NONE}) (?:on |at )?(?:bottom|load side|load)(?: (?:of|on))?(?: contactor)?`,
    throughContactor,
  ),
  rule(`(?:(\\d*[.]?\\d+) ?${VOLTS}?|${NONE}) (?:after|past|through|behind|out of)(?: both| all)?(?: pressure)? switches`, (the, volts) =>
    behindSwitches(the, volts || '0'),
  ),
  rule(
    `(?:${NUMBER} ?${VOLTS}?|(${NONE})) (?:in to|into|in at|going in|going into|coming into|entering|ahead of|before)(?: the)? (.+)`,
    (the, volts, _, what) => besideSwitch(the, what, volts || '0', 0),
  ),
  rule(
    `(?:${NUMBER} ?${VOLTS}?|(${NONE})) (?:(?:coming |going )?out(?: at| from)?|leaving|past|behind|after)(?: the)? (.+)`,
    (the, volts, _, what) => besideSwitch(the, what, volts || '0', 1),
  ),
  rule(
    `(?:(?:defrost |control |relay )?board (?:has |gets |sees )?)?${NUMBER} ?${VOLTS}? (?:going |coming )?in(?:to)? (?:(?:defrost |control )?board )?on ([a-z]\\d?),? (?:and |but )?(?:(\\d*[.]?\\d+) ?${VOLTS}?|${NONE}) (?:coming |going )?out`,
    (the, into, letter, out) =>
      the.isLetter(`${letter}-out`)
        ? `${the.letter(letter)}-C ${into} V; ${the.letter(`${letter}-out`)}-C ${out || '0'} V`
        : { asks: `Out where? Say both: "${the.letter(letter)}-C ${into}", and where nothing comes out.` },
  ),
  asks('(?:zero|0|no) (?:amps?|amp draw|current|draw)', 'Around what? Say "strips 0 A", "compressor 0 A", or "0 A on R".'),
  rule(`${NUMBER} ?${VOLTS}? (?:to|into|going to|going into|feeding)(?: the)? (.+)`, (the, volts, what) =>
    Number(volts) < 60 && partById(the.system, the.part(what) ?? '')?.kind === 'coil' ? the.voltsAt(what, volts) : null,
  ),
  rule(`(?:(\\d*[.]?\\d+) ?${VOLTS}?|${NONE}) (?:on |at |across )?load side(?: (?:of )?contactor)?`, (the, volts) =>
    mayBeDisconnect(the) ? { asks: WHICH_SIDES } : loadSide(the, volts || '0'),
  ),
  rule(`contactor load side(?: is| has| reads)? (?:${NUMBER} ?${VOLTS}?|${NONE})`, (the, volts) => loadSide(the, volts || '0')),
  rule(
    `${NUMBER} ?${VOLTS}? (?:before|into|in|ahead|going into|going in|to|up to|at)(?: to)? (.+?),? (?:and |but |then )?(?:(\\d*[.]?\\d+) ?${VOLTS}?|${NONE}) (?:after|out|behind|coming out|past it|past|leaving)(?: it)?`,
    (the, before, named, value) => throughSwitch(the, before, named, value),
  ),
  rule(
    `secondary(?: is| has| reads)? ${NUMBER} ?${VOLTS}?,?(?: and| but)? primary(?: is| has| reads)? ${NUMBER} ?${VOLTS}?`,
    (the, out, into) => {
      const [line, secondary] = [Number(into) > 60 ? lineSide(the, into) : null, the.voltsAt('transformer', out)]
      return line && secondary && `${line}; ${secondary}`
    },
  ),
  rule(
    '(?:transformer )?(secondary|primary)(?: winding)? (ol|open|\\d*[.]?\\d+)(?: ?ohms?)?,?(?: and| but)? (secondary|primary)(?: winding)? (ol|open|\\d*[.]?\\d+)(?: ?ohms?)?',
    (the, one, first, other, second) => {
      if (the.state.bench.power || one === other) return null
      const [a, b] = [windingOhms(the, one, first === 'open' ? 'OL' : first), windingOhms(the, other, second === 'open' ? 'OL' : second)]
      return a && b && `${a}; ${b}`
    },
  ),
  rule(
    `(contactor (?:has |gets |reads )?)?${NUMBER} ?${VOLTS}? (?:in|on (?:the )?line(?: side)?),? ?(?:and |but )?(?:(\\d*[.]?\\d+) ?${VOLTS}?|(?:nothing|none|0|zero|no volts|no voltage|no power)) (?:out|on (?:the )?load(?: side)?)(?:(?: (?:from|at|on))? (contactor))?`,
    (the, before, into, out, after) => (before || after || !hasTransformer(the) ? throughContactor(the, into, out) : null),
  ),
]
