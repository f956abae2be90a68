import { returnCalendar } from '@/src/core/formats/return-calendar'
import { type Entry, type EntryDraft, stampEntry } from '@/src/core/job/entry'
import type { JobFile } from '@/src/core/job/job-file'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-28T16:10:00Z' }
const entriesOf = (...drafts: EntryDraft[]): Entry[] => drafts.map((draft) => stampEntry(draft, stamp))
const leave: EntryDraft = { kind: 'leave', reason: 'part-on-order', until: '2026-06-03' }
const off: EntryDraft = { kind: 'bench', change: { do: 'power', on: false } }

describe('the next visit', () => {
  const job = (...drafts: EntryDraft[]) =>
    ({
      job: { id: 'j7', title: '3 Kiln Row; rear', createdAt: '2026-05-28T16:00:00Z' },
      system: furnaceAc,
      entries: entriesOf(...drafts),
    }) as JobFile

  it('is a whole day in the calendar, the same event however often it is taken', () => {
    const calendar = returnCalendar(job(off, leave)) ?? ''
    expect(calendar).toContain('DTSTART;VALUE=DATE:20260603')
    expect(calendar).toContain('UID:j7-return')
    expect(calendar).toContain('SUMMARY:Back at 3 Kiln Row\\; rear')
    expect(calendar).toContain('part on order')
    expect(returnCalendar(job(off))).toBeNull()
    expect(returnCalendar(job({ ...leave, until: null } as EntryDraft))).toBeNull()
  })
})
