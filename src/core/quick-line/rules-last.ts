import type { JobState } from '@/src/core/job/job-state'
import { foundOff, pairHere } from '@/src/core/quick-line/hands'
import { cableTowards } from '@/src/core/quick-line/meaning'
import { findCable } from '@/src/core/quick-line/names'
import { asks, type Rule, rule, type Said } from '@/src/core/quick-line/rule'
import { unitDoes } from '@/src/core/quick-line/sense'
import { loadOf, type Sentence, worded } from '@/src/core/quick-line/sentence'
import { NOT_24_V } from '@/src/core/quick-line/units'
import { coilMeant, lastSeen } from '@/src/core/quick-line/which-part'
import { CHASSIS, conductorEnd, type Point, parsePoint } from '@/src/core/wiring/point'
import { lineNodes } from '@/src/core/wiring/supply'
import { cableById, partById, partsOf, type System } from '@/src/core/wiring/system'

/** What speaks of the last thing that was read, or of the wires in the hand, or of a wire by its cable. */

/** The last reading of a meter, taken again: "still 0.6". */
function readAgain({ state, system }: Sentence, value: string, unit: string): Said {
  const last = state.observations.findLast(({ probe }) => probe.meter === 'volts' || probe.meter === 'ohms')
  if (last?.probe.meter !== 'volts' && last?.probe.meter !== 'ohms') return null
  const { meter, a, b } = last.probe
  const isOhms = meter === 'ohms'
  if (isOhms === state.bench.power || (unit !== '' && /ohm/.test(unit) !== isOhms)) return null
  if (!isOhms && isElsewhere(system, [a, b], Number(value)))
    return { asks: `Between which points? Say them: "R-C ${value}", "L1-L2 ${value}".` }
  // With a wire of that letter in the hand it may have been read on that.
  const inHand = state.bench.lifted.find((end) => [a, b].some((point) => isWireOf(end, point)) && !isWholeOff(end, state, system))
  if (inHand !== undefined) {
    const { cable, name } = parsePoint(inHand)
    const other = parsePoint(isWireOf(inHand, a) ? b : a).name
    return { asks: `On the screw, or on the wire that is off? Say "${name}-${other} ${value}", or "${cable} ${name}-${other} ${value}".` }
  }
  return `${isOhms ? 'ohms ' : ''}${a} to ${b} ${asRead(value)}${isOhms ? '' : ' V'}`
}

/** A figure across the part that was looked at last, or whose leads were read last. */
function acrossLast(the: Sentence, value: string, unit: string): Said {
  const parts = [...partsOf(the.system, 'switch'), ...partsOf(the.system, 'coil')]
  const id = lastSeen(the.state, parts)
  const last = the.state.observations.at(-1)?.probe
  const read =
    last && 'a' in last
      ? parts.find(({ between }) => between.every((lead) => [last.a, last.b].some((point) => parsePoint(point).name === lead)))
      : undefined
  const part = read ?? parts.find((one) => one.id === id)
  if (!part || !/\d/.test(value) || the.state.bench.power === /ohm/.test(unit)) return null
  return `${the.state.bench.power ? '' : 'ohms '}${part.between[0]}-${part.between[1]} ${value}${the.state.bench.power ? ' V' : ''} at ${part.place}`
}

/** The letters that were read last, on their wires where one stands now. */
function onTheWires({ state, system }: Sentence, value: string): string | null {
  const last = state.observations.findLast(({ probe }) => probe.meter === 'ohms')?.probe
  if (state.bench.power || last?.meter !== 'ohms') return null
  const { place, lifted } = state.bench
  const names = [last.a, last.b].map((point) => parsePoint(point).name)
  const inHand = (cable: string) => names.map((name) => lifted.find((end) => end === conductorEnd(cable, name, place)))
  const cables = system.cables.filter(({ id }) => inHand(id).some((end) => end !== undefined))
  if (cables.length === 0) return `ohms ${names.map((name) => `${name}@${place}`).join(' to ')} ${asRead(value)}`
  const [ends, others] = cables.map(({ id }) => inHand(id)).filter((pair) => !pair.includes(undefined))
  return ends && !others ? `ohms ${ends.join(' to ')} ${asRead(value)}` : null
}

/** Volts that cannot be between the points read last: 26 on the line, 208 on the control side, or 208 from one leg to the metal. */
function isElsewhere(system: System, points: readonly Point[], volts: number): boolean {
  if (!(volts > 0)) return false
  const isOfLine = points.some((point) => lineNodes(system).has(point))
  if (!isOfLine) return volts >= NOT_24_V
  return volts < NOT_24_V || (volts > ONE_LEG_VOLTS && points.some((point) => parsePoint(point).name === CHASSIS))
}
/** The most that one leg reads to the metal on 120/240 V; a 277 V supply is typed with its unit. */
const ONE_LEG_VOLTS = 150

const SHORTED = 'shorted'

/** What the meter was said to show, as the grammar has it. */
const asRead = (value: string): string => (/^(?:ol|open)$/.test(value) ? 'OL' : value === SHORTED ? 'jumps between 0 and 1' : value)

/** A wire in the hand whose letter is that of a terminal, at the same place. */
const isWireOf = (end: Point, point: Point): boolean =>
  parsePoint(point).cable === null && parsePoint(end).place === parsePoint(point).place && parsePoint(end).name === parsePoint(point).name

/** Whether a wire hangs with all others of its cable: nobody picks it out of those without a word. */
function isWholeOff(end: Point, { bench }: JobState, system: System): boolean {
  const { cable, place } = parsePoint(end)
  const whole = cableById(system, cable ?? '')
  const side = whole?.between.indexOf(place) ?? -1
  const landed = whole?.conductors.filter(({ lands }) => lands[side] !== null) ?? []
  return landed.length > 1 && landed.every(({ id }) => bench.lifted.includes(conductorEnd(cable ?? '', id, place)))
}

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
    the.state.bench.call === 'off' ? the.asNote() : null,
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
    const part = lastSeen(the.state, partsOf(the.system, 'switch'))
    return part && `reset ${part}`
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
