import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import type { Suspect } from '@/src/core/diagnosis/inference/suspects'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { separationsOf } from '@/src/core/diagnosis/planner/separation'
import { singlesOf } from '@/src/core/faults/fault'
import { probeKey } from '@/src/core/readings/check'
import { modelValue } from '@/src/core/units/model-value'

/** A suspect is worth being read by itself once it holds this much. */
const WORTH_APART = modelValue({ value: 0.15, unit: 'probability', source: 'assumption' })
/** Such a reading tells at least this share of what the best one tells per minute. */
const NEARLY_AS_GOOD = modelValue({ value: 0.8, unit: 'share', source: 'assumption' })

/**
 * Of checks that tell about as much, the one that reads a leading suspect by itself: a verdict waits for that in any case, and what was
 * read against C has to be read against the metal again.
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
  const rate = ({ gainBits, minutes }: Check) => gainBits / (minutes + engine.cost.attention)
  const leading = suspects.filter(({ probability }) => probability >= WORTH_APART).map(({ id }) => id)
  const blamed = engine.faults.filter(({ id }) => leading.includes(id)).flatMap(singlesOf)
  let best: Check | null = null
  for (const separation of blamed.flatMap((fault) => separationsOf(engine.laboratory, fault))) {
    if (separation.isMade(observations)) continue
    for (const { bench: apart, probe, place } of separation.ways(bench)) {
      if (place !== next.place || refused.has(probeKey(probe))) continue
      const check = weighQuestion(engine, posterior, observations, bench, apart, probe, place)
      if (check && rate(check) >= NEARLY_AS_GOOD * rate(next) && (best === null || rate(check) > rate(best))) best = check
    }
  }
  return best ?? next
}
