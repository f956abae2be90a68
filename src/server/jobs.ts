import { entrySchema } from '@/src/core/job/entry-schema'
import { systemSchema } from '@/src/core/wiring/system-schema'
import 'server-only'
import { isDeepStrictEqual } from 'node:util'
import { and, asc, desc, eq, inArray } from 'drizzle-orm'
import type { Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { JobFile } from '@/src/core/job/job-file'
import type { JobSummary } from '@/src/core/job/job-summary'
import { entries, jobs, systems } from '@/src/server/schema'
import type { Database } from '@/src/server/store'
import { insertSystem } from '@/src/server/systems'

/** The outcome of adding entries: how many were new, or the id that is taken by another entry. */
export type Added = { readonly ok: true; readonly added: number } | { readonly ok: false; readonly clash: string }

export async function insertJob(database: Database, file: JobFile): Promise<Added & { readonly isNew?: boolean }> {
  return database.transaction(async (transaction) => {
    const systemKey = await insertSystem(transaction, file.system)
    const made = await transaction
      .insert(jobs)
      .values({ ...file.job, systemKey })
      .onConflictDoNothing({ target: jobs.id })
      .returning()
    const added = await addEntries(transaction, file.job.id, file.entries)
    return { ...added, isNew: made.length > 0 }
  })
}

/** Adds entries to a job's timeline. Those that are in already are passed over; a clash of ids adds nothing. */
export async function addEntries(database: Database, jobId: string, added: readonly Entry[]): Promise<Added> {
  if (added.length === 0) return { ok: true, added: 0 }
  return database.transaction(async (transaction): Promise<Added> => {
    const known = await transaction
      .select()
      .from(entries)
      .where(
        and(
          eq(entries.jobId, jobId),
          inArray(
            entries.id,
            added.map(({ id }) => id),
          ),
        ),
      )
    for (const row of known) {
      const sent = added.find(({ id }) => id === row.id)
      if (!isDeepStrictEqual(entrySchema.parse(row.body), sent)) return { ok: false, clash: row.id }
    }
    let count = 0
    for (const entry of added) {
      const rows = await transaction
        .insert(entries)
        .values({ jobId, id: entry.id, body: entry })
        .onConflictDoNothing({ target: [entries.jobId, entries.id] })
        .returning({ id: entries.id })
      count += rows.length
    }
    return { ok: true, added: count }
  })
}

/** A job with its system and timeline, as it would be written to a file; null when there is none. */
export async function readJob(database: Database, id: string): Promise<JobFile | null> {
  const [row] = await database.select().from(jobs).innerJoin(systems, eq(jobs.systemKey, systems.key)).where(eq(jobs.id, id))
  if (!row) return null
  return {
    format: 'nest-trace/job',
    version: 1,
    job: { id: row.jobs.id, title: row.jobs.title, createdAt: new Date(row.jobs.createdAt).toISOString() },
    system: systemSchema.parse(row.systems.body),
    entries: await timelineOf(database, id),
  }
}

export async function hasJob(database: Database, id: string): Promise<boolean> {
  return (await database.select({ id: jobs.id }).from(jobs).where(eq(jobs.id, id))).length > 0
}

async function timelineOf(database: Database, jobId: string): Promise<Entry[]> {
  const rows = await database.select({ body: entries.body }).from(entries).where(eq(entries.jobId, jobId)).orderBy(asc(entries.seq))
  return rows.map(({ body }) => entrySchema.parse(body))
}

/** All jobs, the newest first, each with what its timeline amounts to. */
export async function listJobs(database: Database): Promise<JobSummary[]> {
  const rows = await database.select().from(jobs).innerJoin(systems, eq(jobs.systemKey, systems.key)).orderBy(desc(jobs.createdAt))
  return Promise.all(
    rows.map(async ({ jobs: job, systems: { body } }) => {
      const state = foldJob(body, await timelineOf(database, job.id))
      return {
        id: job.id,
        title: job.title,
        createdAt: new Date(job.createdAt).toISOString(),
        system: body.name,
        words: state.complaint.words,
        trips: state.trips,
        owed: state.owed.length,
        repairs: state.repairs.map(({ what }) => what),
        closedAt: state.closedAt,
      }
    }),
  )
}
