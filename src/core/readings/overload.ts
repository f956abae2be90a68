import type { Bench } from '@/src/core/bench/bench'
import { setInState } from '@/src/core/operation/in-state'
import { isAlive } from '@/src/core/operation/state'
import { secondsToLimit } from '@/src/core/protection/transformer-heat'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { worldsOf } from '@/src/core/readings/world'
import { modelValue } from '@/src/core/units/model-value'
import { windingLink } from '@/src/core/wiring/links'
import { partsOf } from '@/src/core/wiring/system'
import { PLATE_VOLTS } from '@/src/core/wiring/values'

/** Current of every transformer's secondary while the protection stands as the bench says, A: one value for each state of a chatter. */
export function secondaryAmps(laboratory: Laboratory, bench: Bench, hypothesis: Hypothesis): Map<string, number[]> {
  const { machine, kernel, network, system } = laboratory
  const { base, constraints, worlds } = worldsOf(laboratory, bench, hypothesis)
  const [{ fixed, settled }] = worlds
  const amps = new Map<string, number[]>(partsOf(system, 'transformer').map(({ id }) => [id, []]))
  for (const member of settled.members) {
    const solved = setInState(kernel, machine, base, fixed, constraints, member)
    for (const [id, values] of amps) values.push(solved.kernel.current(network.linkRow(windingLink(id, 'secondary'))))
  }
  return amps
}

/** A transformer carries this for some checks and their walks. */
const CARRIES = modelValue({ value: 1.35, unit: 'times its plate', source: '`transformer-heat.ts`: its limit is a quarter of an hour off' })
/** Protection that opens less surely than this does not protect while a check is made. */
const OPENS = modelValue({ value: 0.9, unit: 'chance', source: 'assumption' })

/** What a bench asks of the transformers while a check is made on it. */
export interface Overload {
  /** At some moment one carries more than it can for long. */
  readonly atTimes: boolean
  /** Chance that nothing opens before it has burned out, were the bench left so. */
  readonly lasts: number
  /** Seconds until it has, from an attic's warmth. */
  readonly afterS: number
  /** The thermostat drops out and comes back: whoever looks at it meanwhile sees that. */
  readonly chatters: boolean
}

const NO_OVERLOAD: Overload = { atTimes: false, lasts: 0, afterS: Number.POSITIVE_INFINITY, chatters: false }
/** Share of the time for which a thermostat that dies of a short carries it: it takes seconds to start, and drops out within tenths of one. */
const CHATTER_DUTY = modelValue({ value: 0.1, unit: 'share of the time', source: 'assumption' })

/**
 * Whether a bench overloads a transformer, and how soon that burns it out. A thermostat that dies of a short drops out and comes back, again
 * and again: the winding's time constant is minutes, so the mean of the squares of its current heats it (I²R).
 */
export function overloadOn(laboratory: Laboratory, bench: Bench, hypothesis: Hypothesis): Overload {
  const { trips, furtherTrips } = worldsOf(laboratory, bench, hypothesis)
  const opens = furtherTrips.reduce((sum, one) => sum + one.trips, trips)
  if (opens >= OPENS) return NO_OVERLOAD
  const amps = secondaryAmps(laboratory, bench, hypothesis)
  const dropsOut = thermostatDropsOut(laboratory, bench, hypothesis)
  let overload = NO_OVERLOAD
  for (const { id, va } of partsOf(laboratory.system, 'transformer')) {
    const members = amps.get(id) ?? []
    const carries = (CARRIES * va) / PLATE_VOLTS
    const [over, others] = [true, false].map((wanted) => members.filter((one) => one > carries === wanted))
    if (over.length === 0) continue
    const chatters = others.length > 0 && dropsOut
    // A relay that chatters is in about as long as it is out.
    const duty = chatters ? CHATTER_DUTY : over.length / members.length
    const rms = Math.sqrt(duty * meanSquare(over) + (1 - duty) * meanSquare(others))
    const afterS = secondsToLimit({ va, plateVolts: PLATE_VOLTS }, rms) ?? Number.POSITIVE_INFINITY
    const lasts = rms > carries ? 1 - opens : 0
    overload = lasts > 0 && afterS < overload.afterS ? { atTimes: true, lasts, afterS, chatters } : { ...overload, atTimes: true }
  }
  return overload
}

/** A thermostat dies of what it calls, and comes back without it. */
function thermostatDropsOut(laboratory: Laboratory, bench: Bench, hypothesis: Hypothesis): boolean {
  const [{ settled }] = worldsOf(laboratory, bench, hypothesis).worlds
  return laboratory.machine.thermostats.some((thermostat) => new Set(settled.members.map((state) => isAlive(state, thermostat))).size > 1)
}

const meanSquare = (values: readonly number[]): number => values.reduce((sum, one) => sum + one * one, 0) / Math.max(1, values.length)
