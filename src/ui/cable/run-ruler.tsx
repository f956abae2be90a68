import type { RunReport } from '@/src/core/cable/of-job'
import { sayFinding, sayMetres } from '@/src/core/cable/say-where'
import { placeById, type System } from '@/src/core/wiring/system'

/** Wide enough for its letters on the desk, and on a phone. */
const WIDTHS = { desk: 640, phone: 330 }
const MARGIN = 26
const ROW = 34
const LETTER = 7.2

/** The run as a ruler: what it passes, and the stretch in which each finding sits. The words beside it say the same. */
export function RunRuler({ report, system }: { report: RunReport; system: System }) {
  return (
    <>
      <Ruler report={report} system={system} width={WIDTHS.desk} className="max-desk:hidden" />
      <Ruler report={report} system={system} width={WIDTHS.phone} className="desk:hidden" />
    </>
  )
}

function Ruler({ report, system, width: full, className }: { report: RunReport; system: System; width: number; className: string }) {
  const { cable, lengthM, landmarks, findings } = report
  const placed = findings.flatMap((finding) => (finding.distance ? [{ finding, distance: finding.distance }] : []))
  const most = Math.max(lengthM, ...landmarks.map(({ metres }) => metres), ...placed.map(({ distance }) => distance.middleM))
  const x = (metres: number) => MARGIN + (Math.min(most, Math.max(0, metres)) / most) * (full - 2 * MARGIN)
  const line = 22 + ROW * placed.length
  const rows = rowsOf(landmarks.map(({ name, metres }) => ({ text: name, x: x(metres) })))
  const height = line + 44 + 18 * Math.max(1, ...rows.map((row) => row + 1))
  const [from, to] = cable.between.map((place) => placeById(system, place)?.name ?? place)
  return (
    <svg viewBox={`0 0 ${full} ${height}`} className={`w-full max-w-3xl ${className}`} aria-hidden>
      {placed.map(({ finding, distance }, index) => {
        const [left, right] = [x(distance.lowM), x(distance.highM)]
        const y = 18 + ROW * index
        const label = `${sayFinding(finding)}: ${sayMetres(distance.middleM)}`
        const width = label.length * LETTER
        return (
          <g key={`${finding.of} ${finding.conductors.join(' ')}`}>
            <text
              x={Math.min(full - width, Math.max(0, (left + right) / 2 - width / 2))}
              y={y - 4}
              fontSize="13"
              fontWeight="700"
              fill="var(--ember)"
            >
              {label}
            </text>
            <rect
              x={left}
              y={y}
              width={Math.max(4, right - left)}
              height={line - y + 8}
              fill="none"
              stroke="var(--ember)"
              strokeWidth="2"
              strokeDasharray="5 4"
            />
            <line x1={x(distance.middleM)} x2={x(distance.middleM)} y1={y} y2={line} stroke="var(--ember)" strokeWidth="3" />
          </g>
        )
      })}
      <line x1={x(0)} x2={x(lengthM)} y1={line} y2={line} stroke="var(--ink)" strokeWidth="4" />
      {ticksOf(most).map((metres) => (
        <g key={metres}>
          <line x1={x(metres)} x2={x(metres)} y1={line - 6} y2={line + 6} stroke="var(--ink)" strokeWidth="2" />
          <text x={x(metres)} y={line + 20} fontSize="12" textAnchor="middle" fill="var(--muted)">
            {metres} m
          </text>
        </g>
      ))}
      {landmarks.map(({ name, metres }, index) => (
        <g key={`${name} ${metres}`}>
          <path d={`M${x(metres)} ${line + 4} l-5 9 h10 z`} fill="var(--next)" />
          <text x={x(metres)} y={line + 38 + 18 * rows[index]} fontSize="13" textAnchor="middle" fill="var(--ink)">
            {name}
          </text>
        </g>
      ))}
      <text x={0} y={height - 4} fontSize="12" fill="var(--muted)">
        {from}
      </text>
      <text x={full} y={height - 4} fontSize="12" textAnchor="end" fill="var(--muted)">
        {to}
      </text>
    </svg>
  )
}

/** Round metres, some five of them. */
function ticksOf(most: number): number[] {
  const step = [1, 2, 5, 10, 20, 50, 100].find((one) => most / one <= 7) ?? 100
  return Array.from({ length: Math.floor(most / step) + 1 }, (_, index) => index * step)
}

/** Rows for names that would stand over each other. */
function rowsOf(names: readonly { readonly text: string; readonly x: number }[]): number[] {
  const ends: number[] = []
  return names.map(({ text, x }) => {
    const half = (text.length * LETTER) / 2
    const free = ends.findIndex((end) => end < x - half)
    const row = free < 0 ? ends.length : free
    ends[row] = x + half + 8
    return row
  })
}
