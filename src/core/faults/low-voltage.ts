import { watchedFor } from '@/src/core/wiring/part'
import { CHASSIS, terminalPoint } from '@/src/core/wiring/point'
import { lineNodes } from '@/src/core/wiring/supply'
import type { Place, System } from '@/src/core/wiring/system'

/** Terminals and leads of a place that carry 24 V: everything that its low-voltage parts and cables touch. */
export function lowVoltageNodes(system: System, place: Place): string[] {
  const names = new Set(place.terminals)
  for (const part of system.parts) {
    if (part.place !== place.id) continue
    if (
      part.kind === 'switch' ||
      part.kind === 'coil' ||
      part.kind === 'electronics' ||
      part.kind === 'fuse' ||
      part.kind === 'board' ||
      part.kind === 'strap'
    )
      for (const name of part.between) names.add(name)
    if (part.kind === 'board') for (const output of part.outputs) for (const name of [...watchedFor(output), output.to]) names.add(name)
    if (part.kind === 'transformer') names.add(part.secondary[0])
  }
  names.delete(CHASSIS)
  const line = lineNodes(system)
  return [...names].filter((name) => !line.has(terminalPoint(name, place.id)))
}
