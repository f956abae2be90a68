import { leadNames } from '@/src/core/bench/points'
import type { JobState } from '@/src/core/job/job-state'
import { findCable, findPart, findPlace, isGroundWord } from '@/src/core/quick-line/names'
import { Memo } from '@/src/core/units/cache'
import { callNames } from '@/src/core/wiring/call'
import { conductorEnd, parsePoint } from '@/src/core/wiring/point'
import { type Cable, callsOf, type Place, partById, partsOf, placeById, type System } from '@/src/core/wiring/system'

/** What the words of one sentence mean in a system. */
export class Sentence {
  constructor(
    readonly system: System,
    readonly state: JobState,
    /** The words as they were typed. */
    private readonly said = '',
  ) {}

  /** What is no entry of its own stays in the record as it was said. */
  asNote(): string {
    return `note ${this.said.trim()}`
  }

  place(words: string): string | null {
    const word = words.replace(/^(at|in|to|on|from|by|back|over|out|up|down)\s+/g, '').trim()
    const zone = /^(?:zone (\d)(?: stat| thermostat)?|(?:stat|thermostat) (\d))$/.exec(word)
    const ofZone = zone && partById(this.system, `thermostat-${zone[1] ?? zone[2]}`)
    if (ofZone) return ofZone.place
    const here = placeById(this.system, this.state.bench.place)
    if (word === 'unit' && here?.kind !== 'thermostat') return here?.id ?? null
    const side = /^(outdoor|outside|indoor|inside) (?:board|side|section|strip)$/.exec(word)
    const kind = placeKinds.find(({ says }) => says.test(side?.[1] ?? word))?.kind
    return findPlace(this.system, word) ?? this.system.places.find((place) => kind?.includes(place.kind))?.id ?? null
  }

  /** A part by its name or id, with or without what kind of thing it is. */
  part(words: string): string | null {
    const word = words.trim()
    const bare = (name: string) => name.replaceAll('-', ' ').replace(/ (switch|relay|motor|coil|sensor|pressure switch)$/, '')
    const known = findPart(this.system, word)
    if (known) return known
    if (/^(?:fan|blower|indoor fan) relay$/.test(word))
      return partsOf(this.system, 'coil').find(({ role }) => role === 'blower-relay')?.id ?? null
    const isFan = /^(outdoor fan|condenser fan|fan outside|fan outdoors|outside fan)$/.test(word)
    const loads = partsOf(this.system, 'load')
    if (isFan) return loads.find(({ name, place }) => /fan/.test(name) && placeById(this.system, place)?.kind !== 'indoor')?.id ?? null
    // Whoever stands at the outdoor unit means the fan there.
    if (word === 'fan' && placeById(this.system, this.state.bench.place)?.kind === 'outdoor') return null
    if (/^(blower motor|indoor fan|fan|blower)$/.test(word)) return loads.find(({ name, id }) => /blower/.test(name + id))?.id ?? null
    const named = this.system.parts.filter(({ id, name }) =>
      [name.toLowerCase(), id].some((one) => one === word || bare(one) === bare(word)),
    )
    if (named.length === 1) return named[0].id
    // The last word of a name, where one part alone has it: the valve, the contactor.
    const ending = this.system.parts.filter(({ name }) => name.toLowerCase().endsWith(` ${word}`))
    return ending.length === 1 ? ending[0].id : null
  }

  /** The thermostat, where there is one: of several nobody knows which is meant. */
  thermostat(): string | null {
    const [one, another] = partsOf(this.system, 'thermostat')
    return another ? null : one.id
  }

  /** `outdoor Y`, `Y at condenser`, `stat cable green outside`: cable, conductor and place as the grammar has them. */
  conductor(words: string): string | null {
    const left = words
      .split(' ')
      .filter((word) => !/^(wire|wires|lead|conductor|terminal|screw|off|loose|up|end|one|from|at|in|on|to)$/.test(word))
    const [first, ...rest] = left
    if (first === undefined) return null
    // `zone 2 Y`: the cable of its thermostat.
    const zone = first === 'zone' && rest.length > 1 ? findCable(this.system, `stat-cable-${rest[0]}`) : null
    const cable = zone ?? (rest.length > 0 ? findCable(this.system, first) : null)
    const [name, ...after] = zone ? rest.slice(1) : cable ? rest.filter((word) => word !== 'cable') : left
    if (name === undefined || !this.isConductor(name)) return null
    const place = after.length > 0 ? this.place(after.join(' ')) : null
    if (after.length > 0 && place === null) return null
    return `${cable ? `${cable} ` : ''}${this.letter(name)}${place ? ` at ${place}` : ''}`
  }

  call(word: string): string | null {
    const named = {
      cooling: 'cool',
      cold: 'cool',
      ac: 'cool',
      heating: 'heat',
      blower: 'fan',
      'the fan': 'fan',
      'emergency heat': 'emergency',
      'e-heat': 'emergency',
      'em heat': 'emergency',
      aux: 'heat-2',
      'aux heat': 'heat-2',
      auxiliary: 'heat-2',
      strips: 'heat-2',
      'second stage': 'cool-2',
    }
    const call = Object.hasOwn(named, word) ? named[word as keyof typeof named] : word
    // As the grammar types it: heat2.
    return callNames.some((name) => name === call) && callsOf(this.system).some((name) => name === call)
      ? call.replace(/-(?=\d)/, '')
      : null
  }

  /** Volts read at something: a letter against common, or across a part. */
  voltsAt(words: string, volts: string): string | null {
    const [what, where] = words.split(/ (?:at|in|on) /)
    const place = where === undefined ? null : this.place(where)
    if (where !== undefined && place === null) return null
    const tail = place ? ` at ${place}` : ''
    if (this.isConductor(what)) return `${this.letter(what)}-C ${volts} V${tail}`
    const part = this.part(what)
    const found = part === null ? undefined : partById(this.system, part)
    if (found?.kind === 'transformer') return `${found.secondary[0]}-${found.secondary[1]} ${volts} V at ${found.place}`
    if (found?.kind === 'thermostat') return `R-C ${volts} V at ${found.place}`
    if (found?.kind === 'coil' || found?.kind === 'board' || found?.kind === 'electronics')
      return `${found.between[0]}-${found.between[1]} ${volts} V at ${found.place}`
    const at = this.place(what)
    return at ? `R-C ${volts} V at ${at}` : null
  }

  /** The points on either side of a switch, as a jumper goes. */
  around(words: string): string | null {
    const part = this.part(words)
    const found = part === null ? undefined : partById(this.system, part)
    return found?.kind === 'switch' ? `jumper ${found.between[0]} ${found.between[1]} at ${found.place}` : null
  }

  private isConductor(word: string): boolean {
    return this.system.cables.some(({ conductors }) =>
      conductors.some(({ id, colour, lands }) => [id, colour, ...lands].some((one) => one?.toLowerCase() === word)),
    )
  }

  /** A terminal or a conductor by its letter, in any case, or the metal. */
  isLetter(word: string): boolean {
    const lower = word.toLowerCase()
    return (
      isGroundWord(lower) ||
      lettersOf.of(this.system).has(lower) ||
      this.system.cables.some(({ conductors }) => conductors.some(({ id }) => id.toLowerCase() === lower))
    )
  }

  letter(word: string): string {
    return lettersOf.of(this.system).get(word.toLowerCase()) ?? word
  }
}

/** Every terminal of a system, and every lead with a dash in its name, by how it is typed in small letters. */
const lettersOf = new Memo(
  (system: System) =>
    new Map(
      [
        ...system.places.flatMap(({ id }) => leadNames(system, id).filter((name) => /^[A-Z]\d?-/.test(name))),
        ...system.places.flatMap(({ terminals }) => terminals),
      ].map((name) => [name.toLowerCase(), name]),
    ),
)

const placeKinds: readonly { readonly says: RegExp; readonly kind: readonly Place['kind'][] }[] = [
  { says: /^(out|outside|outdoor|outdoors|outdoor unit|condenser|condensing unit|heat pump|yard)$/, kind: ['outdoor', 'package'] },
  {
    says: /^(inside|indoor|indoors|indoor unit|furnace|air handler|attic|basement|closet|garage|crawlspace)$/,
    kind: ['indoor', 'package'],
  },
  { says: /^(roof|rooftop|rooftop unit|package unit|unit)$/, kind: ['package'] },
  { says: /^(stat|tstat|t-stat|hall|hallway|wall)$/, kind: ['thermostat'] },
  { says: /^(panel|zone panel|zone board)$/, kind: ['zone-panel'] },
]

/** The letter that a colour serves at the place where one stands, where one wire alone has it. */
export function letterOfColour({ system, state }: Sentence, colour: string): string | null {
  const letters = system.cables.flatMap(({ between, conductors }) => {
    const side = between.indexOf(state.bench.place)
    return side < 0 ? [] : conductors.flatMap((one) => (one.colour === colour && one.lands[side] !== null ? [one.lands[side]] : []))
  })
  const [letter, another] = new Set(letters)
  return letter && another === undefined ? letter : null
}

/** A command behind the word that it begins with; nothing where there is none. */
export const leading = (word: string, command: string | null): string | null => command && `${word} ${command}`.trim()

export const worded = (part: string | null, word: string): string | null => part && `${part} ${word}`

/** Something that runs: a motor, a heater. */
export function loadOf(the: Sentence, what: string): string | null {
  const part = the.part(what)
  return part !== null && partById(the.system, part)?.kind === 'load' ? part : null
}

/** What comes off other than a wire: a jumper, a panel, a thermostat, the lead of a part. */
export function takenOff(the: Sentence, what: string): string | null {
  if (/^(jumper|jumper wire|jumper lead)( out)?$/.test(what)) return 'jumper out'
  if (/^(panel|door|cover|access panel)$/.test(what)) return `panel ${the.state.bench.place} off`
  if (/^(fuse)( out)?$/.test(what)) return 'fuse out'
  return leading('unplug', pluggable(the, what.replace(/ (?:lead|leads|wires|spades)$/, '')))
}

/** A part that comes off its wires by hand. */
export function pluggable(the: Sentence, what: string): string | null {
  const part = partById(the.system, the.part(what) ?? '')
  return part && ['switch', 'coil', 'thermostat', 'board'].includes(part.kind) ? part.id : null
}

export function putOn(the: Sentence, what: string): string | null {
  if (/^(panel|door|cover|access panel)$/.test(what)) return `panel ${the.state.bench.place} on`
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
export function allAt(the: Sentence, place: string | null): string | null {
  const [cable, another] = the.system.cables.filter(({ between }) => place !== null && between.includes(place))
  return cable && !another && place !== null ? liftEnds(the, cable, place) : null
}

function liftEnds(the: Sentence, cable: Cable, place: string): string | null {
  const ends = cable.conductors
    .filter(({ lands }) => lands[cable.between.indexOf(place)] !== null)
    .map((conductor) => conductorEnd(cable.id, conductor.id, place))
    .filter((end) => !the.state.bench.lifted.includes(end))
  return ends.length === 0 ? null : ends.map((end) => `lift ${end}`).join('; ')
}

/** Every conductor of a cable that is lifted goes back on its screw. */
export function landAll(the: Sentence, said: string): string | null {
  const id = findCable(the.system, said)
  const ends = the.state.bench.lifted.filter((end) => parsePoint(end).cable === id)
  return id === null || ends.length === 0 ? null : ends.map((end) => `land ${end}`).join('; ')
}

/** Two letters that are joined. */
export function joined(the: Sentence, what: string): string | null {
  const found = /^(\S+?)(?: ?(?:-|,|\/) ?| (?:to|and) | )(\S+)(?: (?:at|in|on) (.+))?$/.exec(what)
  if (!found || found[1] === found[2]) return null
  const place = found[3] === undefined ? null : the.place(found[3])
  if (found[3] !== undefined && place === null) return null
  return `jumper ${the.letter(found[1])} ${the.letter(found[2])}${place ? ` at ${place}` : ''}`
}

/** Where a mark is: a cable before a place of the same name, since marks are mostly along the wire. */
export function zoneOf(the: Sentence, where: string): string | null {
  const word = where.replace(/ (unit|cable)$/, '')
  const isCable = / cable$/.test(where)
  return isCable && findCable(the.system, word) ? `${word} cable` : the.place(where)
}

export function primary(the: Sentence, volts: string): string | null {
  const [transformer, another] = partsOf(the.system, 'transformer')
  return transformer && !another ? `${transformer.primary[0]}-${transformer.primary[1]} ${volts} V at ${transformer.place}` : null
}

/** Volts of the line: across the legs of a disconnect where it is that much, else at the transformer's primary. */
export function lineSide(the: Sentence, volts: string): string | null {
  const disconnect = partsOf(the.system, 'disconnect').find(({ poles }) => poles.length > 1)
  if (Number(volts) < BETWEEN_LEGS || !disconnect) return primary(the, volts)
  const [[, a], [, b]] = disconnect.poles
  return `${a}-${b} ${volts} V at ${disconnect.place}`
}
/** More than one leg gives to the neutral, with what a line may be over: assumption. */
const BETWEEN_LEGS = 160

/** Volts across a part that has two leads. */
export function across(the: Sentence, what: string, volts: string): string | null {
  const part = partById(the.system, the.part(what) ?? '')
  return part?.kind === 'coil' || part?.kind === 'switch' ? `${part.between[0]}-${part.between[1]} ${volts} V at ${part.place}` : null
}

/** Ohms of a winding of the one transformer. */
export function windingOhms(the: Sentence, side: string, ohms: string): string | null {
  const [transformer, another] = partsOf(the.system, 'transformer')
  if (!transformer || another) return null
  const [a, b] = side === 'primary' ? transformer.primary : transformer.secondary
  return `ohms ${a}-${b} ${ohms} at ${transformer.place}`
}

/** "The coil": the one that is unplugged, else the one here; null where it could be another. */
export function coilMeant({ system, state }: Sentence): string | null {
  const coils = partsOf(system, 'coil')
  const off = coils.filter(({ id }) => state.bench.unplugged.includes(id))
  const [coil, another] = off.length > 0 ? off : coils.filter(({ place }) => place === state.bench.place)
  return coil && !another ? coil.id : null
}

/** What the thermostat here is seen to do; of several, the one that is stood before. */
export function statHere(the: Sentence, word: string): string | null {
  const here = partsOf(the.system, 'thermostat').find(({ place }) => place === the.state.bench.place)
  return worded(here?.id ?? the.thermostat(), word)
}
