import { createBench } from '@/src/core/bench/bench'
import { codeFactor } from '@/src/core/diagnosis/hypotheses/codes'
import type { Fault } from '@/src/core/faults/fault'
import type { ChangeLately, Complaint, Symptom } from '@/src/core/job/complaint'
import { setInState } from '@/src/core/operation/in-state'
import { RUNS_ABOVE } from '@/src/core/operation/machine'
import { overloaded, USUAL_GUARD_A } from '@/src/core/operation/settle'
import { isAlive, isBurning, isGuarded, isPulledIn } from '@/src/core/operation/state'
import { type Hypothesis, healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { overloadOn } from '@/src/core/readings/overload'
import { worldsOf } from '@/src/core/readings/world'
import { LruCache, Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'
import type { CallName } from '@/src/core/wiring/call'
import type { PartId } from '@/src/core/wiring/ids'
import { loadInside } from '@/src/core/wiring/links'
import { terminalPoint } from '@/src/core/wiring/point'
import { cableById, callsOf, furtherFuses, partsOf, placeById, type System } from '@/src/core/wiring/system'

/** How one call goes in a house as found: what trips, what runs. */
interface Run {
  readonly trips: number
  /** The same of each further fuse or breaker, by part. */
  readonly furtherTrips: readonly { readonly part: PartId; readonly trips: number }[]
  readonly alive: boolean
  readonly chatters: boolean
  /** What runs: each relay pulled in (and the board's side of a welded one), then each line-voltage load with its volts. */
  readonly running: readonly boolean[]
  /** Each damper lets air through: who asks for air misses it where one is shut; one that stays open nobody tells of as a mode that is dead. */
  readonly air: readonly boolean[]
  /** The thermostat's guard opened its outputs and shows a code, or would where it has one. */
  readonly guarded: boolean
  /** A transformer carries more than it can for the minutes of a check, and nothing opens. */
  readonly overloads: boolean
}

/** How a hypothesis behaves on every call, from the circuit: what the complaint is held against. */
export interface Behaviour {
  /** With the fuse good. */
  readonly fresh: Readonly<Record<'off' | CallName, Run>>
  /** With the fuse as this hypothesis says it was found. */
  readonly asFound: Readonly<Record<'off' | CallName, Run>>
  readonly overloadsUnfused: boolean
  readonly comesAndGoes: boolean
}

/** A short burns out its transformer before the visit only where the protection hardly ever opens. */
const NOTHING_OPENS = modelValue({ value: 0.9, unit: 'chance', source: 'assumption' })
/** A complaint that is told wrongly, or a symptom that has another cause. */
const TOLD_WRONG = modelValue({ value: 0.04, unit: 'share', source: 'assumption' })
/** A house with nothing broken. */
const SOUND_HOUSE_RATE = modelValue({
  value: 8,
  unit: 'rate',
  source: 'assumption: one visit of twenty, against the sum of the rates of all faults, some 170',
})
/** A fuse that meets an overload on an everyday call is found blown. */
const FOUND_BLOWN = modelValue({ value: 0.75, unit: 'share', source: 'assumption' })

export function behaviourOf(laboratory: Laboratory, hypothesis: Hypothesis): Behaviour {
  const runs = (one: Hypothesis) =>
    Object.fromEntries((['off', ...callsOf(laboratory.system)] as const).map((call) => [call, runOf(laboratory, one, call)])) as Record<
      'off' | CallName,
      Run
    >
  const fresh = runs({ ...hypothesis, foundFuse: 'intact', foundOpen: undefined })
  const isFoundOpen = hypothesis.foundFuse === 'blown' || hypothesis.foundOpen !== undefined
  return {
    fresh,
    asFound: isFoundOpen ? runs({ ...hypothesis }) : fresh,
    comesAndGoes: hypothesis.intermittent,
    overloadsUnfused: hypothesis.effects.some(
      (effect) => effect.do === 'short' && !Object.values(fresh).some((run) => run.trips > 0.1) && !fresh.off.alive,
    ),
  }
}

function runOf(laboratory: Laboratory, hypothesis: Hypothesis, call: 'off' | CallName): Run {
  const { machine, kernel, network, system } = laboratory
  const { base, constraints, worlds, trips, furtherTrips } = worldsOf(laboratory, { ...createBench(system), call }, hypothesis)
  const [{ settled, fixed }] = worlds
  const { members, outcome } = settled
  const solved = setInState(kernel, machine, base, fixed, constraints, members[0])
  const igniters = machine.ignitions.map(({ part }) => part.ignites?.igniter)
  const loads = partsOf(system, 'load').map(({ id, between, place, volts }) => {
    const [a, b] = [loadInside(id), terminalPoint(between[1], place)].map((node) => network.nodeIndex(node))
    // Nobody tells of an igniter: what is missed is the fire.
    return !igniters.includes(id) && solved.kernel.difference(a, b) > RUNS_ABOVE * volts
  })
  const burns = (relay: number) =>
    machine.ignitions.every((ignition) => ignition.valve !== relay || members.every((state) => isBurning(state, ignition)))
  const isDamper = (index: number) => machine.relays[index].part.role === 'damper'
  const [dampers, work] = [true, false].map((wanted) => [...machine.relays.keys()].filter((index) => isDamper(index) === wanted))
  return {
    trips,
    furtherTrips,
    alive: machine.thermostats.every((thermostat) => members.some((state) => isAlive(state, thermostat))),
    chatters: outcome === 'chatters',
    running: [...work.map((index) => members.every((state) => isPulledIn(state, index)) && burns(index)), ...loads],
    air: dampers.map((index) => members.every((state) => !isPulledIn(state, index))),
    guarded: machine.thermostats.some((thermostat) => members.every((state) => isGuarded(state, thermostat))) || wouldGuard(),
    overloads: overloadOn(laboratory, { ...createBench(system), call }, hypothesis).lasts > NOTHING_OPENS,
  }

  /** Of a kind that guards its outputs, which nobody has said, the calling thermostat would open them. */
  function wouldGuard(): boolean {
    const calling = machine.thermostats[constraints.caller]
    if (calling.part.power === 'mechanical' || calling.part.guardA !== undefined) return false
    return settled.path.some(
      (state) =>
        isAlive(state, calling) &&
        overloaded(calling, constraints.closing, USUAL_GUARD_A, setInState(kernel, machine, base, fixed, constraints, state).kernel)
          .length > 0,
    )
  }
}

/**
 * The hypotheses that the engine weighs: nothing wrong, and every fault in each of its forms, once with the found fuse good
 * and once with it blown where that form would have blown it; wiring faults also as ones that come and go.
 */
export function createHypotheses(
  laboratory: Laboratory,
  faults: readonly Fault[],
): { hypotheses: Hypothesis[]; rates: number[]; behaviours: Behaviour[] } {
  const hypotheses: Hypothesis[] = [healthy]
  const rates = [SOUND_HOUSE_RATE]
  const behaviours = [behaviourOf(laboratory, healthy)]
  const add = (hypothesis: Hypothesis, rate: number, behaviour = behaviourOf(laboratory, hypothesis)) => {
    hypotheses.push(hypothesis)
    rates.push(rate)
    behaviours.push(behaviour)
  }
  for (const fault of faults) {
    if (fault.effects.some((effect) => effect.do === 'found-blown')) {
      const further = furtherFuses(laboratory.system).find(({ id }) => id === fault.part)
      add(further ? { ...hypothesisOfFault(fault), foundOpen: further.id } : hypothesisOfFault(fault, 'blown'), fault.rate)
      continue
    }
    const { touch, warm } = fault.comesAndGoes
    const solid = 1 - fault.variants.reduce((sum, { share }) => sum + share, 0) - touch - warm
    const forms = [{ name: '', share: solid, effects: fault.effects }, ...fault.variants]
    for (const { name, share, effects } of forms) {
      const intact: Hypothesis = {
        id: [fault.id, name].filter(Boolean).join(' '),
        fault,
        effects,
        foundFuse: 'intact',
        wiring: [],
        intermittent: false,
      }
      const behaviour = behaviourOf(laboratory, intact)
      const blows = FOUND_BLOWN * Math.max(...Object.values(behaviour.fresh).map((run) => run.trips))
      const others = furtherFuses(laboratory.system).flatMap(({ id, name }) => {
        const most = Math.max(...Object.values(behaviour.fresh).map((run) => run.furtherTrips.find(({ part }) => part === id)?.trips ?? 0))
        return FOUND_BLOWN * most > 0.02 ? [{ id, name, blows: FOUND_BLOWN * most }] : []
      })
      const othersBlow = Math.min(
        1 - blows,
        others.reduce((sum, other) => sum + other.blows, 0),
      )
      add(intact, fault.rate * share * (1 - blows - othersBlow), behaviour)
      for (const other of others)
        add({ ...intact, id: `${intact.id} ${other.name} open`, foundOpen: other.id }, fault.rate * share * other.blows)
      if (blows > 0.02) add({ ...intact, id: `${intact.id} fuse blown`, foundFuse: 'blown' }, fault.rate * share * blows)
      if (name !== '' || touch + warm === 0) continue
      const coming: Hypothesis = { ...intact, id: `${fault.id} now and then`, intermittent: true }
      const unsteady: Behaviour = { ...behaviour, comesAndGoes: true }
      add(coming, fault.rate * touch * (1 - blows), unsteady)
      if (warm > 0) add({ ...coming, id: `${fault.id} when warm`, warms: true }, fault.rate * warm * (1 - blows), unsteady)
      if (blows > 0.02) add({ ...coming, id: `${coming.id} fuse blown`, foundFuse: 'blown' }, fault.rate * (touch + warm) * blows)
    }
  }
  return { hypotheses, rates, behaviours }
}

/** P(the customer would tell this symptom | the house behaves so). */
export function symptomLikelihood(symptom: Symptom, call: CallName | null, behaviour: Behaviour, sound: Behaviour): number {
  return TOLD_WRONG + (1 - TOLD_WRONG) * symptomShows(symptom, call, behaviour, sound)
}

function symptomShows(symptom: Symptom, call: CallName | null, behaviour: Behaviour, sound: Behaviour): number {
  const { fresh, asFound } = behaviour
  const calls = (Object.keys(fresh) as ('off' | CallName)[]).filter((name): name is CallName => name !== 'off')
  const isMissing = (found: readonly boolean[], due: readonly boolean[]) => found.some((isThere, index) => !isThere && due[index])
  const deviates = (name: CallName) =>
    isMissing(asFound[name].running, sound.fresh[name].running) || isMissing(asFound[name].air, sound.fresh[name].air)
  const tripsAny = Math.max(fresh.off.trips, ...calls.map((name) => fresh[name].trips))
  // What comes and goes is told as that, more often than not: assumption.
  const steadiness = behaviour.comesAndGoes ? 0.4 : 1
  switch (symptom) {
    case 'blank-thermostat':
      return asFound.off.alive ? 0 : 1
    case 'nothing-runs':
      return calls.every(deviates) ? 1 : 0
    case 'mode-dead': {
      const dead = calls.filter(deviates)
      if (dead.length === 0 || dead.length === calls.length) return 0
      return call === null ? 0.8 : dead.includes(call) ? 1 : 0
    }
    case 'never-stops': {
      const runsOn = (isMeant: (index: number) => boolean) =>
        (['off', ...calls] as const).some((name) =>
          asFound[name].running.some((isIn, index) => isIn && !sound.fresh[name].running[index] && isMeant(index)),
        )
      if (!runsOn(() => true)) return 0
      return call === null || runsOn((index) => sound.fresh[call].running[index]) ? 1 : NAMED_OTHERWISE
    }
    case 'half-works': {
      const runs = (name: CallName) => asFound[name].running.some((isIn, index) => isIn && sound.fresh[name].running[index])
      return calls.some((name) => deviates(name) && runs(name)) ? 1 : 0
    }
    case 'code':
      return (call === null ? calls : [call]).some((name) => asFound[name].guarded) ? 1 : 0
    case 'fuse-at-power-up':
      return Math.max(steadiness * fresh.off.trips, blownForNothing(behaviour) * 0.3)
    case 'fuse-on-call': {
      const wanted = call === null ? calls : [call]
      const onCall = Math.max(...wanted.map((name) => fresh[name].trips))
      const elsewhere = call === null ? 0 : Math.max(0, ...calls.filter((name) => name !== call).map((name) => fresh[name].trips))
      return Math.max(steadiness * onCall * (1 - fresh.off.trips) * (1 - 0.7 * elsewhere), blownForNothing(behaviour) * 0.3)
    }
    case 'fuse-now-and-then':
      return Math.max((behaviour.comesAndGoes ? 0.9 : 0.3) * tripsAny, blownForNothing(behaviour) * 0.5)
    case 'chatters':
      return Object.values(fresh).some((run) => run.chatters) ? 1 : 0
    case 'smell':
      return behaviour.overloadsUnfused ? 1 : 0.2 * tripsAny
  }
}

/** Something else runs on than what the customer named: a blower that never stops is the furnace to many. */
const NAMED_OTHERWISE = modelValue({ value: 0.25, unit: 'chance', source: 'assumption' })

/** A fuse found blown although nothing in the house blows it. */
const blownForNothing = ({ fresh, asFound }: Behaviour): number =>
  fresh !== asFound && Object.values(fresh).every((run) => run.trips < 0.1) ? 1 : 0

/** Odds that a change made lately puts on a fault. All assumptions; field-work.md sections 1 and 11 give the direction. */
export function changedLatelyFactor(system: System, changed: ChangeLately, fault: Fault): number {
  const cable = cableById(system, fault.zone)
  const placeKind = placeById(system, fault.zone)?.kind
  const runsOutdoors = cable?.between.some((place) => ['outdoor', 'package'].includes(placeById(system, place)?.kind ?? '')) ?? false
  const isUnlanded = fault.family === 'not-landed'
  switch (changed) {
    case 'garden-work':
      return runsOutdoors ? 6 : placeKind === 'outdoor' || placeKind === 'package' ? 1.5 : 1
    case 'new-thermostat':
      return placeKind === 'thermostat' ? (isUnlanded ? 6 : 3) : cable && !runsOutdoors ? 2 : 1
    case 'new-equipment':
      return isUnlanded && placeKind !== 'thermostat' ? 5 : fault.family === 'lead-to-chassis' ? 2 : 1
    case 'earlier-repair':
      return isUnlanded ? 4 : 1
    case 'rodents':
      return cable ? 4 : 1
    case 'storm':
      return fault.family === 'transformer-dead' || fault.family === 'fuse-only' ? 2.5 : placeKind === 'outdoor' ? 1.5 : 1
  }
}

/** Prior weight of each hypothesis, before any reading. Weights sum to one; kept, since every opinion begins with them. */
export const priorWeights = (
  system: System,
  hypotheses: readonly Hypothesis[],
  rates: readonly number[],
  behaviours: readonly Behaviour[],
  complaint: Complaint,
): Readonly<Float64Array> =>
  weightsOf.of(hypotheses).get(JSON.stringify(complaint), () => weighHypotheses(system, hypotheses, rates, behaviours, complaint))

/** Complaints whose weights are kept: the one of a job, and what each of its parts did. */
const KEPT_COMPLAINTS = workLimit(24)
const weightsOf = new Memo((_: readonly Hypothesis[]) => new LruCache<string, Float64Array>(KEPT_COMPLAINTS))

function weighHypotheses(
  system: System,
  hypotheses: readonly Hypothesis[],
  rates: readonly number[],
  behaviours: readonly Behaviour[],
  complaint: Complaint,
): Float64Array {
  const weights = new Float64Array(hypotheses.length)
  let total = 0
  hypotheses.forEach((hypothesis, index) => {
    let weight = rates[index]
    for (const symptom of complaint.symptoms) weight *= symptomLikelihood(symptom, complaint.call, behaviours[index], behaviours[0])
    if (hypothesis.fault) for (const code of complaint.codes) weight *= codeFactor(system, code, hypothesis.fault)
    if (hypothesis.fault) for (const changed of complaint.changed) weight *= changedLatelyFactor(system, changed, hypothesis.fault)
    weights[index] = weight
    total += weight
  })
  for (let index = 0; index < weights.length; index++) weights[index] /= total
  return weights
}
