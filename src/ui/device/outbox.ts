import type { Entry } from '@/src/core/job/entry'
import { deviceStore, type WaitingEntry } from '@/src/ui/device/device-store'

/** Entries kept on this device until the server has acknowledged them. */

export async function keepOnDevice(jobId: string, entries: readonly Entry[]): Promise<void> {
  const transaction = (await deviceStore()).transaction('waiting', 'readwrite')
  const start = performance.timeOrigin + performance.now()
  await Promise.all(entries.map((entry, index) => transaction.store.put({ jobId, entry, order: start + index / 1000 })))
  await transaction.done
}

/** What waits for a job, or was refused, in the order in which it was entered. */
export async function waitingFor(jobId: string): Promise<WaitingEntry[]> {
  const rows = await (await deviceStore()).getAll('waiting', IDBKeyRange.bound([jobId], [jobId, []]))
  return rows.sort((a, b) => a.order - b.order)
}

/** How many entries wait for each job; those that were refused wait no more. */
export async function waitingByJob(): Promise<Map<string, number>> {
  const counts = new Map<string, number>()
  for (const { jobId, refused } of await (await deviceStore()).getAll('waiting'))
    if (refused === undefined) counts.set(jobId, (counts.get(jobId) ?? 0) + 1)
  return counts
}

export async function acknowledge(jobId: string, entries: readonly Entry[]): Promise<void> {
  const transaction = (await deviceStore()).transaction('waiting', 'readwrite')
  await Promise.all(entries.map(({ id }) => transaction.store.delete([jobId, id])))
  await transaction.done
}

/** Keeps a refused entry on the device, with why: nothing waits behind it. */
export async function setAside(jobId: string, entry: Entry, refused: string): Promise<void> {
  const store = await deviceStore()
  const row = await store.get('waiting', [jobId, entry.id])
  if (row) await store.put('waiting', { ...row, refused })
}
