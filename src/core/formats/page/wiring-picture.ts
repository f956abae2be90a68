import { type Cable, placeById, type System } from '@/src/core/wiring/system'

/** The name that the writer of the PDF knows its font by. */
export const PAGE_FONT = 'Page'

const WIDTH = 515
const GAP = 14
const BOX = 58
const ROW = 14
const HEAD = 16

/** The wiring as it is now, as a drawing in ink alone: each cable between its two places, each conductor with its letter and its colour. */
export function wiringPicture(system: System, font = PAGE_FONT): string {
  const blocks = system.cables.map((cable) => ({ cable, rows: rowsOf(cable), height: HEAD + ROW * Math.max(1, rowsOf(cable).length) + 10 }))
  const width = (WIDTH - GAP) / 2
  const parts: string[] = []
  let top = 0
  for (let at = 0; at < blocks.length; at += 2) {
    const pair = blocks.slice(at, at + 2)
    pair.forEach(({ cable, rows }, column) => {
      parts.push(cablePicture(system, cable, rows, column * (width + GAP), top, width))
    })
    top += Math.max(...pair.map(({ height }) => height)) + 6
  }
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${top}" viewBox="0 0 ${WIDTH} ${top}" font-family="${font}" font-size="8">${parts.join('')}</svg>`
}

const rowsOf = ({ conductors }: Cable): string[][] =>
  conductors.flatMap(({ id, colour, lands: [from, to] }) =>
    from === null && to === null ? [] : [[from ?? '–', id === colour || colour === 'unknown' ? id : colour, to ?? '–']],
  )

function cablePicture(system: System, cable: Cable, rows: readonly string[][], x: number, y: number, width: number): string {
  const height = ROW * Math.max(1, rows.length) + 4
  const names = cable.between.map((place) => placeById(system, place)?.name ?? place)
  const left = x + BOX
  const right = x + width - BOX
  const lines = rows.map(([from, colour, to], index) => {
    const line = y + HEAD + ROW * index + 10
    return [
      `<line x1="${left}" y1="${line}" x2="${right}" y2="${line}" stroke="#000" stroke-width="1.2"/>`,
      text(left - 4, line + 3, from, 'end', true),
      text(right + 4, line + 3, to, 'start', true),
      text((left + right) / 2, line - 2, colour, 'middle'),
    ].join('')
  })
  return [
    text(x, y + 11, names[0], 'start', true),
    text((left + right) / 2, y + 11, cable.name, 'middle'),
    text(x + width, y + 11, names[1], 'end', true),
    `<rect x="${x}" y="${y + HEAD - 1}" width="${BOX}" height="${height}" fill="none" stroke="#000"/>`,
    `<rect x="${right}" y="${y + HEAD - 1}" width="${BOX}" height="${height}" fill="none" stroke="#000"/>`,
    ...lines,
  ].join('')
}

const escapes: ReadonlyMap<string, string> = new Map([
  ['&', '&amp;'],
  ['<', '&lt;'],
  ['>', '&gt;'],
  ['"', '&quot;'],
])

function text(x: number, y: number, words: string, anchor: 'start' | 'middle' | 'end', isBold = false): string {
  const safe = words.replace(/[&<>"]/g, (sign) => escapes.get(sign) ?? sign)
  return `<text x="${x}" y="${y}"${isBold ? ' font-weight="bold"' : ''} text-anchor="${anchor}">${safe}</text>`
}
