import { format } from 'date-fns'
import type { JobState } from '@/src/core/job/job-state'

/** From when to when a visit was, and how it ended. */
export interface VisitTimes {
  /** ISO 8601, as `to`. */
  readonly from: string
  readonly to: string
  readonly end: 'closed' | 'left' | 'open'
}

export const visitTimes = (createdAt: string, { entries, closedAt, left }: JobState): VisitTimes => ({
  from: entries.at(0)?.at ?? createdAt,
  to: closedAt ?? entries.at(-1)?.at ?? createdAt,
  end: closedAt ? 'closed' : left ? 'left' : 'open',
})

/** The times of a visit in words, by the clock of whoever says them: a server in another time zone does not know the technician's. */
export function sayVisit({ from, to, end }: VisitTimes): string {
  const [first, last] = [new Date(from), new Date(to)]
  const isOneDay = format(first, 'yyyy-MM-dd') === format(last, 'yyyy-MM-dd')
  const until = isOneDay ? ` to ${format(last, 'H:mm')}` : ` to ${format(last, 'd MMMM, H:mm')}`
  const ended = { closed: `closed ${format(last, 'H:mm')}`, left: 'left unfinished', open: 'not closed' }[end]
  return `${format(first, 'd MMMM yyyy')}, ${format(first, 'H:mm')}${until} · ${ended}`
}
