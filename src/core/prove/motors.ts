import type { JobState } from '@/src/core/job/job-state'
import { parseDeviceKey } from '@/src/core/operation/machine'
import { modelValue } from '@/src/core/units/model-value'
import { sayAmps } from '@/src/core/units/quantity'
import { fedBy } from '@/src/core/wiring/fed-by'
import type { PartId } from '@/src/core/wiring/ids'
import type { PartOf } from '@/src/core/wiring/part'
import { partById, type System } from '@/src/core/wiring/system'

/** What draws line amps, by what its plate means for it. */
type LoadKind = 'compressor' | 'motor' | 'heater'

interface PlateRange {
  /** Shares of the plate's amps. */
  readonly low: number
  readonly high: number
  readonly below: string
  readonly above: string
  /** Why a sound one may draw less. */
  readonly unless: string
}

/** A compressor at its plate's rated load amps: less in mild weather. */
const COMPRESSOR = modelValue({
  value: { low: 0.4, high: 1.05 } as const,
  unit: 'share of the rated load amps',
  source: 'assumption: the plate is the most that it may draw for long',
})
/** A fan or blower at its plate's full load amps. */
const MOTOR = modelValue({
  value: { low: 0.3, high: 1.05 } as const,
  unit: 'share of the full load amps',
  source: 'assumption: by speed and airflow, never above the plate',
})
/** Strips and other heaters: their amps go with the volts. */
const HEATER = modelValue({
  value: { low: 0.85, high: 1.1 } as const,
  unit: 'share of the plate',
  source: "ohm's law: supply volts within 10 % of the plate's, ANSI C84.1 range A and a little more",
})
/** A rotor that does not turn draws several times its rated amps. */
const LOCKED = modelValue({
  value: 2.5,
  unit: 'times the plate',
  source: 'assumption: locked-rotor amps are four to six times the rated ones',
})

const ranges: Readonly<Record<LoadKind, PlateRange>> = {
  compressor: {
    ...COMPRESSOR,
    below: 'it runs with little to pump: low charge, or a valve in it that leaks',
    above: 'high head pressure or low volts: dirty coil, condenser fan, capacitor; read the volts at it while it runs',
    unless: 'it is mild outside, or it runs on a low stage',
  },
  motor: {
    ...MOTOR,
    below: 'little air to move: filter, closed registers, the wheel on its shaft',
    above: 'bearings, a wrong capacitor, or low volts; read the volts at it while it runs',
    unless: 'it is on a low speed, or sets its own speed',
  },
  heater: {
    ...HEATER,
    below: 'a bank or an element is out, or the volts are low',
    above: 'more banks are in than this plate counts',
    unless: 'only one of several banks is called',
  },
}

const kindOf = ({ id, name, powerFactor }: PartOf<'load'>): LoadKind =>
  /compressor/.test(`${id} ${name}`) ? 'compressor' : powerFactor === 1 ? 'heater' : 'motor'

/** The motors and heaters that come on with the steps of a mode, in their order. */
export function runsWith(system: System, steps: readonly { readonly what: string }[]): PartOf<'load'>[] {
  const on = steps.flatMap(({ what }) => {
    const part = partById(system, parseDeviceKey(what).part)
    return part?.kind === 'coil' ? fedBy(system, part) : []
  })
  return on.filter((load, index) => on.indexOf(load) === index)
}

/** What was measured of a motor or heater while its mode ran, held against its plate. */
export interface MotorFinding {
  readonly part: PartId
  readonly name: string
  readonly amps: number
  /** Null where nobody read the plate. */
  readonly plateA: number | null
  readonly isOff: boolean
  readonly say: string
}

/** The amps that a part's plate gives, as it was read off last; null where it was not. */
export const plateOf = ({ plates }: Pick<JobState, 'plates'>, part: PartId): number | null =>
  plates.findLast((entry) => entry.part === part)?.amps ?? null

/** @returns one finding for each motor or heater that was read; none for a part that draws no line amps */
export function judgeMotors(
  system: System,
  state: Pick<JobState, 'plates'>,
  motors: readonly { readonly part: PartId; readonly amps: number }[],
): MotorFinding[] {
  return motors.flatMap(({ part: id, amps }) => {
    const part = partById(system, id)
    if (part?.kind !== 'load') return []
    const plateA = plateOf(state, id)
    const finding = (isOff: boolean, say: string): MotorFinding[] => [
      { part: id, name: part.name, amps, plateA, isOff, say: `${part.name}: ${say}` },
    ]
    if (amps === 0) return finding(true, 'no amps: it does not run')
    if (plateA === null) return finding(false, `${sayAmps(amps)}, plate not read`)
    const { low, high, below, above, unless } = ranges[kindOf(part)]
    const figure = `${sayAmps(amps)} of ${sayAmps(plateA)}`
    const share = amps / plateA
    if (kindOf(part) !== 'heater' && share > LOCKED)
      return finding(true, `${figure}: it does not turn. Switch it off: windings and overload burn`)
    if (share >= low && share <= high) return finding(false, figure)
    return finding(true, share < low ? `${figure}: ${below} (may not apply if ${unless})` : `${figure}: ${above}`)
  })
}
