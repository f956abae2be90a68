import { Square, SquareCheckBig } from 'lucide-react'
import type { ReactNode } from 'react'

/** A thing that is so or not, as wide as a thumb needs: the browser's own checkbox lies over the whole of it, unseen. */
export function Tick({ checked, onChange, children }: { checked: boolean; onChange: (checked: boolean) => void; children: ReactNode }) {
  return (
    <label
      className={`relative flex min-h-12 items-center gap-2 rounded border-2 bg-panel px-3 text-left has-focus-visible:outline-3 has-focus-visible:outline-next has-focus-visible:outline-offset-2 ${checked ? 'border-next bg-raised font-bold' : 'border-line'}`}
    >
      <input
        type="checkbox"
        checked={checked}
        onChange={({ target }) => onChange(target.checked)}
        className="absolute inset-0 size-full cursor-pointer opacity-0"
      />
      {checked ? (
        <SquareCheckBig aria-hidden className="size-5 shrink-0 text-next" />
      ) : (
        <Square aria-hidden className="size-5 shrink-0 text-muted" />
      )}
      {children}
    </label>
  )
}
