import { runsOf } from '@/src/core/cable/of-job'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import type { JobState } from '@/src/core/job/job-state'
import type { RunFact } from '@/src/core/job/run-schema'
import { type Damage, type WayToRepair, waysToRepair } from '@/src/core/repair/repair-ways'
import { freeSpares } from '@/src/core/repair/substitution'
import type { CableId } from '@/src/core/wiring/ids'
import { parsePoint } from '@/src/core/wiring/point'
import type { System } from '@/src/core/wiring/system'

type DamageFact = Extract<RunFact, { what: 'damage' }>

/** What was found hurt in a cable, and the ways to repair it. */
export interface RepairAdvice {
  readonly cable: CableId
  readonly damage: Damage
  readonly ways: readonly WayToRepair[]
}

/** The damage that was told last of a cable; null where none was. */
export const damageTold = ({ runs }: Pick<JobState, 'runs'>, cable: CableId): DamageFact | null =>
  runs.flatMap(({ cable: id, fact }) => (id === cable && fact.what === 'damage' ? [fact] : [])).at(-1) ?? null

export function repairAdvice(system: System, state: JobState): RepairAdvice[] {
  return runsOf(system, state).flatMap(({ cable, lengthM, landmarks }) => {
    const told = damageTold(state, cable.id)
    if (!told) return []
    const damage: Damage = { ...told, spares: freeSpares(cable, state).length, lengthM, landmarks: landmarks.length }
    return [{ cable: cable.id, damage, ways: waysToRepair(damage) }]
  })
}

/** The conductor of a cable that a fault is of, where it is of one alone: a spare may take its place. */
export function hurtConductor(system: System, cable: CableId, faultId: string): string | null {
  const touched = enumerateFaults(system).find(({ id }) => id === faultId)?.touches ?? []
  const names = new Set(touched.map(parsePoint).flatMap((point) => (point.cable === cable ? [point.name] : [])))
  return names.size === 1 ? [...names][0] : null
}
