'use client'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import { isLetterOfStrip, type Lettering, letteredPlaces, withLetter } from '@/src/core/wiring/alter-wiring'
import type { PlaceId } from '@/src/core/wiring/ids'
import type { System } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { api } from '@/src/ui/device/api-client'

/** Letters that strips bear, whatever they mean there. */
const LETTERS = ['R', 'C', 'Y', 'Y1', 'Y2', 'G', 'W', 'W1', 'W2', 'O', 'B', 'E', 'L', 'D', 'X']

/** What lands on a screw of the kind, in the words of its cables. */
const landsOn = (system: System, place: PlaceId, terminal: string): string =>
  system.cables
    .flatMap(({ name, between, conductors }) =>
      conductors.flatMap(({ id, lands }) => (lands[between.indexOf(place)] === terminal ? [`${id} of the ${name}`] : [])),
    )
    .join(', ')

/** Strips whose letters mean something else here: the screw as the kind has it, then the letter that it bears. */
export function LettersDiffer({
  systemId,
  letters,
  onChange,
}: {
  systemId: string
  letters: readonly Lettering[]
  onChange: (letters: readonly Lettering[]) => void
}) {
  const [isOpen, setOpen] = useState(false)
  const [screw, setScrew] = useState<{ place: PlaceId; terminal: string } | null>(null)
  const [typed, setTyped] = useState('')
  const { data: kind, error } = useQuery({
    queryKey: ['system', systemId],
    queryFn: () => api.readSystem(systemId),
    enabled: (isOpen || letters.length > 0) && systemId !== '',
    staleTime: 600_000,
  })
  const lettered = kind && letters.reduce(withLetter, kind)
  const bear = (to: string) => {
    if (!screw) return
    onChange([...letters, { place: screw.place, from: screw.terminal, to }])
    setScrew(null)
    setTyped('')
  }
  return (
    <details onToggle={({ currentTarget }) => setOpen(currentTarget.open)}>
      <summary className="min-h-11 content-center">
        letters on a strip differ{letters.length > 0 && `: ${letters.map(({ from, to }) => `${from} is marked ${to}`).join(', ')}`}
      </summary>
      {!lettered ? (
        <p className="text-muted">{error ? error.message : 'reading the strips …'}</p>
      ) : (
        <div className="flex flex-col gap-3 pb-2">
          {letteredPlaces(lettered).map(({ id, name, terminals }) => (
            <fieldset key={id} className="flex flex-wrap items-center gap-2">
              <legend className="text-muted text-small">{name}: tap the screw</legend>
              {terminals.map((terminal) => (
                <Button
                  key={terminal}
                  aria-pressed={screw?.place === id && screw.terminal === terminal}
                  aria-label={`${terminal} at the ${name}, ${landsOn(lettered, id, terminal) || 'nothing landed'}`}
                  onClick={() => setScrew({ place: id, terminal })}
                  className={screw?.place === id && screw.terminal === terminal ? '!border-next font-bold' : ''}
                >
                  {terminal}
                </Button>
              ))}
            </fieldset>
          ))}
          {screw && (
            <fieldset className="flex flex-wrap items-center gap-2">
              <legend className="font-bold">
                The screw of {landsOn(lettered, screw.place, screw.terminal) || screw.terminal} is marked
              </legend>
              {LETTERS.filter((letter) => letter !== screw.terminal).map((letter) => (
                <Button key={letter} aria-label={`marked ${letter}`} onClick={() => bear(letter)}>
                  {letter}
                </Button>
              ))}
              <input
                value={typed}
                onChange={({ target }) => setTyped(target.value.trim())}
                aria-label="another letter"
                placeholder="other"
                className="min-h-11 w-20 rounded border-2 border-line bg-panel px-2"
              />
              <Button disabled={!isLetterOfStrip(typed)} onClick={() => bear(typed)}>
                use it
              </Button>
            </fieldset>
          )}
          {letters.length > 0 && (
            <Button look="quiet" onClick={() => onChange(letters.slice(0, -1))}>
              undo the last letter
            </Button>
          )}
        </div>
      )}
    </details>
  )
}
