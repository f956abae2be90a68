import type { Entry } from '@/src/core/job/entry'
import { foldJob, problemWithEntry } from '@/src/core/job/fold'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

let made = 0
const entry = (draft: object): Entry => ({ id: `e${made++}`, at: '2026-05-04T09:10:00Z', ...draft }) as Entry
const off = entry({ kind: 'bench', change: { do: 'power', on: false } })
const volts = (a: string, b: string, answer: number) => entry({ kind: 'reading', probe: { meter: 'volts', a, b }, answer })

describe('volts with the power off', () => {
  it('prove that it is dead: on record, and no evidence of what is wrong', () => {
    const dead = volts('R@indoor', 'C@indoor', 0.1)
    expect(problemWithEntry(furnaceAc, [off], dead)).toBeNull()
    const state = foldJob(furnaceAc, [off, dead])
    expect(state.standing.map(({ id }) => id)).toContain(dead.id)
    expect(state.observations).toEqual([])
  })

  it('that are there keep the hands out', () => {
    expect(problemWithEntry(furnaceAc, [off], volts('R@indoor', 'C@indoor', 26))).toContain('Keep your hands out')
  })

  it('are expected ahead of a switch that is off', () => {
    expect(problemWithEntry(furnaceAc, [off], volts('L1@indoor', 'N@indoor', 120))).toBeNull()
  })
})
