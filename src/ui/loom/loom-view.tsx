'use client'
import { memo, useDeferredValue, useMemo, useState } from 'react'
import { wiredNow } from '@/src/core/bench/swaps'
import { layoutLoom } from '@/src/core/formats/loom/layout'
import { DRAWING } from '@/src/core/formats/loom/shapes'
import { sayPercent } from '@/src/core/units/quantity'
import type { Point } from '@/src/core/wiring/point'
import { Button } from '@/src/ui/controls/button'
import { useJob, useMoment, useSuspects } from '@/src/ui/desk/desk-context'
import { LoomDrawing } from '@/src/ui/loom/loom-drawing'
import { MovingLines, useMoving } from '@/src/ui/loom/loom-moving'
import { LoomTable } from '@/src/ui/loom/loom-table'
import { useIsWide } from '@/src/ui/loom/use-is-wide'

/** Half a target of 44 pixels, with a little over for the drawing's scale. */
const TAP_RADIUS = 23
/** The narrowest loom: a 390 px phone less its margins. */
const PHONE_WIDTH = 366

/** The loom of this job: whole on a wide screen, one zone with its neighbours on a phone. */
export const LoomView = memo(function LoomView({ probes, onPick }: { probes: readonly Point[]; onPick: (...points: Point[]) => void }) {
  const { system } = useJob()
  const { state } = useMoment()
  const { advice: newest } = useSuspects()
  // Suspects and the next check stand first; the drawing, which is most of the page, follows them.
  const [bench, advice] = [useDeferredValue(state.bench), useDeferredValue(newest)]
  const { swaps } = bench
  const loom = useMemo(() => layoutLoom(wiredNow(system, swaps), DRAWING), [system, swaps])
  const moving = useMoving()
  const isWide = useIsWide()
  const [picked, setPicked] = useState<string | null>(null)
  const shown = picked ?? bench.place
  const zone = loom.zones.find(({ id }) => id === shown) ?? loom.zones[0]
  const [left, width] = isWide ? [0, loom.width] : [zone.x - 46, zone.width + 92]
  return (
    <section aria-label="Loom" className="flex h-full flex-col">
      {!isWide && (
        <div className="mb-2 flex gap-1">
          {loom.zones.map(({ id, name }) => {
            const probability = advice?.zones.find((candidate) => candidate.id === id)?.probability ?? 0
            return (
              <Button
                key={id}
                aria-pressed={id === zone.id}
                onClick={() => setPicked(id)}
                className={`min-w-0 flex-auto !px-0.5 !text-center text-small ${id === zone.id ? '!border-hold' : ''} ${probability > 0.05 ? 'border-ember' : ''}`}
              >
                {name}
                {probability > 0.05 && <span className="block font-bold text-ember">{sayPercent(probability)}</span>}
                {id === bench.place && <span className="block text-hold">you</span>}
              </Button>
            )
          })}
        </div>
      )}
      <LoomDrawing
        system={system}
        bench={bench}
        advice={advice}
        loom={loom}
        left={left}
        width={width}
        tapRadius={isWide ? (TAP_RADIUS * loom.width) / DRAWING.width : TAP_RADIUS * Math.max(1, width / PHONE_WIDTH)}
        probes={probes}
        moving={moving}
        onPick={onPick}
      />
      <LoomTable system={system} bench={bench} advice={advice} />
      <MovingLines moving={moving} />
    </section>
  )
})
