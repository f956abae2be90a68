'use client'
import type { BenchChange } from '@/src/core/bench/bench'
import type { Owed } from '@/src/core/bench/owed'
import { placeById } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'

/** What the bench owes; each line is paid with one tap, when it is done by hand. */
export function PutBackList() {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  if (state.owed.length === 0) return <p className="text-hold">✓ Nothing to put back.</p>
  return (
    <ul aria-label="to put back">
      {state.owed.map((owed) => (
        <li key={`${owed.what} ${owed.say}`} className="flex items-center gap-3 border-line border-b-2 py-1.5">
          <span className="flex shrink-0 flex-col gap-1">
            {waysBack(owed).map(({ say, change }) => (
              <Button
                key={say}
                look="owed"
                onClick={() => record([{ kind: 'bench', change }])}
                aria-label={`${say.charAt(0).toLowerCase()}${say.slice(1)}: ${owed.say}`}
              >
                {say}
              </Button>
            ))}
          </span>
          <span className="flex-1">
            {owed.say}
            <span className="block text-muted text-small">{placeById(system, owed.place)?.name}</span>
          </span>
          <span className="text-ember">to do</span>
        </li>
      ))}
    </ul>
  )
}

/** One way to put it back, or one for each size that may stand on the label. */
const waysBack = ({ putBack, sizes }: Owed): { say: string; change: BenchChange }[] =>
  sizes?.map(({ ratingA, putBack: change }) => ({ say: `Put ${ratingA} A in`, change })) ?? [{ say: 'Put back', change: putBack }]
