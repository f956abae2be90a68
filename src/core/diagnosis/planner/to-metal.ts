import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import { type Check, type CheckOutcome, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { type Probe, probeKey } from '@/src/core/readings/check'
import type { Observation } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'
import { CHASSIS, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside, houseHot } from '@/src/core/wiring/supply'
import { firstPart, partsOf, placeById } from '@/src/core/wiring/system'
import { PLATE_VOLTS } from '@/src/core/wiring/values'

/** A wire of a live call that touches metal where nothing opens on it is looked for when it holds this much. */
const MAY_BE_GROUNDED = modelValue({ value: 0.04, unit: 'chance', source: 'assumption' })

/**
 * Volts from the hot side to the cabinet, where one stands before it with a call on. With the common bonded, a wire of that call that touches
 * metal opens the fuse; without the bond, all runs, and the metal stands at 24 V from common: the second touch anywhere is a dead short.
 * Full volts say that the common is bonded, and that no wire of this call is grounded. Null where that is known, or hardly in doubt.
 */
export function hotToMetal(
  engine: Engine,
  posterior: Posterior,
  { observations }: Evidence,
  bench: Bench,
  { skipped = [] }: Choice,
): Check | null {
  const { system } = engine
  const { place } = firstPart(system, 'transformer')
  const isWhole = bench.lifted.length + bench.jumpers.length + bench.unplugged.length === 0
  if (!bench.power || !isWhole || bench.call === 'off' || bench.place !== place || !placeById(system, place)?.metal) return null
  const hot = terminalPoint(houseHot(system), place)
  const common = commonBeside(system, hot)
  // Where the template bonds nothing, the other side tells it.
  const end = partsOf(system, 'bond').length > 0 ? hot : common
  if (end === null) return null
  const probe: Probe = { meter: 'volts', a: end, b: terminalPoint(CHASSIS, place) }
  if (wasAskedOnCall(observations, skipped, bench, probe) || readsFull(observations, probe)) return null
  const check = weighQuestion(engine, posterior, observations, bench, bench, probe, place)
  return check && chanceOfOtherSide(check.outcomes) > MAY_BE_GROUNDED ? check : null
}

/** Read full on one call, the metal is bonded to common: a wire of another call that touches it opens the fuse there. */
const readsFull = (observations: readonly Observation[], probe: Probe): boolean =>
  observations.some(
    ({ bench, probe: known, answer }) =>
      probeKey(known) === probeKey(probe) && bench.power && typeof answer === 'number' && answer > FULL_SHARE * PLATE_VOLTS,
  )
/** Of the plate: what floats mostly reads less. */
const FULL_SHARE = modelValue({ value: 0.85, unit: 'share', source: 'assumption' })

/** It was read on this call, or cannot be read here. */
export function wasAskedOnCall(observations: readonly Observation[], skipped: readonly Probe[], { call }: Bench, probe: Probe): boolean {
  const key = probeKey(probe)
  return (
    observations.some((one) => one.bench.call === call && probeKey(one.probe) === key) || skipped.some((known) => probeKey(known) === key)
  )
}

/** The chance that the reading lies on the other side of half the plate's volts than the likeliest. */
function chanceOfOtherSide(outcomes: readonly CheckOutcome[]): number {
  const half = PLATE_VOLTS / 2
  const sideOf = ({ answer }: CheckOutcome) =>
    typeof answer !== 'object' || !('low' in answer) ? null : answer.low >= half ? 'full' : answer.high <= half ? 'low' : null
  const likely = sideOf(outcomes[0])
  const other = likely === 'full' ? 'low' : 'full'
  return likely === null ? 0 : outcomes.reduce((sum, outcome) => sum + (sideOf(outcome) === other ? outcome.probability : 0), 0)
}
