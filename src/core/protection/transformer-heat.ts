/** Winding temperature that class B insulation stands (engine.md; IEC 60085 gives 130 °C). */
export const LIMIT_C = 130
/** Rise of a small control transformer's winding over its surroundings at its rated current: assumption. */
const RATED_RISE_K = 60
/** First-order time constant of the winding, s: assumption, so that an 8 A short cooks a 40 VA part in some 40 s in a 50 °C attic. */
const TIME_CONSTANT_S = 660
/** An attic in summer, °C: assumption; the user may say otherwise. */
export const ATTIC_C = 50

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
