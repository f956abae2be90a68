import { type Answer, wordOf } from '@/src/core/readings/check'
import { type Component, onOhmScale, type Prediction, type Scale } from '@/src/core/readings/prediction'
import { modelValue } from '@/src/core/units/model-value'
import { normalBelow, normalDensity } from '@/src/core/units/normal'

/** A reading is plain wrong: wrong points, wrong range, misread. */
export const WRONG_READING = modelValue({ value: 0.02, unit: 'chance', source: 'engine.md section 7' })

interface Range {
  readonly low: number
  readonly high: number
  /** Share of plainly wrong readings that show OL. */
  readonly overload: number
}

/** Where a reading falls when nothing is known of it: the range a meter would show on such a circuit. */
const RANGES: Record<Exclude<Scale, 'word'>, Range> = modelValue({
  value: {
    volts: { low: 0, high: 30, overload: 0 },
    'line-volts': { low: 0, high: 300, overload: 0 },
    ohms: { low: onOhmScale(0), high: onOhmScale(40e6), overload: 0.3 },
    amps: { low: 0, high: 12, overload: 0 },
  },
  unit: 'V, V, ohm, A',
  source: 'assumption',
})

/**
 * On the line a reading that is plain wrong is one of a lead that did not touch or of the 24 V side, else one of another pair of legs: a part
 * of the volts is seldom read by mistake.
 */
const LINE_LEVELS = modelValue({
  value: [
    { low: 0, high: 6, share: 0.42 },
    { low: 6, high: 22, share: 0.04 },
    { low: 22, high: 30, share: 0.14 },
    { low: 30, high: 100, share: 0.06 },
    { low: 100, high: 130, share: 0.12 },
    { low: 130, high: 190, share: 0.06 },
    { low: 190, high: 300, share: 0.16 },
  ] as const,
  unit: 'V, share of the wrong readings',
  source: 'assumption',
})

/** How likely a plainly wrong reading of the line falls between two voltages; at one, how densely. */
const onLine = (low: number, high: number): number =>
  LINE_LEVELS.reduce((sum, level) => {
    const part =
      high > low ? Math.max(0, Math.min(high, level.high) - Math.max(low, level.low)) : low >= level.low && low < level.high ? 1 : 0
    return sum + (part * level.share) / (level.high - level.low)
  }, 0)

/** Of a floating point's readings, those that are spread over the whole range. */
const FLOATING_SPREAD = modelValue({ value: 0.7, unit: 'share', source: 'assumption' })

/** How likely an answer is when nothing at all is known: the plainly wrong reading, and the measure of "none of these". */
export function likelihoodOfAnything(answer: Answer, scale: Scale, words: number): number {
  if (typeof answer === 'object' && 'word' in answer) return 1 / Math.max(2, words)
  if (scale === 'word') return 0
  const range = RANGES[scale]
  if (answer === 'OL') return range.overload
  if (scale === 'line-volts') return typeof answer === 'number' ? onLine(answer, answer) : onLine(...bandOnScale(answer, scale))
  const width = range.high - range.low
  if (typeof answer === 'number') return (1 - range.overload) / width
  // A band down to nothing reaches below the range only for what is predicted there, noise and all: it is no wider for that.
  const [low, high] = bandOnScale(answer, scale)
  return ((1 - range.overload) * Math.max(0, Math.min(high, range.high) - Math.max(low, range.low))) / width
}

/**
 * Likelihood of an answer under a prediction: a density on the scale for a number, a probability for OL, a band or a
 * word. Every answer has a share of being plain wrong, so nothing is ever impossible.
 */
export function likelihood(answer: Answer, prediction: Prediction, scale: Scale, words: number, wrong = WRONG_READING): number {
  let sound = 0
  for (const component of prediction) sound += component.weight * likelihoodOfComponent(answer, component, scale)
  return (1 - wrong) * sound + wrong * likelihoodOfAnything(answer, scale, words)
}

/** How likely an answer is under one component of a prediction: a density on the scale, or a probability. */
export function likelihoodOfComponent(answer: Answer, component: Component, scale: Scale): number {
  const { at } = component
  if (typeof at === 'object') return wordOf(answer) === at.word ? 1 : 0
  if (at === 'OL') return likelihoodBeyond(answer, scale)
  if (answer === 'OL' || scale === 'word') return 0
  if (typeof answer === 'object' && 'word' in answer) return 0
  const spread = component.floating ? FLOATING_SPREAD : 0
  const everywhere = spread > 0 ? likelihoodOfAnything(answer, scale, 2) : 0
  if (typeof answer === 'number') {
    const x = scale === 'ohms' ? onOhmScale(answer) : answer
    return spread * everywhere + (1 - spread) * normalDensity(x, at, component.sigma)
  }
  const [low, high] = bandOnScale(answer, scale)
  return spread * everywhere + (1 - spread) * (normalBelow(high, at, component.sigma) - normalBelow(low, at, component.sigma))
}

/** Damp insulation reads as a number where dry insulation reads OL: megohms and OL are hardly different answers. */
const DAMP_ABOVE_OHM = modelValue({ value: 1e6, unit: 'ohm', source: 'assumption' })
/** Damp insulation shows a number where OL is predicted. */
const DAMP_SHARE = modelValue({ value: 0.1, unit: 'share', source: 'assumption' })

function likelihoodBeyond(answer: Answer, scale: Scale): number {
  if (answer === 'OL') return 1 - DAMP_SHARE
  if (scale !== 'ohms' || (typeof answer === 'object' && 'word' in answer)) return 0
  const range = RANGES.ohms.high - onOhmScale(DAMP_ABOVE_OHM)
  if (typeof answer === 'number') return answer >= DAMP_ABOVE_OHM ? DAMP_SHARE / range : 0
  const [low, high] = bandOnScale(answer, scale)
  return (DAMP_SHARE * Math.max(0, Math.min(high, RANGES.ohms.high) - Math.max(low, onOhmScale(DAMP_ABOVE_OHM)))) / range
}

const isDamp = (answer: Answer): boolean => typeof answer === 'number' && answer >= DAMP_ABOVE_OHM

function bandOnScale(band: { low: number; high: number }, scale: Scale): [number, number] {
  if (scale === 'ohms') return [band.low <= 0 ? -10 : onOhmScale(band.low), onOhmScale(band.high)]
  return [band.low <= 0 ? -1e3 : band.low, band.high]
}

/**
 * How far an answer is from the nearest part of a prediction, in standard deviations; OL and words count 0 or 9.
 * The absolute fit check: a suspect that leads only because the rest is worse must not be called found.
 */
export function misfit(answer: Answer, prediction: Prediction, scale: Scale): number {
  let best = 9
  for (const component of prediction) {
    if (component.weight < 0.02) continue
    const { at } = component
    if (component.floating) best = Math.min(best, 1)
    if (typeof at === 'object') {
      if (wordOf(answer) === at.word) best = 0
    } else if (at === 'OL') {
      if (answer === 'OL') best = 0
      else if (scale === 'ohms' && isDamp(answer)) best = Math.min(best, 1)
    } else if (answer !== 'OL' && scale !== 'word') {
      if (typeof answer === 'number')
        best = Math.min(best, Math.abs((scale === 'ohms' ? onOhmScale(answer) : answer) - at) / component.sigma)
      else if (!('word' in answer)) {
        const [low, high] = bandOnScale(answer, scale)
        best = Math.min(best, at < low ? (low - at) / component.sigma : at > high ? (at - high) / component.sigma : 0)
      }
    }
  }
  return best
}
