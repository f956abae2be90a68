import type { Bench } from '@/src/core/bench/bench'
import { cautionOf } from '@/src/core/bench/caution'
import { benchAfter } from '@/src/core/job/content-reducer'
import type { Entry } from '@/src/core/job/entry'
import { isContent } from '@/src/core/job/standing'
import type { System } from '@/src/core/wiring/system'

/** What is to be said of entries before hands make their changes, each sentence once. */
export function cautionsOf(system: System, from: Bench, entries: readonly Entry[]): string[] {
  let bench = from
  const cautions = new Set<string>()
  for (const entry of entries) {
    if (!isContent(entry)) continue
    const caution = entry.kind === 'bench' ? cautionOf(system, bench, entry.change) : null
    if (caution) cautions.add(caution)
    bench = benchAfter(system, bench, entry)
  }
  return [...cautions]
}
