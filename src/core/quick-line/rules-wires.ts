import { conductorsAt, swapped } from '@/src/core/quick-line/hands'
import { findCable } from '@/src/core/quick-line/names'
import { asks, NUMBER, type Rule, rule } from '@/src/core/quick-line/rule'
import { nothingCalls } from '@/src/core/quick-line/sense'
import { boardHere, leading, loadOf, type Sentence, statHere } from '@/src/core/quick-line/sentence'
import { SHOWS_CALL } from '@/src/core/readings/looks'
import { isOpenedWord } from '@/src/core/readings/switch-looks'
import { conductorEnd } from '@/src/core/wiring/point'
import { type Cable, callsOf, partById, partsOf, placeById } from '@/src/core/wiring/system'

/** One wire in the hand, a stage that does not come on, what a contact reads. */

const TOOK = '(?:took|take|lifted|lift|pulled|pull|unhooked|unhook|disconnected|disconnect|undid|unlanded)(?: off)?'
const NOT_ON =
  '(?:does not|doesnt|did not|didnt|wont|will not|never|not|isnt|is not)(?: run| running| runs| come on| comes on| came on| coming on| kick in| kicks in| start| starts| starting| work| works| working| pull in| pulls in| pulling in)'

/** A wire whose end here is taken off and kept from touching; what it was done for stays in words where it is off already. */
function parked(the: Sentence, words: string): string | null {
  const wire = the.conductor(words)
  if (wire === null) return null
  const { bench } = the.state
  const isOff = conductorsAt(the, words.split(' ').at(-1) ?? '').some((end) => bench.lifted.includes(end))
  return isOff ? the.asNote() : `lift ${wire}; ${the.asNote()}`
}

/** The cable and the conductor in it that are named, where there is one such. */
function endsOf({ system }: Sentence, words: string): readonly [Cable, string] | null {
  const said = words.split(' ')
  const letter = said.at(-1) ?? ''
  const named = said.length > 1 ? findCable(system, said[0]) : null
  const found = system.cables.flatMap((cable) => {
    const wire =
      named === null || cable.id === named
        ? cable.conductors.find(({ id, colour }) => id.toLowerCase() === letter || colour === letter)
        : undefined
    return wire ? [[cable, wire.id] as const] : []
  })
  return found.length === 1 ? found[0] : null
}

/** Each wire here that goes by the letter, whichever cable it is in. */
function everyOne(the: Sentence, letter: string): string | null {
  const ends = the.isLetter(letter) ? conductorsAt(the, letter).filter((end) => !the.state.bench.lifted.includes(end)) : []
  return ends.length > 1 ? ends.map((end) => `lift ${end}`).join('; ') : null
}

/** The second stage, where one call alone has one, or where the call that is on says which: the call, and what it does not bring on. */
function stageStill(the: Sentence): string | null {
  const { call } = the.state.bench
  const stages = callsOf(the.system).filter((one) => /^(?:cool|heat)-2$/.test(one))
  const stage = stages.length === 1 ? stages[0] : stages.find((one) => call === one || call === one.slice(0, -'-2'.length))
  if (stage === undefined) return null
  const compressor = stage === 'cool-2' ? loadOf(the, 'second compressor') : null
  const place = the.place(stage === 'cool-2' ? 'outdoor' : 'indoor')
  return compressor ? `call ${stage}; ${compressor} still` : place && `call ${stage}; ${place} not as called`
}

export const wireRules: readonly Rule[] = [
  rule(
    '(?:park|parked|cap|capped|cap off|capped off|tape off|taped off|wire ?nutted|nutted off)(?: off)? (?!to\\b)(.+?)(?: wire| conductor)?(?: off)?',
    (the, what) => parked(the, what),
  ),
  rule(`${TOOK} (?:both|all) (\\S+?)(?: wires?| conductors?|s)?(?: off)?`, everyOne),
  rule('(?:both|all) (\\S+?)(?: wires?| conductors?|s)? (?:(?:are|is|came) )?(?:off|lifted|unhooked|disconnected)', everyOne),
  rule(
    '(?:moved?|landed|put|switched|swapped)? ?(.+?)(?: is| goes| went)?(?: now| moved)? (?:to|on|onto) (\\S+) spare(?: wire| conductor)?(?:,? (?:(?:at|on) )?both ends)?',
    (the, what, spare) => swapped(the, what, spare),
  ),
  rule(
    '(?:use|used|using) (\\S+) spare (?:for|as|in place of|instead of) (\\S+)(?: (?:in |on |at )?(\\S+)(?: cable)?)?(?:,? (?:(?:at|on) )?both ends)?',
    (the, spare, letter, cable) => {
      const wire = the.conductor([cable, letter].filter(Boolean).join(' '))
      return cable ? leading('swap', wire && `${wire} to ${spare}`) : swapped(the, letter, spare)
    },
  ),
  // What is read of a contact, and what it means, in one.
  rule(
    `(.+?)(?: is| reads?| checks?| ohms)?,? (closed|open|shorted|good|made),? (?:at |reads? )?(ol|${NUMBER})(?: ?ohms?)?`,
    (the, what, how, read) => {
      const part = partById(the.system, the.part(what) ?? '')
      const isOpen = read === 'ol'
      if (the.state.bench.power || (part?.kind !== 'switch' && part?.kind !== 'coil')) return null
      if (part.kind === 'switch' && isOpen !== (how === 'open')) return null
      return `ohms across ${part.id} ${isOpen ? 'OL' : read}`
    },
  ),
  rule(`(?:stage (?:2|two)|second stage|2nd stage)(?: (?:cooling|heating|cool|heat|compressor))? ${NOT_ON}`, stageStill),
  rule(
    '(?:thermostat|stat|tstat|display|screen) (?:keeps |is )?(?:flickers?|flickering|flashes|flashing|reboots?|rebooting|restarts?|restarting|resets?|resetting|cycles|cycling|blinks out|drops out) (?:on|with|in|when) (?:calling )?(?:for )?(\\S+)(?: call| comes on| called)?',
    (the, said) => {
      const [seen, call] = [statHere(the, 'chatters'), the.call(said)]
      return seen && call && `call ${call}; ${seen}`
    },
  ),
  rule('(?:turned|turn|switched|switch|shut)(?: it)? off|(?:turn|shut|switch) it off', (the) =>
    placeById(the.system, the.state.bench.place)?.kind === 'thermostat' ? 'call off' : null,
  ),
  // What runs where one stands, on the call that is on.
  rule('(?:it |unit |all |both )?(?:is |are )?(?:runs?|running|works?|working)(?: fine| good| great| ok| normal| now| again)*', (the) => {
    const { place } = the.state.bench
    return nothingCalls(the) || placeById(the.system, place)?.kind === 'thermostat' ? null : `${place} as called`
  }),
  rule(
    '(?:furnace|burners?|gas heat|heater) (?:fires|fired|fires up|lights|lights off|lights up|lit|lit off|kicks on|comes on|came on|kicked on|starts)(?: up| fine| right up)?',
    (the) => {
      const { call, jumpers } = the.state.bench
      const isCalled = /^heat|^emergency/.test(call) || jumpers.some(({ a, b }) => [a, b].some((end) => /^W\d?@/.test(end)))
      const place = the.place('indoor')
      return isCalled && place ? `${place} as called` : null
    },
  ),
  rule(
    '(?:thermostat|stat|tstat|display|screen) (?:says|shows|reads|is set to|is on|set to|on)(?: set to)? (heat|cool)(?:ing)?(?: (?:on|to|at|mode|call))*(?: (?:on|to|at))? [4-9]\\d(?: degrees)?',
    (the, said) => {
      const [seen, call] = [statHere(the, SHOWS_CALL), the.call(said)]
      return seen && call && `call ${call}; ${seen}`
    },
  ),
  rule(
    '(?:aux(?:iliary)?(?: heat)?|strips?|emergency heat|em heat|backup(?: heat)?) only|(?:low ?voltage|24 ?v(?:olt)?) short(?: somewhere| in (?:the )?system| .*)?|(?:there is |have |got )?(?:a )?short somewhere(?: .*)?',
    (the) => the.asNote(),
  ),
  rule(`(?:unplugged|isolated|disconnected) (.+?)(?: coil)? (?:reads? |is |at )?(ol|open|${NUMBER})(?: ?ohms?)?`, (the, what, read) => {
    const part = partById(the.system, the.part(what) ?? '')
    if (the.state.bench.power || (part?.kind !== 'coil' && part?.kind !== 'switch')) return null
    return `${the.state.bench.unplugged.includes(part.id) ? '' : `unplug ${part.id}; `}ohms ${part.id} ${/^o/.test(read) ? 'OL' : read}`
  }),
  // A conductor by itself, from one of its ends to the other.
  rule(
    `(.+?) (?:wire |conductor )?(?:from )?(?:end to end|end-to-end)(?: is| reads?)? (ol|open|broken|good|continuity|${NUMBER})(?: ?ohms?)?`,
    (the, words, read) => {
      const [cable, name] = endsOf(the, words) ?? []
      if (!cable || !name || the.state.bench.power) return null
      const [one, other] = cable.between.map((place) => conductorEnd(cable.id, name, place))
      const ohms = /^(?:ol|open|broken)$/.test(read) ? 'OL' : /^\d|^\./.test(read) ? read : 'jumps between 0 and 2'
      return `${one}-${other} ${ohms}`
    },
  ),
  rule('(?:at|to|by|back at|back to|go to|going to|over at) unit', (the) => {
    const units = the.system.places.filter(({ kind }) => kind === 'indoor' || kind === 'outdoor' || kind === 'package')
    if (placeById(the.system, the.state.bench.place)?.kind !== 'thermostat') return null
    return units.length === 1 ? `walk ${units[0].id}` : { asks: `Which unit? Say ${units.map(({ id }) => `"walk ${id}"`).join(' or ')}.` }
  }),
  // What lifted a float was seen to.
  rule(
    '(?:cleaned|cleared|blew|snaked|unclogged|drained|flushed|emptied|vacuumed)(?: out)? (?:condensate |ac )?(?:drain|drain line|pan|drain pan|trap|line)(?: out)?',
    (the) => {
      const floats = partsOf(the.system, 'switch').filter(({ role }) => role === 'float')
      const wasUp = the.state.observations.some(
        ({ probe, answer }) =>
          probe.meter === 'look' &&
          floats.some(({ id }) => id === probe.at) &&
          typeof answer === 'object' &&
          'word' in answer &&
          isOpenedWord(answer.word),
      )
      return wasUp ? `repaired ${the.asNote().slice('note '.length)} at the ${floats[0].name}` : null
    },
  ),
  rule(
    '(?:contactor|board|thermostat|stat|valve|sequencer|relay|igniter|control) (?:is |looks )?(?:bad|junk|shot|toast|burnt|burned|burnt up|burned up|fried|cooked)',
    (the) => the.asNote(),
  ),
  rule(
    '(?:(?:pressure |vent |draft )?(?:hose|tube|tubing|port)|vent|flue|intake|inducer housing)(?: was| is)? (?:plugged|clogged|blocked|off|cracked|kinked|full of water|disconnected),? (?:and |so |i )*(?:cleaned|cleared|fixed|replaced|reconnected|blew|put|drained)(?: it| out| back| on)*',
    (the) => {
      const [draft] = partsOf(the.system, 'switch').filter(({ role }) => role === 'draft')
      return draft ? `repaired ${the.asNote().slice('note '.length)} at the ${draft.name}` : the.asNote()
    },
  ),
  rule('(?:(?:furnace|service|wall|emergency|unit|door) )?switch (?:is |was )?(?:on|ok|good|bad|burnt|shot)', (the) => the.asNote()),
  rule('no (?:status )?(?:lights?|leds?)', (the) => {
    const board = boardHere(the)
    return board ? `${board} dark` : the.asNote()
  }),
  rule('primary (?:to|and) secondary (?:are |is )?shorted(?: together)?', (the) => the.asNote()),
  asks(
    '(?:(?:outdoor|stat|outside|thermostat) )?[a-z]\\d? (?:to|and) (?:gnd|ground|chassis|metal|[a-z]\\d?)',
    'What did the meter read? Add it: "Y-gnd OL", or its ohms or volts.',
  ),
  // What is heard of what holds no contact stays in words.
  rule(
    '(?:board|transformer|xfmr|panel|control board)(?: is)? (?:buzz(?:es|ing)|hum(?:s|ming)|clicks|clicking)(?: .*)?|(?:buzz(?:es|ing)?|hum(?:s|ming)?|noise)(?: sound| noise)? (?:at|from|in|inside|coming from|by) (?:board|transformer|xfmr|panel|control board)',
    (the) => the.asNote(),
  ),
  rule('(?:house |room )?lights? (?:flickers?|dims?|dimmed|flickered)(?: .*)?', (the) => the.asNote()),
]
