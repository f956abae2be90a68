import { Square, SquareCheckBig } from 'lucide-react'
import { Checkbox } from 'radix-ui'
import type { ReactNode } from 'react'

/** A thing that is so or not, as wide as a thumb needs. */
export function Tick({ checked, onChange, children }: { checked: boolean; onChange: (checked: boolean) => void; children: ReactNode }) {
  return (
    <Checkbox.Root
      checked={checked}
      onCheckedChange={(now) => onChange(now === true)}
      className={`flex min-h-12 items-center gap-2 rounded border-2 bg-panel px-3 text-left ${checked ? 'border-next bg-raised font-bold' : 'border-line'}`}
    >
      {checked ? (
        <SquareCheckBig aria-hidden className="size-5 shrink-0 text-next" />
      ) : (
        <Square aria-hidden className="size-5 shrink-0 text-muted" />
      )}
      {children}
    </Checkbox.Root>
  )
}
