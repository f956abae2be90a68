import type { Bench } from '@/src/core/bench/bench'
import { anyTime } from '@/src/core/bench/since'
import type { Engine } from '@/src/core/diagnosis/engine'
import { type Evidence, type Posterior, priorsOf } from '@/src/core/diagnosis/inference/posterior'
import type { RepairVerdict } from '@/src/core/diagnosis/inference/verdict'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { separationsOf } from '@/src/core/diagnosis/planner/separation'
import { type Fault, singlesOf } from '@/src/core/faults/fault'
import { type Probe, probeKey } from '@/src/core/readings/check'
import { questionKey } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'

/** The separating check that a verdict waits for, or null when it was made, or when nothing stands to be read by itself. */
export function separatingCheck(
  engine: Engine,
  evidence: Evidence,
  posterior: Posterior,
  bench: Bench,
  verdict: RepairVerdict,
  { skipped = [] }: Choice,
): Check | null {
  const wide = widened(engine, evidence, posterior)
  const refused = new Set(skipped.map(probeKey))
  for (const separation of blamed(engine, verdict).flatMap((fault) => separationsOf(engine.laboratory, fault))) {
    if (separation.isMade(evidence.observations)) continue
    const checks = separation.ways(bench).flatMap(({ bench: apart, probe, place }) => {
      // What did not say it the first time does not say it at the second.
      const check =
        refused.has(probeKey(probe)) || wasAsked(evidence, apart, probe)
          ? null
          : weighQuestion(engine, wide, evidence.observations, bench, apart, probe, place)
      return check ? [check] : []
    })
    if (checks.length > 0) return checks.reduce((least, check) => (check.minutes < least.minutes ? check : least))
  }
  return null
}

function wasAsked({ observations }: Evidence, apart: Bench, probe: Probe): boolean {
  const key = questionKey(apart, probe)
  return observations.some((known) => questionKey(apart.since ? known.bench : anyTime(known.bench), known.probe) === key)
}

/** The fault that the named repair would mend, the likeliest alone of those that end in one act. */
function blamed({ faults }: Engine, { repair, suspects }: RepairVerdict): Fault[] {
  const ids = suspects.flatMap((suspect) => suspect.split(' + '))
  const mended = faults.flatMap(singlesOf).filter((fault) => fault.repair.id === repair.id && ids.includes(fault.id))
  return mended.sort((a, b) => ids.indexOf(a.id) - ids.indexOf(b.id)).slice(0, 1)
}

/** How much of what was thought before any reading is mixed in where a check is to separate what the readings have left alike. */
const WIDER = modelValue({ value: 0.25, unit: 'share', source: 'assumption' })

/** What is thought under wider assumptions: any one hypothesis may be the one that resembles what is left. */
export function widened(engine: Engine, evidence: Evidence, posterior: Posterior): Posterior {
  const priors = priorsOf(engine, evidence)
  return { ...posterior, hypotheses: posterior.hypotheses.map((share, index) => (1 - WIDER) * share + WIDER * priors[index]) }
}
