import { z } from 'zod'
import type { JobState } from '@/src/core/job/job-state'
import { leavingSchema } from '@/src/core/job/leave-schema'
import type { System } from '@/src/core/wiring/system'
import { zonesOf } from '@/src/core/wiring/system'

const share = z.number().min(0).max(1)

/** How suspect each zone is after so many entries, as a device has worked it out. */
export const zoneSharesSchema = z.strictObject({
  entries: z.number().int().min(0).max(1e6),
  shares: z.array(z.strictObject({ zone: z.string().max(60), share })).max(60),
})
export type ZoneShares = z.infer<typeof zoneSharesSchema>

/** A job as a line of the list. */
export const jobSummarySchema = z.strictObject({
  id: z.string(),
  title: z.string(),
  createdAt: z.iso.datetime(),
  system: z.string(),
  words: z.string(),
  trips: z.number(),
  owed: z.number(),
  repairs: z.array(z.string()),
  closedAt: z.string().nullable(),
  /** Left unfinished: why, and the day of the next visit. Rows of before there was such a thing have none. */
  left: leavingSchema.nullable().default(null),
  entries: z.number(),
  /** Zones in the order of the wiring; `share` is null while nobody has weighed the job. */
  zones: z.array(z.strictObject({ id: z.string(), name: z.string(), kind: z.enum(['place', 'cable']), share: share.nullable() })),
})
export type JobSummary = z.infer<typeof jobSummarySchema>

/**
 * A job's line on the list, from what its timeline amounts to. Zone shares are worked out elsewhere: a repaired job points to where
 * its fault was, any other keeps the shares that it had.
 */
export function summarise(
  job: { readonly id: string; readonly title: string; readonly createdAt: string },
  system: System,
  state: JobState,
  shares: ZoneShares['shares'] | null,
): JobSummary {
  const repaired = state.repairs.at(-1)?.zone
  const shareOf = (zone: string) => {
    if (repaired !== undefined) return zone === repaired ? 1 : 0
    return shares === null ? null : (shares.find((one) => one.zone === zone)?.share ?? 0)
  }
  return {
    id: job.id,
    title: job.title,
    createdAt: job.createdAt,
    system: system.name,
    words: state.complaint.words,
    trips: state.trips,
    owed: state.owed.length,
    repairs: state.repairs.map(({ what }) => what),
    closedAt: state.closedAt,
    left: state.left && { reason: state.left.reason, until: state.left.until },
    entries: state.entries.length,
    zones: zonesOf(system).map((zone) => ({ ...zone, share: shareOf(zone.id) })),
  }
}

/** What a job is searched for by, in small letters. */
export const searchWords = ({ title, system, words, repairs }: JobSummary): string =>
  [title, system, words, ...repairs].join('\n').toLowerCase()

/** Zone probabilities as shares of a line. */
export const sharesOfZones = (zones: readonly { readonly id: string; readonly probability: number }[]): ZoneShares['shares'] =>
  zones.map(({ id, probability }) => ({ zone: id, share: Math.min(1, Math.max(0, probability)) }))

/** The shares of a line, to be kept while its job goes on. */
export const sharesOf = ({ zones }: JobSummary): ZoneShares['shares'] | null =>
  zones.some((zone) => zone.share === null) ? null : zones.map(({ id, share: of }) => ({ zone: id, share: of ?? 0 }))
