import { saidBefore } from '@/src/core/diagnosis/after-repair'
import { houseOf, type Likelihoods } from '@/src/core/diagnosis/by-house'
import { type Complaint, emptyComplaint } from '@/src/core/diagnosis/complaint'
import type { Engine } from '@/src/core/diagnosis/engine'
import { houseLevels } from '@/src/core/diagnosis/houses'
import { latestAnswers, type Observation } from '@/src/core/diagnosis/observations'
import { priorWeights } from '@/src/core/diagnosis/priors'
import { logSum } from '@/src/core/units/log-sum'

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

/** Chance that the house has something that no entry of the catalogue describes: assumption. */
const NONE_OF_THESE = 0.02
/**
 * Half of the time such a fault resembles nothing known; else it is like a known one that shows in part of the readings
 * only, so that this share of them could be anything (assumptions).
 */
const LIKE_A_KNOWN_ONE = 0.5
const UNLIKE_SHARE = 0.35
/** After a repair: chance that nothing else is wrong. Two faults in one visit are common enough to look for: assumption. */
const SOUND_AFTER_REPAIR = 0.85
/** After a repair, the chance that the complaint speaks of what is left and not of what was mended: assumption. */
const COMPLAINT_OF_SECOND = 0.5

export interface Posterior {
  /** Probability of each hypothesis of the engine, in its order. */
  readonly hypotheses: Float64Array
  readonly noneOfThese: number
  /** For each hypothesis the kind of wiring, and the level of volts, in which it explains the readings best. */
  readonly kinds: Uint8Array
  readonly levels: Uint8Array
}

export function computePosterior(engine: Engine, evidence: Evidence): Posterior {
  const prior = priorOf(engine, evidence)
  const rows = latestAnswers(evidence.observations).map((observation) => engine.logLikelihoods(observation))
  return rows.length === 0 ? beforeAnyReading(engine, prior) : conclude(engine, prior, rows, sumByHouse(engine, prior, rows))
}

/** What would be thought without each of some readings in turn: the sum over all of them, less the one. */
export function* posteriorsWithout(
  engine: Engine,
  evidence: Evidence,
  isLeft: (observation: Observation) => boolean,
): Generator<Posterior> {
  const prior = priorOf(engine, evidence)
  const observations = latestAnswers(evidence.observations)
  const rows = observations.map((observation) => engine.logLikelihoods(observation))
  const all = sumByHouse(engine, prior, rows)
  for (const [place, left] of observations.entries()) {
    if (!isLeft(left)) continue
    const others = rows.filter((_, other) => other !== place)
    const { byHouse } = rows[place]
    yield others.length === 0
      ? beforeAnyReading(engine, prior)
      : conclude(
          engine,
          prior,
          others,
          all.map((sum, index) => sum - byHouse[index]),
        )
  }
}

/** log of each house's weight, for each story, and of how well it explains all the readings. */
function sumByHouse({ hypotheses, kinds, houses }: Engine, { ofKinds }: Prior, rows: readonly Likelihoods[]): Float64Array {
  const sums = Float64Array.from(houses.logWeights)
  for (const { byHouse } of rows) for (let place = 0; place < sums.length; place++) sums[place] += byHouse[place]
  if (ofKinds === null) return sums
  for (let story = 0; story < hypotheses.length; story++)
    for (let kind = 0; kind < kinds.length; kind++) {
      const end = houseOf(houses, story, kind + 1, 0)
      for (let place = houseOf(houses, story, kind, 0); place < end; place++) sums[place] += ofKinds[story * kinds.length + kind]
    }
  return sums
}

function conclude(engine: Engine, { weights, none }: Prior, rows: readonly Likelihoods[], byHouse: Float64Array): Posterior {
  const { hypotheses, houses } = engine
  const levels = houseLevels.length
  const logs = new Float64Array(hypotheses.length + 1)
  const kinds = new Uint8Array(hypotheses.length)
  const levelOf = new Uint8Array(hypotheses.length)
  const ofKinds = new Float64Array(engine.kinds.length)
  let lead = 0
  for (let index = 0; index < hypotheses.length; index++) {
    const span = houses.degrees[index] * levels
    let kind = 0
    for (let place = 0; place < ofKinds.length; place++) {
      ofKinds[place] = logSum(byHouse, houseOf(houses, index, place, 0), span)
      if (ofKinds[place] > ofKinds[kind]) kind = place
    }
    logs[index] = Math.log(weights[index] * (1 - none)) + logSum(ofKinds)
    const begin = houseOf(houses, index, kind, 0)
    let likeliest = begin
    for (let house = begin + 1; house < begin + span; house++) if (byHouse[house] > byHouse[likeliest]) likeliest = house
    kinds[index] = kind
    levelOf[index] = (likeliest - begin) % levels
    if (logs[index] > logs[lead]) lead = index
  }
  logs[hypotheses.length] = Math.log(none) + logOfNone(weights, rows, levelOf[lead])
  let highest = -Infinity
  for (const log of logs) if (log > highest) highest = log
  let total = 0
  for (let index = 0; index < logs.length; index++) {
    logs[index] = Math.exp(logs[index] - highest)
    total += logs[index]
  }
  for (let index = 0; index < logs.length; index++) logs[index] /= total
  return { hypotheses: logs.subarray(0, hypotheses.length), noneOfThese: logs[hypotheses.length], kinds, levels: levelOf }
}

const beforeAnyReading = ({ kinds }: Engine, { weights, ofKinds, none }: Prior): Posterior => ({
  hypotheses: weights.map((weight) => weight * (1 - none)),
  noneOfThese: none,
  kinds: Uint8Array.from(weights, (_, story) =>
    ofKinds === null
      ? 0
      : kinds.reduce((best, { weight }, kind) => {
          const log = (place: number, share: number) => Math.log(share) + ofKinds[story * kinds.length + place]
          return log(kind, weight) > log(best, kinds[best].weight) ? kind : best
        }, 0),
  ),
  levels: new Uint8Array(weights.length),
})

/** How well something of no catalogue explains the readings: like nothing known, or like a story in part of them. The house's volts stand as the leading story has them. */
function logOfNone(weights: Readonly<Float64Array>, rows: readonly Likelihoods[], level: number): number {
  const stories = weights.length
  const levels = houseLevels.length
  let anything = Math.log(1 - LIKE_A_KNOWN_ONE)
  const resembling = Float64Array.from(weights, Math.log)
  for (const { marginal, byLevel } of rows) {
    const chance = marginal[stories]
    anything += chance
    const unlike = UNLIKE_SHARE * Math.exp(chance)
    for (let index = 0; index < stories; index++)
      resembling[index] += Math.log((1 - UNLIKE_SHARE) * Math.exp(byLevel[index * levels + level]) + unlike)
  }
  return logSum([anything, Math.log(LIKE_A_KNOWN_ONE) + logSum(resembling)])
}

/** What is thought before any reading, or before any since the last repair. */
interface Prior {
  /** Of each story; they sum to one. */
  readonly weights: Readonly<Float64Array>
  /**
   * log of how much more or less often than elsewhere each kind of wiring is met beside a story, kind after kind: what was read
   * before a repair speaks of the house, too. Null before one.
   */
  readonly ofKinds: Readonly<Float64Array> | null
  /** That it is something of no catalogue; the stories share the rest. */
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
  const said = Float64Array.from(told, (_, story) => logSum(logKinds.map((log, kind) => log + ofKinds[story * kinds + kind])))
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

/** Weight of each story before any reading, or before any since the last repair. */
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
