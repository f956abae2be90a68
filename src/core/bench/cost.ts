import type { Bench, BenchChange } from '@/src/core/bench/bench'
import { modelValue } from '@/src/core/units/model-value'
import { type System, walkBetween } from '@/src/core/wiring/system'

/**
 * Minutes of handling and reading, in one place. These are assumptions; a technician's own replace them, whole or in part
 * (`createEngine`, `trace --minutes`).
 */
export const defaultCost = modelValue({
  value: {
    /** For each change of the bench. Walks are the system's own. */
    handling: {
      power: 0.3,
      call: 0.3,
      lift: 0.5,
      land: 0.5,
      unplug: 0.4,
      plug: 0.4,
      jumper: 0.4,
      unjumper: 0.2,
      /** Both ends, the walk between them aside. */
      swap: 2,
      unswap: 2,
      exchange: 3,
      slot: 1,
      reset: 0.2,
      walk: 0,
      panel: 0.5,
    },
    reading: { volts: 0.4, ohms: 0.4, amps: 0.5, trip: 1, look: 0.4 },
    /** What a trip costs: a breaker is reset; a fuse is gone and the transformer takes another knock. */
    trip: { breaker: 0.5, fuse: 5 },
    /** Every check costs at least this much attention; it keeps the planner from wandering among cheap readings. */
    attention: 1,
    /** On foot between two places that the system gives no walk for. */
    walk: 2,
  },
  unit: 'minutes',
  source: 'assumption',
})
export type CostModel = typeof defaultCost

/** Minutes that a change of the bench takes, the walk to it aside. */
export const minutesOf = (system: System, { place }: Pick<Bench, 'place'>, change: BenchChange, cost: CostModel = defaultCost): number =>
  change.do === 'walk' ? walkMinutes(system, place, change.place, cost) : cost.handling[change.do]

/** Minutes on foot between two places. */
export function walkMinutes(system: System, from: string, to: string, cost: CostModel = defaultCost): number {
  if (from === to) return 0
  const walk = walkBetween(system.walks, from, to)
  return walk?.minutes ?? cost.walk
}
