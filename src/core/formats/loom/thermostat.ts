import type { LoomZone } from '@/src/core/formats/loom/shapes'
import { TAG } from '@/src/core/formats/loom/shapes'
import type { Rows, UnitDrawing } from '@/src/core/formats/loom/unit-drawing'
import type { PartOf } from '@/src/core/wiring/part'
import { terminalPoint } from '@/src/core/wiring/point'
import type { Place } from '@/src/core/wiring/system'
import { livesBetween } from '@/src/core/wiring/thermostat'

/** The thermostat: hot runs down a rail, a contact leads from it to every call, its own electronics hang between hot and common. */
export function drawThermostat(part: PartOf<'thermostat'>, place: Place, zone: LoomZone, rows: Rows): UnitDrawing {
  const drawing: UnitDrawing = { tags: [], wires: [], parts: [], leads: [] }
  const xTag = zone.x + zone.width - TAG - 8
  const xRail = zone.x + 36
  const hot = terminalPoint(part.hot, place.id)
  // One that lives on a battery, or on what it draws through a call, hangs on the rail alone.
  const lives = livesBetween(part) === rows.common ? rows.common : undefined
  for (const letter of place.terminals) drawing.tags.push({ point: terminalPoint(letter, place.id), letter, x: xTag, y: rows.y(letter) })
  const commonY = rows.y(rows.common)
  const box = { width: 44, height: 40 }
  drawing.wires.push({
    net: hot,
    corners: [
      [xTag - TAG, rows.y(part.hot)],
      [xRail, rows.y(part.hot)],
      [xRail, commonY - box.height / 2],
    ],
  })
  drawing.parts.push({
    id: part.id,
    of: part.id,
    kind: 'electronics',
    label: 'stat',
    terminal: null,
    axis: 'down',
    x: xRail,
    y: commonY,
    ...box,
    between: [hot, lives ? terminalPoint(lives, place.id) : hot],
  })
  if (lives)
    drawing.wires.push({
      net: terminalPoint(lives, place.id),
      corners: [
        [xRail + box.width / 2, commonY],
        [xTag - TAG, commonY],
      ],
    })
  const called = new Set(Object.values(part.calls).flat())
  for (const letter of place.terminals) {
    if (!called.has(letter)) continue
    drawing.parts.push({
      id: `${part.id}:${letter}`,
      of: part.id,
      kind: 'contact',
      label: letter,
      terminal: letter,
      axis: 'across',
      x: (xRail + xTag - TAG) / 2,
      y: rows.y(letter),
      width: xTag - TAG - xRail,
      height: 20,
      between: [hot, terminalPoint(letter, place.id)],
    })
  }
  return drawing
}
