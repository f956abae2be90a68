import { type Bench, benchKey } from '@/src/core/bench/bench'
import { BULGED, HUMMING } from '@/src/core/readings/capacitor-looks'
import { type Answer, openedBy, type Probe, probeKey, wordOf } from '@/src/core/readings/check'
import { isCode } from '@/src/core/readings/code-looks'
import { CLEAN } from '@/src/core/readings/contact-looks'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import { WRONG_READING } from '@/src/core/readings/likelihood'
import { parseLook } from '@/src/core/readings/look-target'
import { SHOWS_CALL, SHOWS_NO_CALL } from '@/src/core/readings/looks'
import { isOpenedWord } from '@/src/core/readings/switch-looks'
import { LruCache, Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'
import { CHASSIS, parsePoint } from '@/src/core/wiring/point'

/** One reading with the bench it was taken on. */
export interface Observation {
  readonly id: string
  readonly bench: Bench
  readonly probe: Probe
  readonly answer: Answer
  /** How often the same question was answered alike before: it is not plain wrong twice. Set by `latestAnswers`. */
  readonly repeats?: number
}

/**
 * What makes two readings the same question: one bench and one probe. A look at the fuse or at landings does not depend
 * on calls and jumpers.
 */
export function questionKey(bench: Bench, probe: Probe): string {
  return probe.meter === 'look' && (probe.at === 'fuse' || ['landings', 'wiring'].includes(parseLook(probe.at).what))
    ? probeKey(probe)
    : `${benchKey(bench)} ${probeKey(probe)}`
}

/** What makes two readings the same evidence: the question, on its bench as it stood, and the answer. */
export const observationKey = ({ bench, probe, answer, repeats = 0 }: Observation): string =>
  `${benchKey(bench)} ${probeKey(probe)} ${JSON.stringify(answer)}${repeats > 0 ? ` ${repeats} times before` : ''}`

/** The observations that count: a question asked again replaces its earlier answer, and is surer where it agrees with it. */
export function latestAnswers(observations: readonly Observation[]): Observation[] {
  const latest = new Map<string, Observation>()
  const agreed = new Map<Observation, number>()
  for (const observation of observations) {
    const key = questionKey(observation.bench, observation.probe)
    const before = latest.get(key)
    if (before && isAlike(before.answer, observation.answer)) agreed.set(observation, (agreed.get(before) ?? 0) + 1)
    latest.set(key, observation)
  }
  return observations
    .filter((observation) => latest.get(questionKey(observation.bench, observation.probe)) === observation)
    .map((observation) => {
      const repeats = agreed.get(observation)
      return repeats === undefined ? observation : repeatedOf.of(observation).get(repeats, () => ({ ...observation, repeats }))
    })
}
const MOST_REPEATS_KEPT = workLimit(4)
const repeatedOf = new Memo((_: Observation) => new LruCache<number, Observation>(MOST_REPEATS_KEPT))

/** How often an answer counts for a hypothesis: what comes and goes had its chance to show each time, what stands still tells once. */
export const timesTold = ({ intermittent }: Hypothesis, { repeats = 0 }: Observation): number => (intermittent ? 1 + repeats : 1)

/** Chance that an answer is plain wrong: less when it was repeated, and for what is plain to see. */
export const wrongShare = (observation: Observation): number => {
  if (factsIn(observation) > 1) return WRONG_READING ** 2
  const once = wrongOnce(observation)
  return (observation.repeats ?? 0) > 0 ? once * SAME_EYE : once
}

function wrongOnce(observation: Observation): number {
  if (isPlainToSee(observation)) return isNamedWire(observation) ? WRONG_WIRE_SEEN : WRONGLY_SEEN
  return observation.probe.meter === 'trip' ? WRONGLY_HELD : WRONG_READING
}

/** A look that names the wire and says where it is. */
const isNamedWire = ({ probe, answer }: Asked): boolean =>
  probe.meter === 'look' && parseLook(probe.at).what === 'landings' && NAMED_WIRE.test(wordOf(answer) ?? '')
const NAMED_WIRE = /^(off|wrong|swapped): /

/** How many facts an answer is: what a meter read twice, or the eye saw three times, is two. */
export const factsIn = ({ probe, repeats = 0 }: Observation): number => (repeats > (probe.meter === 'look' ? 1 : 0) ? 2 : 1)

/** A look repeated at once is mostly misled by the same thing: a noise, the wrong box, a fan still running down. A meter's leads are set anew. */
const SAME_EYE = modelValue({ value: 0.25, unit: 'chance', source: 'assumption' })
/** A wire that is off, a valve that chatters, a code, a mark, a breaker that popped is reported where there is none: nobody sees what is not there. */
const WRONGLY_SEEN = modelValue({ value: 0.003, unit: 'chance', source: 'assumption' })
/** Nor does anyone name a wire, and the screw it is on or off, that is not so: less often than a second fault is met. */
const WRONG_WIRE_SEEN = modelValue({ value: 0.0005, unit: 'chance', source: 'assumption' })
/** A hold that was not watched long enough. */
const WRONGLY_HELD = modelValue({ value: 0.008, unit: 'chance', source: 'assumption' })

/** What a part reads across its own two leads, unplugged, when it is nothing but metal. */
const METAL_OHM = modelValue({ value: 2, unit: 'ohm', source: 'assumption: no 24 V coil of a house is sold with less' })

/** Two leads of one part that is unplugged: nothing else is in the reading, and hardly a thing can be done wrong. */
function isBareMetal({ probe, answer, bench }: Asked): boolean {
  if (probe.meter !== 'ohms' || typeof answer !== 'number' || answer >= METAL_OHM) return false
  const [one, other] = [parsePoint(probe.a), parsePoint(probe.b)]
  return one.cable !== null && one.cable === other.cable && bench.unplugged.includes(one.cable)
}

type Asked = Pick<Observation, 'probe' | 'answer' | 'bench'>

/** A finding of the eye or the ear that names what is out of order, and a display that says whether it calls. */
export function isPlainToSee(asked: Asked): boolean {
  const { probe, answer } = asked
  if (isBareMetal(asked)) return true
  const word = wordOf(answer)
  if (word === null) return false
  if (probe.meter === 'trip') return openedBy(answer) !== null
  if (probe.meter !== 'look') return false
  const { what } = parseLook(probe.at)
  if (what === 'wiring') return word !== 'sound'
  if (what === 'landings') return NAMED_WIRE.test(word) || word === 'strap' || word === 'wet'
  return (
    isOpenedWord(word) ||
    word === 'blown' ||
    word === 'chatters' ||
    word === HUMMING ||
    (what === 'contacts' && word !== CLEAN) ||
    (what === 'capacitor' && word === BULGED) ||
    isCode(word) ||
    word === SHOWS_NO_CALL ||
    word === SHOWS_CALL
  )
}

/** Two answers to one question that a meter and a hand may give of the same thing: assumption. */
function isAlike(a: Answer, b: Answer): boolean {
  if (typeof a === 'number' && typeof b === 'number') return Math.abs(a - b) <= 0.5 + 0.1 * Math.max(Math.abs(a), Math.abs(b))
  return JSON.stringify(a) === JSON.stringify(b)
}

/** What floats shows the same ghost whenever it is read against the metal: however often that was read, it is one fact. */
export function isSameGhost(one: Observation, other: Observation): boolean {
  const { probe } = one
  if (probe.meter !== 'volts' || ![probe.a, probe.b].some((point) => parsePoint(point).name === CHASSIS)) return false
  return probeKey(probe) === probeKey(other.probe) && isAlike(one.answer, other.answer)
}
