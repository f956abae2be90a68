'use client'
import { formatDistanceStrict } from 'date-fns'
import { History } from 'lucide-react'
import Link from 'next/link'
import { useEffect, useState } from 'react'
import { Button } from '@/src/ui/controls/button'
import { useJob, useMoment, useSending } from '@/src/ui/desk/desk-context'
import { ThemeSwitch } from '@/src/ui/theme/theme-switch'

/** Which job, and what a glance must tell: power, trips, time, and whether everything is in the store. */
export function DeskHeader({ onTimeline }: { onTimeline: () => void }) {
  const { job, system } = useJob()
  const { state } = useMoment()
  const { unsent, sendProblem } = useSending()
  const { bench, trips, complaint } = state
  return (
    <header className="col-span-full flex min-w-0 items-center gap-2 border-line border-b-2 px-3 py-1 desk:gap-4 desk:px-4">
      <Link
        href="/"
        className="min-h-11 min-w-0 truncate font-bold text-[1.1rem] leading-[2.75rem] max-desk:flex-1 desk:shrink-0"
        aria-label={`${job.title}, back to all jobs`}
      >
        {job.title}
      </Link>
      <p className="min-w-0 flex-1 truncate text-muted max-desk:hidden">
        {system.name}
        {complaint.words && ` · “${complaint.words}”`}
      </p>
      {unsent > 0 && (
        <Button look="owed" onClick={onTimeline} title={sendProblem ?? undefined} className="text-small">
          {unsent} on this device only
        </Button>
      )}
      <span className="flex items-center gap-2 whitespace-nowrap rounded border-2 border-line px-2 py-1">
        <span aria-hidden className={`size-2.5 rounded-full ${bench.power ? 'bg-hold' : 'border-2 border-muted'}`} />
        {bench.power ? 'power on' : 'power off'}
      </span>
      <span className="whitespace-nowrap rounded border-2 border-line px-2 py-1">
        {trips} {trips === 1 ? 'trip' : 'trips'}
      </span>
      <TimeOnSite />
      <Button onClick={onTimeline} aria-label="timeline" title="timeline (t)" className="px-2.5">
        <History aria-hidden className="size-5" />
      </Button>
      <span className="max-desk:hidden">
        <ThemeSwitch />
      </span>
    </header>
  )
}

function TimeOnSite() {
  const { job } = useJob()
  const { state } = useMoment()
  const [now, setNow] = useState<Date | null>(null)
  useEffect(() => {
    setNow(new Date())
    const timer = setInterval(() => setNow(new Date()), 30_000)
    return () => clearInterval(timer)
  }, [])
  if (!now) return null
  const until = state.closedAt ? new Date(state.closedAt) : now
  return (
    <span className="whitespace-nowrap rounded border-2 border-line px-2 py-1 max-desk:hidden">
      {state.closedAt ? 'closed after ' : ''}
      {formatDistanceStrict(new Date(job.createdAt), until)}
      {state.closedAt ? '' : ' on site'}
    </span>
  )
}
