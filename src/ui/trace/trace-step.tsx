'use client'
import { useCallback, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import type { Point } from '@/src/core/wiring/point'
import { Button } from '@/src/ui/controls/button'
import { ClashCard } from '@/src/ui/desk/clash-card'
import { useMoment } from '@/src/ui/desk/desk-context'
import { Screen, type ScreenProps } from '@/src/ui/desk/screen'
import { LoomView } from '@/src/ui/loom/loom-view'
import { CycleSheet } from '@/src/ui/trace/cycle-sheet'
import { NextCheckCard } from '@/src/ui/trace/next-check-card'
import { ProbePad } from '@/src/ui/trace/probe-pad'
import { SuspectList } from '@/src/ui/trace/suspect-list'

/** The main screen: the loom, and beside it what is worth asking and who is suspected. */
export function TraceStep({ onStep }: ScreenProps) {
  const [probes, setProbes] = useState<readonly Point[]>([])
  const [cycling, setCycling] = useState(false)
  const { state } = useMoment()
  const comesAndGoes = state.complaint.symptoms.includes('fuse-now-and-then') && state.closedAt === null
  useHotkeys('escape', () => setProbes([]))
  // Across a part both probes go on at once; a probe that is on comes off.
  const pick = useCallback(
    (...points: Point[]) =>
      setProbes((now) =>
        points.every((point) => now.includes(point)) ? now.filter((other) => !points.includes(other)) : [...now, ...points].slice(-2),
      ),
    [],
  )
  return (
    <Screen
      title="Trace"
      sideFirst
      main={<LoomView probes={probes} onPick={pick} />}
      side={
        <div className="desk:flex desk:h-full desk:flex-col">
          <ClashCard />
          {probes.length > 0 ? <ProbePad probes={probes} onClear={() => setProbes([])} /> : <NextCheckCard onStep={onStep} />}
          {comesAndGoes && (
            <Button className="mb-3 w-full" onClick={() => setCycling(true)}>
              Intermittent: cycle the call
            </Button>
          )}
          <CycleSheet open={cycling} onOpenChange={setCycling} />
          <SuspectList />
        </div>
      }
    />
  )
}
