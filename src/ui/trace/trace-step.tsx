'use client'
import { useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { Screen, type ScreenProps } from '@/src/ui/desk/screen'
import { LoomView } from '@/src/ui/loom/loom-view'
import { NextCheckCard } from '@/src/ui/trace/next-check-card'
import { ProbePad } from '@/src/ui/trace/probe-pad'
import { SuspectList } from '@/src/ui/trace/suspect-list'

/** The main screen: the loom, and beside it what is worth asking and who is suspected. */
export function TraceStep({ onStep }: ScreenProps) {
  const [probes, setProbes] = useState<readonly string[]>([])
  useHotkeys('escape', () => setProbes([]))
  // Across a part both probes go on at once; a probe that is on comes off.
  const pick = (...points: string[]) =>
    setProbes((now) =>
      points.every((point) => now.includes(point)) ? now.filter((other) => !points.includes(other)) : [...now, ...points].slice(-2),
    )
  return (
    <Screen
      title="Trace"
      sideFirst
      main={<LoomView probes={probes} onPick={pick} />}
      side={
        <>
          {probes.length > 0 ? <ProbePad probes={probes} onClear={() => setProbes([])} /> : <NextCheckCard onStep={onStep} />}
          <SuspectList />
        </>
      }
    />
  )
}
