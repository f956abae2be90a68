import fc from 'fast-check'
import { type Bench, createBench } from '@/src/core/bench/bench'
import { degrees, degreesInOrder, isUneven, kindsOfWiring, limitedMean, overDegrees } from '@/src/core/diagnosis/hypotheses/houses'
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

describe('how a reading leans on damage', () => {
  const volts = (...byOctave: number[]) =>
    degrees.map((_, degree) => {
      const place = degreesInOrder.findIndex((one) => one.degree === degree)
      return [{ at: byOctave[place], weight: 1, sigma: 0.1, floating: false }]
    })
  const leans = (...byOctave: number[]) =>
    degreesInOrder.map(({ degree }) => overDegrees(volts(...byOctave), 0)(degree)[0].leans?.[0].by ?? 0)

  it('is half of what an octave moves it', () => {
    expect(leans(0, 2, 4, 6, 8)).toEqual([0.5, 1, 1, 1, 0.5])
  })

  it('is nothing beside a jump: a guard that opens between two degrees says nothing of those below it', () => {
    const [, , below, above] = leans(0, 0, 0, 22, 23)
    expect(below).toBe(0)
    expect(above).toBeCloseTo(1)
  })

  it('is wider where several joints are bad, each in its own way, and only where they are crossed', () => {
    const sigmas = (isUnevenStrip: boolean, ...byOctave: number[]) =>
      degreesInOrder.map(({ degree }) => overDegrees(volts(...byOctave), 0, undefined, isUnevenStrip)(degree)[0].sigma)
    expect(sigmas(false, 0, 2, 4, 6, 8)).toEqual([0.1, 0.1, 0.1, 0.1, 0.1])
    // Half a natural logarithm between the joints, against the half octave that the reading leans by.
    expect(sigmas(true, 0, 2, 4, 6, 8)[2]).toBeCloseTo(Math.hypot(0.1, 0.5 / (Math.LN2 / 2)), 6)
    expect(sigmas(true, 7, 7, 7, 7, 7)).toEqual([0.1, 0.1, 0.1, 0.1, 0.1])
  })

  it('a corroded strip has several bad joints, a corroded conductor one', () => {
    const system = systemById('furnace-ac')
    const hypotheses = system ? enumerateFaults(system).map((fault) => hypothesisOfFault(fault)) : []
    const isSo = (id: string) => hypotheses.flatMap((one) => (one.fault?.id === id ? [isUneven(one)] : []))
    expect(isSo('strip-corroded:outdoor')).toEqual([true])
    expect(isSo('conductor-open:outdoor-cable.Y')).toEqual([false])
  })

  it('never exceeds twice the smaller step, and goes the way that both go', () => {
    fc.assert(
      fc.property(fc.double({ min: -50, max: 50, noNaN: true }), fc.double({ min: -50, max: 50, noNaN: true }), (down, up) => {
        const mean = limitedMean(down, up)
        expect(Math.abs(mean)).toBeLessThanOrEqual(2 * Math.min(Math.abs(down), Math.abs(up)))
        expect(Math.abs(mean)).toBeLessThanOrEqual(Math.abs(down + up) / 2 + 1e-12)
        expect(mean === 0 || Math.sign(mean) === Math.sign(up)).toBe(true)
      }),
    )
  })
})
