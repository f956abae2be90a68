import { applyChange, isResettable } from '@/src/core/bench/apply'
import { type Bench, createBench } from '@/src/core/bench/bench'
import { type Complaint, emptyComplaint, symptoms } from '@/src/core/diagnosis/complaint'
import type { Engine, Observation } from '@/src/core/diagnosis/engine'
import { findNextCheck } from '@/src/core/diagnosis/next-check'
import { computePosterior, type Evidence } from '@/src/core/diagnosis/posterior'
import { symptomLikelihood } from '@/src/core/diagnosis/priors'
import { listSuspects } from '@/src/core/diagnosis/suspects'
import { judge, reachVerdict, type Verdict, without } from '@/src/core/diagnosis/verdict'
import type { House } from '@/src/core/practice/house'
import type { Random } from '@/src/core/units/random'
import { callsOf } from '@/src/core/wiring/system'

/** One simulated job, from the complaint to a verdict by free choice. */
export interface Trial {
  readonly verdict: Verdict | null
  readonly checks: number
  readonly minutes: number
  readonly trips: number
  readonly fuses: number
  readonly observations: readonly Observation[]
}

const MAX_CHECKS = 30

export function runTrial(engine: Engine, house: House, complaint: Complaint): Trial {
  let bench: Bench = createBench(engine.system)
  const observations: Observation[] = []
  let minutes = 0
  let trips = 0
  let fuses = 0
  for (let checks = 0; ; checks++) {
    const evidence: Evidence = { complaint, observations, repaired: [] }
    const posterior = computePosterior(engine, evidence)
    const suspects = listSuspects(engine, evidence, posterior, 1)
    const { verdict, doubted } = judge(engine, evidence, suspects)
    if (verdict || checks === MAX_CHECKS)
      return { verdict: verdict ?? reachVerdict(suspects, true), checks, minutes, trips, fuses, observations }
    const planned = doubted ? computePosterior(engine, without(evidence, doubted)) : posterior
    const check = findNextCheck(engine, planned, bench, observations)
    if (!check) return { verdict: reachVerdict(suspects, true), checks, minutes, trips, fuses, observations }
    for (const change of check.setup) {
      const applied = applyChange(engine.system, bench, change)
      if (!applied.ok) throw new Error(applied.problem)
      bench = applied.bench
      house.change(change)
    }
    minutes += check.minutes
    const { answer, tripped } = house.ask(check.probe)
    if (tripped) {
      trips++
      if (!isResettable(engine.system, bench)) fuses++
    }
    if (tripped || check.probe.meter === 'trip')
      observations.push({ id: `${checks}-trip`, bench, probe: { meter: 'trip' }, answer: { word: tripped ? 'trips' : 'holds' } })
    if (tripped) bench = { ...bench, slot: { ...bench.slot, open: true } }
    if (check.probe.meter !== 'trip') observations.push({ id: `${checks}`, bench, probe: check.probe, answer })
  }
}

/** What the customer of this house would tell: one symptom that shows, or nothing of use now and then. */
export function drawComplaint(engine: Engine, hypothesis: number, random: Random): Complaint {
  if (random.uniform() < 0.15) return emptyComplaint
  const calls = [null, ...callsOf(engine.system)]
  const showing = symptoms.flatMap((symptom) =>
    calls
      .filter((call) => (call === null) === (symptom !== 'fuse-on-call' && symptom !== 'mode-dead'))
      .filter((call) => symptomLikelihood(symptom, call, engine.behaviours[hypothesis], engine.behaviours[0]) > 0.45)
      .map((call) => ({ symptom, call })),
  )
  if (showing.length === 0) return emptyComplaint
  const { symptom, call } = random.pick(showing)
  return { ...emptyComplaint, symptoms: [symptom], call }
}
