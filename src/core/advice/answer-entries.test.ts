import { proposeCheck } from '@/src/core/advice/advise'
import { asIfAnswered, entriesOfAnswer } from '@/src/core/advice/answer-entries'
import { createBench } from '@/src/core/bench/bench'
import { foldJob } from '@/src/core/job/fold'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { furnaceEngine } from '@/tests/setup/furnace'

describe('the answer to a check', () => {
  const next = proposeCheck(furnaceEngine(), foldJob(furnaceAc, [])).next
  if (!next) throw new Error('nothing to ask in a new job')
  const [{ answer }] = next.outcomes

  it('is entered after what was set up for it', () => {
    const setup = [{ do: 'call', call: 'cool' }] as const
    expect(entriesOfAnswer({ setup, probe: next.probe }, answer)).toEqual([
      { kind: 'bench', change: setup[0] },
      { kind: 'reading', probe: next.probe, answer },
    ])
  })

  it('to a trip is the trip', () => {
    expect(entriesOfAnswer({ setup: [], probe: { meter: 'trip' } }, { word: 'trips' })).toEqual([{ kind: 'trip', result: 'trips' }])
  })

  it('thought through ahead leaves the job on the bench of the check, with one reading more, and the timeline as it was', () => {
    const entries = [] as const
    const state = foldJob(furnaceAc, asIfAnswered(entries, next, answer))
    expect(state.observations).toHaveLength(1)
    expect({ ...state.bench, place: next.bench.place }).toEqual({ ...createBench(furnaceAc), ...next.bench })
    expect(entries).toHaveLength(0)
  })

  it('makes the same of a guess as of the real answer', () => {
    const guessed = proposeCheck(furnaceEngine(), foldJob(furnaceAc, asIfAnswered([], next, answer))).next
    const given = entriesOfAnswer(next, answer).map((draft, index) => ({ ...draft, id: `e${index}`, at: '2026-05-04T09:10:00Z' }))
    expect(proposeCheck(furnaceEngine(), foldJob(furnaceAc, given)).next).toMatchObject({ probe: guessed?.probe, say: guessed?.say })
  })
})
