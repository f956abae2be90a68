import type { LoomZone } from '@/src/core/formats/loom/shapes'
import { TAG } from '@/src/core/formats/loom/shapes'
import type { Rows, UnitDrawing } from '@/src/core/formats/loom/unit-drawing'
import { terminalPoint } from '@/src/core/wiring/point'
import { type Place, partsOf, type System } from '@/src/core/wiring/system'

/** Between tags, the board and what hangs on it; the board; a damper; the windings. */
const ROOM = 10
const BOARD = 50
const DAMPER = { width: 66, height: 34, pitch: 84 }
const WINDINGS = { width: 36, height: 60 }

/** The least width in which a zone panel can be drawn. */
export const PANEL_WIDTH = 2 * (TAG + 8) + ROOM + BOARD + 2 * ROOM + DAMPER.width + 2 * ROOM

/**
 * A zone panel: the zones' landings on the left, the unit's on the right, the board between them from top to bottom, and
 * beside it, below the landings, the dampers and the panel's own transformer.
 */
export function drawZonePanel(
  system: System,
  place: Place,
  zone: LoomZone,
  rows: Pick<Rows, 'y'>,
  left: readonly string[],
  right: readonly string[],
  height: number,
): UnitDrawing {
  const drawing: UnitDrawing = { tags: [], wires: [], parts: [], leads: [] }
  const at = (name: string) => terminalPoint(name, place.id)
  const xLeft = zone.x + TAG + 8
  const xRight = zone.x + zone.width - TAG - 8
  const boardLeft = xLeft + TAG + ROOM
  const boardRight = boardLeft + BOARD
  const board = partsOf(system, 'board').find((part) => part.place === place.id)
  const wire = (net: string, ...corners: [number, number][]) => drawing.wires.push({ net: at(net), corners })
  for (const letter of left) {
    drawing.tags.push({ point: at(letter), letter, x: xLeft, y: rows.y(letter) })
    wire(letter, [xLeft + TAG, rows.y(letter)], [boardLeft, rows.y(letter)])
  }
  for (const letter of right) {
    drawing.tags.push({ point: at(letter), letter, x: xRight, y: rows.y(letter) })
    wire(letter, [boardRight, rows.y(letter)], [xRight - TAG, rows.y(letter)])
  }
  const heights = [...left, ...right].map((letter) => rows.y(letter))
  const [top, bottom] = [Math.min(...heights) - TAG, height - 46]
  if (board)
    drawing.parts.push({
      id: board.id,
      of: board.id,
      kind: 'electronics',
      label: 'board',
      terminal: null,
      axis: 'down',
      x: (boardLeft + boardRight) / 2,
      y: (top + bottom) / 2,
      width: BOARD,
      height: bottom - top,
      between: [at(board.between[0]), at(board.between[1])],
    })
  const lowest = Math.max(top, ...right.map((letter) => rows.y(letter))) + TAG + 2 * ROOM
  const xPart = boardRight + 2 * ROOM + DAMPER.width / 2
  partsOf(system, 'coil')
    .filter((part) => part.place === place.id)
    .forEach((part, index) => {
      const y = lowest + DAMPER.height / 2 + index * DAMPER.pitch
      const [hot, common] = part.between
      wire(hot, [boardRight, y], [xPart - DAMPER.width / 2, y])
      drawing.leads.push({ point: at(hot), x: boardRight + ROOM, y })
      drawing.parts.push({
        id: part.id,
        of: part.id,
        kind: 'coil',
        label: part.name,
        terminal: null,
        axis: 'across',
        x: xPart,
        y,
        width: DAMPER.width,
        height: DAMPER.height,
        between: [at(hot), at(common)],
      })
      wire(common, [xPart, y + DAMPER.height / 2], [xPart, y + DAMPER.height / 2 + ROOM], [boardRight, y + DAMPER.height / 2 + ROOM])
    })
  for (const part of partsOf(system, 'transformer')) {
    if (part.place !== place.id) continue
    const y = bottom - WINDINGS.height / 2 - ROOM
    const [hot, common] = part.secondary
    wire(hot, [boardRight, y - WINDINGS.height / 2 - ROOM], [xPart, y - WINDINGS.height / 2 - ROOM], [xPart, y - WINDINGS.height / 2])
    wire(common, [xPart, y + WINDINGS.height / 2], [xPart, y + WINDINGS.height / 2 + ROOM], [boardRight, y + WINDINGS.height / 2 + ROOM])
    drawing.parts.push({
      id: part.id,
      of: part.id,
      kind: 'transformer',
      label: `${part.va} VA`,
      terminal: null,
      axis: 'down',
      x: xPart,
      y,
      width: WINDINGS.width,
      height: WINDINGS.height,
      between: [at(hot), at(common)],
      labelY: y - WINDINGS.height / 2 - ROOM - 6,
    })
  }
  return drawing
}
