import type { Jumper } from '@/src/core/bench/bench'
import { sayOhms } from '@/src/core/units/quantity'
import type { Point } from '@/src/core/wiring/point'
import type { Tap } from '@/src/ui/loom/taps'

const FIRST_COLUMN = 140

/** Clip leads and resistors that are in: a dashed ember line between the two points, with the word or the value. */
export function Jumpers({ jumpers, taps }: { jumpers: readonly Jumper[]; taps: readonly Tap[] }) {
  return jumpers.map(({ a, b, ohm }) => {
    const [from, to] = [taps.find(({ point }) => point === a), taps.find(({ point }) => point === b)]
    if (!from || !to) return null
    const isTall = Math.abs(to.y - from.y) > Math.abs(to.x - from.x)
    // Out of the way of the cable: to the right in the first column, else to the left.
    const bulge = from.x < FIRST_COLUMN ? 46 : -46
    const middle = isTall
      ? { x: (from.x + to.x) / 2 + bulge, y: (from.y + to.y) / 2 }
      : { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 - 46 }
    return (
      <g key={`${a} ${b}`}>
        <path
          d={`M${from.x} ${from.y}Q${2 * middle.x - (from.x + to.x) / 2} ${2 * middle.y - (from.y + to.y) / 2} ${to.x} ${to.y}`}
          fill="none"
          stroke="var(--ember)"
          strokeWidth="4"
          strokeDasharray="9 5"
        />
        <text
          x={middle.x + (isTall ? Math.sign(bulge) * 6 : 0)}
          y={middle.y + (isTall ? 5 : -8)}
          textAnchor={isTall ? (bulge > 0 ? 'start' : 'end') : 'middle'}
          fontSize="13"
          fontWeight="700"
          fill="var(--ember)"
        >
          {ohm === undefined ? 'jumper' : sayOhms(ohm)}
        </text>
      </g>
    )
  })
}

/** The two test leads, from below to where they were put. */
export function ProbeLeads({ probes, taps, height }: { probes: readonly Point[]; taps: readonly Tap[]; height: number }) {
  return probes.map((probe, index) => {
    const tap = taps.find((candidate) => candidate.point === probe || candidate.with === probe)
    if (!tap) return null
    const lean = index === 0 ? 18 : -18
    return (
      <g key={probe} className="landed">
        <path
          d={`M${tap.x + lean} ${tap.y + 46}C${tap.x + lean * 2} ${(tap.y + height) / 2} ${tap.x + lean} ${height - 40} ${tap.x + lean * 2} ${height}`}
          fill="none"
          stroke="var(--hold)"
          strokeWidth="3"
        />
        <path d={`M${tap.x} ${tap.y + 4}L${tap.x + lean - 7} ${tap.y + 44}L${tap.x + lean + 7} ${tap.y + 46}Z`} fill="var(--hold)" />
        <circle cx={tap.x} cy={tap.y} r="7" fill="none" stroke="var(--hold)" strokeWidth="3" />
      </g>
    )
  })
}
