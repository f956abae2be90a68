import type { Loom } from '@/src/core/formats/loom/shapes'
import { sayPercent } from '@/src/core/units/quantity'
import type { PlaceId } from '@/src/core/wiring/ids'
import type { Advice } from '@/src/workers/diagnosis.worker'

const SAID_FROM = 0.03

/** A narrow column's name on two lines; about seven units a letter. */
const linesOf = (name: string, width: number): string[] =>
  name.length * 7.2 > width && name.includes(' ') ? name.split(/ (?=[^ ]*$)/) : [name]

/** Columns with their names; slanted hatching as strong as the suspicion on the zone, and the figure under its name. */
export function LoomZones({ loom, zones, place }: { loom: Loom; zones: Advice['zones']; place: PlaceId }) {
  return loom.zones.map(({ id, name, kind, x, width, y, height }) => {
    const probability = zones.find((zone) => zone.id === id)?.probability ?? 0
    const isSuspect = probability >= SAID_FROM
    return (
      <g key={id}>
        <rect
          x={x + 1}
          y={y + 1}
          width={width - 2}
          height={height - 2}
          fill={kind === 'place' ? 'var(--panel)' : 'none'}
          stroke={kind === 'place' ? 'var(--line)' : 'none'}
          strokeWidth="2"
        />
        {isSuspect && (
          <rect x={x + 2} y={y + 58} width={width - 4} height={height - 60} fill="url(#suspicion)" opacity={0.06 + 0.3 * probability} />
        )}
        {linesOf(name, width).map((line, index, lines) => (
          <text
            key={line}
            x={x + width / 2}
            y={y + (lines.length === 1 ? 22 : 13 + 14 * index)}
            textAnchor="middle"
            fontSize="14"
            fontWeight="700"
            fill="var(--ink)"
          >
            {line}
          </text>
        ))}
        <rect x={x + 8} y={y + 30} width={width - 16} height="4" fill="var(--track)" />
        <rect x={x + 8} y={y + 30} width={(width - 16) * probability} height="4" fill="var(--ember)" />
        <text x={x + width / 2} y={y + 51} textAnchor="middle" fontSize="15" fontWeight="700" fill="var(--ember)">
          {isSuspect ? sayPercent(probability) : ''}
        </text>
        {id === place && (
          <text x={x + 10} y={y + 51} fontSize="13" fontWeight="700" fill="var(--hold)">
            you
          </text>
        )}
      </g>
    )
  })
}
