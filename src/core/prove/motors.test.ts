import { type Entry, type EntryDraft, stampEntry } from '@/src/core/job/entry'
import { foldJob, problemWithEntry } from '@/src/core/job/fold'
import { sayDraft } from '@/src/core/job/say-draft'
import { judgeMotors, plateOf, runsWith } from '@/src/core/prove/motors'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'

let count = 0
const stamp = { newId: () => `e${++count}`, now: () => '2026-05-04T09:10:00Z' }
const plates = (...read: [string, number][]): Entry[] => read.map(([part, amps]) => stampEntry({ kind: 'plate', part, amps }, stamp))
const judged = (entries: Entry[], part: string, amps: number) => judgeMotors(furnaceAc, foldJob(furnaceAc, entries), [{ part, amps }])[0]
const heard = (line: string): readonly EntryDraft[] => {
  const read = readQuickLine(line, { system: furnaceAc, entries: [], suspects: [], proposed: null })
  if (!read.ok) throw new Error(read.problem)
  return read.drafts
}

describe('line amps against the plate', () => {
  const compressor = plates(['compressor', 14])

  it.each([
    [9.8, false, '9.8 A of 14 A'],
    [15.5, true, 'head pressure'],
    [4, true, 'little to pump'],
    [60, true, 'does not turn'],
    [0, true, 'does not run'],
  ])('a compressor of 14 A that draws %d A', (amps, isOff, says) => {
    expect(judged(compressor, 'compressor', amps)).toMatchObject({ isOff, say: expect.stringContaining(says) })
  })

  it('judges nothing without a plate, and takes the one that was read last', () => {
    expect(judged([], 'compressor', 30)).toMatchObject({ isOff: false, plateA: null })
    expect(plateOf(foldJob(furnaceAc, [...compressor, ...plates(['compressor', 17])]), 'compressor')).toBe(17)
  })

  it('holds heaters to their volts: with one bank of two out they draw half', () => {
    const strips = systemById('cool-strips')
    if (!strips) throw new Error('There is no such system.')
    const state = foldJob(strips, plates(['strips', 20]))
    expect(judgeMotors(strips, state, [{ part: 'strips', amps: 10 }])[0]).toMatchObject({
      isOff: true,
      say: expect.stringContaining('element'),
    })
    expect(judgeMotors(strips, state, [{ part: 'strips', amps: 19 }])[0]).toMatchObject({ isOff: false })
  })

  it('asks for what the relays of a mode feed', () => {
    const names = runsWith(furnaceAc, [{ what: 'blower-relay' }, { what: 'contactor' }, { what: 'blower-relay' }]).map(({ id }) => id)
    expect(names).toEqual(['blower', 'compressor', 'condenser-fan'])
  })

  it('is typed, and said back', () => {
    expect(heard('plate compressor 14.2 A')).toMatchObject([{ kind: 'plate', part: 'compressor', amps: 14.2 }])
    expect(heard('compressor RLA 14.2')).toMatchObject([{ kind: 'plate', part: 'compressor', amps: 14.2 }])
    const [proof] = heard('proved cool 0.9 A 25 V compressor 9.8 A blower 3.1')
    expect(proof).toMatchObject({
      motors: [
        { part: 'compressor', amps: 9.8 },
        { part: 'blower', amps: 3.1 },
      ],
    })
    expect(sayDraft(furnaceAc, proof)).toContain('compressor 9.8 A, blower motor 3.1 A')
  })

  it('is refused of what draws no line amps', () => {
    const entry = stampEntry({ kind: 'plate', part: 'contactor', amps: 5 }, stamp)
    expect(problemWithEntry(furnaceAc, [], entry)).toContain('draws no line amps')
  })
})
