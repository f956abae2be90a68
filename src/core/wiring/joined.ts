import { DisjointSet } from '@/src/core/units/disjoint-set'
import { type Path, pathsOf } from '@/src/core/wiring/conduction'
import { conductorMiddle } from '@/src/core/wiring/links'
import type { Part } from '@/src/core/wiring/part'
import { conductorEnd, terminalPoint } from '@/src/core/wiring/point'
import type { System } from '@/src/core/wiring/system'

/** Nodes of the sound wiring in groups: every conductor with its ends and screws, and whatever parts join by the paths that are asked for. */
export function joinedThrough(system: System, isJoined: (path: Path, part: Part) => boolean): DisjointSet<string> {
  const joined = new DisjointSet<string>()
  for (const { id, between, conductors } of system.cables)
    for (const wire of conductors) {
      const ends = between.map((place) => conductorEnd(id, wire.id, place))
      const screws = wire.lands.flatMap((terminal, side) => (terminal === null ? [] : [terminalPoint(terminal, between[side])]))
      joined.join(conductorMiddle(id, wire.id), ...ends, ...screws)
    }
  for (const part of system.parts) for (const path of pathsOf(part)) if (isJoined(path, part)) joined.join(...path.joins)
  return joined
}
