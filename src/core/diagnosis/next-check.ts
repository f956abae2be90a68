import { isResettable } from '@/src/core/bench/apply'
import type { Bench, BenchChange } from '@/src/core/bench/bench'
import type { Candidate } from '@/src/core/diagnosis/candidates'
import { HANDLING_MINUTE, readingMinutes, tripMinutes } from '@/src/core/diagnosis/cost'
import { type Engine, type Observation, questionKey } from '@/src/core/diagnosis/engine'
import { clusterOutcomes, type Outcomes } from '@/src/core/diagnosis/outcomes'
import type { Posterior } from '@/src/core/diagnosis/posterior'
import { planRoute, type Route } from '@/src/core/diagnosis/route'
import { sayCheck, sayMeaning } from '@/src/core/diagnosis/say-check'
import { stagesOf, type WayOfWorking } from '@/src/core/diagnosis/ways'
import { type Answer, type Probe, probeKey } from '@/src/core/readings/check'
import { scaleOf } from '@/src/core/readings/predict'
import type { Prediction } from '@/src/core/readings/prediction'

export interface CheckOutcome {
  readonly answer: Answer
  readonly probability: number
  readonly meaning: string
}

/** One question worth asking, how to get there, and what each answer would mean. */
export interface Check {
  readonly probe: Probe
  readonly setup: readonly BenchChange[]
  readonly bench: Bench
  readonly place: string
  readonly minutes: number
  readonly say: string
  readonly why: string
  readonly caution: string | null
  /** Expected fall in entropy of what would be repaired, bits. */
  readonly gainBits: number
  readonly outcomes: readonly CheckOutcome[]
}

/** Gains below this do not count (engine.md section 9). */
const WORTH_BITS = 0.03
/** The same for faults that come and go: a reading may miss them, so that less is not worth a walk. Assumption. */
const WORTH_BITS_UNSTEADY = 0.06
/** When a sound house is almost sure, what is left is made of many small doubts: each is worth a look. */
const ALMOST_SOUND = 0.9
const WORTH_BITS_ALMOST_SOUND = 0.004
/** Then this much of the doubt is weighed, however little it is. */
const WEIGHED_DOUBT = 0.95
/** Stories weighed by the planner: those that hold this much of the probability, and no more than so many. */
const WEIGHED_MASS = 0.985
const WEIGHED_STORIES = 200
/** All checks are ranked on this many heavy stories and a share of the light ones; the leaders are then weighed on all. */
const HEAVY = 14
const STANDING_FOR = 7
const SHORTLISTED = 16

const TRIP: Probe = { meter: 'trip' }

interface Story {
  readonly index: number
  /** The wiring in which this story explains the readings so far. */
  readonly kind: number
  readonly weight: number
  readonly group: number
}

interface Scored {
  readonly score: number
  readonly gainBits: number
  readonly minutes: number
  readonly probe: Probe
  readonly place: string
  readonly route: Route
  readonly outcomes: Outcomes
  /** Which probe of its question this is. */
  readonly wanted: number
}

/** How the next check is chosen. */
export interface Choice {
  /** Checks that cannot be done here. */
  readonly skipped?: readonly Probe[]
  readonly way?: WayOfWorking
  /** Every check costs the same: for comparing the number of checks with what information theory allows. */
  readonly equalCost?: boolean
}

/**
 * The check with the largest expected information about the repair per minute, or null when none is worth taking.
 * Walking, bench changes and spent fuses are in the minutes. Ohms are only ever asked with the power off,
 * and nothing that was asked on the same bench is asked again. A way of working is gone through stage by stage.
 */
export const findNextCheck = (
  engine: Engine,
  posterior: Posterior,
  bench: Bench,
  asked: readonly Observation[],
  choice: Choice = {},
): Check | null => rankChecks(engine, posterior, bench, asked, choice, 1)[0] ?? null

/** The checks worth most, best first, no more than `most`: what the best one was weighed against. */
export function rankChecks(
  engine: Engine,
  posterior: Posterior,
  bench: Bench,
  asked: readonly Observation[],
  { skipped = [], way = 'free', equalCost = false }: Choice,
  most: number,
): Check[] {
  const stages = stagesOf(engine.system, bench, way).map((candidates) => openQuestions(candidates, asked, skipped))
  // What comes and goes gives a little information to every question, asked ever again: it is only looked for once the
  // faults that stand still are told apart.
  const isAlmostSound = posterior.hypotheses[0] > ALMOST_SOUND
  for (const steadyOnly of [true, false]) {
    const stories = liveStories(engine, posterior, steadyOnly)
    const worthBits = !steadyOnly ? WORTH_BITS_UNSTEADY : isAlmostSound ? WORTH_BITS_ALMOST_SOUND : WORTH_BITS
    for (const questions of stages) {
      const best = bestOf(engine, stories, bench, questions, worthBits, equalCost, most)
      if (best.length > 0) return best.map((scored) => writeOut(engine, stories, scored))
    }
  }
  return []
}

function bestOf(
  engine: Engine,
  stories: readonly Story[],
  bench: Bench,
  questions: readonly Question[],
  worthBits: number,
  equalCost: boolean,
  most: number,
): Scored[] {
  if (stories.length < 2) return []
  const coarse = thinOut(stories)
  const shortlist =
    coarse.length < stories.length
      ? questions
          .flatMap((question) =>
            scoreQuestion(engine, coarse, bench, question, worthBits, equalCost).map((scored) => ({ question, scored })),
          )
          .sort((a, b) => b.scored.score - a.scored.score)
          .slice(0, SHORTLISTED)
          .map(({ question, scored }) => ({ ...question, wanted: [scored.wanted] }))
      : questions
  const scored = shortlist.flatMap((question) => scoreQuestion(engine, stories, bench, question, worthBits, equalCost))
  return scored.sort((a, b) => b.score - a.score).slice(0, most)
}

/** A bench with everything that could be asked on it; `wanted` are the places in the list of what has not been asked yet. */
interface Question {
  readonly bench: Bench
  readonly probes: readonly { readonly probe: Probe; readonly place: string }[]
  readonly wanted: readonly number[]
}

function openQuestions(candidates: readonly Candidate[], asked: readonly Observation[], skipped: readonly Probe[]): Question[] {
  const known = new Set(asked.map((observation) => questionKey(observation.bench, observation.probe)))
  const refused = new Set(skipped.map(probeKey))
  return candidates.flatMap(({ bench: wantedBench, probes }): Question[] => {
    const wanted = probes.flatMap(({ probe }, index) =>
      known.has(questionKey(wantedBench, probe)) || refused.has(probeKey(probe)) ? [] : [index],
    )
    return wanted.length === 0 ? [] : [{ bench: wantedBench, probes, wanted }]
  })
}

function scoreQuestion(
  engine: Engine,
  stories: readonly Story[],
  from: Bench,
  { bench, probes, wanted }: Question,
  worthBits: number,
  equalCost: boolean,
): Scored[] {
  const groups = Math.max(...stories.map((story) => story.group)) + 1
  const before = entropyBefore(stories, groups)
  // The trip stands last: what the bench itself costs in trips is priced into every check on it.
  const predictionsOf = engine.predictions(
    bench,
    bench.power ? [...probes.map(({ probe }) => probe), TRIP] : probes.map(({ probe }) => probe),
  )
  const predictions = stories.map(({ index, kind }) => predictionsOf(index, kind))
  const trips = bench.power ? stories.reduce((sum, { weight }, row) => sum + weight * tripShare(predictions[row][probes.length]), 0) : 0
  const tripCost = trips * (isResettable(engine.system, bench) ? tripMinutes.breaker : tripMinutes.fuse)
  const routes = new Map<string, Route>()
  const scores: Scored[] = []
  for (const index of wanted) {
    const { probe, place } = probes[index]
    const outcomes = clusterOutcomes(
      predictions.map((list) => list[index]),
      scaleOf(engine.system, probe),
    )
    if (outcomes.count < 2) continue
    const gainBits = before - entropyAfter(stories, outcomes, groups)
    if (gainBits < worthBits) continue
    const route = routes.get(place) ?? planRoute(engine.system, from, bench, place)
    routes.set(place, route)
    const minutes = route.minutes + readingMinutes[probe.meter] + tripCost
    const price = equalCost ? 1 : minutes + HANDLING_MINUTE
    scores.push({ score: gainBits / price, gainBits, minutes, probe, place, route, outcomes, wanted: index })
  }
  return scores
}

const tripShare = (prediction: Prediction): number =>
  prediction.reduce((sum, { at, weight }) => sum + (typeof at === 'object' && at.word === 'trips' ? weight : 0), 0)

/** The heavy stories, and every so many of the light ones standing for their neighbours: enough to rank checks by. */
function thinOut(stories: readonly Story[]): Story[] {
  if (stories.length <= HEAVY + STANDING_FOR) return [...stories]
  const light: Story[] = []
  for (let start = HEAVY; start < stories.length; start += STANDING_FOR) {
    const neighbours = stories.slice(start, start + STANDING_FOR)
    light.push({ ...neighbours[Math.floor(neighbours.length / 2)], weight: neighbours.reduce((sum, { weight }) => sum + weight, 0) })
  }
  return [...stories.slice(0, HEAVY), ...light]
}

/** The stories that matter now, each with the repair it would lead to. */
function liveStories(engine: Engine, posterior: Posterior, steadyOnly: boolean): Story[] {
  const isWanted = (index: number) => !steadyOnly || !engine.hypotheses[index].intermittent
  const whole = Array.from(posterior.hypotheses.keys()).filter(isWanted)
  const total = whole.reduce((sum, index) => sum + posterior.hypotheses[index], 0)
  const sound = posterior.hypotheses[0] > ALMOST_SOUND ? posterior.hypotheses[0] : 0
  const order = whole.sort((a, b) => posterior.hypotheses[b] - posterior.hypotheses[a])
  const groups = new Map<string, number>()
  const stories: Story[] = []
  let mass = 0
  for (const index of order) {
    const doubt = (mass - sound) / Math.max(1e-12, total - sound)
    if ((mass >= WEIGHED_MASS * total && doubt >= WEIGHED_DOUBT) || stories.length >= WEIGHED_STORIES) break
    const weight = posterior.hypotheses[index]
    const repair = engine.hypotheses[index].fault?.repair.id ?? 'nothing'
    const group = groups.get(repair) ?? groups.size
    groups.set(repair, group)
    stories.push({ index, kind: posterior.kinds[index], weight, group })
    mass += weight
  }
  return stories.map((story) => ({ ...story, weight: story.weight / mass }))
}

/** Entropy of what would be repaired, bits, before the answer is known. */
function entropyBefore(stories: readonly Story[], groups: number): number {
  const sums = new Float64Array(groups)
  for (const { group, weight } of stories) sums[group] += weight
  return entropyOf(sums)
}

/** The same, expected over the answers. */
function entropyAfter(stories: readonly Story[], { count, probabilities }: Outcomes, groups: number): number {
  const sums = new Float64Array(groups)
  let expected = 0
  for (let answer = 0; answer < count; answer++) {
    sums.fill(0)
    let total = 0
    for (let row = 0; row < stories.length; row++) {
      const weight = stories[row].weight * probabilities[row * count + answer]
      sums[stories[row].group] += weight
      total += weight
    }
    if (total > 1e-9) expected += total * entropyOf(sums)
  }
  return expected
}

/** Bits of a distribution given as sums that need not add up to one. */
function entropyOf(sums: Float64Array): number {
  let total = 0
  let weighted = 0
  for (const sum of sums) {
    if (sum <= 0) continue
    total += sum
    weighted += sum * Math.log2(sum)
  }
  return total > 0 ? Math.log2(total) - weighted / total : 0
}

function writeOut(engine: Engine, stories: readonly Story[], scored: Scored): Check {
  const { outcomes, probe, route } = scored
  const { count } = outcomes
  const described = outcomes.answers().map((answer, column): CheckOutcome => {
    const weights = stories.map((story, row) => story.weight * outcomes.probabilities[row * count + column])
    const probability = weights.reduce((sum, weight) => sum + weight, 0)
    const shares = weights.map((weight) => weight / probability)
    return {
      answer,
      probability,
      meaning: sayMeaning(
        engine,
        stories.map((story) => engine.hypotheses[story.index]),
        shares,
      ),
    }
  })
  const words = sayCheck(engine.system, probe, route.bench)
  return {
    probe,
    setup: route.changes,
    bench: route.bench,
    place: scored.place,
    minutes: scored.minutes,
    say: words.say,
    why: words.why,
    caution: words.caution,
    gainBits: scored.gainBits,
    outcomes: described.sort((a, b) => b.probability - a.probability),
  }
}
