import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces'
import type { PageFacts } from '@/src/core/formats/page/page-facts'
import { sayVisit } from '@/src/core/formats/page/visit-times'
import { PAGE_FONT, wiringPicture } from '@/src/core/formats/page/wiring-picture'

export const papers = ['letter', 'a4'] as const
export type Paper = (typeof papers)[number]

/** Rules between rows, none at the sides. */
const ruled = {
  hLineWidth: (line: number) => (line === 1 ? 1 : 0.4),
  vLineWidth: () => 0,
  hLineColor: (line: number) => (line === 1 ? '#000' : '#999'),
  paddingLeft: () => 0,
  paddingRight: () => 6,
  paddingTop: () => 2,
  paddingBottom: () => 2,
}

/** Photos by their digests, each as a data address. */
export type Pictures = ReadonlyMap<string, string>

/** The page that stays with the customer, as a document of the PDF library: one page of A4 or letter, in ink alone. */
export function pageDocument(facts: PageFacts, paper: Paper, pictures: Pictures = new Map()): TDocumentDefinitions {
  const width = paper === 'a4' ? 515 : 532
  const section = (title: string, ...body: Content[]): Content[] => [{ text: title, style: 'section' }, rule(width), ...body]
  const lines = (some: readonly string[], none: string): Content => ({ text: some.length > 0 ? some.join(' · ') : none })
  return {
    pageSize: paper === 'a4' ? 'A4' : 'LETTER',
    pageMargins: [40, 34, 40, 54],
    defaultStyle: { font: PAGE_FONT, fontSize: 8.5, lineHeight: 1.1 },
    styles: {
      section: { bold: true, fontSize: 9.5, margin: [0, 7, 0, 1] },
      head: { bold: true, fontSize: 8 },
    },
    info: { title: `${facts.title}: service page` },
    content: [
      {
        columns: [
          { text: facts.title, bold: true, fontSize: 15 },
          { text: `${sayVisit(facts.when)}\n${facts.system}`, alignment: 'right', color: '#333' },
        ],
      },
      { text: facts.summary, bold: true, fontSize: 10.5, margin: [0, 6, 0, 2] },
      ...section('Complaint', { text: facts.complaint }),
      ...section('As found', lines(facts.asFound, 'Nothing on record from before the repair.')),
      ...section(
        'Measured',
        facts.measured.length === 0
          ? { text: 'Nothing was measured.' }
          : table(['check', 'with', 'read', 'expected'], ['*', '*', 'auto', 'auto'], facts.measured.map(measuredCells)),
        {
          text: `${facts.trips}.${facts.further > 0 ? ` ${facts.further} further readings are in the job file.` : ''}`,
          margin: [0, 2, 0, 0],
        },
      ),
      ...section(
        'Done',
        ...(facts.done.length > 0 ? facts.done.map((text): Content => ({ text })) : [{ text: 'No repair is on record.' }]),
      ),
      ...(facts.offered.length > 0 ? section('Offered', ...facts.offered.map((text): Content => ({ text }))) : []),
      ...section(
        'Wiring now',
        { svg: wiringPicture(facts.wired), width, margin: [0, 2, 0, 0] },
        ...facts.moved.map((text): Content => ({ text })),
      ),
      ...section(
        'Tested',
        table(
          ['mode', 'amps on R', 'R to C', 'air in / out', ''],
          ['*', 'auto', 'auto', 'auto', 'auto'],
          facts.tested.map(({ mode, motors, amps, volts, air, result }) => [
            motors.length === 0 ? mode : { stack: [mode, { text: motors.join(', '), fontSize: 8 }] },
            amps,
            volts,
            air,
            { text: result, bold: result === 'did not hold' },
          ]),
        ),
        ...(facts.cycled === null ? [] : [{ text: facts.cycled }]),
      ),
      ...(facts.unfinished ? section('Left unfinished', { text: facts.unfinished }) : []),
      ...section('Left behind', { text: facts.leftBehind }),
      ...(facts.photos.length > 0 ? section('Photos', photoRow(facts.photos, pictures)) : []),
      ...(facts.notes.length > 0 ? section('Notes', ...facts.notes.map((text): Content => ({ text }))) : []),
    ],
    footer: {
      margin: [40, 0, 40, 0],
      stack: [
        rule(width),
        {
          text: 'Expected readings are calculated from the wiring model. Local codes and licensed practice decide.',
          fontSize: 7.5,
          color: '#333',
        },
        { text: 'Technician: ____________________     Customer: ____________________', margin: [0, 6, 0, 0] },
      ],
    },
  }
}

/** A new one each time: the library writes into what it lays out. */
const rule = (width: number): Content => ({
  canvas: [{ type: 'line', x1: 0, y1: 0, x2: width, y2: 0, lineWidth: 0.8 }],
  margin: [0, 0, 0, 2],
})

/** Photos side by side, each over what it shows; one whose picture is not at hand is said. */
const photoRow = (photos: PageFacts['photos'], pictures: Pictures): Content => ({
  columns: photos.map(({ digest, of }) => {
    const picture = pictures.get(digest)
    return {
      width: PHOTO_WIDTH,
      stack: [
        picture === undefined
          ? { text: '(kept with the job, not at hand when this was printed)', color: '#333' }
          : { image: picture, fit: [PHOTO_WIDTH, PHOTO_HEIGHT] as [number, number] },
        { text: of, fontSize: 7.5 },
      ],
    }
  }),
  columnGap: 8,
  margin: [0, 2, 0, 0],
})
const PHOTO_WIDTH = 165
const PHOTO_HEIGHT = 92

const measuredCells = ({ check, with: bench, read, sound, isOff }: PageFacts['measured'][number]): TableCell[] => [
  check,
  bench,
  { text: isOff ? `${read} !` : read, bold: isOff },
  sound,
]

const table = (head: readonly string[], widths: readonly string[], rows: readonly TableCell[][]): Content => ({
  layout: ruled,
  table: { headerRows: 1, widths: [...widths], body: [head.map((text): TableCell => ({ text, style: 'head' })), ...rows] },
})
