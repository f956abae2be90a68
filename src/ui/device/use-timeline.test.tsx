import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { act, renderHook, waitFor } from '@testing-library/react'
import type { ReactNode } from 'react'
import type { Entry } from '@/src/core/job/entry'
import type { JobFile } from '@/src/core/job/job-file'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { api, NoAnswer, Refused } from '@/src/ui/device/api-client'
import { useTimeline } from '@/src/ui/device/use-timeline'

/** The device's shelf, in memory: what the browser's database does is its own affair. */
const shelf: Entry[] = []
let isFull = false
jest.mock('@/src/ui/device/outbox', () => ({
  keepOnDevice: async (_: string, entries: Entry[]) => {
    if (isFull) throw new Error('the disk is full')
    shelf.push(...entries)
  },
  waitingFor: async () => [...shelf],
  acknowledge: async (_: string, entries: Entry[]) => {
    for (const entry of entries) shelf.splice(shelf.indexOf(entry), 1)
  },
}))

const note = (id: string): Entry => ({ id, at: '2026-05-04T09:10:00Z', kind: 'note', text: id })
const job = (entries: Entry[]): JobFile => ({
  format: 'nest-trace/job',
  version: 1,
  job: { id: 'a', title: 'Mill Row 22', createdAt: '2026-05-04T09:00:00Z' },
  system: furnaceAc,
  entries,
})

function setUp(initial: JobFile) {
  const client = new QueryClient()
  const wrapper = ({ children }: { children: ReactNode }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>
  return renderHook(() => useTimeline(initial), { wrapper })
}

beforeEach(() => {
  shelf.splice(0)
  isFull = false
})
afterEach(() => jest.restoreAllMocks())

describe('useTimeline', () => {
  it('shows an entry at once, keeps it on the device, and lets it go when the server has it', async () => {
    const send = jest.spyOn(api, 'sendEntries').mockResolvedValue({ added: 1 })
    const { result } = setUp(job([note('first')]))
    await act(() => result.current.add([note('second')]))
    await waitFor(() => expect(result.current.unsent).toBe(0))
    expect(result.current.entries.map(({ id }) => id)).toEqual(['first', 'second'])
    expect(send).toHaveBeenCalledWith('a', [note('second')])
    expect(shelf).toEqual([])
  })

  it('is the same list when an entry has only gone from the device to the server', async () => {
    let arrive = (_: { added: number }) => {}
    jest.spyOn(api, 'sendEntries').mockReturnValue(new Promise((resolve) => (arrive = resolve)))
    const { result } = setUp(job([note('first')]))
    await act(() => result.current.add([note('second')]))
    const waiting = result.current.entries
    expect(result.current.unsent).toBe(1)
    await waitFor(() => {
      arrive({ added: 1 })
      expect(result.current.unsent).toBe(0)
    })
    expect(result.current.entries).toBe(waiting)
  })

  it('keeps what could not be sent, says so, and sends it when the signal is back', async () => {
    const send = jest.spyOn(api, 'sendEntries').mockRejectedValue(new NoAnswer('The server does not answer.'))
    const { result } = setUp(job([]))
    await act(() => result.current.add([note('kept')]))
    await waitFor(() => expect(result.current.problem).toBe('The server does not answer.'))
    expect(result.current.unsent).toBe(1)
    expect(shelf).toEqual([note('kept')])
    send.mockResolvedValue({ added: 1 })
    act(() => void window.dispatchEvent(new Event('online')))
    await waitFor(() => expect(result.current.unsent).toBe(0))
    expect(result.current.problem).toBeNull()
    expect(result.current.entries).toEqual([note('kept')])
  })

  it('takes up what an earlier visit left on the device, once only', async () => {
    shelf.push(note('first'), note('left behind'))
    jest.spyOn(api, 'sendEntries').mockResolvedValue({ added: 1 })
    const { result } = setUp(job([note('first')]))
    await waitFor(() => expect(result.current.entries.map(({ id }) => id)).toEqual(['first', 'left behind']))
  })

  it('goes straight to the server when the device keeps nothing, and says so when that fails as well', async () => {
    isFull = true
    const send = jest.spyOn(api, 'sendEntries').mockResolvedValue({ added: 1 })
    const { result } = setUp(job([]))
    await act(() => result.current.add([note('direct')]))
    expect(send).toHaveBeenCalledWith('a', [note('direct')])
    expect(result.current.unsent).toBe(0)
    expect(result.current.entries).toEqual([note('direct')])
    send.mockRejectedValue(new NoAnswer('The server does not answer.'))
    await act(async () => {
      await expect(result.current.add([note('lost')])).rejects.toThrow('The server does not answer.')
    })
  })

  it('tells what the server refused and keeps it', async () => {
    jest.spyOn(api, 'sendEntries').mockRejectedValue(new Refused({ code: 'clash', say: 'Another entry has this id.' }, 409))
    const { result } = setUp(job([]))
    await act(() => result.current.add([note('x')]))
    await waitFor(() => expect(result.current.problem).toBe('The server refused: Another entry has this id.'))
    expect(shelf).toHaveLength(1)
  })
})
