import { type Remote, wrap } from 'comlink'
import {
  type DocumentName,
  documentsOfJob,
  type FileAsked,
  fileName,
  isTextName,
  type TextName,
  textsOfJob,
} from '@/src/core/formats/files-of-job'
import type { Pictures } from '@/src/core/formats/page/page-document'
import { pageFacts } from '@/src/core/formats/page/page-facts'
import type { JobFile } from '@/src/core/job/job-file'
import { findPhoto } from '@/src/ui/photos/use-picture'
import type { DocumentsApi } from '@/src/workers/documents.worker'

/** A printed file that is not there within this will not come. */
const PRINTING_MS = 30_000

let printer: Remote<DocumentsApi> | null = null

/**
 * A file of the job from what is on this device, sent or not; null where the job has none of it. Rejects with a sentence where it cannot
 * be made.
 */
export async function makeFile(name: TextName | DocumentName, job: JobFile, asked: FileAsked = {}): Promise<File | null> {
  if (isTextName(name)) {
    const { type, ending, write } = textsOfJob[name]
    const text = write(job, asked)
    return text === null ? null : new File([text], fileName(job.job.title, ending), { type })
  }
  const bytes = await print(name, job, name === 'page' ? { ...asked, pictures: await picturesOf(job) } : asked)
  return bytes && new File([bytes], fileName(job.job.title, documentsOfJob[name].ending), { type: 'application/pdf' })
}

/** The photos that go on the page, as far as they are at hand, as addresses of their own data. */
async function picturesOf(job: JobFile): Promise<Pictures> {
  const pictures = new Map<string, string>()
  for (const { digest } of pageFacts(job).photos) {
    const bytes = await findPhoto(digest)
    if (bytes) pictures.set(digest, await addressOf(new Blob([bytes], { type: 'image/jpeg' })))
  }
  return pictures
}

const addressOf = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve(String(reader.result))
    reader.onerror = () => reject(new Error('a photo could not be read on this device'))
    reader.readAsDataURL(blob)
  })

async function print(name: DocumentName, job: JobFile, asked: FileAsked): Promise<Uint8Array<ArrayBuffer> | null> {
  let timer: ReturnType<typeof setTimeout> | undefined
  const failed = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new Error('it took too long')), PRINTING_MS)
    if (printer) return
    const worker = new Worker(new URL('../../workers/documents.worker.ts', import.meta.url), { type: 'module' })
    worker.onerror = (event) => reject(new Error(event.message || 'the printer did not load'))
    printer = wrap<DocumentsApi>(worker)
  })
  try {
    return await Promise.race([(printer as Remote<DocumentsApi>).write(name, job, asked), failed])
  } catch (error) {
    printer = null
    const why = error instanceof Error ? error.message : String(error)
    throw new Error(`The PDF could not be made on this device (${why}). The job is kept; try again, or print the page.`)
  } finally {
    clearTimeout(timer)
  }
}
