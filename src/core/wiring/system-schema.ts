import { z } from 'zod'
import { textSchema } from '@/src/core/units/text-schema'
import { workLimit } from '@/src/core/units/work-limit'
import { cableIdSchema, placeIdSchema } from '@/src/core/wiring/ids'
import { conductorColours, unknownThings } from '@/src/core/wiring/insulation'
import { nameSchema, partSchema, sourceSchema } from '@/src/core/wiring/part-schema'
import { CHASSIS } from '@/src/core/wiring/point'
import { idSchema } from '@/src/core/wiring/point-schema'

/** The open system format: one house's low-voltage side, written by hand or by a tool. See docs/system-format.md. */

export const placeKinds = ['thermostat', 'indoor', 'outdoor', 'package', 'zone-panel'] as const

export const placeSchema = z.strictObject({
  id: placeIdSchema,
  name: nameSchema,
  kind: z.enum(placeKinds),
  /** A metal cabinet: everything in it can rub through to the chassis. */
  metal: z.boolean(),
  terminals: z.array(idSchema).max(60),
})

export const conductorSchema = z.strictObject({
  id: idSchema,
  colour: z.enum(conductorColours),
  /** Terminal on which each end is landed, in the order of the cable's `between`; null for an end that is not landed. */
  lands: z.tuple([idSchema.nullable(), idSchema.nullable()]),
  /** What neither end shows, in words: `runs on brown between attic hatch and wall plate`. */
  onTheWay: textSchema(200, 1).optional(),
})

export const cableSchema = z.strictObject({
  id: cableIdSchema,
  name: nameSchema,
  between: z.tuple([placeIdSchema, placeIdSchema]),
  lengthM: z
    .number()
    .positive('A cable has a length above zero, in meters (m).')
    .max(1000, 'A cable longer than 1000 m is not low-voltage wiring; give the length in meters.'),
  gaugeAwg: z.union([z.literal(18), z.literal(20), z.literal(22)]),
  conductors: z.array(conductorSchema).min(1).max(40),
  source: sourceSchema,
})

/** Fuses and breakers of the 24 V side that are weighed, each with every fault that opens it. */
const MOST_FUSES = workLimit(4)

export const systemSchema = z
  .strictObject({
    format: z.literal('nest-trace/system'),
    version: z.literal(1),
    id: idSchema,
    name: nameSchema,
    hertz: z.union([z.literal(50), z.literal(60)]),
    places: z.array(placeSchema).min(1).max(12),
    walks: z.array(z.strictObject({ between: z.tuple([placeIdSchema, placeIdSchema]), minutes: z.number().min(0).max(60) })).max(80),
    cables: z.array(cableSchema).max(24),
    parts: z.array(partSchema).min(1).max(160),
    unknown: z.array(z.enum(unknownThings)).max(10).optional(),
  })
  .superRefine((system, context) => {
    const problem = (path: (string | number)[], message: string) => context.addIssue({ code: 'custom', path, message })
    const places = new Map(system.places.map((place) => [place.id, place]))
    const seen = new Set<string>()
    const unique = (what: string, name: string, path: (string | number)[]) => {
      if (seen.has(name)) problem(path, `The ${what} "${name}" is listed twice.`)
      seen.add(name)
    }
    for (const [i, place] of system.places.entries()) unique('place', place.id, ['places', i, 'id'])
    system.cables.forEach((cable, i) => {
      unique('cable', cable.id, ['cables', i, 'id'])
      const conductors = new Set<string>()
      cable.conductors.forEach((conductor, j) => {
        const path = ['cables', i, 'conductors', j]
        if (conductors.has(conductor.id)) problem(path, `Cable "${cable.id}" has two conductors called "${conductor.id}".`)
        conductors.add(conductor.id)
        conductor.lands.forEach((terminal, side) => {
          const place = places.get(cable.between[side])
          if (terminal !== null && place && !place.terminals.includes(terminal))
            problem([...path, 'lands', side], `There is no terminal "${terminal}" at ${place.id}; it has ${place.terminals.join(', ')}.`)
        })
      })
      cable.between.forEach((place, side) => {
        if (!places.has(place))
          problem(['cables', i, 'between', side], `Cable "${cable.id}" ends at "${place}", which is not a place of this system.`)
      })
    })
    system.parts.forEach((part, i) => {
      unique('part', part.id, ['parts', i, 'id'])
      if (!places.has(part.place))
        problem(['parts', i, 'place'], `"${part.name}" is at "${part.place}", which is not a place of this system.`)
      if (part.kind === 'bond' && !part.between.includes(CHASSIS))
        problem(['parts', i, 'between'], `The bond "${part.id}" must end on ${CHASSIS}.`)
    })
    system.walks.forEach((walk, i) => {
      for (const place of walk.between)
        if (!places.has(place)) problem(['walks', i], `A walk goes to "${place}", which is not a place of this system.`)
    })
    for (const kind of ['transformer', 'thermostat', 'supply', 'fuse'] as const) {
      if (!system.parts.some((part) => part.kind === kind)) problem(['parts'], `The system has no ${kind}.`)
    }
    const fuses = system.parts.filter((part) => part.kind === 'fuse')
    if (fuses.length > MOST_FUSES)
      problem(
        ['parts'],
        `The system has ${fuses.length} fuses and breakers on its 24 V side (${fuses.map(({ name }) => name).join(', ')}); it can have ${MOST_FUSES} at most. Write those in series on one line as one.`,
      )
  })
