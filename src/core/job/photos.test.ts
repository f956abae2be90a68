import { type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { digestsIn, lacksPictureOf, photosOf } from '@/src/core/job/photos'
import { furnaceAc as system } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }
const entriesOf = (...drafts: EntryDraft[]) => drafts.map((draft) => stampEntry(draft, stamp))
const photo = (digest: string): EntryDraft => ({
  kind: 'photo',
  digest: digest.repeat(64),
  of: 'the strip',
  place: 'indoor',
  onPage: false,
})

describe('photos of a job', () => {
  it('stand until they are undone, and their bytes are kept all the same', () => {
    const [one, two] = entriesOf(photo('a'), photo('b'))
    const [undo] = entriesOf({ kind: 'undo', target: one.id })
    const state = foldJob(system, [one, two, undo])
    expect(photosOf(state).map(({ id }) => id)).toEqual([two.id])
    expect(digestsIn(state.entries)).toEqual(['a'.repeat(64), 'b'.repeat(64)])
  })

  it('are asked for at a strip before its first wire comes off, and not after', () => {
    const lift: EntryDraft = { kind: 'bench', change: { do: 'lift', end: 'outdoor-cable.Y@indoor' } } as EntryDraft
    expect(lacksPictureOf('indoor', foldJob(system, []))).toBe(true)
    expect(lacksPictureOf('indoor', foldJob(system, entriesOf(photo('a'))))).toBe(false)
    expect(lacksPictureOf('outdoor', foldJob(system, entriesOf(photo('a'))))).toBe(true)
    const off = entriesOf(
      { kind: 'bench', change: { do: 'power', on: false } },
      { kind: 'bench', change: { do: 'walk', place: 'indoor' } },
      lift,
    )
    expect(lacksPictureOf('indoor', foldJob(system, off))).toBe(false)
  })

  it('do not take up a job that was left, and may be added to a closed one like a note', () => {
    const left = entriesOf({ kind: 'leave', reason: 'part-on-order', until: null } as EntryDraft, photo('a'))
    expect(foldJob(system, left).left).not.toBeNull()
  })

  it('are refused at a place that the house does not have', () => {
    const [elsewhere] = entriesOf({ ...photo('a'), place: 'roof' } as EntryDraft)
    expect(foldJob(system, [elsewhere]).refused).toHaveLength(1)
  })
})
