import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import type { Paper } from '@/src/core/formats/page/page-document'
import type { PageFacts } from '@/src/core/formats/page/page-facts'
import { PAGE_FONT } from '@/src/core/formats/page/wiring-picture'
import type { Offer } from '@/src/core/job/offer-schema'

/** The options for the customer, side by side, each with what it does not cover: to be read and signed before the work. */
export function optionsDocument(
  { title, system, when }: Pick<PageFacts, 'title' | 'system' | 'when'>,
  offer: Offer,
  paper: Paper,
): TDocumentDefinitions {
  return {
    pageSize: paper === 'a4' ? 'A4' : 'LETTER',
    pageMargins: [40, 34, 40, 54],
    defaultStyle: { font: PAGE_FONT, fontSize: 10, lineHeight: 1.2 },
    info: { title: `${title}: options` },
    content: [
      {
        columns: [
          { text: title, bold: true, fontSize: 15 },
          { text: `${when}\n${system}`, alignment: 'right', color: '#333' },
        ],
      },
      {
        text: offer.options.length === 1 ? 'Proposed repair' : 'Your options',
        bold: true,
        fontSize: 12,
        margin: [0, 10, 0, 8],
      },
      {
        table: {
          widths: offer.options.map(() => '*'),
          body: [offer.options.map((option, index) => ({ stack: boxOf(option, offer, index), margin: [6, 6, 6, 6] }))],
        },
      },
    ],
    footer: {
      margin: [40, 0, 40, 0],
      text: 'Date: ______________     Customer: ____________________     Technician: ____________________',
    },
  }
}

function boxOf({ does, hours, price, notCovered }: Offer['options'][number], { answer }: Offer, index: number): Content[] {
  const state = answer === index ? 'taken' : answer === 'open' ? '' : 'declined'
  return [
    { text: does, bold: true, fontSize: 12, margin: [0, 0, 0, 6] },
    { text: `${Number(hours.toFixed(1))} hours` },
    { text: price === null ? 'price: on request' : `price: ${price.toFixed(2)}`, bold: true, margin: [0, 0, 0, 8] },
    { text: 'Does not cover', bold: true },
    { text: notCovered || 'nothing that we know of', margin: [0, 0, 0, 8] },
    ...(state ? [{ text: state, bold: true }] : []),
  ]
}
