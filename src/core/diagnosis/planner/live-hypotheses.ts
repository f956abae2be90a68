import type { Engine } from '@/src/core/diagnosis/engine'
import { massByRepair, type Posterior } from '@/src/core/diagnosis/inference/posterior'
import type { LiveHypothesis } from '@/src/core/diagnosis/planner/live-hypothesis'
import type { Outcomes } from '@/src/core/diagnosis/planner/outcomes'
import type { ProbePredictions } from '@/src/core/diagnosis/planner/probe-predictions'
import { Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'

/** The planner weighs the hypotheses that together hold this much. */
const WEIGHED_MASS = modelValue({ value: 0.985, unit: 'probability', source: 'assumption' })
const WEIGHED_STORIES = workLimit(240)
/** All checks are ranked on this many heavy hypotheses and a share of the light ones. */
const HEAVY = workLimit(14)
const STANDING_FOR = workLimit(7)

/** Probabilities are told apart in steps of this. */
const STEPS = workLimit(1e9)
/** When a sound house, or one repair, is almost sure, what is left is made of many small doubts: each is worth a look. */
export const ALMOST_SURE = modelValue({ value: 0.9, unit: 'probability', source: 'assumption' })
/** Then this much of the doubt is weighed, however little it is. */
const WEIGHED_DOUBT = modelValue({ value: 0.95, unit: 'share of the doubt', source: 'assumption' })

/** Wiring that holds less than this is not weighed. */
const KIND_HOLDS = modelValue({ value: 0.02, unit: 'probability', source: 'assumption' })

/** The share of each kind of wiring, the most first. */
export const sharesOfKinds = new Memo(({ hypotheses, kinds }: Posterior): { kind: number; share: number }[] => {
  const shares: number[] = []
  for (const [index, kind] of kinds.entries()) shares[kind] = (shares[kind] ?? 0) + hypotheses[index]
  // Kinds in which no hypothesis stands are holes, which flatMap passes over.
  return shares.flatMap((share, kind) => [{ kind, share }]).sort((a, b) => b.share - a.share)
})

/** The kind of wiring in which a hypothesis is weighed: its own, or where hardly any house would be wired so, the likeliest. */
function kindOf(posterior: Posterior): (index: number) => number {
  const [likeliest, ...others] = sharesOfKinds.of(posterior)
  const held = [likeliest, ...others.filter(({ share }) => share >= KIND_HOLDS)].map(({ kind }) => kind)
  return (index) => (held.includes(posterior.kinds[index]) ? posterior.kinds[index] : likeliest.kind)
}

/** The heavy hypotheses, and every so many of the light ones standing for their neighbours: enough to rank checks by. */
export function thinOut(hypotheses: readonly LiveHypothesis[]): LiveHypothesis[] {
  if (hypotheses.length <= HEAVY + STANDING_FOR) return [...hypotheses]
  const light: LiveHypothesis[] = []
  for (let start = HEAVY; start < hypotheses.length; start += STANDING_FOR) {
    const neighbours = hypotheses.slice(start, start + STANDING_FOR)
    light.push({ ...neighbours[Math.floor(neighbours.length / 2)], weight: neighbours.reduce((sum, { weight }) => sum + weight, 0) })
  }
  return [...hypotheses.slice(0, HEAVY), ...light]
}

/** Beside one repair that is almost sure most of what is left; or all, those that were given up, too, as many as are weighed at most. */
type Among = 'likely' | 'doubts' | 'all'

/** The hypotheses that matter now, each with the repair it would lead to; every question of one moment is weighed by the same. */
export function liveHypotheses(
  engine: Engine,
  posterior: Posterior,
  steadyOnly: boolean,
  among: Among = 'likely',
): readonly LiveHypothesis[] {
  const known = liveOf.of(engine).of(posterior)
  const key = `${among} ${steadyOnly}`
  const live = known.get(key) ?? pickLive(engine, posterior, steadyOnly, among)
  known.set(key, live)
  return live
}

const liveOf = new Memo((_: Engine) => new Memo((_: Posterior) => new Map<string, readonly LiveHypothesis[]>()))

function pickLive(engine: Engine, posterior: Posterior, steadyOnly: boolean, among: Among): LiveHypothesis[] {
  const isWanted = (index: number) => !steadyOnly || !engine.hypotheses[index].intermittent
  const whole = Array.from(posterior.hypotheses.keys()).filter(isWanted)
  const total = whole.reduce((sum, index) => sum + posterior.hypotheses[index], 0)
  const settled = among !== 'likely' ? Math.max(...massByRepair(engine, posterior).values()) : posterior.hypotheses[0]
  const sure = settled > ALMOST_SURE ? settled : 0
  // In steps, so that the last digit of a logarithm, which differs between JavaScript engines, does not change the order.
  const step = (index: number) => Math.round(posterior.hypotheses[index] * STEPS)
  const order = whole.sort((a, b) => step(b) - step(a) || a - b)
  const kindIn = kindOf(posterior)
  const groups = new Map<string, number>()
  const hypotheses: LiveHypothesis[] = []
  let mass = 0
  for (const index of order) {
    const doubt = (mass - sure) / Math.max(1e-12, total - sure)
    if ((among !== 'all' && mass >= WEIGHED_MASS * total && doubt >= WEIGHED_DOUBT) || hypotheses.length >= WEIGHED_STORIES) break
    const weight = posterior.hypotheses[index]
    const repair = engine.hypotheses[index].fault?.repair.id ?? 'nothing'
    const group = groups.get(repair) ?? groups.size
    groups.set(repair, group)
    hypotheses.push({ index, kind: kindIn(index), weight, group, chain: posterior.chains[index] })
    mass += weight
  }
  return hypotheses.map((hypothesis) => ({ ...hypothesis, weight: hypothesis.weight / mass }))
}

/** Entropy of what would be repaired, bits, before the answer is known. */
export function entropyBefore(hypotheses: readonly LiveHypothesis[], groups: number): number {
  const sums = new Float64Array(groups)
  for (const { group, weight } of hypotheses) sums[group] += weight
  return entropyOf(sums)
}

/** The same, expected over the answers. */
export function entropyAfter(hypotheses: readonly LiveHypothesis[], { count, of, probabilities }: Outcomes, groups: number): number {
  const sums = new Float64Array(groups)
  let expected = 0
  for (let answer = 0; answer < count; answer++) {
    sums.fill(0)
    let total = 0
    for (let row = 0; row < hypotheses.length; row++) {
      const weight = hypotheses[row].weight * probabilities[of[row] * count + answer]
      sums[hypotheses[row].group] += weight
      total += weight
    }
    if (total > 1e-9) expected += total * entropyOf(sums)
  }
  return expected
}

/**
 * What a check can tell at the most, bits: which of the different predictions holds. Quick to say, before the answers are
 * worked out.
 */
export const mostBits = ({ different, weights }: ProbePredictions): number => (different.length < 2 ? 0 : entropyOf(weights))

/** How likely the likeliest repair will be the wrong one, expected over the answers of a check; without one, now. */
export function wrongAfter(hypotheses: readonly LiveHypothesis[], groups: number, outcomes: Outcomes | null): number {
  const count = outcomes?.count ?? 1
  const sums = new Float64Array(groups)
  let right = 0
  let total = 0
  for (let answer = 0; answer < count; answer++) {
    sums.fill(0)
    for (let row = 0; row < hypotheses.length; row++) {
      const weight = hypotheses[row].weight * (outcomes ? outcomes.probabilities[outcomes.of[row] * count + answer] : 1)
      sums[hypotheses[row].group] += weight
      total += weight
    }
    right += highest(sums, 0, groups)
  }
  return 1 - right / total
}

/** The least that any answer could leave of it: if the check told which of the different predictions holds. */
export function leastWrong(hypotheses: readonly LiveHypothesis[], groups: number, { different, ofRow, rows }: ProbePredictions): number {
  const sums = new Float64Array(groups * different.length)
  let total = 0
  for (let row = 0; row < hypotheses.length; row++) {
    sums[ofRow[rows.of[row]] * groups + hypotheses[row].group] += hypotheses[row].weight
    total += hypotheses[row].weight
  }
  let right = 0
  for (let place = 0; place < different.length; place++) right += highest(sums, place * groups, groups)
  return 1 - right / total
}

function highest(sums: Float64Array, from: number, length: number): number {
  let found = 0
  for (let place = from; place < from + length; place++) if (sums[place] > found) found = sums[place]
  return found
}

/** Bits of a distribution given as sums that need not add up to one. */
export function entropyOf(sums: Float64Array): number {
  let total = 0
  let weighted = 0
  for (const sum of sums) {
    if (sum <= 0) continue
    total += sum
    weighted += sum * Math.log2(sum)
  }
  return total > 0 ? Math.log2(total) - weighted / total : 0
}
