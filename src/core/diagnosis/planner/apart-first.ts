import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import type { Suspect } from '@/src/core/diagnosis/inference/suspects'
import type { Separation } from '@/src/core/diagnosis/planner/apart'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { separationsOf } from '@/src/core/diagnosis/planner/separation'
import { singlesOf } from '@/src/core/faults/fault'
import { probeKey } from '@/src/core/readings/check'
import { landingsAt } from '@/src/core/readings/look-target'
import { modelValue } from '@/src/core/units/model-value'
import { type Point, parsePoint } from '@/src/core/wiring/point'

/** A suspect is worth being read by itself once it holds this much. */
const WORTH_APART = modelValue({ value: 0.15, unit: 'probability', source: 'assumption' })
/** Such a reading tells at least this share of what the best one tells per minute. */
const NEARLY_AS_GOOD = modelValue({ value: 0.8, unit: 'share', source: 'assumption' })

/**
 * Of checks that tell about as much, the one that reads a leading suspect by itself: a verdict waits for that in any case, so that the
 * minutes of what is unplugged for it are spent for the asking only where the suspect is not the one. Wires that come off their screws take
 * with them what was to be seen there: where that was looked at, lifting them on the way saves coming back for it. What was read against C
 * has to be read against the metal again.
 */
export function apartFirst(
  engine: Engine,
  { observations }: Evidence,
  posterior: Posterior,
  suspects: readonly Suspect[],
  bench: Bench,
  next: Check,
  { skipped = [] }: Choice,
): Check {
  const refused = new Set(skipped.map(probeKey))
  const singles = new Map(engine.faults.flatMap(singlesOf).map((fault) => [fault.id, fault]))
  const price = ({ minutes }: Check) => minutes + engine.cost.attention
  const wasSeen = seenLandings(observations)
  const weigh = (from: Bench, separation: Separation) =>
    separation.ways(from).flatMap(({ bench: apart, probe, place }) => {
      if (place !== next.place || refused.has(probeKey(probe))) return []
      const check = weighQuestion(engine, posterior, observations, from, apart, probe, place)
      return check ? [{ apart, check }] : []
    })
  let best: { check: Check; rate: number } | null = null
  for (const { id, probability } of suspects.filter((suspect) => suspect.probability >= WORTH_APART)) {
    const ids = id.split(' + ')
    // One fault is half of many pairs.
    const faults = ids.flatMap((one) => singles.get(one) ?? [])
    for (const separation of faults.flatMap((fault) => separationsOf(engine.laboratory, fault))) {
      if (separation.isMade(observations)) continue
      for (const { apart, check } of weigh(bench, separation)) {
        const comesOff = apart.lifted.filter((end) => !bench.lifted.includes(end))
        const later = comesOff.every(wasSeen) ? weigh(next.bench, separation).map((other) => price(other.check)) : []
        const saved = comesOff.length === 0 ? price(check) : later.length > 0 ? Math.min(price(check), ...later) : 0
        const rate = check.gainBits / (price(check) - probability * saved)
        if (rate >= NEARLY_AS_GOOD * (next.gainBits / price(next)) && (best === null || rate > best.rate)) best = { check, rate }
      }
    }
  }
  return best?.check ?? next
}

/** Whether the strip was looked at on which a conductor's end lands. */
function seenLandings(observations: Evidence['observations']): (end: Point) => boolean {
  const seen = new Set(observations.flatMap(({ probe }) => (probe.meter === 'look' ? [probe.at] : [])))
  return (end) => seen.has(landingsAt(parsePoint(end).place))
}
