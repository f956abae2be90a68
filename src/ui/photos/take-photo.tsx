'use client'
import { Camera } from 'lucide-react'
import { type ReactNode, useState } from 'react'
import type { PlaceId } from '@/src/core/wiring/ids'
import { useHands, useMoment } from '@/src/ui/desk/desk-context'
import { keepPhoto } from '@/src/ui/device/photo-box'
import { sendWaiting } from '@/src/ui/device/sender'
import { PickPicture } from '@/src/ui/photos/pick-picture'
import { digestOf, shrinkPicture } from '@/src/ui/photos/shrink-picture'

interface Taking {
  readonly of: string
  /** Where it is taken; where one stands if left out. */
  readonly place?: PlaceId
  /** The entry that it shows. */
  readonly about?: string
  readonly isQuiet?: boolean
  readonly children: ReactNode
}

/** Takes a photo, or chooses one that was taken: made smaller here, without its place, on the device at once and in the store when it can. */
export function TakePhoto({ of, place, about, isQuiet = false, children }: Taking) {
  const { state } = useMoment()
  const { record } = useHands()
  const [isTaking, setIsTaking] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const take = async (file: File) => {
    setIsTaking(true)
    setProblem(null)
    try {
      const bytes = await shrinkPicture(file)
      const digest = await digestOf(bytes)
      await keepPhoto(digest, bytes, false)
      record([{ kind: 'photo', digest, of, place: place ?? state.bench.place, ...(about !== undefined && { about }), onPage: false }])
      void sendWaiting()
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error))
    } finally {
      setIsTaking(false)
    }
  }
  return (
    <span>
      <PickPicture isQuiet={isQuiet} disabled={isTaking} onPick={(file) => void take(file)}>
        {!isQuiet && <Camera aria-hidden size={18} />}
        {isTaking ? 'keeping …' : children}
      </PickPicture>
      {problem && (
        <span role="alert" className="block text-ember text-small">
          {problem}
        </span>
      )}
    </span>
  )
}
