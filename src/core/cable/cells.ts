import type { Density } from '@/src/core/cable/run'
import { workLimit } from '@/src/core/units/work-limit'

const CELLS = workLimit(1500)

/** Weights gathered in cells of one width, up to a most. */
export function cellsOf(most: number): { add(at: number, weight: number): void; density(): Density } {
  const weights = new Float64Array(CELLS)
  return {
    add: (at, weight) => {
      weights[Math.max(0, Math.min(CELLS - 1, Math.floor((at / most) * CELLS)))] += weight
    },
    density: () => ({ at: Array.from(weights, (_, index) => ((index + 0.5) / CELLS) * most), weights: [...weights] }),
  }
}
