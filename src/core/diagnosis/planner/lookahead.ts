import { benchKey } from '@/src/core/bench/bench'
import type { CostModel } from '@/src/core/bench/cost'
import { entropyAfter, entropyBefore } from '@/src/core/diagnosis/planner/live-hypotheses'
import type { LiveHypothesis } from '@/src/core/diagnosis/planner/live-hypothesis'
import type { Scored } from '@/src/core/diagnosis/planner/scored'
import { probeKey } from '@/src/core/readings/check'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'

/** First checks that are looked beyond, and second checks that are tried after each of their answers. */
const FIRSTS = workLimit(10)
const SECONDS = workLimit(16)
/** Answers less likely than this are not followed. */
const LEAST_ANSWER = modelValue({ value: 0.02, unit: 'probability', source: 'assumption' })

/**
 * Ranks the leading checks anew by what they and the best check after each of their answers tell together per minute
 * (engine.md section 9: two ahead helps the slow tail). The rest keep their order behind them.
 */
export function lookAhead(hypotheses: readonly LiveHypothesis[], scored: readonly Scored[], cost: CostModel): Scored[] {
  const firsts = scored.slice(0, FIRSTS)
  const seconds = scored.slice(0, SECONDS)
  if (seconds.length < 2) return [...scored]
  const groups = Math.max(...hypotheses.map(({ group }) => group)) + 1
  const ranked = firsts
    .map((first) => ({ first, rate: rateOfTwo(hypotheses, groups, first, seconds, cost) }))
    .sort((a, b) => b.rate - a.rate)
    .map(({ first }) => first)
  return [...ranked, ...scored.slice(FIRSTS)]
}

/** Bits a minute of a check followed by the best second one, answer by answer. */
function rateOfTwo(
  hypotheses: readonly LiveHypothesis[],
  groups: number,
  first: Scored,
  seconds: readonly Scored[],
  cost: CostModel,
): number {
  const { count, of, probabilities } = first.outcomes
  let bits = first.gainBits
  let minutes = first.minutes + cost.attention
  for (let answer = 0; answer < count; answer++) {
    const weighed = hypotheses.map((hypothesis, row) => ({
      ...hypothesis,
      weight: hypothesis.weight * probabilities[of[row] * count + answer],
    }))
    const total = weighed.reduce((sum, { weight }) => sum + weight, 0)
    if (total < LEAST_ANSWER) continue
    const after = weighed.map((hypothesis) => ({ ...hypothesis, weight: hypothesis.weight / total }))
    const before = entropyBefore(after, groups)
    if (before < SETTLED_BITS) continue
    let best = { gain: 0, price: 0, rate: 0 }
    for (const second of seconds) {
      if (second === first || isSameQuestion(first, second)) continue
      const gain = before - entropyAfter(after, second.outcomes, groups)
      const price = minutesAfter(first, second, cost) + cost.attention
      if (gain / price > best.rate) best = { gain, price, rate: gain / price }
    }
    bits += total * best.gain
    minutes += total * best.price
  }
  return bits / minutes
}

/** Below this one repair holds 95 %: nothing more is asked. */
const SETTLED_BITS = modelValue({ value: 0.29, unit: 'bit', source: 'the entropy of 0.95 and 0.05' })

const isSameQuestion = (a: Scored, b: Scored): boolean =>
  probeKey(a.probe) === probeKey(b.probe) && benchKey(a.route.bench) === benchKey(b.route.bench)

/** On the same bench at the same place a second reading costs its handling only. */
const minutesAfter = (first: Scored, second: Scored, cost: CostModel): number =>
  first.place === second.place && benchKey(first.route.bench) === benchKey(second.route.bench)
    ? cost.reading[second.probe.meter]
    : second.minutes
