import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { isSagged, suppliesOf } from '@/src/core/diagnosis/planner/overload-read'
import { type Probe, probeKey } from '@/src/core/readings/check'
import { modelValue } from '@/src/core/units/model-value'
import { parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { placeById } from '@/src/core/wiring/system'

/**
 * A wire that is called has sagged, and what feeds it is beside it on the strip: R to common comes before anything else that is read with the
 * power on. With full volts there the wire is cut off somewhere; sagged as well, the transformer carries too much. Null where nothing sags.
 */
export function supplyUnderCall(
  engine: Engine,
  posterior: Posterior,
  { observations }: Evidence,
  bench: Bench,
  { skipped = [], way = 'free' }: Choice,
): Check | null {
  const last = observations.at(-1)
  // Who works in a way of their own reads what it says.
  if (way !== 'free') return null
  if (!last || !bench.power || bench.call === 'off' || bench.lifted.length + bench.unplugged.length + bench.jumpers.length > 0) return null
  const { probe, answer } = last
  if (probe.meter !== 'volts' || typeof answer !== 'number' || !isSagged(answer) || last.bench.call !== bench.call || !last.bench.power)
    return null
  const { place } = parsePoint(probe.a)
  const supply = suppliesOf.of(engine.system).find(({ common }) => common(probe.a) || common(probe.b))
  if (!supply || supply.hot(probe.a) || supply.hot(probe.b)) return null
  const ends = (placeById(engine.system, place)?.terminals ?? []).map((name) => terminalPoint(name, place))
  const [hot, common] = [ends.find(supply.hot), [probe.a, probe.b].find(supply.common)]
  if (hot === undefined || common === undefined) return null
  const next: Probe = { meter: 'volts', a: hot, b: common }
  const key = probeKey(next)
  const wasRead = observations
    .slice(-JUST_NOW)
    .some((one) => one.bench.call === bench.call && one.bench.power && probeKey(one.probe) === key)
  if (wasRead || skipped.some((one) => probeKey(one) === key)) return null
  return weighQuestion(engine, posterior, observations, bench, bench, next, place, true, 'all')
}

/** A supply that was read within so many readings was read just now. */
const JUST_NOW = modelValue({ value: 3, unit: 'readings', source: 'assumption' })
