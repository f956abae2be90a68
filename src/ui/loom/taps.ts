import type { Loom } from '@/src/core/formats/loom/shapes'
import { type Point, parsePoint, pinPoint } from '@/src/core/wiring/point'

/** A spot of the loom where a probe can go. */
export interface Tap {
  readonly point: Point
  readonly x: number
  readonly y: number
  /** Both probes go on at once: across a part that is unplugged. */
  readonly with?: Point
}

/** How far a lifted end stands off its terminal, into the cable. */
export const LIFT_OFF = 30

/** All spots: terminals, leads between parts, each metal cabinet, spare ends, ends that are lifted and parts that are unplugged now. */
export function tapsOf(loom: Loom, lifted: readonly Point[], unplugged: readonly string[]): Tap[] {
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
    ...loom.parts.flatMap((part): Tap[] => {
      if (!unplugged.includes(part.id) || (part.kind !== 'switch' && part.kind !== 'coil')) return []
      const { place } = parsePoint(part.between[0])
      return [{ point: pinPoint({ id: part.id, place }, 0), with: pinPoint({ id: part.id, place }, 1), x: part.x, y: part.y }]
    }),
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
