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
  const pick = (point: string) =>
    setProbes((now) => (now.includes(point) ? now.filter((other) => other !== point) : [...now, point].slice(-2)))
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
