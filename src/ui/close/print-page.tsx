'use client'
import Link from 'next/link'
import type { JobFile } from '@/src/core/job/job-file'
import { Report } from '@/src/ui/close/report'
import { Button } from '@/src/ui/controls/button'

export function PrintPage({ job }: { job: JobFile }) {
  return (
    <main className="mx-auto max-w-[46rem] p-4">
      <h1 className="sr-only">Job report</h1>
      <div className="mb-4 flex gap-2 print:hidden">
        <Link href={`/jobs/${job.job.id}?step=close`} className="grid min-h-11 place-items-center rounded border-2 border-line px-3">
          Back to the job
        </Link>
        <Button look="main" onClick={() => window.print()}>
          Print
        </Button>
      </div>
      <Report job={job.job} system={job.system} entries={job.entries} />
    </main>
  )
}
