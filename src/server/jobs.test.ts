import type { Entry } from '@/src/core/job/entry'
import { createDemoJob } from '@/src/core/practice/demo'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { openStoreAt, type Store } from '@/src/server/store'
import { findSystem, insertSystem, listSystems } from '@/src/server/systems'

let store: Store
beforeAll(async () => {
  store = await openStoreAt(null)
}, 60_000)
afterAll(() => store.close())

const all = async () => (await store.jobs.list({ words: '', show: 'all', after: null, limit: 50 })).jobs
const note = (id: string, text = 'wasps'): Entry => ({ id, at: '2026-05-04T09:10:00Z', kind: 'note', text })
const job = (id: string) => ({ ...createDemoJob(id, new Date('2026-05-04T09:10:00Z')), entries: [] })

describe('a fresh store', () => {
  it('holds the demo job, half way through the trace', async () => {
    const [demo] = await all()
    expect(demo).toMatchObject({ id: 'demo', title: '14 Alder Court', trips: 1, closedAt: null })
    expect(demo.owed).toBeGreaterThan(0)
  })
})

describe('entries', () => {
  it('are appended in order and read back as they were', async () => {
    await store.jobs.insert(job('a'))
    expect(await store.jobs.append('a', [note('1'), note('2')])).toEqual({ ok: true, added: 2 })
    expect(await store.jobs.append('a', [note('3')])).toEqual({ ok: true, added: 1 })
    expect((await store.jobs.read('a'))?.entries).toEqual([note('1'), note('2'), note('3')])
  })

  it('sent again change nothing, also when eight arrive at once', async () => {
    await store.jobs.insert(job('b'))
    const results = await Promise.all(Array.from({ length: 8 }, () => store.jobs.append('b', [note('1'), note('2')])))
    expect(results.reduce((sum, result) => sum + (result.ok ? result.added : 0), 0)).toBe(2)
    expect((await store.jobs.read('b'))?.entries).toHaveLength(2)
  })

  it('with the id of another are refused, and nothing of the batch is taken', async () => {
    await store.jobs.insert(job('c'))
    await store.jobs.append('c', [note('1')])
    expect(await store.jobs.append('c', [note('2'), note('1', 'something else')])).toEqual({ ok: false, why: 'clash', clash: '1' })
    expect((await store.jobs.read('c'))?.entries).toEqual([note('1')])
  })

  it('of one job may have the ids of another job', async () => {
    await store.jobs.insert(job('d'))
    expect(await store.jobs.append('d', [note('1', 'mine')])).toEqual({ ok: true, added: 1 })
  })
})

describe('jobs', () => {
  it('opened twice are one job', async () => {
    expect(await store.jobs.insert(job('e'))).toMatchObject({ isNew: true })
    expect(await store.jobs.insert(job('e'))).toMatchObject({ isNew: false })
    expect((await store.jobs.read('e'))?.job.id).toBe('e')
    expect(await store.jobs.read('nobody')).toBeNull()
  })

  it('keep the system that they were begun with, when its template changes later', async () => {
    const longer = { ...furnaceAc, cables: furnaceAc.cables.map((cable) => ({ ...cable, lengthM: 40 })) }
    await store.jobs.insert({ ...job('f'), system: longer })
    await store.jobs.insert(job('g'))
    expect((await store.jobs.read('f'))?.system.cables[0].lengthM).toBe(40)
    expect((await store.jobs.read('g'))?.system.cables[0].lengthM).toBe(15)
  })
})

describe('systems', () => {
  it('of a house of its own stand beside those that ship', async () => {
    const own = { ...furnaceAc, id: 'mill-row', name: 'Mill Row, back flat' }
    await insertSystem(store, own)
    await insertSystem(store, own)
    expect((await listSystems(store)).filter(({ id }) => id === 'mill-row')).toEqual([own])
    expect(await findSystem(store, 'mill-row')).toEqual(own)
    expect(await findSystem(store, 'furnace-ac')).toEqual(furnaceAc)
    expect(await findSystem(store, 'nowhere')).toBeUndefined()
  })
})
