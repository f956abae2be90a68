import type { Bench, Since } from '@/src/core/bench/bench'
import { anyTime, USUAL_SINCE } from '@/src/core/bench/since'
import { type Change, openLink } from '@/src/core/circuit/factored'
import type { OutputKey, OutputModel } from '@/src/core/operation/machine'
import type { Settled } from '@/src/core/operation/settle'
import { type Constraints, isBurning, isMade } from '@/src/core/operation/state'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { passLink } from '@/src/core/wiring/links'
import { partsOf } from '@/src/core/wiring/system'

/** A moment in which boards hold outputs back, beside the moment after it. */
interface Wait {
  readonly constraints: Constraints
  /** Contacts of delays that stand in the way of the call itself. */
  readonly opens: readonly Change[]
  readonly boards: readonly string[]
  /** How likely a reading meets the wait. */
  readonly share: number
  /** The same where the machine chatters in spite of it: that has another cause. */
  readonly shareIfChatters: number
  readonly moment?: IgnitionMoment
}

/** A flame that burns, before it did; and one that never came, after the last try. */
export type IgnitionMoment = 'warm-up' | 'lockout'

/** Within the minutes in which a delay may run, it does. */
const STILL_WAITS = modelValue({ value: 0.6, unit: 'share', source: 'assumption' })
/** A board whose output is shorted makes it for a moment, and waits out its delay again: what is read is nearly always the wait. */
const BETWEEN_TRIES = modelValue({ value: 0.8, unit: 'share', source: 'assumption' })
/** A board that hands the call on has the contact of its delay in the way more often than it lets the call straight through. */
const DELAYS_CALL = modelValue({ value: 0.7, unit: 'share', source: 'assumption' })
/** An ignition that fails is met after its last try, between two, or when its valve has closed again. */
const LOCKED_OUT = modelValue({ value: 0.35, unit: 'share', source: 'assumption: who reads an ignition starts the call anew' })
/** Who reads the igniter of an ignition that works has made the call anew for it. */
const STILL_WARMS = modelValue({ value: 0.6, unit: 'share', source: 'assumption' })
/** A step of an ignition that takes longer than this is still under way a moment after the call. */
const PURGE_S = modelValue({ value: 10, unit: 's', source: 'assumption' })

/**
 * The wait that a reading on a bench may meet, or null: a delay that the search itself has started, after a power-off the compressor's
 * minutes, after a call the purge; or one that a short behind it starts anew whenever it pulls the volts down. Nobody knows to the second
 * which of the two a reading met.
 */
export function waitOn(laboratory: Laboratory, bench: Bench, constraints: Constraints, settled: Settled): Wait | null {
  return (
    delayOn(laboratory, bench, constraints, settled) ??
    warmUpOn(laboratory, constraints, settled) ??
    lockoutOn(laboratory, constraints, settled)
  )
}

/**
 * An ignition control that got no flame: it tries so often, then lets everything go until its call or its power is made anew. Nobody says
 * whether a reading met a try or the lockout.
 */
function lockoutOn({ machine }: Laboratory, constraints: Constraints, { outcome, members }: Settled): Wait | null {
  const failed = machine.ignitions.filter(
    (ignition) => outcome === 'settled' && isMade(machine, members[0], ignition.lights) && !isBurning(members[0], ignition),
  )
  if (failed.length === 0) return null
  const held = failed.flatMap(({ lights, opens }) => [machine.outputs[lights].key, machine.outputs[opens].key])
  return {
    ...holding(
      constraints,
      held,
      failed.map(({ part }) => part.id),
      LOCKED_OUT,
    ),
    moment: 'lockout',
  }
}

/** A flame that burns, seen before it did: who wants to see an igniter glow makes the call anew, and seldom says so. */
function warmUpOn({ machine }: Laboratory, constraints: Constraints, { outcome, members }: Settled): Wait | null {
  const burning = machine.ignitions.filter((ignition) => outcome === 'settled' && isBurning(members[0], ignition))
  if (burning.length === 0) return null
  const held = burning.map(({ opens }) => machine.outputs[opens].key)
  return {
    ...holding(
      constraints,
      held,
      burning.map(({ part }) => part.id),
      STILL_WARMS,
    ),
    moment: 'warm-up',
  }
}

const holding = (constraints: Constraints, held: readonly OutputKey[], boards: readonly string[], share: number): Wait => ({
  constraints: { ...constraints, outputs: { ...constraints.outputs, ...Object.fromEntries(held.map((key) => [key, 'dead' as const])) } },
  opens: [],
  boards,
  share,
  shareIfChatters: share,
})

function delayOn(laboratory: Laboratory, bench: Bench, constraints: Constraints, { outcome }: Settled): Wait | null {
  const started = heldBack(laboratory, bench, constraints)
  const restarted = outcome === 'settled' ? [] : delayed(laboratory, constraints)
  const held = [...new Set([...started, ...restarted])]
  const slow = slowCoils(laboratory, bench)
  if (held.length + slow.length === 0) return null
  const inCall = held.filter(isPassing(constraints))
  const surely = slow.length === 0 && inCall.length === held.length ? DELAYS_CALL : 1
  const shareIfChatters = started.length + slow.length > 0 ? STILL_WAITS * surely : 0
  return {
    constraints: {
      ...constraints,
      jammed: [...constraints.jammed, ...slow],
      outputs: { ...constraints.outputs, ...Object.fromEntries(held.map(({ key }) => [key, 'dead' as const])) },
    },
    opens: inCall.map(({ part, to }) => openLink(laboratory.network, passLink(part.id, to))),
    boards: [...new Set(held.map(({ part }) => part.id))],
    share: restarted.length > 0 ? BETWEEN_TRIES * surely : shareIfChatters,
    shareIfChatters,
  }
}

/**
 * A bench with no more said of its minutes than what waits in this system makes of them: on two benches that come to the same, each moment
 * of a fault is the same. How often a fault is met in which moment (`now-and-then.ts`) may still hang on the minutes.
 */
export const minutesThatMatter = (laboratory: Laboratory, bench: Bench): Bench => matteringOf.of(laboratory).of(bench)

const matteringOf = new Memo((laboratory: Laboratory) => {
  const { outputs } = laboratory.machine
  const isDelayed = outputs.some(({ minimumOffS }) => minimumOffS !== undefined)
  const isPurged = outputs.some(isPurging)
  const isSlow = slowOf.of(laboratory).length > 0
  return new Memo((bench: Bench): Bench => {
    const { since, call, jumpers } = bench
    if (!since) return bench
    const isCalled = call !== 'off' || jumpers.length > 0
    const isMoment = since.call === 'moment' && ((isCalled && isPurged) || (call !== 'off' && isSlow))
    const isFresh = since.power === 'fresh' && ((isCalled && isDelayed) || (jumpers.length > 0 && isSlow))
    if (!isMoment && !isFresh) return anyTime(bench)
    const told: Since = { call: isMoment ? 'moment' : USUAL_SINCE.call, power: isFresh ? 'fresh' : USUAL_SINCE.power }
    return told.call === since.call && told.power === since.power ? bench : { ...bench, since: told }
  })
})

/** Outputs that a board may still hold back on a bench, by how long power and call have been on. */
function heldBack(laboratory: Laboratory, { since, call, jumpers }: Bench, constraints: Constraints): readonly OutputModel[] {
  if (!since || (call === 'off' && jumpers.length === 0)) return []
  const fresh = since.power === 'fresh' ? delayed(laboratory, constraints) : []
  const { outputs, ignitions } = laboratory.machine
  // An igniter that glows is what is waited for.
  const lights = ignitions.map((ignition) => outputs[ignition.lights])
  const purging = since.call === 'moment' ? outputs.filter((output) => isPurging(output) && !lights.includes(output)) : []
  return [...new Set([...fresh, ...purging])]
}

const isPurging = ({ style, closesAfterS = 0 }: OutputModel): boolean => style === 'relay' && closesAfterS > PURGE_S

/** Coils that take their time, as a sequencer does, and have not had it: a moment after the call, or after the power came on with a jumper in. */
function slowCoils(laboratory: Laboratory, { since, call, jumpers }: Bench): readonly string[] {
  const isEarly = since !== undefined && ((call !== 'off' && since.call === 'moment') || (jumpers.length > 0 && since.power === 'fresh'))
  return isEarly ? slowOf.of(laboratory) : []
}

const slowOf = new Memo(({ system }: Laboratory): readonly string[] =>
  partsOf(system, 'coil').flatMap(({ id, closesAfterS = 0 }) => (closesAfterS > PURGE_S ? [id] : [])),
)

/** The outputs of boards that have a delay, and are not out of order. */
const delayed = ({ machine }: Laboratory, { outputs }: Constraints): OutputModel[] =>
  machine.outputs.filter(({ key, style, minimumOffS }) => minimumOffS !== undefined && ['relay', 'passes'].includes(outputs[key] ?? style))

/** The call itself goes through the contact of the delay, not the board's own supply. */
const isPassing =
  ({ outputs }: Constraints) =>
  ({ key, style }: OutputModel): boolean =>
    style === 'passes' && (outputs[key] ?? style) === 'passes'
