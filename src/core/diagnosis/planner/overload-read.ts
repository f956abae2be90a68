import type { Bench } from '@/src/core/bench/bench'
import { wordOf } from '@/src/core/readings/check'
import type { Observation } from '@/src/core/readings/observations'
import { Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { joinedThrough } from '@/src/core/wiring/joined'
import { type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { firstPart, partById, partsOf, type System } from '@/src/core/wiring/system'
import { PLATE_VOLTS } from '@/src/core/wiring/values'

/** What says by itself that a transformer carries too much while its protection holds. */

/** A secondary that has sagged to this is under an overload: a fifth below its plate, more than a low line and a long cable leave. */
const SAGGED_VOLTS = modelValue({ value: 19, unit: 'V', source: 'assumption' })
/** A supply that is open reads less. */
const OPEN_BELOW = modelValue({ value: 2, unit: 'V', source: 'assumption: what leaks onto a dead circuit with its loads on it' })
/** A winding does not stand this for a visit. */
const OVER_ITS_PLATE = modelValue({ value: 1.25, unit: 'times its plate', source: '`transformer-heat.ts`: twenty minutes to its limit' })

/** The benches on which a transformer was read to carry too much: the power goes off, and stays off so. */
export const overloadedBenches = (system: System, asked: readonly Observation[]): readonly Bench[] =>
  asked.filter((observation) => readsOverload(system, observation)).map(({ bench }) => bench)

/** Those of them on which a meter said so: as much flows on for as long as the call lasts. */
export const measuredOverloads = (system: System, asked: readonly Observation[]): readonly Bench[] =>
  asked.filter((observation) => measuresOverload(system, observation)).map(({ bench }) => bench)

/** A thermostat that chatters on a call is pulled down by it. */
const readsOverload = (system: System, observation: Observation): boolean => {
  const { bench, probe, answer } = observation
  if (probe.meter === 'look')
    return bench.power && bench.call !== 'off' && wordOf(answer) === 'chatters' && partById(system, probe.at)?.kind === 'thermostat'
  return measuresOverload(system, observation)
}

/** Amps over the plate, and a supply that has sagged. */
function measuresOverload(system: System, { bench, probe, answer }: Observation): boolean {
  if (!bench.power || typeof answer !== 'number') return false
  if (probe.meter === 'amps')
    return probe.on === firstPart(system, 'fuse').id && answer > (OVER_ITS_PLATE * firstPart(system, 'transformer').va) / PLATE_VOLTS
  if (probe.meter !== 'volts' || !isSagged(answer)) return false
  // Off its screw a wire shows what leaks onto it.
  const isWhole = bench.lifted.length + bench.unplugged.length + bench.jumpers.length === 0
  return suppliesOf.of(system).some(({ id, hot, common }) => {
    const ends = [probe.a, probe.b]
    const isOwn = ends.every(
      (end) => parsePoint(end).place === firstPart(system, 'transformer').place && id === firstPart(system, 'transformer').id,
    )
    return (isWhole || isOwn) && ends.some(hot) && ends.some(common)
  })
}

export const isSagged = (volts: number): boolean => volts > OPEN_BELOW && volts < SAGGED_VOLTS

/** The hot and the common side of each transformer, as far as plain metal goes. */
export const suppliesOf = new Memo((system: System) => {
  const joined = joinedThrough(system, ({ through }) => through === 'metal')
  return partsOf(system, 'transformer').map(({ id, place, secondary }) => {
    const [hot, common] = secondary.map((name) => joined.find(terminalPoint(name, place)))
    return { id, hot: (point: Point) => joined.find(point) === hot, common: (point: Point) => joined.find(point) === common }
  })
})
