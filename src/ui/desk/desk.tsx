'use client'
import { useEffect, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import type { JobFile } from '@/src/core/job/job-file'
import { CableStep } from '@/src/ui/cable/cable-step'
import { CloseStep } from '@/src/ui/close/close-step'
import { ComplaintStep } from '@/src/ui/complaint/complaint-step'
import { BenchSheet } from '@/src/ui/desk/bench-sheet'
import { BenchStrip } from '@/src/ui/desk/bench-strip'
import { useHands, useTold } from '@/src/ui/desk/desk-context'
import { DeskHeader } from '@/src/ui/desk/desk-header'
import { DeskProvider } from '@/src/ui/desk/desk-provider'
import { HelpSheet } from '@/src/ui/desk/help-sheet'
import { StepRail } from '@/src/ui/desk/step-rail'
import { steps } from '@/src/ui/desk/steps'
import { useStep } from '@/src/ui/desk/use-step'
import { loadShapes } from '@/src/ui/device/api-client'
import { loadCharts } from '@/src/ui/power/late-charts'
import { PowerStep } from '@/src/ui/power/power-step'
import { ProveStep } from '@/src/ui/prove/prove-step'
import { QuickLine } from '@/src/ui/quick-line/quick-line'
import { RepairStep } from '@/src/ui/repair/repair-step'
import { toggleTheme } from '@/src/ui/theme/theme'
import { PastBanner } from '@/src/ui/timeline/scrub-bar'
import { TimelineSheet } from '@/src/ui/timeline/timeline-sheet'
import { TraceStep } from '@/src/ui/trace/trace-step'

const screens = {
  complaint: ComplaintStep,
  power: PowerStep,
  trace: TraceStep,
  cable: CableStep,
  repair: RepairStep,
  prove: ProveStep,
  close: CloseStep,
} as const

/** Until then the page has its first answer; after it everything is here that the desk needs where the signal goes. */
const REST_AFTER_MS = 4000

/** One job on one screen: the step's own screen in the middle, the bench and the quick line always below it. */
export function Desk({ initial }: { initial: JobFile }) {
  return (
    <DeskProvider initial={initial}>
      <Frame />
    </DeskProvider>
  )
}

function Frame() {
  const { undo } = useHands()
  const [step, open] = useStep()
  const [sheet, setSheet] = useState<'timeline' | 'bench' | 'help' | null>(null)

  useEffect(() => {
    const later = setTimeout(() => Promise.allSettled([loadCharts(), loadShapes()]), REST_AFTER_MS)
    return () => clearTimeout(later)
  }, [])

  useHotkeys(steps.map((_, index) => String(index + 1)).join(','), (_, { keys }) => open(steps[Number(keys?.[0]) - 1]))
  useHotkeys('t', () => setSheet('timeline'))
  useHotkeys('b', () => setSheet('bench'))
  useHotkeys('?', () => setSheet('help'), { useKey: true })
  useHotkeys('u', undo)
  useHotkeys('z', toggleTheme)

  const Screen = screens[step]
  const sheetProps = (name: 'timeline' | 'bench' | 'help') => ({
    open: sheet === name,
    onOpenChange: (isOpen: boolean) => setSheet(isOpen ? name : null),
  })
  return (
    <div className="relative grid h-dvh short:h-auto short:min-h-dvh print:block print:h-auto grid-cols-[minmax(0,1fr)] grid-rows-[auto_minmax(0,1fr)_auto_auto] desk:grid-cols-[5.2rem_minmax(0,1fr)_21.9rem] desk:grid-rows-[auto_minmax(0,1fr)_auto]">
      <PastBanner />
      <DeskHeader onTimeline={() => setSheet('timeline')} />
      <StepRail current={step} onStep={open} />
      <Screen onStep={open} />
      <div className="row-start-3 border-line border-t-2 desk:col-start-2 print:hidden">
        <BenchStrip onOpen={() => setSheet('bench')} />
        <QuickLine onHelp={() => setSheet('help')} />
      </div>
      <ToldAloud />
      <TimelineSheet {...sheetProps('timeline')} />
      <BenchSheet {...sheetProps('bench')} />
      <HelpSheet {...sheetProps('help')} />
    </div>
  )
}

function ToldAloud() {
  const { told } = useTold()
  return (
    <p role="status" className="sr-only">
      {told?.say}
    </p>
  )
}
