import { z } from 'zod'
import { type CallName, callNames } from '@/src/core/wiring/call'
import { type Part, type PartOf, partSchema, sourceSchema } from '@/src/core/wiring/part'
import { CHASSIS, idSchema } from '@/src/core/wiring/point'

/** The open system format: one house's low-voltage side, written by hand or by a tool. See docs/system-format.md. */

export const placeKinds = ['thermostat', 'indoor', 'outdoor', 'package', 'zone-panel'] as const

export const placeSchema = z.strictObject({
  id: idSchema,
  name: z.string().min(1),
  kind: z.enum(placeKinds),
  /** A metal cabinet: everything in it can rub through to the chassis. */
  metal: z.boolean(),
  terminals: z.array(idSchema),
})

/** As insulation is called; `unknown` until somebody has looked. */
export const conductorColours = [
  'red',
  'green',
  'yellow',
  'white',
  'blue',
  'brown',
  'orange',
  'black',
  'grey',
  'violet',
  'pink',
  'tan',
  'unknown',
] as const

/** What nobody has looked at yet: weighed as unknown, not taken for granted. */
export const unknownThings = ['fuse', 'float', 'common', 'board'] as const

export const conductorSchema = z.strictObject({
  id: idSchema,
  colour: z.enum(conductorColours),
  /** Terminal on which each end is landed, in the order of the cable's `between`; null for an end that is not landed. */
  lands: z.tuple([idSchema.nullable(), idSchema.nullable()]),
})

export const cableSchema = z.strictObject({
  id: idSchema,
  name: z.string().min(1),
  between: z.tuple([idSchema, idSchema]),
  lengthM: z
    .number()
    .positive('A cable has a length above zero, in metres.')
    .max(1000, 'A cable longer than a kilometre is not low-voltage wiring; give the length in metres.'),
  gaugeAwg: z.union([z.literal(18), z.literal(20), z.literal(22)]),
  conductors: z.array(conductorSchema).min(1),
  source: sourceSchema,
})

export const systemSchema = z
  .strictObject({
    format: z.literal('nest-trace/system'),
    version: z.literal(1),
    id: idSchema,
    name: z.string().min(1),
    hertz: z.union([z.literal(50), z.literal(60)]),
    places: z.array(placeSchema).min(1),
    walks: z.array(z.strictObject({ between: z.tuple([idSchema, idSchema]), minutes: z.number().min(0).max(60) })),
    cables: z.array(cableSchema),
    parts: z.array(partSchema).min(1),
    unknown: z.array(z.enum(unknownThings)).optional(),
  })
  .superRefine((system, context) => {
    const problem = (path: (string | number)[], message: string) => context.addIssue({ code: 'custom', path, message })
    const places = new Map(system.places.map((place) => [place.id, place]))
    const seen = new Set<string>()
    const unique = (what: string, name: string, path: (string | number)[]) => {
      if (seen.has(name)) problem(path, `The ${what} "${name}" is described twice.`)
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
          problem(['cables', i, 'between', side], `Cable "${cable.id}" ends at "${place}", which is no place of this system.`)
      })
    })
    system.parts.forEach((part, i) => {
      unique('part', part.id, ['parts', i, 'id'])
      if (!places.has(part.place)) problem(['parts', i, 'place'], `"${part.name}" is at "${part.place}", which is no place of this system.`)
      if (part.kind === 'bond' && !part.between.includes(CHASSIS))
        problem(['parts', i, 'between'], `The bond "${part.id}" must end on ${CHASSIS}.`)
    })
    system.walks.forEach((walk, i) => {
      for (const place of walk.between)
        if (!places.has(place)) problem(['walks', i], `A walk goes to "${place}", which is no place of this system.`)
    })
    for (const kind of ['transformer', 'thermostat', 'supply', 'fuse'] as const) {
      if (!system.parts.some((part) => part.kind === kind)) problem(['parts'], `The system has no ${kind}.`)
    }
  })

export type System = z.infer<typeof systemSchema>
/** Nobody has looked whether this is so. */
export const isUnknown = ({ unknown = [] }: System, thing: (typeof unknownThings)[number]): boolean => unknown.includes(thing)

/** The fuse that belongs there: of the size on its label, where nobody has looked which. */
export const sayRightFuse = (system: System): string =>
  isUnknown(system, 'fuse') ? 'fuse of the size on its label' : `${firstPart(system, 'fuse').ratingA} A fuse`

export type Place = z.infer<typeof placeSchema>
export type Cable = z.infer<typeof cableSchema>
export type Conductor = z.infer<typeof conductorSchema>

export function partsOf<K extends Part['kind']>(system: System, kind: K): PartOf<K>[] {
  return system.parts.filter((part): part is PartOf<K> => part.kind === kind)
}

export function partById(system: System, id: string): Part | undefined {
  return system.parts.find((part) => part.id === id)
}

export function placeById(system: System, id: string): Place | undefined {
  return system.places.find((place) => place.id === id)
}

/** The first thermostat, fuse or transformer: that of the house where there are several. The schema assures there is at least one. */
export function firstPart<K extends 'thermostat' | 'fuse' | 'transformer'>(system: System, kind: K): PartOf<K> {
  const part = partsOf(system, kind)[0]
  if (!part) throw new Error(`system ${system.id} has no ${kind}`)
  return part
}

export const callsOf = (system: System): CallName[] =>
  callNames.filter((call) => partsOf(system, 'thermostat').some(({ calls }) => calls[call] !== undefined))

/** The thermostat at which a call is made: each zone has its own. */
export const callerOf = (system: System, call: CallName | 'off'): PartOf<'thermostat'> =>
  partsOf(system, 'thermostat').find(({ calls }) => call !== 'off' && calls[call] !== undefined) ?? firstPart(system, 'thermostat')

/** Zones in the order of the wiring: thermostat, stat cable, then the next zone's, panel, indoor unit, outdoor cable, outdoor unit. */
export function zonesOf(system: System): { id: string; name: string; kind: 'place' | 'cable' }[] {
  const order: { id: string; name: string; kind: 'place' | 'cable' }[] = []
  const rank = { thermostat: 0, 'zone-panel': 1, indoor: 2, package: 2, outdoor: 3 }
  const places = [...system.places].sort((a, b) => rank[a.kind] - rank[b.kind])
  const position = (id: string) => places.findIndex((place) => place.id === id)
  const nearEnd = ({ between: [a, b] }: Cable) => Math.min(position(a), position(b))
  places.forEach((place, index) => {
    order.push({ id: place.id, name: place.name, kind: 'place' })
    for (const cable of system.cables) if (nearEnd(cable) === index) order.push({ id: cable.id, name: cable.name, kind: 'cable' })
  })
  return order
}

export function zoneName(system: System, zone: string): string {
  return placeById(system, zone)?.name ?? system.cables.find((cable) => cable.id === zone)?.name ?? zone
}
