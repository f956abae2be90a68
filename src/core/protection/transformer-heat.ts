import { modelValue } from '@/src/core/units/model-value'
/** The winding temperature that its insulation stands. */
export const LIMIT_C = modelValue({ value: 130, unit: '°C', source: 'class B insulation, IEC 60085' })
/** Rise of a small control transformer's winding over its surroundings at its rated current. */
const RATED_RISE_K = modelValue({ value: 60, unit: 'K', source: 'assumption' })
/** First-order time constant of the winding. */
const TIME_CONSTANT_S = modelValue({
  value: 660,
  unit: 's',
  source: 'assumption, so that an 8 A short burns out a 40 VA part in some 40 s in a 50 °C attic',
})
/** An attic in summer. */
export const ATTIC_C = modelValue({ value: 50, unit: '°C', source: 'assumption; the user may say otherwise' })

export interface Winding {
  readonly va: number
  /** Secondary volts on the plate. */
  readonly plateVolts: number
}

const finalRise = ({ va, plateVolts }: Winding, amps: number): number => RATED_RISE_K * (amps / (va / plateVolts)) ** 2

/** Winding temperature after `seconds` of a steady secondary current from cold, °C: first-order heating, rise with the square of the current. */
export function windingTemperatureC(winding: Winding, amps: number, seconds: number, ambientC = ATTIC_C): number {
  return ambientC + finalRise(winding, amps) * (1 - Math.exp(-seconds / TIME_CONSTANT_S))
}

/** Seconds until the winding reaches its limit; null when it never does. */
export function secondsToLimit(winding: Winding, amps: number, ambientC = ATTIC_C): number | null {
  const share = (LIMIT_C - ambientC) / finalRise(winding, amps)
  return share >= 1 ? null : -TIME_CONSTANT_S * Math.log(1 - share)
}

/** Winding temperature `seconds` on from `fromC` at a steady secondary current, °C; also while it cools. */
export function coolsTo(winding: Winding, amps: number, fromC: number, seconds: number, ambientC = ATTIC_C): number {
  const finalC = ambientC + finalRise(winding, amps)
  return finalC + (fromC - finalC) * Math.exp(-seconds / TIME_CONSTANT_S)
}

/** Seconds until a winding at `fromC` reaches `limitC`; null when it never does. */
export function secondsUntilC(winding: Winding, amps: number, fromC: number, limitC: number, ambientC = ATTIC_C): number | null {
  const finalC = ambientC + finalRise(winding, amps)
  if (finalC <= limitC) return null
  return fromC >= limitC ? 0 : TIME_CONSTANT_S * Math.log((finalC - fromC) / (finalC - limitC))
}
