import { foundOff, pairHere } from '@/src/core/quick-line/hands'
import { cableTowards } from '@/src/core/quick-line/meaning'
import { findCable } from '@/src/core/quick-line/names'
import { acrossLast, asRead, onTheWires, partLast, readAgain, SHORTED } from '@/src/core/quick-line/read-before'
import { asks, type Rule, rule, type Said } from '@/src/core/quick-line/rule'
import { unitDoes } from '@/src/core/quick-line/sense'
import { loadOf, type Sentence, worded } from '@/src/core/quick-line/sentence'
import { coilMeant, lastSeen } from '@/src/core/quick-line/which-part'
import { wordsOfLook } from '@/src/core/readings/looks'
import { conductorEnd, type Point, parsePoint } from '@/src/core/wiring/point'
import { cableById, partById, partsOf } from '@/src/core/wiring/system'

/** What speaks of the last thing that was read, or of the wires in the hand, or of a wire by its cable. */

/** Two wires of the cable that one of them was lifted of here: their ends, and not the screws. */
function betweenWires({ state, system }: Sentence, one: string, other: string, value: string): string | null {
  const { place, lifted, power } = state.bench
  const inHand = lifted.find((end) => parsePoint(end).place === place && [one, other].includes(parsePoint(end).name.toLowerCase()))
  const cable = inHand === undefined ? undefined : cableById(system, parsePoint(inHand).cable ?? '')
  const names = [one, other].map((said) => cable?.conductors.find(({ id, colour }) => id.toLowerCase() === said || colour === said)?.id)
  if (power || !cable || names[0] === undefined || names[1] === undefined) return null
  return `ohms ${names.map((name) => conductorEnd(cable.id, name as string, place)).join(' to ')} ${asRead(value)}`
}

/** The wire of that letter, or the only one, that is off its screw where one stands, against the metal or common. */
function wireInHand({ state }: Sentence, name: string | null, other: string, value: string): string | null {
  const { place, lifted, power } = state.bench
  const isMeant = (one: Point) => parsePoint(one).place === place && (name === null || parsePoint(one).name.toLowerCase() === name)
  const [off, another] = lifted.filter(isMeant)
  // One that is on its screw is read there.
  const end = off ?? name?.toUpperCase()
  if (power || end === undefined || another !== undefined) return null
  return `ohms ${end} to ${/^(?:c|common)$/.test(other) ? 'C' : 'gnd'} ${asRead(value)}`
}

const VALUE = String.raw`(-?\d*[.,]?\d+|ol|open)`
const VALUE_OF_WIRE = String.raw`(-?\d*[.,]?\d+ ?(?:k|megs?|m)?|ol|open|shorted)`
const UNIT = '(ohms?|v|volts?|vac)'

/** A wire that was found off its screw, and not taken off by this search. */
function isFoundOff(the: Sentence, name: string): boolean {
  const end = foundOff(the)
  return end !== null && parsePoint(end).name.toLowerCase() === name && !the.state.bench.lifted.includes(end)
}

/** Live volts on the one wire that is off its screw where one stands, against common. */
function voltsInHand({ state }: Sentence, value: string): string | null {
  const { place, lifted, power } = state.bench
  const [end, another] = lifted.filter((one) => parsePoint(one).place === place)
  return power && end !== undefined && another === undefined && /\d/.test(value) ? `${end} to C ${value} V` : null
}

/** The two wires of the one pair that comes here. */
function ofPair(the: Sentence, named: string, value: string): string | null {
  const meant = named === '' ? null : (findCable(the.system, named) ?? cableTowards(the, named))
  const ends = the.state.bench.power || (named !== '' && meant === null) ? null : pairHere(the, meant)
  return ends && `ohms ${ends.join(' to ')} ${asRead(value)}`
}

/** What was last seen to run, or to stand still, does so still. */
function seenAgain(the: Sentence, word: 'runs' | 'still'): Said {
  const { state, system } = the
  const last = state.observations.findLast(({ probe }) => probe.meter === 'look' && partById(system, probe.at)?.kind === 'load')
  if (last?.probe.meter === 'look') return `${last.probe.at} ${word}`
  // Nobody has looked yet: what was told to run on and on.
  const isTold = state.complaint.symptoms.includes('never-stops') && state.complaint.call === 'fan'
  return isTold ? worded(loadOf(the, 'blower'), word) : null
}

const WHICH_COIL = 'Which coil? Name it: "contactor coil 0 V", "reversing valve 0 V".'

export const lastRules: readonly Rule[] = [
  // While something is called a unit that is off stands still; nobody said that it was switched off.
  rule('(?:outdoor|outside) on', (the) => {
    const place = the.place('outdoor')
    return place === null ? null : unitDoes(the, place, 'as called')
  }),
  rule('(?:outdoor unit|outside unit|condenser|heat pump)(?:s| is| was| stays| stayed| still) off', (the) => {
    const place = the.place('outdoor')
    return the.state.bench.power && the.state.bench.call !== 'off' && place !== null ? unitDoes(the, place, 'not as called') : null
  }),
  // Of the armature that was looked at last.
  rule('(?:it )?lets? go', (the) => worded(lastSeen(the.state, partsOf(the.system, 'coil')), 'out')),
  rule('no call (?:at|on|from|showing (?:at|on)) (?:stat|thermostat|tstat)', (the) =>
    the.state.bench.call === 'off' ? the.asNote() : { asks: 'What did you read there? Say "Y-C 0", or "R-Y 26 at the thermostat".' },
  ),
  rule('(?:turned|turn|switched|shut) it (?:back )?off', ({ state: { bench } }) =>
    bench.call !== 'off' && bench.power ? { asks: 'The call, or the power? Say "call off", or "power off".' } : null,
  ),
  asks(
    '(?:wires?|a wire|one wire|some wires) (?:is |are |was |were )?loose(?: (?:behind|at|in|on|under) .+)?',
    'Which one? Say it with its letter: "landings Y off", or "landings ok" where all of them are on.',
  ),
  asks(
    'same(?: thing| reading| result| voltage| readings)?(?: (?:(?:at|in|on) .+|outside|inside|here|there|out there))?|ditto',
    'What was it, and where? Say it again there: "Y-C 24 outside".',
  ),
  asks(
    '(?:there is )?no (?:thermostat |stat )?call (?:at|to|reaching|getting to|coming to|leaving)(?: the)? (?:unit|board|furnace|air handler|outdoor unit|condenser|heat pump|rooftop|rtu|thermostat|stat)',
    'Which call is missing? Read its letter: "Y-C 0", or "W-C 0".',
  ),
  rule('(?:it |and |but )?(?:is )?(?:still|keeps|keeps on) (?:runs?|running|going|on)', (the) => seenAgain(the, 'runs')),
  rule(
    '(?:it |and |but )?(?:still )?(?:wont|doesnt|isnt|not)(?: still)? (?:run|start|running|come on)|(?:it |and )?(?:stops|stopped|quit|shuts off|shut off|went off)',
    (the) => seenAgain(the, 'still'),
  ),
  // Put on its screw it is repaired.
  rule(
    '(?:landed|relanded|tightened|put|hooked|reconnected|seated)(?: back)? ([a-z]\\d?)(?: wire)?(?: back)?(?: (?:on|down|up))?(?: (?:at|on) .+)?',
    (the, name) => (isFoundOff(the, name) ? the.asRepair() : null),
  ),
  rule(
    '([a-z]\\d?)(?: wire)? (?:is |was |has |had )?(?:burned|burnt|broke|broken|rusted|rotted|corroded|snapped) off(?: (?:at|of|from|on) (?:terminal|screw|lug|strip|board|(.+)))?',
    (the, name, where) => {
      const place = where ? the.place(where) : the.state.bench.place
      return place !== null && the.isLetter(name) ? `landings ${the.letter(name)} off at ${place}` : null
    },
  ),
  rule('([a-z]\\d?)(?: wire)? (?:at|in|on) (.+?) (?:is |was )?(?:loose|hanging|not landed|came off|fell off)', (the, name, where) => {
    const place = the.place(where)
    return place !== null && the.isLetter(name) ? `landings ${the.letter(name)} off at ${place}` : null
  }),
  rule(
    `(?:it )?(?:is |reads? |shows? )*still (?:is |reads? |reading |shows? |at |there at )*${VALUE}(?: ?${UNIT})?(?: there| here)?`,
    (the, value, unit) => readAgain(the, value, unit),
  ),
  // Still, of what nobody has read yet.
  rule(`(?:it )?(?:is |reads? |shows? )*still (?:is |reads? |at )*${VALUE}(?: ?ohms?)?`, (the, value) =>
    the.state.observations.some(({ probe }) => 'a' in probe) ? null : { asks: `Between which points? Say them: "R-C ${value}".` },
  ),
  rule(`(?:it )?(?:is |reads? |reading |shows? )*${VALUE}(?: ?${UNIT})? (?:now|still)`, (the, value, unit) => readAgain(the, value, unit)),
  rule(
    `(?:still |has |have |it has )*${VALUE}(?: ?${UNIT})? on (?:the |that )?(?:wire|wire end|bare wire|end)(?: itself)?`,
    (the, value, unit) => (/ohm/.test(unit) ? null : voltsInHand(the, value)),
  ),
  rule(`${VALUE}(?: ?${UNIT})? at (.+?) (?:now|again)`, (the, value, unit, where) => {
    const last = the.state.observations.at(-1)?.probe
    return last && 'a' in last && parsePoint(last.a).place === the.place(where) ? readAgain(the, value, unit) : null
  }),
  rule(`(?:still |now |it is )*${VALUE}(?: ?ohms?)? on (?:the |those |bare )?wires(?: here)?`, onTheWires),
  // Its two wires against each other: the ones in the hand, else the screws that they are on.
  rule(`(?:(\\w+) )?pair (?:is |are |reads? |shows? |now |still )*${VALUE}(?: ?ohms?)?(?: now)?`, (the, cable, value) =>
    ofPair(the, cable, value),
  ),
  rule(
    `(?:two |both )?(\\w+) wires (?:read|reads|are|show|measure|ohm|ohm out|ohmed) (?:at )?${VALUE}(?: ?ohms?)?(?: (?:to each other|across|between them|wire to wire))?`,
    (the, cable, value) => ofPair(the, cable, value),
  ),
  // The wire that is off here is read on itself.
  rule(
    `(?:ohmed |ohm |read |checked )?(?:wire|conductor|it|wire end|end)(?: itself)? (?:to|and) (ground|gnd|chassis|metal|cabinet|c|common),? (?:is |reads? |still |now |shows )*${VALUE}(?: ?ohms?)?`,
    (the, other, value) => wireInHand(the, null, other, value),
  ),
  // What was read of that letter before, again.
  rule(
    `([a-z]\\d?) (?:is |reads? |shows? )*still (?:is |reads? |reading |shows? |at )*${VALUE}(?: ?${UNIT})?`,
    (the, letter, value, unit) => {
      const last = the.state.observations.findLast(({ probe }) => probe.meter === 'volts' || probe.meter === 'ohms')
      const isOfIt =
        last && 'a' in last.probe && [last.probe.a, last.probe.b].some((point) => parsePoint(point).name.toLowerCase() === letter)
      return isOfIt ? readAgain(the, value, unit) : null
    },
  ),
  // The part that was looked at last: its coil, and its plug.
  rule(`${VALUE}(?: ?${UNIT})? (?:across|on|at) (?:its|the|that) coil`, (the, value, unit) => {
    const coil = /\d/.test(value) && !/ohm/.test(unit) && the.state.bench.power ? coilMeant(the) : null
    return coil && the.voltsAt(coil, value)
  }),
  // Across what was looked at, or read across, last.
  rule(
    `(?:(?:got |have |reads? )?${VALUE}(?: ?${UNIT})? across(?: it| that| switch| that switch)?(?: now)?|across (?:it|that|switch|that switch)(?: is| reads?| now)* ${VALUE}(?: ?${UNIT})?)`,
    (the, value, unit, after, unitAfter) => acrossLast(the, value || after, unit || unitAfter || ''),
  ),
  rule('(?:pushed|pressed|hit|punched|pushed in) (?:the |its )?(?:red |manual )?reset(?: button)? on it', (the) => {
    const part = partLast(the)
    if (part?.kind !== 'switch') return null
    const words = wordsOfLook(the.system, part.id)
    return words.includes('set') ? `${part.id} set` : words.length > 0 ? the.asNote() : `repaired reset the ${part.name}`
  }),
  rule('(?:there is |has )?(?:no|zero) (?:voltage|volts|power|24(?: ?v(?:olts)?)?) (?:across|on|at|to) (?:its |that )?coil', (the) => {
    const coil = coilMeant(the)
    return coil ? the.voltsAt(coil, '0') : { asks: WHICH_COIL }
  }),
  rule('(?:unplugged|unplug|disconnected) it', (the) => {
    const part = lastSeen(the.state, [...partsOf(the.system, 'coil'), ...partsOf(the.system, 'switch')])
    return part && !the.state.bench.unplugged.includes(part) ? `unplug ${part}` : null
  }),
  rule('(?:it |its |that )*(?:is |are |reads? |shows? )*still (?:is |reads? |shows? )*(?:shorted|a short|dead short|short)', (the) =>
    the.state.bench.power
      ? null
      : (readAgain(the, SHORTED, '') ?? { asks: 'Between which points? Say them: "Y-C shorted", or what it reads: "Y-C 0.6".' }),
  ),
  // A wire by its letter that is off its screw here is read on itself.
  rule(
    `(?:lifted |loose )?([a-z]\\d?) wire(?: itself)? (?:to|and) (ground|gnd|chassis|metal|cabinet|c|common) (?:is |reads? |still |now |shows )*${VALUE_OF_WIRE}(?: ?ohms?)?`,
    (the, name, other, value) => wireInHand(the, name, other, value),
  ),
  rule(
    `(\\w+) (?:to|and) (\\w+) (?:wires|conductors|wire to wire)(?: is| are| reads?| read)* ${VALUE}(?: ?ohms?)?`,
    (the, one, other, value) => betweenWires(the, one, other, value),
  ),
  rule(
    `(?:between )?(\\w+) (?:wire|conductor)(?: end)? (?:to|and) (\\w+) (?:wire|conductor)(?: end)?(?: is| are| reads?| read| still| now)* ${VALUE}(?: ?ohms?)?`,
    (the, one, other, value) => betweenWires(the, one, other, value),
  ),
  rule(
    '(\\w+) ([a-z]\\d?)(?: wire)? (?:is |was )?(?:(?<=was )off|loose|hanging|not landed|came off|fell off|unhooked itself)(?: (?:at|in|on|from) (.+))?',
    (the, cable, name, where) => {
      const found = cableById(the.system, findCable(the.system, cable) ?? '')
      const conductor = found?.conductors.find(({ id }) => id.toLowerCase() === name)?.id
      const place = where ? the.place(where) : the.state.bench.place
      return found &&
        conductor !== undefined &&
        place !== null &&
        found.between.includes(place) &&
        !the.state.bench.lifted.includes(conductorEnd(found.id, conductor, place))
        ? `landings ${found.id} ${conductor} off at ${place}`
        : null
    },
  ),
]
