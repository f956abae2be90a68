import type { JobState } from '@/src/core/job/job-state'
import { callWords } from '@/src/core/quick-line/call-words'
import { bare, calledCoil, calledOf, lettersOf, placeKinds } from '@/src/core/quick-line/called'
import { findCable, findPart, findPlace, isGroundWord } from '@/src/core/quick-line/names'
import { NOT_24_V } from '@/src/core/quick-line/units'
import { boardsOf, coilMeant, damperMeant } from '@/src/core/quick-line/which-part'
import { LruCache, Memo } from '@/src/core/units/cache'
import { workLimit } from '@/src/core/units/work-limit'
import { callNames } from '@/src/core/wiring/call'
import type { PlaceId } from '@/src/core/wiring/ids'
import { parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside } from '@/src/core/wiring/supply'
import { callerOf, callsOf, partById, partsOf, placeById, type System } from '@/src/core/wiring/system'

/** What the words of one sentence mean in a system. */
export class Sentence {
  constructor(
    readonly system: System,
    readonly state: JobState,
    /** The words as they were typed. */
    private readonly said = '',
  ) {}

  /** The same sentence, said at another place. */
  at(place: PlaceId): Sentence {
    return new Sentence(this.system, { ...this.state, bench: { ...this.state.bench, place } }, this.said)
  }

  /** Whether the words as they were typed have this in them. */
  says(pattern: RegExp): boolean {
    return pattern.test(this.said)
  }

  /** What is no entry of its own stays in the record as it was said. */
  asNote(): string {
    return `note ${this.said.trim()}`
  }

  /** A repair, in the words in which it was told. */
  asRepair(): string {
    return `repaired ${this.said.trim()}`
  }

  /** The customer's words, as they were said. */
  asComplaint(): string {
    const words = this.said.trim().replaceAll(';', ',')
    return `complaint ${words.replace(/^complaint\b[\s:,-]*/i, '')}`
  }

  place(words: string): string | null {
    const word = words.replace(/^(?:(?:at|in|to|on|from|by|back|over|out|up|down)\s+)+/, '').trim()
    const zone = /^(?:zone (\d)(?: stat| thermostat)?|(?:stat|thermostat) (\d))$/.exec(word)
    const ofZone = zone && partById(this.system, `thermostat-${zone[1] ?? zone[2]}`)
    if (ofZone) return ofZone.place
    const here = placeById(this.system, this.state.bench.place)
    if (here?.kind === 'thermostat' && /^(?:thermostat|stat|tstat|t-stat|wall)$/.test(word)) return here.id
    if (word === 'unit' && /^(?:back )?out to\b/.test(words)) return this.place('outdoor')
    if (word === 'unit' && here?.kind !== 'thermostat') return here?.id ?? null
    const side = /^(outdoor|outside|indoor|inside) (?:board|side|section|strip)$/.exec(word)
    const kind = placeKinds.find(({ says }) => says.test(side?.[1] ?? word))?.kind
    return findPlace(this.system, word, here?.id) ?? this.system.places.find((place) => kind?.includes(place.kind))?.id ?? null
  }

  /** A part by its name or id, with or without what kind of thing it is. Every stretch of a line is asked for: what it is here is kept. */
  part(words: string): string | null {
    const word = words.trim()
    if (/^damper(?: motor| actuator)?$/.test(word)) return damperMeant(this)
    return partsNamed.of(this.system).get(`${this.state.bench.place} ${word}`, () => ({ id: this.findPart(word) })).id
  }

  private findPart(word: string): string | null {
    const [board, other] = word === 'board' ? boardsOf(this.system).filter(({ place }) => place === this.state.bench.place) : []
    if (board && !other) return board.id
    const known = findPart(this.system, word)
    if (known) return known
    if (/^(?:thermostat|stat|tstat|t-stat)$/.test(word))
      return partsOf(this.system, 'thermostat').find(({ place }) => place === this.state.bench.place)?.id ?? null
    const zoneDamper = /^(?:zone )?(\d) damper$|^damper (?:for |of )?zone (\d)$/.exec(word)
    if (zoneDamper) return findPart(this.system, `damper-${zoneDamper[1] ?? zoneDamper[2]}`)
    if (/^(?:fan|blower|indoor fan) relay$/.test(word))
      return partsOf(this.system, 'coil').find(({ role }) => role === 'blower-relay')?.id ?? null
    // The two sides of a house by what they do.
    const ofSide = /^(ac|a\/c|furnace) (transformer|fuse)$/.exec(word)
    if (ofSide) return findPart(this.system, `${ofSide[1] === 'furnace' ? 'heating' : 'cooling'} ${ofSide[2]}`)
    if (/^high limit(?: switch)?$/.test(word)) return this.part('limit')
    if (/^(?:hot surface|hot surface ignitor|hsi)$/.test(word)) return this.part('igniter')
    if (word === 'ps') return this.part('pressure switch')
    if (/^first (?:compressor|contactor)$/.test(word)) return this.part(word.slice('first '.length))
    if (/^(?:heat(?:er|ing)?|strips?|strip heat|electric heat|heat strips?) (?:relay|sequencer|contactor)$/.test(word))
      return partsOf(this.system, 'coil').find(({ role }) => role === 'sequencer')?.id ?? null
    const ofBoard = /^(outdoor|outside|indoor|inside|panel|zone|zone panel) (?:control )?board$/.exec(word)
    if (ofBoard) {
      const at = this.place(ofBoard[1] === 'zone' ? 'panel' : ofBoard[1])
      return this.system.parts.find(({ kind, place }) => kind === 'board' && place === at)?.id ?? null
    }
    if (/^(?:ignition|ignitor|igniter) (?:board|module|control)$/.test(word))
      return this.system.parts.find(({ kind, id }) => kind === 'board' && id === 'ignition')?.id ?? null
    const byLetter = /^([ywgob]\d?) (contactor|relay|sequencer|valve|coil)$/.exec(word)
    if (byLetter) {
      const here = calledCoil(this.system, this.state.bench.place, byLetter[1], byLetter[2])
      // What the letter pulls in elsewhere, where that is one alone.
      const [there, another] = this.system.places.flatMap(({ id }) => calledCoil(this.system, id, byLetter[1], byLetter[2]) ?? [])
      return here ?? (another === undefined ? (there ?? null) : null)
    }
    if (/^(?:draft inducer|inducer motor|draft motor|induced draft motor|combustion (?:fan|blower|motor)|vent(?:or)? motor)$/.test(word))
      return partsOf(this.system, 'load').find(({ id }) => id === 'inducer')?.id ?? null
    const ofStage = /^(?:second|2nd) stage (.+)$/.exec(word)
    if (ofStage) return this.part(`second ${ofStage[1]}`)
    // The first of two, or of one alone where its coil is named: sequencer 1 coil.
    const ofNumber = /^(compressor|contactor|sequencer) ([12])( coil)?$/.exec(word)
    const second = ofNumber && findPart(this.system, `second ${ofNumber[1]}`)
    if (ofNumber && (second !== null || (ofNumber[2] === '1' && ofNumber[3]))) return ofNumber[2] === '2' ? second : this.part(ofNumber[1])
    const isFan = /^(outdoor fan|condenser fan|fan outside|fan outdoors|outside fan)$/.test(word)
    const loads = partsOf(this.system, 'load')
    if (isFan) return loads.find(({ name, place }) => /fan/.test(name) && placeById(this.system, place)?.kind !== 'indoor')?.id ?? null
    // Whoever stands at the outdoor unit means the fan there.
    if (word === 'fan' && placeById(this.system, this.state.bench.place)?.kind === 'outdoor')
      return loads.find(({ name, place }) => /fan/.test(name) && place === this.state.bench.place)?.id ?? null
    if (/^(blower motor|indoor fan|fan|blower)$/.test(word)) return loads.find(({ name, id }) => /blower/.test(name + id))?.id ?? null
    if (/^(?:electric heat(?:ers?)?|electric strips|heaters?|heat kit|(?:heating )?elements?|strip heat(?:ers?)?)$/.test(word)) {
      const [strips, another] = loads.filter(({ name }) => /strips/.test(name))
      return strips && !another ? strips.id : null
    }
    const bareWord = bare(word)
    const named = calledOf.of(this.system).filter(({ forms }) => forms.includes(word) || forms.includes(bareWord))
    if (named.length === 1) return named[0].id
    // The last word of a name, where one part alone has it: the valve, the contactor.
    const ending = this.system.parts.filter(({ name }) => name.toLowerCase().endsWith(` ${word}`))
    // Of several, the one where one stands.
    const here = ending.filter(({ place }) => place === this.state.bench.place)
    const [only, another] = here.length > 0 ? here : ending
    return only && !another ? only.id : null
  }

  /** The parts that a name of two words could mean, where it is more than one: the pressure switch, of two. */
  several(words: string): readonly string[] {
    const here = this.system.parts.filter(({ name }) => name.toLowerCase().replaceAll('-', ' ').endsWith(` ${words}`))
    return words.includes(' ') && here.length > 1 && this.part(words) === null ? here.map(({ name }) => name) : []
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

  /** A call by its words; whoever stands at the thermostat of a zone and names none means that one. */
  call(words: string): string | null {
    const named = this.namedCall(words)
    const stat = named === null ? undefined : partsOf(this.system, 'thermostat').find(({ place }) => place === this.state.bench.place)
    const zoned =
      stat && callsOf(this.system).find((call) => call.startsWith(`${named}-zone-`) && callerOf(this.system, call).id === stat.id)
    if (!zoned || /\bzone [2-9]/.test(words)) return named
    return /\bzone (?:1|one)\b/i.test(`${words} ${this.said}`) ? `${named} zone 1` : zoned.replace('-zone-', ' zone ')
  }

  private namedCall(words: string): string | null {
    const word = words.replace(/^(?:on|for|in|to|with) (?=\S)/, '')
    // `Y call`: what Y calls for.
    const ofLetter = /^([ygw])1? call$/.exec(word)
    if (ofLetter) return this.namedCall({ y: 'cool', g: 'fan', w: 'heat' }[ofLetter[1]] ?? '')
    const staged = /^(second|2nd|high|first|1st|low|stage 2|stage two|stage 1|stage one)(?: stage)? (heat|cool)(?:ing)?$/.exec(word)
    if (staged) return this.namedCall(/^(?:second|2nd|high|stage 2|stage two)$/.test(staged[1]) ? `${staged[2]}-2` : staged[2])
    // `zone 2 cool`, `cool in zone 2`: what the thermostat of that zone asks.
    const ofZone = /^zone (\d) (.+)$|^(.+?)(?: in| on| for| from)? zone (\d)$/.exec(
      /^\w+ on \d$/.test(word) ? word.replace(/ (?=\d$)/, ' zone ') : word,
    )
    if (ofZone) {
      const [base, zone] = [this.namedCall(ofZone[2] ?? ofZone[3]), ofZone[1] ?? ofZone[4]]
      if (base === null || zone === '1') return zone === '1' && callsOf(this.system).some((call) => /-zone-/.test(call)) ? base : null
      return callsOf(this.system).some((call) => call === `${base}-zone-${zone}`) ? `${base} zone ${zone}` : null
    }
    // The first stage of what has two: where only one mode has, of that.
    if (/^(?:first|1st) stage$/.test(word)) return onlyStaged(this.system)
    const call = callWords.get(word) ?? word
    // As the grammar types it: heat2.
    return callNames.some((name) => name === call) && callsOf(this.system).some((name) => name === call)
      ? call.replace(/-(?=\d)/, '')
      : null
  }

  /** A number read at something: a letter against common, or across a part. Without a unit it is ohms with the power off. */
  voltsAt(words: string, volts: string): string | null {
    const line = this.readAt(words, volts)
    const isBare = this.said.includes(volts) && !/volt|\d ?v(?:ac)?\b/i.test(this.said)
    const isOhms = !this.state.bench.power && isBare
    // No 24 V part has that much: the grammar asks after its unit.
    if (line !== null && this.state.bench.power && isBare && Number(volts) >= NOT_24_V) return line.replace(`${volts} V`, volts)
    return line !== null && isOhms ? `ohms ${line.replace(`${volts} V`, volts)}` : line
  }

  private readAt(words: string, volts: string): string | null {
    const [what, where] = words.split(/ (?:at|in|on) /)
    const place = where === undefined ? null : this.place(where)
    if (where !== undefined && place === null) return null
    const tail = place ? ` at ${place}` : ''
    if (this.isConductor(what) || (/-out$/.test(what) && this.isLetter(what)))
      return `${this.letter(what)}-${this.commonOf(this.letter(what), place)} ${volts} V${tail}`
    const part = this.part(what) ?? (/^coil$/.test(what) ? coilMeant(this) : null)
    const found = part === null ? undefined : partById(this.system, part)
    if (found?.kind === 'transformer') return `${found.secondary[0]}-${found.secondary[1]} ${volts} V at ${found.place}`
    if (found?.kind === 'thermostat') return `R-C ${volts} V at ${found.place}`
    if (found?.kind === 'coil' || found?.kind === 'board' || found?.kind === 'electronics')
      return `${found.between[0]}-${found.between[1]} ${volts} V at ${found.place}`
    const at = this.place(what)
    // A panel of zones is fed by a pair of its own.
    const panel = this.system.parts.find((one) => one.kind === 'board' && one.place === at)
    if (panel?.kind === 'board' && placeById(this.system, panel.place)?.kind === 'zone-panel')
      return `${panel.between[0]}-${panel.between[1]} ${volts} V at ${panel.place}`
    const fed = at === null ? null : this.fedAt(at)
    return fed === null ? null : `${fed}-C ${volts} V at ${at}`
  }

  /**
   * Where R does not come, a unit is fed by the call; without a word of volts it is said of what runs there. Of two hot sides nobody knows
   * which one is meant.
   */
  private fedAt(place: PlaceId): string | null {
    const terminals = placeById(this.system, place)?.terminals ?? []
    if (terminals.includes('Rc') && terminals.includes('Rh')) return null
    const isOfVolts = /\d|\bvolt/i.test(this.said)
    return terminals.includes('R') || !isOfVolts ? 'R' : (terminals.find((name) => /^Y1?$/.test(name)) ?? 'R')
  }

  /** What a letter is read against: the common beside it, where a strip has several. */
  commonOf(letter: string, said: string | null = null): string {
    const place = said ?? this.state.bench.place
    const screws = placeById(this.system, place)?.terminals ?? []
    // On a panel a zone's letters stand beside its own common.
    const ofZone = `C${/\d$/.exec(letter)?.[0] ?? ''}`
    if (screws.includes(letter) && screws.includes(ofZone)) return ofZone
    const panel = screws.includes('C') ? undefined : partsOf(this.system, 'board').find((board) => board.place === place)
    if (panel && screws.includes(letter) && screws.includes(panel.between[1])) return panel.between[1]
    const common = screws.includes(letter) ? commonBeside(this.system, terminalPoint(letter, place)) : null
    return common ? parsePoint(common).name : 'C'
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

/** What is named at a place, by the place and the words. */
const partsNamed = new Memo((_: System) => new LruCache<string, { readonly id: string | null }>(workLimit(4000)))

/** A command behind the word that it begins with; nothing where there is none. */
export const leading = (word: string, command: string | null): string | null => command && `${word} ${command}`.trim()

export const worded = (part: string | null, word: string): string | null => part && `${part} ${word}`

/** Something that runs: a motor, a heater. */
export function loadOf(the: Sentence, what: string): string | null {
  const part = the.part(what)
  return part !== null && partById(the.system, part)?.kind === 'load' ? part : null
}

/** Where a mark is: a cable before a place of the same name, since marks are mostly along the wire. */
export function zoneOf(the: Sentence, where: string): string | null {
  const word = where.replace(/ (unit|cable)$/, '')
  const isCable = / cable$/.test(where)
  return isCable && findCable(the.system, word) ? `${word} cable` : the.place(where)
}

/** What the thermostat here is seen to do; of several, the one that is stood before. */
export function statHere(the: Sentence, word: string): string | null {
  const here = partsOf(the.system, 'thermostat').find(({ place }) => place === the.state.bench.place)
  return worded(here?.id ?? the.thermostat(), word)
}

/** The one mode that a house has in two stages. */
function onlyStaged(system: System): string | null {
  const [mode, another] = callsOf(system).flatMap((call) => /^(cool|heat)-2$/.exec(call)?.[1] ?? [])
  return mode !== undefined && another === undefined ? mode : null
}
