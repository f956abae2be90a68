import { type DBSchema, type IDBPDatabase, openDB } from 'idb'
import type { Entry } from '@/src/core/job/entry'

/** Entries kept on this device until the server has acknowledged them. */
interface Shelf extends DBSchema {
  waiting: { key: [string, string]; value: { jobId: string; entry: Entry; order: number } }
}

let opened: Promise<IDBPDatabase<Shelf>> | null = null

function shelf(): Promise<IDBPDatabase<Shelf>> {
  opened ??= openDB<Shelf>('nest-trace', 1, {
    upgrade: (database) => {
      database.createObjectStore('waiting', { keyPath: ['jobId', 'entry.id'] })
    },
  })
  return opened
}

export async function keepOnDevice(jobId: string, entries: readonly Entry[]): Promise<void> {
  const transaction = (await shelf()).transaction('waiting', 'readwrite')
  const start = performance.timeOrigin + performance.now()
  await Promise.all(entries.map((entry, index) => transaction.store.put({ jobId, entry, order: start + index / 1000 })))
  await transaction.done
}

/** What waits for a job, in the order in which it was entered. */
export async function waitingFor(jobId: string): Promise<Entry[]> {
  const rows = await (await shelf()).getAll('waiting', IDBKeyRange.bound([jobId], [jobId, []]))
  return rows.sort((a, b) => a.order - b.order).map(({ entry }) => entry)
}

export async function acknowledge(jobId: string, entries: readonly Entry[]): Promise<void> {
  const transaction = (await shelf()).transaction('waiting', 'readwrite')
  await Promise.all(entries.map(({ id }) => transaction.store.delete([jobId, id])))
  await transaction.done
}
