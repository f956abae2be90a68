'use client'
import { saySlotShort } from '@/src/core/bench/say'
import { houseCommon } from '@/src/core/wiring/supply'
import { firstPart } from '@/src/core/wiring/system'
import { useJob, useMoment } from '@/src/ui/desk/desk-context'
import { Column, HEIGHT, HOT, LOW, Reading, type ReadLine, WIDTH } from '@/src/ui/power/supply-shapes'

/** From the primary on: winding and taps, fuse in the leg that it sits in, the board's terminals, the bond. */
export function LowVoltageSide({ from, lines, next }: { from: number; lines: readonly ReadLine[]; next: string | null }) {
  const { system } = useJob()
  const { state } = useMoment()
  const transformer = firstPart(system, 'transformer')
  const { slot } = state.bench
  const fuseY = firstPart(system, 'fuse').between.includes(transformer.secondary[1]) ? LOW : HOT
  const plainY = fuseY === HOT ? LOW : HOT
  const core = from + 126
  const side = core + 48
  const fuseX = side + (WIDTH - side) * 0.36
  const terminalX = WIDTH - 62
  const bondX = terminalX - 22
  const boxes = (WIDTH - side - 24) / 3
  return (
    <>
      <Column name={transformer.name} x={from} width={side - from} />
      <Column name="24 V side" x={side} width={WIDTH - side + 4} />
      <g stroke="var(--ink)" strokeWidth="3" fill="none">
        <path d={`M${from} ${HOT}H${core}V${HOT + 15}M${from} ${LOW}H${core}V${LOW - 15}`} />
        <g strokeWidth="2">
          <path d={`M${core} ${HOT + 15}${'a7 7 0 0 0 0 21'.repeat(4)}`} />
          <path d={`M${core + 12} ${HOT + 15}v84M${core + 18} ${HOT + 15}v84`} strokeWidth="1.5" />
          <path d={`M${core + 30} ${HOT + 15}${'a7 7 0 0 1 0 21'.repeat(4)}`} />
          <path
            d={`M${core + 30} ${HOT + 15}V${HOT}M${core + 30} ${LOW - 15}V${LOW}M${core + 30} ${fuseY}H${fuseX - 50}M${fuseX + 50} ${fuseY}H${terminalX}M${core + 30} ${plainY}H${terminalX}M${bondX} ${LOW}V${HEIGHT - 16}`}
          />
          <rect
            x={fuseX - 50}
            y={fuseY - 17}
            width="100"
            height="34"
            fill="var(--ground)"
            stroke={slot.open ? 'var(--ember)' : 'var(--ink)'}
            strokeWidth={slot.open ? 3 : 2}
          />
          <path d={`M${side + 16} ${HEIGHT - 14}H${WIDTH - 20}`} strokeDasharray="10 6" strokeWidth="3" />
          {[HOT, LOW].map((y) => (
            <rect key={y} x={terminalX} y={y - 15} width="34" height="30" rx="4" fill="var(--ground)" />
          ))}
          {(transformer.taps ?? []).map(({ lead }, index) => (
            <path key={lead} d={`M${core - 6} ${HOT + 38 + 24 * index}h-18M${core - 24} ${HOT + 32 + 24 * index}v12`} />
          ))}
        </g>
      </g>
      <g fill="var(--ink)" fontSize="14" textAnchor="middle">
        <text x={fuseX} y={fuseY + 5}>
          {saySlotShort(system, state.bench)}
        </text>
        <text x={terminalX + 17} y={HOT + 5} fontWeight="700">
          {firstPart(system, 'thermostat').hot}
        </text>
        <text x={terminalX + 17} y={LOW + 5} fontWeight="700">
          {houseCommon(system)}
        </text>
      </g>
      <g fill="var(--muted)" fontSize="13">
        <text x={bondX - 8} y={HEIGHT - 21} textAnchor="end">
          bond
        </text>
        <text x={WIDTH - 20} y={HEIGHT - 21} textAnchor="end">
          chassis
        </text>
        <text x={core - 34} y={HEIGHT - 22} textAnchor="middle">
          {transformer.va} VA
        </text>
        {(transformer.taps ?? []).map(({ lead, volts }, index) => (
          <text key={lead} x={core - 28} y={HOT + 42 + 24 * index} textAnchor="end">
            {volts} V, capped
          </text>
        ))}
      </g>
      <Reading lines={lines} id="primary" next={next} x={from + 5} y={(transformer.taps ?? []).length > 0 ? 126 : 106} width={102} />
      <Reading lines={lines} id="secondary" next={next} x={side + 8} y={108} width={boxes - 6} />
      <Reading lines={lines} id="amps" next={next} x={side + 8 + boxes} y={108} width={boxes - 6} />
      <Reading lines={lines} id="board" next={next} x={side + 8 + 2 * boxes} y={108} width={boxes - 6} />
    </>
  )
}
