import { Ahead } from '@/src/workers/ahead'

beforeEach(() => jest.useFakeTimers())
afterEach(() => jest.useRealTimers())

describe('Ahead', () => {
  let clock = 0
  /** Steps that take so many milliseconds each. */
  const steps = (done: string[], ms: number, ...names: string[]) =>
    names.map((name) => () => {
      done.push(name)
      clock += ms
    })

  it('works through its steps in order, as many at a time as are short, with pauses between, and tells how far it is', () => {
    const done: string[] = []
    const told: number[] = []
    new Ahead(() => clock).begin(
      () => steps(done, 3, 'a', 'b', 'c', 'd'),
      (share) => told.push(share),
    )
    expect(done).toEqual([])
    jest.advanceTimersToNextTimer()
    expect(done).toEqual(['a', 'b', 'c'])
    jest.runAllTimers()
    expect(told).toEqual([0.75, 1])
  })

  it('lets the desk in after every long step', () => {
    const done: string[] = []
    new Ahead(() => clock).begin(() => steps(done, 30, 'a', 'b'))
    jest.advanceTimersToNextTimer()
    expect(done).toEqual(['a'])
  })

  it('drops what is left when a newer timeline comes, and when it is stopped', () => {
    const done: string[] = []
    const ahead = new Ahead(() => clock)
    ahead.begin(() => steps(done, 30, 'old 1', 'old 2'))
    jest.advanceTimersToNextTimer()
    ahead.begin(() => steps(done, 30, 'new 1', 'new 2'))
    jest.advanceTimersToNextTimer()
    ahead.stop()
    jest.runAllTimers()
    expect(done).toEqual(['old 1', 'new 1'])
  })
})
