import { airSourceOf, judgeAir } from '@/src/core/prove/air'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'

const named = (id: string) => {
  const system = systemById(id)
  if (!system) throw new Error(`no system ${id}`)
  return system
}

describe('supply and return air', () => {
  it.each([
    ['furnace-ac', 'cool', 'cooling'],
    ['furnace-ac', 'heat', 'gas'],
    ['furnace-ac', 'fan', null],
    ['heat-pump-o', 'heat', 'heat pump'],
    ['heat-pump-o', 'emergency', 'strips'],
    ['dual-fuel', 'heat', 'heat pump'],
    ['dual-fuel', 'emergency', 'gas'],
    ['air-handler-plain', 'heat', 'strips'],
  ] as const)('%s on %s: %s', (id, call, source) => {
    expect(airSourceOf(named(id), call)).toBe(source)
  })

  it('is as it should be within its range, and says so with the figures', () => {
    expect(judgeAir(furnaceAc, 'cool', { returnF: 76, supplyF: 57 })).toMatchObject({ isOff: false, say: '19 °F drop, 14–24 expected' })
    expect(judgeAir(furnaceAc, 'heat', { returnF: 66, supplyF: 116 })).toMatchObject({ isOff: false, change: 50 })
  })

  it('points to what to look at where it is not, and says where that does not hold', () => {
    expect(judgeAir(furnaceAc, 'cool', { returnF: 76, supplyF: 70 })?.say).toContain('is the compressor running')
    expect(judgeAir(furnaceAc, 'heat', { returnF: 66, supplyF: 150 })?.say).toContain('too little air')
    expect(judgeAir(furnaceAc, 'cool', { returnF: 76, supplyF: 90 })).toMatchObject({
      isOff: true,
      say: expect.stringContaining('14 °F warmer'),
    })
    expect(judgeAir(named('heat-pump-o'), 'heat', { returnF: 68, supplyF: 60 })?.say).toContain('reversing valve')
  })

  it('has nothing to say of the fan alone', () => {
    expect(judgeAir(furnaceAc, 'fan', { returnF: 70, supplyF: 70 })).toBeNull()
  })
})
