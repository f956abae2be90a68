import { z } from 'zod'
import type { System } from '@/src/core/wiring/system'

/**
 * Minutes of handling and reading, in one place. The defaults are assumptions; a technician's own replace them, whole or in
 * part (`createEngine`, `trace --minutes`).
 */
const minutes = z.number().min(0).max(60)
export const costModelSchema = z.strictObject({
  /** For each change of the bench. Walks are the system's own. */
  handling: z.strictObject({
    power: minutes.default(0.3),
    call: minutes.default(0.3),
    lift: minutes.default(0.5),
    land: minutes.default(0.5),
    unplug: minutes.default(0.4),
    plug: minutes.default(0.4),
    jumper: minutes.default(0.4),
    unjumper: minutes.default(0.2),
    /** Both ends, the walk between them aside. */
    swap: minutes.default(2),
    unswap: minutes.default(2),
    slot: minutes.default(1),
    reset: minutes.default(0.2),
    walk: minutes.default(0),
    panel: minutes.default(0.5),
  }),
  reading: z.strictObject({
    volts: minutes.default(0.4),
    ohms: minutes.default(0.4),
    amps: minutes.default(0.5),
    trip: minutes.default(1),
    look: minutes.default(0.4),
  }),
  /** What a trip costs: a breaker is reset; a fuse is gone and the transformer takes another knock. */
  trip: z.strictObject({ breaker: minutes.default(0.5), fuse: minutes.default(5) }),
  /** Every check costs at least this much attention; it keeps the planner from wandering among cheap readings. */
  attention: minutes.default(1),
  /** On foot between two places that the system gives no walk for. */
  walk: minutes.default(2),
})
export type CostModel = z.infer<typeof costModelSchema>

export const defaultCost: CostModel = costModelSchema.parse({ handling: {}, reading: {}, trip: {} })

/** A cost model with some minutes of one's own over the defaults, or the sentence of what does not fit. */
export function readCostModel(value: unknown): { ok: true; cost: CostModel } | { ok: false; problem: string } {
  const own = typeof value === 'object' && value !== null ? value : {}
  const parsed = costModelSchema.safeParse({ handling: {}, reading: {}, trip: {}, ...own })
  if (parsed.success) return { ok: true, cost: parsed.data }
  const [issue] = parsed.error.issues
  return { ok: false, problem: `${issue.path.join('.') || 'the minutes'}: ${issue.message}` }
}

/** Minutes on foot between two places. */
export function walkMinutes(system: System, from: string, to: string, cost: CostModel = defaultCost): number {
  if (from === to) return 0
  const walk = system.walks.find(({ between }) => between.includes(from) && between.includes(to))
  return walk?.minutes ?? cost.walk
}
