import type { Chain } from '@/src/core/formats/loom/chains'
import type { LoomPart } from '@/src/core/formats/loom/shapes'
import type { UnitDrawing } from '@/src/core/formats/loom/unit-drawing'
import { terminalPoint } from '@/src/core/wiring/point'
import type { Place } from '@/src/core/wiring/system'

/** The parts of a chain set on one line, across the page or down it, with the wires between them. */

const SHORT_ROLE: ReadonlyMap<string, string> = new Map(
  Object.entries({
    'high-pressure': 'high',
    'low-pressure': 'low',
    'gas-valve': 'gas valve',
    'blower-relay': 'blower',
    'reversing-valve': 'rev. valve',
  }),
)

/** Room that a part takes when its wire runs across the page, and when it runs down. */
export const SIZE = {
  switch: { across: [28, 20], down: [20, 32] },
  coil: { across: [62, 34], down: [44, 46] },
  electronics: { across: [50, 34], down: [50, 34] },
  board: { across: [50, 34], down: [50, 34] },
  output: { across: [30, 22], down: [30, 24] },
  fuse: { across: [84, 34], down: [74, 30] },
  transformer: { across: [36, 60], down: [36, 60] },
} as const

/** Width of a letter in a part's box. */
const LETTER = 6.5

/** A name short enough to stand at a symbol. */
function sayShort({ kind, name }: Chain['parts'][number]): string {
  if (kind === 'output') return 'board'
  return kind === 'electronics' || kind === 'board' ? name.split(' ')[0] : name
}

function partOf(part: Chain['parts'][number], place: Place, axis: 'across' | 'down', x: number, y: number): LoomPart {
  const [room, height] = SIZE[part.kind][axis]
  const role = part.kind === 'switch' || part.kind === 'coil' ? part.role : ''
  // A relay is called after what it works.
  const label = role === 'relay' ? part.name.replace(/ relay$/, '') : (SHORT_ROLE.get(role) ?? (role || sayShort(part)))
  // A name stands within its box.
  const width =
    axis === 'across' && (part.kind === 'coil' || part.kind === 'electronics' || part.kind === 'board')
      ? Math.max(room, label.length * LETTER + 6)
      : room
  const ends = part.kind === 'transformer' ? part.secondary : part.between
  return {
    id: part.id,
    of: part.kind === 'output' ? part.of : part.id,
    kind: part.kind === 'board' ? 'electronics' : part.kind,
    label,
    terminal: null,
    axis,
    x,
    y,
    width,
    height,
    between: [terminalPoint(ends[0], place.id), terminalPoint(ends[1], place.id)],
  }
}

/** Parts evenly on one row from `from` to `to`; the wire in front of them begins at `wireStart`. */
export function placeAcross(
  drawing: UnitDrawing,
  place: Place,
  chain: Chain,
  from: number,
  to: number,
  y: number,
  wireStart: number,
  wireEnd = to,
): void {
  const widths = chain.parts.map((part) => SIZE[part.kind].across[0])
  const gap = (to - from - widths.reduce((sum, width) => sum + width, 0)) / (chain.parts.length + 1)
  let x = from
  let wireFrom = wireStart
  let net = chain.from
  chain.parts.forEach((part, index) => {
    const left = x + gap
    drawing.wires.push({
      net: terminalPoint(net, place.id),
      corners: [
        [wireFrom, y],
        [left, y],
      ],
    })
    if (index > 0) drawing.leads.push({ point: terminalPoint(net, place.id), x: (wireFrom + left) / 2, y })
    drawing.parts.push(partOf(part, place, 'across', left + widths[index] / 2, y))
    x = left + widths[index]
    wireFrom = x
    net = index < chain.parts.length - 1 ? chain.leads[index] : chain.to
  })
  drawing.wires.push({
    net: terminalPoint(net, place.id),
    corners: [
      [wireFrom, y],
      [wireEnd, y],
    ],
  })
}

/** Parts evenly on a vertical between two heights; the last wire down to `bottom` is drawn when it ends there. */
export function placeDown(
  drawing: UnitDrawing,
  place: Place,
  chain: Chain,
  x: number,
  top: number,
  bottom: number,
  endsThere: boolean,
): void {
  const parts = chain.parts.map((part) => partOf(part, place, 'down', x, 0))
  const gap = (bottom - top - parts.reduce((sum, part) => sum + part.height, 0)) / (parts.length + 1)
  let y = top
  let net = chain.from
  parts.forEach((part, index) => {
    const partTop = y + gap
    drawing.wires.push({
      net: terminalPoint(net, place.id),
      corners: [
        [x, y],
        [x, partTop],
      ],
    })
    if (index > 0) drawing.leads.push({ point: terminalPoint(net, place.id), x, y: (y + partTop) / 2 })
    drawing.parts.push({ ...part, y: partTop + part.height / 2 })
    y = partTop + part.height
    net = index < parts.length - 1 ? chain.leads[index] : chain.to
  })
  if (!endsThere) return
  drawing.wires.push({
    net: terminalPoint(net, place.id),
    corners: [
      [x, y],
      [x, bottom],
    ],
  })
}
