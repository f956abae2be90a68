import { bigint, bigserial, boolean, index, integer, jsonb, pgTable, primaryKey, text, timestamp } from 'drizzle-orm/pg-core'
import type { CodeRow } from '@/src/core/diagnosis/hypotheses/codes'
import type { Entry } from '@/src/core/job/entry'
import type { JobSummary } from '@/src/core/job/job-summary'
import type { System } from '@/src/core/wiring/system'

/** A system as it was known, kept for good: another body under the same id is another row. */
export const systems = pgTable('systems', {
  key: text('key').primaryKey(),
  id: text('id').notNull(),
  name: text('name').notNull(),
  body: jsonb('body').$type<System>().notNull(),
  addedAt: timestamp('added_at', { withTimezone: true, mode: 'string' }).notNull().defaultNow(),
})

export const jobs = pgTable(
  'jobs',
  {
    id: text('id').primaryKey(),
    title: text('title').notNull(),
    createdAt: timestamp('created_at', { withTimezone: true, mode: 'string' }).notNull(),
    systemKey: text('system_key')
      .notNull()
      .references(() => systems.key),
    /** What the timeline amounts to on the list, kept as entries are added; null until it has been made. */
    summary: jsonb('summary').$type<JobSummary>(),
    /** Everything that the list is searched for, in small letters. */
    words: text('words').notNull().default(''),
    isClosed: boolean('is_closed').notNull().default(false),
  },
  // Read backwards for the newest first.
  (table) => [index('jobs_by_time').on(table.createdAt, table.id)],
)

/** The timeline: rows are only ever added. `seq` is the order in which they were acknowledged. */
export const entries = pgTable(
  'entries',
  {
    seq: bigserial('seq', { mode: 'number' }).notNull(),
    jobId: text('job_id')
      .notNull()
      .references(() => jobs.id),
    /** Made by the client: the same entry sent twice is one row. */
    id: text('id').notNull(),
    body: jsonb('body').$type<Entry>().notNull(),
  },
  (table) => [primaryKey({ columns: [table.jobId, table.id] }), index('entries_by_job').on(table.jobId, table.seq)],
)

/** What boards' codes mean, as this shop has written it down. */
export const codes = pgTable('codes', {
  position: integer('position').primaryKey(),
  body: jsonb('body').$type<CodeRow>().notNull(),
})

/** One row: every record of the journal up to this number is in the tables. */
export const journalMark = pgTable('journal_mark', {
  id: integer('id').primaryKey(),
  seq: bigint('seq', { mode: 'number' }).notNull(),
})
