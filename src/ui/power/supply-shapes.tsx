import type { Answer, Probe } from '@/src/core/readings/check'
import { type Expected, isExpected, sayExpected } from '@/src/core/readings/expected'
import { sayAnswer } from '@/src/core/readings/say'

/** What both sides of the supply picture are drawn with. */

export interface ReadLine {
  readonly id: string
  readonly probe: Probe
  readonly answer: Answer | null
  readonly expected: Expected | null
}

export const WIDTH = 832
export const HEIGHT = 232
export const HOT = 72
export const LOW = 186
export function Column({ name, x, width }: { name: string; x: number; width: number }) {
  return (
    <>
      <rect x={x + 1} y="1" width={width - 6} height={HEIGHT - 2} fill="var(--panel)" stroke="var(--line)" strokeWidth="2" />
      <text x={x + width / 2 - 2} y="22" textAnchor="middle" fontSize="14" fontWeight="700" fill="var(--ink)">
        {name}
      </text>
    </>
  )
}

/** Null until it is read, or where nothing is predicted. */
export const fitsOf = (line: ReadLine): boolean | null =>
  typeof line.answer === 'number' && line.expected !== null ? isExpected(line.answer, line.expected) : null

export function Reading({
  lines,
  id,
  next,
  x,
  y,
  width,
}: {
  lines: readonly ReadLine[]
  id: string
  next: string | null
  x: number
  y: number
  width: number
}) {
  const line = lines.find((candidate) => candidate.id === id)
  if (!line) return null
  const fits = fitsOf(line)
  const isNext = next === id
  const stroke =
    line.answer === null ? (isNext ? 'var(--next)' : 'var(--line)') : fits ? 'var(--hold)' : fits === false ? 'var(--ember)' : 'var(--ink)'
  return (
    <g>
      <rect
        x={x}
        y={y}
        width={width}
        height="46"
        rx="4"
        fill="var(--ground)"
        stroke={stroke}
        strokeWidth="2.5"
        strokeDasharray={line.answer === null ? '6 4' : undefined}
      />
      <text x={x + width / 2} y={y + 20} textAnchor="middle" fontSize="16" fontWeight="700" fill="var(--ink)">
        {line.answer === null ? (isNext ? 'next' : '?') : `${sayAnswer(line.answer, line.probe)}${fits === false ? ' !' : ''}`}
      </text>
      <text x={x + width / 2} y={y + 38} textAnchor="middle" fontSize="13" fill="var(--muted)">
        {line.expected ? sayExpected(line.expected) : ''}
      </text>
    </g>
  )
}
