import type { ReactNode } from 'react'
import type { Step } from '@/src/ui/desk/steps'

export interface ScreenProps {
  readonly onStep: (step: Step) => void
}

/** A step's screen: one main thing in the middle, one thing to do at the right; on a phone the thing to do may come first. */
export function Screen({ main, side, sideFirst = false, title }: { main: ReactNode; side: ReactNode; sideFirst?: boolean; title: string }) {
  return (
    <main className="contents print:block short:overflow-visible max-desk:row-start-2 max-desk:flex max-desk:min-h-0 max-desk:relative max-desk:flex-col max-desk:overflow-y-auto">
      <h1 className="sr-only">{title}</h1>
      <div
        className={`relative min-w-0 p-3 print:overflow-visible desk:col-start-2 desk:row-start-2 desk:min-h-0 desk:overflow-y-auto ${sideFirst ? 'max-desk:order-2' : ''}`}
      >
        {main}
      </div>
      <aside
        aria-label="what to do"
        className={`relative min-w-0 p-3 print:overflow-visible print:border-0 desk:col-start-3 desk:row-span-2 desk:row-start-2 desk:min-h-0 desk:overflow-y-auto desk:border-line desk:border-l-2 ${sideFirst ? 'max-desk:order-1' : ''}`}
      >
        {side}
      </aside>
    </main>
  )
}
