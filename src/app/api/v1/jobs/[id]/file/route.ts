import { downloadOfJob } from '@/src/app/api/v1/download'
import { guarded } from '@/src/app/api/v1/handle'
import { writeJobFile } from '@/src/core/job/job-file'

/** The job file, as a download. */
export const GET = guarded((_: Request, { params }: { params: Promise<{ id: string }> }) =>
  downloadOfJob(params, { type: 'application/json', ending: 'nest-trace.json', write: writeJobFile }),
)
