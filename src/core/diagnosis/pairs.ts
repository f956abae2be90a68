import { benchKey } from '@/src/core/bench/bench'
import { gather, joinHouses, joinRows, type Likelihoods, layOutHouses, overLevels } from '@/src/core/diagnosis/by-house'
import type { Engine } from '@/src/core/diagnosis/engine'
import { widened } from '@/src/core/diagnosis/foresee'
import { atLevel, BESIDE_LEVEL } from '@/src/core/diagnosis/houses'
import { latestAnswers, type Observation, observationKey, wrongShare } from '@/src/core/diagnosis/observations'
import { computePosterior, type Evidence, type Posterior } from '@/src/core/diagnosis/posterior'
import { type Behaviour, behaviourOf } from '@/src/core/diagnosis/priors'
import type { Fault } from '@/src/core/faults/fault'
import { probesKey } from '@/src/core/readings/check'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import { likelihood } from '@/src/core/readings/likelihood'
import { predictAll, scaleOf, wordsFor } from '@/src/core/readings/predict'
import type { Prediction } from '@/src/core/readings/prediction'
import { Kept, KeptPer } from '@/src/core/units/kept'

/** What the readings leave standing, and the engine that knows those stories: pairs of faults stand beside the single ones when they must. */
export interface Weighed {
  readonly evidence: Evidence
  readonly engine: Engine
  readonly posterior: Posterior
}

/** Share of visits with two independent faults at once: assumption. */
const PAIR_SHARE = 0.04
/**
 * Singles explain badly when "none of these" takes this much, or a little of it beside a fault that is only there now and
 * then, unless that is what the customer tells: assumptions.
 */
const NONE_TAKES = 0.03
const NONE_BESIDE_UNSTEADY = 0.004
const UNSTEADY_TAKES = 0.25
/** Pairs whose readings are worked out in full, after a ranking by the better of their two halves. */
const PAIRS_WEIGHED = 40
/** Singles that may be half of a pair. */
const HALVES = 90

/**
 * The posterior over single faults and, where those explain the readings badly, over pairs of the plausible ones too
 * (engine.md section 5). The pairs are chosen by letting each reading be explained by the better of the two.
 */
export function weigh(base: Engine, evidence: Evidence): Weighed {
  return lastOf.of(base).get(keyOf(evidence), () => weighAnew(base, evidence))
}

/** Suspects, loom and next check of one moment ask for the same, and what is thought ahead of each likely answer: the last ones are kept. */
const MOMENTS = 16
const lastOf = new KeptPer((_: Engine) => new Kept<string, Weighed>(MOMENTS))

const keyOf = ({ complaint, observations, repaired, before = [] }: Evidence): string =>
  JSON.stringify([complaint, repaired, ...[before, observations].map((list) => list.map(observationKey))])

function weighAnew(base: Engine, evidence: Evidence): Weighed {
  const singles = computePosterior(base, evidence)
  if (evidence.observations.length < 2 || !explainsBadly(base, evidence, singles)) return { evidence, engine: base, posterior: singles }
  const engine = withPairs(base, choosePairs(base, evidence))
  return { evidence, engine, posterior: computePosterior(engine, evidence) }
}

function explainsBadly(engine: Engine, { complaint }: Evidence, { hypotheses, noneOfThese }: Posterior): boolean {
  if (noneOfThese > NONE_TAKES) return true
  if (noneOfThese < NONE_BESIDE_UNSTEADY || complaint.symptoms.includes('fuse-now-and-then')) return false
  const unsteady = engine.hypotheses.reduce((sum, { intermittent }, index) => sum + (intermittent ? hypotheses[index] : 0), 0)
  return unsteady > UNSTEADY_TAKES
}

/** The most promising pairs of different faults, as indexes of the engine's hypotheses. */
function choosePairs(engine: Engine, evidence: Evidence): [number, number][] {
  const rows = latestAnswers(evidence.observations).map((observation) => engine.logLikelihoods(observation).marginal)
  const logRates = engine.rates.map(Math.log)
  const steady = [...engine.hypotheses.keys()].filter((index) => engine.hypotheses[index].fault && !engine.hypotheses[index].intermittent)
  // A half must explain something well: the sum of what it explains better than chance.
  const merit = (index: number) => logRates[index] + rows.reduce((sum, row) => sum + Math.max(0, row[index] - row[row.length - 1]), 0)
  const halves = steady
    .map((index) => ({ index, merit: merit(index) }))
    .sort((a, b) => b.merit - a.merit)
    .slice(0, HALVES)
    .map(({ index }) => index)
  const pairs: { pair: [number, number]; score: number }[] = []
  halves.forEach((a, position) => {
    for (const b of halves.slice(position + 1)) {
      if (engine.hypotheses[a].fault?.id === engine.hypotheses[b].fault?.id) continue
      let score = logRates[a] + logRates[b]
      for (const row of rows) score += Math.max(row[a], row[b])
      pairs.push({ pair: [a, b], score })
    }
  })
  return pairs
    .sort((a, b) => b.score - a.score)
    .slice(0, PAIRS_WEIGHED)
    .map(({ pair }) => pair)
}

interface Pair {
  readonly hypothesis: Hypothesis
  readonly rate: number
  readonly behaviour: Behaviour
}

const MOST_PAIRS = 2_000
const MOST_KEPT = 20_000
const keptOf = new KeptPer((_: Engine) => ({
  pairs: new Kept<string, Pair>(MOST_PAIRS),
  likelihoods: new Kept<string, number[]>(MOST_KEPT),
  predictions: new Kept<string, Prediction[]>(MOST_KEPT),
}))

/** The engine with stories of two faults behind its own; what it works out for them is kept for the next reading. */
function withPairs(base: Engine, chosen: readonly [number, number][]): Engine {
  const kept = keptOf.of(base)
  const all = base.rates.reduce((sum, rate) => sum + rate, 0)
  const pairs = chosen.map(([a, b]) => kept.pairs.get(`${a} ${b}`, () => makePair(base, a, b, all)))
  const { laboratory, system } = base
  const single = base.hypotheses.length
  // Of two faults at once no degrees are weighed.
  const ofPairs = layOutHouses(
    pairs.map(() => false),
    base.kinds,
  )
  const inKind = (pair: Pair, kind: number): Hypothesis =>
    kind === 0 ? pair.hypothesis : { ...pair.hypothesis, wiring: base.kinds[kind].wiring }

  /** What an answer says of a pair in one kind of wiring, level after level. */
  function weighAnswer(pair: Pair, kind: number, observation: Observation): number[] {
    const { bench, probe, answer } = observation
    return kept.likelihoods.get(`${pair.hypothesis.id} ${kind} ${observationKey(observation)}`, () => {
      const scale = scaleOf(system, probe)
      const words = wordsFor(system, probe).length
      const wrong = wrongShare(observation)
      const [foretold] = predictAll(laboratory, bench, inKind(pair, kind), [probe])
      const prediction = widened(foretold, scale, BESIDE_LEVEL)
      return overLevels(scale, (times) => likelihood(answer, atLevel(prediction, scale, times), scale, words, wrong))
    })
  }

  function extend(observation: Observation): Likelihoods {
    const singles = base.logLikelihoods(observation)
    const more = gather(
      (position, kind) => weighAnswer(pairs[position], kind, observation),
      pairs.map(() => 1),
      base.kinds,
      ofPairs,
      singles.marginal[single],
    )
    return joinRows(singles, more)
  }

  const extended = new KeptPer(extend)
  return {
    ...base,
    hypotheses: [...base.hypotheses, ...pairs.map(({ hypothesis }) => hypothesis)],
    rates: [...base.rates, ...pairs.map(({ rate }) => rate)],
    houses: joinHouses(base.houses, ofPairs),
    behaviours: [...base.behaviours, ...pairs.map(({ behaviour }) => behaviour)],
    hypothesesByKind: base.hypothesesByKind.map((hypotheses, kind) => [...hypotheses, ...pairs.map((pair) => inKind(pair, kind))]),
    logLikelihoods: (observation) => extended.of(observation),
    predictions: (bench, probes) => {
      const ofSingle = base.predictions(bench, probes)
      const key = `${benchKey(bench)} ${probesKey(probes)}`
      return (hypothesis, kind) => {
        if (hypothesis < single) return ofSingle(hypothesis, kind)
        const pair = pairs[hypothesis - single]
        return kept.predictions.get(`${pair.hypothesis.id} ${kind} ${key}`, () =>
          predictAll(laboratory, bench, inKind(pair, kind), probes).map((prediction, index) =>
            widened(prediction, scaleOf(system, probes[index])),
          ),
        )
      }
    },
  }
}

function makePair(engine: Engine, a: number, b: number, all: number): Pair {
  const [first, second] = [engine.hypotheses[a], engine.hypotheses[b]]
  if (!first.fault || !second.fault) throw new Error(`a pair needs two faults: ${first.id}, ${second.id}`)
  const hypothesis: Hypothesis = {
    id: `${first.id} + ${second.id}`,
    fault: joinFaults(first.fault, second.fault),
    effects: [...first.effects, ...second.effects],
    wiring: [],
    foundFuse: first.foundFuse === 'blown' || second.foundFuse === 'blown' ? 'blown' : 'intact',
    intermittent: false,
  }
  return {
    hypothesis,
    rate: (2 * PAIR_SHARE * engine.rates[a] * engine.rates[b]) / all,
    behaviour: behaviourOf(engine.laboratory, hypothesis),
  }
}

/** Two faults told as one story; each keeps its own repair in `parts`. */
export function joinFaults(first: Fault, second: Fault): Fault {
  return {
    ...first,
    id: `${first.id} + ${second.id}`,
    say: `${first.say}; and ${second.say.charAt(0).toLowerCase()}${second.say.slice(1)}`,
    repair: { id: `${first.repair.id} + ${second.repair.id}`, say: `${first.repair.say}. ${second.repair.say}` },
    effects: [...first.effects, ...second.effects],
    variants: [],
    touches: [...new Set([...first.touches, ...second.touches])],
    parts: [first, second],
  }
}
