import type { Probe } from '@/src/core/readings/check'
import { terminalPoint } from '@/src/core/wiring/point'
import { houseCommon } from '@/src/core/wiring/supply'
import { firstPart, partsOf, type System } from '@/src/core/wiring/system'

/** A reading of the supply side, in the order in which a technician takes them. */
export interface SupplyCheck {
  readonly id: string
  readonly say: string
  readonly probe: Probe
  readonly isLine: boolean
}

/** The other side of the line that feeds the transformer: neutral, or the second leg. */
export function supplyReturn(system: System): string {
  const { primary, place } = firstPart(system, 'transformer')
  const pole = partsOf(system, 'disconnect')
    .filter((part) => part.place === place)
    .flatMap(({ poles }) => poles)
    .find(([, after]) => after === primary[1])
  return pole ? pole[0] : primary[1]
}

/** From the line to the board's terminals: each reading halves where the 24 V can be lost. */
export function supplyChecks(system: System): SupplyCheck[] {
  const transformer = firstPart(system, 'transformer')
  const fuse = firstPart(system, 'fuse')
  const at = (name: string) => terminalPoint(name, transformer.place)
  const supply = partsOf(system, 'supply').find(({ place }) => place === transformer.place)
  const [leg] = supply?.legs ?? []
  const [hot, low] = transformer.secondary
  const common = houseCommon(system)
  const onBoard = firstPart(system, 'thermostat').hot
  // In the common leg the fuse is read from the hot terminal, on either side of it.
  const isInCommon = fuse.between.includes(low)
  const pastFuse = isInCommon ? onBoard : (fuse.between.find((name) => name !== hot) ?? hot)
  const volts = (a: string, b: string): Probe => ({ meter: 'volts', a: at(a), b: at(b) })
  return [
    ...(supply && leg
      ? [
          {
            id: 'line',
            say: `${leg.node} to ${supplyReturn(system)}, ahead of the switch`,
            probe: volts(leg.node, supplyReturn(system)),
            isLine: true,
          },
        ]
      : []),
    { id: 'primary', say: 'Transformer primary', probe: volts(...transformer.primary), isLine: true },
    { id: 'secondary', say: 'Transformer secondary', probe: volts(hot, low), isLine: false },
    // A float or another switch may stand between the fuse and the terminal: each side is read.
    ...(pastFuse === onBoard
      ? []
      : [{ id: 'past-fuse', say: `Past the ${fuse.name}, to ${common}`, probe: volts(pastFuse, common), isLine: false }]),
    { id: 'board', say: `${onBoard} to ${common} on the board`, probe: volts(onBoard, common), isLine: false },
    { id: 'bond', say: `${onBoard} to the chassis`, probe: volts(onBoard, 'chassis'), isLine: false },
    { id: 'amps', say: `Amps through the ${fuse.name}`, probe: { meter: 'amps', on: fuse.id }, isLine: false },
  ]
}
