import { modelValue } from '@/src/core/units/model-value'
import { normalBelow } from '@/src/core/units/normal'

/** Shortest and longest time to open at a multiple of the rating. */
interface BandPoint {
  readonly times: number
  readonly shortestS: number
  readonly longestS: number
}

/** Shortest and longest time to open of a blade fuse; the first row extends the band down to "never at 110 %". */
const BLADE_FUSE: readonly BandPoint[] = modelValue({
  value: [
    { times: 1.1, shortestS: 100, longestS: 1e6 },
    { times: 1.35, shortestS: 0.75, longestS: 600 },
    { times: 1.6, shortestS: 0.25, longestS: 50 },
    { times: 2, shortestS: 0.15, longestS: 5 },
    { times: 3.5, shortestS: 0.08, longestS: 0.5 },
    { times: 6, shortestS: 0.03, longestS: 0.1 },
  ],
  unit: 'times the rating, s',
  source: 'ISO 8820-3; the row at 110 % is drawn out by us',
})

/** The same of a resettable blade-style thermal breaker. */
const BREAKER: readonly BandPoint[] = modelValue({
  value: [
    { times: 1.1, shortestS: 300, longestS: 1e6 },
    { times: 1.35, shortestS: 20, longestS: 1800 },
    { times: 2, shortestS: 2, longestS: 30 },
    { times: 3, shortestS: 0.8, longestS: 8 },
    { times: 6, shortestS: 0.2, longestS: 1.5 },
  ],
  unit: 'times the rating, s',
  source: 'assumption',
})

export type Protector = 'fuse' | 'breaker'

/** The band of opening times in seconds at a current, log-log between the listed points; null where it never opens. */
export function openingBand(protector: Protector, ratingA: number, amps: number): { shortestS: number; longestS: number } | null {
  const band = protector === 'fuse' ? BLADE_FUSE : BREAKER
  const times = amps / ratingA
  if (times < band[0].times) return null
  const above = band.findIndex((point) => point.times >= times)
  if (above < 0) return band[band.length - 1]
  if (above === 0) return band[0]
  const [low, high] = [band[above - 1], band[above]]
  const share = Math.log(times / low.times) / Math.log(high.times / low.times)
  const between = (a: number, b: number) => Math.exp(Math.log(a) + share * Math.log(b / a))
  return { shortestS: between(low.shortestS, high.shortestS), longestS: between(low.longestS, high.longestS) }
}

/**
 * P(opens within `seconds`): the logarithm of the opening time is taken as normal, with the band's limits two
 * standard deviations out (assumption: the standard gives limits, not a distribution).
 */
export function probabilityOpens(protector: Protector, ratingA: number, amps: number, seconds: number): number {
  const band = openingBand(protector, ratingA, amps)
  if (!band || seconds <= 0) return 0
  const [low, high] = [Math.log(band.shortestS), Math.log(band.longestS)]
  return normalBelow(Math.log(seconds), (low + high) / 2, Math.max((high - low) / 4, 1e-6))
}
