import { openingBand, type Protector } from '@/src/core/protection/trip-curve'
import { modelValue } from '@/src/core/units/model-value'

/** A time that was counted in one's head is good to this factor, either way. */
const COUNTED = modelValue({ value: 2, unit: 'times', source: 'assumption' })
/** Up to so many times the rating is tried. */
const MOST_TIMES = modelValue({
  value: 8,
  unit: 'times the rating',
  source: 'assumption: no 24 V transformer gives a small protector more',
})
/** How far apart the currents are that are tried. */
const STEP = modelValue({ value: 1.02, unit: 'times', source: 'assumption' })

/**
 * What flowed where a protector opened after so many seconds, A: the currents at which its band of opening times holds that time, give or
 * take the counting. Null where no current fits.
 *
 * @param seconds from when the current came on until it opened, above 0
 */
export function ampsOfTripTime(protector: Protector, ratingA: number, seconds: number): { low: number; high: number } | null {
  let low: number | null = null
  let high: number | null = null
  for (let times = 1; times <= MOST_TIMES; times *= STEP) {
    const band = openingBand(protector, ratingA, times * ratingA)
    if (!band || band.shortestS > seconds * COUNTED || band.longestS < seconds / COUNTED) continue
    low ??= times * ratingA
    high = times * ratingA
  }
  return low === null || high === null ? null : { low, high }
}
