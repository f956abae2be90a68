import { type Bench, slotOf } from '@/src/core/bench/bench'
import { saySlotShort } from '@/src/core/bench/say'
import type { LoomPart } from '@/src/core/formats/loom/shapes'
import { callerOf, type System } from '@/src/core/wiring/system'

/** One part with its trade symbol in ink; ember outline and the word when it is unplugged or bypassed. */
export function LoomPartSymbol({
  part,
  bench,
  system,
  suspicion,
}: {
  part: LoomPart
  bench: Bench
  system: System
  suspicion: ReadonlyMap<string, number>
}) {
  // Trouble in a part touches both its leads; trouble in a wire touches one.
  const suspected = Math.min(...part.between.map((point) => suspicion.get(point) ?? 0))
  const isUnplugged = bench.unplugged.includes(part.of)
  const isBypassed = part.kind === 'switch' && bench.jumpers.some(({ a, b }) => part.between.includes(a) && part.between.includes(b))
  const stroke = isUnplugged ? 'var(--ember)' : 'var(--ink)'
  return (
    <g stroke={stroke} strokeWidth="2" fill="none" strokeLinecap="round" strokeLinejoin="round">
      {suspected > 0.04 && <Around part={part} opacity={0.25 + 0.6 * suspected} />}
      <Drawn part={part} bench={bench} system={system} />
      {(isUnplugged || isBypassed) && part.kind !== 'contact' && (
        <text {...besides(part)} fontSize="13" fontWeight="700" fill="var(--ember)" stroke="none">
          {isBypassed ? 'bypass' : part.kind === 'transformer' ? 'leads off' : 'unplugged'}
        </text>
      )}
    </g>
  )
}

/** Where the word stands: under the part, and beside one that stands over a wire. */
const besides = ({ kind, axis, x, y, width, height }: LoomPart) => {
  if (kind === 'electronics' && axis === 'down') return { x: x + width / 2 + 6, y: y + 5, textAnchor: 'start' } as const
  if (kind === 'transformer') return { x: x - width / 2 - 6, y: y + 5, textAnchor: 'end' } as const
  return { x, y: y + height / 2 + 16, textAnchor: 'middle' } as const
}

function Around({ part, opacity }: { part: LoomPart; opacity: number }) {
  return (
    <rect
      x={part.x - part.width / 2 - 5}
      y={part.y - part.height / 2 - 5}
      width={part.width + 10}
      height={part.height + 10}
      fill="url(#suspicion)"
      stroke="none"
      opacity={opacity}
    />
  )
}

function Drawn({ part, bench, system }: { part: LoomPart; bench: Bench; system: System }) {
  switch (part.kind) {
    case 'switch':
      return <ClosedSwitch part={part} />
    case 'contact':
      return <Contact part={part} isClosed={isCalled(system, bench, part)} />
    case 'coil':
      return <Box part={part} text={part.axis === 'across' ? part.label : null} isCoil={part.axis === 'down'} />
    case 'output':
      return <Output part={part} />
    case 'electronics':
      return <Box part={part} text={part.label} />
    case 'fuse': {
      const slot = slotOf(system, bench, part.id)
      return (
        <Box
          part={part}
          text={saySlotShort(system, bench, part.id)}
          mark={slot.open ? 'var(--ember)' : slot.holds === 'breaker' ? 'var(--hold)' : undefined}
        />
      )
    }
    case 'transformer':
      return <Windings part={part} />
  }
}

function isCalled(system: System, bench: Bench, { of, terminal }: LoomPart): boolean {
  if (terminal === null || bench.call === 'off') return false
  const stat = callerOf(system, bench.call)
  return of === stat.id && !bench.unplugged.includes(stat.id) && (stat.calls[bench.call]?.includes(terminal) ?? false)
}

/** Closed at rest, as limits and pressure switches are. */
function ClosedSwitch({ part: { x, y, width, height, axis, label } }: { part: LoomPart }) {
  const half = (axis === 'across' ? width : height) / 2 - 5
  const [ax, ay, bx, by] = axis === 'across' ? [x - half, y, x + half, y] : [x, y - half, x, y + half]
  const reach = half + 5
  return (
    <>
      <path
        d={
          axis === 'across'
            ? `M${x - reach} ${y}H${x - half}M${x + half} ${y}H${x + reach}`
            : `M${x} ${y - reach}V${y - half}M${x} ${y + half}V${y + reach}`
        }
      />
      <line x1={ax} y1={ay} x2={bx} y2={by} />
      <circle cx={ax} cy={ay} r="3.5" fill="var(--ink)" />
      <circle cx={bx} cy={by} r="3.5" fill="var(--ink)" />
      <text
        x={axis === 'across' ? x : x - 12}
        y={axis === 'across' ? y - 13 : y + 5}
        textAnchor={axis === 'across' ? 'middle' : 'end'}
        fontSize="13"
        fill="var(--muted)"
        stroke="none"
      >
        {label}
      </text>
    </>
  )
}

/** What a board makes of a call: an arrow in a box, its name where a switch has it. */
function Output({ part: { x, y, width, height, axis, label } }: { part: LoomPart }) {
  return (
    <>
      <rect x={x - width / 2} y={y - height / 2} width={width} height={height} fill="var(--ground)" />
      <path d={axis === 'across' ? `M${x - 8} ${y}h16m-5 -5l5 5l-5 5` : `M${x} ${y - 7}v14m-5 -5l5 5l5 -5`} />
      <text
        x={axis === 'across' ? x : x - width / 2 - 6}
        y={axis === 'across' ? y - height / 2 - 5 : y + 5}
        textAnchor={axis === 'across' ? 'middle' : 'end'}
        fontSize="13"
        fill="var(--muted)"
        stroke="none"
      >
        {label}
      </text>
    </>
  )
}

/** A thermostat's contact: the arm lies down while it calls. */
function Contact({ part: { x, y, width }, isClosed }: { part: LoomPart; isClosed: boolean }) {
  const [left, right] = [x - width / 2, x + width / 2]
  const tip = right - 10
  return (
    <>
      <path d={`M${left} ${y}H${left + 12}M${tip} ${y}H${right}`} />
      <line
        x1={left + 12}
        y1={y}
        x2={tip}
        y2={isClosed ? y : y - 13}
        stroke={isClosed ? 'var(--next)' : undefined}
        strokeWidth={isClosed ? 3 : 2}
      />
      <circle cx={left + 12} cy={y} r="3" fill="var(--ink)" />
      <circle cx={tip} cy={y} r="3" fill="var(--ink)" />
    </>
  )
}

function Box({ part, text, isCoil = false, mark }: { part: LoomPart; text: string | null; isCoil?: boolean; mark?: string }) {
  const { x, y, width, height, label } = part
  return (
    <>
      <rect
        x={x - width / 2}
        y={y - height / 2}
        width={width}
        height={height}
        fill="var(--ground)"
        stroke={mark}
        strokeWidth={mark ? 3 : 2}
      />
      {isCoil &&
        [-0.22, 0, 0.22].map((share) => (
          <line key={share} x1={x - width * 0.26} x2={x + width * 0.26} y1={y + height * share} y2={y + height * share} />
        ))}
      {text !== null ? (
        <text x={x} y={y + 5} textAnchor="middle" fontSize="13.5" fill="var(--ink)" stroke="none">
          {text}
        </text>
      ) : (
        <text x={x - width / 2 - 8} y={y + 5} textAnchor="end" fontSize="13" fill="var(--muted)" stroke="none">
          {label}
        </text>
      )}
    </>
  )
}

function Windings({ part: { x, y, height, label, labelY } }: { part: LoomPart }) {
  const turns = 4
  const step = height / turns
  const secondary = `M${x} ${y - height / 2}${`a${step / 2} ${step / 2} 0 0 0 0 ${step}`.repeat(turns)}`
  const primary = `M${x + 14} ${y - height / 2}${`a${step / 2} ${step / 2} 0 0 1 0 ${step}`.repeat(turns)}`
  return (
    <>
      <path d={secondary} />
      <path d={`M${x + 4} ${y - height / 2}v${height}M${x + 9} ${y - height / 2}v${height}`} strokeWidth="1.5" />
      <path d={primary} />
      <text x={x} y={labelY ?? y + height / 2 + 18} textAnchor="middle" fontSize="13" fill="var(--muted)" stroke="none">
        {label}
      </text>
    </>
  )
}
