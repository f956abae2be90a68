import { z } from 'zod'
import { textSchema } from '@/src/core/units/text-schema'

/** As many as stand side by side on a page. */
export const MOST_OPTIONS = 3
export const MOST_HOURS = 200
export const MOST_PRICE = 1e6

/** One way out for the customer: what is done, the shop's own hours and price, and what it leaves. */
export const optionSchema = z.strictObject({
  does: textSchema(200, 1),
  hours: z.number().min(0).max(MOST_HOURS),
  /** In the shop's own money; null where it is told later. */
  price: z.number().min(0).max(MOST_PRICE).nullable(),
  notCovered: textSchema(300),
})

/** Options put to the customer, and what was said to them: which one was taken, none of them, or nothing yet. */
export const offerSchema = z.strictObject({
  options: z.array(optionSchema).min(1).max(MOST_OPTIONS),
  answer: z.union([z.literal('open'), z.literal('declined'), z.number().int().min(0).max(2)]),
})
export type Offer = z.infer<typeof offerSchema>
