'use client'
import { memo } from 'react'
import type { Bench, Swap } from '@/src/core/bench/bench'
import { sayOnSpare } from '@/src/core/bench/say'
import { swapAt, wiredNow } from '@/src/core/bench/swaps'
import { sayPercent } from '@/src/core/units/quantity'
import { conductorEnd, parsePoint } from '@/src/core/wiring/point'
import { placeById, type System } from '@/src/core/wiring/system'
import type { Advice } from '@/src/workers/diagnosis.worker'

/** What the loom shows, as a table for a screen reader: every conductor with its ends, what is lifted, hot or suspected. */
export const LoomTable = memo(function LoomTable({
  system,
  bench,
  advice,
}: {
  system: System
  bench: Bench
  advice: Pick<Advice, 'hot' | 'suspicion'> | null
}) {
  const hot = new Set(advice?.hot)
  const suspicion = new Map(advice?.suspicion.map(({ point, probability }) => [point, probability]))
  return (
    <table className="sr-only">
      <caption>The loom, conductor by conductor</caption>
      <thead>
        <tr>
          {['cable', 'conductor', 'color', 'ends', 'now', 'suspicion'].map((name) => (
            <th key={name} scope="col">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {wiredNow(system, bench.swaps).cables.flatMap((cable) =>
          cable.conductors.map(({ id, colour, lands }) => {
            const ends = cable.between.map((place) => conductorEnd(cable.id, id, place))
            const lifted = ends.filter((end) => bench.lifted.includes(end))
            const isHot = ends.some((end) => hot.has(end))
            const suspected = Math.max(...ends.map((end) => suspicion.get(end) ?? 0))
            return (
              <tr key={`${cable.id} ${id}`}>
                <td>{cable.name}</td>
                <th scope="row">{id}</th>
                <td>{colour}</td>
                <td>
                  {lands
                    .map((terminal, side) => `${terminal ?? 'not landed'} at the ${placeById(system, cable.between[side])?.name}`)
                    .join(', ')}
                </td>
                <td>
                  {[
                    lifted.length === 2
                      ? 'both ends lifted'
                      : lifted.length === 1
                        ? `lifted at the ${placeById(system, parsePoint(lifted[0]).place)?.name}`
                        : '',
                    isHot ? 'hot' : '',
                    sayStandIn(swapAt(bench.swaps, ends[0]), id),
                  ]
                    .filter(Boolean)
                    .join(', ') || 'as it should be'}
                </td>
                <td>{suspected > 0.01 ? sayPercent(suspected) : 'none'}</td>
              </tr>
            )
          }),
        )}
      </tbody>
    </table>
  )
})

const sayStandIn = (swap: Swap | undefined, id: string): string => (swap === undefined ? '' : sayOnSpare(swap, id))
