import type { Loom, LoomPart } from '@/src/core/formats/loom/shapes'
import { TAG } from '@/src/core/formats/loom/shapes'

/** A line of text at a part: how long a wait has to go, how often something chatters. */
export interface PlacedMark {
  readonly x: number
  readonly y: number
  readonly width: number
}

export const MARK = { height: 20, gap: 4, letter: 7, pad: 8 }

interface Box {
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

const overlaps = (a: Box, b: Box): boolean => a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height

const boxOf = ({ x, y, width, height }: LoomPart): Box => ({ x: x - width / 2, y: y - height / 2, width, height })

/**
 * Where marks stand, in their order: under their part, else over it, else on the nearest row that is free; over no part, no lettered
 * landing and no other mark.
 */
export function placeMarks(loom: Loom, marks: readonly { readonly part: LoomPart; readonly text: string }[]): PlacedMark[] {
  const taken: Box[] = [
    ...loom.parts.map(boxOf),
    ...loom.tags.map(({ x, y }) => ({ x: x - TAG, y: y - TAG, width: 2 * TAG, height: 2 * TAG })),
  ]
  return marks.map(({ part, text }) => {
    const width = MARK.pad + MARK.letter * text.length
    const x = Math.min(loom.width - width - MARK.gap, Math.max(MARK.gap, part.x - width / 2))
    const free = rowsBy(part, loom.height).find((y) => !taken.some((box) => overlaps({ x, y, width, height: MARK.height }, box)))
    const placed = { x, y: free ?? part.y + part.height / 2 + MARK.gap, width, height: MARK.height }
    taken.push(placed)
    return placed
  })
}

/** Rows at a part, the nearest first: under it, over it, and so on outwards. */
function rowsBy({ y, height }: LoomPart, most: number): number[] {
  const step = MARK.height + MARK.gap
  const below = (row: number) => y + height / 2 + MARK.gap + row * step
  const above = (row: number) => y - height / 2 - MARK.gap - MARK.height - row * step
  const rows = Math.ceil(most / step)
  return Array.from({ length: 2 * rows }, (_, index) => (index % 2 === 0 ? below(index / 2) : above((index - 1) / 2))).filter(
    (top) => top >= MARK.gap && top + MARK.height <= most - MARK.gap,
  )
}
