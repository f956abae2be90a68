import type { Bench } from '@/src/core/bench/bench'
import { anyTime } from '@/src/core/bench/since'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import type { Suspect } from '@/src/core/diagnosis/inference/suspects'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { probeKey } from '@/src/core/readings/check'
import { isPlainToSee, latestAnswers, type Observation, questionKey } from '@/src/core/readings/observations'
import { furtherFuses } from '@/src/core/wiring/system'

/** What is looked at, or read, a second time, and when. */

/** A sound house explains it worse than chance. */
export function speaksOfTrouble(engine: Engine, observation: Observation): boolean {
  const logs = engine.store.alone(observation)
  return logs[0] <= logs[logs.length - 1]
}

/** A verdict that one reading stands against waits until that reading has been taken again. */
export function askAgain(
  engine: Engine,
  evidence: Evidence,
  posterior: Posterior,
  bench: Bench,
  lead: Suspect,
  choice: Choice,
): Check | null {
  const against = lead.evidence.filter(({ fits }) => !fits).map(({ observation }) => observation)
  return takeAgain(engine, evidence, posterior, bench, against, choice)
}

/** The first of some readings that is worth taking again: taken once, not plain to see, and answered on a bench that can be had again. */
export function takeAgain(
  engine: Engine,
  evidence: Evidence,
  posterior: Posterior,
  bench: Bench,
  doubted: readonly string[],
  { skipped = [] }: Choice,
): Check | null {
  const against = latestAnswers(evidence.observations).find(
    (observation) => doubted.includes(observation.id) && !observation.repeats && !isPlainToSee(observation),
  )
  if (!against || skipped.some((probe) => probeKey(probe) === probeKey(against.probe))) return null
  const again = weighQuestion(engine, posterior, evidence.observations, bench, against.bench, against.probe, against.bench.place)
  if (!again) return null
  // A fuse that was taken out does not come back: with the breaker in its place the question is another one, asked once.
  const key = questionKey(anyTime(again.bench), again.probe)
  const wasAsked = evidence.observations.some((other) => other.id !== against.id && questionKey(anyTime(other.bench), other.probe) === key)
  return wasAsked ? null : sayOnceMore(again)
}

const sayOnceMore = (check: Check): Check => ({ ...check, say: `Once more: ${check.say.charAt(0).toLowerCase()}${check.say.slice(1)}` })

/**
 * The first look that speaks of trouble where nobody told of any is taken a second time, at once: one in fifty is plain wrong, and a
 * search that follows it is long.
 */
export function lookAgain(
  engine: Engine,
  { complaint, observations }: Evidence,
  posterior: Posterior,
  bench: Bench,
  choice: Choice,
): Check | null {
  const last = observations.at(-1)
  // What was plain to see is not looked at twice.
  if (last?.probe.meter !== 'look' || !last.bench.power || complaint.symptoms.length > 0 || isPlainToSee(last)) return null
  // A further fuse that has given way to another one cannot be looked at in its place any more.
  const { at } = last.probe
  if (furtherFuses(engine.system).some(({ id }) => id === at)) return null
  // What was taken back at a second look speaks of nothing.
  const key = keyOfAsking(last)
  const isFirst =
    observations.filter((other) => keyOfAsking(other) === key).length === 1 &&
    speaksOfTrouble(engine, last) &&
    latestAnswers(observations).filter((one) => speaksOfTrouble(engine, one)).length === 1
  if (!isFirst || choice.skipped?.some((probe) => probeKey(probe) === probeKey(last.probe))) return null
  const again = weighQuestion(engine, posterior, observations, bench, anyTime(last.bench), last.probe, last.bench.place, true)
  return again && sayOnceMore(again)
}

const keyOfAsking = ({ bench, probe }: Observation): string => questionKey(anyTime(bench), probe)
