import { createBench } from '@/src/core/bench/bench'
import { changesOfBench } from '@/src/core/bench/changes'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { faultFamilies } from '@/src/core/faults/families'
import { hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { changesOfFault } from '@/src/core/readings/world'
import { zonesOf } from '@/src/core/wiring/system'
import { catalogue, furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

describe.each(catalogue.map((system) => [system.id, system] as const))('the faults of %s', (_, system) => {
  const faults = enumerateFaults(system)
  const zones = zonesOf(system).map(({ id }) => id)

  it('are many, each with an id of its own', () => {
    expect(faults.length).toBeGreaterThanOrEqual(50)
    expect(new Set(faults.map(({ id }) => id)).size).toBe(faults.length)
  })

  it('each say where, how often, what is wrong and what mends it', () => {
    for (const fault of faults) {
      expect(zones).toContain(fault.zone)
      expect(fault.rate).toBeGreaterThan(0)
      expect(fault.say).toMatch(/^[A-Z].{8,}[^.]$/)
      expect(fault.repair.say).toMatch(/^[A-Z].{8,}[^.]$/)
    }
  })

  it('each change something that the network or the thermostat has', () => {
    const laboratory = createLaboratory(system, templateValues)
    for (const fault of faults) {
      const changes = changesOfFault(laboratory, hypothesisOfFault(fault))
      const other = fault.effects.some(({ do: act }) =>
        ['never-closes', 'thermostat-dead', 'found-blown', 'output', 'jam', 'no-flame', 'false-code'].includes(act),
      )
      expect(changes.length > 0 || other).toBe(true)
    }
    expect(changesOfBench(system, laboratory.network, createBench(system))).toEqual([])
  })
})

describe('enumerateFaults', () => {
  it('has sixty and more for the furnace with A/C, and every family in one system or another', () => {
    expect(enumerateFaults(furnaceAc).length).toBeGreaterThanOrEqual(60)
    const families = new Set(catalogue.flatMap(enumerateFaults).map(({ family }) => family))
    expect([...families].sort()).toEqual(Object.keys(faultFamilies).sort())
  })

  it('has no short from common to the chassis: the bond is there already', () => {
    const ids = enumerateFaults(furnaceAc).map(({ id }) => id)
    expect(ids).toContain('conductor-to-chassis:outdoor-cable.Y')
    expect(ids).not.toContain('conductor-to-chassis:outdoor-cable.C')
    expect(ids).not.toContain('lead-to-chassis:C@indoor')
  })
})

describe('less of the same damage', () => {
  const forms = (id: string) => enumerateFaults(furnaceAc).find((fault) => fault.id === id)?.variants ?? []

  it('is a coil that leaks to its frame, and a switch whose contact is pitted', () => {
    expect(forms('coil-to-ground:contactor').flatMap(({ effects }) => effects)).toMatchObject([
      { do: 'short', ohm: 3 },
      { do: 'short', ohm: 20 },
    ])
    expect(forms('switch-open:limit')).toMatchObject([{ effects: [{ do: 'resist', ohm: 60 }] }])
  })

  it('is the smaller part of the cases, whatever the fault', () => {
    for (const { variants } of enumerateFaults(furnaceAc))
      expect(variants.reduce((sum, { share }) => sum + share, 0)).toBeLessThanOrEqual(0.5)
  })
})
