import 'server-only'
import { type JobFile, jobIdSchema } from '@/src/core/job/job-file'
import { openStore } from '@/src/server/store'

/** The job that a page's address names; null where no job can bear that name, or none does. */
export async function readJobOfPage(params: Promise<{ id: string }>): Promise<JobFile | null> {
  const { id } = await params
  if (!jobIdSchema.safeParse(id).success) return null
  return (await openStore()).jobs.read(id)
}
