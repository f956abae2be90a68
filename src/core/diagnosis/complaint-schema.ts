import { z } from 'zod'
import { codeRowSchema } from '@/src/core/diagnosis/code-schema'
import { changesLately, symptoms } from '@/src/core/diagnosis/complaint'
import { callNames } from '@/src/core/wiring/call'

/** What the customer says, kept in their words and beside it in ours. The last visitor's finding is hearsay: it moves nothing. */
export const complaintSchema = z.strictObject({
  words: z.string().max(2000),
  symptoms: z.array(z.enum(symptoms)),
  /** The call on which the fuse goes or which is dead. */
  call: z.enum(callNames).nullable(),
  changed: z.array(z.enum(changesLately)),
  /** By whom, and when: kept for the record. */
  changedBy: z.string().max(300).default(''),
  /** Codes read off boards and displays, with what they mean there. */
  codes: z.array(codeRowSchema).max(12).default([]),
  hearsay: z.string().max(500),
  /** Thermostat, indoor and outdoor unit were matched: in a house with three systems the wrong one is opened easily. */
  rightUnit: z.boolean().default(false),
})
