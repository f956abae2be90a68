import 'server-only'
import { createHash } from 'node:crypto'
import { eq, sql } from 'drizzle-orm'
import type { CodeRow } from '@/src/core/diagnosis/hypotheses/codes'
import type { Entry } from '@/src/core/job/entry'
import type { JobFile } from '@/src/core/job/job-file'
import { sortedKeys } from '@/src/core/units/sorted-keys'
import type { System } from '@/src/core/wiring/system'
import { systemSchema } from '@/src/core/wiring/system-schema'
import type { Database } from '@/src/server/database'
import { codes, entries, jobs, journalMark, systems } from '@/src/server/schema'

/** Everything that is ever written, as it stands in the journal. Each can be done twice and comes to the same. */
export type Write =
  | { readonly do: 'job'; readonly job: JobFile['job']; readonly system: System; readonly entries: readonly Entry[] }
  | { readonly do: 'entries'; readonly jobId: string; readonly entries: readonly Entry[] }
  /** Several jobs at once, all or none; a job that is there already gets the entries. `system` is a place in `systems`. */
  | { readonly do: 'jobs'; readonly systems: readonly System[]; readonly jobs: readonly JobRows[] }
  | { readonly do: 'system'; readonly system: System }
  | { readonly do: 'codes'; readonly rows: readonly CodeRow[] }

/** One of several jobs. */
export interface JobRows {
  readonly job: JobFile['job']
  readonly system: number
  readonly entries: readonly Entry[]
}

/** Rows put in with one statement: short enough that other requests go on between two of them. */
const ROWS_AT_ONCE = 250

/**
 * Does a write in the tables. Entries whose id is in already are passed over, whatever they say: the first is kept. A short write is
 * one transaction; a long one is done in pieces, with its job off the list until its line is made.
 */
export async function doWrite(database: Database, write: Write): Promise<void> {
  if (write.do === 'jobs') return database.transaction((transaction) => insertJobs(transaction, write))
  const rows = rowsOf(write)
  if (write.do === 'entries' && rows.length <= ROWS_AT_ONCE) return insertEntryRows(database, rows)
  if (rows.length <= ROWS_AT_ONCE)
    return database.transaction(async (transaction) => {
      await doHead(transaction, write)
      await insertEntryRows(transaction, rows)
    })
  await doHead(database, write)
  await clearSummary(database, rows[0].jobId)
  for (let at = 0; at < rows.length; at += ROWS_AT_ONCE) {
    await insertEntryRows(database, rows.slice(at, at + ROWS_AT_ONCE))
    // The database answers without letting anybody else have a turn: that is given here.
    await new Promise((resolve) => setImmediate(resolve))
  }
}

/** Does a write again after a start: its job's line of the list is to be made anew. */
export async function redoWrite(database: Database, write: Write): Promise<void> {
  await doWrite(database, write)
  const id = write.do === 'job' ? write.job.id : write.do === 'entries' ? write.jobId : null
  if (id !== null) await clearSummary(database, id)
}

/** Jobs with their entries and without their lines of the list, which are made anew. */
async function insertJobs(database: Database, { systems, jobs: some }: Extract<Write, { do: 'jobs' }>): Promise<void> {
  for (const { job, system, entries: added } of some) {
    await doHead(database, { do: 'job', job, system: systems[system], entries: [] })
    await clearSummary(database, job.id)
    const rows = added.map((body) => ({ jobId: job.id, id: body.id, body }))
    for (let at = 0; at < rows.length; at += ROWS_AT_ONCE) await insertEntryRows(database, rows.slice(at, at + ROWS_AT_ONCE))
  }
}

/** Keeps a job's line of the list. */
export async function writeSummary(
  database: Database,
  jobId: string,
  line: Pick<typeof jobs.$inferInsert, 'summary' | 'words' | 'isClosed'>,
): Promise<void> {
  await database.update(jobs).set(line).where(eq(jobs.id, jobId))
}

const clearSummary = async (database: Database, jobId: string): Promise<void> => {
  await database.update(jobs).set({ summary: null }).where(eq(jobs.id, jobId))
}

/** Everything of a write but its entries. */
async function doHead(database: Database, write: Write): Promise<void> {
  switch (write.do) {
    case 'job': {
      const { id, title, createdAt } = write.job
      const systemKey = await insertSystemRow(database, write.system)
      await database.insert(jobs).values({ id, title, createdAt, systemKey }).onConflictDoNothing({ target: jobs.id })
      return
    }
    case 'entries':
    case 'jobs':
      return
    case 'system':
      await insertSystemRow(database, write.system)
      return
    case 'codes':
      await database.delete(codes)
      if (write.rows.length > 0) await database.insert(codes).values(write.rows.map((body, position) => ({ position, body })))
      return
  }
}

type EntryRow = typeof entries.$inferInsert

function rowsOf(write: Write): EntryRow[] {
  if (write.do !== 'job' && write.do !== 'entries') return []
  const jobId = write.do === 'job' ? write.job.id : write.jobId
  return write.entries.map((body) => ({ jobId, id: body.id, body }))
}

async function insertEntryRows(database: Database, rows: EntryRow[]): Promise<void> {
  if (rows.length > 0)
    await database
      .insert(entries)
      .values(rows)
      .onConflictDoNothing({ target: [entries.jobId, entries.id] })
}

/** Keeps a system under its id and a digest of its body, so that jobs go on reading the one they were begun with. */
async function insertSystemRow(database: Database, system: System): Promise<string> {
  const key = keyOfSystem(system)
  await database
    .insert(systems)
    .values({ key, id: system.id, name: system.name, body: system })
    .onConflictDoNothing({ target: systems.key })
  return key
}

export function keyOfSystem(system: System): string {
  const digest = createHash('sha256')
    // The tables give keys back in an order of their own.
    .update(JSON.stringify(sortedKeys(systemSchema.parse(system))))
    .digest('hex')
  return `${system.id}~${digest.slice(0, 12)}`
}

/** Notes that every record of the journal up to this number is in the tables. */
export async function keepMark(database: Database, seq: number): Promise<void> {
  await database
    .insert(journalMark)
    .values({ id: 1, seq })
    .onConflictDoUpdate({ target: journalMark.id, set: { seq: sql`greatest(${journalMark.seq}, excluded.seq)` } })
}

export async function readMark(database: Database): Promise<number> {
  return (await database.select().from(journalMark))[0]?.seq ?? 0
}
