import fc from 'fast-check'
import { LIMIT_C, secondsToLimit, windingTemperatureC } from '@/src/core/protection/transformer-heat'

const winding = { va: 40, plateVolts: 24 }

describe('a 40 VA transformer', () => {
  it('carries its plate for good, even in a hot attic', () => {
    expect(secondsToLimit(winding, 40 / 24)).toBeNull()
  })

  it('is cooked by a dead short in well under two minutes, by half of it in some minutes', () => {
    expect(secondsToLimit(winding, 8)).toBeLessThan(60)
    expect(secondsToLimit(winding, 4)).toBeGreaterThan(120)
  })

  it('stands at its limit after the time to its limit', () => {
    fc.assert(
      fc.property(fc.double({ min: 2.2, max: 12, noNaN: true }), fc.integer({ min: -10, max: 65 }), (amps, ambientC) => {
        const seconds = secondsToLimit(winding, amps, ambientC)
        if (seconds !== null) expect(windingTemperatureC(winding, amps, seconds, ambientC)).toBeCloseTo(LIMIT_C, 6)
      }),
      { seed: 6 },
    )
  })

  it('lasts longer with a larger plate and in the cold', () => {
    const here = secondsToLimit(winding, 8) ?? 0
    expect(secondsToLimit({ va: 75, plateVolts: 24 }, 8)).toBeGreaterThan(here)
    expect(secondsToLimit(winding, 8, 0)).toBeGreaterThan(here)
  })
})
