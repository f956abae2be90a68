import { withStore } from '@/src/app/api/v1/handle'
import { noSuchJob, refuse } from '@/src/app/api/v1/respond'
import type { JobFile } from '@/src/core/job/job-file'

interface Download {
  readonly type: string
  readonly ending: string
  /** Null where the job has none of it. */
  readonly write: (job: JobFile) => string | Uint8Array<ArrayBuffer> | null | Promise<Uint8Array<ArrayBuffer>>
  /** What is said then. */
  readonly none?: string
}

/** Something of one job as a file, named after it. */
export async function downloadOfJob(params: Promise<{ id: string }>, { type, ending, write, none }: Download): Promise<Response> {
  const { id } = await params
  return withStore(async ({ jobs }) => {
    const job = await jobs.read(id)
    if (!job) return noSuchJob(id)
    const name = job.job.title.replace(/[^A-Za-z0-9]+/g, '-').replace(/^-|-$/g, '') || 'job'
    const written = await write(job)
    if (written === null) return refuse(404, { code: 'nothing-to-download', say: none ?? 'There is nothing of this job to download.' })
    return new Response(written, {
      headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}.${ending}"` },
    })
  })
}
