import 'server-only'
import { Readable } from 'node:stream'
import { ZipFile } from 'yazl'
import { ARCHIVE_MANIFEST, type ArchiveManifest, jobPath, photoPath } from '@/src/core/formats/archive-form'
import { writeJobFile } from '@/src/core/job/job-file'
import { digestsIn } from '@/src/core/job/photos'
import { sortedKeys } from '@/src/core/units/sorted-keys'
import { digestOf } from '@/src/server/photos'
import type { Store } from '@/src/server/store'

/**
 * Jobs with their photos as a zip, made while it is read: one file at a time is in memory. The stream fails where a job cannot be read.
 *
 * @param ids the jobs; those that are not in the store are left out
 */
export function writeArchive({ jobs, photos }: Pick<Store, 'jobs' | 'photos'>, ids: readonly string[], now: Date): Readable {
  const zip = new ZipFile()
  const out = Readable.from(zip.outputStream as AsyncIterable<Buffer>)
  zip.on('error', (error) => out.destroy(error instanceof Error ? error : new Error(String(error))))
  const files: ArchiveManifest['files'] = []
  const missing: string[] = []
  /** A file whose bytes are made when its turn comes. */
  const add = (path: string, compress: boolean, bytesOf: () => Promise<Uint8Array>) =>
    zip.addReadStreamLazy(path, { compress, mtime: now }, (give) => {
      bytesOf().then(
        (bytes) => {
          if (path !== ARCHIVE_MANIFEST) files.push({ path, sha256: digestOf(bytes) })
          give(null, Readable.from([bytes]))
        },
        (error) => give(error, Readable.from([])),
      )
    })
  void (async () => {
    const seen = new Set<string>()
    for (const id of ids) {
      const job = await jobs.read(id)
      if (!job) continue
      add(jobPath(id), true, async () => {
        const now = await jobs.read(id)
        if (!now) throw new Error('a job left the store while it was archived')
        // The tables give keys back in an order of their own: the same job has the same digest wherever it comes from.
        return Buffer.from(writeJobFile(sortedKeys(now)))
      })
      for (const digest of digestsIn(job.entries)) {
        if (seen.has(digest)) continue
        seen.add(digest)
        if (!photos.has(digest)) missing.push(digest)
        else
          add(photoPath(digest), false, async () => {
            const bytes = await photos.read(digest)
            if (!bytes) throw new Error('a photo left the store while it was archived')
            return bytes
          })
      }
    }
    add(ARCHIVE_MANIFEST, true, async () => {
      const manifest: ArchiveManifest = { format: 'nest-trace/archive', version: 1, madeAt: now.toISOString(), files, missing }
      return Buffer.from(JSON.stringify(manifest, null, 1))
    })
    zip.end()
  })().catch((error) => out.destroy(error))
  return out
}
