import { cableTowards } from '@/src/core/quick-line/meaning'
import { findCable } from '@/src/core/quick-line/names'
import type { Said } from '@/src/core/quick-line/rule'
import { leading, type Sentence } from '@/src/core/quick-line/sentence'
import { parseLook } from '@/src/core/readings/look-target'
import type { CableId, PlaceId } from '@/src/core/wiring/ids'
import { conductorEnd, isPoint, type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { type Cable, cableById, partById } from '@/src/core/wiring/system'

/** What comes off other than a wire: a jumper, a panel, a thermostat, the lead of a part. */
export function takenOff(the: Sentence, what: string): string | null {
  if (/^(jumper|jumper wire|jumper lead)( out)?$/.test(what)) return 'jumper out'
  if (/^(?:furnace |unit |blower |front )?(?:panel|door|cover|access panel)$/.test(what)) return `panel ${the.state.bench.place} off`
  if (/^(fuse)( out)?$/.test(what)) return 'fuse out'
  // The thermostat wires, where it does not hang, are its cable's.
  const ofStat = /^(thermostat|stat|tstat) (?:wires|leads)$/.exec(what)
  const cable = ofStat && cableTowards(the, ofStat[1])
  if (cable) return allOf(the, cable)
  return leading('unplug', pluggable(the, what.replace(/ (?:lead|leads|wires|spades)$/, '')))
}

/** A part that comes off its wires by hand. */
export function pluggable(the: Sentence, what: string): string | null {
  const part = partById(the.system, the.part(what) ?? '')
  return part && ['switch', 'coil', 'thermostat', 'board'].includes(part.kind) ? part.id : null
}

/** The panel that goes on: the only one that is off, else the one here. */
export function panelOff({ state: { bench } }: Sentence): PlaceId {
  const [off, another] = bench.panelsOff
  return off !== undefined && !another ? off : bench.place
}

export function putOn(the: Sentence, what: string): string | null {
  if (/^(panel|door|cover|access panel)$/.test(what)) return `panel ${panelOff(the)} on`
  const breaker = /^(?:in )?(?:(\d+) ?(?:a|amp|amps) )?(?:pocket |lamp |test )?breaker(?: in(?: slot)?)?$/.exec(what)
  if (breaker) return breaker[1] ? `breaker ${breaker[1]} in` : 'breaker in'
  const fuse = /^(?:in )?(?:new )?(?:(\d+) ?(?:a|amp|amps) )?(?:new )?fuse(?: in(?: slot)?)?$/.exec(what)
  if (fuse) return fuse[1] ? `fuse ${fuse[1]} in` : 'fuse in'
  return leading('plug', pluggable(the, what))
}

/** Every conductor of a cable that is landed where one stands, one after the other. */
export function allOf(the: Sentence, said: string): string | null {
  const { place } = the.state.bench
  const here = the.system.cables.filter(({ between }) => between.includes(place))
  const id = said === '' ? null : findCable(the.system, said)
  const [cable, another] = said === '' ? here : here.filter((one) => one.id === id)
  if (!cable || another) return null
  return liftEnds(the, cable, place)
}

/** The same at another place, where one cable alone comes. */
export function allAt(the: Sentence, place: PlaceId | null): string | null {
  const [cable, another] = the.system.cables.filter(({ between }) => place !== null && between.includes(place))
  return cable && !another && place !== null ? liftEnds(the, cable, place) : null
}

/** The same of every cable that comes there. */
export function everythingAt(the: Sentence, place: PlaceId | null): string | null {
  if (place === null) return null
  const cables = the.system.cables.filter(({ between }) => between.includes(place))
  return cables.flatMap((cable) => liftEnds(the, cable, place) ?? []).join('; ') || null
}

/** The ends here of every wire that lands on a screw of that letter, or is called by it, whichever cable it is in. */
export function conductorsAt({ system, state }: Sentence, letter: string): Point[] {
  const { place } = state.bench
  return system.cables
    .filter(({ between }) => between.includes(place))
    .flatMap(({ id, between, conductors }) =>
      conductors
        .filter(({ lands, colour }) => {
          const terminal = lands[between.indexOf(place)]
          return terminal !== null && (terminal.toLowerCase() === letter || colour === letter)
        })
        .map((conductor) => conductorEnd(id, conductor.id, place)),
    )
}

/** Wires of a cable by their letters or colors; null where one of them is not in it. */
export function wiresOf(cable: Pick<Cable, 'conductors'> | undefined, said: readonly string[]): Cable['conductors'] | null {
  const found = said.flatMap((wire) => cable?.conductors.find(({ id, colour }) => id.toLowerCase() === wire || colour === wire) ?? [])
  return found.length === said.length ? found : null
}

function liftEnds(the: Sentence, cable: Cable, place: PlaceId): string | null {
  const ends = cable.conductors
    .filter(({ lands }) => lands[cable.between.indexOf(place)] !== null)
    .map((conductor) => conductorEnd(cable.id, conductor.id, place))
    .filter((end) => !the.state.bench.lifted.includes(end))
  return ends.length === 0 ? null : ends.map((end) => `lift ${end}`).join('; ')
}

/** The end that the last look at landings found off its screw, or on a wrong one. */
export function foundOff({ state }: Sentence): Point | null {
  const look = state.observations.findLast(({ probe }) => probe.meter === 'look' && parseLook(probe.at).what === 'landings')
  const word = typeof look?.answer === 'object' && 'word' in look.answer ? look.answer.word : ''
  const [, end] = /^(?:off|wrong|swapped): (\S+)/.exec(word) ?? []
  return end !== undefined && isPoint(end) ? end : null
}

/**
 * What was taken off last goes back: a whole cable where all of it came off there, else the one wire, or the plug; "them" is all that is off of
 * that cable.
 */
export function landLast(the: Sentence, isSeveral: boolean): string | null {
  const { system, state } = the
  const { lifted, unplugged } = state.bench
  const last = lifted.at(-1)
  if (last === undefined && unplugged.length > 0) return `plug ${unplugged[unplugged.length - 1]}`
  // A wire that was found off its screw is put on it: that is the repair.
  if (last === undefined) return foundOff(the) === null ? null : the.asRepair()
  const { cable: id, place } = parsePoint(last)
  const cable = id === null ? undefined : cableById(system, id)
  const side = cable?.between.indexOf(place ?? '') ?? -1
  const ends = lifted.filter((end) => parsePoint(end).cable === id && parsePoint(end).place === place)
  const landed = cable?.conductors.filter(({ lands }) => side >= 0 && lands[side] !== null).length ?? 0
  const back = isSeveral || (landed > 1 && ends.length === landed) ? ends : [last]
  return back.map((end) => `land ${end}`).join('; ')
}

/** Both ends of the wire by that letter in the one cable between two places. */
export function endsBetween({ system }: Sentence, letter: string, places: readonly (string | null)[]): Point[] {
  const [cable, another] = system.cables.filter(
    ({ between, conductors }) =>
      between.every((place) => places.includes(place)) && conductors.some(({ id, lands }) => isIt(letter, id, ...lands)),
  )
  const wire = cable?.conductors.find(({ id, lands }) => isIt(letter, id, ...lands))
  return !cable || !wire || another ? [] : cable.between.map((place) => conductorEnd(cable.id, wire.id, place))
}

const isIt = (letter: string, ...names: readonly (string | null)[]): boolean => names.some((name) => name?.toLowerCase() === letter)

/** Every conductor of a cable that is lifted goes back on its screw. */
export function landAll(the: Sentence, said: string, at: string | null = null): string | null {
  const id = findCable(the.system, said)
  const ends = the.state.bench.lifted.filter((end) => parsePoint(end).cable === id && (at === null || parsePoint(end).place === at))
  return id === null || ends.length === 0 ? null : ends.map((end) => `land ${end}`).join('; ')
}

/**
 * A conductor whose work a spare takes over. Where more than one cable here has such a wire, it is that of the cable in which the named
 * color is spare.
 */
export function swapped(the: Sentence, what: string, spare: string): Said {
  const said = the.conductor(what)
  if (said === null) return null
  const named = spare.replace(/^spare /, '').replace(/(?: wire| spare)+$/, '')
  const hasWire = ({ conductors }: Cable) => wiresOf({ conductors }, [what]) !== null
  const hasSpare = ({ conductors }: Cable) =>
    conductors.some((one) => (named === '' || [one.id, one.colour].includes(named)) && one.lands.every((terminal) => terminal === null))
  const fitting = the.system.cables.filter((cable) => hasWire(cable) && hasSpare(cable))
  const here = the.system.cables.filter(({ between }) => between.includes(the.state.bench.place))
  const having = here.filter((cable) => fitting.includes(cable))
  // That color may be spare in a cable that does not come here at all.
  if (having.length === 0 && fitting.length > 0 && here.some(hasWire)) {
    const [{ id, name }] = fitting
    const swap = `swap ${id} ${what.toUpperCase()}${named && ` to ${named}`}`
    return { asks: `No cable here has ${named ? `a spare ${named}` : 'a spare'}. If it is in the ${name}, say "${swap}".` }
  }
  const along = having.length === 1 ? `${having[0].id} ` : ''
  return `swap ${along}${said}${named ? ` to ${named}` : ''}`
}

/** Two letters that are joined. */
export function joined(the: Sentence, what: string): string | null {
  const found = /^(\S+?)(?: ?(?:-|,|\/) ?| (?:to|and) | )(\S+)(?: (?:at|in|on) (.+))?$/.exec(what)
  if (!found || found[1] === found[2]) return null
  const place = found[3] === undefined ? null : the.place(found[3])
  if (found[3] !== undefined && place === null) return null
  return `jumper ${the.letter(found[1])} ${the.letter(found[2])}${place ? ` at ${place}` : ''}`
}

/** The two wires of the one pair that comes here, or of the cable that is meant: each where it is, in the hand or on its screw. */
export function pairHere({ state, system }: Sentence, meant: string | null): Point[] | null {
  const { place, lifted } = state.bench
  const [cable, another] = system.cables.filter(
    ({ id, between, conductors }) =>
      between.includes(place) && (meant === null || id === meant) && conductors.filter(({ lands }) => !lands.includes(null)).length === 2,
  )
  if (!cable || another) return null
  const side = cable.between.indexOf(place)
  const ends = cable.conductors.flatMap(({ id, lands }) => {
    const end = conductorEnd(cable.id, id, place)
    const screw = lands[side]
    return screw === null || screw === undefined ? [] : [lifted.includes(end) ? end : terminalPoint(screw, place)]
  })
  return ends.length === 2 ? ends : null
}

/** A wire that is off, the last one of that letter or of any, goes on a spare of its own cable. */
export function offOnSpare(the: Sentence, letter: string | null, spare: string): Said {
  const off = the.state.bench.lifted.findLast((end) => letter === null || parsePoint(end).name.toLowerCase() === letter)
  const { cable, name } = off === undefined ? { cable: null, name: '' } : parsePoint(off)
  return cable === null ? null : swapped(the, `${cable} ${letter ?? name.toLowerCase()}`, spare)
}

/** The cable of all that is off, else the one along whose wires was read last. */
export function cableInHand({ state }: Sentence): CableId | null {
  const [cable, another] = new Set(state.bench.lifted.map((end) => parsePoint(end).cable))
  const last = state.observations.at(-1)?.probe
  const along = last && 'a' in last ? parsePoint(last.a).cable : null
  return cable && !another ? cable : along
}
