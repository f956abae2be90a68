import { guarded, withStore } from '@/src/app/api/v1/handle'
import { noSuchJob, readBody, respond } from '@/src/app/api/v1/respond'
import { openedSchema } from '@/src/core/formats/api'
import { zoneSharesSchema } from '@/src/core/job/job-summary'

/** Keeps how suspect each zone is, as a device has worked it out, for the job's line on the list. */
export const PUT = guarded(async (request: Request, { params }: { params: Promise<{ id: string }> }) => {
  const { id } = await params
  const read = await readBody(request, zoneSharesSchema)
  if (!read.ok) return read.refusal
  return withStore(async ({ jobs }) => ((await jobs.keepShares(id, read.body)) ? respond(openedSchema, { id }) : noSuchJob(id)))
})
