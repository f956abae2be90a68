import { type DevicePhoto, deviceStore } from '@/src/ui/device/device-store'

/** Photos on this device: those that the store has not yet stay until it has them, the others while there is room for them. */

/** Photos of the store that are kept for a day without a signal: assumption, some 60 MB. */
const MOST_SENT = 200

export async function keepPhoto(digest: string, bytes: ArrayBuffer, isSent: boolean): Promise<void> {
  const store = await deviceStore()
  if (!(await store.get('photos', digest))) await store.put('photos', { digest, bytes, keptAt: Date.now(), isSent })
  if (isSent) await dropOldest()
}

export const photoOnDevice = async (digest: string): Promise<ArrayBuffer | null> =>
  (await (await deviceStore()).get('photos', digest))?.bytes ?? null

/** What waits to be sent, the oldest first. */
export async function waitingPhotos(): Promise<DevicePhoto[]> {
  const photos = await (await deviceStore()).getAll('photos')
  return photos.filter(({ isSent, refused }) => !isSent && refused === undefined).sort((a, b) => a.keptAt - b.keptAt)
}

export async function notePhotoSent(digest: string): Promise<void> {
  const store = await deviceStore()
  const photo = await store.get('photos', digest)
  if (photo) await store.put('photos', { ...photo, isSent: true })
  await dropOldest()
}

/** Keeps a photo that the store will not have, with why: nothing waits behind it. */
export async function setPhotoAside(digest: string, refused: string): Promise<void> {
  const store = await deviceStore()
  const photo = await store.get('photos', digest)
  if (photo) await store.put('photos', { ...photo, refused })
}

async function dropOldest(): Promise<void> {
  const store = await deviceStore()
  const sent = (await store.getAll('photos')).filter(({ isSent }) => isSent).sort((a, b) => b.keptAt - a.keptAt)
  for (const { digest } of sent.slice(MOST_SENT)) await store.delete('photos', digest)
}
