import { Ahead } from '@/src/workers/ahead'

beforeEach(() => jest.useFakeTimers())
afterEach(() => jest.useRealTimers())

describe('Ahead', () => {
  const pieces = (done: string[], ...names: string[]) => names.map((name) => ({ pauseMs: 10, work: () => void done.push(name) }))

  it('works through its pieces in order, with a pause before each, and tells how far it is', () => {
    const done: string[] = []
    const told: number[] = []
    new Ahead().begin(pieces(done, 'a', 'b', 'c'), (count) => told.push(count))
    expect(done).toEqual([])
    jest.advanceTimersByTime(25)
    expect(done).toEqual(['a', 'b'])
    jest.advanceTimersByTime(25)
    expect(told).toEqual([1, 2, 3])
  })

  it('drops what is left when a newer timeline comes, and when it is stopped', () => {
    const done: string[] = []
    const ahead = new Ahead()
    ahead.begin(pieces(done, 'old 1', 'old 2'))
    jest.advanceTimersByTime(15)
    ahead.begin(pieces(done, 'new 1', 'new 2'))
    jest.advanceTimersByTime(15)
    ahead.stop()
    jest.runAllTimers()
    expect(done).toEqual(['old 1', 'new 1'])
  })
})
