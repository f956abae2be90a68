import { type Bench, benchKey } from '@/src/core/bench/bench'
import { type Engine, latestAnswers, type Observation, observationKey, widened } from '@/src/core/diagnosis/engine'
import type { Probe } from '@/src/core/readings/check'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import { likelihood } from '@/src/core/readings/likelihood'
import { predictAll, scaleOf, wordsFor } from '@/src/core/readings/predict'
import { Kept, KeptPer } from '@/src/core/units/kept'

/**
 * What the readings from before a repair say about a second fault: for each story X the log likelihood of those readings in
 * a house that had both the mended fault and X. Nothing that was measured is thrown away by mending the first thing found.
 */
export function saidBefore(engine: Engine, repaired: string, before: readonly Observation[]): Float64Array {
  const observations = latestAnswers(before)
  const key = `${repaired}: ${observations.map(observationKey).join('; ')}`
  return keptOf.of(engine).get(key, () => compute(engine, repaired, observations))
}
const MOST_KEPT = 8
const keptOf = new KeptPer((_: Engine) => new Kept<string, Float64Array>(MOST_KEPT))

function compute(engine: Engine, repaired: string, observations: readonly Observation[]): Float64Array {
  const logs = new Float64Array(engine.hypotheses.length)
  const mended = formOf(engine, repaired, observations)
  if (!mended) return logs
  const benches = new Map<string, { bench: Bench; probes: Probe[]; answers: Observation['answer'][] }>()
  for (const { bench, probe, answer } of observations) {
    const group = benches.get(benchKey(bench)) ?? { bench, probes: [], answers: [] }
    group.probes.push(probe)
    group.answers.push(answer)
    benches.set(benchKey(bench), group)
  }
  engine.hypotheses.forEach((second, index) => {
    const both = withMended(mended, second)
    for (const { bench, probes, answers } of benches.values())
      predictAll(engine.laboratory, bench, both, probes).forEach((prediction, row) => {
        const scale = scaleOf(engine.system, probes[row])
        const words = wordsFor(engine.system, probes[row]).length
        logs[index] += Math.log(likelihood(answers[row], widened(prediction, scale), scale, words))
      })
  })
  return logs
}

/** The form of the mended fault that explains the readings best; null when it is none of this system's. */
function formOf(engine: Engine, repaired: string, observations: readonly Observation[]): Hypothesis | null {
  const rows = observations.map((observation) => engine.logLikelihoods(observation).marginal)
  let best: number | null = null
  let highest = Number.NEGATIVE_INFINITY
  engine.hypotheses.forEach(({ fault }, index) => {
    if (fault?.id !== repaired) return
    const sum = rows.reduce((total, row) => total + row[index], Math.log(engine.rates[index]))
    if (sum > highest) {
      highest = sum
      best = index
    }
  })
  return best === null ? null : engine.hypotheses[best]
}

const withMended = (mended: Hypothesis, second: Hypothesis): Hypothesis => ({
  ...second,
  id: `${mended.id} and then ${second.id}`,
  effects: [...mended.effects, ...second.effects],
  foundFuse: mended.foundFuse === 'blown' || second.foundFuse === 'blown' ? 'blown' : 'intact',
})
