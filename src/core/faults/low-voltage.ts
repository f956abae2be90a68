import { CHASSIS, type Point, terminalPoint } from '@/src/core/wiring/point'
import { firstPart, type Place, type System } from '@/src/core/wiring/system'

/** Nodes that the template ties to common through conductors and the bond. */
export function commonNodes(system: System): Set<Point> {
  const transformer = firstPart(system, 'transformer')
  const found = new Set([terminalPoint(transformer.secondary[1], transformer.place)])
  let grew = true
  while (grew) {
    const before = found.size
    for (const cable of system.cables) {
      for (const conductor of cable.conductors) {
        const ends = conductor.lands.map((terminal, side) => (terminal === null ? null : terminalPoint(terminal, cable.between[side])))
        if (ends.some((end) => end !== null && found.has(end))) for (const end of ends) if (end !== null) found.add(end)
      }
    }
    grew = found.size > before
  }
  return found
}

/** Terminals and leads of a place that carry 24 V: everything that its low-voltage parts and cables touch. */
export function lowVoltageNodes(system: System, place: Place): string[] {
  const names = new Set(place.terminals)
  for (const part of system.parts) {
    if (part.place !== place.id) continue
    if (part.kind === 'switch' || part.kind === 'coil' || part.kind === 'electronics' || part.kind === 'fuse')
      for (const name of part.between) names.add(name)
    if (part.kind === 'transformer') names.add(part.secondary[0])
  }
  names.delete(CHASSIS)
  return [...names]
}
