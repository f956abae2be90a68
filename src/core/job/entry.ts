import type { z } from 'zod'
import type { contentEntrySchema, entrySchema } from '@/src/core/job/entry-schema'

/** The timeline of a job: append-only. A correction or an undo is an entry of its own. */
export type Entry = z.infer<typeof entrySchema>
export type ContentEntry = z.infer<typeof contentEntrySchema>

type WithoutStamp<T> = T extends unknown ? Omit<T, 'id' | 'at' | 'by' | 'after'> : never
/** An entry before it has its id and time. */
export type EntryDraft = WithoutStamp<Entry>

export interface Stamp {
  newId(): string
  now(): string
  /** The name that entries are signed with; null when they are not. */
  by?(): string | null
}

/** An entry of a draft; `before` is what its maker has on the device, where more than one device may work on the job. */
export function stampEntry(draft: EntryDraft, stamp: Stamp, before?: readonly Entry[]): Entry {
  const by = stamp.by?.() ?? null
  return { id: stamp.newId(), at: stamp.now(), ...(by !== null && { by }), ...(before && { after: headsOf(before) }), ...draft } as Entry
}

/** Most devices whose last entries are told apart; the oldest fall out. */
const MOST_HEADS = 20

/** The last entries of a timeline: those that no later one was made after. One, unless devices worked side by side. */
export function headsOf(entries: readonly Entry[]): string[] {
  let heads = new Set<string>()
  for (const { id, after } of entries) {
    if (after === undefined) heads = new Set()
    else for (const known of after) heads.delete(known)
    heads.add(id)
  }
  return [...heads].slice(-MOST_HEADS)
}

/** Whether two timelines are the same: an entry never changes, so that its id is all of it. */
export const haveSameIds = (a: readonly Entry[], b: readonly Entry[]): boolean =>
  a.length === b.length && a.every(({ id }, index) => id === b[index].id)
