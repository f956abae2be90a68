import { faultFamilies } from '@/src/core/faults/families'
import { BULGED, HUMMING, ON_ITS_LABEL, weakFor } from '@/src/core/readings/capacitor-looks'
import type { Answer, Probe } from '@/src/core/readings/check'
import { LANDED, swappedWord, wrongOn } from '@/src/core/readings/landing-looks'
import { parseLook } from '@/src/core/readings/look-target'
import { ADDED, marks, SHOWS_CALL, SHOWS_NO_CALL, wordsOfLook } from '@/src/core/readings/looks'
import { ampsLink } from '@/src/core/readings/meter-readings'
import { isPlainToSee } from '@/src/core/readings/observations'
import { wordsOfSwitch } from '@/src/core/readings/switch-looks'
import { workingAt } from '@/src/core/readings/working'
import { magnitude, subtract } from '@/src/core/units/complex'
import { defaultMeter, shownAmps, shownOhms, shownVolts } from '@/src/core/units/meter'
import type { Random } from '@/src/core/units/random'
import { endOfLanding, loadInside } from '@/src/core/wiring/links'
import { isPoint, type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { callerOf, partById, partsOf, type System } from '@/src/core/wiring/system'
import type { IndependentHouse } from '@/tests/independent/house'

/** One look in so many is wrong, and one reading in so many. */
const LOOK_WRONG = 0.02
const READING_WRONG = 0.01
/** Of wires seen on a wrong screw, those of which all that is seen is told: the screw, or that two are on each other's. */
const ALL_TOLD = 0.7
const RUNS_ABOVE = 0.65
const WATCHED_S = 20
/** From the call: the igniter glows; the valve is open; what burns goes on burning. */
const WARMS_S = 32
const OPENS_S = 43
const BURNS_S = 15

/** What a technician reads, sees and hears in a house of the exam. */
export class Senses {
  /** A capacitor reads the same whenever it is read. */
  private readonly capacitors = new Map<string, string>()

  constructor(
    private readonly house: IndependentHouse,
    /** The same house with nothing wrong, for what it should do. */
    private readonly sound: (bench: IndependentHouse['bench']) => Promise<ReadonlyMap<string, boolean>>,
    private readonly system: System,
    private readonly random: Random,
    private readonly gain: number,
  ) {}

  async take(probe: Probe): Promise<Answer> {
    const { random } = this
    const since = this.readsIgnition(probe)
    if (since !== null) await this.house.callAnew(since)
    switch (probe.meter) {
      case 'trip':
        return { word: this.house.tripped ? 'trips' : 'holds' }
      case 'look': {
        const word = await this.look(probe.at)
        const words = wordsOfLook(this.system, probe.at)
        // Nobody sees what is not there: a wrong look misses something, or takes one state for the other.
        const other = words.filter((one) => one !== word && !isPlainToSee({ probe, answer: { word: one }, bench: this.house.bench }))
        return { word: random.uniform() < LOOK_WRONG && other.length > 0 ? random.pick(other) : word }
      }
      case 'volts': {
        const { voltsInputOhm, lowImpedanceOhm, voltsInputFarad } = defaultMeter
        const volts = probe.lowImpedance
          ? await this.house.voltsAcross(probe.a, probe.b, lowImpedanceOhm, 0)
          : await this.house.voltsAcross(probe.a, probe.b, voltsInputOhm, voltsInputFarad)
        const read = this.house.bench.power ? volts : 0
        return shownVolts(
          Math.abs(this.wrongly(read, 26) * this.gain * (1 + 0.004 * random.normal()) + 0.04 * random.normal()),
          defaultMeter,
        )
      }
      case 'ohms': {
        const ohms = await this.house.ohmsAcross(probe.a, probe.b)
        if (ohms > 900) {
          // A direct current finds its way through electronics as it likes.
          if (random.uniform() < 0.15 || ohms > 30e6) return 'OL'
          return shownOhms(ohms * Math.exp(0.7 * random.normal()), defaultMeter)
        }
        return shownOhms(
          Math.max(0, this.wrongly(ohms, 20) * (1 + 0.01 * random.normal()) + 0.2 + 0.15 * Math.abs(random.normal())),
          defaultMeter,
        )
      }
      case 'amps': {
        const volts = await this.house.volts()
        const amps = this.house.bench.power ? this.house.ampsThrough(volts, ampsLink(this.system, probe.on)) : 0
        const most = probe.hold ? Math.max(amps, this.house.highestA) : amps
        return shownAmps(Math.abs(most * (1 + 0.02 * random.normal()) + 0.01 * random.normal()), defaultMeter)
      }
    }
  }

  /** Seconds from the call at which a probe of an ignition is read: the igniter while it warms, the valve on its trial; null for any other. */
  private readsIgnition(probe: Probe): number | null {
    for (const { id, place, ignites } of partsOf(this.system, 'board')) {
      if (!ignites) continue
      const ends = probe.meter === 'volts' ? [probe.a, probe.b] : probe.meter === 'look' ? [probe.at] : []
      if (ends.some((end) => end === terminalPoint(ignites.by, place) || end === ignites.igniter)) return WARMS_S
      if (ends.some((end) => end === terminalPoint(ignites.opens, place) || end === ignites.valve || end === id)) return OPENS_S
    }
    return null
  }

  /** The meter in series with the rod from the call on: what a flame gives that is sensed, however long it burns. */
  private async signal(of: string): Promise<'good' | 'low'> {
    const board = partsOf(this.system, 'board').find(({ id }) => id === of)
    if (!board) throw new Error(`no ignition control ${of}`)
    await this.house.callAnew(OPENS_S)
    for (let second = 0; second < BURNS_S; second++) {
      if (this.house.flameNow(board).burns) return 'good'
      await this.house.run(1)
    }
    return 'low'
  }

  /** Watched from the call on. */
  private async flame(of: string): Promise<string> {
    const board = partsOf(this.system, 'board').find(({ id }) => id === of)
    if (!board) throw new Error(`no ignition control ${of}`)
    await this.house.callAnew(WARMS_S)
    const igniter = (await this.working()).get(board.ignites?.igniter ?? '') ?? false
    await this.house.run(OPENS_S - WARMS_S)
    const { isOpen } = this.house.flameNow(board)
    await this.house.run(BURNS_S)
    if (this.house.flameNow(board).burns) return 'burns'
    return !igniter ? 'no glow' : isOpen ? 'lights and goes out' : 'glows without flame'
  }

  private wrongly(value: number, about: number): number {
    return this.random.uniform() < READING_WRONG ? about * this.random.uniform() : value
  }

  /** What works now, part by part. */
  async working(): Promise<ReadonlyMap<string, boolean>> {
    const { house } = this
    const works = new Map<string, boolean>()
    const volts = house.bench.power ? await house.volts() : null
    for (const load of partsOf(this.system, 'load')) {
      const [a, b] = [loadInside(load.id), terminalPoint(load.between[1], load.place)]
      works.set(load.id, volts !== null && magnitude(subtract(volts(a), volts(b))) > RUNS_ABOVE * load.volts)
    }
    const isWelded = (id: string) => house.shownTrouble?.effects.some((effect) => effect.do === 'weld' && effect.coil === id) ?? false
    for (const coil of partsOf(this.system, 'coil')) works.set(coil.id, house.state.pulledIn.has(coil.id) || isWelded(coil.id))
    return works
  }

  private async look(at: string): Promise<string> {
    const { what, of } = parseLook(at)
    const { house, system, random } = this
    const { trouble } = house
    if (at === 'fuse') return house.isFuseOpen ? 'blown' : 'good'
    if (what === 'runs') {
      const [works, soundly] = [await this.working(), await this.sound(house.bench)]
      return workingAt(system, of).every(({ id }) => works.get(id) === soundly.get(id)) ? 'as called' : 'not as called'
    }
    if (what === 'flame') return this.flame(of)
    if (what === 'signal') return this.signal(of)
    if (what === 'wiring') {
      // Added things stand out; some sound houses have one as well, that does no harm.
      const isAccessory =
        trouble !== null && trouble.zone === of && (trouble.isAdded ?? (trouble.fault && faultFamilies[trouble.fault.family].isAdded))
      if (partsOf(system, 'coil').some(({ place }) => place === of) && random.uniform() < (isAccessory ? 0.75 : 0.03)) return ADDED
      const isHurt =
        trouble?.fault?.zone === of &&
        ['conductor-open', 'conductor-short', 'conductor-to-chassis', 'lead-to-chassis'].includes(trouble.fault.family)
      return random.uniform() < (isHurt ? 0.5 : 0.05) ? random.pick(marks) : 'sound'
    }
    if (what === 'landings') {
      const amiss = (trouble?.effects ?? []).flatMap((effect) => {
        const end = effect.do === 'open' ? endOfLanding(effect.link) : null
        return end === null || parsePoint(end).place !== of || house.bench.lifted.includes(end) ? [] : [end]
      })
      const screwOf = (end: Point) => {
        const touch = trouble?.effects.find((effect) => effect.do === 'short' && effect.a === end)
        return touch?.do === 'short' && isPoint(touch.b) ? parsePoint(touch.b).name : null
      }
      const [end, other] = amiss
      if (end !== undefined) {
        const [screw, isTold] = [screwOf(end), random.uniform() < ALL_TOLD]
        if (screw === null) return `off: ${end}`
        if (other !== undefined && screwOf(other) !== null && isTold) return swappedWord(end, other)
        return isTold ? wrongOn(end, screw) : `wrong: ${end}`
      }
      const family = trouble?.fault?.zone === of ? trouble.fault.family : null
      if (family === 'jumper-left' || family === 'transformers-tied') return 'strap'
      if (family === 'water-in-connector') return 'wet'
      if (family === 'strip-corroded') return random.uniform() < 0.85 ? 'corroded' : LANDED
      return random.uniform() < 0.03 ? 'corroded' : LANDED
    }
    if (what === 'contacts') {
      const isOf = (does: string, link: string) =>
        trouble?.effects.some(
          (effect) => effect.do === does && ('link' in effect ? effect.link : 'coil' in effect ? effect.coil : '') === link,
        )
      if (random.uniform() < (isOf('jam', of) ? 0.3 : 0.01)) return 'blocked'
      const isBurned = isOf('open', `faces:${of}`) || isOf('resist', `faces:${of}`)
      return random.uniform() < (isBurned ? 0.8 : 0.06) ? 'burned' : 'clean'
    }
    if (what === 'capacitor') {
      const known = this.capacitors.get(of) ?? this.capacitor(of)
      this.capacitors.set(of, known)
      return known
    }
    const part = partById(system, at)
    if (part?.kind === 'switch') {
      const [made, opened] = wordsOfSwitch(part)
      const isOpen = trouble?.effects.some((effect) => effect.do === 'open' && effect.link === `body:${part.id}`) ?? false
      return random.uniform() < (isOpen ? 0.8 : 0.02) ? opened : made
    }
    const works = await this.working()
    if (part?.kind === 'load') {
      const isStalled = house.shownTrouble?.effects.some((effect) => effect.do === 'stall' && effect.load === at) ?? false
      if (!isStalled || !house.bench.power) return works.get(at) ? 'runs' : 'still'
      const volts = await house.volts()
      const [a, b] = part.between.map((name) => volts(terminalPoint(name, part.place)))
      return magnitude(subtract(a, b)) > RUNS_ABOVE * part.volts && random.uniform() < 0.55 ? HUMMING : 'still'
    }
    if (part?.kind === 'board') {
      if (!house.bench.power) return 'dark'
      const volts = await house.volts()
      const [hot, common] = part.between.map((name) => terminalPoint(name, part.place))
      const isLit = magnitude(subtract(volts(hot), volts(common))) >= part.aliveAboveVolts && !this.isDead(part.id)
      return !isLit ? 'dark' : house.isWaiting(part.id) ? 'flashes' : 'steady'
    }
    if (part?.kind === 'thermostat') {
      if (house.moves(`${at} dies`, WATCHED_S) > 1) return 'chatters'
      if (house.state.guarded.has(at)) return 'over-current code'
      if (!house.state.alive.has(at)) return 'blank'
      const { call } = house.bench
      if (part.power === 'mechanical' || call === 'off' || callerOf(system, call).id !== at || random.uniform() < 0.3) return 'alive'
      return trouble?.fault?.family === 'thermostat-not-called' ? SHOWS_NO_CALL : SHOWS_CALL
    }
    if (house.moves(at, WATCHED_S) > 3) return 'chatters'
    const isIn = works.get(at) ?? false
    return part?.kind === 'coil' && part.role === 'damper' ? (isIn ? 'shut' : 'open') : isIn ? 'in' : 'out'
  }

  private capacitor(id: string): string {
    const { random } = this
    const stalled = this.house.trouble?.effects.find((effect) => effect.do === 'stall')
    if (random.uniform() < (stalled ? 0.25 : 0.008)) return BULGED
    if (stalled?.do === 'stall') return random.uniform() < 0.95 ? weakFor(stalled.load) : ON_ITS_LABEL
    const capacitor = partById(this.system, id)
    const loads = capacitor?.kind === 'capacitor' ? capacitor.starts.map(({ load }) => load) : []
    return random.uniform() < 0.04 ? weakFor(random.pick(loads)) : ON_ITS_LABEL
  }

  private isDead(board: string): boolean {
    return this.house.shownTrouble?.effects.some((effect) => effect.do === 'open' && effect.link === `body:${board}`) ?? false
  }
}
