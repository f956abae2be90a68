import type { Effect, Fault, FaultFamily, FaultVariant } from '@/src/core/faults/fault'
import {
  CORRODED_JOINT,
  familyRate,
  LEAKING_CONTACT,
  LOOSE_LINE_JOINT,
  outdoorTimes,
  resistiveShorts,
  WEAK_COIL,
} from '@/src/core/faults/rates'
import { callLink } from '@/src/core/wiring/assembly'
import type { Point } from '@/src/core/wiring/point'
import { type Cable, type Place, placeById, type System } from '@/src/core/wiring/system'

/** Adds one fault: family, spot (for the id), zone, sentence, repair (id and act), effects, what it touches. */
export type AddFault = (
  family: FaultFamily,
  spot: string,
  zone: string,
  say: string,
  repair: [string, string],
  effects: Effect[],
  touches: Point[],
) => void

/** Collects faults of a system; rate and milder forms follow from the family and the place. */
export function createFaultList(system: System): { faults: Fault[]; add: AddFault } {
  const faults: Fault[] = []
  const add: AddFault = (family, spot, zone, say, repair, effects, touches) => {
    const isOutdoors =
      isOutdoorPlace(placeById(system, zone)) || system.cables.some((cable) => cable.id === zone && reachesOutdoors(system, cable))
    const wearsOutdoors =
      family === 'conductor-to-chassis' || family === 'lead-to-chassis' || family === 'conductor-open' || family === 'strip-corroded'
    faults.push({
      id: `${family}:${spot}`,
      family,
      zone,
      say,
      repair: { id: repair[0], say: repair[1] },
      rate: familyRate[family] * (isOutdoors && wearsOutdoors ? outdoorTimes : 1),
      effects,
      variants: milderForms(family, effects),
      touches,
    })
  }
  return { faults, add }
}

/** What the same damage does when there is less of it. */
function milderForms(family: FaultFamily, effects: readonly Effect[]): FaultVariant[] {
  switch (family) {
    case 'conductor-short':
    case 'conductor-to-chassis':
    case 'lead-to-chassis':
    case 'coil-to-ground':
      return resistiveShorts.map(({ ohm, share }) => touching(effects, ohm, share))
    case 'coil-shorted':
      return [touching(effects, WEAK_COIL.ohm, WEAK_COIL.share)]
    case 'neutral-open':
    case 'supply-leg-open':
      return [{ ...joined(effects, LOOSE_LINE_JOINT), name: 'loose' }]
    case 'thermostat-stuck-closed':
      return [touching(effects, LEAKING_CONTACT.ohm, LEAKING_CONTACT.share)]
    case 'conductor-open':
    case 'switch-open':
    case 'lead-loose':
      return [joined(effects, CORRODED_JOINT)]
    case 'thermostat-not-closing':
      return [joined(effects.flatMap(contactsOf), CORRODED_JOINT)]
    default:
      return []
  }
}

/** A touch of so many ohm where the hypothesis has metal on metal. */
const touching = (effects: readonly Effect[], ohm: number, share: number): FaultVariant => ({
  name: `${ohm} ohm`,
  share,
  effects: effects.map((effect) => (effect.do === 'short' ? { ...effect, ohm } : effect)),
})

/** A bad joint where the hypothesis has an open one. */
const joined = (effects: readonly Effect[], { ohm, share }: { readonly ohm: number; readonly share: number }): FaultVariant => ({
  name: `${ohm} ohm`,
  share,
  effects: effects.map((effect) => (effect.do === 'open' ? { do: 'resist', link: effect.link, ohm } : effect)),
})

/** The contacts that a thermostat does not make. */
const contactsOf = (effect: Effect): Effect[] =>
  effect.do === 'never-closes' ? effect.terminals.map((terminal) => ({ do: 'open', link: callLink(effect.thermostat, terminal) })) : []

const isOutdoorPlace = (place: Place | undefined): boolean => place?.kind === 'outdoor' || place?.kind === 'package'

function reachesOutdoors(system: System, cable: Cable): boolean {
  return cable.between.some((place) => isOutdoorPlace(placeById(system, place)))
}
