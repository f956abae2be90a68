import { type Entry, type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { applyEntry, foldJob } from '@/src/core/job/fold'
import { summarise } from '@/src/core/job/job-summary'
import { asItStands } from '@/src/core/job/leave'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-28T16:10:00Z' }
const entriesOf = (...drafts: EntryDraft[]): Entry[] => drafts.map((draft) => stampEntry(draft, stamp))
const state = (...drafts: EntryDraft[]) => foldJob(furnaceAc, entriesOf(...drafts))
const leave: EntryDraft = { kind: 'leave', reason: 'part-on-order', until: '2026-06-03' }
const off: EntryDraft = { kind: 'bench', change: { do: 'power', on: false } }
const lift: EntryDraft = { kind: 'bench', change: { do: 'lift', end: 'outdoor-cable.Y@indoor' } }
const jumper: EntryDraft = { kind: 'bench', change: { do: 'jumper', a: 'R@indoor', b: 'Y@indoor' } }

describe('a job that is left unfinished', () => {
  it('stays open, says why and until when, and how the house stands', () => {
    const left = state(off, lift, { kind: 'proof', call: 'heat', held: true, amps: 0.7, volts: 26 }, leave)
    expect(left).toMatchObject({ closedAt: null, left: { reason: 'part-on-order', until: '2026-06-03' } })
    expect(asItStands(furnaceAc, left)).toEqual([
      'The power is off.',
      expect.stringMatching(/^Not put back: .*Y \(red\)/),
      'Seen to work: heat.',
    ])
    const job = { id: 'j', title: '3 Kiln Row', createdAt: '2026-05-28T16:00:00Z' }
    expect(summarise(job, furnaceAc, left, null).left).toEqual({ reason: 'part-on-order', until: '2026-06-03' })
  })

  it('is taken up again by whatever is done next, and not by a note from the van', () => {
    expect(state(leave, { kind: 'note', text: 'part ordered' }).left).not.toBeNull()
    expect(state(leave, off).left).toBeNull()
  })

  it('is not left on a jumper with the power on', () => {
    const refusal = applyEntry(furnaceAc, state(jumper), stampEntry(leave, stamp)).refusal
    expect(refusal).toContain('A jumper is in and the power is on')
    expect(applyEntry(furnaceAc, state(off, jumper), stampEntry(leave, stamp)).refusal).toBeNull()
  })
})
