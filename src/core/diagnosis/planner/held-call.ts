import type { Bench } from '@/src/core/bench/bench'
import { isWarm } from '@/src/core/bench/since'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import { speaksOfTrouble } from '@/src/core/diagnosis/planner/again'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { asSet, chanceToFind, isClean, isLookAtWork, type Proof, proofsOf, tellsOf } from '@/src/core/diagnosis/planner/proof'
import type { Symptom } from '@/src/core/job/complaint'
import { type Probe, probeKey } from '@/src/core/readings/check'
import { latestAnswers } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'

/** Complaints of something that does not run, which a call of one minute may not show. */
const STANDS_STILL: readonly Symptom[] = ['mode-dead', 'nothing-runs', 'half-works']

/** The least chance of finding something for which the wait is taken: a call-back costs half an hour. */
const WORTH_WAITING = modelValue({ value: 0.02, unit: 'chance', source: 'assumption' })

/**
 * Before a house is called sound, a fault that was reported or seen once and does not show now is waited for: the call stays on long enough
 * for a joint or winding to open with the heat, and what it runs is looked at again. Null without such a report, and once that was done.
 */
export function holdTheCall(
  engine: Engine,
  posterior: Posterior,
  { complaint, observations }: Evidence,
  bench: Bench,
  { skipped = [] }: Choice,
): Check | null {
  const latest = new Set(latestAnswers(observations).map(({ id }) => id))
  const goneSince = observations.filter((one) => isLookAtWork(engine, one) && !latest.has(one.id) && speaksOfTrouble(engine, one))
  const isTold = complaint.symptoms.some((symptom) => STANDS_STILL.includes(symptom))
  const isMeant = (call: Proof['call']) =>
    (isTold && tellsOf(complaint, call)) || goneSince.some((one) => isClean(one) && one.bench.call === call)
  const wasHeld = (call: Proof['call'], probe: Probe) =>
    observations.some(
      (one) =>
        isClean(one) && one.bench.call === call && one.bench.since && isWarm(one.bench.since) && probeKey(one.probe) === probeKey(probe),
    )
  const refused = new Set(skipped.map(probeKey))
  const looks = proofsOf.of(engine.laboratory).flatMap(({ call, place, whole, parts, rests }) => {
    if (rests || call === 'off' || !isMeant(call)) return []
    const held: Bench = { ...asSet(engine.system, bench, call), since: { call: 'minutes', power: 'long' } }
    const probes = (refused.has(probeKey(whole)) ? parts : [whole]).filter(
      (probe) => !refused.has(probeKey(probe)) && !wasHeld(call, probe),
    )
    return probes.flatMap((probe) => weighQuestion(engine, posterior, observations, bench, held, probe, place) ?? [])
  })
  const most = looks.length > 0 ? looks.reduce((best, look) => (chanceToFind(look) > chanceToFind(best) ? look : best)) : null
  return most && chanceToFind(most) > WORTH_WAITING ? most : null
}
