import { type Complaint, emptyComplaint } from '@/src/core/diagnosis/complaint'
import { type Engine, latestAnswers, type Observation } from '@/src/core/diagnosis/engine'
import { priorWeights } from '@/src/core/diagnosis/priors'

/** What is known of the house so far. */
export interface Evidence {
  readonly complaint: Complaint
  /** Readings since the last repair, in order. */
  readonly observations: readonly Observation[]
  /** Faults mended earlier in this job. */
  readonly repaired: readonly string[]
}

export const noEvidence: Evidence = { complaint: emptyComplaint, observations: [], repaired: [] }

/** Chance that the house has something that no entry of the catalogue describes: assumption. */
const NONE_OF_THESE = 0.02
/** After a repair: chance that nothing else is wrong. Two faults in one visit are common enough to look for: assumption. */
const SOUND_AFTER_REPAIR = 0.85

export interface Posterior {
  /** Probability of each hypothesis of the engine, in its order. */
  readonly hypotheses: Float64Array
  readonly noneOfThese: number
  /** For each hypothesis the kind of wiring in which it explains the readings best. */
  readonly kinds: Uint8Array
}

export function computePosterior(engine: Engine, evidence: Evidence): Posterior {
  const { hypotheses } = engine
  const weights = priorsOf(engine, evidence)
  const kinds = engine.logKinds.length
  const byKind = new Float64Array(hypotheses.length * kinds)
  for (let place = 0; place < byKind.length; place++) byKind[place] = engine.logKinds[place % kinds]
  let anything = Math.log(NONE_OF_THESE)
  for (const observation of latestAnswers(evidence.observations)) {
    const likelihoods = engine.logLikelihoods(observation)
    for (let place = 0; place < byKind.length; place++) byKind[place] += likelihoods.byKind[place]
    anything += likelihoods.marginal[hypotheses.length]
  }
  const logs = new Float64Array(hypotheses.length + 1)
  const likeliest = new Uint8Array(hypotheses.length)
  for (let index = 0; index < hypotheses.length; index++) {
    logs[index] = Math.log(weights[index] * (1 - NONE_OF_THESE)) + logSum(byKind, index * kinds, kinds)
    for (let kind = 1; kind < kinds; kind++)
      if (byKind[index * kinds + kind] > byKind[index * kinds + likeliest[index]]) likeliest[index] = kind
  }
  logs[hypotheses.length] = anything
  let highest = -Infinity
  for (const log of logs) if (log > highest) highest = log
  let total = 0
  for (let index = 0; index < logs.length; index++) {
    logs[index] = Math.exp(logs[index] - highest)
    total += logs[index]
  }
  for (let index = 0; index < logs.length; index++) logs[index] /= total
  return { hypotheses: logs.subarray(0, hypotheses.length), noneOfThese: logs[hypotheses.length], kinds: likeliest }
}

/** log of the sum of exponentials of a stretch of an array. */
function logSum(values: Float64Array, start: number, count: number): number {
  let highest = -Infinity
  for (let place = start; place < start + count; place++) if (values[place] > highest) highest = values[place]
  let sum = 0
  for (let place = start; place < start + count; place++) sum += Math.exp(values[place] - highest)
  return highest + Math.log(sum)
}

/** After a repair the house is probably sound; what the complaint made likely is what to look for if it is not. */
function priorsOf(engine: Engine, evidence: Evidence): Float64Array {
  const weights = priorWeights(engine.system, engine.hypotheses, engine.rates, engine.behaviours, evidence.complaint)
  if (evidence.repaired.length === 0) return weights
  const rest = 1 - weights[0]
  for (let index = 0; index < weights.length; index++)
    weights[index] = index === 0 ? SOUND_AFTER_REPAIR : (weights[index] / rest) * (1 - SOUND_AFTER_REPAIR)
  return weights
}

/** Probability of each zone of the system; what is in no zone (nothing wrong, none of these) is left out. */
export function zoneProbabilities(engine: Engine, hypotheses: ArrayLike<number>): Map<string, number> {
  const zones = new Map<string, number>()
  engine.hypotheses.forEach(({ fault }, index) => {
    if (fault) zones.set(fault.zone, (zones.get(fault.zone) ?? 0) + hypotheses[index])
  })
  return zones
}
