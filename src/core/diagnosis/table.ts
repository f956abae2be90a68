import type { Bench } from '@/src/core/bench/bench'
import { wiredNow } from '@/src/core/bench/swaps'
import { listCandidates } from '@/src/core/diagnosis/candidates'
import type { Engine } from '@/src/core/diagnosis/engine'
import { probesAsked } from '@/src/core/diagnosis/next-check'

/**
 * The whole prediction table of a system as it stands: what every story foretells of every reading on every bench worth
 * reaching. One piece of work for each bench; what is worked out stays with the engine, which looks it up from then on.
 */
export function tableFrom(engine: Engine, bench: Bench): (() => void)[] {
  return listCandidates(wiredNow(engine.system, bench.swaps), bench).map((candidate) => () => {
    const predictionsOf = engine.predictions(candidate.bench, probesAsked(candidate))
    for (let story = 0; story < engine.hypotheses.length; story++) predictionsOf(story, 0)
  })
}
