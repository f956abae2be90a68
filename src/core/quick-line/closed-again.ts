import { isResettable } from '@/src/core/bench/apply'
import type { EntryDraft } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { QuickLineContext, Understood } from '@/src/core/quick-line/in-grammar'
import { wordOf } from '@/src/core/readings/check'
import { modelValue } from '@/src/core/units/model-value'
import { terminalPoint } from '@/src/core/wiring/point'
import { isAhead, lineNodes } from '@/src/core/wiring/supply'
import { firstPart, isUnknown, partById, partsOf } from '@/src/core/wiring/system'

/** Volts that no stray field makes between two nodes behind an open fuse. */
const LIVE_VOLTS = modelValue({ value: 10, unit: 'V', source: 'assumption' })

/**
 * Behind a fuse or breaker that opened nothing is live: who reads 26 V there, or hears a coil hum, has closed it again and did not say so
 * (one that is in may be welded). The line is read as if that stood before it, where it tells of such a thing.
 */
export function closedFirst(line: string, asked: QuickLineContext, read: (line: string) => Understood): Understood {
  const heard = read(line)
  const renewal = heard.ok ? closedAgain(heard.drafts, asked) : null
  const again = renewal === null ? heard : read(`${renewal}; ${line}`)
  return again.ok ? again : heard
}

/** What closed it, in the grammar's words. */
function closedAgain(drafts: readonly EntryDraft[], { system, entries }: QuickLineContext): string | null {
  const { bench } = foldJob(system, entries)
  if (!bench.slot.open || bench.slot.holds === 'nothing' || isUnknown(system, 'fuse')) return null
  // Of two circuits one may be fed by the other, which is a finding.
  if (partsOf(system, 'transformer').length > 1) return null
  const isTold = drafts.some((draft) => draft.kind === 'trip' || (draft.kind === 'bench' && /^(?:slot|reset)$/.test(draft.change.do)))
  if (isTold || !drafts.some((draft) => draft.kind === 'reading' && showsLife(system, draft))) return null
  return isResettable(system, bench) ? 'reset' : `fuse ${bench.slot.ratingA} in`
}

function showsLife(system: QuickLineContext['system'], { probe, answer }: EntryDraft & { kind: 'reading' }): boolean {
  const fuse = firstPart(system, 'fuse').id
  if (probe.meter === 'volts') {
    const ends = [probe.a, probe.b]
    return (
      typeof answer === 'number' && answer >= LIVE_VOLTS && ends.every((end) => !isAhead(system, fuse, end) && !lineNodes(system).has(end))
    )
  }
  if (probe.meter !== 'look') return false
  const coil = partById(system, probe.at)
  if (coil?.kind !== 'coil' || !['hums', 'chatters'].includes(wordOf(answer) ?? '')) return false
  return coil.between.every((name) => !isAhead(system, fuse, terminalPoint(name, coil.place)))
}
