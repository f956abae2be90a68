import { noSuchJob, respond } from '@/src/app/api/v1/respond'
import { jobFileSchema } from '@/src/core/job/job-file'
import { readJob } from '@/src/server/jobs'
import { openStore } from '@/src/server/store'

export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }) {
  const { id } = await params
  const job = await readJob(await openStore(), id)
  return job ? respond(jobFileSchema, job) : noSuchJob(id)
}
