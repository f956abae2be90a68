import { isResettable } from '@/src/core/bench/apply'
import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import { entropyAfter, entropyBefore, leastWrong, mostBits, wrongAfter } from '@/src/core/diagnosis/planner/live-hypotheses'
import type { LiveHypothesis } from '@/src/core/diagnosis/planner/live-hypothesis'
import { clusterOutcomes } from '@/src/core/diagnosis/planner/outcomes'
import { goesDark } from '@/src/core/diagnosis/planner/power-off'
import { gatherRows, inTheirHouses, predictionsOfProbe, type Rows } from '@/src/core/diagnosis/planner/probe-predictions'
import { probesAsked, type Question } from '@/src/core/diagnosis/planner/question'
import { type Route, routesFrom } from '@/src/core/diagnosis/planner/route'
import type { Shortlist } from '@/src/core/diagnosis/planner/shortlist'
import { openedBy } from '@/src/core/readings/check'
import { scaleOf } from '@/src/core/readings/predict'
import type { PlaceId } from '@/src/core/wiring/ids'

/** How what a check tells is set against what it costs. */
export interface Pricing {
  /** Every check costs the same: for comparing the number of checks with what information theory allows. */
  readonly equalCost?: boolean
  /**
   * Minutes that a wrong repair would cost: a check is then worth what it takes off the risk of one, less its own minutes,
   * and none is proposed that costs more than that.
   */
  readonly stakes?: number
  /** With stakes: what each check costs beside its own minutes. */
  readonly bother?: number
  /** Minutes that a bench may cost a transformer. */
  readonly heat?: (bench: Bench) => number
  /** Minutes that a power-off costs beside its handling. */
  readonly dark?: number
}

/**
 * Scores questions by what a set of hypotheses foretells, and offers them to the best so far: nearest benches first, and what
 * cannot come among the best is left as soon as that is sure.
 */
export function scoreAll(
  engine: Engine,
  hypotheses: readonly LiveHypothesis[],
  from: Bench,
  questions: readonly Question[],
  worthBits: number,
  pricing: Pricing,
  best: Shortlist,
): void {
  const { system, cost } = engine
  const routeTo = routesFrom(system, from, cost)
  const price = priceOf(engine, hypotheses, worthBits, pricing)
  const reached = questions
    .map((question) => ({ question, minutes: leastMinutes(engine, question, routeTo) }))
    // Equals stay in the order in which the wiring lists them.
    .sort((a, b) => a.minutes - b.minutes)
  for (const { question, minutes } of reached) {
    if (!price.isWorth(price.scoreOf(price.before, price.risk, minutes), best)) continue
    scoreQuestion(engine, hypotheses, question, routeTo, price, best)
  }
}

/** What the least of a question's checks costs, before any trip. */
function leastMinutes({ cost }: Engine, { candidate, wanted }: Question, routeTo: (to: Bench, place: PlaceId) => Route): number {
  let least = Number.POSITIVE_INFINITY
  for (const index of wanted) {
    const { probe, place } = candidate.probes[index]
    least = Math.min(least, routeTo(candidate.bench, place).minutes + cost.reading[probe.meter])
  }
  return least
}

interface Price {
  readonly groups: number
  /** Bits about the repair, and the risk of a wrong one, before anything is asked. */
  readonly before: number
  readonly risk: number
  /** Score of a check that tells so many bits, takes so much off the risk and costs so many minutes. */
  readonly scoreOf: (bits: number, lessRisk: number, minutes: number) => number
  /** Minutes that a bench may cost a transformer. */
  readonly heat: (bench: Bench) => number
  readonly dark: number
  /** Whether such a score could come among the best. */
  readonly isWorth: (score: number, best: Shortlist) => boolean
}

function priceOf(
  { cost }: Engine,
  hypotheses: readonly LiveHypothesis[],
  worthBits: number,
  { equalCost = false, stakes, bother = 0, heat = () => 0, dark = 0 }: Pricing,
): Price {
  const groups = Math.max(...hypotheses.map((hypothesis) => hypothesis.group)) + 1
  const before = entropyBefore(hypotheses, groups)
  if (stakes === undefined)
    return {
      groups,
      before,
      heat,
      dark,
      risk: 0,
      scoreOf: (bits, _, minutes) => (bits < worthBits ? Number.NEGATIVE_INFINITY : bits / (equalCost ? 1 : minutes + cost.attention)),
      isWorth: (score, { least }) => score > Number.NEGATIVE_INFINITY && score >= least,
    }
  return {
    groups,
    before,
    heat,
    dark,
    risk: wrongAfter(hypotheses, groups, null),
    scoreOf: (bits, lessRisk, minutes) => (bits < worthBits ? Number.NEGATIVE_INFINITY : stakes * lessRisk - minutes - bother),
    isWorth: (score, { least }) => score > 0 && score >= least,
  }
}

function scoreQuestion(
  engine: Engine,
  hypotheses: readonly LiveHypothesis[],
  question: Question,
  routeTo: (to: Bench, place: PlaceId) => Route,
  { groups, before, risk, heat, dark, scoreOf, isWorth }: Price,
  best: Shortlist,
): void {
  const { bench, probes } = question.candidate
  const predictionsOf = engine.store.predictions(bench, probesAsked(question.candidate))
  const rows = gatherRows(hypotheses, (place) => predictionsOf(hypotheses[place].index, hypotheses[place].kind))
  const tripCost = bench.power
    ? tripShare(rows, probes.length) * (isResettable(engine.system, bench) ? engine.cost.trip.breaker : engine.cost.trip.fuse)
    : 0
  const heatCost = heat(bench)
  for (const index of question.wanted) {
    const { probe, place } = probes[index]
    const predicted = predictionsOfProbe(rows, index)
    // Most readings say much the same whatever is wrong.
    if (predicted.different.length < 2) continue
    const bits = mostBits(predicted)
    const route = routeTo(bench, place)
    const minutes = route.minutes + engine.cost.reading[probe.meter] + tripCost
    const price = minutes + heatCost + (goesDark(route) ? dark : 0)
    if (!isWorth(scoreOf(bits, risk, price), best)) continue
    if (risk > 0 && !isWorth(scoreOf(bits, risk - leastWrong(hypotheses, groups, predicted), price), best)) continue
    const scale = scaleOf(engine.system, probe)
    const told = inTheirHouses(hypotheses, predicted)
    const outcomes = clusterOutcomes(told, scale)
    if (outcomes.count < 2) continue
    const gainBits = before - entropyAfter(hypotheses, outcomes, groups)
    const score = scoreOf(gainBits, risk > 0 ? risk - wrongAfter(hypotheses, groups, outcomes) : 0, price)
    if (!isWorth(score, best)) continue
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
      meter: `${probe.meter} ${scale}`,
      predicted: (hypothesis) => told.different[told.of[hypothesis]],
    })
  }
}

/** How likely the bench itself trips, by the probe that asks for it. */
function tripShare({ rows, weights }: Rows, probe: number): number {
  let sum = 0
  for (const [place, row] of rows.entries())
    for (const { at, weight } of row[probe]) if (at !== 'OL' && openedBy(at) !== null) sum += weights[place] * weight
  return sum
}
