import { guarded, withStore } from '@/src/app/api/v1/handle'
import { noSuchJob } from '@/src/app/api/v1/respond'
import { writeJobFile } from '@/src/core/job/job-file'

/** The job file, as a download. */
export const GET = guarded(async (_: Request, { params }: { params: Promise<{ id: string }> }) => {
  const { id } = await params
  return withStore(async ({ jobs }) => {
    const job = await jobs.read(id)
    if (!job) return noSuchJob(id)
    const name = job.job.title.replace(/[^A-Za-z0-9]+/g, '-').replace(/^-|-$/g, '') || 'job'
    return new Response(writeJobFile(job), {
      headers: { 'content-type': 'application/json', 'content-disposition': `attachment; filename="${name}.nest-trace.json"` },
    })
  })
})
