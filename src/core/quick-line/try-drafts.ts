import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { fallsWith, problemWithEntry } from '@/src/core/job/fold'
import type { Refusal } from '@/src/core/job/job-state'
import { isContent } from '@/src/core/job/standing'
import type { System } from '@/src/core/wiring/system'

/** Drafts are tried one after the other, as they would be entered. */
export function tryDrafts(
  system: System,
  before: readonly Entry[],
  drafts: readonly EntryDraft[],
): { readonly ok: true; readonly made: Entry[]; readonly falls: readonly Refusal[] } | { readonly ok: false; readonly problem: string } {
  const made: Entry[] = []
  const falls: Refusal[] = []
  for (const draft of drafts) {
    const entries = [...before, ...made]
    const entry = { id: `draft-${entries.length}-${draft.kind}`, at: '2000-01-01T00:00:00Z', ...draft } as Entry
    const problem = problemWithEntry(system, entries, entry)
    if (problem) return { ok: false, problem }
    if (!isContent(entry)) falls.push(...fallsWith(system, entries, entry))
    made.push(entry)
  }
  return { ok: true, made, falls }
}
