import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import jsQR from 'jsqr'
import { cardDocument } from '@/src/core/formats/page/card-document'
import { cardFacts, cardText } from '@/src/core/formats/page/card-facts'
import { pageDocument, papers } from '@/src/core/formats/page/page-document'
import { pageFacts } from '@/src/core/formats/page/page-facts'
import { createDemoJob } from '@/src/core/practice/demo'
import { catalogue } from '@/src/core/wiring/systems/catalogue'
import { writePdf } from '@/src/server/write-pdf'

const demo = createDemoJob('demo', new Date('2026-11-27T09:10:00Z'))
let folder: string
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'page-'))
})
afterAll(() => rmSync(folder, { recursive: true }))

/** Debian's reader of PDFs: another program than the one that wrote it. */
function read(pdf: Uint8Array, command: 'pdftotext' | 'pdfinfo'): string {
  const file = path.join(folder, 'read.pdf')
  writeFileSync(file, pdf)
  return execFileSync(command, command === 'pdftotext' ? ['-layout', file, '-'] : [file], { encoding: 'utf8' })
}

/** The picture of a page in grey, as a camera would take it. */
function photograph(pdf: Uint8Array): { data: Uint8ClampedArray; width: number; height: number } {
  const file = path.join(folder, 'card.pdf')
  writeFileSync(file, pdf)
  const { size, grey } = splitPgm(execFileSync('pdftoppm', ['-r', '200', '-gray', file], { maxBuffer: 2 ** 27 }))
  const [width, height] = size
  const data = new Uint8ClampedArray(4 * width * height)
  for (let at = 0; at < width * height; at++) data.set([grey[at], grey[at], grey[at], 255], 4 * at)
  return { data, width, height }
}

/** A portable graymap: its kind, its size and its white on a line each, then a byte a pixel. */
function splitPgm(bytes: Buffer): { size: number[]; grey: Buffer } {
  const [kind, size, white] = bytes.toString('latin1', 0, 40).split('\n')
  expect(kind).toBe('P5')
  return { size: size.split(' ').map(Number), grey: bytes.subarray(kind.length + size.length + white.length + 3) }
}

describe('the page as a PDF', () => {
  it.each(papers)('is one page of %s with what was wrong, what was read, and the wiring', async (paper) => {
    const pdf = await writePdf(pageDocument(pageFacts(demo), paper))
    expect(read(pdf, 'pdfinfo')).toMatch(/Pages:\s+1\n/)
    const text = read(pdf, 'pdftotext')
    for (const words of [demo.job.title, 'As found', 'Board fuse: blown', 'trips !', '25–28 V', 'outdoor cable', 'Technician:'])
      expect(text).toContain(words)
  })

  it('is one page on every system that ships @long', async () => {
    for (const system of catalogue) {
      const pdf = await writePdf(pageDocument(pageFacts({ job: demo.job, system, entries: [] }), 'letter'))
      expect(`${system.id} ${read(pdf, 'pdfinfo').match(/Pages:\s+(\d+)/)?.[1]}`).toBe(`${system.id} 1`)
    }
  })
})

describe('the card as a PDF', () => {
  it.each(['furnace-ac', 'heat-pump-o', 'zoned-furnace-ac'])('of %s has a code that a camera reads, with the wiring in it', async (id) => {
    const system = catalogue.find((one) => one.id === id) ?? catalogue[0]
    const facts = cardFacts({ job: demo.job, system, entries: [] })
    const { data, width, height } = photograph(await writePdf(cardDocument(facts)))
    expect(jsQR(data, width, height)?.data).toBe(cardText(facts))
  })
})
