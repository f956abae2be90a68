'use client'
import type { JobSummary } from '@/src/core/job/job-summary'
import { Button } from '@/src/ui/controls/button'

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

export function EarlierJobs({ jobs, typed, onPick }: { jobs: readonly JobSummary[]; typed: string; onPick: (job: JobSummary) => void }) {
  return earlierJobs(jobs, typed).map((job) => (
    <Button key={job.id} onClick={() => onPick(job)}>
      <span className="block">
        You were at <b>{job.title}</b>: {job.system}
      </span>
      <span className="block text-muted text-small">
        {job.repairs.length > 0 ? `mended then: ${job.repairs.join('; ')}. ` : ''}Take this address and its wiring
      </span>
    </Button>
  ))
}
