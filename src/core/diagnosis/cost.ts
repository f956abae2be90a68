import type { BenchChange } from '@/src/core/bench/bench'
import type { Probe } from '@/src/core/readings/check'
import type { System } from '@/src/core/wiring/system'

/** Minutes of handling, all assumptions, in one place so that a user's own can replace them. */
export const handlingMinutes: Record<BenchChange['do'], number> = {
  power: 0.3,
  call: 0.3,
  lift: 0.5,
  land: 0.5,
  unplug: 0.4,
  plug: 0.4,
  jumper: 0.4,
  unjumper: 0.2,
  slot: 1,
  reset: 0.2,
  walk: 0,
  panel: 0.5,
}

export const readingMinutes: Record<Probe['meter'], number> = { volts: 0.4, ohms: 0.4, amps: 0.5, trip: 1, look: 0.4 }

/** What a trip costs in minutes: a breaker is reset, a fuse is gone and the transformer takes another knock. */
export const tripMinutes = { breaker: 0.5, fuse: 5 } as const

/** Every check costs at least this much attention; it keeps the planner from wandering among cheap readings. */
export const HANDLING_MINUTE = 1

/** Minutes on foot between two places; unlisted pairs: assumption. */
export function walkMinutes(system: System, from: string, to: string): number {
  if (from === to) return 0
  const walk = system.walks.find(({ between }) => between.includes(from) && between.includes(to))
  return walk?.minutes ?? 2
}
