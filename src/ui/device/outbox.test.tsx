import 'fake-indexeddb/auto'
import { IDBFactory } from 'fake-indexeddb'
import type { Entry } from '@/src/core/job/entry'

type Outbox = typeof import('@/src/ui/device/outbox')

/** A page as the browser loads it: with nothing in its memory, and whatever was kept on the device. */
async function load(): Promise<Outbox> {
  jest.resetModules()
  return import('@/src/ui/device/outbox')
}

const note = (id: string): Entry => ({ id, at: '2026-05-04T09:10:00Z', kind: 'note', text: id })

beforeEach(() => {
  localStorage.clear()
  globalThis.indexedDB = new IDBFactory()
})

describe('what is entered', () => {
  it('is there after a page that was left before the database had answered', async () => {
    jest.doMock('@/src/ui/device/device-store', () => ({ deviceStore: () => new Promise(() => undefined) }))
    const left = await load()
    void left.keepOnDevice('job-1', [note('first'), note('second')])
    jest.dontMock('@/src/ui/device/device-store')

    const next = await load()
    expect((await next.waitingFor('job-1')).map(({ entry }) => entry.id)).toEqual(['first', 'second'])
    expect(await next.waitingByJob()).toEqual(new Map([['job-1', 2]]))
    expect(Object.keys(localStorage)).toEqual([])
  })

  it('waits in the database alone once that has it', async () => {
    const page = await load()
    await page.keepOnDevice('job-1', [note('first')])
    expect(Object.keys(localStorage)).toEqual([])
    expect((await page.waitingFor('job-1')).map(({ entry }) => entry.id)).toEqual(['first'])
  })
})
