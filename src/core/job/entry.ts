import type { z } from 'zod'
import type { contentEntrySchema, entrySchema } from '@/src/core/job/entry-schema'

/** The timeline of a job: append-only. A correction or an undo is an entry of its own. */
export type Entry = z.infer<typeof entrySchema>
export type ContentEntry = z.infer<typeof contentEntrySchema>

type WithoutStamp<T> = T extends unknown ? Omit<T, 'id' | 'at' | 'by'> : never
/** An entry before it has its id and time. */
export type EntryDraft = WithoutStamp<Entry>

export interface Stamp {
  newId(): string
  now(): string
  /** The name that entries are signed with; null when they are not. */
  by?(): string | null
}

export function stampEntry(draft: EntryDraft, stamp: Stamp): Entry {
  const by = stamp.by?.() ?? null
  return { id: stamp.newId(), at: stamp.now(), ...(by !== null && { by }), ...draft } as Entry
}

/** Whether two timelines are the same: an entry never changes, so that its id is all of it. */
export const haveSameIds = (a: readonly Entry[], b: readonly Entry[]): boolean =>
  a.length === b.length && a.every(({ id }, index) => id === b[index].id)
