import type { Entry } from '@/src/core/job/entry'
import { deviceStore, type WaitingEntry } from '@/src/ui/device/device-store'

/** Entries kept on this device until the server has acknowledged them. */

export async function keepOnDevice(jobId: string, entries: readonly Entry[]): Promise<void> {
  const start = performance.timeOrigin + performance.now()
  const rows = entries.map((entry, index) => ({ jobId, entry, order: start + index / 1000 }))
  const noted = noteAtOnce(rows)
  await put(rows)
  for (const key of noted) localStorage.removeItem(key)
}

async function put(rows: readonly WaitingEntry[]): Promise<void> {
  const transaction = (await deviceStore()).transaction('waiting', 'readwrite')
  await Promise.all(rows.map((row) => transaction.store.put(row)))
  await transaction.done
}

/** A page that is left in the moment between the tap and the database's answer takes its open transaction with it: this does not wait. */
const NOTED = 'nest-trace noted '

function noteAtOnce(rows: readonly WaitingEntry[]): string[] {
  const keys: string[] = []
  try {
    for (const row of rows) {
      const key = `${NOTED}${row.jobId} ${row.entry.id}`
      localStorage.setItem(key, JSON.stringify(row))
      keys.push(key)
    }
  } catch {
    // No room for it, or none allowed: the database alone.
  }
  return keys
}

let takenUp: Promise<void> | null = null

/** What an earlier page noted and had no time to keep, once for each page. It may have been kept and even sent: the same entry twice is one. */
function takeUpNoted(): Promise<void> {
  takenUp ??= keepNoted().catch((error) => {
    takenUp = null
    throw error
  })
  return takenUp
}

async function keepNoted(): Promise<void> {
  const keys = Object.keys(globalThis.localStorage ?? {}).filter((key) => key.startsWith(NOTED))
  if (keys.length === 0) return
  // Another page may have taken one up in between.
  await put(
    keys.flatMap((key): WaitingEntry[] => {
      const noted = localStorage.getItem(key)
      return noted === null ? [] : [JSON.parse(noted)]
    }),
  )
  for (const key of keys) localStorage.removeItem(key)
}

/** What waits for a job, or was refused, in the order in which it was entered. */
export async function waitingFor(jobId: string): Promise<WaitingEntry[]> {
  await takeUpNoted()
  const rows = await (await deviceStore()).getAll('waiting', IDBKeyRange.bound([jobId], [jobId, []]))
  return rows.sort((a, b) => a.order - b.order)
}

/** How many entries wait for each job; those that were refused wait no more. */
export async function waitingByJob(): Promise<Map<string, number>> {
  await takeUpNoted()
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
