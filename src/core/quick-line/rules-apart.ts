import { wiresOf } from '@/src/core/quick-line/hands'
import { findCable } from '@/src/core/quick-line/names'
import { landedLast } from '@/src/core/quick-line/points'
import { asks, NUMBER, type Rule, rule, type Said } from '@/src/core/quick-line/rule'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { conductorEnd, parsePoint, terminalPoint } from '@/src/core/wiring/point'
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

/** Wires of one cable off, or on, at both ends: as many of those ends as are not so yet. Asked back where two cables have such wires. */
function atBothEnds(the: Sentence, does: 'lift' | 'land', said: string): Said {
  const { system, state } = the
  const words = said.split(/[ ,]+/).filter((word) => !/^(?:and|of|the|off|on|wires?|conductors?|cable|all|both|back)$/.test(word))
  const named = words.flatMap((word) => findCable(system, word) ?? [])
  const wires = words.filter((word) => findCable(system, word) === null)
  if (words.length === 0 || named.length > 1) return null
  const having = system.cables.filter(
    (cable) =>
      (named.length === 0 || cable.id === named[0]) &&
      wiresOf(cable, wires) !== null &&
      (named.length > 0 || cable.between.includes(state.bench.place)),
  )
  const handled =
    having.length > 1 && does === 'lift'
      ? landedLast(
          state,
          having.flatMap((cable) => (wiresOf(cable, wires) ?? []).map((wire) => conductorEnd(cable.id, wire.id, state.bench.place))),
        )
      : undefined
  // What goes back on is what is off.
  const [off, alsoOff] = does === 'land' ? having.filter(({ id }) => state.bench.lifted.some((end) => parsePoint(end).cable === id)) : []
  const meantCable = handled === undefined ? (alsoOff ? undefined : off) : having.find(({ id }) => id === parsePoint(handled).cable)
  if (having.length > 1 && !meantCable)
    return {
      asks: `Which cable? Say ${having.map(({ id }) => `"${does} ${id} ${wires.join(' and ')} at both ends"`).join(' or ')}.`,
    }
  const cable = meantCable ?? having[0]
  if (!cable) return null
  const meant = wires.length === 0 ? cable.conductors : (wiresOf(cable, wires) ?? [])
  // All of one end, and then of the other.
  const acts = cable.between.flatMap((place, side) =>
    meant.flatMap((wire) => {
      const end = conductorEnd(cable.id, wire.id, place)
      return wire.lands[side] !== null && state.bench.lifted.includes(end) === (does === 'land') ? [`${does} ${end}`] : []
    }),
  )
  return acts.length === 0 ? null : acts.join('; ')
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

/** Each wire in the hand here against each other one of its cable. Wires on their screws read through what hangs on them. */
function everyToEvery(the: Sentence): Said {
  const { system, state } = the
  const { place, power, lifted } = state.bench
  const off = lifted.filter((end) => parsePoint(end).place === place)
  const cables = system.cables.filter(({ id }) => off.filter((end) => parsePoint(end).cable === id).length > 1)
  if (power || cables.length !== 1)
    return { asks: 'Between which wires? Take them off and read each pair: "R-Y OL", or say "no short to ground on any wire".' }
  const ends = off.filter((end) => parsePoint(end).cable === cables[0].id)
  return ends.flatMap((end, at) => ends.slice(at + 1).map((other) => `ohms ${end}-${other} OL`)).join('; ')
}

/** What the meter showed, as the grammar has it. */
export const asOhms = (read: string): string => (read === 'open' ? 'OL' : read === 'shorted' ? 'jumps between 0 and 1' : read)

/** What the meter showed, as one word. */
const READ = `(ol|open|${NUMBER.slice(1, -1)})`

/** The screw of the one wire that is off here, as it was read without it. */
function onItsScrew(the: Sentence, to: string, read: string): string | null {
  const { bench } = the.state
  const off = bench.lifted.map(parsePoint).filter(({ place }) => place === bench.place)
  const [end, another] = off
  if (!end || another || bench.power) return null
  const cable = end.cable === null ? undefined : cableById(the.system, end.cable)
  const lands = cable?.conductors.find(({ id }) => id === end.name)?.lands[cable.between.indexOf(bench.place)]
  const other = /^(?:ground|gnd|chassis|metal)$/.test(to) ? 'gnd' : the.isLetter(to) ? the.letter(to) : null
  return lands && other ? `${lands}-${other} ${asOhms(read)}` : null
}

/** Wires that are read by themselves, off at both ends, and all of them to the metal. */
export const apartRules: readonly Rule[] = [
  rule(
    `(?:terminal|screw|(?:board|terminal|contactor|unit|condenser) side)(?: (?:to|and) (ground|gnd|chassis|metal|c))?(?: is| reads?)? ${READ}(?: ?ohms?)?(?: to (ground|gnd|chassis|metal|c))?`,
    (the, to, read, after) => (to || after ? onItsScrew(the, to || after, read) : null),
  ),
  rule(
    '(?:lifted|lift|lifting|pulled|pull|took|take|disconnected|disconnect|unhooked|isolated|isolate)(?: off)? (.+?)(?: off| loose)?,?(?: at| on)? both ends',
    (the, said) => atBothEnds(the, 'lift', said),
  ),
  // Of the one cable here that has such a wire.
  rule(
    `([a-z]\\d?)(?: wire)?(?: is| reads?)? (?:${READ}(?: ?ohms?)? to (?:ground|gnd|chassis|metal)|(?:to|and) (?:ground|gnd|chassis|metal)(?: is| reads?)? ${READ}(?: ?ohms?)?),?(?: with)? both ends (?:off|loose|up|disconnected|lifted|open)`,
    (the, wire, first, second) => {
      const [cable, another] = the.system.cables.filter(
        (one) => one.between.includes(the.state.bench.place) && wiresOf(one, [wire]) !== null,
      )
      const read = first || second
      return cable && !another ? readApart(the, cable.id, [wire], asOhms(read), 'gnd') : null
    },
  ),
  rule(
    `(\\w+)(?: to | and | ?- ?)(\\w+)(?: is| are| reads?)? (shorted|${READ.slice(1, -1)})(?: ?ohms?)?(?: together)?,?(?: with)? both ends (?:off|loose|up|disconnected|lifted|open)`,
    (the, one, other, read) => {
      const having = the.system.cables.filter(
        (cable) => cable.between.includes(the.state.bench.place) && wiresOf(cable, [one, other]) !== null,
      )
      if (having.length > 1)
        return { asks: `Which cable? Say ${having.map(({ id }) => `"lift ${id} ${one} and ${other} at both ends"`).join(' or ')}.` }
      return having[0] ? readApart(the, having[0].id, [one, other], asOhms(read)) : null
    },
  ),
  rule(
    `(\\S+?)(?:-cable)? (\\S+) (?:off|lifted|loose|up)(?: at| on)? both ends,? (?:and )?${READ}(?: ?ohms?)? to (ground|gnd|chassis|metal)`,
    (the, cable, wire, read, ground) => readApart(the, cable, [wire], asOhms(read), ground),
  ),
  rule(
    '(?:lifted|lift|pulled|pull|took|take|disconnected|disconnect|unhooked|isolated)(?: off)? both ends (?:of )?(.+?)(?: off| loose)?',
    (the, said) => atBothEnds(the, 'lift', said),
  ),
  // Here and at the other end of the cable that runs between the two.
  rule(
    '(?:lifted|lift|pulled|pull|took|take|disconnected|disconnect|unhooked)(?: off)? (.+?)(?: wire)?(?: off| loose)? here and (?:(?:at|out at|over at|up at|down at) )?(.+)',
    (the, what, where) => {
      const [here, there] = [the.state.bench.place, the.place(where)]
      if (there === null || there === here) return null
      // A wire that is said with its cable, or its zone, needs no looking for.
      if (/ /.test(what)) return atBothEnds(the, 'lift', what.replace(/^zone (\d) /, 'stat-cable-$1 '))
      const [cable, another] = the.system.cables.filter(
        (one) => [here, there].every((place) => one.between.includes(place)) && wiresOf(one, [what]) !== null,
      )
      return cable && !another ? atBothEnds(the, 'lift', `${cable.id} ${what}`) : null
    },
  ),
  // All of a cable off, and two of its wires against each other.
  rule(
    `(?:all )?(\\S+) (?:cable|wires|conductors)(?: is| are)? (?:off|lifted|loose|disconnected|isolated|unhooked)(?: at| on)? both ends,? (?:and )?(\\S+) (?:to|and) (\\S+)(?: is| reads?)? ${READ}(?: ?ohms?)?`,
    (the, whose, one, other, read) => {
      const [off, apart] = [atBothEnds(the, 'lift', whose), readApart(the, whose, [one, other], asOhms(read))]
      return typeof off === 'string' && apart ? `${off}; ${apart.split('; ').at(-1)}` : null
    },
  ),
  rule('(.+?) (?:is |are )?(?:off|lifted|loose|disconnected|isolated|up)(?: at| on)? both ends', (the, said) =>
    atBothEnds(the, 'lift', said),
  ),
  rule('(?:landed|land|put|hooked|reconnected|relanded)(?: back)? (.+?)(?: back| on| back on)?,?(?: at| on)? both ends', (the, said) =>
    atBothEnds(the, 'land', said),
  ),
  rule(
    `(\\S+?)(?:-cable)? (\\S+) (?:reads |is |measures )?${READ}(?: ?ohms?)? to (ground|gnd|chassis|metal),?(?: with)? both ends (?:off|loose|up|disconnected|lifted|open)`,
    (the, cable, wire, read, ground) => readApart(the, cable, [wire], asOhms(read), ground),
  ),
  rule(
    `(\\S+?)(?:-cable)? (\\S+) (?:to|and) (ground|gnd|chassis|metal|cabinet)(?: is| reads?| measures?)? ${READ}(?: ?ohms?)?,?(?: with)? both ends (?:off|loose|up|disconnected|lifted|open)`,
    (the, cable, wire, ground, read) => readApart(the, cable, [wire], asOhms(read), ground),
  ),
  rule(
    '(?:lifted|lift|pulled|took off|disconnected|isolated) (\\S+) (\\S+)(?: off)?(?: at| on)? both ends,?(?: and)?(?: it| now| reads)*(?: to)? (ground|gnd|chassis|metal)(?: is| reads)? (\\S+)(?: ?ohms?)?',
    (the, cable, wire, ground, read) => readApart(the, cable, [wire], asOhms(read), ground),
  ),
  // The same cable said twice.
  rule(
    `(\\S+)(?:-cable)? (\\S+) (?:to|and) (\\S+)(?:-cable)? (\\S+) (?:is |reads? )?${READ}(?: ?ohms?)?,?(?: with)? both ends (?:off|disconnected|lifted|open|loose|up)`,
    (the, cable, one, again, other, read) => (cable === again ? readApart(the, cable, [one, other], asOhms(read)) : null),
  ),
  rule(
    `(?:lifted|pulled|took|disconnected|isolated)(?: off)? (\\S+?)(?:-cable)? (\\S+)(?: off)?(?: at| on)? both ends,? (?:and |but )?(?:it |still |now |reads? )*${READ}(?: ?ohms?)? to (ground|gnd|chassis|metal)`,
    (the, cable, wire, read, ground) => readApart(the, cable, [wire], asOhms(read), ground),
  ),
  rule(
    `(\\S+)(?: cable)? (\\S+) (?:to|and) (\\S+) ${READ}(?: ?ohms?)?,?(?: with)? both ends (?:off|disconnected|lifted|open|loose)`,
    (the, cable, one, other, read) => readApart(the, cable, [one, other], asOhms(read)),
  ),
  rule(
    '(\\S+) (?:to|and) (ground|gnd|chassis|metal|cabinet)(?: is| reads?)? (\\S+)(?: ?ohms?)?,?(?: with)? (\\S+) cable (?:off|disconnected|lifted|loose)(?: at)? both ends',
    (the, wire, ground, read, cable) => readApart(the, cable, [wire], asOhms(read), ground),
  ),
  rule(
    '(?:nothing|no path|ol|open) to (?:ground|gnd|chassis|metal)(?: on| from) (?:any|every|all)(?: of)?(?: the)? (?:wires?|conductors?|terminals?)',
    everyToGround,
  ),
  rule(
    `(\\S+) (?:to|and) (\\S+)(?: (?:in|on))? (\\S+) cable(?: is| reads?)? ${READ}(?: ?ohms?)?,?(?: with)? (?:both ends|everything|all|wires) (?:off|disconnected|lifted|open)(?: (?:at )?both ends)?`,
    (the, one, other, cable, read) => readApart(the, cable, [one, other], asOhms(read)),
  ),
  rule(
    `(\\S+) cable (?:unhooked|off|disconnected|lifted|loose)(?: at| on)? both ends,? (\\S+) (?:to|and) (\\S+)(?: is| reads?)? ${READ}(?: ?ohms?)?`,
    (the, cable, one, other, read) =>
      /^(?:ground|gnd|chassis|metal)$/.test(other)
        ? readApart(the, cable, [one], asOhms(read), other)
        : readApart(the, cable, [one, other], asOhms(read)),
  ),
  rule(
    '(?:every|each|all)(?: of)?(?: the)?(?: \\w+)? (?:wires?|conductors?|colors?) (?:to|and|against) (?:(?:every|each|any)(?: other)?(?: wire| color| conductor| one)?s?|each other) (?:is |are |all |reads? )*(?:ol|open|clear)|no shorts? between (?:any|the|all|any of)(?: the)?(?: \\w+)? (?:wires|conductors|colors)',
    everyToEvery,
  ),
  // R would be on common then.
  asks(
    '(?:tie|tied|twist|twisted|join|joined|nut|nutted|jump|jumped|connect|connected|short|shorted) (?:all|everything|all of them|every wire)(?: of)?(?: the)?(?: \\w+)?(?: wires| conductors| colors)?(?: together)?(?: (?:at|in|on) .+)?',
    'Which of them? R is never joined to C, and a jumper is between two. Say each: "jumper R Y".',
  ),
  rule(
    '(?:every|each|all)(?: of)?(?: the)? (?:wires?|conductors?|terminals?|letters?) (?:to|and) (?:ground|gnd|chassis|metal|cabinet) (?:is |are |reads? )?(ol|open|clear|nothing)',
    everyToGround,
  ),
  rule(
    '(?:no|not any|none of them|nothing) (?:ground(?:s|ed)?|short(?:s|ed)? to (?:ground|gnd|metal|chassis))(?: (?:on|at) (?:any|every|all)(?: of)?(?: the)? (?:wires?|conductors?|terminals?|screws?|letters?))|nothing (?:is )?(?:grounded|shorted to (?:ground|gnd|metal|chassis))|all (?:wires|terminals) (?:are )?clear to (?:ground|gnd|metal|chassis)',
    everyToGround,
  ),
  // A splice that is opened takes all its wires off, and which they are no record of this house says.
  asks(
    '(?:opened|open|undid|undo|cut|separated|took apart|pulled apart)(?: up)? (?:splices?|wire ?nuts?|joints?)(?: .*)?|(?:it (?:holds|trips) )?with (?:splices?|wire ?nuts?|joints?) (?:open|opened|apart|undone|off)(?: .*)?',
    'Which wires came off, and where? Say each one: "lift outdoor Y outside". Then say what was read, or whether it holds.',
  ),
]
