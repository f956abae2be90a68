import { isResettable } from '@/src/core/bench/apply'
import { type Bench, benchKey, slotOf } from '@/src/core/bench/bench'
import { addAdmittance, type Change, changeLink, closeLink, type Factored, openLink } from '@/src/core/circuit/factored'
import type { Effect } from '@/src/core/faults/effect'
import { constraintsOfCall, movesKey } from '@/src/core/operation/asked'
import { type OutputKey, outputKey } from '@/src/core/operation/machine'
import { type Settled, settle, settleBeforeGuard } from '@/src/core/operation/settle'
import type { Constraints, OutputMode } from '@/src/core/operation/state'
import { probabilityOpens } from '@/src/core/protection/trip-curve'
import { changesTold, type Hypothesis } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { type FuseNow, firstToOpen, loadsOf } from '@/src/core/readings/opening'
import { type IgnitionMoment, minutesThatMatter, waitOn } from '@/src/core/readings/waiting'
import { LruCache, Memo } from '@/src/core/units/cache'
import { complex } from '@/src/core/units/complex'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'
import type { PartId } from '@/src/core/wiring/ids'
import { bodyLink, contactLink, passLink } from '@/src/core/wiring/links'
import { isPoint } from '@/src/core/wiring/point'
import { callerOf, firstPart, isUnknown, partsOf } from '@/src/core/wiring/system'

/** What boards of this trade are fused with. */
const COMMON_RATINGS = modelValue({ value: [3, 5], unit: 'A', source: 'assumption' })

/** Thermostats whose guard is slower than a relay that lets go of what overloads it, or than their own death of it. */
const GUARDS_LATE = modelValue({ value: 0.5, unit: 'share', source: 'assumption: sold from microseconds to a third of a second' })
/** A world that is rarer is none. */
const LEAST_WORLD = modelValue({ value: 0.001, unit: 'share', source: 'assumption' })

/** One way in which a bench can stand under a hypothesis: with the protection holding, or open. */
export interface World {
  readonly weight: number
  readonly protection: 'holds' | 'open'
  /** Further fuses and breakers that are open in it, by part. */
  readonly opened?: readonly string[]
  readonly settled: Settled
  /** Changes against the bench's network, the machine's state apart. */
  readonly fixed: readonly Change[]
  /** Boards that hold an output back, their delay still running. */
  readonly waiting?: readonly string[]
  /** A moment of an ignition that some who read it meet, and others do not. */
  readonly moment?: IgnitionMoment
  /** The world beside such a moment: its weight for who does not meet it. */
  readonly beside?: { readonly moment: IgnitionMoment; readonly weight: number }
}

/** Where an ignition control is looked at: at its igniter, at its burners, or not at all. */
export type Watches = 'igniter' | 'burners' | 'else'
/** The warm-up is met by who reads the igniter; the lockout not by who watches the burners from the call on. */
const meets = (moment: IgnitionMoment, watches: Watches): boolean => (moment === 'warm-up' ? watches === 'igniter' : watches !== 'burners')

/** The weight of a world for who watches so. */
export function weightFor({ weight, moment, beside }: World, watches: Watches): number {
  if (moment && !meets(moment, watches)) return 0
  return beside && !meets(beside.moment, watches) ? beside.weight : weight
}

export interface Worlds {
  /** As it stands before the protection opens, if it does. */
  readonly before: Pick<World, 'settled' | 'fixed'>
  readonly base: Factored
  readonly constraints: Constraints
  readonly worlds: readonly World[]
  /** P(the transformer's first protection opens on this bench), given that it was closed. */
  readonly trips: number
  /** The same of each further one that may open; the quickest opens first, and the others hold. */
  readonly furtherTrips: readonly { readonly part: PartId; readonly trips: number }[]
  /** Whether it opens hangs on who is quicker here, the protection or the thermostat that dies: the same at every trial in one house. */
  readonly isRace: boolean
  /** Highest current through the protection while it holds, A. */
  readonly overloadA: number
}

/** Benches whose worlds are kept in one laboratory: the last few, which are asked again and again. */
const KEPT_BENCHES = workLimit(10)
const keptOf = new Memo((_: Laboratory) => new LruCache<string, Memo<Hypothesis, Worlds>>(KEPT_BENCHES))

/** The ways in which a bench stands under a hypothesis; worked out once and kept while the bench is in use. */
export function worldsOf(laboratory: Laboratory, bench: Bench, hypothesis: Hypothesis): Worlds {
  const on = minutesThatMatter(laboratory, bench)
  const hypotheses = keptOf.of(laboratory).get(benchKey(on), () => new Memo((hypothesis) => settleWorlds(laboratory, on, hypothesis)))
  return hypotheses.of(hypothesis)
}

/** With the power off there is one world, without a machine in it. */
function settleWorlds(laboratory: Laboratory, bench: Bench, hypothesis: Hypothesis): Worlds {
  const base = laboratory.onBench(bench)
  const constraints = constraintsOf(laboratory, bench, hypothesis)
  const { machine, kernel, network, system } = laboratory
  const first = firstPart(system, 'fuse').id
  const fuses = partsOf(system, 'fuse').map((fuse): FuseNow => {
    const slot = slotOf(system, bench, fuse.id)
    const wasFoundOpen = fuse.id === first ? hypothesis.foundFuse === 'blown' : hypothesis.foundOpen === fuse.id
    return { fuse, slot, open: slot.open || (slot.holds === 'as-found' && wasFoundOpen) }
  })
  const openOf = (id: string) => openLink(network, bodyLink(id))
  const alreadyOpen = fuses.flatMap(({ fuse, slot, open }) => (open && !slot.open ? [openOf(fuse.id)] : []))
  const faulty = changesOfFault(laboratory, hypothesis, bench)
  const fixed = alreadyOpen.length === 0 ? faulty : [...faulty, ...alreadyOpen]
  const worldWith = (weight: number, opens: string | null, settled: Settled): World => {
    const open = fuses.filter((one) => one.open || one.fuse.id === opens).map(({ fuse }) => fuse.id)
    return {
      weight,
      protection: open.includes(first) ? 'open' : 'holds',
      ...(open.some((id) => id !== first) && { opened: open.filter((id) => id !== first) }),
      settled,
      fixed: opens === null ? fixed : [...fixed, openOf(opens)],
    }
  }
  const alone = (only: World): Worlds => {
    return { base, constraints, before: only, worlds: [only], trips: 0, furtherTrips: [], isRace: false, overloadA: 0 }
  }
  if (!bench.power) return alone(worldWith(1, null, { outcome: 'settled', members: [0], path: [0] }))
  const settled = settle(machine, base, fixed, constraints, 0, kernel)
  const closed = fuses.filter(({ open }) => !open)
  if (closed.length === 0) return alone(worldWith(1, null, settled))
  // A guard that opens may be slower than what lets go of the overload, or dies of it.
  const late = settleBeforeGuard(machine, base, fixed, constraints, settled, kernel)
  const ways = [
    { settled, share: late.length > 0 ? 1 - GUARDS_LATE : 1 },
    ...late.map((one) => ({ settled: one, share: GUARDS_LATE / late.length })),
  ].map((way) => {
    const load = loadsOf(laboratory, base, fixed, constraints, way.settled, closed)
    return { ...way, load, race: raceOf(load) }
  })
  const worlds: World[] = []
  for (const { settled: rests, share, race } of ways) {
    const holds = race.reduce((left, { trips }) => left - trips, 1)
    if (share * holds > LEAST_WORLD) worlds.push(worldWith(share * holds, null, rests))
    for (const { part, trips } of race)
      if (share * trips > LEAST_WORLD)
        worlds.push(worldWith(share * trips, part, settle(machine, base, [...fixed, openOf(part)], constraints, 0, kernel)))
  }
  const place = closed.findIndex(({ fuse }) => fuse.id === first)
  const tripsOf = (part: PartId) =>
    ways.reduce((sum, { share, race }) => sum + share * (race.find((one) => one.part === part)?.trips ?? 0), 0)
  return {
    base,
    constraints,
    before: { settled, fixed },
    worlds: worlds.flatMap(withWait),
    trips: tripsOf(first),
    furtherTrips: closed.flatMap(({ fuse }) => (fuse.id === first ? [] : [{ part: fuse.id, trips: tripsOf(fuse.id) }])),
    isRace: ways.some(({ load }) => load.seconds.length > 1),
    overloadA: place < 0 ? 0 : Math.max(...ways.map(({ load }) => load.amps[place])),
  }

  /** Which of what is closed opens first under such a load, and how likely. */
  function raceOf(load: ReturnType<typeof loadsOf>): ReturnType<typeof firstToOpen> {
    return firstToOpen(
      closed.map(({ fuse, slot }, index) => {
        // A fuse that nobody has looked at is one of the two that are sold for this.
        const isUnlabelled = fuse.id === first && slot.holds === 'as-found' && isUnknown(system, 'fuse')
        const kind = isResettable(system, bench, fuse.id) ? 'breaker' : 'fuse'
        const ratings = slot.holds === 'as-found' && fuse.holds === 'none' ? [] : isUnlabelled ? COMMON_RATINGS : [slot.ratingA]
        const amps = load.amps[index]
        const chances = ratings.flatMap((ratingA) => load.seconds.map((seconds) => probabilityOpens(kind, ratingA, amps, seconds)))
        const trips = chances.reduce((sum, chance) => sum + chance, 0) / Math.max(1, chances.length)
        return { part: fuse.id, trips, times: amps / slot.ratingA }
      }),
    )
  }

  /** The world itself, and the same while a delay runs in it. */
  function withWait(world: World): World[] {
    const wait = waitOn(laboratory, bench, constraints, world.settled)
    if (!wait) return [world]
    const fixed = [...world.fixed, ...wait.opens]
    const resting = settle(machine, base, fixed, wait.constraints, 0, kernel)
    const share = resting.outcome === 'settled' ? wait.share : wait.shareIfChatters
    const { moment } = wait
    if (share === 0 || (wait.opens.length === 0 && resting.members.join() === world.settled.members.join())) return [world]
    return [
      { ...world, weight: world.weight * (1 - share), ...(moment && { beside: { moment, weight: world.weight } }) },
      { ...world, weight: world.weight * share, fixed, settled: resting, waiting: wait.boards, ...(moment && { moment }) },
    ]
  }
}

/** A fault as low-rank changes of the laboratory's network. A wrong landing comes off when its end is lifted. */
export function changesOfFault(
  laboratory: Laboratory,
  hypothesis: Hypothesis,
  { lifted, unplugged }: Pick<Bench, 'lifted' | 'unplugged'> = { lifted: [], unplugged: [] },
): Change[] {
  const { network } = laboratory
  const changes: Change[] = []
  for (const effect of changesTold(hypothesis)) {
    switch (effect.do) {
      case 'open':
        changes.push(openLink(network, effect.link))
        break
      case 'resist':
        changes.push(changeLink(network, effect.link, network.link(effect.link).ohm, effect.ohm))
        break
      case 'short':
        if ((isPoint(effect.a) && lifted.includes(effect.a)) || (effect.within !== undefined && unplugged.includes(effect.within))) break
        changes.push(addAdmittance(network, effect.a, effect.b, complex(1 / effect.ohm)))
        break
      case 'close':
        changes.push(closeLink(network, effect.link))
        break
      case 'weld':
        changes.push(closeLink(network, contactLink(effect.coil)))
        break
      // It hums for seconds; then what protects it has opened, for as long as the call lasts.
      case 'stall':
        changes.push(openLink(network, bodyLink(effect.load)))
        break
      case 'output':
        changes.push(...changesOfOutput(laboratory, effect))
        break
      case 'never-closes':
      case 'thermostat-dead':
      case 'jam':
      case 'no-flame':
      case 'false-code':
      case 'found-blown':
        break
    }
  }
  return changes
}

/** What stands for good when an output is not as built; what moves is the machine's. */
function changesOfOutput({ network, machine }: Laboratory, { board, to, mode }: Extract<Effect, { do: 'output' }>): Change[] {
  const output = machine.outputs.find((candidate) => candidate.part.id === board && candidate.to === to)
  if (!output) throw new Error(`no output ${to} on board ${board}`)
  const isPassing = output.style === 'passes'
  const opens = isPassing && mode !== 'passes' && mode !== 'on' ? [openLink(network, passLink(board, to))] : []
  if (mode === 'on') return [...opens, output.closes]
  if (mode === 'passes' && !isPassing) return [closeLink(network, passLink(board, to))]
  return opens
}

/** What moves, and what a fault keeps from moving. Most keep nothing from it: their constraints are the bench's, and one object. */
export function constraintsOf(laboratory: Laboratory, bench: Bench, hypothesis: Hypothesis): Constraints {
  const asAsked = askedOf.of(laboratory).of(bench)
  const told = changesTold(hypothesis)
  if (!told.some(({ do: effect }) => HINDERS.has(effect))) return asAsked
  const part = callerOf(laboratory.system, bench.call)
  let { closing } = asAsked
  const dead = [...asAsked.dead]
  const welded: string[] = []
  const jammed: string[] = []
  const outputs: Record<OutputKey, OutputMode> = {}
  for (const effect of told) {
    if (effect.do === 'weld') welded.push(effect.coil)
    if (effect.do === 'jam') jammed.push(effect.coil)
    if (effect.do === 'no-flame') jammed.push(effect.board)
    if (effect.do === 'false-code') jammed.push(effect.thermostat)
    // A fault of an output outweighs the way it was built.
    if (effect.do === 'output') outputs[outputKey(effect.board, effect.to)] ??= effect.mode
    if (effect.do === 'never-closes' && effect.thermostat === part.id)
      closing = closing.filter((terminal) => !effect.terminals.includes(terminal))
    if (effect.do === 'thermostat-dead') dead.push(effect.thermostat)
  }
  return { ...asAsked, closing, dead, welded, jammed, outputs, moves: movesKey(asAsked.caller, closing, welded) }
}

const HINDERS: ReadonlySet<Effect['do']> = new Set(['weld', 'jam', 'no-flame', 'false-code', 'output', 'never-closes', 'thermostat-dead'])

const askedOf = new Memo(
  ({ machine }: Laboratory) => new Memo(({ call, unplugged, guards }: Bench) => constraintsOfCall(machine, call, unplugged, guards)),
)
