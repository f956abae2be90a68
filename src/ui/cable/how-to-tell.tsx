'use client'
import { type FormEvent, useId, useState } from 'react'
import { resistorsOf, wayOf } from '@/src/core/cable/conductors-of-job'
import { MARK_OHMS } from '@/src/core/cable/marks'
import { sayValues, valuesIn } from '@/src/core/cable/resistor-values'
import { sayPriceOfWay } from '@/src/core/cable/way-prices'
import { cableWays, type FarEndReach, farEndReaches } from '@/src/core/job/run-schema'
import { sayCableWay } from '@/src/core/job/say-draft'
import type { Cable } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { useHands, useMoment } from '@/src/ui/desk/desk-context'

const reachWords: Record<FarEndReach, string> = {
  walk: 'I walk there',
  helper: 'a helper is there',
  none: 'cannot reach it',
}

/** How the conductors of a cable are told apart: how its other end is reached, by which habit, with what in the bag. */
export function HowToTell({ cable, reach, isIdentity }: { cable: Cable; reach: FarEndReach; isIdentity: boolean }) {
  return (
    <>
      <Reach cable={cable} chosen={reach} />
      {reach !== 'none' && !isIdentity && <Ways cable={cable} />}
      {reach !== 'none' && <Resistors cable={cable} />}
    </>
  )
}

function Reach({ cable, chosen }: { cable: Cable; chosen: FarEndReach }) {
  const { record } = useHands()
  return (
    <Choice
      legend="The other end"
      name={`reach ${cable.id}`}
      options={farEndReaches.map((reach) => ({ value: reach, label: reachWords[reach] }))}
      chosen={chosen}
      onChoose={(reach) => record([{ kind: 'run', cable: cable.id, fact: { what: 'far-end', reach } }])}
    />
  )
}

/** The habit by which they are told apart, each with its price. */
function Ways({ cable }: { cable: Cable }) {
  const { state } = useMoment()
  const { record } = useHands()
  return (
    <Choice
      legend="How, with what a sound cable takes"
      name={`way ${cable.id}`}
      options={cableWays.map((way) => ({ value: way, label: sayCableWay[way], note: sayPriceOfWay(way, cable.conductors.length) }))}
      chosen={wayOf(state, cable.id)}
      onChoose={(way) => record([{ kind: 'run', cable: cable.id, fact: { what: 'way', way } }])}
    />
  )
}

interface ChoiceProps<T extends string> {
  readonly legend: string
  readonly name: string
  readonly options: readonly { readonly value: T; readonly label: string; readonly note?: string }[]
  readonly chosen: T
  readonly onChoose: (value: T) => void
}

/** One of several, all in sight. */
function Choice<T extends string>({ legend, name, options, chosen, onChoose }: ChoiceProps<T>) {
  return (
    <fieldset className="my-2 flex flex-wrap gap-x-4">
      <legend className="text-muted text-small">{legend}</legend>
      {options.map(({ value, label, note }) => (
        <label key={value} className="flex min-h-11 items-center gap-2">
          <input type="radio" name={name} className="size-5" checked={chosen === value} onChange={() => onChoose(value)} />
          <span>
            {label} {note && <span className="text-muted text-small">{note}</span>}
          </span>
        </label>
      ))}
    </fieldset>
  )
}

/** Resistors of known values: which of them are at hand. */
function Resistors({ cable }: { cable: Cable }) {
  const { state } = useMoment()
  const { record } = useHands()
  const id = useId()
  const told = resistorsOf(state, cable.id)
  const [typed, setTyped] = useState(() => sayValues(told.length > 0 ? told : MARK_OHMS))
  const [problem, setProblem] = useState<string | null>(null)
  const tell = (ohms: readonly number[]) => record([{ kind: 'run', cable: cable.id, fact: { what: 'resistors', ohms: [...ohms] } }])
  const use = (event: FormEvent) => {
    event.preventDefault()
    const ohms = valuesIn(typed)
    if (ohms === null) return setProblem('Type their values with a space between: 2.2k 4.7k 10k. From 1k to 1M, each another one.')
    setProblem(null)
    tell(ohms)
  }
  return (
    <form onSubmit={use} className="my-2 flex flex-wrap items-end gap-2">
      <label className="flex flex-col gap-1 text-small">
        resistors of known values at hand, ohms
        <input
          value={typed}
          onChange={({ target }) => setTyped(target.value)}
          aria-invalid={problem !== null}
          aria-describedby={problem === null ? undefined : id}
          className="min-h-11 w-72 max-w-full rounded border-2 border-line bg-panel px-2"
        />
      </label>
      <Button type="submit">{told.length > 0 ? 'Change' : 'Use them: one walk is enough'}</Button>
      {told.length > 0 && <Button onClick={() => tell([])}>Without</Button>}
      {problem !== null && (
        <p id={id} role="alert" className="w-full text-ember text-small">
          {problem}
        </p>
      )}
    </form>
  )
}
