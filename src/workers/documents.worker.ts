import { expose, transfer } from 'comlink'
import pdfmake from 'pdfmake/build/pdfmake'
import { type DocumentName, documentsOfJob, type FileAsked } from '@/src/core/formats/files-of-job'
import { PAGE_FONT } from '@/src/core/formats/page/wiring-picture'
import type { JobFile } from '@/src/core/job/job-file'

/** The same outlines as the server prints with. */
const OUTLINES = {
  'Roboto-Regular.ttf': new URL('../../node_modules/pdfmake/fonts/Roboto/Roboto-Regular.ttf', import.meta.url),
  'Roboto-Medium.ttf': new URL('../../node_modules/pdfmake/fonts/Roboto/Roboto-Medium.ttf', import.meta.url),
}

let ready: Promise<void> | null = null

/** The fonts come with the app and are kept by its service worker; nothing else is fetched for a document. */
async function prepare(): Promise<void> {
  for (const [name, address] of Object.entries(OUTLINES)) {
    const answer = await fetch(address)
    if (!answer.ok) throw new Error(`the font ${name} is not on this device yet`)
    pdfmake.addVirtualFileSystem({ [name]: base64(new Uint8Array(await answer.arrayBuffer())) })
  }
  const [normal, bold] = ['Roboto-Regular.ttf', 'Roboto-Medium.ttf']
  pdfmake.addFonts({ [PAGE_FONT]: { normal, bold, italics: normal, bolditalics: bold } })
}

function base64(bytes: Uint8Array): string {
  // Arguments of one call are bounded, and a font is longer than that.
  const PIECE = 0x8000
  let text = ''
  for (let from = 0; from < bytes.length; from += PIECE) text += String.fromCharCode(...bytes.subarray(from, from + PIECE))
  return btoa(text)
}

/** The fonts at hand, one time for all; what failed is tried again. */
function prepared(): Promise<void> {
  ready ??= prepare().catch((error) => {
    ready = null
    throw error
  })
  return ready
}

const api = {
  /** Ready before the first file is asked for: the fonts read, and gone through by a page with one letter of each. */
  async warm(): Promise<void> {
    await prepared()
    await pdfmake.createPdf({ content: ['a', { text: 'a', bold: true }], defaultStyle: { font: PAGE_FONT } }).getBuffer()
  },

  /** The bytes of a printed file of this job; null where the job has none of it. */
  async write(name: DocumentName, job: JobFile, asked: FileAsked): Promise<Uint8Array<ArrayBuffer> | null> {
    await prepared()
    const document = documentsOfJob[name].write(job, asked)
    if (document === null) return null
    const bytes = Uint8Array.from(await pdfmake.createPdf(document).getBuffer())
    return transfer(bytes, [bytes.buffer])
  },
}

export type DocumentsApi = typeof api
expose(api)
