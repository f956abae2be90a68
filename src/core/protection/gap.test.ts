import { unprotected } from '@/src/core/protection/gap'
import { secondsToLimit } from '@/src/core/protection/transformer-heat'
import { openingBand } from '@/src/core/protection/trip-curve'

const small = { va: 40, plateVolts: 24 }

describe('what a fuse leaves unprotected', () => {
  it('begins above what the winding stands for good, and ends where even a slow fuse is quick enough', () => {
    const gap = unprotected('fuse', 3, small)
    if (!gap) throw new Error('a 3 A fuse covers everything')
    expect(secondsToLimit(small, gap.fromA * 0.95)).toBeNull()
    const beyond = gap.toA * 1.05
    expect(openingBand('fuse', 3, beyond)?.longestS).toBeLessThan(secondsToLimit(small, beyond) ?? 0)
  })

  it('is wider behind a 5 A fuse than behind a 3 A one, and narrower for a bigger transformer', () => {
    const width = (ratingA: number, va: number) => {
      const gap = unprotected('fuse', ratingA, { va, plateVolts: 24 })
      return gap ? gap.toA - gap.fromA : 0
    }
    expect(width(5, 40)).toBeGreaterThan(width(3, 40))
    expect(width(3, 75)).toBeLessThan(width(3, 40))
  })
})
