'use client'
import { isResettable } from '@/src/core/bench/apply'
import type { BenchChange } from '@/src/core/bench/bench'
import { slotOf } from '@/src/core/bench/bench'
import { sayFurther } from '@/src/core/bench/say'
import { furtherFuses, placeById } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'
import { FoundButtons } from '@/src/ui/power/found-buttons'

/** Fuses and breakers beyond the transformer's first: how each was found, and what is in its place now. */
export function FurtherFuses() {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  return furtherFuses(system).map(({ id, name, place, ratingA, holds }) => {
    const slot = slotOf(system, state.bench, id)
    const put = (change: BenchChange) => record([{ kind: 'bench', change }])
    return (
      <section key={id} aria-label={name} className="mt-3">
        <h2 className="font-bold text-muted text-small">
          {name}, {placeById(system, place)?.name}
        </h2>
        <p className="py-1">
          Rated {ratingA} A. Now: {sayFurther(system, { ...slot, part: id })}.
        </p>
        <div className="flex flex-wrap gap-2">
          {holds !== 'none' && <FoundButtons at={id} isBreaker={holds === 'breaker'} />}
          {isResettable(system, state.bench, id) && slot.open && <Button onClick={() => put({ do: 'reset', part: id })}>reset it</Button>}
          {holds !== 'breaker' && slot.holds !== 'breaker' && (
            <Button onClick={() => put({ do: 'slot', holds: 'breaker', part: id })}>put a breaker in</Button>
          )}
          {holds !== 'breaker' && (slot.open || slot.holds === 'breaker') && (
            <Button onClick={() => put({ do: 'slot', holds: 'fuse', ratingA, part: id })}>put a {ratingA} A fuse in</Button>
          )}
        </div>
      </section>
    )
  })
}
