import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { renderHook, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import type { Entry } from '@/src/core/job/entry'
import { useWorkerAnswer } from '@/src/ui/engine/use-worker-answer'

const mockLoads = jest.fn(async (volts: number) => [{ volts }])
jest.mock('@/src/ui/engine/engine-client', () => ({ diagnosisWorker: async () => ({ loads: (volts: number) => mockLoads(volts) }) }))

const note = (id: string): Entry => ({ id, at: '2026-05-04T09:10:00Z', kind: 'note', text: id })
const job = { id: 'j1' }

function setUp() {
  mockLoads.mockClear()
  const client = new QueryClient()
  const wrapper = ({ children }: { children: ReactNode }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>
  const ask = (entries: readonly Entry[]) =>
    renderHook((now: readonly Entry[]) => useWorkerAnswer({ job, entries: now }, 'loads', (worker) => (worker as any).loads(now.length)), {
      wrapper,
      initialProps: entries,
    })
  return { ask }
}

describe('an answer of the worker', () => {
  it('is kept: whoever comes back to the screen has it at once, and the worker is asked once', async () => {
    const { ask } = setUp()
    const first = ask([note('a')])
    await waitFor(() => expect(first.result.current.answer).toEqual([{ volts: 1 }]))
    first.unmount()
    expect(ask([note('a')]).result.current.answer).toEqual([{ volts: 1 }])
    expect(mockLoads).toHaveBeenCalledTimes(1)
  })

  it('is not shown for another timeline, as long as it may be', async () => {
    const { ask } = setUp()
    const { result, rerender } = ask([note('a')])
    await waitFor(() => expect(result.current.answer).not.toBeNull())
    rerender([note('b')])
    expect(result.current.answer).toBeNull()
    await waitFor(() => expect(result.current.answer).toEqual([{ volts: 1 }]))
    expect(mockLoads).toHaveBeenCalledTimes(2)
  })

  it('comes without a signal, and tells what went wrong', async () => {
    const online = jest.spyOn(navigator, 'onLine', 'get').mockReturnValue(false)
    const { ask } = setUp()
    mockLoads.mockRejectedValueOnce(new Error('This system cannot be solved.'))
    const { result } = ask([note('c')])
    await waitFor(() => expect(result.current).toEqual({ answer: null, problem: 'This system cannot be solved.' }))
    online.mockRestore()
  })
})
