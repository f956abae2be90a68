import { wiredNow } from '@/src/core/bench/swaps'
import { groupsAt, hasMetal, isAllOff, marksIn, NO_MARKS, readingOf } from '@/src/core/cable/cable-bench'
import { actOf, type ConductorAct } from '@/src/core/cable/conductor-act'
import { type ConductorOdds, type ConductorState, hangTogether } from '@/src/core/cable/conductor-faults'
import { MOST_CONDUCTORS, planConductors } from '@/src/core/cable/conductor-plan'
import type { ConductorTest } from '@/src/core/cable/conductor-tests'
import { ohmsBetween } from '@/src/core/cable/marks'
import type { JobState } from '@/src/core/job/job-state'
import type { CableWay, FarEndReach } from '@/src/core/job/run-schema'
import { latestAnswers, type Observation } from '@/src/core/readings/observations'
import type { CableId } from '@/src/core/wiring/ids'
import { cableById, type System } from '@/src/core/wiring/system'

/** What the conductors of one cable are, by themselves, with everything off at both ends. */
export interface ConductorsReport {
  readonly cable: CableId
  readonly reach: FarEndReach
  /** In the order of the cable; null while it is not told. */
  readonly states: readonly (ConductorState | null)[]
  /** Readings of this cable by itself that were taken. */
  readonly taken: number
  /** A reading that fits no set of up to three troubles beside the others; null where there is none. */
  readonly misfit: Observation | null
  readonly next: ConductorAct
}

/** The conductors of a cable are being told apart: all of it hangs free, or the other end was spoken of. */
export function isAskedFor(system: System, { bench, runs }: Pick<JobState, 'bench' | 'runs'>, cableId: string): boolean {
  const cable = cableById(wiredNow(system, bench.swaps), cableId)
  if (!cable) return false
  const isSpokenOf = runs.some(({ cable: id, fact }) => id === cableId && fact.what === 'far-end')
  return isSpokenOf || cable.between.every((place) => isAllOff(cable, bench, place))
}

/** How the other end of a cable is reached, as it was told last. */
export function reachOf({ runs }: Pick<JobState, 'runs'>, cableId: string): FarEndReach {
  const told = runs.findLast(({ cable: id, fact }) => id === cableId && fact.what === 'far-end')?.fact
  return told?.what === 'far-end' ? told.reach : 'walk'
}

/** The habit by which the conductors of a cable are told apart, as it was chosen last. */
export function wayOf({ runs }: Pick<JobState, 'runs'>, cableId: string): CableWay {
  const told = runs.findLast(({ cable: id, fact }) => id === cableId && fact.what === 'way')?.fact
  return told?.what === 'way' ? told.way : 'fewest'
}

/** Resistors of known values that are at hand for a cable, ohm. */
export function resistorsOf({ runs }: Pick<JobState, 'runs'>, cableId: string): readonly number[] {
  const told = runs.findLast(({ cable: id, fact }) => id === cableId && fact.what === 'resistors')?.fact
  return told?.what === 'resistors' ? told.ohms : []
}

/** @throws Error when the system has no such cable */
export function conductorsOfJob(system: System, state: JobState, cableId: string, odds?: ConductorOdds): ConductorsReport {
  const wired = wiredNow(system, state.bench.swaps)
  const cable = cableById(wired, cableId)
  if (!cable) throw new Error(`The system has no cable "${cableId}".`)
  const { bench } = state
  const here = cable.between[1] === bench.place ? 1 : 0
  const reach = reachOf(state, cableId)
  if (cable.conductors.length > MOST_CONDUCTORS)
    return {
      cable: cableId,
      reach,
      states: cable.conductors.map(() => null),
      taken: 0,
      misfit: null,
      next: { do: 'stuck', why: 'too many' },
    }
  const read = latestAnswers(state.observationsSinceRepair).flatMap((observation) => {
    const reading = readingOf(cable, observation)
    return reading ? [{ observation, reading }] : []
  })
  const far = cable.between[1 - here]
  const ties = groupsAt(cable, bench, (1 - here) as 0 | 1) ?? []
  const marks = marksIn(cable, bench, (1 - here) as 0 | 1)
  const plan = planConductors({
    conductors: cable.conductors.length,
    hasMetal: [hasMetal(wired, cable.between[0]), hasMetal(wired, cable.between[1])],
    here,
    ties,
    marks: marks === NO_MARKS ? null : marks,
    resistors: resistorsOf(state, cableId),
    way: wayOf(state, cableId),
    ...(odds && { odds }),
    readings: read.map(({ reading }) => reading),
    mustCross: !isAllOff(cable, bench, far),
    reach,
  })
  const { next } = plan
  const soundReads = (test: ConductorTest): number =>
    ohmsBetween(
      hangTogether(cable.conductors.length, { opens: [], touches: [], weight: 1 }, [...ties, ...test.joins]),
      [],
      marks === NO_MARKS ? null : marks,
      test.a,
      test.b,
    )
  const done = (act: ConductorAct): ConductorsReport => ({
    cable: cableId,
    reach,
    states: plan.states,
    taken: read.length,
    misfit: plan.misfit?.reading == null ? null : read[plan.misfit.reading].observation,
    next: act,
  })
  if (next.do === 'done') return done(next)
  if (next.do === 'stuck') return done({ do: 'stuck', why: plan.misfit ? 'readings' : reach === 'none' ? 'far end' : 'no join tells' })
  return done(
    actOf(
      cable,
      bench,
      here,
      next,
      (test) => soundReads(test) === 0,
      (test) => (marks === NO_MARKS ? null : soundReads(test)),
    ),
  )
}
