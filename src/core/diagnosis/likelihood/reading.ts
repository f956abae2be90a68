import { benchKey } from '@/src/core/bench/bench'
import type { Reading } from '@/src/core/diagnosis/likelihood/chain'
import { type Answer, openedBy } from '@/src/core/readings/check'
import { likelihoodOfAnything } from '@/src/core/readings/likelihood'
import { parseLook } from '@/src/core/readings/look-target'
import { isPlainToSee, type Observation, wrongShare } from '@/src/core/readings/observations'
import { scaleOf, wordsFor } from '@/src/core/readings/predict'
import type { Scale } from '@/src/core/readings/prediction'
import { modelValue } from '@/src/core/units/model-value'
import type { System } from '@/src/core/wiring/system'

/** An answer with what it is weighed by. */
export function readingOf(system: System, observation: Observation): Reading {
  const scale = scaleOf(system, observation.probe)
  const words = wordsFor(system, observation.probe).length
  const answer = asMeant(observation.answer, scale)
  const unlike = scale === 'line-volts' ? SHOWS_ON_THE_LINE * likelihoodOfAnything(answer, scale, words) : unlikeAnything(observation)
  return {
    answer,
    scale,
    words,
    wrong: wrongShare(observation),
    bench: benchKey(observation.bench),
    ...(unlike !== null && { unlike }),
  }
}

/** A round 24 volts names the circuit: it is live, whatever its transformer gives. */
const asMeant = (answer: Answer, scale: Scale): Answer => (answer === NAMED_VOLTS && scale === 'volts' ? LIVE_24 : answer)
/** What the circuit is called. */
const NAMED_VOLTS = modelValue({ value: 24, unit: 'V', source: 'the name of the control circuit in the trade' })
/** What is meant by it. */
const LIVE_24 = modelValue({
  value: { low: 20, high: 28.5 } as const,
  unit: 'V',
  source: 'assumption: what a sound 24 V circuit reads, loaded and not',
})

/** Something of no catalogue is seldom on the line: what is there is a handful of parts, and each is in the catalogue. */
const SHOWS_ON_THE_LINE = modelValue({ value: 0.1, unit: 'share', source: 'assumption' })
/** Something of no catalogue trips the protection on a call. */
const TRIPS_UNKNOWN = modelValue({ value: 0.15, unit: 'chance', source: 'assumption' })
/** Something of no catalogue holds on a call, where another call tripped before. */
const HOLDS_UNKNOWN = modelValue({ value: 0.4, unit: 'chance', source: 'assumption' })
/** Something of no catalogue shows as a plain finding, such as a wire that is off. */
const FINDS_UNKNOWN = modelValue({ value: 0.005, unit: 'chance', source: 'assumption' })

/** Something of no catalogue comes together with one certain wire that is landed wrong or off. */
const FINDS_SECOND = modelValue({
  value: 4e-5,
  unit: 'chance',
  source: 'assumption: two faults in 4 of 100 visits, and a certain wire on a certain screw one in a thousand of them',
})

/** How likely something of no catalogue would be to answer so, where that is not like anything at all: what is plain to see has its own causes. */
function unlikeAnything(observation: Observation): number | null {
  const { probe, answer } = observation
  if (probe.meter === 'trip') return openedBy(answer) === null ? HOLDS_UNKNOWN : TRIPS_UNKNOWN
  if (!isPlainToSee(observation)) return null
  // A wire on the wrong screw, or off it, is a fault of the catalogue: seen beside something unknown, it is a second one.
  return probe.meter === 'look' && parseLook(probe.at).what === 'landings' ? FINDS_SECOND : FINDS_UNKNOWN
}

/** log of how likely an answer is when nothing at all is known. */
export function logOfAnything(system: System, observation: Observation): number {
  const { answer, scale, words, unlike } = readingOf(system, observation)
  return Math.log(Math.max(unlike ?? likelihoodOfAnything(answer, scale, words), 1e-9))
}
