'use client'
import { memo, useMemo, useRef, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import type { Moving } from '@/src/core/advice/moving'
import type { Bench } from '@/src/core/bench/bench'
import { sayPoint } from '@/src/core/bench/points'
import { sayPair } from '@/src/core/bench/say'
import type { Loom } from '@/src/core/formats/loom/shapes'
import type { Point } from '@/src/core/wiring/point'
import type { System } from '@/src/core/wiring/system'
import { Jumpers, ProbeLeads } from '@/src/ui/loom/loom-leads'
import { LoomMoving } from '@/src/ui/loom/loom-moving'
import { LoomPartSymbol } from '@/src/ui/loom/loom-part'
import { LoomTags, LoomThreads, LoomWires } from '@/src/ui/loom/loom-wires'
import { LoomZones } from '@/src/ui/loom/loom-zones'
import { type Direction, nearestTap, type Tap, tapsOf } from '@/src/ui/loom/taps'
import type { Advice } from '@/src/workers/diagnosis.worker'

const pointsOf = (tap: Tap): Point[] => (tap.with ? [tap.point, tap.with] : [tap.point])

/**
 * The drawing, from the ground up: zones, wires, parts, what the bench changed, probes, and the spots that take a tap. Drawn
 * anew only when something that it shows has changed.
 */
export const LoomDrawing = memo(function LoomDrawing({
  system,
  bench,
  advice,
  loom,
  left,
  width,
  tapRadius,
  probes,
  moving,
  onPick,
}: {
  system: System
  bench: Bench
  advice: Pick<Advice, 'hot' | 'suspicion' | 'zones'> | null
  loom: Loom
  /** What is shown of the drawing, in its own unit. */
  left: number
  width: number
  /** In the drawing's own unit; 22 pixels on the screen at least. */
  tapRadius: number
  probes: readonly Point[]
  moving: readonly Moving[]
  onPick: (...points: Point[]) => void
}) {
  const hot = useMemo(() => new Set(advice?.hot), [advice])
  const suspicion = useMemo(() => new Map(advice?.suspicion.map(({ point, probability }) => [point, probability])), [advice])
  const taps = useMemo(() => tapsOf(loom, bench.lifted, bench.unplugged), [loom, bench])
  const [current, setCurrent] = useState(taps[0].point)
  const drawing = useRef<SVGSVGElement>(null)
  const focus = (point: Point) => {
    setCurrent(point)
    drawing.current?.querySelector<SVGElement>(`[data-point="${CSS.escape(point)}"]`)?.focus()
  }
  useHotkeys('m', () => focus(current))
  const tabbable = taps.some(({ point }) => point === current) ? current : taps[0].point

  return (
    // biome-ignore lint/a11y/useSemanticElements: a fieldset cannot hold a drawing's parts
    <svg
      ref={drawing}
      viewBox={`${left} 0 ${width} ${loom.height}`}
      preserveAspectRatio="xMidYMid meet"
      className="min-h-0 w-full flex-1 touch-manipulation select-none max-desk:h-[32rem] max-desk:flex-none"
      role="group"
      aria-label="wiring from the thermostat to the outdoor unit"
      fontFamily="inherit"
    >
      <defs>
        <pattern id="suspicion" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <rect width="9" height="4.5" fill="var(--ember)" />
        </pattern>
      </defs>
      <LoomZones loom={loom} zones={advice?.zones ?? []} place={bench.place} />
      <LoomWires loom={loom} hot={hot} suspicion={suspicion} />
      <LoomThreads loom={loom} hot={hot} suspicion={suspicion} lifted={bench.lifted} swaps={bench.swaps} />
      {loom.parts.map((part) => (
        <LoomPartSymbol key={part.id} part={part} bench={bench} system={system} suspicion={suspicion} />
      ))}
      <LoomMoving loom={loom} moving={moving} />
      <Jumpers jumpers={bench.jumpers} taps={taps} />
      <LoomTags loom={loom} suspicion={suspicion} probes={probes} />
      {loom.leads.map(({ point, x, y }) => (
        <circle key={point} cx={x} cy={y} r="4" fill="var(--ink)" />
      ))}
      <ProbeLeads probes={probes} taps={taps} height={loom.height} />
      {taps.map((tap) => (
        // biome-ignore lint/a11y/useSemanticElements: an SVG has no button element
        <circle
          key={`${tap.point} ${tap.x}`}
          data-point={tap.point}
          role="button"
          tabIndex={tap.point === tabbable ? 0 : -1}
          aria-label={
            tap.with ? sayPair(system, tap.point, tap.with) : `${sayPoint(system, tap.point)}${hot.has(tap.point) ? ', live' : ''}`
          }
          aria-pressed={probes.includes(tap.point)}
          cx={tap.x}
          cy={tap.y}
          r={tapRadius}
          fill="transparent"
          className="cursor-pointer"
          onClick={() => {
            setCurrent(tap.point)
            onPick(...pointsOf(tap))
          }}
          onKeyDown={(event) => {
            if (event.key === 'Enter' || event.key === ' ') {
              event.preventDefault()
              onPick(...pointsOf(tap))
            }
            if (event.key.startsWith('Arrow')) {
              event.preventDefault()
              focus(nearestTap(taps, tap, event.key as Direction).point)
            }
          }}
        />
      ))}
    </svg>
  )
})
