import type { Effect } from '@/src/core/faults/effect'
import { bodyLink, callLink, conductorMiddle, thermostatInside } from '@/src/core/wiring/links'
import type { Part } from '@/src/core/wiring/part'
import { CHASSIS, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { firstPart, partsOf, type System } from '@/src/core/wiring/system'
import { switchedTerminals } from '@/src/core/wiring/thermostat'

/** A fault that no entry of the catalogue describes, made from what wires, windings and people also do. */
export interface OutsideFault {
  readonly id: string
  readonly effects: readonly Effect[]
  /** The repair in the catalogue that mends it all the same, by its id; null when none does. */
  readonly mendedBy: string | null
}

const byReplacing = (part: Part): string => `replace:${part.id}`

export function outsideFaults(system: System): readonly OutsideFault[] {
  const thermostat = firstPart(system, 'thermostat')
  const [coil] = partsOf(system, 'coil')
  const [cable] = system.cables
  const hot = thermostatInside(thermostat.id, 'hot')
  return [
    // Soot across the sub-base: every call leaks to hot.
    {
      id: 'soot on the sub-base',
      effects: switchedTerminals(thermostat).map(
        (terminal): Effect => ({ do: 'short', a: hot, b: terminalPoint(terminal, thermostat.place), ohm: 45 }),
      ),
      mendedBy: byReplacing(thermostat),
    },
    // Every contact of the thermostat is pitted.
    {
      id: 'contacts pitted',
      effects: switchedTerminals(thermostat).map(
        (terminal): Effect => ({ do: 'resist', link: callLink(thermostat.id, terminal), ohm: 80 }),
      ),
      mendedBy: byReplacing(thermostat),
    },
    // A coil that is nearly open and half grounded.
    {
      id: 'coil burned out',
      effects: [
        { do: 'resist', link: bodyLink(coil.id), ohm: 300 },
        { do: 'short', a: pinPoint(coil, 0), b: terminalPoint(CHASSIS, coil.place), ohm: 40 },
      ],
      mendedBy: byReplacing(coil),
    },
    // A coil made for another voltage.
    { id: 'wrong coil fitted', effects: [{ do: 'resist', link: bodyLink(coil.id), ohm: 700 }], mendedBy: byReplacing(coil) },
    // A cable crushed flat in mud: every conductor leaks to its neighbour.
    {
      id: 'cable crushed in mud',
      effects: cable.conductors.slice(1).map(
        ({ id }, index): Effect => ({
          do: 'short',
          a: conductorMiddle(cable.id, cable.conductors[index].id),
          b: conductorMiddle(cable.id, id),
          ohm: 90,
        }),
      ),
      mendedBy: null,
    },
  ]
}
