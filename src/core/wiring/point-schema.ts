import { z } from 'zod'

/** Names of places, terminals, leads, cables, conductors and parts. */
export const idSchema = z
  .string()
  .max(60, 'Keep an id under 60 characters.')
  .regex(/^[A-Za-z0-9/-]+$/, 'An id has letters, digits, slashes and dashes only.')
  // Ids are keys of plain objects; what every object has of its own is none.
  .refine((id) => !(id in Object.prototype), 'This word is reserved: use another id.')

/**
 * A place where a probe or a clip can go: `R@indoor` (a terminal, lead or chassis of a place),
 * `outdoor-cable.Y@indoor` (a conductor's own end, which stays itself when it is lifted) or `contactor.1@outdoor` (a part's
 * own lead, which stays itself when the part is unplugged).
 */
const pointText = z
  .string()
  .max(200)
  .regex(/^[A-Za-z0-9/-]+(\.[A-Za-z0-9/-]+)?@[a-z0-9-]+$/, 'A point is written TERMINAL@place or cable.conductor@place.')

// The pattern says it to whoever reads a file, the type to whoever compiles: a name is not taken for a point.
export const pointSchema = pointText as unknown as z.ZodType<`${string}@${string}`>
