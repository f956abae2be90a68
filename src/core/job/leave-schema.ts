import { z } from 'zod'

export const leaveReasons = ['part-on-order', 'customer-declined', 'too-dark', 'come-back'] as const
export type LeaveReason = (typeof leaveReasons)[number]

/** Why a job is left before it is done, and the day of the next visit; null where there is none yet. */
export const leavingSchema = z.strictObject({ reason: z.enum(leaveReasons), until: z.iso.date().nullable() })
