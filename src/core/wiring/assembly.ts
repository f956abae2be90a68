import { createNetwork, EARTH, type Element, type Network, OPEN_OHM } from '@/src/core/circuit/network'
import { type Complex, complex, polar } from '@/src/core/units/complex'
import { modelValue } from '@/src/core/units/model-value'
import { copperOhm } from '@/src/core/wiring/copper'
import {
  boardInside,
  bodyLink,
  callLink,
  coilElement,
  conductorLink,
  conductorMiddle,
  contactInside,
  contactLink,
  electronicsElement,
  facesLink,
  inputElement,
  landingLink,
  loadElement,
  loadInside,
  nearHalf,
  neutralLink,
  outputLink,
  passLink,
  plugLink,
  poleLink,
  tapLink,
  thermostatInside,
  windingLink,
  windingNode,
} from '@/src/core/wiring/links'
import { type Part, type PartOf, watchedFor } from '@/src/core/wiring/part'
import { partKinds } from '@/src/core/wiring/part-kinds'
import { CHASSIS, conductorEnd, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { type Cable, partsOf, type System } from '@/src/core/wiring/system'
import { feedOf, hotTerminals, livesBetween, switchedTerminals } from '@/src/core/wiring/thermostat'
import { cabinetConstants, cableConstants, templateValues, type ValueFactors } from '@/src/core/wiring/values'

/** The least that a joint is given, so that no loop is without resistance. */
const MIN_LINK_OHM = modelValue({ value: 0.001, unit: 'ohm', source: 'assumption' })

/**
 * Assembles a system, with its values multiplied by the given factors, into one network with the power on, nothing
 * called, every end landed and every relay at rest.
 */
export function assemble(system: System, factors: ValueFactors = templateValues): Network {
  const elements: Element[] = []
  const omega = 2 * Math.PI * system.hertz
  const impedance = (id: string, a: string, b: string, ac: Complex | null, dcOhm: number) =>
    elements.push({ kind: 'impedance', id, a, b, ac, dcOhm })
  const resistor = (id: string, a: string, b: string, ohm: number) => impedance(id, a, b, complex(ohm), ohm)
  const capacitor = (id: string, a: string, b: string, farad: number) => impedance(id, a, b, complex(0, -1 / (omega * farad)), Infinity)
  const link = (id: string, a: string, b: string, ohm: number, closed = true) =>
    elements.push({ kind: 'link', id, a, b, ohm: Math.max(ohm, MIN_LINK_OHM), closed })

  for (const cable of system.cables) addCable(cable)
  for (const part of system.parts) addPart(part)
  addMetal()
  addSurfaceLeakage()
  return createNetwork(elements, system.hertz)

  function addCable(cable: Cable): void {
    const [near, far] = cable.between
    const lengthM = cable.lengthM * (factors.lengthM[cable.id] ?? factors.anyLengthM)
    const half = copperOhm(cable.gaugeAwg, lengthM) / 2
    const leakOhm = (cableConstants.insulationOhmM * factors.insulation) / lengthM
    cable.conductors.forEach((conductor, position) => {
      const ends = [conductorEnd(cable.id, conductor.id, near), conductorEnd(cable.id, conductor.id, far)]
      const middle = conductorMiddle(cable.id, conductor.id)
      resistor(nearHalf(cable.id, conductor.id), ends[0], middle, half)
      link(conductorLink(cable.id, conductor.id), middle, ends[1], half)
      conductor.lands.forEach((terminal, side) => {
        if (terminal === null) return
        const place = cable.between[side]
        link(landingLink(cable.id, conductor.id, place), ends[side], terminalPoint(terminal, place), cableConstants.landingOhm)
      })
      resistor(`leak:${cable.id}.${conductor.id}`, middle, EARTH, leakOhm)
      for (const [side, end] of ends.entries()) {
        capacitor(`earth-capacitance:${cable.id}.${conductor.id}.${side}`, end, EARTH, (cableConstants.earthFaradPerM * lengthM) / 2)
        for (const other of cable.conductors.slice(position + 1)) {
          const otherEnd = conductorEnd(cable.id, other.id, cable.between[side])
          capacitor(
            `capacitance:${cable.id}.${conductor.id}.${other.id}.${side}`,
            end,
            otherEnd,
            (cableConstants.pairFaradPerM * lengthM) / 2,
          )
        }
      }
      for (const other of cable.conductors.slice(position + 1))
        resistor(`leak:${cable.id}.${conductor.id}.${other.id}`, middle, conductorMiddle(cable.id, other.id), leakOhm)
    })
  }

  function addPart(part: Part): void {
    const node = (name: string) => terminalPoint(name, part.place)
    switch (part.kind) {
      case 'transformer':
        addTransformer(part, node)
        return
      case 'fuse':
        link(bodyLink(part.id), node(part.between[0]), node(part.between[1]), part.coldOhm)
        return
      case 'bond':
      case 'strap':
        link(bodyLink(part.id), node(part.between[0]), node(part.between[1]), part.ohm)
        return
      case 'switch':
        addPlugs(part)
        link(bodyLink(part.id), pinPoint(part, 0), pinPoint(part, 1), part.contactOhm, part.madeBy === undefined)
        return
      case 'coil': {
        addPlugs(part)
        const coil = coilImpedance(part, factors, false)
        link(bodyLink(part.id), pinPoint(part, 0), windingNode(part.id), cabinetConstants.plugOhm)
        impedance(coilElement(part.id), windingNode(part.id), pinPoint(part, 1), coil.ac, coil.dcOhm)
        if (part.contact) {
          link(contactLink(part.id), node(part.contact[0]), contactInside(part.id), cabinetConstants.lineContactOhm, false)
          link(facesLink(part.id), contactInside(part.id), node(part.contact[1]), cabinetConstants.plugOhm)
        }
        return
      }
      case 'electronics':
        impedance(
          electronicsElement(part.id),
          node(part.between[0]),
          node(part.between[1]),
          loadImpedance(24, part.va * factors.electronicsVa, part.powerFactor),
          part.dcOhm * factors.electronicsDcOhm,
        )
        return
      case 'thermostat': {
        hotTerminals(part).forEach((terminal, index) => {
          link(plugLink(part.id, index), node(terminal), feedInside(part, terminal), cabinetConstants.plugOhm)
        })
        const lives = livesBetween(part)
        if (lives) {
          const inside = thermostatInside(part.id, 'common')
          link(plugLink(part.id, hotTerminals(part).length), node(lives), inside, cabinetConstants.plugOhm)
          impedance(
            electronicsElement(part.id),
            thermostatInside(part.id, 'hot'),
            inside,
            loadImpedance(24, part.va * factors.electronicsVa, part.powerFactor),
            part.dcOhm * factors.electronicsDcOhm,
          )
        }
        for (const terminal of switchedTerminals(part))
          link(callLink(part.id, terminal), feedInside(part, feedOf(part, terminal)), node(terminal), part.contactOhm, false)
        return
      }
      case 'board': {
        const inside = boardInside(part.id)
        link(bodyLink(part.id), node(part.between[0]), inside, cabinetConstants.plugOhm)
        impedance(
          electronicsElement(part.id),
          inside,
          node(part.between[1]),
          loadImpedance(24, part.va * factors.electronicsVa, part.powerFactor),
          part.dcOhm * factors.electronicsDcOhm,
        )
        for (const call of new Set(part.outputs.flatMap(watchedFor)))
          resistor(inputElement(part.id, call), node(call), node(part.between[1]), part.inputOhm)
        for (const { call, to, style, from } of part.outputs) {
          link(passLink(part.id, to), node(call), node(to), part.contactOhm, style === 'passes')
          link(outputLink(part.id, to), from === undefined ? inside : node(from), node(to), part.contactOhm, false)
        }
        return
      }
      case 'supply': {
        const neutral = `${part.id}.neutral~inside`
        link(neutralLink(part.id), node(part.neutral), neutral, cabinetConstants.plugOhm)
        for (const leg of part.legs)
          elements.push({
            kind: 'source',
            id: `source:${part.id}.${leg.node}`,
            a: node(leg.node),
            b: neutral,
            volts: polar(leg.volts, leg.degrees ?? 0),
            ac: complex(part.ohm),
            dcOhm: part.ohm,
          })
        resistor(`service-ground:${part.id}`, neutral, EARTH, cabinetConstants.equipmentGroundOhm)
        return
      }
      case 'disconnect':
        part.poles.forEach(([a, b], pole) => {
          link(poleLink(part.id, pole), node(a), node(b), cabinetConstants.disconnectOhm)
        })
        return
      case 'load': {
        const ac = loadImpedance(part.volts, part.volts * part.amps, part.powerFactor)
        link(bodyLink(part.id), node(part.between[0]), loadInside(part.id), cabinetConstants.plugOhm)
        impedance(loadElement(part.id), loadInside(part.id), node(part.between[1]), ac, part.coldOhm ?? ac.re)
        return
      }
    }
  }

  function addPlugs(part: PartOf<'switch'> | PartOf<'coil'>): void {
    part.between.forEach((name, side) => {
      link(plugLink(part.id, side), terminalPoint(name, part.place), pinPoint(part, side as 0 | 1), cabinetConstants.plugOhm)
    })
  }

  /** The primary's magnetising branch stands on the winding side of its link: an open winding magnetises nothing. */
  function addTransformer(part: PartOf<'transformer'>, node: (name: string) => string): void {
    const [p1, p2] = part.primary.map(node)
    const [s1, s2] = part.secondary.map(node)
    const primary = `${part.id}.primary~inside`
    const secondary = `${part.id}.secondary~inside`
    link(windingLink(part.id, 'primary'), p1, primary, cabinetConstants.plugOhm)
    link(windingLink(part.id, 'secondary'), secondary, s1, cabinetConstants.plugOhm)
    elements.push({
      kind: 'transformer',
      id: `transformer:${part.id}`,
      p1: primary,
      p2,
      s1: secondary,
      s2,
      turnsRatio: part.primaryVolts / (part.openVolts * factors.emf),
      ac: complex(part.seriesOhm.r * factors.transformerOhm, part.seriesOhm.x * factors.transformerOhm),
      primaryDcOhm: part.primaryDcOhm,
      secondaryDcOhm: part.secondaryDcOhm,
    })
    // The other leads of the primary ride on the same core; capped, they carry nothing. Direct current finds the secondary once.
    for (const { lead, volts } of part.taps ?? []) {
      const inside = `${part.id}.${volts}~inside`
      link(tapLink(part.id, volts), p1, inside, cabinetConstants.plugOhm, false)
      resistor(`tap-lead:${part.id}.${volts}`, inside, node(lead), cabinetConstants.plugOhm)
      elements.push({
        kind: 'transformer',
        id: `transformer:${part.id}.${volts}`,
        p1: inside,
        p2,
        s1: secondary,
        s2,
        turnsRatio: volts / (part.openVolts * factors.emf),
        ac: complex(part.seriesOhm.r * factors.transformerOhm, part.seriesOhm.x * factors.transformerOhm),
        primaryDcOhm: part.primaryDcOhm * (volts / part.primaryVolts) ** 2,
        secondaryDcOhm: OPEN_OHM,
      })
    }
    impedance(`magnetising:${part.id}`, primary, p2, complex(0, part.magnetisingOhm), Infinity)
    capacitor(`winding-to-core:${part.id}`, secondary, node(CHASSIS), part.windingToCoreFarad)
  }

  /** Cabinets stand on the equipment ground; refrigerant lines tie outdoor metal to indoor metal. */
  function addMetal(): void {
    const metal = system.places.filter((place) => place.metal)
    for (const place of metal) resistor(`ground:${place.id}`, terminalPoint(CHASSIS, place.id), EARTH, cabinetConstants.equipmentGroundOhm)
    const indoor = metal.find((place) => place.kind === 'indoor')
    for (const place of metal) {
      if (indoor && place.kind === 'outdoor')
        resistor(
          `refrigerant-lines:${place.id}`,
          terminalPoint(CHASSIS, indoor.id),
          terminalPoint(CHASSIS, place.id),
          cabinetConstants.refrigerantLineOhm,
        )
    }
  }

  /** Every lead and terminal leaks a little over surfaces, so that nothing hangs in the air without a reference. */
  function addSurfaceLeakage(): void {
    const names = new Set(elements.flatMap((element) => (element.kind === 'transformer' ? [] : [element.a, element.b])))
    for (const name of names) {
      if (name === EARTH || name.includes('.') || name.startsWith(`${CHASSIS}@`)) continue
      resistor(`surface:${name}`, name, EARTH, cabinetConstants.surfaceLeakOhm)
      capacitor(`lead-capacitance:${name}`, name, EARTH, cabinetConstants.leadFarad)
    }
    for (const part of [...partsOf(system, 'switch'), ...partsOf(system, 'coil')])
      for (const side of [0, 1] as const)
        resistor(`surface:${pinPoint(part, side)}`, pinPoint(part, side), EARTH, cabinetConstants.surfaceLeakOhm)
    for (const name of names) if (name.endsWith('~inside')) resistor(`surface:${name}`, name, EARTH, cabinetConstants.surfaceLeakOhm)
  }
}

/** A coil before (`sealed` false) or after its armature has closed: less iron in the path, less impedance, more current. */
export function coilImpedance(part: PartOf<'coil'>, factors: ValueFactors, sealed: boolean): { ac: Complex; dcOhm: number } {
  const factor = factors.coilOhm[part.id] ?? factors.anyCoilOhm
  const dcOhm = part.dcOhm * factor
  const size = (24 * 24 * (factors.coilImpedance?.[part.id] ?? factor)) / (part.sealedVa * (sealed ? 1 : part.inrushRatio))
  const re = Math.min(Math.max(size * part.powerFactor, dcOhm), size)
  return { ac: complex(re, Math.sqrt(Math.max(0, size * size - re * re))), dcOhm }
}

export function loadImpedance(volts: number, va: number, powerFactor: number): Complex {
  const size = (volts * volts) / va
  return complex(size * powerFactor, size * Math.sqrt(1 - powerFactor * powerFactor))
}

/** The node inside a thermostat behind one of its hot terminals. */
export const feedInside = (part: PartOf<'thermostat'>, terminal: string): string =>
  terminal === part.hot ? thermostatInside(part.id, 'hot') : `${part.id}.${terminal}~inside`

/** How many leads of a part come off when it is unplugged. */
export function plugsOf(part: Part): number {
  if (part.kind === 'thermostat') return hotTerminals(part).length + (livesBetween(part) ? 1 : 0)
  return partKinds[part.kind].hasOwnLeads ? 2 : 0
}
