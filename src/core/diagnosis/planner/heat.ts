import { type Bench, benchKey } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Posterior } from '@/src/core/diagnosis/inference/posterior'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { secondaryAmps, worldsOf } from '@/src/core/readings/world'
import { Kept, KeptPer } from '@/src/core/units/kept'
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
  const overOn = overOf.of(engine.laboratory)
  return (bench) => {
    if (!bench.power) return false
    let share = 0
    for (const index of likeliest) {
      const story = engine.hypothesesByKind[posterior.kinds[index]][index]
      if (overOn(bench, story)) share += posterior.hypotheses[index] / total
      if (share > AT_RISK) return true
    }
    return false
  }
}

/** Benches and stories whose answer is kept: the likeliest change slowly, and every check asks for all benches anew. */
const MOST_KEPT = 20_000
const overOf = new KeptPer((laboratory: Laboratory) => {
  const kept = new Kept<string, boolean>(MOST_KEPT)
  const transformers = partsOf(laboratory.system, 'transformer')
  return (bench: Bench, story: Hypothesis): boolean =>
    kept.get(`${story.id} ${story.wiring.length} ${benchKey(bench)}`, () => {
      // What trips for sure does not cook.
      if (worldsOf(laboratory, bench, story).trips >= OPENS) return false
      const amps = secondaryAmps(laboratory, bench, story)
      return transformers.some(({ id, va }) => (amps.get(id) ?? []).some((one) => one > (CARRIES * va) / PLATE_VOLTS))
    })
})

const likeliestOf = new KeptPer(({ hypotheses }: Posterior): number[] => {
  const order = Array.from(hypotheses.keys()).sort((a, b) => hypotheses[b] - hypotheses[a])
  return order.slice(0, ASKED)
})
