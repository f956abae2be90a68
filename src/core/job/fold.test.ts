import fc from 'fast-check'
import { reasonsNotToClose } from '@/src/core/job/close'
import { emptyComplaint } from '@/src/core/job/complaint'
import { type ContentEntry, type Entry, type EntryDraft, headsOf } from '@/src/core/job/entry'
import { entrySchema } from '@/src/core/job/entry-schema'
import { applyEntry, fallsWith, foldJob, lastStanding, problemWithEntry, refusedSince } from '@/src/core/job/fold'
import { callNames } from '@/src/core/wiring/call'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamped = (draft: EntryDraft): Entry => {
  count++
  return { id: `entry ${count}`, at: new Date(1.77e12 + count * 60_000).toISOString(), ...draft } as Entry
}
const fold = (entries: readonly Entry[]) => foldJob(furnaceAc, entries)
/** What a timeline comes to, however it was entered. */
const sum = (entries: readonly Entry[]) => ({ ...fold(entries), entries: [], undone: [] })

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
          expect(sum(undone)).toEqual(sum(prefix.slice(0, -1)))
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
          expect(sum([...entries, undo, redo])).toEqual(sum(entries))
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
    expect(state.standing.map(({ kind }) => kind)).toEqual(['reading', 'note'])
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

describe('one reducer for all ways in', () => {
  const off = () => stamped({ kind: 'bench', change: { do: 'power', on: false } })
  const on = () => stamped({ kind: 'bench', change: { do: 'power', on: true } })
  const volts = (answer = 26.4) => stamped({ kind: 'reading', probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, answer })
  const undo = (target: Entry) => stamped({ kind: 'undo', target: target.id })
  const correct = (target: Entry, draft: EntryDraft) =>
    stamped({ kind: 'correct', target: target.id, entry: { ...target, ...draft } as ContentEntry })

  it('is what applying the entries one after the other comes to, in any order of undos and corrections', () => {
    fc.assert(
      fc.property(timelineArb, fc.array(fc.tuple(fc.nat(), fc.nat()), { maxLength: 8 }), (entries, metas) => {
        const timeline = [...entries]
        for (const [at, target] of metas)
          if (timeline.length > 0) timeline.splice(1 + (at % timeline.length), 0, undo(timeline[target % timeline.length]))
        // Entries that the door refuses are not in the record of the desk.
        let state = foldJob(furnaceAc, [])
        for (const entry of timeline) state = applyEntry(furnaceAc, state, entry).state
        const fresh = { ...furnaceAc }
        expect(foldJob(fresh, state.entries)).toEqual(state)
        // Nor does it matter which folds were made before.
        for (const length of [3, 11, 7]) foldJob(fresh, state.entries.slice(0, length))
        expect(foldJob(fresh, timeline)).toEqual(foldJob({ ...furnaceAc }, timeline))
      }),
      settings,
    )
  })

  it('takes a reading out of the evidence when the power-on before it is undone, and back in when that is undone', () => {
    const [a, b, c] = [off(), on(), volts()]
    expect(fallsWith(furnaceAc, [a, b, c], undo(b))).toEqual([{ id: c.id, problem: expect.stringContaining('power is off') }])
    const back = undo(b)
    const fallen = fold([a, b, c, back])
    expect(fallen.observations).toEqual([])
    expect(fallen.refused).toEqual([{ id: c.id, problem: expect.stringContaining('power is off') }])
    expect(refusedSince(furnaceAc, fallen.entries, c.id)).toBe(back)
    expect(fold([a, b, c, back, undo(back)]).observations).toHaveLength(1)
  })

  it('refuses a correction that could not have been entered, and an undo or a correction of nothing', () => {
    const reading = volts()
    const say = (entry: Entry, before: Entry[] = [reading]) => problemWithEntry(furnaceAc, before, entry)
    const ohms: EntryDraft = { kind: 'reading', probe: { meter: 'ohms', a: 'R@indoor', b: 'C@indoor' }, answer: 14 }
    expect(say(correct(reading, ohms))).toContain('The power is on')
    const nowhere: EntryDraft = { kind: 'reading', probe: { meter: 'volts', a: 'R@nowhere', b: 'C@indoor' }, answer: 26 }
    expect(say(correct(reading, nowhere))).toContain('There is no place "nowhere"')
    const better = correct(reading, { kind: 'reading', probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, answer: 25 })
    expect(say(better)).toBeNull()
    expect(say({ ...better, id: 'again' }, [reading, better])).toBe('It reads so already.')
    const undone = undo(reading)
    expect(say(undone)).toBeNull()
    expect(say(undo(reading), [reading, undone])).toBe('That is undone already.')
    expect(say(better, [reading, undone])).toContain('undone')
    expect(say(undo(volts()))).toContain('There is no entry')
    // Where such a correction has come in all the same, what was read first stands.
    expect(fold([reading, correct(reading, ohms)]).observations).toMatchObject([{ answer: 26.4 }])
  })

  it('keeps a reading at a point that does not exist on record, and out of the evidence', () => {
    const nowhere = stamped({ kind: 'reading', probe: { meter: 'volts', a: 'R@nowhere', b: 'C@indoor' }, answer: 26 })
    const state = fold([nowhere, volts()])
    expect(state.observations).toHaveLength(1)
    expect(state.refused).toEqual([{ id: nowhere.id, problem: expect.stringContaining('There is no place "nowhere"') }])
  })

  it('lets no fuse blow in a house that has none, and nothing trip with an empty slot', () => {
    const plain = systemById('air-handler-plain')
    if (!plain) throw new Error('no such system')
    const trip = stamped({ kind: 'trip', result: 'trips' })
    expect(problemWithEntry(plain, [], trip)).toContain('no fuse or breaker')
    expect(foldJob(plain, [trip])).toMatchObject({ trips: 0, fusesSpent: 0, bench: { slot: { open: false } } })
    expect(problemWithEntry(plain, [stamped({ kind: 'bench', change: { do: 'slot', holds: 'breaker' } })], trip)).toBeNull()
    const empty = stamped({ kind: 'bench', change: { do: 'slot', holds: 'nothing' } })
    expect(problemWithEntry(furnaceAc, [empty], stamped({ kind: 'trip', result: 'holds' }))).toContain('slot is empty')
  })
})

describe('two devices on one job', () => {
  const by = (id: string, after: string[], draft: EntryDraft): Entry => ({ id, at: '2026-05-04T09:10:00Z', after, ...draft }) as Entry
  const start = by('start', [], { kind: 'note', text: 'both are here' })
  const off = by('off', ['start'], { kind: 'bench', change: { do: 'power', on: false } })
  const read = by('read', ['start'], { kind: 'reading', probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, answer: 26.4 })
  const both = [
    [start, off, read],
    [start, read, off],
  ]

  it.each(both)('weighs a reading on the bench that its maker had, and says that the two contradict each other', (...timeline) => {
    const state = fold(timeline)
    expect(state.observations).toMatchObject([{ id: 'read', bench: { power: true } }])
    expect(state.clashes).toMatchObject([{ id: 'read', made: { power: true }, merged: { power: false } }])
    expect(state.refused).toEqual([])
    expect(state.bench.power).toBe(false)
  })

  it.each(both)('takes the word of a person for which bench it was', (...timeline) => {
    const say = (bench: 'made' | 'merged') => fold([...timeline, by('word', ['off', 'read'], { kind: 'vouch', target: 'read', bench })])
    expect(say('made')).toMatchObject({ clashes: [], observations: [{ id: 'read' }] })
    expect(say('merged')).toMatchObject({ clashes: [], observations: [], refused: [{ id: 'read' }] })
  })

  it('finds nothing odd where one device had seen all that the other did', () => {
    const later = { ...read, after: ['off'] }
    expect(fold([start, off, later]).refused).toMatchObject([{ id: 'read', problem: expect.stringContaining('power is off') }])
    const walk = by('walk', ['start'], { kind: 'bench', change: { do: 'walk', place: 'outdoor' } })
    expect(fold([start, walk, read]).clashes).toEqual([])
  })

  it('keeps to what each had done itself, along a whole stretch without a signal', () => {
    const lift = by('lift', ['start'], { kind: 'bench', change: { do: 'lift', end: 'outdoor-cable.Y@indoor' } })
    const ohms = by('ohms', ['off'], { kind: 'reading', probe: { meter: 'ohms', a: 'Y@indoor', b: 'C@indoor' }, answer: 14 })
    const state = fold([start, lift, off, ohms])
    expect(state.observations).toMatchObject([{ id: 'ohms', bench: { power: false, lifted: [] } }])
    expect(state.clashes).toMatchObject([{ id: 'ohms', merged: { lifted: ['outdoor-cable.Y@indoor'] } }])
    expect(state.bench).toMatchObject({ power: false, lifted: ['outdoor-cable.Y@indoor'] })
    // From then on both see both.
    const after = by('after', ['lift', 'ohms'], { kind: 'reading', probe: { meter: 'ohms', a: 'R@indoor', b: 'C@indoor' }, answer: 9 })
    expect(fold([start, lift, off, ohms, after]).observations[1].bench).toMatchObject({ power: false, lifted: ['outdoor-cable.Y@indoor'] })
  })

  it('knows the last entries of each', () => {
    expect(headsOf([start])).toEqual(['start'])
    expect(headsOf([start, off, read])).toEqual(['off', 'read'])
    expect(headsOf([start, off, read, by('word', ['off', 'read'], { kind: 'note', text: '' })])).toEqual(['word'])
    expect(headsOf([start, stamped({ kind: 'note', text: 'from before devices said so' })])).toHaveLength(1)
  })
})

describe('closing a job', () => {
  it('needs every mode proved since the repair and everything put back', () => {
    const proofs = callNames.map((call) => stamped({ kind: 'proof', call, held: true, amps: null, volts: null }))
    const jumper = stamped({ kind: 'bench', change: { do: 'jumper', a: 'R@indoor', b: 'Y@indoor' } })
    expect(reasonsNotToClose(furnaceAc, fold([jumper]))).toEqual([
      'To put back: jumper R to Y at the indoor unit.',
      'Not proved: fan.',
      'Not proved: cool.',
      'Not proved: heat.',
    ])
    expect(reasonsNotToClose(furnaceAc, fold(proofs))).toEqual([])
    const repair = stamped({ kind: 'repair', fault: null, zone: 'indoor', what: 'mended', cause: '' })
    expect(reasonsNotToClose(furnaceAc, fold([...proofs, repair]))[0]).toBe('Not proved since the repair: fan.')
    expect(problemWithEntry(furnaceAc, [jumper], stamped({ kind: 'close' }))).toContain('Not yet: To put back: jumper')
  })

  it('takes nothing more but an undo or a note', () => {
    const proofs = callNames.map((call) => stamped({ kind: 'proof', call, held: true, amps: null, volts: null }))
    const close = stamped({ kind: 'close' })
    const closed = [...proofs, close]
    expect(problemWithEntry(furnaceAc, closed, stamped({ kind: 'trip', result: 'holds' }))).toContain('The job is closed')
    expect(problemWithEntry(furnaceAc, closed, stamped({ kind: 'undo', target: close.id }))).toBeNull()
    expect(lastStanding(fold(closed))).toBe(close)
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

describe('a question that is answered again on a bench that was left alone', () => {
  const since = (draft: EntryDraft) => {
    const call: EntryDraft = { kind: 'bench', change: { do: 'call', call: 'cool' } }
    // All of it is typed at once, afterwards.
    const typed = [call, draft, draft, draft].map((one): Entry => ({ ...stamped(one), at: '2026-05-04T09:10:00Z' }) as Entry)
    return fold(typed).observations.map(({ bench }) => bench.since?.call)
  }

  it('was waited for, by a meter at the third time longer than any delay runs; a look is only taken again', () => {
    const volts: EntryDraft = { kind: 'reading', probe: { meter: 'volts', a: 'Y@outdoor', b: 'C@outdoor' }, answer: 0 }
    const look: EntryDraft = { kind: 'reading', probe: { meter: 'look', at: 'contactor' }, answer: { word: 'out' } }
    expect(since(volts).slice(1)).toEqual(['minutes', 'long'])
    expect(since(look).slice(1)).toEqual(['minutes', 'minutes'])
  })
})
