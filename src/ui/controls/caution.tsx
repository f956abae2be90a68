import { TriangleAlert } from 'lucide-react'
import type { ReactNode } from 'react'

/** Said where the hand is about to go. */
export function Caution({ children }: { children: ReactNode }) {
  return (
    <p className="flex gap-2 border-ember border-l-4 bg-panel py-2 pr-2 pl-3 text-base">
      <TriangleAlert aria-hidden className="mt-0.5 size-5 shrink-0 text-ember" />
      <span>
        <span className="sr-only">Caution: </span>
        {children}
      </span>
    </p>
  )
}
