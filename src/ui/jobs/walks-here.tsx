'use client'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { placeById, type System, walkBetween } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { api } from '@/src/ui/device/api-client'

/** Minutes of a walk that are told by a tap: next door, across a house, up a ladder, around a block. */
const MINUTES = [0.5, 1, 2, 3, 5, 8, 12]

/** How long the walks of this house are, where they are not those of the kind: what a check costs hangs on them. */
export function WalksHere({
  systemId,
  walks,
  onChange,
}: {
  systemId: string
  walks: System['walks']
  onChange: (walks: System['walks']) => void
}) {
  const [isOpen, setOpen] = useState(false)
  const { data: kind, error } = useQuery({
    queryKey: ['system', systemId],
    queryFn: () => api.readSystem(systemId),
    enabled: (isOpen || walks.length > 0) && systemId !== '',
    staleTime: 600_000,
  })
  return (
    <details onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary className="min-h-11 content-center">
        walking times here{walks.length > 0 && `: ${walks.map(({ minutes }) => minutes).join(', ')}`}
      </summary>
      {!kind ? (
        <p className="text-muted">{error ? error.message : 'reading the walks …'}</p>
      ) : (
        kind.walks.map(({ between, minutes: usual }) => {
          const [from, to] = between.map((place) => placeById(kind, place)?.name ?? place)
          const minutes = walkBetween(walks, ...between)?.minutes ?? usual
          return (
            <fieldset key={between.join(' ')} className="mb-2 flex flex-wrap items-center gap-2">
              <legend className="text-muted text-small">
                {from} to {to}: {minutes} min
              </legend>
              {MINUTES.map((choice) => (
                <Button
                  key={choice}
                  aria-label={`${from} to ${to}: ${choice} minutes`}
                  aria-pressed={minutes === choice}
                  onClick={() =>
                    onChange([...walks.filter((walk) => walk !== walkBetween(walks, ...between)), { between, minutes: choice }])
                  }
                  className={minutes === choice ? '!border-next font-bold' : ''}
                >
                  {choice}
                </Button>
              ))}
            </fieldset>
          )
        })
      )}
    </details>
  )
}
