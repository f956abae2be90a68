import { addDays, type Day, format, isValid, nextDay, parse, parseISO } from 'date-fns'
import type { EntryDraft } from '@/src/core/job/entry'
import type { LeaveReason } from '@/src/core/job/leave-schema'
import type { Reader } from '@/src/core/quick-line/reader'

const reasons: readonly { readonly says: RegExp; readonly reason: LeaveReason }[] = [
  { says: /\b(?:part|parts|order|ordered|board|transformer|motor)\b/i, reason: 'part-on-order' },
  { says: /\b(?:declined|declines|refused|no money|estimate|quote|thinking)\b/i, reason: 'customer-declined' },
  { says: /\b(?:dark|rain|raining|wet|storm|lightning|hot)\b/i, reason: 'too-dark' },
  { says: /\b(?:time|tomorrow|later|come back|coming back|late)\b/i, reason: 'come-back' },
]

const DAYS = ['yyyy-MM-dd', 'd MMMM yyyy', 'd MMM yyyy', 'MMMM d yyyy', 'MMM d yyyy']

/** `left part on order until 3 june`, `leave customer declined`, `left too dark until 2026-06-04`. */
export function readLeave(reader: Reader): EntryDraft[] {
  const words = reader.words('Say why: "leave part on order until 3 june", "leave customer declined", "leave too dark".')
  const [why, day] = words.split(/\s+(?:until|till|back on|back)\s+/i)
  const reason = reasons.find(({ says }) => says.test(why))?.reason
  if (!reason) reader.failAt('Say why: part on order, customer declined, too dark, or more time.', reader.tokens[1] ?? reader.tokens[0])
  return [{ kind: 'leave', reason: reason as LeaveReason, until: day === undefined ? null : dayOf(reader, day) }]
}

const WEEK = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat']

/** Tomorrow, or the next day of that name. */
function comingDay(said: string, from: Date): Date | null {
  if (/^tomorrow$/i.test(said)) return addDays(from, 1)
  const name = /^(?:next )?(sun|mon|tue|wed|thu|fri|sat)(?:s|nes|rs|ur)?(?:day)?$/i.exec(said)?.[1].toLowerCase()
  return name === undefined ? null : nextDay(from, WEEK.indexOf(name) as Day)
}

/** A day of the calendar; without a year the next one of that name after what was entered last. */
function dayOf(reader: Reader, said: string): string {
  const text = said
    .replace(/\b(?:the|of|st|nd|rd|th)\b/gi, ' ')
    .replace(/(\d)(?:st|nd|rd|th)\b/gi, '$1')
    .replace(/[,.]/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
  const last = reader.context.lastEntry?.at
  const coming = last === undefined ? null : comingDay(text, parseISO(last.slice(0, 10)))
  if (coming) return format(coming, 'yyyy-MM-dd')
  const year = last === undefined ? null : Number(last.slice(0, 4))
  const written = (one: string) => {
    const days = DAYS.map((form) => parse(one, form, new Date(2000, 0, 1))).filter(isValid)
    return days[0] ? format(days[0], 'yyyy-MM-dd') : null
  }
  const whole = written(text)
  if (whole) return whole
  const [soon, later] = year === null ? [null, null] : [written(`${text} ${year}`), written(`${text} ${year + 1}`)]
  const found = soon !== null && last !== undefined && soon >= last.slice(0, 10) ? soon : later
  return (
    found ??
    reader.failAt(`"${said}" is no day that I know: say "3 june", "june 3" or "2026-06-03".`, reader.tokens[reader.tokens.length - 1])
  )
}
