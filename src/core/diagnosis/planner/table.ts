import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import { probesAsked } from '@/src/core/diagnosis/planner/question'
import { candidatesFrom } from '@/src/core/diagnosis/planner/ways'
import { workLimit } from '@/src/core/units/work-limit'

/** Hypotheses to a piece: some ten milliseconds of work, which is the longest that an answer may have to wait behind it. */
export const STORIES_TO_A_PIECE = workLimit(20)

/**
 * The whole prediction table of a system as it stands: what every hypothesis foretells of every reading on every bench worth
 * reaching. In small pieces of work, bench by bench; what is worked out stays with the engine, which looks it up from then on.
 */
export function tableFrom(engine: Engine, bench: Bench): (() => void)[] {
  return candidatesFrom(engine.system, bench).flatMap((candidate) =>
    range(0, engine.hypotheses.length, STORIES_TO_A_PIECE).map((first) => () => {
      const predictionsOf = engine.store.predictions(candidate.bench, probesAsked(candidate))
      for (const hypothesis of range(first, Math.min(first + STORIES_TO_A_PIECE, engine.hypotheses.length))) predictionsOf(hypothesis, 0)
    }),
  )
}

const range = (from: number, to: number, step = 1): number[] =>
  Array.from({ length: Math.ceil((to - from) / step) }, (_, index) => from + index * step)
