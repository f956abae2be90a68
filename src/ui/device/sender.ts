import { MOST_ENTRIES_SENT } from '@/src/core/formats/entries-sent'
import type { Entry } from '@/src/core/job/entry'
import { api, NoAnswer, Refused } from '@/src/ui/device/api-client'
import { tellDevice } from '@/src/ui/device/device-events'
import { listKeptJobs, noteNotOpened, noteOpened } from '@/src/ui/device/kept-jobs'
import { acknowledge, setAside, waitingByJob, waitingFor } from '@/src/ui/device/outbox'
import { notePhotoSent, setPhotoAside, waitingPhotos } from '@/src/ui/device/photo-box'

/** One page of the device sends at a time: what waits goes out once, in the order in which it was entered. */
const LOCK = 'nest-trace sender'
let underWay: Promise<void> | null = null
let isAskedAgain = false

/** Sends everything that waits on this device, of whatever job. What is asked while it is under way is looked at once more after it. */
export function sendWaiting(): Promise<void> {
  if (underWay) {
    isAskedAgain = true
    return underWay
  }
  underWay = alone(sendAll).finally(() => {
    underWay = null
    if (!isAskedAgain) return
    isAskedAgain = false
    void sendWaiting()
  })
  return underWay
}

/** A browser without locks, and a test, have one page. */
const alone = (work: () => Promise<void>): Promise<void> => globalThis.navigator?.locks?.request(LOCK, work) ?? work()

async function sendAll(): Promise<void> {
  try {
    await openBegun()
    for (const jobId of (await waitingByJob()).keys()) await sendJob(jobId)
    tellDevice({ kind: 'problem', problem: await sendPhotos() })
  } catch (error) {
    tellDevice({ kind: 'problem', problem: (error as Error).message })
  }
}

/** Jobs that were begun without a signal. */
async function openBegun(): Promise<void> {
  for (const { id, opening, refused } of await listKeptJobs()) {
    if (!opening || refused !== undefined) continue
    try {
      await api.openJob(opening)
      await noteOpened(id)
      tellDevice({ kind: 'sent', jobId: id, entries: opening.entries })
    } catch (error) {
      if (!(error instanceof Refused) || error.status >= 500) throw error
      await noteNotOpened(id, error.message)
    }
  }
}

/** Photos go last: what is written down is worth more than its picture. Gives what is to be told of one that was refused. */
async function sendPhotos(): Promise<string | null> {
  let refusal: string | null = null
  for (const { digest, bytes } of await waitingPhotos()) {
    try {
      await api.sendPhoto(digest, bytes)
      await notePhotoSent(digest)
    } catch (error) {
      if (!(error instanceof Refused) || error.status >= 500) throw error
      await setPhotoAside(digest, error.message)
      refusal = `A photo stays on this device only: ${error.message}`
    }
  }
  return refusal
}

async function sendJob(jobId: string): Promise<void> {
  for (;;) {
    const waiting = (await waitingFor(jobId)).filter(({ refused }) => refused === undefined).map(({ entry }) => entry)
    if (waiting.length === 0) return
    await sendPiece(jobId, waiting.slice(0, MOST_ENTRIES_SENT))
  }
}

/** Sends entries together; where the server refuses, finds the one that it refuses and sets that aside. */
async function sendPiece(jobId: string, entries: readonly Entry[]): Promise<void> {
  try {
    await api.sendEntries(jobId, entries)
  } catch (error) {
    const isOfEntries = error instanceof Refused && (error.status === 409 || error.status === 422 || error.status === 413)
    if (!isOfEntries) throw error instanceof Refused ? new NoAnswer(`The server refused: ${error.message}`) : error
    const [first, ...others] = entries
    if (others.length > 0) {
      const half = Math.ceil(entries.length / 2)
      await sendPiece(jobId, entries.slice(0, half))
      await sendPiece(jobId, entries.slice(half))
      return
    }
    await setAside(jobId, first, error.message)
    tellDevice({ kind: 'refused', jobId, entry: first, why: error.message })
    return
  }
  await acknowledge(jobId, entries)
  tellDevice({ kind: 'sent', jobId, entries })
}
