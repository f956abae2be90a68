import type { Verdict } from '@/src/core/diagnosis/inference/verdict'
import { placeById, type System, zoneName } from '@/src/core/wiring/system'

/** A verdict in one sentence or two: what is to be done, or where to look and for what. */
export function sayVerdict(system: System, verdict: Verdict): string {
  switch (verdict.found) {
    case 'repair':
      return verdict.repair.say
    case 'group':
      return `${verdict.repair.say}, or one of the others named: no reading left tells these apart. Inspect the place`
    case 'comes-and-goes':
      return `Intermittent, most likely at the ${zoneName(system, verdict.zone)}. ${PLAN}`
    case 'none-of-these':
      return `No known fault explains these readings. ${sayWhereToLook(system, verdict.zone)}`
    case 'nothing-wrong':
      return 'Nothing found wrong: every call runs'
  }
}

/** What is done about a fault that hides: leave the call on, be there when it shows, move what may be loose. */
const PLAN =
  'Leave the call on for ten minutes and stay with it: connections open when warm. Move and tap its wires and parts while you watch. When it quits, read from the unit outward before you touch anything'

/** Where readings point that no known fault explains, and what to look for there. */
export const sayWhereToLook = (system: System, zone: string | null): string =>
  `${zone === null ? '' : `They point to the ${zoneName(system, zone)}. `}${whatToLookFor(system, zone)}`

/** What nobody draws into a plan, by where it may be. */
function whatToLookFor(system: System, zone: string | null): string {
  const place = zone === null ? undefined : placeById(system, zone)
  if (place?.kind === 'thermostat')
    return 'Take the thermostat off its base: look for two wires under one screw, straps, moisture, soot, and a conductor that ends in the wall'
  if (place)
    return 'Look there for what is not on the diagram: something wired across a part, a bypassed switch, a splice, a part of another make, a spade touching its neighbor'
  return 'Look along the run for what is not on the diagram: a hidden splice, a branch to another device, colors that change, two cables tied together'
}
