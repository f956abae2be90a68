import type { Effect } from '@/src/core/faults/effect'
import { type FaultFamily, faultFamilies } from '@/src/core/faults/families'
import type { FaultFamilyRecord } from '@/src/core/faults/family'
import type { Fault } from '@/src/core/faults/fault'
import { faultIdOf } from '@/src/core/faults/fault'
import { INTERMITTENT_SHARE, OUTDOOR_TIMES, WARM_SHARE } from '@/src/core/faults/rates'
import type { PlaceId } from '@/src/core/wiring/ids'
import type { Point } from '@/src/core/wiring/point'
import { type Cable, type Place, placeById, type System } from '@/src/core/wiring/system'

/** A place or cable; or the part that the fault is of, which tells its place. */
type Where = string | { readonly id: string; readonly place: PlaceId }

/**
 * Adds one fault: family, spot (for the id), where, sentence, repair (id and act), effects, what it touches, and the share of its cases
 * that show only while what it guards runs, where that is not the family's.
 */
export type AddFault = (
  family: FaultFamily,
  spot: string,
  where: Where,
  say: string,
  repair: [string, string],
  effects: Effect[],
  touches: Point[],
  warm?: number,
) => void

/** Collects faults of a system; rate and milder forms follow from the family and the place. */
export function createFaultList(system: System): { faults: Fault[]; add: AddFault } {
  const faults: Fault[] = []
  const add: AddFault = (family, spot, where, say, repair, effects, touches, warm) => {
    const [zone, part] = typeof where === 'string' ? [where, null] : [where.place, where.id]
    const isOutdoors =
      isOutdoorPlace(placeById(system, zone)) || system.cables.some((cable) => cable.id === zone && reachesOutdoors(system, cable))
    const record = faultFamilies[family]
    faults.push({
      id: faultIdOf(family, spot),
      family,
      zone,
      part,
      say,
      repair: { id: repair[0], say: repair[1] },
      rate: record.rate * (isOutdoors && record.wearsOutdoors ? OUTDOOR_TIMES : 1),
      effects,
      comesAndGoes: sharesOf(record, warm),
      variants: record.milder?.(effects) ?? [],
      touches,
    })
  }
  return { faults, add }
}

function sharesOf({ comesAndGoes }: FaultFamilyRecord, warm?: number): Fault['comesAndGoes'] {
  switch (comesAndGoes) {
    case undefined:
      return { touch: 0, warm: 0 }
    case 'touch':
      return { touch: INTERMITTENT_SHARE, warm: 0 }
    case 'touch-or-heat':
      return { touch: INTERMITTENT_SHARE * (1 - WARM_SHARE), warm: warm ?? INTERMITTENT_SHARE * WARM_SHARE }
  }
}

const isOutdoorPlace = (place: Place | undefined): boolean => place?.kind === 'outdoor' || place?.kind === 'package'

function reachesOutdoors(system: System, cable: Cable): boolean {
  return cable.between.some((place) => isOutdoorPlace(placeById(system, place)))
}
