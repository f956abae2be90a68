import { expectedRange, isExpected, sayExpected } from '@/src/core/readings/expected'
import { benchWith, change, furnaceEngine } from '@/tests/setup/furnace'

const range = (bench: Parameters<typeof expectedRange>[1], probe: Parameters<typeof expectedRange>[2]) =>
  expectedRange(furnaceEngine().laboratory, bench, probe)

describe('expectedRange', () => {
  it('gives R to C a band around the template over the spread of houses', () => {
    const expected = range(benchWith(), { meter: 'volts', a: 'R@indoor', b: 'C@indoor' })
    expect(sayExpected(expected)).toMatch(/^2[3-5]–(28|29) V$/)
    expect(isExpected(26.4, expected)).toBe(true)
    expect(isExpected(19, expected)).toBe(false)
  })

  it('says near 0 for a closed call, OL for a conductor in the air, a word for a look', () => {
    expect(sayExpected(range(benchWith(change.cool), { meter: 'volts', a: 'R@indoor', b: 'Y@indoor' }))).toBe('near 0')
    expect(sayExpected(range(benchWith(change.off), { meter: 'ohms', a: 'stat-cable.black@indoor', b: 'C@indoor' }))).toBe('OL')
    expect(sayExpected(range(benchWith(change.cool), { meter: 'look', at: 'contactor' }))).toBe('in')
  })

  it('is wider than one meter step and narrower than a guess', () => {
    const { low, high } = range(benchWith(change.cool), { meter: 'amps', on: 'fuse' })
    expect(high - low).toBeGreaterThan(0.05)
    expect(high - low).toBeLessThan(0.6)
  })
})
