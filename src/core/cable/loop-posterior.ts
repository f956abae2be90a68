import { cellsOf } from '@/src/core/cable/cells'
import { normalNodes } from '@/src/core/cable/nodes'
import type { Density, LoopReading } from '@/src/core/cable/run'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'

/** Leads and clips of a meter that was not nulled. */
const LEADS_OHM = modelValue({ value: { mean: 0.2, sd: 0.1 } as const, unit: 'ohm', source: 'assumption: a pair of test leads' })
/** What is left of them after nulling. */
const NULLED_OHM = modelValue({ value: { mean: 0, sd: 0.01 } as const, unit: 'ohm', source: 'assumption' })
/** A clip put on anew. */
const CLIP_OHM = modelValue({ value: 0.015, unit: 'ohm, standard deviation', source: 'assumption' })
/** A meter reads high or low by this share of what it reads. */
const METER_GAIN = modelValue({
  value: 0.005,
  unit: 'share, standard deviation',
  source: 'assumption: a meter of 1 % at twice its deviation',
})
/** What touches has anything from nothing to this. */
const MOST_CONTACT_OHM = modelValue({ value: 60, unit: 'ohm', source: 'assumption' })
/** Below this all contacts are alike; above it each decade is as likely as the next. */
const LEAST_CONTACT_OHM = modelValue({ value: 0.05, unit: 'ohm', source: 'assumption' })

const STEPS_ALONG = workLimit(600)
const LENGTHS = workLimit(61)
/** Of the likeliest so far, less than this moves no band. */
const NEGLIGIBLE = workLimit(1e-7)

interface Known {
  readonly mean: number
  /** As a share of the mean. */
  readonly sd: number
}

/** Resistance of a reading without contact and leads, in metres of pair or single, at a share of the run. */
const baseOf = ({ of, end }: LoopReading, ohmPerM: number, metres: number, share: number): number =>
  of === 'sound' ? 2 * ohmPerM * metres : (of === 'short' ? 2 : 1) * ohmPerM * metres * (end === 0 ? share : 1 - share)

/**
 * The posterior over the distance and the length, by integration: along the run, over its electrical length (ohm per metre and metres come
 * in as one product, and are told apart at the end), over the contact's own resistance about its best value, and over the leads' in closed
 * form.
 */
export function integrateLoop(
  perMetre: Known,
  length: Known,
  isNulled: boolean,
  readings: readonly LoopReading[],
): { readonly distance: Density; readonly length: Density } {
  const leads = isNulled ? NULLED_OHM : LEADS_OHM
  const precision = readings.map(({ ohm, step }) => 1 / (step ** 2 / 12 + (METER_GAIN * ohm) ** 2 + CLIP_OHM ** 2))
  const own = readings.map(({ of }) => (of === 'sound' ? 0 : 1))
  const hasOwn = own.includes(1)
  const electrical = electricalLengths(perMetre, length, leads, readings, precision)
  // Of an electrical length that is long, part is length and part is warm or thin copper.
  const spread = Math.hypot(length.sd, perMetre.sd)
  const ofLength = length.sd ** 2 / spread ** 2
  const left = (length.sd * perMetre.sd) / spread
  const metres = normalNodes(5, 2.5)
  const distances = cellsOf(length.mean * Math.exp(3.2 * spread))
  const lengths = cellsOf(length.mean * Math.exp(3.2 * spread))
  const shares = hasOwn ? STEPS_ALONG : 1
  let negligible = 0
  for (const { at: electricalM, weight } of electrical)
    for (let step = 0; step < shares; step++) {
      const share = (step + 0.5) / shares
      const residuals = readings.map((reading) => reading.ohm - leads.mean - baseOf(reading, perMetre.mean, electricalM, share))
      const likelihood = weight * overContact(residuals, own, precision, leads.sd)
      if (likelihood <= negligible) continue
      negligible = Math.max(negligible, likelihood * NEGLIGIBLE)
      const middle = Math.log(length.mean) + ofLength * Math.log(electricalM / length.mean)
      for (const { at, weight: ofNode } of metres) {
        const runM = Math.exp(middle + left * at)
        distances.add(share * runM, likelihood * ofNode)
        lengths.add(runM, likelihood * ofNode)
      }
    }
  return { distance: distances.density(), length: lengths.density() }
}

/** Electrical lengths with their weight before the readings of the short: about what a loop of two sound conductors says, where there is one. */
function electricalLengths(
  perMetre: Known,
  length: Known,
  leads: { readonly mean: number; readonly sd: number },
  readings: readonly LoopReading[],
  precision: readonly number[],
): { readonly at: number; readonly weight: number }[] {
  const spread = Math.hypot(length.sd, perMetre.sd)
  const prior = (metres: number) => Math.exp(-0.5 * (Math.log(metres / length.mean) / spread) ** 2) / metres
  const loops = readings.flatMap(({ of, ohm }, index) =>
    of === 'sound'
      ? [
          {
            metres: (ohm - leads.mean) / (2 * perMetre.mean),
            sd: Math.hypot(1 / Math.sqrt(precision[index]), leads.sd) / (2 * perMetre.mean),
          },
        ]
      : [],
  )
  const [loop] = loops
  const [low, high] = loop
    ? [
        Math.max(length.mean * Math.exp(-4 * spread), loop.metres - 4.5 * loop.sd),
        Math.max(length.mean * Math.exp(-3.5 * spread), loop.metres + 4.5 * loop.sd),
      ]
    : [length.mean * Math.exp(-3.2 * spread), length.mean * Math.exp(3.2 * spread)]
  return Array.from({ length: LENGTHS }, (_, index) => {
    const at = low + ((index + 0.5) / LENGTHS) * (high - low)
    return { at, weight: prior(at) }
  })
}

/** The likelihood of residuals, over the contact's own resistance and, in closed form, over the leads that all readings share. */
function overContact(residuals: readonly number[], own: readonly number[], precision: readonly number[], leadsSd: number): number {
  const total = precision.reduce((sum, one) => sum + one, 0)
  const shared = leadsSd ** 2 / (1 + leadsSd ** 2 * total)
  const dot = (a: readonly number[], b: readonly number[]) => {
    let [sum, ofA, ofB] = [0, 0, 0]
    for (let index = 0; index < a.length; index++) {
      sum += precision[index] * a[index] * b[index]
      ofA += precision[index] * a[index]
      ofB += precision[index] * b[index]
    }
    return sum - shared * ofA * ofB
  }
  const alone = dot(residuals, residuals)
  const curvature = dot(own, own)
  if (curvature === 0) return Math.exp(-alone / 2)
  const slope = dot(residuals, own)
  const best = slope / curvature
  const sd = 1 / Math.sqrt(curvature)
  const from = Math.max(0, best)
  let sum = 0
  for (let step = -8; step <= 8; step++) {
    const contact = from + (step / 2) * sd
    if (contact < 0 || contact > MOST_CONTACT_OHM) continue
    sum += Math.exp(-(alone - 2 * slope * contact + curvature * contact ** 2) / 2) / (contact + LEAST_CONTACT_OHM)
  }
  return sum * sd
}
