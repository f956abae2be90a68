import 'server-only'
import { foldJob } from '@/src/core/job/fold'
import { searchWords, summarise } from '@/src/core/job/job-summary'
import type { Database } from '@/src/server/database'
import type { OpenJob } from '@/src/server/open-jobs'
import { writeSummary } from '@/src/server/writes'

/** A job whose line of the list is behind its timeline. */
interface Behind {
  job: OpenJob
  /** Entries that its line knows of; null when it has none yet. */
  readonly from: number | null
  /** Told once its line is in the tables. */
  readonly told: (() => void)[]
}

/** How many jobs there are, and how many of them are open. */
export interface Counts {
  total: number
  open: number
}

/**
 * The lines of the list, made after a write is acknowledged: whoever writes does not wait for them, whoever reads the list does. Many
 * writes to one job come to one line. Whatever is lost with the process is made again from the journal.
 */
export class LateSummaries {
  private readonly behind = new Map<string, Behind>()
  private working: Promise<void> | null = null

  constructor(
    private readonly database: Database,
    private readonly counts: () => Promise<Counts>,
  ) {}

  /** Notes that a job has grown from so many entries (null: it is new) and calls back once its line says so. */
  put(job: OpenJob, from: number | null, told: () => void): void {
    const known = this.behind.get(job.job.id)
    if (known) {
      known.job = job
      known.told.push(told)
    } else this.behind.set(job.job.id, { job, from, told: [told] })
    this.working ??= this.work()
  }

  /** Waits until every line is made. */
  async settled(): Promise<void> {
    while (this.working) await this.working
  }

  private async work(): Promise<void> {
    // The answer to whoever wrote goes out first.
    await new Promise((resolve) => setImmediate(resolve))
    for (const [id, one] of this.behind) {
      this.behind.delete(id)
      try {
        await this.keep(one)
      } catch (error) {
        // It stays as it was; its write stays under way, so that the next start makes the line.
        console.error(`The list's line of a job could not be kept: ${error instanceof Error ? error.name : 'unknown'}`)
      }
    }
    this.working = null
  }

  private async keep({ job, from, told }: Behind): Promise<void> {
    const counts = await this.counts()
    const wasOpen = from !== null && !isClosed(job, from)
    const isOpen = await keepSummary(this.database, job)
    if (from === null) counts.total++
    counts.open += Number(isOpen) - Number(wasOpen)
    for (const tell of told) tell()
  }
}

/** Makes a job's line of the list and keeps it; tells whether the job is open. */
export async function keepSummary(database: Database, { job, system, shares, entries }: OpenJob): Promise<boolean> {
  const summary = summarise(job, system, foldJob(system, entries), shares)
  await writeSummary(database, job.id, { summary, words: searchWords(summary), isClosed: summary.closedAt !== null })
  return summary.closedAt === null
}

const isClosed = ({ system, entries }: OpenJob, count: number): boolean => foldJob(system, entries.slice(0, count)).closedAt !== null
