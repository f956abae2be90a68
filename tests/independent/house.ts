import { applyChange } from '@/src/core/bench/apply'
import { type Bench, type BenchChange, createBench, wiringKey } from '@/src/core/bench/bench'
import { magnitude, subtract } from '@/src/core/units/complex'
import type { Random } from '@/src/core/units/random'
import { boardInside, bodyLink, callLink, loadInside, thermostatInside, windingLink, windingNode } from '@/src/core/wiring/links'
import { inputsOf, type PartOf } from '@/src/core/wiring/part'
import { pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { firstPart, partsOf, type System } from '@/src/core/wiring/system'
import { livesBetween, switchedTerminals } from '@/src/core/wiring/thermostat'
import { type Devices, elementsNow } from '@/tests/independent/circuit-now'
import type { SpiceSession, Volts } from '@/tests/independent/spice-session'
import type { Trouble } from '@/tests/independent/trouble'

/** What stands in the way of a link's current, for reading amps off two nodes. */
const FUSE_BLOWS_ABOVE = 1.35
const STEP_MOST = 400
const TOGGLE_S = 2
const GUARD_S = 0.3
const BOOT_S = 3
const RELAY_S = 0.03
const RATED_RISE_K = 55
const PROVES_S = 4
const DRAFT_ABOVE = 0.65
const LIGHTS_ABOVE = 0.72
const SENSES_S = 2
const TRIAL_S = 7
const TRIES = 3
const LETS_GO_S = 5
const WINDING_S = 600
const ATTIC_C = 45
const COOKS_AT_C = 150

/**
 * A house that lives in real time, apart from the engine's own model: its circuit is solved by the circuit simulator, its relays,
 * delays, hold-up, melting fuse and warm winding are worked out here.
 */
export class IndependentHouse {
  bench: Bench
  nowS = 0
  cooked = 0
  /** The transformers that were, by part. */
  readonly burned = new Set<string>()
  private alive = new Set<string>()
  private guarded = new Set<string>()
  private pulledIn = new Set<string>()
  private made = new Set<string>()
  private proved = new Set<string>()
  /** Ignition controls: those that sense flame, and how often each has tried in vain. */
  private burning = new Set<string>()
  private readonly tries = new Map<string, number>()
  private fuseOpen: boolean
  private fuseHeat = 0
  private poweredSince = -10_000
  private calledSince = 0
  private readonly brokenAt = new Map<string, number>()
  private readonly dueAt = new Map<string, number>()
  private readonly windingC = new Map<string, number>()
  private readonly solved = new Map<string, Promise<Volts>>()
  private isShown = true
  /** Changes of any device in the last seconds, for what the ear calls chatter. */
  private readonly changes: { atS: number; what: string }[] = []
  tripped = false
  highestA = 0

  constructor(
    readonly system: System,
    private readonly template: System,
    readonly trouble: Trouble | null,
    private readonly spice: SpiceSession,
    private readonly random: Random,
    /** Quick or slow protection, one draw for the house. */
    private readonly fuseTimes: number,
    private readonly foundRatingA: number,
  ) {
    this.bench = createBench(template)
    this.fuseOpen = trouble?.effects.some((effect) => effect.do === 'found-blown') ?? false
    for (const { id } of partsOf(system, 'thermostat')) this.alive.add(id)
    this.touched()
  }

  change(change: BenchChange): void {
    const applied = applyChange(this.template, this.bench, change)
    if (!applied.ok) throw new Error(applied.problem)
    const before = this.bench
    this.bench = applied.bench
    if (change.do === 'slot') this.fuseOpen = change.holds === 'nothing'
    if (change.do === 'reset') this.fuseOpen = false
    if (change.do === 'slot' || change.do === 'reset') this.fuseHeat = 0
    if (!before.power && this.bench.power) this.poweredSince = this.nowS
    if (before.call !== this.bench.call) {
      this.tries.clear()
      this.calledSince = this.nowS
      this.guarded.clear()
    }
    this.tripped = false
    this.highestA = 0
    this.touched()
  }

  /** A fault that comes and goes is there or not until something is moved. */
  private touched(): void {
    this.isShown = this.trouble !== null && this.random.uniform() < this.trouble.shows
  }

  private get troubleNow(): Trouble | null {
    const { trouble } = this
    if (!trouble || !this.isShown) return null
    if (trouble.afterS === 0) return trouble
    const isOn =
      this.bench.power && this.bench.call !== 'off' && this.nowS - Math.max(this.calledSince, this.poweredSince) >= trouble.afterS
    return isOn ? trouble : { ...trouble, effects: [], jammed: [] }
  }

  private get devices(): Devices {
    const { alive, guarded, pulledIn, made, proved, fuseOpen } = this
    return { alive, guarded, pulledIn, made, proved, fuseOpen }
  }

  volts(): Promise<Volts> {
    return this.solveWith([], 'live')
  }

  private solveWith(meter: readonly [string, string, number, number] | readonly [], analysis: 'live' | 'ohms'): Promise<Volts> {
    const { alive, guarded, pulledIn, made, proved, fuseOpen } = this
    const key = JSON.stringify([
      wiringKey(this.bench),
      this.bench.call,
      [...alive].sort(),
      [...guarded].sort(),
      [...pulledIn].sort(),
      [...made].sort(),
      [...proved].sort(),
      fuseOpen,
      this.troubleNow?.effects.length ?? -1,
      meter,
      analysis,
    ])
    const known = this.solved.get(key)
    if (known) return known
    const elements = elementsNow(this.system, this.bench, this.troubleNow, this.devices)
    const [a, b, ohm, farad] = meter
    if (a !== undefined && b !== undefined && ohm !== undefined && analysis === 'live') {
      elements.push({ kind: 'impedance', id: 'meter', a, b, ac: { re: ohm, im: 0 }, dcOhm: ohm })
      if (farad)
        elements.push({
          kind: 'impedance',
          id: 'meter-f',
          a,
          b,
          ac: { re: 0, im: -1 / (2 * Math.PI * this.system.hertz * farad) },
          dcOhm: Infinity,
        })
    }
    const solving = this.spice.solve(
      elements,
      this.system.hertz,
      analysis,
      analysis === 'ohms' && a !== undefined && b !== undefined ? [a, b] : undefined,
    )
    this.solved.set(key, solving)
    return solving
  }

  /** Amps through a link that is closed now, by the drop across it; 0 through one that is open. */
  ampsThrough(volts: Volts, linkId: string): number {
    const link = elementsNow(this.system, this.bench, this.troubleNow, this.devices).find(({ id }) => id === linkId)
    if (link?.kind !== 'link' || !link.closed) return 0
    return magnitude(subtract(volts(link.a), volts(link.b))) / link.ohm
  }

  /** Lets the house run for so long; every device answers to its own volts after its own delay. */
  async run(seconds: number): Promise<void> {
    const [startS, endS] = [this.nowS, this.nowS + seconds]
    const warmAtStart = new Map(this.windingC)
    for (let step = 0; step < STEP_MOST && this.nowS < endS; step++) {
      if (!this.bench.power) {
        this.rest(endS)
        return
      }
      const volts = await this.volts()
      const between = (a: string, b: string) => magnitude(subtract(volts(a), volts(b)))
      const wanted = new Map<string, { delayS: number; act: () => void }>()
      const want = (key: string, delayS: number, act: () => void) => wanted.set(key, { delayS, act })
      this.wantThermostats(between, volts, want)
      this.wantRelays(between, want)
      this.wantProved(between, want)
      this.wantFlames(between, want)
      this.wantOutputs(between, want)
      this.wantFuse(volts, want)
      const { trouble } = this
      if (trouble && trouble.afterS > 0 && this.bench.call !== 'off') {
        const warmAt = Math.max(this.calledSince, this.poweredSince) + trouble.afterS
        if (warmAt > this.nowS) want('warm', warmAt - this.nowS, () => {})
      }
      for (const key of [...this.dueAt.keys()]) if (!wanted.has(key)) this.dueAt.delete(key)
      for (const [key, { delayS }] of wanted) if (!this.dueAt.has(key)) this.dueAt.set(key, this.nowS + delayS)
      let next: string | null = null
      for (const [key, at] of this.dueAt) if (next === null || at < (this.dueAt.get(next) ?? 0)) next = key
      const atS = next === null ? endS : Math.min(endS, this.dueAt.get(next) ?? endS)
      this.warm(volts, atS - this.nowS)
      if (wanted.has('fuse')) this.fuseHeat += (atS - this.nowS) / (wanted.get('fuse')?.delayS ?? 1)
      this.nowS = atS
      if (next === null || (this.dueAt.get(next) ?? endS) > endS) return
      this.dueAt.delete(next)
      wanted.get(next)?.act()
      this.changes.push({ atS: this.nowS, what: next })
    }
    this.chatterOn(startS, endS, warmAtStart)
  }

  /** What chatters goes on as it did: what is due moves on with the clock, and the windings warm as they did so far. */
  private chatterOn(startS: number, endS: number, warmAtStart: ReadonlyMap<string, number>): void {
    const [seenS, leftS] = [this.nowS - startS, endS - this.nowS]
    for (const [key, at] of this.dueAt) this.dueAt.set(key, at + leftS)
    this.nowS = endS
    if (seenS <= 0) return
    for (const [id, warm] of this.windingC) {
      const from = warmAtStart.get(id) ?? ATTIC_C
      const kept = Math.exp(-seenS / WINDING_S)
      this.warmTo(id, (warm - from * kept) / (1 - kept), leftS)
    }
  }

  /** How often a device has moved in the last seconds. */
  moves(what: string, seconds: number): number {
    return this.changes.filter((change) => change.what === what && change.atS > this.nowS - seconds).length
  }

  private rest(endS: number): void {
    this.pulledIn.clear()
    this.made.clear()
    this.guarded.clear()
    this.proved.clear()
    this.burning.clear()
    this.tries.clear()
    this.dueAt.clear()
    this.fuseHeat = 0
    for (const part of partsOf(this.system, 'thermostat'))
      if (livesBetween(part) && endS - this.nowS > part.holdUpS) this.alive.delete(part.id)
    for (const [id, warm] of this.windingC) this.windingC.set(id, ATTIC_C + (warm - ATTIC_C) * Math.exp(-(endS - this.nowS) / WINDING_S))
    this.nowS = endS
  }

  private wantThermostats(between: (a: string, b: string) => number, volts: Volts, want: Want): void {
    const { call } = this.bench
    for (const part of partsOf(this.system, 'thermostat')) {
      const isDead = this.troubleNow?.effects.some((effect) => effect.do === 'thermostat-dead' && effect.thermostat === part.id) ?? false
      const closing = call === 'off' ? [] : (part.calls[call] ?? [])
      const stealsNow = part.power === 'stealing' && part.steals !== undefined && closing.includes(part.steals)
      const isFed =
        !livesBetween(part) || between(thermostatInside(part.id, 'hot'), thermostatInside(part.id, 'common')) >= part.aliveAboveVolts
      const lives = !isDead && !this.bench.unplugged.includes(part.id) && (isFed || (stealsNow && this.alive.has(part.id)))
      if (lives && !this.alive.has(part.id)) want(`${part.id} boots`, livesBetween(part) ? BOOT_S : 0, () => this.alive.add(part.id))
      if (!lives && this.alive.has(part.id)) want(`${part.id} dies`, isDead ? 0 : part.holdUpS, () => this.alive.delete(part.id))
      const { guardA } = part
      if (guardA !== undefined && this.alive.has(part.id) && !this.guarded.has(part.id))
        for (const terminal of switchedTerminals(part))
          if (this.ampsThrough(volts, callLink(part.id, terminal)) > guardA)
            want(`${part.id} guards`, GUARD_S, () => this.guarded.add(part.id))
    }
  }

  private wantRelays(between: (a: string, b: string) => number, want: Want): void {
    for (const coil of partsOf(this.system, 'coil')) {
      const isIn = this.pulledIn.has(coil.id)
      const isJammed =
        (this.troubleNow?.jammed.includes(coil.id) ?? false) ||
        (this.troubleNow?.effects.some((effect) => effect.do === 'jam' && effect.coil === coil.id) ?? false)
      const across = between(windingNode(coil.id), pinPoint(coil, 1))
      if (!isIn && !isJammed && across >= coil.pullInVolts) want(coil.id, coil.closesAfterS ?? RELAY_S, () => this.pulledIn.add(coil.id))
      if (isIn && (isJammed || across < coil.dropOutVolts)) want(coil.id, coil.opensAfterS ?? RELAY_S, () => this.pulledIn.delete(coil.id))
    }
  }

  /** A motor that runs has its draft, and with it the switch, a few seconds later. */
  private wantProved(between: (a: string, b: string) => number, want: Want): void {
    for (const { id, madeBy } of partsOf(this.system, 'switch')) {
      const motor = partsOf(this.system, 'load').find((load) => load.id === madeBy)
      if (!motor) continue
      const runs = between(loadInside(motor.id), terminalPoint(motor.between[1], motor.place)) > DRAFT_ABOVE * motor.volts
      if (runs && !this.proved.has(id)) want(`${id} proves`, PROVES_S, () => this.proved.add(id))
      if (!runs && this.proved.has(id)) want(`${id} drops`, RELAY_S, () => this.proved.delete(id))
    }
  }

  /** An ignition control tries so often for so many seconds, then lets go until its call or its power is made anew. */
  private wantFlames(between: (a: string, b: string) => number, want: Want): void {
    for (const { id, ignites } of partsOf(this.system, 'board')) {
      if (!ignites) continue
      const isBlind = this.troubleNow?.effects.some((effect) => effect.do === 'no-flame' && effect.board === id) ?? false
      const isFed = this.pulledIn.has(ignites.valve)
      if (isFed && !isBlind && !this.burning.has(id) && this.isLit(id, between)) want(`${id} burns`, SENSES_S, () => this.burning.add(id))
      if ((!isFed || isBlind) && this.burning.has(id)) want(`${id} goes out`, RELAY_S, () => this.burning.delete(id))
      const [lights, opens] = [`${id}.${ignites.by}`, `${id}.${ignites.opens}`]
      const warmsS = this.outputOf(id, ignites.opens)?.closesAfterS ?? 0
      if (this.made.has(lights) && !this.burning.has(id))
        want(`${id} gives up`, warmsS + TRIAL_S, () => {
          this.tries.set(id, (this.tries.get(id) ?? 0) + 1)
          for (const key of [lights, opens]) this.made.delete(key)
        })
    }
  }

  private isLit(boardId: string, between: (a: string, b: string) => number): boolean {
    const { ignites } = partsOf(this.system, 'board').find(({ id }) => id === boardId) ?? {}
    const igniter = partsOf(this.system, 'load').find(({ id }) => id === ignites?.igniter)
    return (
      igniter !== undefined &&
      between(loadInside(igniter.id), terminalPoint(igniter.between[1], igniter.place)) > LIGHTS_ABOVE * igniter.volts
    )
  }

  private wantOutputs(between: (a: string, b: string) => number, want: Want): void {
    for (const board of partsOf(this.system, 'board')) {
      const common = terminalPoint(board.between[1], board.place)
      const isAlive = between(boardInside(board.id), common) >= board.aliveAboveVolts
      for (const output of board.outputs) {
        const key = `${board.id}.${output.to}`
        const told = this.troubleNow?.effects.find(
          (effect) => effect.do === 'output' && effect.board === board.id && effect.to === output.to,
        )
        const mode = told?.do === 'output' ? told.mode : output.style
        const isMade = this.made.has(key)
        const isThere = (input: string) => between(terminalPoint(input, board.place), common) >= board.inputAboveVolts
        const isAsked =
          inputsOf(output).some(isThere) &&
          (output.needs ?? []).every(isThere) &&
          !(output.unless ?? []).some(isThere) &&
          this.isTurnOf(board, output.to, between)
        const isCalled = isAlive && (mode === 'chatters' || ((mode === 'relay' || mode === 'toggles') && isAsked))
        const breaks = () => {
          this.made.delete(key)
          this.brokenAt.set(key, this.nowS)
        }
        if (isCalled && (mode === 'toggles' || mode === 'chatters')) want(key, TOGGLE_S, isMade ? breaks : () => this.made.add(key))
        else if (isCalled && !isMade) want(key, this.delayOf(board.id, output.to), () => this.made.add(key))
        else if (!isCalled && isMade) want(key, RELAY_S, breaks)
      }
    }
  }

  private isTurnOf({ id, ignites }: PartOf<'board'>, to: string, between: (a: string, b: string) => number): boolean {
    if (!ignites || (to !== ignites.by && to !== ignites.opens)) return true
    if ((this.tries.get(id) ?? 0) >= TRIES) return false
    return to === ignites.by ? !this.burning.has(id) : this.burning.has(id) || this.isLit(id, between)
  }

  private outputOf(boardId: string, to: string) {
    return partsOf(this.system, 'board')
      .find(({ id }) => id === boardId)
      ?.outputs.find((one) => one.to === to)
  }

  /** How long an output still waits before it is made. */
  private delayOf(boardId: string, to: string): number {
    const output = this.outputOf(boardId, to)
    const since = Math.max(this.poweredSince, this.brokenAt.get(`${boardId}.${to}`) ?? -10_000)
    return Math.max(output?.closesAfterS ?? RELAY_S, since + (output?.minimumOffS ?? 0) - this.nowS)
  }

  /** A board's light flashes while an output that is called waits. */
  isWaiting(boardId: string): boolean {
    return [...this.dueAt].some(([key, at]) => key.startsWith(`${boardId}.`) && at - this.nowS > 1)
  }

  private wantFuse(volts: Volts, want: Want): void {
    const fuse = firstPart(this.system, 'fuse')
    const amps = this.ampsThrough(volts, bodyLink(fuse.id))
    this.highestA = Math.max(this.highestA, amps)
    if (fuse.holds === 'none' && this.bench.slot.holds === 'as-found') return
    const { holds, ratingA } = this.bench.slot
    const ratio = amps / (holds === 'as-found' ? this.foundRatingA : ratingA)
    if (ratio <= FUSE_BLOWS_ABOVE) {
      this.fuseHeat = 0
      return
    }
    // Around the middle of the limits of ISO 8820-3 for blade fuses (0.15-5 s at twice, 0.08-0.5 s at 3.5 times); breakers are slower.
    const isBreaker = holds === 'breaker' || (holds === 'as-found' && fuse.holds === 'breaker')
    const meltS = this.fuseTimes * (isBreaker ? 3 : 1) * 0.9 * (ratio / 2) ** -2.7
    want('fuse', meltS * Math.max(0, 1 - this.fuseHeat), () => {
      this.fuseOpen = true
      this.tripped = true
      this.fuseHeat = 0
    })
  }

  private warm(volts: Volts, seconds: number): void {
    for (const part of partsOf(this.system, 'transformer')) {
      const amps = this.ampsThrough(volts, windingLink(part.id, 'secondary'))
      this.warmTo(part.id, ATTIC_C + RATED_RISE_K * (amps / (part.va / 24)) ** 2, seconds)
    }
  }

  private warmTo(id: string, finalC: number, seconds: number): void {
    const from = this.windingC.get(id) ?? ATTIC_C
    const to = finalC + (from - finalC) * Math.exp(-seconds / WINDING_S)
    if (from <= COOKS_AT_C && to > COOKS_AT_C) {
      this.cooked++
      this.burned.add(id)
    }
    this.windingC.set(id, Math.max(to, from > COOKS_AT_C ? from : to))
  }

  /** The most that a transformer gives now, of its plate. */
  async shareOfPlate(): Promise<number> {
    const volts = await this.volts()
    return Math.max(
      ...partsOf(this.system, 'transformer').map(({ id, va }) => (24 * this.ampsThrough(volts, windingLink(id, 'secondary'))) / va),
    )
  }

  /** How warm each transformer's winding is, °C. */
  get windings(): ReadonlyMap<string, number> {
    return this.windingC
  }

  get state(): Devices {
    return this.devices
  }

  /** The call made anew, and so long waited: so an ignition is read, which else has lit or given up. */
  async callAnew(seconds: number): Promise<void> {
    const { call } = this.bench
    if (!this.bench.power || call === 'off') return
    this.change({ do: 'call', call: 'off' })
    await this.run(LETS_GO_S)
    this.change({ do: 'call', call })
    await this.run(seconds)
  }

  /** An ignition control senses flame, and has its valve open. */
  flameNow(board: PartOf<'board'>): { readonly burns: boolean; readonly isOpen: boolean } {
    return { burns: this.burning.has(board.id), isOpen: board.ignites !== undefined && this.pulledIn.has(board.ignites.valve) }
  }

  /** What a meter of so much input shows between two points. */
  async voltsAcross(a: string, b: string, inputOhm: number, inputFarad: number): Promise<number> {
    const volts = await this.solveWith([a, b, inputOhm, inputFarad], 'live')
    return magnitude(subtract(volts(a), volts(b)))
  }

  async ohmsAcross(a: string, b: string): Promise<number> {
    const volts = await this.solveWith([a, b, 0, 0], 'ohms')
    return Math.abs(volts(a).re - volts(b).re)
  }

  get shownTrouble(): Trouble | null {
    return this.troubleNow
  }

  get isFuseOpen(): boolean {
    return this.fuseOpen
  }

  /** Opened by whoever came before: a fuse found blown. */
  blow(): void {
    this.fuseOpen = true
  }
}

type Want = (key: string, delayS: number, act: () => void) => void
