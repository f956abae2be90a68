import { type Chain, chainsOf } from '@/src/core/formats/loom/chains'
import { placeAcross, placeDown, SIZE } from '@/src/core/formats/loom/parts-on-a-line'
import type { LoomZone } from '@/src/core/formats/loom/shapes'
import { TAG } from '@/src/core/formats/loom/shapes'
import type { Rows, UnitDrawing } from '@/src/core/formats/loom/unit-drawing'
import { terminalPoint } from '@/src/core/wiring/point'
import type { Place, System } from '@/src/core/wiring/system'

const BRANCH_GAP = 60
/** Between chains that run down side by side: a symbol and its name. */
const DOWN_GAP = 104
/** Between a tag and the first thing in a unit, between parts, and around the bus and the supply. */
const ROOM = { start: 8, parts: 4, bus: 10, source: 10 }

/** How a unit is drawn: loads on their own rows with a bus down to common, or each chain down the far side. */
function isDrawnAcross(place: Place, chains: readonly Chain[], hot: string, isThrough: boolean): boolean {
  const hasSource = chains.some(({ parts }) => parts.some(({ kind }) => kind === 'transformer'))
  return isThrough || hasSource || chains.length > 2 || place.terminals.includes(hot)
}

/** A winding, and the fuse below it where it sits in the common leg. */
const sourceWidth = ({ parts }: Chain): number => (parts.at(-1)?.kind === 'fuse' ? SIZE.fuse.down[0] : SIZE.transformer.across[0])

/** The least width in which a unit can be drawn. */
export function widthOf(system: System, place: Place, terminals: readonly string[], hot: string, isThrough: boolean): number {
  const chains = chainsOf(system, place, terminals)
  if (!isDrawnAcross(place, chains, hot, isThrough)) return 60 + DOWN_GAP * Math.max(1, chains.length)
  const source = chains.find(({ parts }) => parts.some(({ kind }) => kind === 'transformer'))
  const branches = chains.filter((chain) => chain !== source && chain.from === hot)
  const widths = chains
    .filter((chain) => !branches.includes(chain))
    .map(({ parts }) => parts.reduce((sum, { kind }) => sum + (kind === 'transformer' ? 0 : SIZE[kind].across[0] + ROOM.parts), ROOM.parts))
  const left = 2 * TAG + 8 + ROOM.start + branches.length * BRANCH_GAP
  const right = (isThrough ? 2 * TAG + 8 : 0) + ROOM.bus + (source ? sourceWidth(source) + 2 * ROOM.source : 0)
  return left + Math.max(40, ...widths) + right
}

/** Draws a unit with its tags on the sides where cables enter: `left`, `right` or both. */
export function drawUnit(
  system: System,
  place: Place,
  zone: LoomZone,
  rows: Rows,
  left: readonly string[],
  right: readonly string[],
): UnitDrawing {
  const drawing: UnitDrawing = { tags: [], wires: [], parts: [], leads: [] }
  const xLeft = zone.x + TAG + 8
  const xRight = zone.x + zone.width - TAG - 8
  const tag = (letter: string, x: number) => drawing.tags.push({ point: terminalPoint(letter, place.id), letter, x, y: rows.y(letter) })
  for (const letter of left) tag(letter, xLeft)
  for (const letter of right) tag(letter, xRight)
  const chains = chainsOf(system, place, rows.order)
  const source = chains.find(({ parts }) => parts.some((part) => part.kind === 'transformer'))
  const isThrough = left.length > 0 && right.length > 0
  if (isDrawnAcross(place, chains, rows.order[0], isThrough))
    drawAcross(drawing, place, rows, chains, source, { xLeft, xRight, left, right })
  else drawDown(drawing, place, zone, rows, chains, left.length > 0 ? { tag: xLeft, towards: 1 } : { tag: xRight, towards: -1 })
  return drawing
}

/** A unit with threads on both sides, or the supply in it: loads stand on their own row, their far sides on a bus down to common. */
function drawAcross(
  drawing: UnitDrawing,
  place: Place,
  rows: Rows,
  chains: readonly Chain[],
  source: Chain | undefined,
  at: { xLeft: number; xRight: number; left: readonly string[]; right: readonly string[] },
): void {
  const commonY = rows.y(rows.common)
  const common = terminalPoint(rows.common, place.id)
  const inner = at.right.length > 0 ? at.xRight - TAG - ROOM.source : at.xRight + TAG
  const xSource = source ? inner - sourceWidth(source) / 2 : inner
  const xBus = source ? xSource - sourceWidth(source) / 2 - ROOM.bus : inner
  const branches = chains.filter((chain) => chain !== source && chain.from === (source?.from ?? rows.order[0]))
  const across = chains.filter((chain) => chain !== source && !branches.includes(chain) && !leadsThrough(place, chain, rows))
  const through = chains.filter((chain) => leadsThrough(place, chain, rows))
  const start = at.xLeft + TAG
  // What passes on to the next unit keeps the row for itself; of several loads on one terminal each hangs a little lower than the last.
  const rowOf = (chain: Chain) => {
    const y = rows.y(chain.from)
    const sharing = across.filter(({ from }) => from === chain.from)
    const passesOn = at.right.includes(chain.from) && at.left.includes(chain.from) ? 1 : 0
    return y + ((rows.y(nextRow(rows, chain.from)) - y) * (sharing.indexOf(chain) + passesOn)) / (sharing.length + passesOn)
  }
  const loadsStart = start + ROOM.start + branches.length * BRANCH_GAP

  branches.forEach((chain, index) => {
    const x = start + ROOM.start + BRANCH_GAP / 2 + index * BRANCH_GAP
    if (!source)
      drawing.wires.push({
        net: terminalPoint(chain.from, place.id),
        corners: [
          [start, rows.y(chain.from)],
          [x, rows.y(chain.from)],
        ],
      })
    placeDown(drawing, place, chain, x, rows.y(chain.from), rows.y(nextRow(rows, chain.from)), false)
    const last = drawing.parts[drawing.parts.length - 1]
    drawing.wires.push({
      net: common,
      corners: [
        [x, last.y + last.height / 2],
        [x, commonY],
      ],
    })
  })
  for (const chain of across) {
    placeAcross(drawing, place, chain, loadsStart, xBus, rowOf(chain), start)
    // The call goes on to the next unit on its own row: its load hangs half a row lower.
    if (rowOf(chain) !== rows.y(chain.from))
      drawing.wires.push({
        net: terminalPoint(chain.from, place.id),
        corners: [
          [start, rows.y(chain.from)],
          [start, rowOf(chain)],
        ],
      })
  }
  for (const chain of through) placeAcross(drawing, place, chain, loadsStart, xBus - ROOM.bus, rows.y(chain.from), start, at.xRight - TAG)
  if (across.length > 0) {
    const top = Math.min(...across.map(rowOf))
    drawing.wires.push({
      net: common,
      corners: [
        [xBus, top],
        [xBus, commonY],
      ],
    })
  }
  if (source) drawSource(drawing, place, rows, source, { start, loadsStart, xSource })
  for (const letter of at.right) {
    if (letter === rows.common || !at.left.includes(letter)) continue
    drawing.wires.push({
      net: terminalPoint(letter, place.id),
      corners: [
        [start, rows.y(letter)],
        [at.xRight - TAG, rows.y(letter)],
      ],
    })
  }
  drawing.wires.push({
    net: common,
    corners: [
      [start, commonY],
      [at.right.includes(rows.common) ? at.xRight - TAG : Math.max(xBus, xSource), commonY],
    ],
  })
}

/** Hot row to the right, then down through the transformer to common. */
function drawSource(
  drawing: UnitDrawing,
  place: Place,
  rows: Rows,
  source: Chain,
  at: { start: number; loadsStart: number; xSource: number },
): void {
  const y = rows.y(source.from)
  const turn = source.parts.findIndex((part) => part.kind === 'transformer')
  const onRow: Chain = { ...source, parts: source.parts.slice(0, turn), leads: source.leads.slice(0, turn) }
  const transformer = source.parts[turn]
  // What stands between the winding and common, a fuse in that leg, hangs below it.
  const below: Chain = {
    from: source.leads[turn] ?? rows.common,
    to: source.to,
    parts: source.parts.slice(turn + 1),
    leads: source.leads.slice(turn + 1),
  }
  const lead = source.leads[turn - 1] ?? source.from
  placeAcross(drawing, place, { ...onRow, to: lead }, at.loadsStart, at.xSource, y, at.start)
  if (!transformer) return
  const commonY = rows.y(rows.common)
  // Between two rows, so that no call passes through the windings.
  const above = rows.order[Math.max(0, Math.floor(rows.order.length / 2) - 1)]
  const middle = (rows.y(above) + rows.y(nextRow(rows, above))) / 2
  const half = SIZE.transformer.down[1] / 2
  drawing.parts.push({
    id: transformer.id,
    of: transformer.id,
    kind: 'transformer',
    label: transformer.kind === 'transformer' ? `${transformer.va} VA` : transformer.name,
    terminal: null,
    axis: 'down',
    x: at.xSource,
    y: middle,
    width: SIZE.transformer.down[0],
    height: SIZE.transformer.down[1],
    between: [terminalPoint(lead, place.id), terminalPoint(below.parts.length > 0 ? below.from : rows.common, place.id)],
    labelY: y - 24,
  })
  if (lead !== source.from) drawing.leads.push({ point: terminalPoint(lead, place.id), x: at.xSource, y })
  drawing.wires.push({
    net: terminalPoint(lead, place.id),
    corners: [
      [at.xSource, y],
      [at.xSource, middle - half],
    ],
  })
  if (below.parts.length > 0) {
    placeDown(drawing, place, below, at.xSource, middle + half, commonY, true)
    drawing.leads.push({ point: terminalPoint(below.from, place.id), x: at.xSource, y: middle + half + 12 })
    return
  }
  drawing.wires.push({
    net: terminalPoint(rows.common, place.id),
    corners: [
      [at.xSource, middle + half],
      [at.xSource, commonY],
    ],
  })
}

/** A unit at the end of the run: each chain goes along its row, down on the far side, and back on common. */
function drawDown(
  drawing: UnitDrawing,
  place: Place,
  zone: LoomZone,
  rows: Rows,
  chains: readonly Chain[],
  side: { tag: number; towards: 1 | -1 },
): void {
  const commonY = rows.y(rows.common)
  const edge = side.towards === 1 ? zone.x + zone.width : zone.x
  const near = side.tag + side.towards * TAG
  chains.forEach((chain, index) => {
    const x = edge - side.towards * (44 + index * DOWN_GAP)
    const y = rows.y(chain.from)
    drawing.wires.push({
      net: terminalPoint(chain.from, place.id),
      corners: [
        [near, y],
        [x, y],
      ],
    })
    placeDown(drawing, place, chain, x, y, commonY, true)
    drawing.wires.push({
      net: terminalPoint(rows.common, place.id),
      corners: [
        [x, commonY],
        [near, commonY],
      ],
    })
  })
}

/** Switches between two lettered terminals: a call that leaves the unit under another letter. */
export const leadsThrough = (place: Place, chain: Chain, rows: Pick<Rows, 'common'>): boolean =>
  chain.to !== rows.common && place.terminals.includes(chain.to) && chain.parts.every(({ kind }) => kind === 'switch' || kind === 'output')

const nextRow = (rows: Rows, terminal: string): string => rows.order[Math.min(rows.order.indexOf(terminal) + 1, rows.order.length - 1)]
