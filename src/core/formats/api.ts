import { z } from 'zod'
import { MOST_ENTRIES_SENT } from '@/src/core/formats/entries-sent'
import { codeRowSchema } from '@/src/core/job/code-schema'
import { entrySchema } from '@/src/core/job/entry-schema'
import { jobIdSchema, titleSchema } from '@/src/core/job/job-file'
import { jobSummarySchema } from '@/src/core/job/job-summary'
import { photoDigestSchema } from '@/src/core/job/photo-schema'
import { momentSchema, textSchema } from '@/src/core/units/text-schema'
import { systemSchema } from '@/src/core/wiring/system-schema'

/** What goes in and out of /api/v1; the job itself travels as a job file. */

export const newJobSchema = z
  .strictObject({
    id: jobIdSchema,
    title: z.string().trim().pipe(titleSchema),
    createdAt: momentSchema,
    /** A kind of the list, or a system of one's own. */
    systemId: textSchema(80, 1).optional(),
    system: systemSchema.optional(),
    entries: z.array(entrySchema).max(200),
  })
  .refine(
    ({ systemId, system }) => (systemId === undefined) !== (system === undefined),
    'A job is on one system: name a kind, or send one.',
  )
export type NewJob = z.infer<typeof newJobSchema>

export const sentEntriesSchema = z.strictObject({
  entries: z.array(entrySchema).min(1).max(MOST_ENTRIES_SENT, `Send ${MOST_ENTRIES_SENT} entries at most at once.`),
})
export const addedSchema = z.strictObject({ added: z.number() })
export const timelineSchema = z.strictObject({ entries: z.array(entrySchema) })

export const jobListSchema = z.strictObject({
  jobs: z.array(jobSummarySchema),
  /** Jobs that fit on all pages; all jobs; all that are open. */
  fitting: z.number(),
  total: z.number(),
  open: z.number(),
})
export type JobList = z.infer<typeof jobListSchema>
export const systemListSchema = z.strictObject({ systems: z.array(systemSchema) })
export const codeTableSchema = z.strictObject({ rows: z.array(codeRowSchema).max(2000) })
/** What came in with an archive. */
export const restoredSchema = z.strictObject({ jobs: z.number(), entries: z.number(), photos: z.number() })
export const keptPhotoSchema = z.strictObject({ digest: photoDigestSchema })
export const openedSchema = z.strictObject({ id: z.string() })

/** Every error: a code for programs, a sentence for people. `whole` counts entries of a damaged file that can be opened. */
export const problemSchema = z.strictObject({
  code: z.string(),
  say: z.string(),
  whole: z.number().nullable().optional(),
  /** Of several entries the one that is refused. */
  entry: z.string().optional(),
})
export type ApiProblem = z.infer<typeof problemSchema>
