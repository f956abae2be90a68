import fc from 'fast-check'
import { openingBand } from '@/src/core/protection/trip-curve'
import { ampsOfTripTime } from '@/src/core/protection/trip-time'

describe('what flowed, by how long it took to open', () => {
  it('is little where it took long, and much where it took short', () => {
    const [quick, slow] = [ampsOfTripTime('breaker', 5, 2), ampsOfTripTime('breaker', 5, 40)]
    if (!quick || !slow) throw new Error('a breaker opens after 2 s and after 40 s')
    expect(quick.low).toBeGreaterThan(slow.low)
    expect(quick.high).toBeGreaterThan(slow.high)
    // A dead short in a 40 VA house gives some 8 to 14 A; 5 A breakers do not take a minute for that.
    expect(ampsOfTripTime('breaker', 5, 60)?.high).toBeLessThan(14)
  })

  it('holds every current that opens the protector at about that time', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('fuse' as const, 'breaker' as const),
        fc.constantFrom(3, 5),
        fc.double({ min: 1.2, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (kind, rating, times, share) => {
          const band = openingBand(kind, rating, times * rating)
          if (!band) throw new Error('above 120 % it opens')
          const seconds = band.shortestS * (band.longestS / band.shortestS) ** share
          const amps = ampsOfTripTime(kind, rating, seconds)
          expect(amps && amps.low <= times * rating * 1.03 && amps.high >= times * rating * 0.97).toBe(true)
        },
      ),
      { seed: 21, numRuns: 200 },
    )
  })

  it('is nothing where nothing opens so late', () => {
    expect(ampsOfTripTime('breaker', 5, 1e8)).toBeNull()
  })
})
