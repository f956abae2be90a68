import { z } from 'zod'
import { textSchema } from '@/src/core/units/text-schema'

/** A photo by what it is: the SHA-256 of its bytes. The bytes are kept beside the timeline, on the device and in the store. */
export const photoDigestSchema = z.string().regex(/^[0-9a-f]{64}$/, 'A photo is named by its SHA-256: 64 digits and letters a to f.')

/** A photo that was taken at a moment of the job. */
export const photoSchema = z.strictObject({
  digest: photoDigestSchema,
  /** Of what, in a few words. */
  of: textSchema(200, 1),
  /** Where it was taken. */
  place: textSchema(60, 1),
  /** The entry that it shows. */
  about: textSchema(64, 1).optional(),
  /** It goes on the page that stays. */
  onPage: z.boolean(),
})
