import { wiresOf } from '@/src/core/quick-line/hands'
import { findCable } from '@/src/core/quick-line/names'
import { NUMBER, type Rule, rule } from '@/src/core/quick-line/rule'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { conductorEnd, terminalPoint } from '@/src/core/wiring/point'
import { commonNodes } from '@/src/core/wiring/supply'
import { cableById, placeById } from '@/src/core/wiring/system'

/**
 * Two wires of a cable against each other, or one against the metal, off at both ends: the hands' acts that are not done yet, and the
 * reading where one stands.
 */
function readApart(the: Sentence, named: string, wires: readonly string[], read: string, against?: string): string | null {
  const { system, state } = the
  const cable = cableById(system, findCable(system, named) ?? '')
  const here = cable?.between.find((place) => place === state.bench.place)
  const found = wiresOf(cable, wires)
  if (state.bench.power || !cable || !here || !found) return null
  const lifts = cable.between.flatMap((place, side) =>
    found.flatMap((wire) =>
      wire.lands[side] !== null && !state.bench.lifted.includes(conductorEnd(cable.id, wire.id, place))
        ? [`lift ${cable.id} ${wire.id} at ${place}`]
        : [],
    ),
  )
  const [a, b] = found.map((wire) => `lifted ${cable.id} ${wire.id}`)
  return [...lifts, `ohms ${a}-${against ?? b} ${read} at ${here}`].join('; ')
}

/** With the power off, no path from any hot wire of the strip to the metal. */
function everyToGround(the: Sentence): string | null {
  const { system, state } = the
  const place = placeById(system, state.bench.place)
  if (state.bench.power || !place?.metal) return null
  const common = commonNodes(system)
  const wired = place.terminals.filter(
    (terminal) =>
      !common.has(terminalPoint(terminal, place.id)) &&
      system.cables.some(({ between, conductors }) => conductors.some(({ lands }) => lands[between.indexOf(place.id)] === terminal)),
  )
  return wired.length === 0 ? null : wired.map((terminal) => `${terminal}-gnd OL`).join('; ')
}

/** Wires that are read by themselves, off at both ends, and all of them to the metal. */
export const apartRules: readonly Rule[] = [
  rule(
    `(\\S+?)(?:-cable)? (\\S+) (?:reads |is |measures )?(ol|open|${NUMBER})(?: ?ohms?)? to (ground|gnd|chassis|metal),?(?: with)? both ends (?:off|loose|up|disconnected|lifted|open)`,
    (the, cable, wire, read, ground) => readApart(the, cable, [wire], read === 'open' ? 'OL' : read, ground),
  ),
  rule(
    `(\\S+?)(?:-cable)? (\\S+) (?:to|and) (ground|gnd|chassis|metal|cabinet)(?: is| reads?| measures?)? (ol|open|${NUMBER})(?: ?ohms?)?,?(?: with)? both ends (?:off|loose|up|disconnected|lifted|open)`,
    (the, cable, wire, ground, read) => readApart(the, cable, [wire], read === 'open' ? 'OL' : read, ground),
  ),
  rule(
    '(?:lifted|lift|pulled|took off|disconnected|isolated) (\\S+) (\\S+)(?: off)?(?: at| on)? both ends,?(?: and)?(?: it| now| reads)*(?: to)? (ground|gnd|chassis|metal)(?: is| reads)? (\\S+)(?: ?ohms?)?',
    (the, cable, wire, ground, read) => readApart(the, cable, [wire], read === 'open' ? 'OL' : read, ground),
  ),
  rule(
    `(\\S+)(?: cable)? (\\S+) (?:to|and) (\\S+) (ol|open|${NUMBER})(?: ?ohms?)?,?(?: with)? both ends (?:off|disconnected|lifted|open|loose)`,
    (the, cable, one, other, read) => readApart(the, cable, [one, other], read === 'open' ? 'OL' : read),
  ),
  rule(
    '(\\S+) (?:to|and) (ground|gnd|chassis|metal|cabinet)(?: is| reads?)? (\\S+)(?: ?ohms?)?,?(?: with)? (\\S+) cable (?:off|disconnected|lifted|loose)(?: at)? both ends',
    (the, wire, ground, read, cable) => readApart(the, cable, [wire], read === 'open' ? 'OL' : read, ground),
  ),
  rule(
    '(?:nothing|no path|ol|open) to (?:ground|gnd|chassis|metal)(?: on| from) (?:any|every|all)(?: of)?(?: the)? (?:wires?|conductors?|terminals?)',
    (the) => everyToGround(the),
  ),
  rule(
    `(\\S+) (?:to|and) (\\S+)(?: (?:in|on))? (\\S+) cable(?: is| reads?)? (ol|open|${NUMBER})(?: ?ohms?)?,?(?: with)? (?:both ends|everything|all|wires) (?:off|disconnected|lifted|open)(?: (?:at )?both ends)?`,
    (the, one, other, cable, read) => readApart(the, cable, [one, other], read === 'open' ? 'OL' : read),
  ),
  rule(
    `(\\S+) cable (?:unhooked|off|disconnected|lifted|loose)(?: at| on)? both ends,? (\\S+) (?:to|and) (\\S+)(?: is| reads?)? (ol|open|${NUMBER})(?: ?ohms?)?`,
    (the, cable, one, other, read) =>
      /^(?:ground|gnd|chassis|metal)$/.test(other)
        ? readApart(the, cable, [one], read === 'open' ? 'OL' : read, other)
        : readApart(the, cable, [one, other], read === 'open' ? 'OL' : read),
  ),
  rule(
    '(?:every|each|all)(?: of)?(?: the)? (?:wires?|conductors?|terminals?|letters?) (?:to|and) (?:ground|gnd|chassis|metal|cabinet) (?:is |are |reads? )?(ol|open|clear|nothing)',
    (the) => everyToGround(the),
  ),
]
