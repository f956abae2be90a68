import type { Entry } from '@/src/core/job/entry'

/** What goes on between this device and the server, told to every page of it that is open. */
export type DeviceEvent =
  | { readonly kind: 'sent'; readonly jobId: string; readonly entries: readonly Entry[] }
  | { readonly kind: 'refused'; readonly jobId: string; readonly entry: Entry; readonly why: string }
  | { readonly kind: 'problem'; readonly problem: string | null }
  /** How much room the device has left for what is entered; null when there is enough. */
  | { readonly kind: 'room'; readonly say: string | null }
  /** An archive came into the store. */
  | { readonly kind: 'restored' }
  /** Something new waits to be sent. */
  | { readonly kind: 'kept' }

type Listener = (event: DeviceEvent) => void
const listeners = new Set<Listener>()
const CHANNEL = 'nest-trace device'
let channel: BroadcastChannel | null = null

function openChannel(): BroadcastChannel | null {
  if (channel || typeof BroadcastChannel === 'undefined') return channel
  channel = new BroadcastChannel(CHANNEL)
  channel.onmessage = ({ data }) => {
    for (const listener of listeners) listener(data as DeviceEvent)
  }
  return channel
}

/** Tells this page and the others. */
export function tellDevice(event: DeviceEvent): void {
  for (const listener of [...listeners]) listener(event)
  openChannel()?.postMessage(event)
}

export function listenToDevice(listener: Listener): () => void {
  openChannel()
  listeners.add(listener)
  return () => listeners.delete(listener)
}
