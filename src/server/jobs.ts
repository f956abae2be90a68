import 'server-only'
import { and, asc, count, desc, eq, isNull, like, sql } from 'drizzle-orm'
import type { Entry } from '@/src/core/job/entry'
import { firstClash, type JobFile, jobFileOf } from '@/src/core/job/job-file'
import { type JobSummary, sharesOf, type ZoneShares } from '@/src/core/job/job-summary'
import { LruCache } from '@/src/core/units/cache'
import { isDeepEqual } from '@/src/core/units/is-deep-equal'
import type { System } from '@/src/core/wiring/system'
import type { Database } from '@/src/server/database'
import { JobEvents } from '@/src/server/job-events'
import { type Counts, keepSummary, LateSummaries } from '@/src/server/late-summaries'
import { type OpenJob, OpenJobs } from '@/src/server/open-jobs'
import { entries, jobs, systems } from '@/src/server/schema'
import type { Writer } from '@/src/server/writer'
import { type JobRows, keyOfSystem, type Write } from '@/src/server/writes'

/** The outcome of adding entries: how many were new, or why nothing was added. */
export type Added =
  | { readonly ok: true; readonly added: number }
  | { readonly ok: false; readonly why: 'clash'; readonly clash: string }
  | { readonly ok: false; readonly why: 'no-job' }

export type Opened =
  | { readonly ok: true; readonly isNew: boolean; readonly added: number }
  | { readonly ok: false; readonly why: 'clash'; readonly clash: string }
  | { readonly ok: false; readonly why: 'other-system' }

export interface ListQuery {
  readonly words: string
  readonly show: 'open' | 'closed' | 'all'
  /** The last job of the page before. */
  readonly after: { readonly createdAt: string; readonly id: string } | null
  readonly limit: number
}

export interface JobPage {
  readonly jobs: JobSummary[]
  /** Jobs that fit, on all pages, and how many of all jobs are open. */
  readonly fitting: number
  readonly total: number
  readonly open: number
}

const MOST_SYSTEMS = 64
/** Jobs whose summary is made between two looks at what else is to be done. */
const SUMMARIES_AT_ONCE = 50

/** Jobs and their timelines: read from the tables, or from memory while they are at work; written through the journal. */
export class JobStore {
  readonly events = new JobEvents()
  private readonly open: OpenJobs
  /** Systems of the jobs at work: many jobs are on one, and none ever changes. */
  private readonly systems = new LruCache<string, Promise<System>>(MOST_SYSTEMS)
  private counted: Promise<Counts> | null = null
  private readonly summaries: LateSummaries

  constructor(
    private readonly database: Database,
    private readonly writer: Writer,
  ) {
    this.open = new OpenJobs((id) => this.load(id))
    this.summaries = new LateSummaries(database, () => this.counts())
  }

  /** A job with its system and timeline, as it would be written to a file; null when there is none. */
  async read(id: string): Promise<JobFile | null> {
    const job = await this.open.get(id)
    return job && jobFileOf(job)
  }

  /** Entries of a job from a place of its timeline on; null when there is no such job. */
  async entriesFrom(id: string, from: number): Promise<Entry[] | null> {
    return (await this.open.get(id))?.entries.slice(from) ?? null
  }

  /** Adds entries to a job's timeline. Those that are in already are passed over; a clash of ids adds nothing. */
  append(id: string, added: readonly Entry[]): Promise<Added> {
    return this.open.alone(id, async (): Promise<Added> => {
      const job = await this.open.get(id)
      if (!job) return { ok: false, why: 'no-job' }
      const clash = clashOf(job, added)
      if (clash !== null) return { ok: false, why: 'clash', clash }
      const fresh = freshOf(job, added)
      if (fresh.length === 0) return { ok: true, added: 0 }
      await this.add(job, fresh, { do: 'entries', jobId: id, entries: fresh })
      return { ok: true, added: fresh.length }
    })
  }

  /** Opens a job, or adds to one that is there what it has not yet. Where anything contradicts, nothing is changed. */
  insert(file: JobFile): Promise<Opened> {
    const { id } = file.job
    return this.open.alone(id, async (): Promise<Opened> => {
      const twice = firstClash(file.entries)
      if (twice !== null) return { ok: false, why: 'clash', clash: twice }
      const known = await this.open.get(id)
      if (!known) {
        const job: OpenJob = { job: file.job, system: file.system, entries: [], byId: new Map(), shares: null }
        const fresh = freshOf(job, file.entries)
        await this.add(job, fresh, { do: 'job', job: file.job, system: file.system, entries: fresh })
        this.open.put(id, job)
        return { ok: true, isNew: true, added: fresh.length }
      }
      if (keyOfSystem(known.system) !== keyOfSystem(file.system)) return { ok: false, why: 'other-system' }
      const clash = clashOf(known, file.entries)
      if (clash !== null) return { ok: false, why: 'clash', clash }
      const fresh = freshOf(known, file.entries)
      if (fresh.length > 0) await this.add(known, fresh, { do: 'entries', jobId: id, entries: fresh })
      return { ok: true, isNew: false, added: fresh.length }
    })
  }

  /** Why several jobs cannot all be taken in, in a sentence; null when they can. */
  async problemWithAll(files: readonly JobFile[]): Promise<string | null> {
    for (const file of files) {
      const known = await this.open.get(file.job.id)
      const clash = known ? clashOf(known, file.entries) : firstClash(file.entries)
      if (clash !== null)
        return `"${file.job.title}" is in the store already and went on differently after "${clash}". Nothing was restored.`
      if (known && keyOfSystem(known.system) !== keyOfSystem(file.system))
        return `"${file.job.title}" is in the store already, on a system that is wired differently. Nothing was restored.`
    }
    return null
  }

  /** Takes several jobs in, all or none; what is there already is passed over. */
  async insertAll(
    files: readonly JobFile[],
  ): Promise<
    | { readonly ok: true; readonly added: { readonly jobs: number; readonly entries: number } }
    | { readonly ok: false; readonly problem: string }
  > {
    const ids = files.map(({ job }) => job.id)
    return this.open.aloneWith(ids, async () => {
      const problem = await this.problemWithAll(files)
      if (problem) return { ok: false, problem }
      const systems = new Map<string, { readonly at: number; readonly system: System }>()
      const rows: JobRows[] = []
      let jobsAdded = 0
      for (const file of files) {
        const known = await this.open.get(file.job.id)
        const job: OpenJob = known ?? { job: file.job, system: file.system, entries: [], byId: new Map(), shares: null }
        const fresh = freshOf(job, file.entries)
        if (known && fresh.length === 0) continue
        if (!known) jobsAdded++
        const key = keyOfSystem(file.system)
        const system = systems.get(key) ?? { at: systems.size, system: file.system }
        systems.set(key, system)
        rows.push({ job: file.job, system: system.at, entries: fresh })
      }
      const entries = rows.reduce((sum, row) => sum + row.entries.length, 0)
      if (rows.length > 0) {
        await this.summaries.settled()
        await this.writer.write({ do: 'jobs', systems: [...systems.values()].map(({ system }) => system), jobs: rows })
        for (const { job } of rows) this.open.drop(job.id)
        this.counted = null
        await this.summariseMissing()
        for (const { job } of rows) this.events.tell(job.id, (await this.open.get(job.id))?.entries.length ?? 0)
      }
      return { ok: true, added: { jobs: jobsAdded, entries } }
    })
  }

  /** Keeps how suspect the zones of a job are; shares of an older moment than those that are kept change nothing. */
  async keepShares(id: string, { entries: of, shares }: ZoneShares): Promise<boolean> {
    return this.open.alone(id, async () => {
      const job = await this.open.get(id)
      if (!job) return false
      if (of !== job.entries.length) return true
      await this.summaries.settled()
      job.shares = shares
      await keepSummary(this.database, job)
      return true
    })
  }

  /** A page of the list, the newest first, found in the database alone. */
  async list({ words, show, after, limit }: ListQuery): Promise<JobPage> {
    await this.summaries.settled()
    const fits = and(
      show === 'all' ? undefined : eq(jobs.isClosed, show === 'closed'),
      ...words
        .toLowerCase()
        .split(/\s+/)
        .filter((word) => word !== '')
        .slice(0, 8)
        .map((word) => like(jobs.words, `%${word.replace(/[\\%_]/g, '\\$&')}%`)),
    )
    const behind = after ? sql`(${jobs.createdAt}, ${jobs.id}) < (${after.createdAt}, ${after.id})` : undefined
    const rows = await this.database
      .select({ summary: jobs.summary })
      .from(jobs)
      .where(and(fits, behind))
      .orderBy(desc(jobs.createdAt), desc(jobs.id))
      .limit(limit)
    const { total, open } = await this.counts()
    const isPlain = words.trim() === ''
    const fitting = !isPlain
      ? (await this.database.select({ of: count() }).from(jobs).where(fits))[0].of
      : show === 'all'
        ? total
        : show === 'open'
          ? open
          : total - open
    return { jobs: rows.flatMap(({ summary }) => summary ?? []), total, open, fitting }
  }

  /** How many jobs there are and how many of them are open: counted once, kept from then on, since nobody else writes here. */
  private counts(): Promise<Counts> {
    this.counted ??= (async () => {
      const [[total], [open]] = await Promise.all([
        this.database.select({ of: count() }).from(jobs),
        this.database.select({ of: count() }).from(jobs).where(eq(jobs.isClosed, false)),
      ])
      return { total: total.of, open: open.of }
    })()
    return this.counted
  }

  /** Before anything else is asked: every job has its line of the list, and they are counted. */
  async prepare(): Promise<void> {
    await this.summariseMissing()
    await this.counts()
  }

  /** Makes the summaries that are missing: of jobs from before there were any, or cut off between an entry and its summary. */
  private async summariseMissing(): Promise<void> {
    for (;;) {
      const rows = await this.database.select({ id: jobs.id }).from(jobs).where(isNull(jobs.summary)).limit(SUMMARIES_AT_ONCE)
      if (rows.length === 0) return
      for (const { id } of rows) {
        const job = await this.open.get(id)
        if (job) await keepSummary(this.database, job)
      }
    }
  }

  /** Ids of all jobs, the oldest first. */
  async ids(): Promise<string[]> {
    return (await this.database.select({ id: jobs.id }).from(jobs).orderBy(asc(jobs.createdAt))).map(({ id }) => id)
  }

  /** Waits until the list says all that was written. */
  settled(): Promise<void> {
    return this.summaries.settled()
  }

  /** Writes entries; in memory they are there once they are in the tables, and on the list soon after. */
  private async add(job: OpenJob, fresh: readonly Entry[], write: Write): Promise<void> {
    // Counted before there is more to count.
    await this.counts()
    const from = write.do === 'job' ? null : job.entries.length
    const done = await this.writer.begin(write)
    for (const entry of fresh) {
      job.entries.push(entry)
      job.byId.set(entry.id, entry)
    }
    this.summaries.put(job, from, done)
    this.events.tell(job.job.id, job.entries.length)
  }

  private async load(id: string): Promise<OpenJob | null> {
    // Asked for together: neither waits in line again behind somebody else's question.
    const [[row], rows] = await Promise.all([
      this.database.select().from(jobs).where(eq(jobs.id, id)),
      this.database.select({ body: entries.body }).from(entries).where(eq(entries.jobId, id)).orderBy(asc(entries.seq)),
    ])
    if (!row) return null
    const system = await this.systems.get(row.systemKey, () => this.loadSystem(row.systemKey))
    const timeline = rows.map(({ body }) => body)
    return {
      job: { id, title: row.title, createdAt: new Date(row.createdAt).toISOString() },
      system,
      entries: timeline,
      byId: new Map(timeline.map((entry) => [entry.id, entry])),
      shares: row.summary ? sharesOf(row.summary) : null,
    }
  }

  private async loadSystem(key: string): Promise<System> {
    const [row] = await this.database.select({ body: systems.body }).from(systems).where(eq(systems.key, key))
    if (!row) throw new Error('a job is on a system that is not in the store')
    return row.body
  }
}

/** The id that an entry bears which is not the one that is known by it, or that two of these bear; null when there is none. */
const clashOf = ({ byId }: OpenJob, added: readonly Entry[]): string | null =>
  added.find((entry) => {
    const known = byId.get(entry.id)
    return known !== undefined && !isDeepEqual(known, entry)
  })?.id ?? firstClash(added)

function freshOf({ byId }: OpenJob, added: readonly Entry[]): Entry[] {
  const seen = new Set<string>()
  return added.filter(({ id }) => !byId.has(id) && !seen.has(id) && seen.add(id))
}
