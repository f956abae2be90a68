'use client'
import { useQuery } from '@tanstack/react-query'
import { format } from 'date-fns'
import { useState } from 'react'
import type { JobSummary } from '@/src/core/job/job-summary'
import { LocalTime } from '@/src/ui/controls/local-time'
import { useJob } from '@/src/ui/desk/desk-context'
import { api } from '@/src/ui/device/api-client'
import { diagnosisWorker } from '@/src/ui/engine/engine-client'

/** The visits of one address, the oldest first. */
export const visitsAt = (title: string, jobs: readonly JobSummary[]): JobSummary[] =>
  jobs.filter((job) => job.title.trim().toLowerCase() === title.trim().toLowerCase()).sort((a, b) => (a.createdAt < b.createdAt ? -1 : 1))

/** Which visit this is at the address, and what was found, read and repaired at those before it; nothing at a first visit. */
export function LastTime() {
  const { job } = useJob()
  const { data } = useQuery({
    queryKey: ['visits', job.title],
    queryFn: () => api.listJobs({ words: job.title, show: 'all', after: null }),
    staleTime: 60_000,
    retry: false,
  })
  const visits = visitsAt(job.title, data?.jobs ?? [])
  const now = visits.findIndex(({ id }) => id === job.id)
  if (now < 1) return null
  return (
    <section aria-label="Last time here" className="rounded border-2 border-line p-3">
      <h2 className="font-bold">
        Visit {now + 1} of {visits.length} at this address
      </h2>
      {visits
        .slice(0, now)
        .reverse()
        .map((visit) => (
          <Visit key={visit.id} visit={visit} />
        ))}
    </section>
  )
}

const sayDate = (date: Date): string => format(date, 'd MMM yyyy')

function Visit({ visit }: { visit: JobSummary }) {
  const [isOpen, setOpen] = useState(false)
  const stands = visit.closedAt ? 'closed, proved' : visit.left ? 'left unfinished' : 'not closed'
  return (
    <details onToggle={({ currentTarget }) => setOpen(currentTarget.open)} className="border-line border-t-2 first-of-type:border-t-0">
      <summary className="min-h-11 content-center">
        <LocalTime at={visit.createdAt} say={sayDate} className="font-bold" />, {stands}:{' '}
        {visit.repairs.length > 0 ? visit.repairs.join('; ') : 'no repair on record'}
      </summary>
      {visit.words && <p>“{visit.words}”</p>}
      {isOpen && <Readings id={visit.id} />}
    </details>
  )
}

/** What was found, read and tested at an earlier visit. */
function Readings({ id }: { id: string }) {
  const { data: facts, error } = useQuery({
    queryKey: ['visit', id],
    queryFn: async () => (await diagnosisWorker()).page(await api.readJob(id)),
    staleTime: 600_000,
    retry: false,
  })
  if (!facts) return <p className="text-muted">{error ? error.message : 'reading what was found then …'}</p>
  const found = [...facts.asFound, ...facts.done, ...facts.moved]
  return (
    <>
      <ul className="list-inside list-disc">
        {found.map((one) => (
          <li key={one}>{one}</li>
        ))}
      </ul>
      {facts.measured.length > 0 && (
        <table className="w-full text-left text-small">
          <thead>
            <tr className="border-line border-b-2">
              <th scope="col">last time</th>
              <th scope="col">with</th>
              <th scope="col">read</th>
            </tr>
          </thead>
          <tbody>
            {facts.measured.map(({ check, with: bench, read, isOff }, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: rows stay where they are, and two may read alike
              <tr key={index} className="border-line border-b align-top">
                <td className="py-1 pr-2">{check}</td>
                <td className="py-1 pr-2">{bench}</td>
                <td className={`py-1 ${isOff ? 'font-bold' : ''}`}>
                  {read}
                  {isOff && ' !'}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  )
}
