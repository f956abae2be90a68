import 'server-only'
import type { Readable } from 'node:stream'
import { type Entry, openPromise, type ZipFile } from 'yauzl'
import { ARCHIVE_MANIFEST, type ArchiveManifest, archiveManifestSchema, fileAt } from '@/src/core/formats/archive-form'
import { LARGEST_PHOTO_BYTES, problemWithPhoto } from '@/src/core/formats/photo-file'
import { type JobFile, readJobFile } from '@/src/core/job/job-file'
import { digestOf } from '@/src/server/photos'

/** An archive that is not whole, or none; the message is a sentence for people. */
export class ArchiveDamaged extends Error {}

/** What a file of an archive may unpack to, bytes: a job of many thousand entries is below it. */
const LARGEST_FILE_BYTES = 20_000_000
const MOST_FILES = 200_000

/** An archive that was found whole. */
export interface WholeArchive {
  readonly jobs: readonly JobFile[]
  /** Photos, one after the other. */
  readonly photos: () => AsyncIterable<{ readonly digest: string; readonly bytes: Uint8Array }>
  readonly close: () => void
}

/**
 * Reads an archive through and checks every file of it, writing nothing: each has its place, its digest, a form that can be kept.
 *
 * @throws ArchiveDamaged with what is wrong
 */
export async function readArchive(file: string): Promise<WholeArchive> {
  const zip = await open(file)
  try {
    const entries = await listOf(zip)
    const manifest = await manifestOf(zip, entries)
    const sums = new Map(manifest.files.map(({ path, sha256 }) => [path, sha256]))
    const jobs: JobFile[] = []
    for (const [path, entry] of entries) {
      const what = fileAt(path)
      if (what === null)
        throw new ArchiveDamaged(`This archive has a file that does not belong in one: "${path.slice(0, 80)}". Nothing was restored.`)
      if (what.holds === 'manifest') continue
      const bytes = await bytesOf(zip, entry, what.holds === 'photo' ? LARGEST_PHOTO_BYTES : LARGEST_FILE_BYTES)
      if (digestOf(bytes) !== sums.get(path))
        throw new ArchiveDamaged(`This archive is damaged: ${path} changed since it was written. Nothing was restored.`)
      const problem = what.holds === 'photo' ? problemOfPhoto(what.digest, bytes) : takeJob(path, bytes, jobs)
      if (problem) throw new ArchiveDamaged(`${path}: ${problem} Nothing was restored.`)
    }
    const lost = [...sums.keys()].find((path) => !entries.has(path))
    if (lost !== undefined) throw new ArchiveDamaged(`This archive is damaged: ${lost} is missing. Nothing was restored.`)
    return { jobs, photos: () => photosIn(zip, entries), close: () => zip.close() }
  } catch (error) {
    zip.close()
    throw error
  }
}

async function open(file: string): Promise<ZipFile> {
  try {
    return await openPromise(file, { lazyEntries: true, autoClose: false })
  } catch {
    throw new ArchiveDamaged('This is no zip file, or it was cut off. Nothing was restored; get it again from where it was made.')
  }
}

/** Every file by its path. Paths that lead out of the archive are refused by the library, which says so in its own words. */
async function listOf(zip: ZipFile): Promise<Map<string, Entry>> {
  const entries = new Map<string, Entry>()
  try {
    for await (const entry of zip.eachEntry()) {
      if (entries.has(entry.fileName)) throw new ArchiveDamaged(`This archive has ${entry.fileName} twice. Nothing was restored.`)
      if (entries.size >= MOST_FILES) throw new ArchiveDamaged(`This archive has more than ${MOST_FILES} files. Nothing was restored.`)
      entries.set(entry.fileName, entry)
    }
  } catch (error) {
    if (error instanceof ArchiveDamaged) throw error
    throw new ArchiveDamaged('The list of files in this archive is damaged, or leads out of it. Nothing was restored.')
  }
  return entries
}

async function manifestOf(zip: ZipFile, entries: ReadonlyMap<string, Entry>): Promise<ArchiveManifest> {
  const entry = entries.get(ARCHIVE_MANIFEST)
  const text = entry ? (await bytesOf(zip, entry, LARGEST_FILE_BYTES)).toString('utf8') : ''
  let value: unknown = null
  try {
    value = JSON.parse(text)
  } catch {
    // Told below, with whatever else is no manifest.
  }
  const parsed = archiveManifestSchema.safeParse(value)
  if (!parsed.success)
    throw new ArchiveDamaged('This is no archive of Nest Trace: its manifest is missing or damaged. Nothing was restored.')
  return parsed.data
}

/** The bytes of one file, no more than it may have: what claims to be short and unpacks to a mountain is let go of on the way. */
async function bytesOf(zip: ZipFile, entry: Entry, most: number): Promise<Buffer> {
  const tooLarge = () =>
    new ArchiveDamaged(`${entry.fileName.slice(0, 80)} in this archive is larger than any job or photo. Nothing was restored.`)
  if (entry.uncompressedSize > most) throw tooLarge()
  const pieces: Buffer[] = []
  let length = 0
  let stream: Readable
  try {
    stream = await zip.openReadStreamPromise(entry)
    for await (const piece of stream) {
      length += piece.length
      if (length > most) {
        stream.destroy()
        throw tooLarge()
      }
      pieces.push(piece)
    }
  } catch (error) {
    if (error instanceof ArchiveDamaged) throw error
    throw new ArchiveDamaged(`${entry.fileName.slice(0, 80)} in this archive cannot be unpacked. Nothing was restored.`)
  }
  return Buffer.concat(pieces)
}

function problemOfPhoto(digest: string, bytes: Uint8Array): string | null {
  const problem = problemWithPhoto(bytes)
  if (problem) return problem
  return digestOf(bytes) === digest ? null : 'It is not the photo that its name says.'
}

/** Takes a job in, unless something is wrong with it. */
function takeJob(path: string, bytes: Buffer, jobs: JobFile[]): string | null {
  const read = readJobFile(bytes.toString('utf8'))
  if (!read.ok) return read.problem
  if (path !== `jobs/${read.file.job.id}.json`) return 'It is another job than its name says.'
  jobs.push(read.file)
  return null
}

async function* photosIn(zip: ZipFile, entries: ReadonlyMap<string, Entry>) {
  for (const [path, entry] of entries) {
    const what = fileAt(path)
    if (what?.holds === 'photo') yield { digest: what.digest, bytes: await bytesOf(zip, entry, LARGEST_PHOTO_BYTES) }
  }
}
