import { quantile } from '@/src/core/units/quantile'

describe('quantile', () => {
  it('is a value that was seen, by nearest rank', () => {
    const twenty = Array.from({ length: 20 }, (_, index) => 20 - index)
    expect(quantile(twenty, 0.5)).toBe(10)
    expect(quantile(twenty, 0.95)).toBe(19)
    expect(quantile(twenty, 1)).toBe(20)
    expect(quantile(twenty, 0)).toBe(1)
    expect(quantile([], 0.5)).toBeNaN()
  })
})
