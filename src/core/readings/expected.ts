import type { Bench } from '@/src/core/bench/bench'
import type { Probe } from '@/src/core/readings/check'
import { healthy } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { predict, scaleOf } from '@/src/core/readings/predict'
import { fromOhmScale, type Scale } from '@/src/core/readings/prediction'
import { sayOhms } from '@/src/core/units/quantity'

/** What a sound house of this kind reads: lowest and highest over the spread of part values, in the meter's unit; NaN when it never is a number. */
export interface Expected {
  readonly low: number
  readonly high: number
  readonly overload: boolean
  readonly word: string | null
  readonly scale: Scale
}

/** The range that this system should show on a bench, from its own data: one standard deviation, part values and reading together. */
export function expectedRange(laboratory: Laboratory, bench: Bench, probe: Probe): Expected {
  const scale = scaleOf(laboratory.system, probe)
  let low = Number.POSITIVE_INFINITY
  let high = Number.NEGATIVE_INFINITY
  let overload = false
  let word: string | null = null
  for (const { at, sigma, weight, leans = [] } of predict(laboratory, bench, healthy, probe, true)) {
    if (weight < 0.2) continue
    if (at === 'OL') overload = true
    else if (typeof at === 'object') word = at.word
    else {
      const width = Math.sqrt(leans.reduce((square, { by }) => square + by * by, sigma * sigma))
      low = Math.min(low, at - width)
      high = Math.max(high, at + width)
    }
  }
  const unit = (value: number) => (Number.isFinite(value) ? Math.max(0, scale === 'ohms' ? fromOhmScale(value) : value) : Number.NaN)
  return { low: unit(low), high: unit(high), overload, word, scale }
}

export function sayExpected({ low, high, overload, word, scale }: Expected): string {
  if (word !== null) return word
  // Dry insulation may show megohms or OL: people say OL.
  if (overload && (!Number.isFinite(high) || (scale === 'ohms' && low > 1e6))) return 'OL'
  if (scale === 'ohms')
    return high < 2 ? 'near 0' : high > 800 ? `over ${sayOhms(Math.max(100, low))}` : `${low.toFixed(0)}–${high.toFixed(0)} ohm`
  if (scale === 'amps') return `${low.toFixed(2)}–${high.toFixed(2)} A`
  if (high < 1.5) return 'near 0'
  return `${Math.floor(low)}–${Math.ceil(high)} V`
}

export function isExpected(value: number, expected: Expected): boolean {
  return value >= expected.low * 0.98 - 0.05 && value <= expected.high * 1.02 + 0.05
}
