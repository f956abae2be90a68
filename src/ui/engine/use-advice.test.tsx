import { act, renderHook, waitFor } from '@testing-library/react'
import type { Entry } from '@/src/core/job/entry'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { useAdvice } from '@/src/ui/engine/use-advice'

/** What the worker was asked, in order; each answer is given by hand. */
const asked: { what: 'advise' | 'propose'; readings: number; answer: (value: unknown) => void; fail: (error: Error) => void }[] = []
const take =
  (what: 'advise' | 'propose') =>
  ({ entries }: { entries: readonly Entry[] }) =>
    new Promise((answer, fail) => asked.push({ what, readings: entries.length, answer, fail }))
jest.mock('@/src/ui/engine/engine-client', () => ({
  diagnosisWorker: async () => ({ advise: take('advise'), propose: take('propose') }),
}))

const note = (id: string): Entry => ({ id, at: '2026-05-04T09:10:00Z', kind: 'note', text: id })
const setUp = (entries: readonly Entry[]) =>
  renderHook(({ entries }: { entries: readonly Entry[] }) => useAdvice(furnaceAc, entries), { initialProps: { entries } })
const questions = () => asked.map(({ what, readings }) => `${what} ${readings}`)
const nextQuestion = (count: number) => waitFor(() => expect(asked).toHaveLength(count))

beforeEach(() => asked.splice(0))

describe('useAdvice', () => {
  it('shows suspects first, then the next check, and says which of the two is under way', async () => {
    const { result } = setUp([note('one')])
    expect(result.current).toMatchObject({ thinking: 'suspects', advice: null })
    await nextQuestion(1)
    await act(async () => asked[0].answer({ readings: 1 }))
    expect(result.current).toMatchObject({ thinking: 'next check', advice: { readings: 1 }, proposal: null })
    await act(async () => asked[1].answer({ next: null }))
    expect(result.current).toMatchObject({ thinking: null, proposal: { next: null } })
    expect(questions()).toEqual(['advise 1', 'propose 1'])
  })

  it('keeps what it showed while a newer timeline is weighed, and drops what comes late for the older one', async () => {
    const { result, rerender } = setUp([note('one')])
    await nextQuestion(1)
    rerender({ entries: [note('one'), note('two')] })
    await nextQuestion(2)
    await act(async () => asked[0].answer({ readings: 1 }))
    expect(result.current).toMatchObject({ thinking: 'suspects', advice: null })
    await act(async () => asked[1].answer({ readings: 2 }))
    expect(result.current).toMatchObject({ thinking: 'next check', advice: { readings: 2 } })
    // The older timeline's next check was never begun.
    expect(questions()).toEqual(['advise 1', 'advise 2', 'propose 2'])
  })

  it('asks once for one timeline, however often the desk is drawn', async () => {
    const entries = [note('one')]
    const { rerender } = setUp(entries)
    await nextQuestion(1)
    rerender({ entries })
    rerender({ entries })
    await act(async () => asked[0].answer({ readings: 1 }))
    expect(questions()).toEqual(['advise 1', 'propose 1'])
  })

  it('takes the suspects that were asked for before the entries were shown, and asks anew where others came', async () => {
    const { result, rerender } = setUp([note('one')])
    await nextQuestion(1)
    await act(async () => asked[0].answer({ readings: 1 }))
    await act(async () => result.current.begin([note('one'), note('two')]))
    rerender({ entries: [note('one'), note('two')] })
    await act(async () => asked[2].answer({ readings: 2 }))
    expect(result.current).toMatchObject({ thinking: 'next check', advice: { readings: 2 } })
    await act(async () => result.current.begin([note('one'), note('two'), note('three')]))
    rerender({ entries: [note('one'), note('two'), note('other')] })
    await nextQuestion(6)
    expect(questions()).toEqual(['advise 1', 'propose 1', 'advise 2', 'propose 2', 'advise 3', 'advise 3'])
  })

  it('tells what failed, keeps what it had, and asks anew when told to', async () => {
    const { result } = setUp([note('one')])
    await nextQuestion(1)
    await act(async () => asked[0].fail(new Error('the worker is gone')))
    expect(result.current).toMatchObject({ thinking: null, problem: 'the worker is gone' })
    await act(async () => result.current.retry())
    expect(result.current).toMatchObject({ thinking: 'suspects', problem: null })
    await nextQuestion(2)
    await act(async () => asked[1].answer({ readings: 1 }))
    expect(result.current).toMatchObject({ advice: { readings: 1 }, problem: null })
  })
})
