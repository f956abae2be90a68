import { type Bench, createBench } from '@/src/core/bench/bench'
import { kindsOfWiring } from '@/src/core/diagnosis/hypotheses/houses'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { worldsOf } from '@/src/core/readings/world'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

describe('the ways in which a house may be wired', () => {
  it.each(catalogue.map((system) => [system.id, system] as const))('%s: as drawn first, the weights one in all', (_, system) => {
    const kinds = kindsOfWiring(system)
    expect(kinds[0].wiring).toEqual([])
    expect(kinds.reduce((sum, { weight }) => sum + weight, 0)).toBeCloseTo(1)
    expect(Math.min(...kinds.map(({ weight }) => weight))).toBeGreaterThan(0)
  })

  it('a bond on the transformer side of a fuse in the common leg lets a short to metal past it', () => {
    const system = systemById('furnace-no-common')
    const fault = system && enumerateFaults(system).find(({ id }) => id === 'conductor-to-chassis:outdoor-cable.Y')
    if (!fault) throw new Error('no fault')
    const laboratory = createLaboratory(system, templateValues)
    const bench: Bench = { ...createBench(system), jumpers: [{ a: 'R@indoor', b: 'Y@indoor' }] }
    const tripsIn = (isAhead: boolean) => {
      const kind = kindsOfWiring(system).find(
        ({ wiring }) => wiring.some((effect) => effect.do === 'short' && effect.a === 'sec@indoor') === isAhead,
      )
      if (!kind) throw new Error('no such wiring')
      return worldsOf(laboratory, bench, { ...hypothesisOfFault(fault), wiring: kind.wiring }).trips
    }
    expect(tripsIn(false)).toBeGreaterThan(0.8)
    expect(tripsIn(true)).toBeLessThan(0.2)
  })
})
