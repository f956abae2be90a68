import type { Engine } from '@/src/core/diagnosis/engine'
import { degreesInOrder, graded } from '@/src/core/diagnosis/hypotheses/houses'
import { type HypothesisSet, inEachKind, joinSets } from '@/src/core/diagnosis/hypotheses/hypothesis-set'
import { type Behaviour, behaviourOf } from '@/src/core/diagnosis/hypotheses/priors'
import { isUnprotected, rateOfBurning, recordOf } from '@/src/core/diagnosis/inference/burning'
import { DEGREE_STEP, PairPredictions, PairStore } from '@/src/core/diagnosis/inference/pair-store'
import { computePosterior, type Evidence, type Posterior } from '@/src/core/diagnosis/inference/posterior'
import { FORGIVEN, listSuspects } from '@/src/core/diagnosis/inference/suspects'
import { type Chains, houseOf, layOutHouses } from '@/src/core/diagnosis/likelihood/by-house'
import { hangsAcrossSupply } from '@/src/core/faults/across-supply'
import type { Fault } from '@/src/core/faults/fault'
import { foundIn, type Hypothesis } from '@/src/core/readings/hypothesis'
import { parseLook } from '@/src/core/readings/look-target'
import { isPlainToSee, latestAnswers, type Observation, observationKey } from '@/src/core/readings/observations'
import { LruCache, Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'

/** What the readings leave standing, and the engine that knows those hypotheses: pairs of faults stand beside the single ones when they must. */
export interface Weighed {
  readonly evidence: Evidence
  readonly engine: Engine
  readonly posterior: Posterior
}

/** Two independent faults at once. */
const PAIR_SHARE = modelValue({ value: 0.04, unit: 'share of visits', source: 'assumption' })
/** Singles explain badly when "none of these" takes this much. */
const NONE_TAKES = modelValue({ value: 0.03, unit: 'probability', source: 'assumption' })
/** The same beside a fault that is only there now and then, unless that is what the customer told. */
const NONE_BESIDE_UNSTEADY = modelValue({ value: 0.004, unit: 'probability', source: 'assumption' })
/** So much on a transformer that was burned out counts as one. */
const BURNED_TAKES = modelValue({ value: 0.5, unit: 'probability', source: 'assumption' })
/** So much on what is there now and then counts as beside it. */
const UNSTEADY_TAKES = modelValue({ value: 0.25, unit: 'probability', source: 'assumption' })
/** Pairs whose readings are worked out in full, after a ranking by the better of their two halves. */
const PAIRS_WEIGHED = workLimit(40)
/** Singles that may be half of a pair. */
const HALVES = workLimit(90)
/** Of those the best, which any other may stand beside. */
const LEADS = workLimit(3)

/**
 * The posterior over single faults and, where those explain the readings badly, over pairs of the plausible ones too
 * (engine.md section 5). The pairs are chosen by letting each reading be explained by the better of the two.
 */
export function weigh(base: Engine, evidence: Evidence): Weighed {
  return lastOf.of(base).get(keyOf(evidence), () => weighAnew(base, evidence))
}

/** Suspects, loom and next check of one moment ask for the same, and what is thought ahead of each likely answer: the last ones are kept. */
const lastOf = new Memo((_: Engine) => new LruCache<string, Weighed>(workLimit(16)))

const keyOf = ({ complaint, observations, repaired, before = [] }: Evidence): string =>
  JSON.stringify([complaint, repaired, ...[before, observations].map((list) => list.map(observationKey))])

function weighAnew(base: Engine, evidence: Evidence): Weighed {
  const singles = computePosterior(base, evidence)
  const isBad = evidence.observations.length > 1 && (explainsBadly(base, evidence, singles) || leavesUnexplained(base, evidence, singles))
  if (!isBad) return { evidence, engine: base, posterior: singles }
  const engine = withPairs(base, choosePairs(base, evidence))
  return { evidence, engine, posterior: computePosterior(engine, evidence) }
}

function explainsBadly(engine: Engine, { complaint }: Evidence, { hypotheses, noneOfThese }: Posterior): boolean {
  if (noneOfThese > NONE_TAKES) return true
  // A transformer seldom dies by itself, and seldom outlives a short that nothing opens on: the two are weighed together.
  const burned = engine.hypotheses.reduce((sum, _, index) => {
    const record = recordOf(engine, index)
    const isOneOfTwo = record?.burnedOut || (record?.burnsOutTransformers && isUnprotected(engine, index))
    return sum + (isOneOfTwo ? hypotheses[index] : 0)
  }, 0)
  if (burned > BURNED_TAKES) return true
  if (noneOfThese < NONE_BESIDE_UNSTEADY || complaint.symptoms.includes('fuse-now-and-then')) return false
  const unsteady = engine.hypotheses.reduce((sum, { intermittent }, index) => sum + (intermittent ? hypotheses[index] : 0), 0)
  return unsteady > UNSTEADY_TAKES
}

/** The leading one has more readings against it than one plain wrong one, or one that the eye cannot have wrong: a second fault may have made them. */
function leavesUnexplained(engine: Engine, evidence: Evidence, posterior: Posterior): boolean {
  const seen = new Set(evidence.observations.flatMap((one) => (isPlainToSee(one) && !isMark(one) ? [one.id] : [])))
  const isOdd = posterior.noneOfThese >= NONE_BESIDE_UNSTEADY
  if (!isOdd && seen.size === 0) return false
  const [lead] = listSuspects(engine, evidence, posterior, 1)
  return (isOdd && lead.misfits > FORGIVEN) || lead.evidence.some(({ observation, fits }) => !fits && seen.has(observation))
}

/** Marks are seen on wires of which nothing comes. */
const isMark = ({ probe }: Observation): boolean => probe.meter === 'look' && parseLook(probe.at).what === 'wiring'

/** A half of a pair: a hypothesis by its index, and how much of its damage there is. */
interface Half {
  readonly index: number
  readonly times: number
}

/** The most promising pairs of different faults, each half in the degree that explains the readings best. */
function choosePairs(engine: Engine, evidence: Evidence): [Half, Half][] {
  const readings = latestAnswers(evidence.observations)
  const rows = readings.map((observation) => engine.store.alone(observation))
  const ohms = readings.map(({ probe }) => probe.meter === 'ohms')
  const logRates = engine.rates.map(Math.log)
  const all = engine.rates.reduce((sum, rate) => sum + rate, 0)
  const steady = [...engine.hypotheses.keys()].filter((index) => engine.hypotheses[index].fault && !engine.hypotheses[index].intermittent)
  // A half must explain something well: the sum of what it explains better than chance.
  const merit = (index: number) => logRates[index] + rows.reduce((sum, row) => sum + Math.max(0, row[index] - row[row.length - 1]), 0)
  const halves = steady
    .map((index) => ({ index, merit: merit(index) }))
    .sort((a, b) => b.merit - a.merit)
    .slice(0, HALVES)
    .map(({ index }) => index)
  // The best so far, the best first.
  const pairs: { pair: [number, number]; score: number }[] = []
  const consider = (a: number, b: number): void => {
    if (a === b || isOneFault(engine, a, b)) return
    let score = Math.log(rateOfPair(engine, a, b, all))
    for (const row of rows) score += Math.max(row[a], row[b])
    if (pairs.length === PAIRS_WEIGHED && score <= pairs[PAIRS_WEIGHED - 1].score) return
    const place = pairs.findLastIndex((other) => other.score >= score) + 1
    pairs.splice(place, 0, { pair: [a, b], score })
    if (pairs.length > PAIRS_WEIGHED) pairs.pop()
  }
  halves.forEach((a, position) => {
    for (const b of halves.slice(position + 1)) consider(a, b)
  })
  // What explains little by itself may explain just what a leading one leaves.
  const leads = halves.slice(0, LEADS)
  const isHalf = new Set(halves)
  for (const lead of leads) for (const b of steady) if (!isHalf.has(b)) consider(lead, b)
  // Beside a leading one it is as bad as the readings say that the other leaves unexplained, and not as bad as would make all of them.
  const chains = engine.store.chains(readings)
  const besideLead = new Map(
    leads.map((lead) => {
      const left = readings.filter((_, place) => rows[place][lead] < rows[place][rows[place].length - 1])
      return [lead, left.length === 0 ? chains : engine.store.chains(left)]
    }),
  )
  const beside = (index: number): Chains => besideLead.get(index) ?? chains
  const best = pairs.map(({ pair }) => pair)
  return [...best, ...behindOpenWindings(engine, steady, rows, ohms, best)].map(([a, b]) => [
    { index: a, times: bestDamage(engine, beside(b), a) },
    { index: b, times: bestDamage(engine, beside(a), b) },
  ])
}

/**
 * A burned-out transformer and what hangs across it: the ohms there are no reading of either by itself, since a whole winding hides the short
 * and an open one has nothing across it. Where an open winding leaves something unexplained, each of those is weighed beside it.
 */
function behindOpenWindings(
  engine: Engine,
  steady: readonly number[],
  rows: readonly Float64Array[],
  ohms: readonly boolean[],
  known: readonly [number, number][],
): [number, number][] {
  const isOpen = (winding: number) => engine.hypotheses[winding].effects.some((effect) => effect.do === 'open')
  // Ohms between two points: what else it leaves unexplained no short across it would explain.
  const isUnexplained = (winding: number) => rows.some((row, place) => ohms[place] && row[winding] < row[row.length - 1])
  const windings = steady.filter((index) => recordOf(engine, index)?.burnedOut && isOpen(index) && isUnexplained(index))
  if (windings.length === 0) return []
  const shorts = steady.filter(
    (index) => recordOf(engine, index)?.burnsOutTransformers && hangsAcrossSupply(engine.system, engine.hypotheses[index].effects),
  )
  return windings.flatMap((winding) =>
    shorts.flatMap((short): [number, number][] =>
      known.some((pair) => pair.includes(winding) && pair.includes(short)) ? [] : [[winding, short]],
    ),
  )
}

/** The same fault in another form; or of a part that is burned out already: a winding that is open is not weak as well. */
function isOneFault(engine: Engine, a: number, b: number): boolean {
  const [one, other] = [a, b].map((index) => engine.hypotheses[index].fault)
  if (one?.id === other?.id) return true
  const isBurned = [a, b].some((index) => recordOf(engine, index)?.burnedOut)
  return isBurned && one !== null && other !== null && one.part === other.part
}

/** One degree is told from another by so much of a log. */
const TELLS = modelValue({ value: 1e-6, unit: 'log', source: 'rounding of double precision' })

/**
 * How much of a hypothesis's damage there is, in the house as drawn first, where it explains the readings best: times what it says. A pair has
 * this one degree, and not the five of a single fault with what lies between them: the peak of a parabola through the logs of the best degree
 * and its neighbours, in quarters of an octave.
 */
function bestDamage({ houses }: Engine, { links, of }: Chains, hypothesis: number): number {
  if (houses.degrees[hypothesis] === 1) return 1
  const logs = degreesInOrder.map(({ degree }) => links[of[houseOf(houses, hypothesis, 0, degree)]].log)
  const asSaid = degreesInOrder.findIndex(({ times }) => times === 1)
  // Where the readings do not tell, it is as bad as it says.
  const best = logs.reduce((most, log, place) => (log > logs[most] + TELLS ? place : most), asSaid)
  const [below, peak, above] = [logs[best - 1], logs[best], logs[best + 1]]
  const octaves = Math.log2(degreesInOrder[best].times)
  if (below === undefined || above === undefined) return 2 ** octaves
  const curvature = below - 2 * peak + above
  const shift = curvature < 0 ? (below - above) / (2 * curvature) : 0
  return DEGREE_STEP ** Math.round((octaves + shift) / Math.log2(DEGREE_STEP))
}

interface Pair {
  readonly hypothesis: Hypothesis
  readonly rate: number
  readonly behaviour: Behaviour
}

/** Pairs that are kept for the next reading. */
const MOST_PAIRS = workLimit(2_000)
const keptOf = new Memo((engine: Engine) => ({
  pairs: new LruCache<string, Pair>(MOST_PAIRS),
  behaviours: new LruCache<string, Behaviour>(MOST_PAIRS),
  predictions: new PairPredictions(engine.laboratory),
}))

/** The engine with hypotheses of two faults behind its own. */
function withPairs(base: Engine, chosen: readonly [Half, Half][]): Engine {
  const kept = keptOf.of(base)
  const all = base.rates.reduce((sum, rate) => sum + rate, 0)
  const pairs = chosen.map(([a, b]) => kept.pairs.get(keyOfPair(a, b), () => pairOf(base, a, b, all)))
  const set = setOfPairs(pairs, base.kinds)
  // Of two degrees each has its own: what moves with both at once leans on neither.
  const haveDegree = chosen.map((halves) => halves.filter(({ index }) => base.houses.degrees[index] > 1).length === 1)
  const halves = chosen.map((pair) => pair.map(({ index }) => index))
  return { ...base, ...joinSets(base, set), store: new PairStore(base, set, kept.predictions, halves, haveDegree) }
}

function setOfPairs(pairs: readonly Pair[], kinds: Engine['kinds']): HypothesisSet {
  const hypotheses = pairs.map(({ hypothesis }) => hypothesis)
  return {
    hypotheses,
    rates: pairs.map(({ rate }) => rate),
    behaviours: pairs.map(({ behaviour }) => behaviour),
    // Of two faults at once one degree each is weighed.
    houses: layOutHouses(
      pairs.map(() => false),
      kinds,
    ),
    hypothesesByKind: inEachKind(hypotheses, kinds),
  }
}

function pairOf(engine: Engine, a: Half, b: Half, all: number): Pair {
  const [one, other] = [a, b].map(inOctave)
  return {
    hypothesis: joinHalves(engine, a, b),
    rate: rateOfPair(engine, a.index, b.index, all),
    // What the customer saw tells octaves of damage apart, and no less.
    behaviour: keptOf
      .of(engine)
      .behaviours.get(keyOfPair(one, other), () => behaviourOf(engine.laboratory, joinHalves(engine, one, other))),
  }
}

const keyOfPair = (a: Half, b: Half): string => `${a.index} ${a.times} ${b.index} ${b.times}`

const inOctave = ({ index, times }: Half): Half => ({ index, times: 2 ** Math.round(Math.log2(times)) })

function joinHalves(engine: Engine, a: Half, b: Half): Hypothesis {
  const [first, second] = [a, b].map(({ index, times }) =>
    times === 1 ? engine.hypotheses[index] : graded(engine.hypotheses[index], times),
  )
  if (!first.fault || !second.fault) throw new Error(`a pair needs two faults: ${first.id}, ${second.id}`)
  return {
    id: `${first.id} + ${second.id}${a.times === 1 && b.times === 1 ? '' : ` times ${a.times.toFixed(2)} and ${b.times.toFixed(2)}`}`,
    fault: joinFaults(first.fault, second.fault),
    effects: [...first.effects, ...second.effects],
    wiring: [],
    ...foundIn(first, second),
    intermittent: false,
  }
}

/** How often two faults are met together: by chance, or as the one story of a short and the transformer that it burned out. */
const rateOfPair = (engine: Engine, a: number, b: number, all: number): number =>
  (2 * PAIR_SHARE * engine.rates[a] * engine.rates[b]) / all + rateOfBurning(engine, a, b)

/** Two faults told as one hypothesis; each keeps its own repair in `parts`. */
export function joinFaults(one: Fault, other: Fault): Fault {
  // The same two, and the same two acts, whichever was thought of first.
  const [first, second] = one.id <= other.id ? [one, other] : [other, one]
  return {
    ...first,
    id: `${first.id} + ${second.id}`,
    say: `${first.say}; and ${inSentence(second.say)}`,
    repair: { id: [first.repair.id, second.repair.id].sort().join(' + '), say: `${first.repair.say}. ${second.repair.say}` },
    effects: [...first.effects, ...second.effects],
    variants: [],
    touches: [...new Set([...first.touches, ...second.touches])],
    parts: [first, second],
  }
}

/** A sentence within another: a terminal's letter keeps its capital. */
const inSentence = (say: string): string => (/^[A-Z][a-z]/.test(say) ? say.charAt(0).toLowerCase() + say.slice(1) : say)
