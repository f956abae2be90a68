'use client'
import { usePicture } from '@/src/ui/photos/use-picture'

/** A photo, small; where its bytes are not at hand, that is said. */
export function Picture({ digest, of, className = '' }: { digest: string; of: string; className?: string }) {
  const address = usePicture(digest)
  if (address === null) return <span className={`block bg-panel ${className}`} aria-hidden />
  if (address === 'missing')
    return <span className={`grid place-items-center bg-panel p-2 text-muted text-small ${className}`}>not on this device: no signal</span>
  // biome-ignore lint/performance/noImgElement: the bytes are on the device, there is nothing to fetch or to resize
  return <img src={address} alt={of} className={`object-cover ${className}`} />
}
