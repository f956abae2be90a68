import { type Entry, type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-28T16:10:00Z' }
const entriesOf = (...drafts: EntryDraft[]): Entry[] => drafts.map((draft) => stampEntry(draft, stamp))
const off: EntryDraft = { kind: 'bench', change: { do: 'power', on: false } }

describe('leaving on the quick line', () => {
  const read = (line: string) => readQuickLine(line, { system: furnaceAc, entries: entriesOf(off), suspects: [], proposed: null })
  it.each([
    ['leave part on order until 3 june', 'part-on-order', '2026-06-03'],
    ['left customer declined', 'customer-declined', null],
    ['left too dark until June 2nd', 'too-dark', '2026-06-02'],
    ['leave ran out of time until 2026-05-29', 'come-back', '2026-05-29'],
    ['leave part on order until 4 march', 'part-on-order', '2027-03-04'],
  ] as const)('%s', (line, reason, until) => {
    expect(read(line)).toMatchObject({ ok: true, drafts: [{ kind: 'leave', reason, until }] })
  })

  it('asks for a reason and a day that it knows', () => {
    expect(read('leave part on order until whenever')).toMatchObject({
      ok: false,
      problem: expect.stringContaining('is no day that I know'),
    })
  })
})
