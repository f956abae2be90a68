import { addAdmittance, type Change, changeLink } from '@/src/core/circuit/factored'
import { type Network, OPEN_OHM } from '@/src/core/circuit/network'
import { reciprocal, subtract } from '@/src/core/units/complex'
import { callLink, coilImpedance, contactLink, pinNode, switchedTerminals, thermostatInside, windingNode } from '@/src/core/wiring/assembly'
import { type PartOf, partsOf, type System } from '@/src/core/wiring/system'
import type { ValueFactors } from '@/src/core/wiring/values'

/** A coil-worked device: two node indexes, two thresholds, and what changes when its armature closes. */
export interface RelayModel {
  readonly part: PartOf<'coil'>
  readonly a: number
  readonly b: number
  readonly sealed: Change
  readonly contact: Change | null
}

/** Everything of a system that moves by itself, against one assembled network. */
export interface Machine {
  readonly system: System
  readonly network: Network
  readonly thermostat: PartOf<'thermostat'>
  readonly hot: number
  readonly common: number
  readonly relays: readonly RelayModel[]
  readonly contacts: ReadonlyMap<string, Change>
}

export function createMachine(system: System, network: Network, factors: ValueFactors): Machine {
  const thermostat = partsOf(system, 'thermostat')[0]
  if (!thermostat) throw new Error(`system ${system.id} has no thermostat`)
  const relays = partsOf(system, 'coil').map((part): RelayModel => {
    const [a, b] = [windingNode(part.id), pinNode(part.id, 1)]
    const change = subtract(reciprocal(coilImpedance(part, factors, true).ac), reciprocal(coilImpedance(part, factors, false).ac))
    return {
      part,
      a: network.nodeIndex(a),
      b: network.nodeIndex(b),
      sealed: addAdmittance(network, a, b, change),
      contact: part.contact ? closeLink(network, contactLink(part.id)) : null,
    }
  })
  return {
    system,
    network,
    thermostat,
    hot: network.nodeIndex(thermostatInside(thermostat.id, 'hot')),
    common: network.nodeIndex(thermostatInside(thermostat.id, 'common')),
    relays,
    contacts: new Map(switchedTerminals(thermostat).map((terminal) => [terminal, closeLink(network, callLink(thermostat.id, terminal))])),
  }
}

const closeLink = (network: Network, id: string): Change => changeLink(network, id, OPEN_OHM, network.link(id).ohm)

export const reverse = (change: Change): Change => ({ p: change.p, q: change.q, d: { re: -change.d.re, im: -change.d.im } })
