import { type Bench, type BenchChange, benchKey } from '@/src/core/bench/bench'
import { anyTime, isWarm } from '@/src/core/bench/since'
import type { Engine } from '@/src/core/diagnosis/engine'
import { sayCheck, sayMeaning } from '@/src/core/diagnosis/explanation/say-check'
import type { Posterior } from '@/src/core/diagnosis/inference/posterior'
import { cooksOn, heatPrice, wasOverloadedOn } from '@/src/core/diagnosis/planner/heat'
import { ALMOST_SURE, liveHypotheses, thinOut } from '@/src/core/diagnosis/planner/live-hypotheses'
import type { LiveHypothesis } from '@/src/core/diagnosis/planner/live-hypothesis'
import { lookAhead } from '@/src/core/diagnosis/planner/lookahead'
import { powerOffPrice } from '@/src/core/diagnosis/planner/power-off'
import { openQuestions, type Question } from '@/src/core/diagnosis/planner/question'
import { redundantWith } from '@/src/core/diagnosis/planner/redundancy'
import type { Route } from '@/src/core/diagnosis/planner/route'
import { type Pricing, scoreAll } from '@/src/core/diagnosis/planner/score'
import type { Scored } from '@/src/core/diagnosis/planner/scored'
import { Shortlist } from '@/src/core/diagnosis/planner/shortlist'
import { stagesOf } from '@/src/core/diagnosis/planner/ways'
import type { WayOfWorking } from '@/src/core/job/ways'
import type { Answer, Probe } from '@/src/core/readings/check'
import type { Observation } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'
import { sayMinutes } from '@/src/core/units/quantity'
import { workLimit } from '@/src/core/units/work-limit'
import type { PlaceId } from '@/src/core/wiring/ids'

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
  readonly place: PlaceId
  readonly minutes: number
  /** Of these, the minutes that it is put off for a delay or for what shows when it is warm. */
  readonly waits: number
  readonly say: string
  readonly why: string
  readonly caution: string | null
  /** Expected fall in entropy of what would be repaired, bits. */
  readonly gainBits: number
  readonly outcomes: readonly CheckOutcome[]
}

/** Gains below this do not count (engine.md section 9). */
const WORTH_BITS = modelValue({ value: 0.03, unit: 'bit', source: 'assumption' })
/** The same within a stage of a way of working. */
const WORTH_BITS_IN_STAGE = modelValue({ value: 0.12, unit: 'bit', source: 'assumption' })
/** The same for faults that come and go: a reading may miss them, so that less is not worth a walk. */
const WORTH_BITS_UNSTEADY = modelValue({ value: 0.06, unit: 'bit', source: 'assumption' })
/** The same when a sound house is almost sure and many small doubts are left. */
const WORTH_BITS_ALMOST_SOUND = modelValue({ value: 0.004, unit: 'bit', source: 'assumption' })
const SHORTLISTED = workLimit(16)
/** Below this no single check splits what is left, and pairs of checks are weighed. */
const SPLITS_BITS = modelValue({ value: 0.3, unit: 'bit', source: 'assumption, tried on simulated houses' })

/** How the next check is chosen. */
export interface Choice extends Pricing {
  /** Checks that cannot be done here. */
  readonly skipped?: readonly Probe[]
  readonly way?: WayOfWorking
  /** Where no check splits what is left, weigh what the best one after it would tell, too; left out, yes. */
  readonly deep?: boolean
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
  from: Bench,
  asked: readonly Observation[],
  choice: Choice,
  most: number,
): Check[] {
  const bench = asItStands(from, asked)
  const { skipped = [], way = 'free' } = choice
  const cooks = cooksOn(engine, posterior, asked)
  const heat = heatPrice(engine, posterior, asked)
  const dark = powerOffPrice(engine, posterior, bench, asked)
  const stages = stagesOf(engine.system, bench, way).map((candidates) =>
    openQuestions(engine.system, candidates, asked, skipped).filter(({ candidate }) => !cooks(candidate.bench)),
  )
  // What comes and goes gives a little information to every question, asked ever again: it is only looked for once the
  // faults that stand still are told apart.
  const isAlmostSound = posterior.hypotheses[0] > ALMOST_SURE
  for (const steadyOnly of [true, false]) {
    const hypotheses = liveHypotheses(engine, posterior, steadyOnly, choice.stakes === undefined ? 'likely' : 'doubts')
    const worthBits =
      choice.stakes !== undefined ? 0 : !steadyOnly ? WORTH_BITS_UNSTEADY : isAlmostSound ? WORTH_BITS_ALMOST_SOUND : WORTH_BITS
    // Bits about what stands still count for no more than that holds: told apart to the last, it would be asked on and on while
    // all speaks for what comes and goes.
    const held = steadyOnly ? steadyMass(engine, posterior) : 1
    for (const [stage, questions] of stages.entries()) {
      // A way of working is left for what tells more, sooner than for what tells nothing.
      const least = (stage < stages.length - 1 ? Math.max(worthBits, WORTH_BITS_IN_STAGE) : worthBits) / held
      const best = bestOf(engine, hypotheses, bench, questions, least, { ...choice, heat, dark }, most, asked)
      if (best.length > 0) return best.map((scored) => writeOut(engine, hypotheses, scored))
    }
  }
  return []
}

/** The bench with how long its call has been on, once that is long enough for what opens with the heat to have opened. */
function asItStands(bench: Bench, asked: readonly Observation[]): Bench {
  const last = asked.at(-1)?.bench
  if (!last?.since || !isWarm(last.since) || benchKey(anyTime(last)) !== benchKey(anyTime(bench))) return bench
  return { ...bench, since: last.since }
}

/** Share of the hypotheses' probability on those that stand still. */
function steadyMass({ hypotheses }: Engine, posterior: Posterior): number {
  let steady = 0
  let all = 0
  for (const [index, probability] of posterior.hypotheses.entries()) {
    all += probability
    if (!hypotheses[index].intermittent) steady += probability
  }
  return Math.max(1e-9, steady / all)
}

/**
 * One question written out as a check, whatever it tells; null when every hypothesis left standing answers it alike, and where it would cook:
 * but a second look at what is on already takes half a minute, and the customer's own call was made before (`stays`). What is read once more
 * because it fits nothing that is left is asked though those answer it alike: `among` all, those count that were given up.
 */
export function weighQuestion(
  engine: Engine,
  posterior: Posterior,
  asked: readonly Observation[],
  from: Bench,
  bench: Bench,
  probe: Probe,
  place: PlaceId,
  stays = false,
  among: 'doubts' | 'all' = 'doubts',
): Check | null {
  if (stays ? wasOverloadedOn(engine.system, asked, bench) : cooksOn(engine, posterior, asked)(bench)) return null
  const hypotheses = liveHypotheses(engine, posterior, false, among)
  const only = new Shortlist(1, () => false)
  scoreAll(
    engine,
    hypotheses,
    asItStands(from, asked),
    [{ candidate: { bench, probes: [{ probe, place }] }, wanted: [0] }],
    Number.NEGATIVE_INFINITY,
    {},
    only,
  )
  const [scored] = only.list
  return scored ? writeOut(engine, hypotheses, scored) : null
}

function bestOf(
  engine: Engine,
  hypotheses: readonly LiveHypothesis[],
  bench: Bench,
  questions: readonly Question[],
  worthBits: number,
  choice: Choice,
  most: number,
  asked: readonly Observation[],
): Scored[] {
  if (hypotheses.length < 2) return []
  const { equalCost = false, deep = true } = choice
  const coarse = thinOut(hypotheses)
  const shortlist = (weighed: readonly LiveHypothesis[], among: readonly Question[]): Scored[] => {
    const best = new Shortlist(SHORTLISTED, redundantWith(engine, weighed, asked))
    scoreAll(engine, weighed, bench, among, worthBits, choice, best)
    return best.list
  }
  const few =
    coarse.length < hypotheses.length
      ? shortlist(coarse, questions).map(({ question, wanted }) => ({ ...question, wanted: [wanted] }))
      : questions
  const scored = shortlist(hypotheses, few)
  const cannotSplit = scored.length > 1 && scored[0].gainBits < SPLITS_BITS
  return (deep && cannotSplit && !equalCost && choice.stakes === undefined ? lookAhead(hypotheses, scored, engine.cost) : scored).slice(
    0,
    most,
  )
}

/** Why a check begins with a wait, which is in its minutes. */
const whyWait = ({ bench, changes }: Route): string =>
  changes.some((change) => change.do === 'power' && change.on)
    ? 'The power-off restarted the delay of the board: what you read during it is no fault.'
    : `Leave ${bench.call === 'off' ? 'it' : 'the call'} on: a connection or a winding that opens when warm shows only then.`

function writeOut(engine: Engine, hypotheses: readonly LiveHypothesis[], scored: Scored): Check {
  const { outcomes, probe, route } = scored
  const { count } = outcomes
  const described = outcomes.answers().map((answer, column): CheckOutcome => {
    const weights = hypotheses.map((hypothesis, row) => hypothesis.weight * outcomes.probabilities[outcomes.of[row] * count + column])
    const probability = weights.reduce((sum, weight) => sum + weight, 0)
    const shares = weights.map((weight) => weight / probability)
    return {
      answer,
      probability,
      meaning: sayMeaning(
        engine,
        hypotheses.map((hypothesis) => engine.hypotheses[hypothesis.index]),
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
    waits: route.waits,
    say:
      route.waits === 0
        ? words.say
        : `Wait ${sayMinutes(route.waits)} there, then: ${words.say.charAt(0).toLowerCase()}${words.say.slice(1)}`,
    why: route.waits === 0 ? words.why : `${words.why} ${whyWait(route)}`,
    caution: words.caution,
    gainBits: scored.gainBits,
    outcomes: described.sort((a, b) => b.probability - a.probability),
  }
}
