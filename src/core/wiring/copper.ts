import { modelValue } from '@/src/core/units/model-value'

/** Resistance of copper. */
const OHM_PER_KM: Record<18 | 20 | 22, number> = modelValue({
  value: { 18: 20.95, 20: 33.31, 22: 52.96 },
  unit: 'ohm per km, by AWG',
  source: 'ASTM B258, solid conductors at 20 °C',
})

/** ohm of one conductor. */
export const copperOhm = (gaugeAwg: 18 | 20 | 22, lengthM: number): number => (OHM_PER_KM[gaugeAwg] * lengthM) / 1000
