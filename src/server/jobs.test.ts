import type { Entry } from '@/src/core/job/entry'
import { createDemoJob } from '@/src/core/practice/demo'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { addEntries, hasJob, insertJob, listJobs, readJob } from '@/src/server/jobs'
import { type Database, openStoreAt } from '@/src/server/store'
import { findSystem, insertSystem, listSystems } from '@/src/server/systems'

let store: { database: Database; close: () => Promise<void> }
beforeAll(async () => {
  store = await openStoreAt(null)
}, 60_000)
afterAll(() => store.close())

const note = (id: string, text = 'wasps'): Entry => ({ id, at: '2026-05-04T09:10:00Z', kind: 'note', text })
const job = (id: string) => ({ ...createDemoJob(id, new Date('2026-05-04T09:10:00Z')), entries: [] })

describe('a fresh store', () => {
  it('holds the demo job, half way through the trace', async () => {
    const [demo] = await listJobs(store.database)
    expect(demo).toMatchObject({ id: 'demo', title: '14 Alder Court', trips: 1, closedAt: null })
    expect(demo.owed).toBeGreaterThan(0)
  })
})

describe('entries', () => {
  it('are appended in order and read back as they were', async () => {
    await insertJob(store.database, job('a'))
    expect(await addEntries(store.database, 'a', [note('1'), note('2')])).toEqual({ ok: true, added: 2 })
    expect(await addEntries(store.database, 'a', [note('3')])).toEqual({ ok: true, added: 1 })
    expect((await readJob(store.database, 'a'))?.entries).toEqual([note('1'), note('2'), note('3')])
  })

  it('sent again change nothing, also when eight arrive at once', async () => {
    await insertJob(store.database, job('b'))
    const results = await Promise.all(Array.from({ length: 8 }, () => addEntries(store.database, 'b', [note('1'), note('2')])))
    expect(results.reduce((sum, result) => sum + (result.ok ? result.added : 0), 0)).toBe(2)
    expect((await readJob(store.database, 'b'))?.entries).toHaveLength(2)
  })

  it('with the id of another are refused, and nothing of the batch is taken', async () => {
    await insertJob(store.database, job('c'))
    await addEntries(store.database, 'c', [note('1')])
    expect(await addEntries(store.database, 'c', [note('2'), note('1', 'something else')])).toEqual({ ok: false, clash: '1' })
    expect((await readJob(store.database, 'c'))?.entries).toEqual([note('1')])
  })

  it('of one job may bear the ids of another job', async () => {
    await insertJob(store.database, job('d'))
    expect(await addEntries(store.database, 'd', [note('1', 'mine')])).toEqual({ ok: true, added: 1 })
  })
})

describe('jobs', () => {
  it('opened twice are one job', async () => {
    expect(await insertJob(store.database, job('e'))).toMatchObject({ isNew: true })
    expect(await insertJob(store.database, job('e'))).toMatchObject({ isNew: false })
    expect(await hasJob(store.database, 'e')).toBe(true)
    expect(await readJob(store.database, 'nobody')).toBeNull()
  })

  it('keep the system that they were begun with, when its template changes later', async () => {
    const longer = { ...furnaceAc, cables: furnaceAc.cables.map((cable) => ({ ...cable, lengthM: 40 })) }
    await insertJob(store.database, { ...job('f'), system: longer })
    await insertJob(store.database, job('g'))
    expect((await readJob(store.database, 'f'))?.system.cables[0].lengthM).toBe(40)
    expect((await readJob(store.database, 'g'))?.system.cables[0].lengthM).toBe(15)
  })
})

describe('systems', () => {
  it('of a house of its own stand beside those that ship', async () => {
    const own = { ...furnaceAc, id: 'mill-row', name: 'Mill Row, back flat' }
    await insertSystem(store.database, own)
    await insertSystem(store.database, own)
    expect((await listSystems(store.database)).filter(({ id }) => id === 'mill-row')).toEqual([own])
    expect(await findSystem(store.database, 'mill-row')).toEqual(own)
    expect(await findSystem(store.database, 'furnace-ac')).toEqual(furnaceAc)
    expect(await findSystem(store.database, 'nowhere')).toBeUndefined()
  })
})
