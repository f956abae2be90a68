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

let printer: { readonly worker: Worker; readonly api: Remote<DocumentsApi>; isWarm: boolean } | null = null

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

/** The printer in its own worker, started once; what it fails at goes to whoever waits for it now. */
function startPrinter(onError: (error: Error) => void): Remote<DocumentsApi> {
  if (!printer) {
    const worker = new Worker(new URL('../../workers/documents.worker.ts', import.meta.url), { type: 'module' })
    printer = { worker, api: wrap<DocumentsApi>(worker), isWarm: false }
  }
  printer.worker.onerror = (event) => onError(new Error(event.message || 'the printer did not load'))
  return printer.api
}

/** Gets the printer ready while nothing else is to be done, where a file may be asked for. What fails here is said when one is. */
export function warmPrinter(): void {
  const forget = () => {
    printer = null
  }
  const start = () => {
    if (printer?.isWarm || typeof Worker === 'undefined') return
    const api = startPrinter(forget)
    if (printer) printer.isWarm = true
    api.warm().catch(forget)
  }
  if ('requestIdleCallback' in window) window.requestIdleCallback(start)
  else setTimeout(start, WARMS_AFTER_MS)
}
const WARMS_AFTER_MS = 500

async function print(name: DocumentName, job: JobFile, asked: FileAsked): Promise<Uint8Array<ArrayBuffer> | null> {
  let timer: ReturnType<typeof setTimeout> | undefined
  let fail: (error: Error) => void = () => {}
  const failed = new Promise<never>((_, reject) => {
    fail = reject
    timer = setTimeout(() => reject(new Error('it took too long')), PRINTING_MS)
  })
  try {
    return await Promise.race([startPrinter(fail).write(name, job, asked), failed])
  } catch (error) {
    printer = null
    const why = error instanceof Error ? error.message : String(error)
    throw new Error(`The PDF could not be made on this device (${why}). The job is kept; try again, or print the page.`)
  } finally {
    clearTimeout(timer)
  }
}
