import { type Bench, benchKey } from '@/src/core/bench/bench'
import { overLevels } from '@/src/core/diagnosis/by-house'
import type { Engine } from '@/src/core/diagnosis/engine'
import { widened } from '@/src/core/diagnosis/foresee'
import { atLevel, BESIDE_LEVEL, houseLevels } from '@/src/core/diagnosis/houses'
import { latestAnswers, type Observation, observationKey } from '@/src/core/diagnosis/observations'
import type { Probe } from '@/src/core/readings/check'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import { likelihood } from '@/src/core/readings/likelihood'
import { predictAll, scaleOf, wordsFor } from '@/src/core/readings/predict'
import { Kept, KeptPer } from '@/src/core/units/kept'
import { logSum } from '@/src/core/units/log-sum'

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
  const forms = formsOf(engine, repaired, observations)
  if (forms.length === 0) return new Float64Array(engine.hypotheses.length)
  const benches = new Map<string, { bench: Bench; probes: Probe[]; answers: Observation['answer'][] }>()
  for (const { bench, probe, answer } of observations) {
    const group = benches.get(benchKey(bench)) ?? { bench, probes: [], answers: [] }
    group.probes.push(probe)
    group.answers.push(answer)
    benches.set(benchKey(bench), group)
  }
  const logBoth = (both: Hypothesis): number => {
    const logs = houseLevels.map(({ weight }) => Math.log(weight))
    for (const { bench, probes, answers } of benches.values())
      predictAll(engine.laboratory, bench, both, probes).forEach((foretold, row) => {
        const scale = scaleOf(engine.system, probes[row])
        const words = wordsFor(engine.system, probes[row]).length
        const prediction = widened(foretold, scale, BESIDE_LEVEL)
        const atEach = overLevels(scale, (times) => likelihood(answers[row], atLevel(prediction, scale, times), scale, words))
        atEach.forEach((value, level) => {
          logs[level] += Math.log(value)
        })
      })
    return logSum(logs)
  }
  return Float64Array.from(engine.hypotheses, (second) => {
    const logs = forms.map(({ hypothesis, logShare }) => logShare + logBoth(withMended(hypothesis, second)))
    return logSum(logs)
  })
}

/** Forms of the mended fault that are weighed: which of them it was is not known, only that it is mended. */
const MOST_FORMS = 3

/**
 * The likeliest forms of the mended fault with the log of how often each is met; none when it is none of this system's. Their
 * order is by what they explain alone, which the second fault blurs: no more than the order is taken from it.
 */
function formsOf(engine: Engine, repaired: string, observations: readonly Observation[]): { hypothesis: Hypothesis; logShare: number }[] {
  const rows = observations.map((observation) => engine.logLikelihoods(observation).marginal)
  return [...engine.hypotheses.keys()]
    .filter((index) => engine.hypotheses[index].fault?.id === repaired)
    .map((index) => ({
      hypothesis: engine.hypotheses[index],
      logShare: Math.log(engine.rates[index]),
      fits: rows.reduce((total, row) => total + row[index], Math.log(engine.rates[index])),
    }))
    .sort((a, b) => b.fits - a.fits)
    .slice(0, MOST_FORMS)
}

const withMended = (mended: Hypothesis, second: Hypothesis): Hypothesis => ({
  ...second,
  id: `${mended.id} and then ${second.id}`,
  effects: [...mended.effects, ...second.effects],
  foundFuse: mended.foundFuse === 'blown' || second.foundFuse === 'blown' ? 'blown' : 'intact',
})
