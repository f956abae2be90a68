import { wiresOf } from '@/src/core/quick-line/hands'
import { findCable } from '@/src/core/quick-line/names'
import { NUMBER, type Rule, rule, type Said } from '@/src/core/quick-line/rule'
import { asOhms } from '@/src/core/quick-line/rules-apart'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { conductorEnd } from '@/src/core/wiring/point'
import { type Cable, cableById, placeById } from '@/src/core/wiring/system'

/** Wires that are read at one end, off their screws there: "R-W 0.3 at the stat with both wires off". */

const AT = '(?: (?:at|on|from|off|off of|in) (?:the )?([a-z][a-z ]*?))?'
const OFF = '(?:wires?|conductors?|leads?)(?: are| is)? (?:off|lifted|loose|disconnected|in hand|in the air)'
const PAIR = `(?:(?:zone|cable) (\\d) )?([a-z]\\d?)(?: to |[ -])([a-z]\\d?|ground|gnd|chassis|metal)`
const READ = `(ol|open|shorted|${NUMBER.slice(1, -1)})`

/** The cable of the wires that were read: that of the zone, or the one at the place that has them. */
function cableOf({ system }: Sentence, zone: string, wires: readonly string[], place: string): Cable | null {
  if (zone) return cableById(system, findCable(system, `stat-cable-${zone}`) ?? '') ?? null
  const [cable, another] = system.cables.filter((one) => one.between.includes(place) && wiresOf(one, wires) !== null)
  return cable && !another ? cable : null
}

/** Where it is: as it is said, at the zone panel for a zone whose place is not, else where one stands. */
function placeMeant(the: Sentence, zone: string, said: string): string | null {
  const { system, state } = the
  if (said) return zone && /stat|wall/.test(said) ? the.place(`zone ${zone} stat`) : the.place(said)
  const here = placeById(system, state.bench.place)
  const panel = system.places.find(({ kind }) => kind === 'zone-panel')
  return zone && here?.kind !== 'thermostat' ? (panel?.id ?? null) : state.bench.place
}

/** Two wires, or one and the metal, off at one end and read there; only with the power off, and null where two cables have such wires. */
function readLoose(the: Sentence, zone: string, one: string, other: string, read: string, said: string): Said {
  const { bench } = the.state
  const isToMetal = /^(?:ground|gnd|chassis|metal)$/.test(other)
  const wires = isToMetal ? [one] : [one, other]
  const place = placeMeant(the, zone, said)
  const cable = place === null ? null : cableOf(the, zone, wires, place)
  if (bench.power || place === null || !cable?.between.includes(place)) return null
  const endsOf = (some: Cable['conductors']) =>
    some.filter(({ lands }) => lands[cable.between.indexOf(place)] !== null).map(({ id }) => conductorEnd(cable.id, id, place))
  const ends = endsOf(wiresOf(cable, wires) ?? [])
  if (ends.length !== wires.length) return null
  // The wires of a zone are all of them.
  const off = zone && !the.says(/\bboth\b/i) ? endsOf(cable.conductors) : ends
  const lifts = off.filter((end) => !bench.lifted.includes(end)).map((end) => `lift ${end}`)
  return [...lifts, `ohms ${ends[0]}-${isToMetal ? 'gnd' : ends[1]} ${asOhms(read)} at ${place}`].join('; ')
}

/** Wires off at one end, before the reading or behind it. */
export const looseRules: readonly Rule[] = [
  rule(
    `${PAIR}${AT}(?: is| reads?)? ${READ}(?: ?ohms?)?${AT},? (?:with )?(?:the |both |its |those )*${OFF}${AT}`,
    (the, zone, one, other, first, read, second, third) => readLoose(the, zone, one, other, read, first || second || third),
  ),
  rule(
    `(?:with )?(?:the |both )*${OFF}${AT},? ${PAIR}${AT}(?: is| reads?)? ${READ}(?: ?ohms?)?${AT}`,
    (the, first, zone, one, other, second, read, third) => readLoose(the, zone, one, other, read, first || second || third),
  ),
  rule(
    `zone (\\d) ${OFF}${AT},? ([a-z])(?: to |[ -])([a-z]|ground|gnd|chassis|metal)(?: is| reads?)? ${READ}(?: ?ohms?)?`,
    (the, zone, where, one, other, read) => readLoose(the, zone, one, other, read, where),
  ),
]
