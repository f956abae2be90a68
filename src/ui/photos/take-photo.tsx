'use client'
import { Camera } from 'lucide-react'
import { type ReactNode, useId, useState } from 'react'
import { useHands, useMoment } from '@/src/ui/desk/desk-context'
import { keepPhoto } from '@/src/ui/device/photo-box'
import { sendWaiting } from '@/src/ui/device/sender'
import { digestOf, shrinkPicture } from '@/src/ui/photos/shrink-picture'

interface Taking {
  readonly of: string
  /** Where it is taken; where one stands if left out. */
  readonly place?: string
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
  const field = useId()
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
      <label
        htmlFor={field}
        className={`inline-flex min-h-11 cursor-pointer items-center gap-2 has-[:focus-visible]:outline-2 ${isQuiet ? 'px-1 text-muted text-small underline underline-offset-4' : 'rounded border-2 border-line bg-panel px-3'}`}
      >
        {!isQuiet && <Camera aria-hidden size={18} />}
        {isTaking ? 'keeping …' : children}
        <input
          id={field}
          type="file"
          accept="image/*"
          capture="environment"
          disabled={isTaking}
          className="sr-only"
          onChange={(event) => {
            const [file] = event.target.files ?? []
            event.target.value = ''
            if (file) void take(file)
          }}
        />
      </label>
      {problem && (
        <span role="alert" className="block text-ember text-small">
          {problem}
        </span>
      )}
    </span>
  )
}
