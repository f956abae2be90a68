import { withStore } from '@/src/app/api/v1/handle'
import { noSuchJob } from '@/src/app/api/v1/respond'
import type { JobFile } from '@/src/core/job/job-file'

/** Something of one job as a file, named after it. */
export async function downloadOfJob(
  params: Promise<{ id: string }>,
  { type, ending, write }: { type: string; ending: string; write: (job: JobFile) => string },
): Promise<Response> {
  const { id } = await params
  return withStore(async ({ jobs }) => {
    const job = await jobs.read(id)
    if (!job) return noSuchJob(id)
    const name = job.job.title.replace(/[^A-Za-z0-9]+/g, '-').replace(/^-|-$/g, '') || 'job'
    return new Response(write(job), {
      headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}.${ending}"` },
    })
  })
}
