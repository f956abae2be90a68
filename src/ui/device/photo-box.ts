import { type DevicePhoto, deviceStore } from '@/src/ui/device/device-store'

/** Photos on this device: those that the store has not yet stay until it has them, the others while there is room for them. */

/** Photos of the store that are kept for a day without a signal: assumption, some 60 MB. */
const MOST_KEPT = 200

/** @param isSent the store has it already */
export async function keepPhoto(digest: string, bytes: ArrayBuffer, isSent: boolean): Promise<void> {
  const store = await deviceStore()
  if ((await store.count('photos', digest)) === 0)
    await store.put('photos', { digest, bytes, keptAt: Date.now(), ...(!isSent && { waits: 1 as const }) })
  if (isSent) await dropOldest()
}

export const photoOnDevice = async (digest: string): Promise<ArrayBuffer | null> =>
  (await (await deviceStore()).get('photos', digest))?.bytes ?? null

/** What waits to be sent, the oldest first. */
export async function waitingPhotos(): Promise<DevicePhoto[]> {
  const photos = await (await deviceStore()).getAllFromIndex('photos', 'waits', 1)
  return photos.filter(({ refused }) => refused === undefined).sort((a, b) => a.keptAt - b.keptAt)
}

export async function notePhotoSent(digest: string): Promise<void> {
  const store = await deviceStore()
  const photo = await store.get('photos', digest)
  if (photo) {
    const { waits: _, ...kept } = photo
    await store.put('photos', kept)
  }
  await dropOldest()
}

/** Keeps a photo that the store will not have, with why: nothing waits behind it. */
export async function setPhotoAside(digest: string, refused: string): Promise<void> {
  const store = await deviceStore()
  const photo = await store.get('photos', digest)
  if (photo) await store.put('photos', { ...photo, refused })
}

/** Lets go of the oldest that the store has, where there are too many. */
async function dropOldest(): Promise<void> {
  const store = await deviceStore()
  const waiting = new Set(await store.getAllKeysFromIndex('photos', 'waits'))
  const sent = (await store.getAllKeysFromIndex('photos', 'keptAt')).filter((digest) => !waiting.has(digest))
  for (const digest of sent.slice(0, Math.max(0, sent.length - MOST_KEPT))) await store.delete('photos', digest)
}
