import 'fake-indexeddb/auto'
import { act, renderHook, waitFor } from '@testing-library/react'
import { IDBFactory } from 'fake-indexeddb'
import type { Entry } from '@/src/core/job/entry'
import type { JobFile } from '@/src/core/job/job-file'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { api, NoAnswer, Refused } from '@/src/ui/device/api-client'
import { keepOnDevice, setAside, waitingFor } from '@/src/ui/device/outbox'
import { sendWaiting } from '@/src/ui/device/sender'
import { useTimeline } from '@/src/ui/device/use-timeline'

let mockIsFull = false
jest.mock('@/src/ui/device/outbox', () => {
  const actual = jest.requireActual('@/src/ui/device/outbox')
  const keep = (...args: unknown[]) => (mockIsFull ? Promise.reject(new Error('the disk is full')) : actual.keepOnDevice(...args))
  return { ...actual, keepOnDevice: keep }
})

const note = (id: string): Entry => ({ id, at: '2026-05-04T09:10:00Z', kind: 'note', text: id })
let number = 0
const job = (entries: Entry[]): JobFile => ({
  format: 'nest-trace/job',
  version: 1,
  job: { id: `job-${++number}`, title: 'Mill Row 22', createdAt: '2026-05-04T09:00:00Z' },
  system: furnaceAc,
  entries,
})
const ids = (entries: readonly Entry[]) => entries.map(({ id }) => id)
const away = new NoAnswer('The server does not answer.')

/** The server of a job, as far as a device meets it. */
function serverOf(file: JobFile) {
  const entries = [...file.entries]
  const send = jest.spyOn(api, 'sendEntries').mockImplementation(async (_, sent) => {
    const fresh = sent.filter(({ id }) => !entries.some((entry) => entry.id === id))
    entries.push(...fresh)
    return { added: fresh.length }
  })
  jest.spyOn(api, 'readEntries').mockImplementation(async (_, from) => JSON.parse(JSON.stringify(entries.slice(from))))
  return { entries, send }
}

beforeEach(() => {
  globalThis.indexedDB ??= new IDBFactory()
})
afterEach(() => {
  jest.restoreAllMocks()
  mockIsFull = false
})

describe('useTimeline', () => {
  it('shows an entry at once, keeps it on the device, and lets it go when the server has it', async () => {
    const file = job([note('first')])
    const { send } = serverOf(file)
    const { result } = renderHook(() => useTimeline(file))
    await act(() => result.current.add([note('second')]))
    await waitFor(() => expect(result.current.unsent).toBe(0))
    expect(ids(result.current.entries)).toEqual(['first', 'second'])
    expect(send).toHaveBeenCalledTimes(1)
    await waitFor(async () => expect(await waitingFor(file.job.id)).toEqual([]))
  })

  it('is the same list when an entry has only gone from the device to the server', async () => {
    const file = job([note('first')])
    const { send } = serverOf(file)
    const { result } = renderHook(() => useTimeline(file))
    let arrive = () => {}
    send.mockImplementationOnce(() => new Promise((resolve) => (arrive = () => resolve({ added: 1 }))))
    await act(() => result.current.add([note('second')]))
    await waitFor(() => expect(send).toHaveBeenCalled())
    const waiting = result.current.entries
    expect(result.current.unsent).toBe(1)
    await act(async () => arrive())
    await waitFor(() => expect(result.current.unsent).toBe(0))
    expect(result.current.entries).toBe(waiting)
  })

  it('keeps what could not be sent, says so, and sends it when the signal is back', async () => {
    const file = job([])
    const { send } = serverOf(file)
    const taken = send.getMockImplementation()
    send.mockRejectedValue(away)
    const { result } = renderHook(() => useTimeline(file))
    await act(() => result.current.add([note('kept')]))
    await waitFor(() => expect(result.current.problem).toBe('The server does not answer.'))
    expect(result.current.unsent).toBe(1)
    if (taken) send.mockImplementation(taken)
    await act(() => sendWaiting())
    await waitFor(() => expect(result.current.unsent).toBe(0))
    expect(result.current.problem).toBeNull()
    expect(ids(result.current.entries)).toEqual(['kept'])
  })

  it('takes up what an earlier visit left on the device, once only', async () => {
    const file = job([note('first')])
    serverOf(file)
    await keepOnDevice(file.job.id, [note('first'), note('left behind')])
    const { result } = renderHook(() => useTimeline(file))
    await waitFor(() => expect(ids(result.current.entries)).toEqual(['first', 'left behind']))
  })

  it('goes straight to the server when the device keeps nothing, and says so when that fails as well', async () => {
    const file = job([])
    const { send } = serverOf(file)
    const { result } = renderHook(() => useTimeline(file))
    mockIsFull = true
    await act(() => result.current.add([note('direct')]))
    expect(send).toHaveBeenCalledWith(file.job.id, [note('direct')])
    expect(result.current.unsent).toBe(0)
    expect(ids(result.current.entries)).toEqual(['direct'])
    send.mockRejectedValue(away)
    await act(async () => {
      await expect(result.current.add([note('lost')])).rejects.toThrow('The server does not answer.')
    })
  })

  it('sets one entry aside that the server refuses, sends all others past it, and keeps it in what is shown', async () => {
    const file = job([])
    const { send, entries } = serverOf(file)
    const taken = send.getMockImplementation()
    send.mockImplementation(async (id, sent) => {
      if (sent.some((entry) => entry.id === 'odd')) throw new Refused({ code: 'no-fit', say: 'This is not right.' }, 422)
      return taken?.(id, sent) ?? { added: 0 }
    })
    const { result } = renderHook(() => useTimeline(file))
    const many = Array.from({ length: 550 }, (_, index) => note(index === 260 ? 'odd' : `e${index}`))
    await act(() => result.current.add(many))
    await waitFor(() => expect(result.current.unsent).toBe(0), { timeout: 5000 })
    expect(result.current.refused).toEqual([{ id: 'odd', why: 'This is not right.' }])
    expect(entries).toHaveLength(549)
    expect(result.current.entries).toHaveLength(550)
    expect(Math.max(...send.mock.calls.map(([, sent]) => sent.length))).toBeLessThanOrEqual(200)
    const calls = send.mock.calls.length
    await act(() => sendWaiting())
    expect(send.mock.calls).toHaveLength(calls)
  })

  it('shows what was set aside at an earlier visit', async () => {
    const file = job([])
    serverOf(file)
    await keepOnDevice(file.job.id, [note('odd')])
    await setAside(file.job.id, note('odd'), 'This is not right.')
    const { result } = renderHook(() => useTimeline(file))
    await waitFor(() => expect(result.current.refused).toEqual([{ id: 'odd', why: 'This is not right.' }]))
    expect(ids(result.current.entries)).toEqual(['odd'])
  })
})
