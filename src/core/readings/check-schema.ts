import { z } from 'zod'
import { textSchema } from '@/src/core/units/text-schema'
import { pointSchema } from '@/src/core/wiring/point-schema'

/** What can be asked of a system; the bench it is asked on is kept beside it. */
export const probeSchema = z.discriminatedUnion('meter', [
  z.strictObject({ meter: z.literal('volts'), a: pointSchema, b: pointSchema, lowImpedance: z.boolean().optional() }),
  z.strictObject({ meter: z.literal('ohms'), a: pointSchema, b: pointSchema }),
  /** Clamp around a conductor's end, or around the transformer's R lead (the fuse by its id). */
  z.strictObject({
    meter: z.literal('amps'),
    on: textSchema(80, 1),
    /** The clamp kept the highest since the bench was set like this, a trip at its end included; left out, the steady current. */
    hold: z.literal('max').optional(),
  }),
  z.strictObject({ meter: z.literal('trip') }),
  /** A look: `fuse`, `thermostat`, a relay by its id, or `landings@place`. */
  z.strictObject({ meter: z.literal('look'), at: textSchema(80, 1) }),
])
/**
 * What was read: a number in the meter's unit, OL, a band (from a one-tap answer), or a word. `trips`/`holds` answer
 * a trip check; `off: CONDUCTOR-END` and `swapped: CONDUCTOR-END with CONDUCTOR-END` answer a look at the landings.
 */
export const answerSchema = z.union([
  z.number().finite().min(0).max(1e9),
  z.literal('OL'),
  z
    .strictObject({ low: z.number().finite().min(0), high: z.number().finite().min(0) })
    .refine((band) => band.low <= band.high, 'The low end of a band must not be above its high end.'),
  z.strictObject({ word: textSchema(120, 1) }),
])
