import type { Probe } from '@/src/core/readings/check'
import type { PlaceId } from '@/src/core/wiring/ids'
import type { PartOf } from '@/src/core/wiring/part'
import { CHASSIS, terminalPoint } from '@/src/core/wiring/point'
import { houseCommon } from '@/src/core/wiring/supply'
import { firstPart, type Place, partsOf, placeById, type System } from '@/src/core/wiring/system'

/** A reading of the supply side, in the order in which a technician takes them. */
export interface SupplyCheck {
  readonly id: string
  readonly say: string
  readonly probe: Probe
  readonly isLine: boolean
  /** One leg against ground: only worth its walk around the panel once a reading across the legs is out of range be. */
  readonly isLeg: boolean
}

/** What brings the line to a place: its legs or its leg and neutral, and the nodes that they have behind the disconnect. */
export interface LineFeed {
  readonly supply: PartOf<'supply'>
  readonly disconnect: PartOf<'disconnect'> | null
  /** The two sides of the line ahead of the disconnect, and behind it; a neutral goes by it. */
  readonly ahead: readonly [string, string]
  readonly behind: readonly [string, string]
  /** A door switch in the first side, and its node behind. */
  readonly door: PartOf<'switch'> | null
}

/** Places that have a line of their own, where the transformer is first. */
export function placesWithLine(system: System): Place[] {
  const home = firstPart(system, 'transformer').place
  return system.places
    .filter(({ id }) => partsOf(system, 'supply').some(({ place }) => place === id))
    .sort((a, b) => Number(b.id === home) - Number(a.id === home))
}

export function lineFeedOf(system: System, place: PlaceId): LineFeed | null {
  const supply = partsOf(system, 'supply').find((part) => part.place === place)
  if (!supply) return null
  const disconnect = partsOf(system, 'disconnect').find((part) => part.place === place) ?? null
  const [first, second] = supply.legs
  const poleOf = (node: string) => disconnect?.poles.find(([before]) => before === node)?.[1] ?? node
  const isUsed = second !== undefined && (disconnect === null || disconnect.poles.length > 1)
  const ahead: [string, string] = [first.node, isUsed ? second.node : supply.neutral]
  return {
    supply,
    disconnect,
    ahead,
    behind: [poleOf(ahead[0]), poleOf(ahead[1])],
    door: partsOf(system, 'switch').find((part) => part.place === place && part.role === 'door') ?? null,
  }
}

/** From the line to the board's terminals, or to the compressor: each reading halves where the volts can be lost. */
export function supplyChecks(system: System, place = firstPart(system, 'transformer').place): SupplyCheck[] {
  const line = lineFeedOf(system, place)
  const at = (name: string) => terminalPoint(name, place)
  const isMetal = placeById(system, place)?.metal ?? false
  const check = (id: string, say: string, a: string, b: string, isLeg = false): SupplyCheck => ({
    id,
    say,
    probe: { meter: 'volts', a: at(a), b: at(b) },
    isLine: true,
    isLeg,
  })
  const toGround = (id: string, nodes: readonly string[], where: string) =>
    isMetal ? nodes.map((node) => check(`${id}-${node}`, `${nameOf(node)} to ground, ${where}`, node, CHASSIS, true)) : []
  const nameOf = (node: string) => line?.ahead[line.behind.indexOf(node)] ?? node
  const ofLine: SupplyCheck[] = line
    ? [
        check('line', `${line.ahead[0]} to ${line.ahead[1]}, ahead of the ${switchName(line)}`, ...line.ahead),
        ...(isEndOfLine(system, line)
          ? []
          : [check('behind', `${line.ahead[0]} to ${line.ahead[1]}, behind the ${switchName(line)}`, ...line.behind)]),
        ...toGround('ahead', line.ahead, 'ahead'),
        ...(line.disconnect
          ? toGround(
              'behind',
              line.behind.filter((node) => !line.ahead.includes(node)),
              `behind the ${switchName(line)}`,
            )
          : []),
      ]
    : []
  const across = (role: 'main' | 'leg') => ofLine.filter(({ isLeg }) => isLeg === (role === 'leg'))
  if (place !== firstPart(system, 'transformer').place) {
    const [load] = partsOf(system, 'load').filter((part) => part.place === place)
    return [...across('main'), ...(load ? [check('load', `Across the ${load.name}`, ...load.between)] : []), ...across('leg')]
  }
  return [
    ...across('main'),
    check('primary', 'Transformer primary', ...firstPart(system, 'transformer').primary),
    ...across('leg'),
    ...lowVoltageChecks(system),
  ]
}

const switchName = ({ disconnect }: LineFeed): string => disconnect?.name ?? 'unit'

/** Nothing stands between the disconnect and the primary: the two are one reading. */
const isEndOfLine = (system: System, { behind, supply }: LineFeed): boolean =>
  partsOf(system, 'transformer').some(({ place, primary }) => place === supply.place && primary.every((node) => behind.includes(node)))

function lowVoltageChecks(system: System): SupplyCheck[] {
  const transformer = firstPart(system, 'transformer')
  const fuse = firstPart(system, 'fuse')
  const at = (name: string) => terminalPoint(name, transformer.place)
  const [hot, low] = transformer.secondary
  const common = houseCommon(system)
  const onBoard = firstPart(system, 'thermostat').hot
  // In the common leg the fuse is read from the hot terminal, on either side of it.
  const isInCommon = fuse.between.includes(low)
  const pastFuse = isInCommon ? onBoard : (fuse.between.find((name) => name !== hot) ?? hot)
  const low24 = (id: string, say: string, probe: Probe): SupplyCheck => ({ id, say, probe, isLine: false, isLeg: false })
  const volts = (a: string, b: string): Probe => ({ meter: 'volts', a: at(a), b: at(b) })
  return [
    low24('secondary', 'Transformer secondary', volts(hot, low)),
    // A float or another switch may stand between the fuse and the terminal: each side is read.
    ...(pastFuse === onBoard ? [] : [low24('past-fuse', `Past the ${fuse.name}, to ${common}`, volts(pastFuse, common))]),
    low24('board', `${onBoard} to ${common} on the board`, volts(onBoard, common)),
    low24('bond', `${onBoard} to the chassis`, volts(onBoard, CHASSIS)),
    low24('amps', `Amps through the ${fuse.name}`, { meter: 'amps', on: fuse.id }),
  ]
}
