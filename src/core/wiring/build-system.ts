import {
  type Lettering,
  withBatteries,
  withCappedLeads,
  withFloatInHot,
  withFloatInY,
  withLetter,
  withoutCommonAtThermostat,
  withoutFloat,
} from '@/src/core/wiring/alter-wiring'
import { readSystem } from '@/src/core/wiring/read-system'
import { firstPart, partsOf, type System, walkBetween } from '@/src/core/wiring/system'
import { traitNames, traits, traitsOf, type WhatIsThere } from '@/src/core/wiring/what-is-there'

/** How the id of a system ends that was put together on one job: it is that house's, and no kind for others. */
export const AS_FOUND = '-as-found'

export interface BuiltSystem {
  readonly system: System
  /** The known kind that it was made from. */
  readonly kind: System
  /** What was seen and could not be drawn, a sentence a thing. */
  readonly differs: readonly string[]
  /** What is taken as in the kind because nobody looked, a phrase a thing. */
  readonly taken: readonly string[]
}

/** The kind that differs least from what was seen; kinds that differ alike are taken in the catalogue's order, the commonest first. */
export function nearestKind(seen: WhatIsThere, kinds: readonly System[]): System {
  const distance = (kind: System): number => {
    const has = traitsOf(kind)
    return traitNames.reduce((sum, name) => {
      const said = seen.traits[name] ?? 'unknown'
      return said === 'unknown' || (said === 'yes') === has[name] ? sum : sum + traits[name].weight
    }, 0)
  }
  return kinds.reduce((best, kind) => (distance(kind) < distance(best) ? kind : best))
}

/** Puts a system together from what was seen, on the kind that comes nearest. Throws when the result could not be wired: a bug. */
export function buildSystem(seen: WhatIsThere, kinds: readonly System[]): BuiltSystem {
  const kind = nearestKind(seen, kinds)
  const has = traitsOf(kind)
  const differs: string[] = []
  const unknown: NonNullable<System['unknown']> = []
  let system = kind

  const common = seen.traits.commonAtThermostat ?? 'unknown'
  if (has.commonAtThermostat && common === 'no') system = withoutCommonAtThermostat(system)
  if (has.commonAtThermostat && common === 'unknown') {
    system = withBatteries(system)
    unknown.push('common')
  }

  const floatInY = seen.float === 'Y' ? withFloatInY(withoutFloat(system)) : null
  if (seen.float === 'none') system = withoutFloat(system)
  else if (seen.float === 'R') system = withFloatInHot(withoutFloat(system))
  else if (floatInY) system = floatInY
  else if (seen.float === 'Y') differs.push('a float switch in Y: here Y leaves by no cable that it could sit in')
  else {
    if (!partsOf(system, 'switch').some(({ role }) => role === 'float')) system = withFloatInHot(system)
    unknown.push('float')
  }

  if (seen.fuse === 'unknown') unknown.push('fuse')
  else
    system = {
      ...system,
      parts: system.parts.map((part) => {
        if (part !== firstPart(system, 'fuse')) return part
        const { holds: _, ...plain } = part as ReturnType<typeof firstPart<'fuse'>>
        return seen.fuse === '3' || seen.fuse === '5'
          ? { ...plain, ratingA: Number(seen.fuse) }
          : { ...plain, holds: seen.fuse === 'none' ? ('none' as const) : ('breaker' as const) }
      }),
    }

  if (seen.capped) {
    const { primaryVolts } = firstPart(system, 'transformer')
    if (seen.capped.some((volts) => volts === primaryVolts))
      differs.push(`a transformer that is not on its ${primaryVolts} V lead: here it is`)
    system = withCappedLeads(
      system,
      seen.capped.filter((volts) => volts !== primaryVolts),
    )
  }

  if (partsOf(system, 'board').length > 0) {
    if (seen.board === 'unknown') unknown.push('board')
    else system = withOutputs(system, seen.board)
  }

  system = {
    ...system,
    id: `${kind.id}${AS_FOUND}`,
    name: `${kind.name}, as found`,
    cables: system.cables.map((cable) => ({
      ...cable,
      conductors: cable.conductors.map((conductor) => ({ ...conductor, colour: seen.colours[`${cable.id}.${conductor.id}`] ?? 'unknown' })),
    })),
    ...(unknown.length > 0 && { unknown }),
  }
  const read = readSystem(system)
  if (!read.ok) throw new Error(`what was checked does not make a complete system: ${read.problems.join(' ')}`)
  const stillHas = traitsOf(read.system)
  for (const name of traitNames) {
    const said = seen.traits[name] ?? 'unknown'
    if (said !== 'unknown' && (said === 'yes') !== stillHas[name])
      differs.push(`${said === 'yes' ? '' : 'no '}${traits[name].say.replace(/^an? /, said === 'yes' ? '$&' : '')}`)
  }
  const taken: string[] = traitNames
    .filter((name) => (seen.traits[name] ?? 'unknown') === 'unknown' && name !== 'commonAtThermostat' && stillHas[name])
    .map((name) => traits[name].say)
  const [spare] = seen.capped ? [] : (firstPart(read.system, 'transformer').taps ?? [])
  if (spare) taken.push(`a capped ${spare.volts} V lead on the transformer`)
  return { system: read.system, kind, differs, taken }
}

/** What is known of one house before anything is measured: the letters of its strips, and how long its walks are. */
export interface ThisHouse {
  readonly letters: readonly Lettering[]
  readonly walks: System['walks']
}

const HERE = ', as it is here'

/** A system that is no longer its kind: of its own, and named so once, however often it is altered. */
export const asOwn = (system: System): System =>
  system.name.endsWith(HERE) ? system : { ...system, id: `${system.id}-here${AS_FOUND}`, name: `${system.name}${HERE}` }

/** A kind as it is in this house, as a system of its own. */
export function asItIsHere(kind: System, { letters, walks }: ThisHouse): System {
  const lettered = letters.reduce(withLetter, kind)
  return {
    ...asOwn(lettered),
    walks: lettered.walks.map((walk) => walkBetween(walks, ...walk.between) ?? walk),
  }
}

/** Every board output that can be of either style in the one that was seen; an ignition control has relays. */
const withOutputs = (system: System, style: 'passes' | 'relay'): System => ({
  ...system,
  parts: system.parts.map((part) =>
    part.kind === 'board' && !part.ignites
      ? { ...part, outputs: part.outputs.map((output) => (output.also || output.from !== undefined ? output : { ...output, style })) }
      : part,
  ),
})
