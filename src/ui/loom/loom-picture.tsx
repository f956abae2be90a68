import { useMemo } from 'react'
import { createBench } from '@/src/core/bench/bench'
import { layoutLoom } from '@/src/core/formats/loom/layout'
import { DRAWING } from '@/src/core/formats/loom/shapes'
import type { System } from '@/src/core/wiring/system'
import { LoomPartSymbol } from '@/src/ui/loom/loom-part'
import { LoomTags, LoomThreads, LoomWires } from '@/src/ui/loom/loom-wires'
import { LoomZones } from '@/src/ui/loom/loom-zones'

const NOTHING_HOT: ReadonlySet<string> = new Set()
const NO_SUSPICION: ReadonlyMap<string, number> = new Map()

/** A system's loom as a picture: as it should be, with nothing read and nothing to tap. */
export function LoomPicture({ system }: { system: System }) {
  const loom = useMemo(() => layoutLoom(system, DRAWING), [system])
  const bench = useMemo(() => createBench(system), [system])
  const lit = { hot: NOTHING_HOT, suspicion: NO_SUSPICION }
  return (
    <svg
      viewBox={`0 0 ${loom.width} ${loom.height}`}
      role="img"
      aria-label={`wiring of the ${system.name}`}
      className="w-full"
      fontFamily="inherit"
    >
      <LoomZones loom={loom} zones={[]} place="" />
      <LoomWires loom={loom} {...lit} />
      <LoomThreads loom={loom} lifted={[]} {...lit} />
      {loom.parts.map((part) => (
        <LoomPartSymbol key={part.id} part={part} bench={bench} system={system} suspicion={NO_SUSPICION} />
      ))}
      <LoomTags loom={loom} suspicion={NO_SUSPICION} probes={[]} />
    </svg>
  )
}
