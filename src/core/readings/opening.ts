import type { Slot } from '@/src/core/bench/bench'
import type { Change, Factored } from '@/src/core/circuit/factored'
import { setInState } from '@/src/core/operation/in-state'
import type { Machine } from '@/src/core/operation/machine'
import type { Settled } from '@/src/core/operation/settle'
import { type Constraints, isAlive, isMade, type StateBits } from '@/src/core/operation/state'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { modelValue } from '@/src/core/units/model-value'
import type { PartId } from '@/src/core/wiring/ids'
import { bodyLink } from '@/src/core/wiring/links'
import type { PartOf } from '@/src/core/wiring/part'

/** Which fuse or breaker opens on a bench, and how likely: what each carries, how long, and which is the quickest. */

/** How long a technician watches for a trip: assumption, the minute that field-work asks for before moving on. */
const WATCH_S = modelValue({ value: 60, unit: 's', source: 'assumption' })
/** A thermostat that dies under a short and comes back heats the fuse so often while it is watched. */
const RESTARTS = modelValue({ value: 5, unit: 'times', source: 'assumption' })
/** A board whose supply is pulled down lets its relay go this soon, and waits out its delay before it makes it again. */
const BOARD_LETS_GO_S = modelValue({ value: 0.2, unit: 's', source: 'assumption' })
/**
 * How long a thermostat holds its contacts once its supply is gone, as a factor of what its kind does: sold from milliseconds to half a
 * minute, evenly by its logarithm. Assumption; one draw for the house.
 */
const HOLD_UPS = modelValue({
  value: [0.01, 0.04, 0.15, 0.5, 1.5, 5, 20] as const,
  unit: 'times its kind',
  source: 'assumption: sold from milliseconds to half a minute',
})

/** A fuse or breaker as it stands on a bench under one hypothesis. */
export interface FuseNow {
  readonly fuse: PartOf<'fuse'>
  readonly slot: Slot
  /** Known to be open, or open in this hypothesis as it was found. */
  readonly open: boolean
}

/** The highest current through each of some fuses while they hold, A, and how long it may be on while somebody watches. */
export function loadsOf(
  { machine, kernel, network }: Laboratory,
  base: Factored,
  fixed: readonly Change[],
  constraints: Constraints,
  settled: Settled,
  fuses: readonly FuseNow[],
): { amps: number[]; seconds: readonly number[] } {
  const rows = fuses.map(({ fuse }) => network.linkRow(bodyLink(fuse.id)))
  const amps = rows.map(() => 0)
  let highest = 0
  let revives = 0
  let worst: StateBits = 0
  for (const member of settled.members) {
    const solved = setInState(kernel, machine, base, fixed, constraints, member)
    for (const [index, row] of rows.entries()) {
      const now = solved.kernel.current(row)
      amps[index] = Math.max(amps[index], now)
      if (now <= highest) continue
      highest = now
      worst = member
      revives = Math.max(0, ...machine.thermostats.filter((one) => isAlive(member, one)).map(({ part }) => part.holdUpS))
    }
  }
  if (settled.outcome !== 'settled' && waitsBetween(machine, settled, worst)) return { amps, seconds: [BOARD_LETS_GO_S] }
  const letsGo = settled.outcome !== 'settled' && revives > 0
  return { amps, seconds: letsGo ? HOLD_UPS.map((times) => Math.min(WATCH_S, times * revives * RESTARTS)) : [WATCH_S] }
}

/** What draws the most goes through an output that has a delay, and that is not made in every state of the chatter. */
const waitsBetween = (machine: Machine, { members }: Settled, worst: StateBits): boolean =>
  machine.outputs.some(
    ({ minimumOffS }, index) =>
      minimumOffS !== undefined && isMade(machine, worst, index) && members.some((member) => !isMade(machine, member, index)),
  )

/** One that may open. */
interface MayOpen {
  readonly part: PartId
  readonly trips: number
  /** Current against its rating: of two in one line the one that is further over is the quicker. */
  readonly times: number
}

/** How likely each is the first to open, and the others so spared: the further over its rating, the likelier. */
export function firstToOpen(fuses: readonly MayOpen[]): MayOpen[] {
  if (fuses.length === 1) return [...fuses]
  const any = 1 - fuses.reduce((hold, { trips }) => hold * (1 - trips), 1)
  const weights = fuses.map(({ trips, times }) => trips * times ** QUICKER)
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  return fuses.map((fuse, index) => ({ ...fuse, trips: total > 0 ? (any * weights[index]) / total : 0 }))
}
/** Opening times fall with this. */
const QUICKER = modelValue({ value: 5, unit: 'power of the current', source: '`trip-curve.ts`, between 1.35 and 3.5 times the rating' })
