import type { Engine } from '@/src/core/diagnosis/engine'
import { graded, kindsOfWiring } from '@/src/core/diagnosis/hypotheses/houses'
import { type Behaviour, behaviourOf } from '@/src/core/diagnosis/hypotheses/priors'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import { entropyOfRepair, massByRepair, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { NOTHING_WRONG } from '@/src/core/diagnosis/inference/suspects'
import { FOUND, namesRepair } from '@/src/core/diagnosis/inference/verdict'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { type Fault, singlesOf } from '@/src/core/faults/fault'
import type { Complaint } from '@/src/core/job/complaint'
import type { WayOfWorking } from '@/src/core/job/ways'
import { createHouse, drawValues, type House } from '@/src/core/practice/house'
import { complaintOf, runTrial, type Solver, type Start, type Trial } from '@/src/core/practice/trial'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import { modelValue } from '@/src/core/units/model-value'
import { createRandom, type Random } from '@/src/core/units/random'
import { partById } from '@/src/core/wiring/system'
import type { ValueFactors } from '@/src/core/wiring/values'

/** A house drawn for the exam: the same one can be opened again for every solver that sits it. */
export interface ExamCase {
  readonly hypothesis: Hypothesis
  readonly complaint: Complaint
  readonly values: ValueFactors
  /** Seed of the meter's noise and of what comes and goes. */
  readonly seed: number
}

/** One examined house: what was hidden, and what came of the search. */
export interface Sitting {
  readonly hidden: string
  readonly family: string
  readonly right: boolean
  /** The verdict named several suspects that nothing at hand splits, the right one among them. */
  readonly asGroup: boolean
  readonly trial: Trial
}

/** Part values are drawn from spreads this much wider than those of practice: the engine must not be examined on its own. */
export const WIDER = modelValue({ value: 1.4, unit: 'times', source: 'assumption' })
/** Spread of a joint's or a touch's ohms around its hypothesis's. */
const DAMAGE_SPREAD = modelValue({ value: 0.5, unit: 'natural logarithm', source: 'assumption' })
/** Spread of the joints of one strip around their common degree. */
const JOINT_SPREAD = modelValue({ value: 0.4, unit: 'natural logarithm', source: 'assumption' })
/** One house in so many is wired a little differently from its template. */
const WIRED_DIFFERENTLY = modelValue({ value: 10, unit: 'houses', source: 'assumption' })

/** A fault that is met in this system: a thermostat that does not guard its outputs has no code to show for nothing. */
export const isMet = ({ system }: Engine, { effects }: Fault): boolean =>
  effects.every((effect) => {
    const stat = effect.do === 'false-code' ? partById(system, effect.thermostat) : undefined
    return stat?.kind !== 'thermostat' || stat.guardA !== undefined
  })

/** Draws a house for a fault (null: nothing is wrong), one of its forms by how often that is met. */
export function drawCase(engine: Engine, random: Random, faultId: string | null): ExamCase {
  const indexes = [...engine.hypotheses.keys()].filter((index) => (engine.hypotheses[index].fault?.id ?? null) === faultId)
  const index = drawByRate(engine, indexes, random)
  // What is damaged is so to a degree of its own.
  const hypothesis = graded(engine.hypotheses[index], Math.exp(WIDER * DAMAGE_SPREAD * Math.max(-2, Math.min(2, random.normal()))))
  const wired = wiredIn(engine, unevenly(hypothesis, random), random)
  const behaviour = wired.wiring.length === 0 ? engine.behaviours[index] : showing(engine, wired)
  return { hypothesis: wired, complaint: complaintOf(engine, behaviour, random), ...drawRest(engine, random) }
}

/** Of several bad joints each is bad in its own way. */
function unevenly(hypothesis: Hypothesis, random: Random): Hypothesis {
  if (hypothesis.effects.filter((effect) => effect.do === 'resist').length < 2) return hypothesis
  return {
    ...hypothesis,
    effects: hypothesis.effects.map((effect) =>
      effect.do === 'resist'
        ? { ...effect, ohm: effect.ohm * Math.exp(JOINT_SPREAD * Math.max(-2, Math.min(2, random.normal()))) }
        : effect,
    ),
  }
}

export const drawRest = (engine: Engine, random: Random): Pick<ExamCase, 'values' | 'seed'> => ({
  values: drawValues(engine.system, random, WIDER),
  seed: Math.floor(random.uniform() * 2 ** 31),
})

/** Wires one house in ten otherwise; not one in which the fault that blew the fuse could not have blown it. */
export function wiredIn(engine: Engine, hypothesis: Hypothesis, random: Random): Hypothesis {
  const others = kindsOfWiring(engine.system).slice(1)
  const isOdd = random.uniform() * WIRED_DIFFERENTLY < 1 && others.length > 0
  const wired: Hypothesis = { ...hypothesis, wiring: isOdd ? random.pick(others).wiring : [] }
  const blewIt = isOdd && hypothesis.foundFuse === 'blown' && hypothesis.fault?.family !== 'fuse-only'
  return blewIt && !Object.values(showing(engine, wired).fresh).some(({ trips }) => trips > MAY_TRIP) ? { ...wired, wiring: [] } : wired
}
/** Below this nobody finds a blown fuse. */
const MAY_TRIP = modelValue({ value: 0.1, unit: 'chance', source: 'assumption' })

/** How a house behaves while its fault shows. */
const showing = (engine: Engine, hypothesis: Hypothesis): Behaviour => ({
  ...behaviourOf(engine.laboratory, { ...hypothesis, intermittent: false }),
  comesAndGoes: hypothesis.intermittent,
})

export function drawByRate(engine: Engine, indexes: readonly number[], random: Random): number {
  let left = random.uniform() * indexes.reduce((sum, index) => sum + engine.rates[index], 0)
  for (const index of indexes) {
    left -= engine.rates[index]
    if (left <= 0) return index
  }
  return indexes[indexes.length - 1]
}

export const openHouse = (engine: Engine, { hypothesis, values, seed }: ExamCase): House =>
  createHouse(engine.system, hypothesis, values, createRandom(seed))

/** Lets a solver search a drawn house and marks what it says. */
export function sit(engine: Engine, drawn: ExamCase, solver?: Solver, start: Partial<Start> = {}): Sitting {
  const trial = runTrial(engine, openHouse(engine, drawn), { complaint: drawn.complaint, ...start }, solver)
  const { fault } = drawn.hypothesis
  const { right, asGroup } = mark(trial, fault)
  return { hidden: drawn.hypothesis.id, family: fault?.family ?? 'nothing-wrong', right, asGroup, trial }
}

/** A spare in a wire's place, and a delay that has run out by the time that all was seen to run: nothing is wrong. */
const NOTHING_TO_MEND: readonly string[] = ['spare-serves', 'delay-running']

/** Right when the one repair that is wanted is named, or a group that holds the fault and that nothing at hand can split. */
export function mark({ verdict }: Trial, fault: Fault | null): { right: boolean; asGroup: boolean } {
  if (verdict === null) return { right: false, asGroup: false }
  if (verdict.found === 'nothing-wrong') return { right: fault === null || NOTHING_TO_MEND.includes(fault.family), asGroup: false }
  if (!namesRepair(verdict)) return { right: false, asGroup: false }
  // A missing bond that nobody missed, and a house that was built without one, are the same house.
  const isAmong = verdict.found !== 'repair' && verdict.suspects.includes(fault?.id ?? NOTHING_WRONG)
  if (fault === null) return { right: isAmong, asGroup: isAmong }
  const named = singlesOf(fault).some(({ repair }) => repair.id === verdict.repair.id)
  const asGroup = !named && isAmong
  return { right: named || asGroup, asGroup }
}

/** The free choice within a way of working. */
export const waySolver =
  (way: WayOfWorking): Solver =>
  (engine, evidence, bench) =>
    propose(engine, evidence, bench, { way })

/**
 * The search with every check at one price, and the bits of each answer it asks for. It ends where one repair stands out:
 * what is asked after that guards against a wrong reading, which the bound knows nothing of.
 */
export function equalCostSolver(): { solver: Solver; answerBits: number[] } {
  const answerBits: number[] = []
  return {
    answerBits,
    solver: (engine, evidence, bench) => {
      const proposal = propose(engine, evidence, bench, { equalCost: true })
      if (proposal.confirms) return { next: null, verdict: null }
      if (proposal.next)
        answerBits.push(proposal.next.outcomes.reduce((sum, { probability: p }) => (p > 0 ? sum - p * Math.log2(p) : sum), 0))
      return proposal
    },
  }
}

/** Bits that may be left when 95 % on one repair ends the search: the entropy of 0.95 and 0.05. */
const LEFT_BITS = modelValue({ value: 0.29, unit: 'bit', source: 'the entropy of 0.95 and 0.05' })

/** Checks that no search could do with less of, given what the answers of the same checks can carry. */
export interface Bound {
  /** For houses drawn as often as they are met: entropy of the repair over bits an answer (Shannon's source coding bound). */
  readonly byEntropy: number
  /**
   * For this one house: the length of its repair's word in the best code, up to the 95 % that end a search. The exam draws its faults
   * evenly, so that rare ones, whose words are long, are as many as common ones: this mean is the one to hold its checks against.
   */
  readonly ofThis: number
}

/** The least number of checks that could tell the repairs of this complaint apart (Huffman's code is within one check of it). */
export function leastChecks(
  engine: Engine,
  { complaint, hypothesis }: Pick<ExamCase, 'complaint' | 'hypothesis'>,
  answerBits: readonly number[],
): Bound {
  const weighed = weigh(engine, { ...noEvidence, complaint })
  const mean = Math.max(0.1, answerBits.reduce((sum, value) => sum + value, 0) / Math.max(1, answerBits.length))
  const share = massByRepair(weighed.engine, weighed.posterior).get(hypothesis.fault?.repair.id ?? 'nothing') ?? 0
  return {
    byEntropy: Math.max(0, entropyOfRepair(weighed.engine, weighed.posterior) - LEFT_BITS) / mean,
    ofThis: Math.max(0, Math.log2(FOUND / share)) / mean,
  }
}

/** A share with its 95 % interval (Wilson 1927): small numbers keep their doubt. */
export function shareOf(hits: number, count: number): { share: number; low: number; high: number } {
  if (count === 0) return { share: Number.NaN, low: 0, high: 1 }
  const z = 1.96
  const share = hits / count
  const middle = (share + z ** 2 / (2 * count)) / (1 + z ** 2 / count)
  const half = (z * Math.sqrt((share * (1 - share)) / count + z ** 2 / (4 * count ** 2))) / (1 + z ** 2 / count)
  return { share, low: Math.max(0, middle - half), high: Math.min(1, middle + half) }
}

/** Mean with half the width of its 95 % interval (normal approximation). */
export function meanOf(values: readonly number[]): { mean: number; half: number } {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length
  const variance = values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / Math.max(1, values.length - 1)
  return { mean, half: 1.96 * Math.sqrt(variance / values.length) }
}

/** What a verdict claimed, and whether it was right; a group that holds the fault is not right here. */
export interface Claim {
  readonly claimed: number
  readonly right: boolean
}

export const claimOf = ({ right, asGroup, trial: { verdict } }: Sitting): Claim | null =>
  verdict && { claimed: verdict.probability, right: right && !asGroup }

/** Claimed against right, in bands of what the verdict claimed. */
export function calibrate(claims: readonly Claim[]): { claimed: number; right: number; n: number }[] {
  const bands = [0, 0.5, 0.7, 0.85, 0.95, 0.98, 1.0001]
  return bands.slice(1).flatMap((high, index) => {
    const inside = claims.filter(({ claimed }) => claimed >= bands[index] && claimed < high)
    if (inside.length === 0) return []
    const claimed = inside.reduce((sum, claim) => sum + claim.claimed, 0) / inside.length
    return [{ claimed, right: inside.filter(({ right }) => right).length / inside.length, n: inside.length }]
  })
}
