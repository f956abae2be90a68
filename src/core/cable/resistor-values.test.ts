import { sayValues, valuesIn } from '@/src/core/cable/resistor-values'

describe('values of resistors', () => {
  it.each([
    ['2.2k 4.7k 10k', [2200, 4700, 10_000]],
    ['10k 4k7 2k2', [2200, 4700, 10_000]],
    ['4700 1M', [4700, 1_000_000]],
    ['2,2k; 22kohm', [2200, 22_000]],
  ])('%s', (typed, ohms) => {
    expect(valuesIn(typed)).toEqual(ohms)
  })

  it.each(['', 'brown', '100', '2.2k 2200', '10M'])('none of them: %p', (typed) => {
    expect(valuesIn(typed)).toBeNull()
  })

  it('reads back what it says', () => {
    expect(valuesIn(sayValues([2200, 47_000]))).toEqual([2200, 47_000])
  })
})
