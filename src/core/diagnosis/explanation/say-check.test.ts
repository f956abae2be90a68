import { sayCheck } from '@/src/core/diagnosis/explanation/say-check'
import type { Probe } from '@/src/core/readings/check'
import { sayAnswer, sayBand, sayBenchShort, sayProbe } from '@/src/core/readings/say'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { benchWith, change } from '@/tests/setup/furnace'

const volts: Probe = { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }
const ohms: Probe = { meter: 'ohms', a: 'outdoor-cable.Y@indoor', b: 'chassis@indoor' }

describe('sayCheck', () => {
  it('says what to do, and on which bench', () => {
    expect(sayCheck(furnaceAc, volts, benchWith(change.cool))).toMatchObject({
      say: 'Volts, R to C at the indoor unit',
      why: 'Power on, the thermostat calling for cool.',
      caution: null,
    })
    expect(sayCheck(furnaceAc, { meter: 'trip' }, benchWith(change.breaker, change.jumperY)).say).toBe(
      'Power on, with R to Y at the indoor unit joined: does it trip?',
    )
  })

  it('puts the caution where the hand is about to go', () => {
    const line: Probe = { meter: 'volts', a: 'L1-unit@indoor', b: 'N@indoor' }
    expect(sayCheck(furnaceAc, line, benchWith()).caution).toMatch(/Line voltage is live here.*local codes/)
    expect(sayCheck(furnaceAc, ohms, benchWith(change.off, change.liftY)).caution).toMatch(/line side of a pulled disconnect/)
    expect(sayCheck(furnaceAc, { meter: 'look', at: 'contactor' }, benchWith(change.cool)).caution).toMatch(/look, do not touch/)
    expect(sayCheck(furnaceAc, { meter: 'trip' }, benchWith(change.breaker, change.cool)).caution).toMatch(/moving parts/)
  })

  it('names what is to be seen at work at a place', () => {
    expect(sayCheck(furnaceAc, { meter: 'look', at: 'runs@outdoor' }, benchWith(change.cool))).toMatchObject({
      say: 'See what runs at the outdoor unit: compressor, condenser fan, contactor. Is all of it doing what was called?',
      why: 'Power on, calling for cool. Wait out the delays.',
      caution: expect.stringMatching(/moving parts/),
    })
  })

  it('says where nothing should run', () => {
    const look: Probe = { meter: 'look', at: 'runs@outdoor' }
    expect(sayCheck(furnaceAc, look, benchWith(change.fan)).why).toBe('Power on, calling for fan. Nothing here should run.')
    expect(sayCheck(furnaceAc, look, benchWith()).why).toContain('Nothing here should run.')
    expect(sayCheck(furnaceAc, { ...look, at: 'runs@indoor' }, benchWith(change.fan)).why).toContain('Wait out the delays.')
  })

  it('says what the metal tells of a hot wire that touches it', () => {
    const toMetal = (a: 'R@indoor' | 'C@indoor' | 'Y@indoor'): Probe => ({ meter: 'volts', a, b: 'chassis@indoor' })
    expect(sayCheck(furnaceAc, toMetal('R@indoor'), benchWith(change.cool)).why).toMatch(/common is bonded.*hot wire on the metal/)
    expect(sayCheck(furnaceAc, toMetal('C@indoor'), benchWith(change.cool)).why).toMatch(/Near 24 V here: a hot wire touches the metal/)
    expect(sayCheck(furnaceAc, toMetal('Y@indoor'), benchWith(change.cool)).why).toBe('Power on, the thermostat calling for cool.')
  })

  it('says whether a trip would cost a fuse', () => {
    expect(sayCheck(furnaceAc, { meter: 'trip' }, benchWith(change.breaker)).why).toContain('costs no fuse')
    expect(sayCheck(furnaceAc, { meter: 'trip' }, benchWith()).why).toContain('spends it')
  })

  it('says what reads through when nothing is lifted', () => {
    expect(sayCheck(furnaceAc, { ...ohms, a: 'Y@indoor' } as Probe, benchWith(change.off)).why).toContain('read through')
    expect(sayCheck(furnaceAc, ohms, benchWith(change.off, change.liftY)).why).toContain('nothing reads through')
  })
})

describe('words for readings', () => {
  it('keep the unit of what was asked', () => {
    expect([sayAnswer(26.4, volts), sayAnswer(0.4, ohms), sayAnswer('OL', ohms)]).toEqual(['26.4 V', '0.4 ohm', 'OL'])
    expect(sayAnswer({ word: 'wrong: stat-cable.Y@thermostat' }, { meter: 'look', at: 'landings@thermostat' })).toBe(
      'Y of the stat cable is on a wrong terminal',
    )
    expect(sayAnswer({ word: 'off: outdoor-cable.C@outdoor' }, { meter: 'look', at: 'landings@outdoor' })).toBe(
      'C of the outdoor cable is off',
    )
  })

  it('say a band as a technician would', () => {
    expect(sayBand(0, 0.9, 'ohms')).toBe('near 0')
    expect(sayBand(11, 21, 'ohms')).toBe('11–21 ohm')
    expect(sayBand(9000, 40e6, 'ohms')).toBe('over 9 kohm')
    expect(sayBand(1.48e6, 40e6, 'ohms')).toBe('over 1.5 Mohm')
    expect(sayBand(24, 29, 'volts')).toBe('24–29 V')
    expect(sayBand(0, 0.45, 'amps')).toBe('under 0.45 A')
  })

  it('say the question and its bench in short', () => {
    expect(sayProbe(furnaceAc, { meter: 'amps', on: 'fuse' })).toBe('amps on R of the transformer')
    expect(sayProbe(furnaceAc, { meter: 'look', at: 'landings@outdoor' })).toBe('landings at the outdoor unit')
    expect(sayBenchShort(furnaceAc, benchWith(change.cool, change.jumperY, change.liftY))).toBe('on cool, jumper in, 1 lifted')
    expect(sayBenchShort(furnaceAc, benchWith(change.off))).toBe('power off')
  })
})
