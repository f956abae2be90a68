import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import { linksOf, predictionIn, UNREAD } from '@/src/core/diagnosis/likelihood/chain'
import type { Repair } from '@/src/core/faults/fault'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import { factsIn, latestAnswers, type Observation } from '@/src/core/readings/observations'
import { scaleOf } from '@/src/core/readings/predict'
import { saysPrediction } from '@/src/core/readings/say'
import { Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'

export const NOTHING_WRONG = 'nothing-wrong'
export const NONE_OF_THESE = 'none-of-these'

/** A reading as it speaks for or against one suspect. */
export interface EvidenceRow {
  readonly observation: string
  readonly expected: string
  /** Log of how much better the suspect explains this reading than the average of the others. */
  readonly weight: number
  /** The suspect explains this reading at all, whatever the odds say. */
  readonly fits: boolean
  readonly verdict: 'strongly for' | 'for' | 'says little' | 'against' | 'strongly against'
}

export interface Suspect {
  /** A fault's id, `nothing-wrong` or `none-of-these`. */
  readonly id: string
  readonly say: string
  readonly zone: string | null
  readonly probability: number
  readonly repair: Repair | null
  /** Set for a hypothesis of two faults: each with its own zone and repair. */
  readonly parts: readonly { readonly id: string; readonly say: string; readonly zone: string; readonly repair: Repair }[]
  readonly evidence: readonly EvidenceRow[]
  /** Readings that this suspect does not explain at all, whatever the odds say; one that was taken again and stayed counts twice. */
  readonly misfits: number
  /** The part of its probability that it holds as a fault that comes and goes. */
  readonly unsteady: number
}

/** Beyond this a reading does not fit. */
const MISFIT_LIMIT = modelValue({ value: 4, unit: 'standard deviations', source: 'assumption' })

/** One reading may be plain wrong; two that do not fit mean that the hypothesis is. */
export const FORGIVEN = modelValue({ value: 1, unit: 'readings', source: 'assumption' })

/** All suspects, likeliest first; evidence tables for the leading ones. */
export function listSuspects(engine: Engine, evidence: Evidence, posterior: Posterior, tables = 6): Suspect[] {
  const observations = latestAnswers(evidence.observations)
  const byFault = placesByFault.of(engine.hypotheses)
  const ranked = [...byFault.entries()]
    .map(([id, indexes]) => ({ id, indexes, probability: indexes.reduce((sum, index) => sum + posterior.hypotheses[index], 0) }))
    .sort((a, b) => b.probability - a.probability)
  const suspects = ranked.map(({ id, indexes, probability }, rank): Suspect => {
    const best = indexes.reduce((a, b) => (posterior.hypotheses[b] > posterior.hypotheses[a] ? b : a))
    const { fault } = engine.hypotheses[best]
    const rows = rank < tables ? observations.map((observation, place) => rowFor(engine, posterior, observation, place, best, id)) : []
    return {
      id,
      say: fault?.say ?? 'Nothing is wrong with the low-voltage side',
      zone: fault?.zone ?? null,
      probability,
      repair: fault?.repair ?? null,
      parts: fault?.parts?.map(({ id, say, zone, repair }) => ({ id, say, zone, repair })) ?? [],
      evidence: rows,
      misfits: rows.reduce((sum, { fits }, row) => sum + (fits ? 0 : factsIn(observations[row])), 0),
      unsteady: indexes.reduce((sum, index) => sum + (engine.hypotheses[index].intermittent ? posterior.hypotheses[index] : 0), 0),
    }
  })
  suspects.push({
    id: NONE_OF_THESE,
    say: 'None of these',
    zone: null,
    probability: posterior.noneOfThese,
    repair: null,
    parts: [],
    evidence: [],
    misfits: 0,
    unsteady: 0,
  })
  return suspects.sort((a, b) => b.probability - a.probability)
}

/** The hypotheses of each fault, by place. */
const placesByFault = new Memo((hypotheses: readonly Hypothesis[]) => {
  const places = new Map<string, number[]>()
  for (const [index, { fault }] of hypotheses.entries()) {
    const id = fault?.id ?? NOTHING_WRONG
    const known = places.get(id)
    if (known) known.push(index)
    else places.set(id, [index])
  }
  return places
})

/** How often each fault is met, and how often together with an answer. */
interface Met {
  readonly rate: number
  readonly withAnswer: number
}

/** By the logs of an answer under each hypothesis, which the store keeps. */
const metOf = new Memo(
  ({ hypotheses, rates }: Engine) =>
    new Memo((logs: Float64Array): ReadonlyMap<string, Met> => {
      const met = new Map<string, Met>()
      for (const [id, places] of placesByFault.of(hypotheses)) {
        let [rate, withAnswer] = [0, 0]
        for (const place of places) {
          rate += rates[place]
          withAnswer += rates[place] * Math.exp(logs[place])
        }
        met.set(id, { rate, withAnswer })
      }
      return met
    }),
)

function rowFor(engine: Engine, posterior: Posterior, observation: Observation, place: number, index: number, fault: string): EvidenceRow {
  const logs = engine.store.alone(observation)
  let others = 0
  let mass = 0
  for (const [id, { rate, withAnswer }] of metOf.of(engine).of(logs)) {
    if (id === fault) continue
    others += withAnswer
    mass += rate
  }
  const weight = logs[index] - Math.log(others / mass)
  // As it was expected in this hypothesis's house, with what the readings before it had taught of that.
  const link = linksOf(posterior.chains[index])[place]
  const prediction = engine.store.predictionIn(observation, index, posterior.kinds[index], posterior.degrees[index])
  return {
    observation: observation.id,
    expected: saysPrediction(predictionIn(link?.before ?? UNREAD, prediction), scaleOf(engine.system, observation.probe)),
    weight,
    fits: (link?.away ?? 0) <= MISFIT_LIMIT,
    verdict: sayWeight(weight),
  }
}

function sayWeight(weight: number): EvidenceRow['verdict'] {
  if (weight > 1.6) return 'strongly for'
  if (weight > 0.4) return 'for'
  if (weight < -1.6) return 'strongly against'
  if (weight < -0.4) return 'against'
  return 'says little'
}
