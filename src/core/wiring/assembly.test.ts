import { createNetwork } from '@/src/core/circuit/network'
import { solveNetwork } from '@/src/core/circuit/solver'
import { magnitude, subtract } from '@/src/core/units/complex'
import { assemble, coilImpedance, loadImpedance } from '@/src/core/wiring/assembly'
import { copperOhm } from '@/src/core/wiring/copper'
import { callLink, contactLink, landingLink } from '@/src/core/wiring/links'
import type { PartOf } from '@/src/core/wiring/part'
import { houseCommon, houseHot } from '@/src/core/wiring/supply'
import { firstPart, partsOf } from '@/src/core/wiring/system'
import { catalogue, furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { switchedTerminals } from '@/src/core/wiring/thermostat'
import { templateValues } from '@/src/core/wiring/values'

const contactor = partsOf(furnaceAc, 'coil').find(({ id }) => id === 'contactor') as PartOf<'coil'>

describe('values worked into elements', () => {
  it('takes copper from the wire tables', () => {
    expect(copperOhm(18, 1000)).toBeCloseTo(20.95)
    expect(copperOhm(22, 10)).toBeCloseTo(0.53, 2)
  })

  it('gives a sealed coil its volt-amperes, and an open one its inrush', () => {
    const sealed = coilImpedance(contactor, templateValues, true)
    expect(576 / magnitude(sealed.ac)).toBeCloseTo(contactor.sealedVa, 6)
    const open = coilImpedance(contactor, templateValues, false)
    expect(magnitude(sealed.ac) / magnitude(open.ac)).toBeCloseTo(contactor.inrushRatio, 6)
    expect(sealed.dcOhm).toBe(contactor.dcOhm)
  })

  it('never gives a coil less resistance to alternating than to direct current', () => {
    for (const system of catalogue)
      for (const part of partsOf(system, 'coil'))
        for (const isSealed of [true, false]) {
          const { ac, dcOhm } = coilImpedance(part, templateValues, isSealed)
          expect(ac.re).toBeGreaterThanOrEqual(Math.min(dcOhm, magnitude(ac)) - 1e-9)
        }
  })

  it('gives a load its power factor', () => {
    const z = loadImpedance(24, 7, 0.7)
    expect(576 / magnitude(z)).toBeCloseTo(7)
    expect(z.re / magnitude(z)).toBeCloseTo(0.7)
  })
})

describe.each(catalogue.map((system) => [system.id, system] as const))('%s assembled', (_, system) => {
  const network = assemble(system)

  it('has a landing for every landed end, a contact for every call, all at rest', () => {
    for (const cable of system.cables)
      for (const conductor of cable.conductors)
        conductor.lands.forEach((terminal, side) => {
          if (terminal !== null) expect(network.link(landingLink(cable.id, conductor.id, cable.between[side])).closed).toBe(true)
        })
    const stat = firstPart(system, 'thermostat')
    for (const terminal of switchedTerminals(stat)) expect(network.link(callLink(stat.id, terminal)).closed).toBe(false)
    for (const coil of partsOf(system, 'coil')) if (coil.contact) expect(network.link(contactLink(coil.id)).closed).toBe(false)
  })

  it('leaves no node hanging without a reference, live or with the power off', () => {
    for (const analysis of ['live', 'ohms'] as const) {
      const solution = solveNetwork(network, analysis)
      for (const node of network.nodes) expect(Number.isFinite(magnitude(solution.voltage(node)))).toBe(true)
    }
  })

  it('gives R to C its open volts less what the idle house draws', () => {
    const { openVolts } = firstPart(system, 'transformer')
    const { place } = firstPart(system, 'fuse')
    const solution = solveNetwork(network)
    const read = solution.voltsBetween(`${houseHot(system)}@${place}`, `${houseCommon(system)}@${place}`)
    // Leakage and capacitance alone move the last digits where nothing is drawn.
    expect(read).toBeLessThan(openVolts + 0.001)
    expect(read).toBeGreaterThan(openVolts - 2)
  })
})

describe('a network', () => {
  it('names what it does not have', () => {
    const network = createNetwork([])
    expect(() => network.nodeIndex('R@indoor')).toThrow('no such node: R@indoor')
    expect(() => network.link('fuse')).toThrow('no such link: fuse')
    expect(() => network.impedance('coil')).toThrow('no such impedance: coil')
  })
})

describe('legs at an angle', () => {
  it('gives 208 V between two legs of 120 V that stand 120 degrees apart', () => {
    const turned = {
      ...furnaceAc,
      parts: furnaceAc.parts.map((part) =>
        part.kind === 'supply' && part.legs.length === 2
          ? { ...part, legs: part.legs.map((leg, index) => ({ ...leg, volts: 120, degrees: 120 * index })) }
          : part,
      ),
    }
    const supply = partsOf(turned, 'supply').find(({ legs }) => legs.length === 2)
    if (!supply) throw new Error('no supply of two legs')
    const solution = solveNetwork(assemble(turned), 'live')
    const [a, b] = supply.legs.map(({ node }) => solution.voltage(`${node}@${supply.place}`))
    expect(magnitude(subtract(a, b))).toBeCloseTo(208, 0)
  })
})
