import { leadsOf } from '@/src/core/wiring/conduction'
import { CHASSIS, terminalPoint } from '@/src/core/wiring/point'
import { lineNodes } from '@/src/core/wiring/supply'
import type { Place, System } from '@/src/core/wiring/system'

/** Terminals and leads of a place that carry 24 V: everything that its low-voltage parts and cables touch. */
export function lowVoltageNodes(system: System, place: Place): string[] {
  const names = new Set(place.terminals)
  for (const part of system.parts) {
    if (part.place !== place.id) continue
    for (const { name, role } of leadsOf(part)) if (role === '24-volt') names.add(name)
  }
  names.delete(CHASSIS)
  const line = lineNodes(system)
  return [...names].filter((name) => !line.has(terminalPoint(name, place.id)))
}
