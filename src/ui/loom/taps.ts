import type { Loom } from '@/src/core/formats/loom/shapes'

/** A spot of the loom where a probe can go. */
export interface Tap {
  readonly point: string
  readonly x: number
  readonly y: number
}

/** How far a lifted end stands off its terminal, into the cable. */
export const LIFT_OFF = 30

/** All spots: terminals, leads between parts, each metal cabinet, spare ends, and ends that are lifted now. */
export function tapsOf(loom: Loom, lifted: readonly string[]): Tap[] {
  return [
    ...loom.tags,
    ...loom.leads,
    ...loom.rails.map(({ point, x, width, y }) => ({ point, x: x + width / 2, y })),
    ...loom.threads.flatMap(({ ends }) =>
      ends.flatMap((end, side) => {
        if (end.landed && !lifted.includes(end.point)) return []
        return [{ point: end.point, x: end.landed ? end.x + (side === 0 ? LIFT_OFF : -LIFT_OFF) : end.x, y: end.y }]
      }),
    ),
  ]
}

export type Direction = 'ArrowLeft' | 'ArrowRight' | 'ArrowUp' | 'ArrowDown'

/** The nearest spot in a direction; sideways distance counts double, so that arrows stay on a row. */
export function nearestTap(taps: readonly Tap[], from: Tap, direction: Direction): Tap {
  let best = from
  let least = Number.POSITIVE_INFINITY
  for (const tap of taps) {
    const dx = tap.x - from.x
    const dy = tap.y - from.y
    const [along, off] =
      direction === 'ArrowRight' ? [dx, dy] : direction === 'ArrowLeft' ? [-dx, dy] : direction === 'ArrowDown' ? [dy, dx] : [-dy, dx]
    const distance = along + 2 * Math.abs(off)
    if (along > 1 && distance < least) {
      least = distance
      best = tap
    }
  }
  return best
}
