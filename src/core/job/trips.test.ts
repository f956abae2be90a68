import type { Entry } from '@/src/core/job/entry'
import { foldJob, problemWithEntry } from '@/src/core/job/fold'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

let made = 0
const entry = (draft: object): Entry => ({ id: `e${made++}`, at: '2026-05-04T09:10:00Z', ...draft }) as Entry
const change = (what: object) => entry({ kind: 'bench', change: what })
const breaker = change({ do: 'slot', holds: 'breaker', ratingA: 3 })
const cool = change({ do: 'call', call: 'cool' })
const trips = (more: object = {}) => entry({ kind: 'trip', result: 'trips', ...more })

describe('a trip that a call made', () => {
  it('tells two things: it held before the call, and tripped on it', () => {
    const { observations, trips: count } = foldJob(furnaceAc, [breaker, cool, trips({ heldBefore: true })])
    expect(observations.map(({ bench, answer }) => [bench.call, answer])).toEqual([
      ['off', { word: 'holds' }],
      ['cool', { word: 'trips' }],
    ])
    expect(count).toBe(1)
  })

  it('tells only of the trip where the power came on with the call made, and where a wire was moved since', () => {
    const off = change({ do: 'power', on: false })
    const on = change({ do: 'power', on: true })
    expect(foldJob(furnaceAc, [breaker, off, cool, on, trips({ heldBefore: true })]).observations).toHaveLength(1)
    const jumper = change({ do: 'jumper', a: 'R@indoor', b: 'G@indoor' })
    expect(foldJob(furnaceAc, [breaker, cool, jumper, trips({ heldBefore: true })]).observations).toHaveLength(1)
  })
})

describe("a trip by the technician's own hand", () => {
  it('is no evidence, but the breaker is open and has to be reset', () => {
    const entries = [breaker, trips({ slip: true })]
    const state = foldJob(furnaceAc, entries)
    expect(state.observations).toEqual([])
    expect(state.bench.slot.open).toBe(true)
    expect(state.trips).toBe(1)
    expect(problemWithEntry(furnaceAc, entries, entry({ kind: 'trip', result: 'holds' }))).toBeNull()
    expect(problemWithEntry(furnaceAc, entries, trips())).toContain('reset')
  })

  it('costs the fuse where a fuse is in the slot', () => {
    expect(foldJob(furnaceAc, [trips({ slip: true })]).fusesSpent).toBe(1)
  })
})
