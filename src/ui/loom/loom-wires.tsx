import type { Swap } from '@/src/core/bench/bench'
import { type Loom, type LoomThread, TAG } from '@/src/core/formats/loom/shapes'
import { type Point, parsePoint } from '@/src/core/wiring/point'
import type { Conductor } from '@/src/core/wiring/system'
import { insulation } from '@/src/ui/loom/colours'
import { LIFT_OFF } from '@/src/ui/loom/taps'

/** Sections below this are not hatched on their own. */
const SECTION_FROM = 0.04

interface Lit {
  readonly hot: ReadonlySet<string>
  readonly suspicion: ReadonlyMap<string, number>
}

/** Wires inside the units, the chassis rails and the bond. */
export function LoomWires({ loom, hot, suspicion }: { loom: Loom } & Lit) {
  return (
    <>
      {loom.rails.map(({ point, x, width, y }) => {
        const suspected = suspicion.get(point) ?? 0
        return (
          <g key={point}>
            {suspected > SECTION_FROM && (
              <rect x={x} y={y - 8} width={width} height="16" fill="url(#suspicion)" opacity={0.25 + 0.6 * suspected} />
            )}
            <line x1={x} x2={x + width} y1={y} y2={y} stroke="var(--ink)" strokeWidth="3" strokeDasharray="10 6" />
            <text x={x + width} y={y - 9} textAnchor="end" fontSize="13" fill="var(--muted)">
              chassis
            </text>
          </g>
        )
      })}
      {loom.bonds.map(({ x, top, bottom }) => (
        <g key={x}>
          <line x1={x} x2={x} y1={top} y2={bottom} stroke="var(--ink)" strokeWidth="2" />
          <text x={x + 7} y={(top + bottom) / 2 + 20} fontSize="13" fill="var(--muted)">
            bond
          </text>
        </g>
      ))}
      {loom.lines.map(({ net, path, corners }) => {
        const suspected = suspicion.get(net) ?? 0
        const isHot = hot.has(net)
        return (
          <g key={`${net} ${path}`} fill="none">
            {suspected > SECTION_FROM && <path d={path} stroke="url(#suspicion)" strokeWidth="14" opacity={0.25 + 0.6 * suspected} />}
            {isHot && <path d={path} stroke="var(--next)" strokeWidth="6" opacity="0.45" />}
            <path d={path} stroke="var(--ink)" strokeWidth="2" />
            {isHot && <Chevron from={corners[0]} to={corners[1]} />}
          </g>
        )
      })}
    </>
  )
}

const LONG_ENOUGH = 34

function Chevron({ from, to }: { from: readonly [number, number]; to: readonly [number, number] }) {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]]
  if (Math.abs(dx) + Math.abs(dy) < LONG_ENOUGH) return null
  const turn = (Math.atan2(dy, dx) * 180) / Math.PI
  return (
    <path
      d="M-4 -6L4 0L-4 6"
      transform={`translate(${from[0] + dx / 2} ${from[1] + dy / 2}) rotate(${turn})`}
      stroke="var(--next)"
      strokeWidth="3"
      fill="none"
    />
  )
}

interface LoomThreadsProps extends Lit {
  readonly loom: Loom
  readonly lifted: readonly string[]
  readonly swaps?: readonly Swap[]
}

/** Where along its threads the colors of a cable stand that has crossed ones. */
const BEFORE_CROSSING = 0.2

/** Conductors in their own colour on an ink outline; a lifted end stands off with a ring and the word. */
export function LoomThreads({ loom, hot, suspicion, lifted, swaps = [] }: LoomThreadsProps) {
  const crossed = new Set(loom.threads.flatMap(({ cable, ends: [one, other] }) => (one.y === other.y ? [] : [cable])))
  return loom.threads.map((thread) => {
    const { cable, conductor, ends } = thread
    const [left, right] = ends.map((end, side) => {
      const isLifted = lifted.includes(end.point)
      return { ...end, isLifted, x: isLifted ? end.x + (side === 0 ? LIFT_OFF : -LIFT_OFF) : end.x }
    })
    const run = { x1: left.x, x2: right.x, y1: left.y, y2: right.y }
    const slope = Math.sign(right.y - left.y)
    // Two that are exchanged at one end cross each other and what lies between: colors are told before they do.
    const told = crossed.has(cable) ? BEFORE_CROSSING : 0.5
    const [middle, y] = [left.x + told * (right.x - left.x), left.y + told * (right.y - left.y)]
    const suspected = Math.max(suspicion.get(left.point) ?? 0, suspicion.get(right.point) ?? 0)
    const isSpare = !left.landed && !right.landed
    const isHot = hot.has(left.point) || hot.has(right.point)
    return (
      <g key={`${cable} ${conductor.id}`}>
        {suspected > SECTION_FROM && <line {...run} stroke="url(#suspicion)" strokeWidth="24" opacity={0.3 + 0.7 * suspected} />}
        {isHot && <line {...run} stroke="var(--next)" strokeWidth="16" opacity="0.45" />}
        <line {...run} stroke="var(--ink)" strokeWidth={isSpare ? 7 : 10} />
        <line {...run} stroke="var(--ground)" strokeWidth={isSpare ? 5.5 : 8} />
        <line {...run} stroke={insulation[conductor.colour]} strokeWidth={isSpare ? 4 : 6} />
        <Section thread={thread} of={loom.threads} swaps={swaps} />
        <text
          x={slope === 0 ? middle : middle + 12}
          y={slope > 0 ? y - 4 : slope < 0 ? y + 15 : y - 13}
          textAnchor={slope === 0 ? 'middle' : 'start'}
          fontSize="13"
          fill="var(--muted)"
        >
          {sayColour(conductor, isSpare && right.x - left.x > 58)}
        </text>
        {[left, right].map((end) =>
          end.isLifted || !end.landed ? (
            <circle
              key={end.point}
              cx={end.x}
              cy={end.y}
              r={end.isLifted ? 6 : 4}
              fill="var(--ground)"
              stroke={end.isLifted ? 'var(--ember)' : 'var(--ink)'}
              strokeWidth={end.isLifted ? 3 : 2}
            />
          ) : null,
        )}
        {(left.isLifted || right.isLifted) && (
          <text x={middle} y={y + 24} textAnchor="middle" fontSize="13" fontWeight="700" fill="var(--ember)">
            {left.isLifted && right.isLifted ? 'both lifted' : 'lifted'}
          </text>
        )}
      </g>
    )
  })
}

/** Half of the stretch that a section takes, as a share of the thread as it is drawn: where it is, the words tell. */
const SECTION_SHARE = 0.16

interface SectionProps {
  readonly thread: LoomThread
  readonly of: readonly LoomThread[]
  readonly swaps: readonly Swap[]
}

/** A spare on a part of the way: its color between two joints, and a gap where it was cut out of its own. */
function Section({ thread: { cable, conductor, ends }, of, swaps }: SectionProps) {
  const swap = swaps.find((one) => one.section && one.cable === cable && [one.from, one.to].includes(conductor.id))
  if (!swap) return null
  const spare = of.find((other) => other.cable === cable && other.conductor.id === swap.to)?.conductor
  const [left, right] = ends
  const [x1, x2] = [0.5 - SECTION_SHARE, 0.5 + SECTION_SHARE].map((share) => left.x + share * (right.x - left.x))
  if (conductor.id === swap.to) return <line x1={x1} x2={x2} y1={left.y} y2={left.y} stroke="var(--ground)" strokeWidth="12" />
  return (
    <>
      {spare && <line x1={x1} x2={x2} y1={left.y} y2={left.y} stroke={insulation[spare.colour]} strokeWidth="6" />}
      {[x1, x2].map((x) => (
        <line key={x} x1={x} x2={x} y1={left.y - 9} y2={left.y + 9} stroke="var(--ink)" strokeWidth="4" />
      ))}
    </>
  )
}

/** A colour that nobody has looked at is asked for. */
const sayColour = ({ colour }: Conductor, isSpare: boolean): string =>
  `${colour === 'unknown' ? 'color?' : colour}${isSpare ? ', spare' : ''}`

/** Lettered landings. */
export function LoomTags({ loom, suspicion, probes }: { loom: Loom; suspicion: ReadonlyMap<string, number>; probes: readonly Point[] }) {
  return loom.tags.map(({ point, letter, x, y }) => {
    const isProbed = probes.includes(point)
    const suspected = suspicion.get(point) ?? 0
    return (
      <g key={`${point} ${x}`}>
        <rect
          x={x - TAG}
          y={y - TAG}
          width={2 * TAG}
          height={2 * TAG}
          rx="4"
          fill="var(--ground)"
          stroke={isProbed ? 'var(--hold)' : suspected > 0.3 ? 'var(--ember)' : 'var(--ink)'}
          strokeWidth={isProbed ? 4 : 2}
        />
        <text x={x} y={y + 5.5} textAnchor="middle" fontSize="16" fontWeight="700" fill="var(--ink)">
          {parsePoint(point).name === letter ? letter : point}
        </text>
      </g>
    )
  })
}
