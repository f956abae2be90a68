import { applyChange, isResettable } from '@/src/core/bench/apply'
import { type Bench, type BenchChange, createBench, type Since, slotOf, withSlot } from '@/src/core/bench/bench'
import { minutesOf } from '@/src/core/bench/cost'
import { atTime, clockAfter, UNTOUCHED } from '@/src/core/bench/since'
import type { Engine } from '@/src/core/diagnosis/engine'
import { type Behaviour, symptomLikelihood } from '@/src/core/diagnosis/hypotheses/priors'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import type { Evidence } from '@/src/core/diagnosis/inference/posterior'
import { listSuspects } from '@/src/core/diagnosis/inference/suspects'
import type { Verdict } from '@/src/core/diagnosis/inference/verdict'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { planRoute } from '@/src/core/diagnosis/planner/route'
import { type Complaint, emptyComplaint } from '@/src/core/job/complaint'
import { symptoms } from '@/src/core/job/symptoms'
import type { House } from '@/src/core/practice/house'
import { type Answer, type Probe, tripWord } from '@/src/core/readings/check'
import { clockAfterReading } from '@/src/core/readings/clock-after'
import type { Observation } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'
import type { Random } from '@/src/core/units/random'
import type { PlaceId } from '@/src/core/wiring/ids'
import { callsOf } from '@/src/core/wiring/system'

/** One simulated search, from the complaint, or from a repair, to a verdict. */
export interface Trial {
  readonly verdict: Verdict | null
  /** The suspect that led at the end, verdict or not. */
  readonly lead: string
  readonly checks: number
  readonly minutes: number
  readonly trips: number
  readonly fuses: number
  /** Transformers that were cooked while the search went on. */
  readonly cooked: number
  readonly observations: readonly Observation[]
  readonly bench: Bench
}

/** The question that a solver asks next: what to probe, where, on which bench. */
export interface Question {
  readonly bench: Bench
  readonly place: PlaceId
  readonly probe: Probe
}

/** How a search is done: a verdict ends it, and so does having nothing to ask. */
export type Solver = (engine: Engine, evidence: Evidence, bench: Bench) => { next: Question | null; verdict: Verdict | null }

export const freeChoice: Solver = (engine, evidence, bench) => propose(engine, evidence, bench)

/** Where a search begins. */
export interface Start {
  readonly complaint: Complaint
  readonly bench?: Bench
  readonly repaired?: readonly string[]
  /** Readings from before the repair. */
  readonly before?: readonly Observation[]
  readonly mostChecks?: number
}

/** A search that has asked so much is given up: what comes and goes is waited for on another day. */
const MOST_CHECKS = modelValue({ value: 80, unit: 'checks', source: 'assumption' })

/** One step of a search as it is done in the house: what is changed, the minutes it takes, and what is then asked. */
export interface SearchStep {
  readonly changes: readonly BenchChange[]
  /** Minutes of the walk and the hands, and of the reading after them. */
  readonly minutes: number
  readonly probe: Probe
  /** How long the call and the power have been on when it is asked. */
  readonly since: Since | undefined
}

/** What the house answered: whether its protection opened since the changes, and whether a transformer was cooked. */
export interface Answered {
  readonly answer: Answer
  readonly tripped: boolean
  /** A further fuse or breaker that opened, by its part. */
  readonly opened?: string
  readonly cooked: boolean
}

/** Lets a solver ask a house until it has a verdict. Minutes are those of the walk, the hands, the reading and what trips cost. */
export function runTrial(engine: Engine, house: House, start: Start, solver: Solver = freeChoice): Trial {
  const search = searchBySteps(engine, start, solver)
  let step = search.next()
  while (!step.done) {
    const { changes, probe, minutes, since } = step.value
    for (const change of changes) house.change(change)
    const asked = house.ask(probe, since)
    step = search.next({ ...asked, cooked: house.pass(minutes) })
  }
  return step.value
}

/** The same search, step by step: whoever drives it does each step in a house of their own and gives back what was answered. */
export function* searchBySteps(engine: Engine, start: Start, solver: Solver = freeChoice): Generator<SearchStep, Trial, Answered> {
  const { system } = engine
  const { complaint, repaired = [], before = [], mostChecks = MOST_CHECKS } = start
  let bench: Bench = start.bench ?? createBench(system)
  const observations: Observation[] = []
  let clock = UNTOUCHED
  let minutes = 0
  let trips = 0
  let fuses = 0
  let cooked = 0
  for (let checks = 0; ; checks++) {
    const evidence: Evidence = { complaint, observations, repaired, before }
    const { next, verdict } = solver(engine, evidence, bench)
    if (!next || checks === mostChecks) {
      const weighed = weigh(engine, evidence)
      const [lead] = listSuspects(weighed.engine, evidence, weighed.posterior, 0)
      return { verdict, lead: lead.id, checks, minutes, trips, fuses, cooked, observations, bench }
    }
    const route = planRoute(system, atTime(bench, clock), next.bench, next.place, engine.cost)
    const taken = route.minutes + engine.cost.reading[next.probe.meter]
    minutes += taken
    for (const change of route.changes) {
      const applied = applyChange(system, bench, change)
      if (!applied.ok) throw new Error(applied.problem)
      clock = clockAfter(clock, change, minutesOf(system, bench, change, engine.cost))
      bench = applied.bench
    }
    clock = clockAfterReading(clock, bench, next.probe, route.waits + engine.cost.reading[next.probe.meter])
    const read = atTime(bench, clock)
    const answered = yield { changes: route.changes, minutes: taken, probe: next.probe, since: read.since }
    const { answer, tripped, opened } = answered
    if (answered.cooked) cooked++
    if (tripped) {
      const isBreaker = isResettable(system, bench)
      trips++
      fuses += isBreaker ? 0 : 1
      minutes += isBreaker ? engine.cost.trip.breaker : engine.cost.trip.fuse
    }
    if (opened !== undefined) {
      trips++
      fuses += isResettable(system, bench, opened) ? 0 : 1
    }
    const word = opened !== undefined ? tripWord(opened) : tripped ? 'trips' : 'holds'
    if (word !== 'holds' || next.probe.meter === 'trip')
      observations.push({ id: `${checks}-trip`, bench: read, probe: { meter: 'trip' }, answer: { word } })
    if (opened !== undefined) bench = withSlot(system, bench, opened, { ...slotOf(system, bench, opened), open: true })
    if (tripped) bench = { ...bench, slot: { ...bench.slot, open: true } }
    if (next.probe.meter !== 'trip') observations.push({ id: `${checks}`, bench: atTime(bench, clock), probe: next.probe, answer })
  }
}

/** What the customer of this house would tell: one symptom that shows, or nothing of use now and then. */
export const drawComplaint = (engine: Engine, hypothesis: number, random: Random): Complaint =>
  complaintOf(engine, engine.behaviours[hypothesis], random)

export function complaintOf(engine: Engine, behaviour: Behaviour, random: Random): Complaint {
  if (random.uniform() < 0.15) return emptyComplaint
  const calls = [null, ...callsOf(engine.system)]
  const showing = symptoms.flatMap((symptom) =>
    calls
      .filter((call) => (call === null) === (symptom !== 'fuse-on-call' && symptom !== 'mode-dead'))
      .filter((call) => symptomLikelihood(symptom, call, behaviour, engine.behaviours[0]) > 0.45)
      .map((call) => ({ symptom, call })),
  )
  if (showing.length === 0) return emptyComplaint
  const { symptom, call } = random.pick(showing)
  return { ...emptyComplaint, symptoms: [symptom], call }
}
