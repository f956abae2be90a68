import { conductorsAt, swapped, wiresOf } from '@/src/core/quick-line/hands'
import { cableTowards } from '@/src/core/quick-line/meaning'
import { findCable } from '@/src/core/quick-line/names'
import { asks, NUMBER, type Rule, rule, type Said } from '@/src/core/quick-line/rule'
import { leading, type Sentence } from '@/src/core/quick-line/sentence'
import { lineSide } from '@/src/core/quick-line/volts'
import { conductorEnd } from '@/src/core/wiring/point'
import { type Cable, cableById, partById, placeById } from '@/src/core/wiring/system'

/** One wire in the hand, or one part: taken off, kept off, put on a spare, read by itself. */

const TOOK = '(?:took|take|lifted|lift|pulled|pull|unhooked|unhook|disconnected|disconnect|undid|unlanded)(?: off)?'

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

/** What is asked of a wire from one end to the other that is in more cables than one. */
function whichCable({ system }: Sentence, words: string): Said {
  const letter = words.split(' ').at(-1) ?? ''
  const cables = system.cables.filter(({ conductors }) =>
    conductors.some(({ id, colour }) => id.toLowerCase() === letter || colour === letter),
  )
  return cables.length < 2
    ? null
    : { asks: `In which cable? Say ${cables.map(({ id }) => `"${id} ${letter.toUpperCase()} end to end ..."`).join(' or ')}.` }
}

/** A conductor by itself, read from one of its ends to the other. */
function endToEnd(the: Sentence, words: string, read: string): Said {
  const [cable, name] = endsOf(the, words) ?? []
  if (!cable || !name) return whichCable(the, words)
  if (the.state.bench.power) return null
  const [one, other] = cable.between.map((place) => conductorEnd(cable.id, name, place))
  const ohms = /^(?:ol|open|broken)$/.test(read) ? 'OL' : /^\d|^\./.test(read) ? read : 'jumps between 0 and 2'
  return `${one}-${other} ${ohms}`
}

/** Each wire here that goes by the letter, whichever cable it is in. */
function everyOne(the: Sentence, letter: string): string | null {
  const ends = the.isLetter(letter) ? conductorsAt(the, letter).filter((end) => !the.state.bench.lifted.includes(end)) : []
  return ends.length > 1 ? ends.map((end) => `lift ${end}`).join('; ') : null
}

export const wireRules: readonly Rule[] = [
  rule(
    '(?:park|parked|cap|capped|cap off|capped off|tape off|taped off|wire ?nutted|nutted off)(?: off)? (?!to\\b)(.+?)(?: wire| conductor)?(?: off)?',
    (the, what) => parked(the, what),
  ),
  rule('(.+?) (?:is |was )?(?:capped(?: off)?|(?:wire ?)?nutted off|taped off)', (the, what) => parked(the, what)),
  // Which way it goes says which cable it is in, and not where one stands.
  rule(
    `${TOOK} (\\S+?)(?: wire)? (?:to|going to|for) (?:the )?(outdoor|outside|outdoors|condenser|heat pump|stat|thermostat)|(\\S+?)(?: wire)? (?:to|going to) (?:the )?(outdoor|outside|outdoors|condenser|heat pump|stat|thermostat) (?:is )?(?:off|lifted|disconnected)`,
    (the, one, towards, other, where) => {
      const cable = cableById(the.system, cableTowards(the, towards || where) ?? '')
      const [wire] = wiresOf(cable ?? undefined, [one || other]) ?? []
      const { place } = the.state.bench
      return cable && wire && cable.between.includes(place) && the.place(towards || where) !== place
        ? `lift ${conductorEnd(cable.id, wire.id, place)}`
        : null
    },
  ),
  rule(`${TOOK} (?:both|all) (\\S+?)(?: wires?| conductors?|s)?(?: off)?`, everyOne),
  rule('(?:both|all) (\\S+?)(?: wires?| conductors?|s)? (?:(?:are|is|came) )?(?:off|lifted|unhooked|disconnected)', everyOne),
  rule(
    '(?:moved?|landed|put|switched|swapped)? ?(.+?)(?: is| goes| went)?(?: now| moved)? (?:to|on|onto) (\\S+) spare(?: wire| conductor)?(?:,? (?:(?:at|on) )?both ends)?',
    (the, what, spare) => swapped(the, what, spare),
  ),
  rule(
    '((?:outdoor|stat|thermostat|outside) \\S+?)(?: wire)?(?: is| was)?(?: now)?(?: moved| swapped| switched)? to (\\S+)|(\\S+) is now ((?:outdoor|stat|thermostat|outside) \\S+)',
    (the, what, spare, colour, wire) => {
      const named = spare || colour
      const isSpare = the.system.cables.some(({ conductors }) =>
        conductors.some(({ colour: one, lands }) => one === named && lands.every((land) => land === null)),
      )
      return isSpare ? swapped(the, what || wire, named) : null
    },
  ),
  rule(
    '(?:use|used|using) (\\S+) spare (?:for|as|in place of|instead of) (\\S+)(?: (?:in |on |at |of )?(zone \\d|\\S+)(?: (?:stat )?cable)?)?(?:,? (?:(?:at|on) )?both ends)?',
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
  rule(`(?:unplugged|isolated|disconnected) (.+?)(?: coil)? (?:reads? |is |at )?(ol|open|${NUMBER})(?: ?ohms?)?`, (the, what, read) => {
    const part = partById(the.system, the.part(what) ?? '')
    if (the.state.bench.power || (part?.kind !== 'coil' && part?.kind !== 'switch')) return null
    return `${the.state.bench.unplugged.includes(part.id) ? '' : `unplug ${part.id}; `}ohms ${part.id} ${/^o/.test(read) ? 'OL' : read}`
  }),
  // A conductor by itself, from one of its ends to the other.
  rule(
    `(.+?) (?:wire |conductor )?(?:from )?(?:end to end|end-to-end)(?: is| reads?)? (ol|open|broken|good|continuity|${NUMBER})(?: ?ohms?)?`,
    endToEnd,
  ),
  rule('(.+?) (?:wire |conductor )?(?:is )?(ol|open|broken|good) (?:from )?(?:end to end|end-to-end)', endToEnd),
  rule('no continuity (?:on|in|through|across) (.+?) (?:wire |conductor )?(?:end to end|end-to-end)', (the, words) =>
    endToEnd(the, words, 'ol'),
  ),
  rule('(?:at|to|by|back at|back to|go to|going to|over at) unit', (the) => {
    const units = the.system.places.filter(({ kind }) => kind === 'indoor' || kind === 'outdoor' || kind === 'package')
    if (placeById(the.system, the.state.bench.place)?.kind !== 'thermostat') return null
    return units.length === 1 ? `walk ${units[0].id}` : { asks: `Which unit? Say ${units.map(({ id }) => `"walk ${id}"`).join(' or ')}.` }
  }),
  rule(
    `(?:after|past|behind|beyond) (?:service |furnace |unit )?(?:switch|disconnect|breaker)(?: is| reads?)? ${NUMBER}(?: ?v| volts?)?`,
    (the, volts) => (the.state.bench.power ? lineSide(the, volts) : null),
  ),
  rule(
    // What is shorted without a jumper was found so.
    '(?:(?:hooked|clipped|touched) ([a-z]\\d?) (?:to|and) ([a-z]\\d?)|shorted ([a-z]\\d?) (?:to|and) ([a-z]\\d?) (?:with|by|using))(?: (?:with|by|using))?(?: (?:a )?(?:jumper|wire|clip))?',
    (the, a, b, c, d) => {
      const [one, other] = [a || c, b || d]
      return the.isLetter(one) && the.isLetter(other) ? `jumper ${the.letter(one)} ${the.letter(other)}` : null
    },
  ),
  asks(
    '(?:(?:outdoor|stat|outside|thermostat) )?[a-z]\\d? to (?:gnd|ground|chassis|metal|[a-z]\\d?)',
    'What did the meter read? Add it: "Y-gnd OL", or its ohms or volts.',
  ),
]
