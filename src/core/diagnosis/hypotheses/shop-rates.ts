import type { FaultFamily } from '@/src/core/faults/families'
import type { Fault } from '@/src/core/faults/fault'
import { modelValue } from '@/src/core/units/model-value'

/** What a shop has found in its closed jobs, by family of fault. */
export type ShopCounts = Readonly<Partial<Record<FaultFamily, number>>>

/** Closed jobs that the base rates are worth: a shop's own find outweighs them from then on. */
const BASE_JOBS = modelValue({ value: 60, unit: 'jobs', source: 'assumption' })

/**
 * The faults with the shop's own rates: Dirichlet counts on top of the base rates (engine.md section 8). The sum of all
 * rates stays, so that a sound house keeps its share; within a family the spots keep theirs.
 */
export function withShopRates(faults: readonly Fault[], counts: ShopCounts): Fault[] {
  const sums = new Map<FaultFamily, number>()
  let all = 0
  for (const { family, rate } of faults) {
    sums.set(family, (sums.get(family) ?? 0) + rate)
    all += rate
  }
  // Jobs of families that this system cannot have say nothing about it.
  const jobs = [...sums.keys()].reduce((sum, family) => sum + (counts[family] ?? 0), 0)
  return faults.map((fault) => {
    const share = (sums.get(fault.family) ?? 0) / all
    const own = (BASE_JOBS * share + (counts[fault.family] ?? 0)) / (BASE_JOBS + jobs)
    return { ...fault, rate: (fault.rate * own) / share }
  })
}
