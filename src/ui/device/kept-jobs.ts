import type { NewJob } from '@/src/core/formats/api'
import { type JobFile, jobFileOf } from '@/src/core/job/job-file'
import type { ZoneShares } from '@/src/core/job/job-summary'
import type { System } from '@/src/core/wiring/system'
import { deviceStore, type KeptJob } from '@/src/ui/device/device-store'

/** Jobs that this device has seen or begun: what it works on without a signal. */

/** Keeps a job as the server has it. One that the server does not know yet stays marked so. */
export async function keepJob(file: JobFile): Promise<void> {
  const transaction = (await deviceStore()).transaction('jobs', 'readwrite')
  const known = await transaction.store.get(file.job.id)
  await transaction.store.put({ ...known, id: file.job.id, file, seenAt: Date.now() })
  await transaction.done
}

/** Keeps a job that was begun here, to be opened on the server when it answers. */
export async function beginJobOnDevice(opening: NewJob, system: System): Promise<void> {
  const { id, title, createdAt, entries } = opening
  const file: JobFile = jobFileOf({ job: { id, title, createdAt }, system, entries })
  await (await deviceStore()).put('jobs', { id, file, seenAt: Date.now(), opening })
}

export const readKeptJob = async (id: string): Promise<KeptJob | undefined> => (await deviceStore()).get('jobs', id)

/** All jobs of this device, the newest first. */
export const listKeptJobs = async (): Promise<KeptJob[]> =>
  (await (await deviceStore()).getAll('jobs')).sort((a, b) => b.file.job.createdAt.localeCompare(a.file.job.createdAt))

/** Keeps how suspect a job's zones are for the list without a signal. */
export async function keepSharesOnDevice(id: string, shares: ZoneShares['shares']): Promise<void> {
  const transaction = (await deviceStore()).transaction('jobs', 'readwrite')
  const known = await transaction.store.get(id)
  if (known) await transaction.store.put({ ...known, shares })
  await transaction.done
}

/** The server knows the job now. */
export async function noteOpened(id: string): Promise<void> {
  const store = await deviceStore()
  const known = await store.get('jobs', id)
  if (!known) return
  const { opening: _, refused: __, ...opened } = known
  await store.put('jobs', opened)
}

export async function noteNotOpened(id: string, refused: string): Promise<void> {
  const store = await deviceStore()
  const known = await store.get('jobs', id)
  if (known) await store.put('jobs', { ...known, refused })
}
