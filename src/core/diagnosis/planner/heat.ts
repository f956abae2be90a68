import { type Bench, benchKey, isSameJumper } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import { inDegree } from '@/src/core/diagnosis/hypotheses/houses'
import type { Posterior } from '@/src/core/diagnosis/inference/posterior'
import { measuredOverloads, overloadedBenches } from '@/src/core/diagnosis/planner/overload-read'
import { wordOf } from '@/src/core/readings/check'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import type { Observation } from '@/src/core/readings/observations'
import { overloadOn } from '@/src/core/readings/overload'
import { LruCache, Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'
import { callerOf, type System } from '@/src/core/wiring/system'

/** Hypotheses asked whether a bench would cook a transformer: the likeliest, and no more than so many. */
const ASKED = workLimit(6)
/** Above this nothing is powered so. */
const AT_RISK = modelValue({ value: 0.2, unit: 'share', source: 'assumption' })
/** A burned-out transformer, found, fetched and fitted. */
export const BURNT_MINUTES = modelValue({ value: 90, unit: 'minutes', source: 'assumption' })
/** Hypotheses of less than this are not asked what a call would do. */
const ASKED_ABOVE = modelValue({ value: 3e-4, unit: 'probability', source: 'assumption' })

/**
 * Whether a bench with the power on would leave a transformer to carry a short that its protection may not open on, by what is thought
 * now: nothing is powered on a known short through protection that is not known to be there. The likeliest are asked, and of their own share
 * so much is held to be a risk; `of-all` holds it to be one only as a share of all that may be wrong: for the call that the customer made
 * for days before anybody came.
 */
export function cooksOn(
  engine: Engine,
  posterior: Posterior,
  asked: readonly Observation[],
  of: 'of-the-likeliest' | 'of-all' = 'of-the-likeliest',
): (bench: Bench) => boolean {
  const overloaded = overloadedBenches(engine.system, asked)
  const measured = measuredOverloads(engine.system, asked)
  const likeliest = likeliestOf.of(posterior)
  const total = of === 'of-all' ? 1 : likeliest.reduce((sum, index) => sum + posterior.hypotheses[index], 0)
  const overOn = overOf.of(engine.laboratory)
  return (bench) => {
    if (!bench.power) return false
    if (overloaded.some((seen) => hasAsMuchOn(bench, seen)) || measured.some((seen) => hasOneOff(bench, seen))) return true
    let share = 0
    for (const index of likeliest) {
      if (overOn(bench, likeliestHouse(engine, posterior, index)).atTimes) share += posterior.hypotheses[index] / total
      if (share > AT_RISK) return true
    }
    return false
  }
}

/** Minutes that a call is on for one check, with its walk. */
const CHECK_MINUTES = modelValue({ value: 1.5, unit: 'minutes', source: 'assumption' })

/**
 * What a bench may cost a transformer whose protection does not see the short, in minutes: the share of the hypotheses that would leave it
 * to carry too much there, as far as one check and those that were made on such a bench heat it (`for-a-check`), or by the end of the visit
 * (`left-on`). With something off it is a way around the short as often as not: no price.
 */
export function heatPrice(
  engine: Engine,
  posterior: Posterior,
  asked: readonly Observation[],
  until: 'for-a-check' | 'left-on' = 'for-a-check',
): (bench: Bench) => number {
  const rests = asked.filter((observation) => showsRest(engine.system, observation)).map(({ bench }) => bench)
  const measured = measuredOverloads(engine.system, asked)
  const overOn = overOf.of(engine.laboratory)
  const couldBurn = Array.from(posterior.hypotheses.keys()).filter(
    (index) => posterior.hypotheses[index] > ASKED_ABOVE && mayOverload(engine, index),
  )
  return (bench) => {
    if (!bench.power) return 0
    // What was read to carry too much on a call carries it on as often as not, whatever was taken off meanwhile: ohms tell it without.
    if (!bench.slot.open && measured.some(({ call }) => call === 'off' || call === bench.call)) return BURNT_MINUTES * CARRIED_ON
    if (bench.lifted.length + bench.unplugged.length > 0) return 0
    // A thermostat that was seen steady on such a bench does not chatter there.
    const isAtRest = rests.some((seen) => hasAsMuchOn(bench, seen) && hasAsMuchOn(seen, bench))
    const before = asked.filter(({ bench: seen }) => seen.power && hasAsMuchOn(seen, bench)).length
    const seconds = until === 'left-on' ? Number.POSITIVE_INFINITY : 60 * CHECK_MINUTES * (before + 1)
    let share = 0
    for (const index of couldBurn) {
      const { lasts, chatters, afterS } = overOn(bench, likeliestHouse(engine, posterior, index))
      if (lasts > 0 && !(chatters && isAtRest)) share += posterior.hypotheses[index] * lasts * Math.min(1, seconds / afterS)
    }
    return BURNT_MINUTES * share
  }
}

/** An overload that is carried on with one thing off. */
const CARRIED_ON = modelValue({ value: 0.3, unit: 'chance', source: 'assumption' })

/** Whether a transformer was read to carry too much with no more on than on this bench. */
export const wasOverloadedOn = (system: System, asked: readonly Observation[], bench: Bench): boolean =>
  bench.power && overloadedBenches(system, asked).some((seen) => hasAsMuchOn(bench, seen))

/** A short of any degree, or what overloads on some call without one. */
const mayOverload = ({ hypotheses, behaviours }: Engine, index: number): boolean =>
  hypotheses[index].effects.some((effect) => effect.do === 'short') ||
  Object.values(behaviours[index].fresh).some(({ overloads }) => overloads)

/** A hypothesis wired, and as much damaged, as explains the readings best. */
const likeliestHouse = ({ hypothesesByKind }: Engine, { kinds, degrees }: Posterior, index: number): Hypothesis =>
  inDegree(hypothesesByKind[kinds[index]][index], degrees[index])

/** The display of the calling thermostat stays as it is, the call on. */
function showsRest(system: System, { bench, probe, answer }: Observation): boolean {
  const word = wordOf(answer)
  if (!bench.power || probe.meter !== 'look' || word === null) return false
  return bench.call !== 'off' && probe.at === callerOf(system, bench.call).id && word !== 'chatters' && word !== 'blank'
}

/** Everything that drew current on one bench draws it on another: the same is called and joined, or more, and no more is off. */
function hasAsMuchOn(bench: Bench, seen: Bench): boolean {
  // With the fuse out nothing behind it draws.
  if (bench.slot.open && !seen.slot.open) return false
  return (
    (seen.call === 'off' || bench.call === seen.call) &&
    seen.jumpers.every(({ a, b }) => bench.jumpers.some((jumper) => isSameJumper(jumper, a, b))) &&
    bench.lifted.every((end) => seen.lifted.includes(end)) &&
    bench.unplugged.every((part) => seen.unplugged.includes(part)) &&
    bench.swaps.length === seen.swaps.length
  )
}

/** The same call with one thing more off: as often as not that was not it, and the transformer carries it on meanwhile. */
const hasOneOff = (bench: Bench, seen: Bench): boolean =>
  !bench.slot.open &&
  (seen.call === 'off' || bench.call === seen.call) &&
  bench.lifted.length + bench.unplugged.length - seen.lifted.length - seen.unplugged.length === 1

/** Benches and hypotheses whose answer is kept: the likeliest change slowly, and every check asks for all benches anew. */
const MOST_KEPT = workLimit(20_000)
const overOf = new Memo((laboratory: Laboratory) => {
  const kept = new LruCache<string, ReturnType<typeof overloadOn>>(MOST_KEPT)
  return (bench: Bench, hypothesis: Hypothesis) =>
    kept.get(`${hypothesis.id} ${ohmsOf(hypothesis)} ${hypothesis.wiring.length} ${benchKey(bench)}`, () =>
      overloadOn(laboratory, bench, hypothesis),
    )
})

/** What tells one degree of a hypothesis from another. */
const ohmsOf = ({ effects }: Hypothesis): string => effects.map((effect) => ('ohm' in effect ? effect.ohm : '')).join()

const likeliestOf = new Memo(({ hypotheses }: Posterior): number[] => {
  const order = Array.from(hypotheses.keys()).sort((a, b) => hypotheses[b] - hypotheses[a])
  return order.slice(0, ASKED)
})
