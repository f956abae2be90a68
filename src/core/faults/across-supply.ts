import type { Effect } from '@/src/core/faults/effect'
import { Memo } from '@/src/core/units/cache'
import { joinedThrough } from '@/src/core/wiring/joined'
import { CHASSIS, terminalPoint } from '@/src/core/wiring/point'
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
  const joined = joinedThrough(system, ({ through }) => through === 'metal' || through === 'plug' || through === 'switch')
  const rootsOf = (side: 0 | 1) =>
    new Set(partsOf(system, 'transformer').map(({ secondary, place }) => joined.find(terminalPoint(secondary[side], place))))
  const [hot, common] = [rootsOf(0), rootsOf(1)]
  return (node: string): 'hot' | 'common' | null => {
    if (node.startsWith(`${CHASSIS}@`)) return 'common'
    const root = joined.find(node)
    return hot.has(root) ? 'hot' : common.has(root) ? 'common' : null
  }
})
