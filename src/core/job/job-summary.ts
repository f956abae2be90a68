import { z } from 'zod'

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
})
export type JobSummary = z.infer<typeof jobSummarySchema>
