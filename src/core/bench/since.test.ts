import { createBench } from '@/src/core/bench/bench'
import { anyTime, atTime, clockAfter, clockLater, UNTOUCHED } from '@/src/core/bench/since'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

const bench = createBench(furnaceAc)
const cooling = { ...bench, call: 'cool' as const }

describe('the minutes of a bench', () => {
  it('say nothing of one that nobody has touched', () => {
    expect(atTime(bench, UNTOUCHED)).toBe(bench)
  })

  it('tell a call just made from one that has been on for minutes', () => {
    const called = clockAfter(UNTOUCHED, { do: 'call', call: 'cool' }, 0.3)
    expect(atTime(cooling, clockLater(called, 0.4)).since).toEqual({ call: 'moment', power: 'long' })
    expect(atTime(cooling, clockLater(called, 1.5)).since).toBeUndefined()
    expect(atTime(cooling, clockLater(called, 4)).since).toEqual({ call: 'minutes', power: 'long' })
  })

  it('tell a call that has been on for longer than any delay runs', () => {
    const called = clockAfter(UNTOUCHED, { do: 'call', call: 'cool' }, 0.3)
    expect(atTime(cooling, clockLater(called, 6)).since).toEqual({ call: 'long', power: 'long' })
  })

  it('remember for five minutes that the search itself took the power off', () => {
    const off = clockAfter(UNTOUCHED, { do: 'power', on: false }, 0.3)
    const on = clockAfter(clockLater(off, 3), { do: 'power', on: true }, 0.3)
    expect(atTime(bench, clockLater(on, 4)).since?.power).toBe('fresh')
    expect(atTime(bench, clockLater(on, 6)).since).toBeUndefined()
    expect(anyTime(atTime(bench, clockLater(on, 4)))).toEqual(bench)
  })
})
