import { type Bench, createBench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import { speaksOfTrouble } from '@/src/core/diagnosis/planner/again'
import { readyFuses } from '@/src/core/diagnosis/planner/candidates'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import type { Complaint, Symptom } from '@/src/core/job/complaint'
import { type Probe, probeKey } from '@/src/core/readings/check'
import { healthy } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { WRONG_READING } from '@/src/core/readings/likelihood'
import { runsAt } from '@/src/core/readings/look-target'
import type { Observation } from '@/src/core/readings/observations'
import { predictAll } from '@/src/core/readings/predict'
import { workingAt } from '@/src/core/readings/working'
import { Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import type { CallName } from '@/src/core/wiring/call'
import type { PlaceId } from '@/src/core/wiring/ids'
import { parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside } from '@/src/core/wiring/supply'
import { callerOf, callsOf, firstPart, partsOf, type System } from '@/src/core/wiring/system'
import { feedOf, switchedTerminals } from '@/src/core/wiring/thermostat'
import { PLATE_VOLTS } from '@/src/core/wiring/values'

/** What a call must bring on at a place in a sound house, or let rest: seen at one look, or part by part. */
export interface Proof {
  readonly call: 'off' | CallName
  readonly place: PlaceId
  readonly whole: Probe
  readonly parts: readonly Probe[]
  /** What runs at the place on this call in a sound house: equal for calls that cannot be told apart there. */
  readonly work: string
  /** Nothing of it is to run there: a call for the fan that brings on the outdoor unit is no sound house's. */
  readonly rests: boolean
}

/** At each place, call by call: what it brings on there, or that all rests; and that all rests when nothing is called. */
export const proofsOf = new Memo((laboratory: Laboratory): Proof[] => {
  const { system } = laboratory
  const look = (at: string): Probe => ({ meter: 'look', at })
  return system.places.flatMap(({ id: place }): Proof[] => {
    const parts = workingAt(system, place)
    if (parts.length === 0) return []
    const probes = parts.map(({ id }) => look(id))
    const workOn = (set: Bench['call']) =>
      predictAll(laboratory, asSet(system, createBench(system), set), healthy, probes).map((prediction) => JSON.stringify(prediction))
    const idle = workOn('off')
    const whole = parts.length > 1 ? look(runsAt(place)) : probes[0]
    const loads = probes.filter((_, index) => parts[index].kind === 'load')
    const still = (call: Proof['call']): Proof => ({ call, place, whole, parts: loads, work: idle.join(), rests: true })
    const called = callsOf(system).flatMap((call): Proof[] => {
      const work = workOn(call)
      if (work.join() === idle.join()) return [still(call)]
      // A contactor that its load shows is no look of its own.
      const moved = probes.filter((_, index) => work[index] !== idle[index] && !('contact' in parts[index]))
      return moved.length === 0 ? [] : [{ call, place, whole, parts: moved, work: work.join(), rests: false }]
    })
    return [...called, still('off')]
  })
})

/** Everything put back, power on, one call made at its thermostat. */
export const asSet = (system: System, from: Bench, call: Bench['call']): Bench => ({
  ...from,
  lifted: [],
  jumpers: [],
  unplugged: [],
  power: true,
  call,
  // A call that nobody has seen run may meet a short: the breaker takes it, not the fuse that was found.
  ...readyFuses(system, from),
})

/**
 * Nobody calls a house sound before every call has been made and what it brings on has been seen: the next of those, or null
 * when all were seen. What no hypothesis left standing could change is not asked for.
 */
export function nextProof(
  engine: Engine,
  posterior: Posterior,
  { observations }: Evidence,
  bench: Bench,
  { skipped = [] }: Choice,
): Check | null {
  const refused = new Set(skipped.map(probeKey))
  const wasSeen = (call: Proof['call'], probe: Probe) =>
    observations.some(
      (observation) => isClean(observation) && observation.bench.call === call && probeKey(observation.probe) === probeKey(probe),
    )
  const proofs = proofsOf.of(engine.laboratory)
  // What rests at a place on some call is seen on that: it shows all that shows with nothing called, and what the call should not bring on.
  const isCalledAtRest = (where: string) => proofs.some(({ call, place, rests }) => rests && place === where && call !== 'off')
  const open = proofs.flatMap(({ call, place, whole, parts, work, rests }) => {
    if (wasSeen(call, whole) || (call === 'off' && isCalledAtRest(place))) return []
    const unseen = parts.filter((probe) => !refused.has(probeKey(probe)) && !wasSeen(call, probe))
    if (unseen.length === 0) return []
    return (refused.has(probeKey(whole)) ? unseen : [whole]).map((probe) => ({ call, place, work, probe, rests }))
  })
  const wasSeenDoing = (where: string, what: string) =>
    proofs.some(
      ({ call, place, work, whole, parts }) =>
        place === where &&
        work === what &&
        !(call === 'off' && isCalledAtRest(place)) &&
        (wasSeen(call, whole) || parts.every((probe) => wasSeen(call, probe))),
    )
  // What the call that is set now brings on comes first: nobody walks to the thermostat twice for one call.
  const calls = [...new Set(open.map(({ call }) => call))].sort((a, b) => Number(b === bench.call) - Number(a === bench.call))
  for (const call of calls) {
    const wasMade = observations.some((observation) => isClean(observation) && observation.bench.call === call)
    const looks = open.flatMap((proof) => {
      // What a call brings on comes before what it lets rest.
      if (proof.call !== call || (proof.rests && call !== 'off' && !wasMade)) return []
      const check = weighQuestion(engine, posterior, observations, bench, asSet(engine.system, bench, call), proof.probe, proof.place)
      return check ? [{ ...proof, check, finds: chanceToFind(check) }] : []
    })
    if (looks.length === 0) continue
    // Each call is seen somewhere. Where a place was seen doing the very same on another call, it is looked at again only if it may differ.
    const asked = wasMade ? looks.filter(({ place, work, finds }) => finds > MAY_DIFFER || !wasSeenDoing(place, work)) : looks
    if (asked.length > 0) return asked.reduce((most, look) => (look.finds > most.finds + AS_GOOD ? look : most)).check
  }
  return null
}

/** A call that brings something on was not made yet: one that would burn out a transformer is not, and has to be ohmed. */
export function hasUnmadeCall({ laboratory }: Engine, { observations }: Evidence): boolean {
  const made = new Set(observations.filter(isClean).map(({ bench }) => bench.call))
  return proofsOf.of(laboratory).some(({ call, rests }) => !rests && !made.has(call))
}

/** To find something that is worth a second look at what another call has shown. */
const MAY_DIFFER = modelValue({ value: 0.05, unit: 'chance', source: 'assumption' })
/** What is seen without a walk comes first where it finds as much to within this. */
const AS_GOOD = modelValue({ value: 0.02, unit: 'chance', source: 'assumption' })

/** The chance of any answer but the likeliest, less that of a plain wrong one (spread evenly over the answers). */
export const chanceToFind = ({ outcomes }: Check): number =>
  1 - outcomes[0].probability - (WRONG_READING * (outcomes.length - 1)) / outcomes.length

/** Complaints of something that can be watched without spending a fuse. */
const WATCHED: readonly Symptom[] = ['mode-dead', 'nothing-runs', 'half-works', 'never-stops', 'chatters']

/**
 * Nothing is condemned before what the customer tells was seen: the call that the complaint speaks of, made at its thermostat on a whole
 * bench, and what it does. A trip is not asked for again: that is the protection's.
 */
export function nextReproduction(
  engine: Engine,
  posterior: Posterior,
  { complaint, observations }: Evidence,
  bench: Bench,
  { skipped = [] }: Choice,
): Check | null {
  if (!complaint.symptoms.some((symptom) => WATCHED.includes(symptom))) return null
  const isTold = (call: Proof['call']) => tellsOf(complaint, call)
  const told = observations.filter((one) => isClean(one) && isTold(one.bench.call))
  const isReproduced = told.some(
    (one) =>
      isCallAmiss(engine.system, one) || isUnfed(engine.laboratory, one) || (isLookAtWork(engine, one) && speaksOfTrouble(engine, one)),
  )
  if (isReproduced || (complaint.symptoms.includes('nothing-runs') && isDeadAtUnit(engine.system, observations))) return null
  const works = proofsOf.of(engine.laboratory).filter(({ call, rests }) => isTold(call) && (!rests || call === 'off'))
  const wasLookedAt = ({ call, whole, parts }: Proof) =>
    told.some(({ bench: on, probe }) => on.call === call && [whole, ...parts].some((one) => probeKey(one) === probeKey(probe)))
  // All of one such call was seen, and seen to run: what was told is not there now.
  if (works.some(({ call }) => works.every((work) => work.call !== call || wasLookedAt(work)))) return null
  const refused = new Set(skipped.map(probeKey))
  for (const { call, place, whole, parts } of works
    .filter((work) => !wasLookedAt(work))
    .sort((a, b) => Number(b.call === bench.call) - Number(a.call === bench.call))) {
    const probes = refused.has(probeKey(whole)) ? parts.filter((probe) => !refused.has(probeKey(probe))) : [whole]
    for (const probe of probes) {
      const check = weighQuestion(engine, posterior, observations, bench, asSet(engine.system, bench, call), probe, place)
      if (check) return check
    }
  }
  return null
}

/** The call is one that the complaint speaks of: what never stops is seen with nothing called. */
export function tellsOf({ symptoms, call: told }: Complaint, call: Proof['call']): boolean {
  const neverStops = symptoms.includes('never-stops')
  // What never stops is seen with nothing called: its own call is not made for it.
  const isOfCall = told === null ? !neverStops : call === told && symptoms.some((symptom) => symptom !== 'never-stops')
  return (neverStops && call === 'off') || (call !== 'off' && isOfCall)
}

/** A look at what runs. */
export const isLookAtWork = ({ laboratory }: Engine, { probe }: Observation): boolean =>
  probe.meter === 'look' &&
  proofsOf.of(laboratory).some(({ whole, parts }) => [whole, ...parts].some((work) => probeKey(work) === probeKey(probe)))

/** A wire of the call is dead while it is made, or live while it is not: nothing behind it could run so, or stop. */
function isCallAmiss(system: System, { bench, probe, answer }: Observation): boolean {
  if (probe.meter !== 'volts' || typeof answer !== 'number') return false
  const stat = callerOf(system, bench.call)
  const ends = [probe.a, probe.b].map(parsePoint)
  const called = bench.call === 'off' ? switchedTerminals(stat) : (stat.calls[bench.call] ?? [])
  const terminal = ends.find(({ name }) => called.includes(name))
  if (!terminal) return false
  const other = ends.find((end) => end !== terminal)?.name
  const isDead = other === feedOf(stat, terminal.name) ? answer > PLATE_VOLTS / 2 : answer < DEAD_BELOW
  return isDead !== (bench.call === 'off')
}

/** No line volts across what the call should run: that it stands still is seen in that. */
function isUnfed(laboratory: Laboratory, { bench, probe, answer }: Observation): boolean {
  if (probe.meter !== 'volts' || typeof answer !== 'number' || bench.call === 'off') return false
  const fed = partsOf(laboratory.system, 'load').find(({ between, place }) =>
    [probe.a, probe.b].every((point) => between.some((name) => point === terminalPoint(name, place))),
  )
  const isCalled = proofsOf
    .of(laboratory)
    .some(({ call, rests, parts }) => call === bench.call && !rests && parts.some((look) => look.meter === 'look' && look.at === fed?.id))
  return fed !== undefined && isCalled && answer < fed.volts / 2
}

/** No volts at the unit on a whole bench: that nothing runs is seen in that. */
function isDeadAtUnit(system: System, observations: readonly Observation[]): boolean {
  const { place } = firstPart(system, 'fuse')
  const hot = terminalPoint(firstPart(system, 'thermostat').hot, place)
  const common = commonBeside(system, hot)
  return observations.some(
    (observation) =>
      isClean(observation) &&
      observation.probe.meter === 'volts' &&
      [observation.probe.a, observation.probe.b].every((end) => end === hot || end === common) &&
      typeof observation.answer === 'number' &&
      observation.answer < DEAD_BELOW,
  )
}

/** A 24 V circuit that reads less feeds nothing. */
const DEAD_BELOW = modelValue({ value: 3, unit: 'V', source: 'assumption' })

export const isClean = ({ bench }: Observation): boolean =>
  bench.power && bench.lifted.length + bench.jumpers.length + bench.unplugged.length === 0
