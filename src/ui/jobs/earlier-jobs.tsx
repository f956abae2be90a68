'use client'
import { useQuery } from '@tanstack/react-query'
import { useDeferredValue } from 'react'
import type { JobSummary } from '@/src/core/job/job-summary'
import { Button } from '@/src/ui/controls/button'
import { api } from '@/src/ui/device/api-client'

/** Letters of a street after which earlier jobs are looked for. */
const ENOUGH = 4
const MOST = 3

const plain = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim()

/** Earlier jobs at the address that is being typed: the same house has the same wiring. */
export function earlierJobs(jobs: readonly JobSummary[], typed: string): JobSummary[] {
  const wanted = plain(typed)
  return wanted.length < ENOUGH ? [] : jobs.filter(({ title }) => plain(title).startsWith(wanted)).slice(0, MOST)
}

/** What the server finds under the first word that is being typed; nothing while too little is typed, or nobody answers. */
function useJobsLike(typed: string): readonly JobSummary[] {
  const wanted = useDeferredValue(plain(typed))
  const { data } = useQuery({
    queryKey: ['jobs like', wanted],
    queryFn: () => api.listJobs({ words: wanted, show: 'all', after: null }),
    enabled: wanted.length >= ENOUGH,
    staleTime: 60_000,
  })
  return data?.jobs ?? []
}

export function EarlierJobs({ typed, onPick }: { typed: string; onPick: (job: JobSummary) => void }) {
  const jobs = useJobsLike(typed).filter(({ title }) => title !== typed)
  return earlierJobs(jobs, typed).map((job) => (
    <Button key={job.id} onClick={() => onPick(job)}>
      <span className="block">
        You were at <b>{job.title}</b>: {job.system}
      </span>
      <span className="block text-muted text-small">
        {job.repairs.length > 0 ? `repaired then: ${job.repairs.join('; ')}. ` : ''}Use this address and its wiring
      </span>
    </Button>
  ))
}
