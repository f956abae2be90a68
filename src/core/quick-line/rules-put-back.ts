import { allAt, landAll, landLast } from '@/src/core/quick-line/hands'
import { cableTowards } from '@/src/core/quick-line/meaning'
import { asks, type Rule, rule } from '@/src/core/quick-line/rule'
import { leading, loadOf, type Sentence } from '@/src/core/quick-line/sentence'
import type { CableId } from '@/src/core/wiring/ids'
import { conductorEnd, parsePoint } from '@/src/core/wiring/point'
import { callsOf, placeById } from '@/src/core/wiring/system'

/** What goes back where it came from, what came off as several, and what happened as the power came back. */

const HOW = '(?:it |breaker |fuse )?(trips|tripped|trips again|still trips|pops|blows|holds|held|holding|still holds|fine|ok)'
const after = (how: string): string => (how === '' ? '' : /trip|pop|blow/.test(how) ? '; trips' : '; holds')

/** All that is off goes back: wires, then plugs; where it was said of one cable, that. */
export function backOn({ state }: Sentence, cable: CableId | null): string | null {
  const { lifted, unplugged } = state.bench
  const ends = lifted.filter((end) => cable === null || parsePoint(end).cable === cable)
  const back = [...ends.map((end) => `land ${end}`), ...(cable === null ? unplugged.map((part) => `plug ${part}`) : [])]
  return back.length === 0 ? null : back.join('; ')
}

export const NOTHING_OFF = 'The record shows nothing lifted, unplugged or jumpered.'
const isOn = (cable: CableId) => ({
  asks: `The record has those wires on their terminals. Enter what was off first: "lift ${cable.replace(/-cable$/, '')} cable".`,
})

/** Parts of one name where one stands, or all there are of it: dampers, pressure switches. */
function severalOf({ system, state }: Sentence, plural: string): string[] {
  const one = plural.replace(/(?<=ch|x|s)es$|s$/, '').replaceAll(' ', '[ -]')
  const named = system.parts.filter(({ name, kind }) => ['coil', 'switch'].includes(kind) && new RegExp(`\\b${one}\\b`, 'i').test(name))
  const here = named.filter(({ place }) => place === state.bench.place)
  return (here.length > 1 ? here : named).map(({ id }) => id)
}

/** What is off of one cable where one stands. */
const isOffHere = ({ system, state }: Sentence, cable: CableId): boolean =>
  system.cables.some(({ id, between, conductors }) => {
    const { lifted, place } = state.bench
    return id === cable && between.includes(place) && conductors.some((wire) => lifted.includes(conductorEnd(id, wire.id, place)))
  })

export const putBackRules: readonly Rule[] = [
  rule(
    '(?:land|landed|reconnected|reconnect|put|hooked up|hook up)(?: back)? (\\S+) cable(?: back)?(?: on| up)?(?: (?:at|in|on) (.+))?|(\\S+) cable (?:is )?back on(?: (?:at|in) (.+))?',
    (the, one, at, other, there) => {
      const where = at || there
      const place = where ? the.place(where) : null
      if (where && place === null) return null
      const cable = cableTowards(the, one || other)
      return landAll(the, one || other, place) ?? (cable && isOn(cable))
    },
  ),
  rule(
    `(?:everything|all of it|all|(?:(?:all|both) )?(?:the )?(?:wires|conductors)) (?:is |are )?(?:back on|relanded|put back|landed)(?:,? (?:and )?${HOW})?`,
    (the, how) => {
      const back = backOn(the, null)
      return back ? `${back}${after(how)}` : the.says(/\bwires|conductors\b/i) ? { asks: NOTHING_OFF } : null
    },
  ),
  rule(
    `(.+?) (?:wires?|leads?|cable|conductors)(?: is| are)? (?:back on|relanded|back|landed again)(?:,? (?:and )?${HOW})?`,
    (the, whose, how) => {
      const cable = cableTowards(the, whose)
      if (cable === null) return null
      const back = isOffHere(the, cable) ? backOn(the, cable) : null
      return back
        ? `${back}${after(how)}`
        : { asks: 'The record has no wire of that cable off. Name the wire that went back on: "land outdoor Y".' }
    },
  ),
  // The wire that is off at both ends, where there is but one.
  rule(`(?:landed|put back|hooked up|reconnected|put|land) both ends(?: back)?(?: on| up)?(?:,? (?:and )?${HOW})?`, (the, how) => {
    const { lifted } = the.state.bench
    const wires = new Set(lifted.map((end) => `${parsePoint(end).cable}.${parsePoint(end).name}`))
    return lifted.length > 0 && wires.size === 1 ? `${lifted.map((end) => `land ${end}`).join('; ')}${after(how)}` : null
  }),
  // What came back is the power, where that is off; else what was taken off last.
  rule(`back on,? (?:and )?${HOW}`, (the, how) => {
    const back = the.state.bench.power ? landLast(the, false) : 'power on'
    return back ? `${back}${after(how)}` : after(how).slice(2)
  }),
  rule(
    '(?:both |all (?:the )?)?([a-z -]+s) (?:are |all )?(unplugged|disconnected|plugged in|plugged back in|back on)',
    (the, plural, how) => {
      const parts = severalOf(the, plural)
      const does = /^(?:un|dis)/.test(how) ? 'unplug' : 'plug'
      const meant = parts.filter((part) => the.state.bench.unplugged.includes(part) === (does === 'plug'))
      return parts.length < 2 || meant.length === 0 ? null : meant.map((part) => `${does} ${part}`).join('; ')
    },
  ),
  rule(
    '(?:fuse|breaker|it|(?:\\d+ ?(?:a|amps?))(?: fuse| breaker)?) (?:trips|tripped|pops|popped|blows|blew|went|goes)(?: right)? (?:as soon as|when|once|second|moment|minute|instant) (?:i |we )?(?:hit|hits|flip|flipped|threw|throw|turned on|turn on|close|closed|power up|powered up|restored|put back)(?: (?:switch|power|breaker|disconnect|it))?(?: on| back on)?',
    (the) => (the.state.bench.call === 'off' ? `${the.state.bench.power ? '' : 'power on; '}trips` : null),
  ),
  // The wires that go to a unit, put back on their screws here.
  rule(
    '(?:(?:hooked|connected|reconnected|hook|connect|reconnect|wired)(?: back)? up (.+?)(?: again| back)*|(?:hooked|connected|wired|put|hook) (.+?) back(?: up| on| in)?|(?:reconnected|reconnect) (.+?)(?: again)?)',
    (the, one, other, third) => {
      const said = one || other || third
      const cable = /wires?|cable|pair/.test(said) ? null : cableTowards(the, said)
      if (cable === null) return null
      const ends = the.state.bench.lifted.filter((end) => parsePoint(end).cable === cable)
      return ends.length > 0 ? ends.map((end) => `land ${end}`).join('; ') : isOn(cable)
    },
  ),
  // "Back on" with the power off and nothing lifted is the power.
  rule(
    '(?:it is |its |(?:turned|switched|flipped|cut|put) (?:it |it all |everything |all of it )?|(?:it )?all |juice |juice is )?back on(?: now)?|juice(?: is)? on',
    (the) => {
      const { power, lifted, unplugged } = the.state.bench
      return !power && lifted.length + unplugged.length === 0 ? 'power on' : null
    },
  ),
  // What opened by its size, on the call that is on.
  rule('(?:\\d+ ?(?:a|amps?))(?: breaker| one)? (?:popped|pops|tripped|blew|blows|went|let go)(?: again| right away| instantly)?', (the) =>
    the.state.bench.call === 'off' ? null : 'trips',
  ),
  // What runs inside and not outside, on the call that is on; with none on, cooling is what both do.
  rule(
    '(.+?) (?:comes on|came on|runs|running|starts|kicks on|is on|is running),? (?:but |and )?(?:(?:outside|outdoors|outdoor unit|condenser|condensing unit|outside unit) (?:does |is |has )?(?:nothing|not|dead|does not|doesnt|wont|sits there)|nothing (?:outside|outdoors|out there))',
    (the, what) => {
      const [load, outside] = [loadOf(the, what), the.place('outdoor')]
      const { call } = the.state.bench
      if (load === null || outside === null || (call === 'off' && !callsOf(the.system).includes('cool'))) return null
      return `${call === 'off' ? 'call cool; ' : ''}${load} runs; ${outside} not as called`
    },
  ),
  rule('(?:ran|run) (r[ch]?) to ([a-z]\\d?)(?: (?:at|on|in) (?:board|strip|unit|(.+)))?', (the, hot, letter, where) => {
    const place = where ? the.place(where) : null
    if (!the.isLetter(letter) || (where && place === null)) return null
    return `jumper ${the.letter(hot)} ${the.letter(letter)}${place ? ` at ${place}` : ''}`
  }),
  // What hangs at a thermostat, as a whole.
  rule(
    '(?:all )?(?:wires|everything) (?:are |is )?(off|disconnected|back on|back)(?: (?:of|from|on|at))? (?:sub ?base|base|wall plate|plate|stat|thermostat)',
    (the, how) => {
      const { place, lifted } = the.state.bench
      if (placeById(the.system, place)?.kind !== 'thermostat') return null
      if (/^(?:off|dis)/.test(how)) return allAt(the, place)
      const ends = lifted.filter((end) => parsePoint(end).place === place)
      return ends.length > 0 ? ends.map((end) => `land ${end}`).join('; ') : leading('plug', the.state.bench.unplugged.at(-1) ?? null)
    },
  ),
  rule(
    '(?:furnace |air handler |unit )?switch (?:is )?off,? (?:and )?disconnect (?:is )?(?:pulled|off|out),? (?:and )?(?:checked|verified|tested|proved|proven)(?: it)?(?: dead)?',
    (the) => (the.state.bench.power ? 'power off' : the.asNote()),
  ),
  asks(
    '(?:water in pan,? )?(?:safety|pan switch|wet switch|overflow(?: switch)?|drain switch|safety switch) (?:is |has )?(?:tripped|open|opened|made|up)',
    'Which safety? Name it and say how it reads or looks: "float up", "limit open".',
  ),
  asks(
    '(?:there is |we have )?no (?:c|common) wire (?:here|up here|at (?:the )?(?:stat|thermostat|tstat))',
    'Is there no wire on C here, or does C read 0 V? Say "note no C wire", or "R-C 0".',
  ),
]
