import type { Engine } from '@/src/core/diagnosis/engine'
import { predictionIn } from '@/src/core/diagnosis/likelihood/chain'
import type { LiveHypothesis } from '@/src/core/diagnosis/planner/live-hypothesis'
import { latestAnswers, type Observation } from '@/src/core/readings/observations'
import { scaleOf } from '@/src/core/readings/predict'
import type { Prediction } from '@/src/core/readings/prediction'
import { modelValue } from '@/src/core/units/model-value'

/** Two predictions this close are one as far as a reading goes. */
const CLOSE_SIGMAS = modelValue({ value: 0.5, unit: 'standard deviations', source: 'assumption' })
/** Hypotheses that together hold less than this may predict otherwise. */
const LEFT_ASIDE = modelValue({ value: 0.02, unit: 'probability', source: 'assumption' })
/** With this much on what comes and goes, a question asked again has a chance of its own to meet it. */
const WORTH_WAITING_FOR = modelValue({ value: 0.25, unit: 'probability', source: 'assumption' })

/**
 * Whether a check, given by what each hypothesis foretells of it, would only say again what was read: the hypotheses left standing
 * foretell the same of it as of one of the readings (engine.md section 9). R to W says nothing that R to Y has not said when
 * both hang on one dead conductor, though each would seem to tell the suspects apart anew.
 */
export function redundantWith(
  engine: Engine,
  hypotheses: readonly LiveHypothesis[],
  asked: readonly Observation[],
): (meter: string, predicted: (row: number) => Prediction) => boolean {
  const unsteady = hypotheses.reduce((sum, { index, weight }) => sum + (engine.hypotheses[index].intermittent ? weight : 0), 0)
  if (unsteady > WORTH_WAITING_FOR) return () => false
  const taken = latestAnswers(asked).map(({ bench, probe }) => {
    const predictionsOf = engine.store.predictions(bench, [probe])
    return {
      meter: `${probe.meter} ${scaleOf(engine.system, probe)}`,
      of: (row: number) => predictionIn(hypotheses[row].chain, predictionsOf(hypotheses[row].index, hypotheses[row].kind)[0]),
    }
  })
  return (meter, predicted) =>
    taken.some((reading) => {
      if (reading.meter !== meter) return false
      let otherwise = 0
      for (let row = 0; row < hypotheses.length; row++) {
        if (isClose(predicted(row), reading.of(row))) continue
        otherwise += hypotheses[row].weight
        if (otherwise > LEFT_ASIDE) return false
      }
      return true
    })
}

function isClose(a: Prediction, b: Prediction): boolean {
  if (a === b) return true
  if (a.length !== b.length) return false
  return a.every(({ at, sigma, floating }, index) => {
    const other = b[index]
    if (typeof at === 'number' && typeof other.at === 'number')
      return floating === other.floating && Math.abs(at - other.at) <= CLOSE_SIGMAS * Math.min(sigma, other.sigma)
    return typeof at === 'object' && typeof other.at === 'object' ? at.word === other.at.word : at === other.at
  })
}
