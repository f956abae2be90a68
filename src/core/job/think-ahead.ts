import type { Engine } from '@/src/core/diagnosis/engine'
import { probesAsked } from '@/src/core/diagnosis/next-check'
import { weigh } from '@/src/core/diagnosis/pairs'
import type { Proposal } from '@/src/core/diagnosis/propose'
import { liveStories } from '@/src/core/diagnosis/stories'
import { tableFrom } from '@/src/core/diagnosis/table'
import { candidatesFrom } from '@/src/core/diagnosis/ways'
import { evidenceOf, formOpinion } from '@/src/core/job/advise'
import { asIfAnswered } from '@/src/core/job/answer-entries'
import type { Entry } from '@/src/core/job/entry'
import { foldJob, type JobState } from '@/src/core/job/fold'

/** Answers that are thought through before they are given. */
const GUESSED = 3

/**
 * What the desk will want next, likeliest first, in short steps to be done in this order while the technician takes the
 * reading: what the proposed reading would show, the suspects after its likely answers, what the stories left standing then
 * foretell of the checks to choose from, and at last the whole prediction table. It all stays with the engine.
 */
export function thinkAhead(engine: Engine, entries: readonly Entry[], { next }: Proposal): (() => void)[] {
  if (!next) return tableFrom(engine, foldJob(engine.system, entries).bench)
  const answered = next.outcomes.slice(0, GUESSED).map(({ answer }) => foldJob(engine.system, asIfAnswered(entries, next, answer)))
  return [
    ...engine.foresee(next.bench, next.probe),
    ...answered.map((state) => () => void formOpinion(engine, state)),
    ...answered.flatMap((state) => questionsAfter(engine, state)),
    ...tableFrom(engine, next.bench),
  ]
}

/** What the stories that will be left standing foretell, a candidate a step. */
function questionsAfter(base: Engine, state: JobState): (() => void)[] {
  return candidatesFrom(base.system, state.bench).map((candidate) => () => {
    const { engine, posterior } = weigh(base, evidenceOf(state))
    const predictionsOf = engine.predictions(candidate.bench, probesAsked(candidate))
    for (const { index, kind } of liveStories(engine, posterior, false)) predictionsOf(index, kind)
  })
}
