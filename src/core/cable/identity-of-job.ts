import { wiredNow } from '@/src/core/bench/swaps'
import { groupsAt, hasMetal, isAllOff, marksIn, NO_MARKS, readingOf } from '@/src/core/cable/cable-bench'
import { actOf, type ConductorAct } from '@/src/core/cable/conductor-act'
import { reachOf, resistorsOf } from '@/src/core/cable/conductors-of-job'
import { MOST_UNKNOWN, planIdentity } from '@/src/core/cable/identity-plan'
import type { JobState } from '@/src/core/job/job-state'
import type { FarEndReach } from '@/src/core/job/run-schema'
import { latestAnswers } from '@/src/core/readings/observations'
import type { CableId } from '@/src/core/wiring/ids'
import { cableById, type System } from '@/src/core/wiring/system'

/** Which color at the second end of a cable is which at the first, and what to do next to tell. */
export interface IdentityReport {
  readonly cable: CableId
  readonly reach: FarEndReach
  /** For each conductor of the first end, in the order of the cable, the id that it has at the second; null while it is not told. */
  readonly same: readonly (string | null)[]
  readonly taken: number
  readonly next: ConductorAct
}

/** Null for a cable with more conductors than are told apart at once. */
export function identityOfJob(system: System, state: JobState, cableId: string): IdentityReport | null {
  const { bench } = state
  const wired = wiredNow(system, bench.swaps)
  const cable = cableById(wired, cableId)
  if (!cable || cable.conductors.length > MOST_UNKNOWN) return null
  const here = cable.between[1] === bench.place ? 1 : 0
  const reach = reachOf(state, cableId)
  const readings = latestAnswers(state.observationsSinceRepair).flatMap((observation) => readingOf(cable, observation) ?? [])
  const marks = marksIn(cable, bench, (1 - here) as 0 | 1)
  const { same, isMisfit, next } = planIdentity({
    conductors: cable.conductors.length,
    hasMetal: [hasMetal(wired, cable.between[0]), hasMetal(wired, cable.between[1])],
    here,
    ties: groupsAt(cable, bench, (1 - here) as 0 | 1) ?? [],
    marks: marks === NO_MARKS ? null : marks,
    resistors: resistorsOf(state, cableId),
    readings,
    mustCross: !isAllOff(cable, bench, cable.between[1 - here]),
    reach,
  })
  return {
    cable: cableId,
    reach,
    same: same.map((other) => (other === null ? null : cable.conductors[other].id)),
    taken: readings.length,
    next:
      next.do === 'done'
        ? next
        : next.do === 'stuck'
          ? { do: 'stuck', why: isMisfit ? 'readings' : reach === 'none' ? 'far end' : 'no join tells' }
          : actOf(cable, bench, here, next, () => false),
  }
}
