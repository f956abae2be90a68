import { cautionOf } from '@/src/core/bench/caution'
import { cautionOfRepair, type DoneRepair } from '@/src/core/job/burned-out'
import { benchAfter } from '@/src/core/job/content-reducer'
import type { Entry } from '@/src/core/job/entry'
import type { JobState } from '@/src/core/job/job-state'
import { isContent } from '@/src/core/job/standing'
import type { System } from '@/src/core/wiring/system'

/** What is to be said of entries before hands make their changes, each sentence once. */
export function cautionsOf(system: System, from: Pick<JobState, 'bench' | 'repairs'>, entries: readonly Entry[]): string[] {
  let { bench } = from
  const repairs: DoneRepair[] = [...from.repairs]
  const cautions = new Set<string>()
  for (const entry of entries) {
    if (!isContent(entry)) continue
    const caution =
      entry.kind === 'bench' ? cautionOf(system, bench, entry.change) : entry.kind === 'repair' ? cautionOfRepair(entry, repairs) : null
    if (entry.kind === 'repair') repairs.push(entry)
    if (caution) cautions.add(caution)
    bench = benchAfter(system, bench, entry)
  }
  return [...cautions]
}
