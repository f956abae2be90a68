import type { Complaint } from '@/src/core/job/complaint'
import { type Entry, type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }
const read = (line: string, entries: readonly Entry[] = []): readonly EntryDraft[] => {
  const understood = readQuickLine(line, { system: furnaceAc, entries, suspects: [], proposed: null })
  if (!understood.ok) throw new Error(understood.problem)
  return understood.drafts
}
const told = (line: string, entries?: readonly Entry[]): Complaint | undefined =>
  read(line, entries).flatMap((draft) => (draft.kind === 'complaint' ? [draft.complaint] : []))[0]

describe('the complaint on the quick line', () => {
  it.each([
    ['no cooling', ['mode-dead'], 'cool'],
    ['cool dead', ['mode-dead'], 'cool'],
    ['heat is out', ['mode-dead'], 'heat'],
    ["it won't cool", ['mode-dead'], 'cool'],
    ['one mode dead: heat', ['mode-dead'], 'heat'],
    ['nothing works', ['nothing-runs'], null],
    ["ac won't shut off", ['never-stops'], 'cool'],
    ['runs all the time', ['never-stops'], null],
    ['blows fuses now and then', ['fuse-now-and-then'], null],
    ['smells burnt', ['smell'], null],
    ['customer says no cooling, heat works', ['mode-dead'], 'cool'],
    ['complaint: nothing works', ['nothing-runs'], null],
  ] as const)('%s', (line, symptoms, call) => {
    expect(told(line)).toMatchObject({ symptoms, call })
  })

  it('keeps the words as they were said, and adds to what was told before', () => {
    const first = read('customer says no cooling').map((draft) => stampEntry(draft, stamp))
    expect(told('customer had a fence put in last week', first)).toMatchObject({
      words: 'customer says no cooling; customer had a fence put in last week',
      symptoms: ['mode-dead'],
      changed: ['garden-work'],
      call: 'cool',
    })
  })

  it('stands beside what was read', () => {
    expect(read('no heat; Y-C 24').map(({ kind }) => kind)).toEqual(['complaint', 'reading'])
    expect(read('no heat, Y-C 24').map(({ kind }) => kind)).toEqual(['complaint', 'reading'])
  })

  it('is not what was seen while something is called', () => {
    expect(read('call cool; nothing runs')).toMatchObject([{ kind: 'bench' }, { kind: 'reading', answer: { word: 'not as called' } }])
    expect(read('fan not running')).toMatchObject([{ kind: 'reading', probe: { at: 'blower' } }])
    expect(read('no 24 on Y')).toMatchObject([{ kind: 'reading', answer: 0 }])
    expect(read('smell of gas')).toMatchObject([{ kind: 'note' }])
    expect(read('customer heard a pop last night')).toMatchObject([{ kind: 'note' }])
  })
})
