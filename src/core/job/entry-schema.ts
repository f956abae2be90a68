import { z } from 'zod'
import { benchChangeSchema } from '@/src/core/bench/change-schema'
import { airSchema } from '@/src/core/job/air-schema'
import { complaintSchema } from '@/src/core/job/complaint-schema'
import { leavingSchema } from '@/src/core/job/leave-schema'
import { offerSchema } from '@/src/core/job/offer-schema'
import { photoSchema } from '@/src/core/job/photo-schema'
import { runFactSchema } from '@/src/core/job/run-schema'
import { waysOfWorking } from '@/src/core/job/ways'
import { answerSchema, probeSchema } from '@/src/core/readings/check-schema'
import { sayIssue } from '@/src/core/units/say-issue'
import { momentSchema, textSchema } from '@/src/core/units/text-schema'
import { callNames } from '@/src/core/wiring/call'

const entryId = textSchema(64, 1)
const base = {
  id: entryId,
  at: momentSchema,
  /** Who took it, where more than one works on a job; left out where nobody signs. */
  by: textSchema(60, 1).optional(),
  /** The last entries that its maker had before it: all before it where left out. Two devices on one job tell so what each had seen. */
  after: z.array(entryId).max(20).optional(),
}

const complaintEntry = z.strictObject({ ...base, kind: z.literal('complaint'), complaint: complaintSchema })
const benchEntry = z.strictObject({ ...base, kind: z.literal('bench'), change: benchChangeSchema })
const readingEntry = z.strictObject({ ...base, kind: z.literal('reading'), probe: probeSchema, answer: answerSchema })
/**
 * `on`: another fuse or breaker than the transformer's first that opened, by its part. `heldBefore`: it held until the call was made on
 * which it tripped. `slip`: the technician's own hand or tool made it; it tells nothing of the house.
 */
const tripEntry = z.strictObject({
  ...base,
  kind: z.literal('trip'),
  result: z.enum(['trips', 'holds']),
  on: textSchema(80, 1).optional(),
  heldBefore: z.literal(true).optional(),
  slip: z.literal(true).optional(),
})
/** A check that cannot be taken here and now: out of reach, no such range on the meter. It is not proposed again. */
const skipEntry = z.strictObject({ ...base, kind: z.literal('skip'), probe: probeSchema })
/** From here on the search goes in this way of working. */
const wayEntry = z.strictObject({ ...base, kind: z.literal('way'), way: z.enum(waysOfWorking) })
const repairEntry = z.strictObject({
  ...base,
  kind: z.literal('repair'),
  /** The fault that was mended; null for a repair outside the catalogue. */
  fault: textSchema(120).nullable(),
  zone: textSchema(60),
  what: textSchema(500),
  cause: textSchema(500),
})
const lineAmps = z.number().min(0).max(400)
const proofEntry = z.strictObject({
  ...base,
  kind: z.literal('proof'),
  call: z.enum(callNames),
  held: z.boolean(),
  amps: z.number().min(0).max(100).nullable(),
  volts: z.number().min(0).max(100).nullable(),
  /** Left out where it was not measured. */
  air: airSchema.optional(),
  /** Line amps of what ran, by its part; left out where none were measured. */
  motors: z
    .array(z.strictObject({ part: textSchema(80, 1), amps: lineAmps }))
    .min(1)
    .max(12)
    .optional(),
})
/** A mode was called and given up again, and nothing showed: for what comes and goes. */
const cycleEntry = z.strictObject({ ...base, kind: z.literal('cycle'), call: z.enum(callNames) })
/** The amps on the plate of a motor or heater: rated load, full load. */
const plateEntry = z.strictObject({ ...base, kind: z.literal('plate'), part: textSchema(80, 1), amps: lineAmps.positive() })
/** Something of the run of a cable. */
const runEntry = z.strictObject({ ...base, kind: z.literal('run'), cable: textSchema(60, 1), fact: runFactSchema })
/** The job is left before it is done; whatever is done after it takes it up again. */
const leaveEntry = z.strictObject({ ...base, kind: z.literal('leave'), ...leavingSchema.shape })
/** Options put to the customer, and the answer; a later one takes the place of an earlier. */
const offerEntry = z.strictObject({ ...base, kind: z.literal('offer'), ...offerSchema.shape })
/** A photo; its bytes are kept beside the timeline. */
const photoEntry = z.strictObject({ ...base, kind: z.literal('photo'), ...photoSchema.shape })
const noteEntry = z.strictObject({ ...base, kind: z.literal('note'), text: textSchema(2000) })
const closeEntry = z.strictObject({ ...base, kind: z.literal('close') })

/** Everything that a correction can put in the place of an earlier entry. */
const contentEntries = [
  complaintEntry,
  benchEntry,
  readingEntry,
  tripEntry,
  skipEntry,
  wayEntry,
  repairEntry,
  proofEntry,
  plateEntry,
  cycleEntry,
  runEntry,
  leaveEntry,
  offerEntry,
  photoEntry,
  noteEntry,
  closeEntry,
] as const
export const contentEntrySchema = z.discriminatedUnion('kind', contentEntries)

export const entrySchema = z.discriminatedUnion('kind', [
  ...contentEntries,
  z.strictObject({ ...base, kind: z.literal('undo'), target: entryId }),
  /** The earlier entry stands as `entry` from now on; its own id and time are those of the correction. */
  z.strictObject({ ...base, kind: z.literal('correct'), target: entryId, entry: contentEntrySchema }),
  /** A reading of one device while another changed the bench: it was taken on the bench as its maker had it, or as all entries make it. */
  z.strictObject({ ...base, kind: z.literal('vouch'), target: entryId, bench: z.enum(['made', 'merged']) }),
])

/** Parses an unknown value as an entry; the sentence says what is wrong with it. */
export function readEntry(value: unknown): { ok: true; entry: z.infer<typeof entrySchema> } | { ok: false; problem: string } {
  const parsed = entrySchema.safeParse(value)
  return parsed.success ? { ok: true, entry: parsed.data } : { ok: false, problem: sayIssue(parsed.error) }
}
