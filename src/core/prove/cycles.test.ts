import { INTERMITTENT_SHOWS } from '@/src/core/faults/rates'
import { type Entry, type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { foldJob, problemWithEntry } from '@/src/core/job/fold'
import { cyclesOf, cycleTimes } from '@/src/core/prove/cycles'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }
const made = (...drafts: EntryDraft[]): Entry[] => drafts.map((draft) => stampEntry(draft, stamp))
const cycle: EntryDraft = { kind: 'cycle', call: 'cool' }
const cyclesAfter = (...drafts: EntryDraft[]) => cyclesOf(foldJob(furnaceAc, made(...drafts)))
const heard = (line: string, ...before: EntryDraft[]) => {
  const read = readQuickLine(line, { system: furnaceAc, entries: made(...before), suspects: [], proposed: null })
  return read.ok ? read.drafts : read.problem
}

describe('clean cycles of what comes and goes', () => {
  it('leave less with each, as one look after the other would', () => {
    const left = [0, 1, 2, 6].map((times) => cyclesAfter(...Array.from({ length: times }, () => cycle)).left)
    expect(left).toEqual([1, 1 - INTERMITTENT_SHOWS, (1 - INTERMITTENT_SHOWS) ** 2, (1 - INTERMITTENT_SHOWS) ** 6])
    const { wanted } = cyclesAfter()
    expect((1 - INTERMITTENT_SHOWS) ** wanted).toBeLessThanOrEqual(0.05)
    expect((1 - INTERMITTENT_SHOWS) ** (wanted - 1)).toBeGreaterThan(0.05)
    expect(cyclesAfter(cycle, cycle).say).toContain('2 clean cycles: at most')
  })

  it('start anew with a trip or a repair', () => {
    expect(cyclesAfter(cycle, cycle, { kind: 'trip', result: 'trips' }).clean).toBe(0)
    expect(cyclesAfter(cycle, { kind: 'repair', fault: null, zone: 'outdoor', what: 'tightened Y', cause: '' }, cycle).clean).toBe(1)
  })

  it('are off as long as a board keeps its output off', () => {
    const pump = systemById('heat-pump-o')
    if (!pump) throw new Error('There is no such system.')
    expect(cycleTimes(pump, 'cool').offS).toBe(300)
    expect(cycleTimes(pump, 'fan').offS).toBeLessThan(300)
  })

  it('are typed, of the call that is on or by its name; none with the power off', () => {
    expect(heard('cycles 3 cool')).toEqual([cycle, cycle, cycle])
    expect(heard('another clean cycle', { kind: 'bench', change: { do: 'call', call: 'cool' } })).toEqual([cycle])
    expect(heard('cycled it 2 times, held every time', { kind: 'bench', change: { do: 'call', call: 'cool' } })).toEqual([cycle, cycle])
    expect(heard('cycle')).toContain('Of which mode?')
    expect(problemWithEntry(furnaceAc, made({ kind: 'bench', change: { do: 'power', on: false } }), made(cycle)[0])).toContain(
      'power is off',
    )
  })
})
