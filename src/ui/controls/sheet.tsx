'use client'
import { X } from 'lucide-react'
import { Dialog } from 'radix-ui'
import type { ReactNode } from 'react'

/** Marks what scrolls in a sheet. */
export const SCROLLER = 'data-scroller'

/** A panel over the desk: from below on a phone, from the right on a wide screen. */
export function Sheet({
  open,
  onOpenChange,
  title,
  description,
  wide = false,
  children,
}: {
  open: boolean
  onOpenChange: (open: boolean) => void
  title: string
  description?: string
  /** Nearly the whole of a wide screen, for a picture beside its questions. */
  wide?: boolean
  children: ReactNode
}) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-10 bg-ground/70" />
        <Dialog.Content
          className={`landed fixed inset-x-0 bottom-0 z-20 flex max-h-[88dvh] flex-col border-line border-t-2 bg-raised desk:inset-y-0 desk:right-0 desk:left-auto desk:max-h-none ${wide ? 'desk:w-[76rem] desk:max-w-[96vw]' : 'desk:w-[27rem]'} desk:border-t-0 desk:border-l-2`}
          {...(description ? {} : { 'aria-describedby': undefined })}
        >
          <div className="flex items-center justify-between gap-3 border-line border-b-2 py-1 pr-1 pl-4">
            <Dialog.Title className="font-bold text-large">{title}</Dialog.Title>
            <Dialog.Close className="grid size-11 place-items-center" aria-label="close">
              <X aria-hidden />
            </Dialog.Close>
          </div>
          {description && <Dialog.Description className="px-4 pt-2 text-muted">{description}</Dialog.Description>}
          <div {...{ [SCROLLER]: true }} className="relative overflow-y-auto p-4">
            {children}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
