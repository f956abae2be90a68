import { z } from 'zod'
import { type CostModel, defaultCost } from '@/src/core/bench/cost'

const minutes = z.number().min(0).max(60)

/** Minutes by name, each with its default where it is left out. */
const minutesOf = <Name extends string>(defaults: Readonly<Record<Name, number>>) =>
  z.strictObject(Object.fromEntries(Object.entries<number>(defaults).map(([what, value]) => [what, minutes.default(value)])))

const costModelSchema = z.strictObject({
  handling: minutesOf(defaultCost.handling),
  reading: minutesOf(defaultCost.reading),
  trip: minutesOf(defaultCost.trip),
  attention: minutes.default(defaultCost.attention),
  walk: minutes.default(defaultCost.walk),
})

/** A cost model with some minutes of one's own over the defaults, or the sentence of what does not fit. */
export function readCostModel(value: unknown): { ok: true; cost: CostModel } | { ok: false; problem: string } {
  const own = typeof value === 'object' && value !== null ? value : {}
  const parsed = costModelSchema.safeParse({ handling: {}, reading: {}, trip: {}, ...own })
  if (parsed.success) return { ok: true, cost: parsed.data as CostModel }
  const [issue] = parsed.error.issues
  return { ok: false, problem: `${issue.path.join('.') || 'the minutes'}: ${issue.message}` }
}
