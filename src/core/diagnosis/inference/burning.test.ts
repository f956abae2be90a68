import type { Engine } from '@/src/core/diagnosis/engine'
import { rateOfBurning } from '@/src/core/diagnosis/inference/burning'
import { faultFamilies } from '@/src/core/faults/families'
import { engineOf } from '@/tests/setup/engines'

const placeOf = (engine: Engine, id: string): number => {
  const place = engine.hypotheses.findIndex((one) => one.id === id)
  if (place < 0) throw new Error(`no hypothesis ${id}`)
  return place
}

/** Of all ways in which a transformer is found burned out, how often the short did it. */
const burns = (engine: Engine, cause: string, transformer: string): number =>
  engine.hypotheses.reduce(
    (sum, { fault, intermittent }, place) =>
      fault?.part === transformer && !intermittent && faultFamilies[fault.family].burnedOut
        ? sum + rateOfBurning(engine, placeOf(engine, cause), place)
        : sum,
    0,
  )

describe('a short and the transformer that it burned out', () => {
  const two = engineOf('furnace-two-transformers')

  it('is one story of the transformer whose circuit it is on, and of no other', () => {
    expect(burns(two, 'coil-shorted:contactor', 'transformer')).toBeGreaterThan(0)
    expect(burns(two, 'coil-shorted:contactor', 'heat-transformer')).toBe(0)
    expect(burns(two, 'coil-shorted:gas-valve', 'heat-transformer')).toBeGreaterThan(0)
    expect(burns(two, 'coil-shorted:gas-valve', 'transformer')).toBe(0)
  })

  it('counts once, however many forms a burned winding has, and mostly opens it', () => {
    const plain = engineOf('air-handler-plain')
    const cause = placeOf(plain, 'coil-shorted:contactor')
    expect(burns(plain, 'coil-shorted:contactor', 'transformer')).toBeLessThanOrEqual(plain.rates[cause])
    const open = ['primary', 'secondary'].map((winding) =>
      rateOfBurning(plain, cause, placeOf(plain, `transformer-dead:transformer.${winding}`)),
    )
    expect(open[0] + open[1]).toBeGreaterThan(0.8 * burns(plain, 'coil-shorted:contactor', 'transformer'))
  })

  it('is no story of an open wire', () => {
    expect(burns(two, 'conductor-open:stat-cable.Y', 'transformer')).toBe(0)
  })
})
