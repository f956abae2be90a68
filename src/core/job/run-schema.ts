import { z } from 'zod'
import { textSchema } from '@/src/core/units/text-schema'

/** On foot; through somebody who stands there and ties what is called out; or not at all. */
export const farEndReaches = ['walk', 'helper', 'none'] as const
export type FarEndReach = (typeof farEndReaches)[number]

/** How the conductors of a cable are told apart: by what tells most, in pairs joined at the far end, or all joined to one there. */
export const cableWays = ['fewest', 'pairs', 'all-to-one'] as const
export type CableWay = (typeof cableWays)[number]

/** What is hurt of a conductor or of its cable: the insulation alone, the copper, all of it in many places. */
export const damageKinds = ['insulation', 'nicked', 'parted', 'wet', 'chewed', 'melted'] as const
export type DamageKind = (typeof damageKinds)[number]
/** Where the damage sits: in reach in the open, inside a unit or on a roof; out of reach in a wall or in the ground. */
export const damagePlaces = ['open', 'unit', 'roof', 'wall', 'buried'] as const
export type DamagePlace = (typeof damagePlaces)[number]

const metres = z.number().positive().max(500)

/** What is told or measured of the run of a cable, beside ohms and volts: how long it is, what it passes, what it has between two conductors. */
export const runFactSchema = z.discriminatedUnion('what', [
  z.strictObject({ what: z.literal('length'), metres }),
  /** Metres from the cable's first end. */
  z.strictObject({ what: z.literal('landmark'), name: textSchema(60, 1), metres: metres.or(z.literal(0)) }),
  /** nF of a conductor against another one of the same cable, or against all of them, with both ends off. */
  z.strictObject({
    what: z.literal('capacitance'),
    conductor: textSchema(60, 1),
    against: textSchema(60, 1).nullable(),
    place: textSchema(60, 1),
    nF: z.number().min(0).max(1000),
  }),
  z.strictObject({ what: z.literal('meter'), isNulled: z.boolean() }),
  /** How the end of the cable where the technician does not stand is reached. */
  z.strictObject({ what: z.literal('far-end'), reach: z.enum(farEndReaches) }),
  z.strictObject({ what: z.literal('way'), way: z.enum(cableWays) }),
  /** Resistors of known values at hand, ohm: on the wires of one end they tell them apart at the other. None where there are none. */
  z.strictObject({ what: z.literal('resistors'), ohms: z.array(z.number().min(1000).max(1_000_000)).max(24) }),
  /** What was found hurt, where, and whether there is slack to cut it out. */
  z.strictObject({ what: z.literal('damage'), kind: z.enum(damageKinds), where: z.enum(damagePlaces), hasSlack: z.boolean() }),
  z.strictObject({ what: z.literal('copper'), celsius: z.number().min(-40).max(90) }),
])
export type RunFact = z.infer<typeof runFactSchema>
