import { z } from 'zod'
import { codeRowSchema } from '@/src/core/job/code-schema'
import { changesLately, symptoms } from '@/src/core/job/symptoms'
import { textSchema } from '@/src/core/units/text-schema'
import { callNames } from '@/src/core/wiring/call'

/** What the customer says, kept in their words and beside it in ours. The last visitor's finding is hearsay: it moves nothing. */
export const complaintSchema = z.strictObject({
  words: textSchema(2000),
  symptoms: z.array(z.enum(symptoms)).max(40),
  /** The call on which the fuse goes or which is dead. */
  call: z.enum(callNames).nullable(),
  changed: z.array(z.enum(changesLately)).max(40),
  /** Who changed it, and when: kept for the record. */
  changedBy: textSchema(300).default(''),
  /** Codes read off boards and displays, with what they mean there. */
  codes: z.array(codeRowSchema).max(12).default([]),
  hearsay: textSchema(500),
  /** Thermostat, indoor and outdoor unit were matched: in a house with three systems the wrong one is opened easily. */
  rightUnit: z.boolean().default(false),
})
