import { format, parseISO } from 'date-fns'
import type { Bench } from '@/src/core/bench/bench'
import type { JobState } from '@/src/core/job/job-state'
import type { LeaveReason } from '@/src/core/job/leave-schema'
import { sayCall } from '@/src/core/wiring/call'
import { callsOf, type System } from '@/src/core/wiring/system'

/** A job that is left before it is done: why, until when, and how the house was left. */

export const sayLeaveReason: Record<LeaveReason, string> = {
  'part-on-order': 'part on order',
  'customer-declined': 'customer declined',
  'too-dark': 'too dark or too wet to go on',
  'come-back': 'more time needed',
}

/** A date of the calendar, which no time zone moves. */
export const sayDay = (day: string): string => format(parseISO(day), 'd MMMM yyyy')

export const sayLeaving = (reason: LeaveReason, until: string | null): string =>
  `${sayLeaveReason[reason]}${until === null ? '' : `, back on ${sayDay(until)}`}`

/** Null when a house can be left so, else a sentence: nobody drives away from power on a jumper. */
export function problemWithLeaving({ power, jumpers }: Bench): string | null {
  if (!power || jumpers.length === 0) return null
  return jumpers.length === 1
    ? 'A jumper is in and the power is on: take the jumper out, or turn the power off, before you leave.'
    : `${jumpers.length} jumpers are in and the power is on: take them out, or turn the power off, before you leave.`
}

/** How a house stands: what is off, what is not as it was found, and which calls were seen to work. */
export function asItStands(system: System, { bench, owed, proofs }: Pick<JobState, 'bench' | 'owed' | 'proofs'>): string[] {
  const works = callsOf(system).filter((call) => proofs[call]?.held)
  return [
    `The power is ${bench.power ? 'on' : 'off'}.`,
    ...owed.filter(({ what }) => what !== 'power').map(({ say }) => `Not put back: ${say}.`),
    works.length > 0 ? `Seen to work: ${works.map((call) => sayCall[call]).join(', ')}.` : 'No call was proved.',
  ]
}
