import { downloadOfJob } from '@/src/app/api/v1/download'
import { guarded } from '@/src/app/api/v1/handle'
import { returnCalendar } from '@/src/core/formats/return-calendar'

/** The next visit of a job that was left unfinished, for a calendar. */
export const GET = guarded((_: Request, { params }: { params: Promise<{ id: string }> }) =>
  downloadOfJob(params, {
    type: 'text/calendar; charset=utf-8',
    ending: 'return.ics',
    write: returnCalendar,
    none: 'No next visit is on record for this job: leave it unfinished with its date first.',
  }),
)
