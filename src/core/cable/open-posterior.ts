import { cellsOf } from '@/src/core/cable/cells'
import { normalNodes } from '@/src/core/cable/nodes'
import type { CapacitanceReading, Density } from '@/src/core/cable/run'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'

/** Leads of a meter that was not nulled, as they lie. */
const LEADS_NF = modelValue({ value: { mean: 0.05, sd: 0.03 } as const, unit: 'nF', source: 'assumption: test leads of 1 m' })
/** What is left of them after nulling. */
const NULLED_NF = modelValue({ value: { mean: 0, sd: 0.005 } as const, unit: 'nF', source: 'assumption' })
/** A meter reads high or low by this share of what it reads. */
const METER_GAIN = modelValue({
  value: 0.01,
  unit: 'share, standard deviation',
  source: 'assumption: a meter of 2 % at twice its deviation',
})
/** Two conductors of one cable do not lie alike all the way. */
const UNLIKE = modelValue({ value: 0.02, unit: 'share, standard deviation', source: 'assumption' })

const STEPS_ALONG = workLimit(600)
const STEPS = workLimit(41)

/**
 * The posterior over the distance to an open: what the run has in all is a nuisance about what the readings say of it, the leads another one
 * in closed form.
 */
export function integrateOpen(
  length: { readonly mean: number; readonly sd: number },
  isNulled: boolean,
  readings: readonly CapacitanceReading[],
): { readonly distance: Density } {
  const leads = isNulled ? NULLED_NF : LEADS_NF
  const precision = readings.map(({ nF, step }) => 1 / (step ** 2 / 12 + (METER_GAIN ** 2 + UNLIKE ** 2) * nF ** 2))
  const total = precision.reduce((sum, one) => sum + one, 0)
  const shared = leads.sd ** 2 / (1 + leads.sd ** 2 * total)
  const whole = wholeOf(readings, leads, precision)
  const metres = normalNodes(15, 2.8)
  const distances = cellsOf(length.mean * Math.exp(3.2 * length.sd))
  for (let index = 0; index < STEPS; index++) {
    const nF = whole.low + ((index + 0.5) / STEPS) * (whole.high - whole.low)
    for (let step = 0; step < STEPS_ALONG; step++) {
      const share = (step + 0.5) / STEPS_ALONG
      let [squares, sum] = [0, 0]
      readings.forEach(({ of, end, nF: read }, place) => {
        const residual = read - leads.mean - nF * (of === 'sound' ? 1 : end === 0 ? share : 1 - share)
        squares += precision[place] * residual ** 2
        sum += precision[place] * residual
      })
      const likelihood = Math.exp(-(squares - shared * sum ** 2) / 2)
      if (likelihood === 0) continue
      for (const { at, weight } of metres) distances.add(share * length.mean * Math.exp(length.sd * at), likelihood * weight)
    }
  }
  return { distance: distances.density() }
}

/** What the run has in all: a sound conductor tells it, else both ends together. */
function wholeOf(
  readings: readonly CapacitanceReading[],
  leads: { readonly mean: number; readonly sd: number },
  precision: readonly number[],
): { readonly low: number; readonly high: number } {
  const sdOf = (index: number) => Math.hypot(1 / Math.sqrt(precision[index]), leads.sd)
  const sound = readings.findIndex(({ of }) => of === 'sound')
  const ends = [0, 1].map((end) => readings.findIndex((reading) => reading.of === 'open' && reading.end === end))
  const parts = sound >= 0 ? [sound] : ends
  const middle = parts.reduce((sum, index) => sum + readings[index].nF - leads.mean, 0)
  const sd = Math.hypot(...parts.map(sdOf)) * (parts.length > 1 ? Math.SQRT2 : 1)
  return { low: Math.max(1e-3, middle - 4.5 * sd), high: Math.max(2e-3, middle + 4.5 * sd) }
}
