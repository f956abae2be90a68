import { guarded, withStore } from '@/src/app/api/v1/handle'
import { noSuchJob, respond } from '@/src/app/api/v1/respond'
import { jobFileSchema } from '@/src/core/job/job-file'

export const GET = guarded(async (_: Request, { params }: { params: Promise<{ id: string }> }) => {
  const { id } = await params
  return withStore(async ({ jobs }) => {
    const job = await jobs.read(id)
    return job ? respond(jobFileSchema, job) : noSuchJob(id)
  })
})
