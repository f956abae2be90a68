import { createBench } from '@/src/core/bench/bench'
import { problemWithProbe } from '@/src/core/job/check-entry'
import { firstPart } from '@/src/core/wiring/system'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'
import { supplyChecks, supplyReturn } from '@/src/ui/power/supply-probes'

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
      for (const { probe } of checks) expect(problemWithProbe(system, createBench(system), probe)).toBeNull()
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

describe('supplyReturn', () => {
  it('is neutral on 120 V and the second leg on 240 V', () => {
    expect(supplyReturn(known('furnace-ac'))).toBe('N')
    expect(supplyReturn(known('heat-pump-o'))).toBe('L2')
  })
})
