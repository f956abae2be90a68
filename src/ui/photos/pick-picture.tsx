'use client'
import { type ReactNode, useId } from 'react'

/** A button that opens the camera of a phone, or asks for a picture where there is none. */
export function PickPicture({ isQuiet = false, disabled = false, onPick, children }: PickPictureProps) {
  const field = useId()
  return (
    <label
      htmlFor={field}
      className={`relative inline-flex min-h-11 cursor-pointer items-center gap-2 has-[:focus-visible]:outline-2 ${isQuiet ? 'px-1 text-muted text-small underline underline-offset-4' : 'rounded border-2 border-line bg-panel px-3'}`}
    >
      {children}
      <input
        id={field}
        type="file"
        accept="image/*"
        capture="environment"
        disabled={disabled}
        // As large as its label: what a thumb and a screen reader find is one thing.
        className="-inset-0.5 absolute size-[calc(100%+4px)] cursor-pointer opacity-0"
        onChange={({ target }) => {
          const [file] = target.files ?? []
          target.value = ''
          if (file) onPick(file)
        }}
      />
    </label>
  )
}

interface PickPictureProps {
  readonly isQuiet?: boolean
  readonly disabled?: boolean
  readonly onPick: (file: File) => void
  readonly children: ReactNode
}
