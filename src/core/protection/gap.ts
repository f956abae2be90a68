import { secondsToLimit, type Winding } from '@/src/core/protection/transformer-heat'
import { openingBand, type Protector } from '@/src/core/protection/trip-curve'
import { workLimit } from '@/src/core/units/work-limit'

/** Secondary currents at which a winding cooks before its protection is sure to have opened, A; null when there are none. */
export interface Gap {
  readonly fromA: number
  readonly toA: number
}

const STEPS = workLimit(200)
const LOWEST_A = workLimit(0.5)
const HIGHEST_A = workLimit(40)

/**
 * The gap between a fuse of this rating and a winding: from the current that the winding does not stand for good up to the
 * one at which even the slowest fuse of its kind opens in time.
 */
export function unprotected(protector: Protector, ratingA: number, winding: Winding): Gap | null {
  const currents = Array.from({ length: STEPS + 1 }, (_, step) => LOWEST_A * (HIGHEST_A / LOWEST_A) ** (step / STEPS))
  const late = currents.filter((amps) => {
    const cooks = secondsToLimit(winding, amps)
    return cooks !== null && (openingBand(protector, ratingA, amps)?.longestS ?? Number.POSITIVE_INFINITY) > cooks
  })
  return late.length === 0 ? null : { fromA: late[0], toA: late[late.length - 1] }
}
