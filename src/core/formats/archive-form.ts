import { z } from 'zod'
import { photoDigestSchema } from '@/src/core/job/photo-schema'
import { momentSchema, textSchema } from '@/src/core/units/text-schema'

/**
 * An archive is a zip: `jobs/ID.json` is a job file each, `photos/DIGEST.jpg` the photos they name, `manifest.json` the digest of each.
 */
export const ARCHIVE_MANIFEST = 'manifest.json'
export const jobPath = (id: string): string => `jobs/${id}.json`
export const photoPath = (digest: string): string => `photos/${digest}.jpg`

/** What a file of an archive is, by its path; null for one that has no place there. */
export function fileAt(path: string): { readonly holds: 'job' | 'manifest' } | { readonly holds: 'photo'; readonly digest: string } | null {
  if (path === ARCHIVE_MANIFEST) return { holds: 'manifest' }
  if (/^jobs\/[A-Za-z0-9][A-Za-z0-9_-]{0,63}\.json$/.test(path)) return { holds: 'job' }
  const digest = /^photos\/([0-9a-f]{64})\.jpg$/.exec(path)?.[1]
  return digest === undefined ? null : { holds: 'photo', digest }
}

export const archiveManifestSchema = z.strictObject({
  format: z.literal('nest-trace/archive'),
  version: z.literal(1),
  madeAt: momentSchema,
  files: z.array(z.strictObject({ path: textSchema(100, 1), sha256: photoDigestSchema })),
  /** Photos that a job names and that were not in the store: they may still be on the device that took them. */
  missing: z.array(photoDigestSchema),
})
export type ArchiveManifest = z.infer<typeof archiveManifestSchema>
