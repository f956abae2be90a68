import { isResettable } from '@/src/core/bench/apply'
import { type Bench, slotOf } from '@/src/core/bench/bench'
import { addAdmittance, type Change, openLink } from '@/src/core/circuit/factored'
import { EventQueue } from '@/src/core/operation/event-queue'
import { type SolvedState, setInState } from '@/src/core/operation/in-state'
import { nextState, type Settled } from '@/src/core/operation/settle'
import {
  type Constraints,
  isAlive,
  isGuarded,
  isMade,
  isPulledIn,
  type Meaning,
  meaningsOf,
  type StateBits,
} from '@/src/core/operation/state'
import { ATTIC_C, coolsTo, LIMIT_C, secondsUntilC, type Winding } from '@/src/core/protection/transformer-heat'
import { openingBand } from '@/src/core/protection/trip-curve'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { changesOfFault, constraintsOf } from '@/src/core/readings/world'
import { complex } from '@/src/core/units/complex'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'
import { bodyLink, passLink, windingLink } from '@/src/core/wiring/links'
import type { PartOf } from '@/src/core/wiring/part'
import { terminalPoint } from '@/src/core/wiring/point'
import { callerOf, firstPart, partsOf } from '@/src/core/wiring/system'

/** One thing that happened, and when: `what` became `to`. */
export interface Happening {
  readonly atS: number
  /** A part by its id, `board.output`, or `guard`. */
  readonly what: string
  readonly to:
    | 'in'
    | 'out'
    | 'made'
    | 'broken'
    | 'alive'
    | 'blank'
    | 'tripped'
    | 'open'
    | 'cooked'
    | 'called'
    | 'let go'
    | 'defrosts'
    | 'thawed'
    | 'burns'
    | 'no flame'
}

/**
 * How a run ended. `chatters`: the same states came round again, listed with the time of one round. `under-way`: the time was
 * up with something still to come, a delay or a fuse on its way.
 */
export interface OverTime {
  readonly happenings: readonly Happening[]
  readonly outcome: Settled['outcome'] | 'under-way'
  readonly periodS: number | null
  readonly members: readonly StateBits[]
  readonly windingC: number
}

export interface Script {
  /** What the thermostat is set to, and when. The bench's own call stands at 0 s. */
  readonly calls?: readonly { readonly atS: number; readonly call: Bench['call'] }[]
  readonly untilS: number
  readonly ambientC?: number
  /** Where in its band the fuse melts: 0 the quickest, 1 the slowest. */
  readonly fuseShare?: number
  /** What a cooked transformer becomes. */
  readonly cooksTo?: 'open' | 'shorted'
}

/** A relay pulls in or drops out. */
const RELAY_S = modelValue({ value: 0.02, unit: 's', source: 'assumption' })
/** A thermostat's guard opens its outputs. */
const GUARD_S = modelValue({ value: 0.01, unit: 's', source: 'assumption' })
/** A thermostat starts. */
const BOOT_S = modelValue({ value: 2, unit: 's', source: 'assumption' })
/** A toggling output changes. */
const TOGGLE_S = modelValue({ value: 1, unit: 's', source: 'assumption' })
/** Until a motor is up to speed and its draft has made a switch. */
const PROVES_S = modelValue({ value: 5, unit: 's', source: 'assumption' })
/** Until an ignition control trusts the flame that it senses. */
const SENSES_S = modelValue({ value: 2, unit: 's', source: 'assumption' })
/** Rounds of the same state after which it is called chatter, and events after which the run is given up. */
const ROUNDS = workLimit(4)
const MOST_EVENTS = workLimit(400)

type Due =
  | { readonly do: 'bit'; readonly bit: number }
  | { readonly do: 'fuse' }
  | { readonly do: 'cooked' }
  | { readonly do: 'call'; readonly call: Bench['call'] }
  | { readonly do: 'defrost'; readonly board: PartOf<'board'>; readonly begins: boolean }

/**
 * Runs a bench over time under a hypothesis: relays with their own delays, boards that wait out their minimum off time, a
 * thermostat that lives on for its hold-up, a fuse that melts through its band and a winding that heats. The same network and
 * thresholds as the fixed point of `settle`, on an event queue with the clock as its own variable.
 */
export function runOverTime(laboratory: Laboratory, bench: Bench, hypothesis: Hypothesis, script: Script): OverTime {
  const { machine, kernel, network, system } = laboratory
  const base = laboratory.onBench(bench)
  const fuse = firstPart(system, 'fuse')
  const transformer = firstPart(system, 'transformer')
  const winding: Winding = { va: transformer.va, plateVolts: 24 }
  const ambientC = script.ambientC ?? ATTIC_C
  const queue = new EventQueue<Due>()
  const bits = meaningsOf(machine)
  const meaningOf = (bit: number): Meaning => {
    const found = bits.find((candidate) => candidate.bit === bit)
    if (!found) throw new Error(`bit ${bit} stands for nothing in ${system.id}`)
    return found.meaning
  }
  const happenings: Happening[] = []
  let fixed: readonly Change[] = changesOfFault(laboratory, hypothesis, bench)
  const alter = (...changes: readonly Change[]) => {
    fixed = [...fixed, ...changes]
  }
  const lastBroken = new Map<number, number>()
  const thawing = new Map<string, readonly Change[]>()
  const visits = new Map<string, number[]>()
  const order: StateBits[] = []
  let call = bench.call
  let state: StateBits = 0
  let nowS = 0
  let melted = 0
  let windingC = ambientC
  let isFuseOpen = bench.slot.open || (bench.slot.holds === 'as-found' && hypothesis.foundFuse === 'blown')
  if (isFuseOpen && !bench.slot.open) alter(openLink(network, bodyLink(fuse.id)))
  const { foundOpen } = hypothesis
  if (foundOpen !== undefined && slotOf(system, bench, foundOpen).holds === 'as-found') alter(openLink(network, bodyLink(foundOpen)))
  const isFused = !(bench.slot.holds === 'as-found' && fuse.holds === 'none')
  const protector = isResettable(system, bench) ? 'breaker' : 'fuse'
  for (const { atS, call: next } of script.calls ?? []) queue.set(`call ${atS}`, atS, { do: 'call', call: next })
  const end = (outcome: OverTime['outcome'], periodS: number | null, members: readonly StateBits[]): OverTime => ({
    happenings,
    outcome,
    periodS,
    members,
    windingC,
  })

  for (let events = 0; events < MOST_EVENTS; events++) {
    const constraints = constraintsOf(laboratory, { ...bench, call }, hypothesis)
    const solved = setInState(kernel, machine, base, fixed, constraints, state)
    const wanted = nextState(machine, constraints, state, solved.kernel)
    for (const { bit } of bits) {
      const key = `bit ${bit}`
      if (((wanted ^ state) >> bit) & 1) {
        if (!queue.has(key)) queue.set(key, nowS + delayOf(bit, ((wanted >> bit) & 1) === 1, constraints), { do: 'bit', bit })
      } else queue.cancel(key)
    }
    const amps = solved.kernel.current(network.linkRow(bodyLink(fuse.id)))
    const band = isFuseOpen || !isFused ? null : openingBand(protector, bench.slot.ratingA, amps)
    const meltS = band ? Math.exp(Math.log(band.shortestS) + (script.fuseShare ?? 0.5) * Math.log(band.longestS / band.shortestS)) : null
    if (meltS === null) queue.cancel('fuse')
    else queue.set('fuse', nowS + (1 - melted) * meltS, { do: 'fuse' })
    const secondaryA = solved.kernel.current(network.linkRow(windingLink(transformer.id, 'secondary')))
    const cookS = secondsUntilC(winding, secondaryA, windingC, LIMIT_C, ambientC)
    if (cookS === null) queue.cancel('cooked')
    else queue.set('cooked', nowS + cookS, { do: 'cooked' })

    for (const board of partsOf(system, 'board')) planDefrost(board, solved)

    const due = queue.take()
    if (!due || due.atS > script.untilS) {
      windingC = coolsTo(winding, secondaryA, windingC, (due ? script.untilS : Math.max(nowS, script.untilS)) - nowS, ambientC)
      // A thaw an hour from now is no unrest.
      return end(due && due.event.do !== 'defrost' ? 'under-way' : 'settled', null, [state])
    }
    const passedS = due.atS - nowS
    melted = meltS === null ? 0 : melted + passedS / meltS
    windingC = coolsTo(winding, secondaryA, windingC, passedS, ambientC)
    nowS = due.atS
    happen(due.event)
    const seen = `${state} ${call} ${isFuseOpen}`
    const times = [...(visits.get(seen) ?? []), nowS]
    visits.set(seen, times)
    order.push(state)
    if (due.event.do === 'bit' && times.length > ROUNDS) {
      const periodS = (times[times.length - 1] - times[0]) / (times.length - 1)
      const round = order.lastIndexOf(state, order.length - 2)
      // With the fuse on its way to melting, the chatter goes on until it does.
      if (meltS === null || melted < 0.02) return end('chatters', periodS, order.slice(round + 1))
    }
  }
  return end('gave-up', null, order.slice(-4))

  function delayOf(bit: number, on: boolean, { outputs }: Constraints): number {
    const meaning = meaningOf(bit)
    if (meaning.of === 'alive') return on ? BOOT_S : meaning.thermostat.part.holdUpS
    if (meaning.of === 'guard') return GUARD_S
    if (meaning.of === 'relay') {
      const { part } = machine.relays[meaning.index]
      return (on ? part.closesAfterS : part.opensAfterS) ?? RELAY_S
    }
    if (meaning.of === 'proving') return on ? PROVES_S : RELAY_S
    if (meaning.of === 'flame') return on ? SENSES_S : RELAY_S
    const output = machine.outputs[meaning.index]
    if (outputs[output.key] === 'toggles' || outputs[output.key] === 'chatters') return TOGGLE_S
    const offS = output.minimumOffS ?? 0
    // At power-up a board takes its output for just broken.
    return on ? Math.max(output.closesAfterS ?? RELAY_S, (lastBroken.get(bit) ?? 0) + offS - nowS) : RELAY_S
  }

  /** The board counts its minutes while its compressor is called, and starts anew when the call is gone. */
  function planDefrost(board: PartOf<'board'>, { kernel }: SolvedState): void {
    if (!board.defrost || thawing.has(board.id)) return
    const [input, common] = [board.defrost.call, board.between[1]].map((name) => network.nodeIndex(terminalPoint(name, board.place)))
    const key = `defrost ${board.id}`
    if (kernel.difference(input, common) < board.inputAboveVolts) queue.cancel(key)
    else if (!queue.has(key)) queue.set(key, nowS + board.defrost.everyS, { do: 'defrost', board, begins: true })
  }

  function changesOfDefrost(board: PartOf<'board'>): Change[] {
    const at = (name: string) => terminalPoint(name, board.place)
    const { closes = [], opens = [] } = board.defrost ?? {}
    return [
      ...closes.map(([from, to]) => addAdmittance(network, at(from), at(to), complex(1 / board.contactOhm))),
      ...opens.map((to) => openLink(network, passLink(board.id, to))),
    ]
  }

  function happen(event: Due): void {
    const say = (what: string, to: Happening['to']) => happenings.push({ atS: nowS, what, to })
    switch (event.do) {
      case 'call':
        say(callerOf(system, event.call === 'off' ? call : event.call).id, event.call === 'off' ? 'let go' : 'called')
        call = event.call
        return
      case 'defrost': {
        const { board, begins } = event
        if (begins) {
          const changes = changesOfDefrost(board)
          thawing.set(board.id, changes)
          alter(...changes)
          queue.set(`thaw ${board.id}`, nowS + (board.defrost?.lastsS ?? 0), { do: 'defrost', board, begins: false })
        } else {
          const changes = thawing.get(board.id) ?? []
          fixed = fixed.filter((change) => !changes.includes(change))
          thawing.delete(board.id)
        }
        say(board.id, begins ? 'defrosts' : 'thawed')
        // What comes round after it is no chatter.
        visits.clear()
        return
      }
      case 'fuse':
        isFuseOpen = true
        melted = 0
        alter(openLink(network, bodyLink(fuse.id)))
        say(fuse.id, 'open')
        return
      case 'cooked':
        say(transformer.id, 'cooked')
        if (script.cooksTo === 'shorted') {
          const [a, b] = transformer.secondary.map((node) => terminalPoint(node, transformer.place))
          alter(addAdmittance(network, a, b, complex(1 / COOKED_OHM)))
        } else alter(openLink(network, windingLink(transformer.id, 'primary')))
        windingC = ambientC
        return
      case 'bit': {
        const { bit } = event
        state ^= 1 << bit
        const meaning = meaningOf(bit)
        if (meaning.of === 'alive') say(meaning.thermostat.part.id, isAlive(state, meaning.thermostat) ? 'alive' : 'blank')
        if (meaning.of === 'guard') say('guard', isGuarded(state, meaning.thermostat) ? 'tripped' : 'let go')
        if (meaning.of === 'relay') say(machine.relays[meaning.index].part.id, isPulledIn(state, meaning.index) ? 'in' : 'out')
        if (meaning.of === 'proving') say(machine.proving[meaning.index].part.id, ((state >> bit) & 1) === 1 ? 'made' : 'broken')
        if (meaning.of === 'flame') say(machine.ignitions[meaning.index].part.id, ((state >> bit) & 1) === 1 ? 'burns' : 'no flame')
        if (meaning.of === 'output') {
          const { key } = machine.outputs[meaning.index]
          const isNowMade = isMade(machine, state, meaning.index)
          if (!isNowMade) lastBroken.set(bit, nowS)
          say(key, isNowMade ? 'made' : 'broken')
        }
      }
    }
  }
}

/** What is left between the ends of a burned-out secondary that shorted. */
const COOKED_OHM = modelValue({ value: 0.3, unit: 'ohm', source: 'assumption' })
