'use client'
import { saySlotShort } from '@/src/core/bench/say'
import type { Answer, Probe } from '@/src/core/readings/check'
import { type Expected, isExpected, sayExpected } from '@/src/core/readings/expected'
import { sayAnswer } from '@/src/core/readings/say'
import { houseCommon } from '@/src/core/wiring/supply'
import { firstPart, partsOf } from '@/src/core/wiring/system'
import { useDesk } from '@/src/ui/desk/desk-context'
import { supplyReturn } from '@/src/ui/power/supply-probes'

interface ReadLine {
  readonly id: string
  readonly probe: Probe
  readonly answer: Answer | null
  readonly expected: Expected | null
}

const WIDTH = 832
const HEIGHT = 232
const HOT = 72
const LOW = 186

/** Line, switch, transformer, fuse and terminals as one line of parts, each reading where it was taken. */
export function SupplyPicture({ lines, next }: { lines: readonly ReadLine[]; next: string | null }) {
  const { system, state } = useDesk()
  const transformer = firstPart(system, 'transformer')
  const supply = partsOf(system, 'supply').find(({ place }) => place === transformer.place)
  const disconnect = partsOf(system, 'disconnect').find(({ place }) => place === transformer.place)
  const common = houseCommon(system)
  // The fuse is drawn in the leg that it sits in.
  const fuseY = firstPart(system, 'fuse').between.includes(transformer.secondary[1]) ? LOW : HOT
  const plainY = fuseY === HOT ? LOW : HOT
  const onBoard = firstPart(system, 'thermostat').hot
  const { power, slot } = state.bench
  const columns = [
    { name: supply?.name ?? 'supply', x: 0, width: 170 },
    { name: disconnect?.name ?? 'switch', x: 176, width: 120 },
    { name: transformer.name, x: 302, width: 190 },
    { name: '24 V side', x: 498, width: 334 },
  ]
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full" role="img" aria-label="supply side; the readings are in the table below">
      {columns.map(({ name, x, width }) => (
        <g key={name}>
          <rect x={x + 1} y="1" width={width - 2} height={HEIGHT - 2} fill="var(--panel)" stroke="var(--line)" strokeWidth="2" />
          <text x={x + width / 2} y="22" textAnchor="middle" fontSize="14" fontWeight="700" fill="var(--ink)">
            {name}
          </text>
        </g>
      ))}
      <g stroke="var(--ink)" strokeWidth="2" fill="none">
        <path d={`M20 ${HOT}H200M272 ${HOT}H392V${HOT + 15}M20 ${LOW}H392V${LOW - 15}`} strokeWidth="3" />
        <circle cx="200" cy={HOT} r="4" fill="var(--ink)" />
        <circle cx="272" cy={HOT} r="4" fill="var(--ink)" />
        <line x1="200" y1={HOT} x2={power ? 272 : 262} y2={power ? HOT : HOT - 24} strokeWidth="3" />
        <path d={`M392 ${HOT + 15}${'a7 7 0 0 0 0 21'.repeat(4)}`} />
        <path d={`M404 ${HOT + 15}v84M410 ${HOT + 15}v84`} strokeWidth="1.5" />
        <path d={`M422 ${HOT + 15}${'a7 7 0 0 1 0 21'.repeat(4)}`} />
        <path
          d={`M422 ${HOT + 15}V${HOT}M422 ${LOW - 15}V${LOW}M422 ${fuseY}H560M660 ${fuseY}H770M422 ${plainY}H770M690 ${LOW}V${HEIGHT - 16}`}
        />
        <rect
          x="560"
          y={fuseY - 17}
          width="100"
          height="34"
          fill="var(--ground)"
          stroke={slot.open ? 'var(--ember)' : 'var(--ink)'}
          strokeWidth={slot.open ? 3 : 2}
        />
        <path d={`M530 ${HEIGHT - 14}H810`} strokeDasharray="10 6" strokeWidth="3" />
        {[HOT, LOW].map((y) => (
          <rect key={y} x="770" y={y - 15} width="30" height="30" rx="4" fill="var(--ground)" />
        ))}
      </g>
      <g fill="var(--ink)" fontSize="14">
        <text x="24" y={HOT - 10} fontWeight="700">
          {supply?.legs[0]?.node}
        </text>
        <text x="24" y={LOW - 10} fontWeight="700">
          {supplyReturn(system)}
        </text>
        <text x="610" y={fuseY + 5} textAnchor="middle">
          {saySlotShort(system, state.bench)}
        </text>
        <text x="785" y={HOT + 5} textAnchor="middle" fontWeight="700">
          {onBoard}
        </text>
        <text x="785" y={LOW + 5} textAnchor="middle" fontWeight="700">
          {common}
        </text>
        <text x="698" y={HEIGHT - 24} fill="var(--muted)" fontSize="13">
          bond
        </text>
        <text x="540" y={HEIGHT - 22} fill="var(--muted)" fontSize="13">
          chassis
        </text>
        <text x="436" y="134" fill="var(--muted)" fontSize="13">
          {transformer.va} VA
        </text>
      </g>
      {spots.map(({ id, x, y }) => {
        const line = lines.find((candidate) => candidate.id === id)
        return line ? <Reading key={id} line={line} x={x} y={y} isNext={next === id} /> : null
      })}
    </svg>
  )
}

const spots = [
  { id: 'line', x: 30, y: 104 },
  { id: 'primary', x: 250, y: 104 },
  { id: 'secondary', x: 506, y: 108 },
  { id: 'board', x: 700, y: 108 },
  { id: 'amps', x: 603, y: 108 },
] as const

function Reading({ line, x, y, isNext }: { line: ReadLine; x: number; y: number; isNext: boolean }) {
  const fits = typeof line.answer === 'number' && line.expected !== null ? isExpected(line.answer, line.expected) : null
  const stroke =
    line.answer === null ? (isNext ? 'var(--next)' : 'var(--line)') : fits ? 'var(--hold)' : fits === false ? 'var(--ember)' : 'var(--ink)'
  const width = id(line) ? 128 : 92
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

const id = (line: ReadLine): boolean => line.id === 'line' || line.id === 'primary'
