import type { Effect } from '@/src/core/faults/effect'
import { Memo } from '@/src/core/units/cache'
import { DisjointSet } from '@/src/core/units/disjoint-set'
import { pathsOf } from '@/src/core/wiring/conduction'
import { conductorMiddle } from '@/src/core/wiring/links'
import { CHASSIS, conductorEnd, terminalPoint } from '@/src/core/wiring/point'
import { partsOf, type System } from '@/src/core/wiring/system'

/**
 * Whether damage hangs across a transformer with nothing called: a short from what is joined to the hot side of a secondary, through wires,
 * fuses and closed safeties, to its common or to the metal. Such a short is read beside the winding, and only behind an open one by itself.
 */
export function hangsAcrossSupply(system: System, effects: readonly Effect[]): boolean {
  const sideOf = sidesOf.of(system)
  return effects.some((effect) => {
    if (effect.do !== 'short') return false
    const sides = [sideOf(effect.a), sideOf(effect.b)]
    return sides.includes('hot') && sides.includes('common')
  })
}

const sidesOf = new Memo((system: System) => {
  const joined = new DisjointSet<string>()
  for (const { id, between, conductors } of system.cables)
    for (const wire of conductors) {
      const ends = between.map((place) => conductorEnd(id, wire.id, place))
      const screws = wire.lands.flatMap((terminal, side) => (terminal === null ? [] : [terminalPoint(terminal, between[side])]))
      joined.join(conductorMiddle(id, wire.id), ...ends, ...screws)
    }
  for (const part of system.parts)
    for (const { through, joins } of pathsOf(part))
      if (through === 'metal' || through === 'plug' || through === 'switch') joined.join(...joins)
  const rootsOf = (side: 0 | 1) =>
    new Set(partsOf(system, 'transformer').map(({ secondary, place }) => joined.find(terminalPoint(secondary[side], place))))
  const [hot, common] = [rootsOf(0), rootsOf(1)]
  return (node: string): 'hot' | 'common' | null => {
    if (node.startsWith(`${CHASSIS}@`)) return 'common'
    const root = joined.find(node)
    return hot.has(root) ? 'hot' : common.has(root) ? 'common' : null
  }
})
