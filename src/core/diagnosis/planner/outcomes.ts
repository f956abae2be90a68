import type { HypothesisPredictions } from '@/src/core/diagnosis/planner/probe-predictions'
import type { Answer } from '@/src/core/readings/check'
import { WRONG_READING } from '@/src/core/readings/likelihood'
import { fromOhmScale, type Scale } from '@/src/core/readings/prediction'
import { modelValue } from '@/src/core/units/model-value'
import { normalBelow } from '@/src/core/units/normal'

/** The answers that a check can have, and how likely each is under each live hypothesis. */
export interface Outcomes {
  readonly count: number
  /** The place of each hypothesis's prediction among the different ones. */
  readonly of: Int32Array
  /** `count` values for each of the different predictions, one after the other. */
  readonly probabilities: Float64Array
  /** The answers written out; only wanted for the check that is chosen. */
  answers(): Answer[]
}

/** Predictions closer than this are one answer. */
const CLUSTER_SIGMAS = modelValue({ value: 2.4, unit: 'standard deviations', source: 'engine.md section 9' })

interface Centre {
  readonly at: number
  readonly sigma: number
}

/** Clusters what the hypotheses foretell into answers that a reading can tell apart; fewer than two tell nothing. */
export function clusterOutcomes({ different, of }: HypothesisPredictions, scale: Scale): Outcomes {
  const words: string[] = []
  const centres: Centre[] = []
  let overload = false
  for (const prediction of different) {
    for (const { at, weight, sigma } of prediction) {
      if (weight < 0.02) continue
      if (at === 'OL') overload = true
      else if (typeof at === 'object') {
        if (!words.includes(at.word)) words.push(at.word)
      } else centres.push({ at, sigma })
    }
  }
  const cuts = scale === 'word' ? [] : cutBetween(centres)
  const bands = scale === 'word' || centres.length === 0 ? 0 : cuts.length + 1
  const count = words.length + (overload ? 1 : 0) + bands
  if (count < 2) return { count, of, probabilities: new Float64Array(0), answers: () => [] }
  const probabilities = new Float64Array(different.length * count)
  different.forEach((prediction, place) => {
    const offset = place * count
    for (const { at, weight, sigma, floating } of prediction) {
      if (typeof at === 'object') {
        const index = words.indexOf(at.word)
        if (index >= 0) probabilities[offset + index] += weight
      } else if (at === 'OL') {
        if (overload) probabilities[offset + words.length] += weight
      } else {
        const begin = words.length + (overload ? 1 : 0)
        let below = 0
        for (let band = 0; band < bands; band++) {
          const upTo = band < cuts.length ? normalBelow(cuts[band], at, sigma) : 1
          const inBand = upTo - below
          probabilities[offset + begin + band] += weight * (floating ? 0.3 * inBand + 0.7 / bands : inBand)
          below = upTo
        }
      }
    }
    let sum = 0
    for (let k = 0; k < count; k++) sum += probabilities[offset + k]
    for (let k = 0; k < count; k++) {
      const share = sum > 0 ? probabilities[offset + k] / sum : 1 / count
      probabilities[offset + k] = (1 - WRONG_READING) * share + WRONG_READING / count
    }
  })
  return {
    count,
    of,
    probabilities,
    answers: () => [...words.map((word) => ({ word })), ...(overload ? ['OL' as const] : []), ...bandAnswers(cuts, centres, bands, scale)],
  }
}

/** Cuts halfway between neighbouring clusters. */
function cutBetween(centres: Centre[]): number[] {
  const sorted = [...centres].sort((a, b) => a.at - b.at)
  const cuts: number[] = []
  let start = sorted[0]?.at ?? 0
  for (let index = 1; index < sorted.length; index++) {
    const { at, sigma } = sorted[index]
    const before = sorted[index - 1]
    const width = CLUSTER_SIGMAS * Math.max(sigma, before.sigma)
    if (at - start <= width && at - before.at <= width) continue
    cuts.push((at * before.sigma + before.at * sigma) / (sigma + before.sigma))
    start = at
  }
  return cuts
}

function bandAnswers(cuts: readonly number[], centres: readonly Centre[], bands: number, scale: Scale): Answer[] {
  const unit = (value: number) => Math.max(0, scale === 'ohms' ? fromOhmScale(value) : value)
  const round = (value: number) => Number(value.toPrecision(3))
  const highest = scale === 'ohms' ? 40e6 : scale === 'line-volts' ? 300 : scale === 'volts' ? 60 : 30
  return Array.from({ length: bands }, (_, band) => {
    const low = band === 0 ? 0 : round(unit(cuts[band - 1]))
    const high = band === cuts.length ? highest : round(unit(cuts[band]))
    const inside = centres.filter(({ at }) => (band === 0 || at >= cuts[band - 1]) && (band === cuts.length || at < cuts[band]))
    const top = Math.max(...inside.map(({ at, sigma }) => unit(at + 2.5 * sigma)))
    const bottom = Math.min(...inside.map(({ at, sigma }) => unit(at - 2.5 * sigma)))
    return {
      low: band === 0 ? 0 : Math.max(low, round(bottom)),
      high: band === cuts.length ? Math.min(highest, round(Math.max(top, low * 1.05))) : Math.min(high, round(top)),
    }
  })
}
