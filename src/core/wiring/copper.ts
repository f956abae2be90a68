/** Resistance of copper at 20 C in ohm per km: ASTM B258, solid conductors. */
const OHM_PER_KM: Record<18 | 20 | 22, number> = { 18: 20.95, 20: 33.31, 22: 52.96 }

/** ohm of one conductor. */
export const copperOhm = (gaugeAwg: 18 | 20 | 22, lengthM: number): number => (OHM_PER_KM[gaugeAwg] * lengthM) / 1000
