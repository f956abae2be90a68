import type { Entry } from '@/src/core/job/entry'
import type { JobFile } from '@/src/core/job/job-file'
import type { ZoneShares } from '@/src/core/job/job-summary'
import type { System } from '@/src/core/wiring/system'

/** A job at work, as it is in the tables: this server alone writes there. */
export interface OpenJob {
  readonly job: JobFile['job']
  readonly system: System
  readonly entries: Entry[]
  readonly byId: Map<string, Entry>
  shares: ZoneShares['shares'] | null
}

/** Jobs kept in memory, the last asked for first to stay, and as many entries in all of them. */
const MOST_JOBS = 48
const MOST_ENTRIES = 60_000

/** Jobs in memory, and for each a line in which writes wait for each other. */
export class OpenJobs {
  private readonly kept = new Map<string, OpenJob>()
  private readonly loading = new Map<string, Promise<OpenJob | null>>()
  private readonly lines = new Map<string, Promise<unknown>>()

  constructor(private readonly load: (id: string) => Promise<OpenJob | null>) {}

  async get(id: string): Promise<OpenJob | null> {
    const kept = this.kept.get(id)
    if (kept) {
      this.put(id, kept)
      return kept
    }
    const underWay = this.loading.get(id)
    if (underWay) return underWay
    const loading = this.load(id)
    this.loading.set(id, loading)
    try {
      const job = await loading
      // It may have been made while it was looked for.
      const made = this.kept.get(id)
      if (made) return made
      if (job) this.put(id, job)
      return job
    } finally {
      this.loading.delete(id)
    }
  }

  put(id: string, job: OpenJob): void {
    this.kept.delete(id)
    this.kept.set(id, job)
    let entries = 0
    for (const one of this.kept.values()) entries += one.entries.length
    for (const [oldest, one] of this.kept) {
      if (this.kept.size <= MOST_JOBS && entries <= MOST_ENTRIES) return
      if (oldest === id || this.lines.has(oldest)) continue
      entries -= one.entries.length
      this.kept.delete(oldest)
    }
  }

  /** Lets go of a job: it is read again when it is next asked for. */
  drop(id: string): void {
    this.kept.delete(id)
  }

  /** Does something with several jobs while nothing else is done with any of them; always taken in one order, so that two such wait for each other. */
  aloneWith<T>(ids: readonly string[], work: () => Promise<T>): Promise<T> {
    return [...new Set(ids)].sort().reduceRight<() => Promise<T>>((inner, id) => () => this.alone(id, inner), work)()
  }

  /** Does something with a job while nothing else is done with it. */
  async alone<T>(id: string, work: () => Promise<T>): Promise<T> {
    const before = this.lines.get(id) ?? Promise.resolve()
    const mine = before.then(work, work)
    const settled = mine.then(
      () => undefined,
      () => undefined,
    )
    this.lines.set(id, settled)
    try {
      return await mine
    } catch (error) {
      // What is in memory may not be what is in the tables: it is read again.
      this.kept.delete(id)
      throw error
    } finally {
      if (this.lines.get(id) === settled) this.lines.delete(id)
    }
  }
}
