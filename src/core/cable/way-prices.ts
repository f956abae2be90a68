import type { CableWay } from '@/src/core/job/run-schema'
import { modelValue } from '@/src/core/units/model-value'

/** What a way takes where nothing is wrong with the cable. */
export interface WayPrice {
  /** One way. */
  readonly walks: number
  readonly readings: number
}

/** By the number of conductors, two first: walks and readings of each way on a sound cable, metal at both ends, everything named. */
const ON_A_SOUND_CABLE = modelValue({
  value: {
    fewest: [
      [3, 4],
      [3, 7],
      [3, 5],
      [3, 8],
      [3, 5],
      [3, 8],
      [3, 6],
    ],
    pairs: [
      [2, 3],
      [3, 7],
      [5, 10],
      [5, 14],
      [6, 16],
      [7, 22],
      [6, 26],
    ],
    'all-to-one': [
      [3, 4],
      [3, 9],
      [4, 11],
      [4, 17],
      [4, 22],
      [4, 31],
      [5, 39],
    ],
  } as Readonly<Record<CableWay, readonly (readonly [number, number])[]>>,
  unit: 'walks one way, readings',
  source: 'each way of planConductors followed on a sound cable; worked out again for few conductors in way-prices.test.ts',
})

/** @returns null for a number of conductors that nobody has worked out */
export function priceOfWay(way: CableWay, conductors: number): WayPrice | null {
  const found = ON_A_SOUND_CABLE[way][conductors - 2]
  return found ? { walks: found[0], readings: found[1] } : null
}

/** The price in words, beside the way that it is of. */
export function sayPriceOfWay(way: CableWay, conductors: number): string {
  const price = priceOfWay(way, conductors)
  return price === null ? '' : `about ${price.walks} walks, ${price.readings} readings`
}
