import { isResettable } from '@/src/core/bench/apply'
import { ignitionOf } from '@/src/core/quick-line/flame'
import { allOf } from '@/src/core/quick-line/hands'
import { NUMBER, type Rule, rule, VOLTS } from '@/src/core/quick-line/rule'
import { nothingDone } from '@/src/core/quick-line/sense'
import { leading, type Sentence } from '@/src/core/quick-line/sentence'
import { conductorEnd, type Point, parsePoint } from '@/src/core/wiring/point'
import { partById, partsOf, placeById } from '@/src/core/wiring/system'

/** One thing said of two places, of one place out of several, or of the one thing there is: both ends of a wire, the only switch, the panel's own pair. */

const OFF = '(?:off|loose|lifted|disconnected|unhooked|pulled)'
const TOOK = '(?:lift|lifted|took|take|pulled|pull|disconnect|disconnected|unhook|unhooked|unplug|unplugged|unlanded)'

/** Both ends of the wire by that letter in the one cable between two places. */
function endsBetween({ system }: Sentence, letter: string, places: readonly (string | null)[]): Point[] {
  const [cable, another] = system.cables.filter(
    ({ between, conductors }) =>
      between.every((place) => places.includes(place)) && conductors.some(({ id, lands }) => isIt(letter, id, ...lands)),
  )
  const wire = cable?.conductors.find(({ id, lands }) => isIt(letter, id, ...lands))
  return !cable || !wire || another ? [] : cable.between.map((place) => conductorEnd(cable.id, wire.id, place))
}

const isIt = (letter: string, ...names: readonly (string | null)[]): boolean => names.some((name) => name?.toLowerCase() === letter)

/** The branch breaker, where it is called so by its name alone: not one in the fuse slot, and not that of a condenser. */
function branchBreaker({ system, state }: Sentence, how: string): string | null {
  const [breaker, another] = partsOf(system, 'disconnect').filter(({ name }) => /breaker$/.test(name))
  const isOther = isResettable(system, state.bench) || placeById(system, state.bench.place)?.kind === 'outdoor'
  return !breaker || another || isOther || how === '' ? null : `power ${how}`
}

/** What is all of it where one switch feeds a whole unit. */
const onlySwitch = ({ system }: Sentence, how: 'off' | 'on'): string | null =>
  partsOf(system, 'disconnect').length === 1 ? `power ${how}` : null

const SWITCH = '(?:it|unit|system|rtu|rooftop|rooftop unit|package unit|disconnect|disco|breaker|power)'

export const whereRules: readonly Rule[] = [
  // Where a house has one breaker by that name, and none in the slot, that is the one.
  rule(
    '(?:(?:turned|switched|shut|killed|cut|flipped|threw|tripped) )?(?:(off|on) )?breaker(?: is)?(?: back)? ?(off|on)?(?: again)?',
    (the, before, after) => branchBreaker(the, before || after),
  ),
  rule('(?:turned|switched|shut|killed|cut|flipped)(?: off)? breaker', (the) => branchBreaker(the, 'off')),
  rule(
    `(?:turned|switched|shut|killed|cut|pulled)(?: off| down)? ${SWITCH}(?: off| down| out)?|(?:shut|turned) (?:off|down) ${SWITCH}|${SWITCH} (?:is |was )?(?:shut |turned )?(?:off|down|pulled)`,
    (the) => onlySwitch(the, 'off'),
  ),
  rule(`(?:turned|switched|powered) ${SWITCH} (?:back )?(?:on|up)|${SWITCH} (?:is )?(?:back )?on(?: again)?`, (the) =>
    onlySwitch(the, 'on'),
  ),
  // One wire, both ends, by the two places.
  rule(
    `(?:${TOOK}(?: off)? )?(\\w\\d?)(?: wire)?(?: is| ${OFF})* (?:at|on|from) (.+?) and (?:at |on |from )?(.+?)(?: ${OFF})?`,
    (the, letter, there, elsewhere) => {
      const ends = the.isLetter(letter) ? endsBetween(the, letter, [the.place(there), the.place(elsewhere)]) : []
      const on = ends.filter((end) => !the.state.bench.lifted.includes(end))
      return on.length === 0 || !the.says(OFF_SAID) ? null : on.map((end) => `lift ${end}`).join('; ')
    },
  ),
  rule('(\\w\\d?)(?: wire)?(?: is)? back on (?:at )?(.+?) and (?:at )?(.+?)', (the, letter, there, elsewhere) => {
    const board = (said: string) => partById(the.system, the.part(said) ?? '')?.place ?? the.place(said)
    const places = [there, elsewhere].map(board)
    const off = the.state.bench.lifted.filter(
      (end) => parsePoint(end).name.toLowerCase() === letter && (places.includes(parsePoint(end).place) || places.includes(null)),
    )
    return off.length === 0 ? null : off.map((end) => `land ${end}`).join('; ')
  }),
  // A wire off a board that is elsewhere comes off where that is.
  rule(
    `${TOOK}(?: off)? (\\w\\d?)(?: wire)? (?:off|from|at|on) (.+? board|.+? panel|contactor)(?: (?:terminal|strip))?|(\\w\\d?)(?: wire)? off (?:at |of |from )?(.+? board|.+? panel|board|contactor)`,
    (the, letter, what, other, board) => {
      const place = partById(the.system, the.part(what || board) ?? '')?.place ?? (board === 'board' ? the.state.bench.place : null)
      const wire = the.conductor(letter || other)
      return wire === null || place === null || (letter && place === the.state.bench.place) ? null : `lift ${wire} at ${place}`
    },
  ),
  rule('(.+?) (?:clicks|clicked|snaps|snapped) (off|out|on|in)', (the, what, how) => {
    const coil = partById(the.system, the.part(what) ?? '')
    return coil?.kind === 'coil' && coil.role !== 'damper' ? `${coil.id} ${/^o(?:ff|ut)/.test(how) ? 'out' : 'in'}` : null
  }),
  rule(`${TOOK}(?: off)? (?:both|all|all of)(?: of)? (?:stat|thermostat|zone) cables(?: off)?`, (the) => {
    const off = the.system.cables.flatMap(({ id }) => (/^stat-cable/.test(id) ? (allOf(the, id) ?? []) : []))
    return off.length === 0 ? null : off.join('; ')
  }),
  // A panel of zones is fed by a pair of its own.
  rule(
    `(?:panel |zone panel |board )?r (?:to|and) c (?:is |reads |at panel )*${NUMBER} ?${VOLTS}?(?: at (?:panel|zone panel))?`,
    (the, volts) => {
      const { place, power } = the.state.bench
      const panel = partsOf(the.system, 'board').find(
        (board) => board.place === place && placeById(the.system, place)?.kind === 'zone-panel',
      )
      const isScrew = placeById(the.system, place)?.terminals.includes('C')
      return panel && !isScrew && power ? `${panel.between[0]}-${panel.between[1]} ${volts} V` : null
    },
  ),
  rule(`(\\w\\d?) (?:dropped|drops|went|goes|fell|falls)(?: right| down)? to ${NUMBER} ?${VOLTS}?`, (the, letter, volts) =>
    the.state.bench.power && the.isLetter(letter) ? the.voltsAt(letter, volts) : null,
  ),
  rule('(?:run|try|running|trying) (?:it )?(?:in|on) (heat|cool|heating|cooling|fan)(?: mode)?', (the, said) =>
    leading('call', the.call(said)),
  ),
  rule('(?:it |burners? |flame )?lights(?: off| up)?', (the) =>
    ignitionOf(the.system) && /^heat/.test(the.state.bench.call) ? 'flame burns' : null,
  ),
  // Air, which has no 24 V and no line volts.
  rule('supply(?: air)?(?: temp(?:erature)?)?(?: is| at| of)? (\\d{2})(?: ?(?:f|degrees))?', (the) => the.asNote()),
  rule(
    'no zones? (?:cools?|heats?|cooling|heating|works?|working)(?: .*)?|none of zones .+|(?:both|all|all of) zones (?:are )?(?:dead|out|no|wont|not|dont)(?: .*)?',
    (the) => (nothingDone(the) ? the.asComplaint() : the.asNote()),
  ),
  // What is meant to be so, or is set so, was not seen to do anything.
  rule(
    '(?:it |valve |that )?should (?:be|have|not|only) .+|(?:thermostat|stat) (?:is )?(?:set|setup|set up|configured|wired) (?:for|as) .+',
    (the) => the.asNote(),
  ),
  rule('(?:no spares?(?: left)?,? so )?(?:i )?(?:pulled|ran)(?: in)? (?:new )?(?:cable|wire|stat wire)', (the) =>
    the.says(/new/i) ? the.asRepair() : null,
  ),
  rule('(?:replace|change|new) (.+?)(?: (?:motor|actuator))?', (the, what) => {
    const part = partById(the.system, the.part(what) ?? '')
    return part && part.kind !== 'fuse' && the.says(/^\s*(?:replace|change|new) /i) ? the.asRepair() : null
  }),
]

const OFF_SAID = new RegExp(`\\b(?:${OFF}|${TOOK})\\b`, 'i')
