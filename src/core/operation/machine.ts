import { type AddedAdmittance, addAdmittance, closeLink, type LinkStep } from '@/src/core/circuit/factored'
import type { Network } from '@/src/core/circuit/network'
import { reciprocal, subtract } from '@/src/core/units/complex'
import { modelValue } from '@/src/core/units/model-value'
import { coilImpedance } from '@/src/core/wiring/assembly'
import type { PartId } from '@/src/core/wiring/ids'
import {
  boardInside,
  bodyLink,
  callLink,
  contactLink,
  loadInside,
  outputLink,
  thermostatInside,
  windingNode,
} from '@/src/core/wiring/links'
import { inputsOf, type PartOf } from '@/src/core/wiring/part'
import { pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { partsOf, type System } from '@/src/core/wiring/system'
import { livesBetween, switchedTerminals } from '@/src/core/wiring/thermostat'
import type { ValueFactors } from '@/src/core/wiring/values'

/** Below this a motor or a heater does not run. */
export const RUNS_ABOVE = modelValue({ value: 0.6, unit: 'share of its rated volts', source: 'assumption' })

/** Below this an igniter does not get hot enough to light gas. */
const LIGHTS_ABOVE = modelValue({ value: 0.7, unit: 'share of its rated volts', source: 'assumption: about 85 V of 120 V' })

/** A coil-worked device: two node indexes, two thresholds, and what changes when its armature closes. */
export interface RelayModel {
  readonly part: PartOf<'coil'>
  readonly a: number
  readonly b: number
  readonly sealed: AddedAdmittance
  readonly contact: LinkStep | null
}

export const outputKey = (board: PartId, to: string): OutputKey => `${board}.${to}`

/** The part that a device's key names, and the terminal of one that is a board's output. */
export function parseDeviceKey(key: string): { readonly part: PartId; readonly to: string | null } {
  const dot = key.indexOf('.')
  return dot < 0 ? { part: key, to: null } : { part: key.slice(0, dot), to: key.slice(dot + 1) }
}

/** A board's output against the network: what it watches, and the relay that makes it. */
export interface OutputModel {
  readonly part: PartOf<'board'>
  /** Board and terminal, by which a fault names it. */
  readonly key: OutputKey
  readonly to: string
  readonly style: 'passes' | 'relay'
  readonly minimumOffS: number | undefined
  readonly closesAfterS: number | undefined
  readonly hot: number
  readonly common: number
  readonly inputs: readonly number[]
  readonly needs: readonly number[]
  readonly unless: readonly number[]
  readonly closes: LinkStep
}

/** A switch that is open at rest against the network: the motor that makes it by running, and its place in the state. */
export interface ProvingSwitchModel {
  readonly part: PartOf<'switch'>
  readonly motor: { readonly a: number; readonly b: number; readonly runsAboveVolts: number }
  readonly closes: LinkStep
  readonly bit: number
}

/**
 * An ignition control against the network: what lights, the outputs that light it and open the valve, by place in their lists, and
 * the flame's place in the state.
 */
export interface IgnitionModel {
  readonly part: PartOf<'board'>
  readonly igniter: { readonly a: number; readonly b: number; readonly lightsAboveVolts: number }
  readonly lights: number
  readonly opens: number
  readonly valve: number
  readonly bit: number
}

/** A thermostat against the network: what it lives on, its contacts by terminal, and its places in the state. */
export interface ThermostatModel {
  readonly part: PartOf<'thermostat'>
  /** What keeps it alive is read between these; null for one that lives by itself. */
  readonly lives: { readonly hot: number; readonly common: number } | null
  readonly contacts: ReadonlyMap<string, LinkStep>
  readonly aliveBit: number
  readonly guardBit: number
}

/** Everything of a system that moves by itself, against one assembled network. */
export interface Machine {
  readonly system: System
  readonly network: Network
  /** One for each zone; the first is the house's where there is one. */
  readonly thermostats: readonly ThermostatModel[]
  readonly relays: readonly RelayModel[]
  readonly outputs: readonly OutputModel[]
  /** Switches that are open at rest. */
  readonly proving: readonly ProvingSwitchModel[]
  readonly ignitions: readonly IgnitionModel[]
}

export function createMachine(system: System, network: Network, factors: ValueFactors): Machine {
  const relays = partsOf(system, 'coil').map((part): RelayModel => {
    const [a, b] = [windingNode(part.id), pinPoint(part, 1)]
    const change = subtract(reciprocal(coilImpedance(part, factors, true).ac), reciprocal(coilImpedance(part, factors, false).ac))
    return {
      part,
      a: network.nodeIndex(a),
      b: network.nodeIndex(b),
      sealed: addAdmittance(network, a, b, change),
      contact: part.contact ? closeLink(network, contactLink(part.id)) : null,
    }
  })
  const outputs = partsOf(system, 'board').flatMap((part) =>
    part.outputs.map(
      (output): OutputModel => ({
        part,
        key: outputKey(part.id, output.to),
        to: output.to,
        style: output.style,
        minimumOffS: output.minimumOffS,
        closesAfterS: output.closesAfterS,
        hot: network.nodeIndex(boardInside(part.id)),
        common: network.nodeIndex(terminalPoint(part.between[1], part.place)),
        inputs: inputsOf(output).map((call) => network.nodeIndex(terminalPoint(call, part.place))),
        needs: (output.needs ?? []).map((input) => network.nodeIndex(terminalPoint(input, part.place))),
        unless: (output.unless ?? []).map((input) => network.nodeIndex(terminalPoint(input, part.place))),
        closes: closeLink(network, outputLink(part.id, output.to)),
      }),
    ),
  )
  // Bit 0 is the first thermostat alive, then relays and outputs; the rest of the thermostats' bits stand behind those.
  const guards = relays.length + outputs.length + 1
  const thermostats = partsOf(system, 'thermostat').map(
    (part, index): ThermostatModel => ({
      part,
      lives: livesBetween(part)
        ? { hot: network.nodeIndex(thermostatInside(part.id, 'hot')), common: network.nodeIndex(thermostatInside(part.id, 'common')) }
        : null,
      contacts: new Map(switchedTerminals(part).map((terminal) => [terminal, closeLink(network, callLink(part.id, terminal))])),
      aliveBit: index === 0 ? 0 : guards + 2 * index,
      guardBit: index === 0 ? guards : guards + 2 * index - 1,
    }),
  )
  const first = guards + 2 * thermostats.length - 1
  const proving = partsOf(system, 'switch').flatMap((part): ProvingSwitchModel[] => {
    const motor = partsOf(system, 'load').find(({ id }) => id === part.madeBy)
    if (!motor) return []
    return [
      {
        part,
        motor: { ...acrossLoad(motor), runsAboveVolts: RUNS_ABOVE * motor.volts },
        closes: closeLink(network, bodyLink(part.id)),
        bit: 0,
      },
    ]
  })
  const ignitions = partsOf(system, 'board').flatMap((part): IgnitionModel[] => {
    const { ignites } = part
    const igniter = partsOf(system, 'load').find(({ id }) => id === ignites?.igniter)
    if (!ignites || !igniter) return []
    return [
      {
        part,
        igniter: { ...acrossLoad(igniter), lightsAboveVolts: LIGHTS_ABOVE * igniter.volts },
        lights: outputs.findIndex(({ key }) => key === outputKey(part.id, ignites.by)),
        opens: outputs.findIndex(({ key }) => key === outputKey(part.id, ignites.opens)),
        valve: relays.findIndex((relay) => relay.part.id === ignites.valve),
        bit: 0,
      },
    ]
  })
  return {
    system,
    network,
    thermostats,
    relays,
    outputs,
    proving: proving.map((model, index) => ({ ...model, bit: first + index })),
    ignitions: ignitions.map((model, index) => ({ ...model, bit: first + proving.length + index })),
  }

  function acrossLoad(load: PartOf<'load'>): { readonly a: number; readonly b: number } {
    return { a: network.nodeIndex(loadInside(load.id)), b: network.nodeIndex(terminalPoint(load.between[1], load.place)) }
  }
}

/** A board's output by board and terminal: the dot keeps it from being any word that an object has of its own. */
export type OutputKey = `${string}.${string}`
