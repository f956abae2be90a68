import { downloadOfJob } from '@/src/app/api/v1/download'
import { guarded } from '@/src/app/api/v1/handle'
import { timelineCsv } from '@/src/core/formats/timeline-csv'

/** The timeline for a spreadsheet, as a download. */
export const GET = guarded((_: Request, { params }: { params: Promise<{ id: string }> }) =>
  downloadOfJob(params, { type: 'text/csv; charset=utf-8', ending: 'timeline.csv', write: timelineCsv }),
)
