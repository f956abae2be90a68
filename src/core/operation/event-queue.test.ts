import fc from 'fast-check'
import { EventQueue } from '@/src/core/operation/event-queue'

describe('EventQueue', () => {
  it('gives events in order of time, two of one moment as they were set', () => {
    const queue = new EventQueue<string>()
    queue.set('late', 5, 'late')
    queue.set('first', 1, 'first')
    queue.set('second', 1, 'second')
    expect([queue.take(), queue.take(), queue.take(), queue.take()].map((due) => due?.event ?? null)).toEqual([
      'first',
      'second',
      'late',
      null,
    ])
  })

  it('has one event a key: a later one takes its place, a cancelled one never comes', () => {
    const queue = new EventQueue<string>()
    queue.set('relay', 1, 'in')
    queue.set('relay', 3, 'in after all')
    queue.set('fuse', 2, 'open')
    queue.cancel('fuse')
    expect(queue.has('fuse')).toBe(false)
    expect(queue.take()).toEqual({ key: 'relay', atS: 3, event: 'in after all' })
    expect(queue.take()).toBeNull()
  })

  it('never goes back in time, whatever is set', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 1e6, noNaN: true }), { maxLength: 40 }), (times) => {
        const queue = new EventQueue<number>()
        for (const [index, atS] of times.entries()) queue.set(`${index}`, atS, index)
        const taken: number[] = []
        for (let due = queue.take(); due; due = queue.take()) taken.push(due.atS)
        expect(taken).toEqual([...times].sort((a, b) => a - b))
      }),
      { seed: 5, numRuns: 50 },
    )
  })
})
