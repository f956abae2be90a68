import type { Effect } from '@/src/core/faults/effect'
import { type FaultFamily, faultFamilies } from '@/src/core/faults/families'
import type { Fault } from '@/src/core/faults/fault'
import { faultIdOf } from '@/src/core/faults/fault'
import { OUTDOOR_TIMES } from '@/src/core/faults/rates'
import type { Point } from '@/src/core/wiring/point'
import { type Cable, type Place, placeById, type System } from '@/src/core/wiring/system'

/** A place or cable; or the part that the fault is of, which tells its place. */
type Where = string | { readonly id: string; readonly place: string }

/** Adds one fault: family, spot (for the id), where, sentence, repair (id and act), effects, what it touches. */
export type AddFault = (
  family: FaultFamily,
  spot: string,
  where: Where,
  say: string,
  repair: [string, string],
  effects: Effect[],
  touches: Point[],
) => void

/** Collects faults of a system; rate and milder forms follow from the family and the place. */
export function createFaultList(system: System): { faults: Fault[]; add: AddFault } {
  const faults: Fault[] = []
  const add: AddFault = (family, spot, where, say, repair, effects, touches) => {
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
      variants: record.milder?.(effects) ?? [],
      touches,
    })
  }
  return { faults, add }
}

const isOutdoorPlace = (place: Place | undefined): boolean => place?.kind === 'outdoor' || place?.kind === 'package'

function reachesOutdoors(system: System, cable: Cable): boolean {
  return cable.between.some((place) => isOutdoorPlace(placeById(system, place)))
}
