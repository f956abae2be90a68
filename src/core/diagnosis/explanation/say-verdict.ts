import type { Verdict } from '@/src/core/diagnosis/inference/verdict'
import { placeById, type System, zoneName } from '@/src/core/wiring/system'

/** A verdict in one sentence or two: what is to be done, or where to look and for what. */
export function sayVerdict(system: System, verdict: Verdict): string {
  switch (verdict.found) {
    case 'repair':
      return verdict.repair.say
    case 'group':
      return `${verdict.repair.say}, or one of the others named: no reading at hand tells these apart. Look at the place with your own eyes`
    case 'comes-and-goes':
      return `It comes and goes, most likely at the ${zoneName(system, verdict.zone)}. ${PLAN}`
    case 'none-of-these':
      return `Nothing known explains these readings. ${sayWhereToLook(system, verdict.zone)}`
    case 'nothing-wrong':
      return 'Nothing found wrong: every call runs'
  }
}

/** What is done about a fault that hides: leave the call on, be there when it shows, move what may be loose. */
const PLAN =
  'Leave the call on for ten minutes and stay there: heat opens joints. Move and tap its wires and parts while you watch. Where it stops, read from the unit outwards before anything is touched'

/** Where readings point that no known fault explains, and what to look for there. */
export const sayWhereToLook = (system: System, zone: string | null): string =>
  `${zone === null ? '' : `They point to the ${zoneName(system, zone)}. `}${whatToLookFor(system, zone)}`

/** What nobody draws into a plan, by where it may be. */
function whatToLookFor(system: System, zone: string | null): string {
  const place = zone === null ? undefined : placeById(system, zone)
  if (place?.kind === 'thermostat')
    return 'Take the thermostat off its base: look for two wires under one screw, straps, moisture and soot, a conductor that ends in the wall'
  if (place)
    return 'Look there for what nobody drew: something wired across a part, a bypassed switch, a splice, a part of another make, a spade that touches its neighbour'
  return 'Look along the way for what nobody drew: a hidden splice, a branch to another device, colours that change, two cables tied together'
}
