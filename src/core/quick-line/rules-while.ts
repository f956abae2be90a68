import { letterOfColour } from '@/src/core/quick-line/colours'
import { allOf, landAll, wiresOf } from '@/src/core/quick-line/hands'
import { cableTowards } from '@/src/core/quick-line/meaning'
import { asks, NUMBER, type Rule, rule } from '@/src/core/quick-line/rule'
import { coilMeant, leading, loadOf, type Sentence, worded } from '@/src/core/quick-line/sentence'
import { conductorEnd } from '@/src/core/wiring/point'
import { cableById, partById, partsOf, placeById } from '@/src/core/wiring/system'

/** What is read or seen while something else is so: with a wire off, a part by itself, on a call that the words imply. */

const GROUND = '(?:ground|gnd|chassis|metal|cabinet|frame)'
const OUT = '(?:off|lifted|disconnected|pulled|unhooked|loose)'

const kindHere = ({ system, state }: Sentence) => placeById(system, state.bench.place)?.kind

/** A coil or switch by itself: unplugged, if it is not, and read across its own pins. */
function byItself(the: Sentence, what: string, read: string): string | null {
  const id = /^(?:coil|it)$/.test(what) ? coilMeant(the) : (the.part(what.replace(/ coil$/, '')) ?? the.part(what))
  const part = partById(the.system, id ?? '')
  if (the.state.bench.power || !part || (part.kind !== 'coil' && part.kind !== 'switch')) return null
  const isOff = the.state.bench.unplugged.includes(part.id)
  return `${isOff ? '' : `unplug ${part.id}; `}ohms ${part.id} ${read === 'open' ? 'OL' : read}`
}

export const whileRules: readonly Rule[] = [
  rule(
    `(.+?) (?:by itself|alone|isolated|on its own|out of circuit|off its leads|with (?:its )?leads off)(?: is| reads?| reading| measures?| ohms(?: out)?)*(?: at)? (ol|open|${NUMBER})(?: ?ohms?)?`,
    (the, what, read) => byItself(the, what, read),
  ),
  rule(`([a-z]\\d?) (?:is )?(?:hot|live|energized|has voltage) (?:to|against) ${GROUND}`, (the, letter) =>
    the.state.bench.power && the.isLetter(letter) ? `${the.letter(letter)}-gnd jumps between 20 and 28 V` : null,
  ),
  // A wire that still reads to the metal, or no longer does, once a cable is off here.
  rule(
    `([a-z]\\d?) (?:is )?(still (?:grounded|shorted|shorts|to ${GROUND})|clears?|cleared|clear|is clear|goes open|opens up|reads open)(?: to ${GROUND})? (?:with|when|once|after) (?:the )?(.+?)(?: wires?| cable| leads?)? (?:is |are )?${OUT}`,
    (the, letter, how, whose) => {
      const cable = cableTowards(the, whose)
      if (the.state.bench.power || !the.isLetter(letter) || cable === null || kindHere(the) === 'thermostat') return null
      const off = allOf(the, cable)
      return `${off ? `${off}; ` : ''}${the.letter(letter)}-gnd ${/still/.test(how) ? 'jumps between 0 and 1' : 'OL'}`
    },
  ),
  rule(
    `(?:it |24 |voltage |transformer |secondary )?(?:drops?|dropped|sags?|sagged|falls?|fell|dips?|dipped|pulls? down) to ${NUMBER}(?: ?v| volts)?,? (?:with|when|as|once) (?:the )?(?:contactor|compressor|condenser) (?:is )?(?:in|pulls? in|pulled in|comes in|on|comes on|called|running|runs)`,
    (the, volts) => {
      const read = the.state.bench.power ? the.voltsAt('r', volts) : null
      const contactor = the.part('contactor')
      return read && `${the.state.bench.call === 'off' ? 'call cool; ' : ''}${read}${contactor ? `; ${contactor} in` : ''}`
    },
  ),
  // Who stands before a contactor that buzzes means it.
  rule('(?:is |thing )?(?:buzzing|humming|chattering|buzzes|hums|chatters) (?:out here|outside|outdoors)', (the) => {
    const contactors = partsOf(the.system, 'coil').filter(({ role, place }) => role === 'contactor' && place === the.state.bench.place)
    return contactors.length === 1 ? worded(contactors[0].id, 'chatters') : null
  }),
  rule('(?:new|other|replacement) (.+?) (pulls? in|pulled in|works|is in)', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part?.kind === 'coil' ? `${part.id} in` : null
  }),
  rule('(?:emergency heat|aux|auxiliary heat|second stage|heat call|heat) brings? (?:the )?(.+?) on', (the, what) => {
    const load = loadOf(the, what)
    const call = the.call('emergency heat') ?? the.call('heat')
    return load && call && `call ${call}; ${load} runs`
  }),
  rule(
    '(?:strips?|blower|indoor fan|compressor|condenser|outdoor unit|furnace|burners?) (?:stays?|stay|is|are|keeps?) (?:on|running|going) (?:all (?:the )?time|constantly|non ?-?stop|all day|all night)',
    (the) => the.asComplaint(),
  ),
  rule(
    '(?:turned|turn|cranked|ran|dialed|set)(?: the)?(?: (?:stat|thermostat|tstat|it))? (down|up)(?: (?:to|all the way to))? [4-9]\\d(?: degrees)?',
    (the, way) => leading('call', the.call(way === 'down' ? 'cool' : 'heat')),
  ),
  rule('(?:switched|turned|set)(?: it)? (?:to )?off', (the) => (kindHere(the) === 'thermostat' ? 'call off' : null)),
  rule('(?:untwisted|unjumped|unjumpered|separated|took apart) (\\S+) (?:and|from|to) (\\S+)', (the, one, other) =>
    the.isLetter(one) && the.isLetter(other) ? `jumper out ${the.letter(one)} ${the.letter(other)}` : null,
  ),
  rule(
    '(\\w+)(?: wire)? (?:is |was )?not (?:landed|connected|hooked up|under (?:its |the )?screw)(?: (?:on|to|at) ([a-z]\\d?))?',
    (the, wire, screw) => {
      const letter = the.isLetter(wire) ? the.letter(wire) : letterOfColour(the, wire)
      return letter === null || (screw && the.letter(screw) !== letter) ? null : `landings ${letter} off`
    },
  ),
  rule(`bare (?:wire|copper|\\w+)(?: wire)? (?:is )?(?:against|touching|on) ${GROUND}`, (the) => `rubbed ${the.state.bench.place}`),
  rule('power (?:is |was )?(?:killed|cut|shut off|turned off)(?:,? (?:and )?(?:verified|checked|proved|tested)(?: dead| off)?)?', (the) =>
    the.state.bench.power ? 'power off' : the.asNote(),
  ),
  rule('no (?:ac|cooling|cool|heat|heating) (?:upstairs|downstairs|at all|in (?:the )?\\w+),? .+ (?:is )?(?:fine|ok|works|good)', (the) =>
    the.asComplaint(),
  ),
  asks(
    '(?:put|spliced|wired|stuck)(?: an?)? (?:inline|in-line|in line) fuse(?: holder)? (?:in|on|into) (?:r|red|hot|the hot leg)(?: leg| wire)?',
    'Of how many amps? Say "fuse 3 in" or "fuse 5 in".',
  ),
  // Two wires by the cable that they go along.
  rule(
    '(?:lifted|lift|pulled|took off|disconnected|unhooked) (\\S+)(?:,? and|,|) (\\S+)(?: wires?)? (?:going|that go|that goes|headed|running) (?:out )?(?:to )?(.+)',
    (the, one, other, towards) => {
      const cable = cableById(the.system, cableTowards(the, towards) ?? '')
      if (!cable?.between.includes(the.state.bench.place)) return null
      const wires = wiresOf(cable, [one, other])
      if (wires) return wires.map(({ id }) => `lift ${conductorEnd(cable.id, id, the.state.bench.place)}`).join('; ')
      const has = cable.conductors.flatMap(({ id, colour, lands }) => (lands.some(Boolean) ? [`${id} (${colour})`] : []))
      return { asks: `In the record the ${cable.name} has ${has.join(', ')}. Say which of them came off.` }
    },
  ),
  rule('(?:relanded|put back|landed)(?: all)? (?:the )?(.+?) (?:wires|conductors)', (the, whose) =>
    landAll(the, cableTowards(the, whose) ?? whose),
  ),
]
