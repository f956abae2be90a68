'use client'
import { useState } from 'react'
import type { BenchChange } from '@/src/core/bench/bench'
import { sayConductor } from '@/src/core/bench/say'
import { problemWithExchange, problemWithSwap, swapAt } from '@/src/core/bench/swaps'
import { type Point, parsePoint } from '@/src/core/wiring/point'
import { type Cable, cableById, placeById } from '@/src/core/wiring/system'
import { Button } from '@/src/ui/controls/button'
import { Tick } from '@/src/ui/controls/tick'
import { useHands, useJob, useMoment } from '@/src/ui/desk/desk-context'

/** Does the fault follow the conductor, or stay with what hangs on it? Another conductor takes its place, and tells: a spare, or one in use. */
export function ChangePlaces({ end, onDone }: { end: Point; onDone: () => void }) {
  const { system } = useJob()
  const { state } = useMoment()
  const { record } = useHands()
  const cable = cableById(system, parsePoint(end).cable)
  if (!cable) return null
  const made = swapAt(state.bench.swaps, end)
  const change = (drafts: BenchChange) => {
    if (record([{ kind: 'bench', change: drafts }]) === null) onDone()
  }
  if (made?.kept) return null
  if (made)
    return (
      <Button
        className="mt-2 w-full"
        onClick={() => change({ do: 'unswap', cable: cable.id, from: made.from, ...(made.exchange && { to: made.to }) })}
      >
        {made.exchange
          ? `put ${sayConductor(cable, made.from)} and ${sayConductor(cable, made.to)} back on their own screws`
          : `swap ${sayConductor(cable, made.from)} back`}
      </Button>
    )
  return (
    <>
      <SwapToSpare cable={cable} from={parsePoint(end).name} onChange={change} />
      <Exchange cable={cable} from={parsePoint(end).name} place={parsePoint(end).place} onChange={change} />
    </>
  )
}

interface OfOneProps {
  readonly cable: Cable
  readonly from: string
  readonly onChange: (change: BenchChange) => void
}

function SwapToSpare({ cable, from, onChange }: OfOneProps) {
  const { system } = useJob()
  const { state } = useMoment()
  const spares = cable.conductors.filter(({ id }) => problemWithSwap(system, state.bench.swaps, { cable: cable.id, from, to: id }) === null)
  if (spares.length === 0) return null
  return (
    <details className="mt-2">
      <summary className="min-h-11 content-center">try a spare in its place, both ends</summary>
      <div className="flex flex-wrap gap-2">
        {spares.map(({ id }) => (
          <Button key={id} onClick={() => onChange({ do: 'swap', cable: cable.id, from, to: id })}>
            {sayConductor(cable, id)}
          </Button>
        ))}
      </div>
    </details>
  )
}

/** Two wires in use on each other's screws: a test that goes back. */
function Exchange({ cable, from, place, onChange }: OfOneProps & { readonly place: string }) {
  const { system } = useJob()
  const { state } = useMoment()
  const [isHereOnly, setHereOnly] = useState(false)
  const at = isHereOnly ? { at: place } : {}
  const others = cable.conductors.filter(
    ({ id }) => problemWithExchange(system, state.bench, { cable: cable.id, from, to: id, ...at }) === null,
  )
  if (others.length === 0 && !isHereOnly) return null
  return (
    <details className="mt-2">
      <summary className="min-h-11 content-center">exchange it with another wire, as a test</summary>
      <Tick checked={isHereOnly} onChange={setHereOnly}>
        at the {placeById(system, place)?.name ?? place} only: a call then comes out on the other terminal
      </Tick>
      {others.length === 0 && <p className="text-ember text-small">It carries the supply: exchange it at both ends.</p>}
      <div className="mt-2 flex flex-wrap gap-2">
        {others.map(({ id }) => (
          <Button key={id} onClick={() => onChange({ do: 'exchange', cable: cable.id, from, to: id, ...at })}>
            {sayConductor(cable, id)}
          </Button>
        ))}
      </div>
    </details>
  )
}
