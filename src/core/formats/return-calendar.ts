import ical, { ICalCalendarMethod } from 'ical-generator'
import { foldJob } from '@/src/core/job/fold'
import type { JobFile } from '@/src/core/job/job-file'
import { asItStands, sayLeaving } from '@/src/core/job/leave'

/**
 * The next visit of a job that was left unfinished, as a calendar of one whole day (RFC 5545); null where none is agreed. The same visit has
 * the same name in every calendar, so that a second one takes the place of the first.
 */
export function returnCalendar({ job, system, entries }: JobFile): string | null {
  const state = foldJob(system, entries)
  const { left } = state
  if (left?.until == null) return null
  const calendar = ical({
    name: 'Nest Trace',
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Nest Trace', product: 'Nest Trace' },
  })
  calendar.createEvent({
    id: `${job.id}-return`,
    allDay: true,
    // The day itself: midnight here is another day somewhere else.
    start: new Date(`${left.until}T00:00:00Z`),
    stamp: new Date(left.at),
    summary: `Back at ${job.title}`,
    location: job.title,
    description: [sayLeaving(left.reason, left.until), ...asItStands(system, state)].join('\n'),
  })
  return calendar.toString()
}
