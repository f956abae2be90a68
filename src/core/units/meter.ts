import { modelValue } from '@/src/core/units/model-value'
/**
 * The technician's meter as an electrical load and as a display.
 * Values: common 6000-count true-RMS meter, assumption; input figures as in docs/model-values.md.
 */
export interface Meter {
  readonly voltsInputOhm: number
  readonly voltsInputFarad: number
  readonly lowImpedanceOhm: number
  readonly leadOhm: number
  readonly overloadOhm: number
  readonly beepsBelowOhm: number
  readonly counts: number
  readonly clampResolutionA: number
}

/** The technician's meter as an electrical load and as a display. */
export const defaultMeter: Meter = modelValue({
  value: {
    voltsInputOhm: 10e6,
    voltsInputFarad: 100e-12,
    lowImpedanceOhm: 3000,
    leadOhm: 0.2,
    overloadOhm: 40e6,
    beepsBelowOhm: 40,
    counts: 6000,
    clampResolutionA: 0.01,
  },
  unit: 'ohm, F, counts, A',
  source: 'common 6000-count true-RMS meter, by data sheets; where it beeps is an assumption',
})

/** Smallest step shown on the range that a reading of this size selects, in the reading's own unit. */
export function resolutionFor(value: number, counts: number): number {
  let fullScale = counts / 10 ** 4
  while (Math.abs(value) >= fullScale && fullScale < counts * 1e6) fullScale *= 10
  return fullScale / counts
}

/** What the volts display shows: rounded to the range, never finer than 10 mV on this kind of meter. */
export function shownVolts(volts: number, meter: Meter): number {
  const step = Math.max(0.01, resolutionFor(volts, meter.counts))
  return roundTo(volts, step)
}

/** What the ohms display shows: `OL` at or above the overload limit, else rounded to the range, 0.1 ohm at best. */
export function shownOhms(ohms: number, meter: Meter): number | 'OL' {
  if (ohms >= meter.overloadOhm) return 'OL'
  return roundTo(ohms, Math.max(0.1, resolutionFor(ohms, meter.counts)))
}

export function shownAmps(amps: number, meter: Meter): number {
  return roundTo(amps, meter.clampResolutionA)
}

export function isBeeping(ohms: number, meter: Meter): boolean {
  return ohms + meter.leadOhm < meter.beepsBelowOhm
}

function roundTo(value: number, step: number): number {
  const rounded = Math.round(value / step) * step
  return Number(rounded.toPrecision(6))
}
