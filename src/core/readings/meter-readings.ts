import type { SolvedState } from '@/src/core/operation/in-state'
import type { StateBits } from '@/src/core/operation/state'
import { SPREADS } from '@/src/core/readings/causes'
import type { Probe } from '@/src/core/readings/check'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { leansOfOhms, leansOfVolts } from '@/src/core/readings/leans'
import { type Component, OHM_OFFSET, onOhmScale } from '@/src/core/readings/prediction'
import { Memo } from '@/src/core/units/cache'
import { defaultMeter } from '@/src/core/units/meter'
import { modelValue } from '@/src/core/units/model-value'
import { normalBelow } from '@/src/core/units/normal'
import { bodyLink, conductorLink, landingLink } from '@/src/core/wiring/links'
import { isPoint, parsePoint } from '@/src/core/wiring/point'
import { lineNodes } from '@/src/core/wiring/supply'
import { cableById, firstPart, type System } from '@/src/core/wiring/system'

/** Spread of a voltage once the house is known, beside its share: the meter, the hand, and what a straight line leaves out. */
const VOLTS_SIGMA = modelValue({ value: 0.25, unit: 'V', source: 'engine.md section 7, less what the causes of the house carry' })
/** The part of that spread that grows with the voltage. */
const VOLTS_SHARE = modelValue({ value: 0.012, unit: 'share', source: 'engine.md section 7, less what the causes of the house carry' })
/** Spread of amps once the house is known, beside their share. */
export const AMPS_SIGMA = modelValue({ value: 0.03, unit: 'A', source: 'engine.md section 7' })
/** The part of that spread that grows with the amps. */
const AMPS_SHARE = modelValue({ value: 0.04, unit: 'share', source: 'engine.md section 7' })
/** The part of the spread of ohms that grows with them. */
const OHMS_SHARE = modelValue({ value: 0.04, unit: 'share', source: 'engine.md section 7' })
/** Spread of ohms once the house is known, beside their share. */
const OHMS_SIGMA = modelValue({ value: 0.25, unit: 'ohm', source: 'engine.md section 7' })
/** Coupled to less than this, a free point has nothing live near it, and no ghost to show. */
const NOTHING_LIVE_VOLTS = modelValue({ value: 0.1, unit: 'V', source: 'assumption' })
/** What strays in all the same, from the line beside it. */
const STRAY_VOLTS = modelValue({ value: 1, unit: 'V', source: 'assumption' })
/** Above this source impedance a point is floating for a 10 Mohm meter. */
const FLOATING_OHM = modelValue({ value: 100e3, unit: 'ohm', source: 'assumption' })
/** Above this a path on the ohmmeter is electronics, which read otherwise each time, and may read OL. */
const ELECTRONICS_OHM = modelValue({ value: 800, unit: 'ohm', source: 'assumption' })
/** How widely such a path reads. */
const ELECTRONICS_SIGMA = modelValue({ value: 0.9, unit: 'natural logarithm', source: 'assumption' })
/** Such a path reads OL. */
const ELECTRONICS_OL = modelValue({ value: 0.15, unit: 'chance', source: 'assumption' })

/**
 * What the meter shows of one probe in a solved state, as components of that weight together; with the state's bits also how it leans
 * on what is not known of the house.
 */
export type MeterReading = (solved: SolvedState, weight: number, leaning: StateBits | null) => readonly Component[]

/** How each of some probes is read, null where it is no meter's; where the leads touch the network is found once. */
export const meterReadings = new Memo(
  (laboratory: Laboratory) => new Memo((probes: readonly Probe[]) => probes.map((probe) => meterReading(laboratory, probe))),
)

/** The same where resistors of known values are in: what is read through those is no electronics. */
export const readingsThroughResistors = new Memo(
  (laboratory: Laboratory) => new Memo((probes: readonly Probe[]) => probes.map((probe) => meterReading(laboratory, probe, OPEN_FROM_OHM))),
)
/** From here on an ohmmeter reads insulation, whatever resistors are in. */
export const OPEN_FROM_OHM = modelValue({ value: 1e6, unit: 'ohm', source: 'assumption: the largest resistor of a bag' })

function meterReading(laboratory: Laboratory, probe: Probe, electronicsOhm: number = ELECTRONICS_OHM): MeterReading | null {
  switch (probe.meter) {
    case 'volts':
      return volts(laboratory, probe)
    case 'ohms':
      return ohms(laboratory, probe, electronicsOhm)
    case 'amps':
      return probe.hold ? null : amps(laboratory, probe.on)
    default:
      return null
  }
}

/** What else a line of 240 V may be, and how often: a house on two legs of a wye, a commercial roof on one leg and the neutral. */
const OTHER_NOMINALS = modelValue({
  value: [
    { times: 208 / 240, share: 0.1 },
    { times: 277 / 240, share: 0.02 },
  ] as const,
  unit: 'times 240 V, share of the houses',
  source: 'assumption; 208 and 277 V are the nominal voltages of 120/208 and 277/480 V systems',
})
/** The line as the template has it, between its legs. */
const BETWEEN_LEGS = modelValue({ value: { low: 225, high: 255 } as const, unit: 'V', source: '240 V, give or take 6 %' })

/** The meter's own load divides the open-circuit volts: a free conductor's ghost volts come out by themselves. */
function volts(laboratory: Laboratory, { a: red, b: black, lowImpedance }: Extract<Probe, { meter: 'volts' }>): MeterReading {
  const { network } = laboratory
  const [a, b] = [network.nodeIndex(red), network.nodeIndex(black)]
  const { lowImpedanceOhm, voltsInputOhm, voltsInputFarad } = defaultMeter
  const line = lineNodes(laboratory.system)
  const isLine = line.has(red) && line.has(black)
  const [yr, yi] = lowImpedance ? [1 / lowImpedanceOhm, 0] : [1 / voltsInputOhm, 2 * Math.PI * network.hertz * voltsInputFarad]
  return ({ kernel }, weight, leaning) => {
    const openVolts = kernel.source(a, b)
    const { re: zr, im: zi, openRe, openIm } = kernel
    const dr = 1 + zr * yr - zi * yi
    const di = zr * yi + zi * yr
    const at = openVolts / Math.sqrt(dr * dr + di * di)
    const floating = !lowImpedance && Math.sqrt(zr * zr + zi * zi) > FLOATING_OHM
    if (floating)
      return [
        at < NOTHING_LIVE_VOLTS
          ? { weight, at, sigma: STRAY_VOLTS, floating: false }
          : { weight, at, sigma: Math.max(2, at * 0.3), floating },
      ]
    const sigma = Math.max(VOLTS_SIGMA, VOLTS_SHARE * at)
    if (isLine && at > BETWEEN_LEGS.low && at < BETWEEN_LEGS.high) return asSupplied(weight, at, sigma)
    if (leaning === null) return [{ weight, at, sigma, floating }]
    const leans = leansOfVolts(laboratory, kernel, leaning, { re: openRe, im: openIm }, at, sigma)
    return [{ weight, at, sigma, floating, leans }]
  }
}

/** The whole line across its legs: of the template's nominal, or of another one. It is what it is under any hypothesis. */
function asSupplied(weight: number, at: number, sigma: number): Component[] {
  const others = OTHER_NOMINALS.reduce((sum, { share }) => sum + share, 0)
  const wide = Math.max(sigma, SPREADS.line * at)
  return [
    { weight: weight * (1 - others), at, sigma: wide, floating: false },
    ...OTHER_NOMINALS.map(({ times, share }): Component => ({ weight: weight * share, at: at * times, sigma: wide, floating: false })),
  ]
}

function ohms(laboratory: Laboratory, probe: Extract<Probe, { meter: 'ohms' }>, electronicsOhm: number): MeterReading {
  const { network } = laboratory
  const [a, b] = [network.nodeIndex(probe.a), network.nodeIndex(probe.b)]
  const { leadOhm, overloadOhm } = defaultMeter
  return ({ kernel }, weight, leaning) => {
    const ohm = kernel.impedance(a, b)
    const read = ohm + leadOhm
    if (read <= electronicsOhm) {
      const lead = OHMS_SIGMA / (read + OHM_OFFSET)
      const sigma = Math.sqrt(OHMS_SHARE * OHMS_SHARE + lead * lead)
      const at = onOhmScale(read)
      if (leaning === null) return [{ weight, at, sigma, floating: false }]
      const leans = leansOfOhms(laboratory, kernel, read + OHM_OFFSET, sigma)
      return [{ weight, at, sigma, floating: false, leans }]
    }
    // Insulation and electronics are known to a factor: near the end of its range the meter may show a number or OL.
    const past = normalBelow(Math.log(Math.min(ohm, 1e15)), Math.log(overloadOhm), ELECTRONICS_SIGMA)
    const overload = Math.max(ELECTRONICS_OL, past)
    const beyond: Component = { weight: weight * overload, at: 'OL', sigma: 1, floating: false }
    if (overload > 0.999) return [beyond]
    const leans = leaning === null ? undefined : leansOfOhms(laboratory, kernel, read + OHM_OFFSET, ELECTRONICS_SIGMA)
    const number: Component = {
      weight: weight * (1 - overload),
      at: onOhmScale(Math.min(read, overloadOhm)),
      sigma: ELECTRONICS_SIGMA,
      floating: false,
      ...(leans ? { leans } : {}),
    }
    return overload > 0.5 ? [beyond, number] : [number, beyond]
  }
}

function amps(laboratory: Laboratory, on: string): MeterReading {
  const { network, system } = laboratory
  const row = network.linkRow(ampsLink(system, on))
  return ({ kernel }, weight, leaning) => {
    const at = kernel.current(row)
    const sigma = Math.max(AMPS_SIGMA, AMPS_SHARE * at)
    if (leaning === null) return [{ weight, at, sigma, floating: false }]
    const found = { re: kernel.re, im: kernel.im }
    const siemens = kernel.lookAtCurrent(row)
    const leans = leansOfVolts(laboratory, kernel, leaning, { re: found.re / siemens, im: found.im / siemens }, at, sigma)
    return [{ weight, at, sigma, floating: false, leans }]
  }
}

/** The link whose current a clamp reads: a conductor at one end, or the fuse's lead. */
export function ampsLink(system: System, on: string): string {
  const fuse = firstPart(system, 'fuse')
  if (on === fuse.id) return bodyLink(fuse.id)
  if (!isPoint(on)) throw new Error(`no conductor to clamp: ${on}`)
  const { cable, name, place } = parsePoint(on)
  const found = cableById(system, cable)
  const conductor = found?.conductors.find((candidate) => candidate.id === name)
  if (!found || !conductor) throw new Error(`no conductor to clamp: ${on}`)
  const isLanded = conductor.lands[found.between.indexOf(place)] !== null
  return isLanded ? landingLink(found.id, conductor.id, place) : conductorLink(found.id, conductor.id)
}
