import type { Part } from '@/src/core/wiring/part'
import { readSystem } from '@/src/core/wiring/read-system'
import type { System } from '@/src/core/wiring/system'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

/** The furnace with a fuse of 2 A fitted in the line to R later, behind the board's own. */
export function furnaceWithInlineFuse(): System {
  const parts = furnaceAc.parts.flatMap((part): Part[] =>
    part.kind === 'fuse'
      ? [
          { ...part, between: ['sec', 'board-hot'] as [string, string] },
          { ...part, id: 'inline-fuse', name: 'inline fuse', between: ['board-hot', 'R'] as [string, string], ratingA: 2 },
        ]
      : [part],
  )
  const read = readSystem({ ...furnaceAc, id: 'furnace-inline', parts })
  if (!read.ok) throw new Error(read.problems.join(' '))
  return read.system
}
