import { integrateLoop } from '@/src/core/cable/loop-posterior'
import { integrateOpen } from '@/src/core/cable/open-posterior'
import type { CapacitanceReading, Density, Distance, LoopReading, Run } from '@/src/core/cable/run'
import { bandOf } from '@/src/core/units/band'
import { modelValue } from '@/src/core/units/model-value'
import { copperOhm } from '@/src/core/wiring/copper'

/** What the band holds. */
const HELD = modelValue({ value: 0.95, unit: 'probability', source: 'the usual band of two standard deviations' })
/** A wider band than this tells nobody where to open a wall. */
const USEFUL = modelValue({ value: 0.4, unit: 'share of the run', source: 'assumption' })
/** Copper follows the air of an attic, a wall and a yard. */
const USUAL_C = modelValue({ value: { mean: 25, sd: 12 } as const, unit: '°C', source: 'assumption' })
/** The copper may be this much warmer or colder than the air temperature that was typed. */
const TOLD_C_SD = modelValue({ value: 5, unit: '°C', source: 'assumption' })
/** Warm copper has more ohms. */
const COPPER_PER_K = modelValue({ value: 0.00393, unit: '1/K', source: 'temperature coefficient of copper at 20 °C, IEC 60028' })
/** Wire is drawn to its gauge within this. */
const GAUGE_SD = modelValue({ value: 0.01, unit: 'share', source: 'ASTM B258, diameter within 1 %: assumption of half of it' })
/** Paced, or read off the print on the jacket. */
const TOLD_M_SD = modelValue({ value: 0.04, unit: 'share', source: 'assumption' })
/** What a drawing says of a run. */
const DRAWN_M_SD = modelValue({ value: 0.4, unit: 'share', source: 'assumption' })

/** ohm per metre of one conductor, and how far that may be off, as a share. */
export function ohmPerMetre({ gaugeAwg, copperC }: Run): { readonly mean: number; readonly sd: number } {
  const degrees = copperC === null ? USUAL_C : { mean: copperC, sd: TOLD_C_SD }
  return {
    mean: copperOhm(gaugeAwg, 1) * (1 + COPPER_PER_K * (degrees.mean - 20)),
    sd: Math.hypot(COPPER_PER_K * degrees.sd, GAUGE_SD),
  }
}

/** Metres of a run before any reading, and how far that may be off, as a share. */
export const lengthOf = ({ toldM, drawnM }: Run): { readonly mean: number; readonly sd: number } =>
  toldM === null ? { mean: drawnM, sd: DRAWN_M_SD } : { mean: toldM, sd: TOLD_M_SD }

/**
 * Where along a run two conductors touch, or one touches metal: the posterior over the distance, with the contact's own resistance, the
 * length, the copper's temperature and the meter's leads as nuisances. From both ends the contact cancels: x = L/2 + (Ra - Rb)/(4 r)
 * (engine.md, *Distance to a short*); from one end it does not, and the band says so.
 *
 * @returns null without a reading of the short itself
 */
export function distanceToShort(run: Run, readings: readonly LoopReading[]): Distance | null {
  const own = readings.filter(({ of }) => of !== 'sound')
  if (own.length === 0) return null
  const ends = new Set(own.map(({ end }) => end))
  const coarsest = Math.max(...own.map(({ step }) => step))
  return told(run, integrateLoop(ohmPerMetre(run), lengthOf(run), run.isNulled, readings), () =>
    ends.size < 2
      ? 'Read it from the other end too: what the contact itself has then cancels.'
      : !run.isNulled && coarsest > FINE_OHM
        ? 'Null the leads, and read to a hundredth of an ohm.'
        : coarsest > FINE_OHM
          ? 'Read to a hundredth of an ohm: this meter shows tenths.'
          : run.toldM === null
            ? 'Pace the run, or read the loop of two sound conductors that are joined at the far end: that tells the length.'
            : 'Read it again with the clips on bare copper: this is as close as this meter comes on this run.',
  )
}

/**
 * Where along a run a conductor is open: capacitance from either end goes with the length that is left there, x/L = Ca/(Ca + Cb), or
 * against a sound conductor of the same cable, x/L = Ca/Cs (engine.md, *Distance to an open*).
 *
 * @returns null without a reading of the open conductor itself, or with one that nothing is compared with
 */
export function distanceToOpen(run: Run, readings: readonly CapacitanceReading[]): Distance | null {
  const own = readings.filter(({ of }) => of === 'open')
  const isCompared = new Set(own.map(({ end }) => end)).size > 1 || readings.some(({ of }) => of === 'sound')
  if (own.length === 0 || !isCompared) return null
  return told(run, integrateOpen(lengthOf(run), run.isNulled, readings), () =>
    run.isNulled
      ? 'Pace the run, or read the loop of two sound conductors: the length is what is not known.'
      : 'Null the meter with its leads as they lie: their own capacitance counts on a short run.',
  )
}

/** Metres of a run from the loop of two sound conductors that are joined at its other end. */
export function lengthFromLoop(run: Run, readings: readonly LoopReading[]): Distance | null {
  const sound = readings.filter(({ of }) => of === 'sound')
  if (sound.length === 0) return null
  const { length } = integrateLoop(ohmPerMetre(run), lengthOf({ ...run, toldM: null }), run.isNulled, sound)
  const band = bandOf(length, HELD)
  return { lowM: band.low, middleM: band.middle, highM: band.high, isUseful: band.high - band.low < USEFUL * band.middle, better: null }
}

/** A finer last digit than this shows a quarter of a meter of the pair. */
const FINE_OHM = modelValue({ value: 0.011, unit: 'ohm', source: '25 cm of a pair of 18 AWG' })

function told(run: Run, { distance }: { readonly distance: Density }, betterBy: () => string): Distance {
  const band = bandOf(distance, HELD)
  const isUseful = band.high - band.low < USEFUL * lengthOf(run).mean
  return { lowM: band.low, middleM: band.middle, highM: band.high, isUseful, better: isUseful ? null : betterBy() }
}
