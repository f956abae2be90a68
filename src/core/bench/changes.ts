import { type Bench, type Swap, slotOf } from '@/src/core/bench/bench'
import { landingsOfSwap } from '@/src/core/bench/swaps'
import { addAdmittance, type Change, openLink } from '@/src/core/circuit/factored'
import type { Network } from '@/src/core/circuit/network'
import { complex } from '@/src/core/units/complex'
import { modelValue } from '@/src/core/units/model-value'
import { plugsOf } from '@/src/core/wiring/assembly'
import {
  bodyLink,
  conductorLink,
  conductorMiddle,
  landingLink,
  nearHalf,
  outputLink,
  passLink,
  plugLink,
  poleLink,
  windingLink,
} from '@/src/core/wiring/links'
import { type PartOf, watchedFor } from '@/src/core/wiring/part'
import { conductorEnd, type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { cableById, partById, partsOf, type System } from '@/src/core/wiring/system'
import { cableConstants } from '@/src/core/wiring/values'

/** A clip lead. */
const JUMPER_OHM = modelValue({ value: 0.05, unit: 'ohm', source: 'assumption' })

/** What the bench changes in the network, the thermostat's call apart (that is operation). */
export function changesOfBench(system: System, network: Network, bench: Bench): Change[] {
  const changes: Change[] = []
  if (!bench.power) {
    for (const part of partsOf(system, 'disconnect')) {
      part.poles.forEach((_, pole) => {
        changes.push(openLink(network, poleLink(part.id, pole)))
      })
    }
  }
  for (const end of bench.lifted) {
    const link = linkOfLanding(system, end)
    if (link) changes.push(openLink(network, link))
  }
  for (const id of bench.unplugged) {
    const part = partById(system, id)
    if (!part) continue
    for (let side = 0; side < plugsOf(part); side++) changes.push(openLink(network, plugLink(id, side)))
    if (part.kind === 'board') changes.push(...withoutBoard(network, part))
    if (part.kind === 'transformer') changes.push(openLink(network, windingLink(id, 'secondary')))
  }
  for (const swap of bench.swaps) {
    if (swap.section) changes.push(...changesOfSection(system, network, swap))
    for (const { off, on, terminal } of landingsOfSwap(system, swap)) {
      // An exchanged conductor that is in the hand besides stands open already.
      const link = bench.lifted.includes(off) ? null : linkOfLanding(system, off)
      if (link) changes.push(openLink(network, link))
      if (!bench.lifted.includes(on)) changes.push(addAdmittance(network, on, terminal, complex(1 / cableConstants.landingOhm)))
    }
  }
  for (const { a, b, ohm = JUMPER_OHM } of bench.jumpers) changes.push(addAdmittance(network, a, b, complex(1 / ohm)))
  for (const { id } of partsOf(system, 'fuse')) if (slotOf(system, bench, id).open) changes.push(openLink(network, bodyLink(id)))
  return changes
}

/** An unplugged board: its supply, pass-through paths and relay contacts are open, and its inputs draw nothing. */
function withoutBoard(network: Network, { id, place, between, outputs, inputOhm }: PartOf<'board'>): Change[] {
  const common = terminalPoint(between[1], place)
  return [
    openLink(network, bodyLink(id)),
    ...outputs.flatMap(({ to }) => [openLink(network, passLink(id, to)), openLink(network, outputLink(id, to))]),
    ...[...new Set(outputs.flatMap(watchedFor))].map((call) =>
      addAdmittance(network, terminalPoint(call, place), common, complex(-1 / inputOhm)),
    ),
  ]
}

/**
 * A spare on a section of the way: what is wrong with the conductor sits in the stretch that was cut out, and its middle hangs free with
 * it; its ends are one again through the spare, whose own copper is cut.
 */
function changesOfSection(system: System, network: Network, { cable: id, from, to }: Swap): Change[] {
  const cable = cableById(system, id)
  if (!cable) return []
  const [near, far] = cable.between.map((place) => conductorEnd(id, from, place))
  const half = network.impedance(nearHalf(id, from)).dcOhm
  return [
    addAdmittance(network, near, conductorMiddle(id, from), complex(-1 / half)),
    ...[from, to].map((conductor) => openLink(network, conductorLink(id, conductor))),
    addAdmittance(network, near, far, complex(1 / (2 * half))),
  ]
}

/** The landing link of a conductor's end, or null for a spare that is landed nowhere. */
export function linkOfLanding(system: System, end: Point): string | null {
  const { cable, name, place } = parsePoint(end)
  const found = cableById(system, cable)
  const conductor = found?.conductors.find((candidate) => candidate.id === name)
  if (!found || !conductor || conductor.lands[found.between.indexOf(place)] === null) return null
  return landingLink(found.id, conductor.id, place)
}
