import { z } from 'zod'
import { textSchema } from '@/src/core/units/text-schema'
import { callNames } from '@/src/core/wiring/call'
import { partIdSchema, placeIdSchema } from '@/src/core/wiring/ids'
import { idSchema } from '@/src/core/wiring/point-schema'
import { coilRoles, switchRoles } from '@/src/core/wiring/roles'

/** Two local node names of the part's place: terminals, `chassis`, or names of leads between parts. */
const between = z.tuple([idSchema, idSchema])
export const positive = z.number().positive('This is a quantity above zero.').finite()
export const nameSchema = textSchema(120, 1, 'A name is missing.')
/** Where the values come from, or the word assumption. */
export const sourceSchema = textSchema(300, 3, 'Say where the values come from, or the word assumption.')
const partBase = { id: partIdSchema, place: placeIdSchema, name: nameSchema, source: sourceSchema }

const partSchemas = {
  transformer: z.strictObject({
    kind: z.literal('transformer'),
    ...partBase,
    primary: between,
    secondary: between,
    primaryVolts: positive,
    va: z.number().positive('A transformer with no VA feeds nothing: give the VA on its nameplate.').finite(),
    openVolts: positive,
    seriesOhm: z.strictObject({ r: positive, x: positive }),
    magnetisingOhm: positive,
    primaryDcOhm: positive,
    secondaryDcOhm: positive,
    windingToCoreFarad: positive,
    /** Other leads of the primary, capped: the volts that each is for. */
    taps: z
      .array(z.strictObject({ lead: idSchema, volts: positive }))
      .max(8)
      .optional(),
  }),
  /** What protects the 24 V side as built: a fuse unless it says otherwise; with `none` it is where an inline fuse goes. */
  fuse: z.strictObject({
    kind: z.literal('fuse'),
    ...partBase,
    between,
    ratingA: positive,
    coldOhm: positive,
    holds: z.enum(['breaker', 'none']).optional(),
  }),
  /** Copper between two terminals, fitted at the works: Rc to Rh, or one hot to every zone's terminal. */
  strap: z.strictObject({ kind: z.literal('strap'), ...partBase, between, ohm: positive }),
  bond: z.strictObject({ kind: z.literal('bond'), ...partBase, between, ohm: positive }),
  switch: z.strictObject({
    kind: z.literal('switch'),
    ...partBase,
    role: z.enum(switchRoles),
    between,
    contactOhm: positive,
    /** Open at rest: the motor whose running makes it, as a draft switch proves the inducer. Left out, closed at rest. */
    madeBy: idSchema.optional(),
  }),
  coil: z.strictObject({
    kind: z.literal('coil'),
    ...partBase,
    role: z.enum(coilRoles),
    between,
    dcOhm: positive,
    sealedVa: positive,
    /** Current before the armature closes over current after. */
    inrushRatio: z.number().min(1),
    powerFactor: z.number().min(0.05).max(1),
    pullInVolts: positive,
    dropOutVolts: positive,
    /** Delays of a sequencer or a time relay; left out, at once. */
    closesAfterS: positive.optional(),
    opensAfterS: positive.optional(),
    /** A line-voltage contact worked by the coil. */
    contact: between.optional(),
  }),
  electronics: z.strictObject({
    kind: z.literal('electronics'),
    ...partBase,
    between,
    va: positive,
    powerFactor: z.number().min(0.05).max(1),
    dcOhm: positive,
  }),
  /**
   * A control board: it lives between hot and common, watches its inputs through pull-downs and makes its outputs.
   * An output passes the call on (a metal path) or has a relay of its own that closes hot to it; both kinds are sold.
   */
  board: z.strictObject({
    kind: z.literal('board'),
    ...partBase,
    between,
    va: positive,
    powerFactor: z.number().min(0.05).max(1),
    dcOhm: positive,
    aliveAboveVolts: positive,
    inputOhm: positive,
    inputAboveVolts: positive,
    contactOhm: positive,
    outputs: z
      .array(
        z.strictObject({
          call: idSchema,
          /** Other inputs that make the same output: the second zone's Y beside the first one's. */
          also: z.array(idSchema).min(1).max(20).optional(),
          /** Inputs that must be there as well: a pressure switch beside the call. */
          needs: z.array(idSchema).min(1).max(20).optional(),
          /** Inputs that keep it off while they are there: no cooling while W calls. */
          unless: z.array(idSchema).min(1).max(20).optional(),
          to: idSchema,
          /** What its relay closes to the output where that is not the board's own hot: a zone panel's dry contact. */
          from: idSchema.optional(),
          style: z.enum(['passes', 'relay']),
          /** How long an output stays off before it is made again: the compressor's delay. */
          minimumOffS: positive.optional(),
          /** Its relay switches line voltage: the igniter's, from the unit's hot leg. */
          line: z.literal(true).optional(),
          /** From the call to the output: the purge and warm-up of an ignition control. Left out, at once. */
          closesAfterS: positive.optional(),
        }),
      )
      .min(1)
      .max(40),
    /**
     * An ignition control: it lights the igniter by one output until it senses flame, and opens the valve by another once the igniter is hot,
     * for as long as there is flame.
     */
    ignites: z.strictObject({ igniter: idSchema, by: idSchema, opens: idSchema, valve: idSchema }).optional(),
    /** Now and then the board thaws the coil: after so long on the call it closes some pairs and opens some outputs for a while. */
    defrost: z
      .strictObject({
        call: idSchema,
        everyS: positive,
        lastsS: positive,
        closes: z.array(between).min(1).max(20),
        opens: z.array(idSchema).max(20),
      })
      .optional(),
  }),
  thermostat: z.strictObject({
    kind: z.literal('thermostat'),
    ...partBase,
    hot: idSchema,
    /** Left out where no common reaches the thermostat. */
    common: idSchema.optional(),
    /** What keeps it alive; left out, the common. A battery or a bimetal closes its contacts whatever the wires carry. */
    power: z.enum(['common', 'battery', 'mechanical', 'stealing']).optional(),
    /** The call terminal through whose load a power-stealing one draws its own current. */
    steals: idSchema.optional(),
    va: positive,
    powerFactor: z.number().min(0.05).max(1),
    dcOhm: positive,
    aliveAboveVolts: positive,
    holdUpS: positive,
    contactOhm: positive,
    /** Above this an output opens and the display shows a code, before any fuse melts. */
    guardA: positive.optional(),
    calls: z.partialRecord(z.enum(callNames), z.array(idSchema).min(1).max(20)),
    /** Terminals that are closed to another hot terminal than `hot`: W to Rh where heat has a transformer of its own. */
    feeds: z.record(idSchema, idSchema).optional(),
  }),
  supply: z.strictObject({
    kind: z.literal('supply'),
    ...partBase,
    /** Volts of each leg against the neutral, and the angle at which it stands: two legs of a 208 V service are 120 degrees apart. */
    legs: z
      .array(z.strictObject({ node: idSchema, volts: z.number().finite(), degrees: z.number().min(-360).max(360).optional() }))
      .min(1)
      .max(4),
    neutral: idSchema,
    ohm: positive,
  }),
  disconnect: z.strictObject({
    kind: z.literal('disconnect'),
    ...partBase,
    poles: z.array(between).min(1).max(6),
    fusedA: positive.optional(),
  }),
  load: z.strictObject({
    kind: z.literal('load'),
    ...partBase,
    between,
    volts: positive,
    amps: positive,
    powerFactor: z.number().min(0.05).max(1),
    /** What an ohmmeter reads of it cold, where that is not what it draws hot: a hot-surface igniter. */
    coldOhm: positive.optional(),
  }),
  capacitor: z.strictObject({
    kind: z.literal('capacitor'),
    ...partBase,
    /** The loads that do not start without it, each with the microfarads of its section: two for a dual run capacitor. */
    starts: z
      .array(z.strictObject({ load: partIdSchema, microfarad: positive }))
      .min(1)
      .max(2),
  }),
} as const

export const partSchema = z.discriminatedUnion('kind', [
  partSchemas.transformer,
  partSchemas.fuse,
  partSchemas.bond,
  partSchemas.strap,
  partSchemas.switch,
  partSchemas.coil,
  partSchemas.electronics,
  partSchemas.board,
  partSchemas.thermostat,
  partSchemas.supply,
  partSchemas.disconnect,
  partSchemas.load,
  partSchemas.capacitor,
])
