import { format } from 'date-fns'
import type { Moving } from '@/src/core/advice/moving'
import { MARK, placeMarks } from '@/src/core/formats/loom/marks'
import type { Loom, LoomPart } from '@/src/core/formats/loom/shapes'
import { parseDeviceKey } from '@/src/core/operation/machine'
import { sayCountdown } from '@/src/core/units/quantity'
import { parsePoint } from '@/src/core/wiring/point'
import { partById } from '@/src/core/wiring/system'
import { useSeconds } from '@/src/ui/controls/use-seconds'
import { useJob, useMoment } from '@/src/ui/desk/desk-context'
import { useWorkerAnswer } from '@/src/ui/engine/use-worker-answer'

const acts: Partial<Record<NonNullable<Moving['to']>, string>> = {
  in: 'pulls in',
  out: 'drops out',
  made: 'closes',
  broken: 'opens',
  open: 'fuse opens',
  cooked: 'burns out',
  blank: 'goes blank',
  alive: 'powers up',
  burns: 'senses flame',
  'no flame': 'loses flame',
}

const NOTHING_MOVES: readonly Moving[] = []

/** What waits and what chatters on the bench as it stands. */
export function useMoving(): readonly Moving[] {
  const { job, system } = useJob()
  const { entries } = useMoment()
  return useWorkerAnswer({ job, entries }, 'moving', (worker) => worker.moving({ system, entries }, Date.now())).answer ?? NOTHING_MOVES
}

/** The same as lines to be read out: the time at which a wait ends, not a count. */
export function MovingLines({ moving }: { moving: readonly Moving[] }) {
  const { system } = useJob()
  return (
    <ul className="sr-only" aria-label="waits and chatters">
      {moving.map(({ what, does, ms, to }) => (
        <li key={`${what} ${to}`}>
          {partById(system, parseDeviceKey(what).part)?.name ?? what}{' '}
          {does === 'chatters' ? `chatters, ${sayRound(ms)}` : `${acts[to ?? 'in'] ?? 'moves'} at ${format(new Date(ms), 'HH:mm:ss')}`}
        </li>
      ))}
    </ul>
  )
}

/** Delays that count down and parts that chatter, at the part. */
export function LoomMoving({ loom, moving }: { loom: Loom; moving: readonly Moving[] }) {
  const isCounting = moving.some(({ does }) => does === 'waits')
  const nowMs = useSeconds(isCounting)
  if (nowMs === null) return null
  const marks = moving.flatMap(({ what, does, ms, to }) => {
    const part = partAt(loom, what)
    const left = Math.ceil((ms - nowMs) / 1000)
    if (!part || (does === 'waits' && left <= 0)) return []
    const text = does === 'chatters' ? `chatters, ${sayRound(ms)}` : `${acts[to ?? 'in'] ?? 'moves'} · ${sayCountdown(left)}`
    return [{ key: `${what} ${to}`, part, text, does }]
  })
  const placed = placeMarks(loom, marks)
  return marks.map(({ key, text, does }, index) => {
    const { x, y, width } = placed[index]
    return (
      <g key={key}>
        <rect
          x={x}
          y={y}
          width={width}
          height={MARK.height}
          rx="3"
          fill="var(--ground)"
          stroke={does === 'chatters' ? 'var(--ember)' : 'var(--next)'}
          strokeWidth="2"
          strokeDasharray={does === 'chatters' ? '3 3' : undefined}
        />
        <text x={x + width / 2} y={y + 14.5} textAnchor="middle" fontSize="13" fontWeight="700" fill="var(--ink)">
          {text}
        </text>
      </g>
    )
  })
}

/** A board's output at its arrow; by its board where the loom draws that as one box. */
const partAt = (loom: Loom, what: string): LoomPart | undefined =>
  loom.parts.find(({ id }) => id === what) ??
  loom.parts.find(
    ({ kind, between }) => kind === 'output' && between.some((point) => parsePoint(point).name === parseDeviceKey(what).to),
  ) ??
  loom.parts.find(({ of }) => of === parseDeviceKey(what).part)

const sayRound = (ms: number): string =>
  ms < 1000 ? `${Math.max(1, Math.round(1000 / Math.max(1, ms)))} a second` : `every ${(ms / 1000).toFixed(1)} s`
