import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { create } from 'qrcode'
import { type CardFacts, cardText } from '@/src/core/formats/page/card-facts'
import { PAGE_FONT } from '@/src/core/formats/page/wiring-picture'

/** A quarter of a page, upright, in points. */
const SIZE = { width: 306, height: 396 }
const CODE = 96

/** The card inside the panel, as a document of the PDF library. */
export function cardDocument(facts: CardFacts): TDocumentDefinitions {
  const { title, system, day, fuse, places, rows, spares, sections, known } = facts
  const plain = { hLineWidth: () => 0.4, vLineWidth: () => 0, paddingLeft: () => 0, paddingTop: () => 1.5, paddingBottom: () => 1.5 }
  return {
    pageSize: SIZE,
    pageMargins: [16, 16, 16, 16],
    defaultStyle: { font: PAGE_FONT, fontSize: 7.5 },
    info: { title: `${title}: card` },
    content: [
      {
        columns: [
          [
            { text: title, bold: true, fontSize: 11 },
            { text: system, margin: [0, 2, 0, 0] },
            { text: fuse, bold: true, margin: [0, 2, 0, 0] },
            { text: day, margin: [0, 2, 0, 0] },
          ],
          { svg: codePicture(cardText(facts)), width: CODE },
        ],
      },
      {
        margin: [0, 6, 0, 0],
        layout: plain,
        table: {
          headerRows: 1,
          widths: ['auto', ...places.map(() => '*')],
          body: [
            ['', ...places].map((text) => ({ text, bold: true })),
            ...rows.map(({ letter, colours }) => [{ text: letter, bold: true }, ...colours.map((colour) => colour || '–')]),
          ],
        },
      },
      { text: spares.length > 0 ? `Spare: ${spares.join('; ')}` : 'No spare conductor.', margin: [0, 4, 0, 0] },
      ...sections.map((text) => ({ text: `${text}.`, bold: true, margin: [0, 2, 0, 0] as [number, number, number, number] })),
      ...(known.length > 0
        ? [
            { text: `Known good, ${day}`, bold: true, margin: [0, 6, 0, 2] as [number, number, number, number] },
            { layout: plain, table: { widths: ['*', 'auto'], body: known.map(({ what, value }) => [what, value]) } },
          ]
        : []),
      { text: 'Scan: the wiring and the figures are in the code itself, no signal needed.', color: '#333', margin: [0, 8, 0, 0] },
    ],
  }
}

/** A text as a code of black squares, drawn as one path, with the quiet zone that readers need. */
export function codePicture(text: string): string {
  const { modules } = create(text, { errorCorrectionLevel: 'L' })
  const quiet = 4
  const size = modules.size + 2 * quiet
  const squares: string[] = []
  for (let row = 0; row < modules.size; row++)
    for (let column = 0; column < modules.size; column++)
      if (modules.get(row, column)) squares.push(`M${column + quiet} ${row + quiet}h1v1h-1z`)
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${size} ${size}"><path d="${squares.join('')}" fill="#000"/></svg>`
}
