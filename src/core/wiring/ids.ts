import type { z } from 'zod'
import { idSchema } from '@/src/core/wiring/point-schema'

/**
 * Ids of places, cables and parts. A text that is written or read is any of them; once it is known as one it is not taken for another:
 * the kind stands in the type alone.
 */
export type PlaceId = string & { readonly names?: 'place' }
export type CableId = string & { readonly names?: 'cable' }
export type PartId = string & { readonly names?: 'part' }

export const placeIdSchema = idSchema as unknown as z.ZodType<PlaceId>
export const cableIdSchema = idSchema as unknown as z.ZodType<CableId>
export const partIdSchema = idSchema as unknown as z.ZodType<PartId>
