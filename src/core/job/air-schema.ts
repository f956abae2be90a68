import { z } from 'zod'

/** Air in and out of the blower's unit while a mode runs, °F. */
export const airSchema = z.strictObject({ returnF: z.number().min(-40).max(150), supplyF: z.number().min(-40).max(250) })
export type Air = z.infer<typeof airSchema>
