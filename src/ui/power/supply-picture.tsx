'use client'
import { sayAnswer } from '@/src/core/readings/say'
import type { PlaceId } from '@/src/core/wiring/ids'
import type { PartOf } from '@/src/core/wiring/part'
import { firstPart, partsOf } from '@/src/core/wiring/system'
import { useJob, useMoment } from '@/src/ui/desk/desk-context'
import { LowVoltageSide } from '@/src/ui/power/low-voltage-side'
import { type LineFeed, lineFeedOf } from '@/src/ui/power/supply-probes'
import { Column, fitsOf, HEIGHT, HOT, LOW, Reading, type ReadLine, WIDTH } from '@/src/ui/power/supply-shapes'

const MIDDLE = 106
const SUPPLY = 146
const SWITCH = 156
/** With fuses the disconnect needs more room. */
const FUSED = 196
const DOOR = 84

/** Line, disconnect and its fuses, door switch, then transformer, fuse and terminals, or the compressor: each reading where it was taken. */
export function SupplyPicture({ place, lines, next }: { place: PlaceId; lines: readonly ReadLine[]; next: string | null }) {
  const { system } = useJob()
  const line = lineFeedOf(system, place)
  const isHome = firstPart(system, 'transformer').place === place
  const doorX = SUPPLY + (line?.disconnect ? widthOf(line.disconnect) : 0)
  const endX = line ? doorX + (line.door ? DOOR : 0) : 0
  return (
    <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full" role="img" aria-label="supply side; the readings are in the table below">
      {line && <LineSide line={line} lines={lines} next={next} doorX={doorX} endX={endX} />}
      {isHome ? <LowVoltageSide from={endX} lines={lines} next={next} /> : <LoadSide place={place} from={endX} lines={lines} next={next} />}
    </svg>
  )
}

function LineSide({
  line,
  lines,
  next,
  doorX,
  endX,
}: {
  line: LineFeed
  lines: readonly ReadLine[]
  next: string | null
  doorX: number
  endX: number
}) {
  const { state } = useMoment()
  const { supply, disconnect, ahead, behind, door } = line
  const isOff = !state.bench.power
  return (
    <>
      <Column name={shortName(supply.name)} x={0} width={SUPPLY} />
      {disconnect && <Column name={disconnect.name} x={SUPPLY} width={widthOf(disconnect)} />}
      {door && <Column name={door.name} x={doorX} width={DOOR} />}
      {ahead.map((name, side) => {
        const y = side === 0 ? HOT : LOW
        const isSwitched = disconnect !== null && behind[side] !== name
        const blade = SUPPLY + 20
        const fuse = SUPPLY + 84
        return (
          <g key={name} stroke="var(--ink)" strokeWidth="3" fill="none">
            <text x="16" y={y - 10} fontSize="15" fontWeight="700" fill="var(--ink)" stroke="none">
              {name}
            </text>
            {isSwitched ? (
              <>
                <path d={`M16 ${y}H${blade}M${blade + 46} ${y}H${door && side === 0 ? doorX + 20 : endX}`} />
                <circle cx={blade} cy={y} r="4" fill="var(--ink)" />
                <circle cx={blade + 46} cy={y} r="4" fill="var(--ink)" />
                <line x1={blade} y1={y} x2={isOff ? blade + 36 : blade + 46} y2={isOff ? y - 22 : y} />
                {disconnect.fusedA !== undefined && (
                  <>
                    <rect x={fuse} y={y - 13} width="78" height="26" fill="var(--ground)" strokeWidth="2" />
                    <text x={fuse + 39} y={y + 5} textAnchor="middle" fontSize="13" fill="var(--ink)" stroke="none">
                      {disconnect.fusedA} A fuse
                    </text>
                  </>
                )}
              </>
            ) : (
              <path d={`M16 ${y}H${door && side === 0 ? doorX + 20 : endX}`} />
            )}
            {door && side === 0 && (
              <>
                <circle cx={doorX + 20} cy={y} r="4" fill="var(--ink)" />
                <circle cx={doorX + 60} cy={y} r="4" fill="var(--ink)" />
                <path d={`M${doorX + 20} ${y}H${endX}`} />
              </>
            )}
            <ToGround id={`ahead-${name}`} lines={lines} next={next} x={48} y={y} above={side === 1} />
            {disconnect && (
              <ToGround
                id={`behind-${behind[side]}`}
                lines={lines}
                next={next}
                x={SUPPLY + 84}
                y={y + (disconnect.fusedA ? (side === 1 ? -8 : 8) : 0)}
                above={side === 1}
              />
            )}
          </g>
        )
      })}
      <Reading lines={lines} id="line" next={next} x={12} y={MIDDLE} width={120} />
      <Reading lines={lines} id="behind" next={next} x={SUPPLY + 14} y={MIDDLE} width={120} />
    </>
  )
}

/** What hangs on the line where there is no transformer: the contactor's contacts and the compressor. */
function LoadSide({ place, from, lines, next }: { place: PlaceId; from: number; lines: readonly ReadLine[]; next: string | null }) {
  const { system } = useJob()
  const loads = partsOf(system, 'load').filter((part) => part.place === place)
  const [load] = loads
  const contactor = partsOf(system, 'coil').find((part) => part.place === place && part.contact)
  if (!load) return null
  const middle = (HOT + LOW) / 2
  return (
    <>
      <Column name={contactor?.name ?? 'contacts'} x={from} width={150} />
      <Column
        name={loads
          .filter(({ between }) => between.join() === load.between.join())
          .map(({ name }) => name)
          .join(', ')}
        x={from + 150}
        width={WIDTH - from - 150}
      />
      <g stroke="var(--ink)" strokeWidth="3" fill="none">
        <path
          d={`M${from} ${HOT}H${from + 46}M${from + 96} ${HOT}H${from + 320}V${middle - 26}M${from} ${LOW}H${from + 320}V${middle + 26}`}
        />
        <path d={`M${from + 46} ${HOT - 14}V${HOT + 14}M${from + 96} ${HOT - 14}V${HOT + 14}`} />
        <circle cx={from + 320} cy={middle} r="26" fill="var(--ground)" strokeWidth="2" />
      </g>
      <text x={from + 320} y={middle + 6} textAnchor="middle" fontSize="17" fontWeight="700" fill="var(--ink)">
        M
      </text>
      <Reading lines={lines} id="load" next={next} x={from + 164} y={MIDDLE} width={118} />
    </>
  )
}

/** One leg against ground, written at the leg: small, since it is asked only now and then. */
function ToGround({
  id,
  lines,
  next,
  x,
  y,
  above,
}: {
  id: string
  lines: readonly ReadLine[]
  next: string | null
  x: number
  y: number
  above: boolean
}) {
  const line = lines.find((candidate) => candidate.id === id)
  if (!line) return null
  const fits = fitsOf(line)
  return (
    <text
      x={x}
      y={above ? y - 10 : y + 22}
      fontSize="13"
      stroke="none"
      fontWeight={fits === false ? 700 : 400}
      fill={fits === false ? 'var(--ember)' : fits ? 'var(--hold)' : next === id ? 'var(--next)' : 'var(--muted)'}
    >
      to gnd {line.answer === null ? (next === id ? 'next' : '?') : `${sayAnswer(line.answer, line.probe)}${fits === false ? ' !' : ''}`}
    </text>
  )
}

const widthOf = ({ fusedA }: PartOf<'disconnect'>): number => (fusedA === undefined ? SWITCH : FUSED)

const shortName = (name: string): string => name.replace('branch circuit', 'circuit')
