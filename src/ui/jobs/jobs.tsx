'use client'
import { format, isToday, isYesterday } from 'date-fns'
import Link from 'next/link'
import { useState } from 'react'
import type { JobList } from '@/src/core/formats/api'
import { sayLeaving } from '@/src/core/job/leave'
import { Button } from '@/src/ui/controls/button'
import { FilterBar } from '@/src/ui/controls/filter-bar'
import { LocalTime } from '@/src/ui/controls/local-time'
import { NewJobForm } from '@/src/ui/jobs/new-job-form'
import { OpenJobFile } from '@/src/ui/jobs/open-job-file'
import { useJobList } from '@/src/ui/jobs/use-job-list'
import { ZoneBlocks } from '@/src/ui/jobs/zone-blocks'
import { ThemeSwitch } from '@/src/ui/theme/theme-switch'

const filters = ['open', 'closed', 'all'] as const

/** All jobs, the newest first, and how to begin one. Without a signal (`first` is null then), those that this device has. */
export function Jobs({ first, systems }: { first: JobList | null; systems: readonly { id: string; name: string }[] }) {
  const [filter, setFilter] = useState<(typeof filters)[number]>('all')
  const [words, setWords] = useState('')
  const { jobs, fitting, total, open, isOffline, hasMore, more } = useJobList(first, words, filter)
  return (
    <div className="grid min-h-dvh grid-cols-[minmax(0,1fr)] content-start desk:h-dvh desk:grid-cols-[minmax(0,1fr)_21.9rem] desk:grid-rows-[auto_minmax(0,1fr)]">
      <header className="col-span-full flex items-center gap-4 border-line border-b-2 px-4 py-1">
        <h1 className="font-bold text-[1.1rem]">Nest Trace</h1>
        <p className="flex-1 truncate text-muted">
          {total} {total === 1 ? 'job' : 'jobs'}
          {isOffline ? ' on this device: no answer from the server' : `, ${open} open`}
        </p>
        <ThemeSwitch />
      </header>
      <aside aria-label="begin" className="p-3 desk:col-start-2 desk:row-start-2 desk:overflow-y-auto desk:border-line desk:border-l-2">
        <NewJobForm systems={systems} />
        <OpenJobFile />
      </aside>
      <main className="min-w-0 p-3 desk:col-start-1 desk:row-start-2 desk:overflow-y-auto">
        <FilterBar
          filters={filters}
          filter={filter}
          onFilter={setFilter}
          words={words}
          onWords={setWords}
          label="find a job"
          placeholder="find by street, system, repair …"
        />
        {jobs.length === 0 && (
          <p className="p-3 text-muted">
            {total === 0 ? 'No job yet. Begin one: where are you, and what does it do?' : 'No job matches. Remove a word, or show all.'}
          </p>
        )}
        <ul>
          {jobs.map((job) => (
            <li key={job.id} className="border-line border-b-2">
              <Link
                href={`/jobs/${encodeURIComponent(job.id)}`}
                className="grid min-h-16 grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 gap-y-1 p-2 desk:grid-cols-[minmax(0,1fr)_auto_8rem]"
              >
                <span className="min-w-0">
                  <span className="block font-bold text-[1.1rem]">{job.title}</span>
                  <span className="block truncate text-muted">
                    {job.words && `${job.words} · `}
                    {job.system}
                  </span>
                </span>
                <span className="text-right desk:col-start-3 desk:text-left">
                  <span className={`block ${job.closedAt ? 'text-hold' : 'text-ember'}`}>
                    {job.closedAt
                      ? 'closed, proved'
                      : job.left
                        ? `left: ${sayLeaving(job.left.reason, job.left.until)}`
                        : job.owed > 0
                          ? `open, ${job.owed} to put back`
                          : 'open'}
                  </span>
                  {job.waiting > 0 && <span className="block text-ember text-small">{job.waiting} waiting to be sent</span>}
                  {job.isOnDevice && !isOffline && <span className="block text-ember text-small">on this device only</span>}
                  <LocalTime at={job.createdAt} say={sayWhen} className="text-muted text-small" />
                </span>
                <span className="max-desk:col-span-2 desk:col-start-2 desk:row-start-1">
                  <ZoneBlocks zones={job.zones} />
                </span>
              </Link>
            </li>
          ))}
        </ul>
        {hasMore && (
          <Button className="mt-3 w-full !text-center" onClick={more}>
            Show more: {jobs.length} of {fitting}
          </Button>
        )}
        <p className="mt-3 text-muted text-small">
          The blocks are the zones in wiring order: where the suspicion is, or where the fault was.
        </p>
      </main>
    </div>
  )
}

const sayWhen = (date: Date): string =>
  isToday(date) ? `today ${format(date, 'HH:mm')}` : isYesterday(date) ? 'yesterday' : format(date, 'd MMM yyyy')
