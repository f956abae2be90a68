import { benchKey } from '@/src/core/bench/bench'
import type { Reading } from '@/src/core/diagnosis/likelihood/chain'
import { openedBy } from '@/src/core/readings/check'
import { likelihoodOfAnything } from '@/src/core/readings/likelihood'
import { isPlainToSee, type Observation, wrongShare } from '@/src/core/readings/observations'
import { scaleOf, wordsFor } from '@/src/core/readings/predict'
import { modelValue } from '@/src/core/units/model-value'
import type { System } from '@/src/core/wiring/system'

/** An answer with what it is weighed by. */
export function readingOf(system: System, observation: Observation): Reading {
  const unlike = unlikeAnything(observation)
  return {
    answer: observation.answer,
    scale: scaleOf(system, observation.probe),
    words: wordsFor(system, observation.probe).length,
    wrong: wrongShare(observation),
    bench: benchKey(observation.bench),
    ...(unlike !== null && { unlike }),
  }
}

/** Something of no catalogue trips the protection on a call. */
const TRIPS_UNKNOWN = modelValue({ value: 0.15, unit: 'chance', source: 'assumption' })
/** Something of no catalogue holds on a call, where another call tripped before. */
const HOLDS_UNKNOWN = modelValue({ value: 0.4, unit: 'chance', source: 'assumption' })
/** Something of no catalogue shows as a plain finding, such as a wire that is off. */
const FINDS_UNKNOWN = modelValue({ value: 0.005, unit: 'chance', source: 'assumption' })

/** How likely something of no catalogue would be to answer so, where that is not like anything at all: what is plain to see has its own causes. */
function unlikeAnything({ probe, answer }: Observation): number | null {
  if (probe.meter === 'trip') return openedBy(answer) === null ? HOLDS_UNKNOWN : TRIPS_UNKNOWN
  return isPlainToSee(probe, answer) ? FINDS_UNKNOWN : null
}

/** log of how likely an answer is when nothing at all is known. */
export function logOfAnything(system: System, observation: Observation): number {
  const { answer, scale, words, unlike } = readingOf(system, observation)
  return Math.log(Math.max(unlike ?? likelihoodOfAnything(answer, scale, words), 1e-9))
}
