import 'server-only'
import path from 'node:path'
import pdfmake from 'pdfmake'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { PAGE_FONT } from '@/src/core/formats/page/wiring-picture'

/** The library's own, as plain outlines: those of the screen are packed for the web, and unpacking them takes it five seconds a page. */
const FONTS = 'node_modules/pdfmake/fonts/Roboto'
const fontFile = (weight: 'Regular' | 'Medium') => path.join(process.env.NEST_TRACE_HOME ?? process.cwd(), FONTS, `Roboto-${weight}.ttf`)

let isReady = false

/** The fonts are read once; nothing else is read from the disk or the network for a document. */
function prepare(): void {
  if (isReady) return
  const [plain, bold] = [fontFile('Regular'), fontFile('Medium')]
  pdfmake.setUrlAccessPolicy(() => false)
  pdfmake.setLocalAccessPolicy((file: string) => file === plain || file === bold)
  pdfmake.addFonts({ [PAGE_FONT]: { normal: plain, bold, italics: plain, bolditalics: bold } })
  isReady = true
}

/** A document as the bytes of a PDF. */
export async function writePdf(document: TDocumentDefinitions): Promise<Uint8Array<ArrayBuffer>> {
  prepare()
  return Uint8Array.from(await pdfmake.createPdf(document).getBuffer())
}
