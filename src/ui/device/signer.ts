import { useEffect, useState } from 'react'
import { keepable } from '@/src/core/units/keepable'

/** Who works with this device: entries are signed with it. Kept on the device, and only there until an entry is made. */

const SHELF = 'nest-trace signer'
const LONGEST = 60

export const readSigner = (): string | null => localStorage.getItem(SHELF)

export function useSigner(): { signer: string; sign: (name: string) => void } {
  const [signer, setSigner] = useState('')
  // The server that draws the page first knows no device.
  useEffect(() => setSigner(readSigner() ?? ''), [])
  const sign = (typed: string) => {
    const name = keepable(typed.slice(0, LONGEST))
    setSigner(name)
    if (name.trim() === '') localStorage.removeItem(SHELF)
    else localStorage.setItem(SHELF, name.trim())
  }
  return { signer, sign }
}
