import type { Engine } from '@/src/core/diagnosis/engine'
import { priorWeights } from '@/src/core/diagnosis/hypotheses/priors'
import { saidBefore } from '@/src/core/diagnosis/inference/after-repair'
import { type Chains, houseOf } from '@/src/core/diagnosis/likelihood/by-house'
import { type Link, linksOf, UNREAD } from '@/src/core/diagnosis/likelihood/chain'
import { logOfAnything } from '@/src/core/diagnosis/likelihood/reading'
import { type Complaint, emptyComplaint } from '@/src/core/job/complaint'
import { isSameGhost, latestAnswers, type Observation } from '@/src/core/readings/observations'
import { logSum } from '@/src/core/units/log-sum'
import { modelValue } from '@/src/core/units/model-value'

/** What is known of the house so far. */
export interface Evidence {
  readonly complaint: Complaint
  /** Readings since the last repair, in order. */
  readonly observations: readonly Observation[]
  /** Faults mended earlier in this job, the last one last. */
  readonly repaired: readonly string[]
  /** Readings from before the last repair: they still speak of a second fault. */
  readonly before?: readonly Observation[]
}

export const noEvidence: Evidence = { complaint: emptyComplaint, observations: [], repaired: [] }

/** The house has something that no entry of the catalogue describes. */
const NONE_OF_THESE = modelValue({ value: 0.02, unit: 'chance', source: 'assumption' })
/**
 * Half of the time such a fault resembles nothing known; else it is like a known one that shows in part of the readings only
 * (`UNLIKE_SHARE`), which then could be anything: assumption.
 */
const LIKE_A_KNOWN_ONE = modelValue({ value: 0.5, unit: 'share', source: 'assumption' })
/** After a repair nothing else is wrong. Two faults in one visit are common enough to look for. */
const SOUND_AFTER_REPAIR = modelValue({ value: 0.85, unit: 'chance', source: 'assumption' })
/** After a repair the complaint speaks of what is left and not of what was repaired. */
const COMPLAINT_OF_SECOND = modelValue({ value: 0.5, unit: 'chance', source: 'assumption' })

export interface Posterior {
  /** Probability of each hypothesis of the engine, in its order. */
  readonly hypotheses: Float64Array
  readonly noneOfThese: number
  /** For each hypothesis the kind of wiring in which it explains the readings best. */
  readonly kinds: Uint8Array
  /** For each hypothesis how much of its damage there is in its likeliest house: a place in `degrees`, 0 where it comes by none. */
  readonly degrees: Uint8Array
  /** For each hypothesis what its likeliest house has taught of its values. */
  readonly chains: readonly Link[]
}

export function computePosterior(engine: Engine, evidence: Evidence): Posterior {
  const prior = priorOf(engine, evidence)
  const observations = latestAnswers(evidence.observations)
  if (observations.length === 0) return beforeAnyReading(engine, prior)
  return conclude(engine, prior, observations, engine.store.chains(observations))
}

/**
 * What would be thought without each of some readings in turn, where `isWanted` says so of a first estimate. Estimated by leaving out
 * what the reading added to each chain, which is exact where no other reading leans on the same; then worked out
 * anew.
 */
export function* posteriorsWithout(
  engine: Engine,
  evidence: Evidence,
  isLeft: (observation: Observation) => boolean,
  isWanted: (estimate: Float64Array) => boolean = () => true,
): Generator<{ readonly left: Observation; readonly posterior: Posterior }> {
  const prior = priorOf(engine, evidence)
  const observations = latestAnswers(evidence.observations)
  const all = engine.store.chains(observations)
  const added = all.links.map((link) => linksOf(link).map(({ log, before }) => log - (before?.log ?? 0)))
  for (const left of observations) {
    if (!isLeft(left)) continue
    const isOut = observations.map((other) => other === left || isSameGhost(other, left))
    const others = observations.filter((_, other) => !isOut[other])
    if (others.length === 0) {
      yield { left, posterior: beforeAnyReading(engine, prior) }
      continue
    }
    const estimate = massOfHypotheses(engine, prior, all, (link) =>
      added[link].reduce((log, gain, other) => (isOut[other] ? log - gain : log), all.links[link].log),
    )
    if (isWanted(estimate)) yield { left, posterior: conclude(engine, prior, others, engine.store.chains(others)) }
  }
}

/** Probability of each hypothesis by the logs of its houses' chains; nothing of no catalogue among them. */
function massOfHypotheses(engine: Engine, prior: Prior, chains: Chains, logOf: (link: number) => number): Float64Array {
  const logs = Float64Array.from(
    engine.hypotheses,
    (_, hypothesis) => Math.log(prior.weights[hypothesis]) + logOfHypothesis(engine, prior, chains, hypothesis, logOf).log,
  )
  const highest = logs.reduce((a, b) => Math.max(a, b), Number.NEGATIVE_INFINITY)
  const masses = logs.map((log) => Math.exp(log - highest))
  const total = masses.reduce((sum, mass) => sum + mass, 0)
  return masses.map((mass) => mass / total)
}

/**
 * log of how well a hypothesis explains the readings, its houses together; the kind of wiring that holds most of that over all degrees of
 * its damage, and the likeliest house of that kind.
 */
function logOfHypothesis(
  { houses, kinds }: Engine,
  { ofKinds }: Prior,
  chains: Chains,
  hypothesis: number,
  logOf: (link: number) => number,
): { log: number; kind: number; degree: number; house: number } {
  const logs: number[] = []
  const likeliest: number[] = []
  for (let kind = 0; kind < kinds.length; kind++) {
    const begin = houseOf(houses, hypothesis, kind, 0)
    const ofDegrees: number[] = []
    let best = 0
    for (let degree = 0; degree < houses.degrees[hypothesis]; degree++) {
      ofDegrees.push(houses.logWeights[begin + degree] + logOf(chains.of[begin + degree]))
      if (ofDegrees[degree] > ofDegrees[best]) best = degree
    }
    logs.push(logSum(ofDegrees) + (ofKinds === null ? 0 : ofKinds[hypothesis * kinds.length + kind]))
    likeliest.push(best)
  }
  const kind = logs.indexOf(Math.max(...logs))
  const degree = likeliest[kind]
  return { log: logSum(logs), kind, degree, house: houseOf(houses, hypothesis, kind, degree) }
}

function conclude(engine: Engine, prior: Prior, observations: readonly Observation[], chains: Chains): Posterior {
  const { hypotheses } = engine
  const { weights, none } = prior
  const logs = new Float64Array(hypotheses.length + 1)
  const kinds = new Uint8Array(hypotheses.length)
  const degrees = new Uint8Array(hypotheses.length)
  const likeliest: Link[] = []
  const logOf = (link: number) => chains.links[link].log
  for (let index = 0; index < hypotheses.length; index++) {
    const { log, kind, degree, house } = logOfHypothesis(engine, prior, chains, index, logOf)
    logs[index] = Math.log(weights[index] * (1 - none)) + log
    kinds[index] = kind
    degrees[index] = degree
    likeliest.push(chains.links[chains.of[house]])
  }
  logs[hypotheses.length] = Math.log(none) + logOfNone(engine, prior, observations, chains)
  let highest = -Infinity
  for (const log of logs) if (log > highest) highest = log
  let total = 0
  for (let index = 0; index < logs.length; index++) {
    logs[index] = Math.exp(logs[index] - highest)
    total += logs[index]
  }
  for (let index = 0; index < logs.length; index++) logs[index] /= total
  return { hypotheses: logs.subarray(0, hypotheses.length), noneOfThese: logs[hypotheses.length], kinds, degrees, chains: likeliest }
}

const beforeAnyReading = ({ kinds }: Engine, { weights, ofKinds, none }: Prior): Posterior => ({
  hypotheses: weights.map((weight) => weight * (1 - none)),
  noneOfThese: none,
  kinds: Uint8Array.from(weights, (_, hypothesis) =>
    ofKinds === null
      ? 0
      : kinds.reduce((best, { weight }, kind) => {
          const log = (place: number, share: number) => Math.log(share) + ofKinds[hypothesis * kinds.length + place]
          return log(kind, weight) > log(best, kinds[best].weight) ? kind : best
        }, 0),
  ),
  degrees: new Uint8Array(weights.length),
  chains: Array.from(weights, () => UNREAD),
})

/** How well something of no catalogue explains the readings: like nothing known, or like a hypothesis in part of them. */
function logOfNone(engine: Engine, prior: Prior, observations: readonly Observation[], chains: Chains): number {
  const anything = observations.reduce(
    (sum, observation) => sum + logOfAnything(engine.system, observation),
    Math.log(1 - LIKE_A_KNOWN_ONE),
  )
  const logOf = (link: number) => chains.links[link].resembling
  const resembling = engine.hypotheses.map(
    (_, hypothesis) => Math.log(prior.weights[hypothesis]) + logOfHypothesis(engine, prior, chains, hypothesis, logOf).log,
  )
  return logSum([anything, Math.log(LIKE_A_KNOWN_ONE) + logSum(resembling)])
}

/** What is thought before any reading, or before any since the last repair. */
interface Prior {
  /** Of each hypothesis; they sum to one. */
  readonly weights: Readonly<Float64Array>
  /**
   * log of how much more or less often than elsewhere each kind of wiring is met beside a hypothesis, kind after kind: what was read
   * before a repair speaks of the house, too. Null before one.
   */
  readonly ofKinds: Readonly<Float64Array> | null
  /** That it is something of no catalogue; the hypotheses share the rest. */
  readonly none: number
}

/** After a repair the house is probably sound; if it is not, the complaint and the readings from before the repair say where to look. */
function priorOf(engine: Engine, evidence: Evidence): Prior {
  const told = priorWeights(engine.system, engine.hypotheses, engine.rates, engine.behaviours, evidence.complaint)
  const last = evidence.repaired.at(-1)
  if (last === undefined) return { weights: told, ofKinds: null, none: NONE_OF_THESE }
  const kinds = engine.kinds.length
  const logKinds = engine.kinds.map(({ weight }) => Math.log(weight))
  const ofKinds = Float64Array.from(saidBefore(engine, last, evidence.before ?? []))
  const said = Float64Array.from(told, (_, hypothesis) => logSum(logKinds.map((log, kind) => log + ofKinds[hypothesis * kinds + kind])))
  for (let place = 0; place < ofKinds.length; place++) ofKinds[place] -= said[Math.floor(place / kinds)]
  const weights = Float64Array.from(told)
  const rest = 1 - told[0]
  const rates = engine.rates.reduce((sum, rate, index) => (index === 0 ? sum : sum + rate), 0)
  const highest = said.reduce((a, b) => Math.max(a, b), Number.NEGATIVE_INFINITY)
  for (let index = 0; index < weights.length; index++) {
    const left = COMPLAINT_OF_SECOND * (told[index] / rest) + (1 - COMPLAINT_OF_SECOND) * (engine.rates[index] / rates)
    weights[index] = (index === 0 ? SOUND_AFTER_REPAIR : left * (1 - SOUND_AFTER_REPAIR)) * Math.exp(said[index] - highest)
  }
  const total = weights.reduce((sum, weight) => sum + weight, 0)
  // Where nothing else is wrong, nothing of no catalogue is.
  return { weights: weights.map((weight) => weight / total), ofKinds, none: NONE_OF_THESE * (1 - SOUND_AFTER_REPAIR) }
}

/** Weight of each hypothesis before any reading, or before any since the last repair. */
export const priorsOf = (engine: Engine, evidence: Evidence): Readonly<Float64Array> => priorOf(engine, evidence).weights

/** Probability of each zone of the system; what is in no zone (nothing wrong, none of these) is left out. */
export function zoneProbabilities(engine: Engine, hypotheses: ArrayLike<number>): Map<string, number> {
  const zones = new Map<string, number>()
  engine.hypotheses.forEach(({ fault }, index) => {
    if (fault) zones.set(fault.zone, (zones.get(fault.zone) ?? 0) + hypotheses[index])
  })
  return zones
}

/** What each act of repair holds, "nothing" among them. */
export function massByRepair(engine: Engine, { hypotheses }: Posterior): Map<string, number> {
  const sums = new Map<string, number>()
  engine.hypotheses.forEach(({ fault }, index) => {
    const repair = fault?.repair.id ?? 'nothing'
    sums.set(repair, (sums.get(repair) ?? 0) + hypotheses[index])
  })
  return sums
}

/** Entropy of what would be repaired, bits; "none of these" counts as one answer. */
export function entropyOfRepair(engine: Engine, posterior: Posterior): number {
  return [...massByRepair(engine, posterior).values(), posterior.noneOfThese].reduce(
    (bits, share) => (share > 0 ? bits - share * Math.log2(share) : bits),
    0,
  )
}

/** Both of two ways to see the readings, each as likely as the other. */
export const evenly = (one: Posterior, other: Posterior): Posterior => ({
  ...one,
  hypotheses: one.hypotheses.map((share, index) => (share + other.hypotheses[index]) / 2),
  noneOfThese: (one.noneOfThese + other.noneOfThese) / 2,
})
