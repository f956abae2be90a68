import { z } from 'zod'
import { callSettings, slotContents } from '@/src/core/bench/settings'
import { textSchema } from '@/src/core/units/text-schema'
import { pointSchema } from '@/src/core/wiring/point-schema'

const id = textSchema(80, 1)
const landmark = textSchema(60, 1)

/** One change of the bench, as the technician does it. `do` names the act. */
export const benchChangeSchema = z.discriminatedUnion('do', [
  z.strictObject({ do: z.literal('power'), on: z.boolean() }),
  z.strictObject({ do: z.literal('call'), call: z.enum(callSettings) }),
  z.strictObject({ do: z.literal('lift'), end: pointSchema }),
  z.strictObject({ do: z.literal('land'), end: pointSchema }),
  z.strictObject({ do: z.literal('unplug'), part: id }),
  z.strictObject({ do: z.literal('plug'), part: id }),
  /** `ohm`: a resistor of known value in place of a clip lead, to tell wires apart with the power off. */
  z.strictObject({ do: z.literal('jumper'), a: pointSchema, b: pointSchema, ohm: z.number().min(1).max(10_000_000).optional() }),
  z.strictObject({ do: z.literal('unjumper'), a: pointSchema, b: pointSchema }),
  /** `part`: another fuse or breaker than the transformer's first, by its id. */
  z.strictObject({
    do: z.literal('slot'),
    holds: z.enum(slotContents),
    ratingA: z.number().positive().max(30).optional(),
    part: id.optional(),
  }),
  z.strictObject({ do: z.literal('reset'), part: id.optional() }),
  z.strictObject({ do: z.literal('walk'), place: id }),
  z.strictObject({ do: z.literal('panel'), place: id, on: z.boolean() }),
  /**
   * A conductor's place at both ends goes to a spare of the same cable; and back. `section`: both stay on their screws, and the spare
   * serves only from the one place along the run to the other, with a joint at each.
   */
  z.strictObject({ do: z.literal('swap'), cable: id, from: id, to: id, section: z.tuple([landmark, landmark]).optional() }),
  /** Two conductors of one cable that are in use, each on the other's screws, as a test: at both ends, or `at` one place only. */
  z.strictObject({ do: z.literal('exchange'), cable: id, from: id, to: id, at: id.optional() }),
  /** `to`: with which other it was exchanged. */
  z.strictObject({ do: z.literal('unswap'), cable: id, from: id, to: id.optional() }),
])
