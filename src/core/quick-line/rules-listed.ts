import { COLOUR } from '@/src/core/quick-line/colours'
import { pairHere } from '@/src/core/quick-line/hands'
import { NUMBER, type Rule, rule, VOLTS } from '@/src/core/quick-line/rule'
import { hotAgainst } from '@/src/core/quick-line/rules-supply'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { lineSide, windingVolts } from '@/src/core/quick-line/volts'
import { conductorEnd, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { houseCommon } from '@/src/core/wiring/supply'
import { firstPart, partById, partsOf } from '@/src/core/wiring/system'

/** Several readings in one breath: so many volts and then so many letters, on both sides of a fuse, of one leg to neutral and to ground. */

const NOTHING = '(?:nothing|none|0|zero|no volts|no voltage|no power|dead)'
// What stands between two of them has to be there: a long figure is parted in one way alone.
const ONE_NUMBER = String.raw`(?:\d+(?:\.\d+)?|\.\d+)(?: ?(?:v|volts?))?`
const SEVERAL_NUMBERS = `(${ONE_NUMBER}(?:(?:, ?| and | ?/ ?| )${ONE_NUMBER}){1,4})`
const SEVERAL_LETTERS = '([a-z]\\d?(?:(?:, ?| and | ?/ ?| )[a-z]\\d?){1,4})'

/** `24.8 24.6 24.9 on Y G R`: as many letters as readings, each against common. */
function eachOnItsLetter(the: Sentence, numbers: string, letters: string): string | null {
  const values = numbers.match(/\d*\.?\d+/g) ?? []
  const names = letters.match(/[a-z]\d?/g) ?? []
  if (!the.state.bench.power || values.length !== names.length || !names.every((name) => the.isLetter(name))) return null
  const readings = names.map((name, at) => the.voltsAt(name, values[at]))
  return readings.includes(null) ? null : readings.join('; ')
}

/** Volts ahead of the board's fuse, at the transformer, and behind it, where the strip is. */
function aroundFuse({ system, state }: Sentence, before: string, after: string): string | null {
  const { holds, place, between } = firstPart(system, 'fuse')
  const { secondary, place: at } = firstPart(system, 'transformer')
  if (!state.bench.power || holds === 'none' || Number(before) > 60 || partsOf(system, 'transformer').length > 1) return null
  const behind = /\d/.test(after) ? after : '0'
  return `${secondary[0]}-${secondary[1]} ${before} V at ${at}; ${between[1]}-${houseCommon(system)} ${behind} V at ${place}`
}

/** Two wires of one cable by their colors, on their screws or in the hand. */
function betweenColours({ system, state }: Sentence, one: string, other: string, value: string): string | null {
  const { place, lifted, power } = state.bench
  const having = system.cables.flatMap((cable) => {
    const wires = [one, other].map((colour) => cable.conductors.filter((wire) => wire.colour === colour))
    return cable.between.includes(place) && wires.every((some) => some.length === 1) ? [{ cable, wires: wires.flat() }] : []
  })
  if (having.length !== 1) return null
  const [{ cable, wires }] = having
  const side = cable.between.indexOf(place)
  const ends = wires.map(({ id, lands }) => {
    const end = conductorEnd(cable.id, id, place)
    return lifted.includes(end) || lands[side] === null ? end : terminalPoint(lands[side], place)
  })
  const read = /\d/.test(value) ? value : 'OL'
  return power ? (read === 'OL' ? null : `${ends.join(' to ')} ${read} V`) : `ohms ${ends.join(' to ')} ${read}`
}

/** Live volts across the two wires of the one pair that comes here, on their screws. */
function acrossPair(the: Sentence, volts: string): string | null {
  const ends = the.state.bench.power && Number(volts) <= 60 ? pairHere(the, null) : null
  return ends?.every((end) => parsePoint(end).cable === null) ? `${ends.join(' to ')} ${volts} V` : null
}

/** `24 inside, 16 outside`: what was read last, of the same letter, at both ends of its run. */
function atBothEnds(the: Sentence, inside: string, outside: string): string | null {
  const last = the.state.observations.at(-1)?.probe
  if (!the.state.bench.power || last?.meter !== 'volts') return null
  const [name] = [last.a, last.b].map((point) => parsePoint(point)).filter(({ cable, name: one }) => cable === null && the.isLetter(one))
  if (name === undefined) return null
  const readings = (['indoor', 'outdoor'] as const).map((kind, at) => {
    const place = the.system.places.find((one) => one.kind === kind)
    return place?.terminals.includes(name.name) ? `${name.name}-${houseCommon(the.system)} ${[inside, outside][at]} V at ${place.id}` : null
  })
  return readings.includes(null) ? null : readings.join('; ')
}

export const listedRules: readonly Rule[] = [
  rule(
    `${NUMBER} ?${VOLTS}? (?:inside|indoors|at (?:the )?(?:furnace|air handler|board)),? (?:and |but )?${NUMBER} ?${VOLTS}? (?:outside|outdoors|at (?:the )?(?:condenser|outdoor unit|heat pump))`,
    atBothEnds,
  ),
  rule(`${SEVERAL_NUMBERS} (?:on|at|across) ${SEVERAL_LETTERS}`, eachOnItsLetter),
  rule(
    `${NUMBER} ?${VOLTS}? (?:at|on|out of|leaving|from|off) (?:transformer|secondary|transformer secondary),? (?:and |but )?(?:(\\d*[.]?\\d+) ?${VOLTS}?|${NOTHING}) (?:after|past|behind|out of|downstream of|on other side of|leaving) (?:board )?fuse`,
    aroundFuse,
  ),
  rule(
    `${NUMBER} ?${VOLTS}? (?:before|ahead of|into|in to|on line side of|going into|upstream of) (?:board )?fuse,? (?:and |but )?(?:(\\d*[.]?\\d+) ?${VOLTS}?|${NOTHING}) (?:after|past|behind|out|coming out|on other side|downstream|leaving)(?: (?:of )?(?:it|fuse))?`,
    aroundFuse,
  ),
  rule(
    `(?:l|line|hot|leg) to (?:n|neutral) ${NUMBER} ?${VOLTS}?,? (?:and |but )?(?:l|line|hot|leg) to (?:ground|gnd) ${NUMBER} ?${VOLTS}?|${NUMBER} ?${VOLTS}? (?:l|line|hot|leg) to (?:n|neutral),? (?:and |but )?${NUMBER} ?${VOLTS}? (?:l|line|hot|leg) to (?:ground|gnd)`,
    (the, neutral, metal, neutralFirst, metalFirst) =>
      hotAgainst(the, ['neutral', neutral || neutralFirst], ['metal', metal || metalFirst]),
  ),
  rule(
    `${NUMBER} ?${VOLTS}? line(?: side| voltage)?,? (?:and |but )?${NUMBER} ?${VOLTS}? (?:control|secondary|low side|low voltage|24 side|on 24 side)`,
    (the, line, control) => {
      const [into, out] = [Number(line) > 60 ? lineSide(the, line) : null, the.voltsAt('transformer', control)]
      return into && out && `${into}; ${out}`
    },
  ),
  rule(
    '(?:all |it is |proved |tested |checked )?dead (?:at|on|across|between|from) ([a-z]\\d?) (?:and|to) ([a-z]\\d?)',
    (the, one, other) => (the.isLetter(one) && the.isLetter(other) ? `${the.letter(one)}-${the.letter(other)} 0 V` : null),
  ),
  // Two wires by their colors: those of the one cable here that has both.
  rule(
    `${NUMBER} ?${VOLTS}? (?:between|across|from) (${COLOUR}) (?:and|to) (${COLOUR})|(${COLOUR}) (?:to|and) (${COLOUR}) (?:is |reads? |has |have |shows? )*(\\d*[.]?\\d+|ol|open)(?: ?(?:v|volts?|ohms?))?`,
    (the, volts, a, b, one, other, value) => betweenColours(the, a || one, b || other, volts || value),
  ),
  rule(
    `(?:${NUMBER} ?${VOLTS}?|${NOTHING}) (?:coming in |coming |there )?(?:between|across|on|at) (?:the |both |these |those )*(?:two )?(?:low voltage )?wires(?: out here| here| outside| out there)?`,
    (the, volts) => acrossPair(the, volts || '0'),
  ),
  // One of several transformers by its name, both windings.
  rule(
    `(.+ transformer) secondary(?: is| has)? ${NUMBER} ?${VOLTS}?,? (?:and |but )?primary(?: is| has)? ${NUMBER} ?${VOLTS}?|(.+ transformer) primary(?: is| has)? ${NUMBER} ?${VOLTS}?,? (?:and |but )?secondary(?: is| has)? ${NUMBER} ?${VOLTS}?`,
    (the, one, out, into, other, intoFirst, outFirst) => {
      const part = partById(the.system, the.part(one || other) ?? '')
      return part?.kind === 'transformer' && the.state.bench.power
        ? `${windingVolts(part, 'primary', into || intoFirst)}; ${windingVolts(part, 'secondary', out || outFirst)}`
        : null
    },
  ),
  // The winding of a zone's damper, by its zone.
  rule(
    'zone (\\d) damper(?: motor| coil| winding)? (?:is |reads |ohms |at )*(\\d*[.]?\\d+|ol|open)(?: ?ohms?)?(?: out)?',
    (the, zone, value) => {
      const damper = partById(the.system, `damper-${zone}`)
      return damper?.kind === 'coil' && !the.state.bench.power ? `ohms across ${damper.id} ${/\d/.test(value) ? value : 'OL'}` : null
    },
  ),
]
