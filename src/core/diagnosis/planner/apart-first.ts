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
 * Of checks that tell about as much, the one that reads a leading suspect by itself: a verdict waits for that in any case, so that the
 * minutes of what is unplugged for it are spent for the asking only where the suspect is not the one; wires that come off their screws take
 * with them what was to be seen there. What was read against C has to be read against the metal again.
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
  const rate = ({ gainBits, minutes }: Check, spent = 1) => gainBits / (spent * (minutes + engine.cost.attention))
  let best: { check: Check; rate: number } | null = null
  for (const { id, probability } of suspects.filter((suspect) => suspect.probability >= WORTH_APART)) {
    const faults = engine.faults.filter((fault) => fault.id === id).flatMap(singlesOf)
    for (const separation of faults.flatMap((fault) => separationsOf(engine.laboratory, fault))) {
      if (separation.isMade(observations)) continue
      for (const { bench: apart, probe, place } of separation.ways(bench)) {
        if (place !== next.place || refused.has(probeKey(probe))) continue
        const check = weighQuestion(engine, posterior, observations, bench, apart, probe, place)
        const staysOn = apart.lifted.every((end) => bench.lifted.includes(end))
        const worth = check ? rate(check, staysOn ? 1 - probability : 1) : 0
        if (check && worth >= NEARLY_AS_GOOD * rate(next) && (best === null || worth > best.rate)) best = { check, rate: worth }
      }
    }
  }
  return best?.check ?? next
}
