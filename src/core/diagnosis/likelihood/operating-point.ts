import type { Chains, Houses } from '@/src/core/diagnosis/likelihood/by-house'
import { knownOf, type Link } from '@/src/core/diagnosis/likelihood/chain'
import { causeIndex, causesOf, SPREADS } from '@/src/core/readings/causes'
import type { Component, Prediction } from '@/src/core/readings/prediction'
import { Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import type { PartId } from '@/src/core/wiring/ids'
import { partsOf, type System } from '@/src/core/wiring/system'
import { templateValues, type ValueFactors } from '@/src/core/wiring/values'

/**
 * The values around which predictions are linearised. The template's are the first operating point; where readings show a coil to be far
 * from them, predictions are linearised again around what was read, since the sum of two coils is not linear in their logarithms. This is
 * the relinearisation of the iterated extended Kalman filter (Bell and Cathey 1993), on a grid, so that few points occur in a job.
 */
export interface OperatingPoint {
  readonly key: string
  /** For each cause of the system, in units of its spread. */
  readonly centres: Float64Array
  readonly factors: ValueFactors
}

/** Spacing of the grid of operating points. */
const STEP = modelValue({ value: 0.5, unit: 'spreads', source: 'assumption' })
/** How far from the template a coil must be for a point of its own. */
const FAR = modelValue({ value: 0.7, unit: 'spreads', source: 'assumption' })
/** No operating point lies further out, a factor of 2.3 either way; a coil beyond that is extrapolated from there. */
const FURTHEST = modelValue({
  value: 2,
  unit: 'spreads',
  source: 'assumption: coils are sold over a factor of two to three around any default',
})
/** A coil is known when less than this is left. */
const KNOWN = modelValue({ value: 0.6, unit: 'share of its spread', source: 'assumption' })

/** The places of the causes that are coils' ohms. */
const coilsOf = new Memo((system: System): readonly { readonly place: number; readonly coil: PartId }[] => {
  const places = causeIndex.of(system)
  return partsOf(system, 'coil').map(({ id }) => ({ coil: id, place: places.get(`ohms:${id}`) ?? -1 }))
})

/** The point nearest to what a chain knows of the house's coils; null where that is the template. */
function pointOf(system: System, link: Link): OperatingPoint | null {
  const centres = new Float64Array(causesOf.of(system).length + 1)
  for (const { place } of coilsOf.of(system)) {
    const { mean, sigma } = knownOf(link, place)
    const near = Math.max(-FURTHEST, Math.min(FURTHEST, mean))
    if (sigma <= KNOWN && Math.abs(mean) >= FAR) centres[place] = STEP * Math.round(near / STEP)
  }
  return pointAt(system, centres)
}

function pointAt(system: System, centres: Float64Array): OperatingPoint | null {
  const far = coilsOf.of(system).filter(({ place }) => centres[place] !== 0)
  if (far.length === 0) return null
  const factorsOf = (spread: number) => Object.fromEntries(far.map(({ place, coil }) => [coil, Math.exp(spread * centres[place])]))
  return {
    key: centres.join(),
    centres,
    factors: {
      ...templateValues,
      coilOhm: factorsOf(SPREADS.coilOhm),
      coilImpedance: factorsOf(SPREADS.coilOhm * SPREADS.impedanceByOhm),
    },
  }
}

/** Where a coil that is about to be read may lie far from the template, likeliest first. */
const LIES_AHEAD: readonly number[] = [-2, 2, -3, 3, -4, 4]

/**
 * The points that may be called for once a coil has been read, beside those called for now.
 *
 * @param sound what is expected in a sound house: it tells which coil is read
 */
export function pointsAhead(system: System, now: readonly OperatingPoint[], sound: Prediction): OperatingPoint[] {
  const places = new Set(coilsOf.of(system).map(({ place }) => place))
  const read = sound.flatMap(({ leans = [], sigma }) => leans.filter(({ cause, by }) => places.has(cause) && Math.abs(by) > sigma))
  const [most] = read.sort((a, b) => Math.abs(b.by) - Math.abs(a.by))
  if (!most) return []
  const from = now.length > 0 ? now.map(({ centres }) => centres) : [new Float64Array(causesOf.of(system).length + 1)]
  return LIES_AHEAD.flatMap((steps) =>
    from.flatMap((centres) => {
      if (centres[most.cause] !== 0) return []
      const point = pointAt(
        system,
        centres.map((centre, place) => (place === most.cause ? steps * STEP : centre)),
      )
      return point ? [point] : []
    }),
  )
}

/** The points that the chains call for: that of the sound house, and that of the house that explains the readings best. */
export function pointsOf(system: System, { links, of }: Chains): OperatingPoint[] {
  const best = links.reduce((a, b) => (b.log > a.log ? b : a))
  const points = new Map<string, OperatingPoint>()
  for (const link of [links[of[0]], best]) {
    const point = pointOf(system, link)
    if (point) points.set(point.key, point)
  }
  return [...points.values()]
}

/** Moving the operating point has to shift a prediction by this before that is worth computing. */
const LEANS = modelValue({ value: 0.25, unit: 'widths', source: 'assumption' })

/** Whether a prediction depends on the operating point: what leans on none of the coils that are far moves by less than its straight line says. */
export const hangsOn = (prediction: Prediction, { centres }: OperatingPoint): boolean =>
  prediction.some(({ leans = [], sigma }) => leans.some(({ cause, by }) => Math.abs(by * centres[cause]) > LEANS * sigma))

/** A prediction linearised at a point, extrapolated to the template's values, from which the chain counts its causes. */
export const fromTemplate = (prediction: Prediction, { centres }: OperatingPoint): Prediction =>
  prediction.map((component): Component => {
    if (typeof component.at !== 'number' || !component.leans) return component
    return { ...component, at: component.leans.reduce((at, { cause, by }) => at - by * centres[cause], component.at) }
  })

/** Chains linearised at a point; null for the template. */
export interface LaidChains {
  readonly chains: Chains
  readonly point: OperatingPoint | null
}

/** For each house the chain linearised nearest to the coils that it ended up with. */
export function nearest(system: System, laid: readonly LaidChains[], { logWeights }: Pick<Houses, 'logWeights'>): Chains {
  const coils = coilsOf.of(system)
  const distances = laid.map(({ chains, point }) =>
    Float64Array.from(chains.links, (link) => {
      let sum = 0
      for (const { place } of coils) {
        const { mean, sigma } = knownOf(link, place)
        sum += Math.max(0, 1 - sigma * sigma) * (mean - (point?.centres[place] ?? 0)) ** 2
      }
      return sum
    }),
  )
  const starts: number[] = []
  const links = laid.flatMap(({ chains }) => chains.links)
  laid.reduce((start, { chains }) => {
    starts.push(start)
    return start + chains.links.length
  }, 0)
  const of = new Int32Array(logWeights.length)
  for (let house = 0; house < of.length; house++) {
    let best = 0
    for (let place = 1; place < laid.length; place++)
      if (distances[place][laid[place].chains.of[house]] < distances[best][laid[best].chains.of[house]]) best = place
    of[house] = starts[best] + laid[best].chains.of[house]
  }
  return { links, of }
}
