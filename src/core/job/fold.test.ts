import fc from 'fast-check'
import { emptyComplaint } from '@/src/core/diagnosis/complaint'
import { problemWithEntry } from '@/src/core/job/check-entry'
import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { entrySchema } from '@/src/core/job/entry-schema'
import { foldJob, lastStanding, reasonsNotToClose, standingEntries } from '@/src/core/job/fold'
import { callNames } from '@/src/core/wiring/call'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamped = (draft: EntryDraft): Entry => {
  count++
  return { id: `entry ${count}`, at: new Date(1.77e12 + count * 60_000).toISOString(), ...draft } as Entry
}
const fold = (entries: readonly Entry[]) => foldJob(furnaceAc, entries)

const draftArb: fc.Arbitrary<EntryDraft> = fc.oneof(
  fc.constantFrom<EntryDraft>(
    { kind: 'bench', change: { do: 'power', on: false } },
    { kind: 'bench', change: { do: 'power', on: true } },
    { kind: 'bench', change: { do: 'slot', holds: 'breaker' } },
    { kind: 'bench', change: { do: 'slot', holds: 'fuse', ratingA: 3 } },
    { kind: 'bench', change: { do: 'reset' } },
    { kind: 'bench', change: { do: 'lift', end: 'outdoor-cable.Y@indoor' } },
    { kind: 'bench', change: { do: 'land', end: 'outdoor-cable.Y@indoor' } },
    { kind: 'bench', change: { do: 'jumper', a: 'R@indoor', b: 'Y@indoor' } },
    { kind: 'bench', change: { do: 'jumper', a: 'R@indoor', b: 'C@indoor' } },
    { kind: 'trip', result: 'trips' },
    { kind: 'trip', result: 'holds' },
    { kind: 'reading', probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, answer: 26.4 },
    { kind: 'reading', probe: { meter: 'look', at: 'fuse' }, answer: { word: 'blown' } },
    { kind: 'repair', fault: null, zone: 'indoor', what: 'mended a lead', cause: '' },
    { kind: 'note', text: 'wasps' },
    { kind: 'close' },
  ),
  fc.constantFrom(...callNames).map((call): EntryDraft => ({ kind: 'proof', call, held: true, amps: null, volts: null })),
  fc.constantFrom(...callNames).map((call): EntryDraft => ({ kind: 'bench', change: { do: 'call', call } })),
)
const timelineArb = fc.array(draftArb, { maxLength: 25 }).map((drafts) => drafts.map(stamped))
const settings = { seed: 13, numRuns: 120 }

describe('foldJob', () => {
  it('reads a clamp that kept the highest as of the bench before the trip, and any other reading as of now', () => {
    const on = 'fuse'
    const state = fold(
      (
        [
          { kind: 'bench', change: { do: 'slot', holds: 'breaker' } },
          { kind: 'bench', change: { do: 'call', call: 'cool' } },
          { kind: 'trip', result: 'trips' },
          { kind: 'reading', probe: { meter: 'amps', on, hold: 'max' }, answer: 8.2 },
          { kind: 'reading', probe: { meter: 'amps', on }, answer: 0 },
          { kind: 'bench', change: { do: 'call', call: 'off' } },
          { kind: 'reading', probe: { meter: 'amps', on, hold: 'max' }, answer: 0 },
        ] as EntryDraft[]
      ).map(stamped),
    )
    const [, kept, steady, later] = state.observations
    expect([kept, steady, later].map(({ bench }) => bench.slot.open)).toEqual([false, true, true])
  })

  it('takes back any last entry: a prefix plus its undo is the prefix', () => {
    fc.assert(
      fc.property(timelineArb, (entries) => {
        for (let length = 1; length <= entries.length; length += 4) {
          const prefix = entries.slice(0, length)
          const undone = [...prefix, stamped({ kind: 'undo', target: prefix[length - 1].id })]
          expect(fold(undone)).toEqual(fold(prefix.slice(0, -1)))
        }
      }),
      settings,
    )
  })

  it('takes back an undo as well', () => {
    fc.assert(
      fc.property(
        timelineArb.filter(({ length }) => length > 0),
        (entries) => {
          const undo = stamped({ kind: 'undo', target: entries[entries.length - 1].id })
          const redo = stamped({ kind: 'undo', target: undo.id })
          expect(fold([...entries, undo, redo])).toEqual(fold(entries))
        },
      ),
      settings,
    )
  })

  it('counts an entry once, however often it arrives', () => {
    fc.assert(
      fc.property(timelineArb, fc.nat(), (entries, pick) => {
        if (entries.length === 0) return
        expect(fold([...entries, entries[pick % entries.length]])).toEqual(fold(entries))
      }),
      settings,
    )
  })

  it('never closes a job that owes something, even when the record says so', () => {
    fc.assert(
      fc.property(timelineArb, (entries) => {
        const state = fold([...entries, stamped({ kind: 'close' })])
        if (state.closedAt === null) return
        expect(reasonsNotToClose(furnaceAc, state)).toEqual([])
      }),
      settings,
    )
  })

  it('keeps what could not be done, with the reason', () => {
    const impossible = stamped({ kind: 'bench', change: { do: 'jumper', a: 'R@indoor', b: 'C@indoor' } })
    expect(fold([impossible]).refused).toEqual([{ id: impossible.id, problem: expect.stringContaining('dead short') }])
    expect(fold([impossible]).bench.jumpers).toEqual([])
  })

  it('opens the slot on a trip, spends a fuse but not a breaker, and asks for the proofs again', () => {
    const proof = stamped({ kind: 'proof', call: 'fan', held: true, amps: 0.6, volts: 26 })
    const withFuse = fold([proof, stamped({ kind: 'trip', result: 'trips' })])
    expect(withFuse).toMatchObject({ trips: 1, fusesSpent: 1, proofs: {}, bench: { slot: { open: true } } })
    const withBreaker = fold([
      stamped({ kind: 'bench', change: { do: 'slot', holds: 'breaker' } }),
      stamped({ kind: 'trip', result: 'trips' }),
    ])
    expect(withBreaker).toMatchObject({ trips: 1, fusesSpent: 0 })
  })

  it('lets a correction stand in the place of what it corrects', () => {
    const misread = stamped({ kind: 'reading', probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, answer: 2.64 })
    const after = stamped({ kind: 'note', text: 'after' })
    const content = { ...misread, answer: 26.4 } as Extract<Entry, { kind: 'reading' }>
    const correction = stamped({ kind: 'correct', target: misread.id, entry: content })
    const state = fold([misread, after, correction])
    expect(state.observations).toMatchObject([{ id: misread.id, answer: 26.4 }])
    expect(standingEntries([misread, after, correction]).map(({ kind }) => kind)).toEqual(['reading', 'note'])
    expect(fold([misread, after, correction, stamped({ kind: 'undo', target: correction.id })]).observations[0].answer).toBe(2.64)
  })

  it('starts the suspects afresh after a repair, and keeps the old readings on record', () => {
    const state = fold([
      stamped({ kind: 'trip', result: 'holds' }),
      stamped({ kind: 'repair', fault: 'x', zone: 'indoor', what: 'mended', cause: 'rub' }),
      stamped({ kind: 'trip', result: 'holds' }),
    ])
    expect(state.observations).toHaveLength(2)
    expect(state.observationsSinceRepair).toHaveLength(1)
  })
})

describe('closing a job', () => {
  it('needs every mode proved since the repair and everything put back', () => {
    const proofs = callNames.map((call) => stamped({ kind: 'proof', call, held: true, amps: null, volts: null }))
    const jumper = stamped({ kind: 'bench', change: { do: 'jumper', a: 'R@indoor', b: 'Y@indoor' } })
    expect(reasonsNotToClose(furnaceAc, fold([jumper]))).toEqual([
      'Owed: jumper R to Y at the indoor unit.',
      'Not proved: fan.',
      'Not proved: cool.',
      'Not proved: heat.',
    ])
    expect(reasonsNotToClose(furnaceAc, fold(proofs))).toEqual([])
    const repair = stamped({ kind: 'repair', fault: null, zone: 'indoor', what: 'mended', cause: '' })
    expect(reasonsNotToClose(furnaceAc, fold([...proofs, repair]))[0]).toBe('Not proved since the repair: fan.')
    expect(problemWithEntry(furnaceAc, [jumper], stamped({ kind: 'close' }))).toContain('Not yet: Owed: jumper')
  })

  it('takes nothing more but an undo or a note', () => {
    const proofs = callNames.map((call) => stamped({ kind: 'proof', call, held: true, amps: null, volts: null }))
    const close = stamped({ kind: 'close' })
    const closed = [...proofs, close]
    expect(problemWithEntry(furnaceAc, closed, stamped({ kind: 'trip', result: 'holds' }))).toContain('The job is closed')
    expect(problemWithEntry(furnaceAc, closed, stamped({ kind: 'undo', target: close.id }))).toBeNull()
    expect(lastStanding(closed)).toBe(close)
  })
})

describe('problemWithEntry', () => {
  const say = (draft: EntryDraft, before: EntryDraft[] = []) => problemWithEntry(furnaceAc, before.map(stamped), stamped(draft))

  it('refuses ohms on a live circuit and volts on a dead one', () => {
    expect(say({ kind: 'reading', probe: { meter: 'ohms', a: 'Y@indoor', b: 'C@indoor' }, answer: 14 })).toContain('power off')
    expect(
      say({ kind: 'reading', probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, answer: 26 }, [
        { kind: 'bench', change: { do: 'power', on: false } },
      ]),
    ).toContain('Say "power on" first')
  })

  it('refuses a point that does not exist, a clamp around nothing, a word for a number', () => {
    expect(say({ kind: 'reading', probe: { meter: 'volts', a: 'Z@indoor', b: 'C@indoor' }, answer: 26 })).toContain('There is no "Z"')
    expect(say({ kind: 'reading', probe: { meter: 'amps', on: 'R@indoor' }, answer: 1 })).toContain('A clamp goes around a conductor')
    expect(say({ kind: 'reading', probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, answer: { word: 'twelve' } })).toBe(
      'A reading is a number or OL, not "twelve".',
    )
    expect(say({ kind: 'reading', probe: { meter: 'look', at: 'fuse' }, answer: { word: 'green' } })).toContain('good, blown')
    expect(say({ kind: 'undo', target: 'nobody' })).toContain('There is no entry "nobody"')
  })

  it('takes every kind of entry through its schema and back', () => {
    for (const entry of [stamped({ kind: 'complaint', complaint: emptyComplaint }), stamped({ kind: 'skip', probe: { meter: 'trip' } })])
      expect(entrySchema.parse(JSON.parse(JSON.stringify(entry)))).toEqual(entry)
    expect(entrySchema.safeParse({ ...stamped({ kind: 'close' }), at: 'yesterday' }).success).toBe(false)
  })
})
