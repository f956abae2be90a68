import type { Bench } from '@/src/core/bench/bench'
import { linkOfLanding } from '@/src/core/bench/changes'
import { sayPoint } from '@/src/core/bench/points'
import { pluggedOf } from '@/src/core/bench/say'
import { addAdmittance, type Change, openLink } from '@/src/core/circuit/factored'
import type { Probe } from '@/src/core/readings/check'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { complex } from '@/src/core/units/complex'
import { defaultMeter, isBeeping } from '@/src/core/units/meter'
import { modelValue } from '@/src/core/units/model-value'
import { plugsOf } from '@/src/core/wiring/assembly'
import type { PartId } from '@/src/core/wiring/ids'
import { bodyLink, plugLink, windingLink } from '@/src/core/wiring/links'
import type { Part } from '@/src/core/wiring/part'
import { unplugs } from '@/src/core/wiring/part-kinds'
import { conductorEnd, type Point, terminalPoint } from '@/src/core/wiring/point'
import { commonNodes } from '@/src/core/wiring/supply'
import type { System } from '@/src/core/wiring/system'

/** What an ohmmeter sees beside the wire it is put on, and which end, lifted, takes that out of the reading. */
export interface SeenThrough {
  readonly part: PartId
  readonly name: string
  /** A conductor's end on one of the two points; null when no end there takes it out. */
  readonly lift: Point | null
  /** The same in words. */
  readonly say: string
}

/** A part counts as seen when the reading without it is this much higher. */
const SEEN_FROM = modelValue({ value: 1.15, unit: 'times', source: 'assumption' })

/**
 * The loads that an ohms reading goes through on a bench in a sound house, each part taken out of the circuit in turn; the
 * strongest first. Empty for every other kind of reading, and where the meter sees nothing.
 */
export function readsThrough(laboratory: Laboratory, bench: Bench, probe: Probe): SeenThrough[] {
  if (probe.meter !== 'ohms' || bench.power) return []
  const { system, network, kernel } = laboratory
  const base = laboratory.onBench(bench)
  const [a, b] = [network.nodeIndex(probe.a), network.nodeIndex(probe.b)]
  const ohmsWith = (changes: readonly Change[]): number => {
    kernel.set(base, [...changes])
    return Math.min(defaultMeter.overloadOhm, kernel.impedance(a, b))
  }
  const whole = ohmsWith([])
  if (whole >= defaultMeter.overloadOhm) return []
  // What sings is no dead short while a load is in the way.
  const sings = isBeeping(whole, defaultMeter) ? ', and a beeper sings through it' : ''
  const common = commonNodes(system)
  const ends = system.cables.flatMap((cable) =>
    cable.conductors.flatMap(({ id, lands }) =>
      cable.between.flatMap((place, side): Point[] => {
        const landed = lands[side] === null ? null : terminalPoint(lands[side], place)
        const end = conductorEnd(cable.id, id, place)
        return landed !== null && [probe.a, probe.b].includes(landed) && !common.has(landed) && !bench.lifted.includes(end) ? [end] : []
      }),
    ),
  )
  return system.parts
    .flatMap((part) => {
      if (bench.unplugged.includes(part.id)) return []
      const out = withoutPart(laboratory, part)
      if (out.length === 0) return []
      const ratio = ohmsWith(out) / whole
      if (ratio < SEEN_FROM) return []
      // With the right end lifted it makes no difference any more whether the part is there.
      const lift = ends.find((end) => {
        const link = linkOfLanding(system, end)
        if (link === null) return false
        const lifted = openLink(network, link)
        return ohmsWith([lifted, ...out]) / ohmsWith([lifted]) < SEEN_FROM
      })
      return [{ part, ratio, lift: lift ?? null }]
    })
    .sort((x, y) => y.ratio - x.ratio)
    .map(({ part, lift }) => ({
      part: part.id,
      name: part.name,
      lift,
      say: `the ${part.name} reads through${sings}${keptOutBy(system, part, lift)}`,
    }))
}

function keptOutBy(system: System, part: Part, lift: Point | null): string {
  if (lift !== null) return `: lift ${sayPoint(system, lift)} to keep it out`
  if (!unplugs(system, part)) return ''
  const { leads } = pluggedOf(system, part.id)
  return leads ? `: take its ${leads} off to keep it out` : ': unplug it to keep it out'
}

/** A load taken out of the network; nothing for what is no load. */
function withoutPart({ network, factors }: Laboratory, part: Part): Change[] {
  switch (part.kind) {
    case 'coil':
    case 'board':
      return [openLink(network, bodyLink(part.id))]
    case 'transformer':
      return [openLink(network, windingLink(part.id, 'secondary'))]
    case 'thermostat':
      return Array.from({ length: plugsOf(part) }, (_, side) => openLink(network, plugLink(part.id, side)))
    case 'electronics': {
      const [a, b] = part.between.map((name) => terminalPoint(name, part.place))
      return [addAdmittance(network, a, b, complex(-1 / (part.dcOhm * factors.electronicsDcOhm)))]
    }
    default:
      return []
  }
}
