import type { Air } from '@/src/core/job/air-schema'
import { modelValue } from '@/src/core/units/model-value'
import type { CallName } from '@/src/core/wiring/call'
import { partsOf, type System } from '@/src/core/wiring/system'

/** What makes the air warmer or colder on a call. */
type AirSource = 'cooling' | 'gas' | 'heat pump' | 'strips'

interface AirRange {
  /** Fahrenheit degrees between return and supply; cooling's is a drop. */
  readonly low: number
  readonly high: number
  /** Why a sound house may be out of it. */
  readonly unless: string
  readonly below: string
  readonly above: string
}

/** How much cooler the air leaves a coil that cools. */
const DROP = modelValue({
  value: { low: 14, high: 24 } as const,
  unit: 'F degrees',
  source: 'assumption: what the trade looks for indoors',
})
/** How much warmer it leaves a gas furnace. */
const GAS_RISE = modelValue({
  value: { low: 30, high: 70 } as const,
  unit: 'F degrees',
  source: "assumption: the furnace's plate has its own",
})
/** How much warmer it leaves a heat pump's coil. */
const PUMP_RISE = modelValue({
  value: { low: 12, high: 35 } as const,
  unit: 'F degrees',
  source: 'assumption: less the colder it is outside',
})
/** How much warmer it leaves heat strips. */
const STRIP_RISE = modelValue({
  value: { low: 8, high: 50 } as const,
  unit: 'F degrees',
  source: 'assumption: by the kilowatts and the airflow',
})

const ranges: Readonly<Record<AirSource, AirRange>> = {
  cooling: {
    ...DROP,
    unless: 'the return air is humid, or the house is far from its setpoint',
    below: 'is the compressor running? Check its amps, then charge and airflow',
    above: 'too little air: filter, blower speed, a frozen coil',
  },
  gas: {
    ...GAS_RISE,
    unless: 'the plate of the furnace says another range: it rules',
    below: 'too much air, or a burner that is not lit',
    above: 'too little air: filter, blower speed, closed registers; the limit opens next',
  },
  'heat pump': {
    ...PUMP_RISE,
    unless: 'it is very cold outside, or it defrosts',
    below: 'is the compressor running, and the reversing valve where it should be?',
    above: 'too little air: filter, blower speed',
  },
  strips: {
    ...STRIP_RISE,
    unless: 'only one of several banks is in',
    below: 'does every bank draw its amps?',
    above: 'too little air: filter, blower speed; the limit opens next',
  },
}

/** What a call heats or cools with in this system; null for the fan alone. */
export function airSourceOf(system: System, call: CallName): AirSource | null {
  if (call === 'fan') return null
  if (call.startsWith('cool')) return 'cooling'
  const hasGas = partsOf(system, 'coil').some(({ role }) => role === 'gas-valve')
  const isPump = partsOf(system, 'coil').some(({ role }) => role === 'reversing-valve')
  if (isPump && call === 'heat') return 'heat pump'
  return hasGas ? 'gas' : 'strips'
}

/** What the air of a mode says, held against what a sound house of this kind has. */
export interface AirFinding {
  readonly change: number
  readonly low: number
  readonly high: number
  readonly isOff: boolean
  readonly say: string
}

/** @returns null where the mode moves no heat */
export function judgeAir(system: System, call: CallName, { returnF, supplyF }: Air): AirFinding | null {
  const source = airSourceOf(system, call)
  if (source === null) return null
  const { low, high, unless, below, above } = ranges[source]
  const change = source === 'cooling' ? returnF - supplyF : supplyF - returnF
  const isOff = change < low || change > high
  const word = source === 'cooling' ? 'drop' : 'rise'
  const figure = `${Math.round(Math.abs(change))} °F ${change < 0 ? (word === 'drop' ? 'warmer' : 'colder') : word}, ${low}–${high} expected`
  return { change, low, high, isOff, say: isOff ? `${figure}: ${change < low ? below : above} (may not apply if ${unless})` : figure }
}
