import { type Bench, benchKey } from '@/src/core/bench/bench'
import { anyTime } from '@/src/core/bench/since'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import type { Suspect } from '@/src/core/diagnosis/inference/suspects'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { widened } from '@/src/core/diagnosis/planner/separate'
import { probeKey } from '@/src/core/readings/check'
import { isPlainToSee, latestAnswers, type Observation, questionKey } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'
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

/**
 * The first of some readings that is worth taking again: taken once, not plain to see, and answered on a bench that can be had again. A
 * look that was taken twice at once misled the same eyes twice, perhaps: it is worth a third once other things were asked.
 */
export function takeAgain(
  engine: Engine,
  evidence: Evidence,
  posterior: Posterior,
  bench: Bench,
  doubted: readonly string[],
  { skipped = [] }: Choice,
): Check | null {
  const { observations } = evidence
  const isLater = ({ id }: Observation) => observations.findIndex((other) => other.id === id) < observations.length - 1
  const mayBeTaken = (one: Observation) => !one.repeats || (one.repeats === 1 && one.probe.meter === 'look' && isLater(one))
  const against = latestAnswers(observations).find((one) => doubted.includes(one.id) && mayBeTaken(one) && !isPlainToSee(one))
  if (!against || skipped.some((probe) => probeKey(probe) === probeKey(against.probe))) return null
  const readAgain = (among: 'doubts' | 'all') =>
    weighQuestion(engine, posterior, observations, bench, anyTime(against.bench), against.probe, against.bench.place, false, among)
  const again = readAgain('doubts') ?? readAgain('all')
  if (!again) return null
  // A fuse that was taken out does not come back: with the breaker in its place the question is another one, asked once.
  const key = questionKey(anyTime(again.bench), again.probe)
  const alike = observations.filter((other) => other.id !== against.id && questionKey(anyTime(other.bench), other.probe) === key)
  return alike.length > (against.repeats ?? 0) ? null : sayOnceMore(again)
}

const sayOnceMore = (check: Check): Check => ({ ...check, say: `Once more: ${check.say.charAt(0).toLowerCase()}${check.say.slice(1)}` })

/**
 * The first look that speaks of trouble where nobody told of any is taken a second time, at once: one in fifty is plain wrong, and a
 * search that follows it is long. Where it disagrees with the one before it, one of the two was wrong and nobody knows which: it goes on
 * until two in a row agree.
 */
export function lookAgain(engine: Engine, evidence: Evidence, posterior: Posterior, bench: Bench, choice: Choice): Check | null {
  const { complaint, observations } = evidence
  const last = observations.at(-1)
  // What was plain to see is not looked at twice.
  if (last?.probe.meter !== 'look' || !last.bench.power || complaint.symptoms.length > 0 || isPlainToSee(last)) return null
  // A further fuse that has given way to another one cannot be looked at in its place any more.
  const { at } = last.probe
  if (furtherFuses(engine.system).some(({ id }) => id === at)) return null
  const key = keyOfAsking(last)
  const looks = observations.filter((other) => keyOfAsking(other) === key)
  const isFirst =
    looks.length === 1 &&
    speaksOfTrouble(engine, last) &&
    latestAnswers(observations).filter((one) => speaksOfTrouble(engine, one)).length === 1
  const before = looks.at(-2)
  const isTied = before !== undefined && looks.length < MOST_LOOKS && speaksOfTrouble(engine, before) !== speaksOfTrouble(engine, last)
  if (!(isFirst || isTied) || choice.skipped?.some((probe) => probeKey(probe) === probeKey(last.probe))) return null
  // What the second look has all but ruled out is asked for all the same.
  const among = isTied ? widened(engine, evidence, posterior) : posterior
  const again = weighQuestion(engine, among, observations, bench, anyTime(last.bench), last.probe, last.bench.place, true)
  return again && sayOnceMore(again)
}

/** What alternates for longer is no wrong look: it comes and goes. */
const MOST_LOOKS = modelValue({ value: 5, unit: 'looks', source: 'assumption' })

/** Looks that speak of trouble, and that no later one told otherwise: what was seen in the first moments of a call may run a minute later. */
export function seenAmiss(engine: Engine, observations: readonly Observation[]): Observation[] {
  const last = new Map(observations.map((one) => [keyOfAsking(one), one.id]))
  return latestAnswers(observations).filter(
    (one) => one.probe.meter === 'look' && last.get(keyOfAsking(one)) === one.id && speaksOfTrouble(engine, one),
  )
}

const keyOfAsking = ({ bench, probe }: Observation): string => questionKey(anyTime(bench), probe)

/** With less than this on intermittent faults, volts read a minute ago still hold. */
const MAY_HAVE_CHANGED = modelValue({ value: 0.05, unit: 'probability', source: 'assumption' })
/** A reading is repeated while the fault shows only for at least this much information. */
const WORTH_TAKING_NOW = modelValue({ value: 0.08, unit: 'bit', source: 'assumption' })

/**
 * Something that is called was just seen not to run, and volts on its circuit were read here earlier: an intermittent switch may have been
 * closed then and be open now. The volts are read again while the fault shows, before anything is switched off.
 */
export function whileItShows(
  engine: Engine,
  { observations }: Evidence,
  posterior: Posterior,
  bench: Bench,
  { skipped = [] }: Choice,
): Check | null {
  const last = observations.at(-1)
  if (last?.probe.meter !== 'look' || !last.bench.power || last.bench.call === 'off' || !speaksOfTrouble(engine, last)) return null
  const standing = benchKey(anyTime(bench))
  const isAsItWas = (other: Bench) => other.place === bench.place && benchKey(anyTime(other)) === standing
  const hides = posterior.hypotheses.reduce((sum, share, index) => sum + (engine.hypotheses[index].intermittent ? share : 0), 0)
  if (!isAsItWas(last.bench) || hides < MAY_HAVE_CHANGED) return null
  const refused = new Set(skipped.map(probeKey))
  const now = last.bench.since ? { ...bench, since: last.bench.since } : bench
  const [most] = latestAnswers(observations)
    .filter(({ bench: then, probe }) => probe.meter === 'volts' && isAsItWas(then) && !refused.has(probeKey(probe)))
    .flatMap(({ probe }) => weighQuestion(engine, posterior, observations, bench, now, probe, bench.place, true) ?? [])
    .sort((a, b) => b.gainBits - a.gainBits)
  return most && most.gainBits >= WORTH_TAKING_NOW ? sayOnceMore(most) : null
}
