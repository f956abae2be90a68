import { tellDevice } from '@/src/ui/device/device-events'

/** Told from here on: a browser throws away or refuses well before the last byte (assumption). */
const NEARLY_FULL = 0.9
/** Room that a day's work takes many times over, bytes: with less than this left it is told, too. */
const LITTLE = 20_000_000

/** Tells when this device has hardly any room left for what is entered, before anything is lost. */
export async function lookAtRoom(storage: Pick<StorageManager, 'estimate'> | undefined): Promise<void> {
  const { usage = 0, quota = 0 } = (await storage?.estimate()) ?? {}
  if (quota === 0) return
  const isNearlyFull = usage / quota > NEARLY_FULL || quota - usage < LITTLE
  tellDevice({
    kind: 'room',
    say: isNearlyFull
      ? 'This device is nearly full. Make room on it, or get to where there is a signal, before much more is entered.'
      : null,
  })
}
