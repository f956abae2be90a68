import type { Candidate } from '@/src/core/diagnosis/candidates'
import type { Engine } from '@/src/core/diagnosis/engine'
import { weigh } from '@/src/core/diagnosis/pairs'
import type { Posterior } from '@/src/core/diagnosis/posterior'
import type { Proposal } from '@/src/core/diagnosis/propose'
import { probesAsked } from '@/src/core/diagnosis/question'
import { routesFrom } from '@/src/core/diagnosis/route'
import { standingOf } from '@/src/core/diagnosis/standing'
import { sharesOfKinds } from '@/src/core/diagnosis/stories'
import { tableFrom } from '@/src/core/diagnosis/table'
import { candidatesFrom } from '@/src/core/diagnosis/ways'
import { evidenceOf, formOpinion } from '@/src/core/job/advise'
import { asIfAnswered } from '@/src/core/job/answer-entries'
import type { Entry } from '@/src/core/job/entry'
import { foldJob, type JobState } from '@/src/core/job/fold'
import { KeptPer } from '@/src/core/units/kept'

/** Answers that are thought through before they are given: no more than so many, and none less likely than this. */
const GUESSED = 6
const LEAST_GUESSED = 0.02

/**
 * What the desk will want next, likeliest first, in short steps to be done in this order while the technician takes the
 * reading: what the proposed reading would show, the suspects after its likely answers, what the stories left standing then
 * foretell of the checks to choose from, and at last the whole prediction table. It all stays with the engine.
 */
export function thinkAhead(engine: Engine, entries: readonly Entry[], { next }: Proposal): (() => void)[] {
  if (!next) return tableFrom(engine, foldJob(engine.system, entries).bench)
  const answered = next.outcomes
    .slice(0, GUESSED)
    .filter(({ probability }) => probability >= LEAST_GUESSED)
    .map(({ answer }) => foldJob(engine.system, asIfAnswered(entries, next, answer)))
  return [
    ...engine.foresee(next.bench, next.probe),
    ...answered.map((state) => () => void formOpinion(engine, state)),
    ...answered.flatMap((state) => questionsAfter(engine, state)),
    ...tableFrom(engine, next.bench),
  ]
}

/**
 * The way to each candidate's bench, and what the stories that will be left standing foretell there, a candidate a step: each
 * in the wiring in which it explains the readings, and then in the others that may come to the fore with the answer.
 */
function questionsAfter(base: Engine, state: JobState): (() => void)[] {
  const routeTo = routesFrom(base.system, state.bench, base.cost)
  const candidates = candidatesFrom(base.system, state.bench)
  return [
    ...candidates.map((candidate) => () => {
      for (const { place } of candidate.probes) routeTo(candidate.bench, place)
      foretell(base, state, candidate, ({ kind }) => [kind])
    }),
    ...candidates.map((candidate) => () => foretell(base, state, candidate, (_, kinds) => kinds)),
  ]
}

function foretell(base: Engine, state: JobState, candidate: Candidate, kindsOf: (story: Left, kinds: number[]) => number[]): void {
  const weighed = weigh(base, evidenceOf(state))
  const { engine, posterior } = weighed
  const predictionsOf = engine.predictions(candidate.bench, probesAsked(candidate))
  for (const weights of new Set([posterior, standingOf(weighed).planned])) {
    const { stories, kinds } = leftOf.of(engine).of(weights)
    for (const story of stories) for (const kind of kindsOf(story, kinds)) predictionsOf(story.index, kind)
  }
}

/** A little more than is weighed: an answer is sharper than the guess of it, and lifts some of what lies just below. */
const STANDING_MASS = 0.996
const STANDING_MOST = 240
/** Wiring that holds less than this does not come to the fore with one answer: assumption. */
const KIND_HOLDS = 0.01

/** A story left standing, and the kind of wiring in which it explains the readings. */
interface Left {
  readonly index: number
  readonly kind: number
}

/** The stories left standing, and the kinds of wiring they stand in; those that stand still are weighed among themselves first. */
const leftOf = new KeptPer(
  (engine: Engine) =>
    new KeptPer((posterior: Posterior): { stories: Left[]; kinds: number[] } => {
      const { hypotheses, kinds } = posterior
      const order = Array.from(hypotheses.keys()).sort((a, b) => hypotheses[b] - hypotheses[a])
      const steady = order.filter((index) => !engine.hypotheses[index].intermittent)
      const stories = [...new Set([...leading(order, hypotheses), ...leading(steady, hypotheses)])]
      const [likeliest, ...others] = sharesOfKinds.of(posterior)
      return {
        stories: stories.map((index) => ({ index, kind: kinds[index] })),
        kinds: [likeliest, ...others.filter(({ share }) => share > KIND_HOLDS)].map(({ kind }) => kind),
      }
    }),
)

function leading(order: readonly number[], weights: ArrayLike<number>): number[] {
  const total = order.reduce((sum, index) => sum + weights[index], 0)
  let mass = 0
  const last = order.findIndex((index, place) => {
    mass += weights[index]
    return mass > STANDING_MASS * total || place + 1 >= STANDING_MOST
  })
  return order.slice(0, last + 1)
}
