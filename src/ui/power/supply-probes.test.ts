import { createBench } from '@/src/core/bench/bench'
import { problemWithProbe } from '@/src/core/job/check-entry'
import { predict } from '@/src/core/readings/predict'
import { firstPart } from '@/src/core/wiring/system'
import { catalogue, furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'
import { lineFeedOf, placesWithLine, supplyChecks } from '@/src/ui/power/supply-probes'
import { furnaceEngine, hypothesisOf } from '@/tests/setup/furnace'

const known = (id: string) => {
  const system = systemById(id)
  if (!system) throw new Error(`no system ${id}`)
  return system
}

describe('supplyChecks', () => {
  it.each(catalogue.map((system) => [system.id, system] as const))(
    'on %s asks only what can be read there, line side first',
    (_, system) => {
      const checks = supplyChecks(system)
      for (const { id } of placesWithLine(system))
        for (const { probe } of supplyChecks(system, id)) expect(problemWithProbe(system, createBench(system), probe)).toBeNull()
      expect(checks.map(({ isLine }) => isLine)).toEqual([...checks.map(({ isLine }) => isLine)].sort((a, b) => Number(b) - Number(a)))
      expect(checks.find(({ id }) => id === 'board')?.say).toBe(`${firstPart(system, 'thermostat').hot} to C on the board`)
    },
  )

  it('reads both sides of a float switch that stands in R', () => {
    const ids = supplyChecks(known('cool-strips')).map(({ id }) => id)
    expect(ids.indexOf('board') - ids.indexOf('past-fuse')).toBe(1)
    expect(supplyChecks(known('furnace-ac')).some(({ id }) => id === 'past-fuse')).toBe(false)
  })
})

describe('leg by leg', () => {
  it('is read on both sides of the disconnect, each leg to ground, and a neutral, too', () => {
    const legs = (id: string, place?: string) => supplyChecks(known(id), place).flatMap(({ isLeg, say }) => (isLeg ? [say] : []))
    expect(legs('heat-pump-o', 'outdoor')).toEqual([
      'L1 to ground, ahead',
      'L2 to ground, ahead',
      'L1 to ground, behind the outdoor disconnect',
      'L2 to ground, behind the outdoor disconnect',
    ])
    expect(legs('furnace-ac')).toContain('N to ground, ahead')
  })

  it('tells an open leg from an open neutral', () => {
    const { laboratory } = furnaceEngine()
    const reads = (fault: string, id: string) => {
      const check = supplyChecks(furnaceAc).find((one) => one.id === id)
      if (!check) throw new Error(`no check ${id}`)
      return Number(predict(laboratory, createBench(furnaceAc), hypothesisOf(fault), check.probe)[0].at)
    }
    expect(reads('supply-off:furnace-switch', 'ahead-L1')).toBeGreaterThan(110)
    expect(reads('supply-off:furnace-switch', 'behind-L1-unit')).toBeLessThan(30)
    expect(reads('neutral-open:furnace-supply', 'behind-L1-unit')).toBeGreaterThan(110)
    expect(reads('neutral-open:furnace-supply', 'ahead-N')).toBeGreaterThan(20)
  })

  it('goes across the compressor outdoors, and knows which places have a line', () => {
    expect(supplyChecks(known('heat-pump-o'), 'outdoor').map(({ id }) => id)).toEqual(expect.arrayContaining(['line', 'behind', 'load']))
    expect(placesWithLine(known('heat-pump-o')).map(({ id }) => id)).toEqual(['indoor', 'outdoor'])
    expect(placesWithLine(known('rooftop-gas')).map(({ id }) => id)).toEqual(['package'])
  })

  it('reads behind a door switch apart from the primary', () => {
    expect(
      supplyChecks(known('furnace-no-common'))
        .map(({ id }) => id)
        .slice(0, 3),
    ).toEqual(['line', 'behind', 'primary'])
    expect(
      supplyChecks(furnaceAc)
        .map(({ id }) => id)
        .slice(0, 2),
    ).toEqual(['line', 'primary'])
  })
})

describe('lineFeedOf', () => {
  it('is neutral on 120 V and the second leg on 240 V', () => {
    expect(lineFeedOf(known('furnace-ac'), 'indoor')?.ahead).toEqual(['L1', 'N'])
    expect(lineFeedOf(known('heat-pump-o'), 'indoor')?.ahead).toEqual(['L1', 'L2'])
  })
})
