import { evidenceOf, formOpinion, proposeCheck } from '@/src/core/advice/advise'
import { asIfAnswered } from '@/src/core/advice/answer-entries'
import { type Bench, benchKey } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import { assess } from '@/src/core/diagnosis/inference/assessment'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import type { Posterior } from '@/src/core/diagnosis/inference/posterior'
import type { Check } from '@/src/core/diagnosis/planner/next-check'
import type { Proposal } from '@/src/core/diagnosis/planner/propose'
import { probesAsked } from '@/src/core/diagnosis/planner/question'
import { routesFrom } from '@/src/core/diagnosis/planner/route'
import { candidatesFrom } from '@/src/core/diagnosis/planner/ways'
import type { Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { JobState } from '@/src/core/job/job-state'
import { latestAnswers } from '@/src/core/readings/observations'
import { Memo } from '@/src/core/units/cache'
import { workLimit } from '@/src/core/units/work-limit'

/** Answers that are thought through before they are given: no more than so many, and none less likely than this. */
const GUESSED = workLimit(6)
const LEAST_GUESSED = workLimit(0.02)

/**
 * What the desk will want next, likeliest first, in steps that may be broken off anywhere while the technician takes the reading: what the
 * proposed reading would show, the suspects after its likely answers, and what the hypotheses left standing then predict for the checks to
 * choose from. It all stays with the engine.
 */
export function thinkAhead(engine: Engine, entries: readonly Entry[], { next }: Proposal): (() => void)[] {
  if (!next) return []
  const answered = next.outcomes
    .slice(0, GUESSED)
    .filter(({ probability }) => probability >= LEAST_GUESSED)
    .map(({ answer }) => foldJob(engine.system, asIfAnswered(entries, next, answer)))
  const before = latestAnswers(foldJob(engine.system, entries).observationsSinceRepair)
  return [
    ...benchesMet(engine, entries, next).flatMap((bench) => engine.store.predictAhead(bench, next.probe, before)),
    ...answered.map((state) => () => void formOpinion(engine, state)),
    ...answered.flatMap((state) => questionsAfter(engine, state)),
    // With what it asks looked up, the check after each answer is quick to find: what may be powered, which call is next.
    ...answered.map((state) => () => void proposeCheck(engine, state)),
  ]
}

/** Minutes between the last act and the reading: at once, or with a look at something else in between. */
const READ_AFTER_MIN: readonly number[] = [0, 1, 3]

/** The bench as the planner has it, and as it will have stood by the time that it is read. */
function benchesMet({ system }: Engine, entries: readonly Entry[], check: Check): Bench[] {
  const [answer] = check.outcomes
  if (!answer) return [check.bench]
  const met = READ_AFTER_MIN.flatMap((minutes) => {
    const { observations } = foldJob(system, asIfAnswered(entries, check, answer.answer, minutes))
    return observations.at(-1)?.bench ?? []
  })
  return [...new Map([check.bench, ...met].map((bench) => [benchKey(bench), bench])).values()]
}

/**
 * The way to each candidate's bench, and what the hypotheses that will be left standing predict there, each in the wiring in which it
 * explains the readings.
 */
function questionsAfter(base: Engine, state: JobState): (() => void)[] {
  const { system, cost } = base
  const candidates = candidatesFrom(system, state.bench)
  const pieces = candidates.flatMap((candidate) => {
    const size = candidate.bench.power ? LIVE_TO_A_PIECE : DEAD_TO_A_PIECE
    return Array.from({ length: Math.ceil(MOST_LEFT / size) }, (_, piece) => () => {
      const { engine, hypotheses } = leftAfter.of(base).of(state)
      const predictionsOf = engine.store.predictions(candidate.bench, probesAsked(candidate))
      for (const { index, kind } of hypotheses.slice(piece * size, (piece + 1) * size)) predictionsOf(index, kind)
    })
  })
  const routes = candidates.map(({ bench, probes }) => () => {
    for (const { place } of probes) routesFrom(system, state.bench, cost)(bench, place)
  })
  return [() => void leftAfter.of(base).of(state), ...routes, ...pieces]
}

/** Hypotheses to a piece of work: some ten milliseconds, which is the longest that an answer may have to wait behind it. */
const LIVE_TO_A_PIECE = workLimit(60)
const DEAD_TO_A_PIECE = workLimit(480)

/** A little more than is weighed: an answer is sharper than the guess of it, and lifts some of what lies just below. */
const STANDING_MASS = workLimit(0.996)
const STANDING_MOST = workLimit(240)
/** More than these are not prepared for. */
const MOST_LEFT = 2 * STANDING_MOST

/** A hypothesis left standing, and a kind of wiring that it is weighed in. */
interface Left {
  readonly index: number
  readonly kind: number
}

/** The hypotheses left standing after an answer, in the wiring in which they explain it. */
const leftAfter = new Memo(
  (base: Engine) =>
    new Memo((state: JobState): { engine: Engine; hypotheses: Left[] } => {
      const weighed = weigh(base, evidenceOf(state))
      const standing = new Set([weighed.posterior, assess(weighed).planned])
      return { engine: weighed.engine, hypotheses: [...standing].flatMap((one) => standingIn(weighed.engine, one)).slice(0, MOST_LEFT) }
    }),
)

/** The hypotheses left standing; those that stand still are weighed among themselves first. */
function standingIn(engine: Engine, { hypotheses: shares, kinds }: Posterior): Left[] {
  const order = Array.from(shares.keys()).sort((a, b) => shares[b] - shares[a])
  const steady = order.filter((index) => !engine.hypotheses[index].intermittent)
  return [...new Set([...leading(order, shares), ...leading(steady, shares)])].map((index) => ({ index, kind: kinds[index] }))
}

function leading(order: readonly number[], weights: ArrayLike<number>): number[] {
  const total = order.reduce((sum, index) => sum + weights[index], 0)
  let mass = 0
  const last = order.findIndex((index, place) => {
    mass += weights[index]
    return mass > STANDING_MASS * total || place + 1 >= STANDING_MOST
  })
  return order.slice(0, last + 1)
}
