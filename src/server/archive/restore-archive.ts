import 'server-only'
import { ArchiveDamaged, readArchive } from '@/src/server/archive/read-archive'
import type { Store } from '@/src/server/store'

/** What came in with an archive; what was in the store already is not counted. */
export interface Restored {
  readonly jobs: number
  readonly entries: number
  readonly photos: number
}

export type RestoreOutcome = { readonly ok: true; readonly restored: Restored } | { readonly ok: false; readonly problem: string }

/**
 * Takes an archive into the store: all of its jobs or none. A job that is there already gets what it lacks; one that went on differently
 * keeps the whole archive out. Photos go first: one that no job names harms nothing, a job without its photo would.
 */
export async function restoreArchive({ jobs, photos }: Pick<Store, 'jobs' | 'photos'>, file: string): Promise<RestoreOutcome> {
  let archive: Awaited<ReturnType<typeof readArchive>>
  try {
    archive = await readArchive(file)
  } catch (error) {
    if (error instanceof ArchiveDamaged) return { ok: false, problem: error.message }
    throw error
  }
  try {
    const problem = await jobs.problemWithAll(archive.jobs)
    if (problem) return { ok: false, problem }
    let fresh = 0
    for await (const { digest, bytes } of archive.photos()) {
      const kept = await photos.keep(digest, bytes)
      if (!kept.ok) return { ok: false, problem: kept.problem }
      if (kept.isNew) fresh++
    }
    const inserted = await jobs.insertAll(archive.jobs)
    return inserted.ok ? { ok: true, restored: { ...inserted.added, photos: fresh } } : inserted
  } finally {
    archive.close()
  }
}
