import { isResettable } from '@/src/core/bench/apply'
import type { Bench, BenchChange } from '@/src/core/bench/bench'
import type { Candidate } from '@/src/core/diagnosis/candidates'
import type { Engine } from '@/src/core/diagnosis/engine'
import { type Observation, questionKey } from '@/src/core/diagnosis/observations'
import { clusterOutcomes, gatherForetold, type Outcomes } from '@/src/core/diagnosis/outcomes'
import type { Posterior } from '@/src/core/diagnosis/posterior'
import { planRoute, type Route } from '@/src/core/diagnosis/route'
import { sayCheck, sayMeaning } from '@/src/core/diagnosis/say-check'
import { sayingAgain } from '@/src/core/diagnosis/says-again'
import { Shortlist } from '@/src/core/diagnosis/shortlist'
import {
  ALMOST_SURE,
  entropyAfter,
  entropyBefore,
  liveStories,
  mostBits,
  type Story,
  thinOut,
  wrongAfter,
} from '@/src/core/diagnosis/stories'
import { lookAhead } from '@/src/core/diagnosis/two-deep'
import { stagesOf, type WayOfWorking } from '@/src/core/diagnosis/ways'
import { type Answer, type Probe, probeKey } from '@/src/core/readings/check'
import { scaleOf } from '@/src/core/readings/predict'
import type { Prediction } from '@/src/core/readings/prediction'
import { KeptPer } from '@/src/core/units/kept'

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
/** The same within a stage of a way of working: assumption. */
const WORTH_BITS_IN_STAGE = 0.12
/** The same for faults that come and go: a reading may miss them, so that less is not worth a walk. Assumption. */
const WORTH_BITS_UNSTEADY = 0.06
/** The same when a sound house is almost sure and many small doubts are left. */
const WORTH_BITS_ALMOST_SOUND = 0.004
const SHORTLISTED = 16
/** Below this no single check splits what is left, and pairs of checks are weighed: assumption, tried on simulated houses. */
const SPLITS_BITS = 0.3

const TRIP: Probe = { meter: 'trip' }

export interface Scored {
  readonly score: number
  readonly gainBits: number
  readonly minutes: number
  readonly probe: Probe
  readonly place: string
  readonly route: Route
  readonly outcomes: Outcomes
  readonly question: Question
  /** Which probe of its question this is. */
  readonly wanted: number
  /** The meter and its scale: only readings of the same can say the same. */
  readonly meter: string
  /** What each story weighed foretells of it. */
  readonly foretold: (row: number) => Prediction
}

/** How the next check is chosen. */
export interface Choice {
  /** Checks that cannot be done here. */
  readonly skipped?: readonly Probe[]
  readonly way?: WayOfWorking
  /** Every check costs the same: for comparing the number of checks with what information theory allows. */
  readonly equalCost?: boolean
  /** Where no check splits what is left, weigh what the best one after it would tell, too; left out, yes. */
  readonly deep?: boolean
  /**
   * Minutes that a wrong repair would cost: a check is then worth what it takes off the risk of one, less its own minutes,
   * and none is proposed that costs more than that.
   */
  readonly stakes?: number
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
  choice: Choice,
  most: number,
): Check[] {
  const { skipped = [], way = 'free' } = choice
  const stages = stagesOf(engine.system, bench, way).map((candidates) => openQuestions(candidates, asked, skipped))
  // What comes and goes gives a little information to every question, asked ever again: it is only looked for once the
  // faults that stand still are told apart.
  const isAlmostSound = posterior.hypotheses[0] > ALMOST_SURE
  for (const steadyOnly of [true, false]) {
    const stories = liveStories(engine, posterior, steadyOnly, choice.stakes !== undefined)
    const worthBits =
      choice.stakes !== undefined ? 0 : !steadyOnly ? WORTH_BITS_UNSTEADY : isAlmostSound ? WORTH_BITS_ALMOST_SOUND : WORTH_BITS
    // Bits about what stands still count for no more than that holds: told apart to the last, it would be asked on and on while
    // all speaks for what comes and goes.
    const held = steadyOnly ? steadyMass(engine, posterior) : 1
    for (const [stage, questions] of stages.entries()) {
      // A way of working is left for what tells more, sooner than for what tells nothing.
      const least = (stage < stages.length - 1 ? Math.max(worthBits, WORTH_BITS_IN_STAGE) : worthBits) / held
      const best = bestOf(engine, stories, bench, questions, least, choice, most, asked)
      if (best.length > 0) return best.map((scored) => writeOut(engine, stories, scored))
    }
  }
  return []
}

/** Share of the stories' probability on those that stand still. */
function steadyMass({ hypotheses }: Engine, posterior: Posterior): number {
  let steady = 0
  let all = 0
  for (const [index, probability] of posterior.hypotheses.entries()) {
    all += probability
    if (!hypotheses[index].intermittent) steady += probability
  }
  return Math.max(1e-9, steady / all)
}

/** One question written out as a check, whatever it tells; null when every story left standing answers it alike. */
export function weighQuestion(engine: Engine, posterior: Posterior, from: Bench, bench: Bench, probe: Probe, place: string): Check | null {
  const stories = liveStories(engine, posterior, false, true)
  const candidate: Candidate = { bench, probes: [{ probe, place }] }
  const only = new Shortlist(1, () => false)
  scoreQuestion(engine, stories, from, { candidate, wanted: [0], routes: new Map() }, Number.NEGATIVE_INFINITY, {}, only)
  const [scored] = only.list
  return scored ? writeOut(engine, stories, scored) : null
}

function bestOf(
  engine: Engine,
  stories: readonly Story[],
  bench: Bench,
  questions: readonly Question[],
  worthBits: number,
  choice: Choice,
  most: number,
  asked: readonly Observation[],
): Scored[] {
  if (stories.length < 2) return []
  const { equalCost = false, deep = true } = choice
  const coarse = thinOut(stories)
  const shortlist = (weighed: readonly Story[], among: readonly Question[]): Scored[] => {
    const best = new Shortlist(SHORTLISTED, sayingAgain(engine, weighed, asked))
    for (const question of among) scoreQuestion(engine, weighed, bench, question, worthBits, choice, best)
    return best.list
  }
  const few =
    coarse.length < stories.length
      ? shortlist(coarse, questions).map(({ question, wanted }) => ({ ...question, wanted: [wanted] }))
      : questions
  const scored = shortlist(stories, few)
  const cannotSplit = scored.length > 1 && scored[0].gainBits < SPLITS_BITS
  return (deep && cannotSplit && !equalCost && choice.stakes === undefined ? lookAhead(stories, scored, engine.cost) : scored).slice(
    0,
    most,
  )
}

/** A bench with everything that could be asked on it; `wanted` are the places in the list of what has not been asked yet. */
export interface Question {
  readonly candidate: Candidate
  readonly wanted: readonly number[]
  /** The ways to its bench that were planned, by the place where the reading is taken. */
  readonly routes: Map<string, Route>
}

function openQuestions(candidates: readonly Candidate[], asked: readonly Observation[], skipped: readonly Probe[]): Question[] {
  const known = new Set(asked.map((observation) => questionKey(observation.bench, observation.probe)))
  const refused = new Set(skipped.map(probeKey))
  return candidates.flatMap((candidate): Question[] => {
    const wanted = candidate.probes.flatMap(({ probe }, index) =>
      known.has(questionKey(candidate.bench, probe)) || refused.has(probeKey(probe)) ? [] : [index],
    )
    return wanted.length === 0 ? [] : [{ candidate, wanted, routes: new Map() }]
  })
}

/** Scores what is wanted of a question, and offers it to the best so far; what cannot come among them is left as soon as that is sure. */
function scoreQuestion(
  engine: Engine,
  stories: readonly Story[],
  from: Bench,
  question: Question,
  worthBits: number,
  { equalCost = false, stakes }: Choice,
  best: Shortlist,
): void {
  const { bench, probes } = question.candidate
  const groups = Math.max(...stories.map((story) => story.group)) + 1
  const before = entropyBefore(stories, groups)
  const risk = stakes === undefined ? 0 : wrongAfter(stories, groups, null)
  const predictionsOf = engine.predictions(bench, probesAsked(question.candidate))
  const predictions = stories.map(({ index, kind }) => predictionsOf(index, kind))
  const trips = bench.power ? stories.reduce((sum, { weight }, row) => sum + weight * tripShare(predictions[row][probes.length]), 0) : 0
  const tripCost = trips * (isResettable(engine.system, bench) ? engine.cost.trip.breaker : engine.cost.trip.fuse)
  const scoreOf = (gainBits: number, minutes: number) => gainBits / (equalCost ? 1 : minutes + engine.cost.attention)
  for (const index of question.wanted) {
    const { probe, place } = probes[index]
    const foretold = gatherForetold(stories.length, (row) => predictions[row][index])
    // Most readings say much the same whatever is wrong.
    if (foretold.different.length < 2) continue
    const atMost = mostBits(stories, foretold)
    if (atMost < worthBits) continue
    const onTheSpot = engine.cost.reading[probe.meter] + tripCost
    if (stakes === undefined && scoreOf(atMost, onTheSpot) < best.least) continue
    const route = question.routes.get(place) ?? planRoute(engine.system, from, bench, place, engine.cost)
    question.routes.set(place, route)
    const minutes = route.minutes + onTheSpot
    if (stakes === undefined && scoreOf(atMost, minutes) < best.least) continue
    const outcomes = clusterOutcomes(foretold, scaleOf(engine.system, probe))
    if (outcomes.count < 2) continue
    const gainBits = before - entropyAfter(stories, outcomes, groups)
    if (gainBits < worthBits) continue
    const score = stakes === undefined ? scoreOf(gainBits, minutes) : stakes * (risk - wrongAfter(stories, groups, outcomes)) - minutes
    if (stakes !== undefined && score <= 0) continue
    best.offer({
      score,
      gainBits,
      minutes,
      probe,
      place,
      route,
      outcomes,
      question,
      wanted: index,
      meter: `${probe.meter} ${scaleOf(engine.system, probe)}`,
      foretold: (row) => predictions[row][index],
    })
  }
}

/** What is asked of a candidate's bench. The trip stands last: what the bench itself costs in trips is priced into every check on it. */
export const probesAsked = (candidate: Candidate): readonly Probe[] => askedOf.of(candidate)
const askedOf = new KeptPer(({ bench, probes }: Candidate): Probe[] => [
  ...probes.map(({ probe }) => probe),
  ...(bench.power ? [TRIP] : []),
])

const tripShare = (prediction: Prediction): number =>
  prediction.reduce((sum, { at, weight }) => sum + (typeof at === 'object' && at.word === 'trips' ? weight : 0), 0)

function writeOut(engine: Engine, stories: readonly Story[], scored: Scored): Check {
  const { outcomes, probe, route } = scored
  const { count } = outcomes
  const described = outcomes.answers().map((answer, column): CheckOutcome => {
    const weights = stories.map((story, row) => story.weight * outcomes.probabilities[outcomes.of[row] * count + column])
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
