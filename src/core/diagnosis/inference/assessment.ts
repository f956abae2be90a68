import type { Weighed } from '@/src/core/diagnosis/inference/pairs'
import type { Posterior } from '@/src/core/diagnosis/inference/posterior'
import { listSuspects, type Suspect } from '@/src/core/diagnosis/inference/suspects'
import { type Judgement, judge } from '@/src/core/diagnosis/inference/verdict'
import { Memo } from '@/src/core/units/cache'

/** Where a search stands, before a check is looked for. */
export interface Assessment extends Judgement {
  /** Likeliest first; only the leading one has its evidence with it. */
  readonly suspects: readonly Suspect[]
  /** What the next check is planned on: the readings, without the one that a verdict hangs on. */
  readonly planned: Posterior
}

/** Where the search stands after what was weighed; the same for the same readings. */
export const assess = (weighed: Weighed): Assessment => kept.of(weighed)

const kept = new Memo(({ engine, evidence, posterior }: Weighed): Assessment => {
  const suspects = listSuspects(engine, evidence, posterior, 1)
  const judgement = judge(engine, evidence, suspects)
  return { suspects, ...judgement, planned: judgement.inDoubt ?? posterior }
})
