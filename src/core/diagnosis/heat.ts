import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Posterior } from '@/src/core/diagnosis/posterior'
import { secondaryAmps, worldsOf } from '@/src/core/readings/world'
import { KeptPer } from '@/src/core/units/kept'
import { partsOf } from '@/src/core/wiring/system'

/** Stories asked whether a bench would cook a transformer: the likeliest, and no more than so many. */
const ASKED = 6
/** A transformer carries this much more than its plate for the minutes of a check: assumption, near the limit of `transformer-heat.ts`. */
const CARRIES = 2
/** Protection that opens less surely than this does not protect while a check is made. */
const OPENS = 0.9
/** Above this share of the likeliest stories nothing is powered so: assumption. */
const AT_RISK = 0.2
const PLATE_VOLTS = 24

/**
 * Whether a bench with the power on would leave a transformer to carry a short that its protection may not open on, by what is thought
 * now: nothing is powered on a known short through protection that is not known to be there.
 */
export function cooksOn(engine: Engine, posterior: Posterior): (bench: Bench) => boolean {
  const likeliest = likeliestOf.of(posterior)
  const total = likeliest.reduce((sum, index) => sum + posterior.hypotheses[index], 0)
  const { laboratory, system } = engine
  const transformers = partsOf(system, 'transformer')
  return (bench) => {
    if (!bench.power) return false
    let share = 0
    for (const index of likeliest) {
      const story = engine.hypothesesByKind[posterior.kinds[index]][index]
      // What trips for sure does not cook.
      if (worldsOf(laboratory, bench, story).trips >= OPENS) continue
      const amps = secondaryAmps(laboratory, bench, story)
      const isOver = transformers.some(({ id, va }) => (amps.get(id) ?? []).some((one) => one > (CARRIES * va) / PLATE_VOLTS))
      if (isOver) share += posterior.hypotheses[index] / total
      if (share > AT_RISK) return true
    }
    return false
  }
}

const likeliestOf = new KeptPer(({ hypotheses }: Posterior): number[] => {
  const order = Array.from(hypotheses.keys()).sort((a, b) => hypotheses[b] - hypotheses[a])
  return order.slice(0, ASKED)
})
