import type { Bench } from '@/src/core/bench/bench'
import { anyTime } from '@/src/core/bench/since'
import { readyFuses } from '@/src/core/diagnosis/planner/candidates'
import { type Probe, probeKey } from '@/src/core/readings/check'
import type { Observation } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'
import type { PartId, PlaceId } from '@/src/core/wiring/ids'
import type { PartOf } from '@/src/core/wiring/part'
import { type Point, pinPoint } from '@/src/core/wiring/point'
import { callsOf, type System } from '@/src/core/wiring/system'

/**
 * Found means that the separating check was made. What is blamed is read by itself: a cable with its wires off at both ends, a lead with
 * all that hangs on it off, a coil with its leads off. What should pass a call on is jumped past, live: nothing else tells a contact that
 * stays open from one that lets go of a short. A delay is waited out.
 */
export interface Separation {
  /** Any one of these readings says it. */
  readonly ways: (bench: Bench) => readonly ApartReading[]
  /** The readings have said it already. */
  readonly isMade: (observations: readonly Observation[]) => boolean
}

export interface ApartReading {
  readonly bench: Bench
  readonly probe: Probe
  readonly place: PlaceId
}

export type Probes = readonly Omit<ApartReading, 'bench'>[]

/** Read with the power off, with at the least these off. */
export const deadApart = (lifted: readonly Point[], unplugged: readonly PartId[], probes: Probes): Separation => ({
  ways: (bench) => {
    const apart: Bench = {
      ...bench,
      power: false,
      call: 'off',
      jumpers: [],
      lifted: [...new Set([...bench.lifted, ...lifted])],
      unplugged: [...new Set([...bench.unplugged, ...unplugged])],
    }
    return probes.map((one) => ({ ...one, bench: apart }))
  },
  isMade: (observations) =>
    observations.some(
      ({ bench, probe }) =>
        isOneOf(probes, probe) &&
        !bench.power &&
        bench.jumpers.length === 0 &&
        lifted.every((end) => bench.lifted.includes(end)) &&
        unplugged.every((part) => bench.unplugged.includes(part)),
    ),
})

/** Read with the power on and nothing called: whatever else is off makes no difference to a line. */
export const liveAt = (probes: Probes): Separation => ({
  ways: (bench) => probes.map((one) => ({ ...one, bench: { ...bench, power: true, call: 'off' } })),
  isMade: (observations) => observations.some(({ bench, probe }) => isOneOf(probes, probe) && bench.power),
})

/** Read with the power on and a call made: a loose connection sags under load, and reads full volts without one. */
export const loadedAt = (system: System, probes: Probes): Separation => ({
  ways: (bench) => callsOf(system).flatMap((call) => probes.map((one) => ({ ...one, bench: { ...whole(system, bench), call } }))),
  isMade: (observations) =>
    observations.some(({ bench, probe }) => isOneOf(probes, probe) && bench.power && (bench.call !== 'off' || bench.jumpers.length > 0)),
})

/** Read with the power on and the fuse out, so that nothing is fed: what only sags under a load gives all its volts then. */
export const unloadedAt = (probes: Probes): Separation => ({
  ways: (bench) =>
    probes.map((one) => ({
      ...one,
      bench: { ...bench, power: true, call: 'off', jumpers: [], slot: { ...bench.slot, holds: 'nothing', open: true } },
    })),
  isMade: (observations) => observations.some(({ bench, probe }) => isOneOf(probes, probe) && bench.power && bench.slot.open),
})

export const isOneOf = (probes: Probes, wanted: Probe): boolean => probes.some(({ probe }) => probeKey(probe) === probeKey(wanted))

/** Nothing lifted or unplugged, the power on, ready to trip. */
export const whole = (system: System, bench: Bench): Bench => ({
  ...anyTime(bench),
  lifted: [],
  jumpers: [],
  unplugged: [],
  power: true,
  call: 'off',
  ...readyFuses(system, bench),
})

/** Below this no sound coil of such a circuit reads: 24 V would push five times a small transformer's plate through it. */
const NO_SOUND_COIL_OHM = modelValue({ value: 5, unit: 'ohm', source: 'assumption: contactors and valves are sold from some 8 ohm up' })

/** Read across its own leads, it is less than any sound coil has. */
export function readsShorted(observations: readonly Observation[], coil: PartOf<'coil'>): boolean {
  const [one, other] = [pinPoint(coil, 0), pinPoint(coil, 1)]
  return observations.some(
    ({ probe, answer }) =>
      probe.meter === 'ohms' && [one, other].every((pin) => pin === probe.a || pin === probe.b) && isBelow(answer, NO_SOUND_COIL_OHM),
  )
}

/** A number below a limit, or a band that ends below it. */
const isBelow = (answer: Observation['answer'], limit: number): boolean =>
  typeof answer === 'number' ? answer < limit : typeof answer === 'object' && 'high' in answer && answer.high < limit
