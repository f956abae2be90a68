import type { PlaceId } from '@/src/core/wiring/ids'
import type { Part, PartOf } from '@/src/core/wiring/part'
import { firstPart, type Place, partsOf, placeById, type System } from '@/src/core/wiring/system'
import { feedOf } from '@/src/core/wiring/thermostat'

/** Changes of a system's wiring that make another sound one: a switch put in or taken out, a common that is not there. */

/** A lead or terminal of one place under another name; every part and cable there follows. */
function renameNode(system: System, place: PlaceId, from: string, to: string): System {
  const name = (node: string) => (node === from ? to : node)
  const rename = (value: unknown): unknown =>
    typeof value === 'string'
      ? name(value)
      : Array.isArray(value)
        ? value.map(rename)
        : typeof value === 'object' && value !== null
          ? Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, rename(inner)]))
          : value
  const nodes = [
    'between',
    'primary',
    'secondary',
    'contact',
    'poles',
    'outputs',
    'defrost',
    'ignites',
    'hot',
    'common',
    'steals',
    'calls',
  ] as const
  return {
    ...system,
    parts: system.parts.map((part): Part => {
      if (part.place !== place) return part
      const changed = Object.fromEntries(nodes.flatMap((key) => (key in part ? [[key, rename(part[key as keyof Part])]] : [])))
      const fed = part.kind === 'thermostat' && part.feeds ? { feeds: renameFeeds(part.feeds, name) } : {}
      return { ...part, ...changed, ...fed } as Part
    }),
    cables: system.cables.map((cable) => {
      const side = cable.between.indexOf(place)
      if (side < 0) return cable
      return {
        ...cable,
        conductors: cable.conductors.map((conductor) => {
          const lands: typeof conductor.lands = [...conductor.lands]
          if (lands[side] === from) lands[side] = to
          return { ...conductor, lands }
        }),
      }
    }),
    places: system.places.map((one) => (one.id === place ? { ...one, terminals: [...new Set(one.terminals.map(name))] } : one)),
  }
}

const renameFeeds = (feeds: NonNullable<PartOf<'thermostat'>['feeds']>, name: (node: string) => string) =>
  Object.fromEntries(Object.entries(feeds).map(([terminal, hot]) => [name(terminal), name(hot)]))

/** A strip on which a screw bears another letter than the kind has for it. */
export interface Lettering {
  readonly place: PlaceId
  readonly from: string
  readonly to: string
}

/**
 * The system with the letters that this house's strip bears: what was `from` there is `to`, and where another screw had that letter the two
 * change places, as common and the valve do from one make to another. The wires and what they do stay as they are.
 */
export function withLetter(system: System, { place, from, to }: Lettering): System {
  const terminals = placeById(system, place)?.terminals ?? []
  if (from === to || !terminals.includes(from)) return system
  // No letter of a strip: no screw is called so.
  const meanwhile = '~'
  const steps: [string, string][] = terminals.includes(to)
    ? [
        [from, meanwhile],
        [to, from],
        [meanwhile, to],
      ]
    : [[from, to]]
  return steps.reduce((one, [a, b]) => renameNode(one, place, a, b), system)
}

/** Strips that may be lettered in their own way: at the unit a call is looked for under the thermostat's letter. */
export const letteredPlaces = (system: System): Place[] => system.places.filter(({ kind }) => kind === 'outdoor' || kind === 'zone-panel')

/** What a letter of a strip may be. */
export const isLetterOfStrip = (text: string): boolean => /^[A-Za-z][A-Za-z0-9/-]{0,5}$/.test(text)

/** The system without its float switch: what stood on either side of it is one. */
export function withoutFloat(system: System): System {
  const float = partsOf(system, 'switch').find(({ role }) => role === 'float')
  if (!float) return system
  const [ahead, behind] = float.between
  const terminals = placeById(system, float.place)?.terminals ?? []
  const rest = { ...system, parts: system.parts.filter((part) => part !== float) }
  // The terminal that a hand knows stays; the lead that was only there for the switch goes.
  return terminals.includes(ahead) ? renameNode(rest, float.place, behind, ahead) : renameNode(rest, float.place, ahead, behind)
}

const floatSwitch = (place: PlaceId, between: [string, string]): PartOf<'switch'> => ({
  kind: 'switch',
  id: 'float',
  place,
  name: 'float switch',
  source: 'assumption: a switch in the drain pan, as found on the job',
  role: 'float',
  between,
  contactOhm: 0.05,
})

/** The system with a float switch between fuse and R: with water in the pan nothing has power. */
export function withFloatInHot(system: System): System {
  const thermostat = firstPart(system, 'thermostat')
  const { place } = firstPart(system, 'transformer')
  const hot = feedOf(thermostat, Object.values(thermostat.calls).flat()[0] ?? thermostat.hot)
  const ahead = `${hot}-ahead`
  const isFeeding = (part: Part): boolean =>
    part.place === place &&
    ((part.kind === 'fuse' && part.between.includes(hot)) || (part.kind === 'transformer' && part.secondary[0] === hot))
  const feeder = system.parts.find((part) => part.kind === 'fuse' && isFeeding(part)) ?? system.parts.find(isFeeding)
  if (!feeder) return system
  const parts = system.parts.map((part): Part => {
    if (part !== feeder) return part
    if (part.kind === 'fuse')
      return { ...part, between: [part.between[0] === hot ? ahead : part.between[0], part.between[1] === hot ? ahead : part.between[1]] }
    return part.kind === 'transformer' ? { ...part, secondary: [ahead, part.secondary[1]] } : part
  })
  const at = parts.findIndex((part) => part.kind === 'fuse')
  return { ...system, parts: [...parts.slice(0, at + 1), floatSwitch(place, [ahead, hot]), ...parts.slice(at + 1)] }
}

/** The system with a float switch in Y where it leaves for outdoors: with water in the pan only cooling stops. Null where Y leaves by no cable. */
export function withFloatInY(system: System): System | null {
  const { place } = firstPart(system, 'transformer')
  for (const cable of system.cables) {
    const side = cable.between.indexOf(place)
    const far = system.places.find(({ id }) => id === cable.between[1 - side])
    const conductor = cable.conductors.find(({ lands }) => ['Y', 'Y1'].includes(lands[side] ?? ''))
    const terminal = conductor?.lands[side]
    if (side < 0 || far?.kind !== 'outdoor' || !conductor || !terminal) continue
    const behind = `${terminal}F`
    return {
      ...system,
      places: system.places.map((one) =>
        one.id === place ? { ...one, terminals: one.terminals.flatMap((name) => (name === terminal ? [name, behind] : [name])) } : one,
      ),
      cables: system.cables.map((one) =>
        one !== cable
          ? one
          : {
              ...one,
              conductors: one.conductors.map((other) =>
                other === conductor ? { ...other, lands: side === 0 ? [behind, other.lands[1]] : [other.lands[0], behind] } : other,
              ),
            },
      ),
      parts: [...system.parts, floatSwitch(place, [terminal, behind])],
    }
  }
  return null
}

/** The system with no common at its thermostats: they live on a battery, and no conductor lands on C there. */
export function withoutCommonAtThermostat(system: System): System {
  const commons = new Map(
    partsOf(system, 'thermostat').flatMap(({ place, common }) => (common === undefined ? [] : [[place, common] as const])),
  )
  const isCommonAt = (place: PlaceId, terminal: string | null) => terminal !== null && commons.get(place) === terminal
  return {
    ...withBatteries(system),
    places: system.places.map((place) => ({ ...place, terminals: place.terminals.filter((terminal) => !isCommonAt(place.id, terminal)) })),
    cables: system.cables.map((cable) => ({
      ...cable,
      conductors: cable.conductors.filter(({ lands }) => !lands.some((terminal, side) => isCommonAt(cable.between[side], terminal))),
    })),
    parts: withBatteries(system).parts.map((part) => {
      if (part.kind !== 'thermostat') return part
      const { common: _, ...rest } = part
      return rest
    }),
  }
}

/** The system with these other leads on the primary of its transformer, capped; those that it has keep their names. */
export const withCappedLeads = (system: System, volts: readonly number[]): System => ({
  ...system,
  parts: system.parts.map((part): Part => {
    if (part !== firstPart(system, 'transformer')) return part
    const { taps: known = [], ...rest } = part as PartOf<'transformer'>
    const taps = volts.map((volts) => known.find((tap) => tap.volts === volts) ?? { lead: `tap-${volts}`, volts })
    return taps.length > 0 ? { ...rest, taps } : rest
  }),
})

/** Thermostats that stay alive whatever the wires carry. */
export const withBatteries = (system: System): System => ({
  ...system,
  parts: system.parts.map(
    (part): Part => (part.kind === 'thermostat' && (part.power ?? 'common') === 'common' ? { ...part, power: 'battery' } : part),
  ),
})
