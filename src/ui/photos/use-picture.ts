'use client'
import { useEffect, useState } from 'react'
import { api } from '@/src/ui/device/api-client'
import { keepPhoto, photoOnDevice } from '@/src/ui/device/photo-box'

/** The bytes of a photo, from this device or the store; null where neither has it. What came from the store stays on the device. */
export async function findPhoto(digest: string): Promise<ArrayBuffer | null> {
  const kept = await photoOnDevice(digest)
  if (kept) return kept
  const bytes = await api.readPhoto(digest)
  if (bytes) await keepPhoto(digest, bytes, true)
  return bytes
}

/** An address at which a photo can be shown; null while it is looked for, `missing` where it is nowhere at hand. */
export function usePicture(digest: string): string | 'missing' | null {
  const [address, setAddress] = useState<string | 'missing' | null>(null)
  useEffect(() => {
    let made: string | null = null
    let isGone = false
    findPhoto(digest)
      .then((bytes) => {
        if (isGone) return
        made = bytes && URL.createObjectURL(new Blob([bytes], { type: 'image/jpeg' }))
        setAddress(made ?? 'missing')
      })
      .catch(() => setAddress('missing'))
    return () => {
      isGone = true
      if (made) URL.revokeObjectURL(made)
    }
  }, [digest])
  return address
}
