'use client'
import { useEffect } from 'react'
import '@/src/ui/device/style-nonce'
import { listenToDevice } from '@/src/ui/device/device-events'
import { lookAtRoom } from '@/src/ui/device/device-room'
import { sendWaiting } from '@/src/ui/device/sender'

const RETRY_MS = 5000

/** On every page: what waits on this device goes out, the app is kept for when there is no signal, and the browser is asked not to throw it away. */
export function DeviceKeeper() {
  useEffect(() => {
    const send = () => void sendWaiting()
    const timer = setInterval(send, RETRY_MS)
    window.addEventListener('online', send)
    let isAsked = false
    const unlisten = listenToDevice((event) => {
      if (event.kind !== 'kept') return
      lookAtRoom(navigator.storage).catch(() => undefined)
      if (isAsked) return
      isAsked = true
      // Asked when there is something to lose; a browser that says no keeps it as long as it can.
      void navigator.storage?.persist?.().catch(() => false)
    })
    send()
    if (process.env.NODE_ENV === 'production') void navigator.serviceWorker?.register('/sw.js', { scope: '/' }).catch(() => undefined)
    return () => {
      clearInterval(timer)
      window.removeEventListener('online', send)
      unlisten()
    }
  }, [])
  return null
}
