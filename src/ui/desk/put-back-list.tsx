'use client'
import { placeById } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { useDesk } from '@/src/ui/desk/desk-context'

/** What the bench owes; each line is paid with one tap, when it is done by hand. */
export function PutBackList() {
  const { system, state, record } = useDesk()
  if (state.owed.length === 0) return <p className="text-hold">✓ Nothing to put back.</p>
  return (
    <ul aria-label="to put back">
      {state.owed.map((owed) => (
        <li key={`${owed.what} ${owed.say}`} className="flex items-center gap-3 border-line border-b-2 py-1.5">
          <Button look="owed" onClick={() => record([{ kind: 'bench', change: owed.putBack }])} aria-label={`put back: ${owed.say}`}>
            Put back
          </Button>
          <span className="flex-1">
            {owed.say}
            <span className="block text-muted text-small">{placeById(system, owed.place)?.name}</span>
          </span>
          <span className="text-ember">owed</span>
        </li>
      ))}
    </ul>
  )
}
