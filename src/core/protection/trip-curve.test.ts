import fc from 'fast-check'
import { openingBand, probabilityOpens } from '@/src/core/protection/trip-curve'

describe('openingBand', () => {
  it('meets the limits of ISO 8820-3 for a blade fuse', () => {
    expect(openingBand('fuse', 3, 3)).toBeNull()
    const slow = openingBand('fuse', 3, 3 * 1.35)
    expect(slow?.shortestS).toBeCloseTo(0.75)
    expect(slow?.longestS).toBeCloseTo(600)
    const dead = openingBand('fuse', 3, 3 * 3.5)
    expect(dead?.shortestS).toBeCloseTo(0.08)
    expect(dead?.longestS).toBeCloseTo(0.5)
  })

  it('opens a 5 A fuse later than a 3 A one at 8 A', () => {
    expect(openingBand('fuse', 5, 8)?.longestS).toBeGreaterThan(openingBand('fuse', 3, 8)?.longestS ?? 0)
  })

  it('never opens slower at more current', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('fuse' as const, 'breaker' as const),
        fc.double({ min: 3.4, max: 30, noNaN: true }),
        fc.double({ min: 1, max: 3, noNaN: true }),
        (protector, amps, more) => {
          const [slow, fast] = [openingBand(protector, 3, amps), openingBand(protector, 3, amps * more)]
          expect(fast?.longestS).toBeLessThanOrEqual((slow?.longestS ?? 0) + 1e-9)
          expect(fast?.shortestS).toBeLessThanOrEqual((slow?.shortestS ?? 0) + 1e-9)
        },
      ),
      { seed: 2 },
    )
  })
})

describe('probabilityOpens', () => {
  it('is nothing at an everyday load and near certain into a dead short within a minute', () => {
    expect(probabilityOpens('fuse', 3, 1, 60)).toBe(0)
    expect(probabilityOpens('fuse', 3, 8, 60)).toBeGreaterThan(0.99)
  })

  it('leaves a half-shorted coil at 4 A open to chance', () => {
    const share = probabilityOpens('fuse', 3, 4.1, 60)
    expect(share).toBeGreaterThan(0.5)
    expect(share).toBeLessThan(0.98)
  })
})
