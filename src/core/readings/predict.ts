import { type Bench, benchKey } from '@/src/core/bench/bench'
import { INTERMITTENT_SHOWS } from '@/src/core/faults/rates'
import { setInState } from '@/src/core/operation/in-state'
import type { Probe } from '@/src/core/readings/check'
import { type Hypothesis, healthy, whileHidden, whileShown } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { asCalled, look, RUNS, runs, wordsOfLook, workingIn } from '@/src/core/readings/looks'
import { type Component, isAlike, OHM_OFFSET, onOhmScale, type Prediction, type Scale } from '@/src/core/readings/prediction'
import { type Worlds, worldsOf } from '@/src/core/readings/world'
import { Kept, KeptPer } from '@/src/core/units/kept'
import { defaultMeter, type Meter } from '@/src/core/units/meter'
import { normalBelow } from '@/src/core/units/normal'
import { bodyLink, conductorLink, landingLink } from '@/src/core/wiring/assembly'
import { parsePoint } from '@/src/core/wiring/point'
import { lineNodes } from '@/src/core/wiring/supply'
import { firstPart, type System } from '@/src/core/wiring/system'

/** engine.md section 7, and the meter's accuracy beside them. */
const VOLTS_SIGMA = 0.3
const VOLTS_SHARE = 0.03
const AMPS_SIGMA = 0.04
const AMPS_SHARE = 0.08
const OHMS_SHARE = 0.12
const OHMS_SIGMA = 0.3
/** A clamp catches a pull of a twentieth of a second more or less: assumption. */
const HIGHEST_SHARE = 0.25
/** Above this source impedance a point is floating for a 10 Mohm meter. */
const FLOATING_OHM = 100e3
/** Above this a path on the ohmmeter is electronics, known to a factor of 3, and may read OL. */
const ELECTRONICS_OHM = 800
const ELECTRONICS_SIGMA = 1.3
const ELECTRONICS_OL = 0.15

/** Which scale a probe reads on; line-side points have one of their own. */
export function scaleOf(system: System, probe: Probe): Scale {
  if (probe.meter === 'trip' || probe.meter === 'look') return 'word'
  if (probe.meter !== 'volts') return probe.meter
  return [probe.a, probe.b].some((point) => isLinePoint(system, point)) ? 'line-volts' : 'volts'
}

export const isLinePoint = (system: System, point: string): boolean => lineNodes(system).has(point)

/** Words that can answer a look or a trip. */
export function wordsFor(system: System, probe: Probe): string[] {
  if (probe.meter === 'trip') return ['trips', 'holds']
  if (probe.meter !== 'look') return []
  return wordsOfLook(system, probe.at)
}

/** What each probe would read on a bench under a hypothesis, the machine settled once for all of them. */
export function predictAll(
  laboratory: Laboratory,
  bench: Bench,
  hypothesis: Hypothesis,
  probes: readonly Probe[],
  meter: Meter = defaultMeter,
): Prediction[] {
  const shown = predictShown(laboratory, bench, whileShown(hypothesis), probes, meter)
  return hypothesis.intermittent ? nowAndThen(shown, predictShown(laboratory, bench, whileHidden(hypothesis), probes, meter)) : shown
}

/** What a fault that comes and goes makes of readings: what it shows, or what is there while it hides. */
export const nowAndThen = (shown: readonly Prediction[], hidden: readonly Prediction[]): Prediction[] =>
  shown.map((prediction, index) =>
    isAlike(prediction, hidden[index])
      ? hidden[index]
      : [...weighed(prediction, INTERMITTENT_SHOWS), ...weighed(hidden[index], 1 - INTERMITTENT_SHOWS)],
  )

const weighed = (prediction: Prediction, share: number): Prediction =>
  prediction.map((component) => ({ ...component, weight: component.weight * share }))

function predictShown(laboratory: Laboratory, bench: Bench, hypothesis: Hypothesis, probes: readonly Probe[], meter: Meter): Prediction[] {
  const worlds = worldsOf(laboratory, bench, hypothesis)
  // The kernel holds one state at a time: what a sound house does is asked before it is set.
  const soundly = probes.some(asksWhatRuns) ? soundWork(laboratory, bench) : null
  const predictions: Component[][] = probes.map(() => [])
  for (const world of worlds.worlds) {
    const share = world.weight / world.settled.members.length
    for (const member of world.settled.members) {
      setInState(laboratory.kernel, laboratory.machine, worlds.base, world.fixed, worlds.constraints, member)
      const works = soundly && workingIn(laboratory, hypothesis, member)
      probes.forEach((probe, index) => {
        if (soundly && works && probe.meter === 'look' && probe.at.startsWith(RUNS))
          predictions[index].push(asCalled(laboratory.system, probe.at, works, soundly, share))
        if (probe.meter === 'volts') predictions[index].push(volts(laboratory, probe, share, meter))
        if (probe.meter === 'ohms') predictions[index].push(...ohms(laboratory, probe, share, meter))
        if (probe.meter === 'amps' && !probe.hold) predictions[index].push(amps(laboratory, probe.on, share))
        if (probe.meter === 'look') predictions[index].push(...runs(laboratory, probe.at, share))
      })
    }
    probes.forEach((probe, index) => {
      if (probe.meter === 'look') predictions[index].push(...look(laboratory, probe.at, bench, hypothesis, world))
    })
  }
  probes.forEach((probe, index) => {
    if (probe.meter === 'trip') predictions[index].push(...trip(worlds))
    if (probe.meter === 'amps' && probe.hold) predictions[index].push(highestAmps(laboratory, probe.on, worlds))
  })
  return predictions
}

const asksWhatRuns = (probe: Probe): boolean => probe.meter === 'look' && probe.at.startsWith(RUNS)

/** Benches whose sound work is kept. */
const KEPT_SOUND = 40
const soundKept = new KeptPer((_: Laboratory) => new Kept<string, ReadonlyMap<string, boolean>>(KEPT_SOUND))

/** What works on a bench while nothing is wrong. */
const soundWork = (laboratory: Laboratory, bench: Bench): ReadonlyMap<string, boolean> =>
  soundKept.of(laboratory).get(benchKey(bench), () => {
    const { base, constraints, worlds } = worldsOf(laboratory, bench, healthy)
    const [{ fixed, settled }] = worlds
    const [state] = settled.members
    setInState(laboratory.kernel, laboratory.machine, base, fixed, constraints, state)
    return workingIn(laboratory, healthy, state)
  })

export function predict(
  laboratory: Laboratory,
  bench: Bench,
  hypothesis: Hypothesis,
  probe: Probe,
  meter: Meter = defaultMeter,
): Prediction {
  return predictAll(laboratory, bench, hypothesis, [probe], meter)[0]
}

/** The meter's own load divides the open-circuit volts: a free conductor's ghost volts come out by themselves. */
function volts(laboratory: Laboratory, probe: Extract<Probe, { meter: 'volts' }>, weight: number, meter: Meter): Component {
  const { kernel, network } = laboratory
  const [a, b] = [network.nodeIndex(probe.a), network.nodeIndex(probe.b)]
  const openVolts = kernel.source(a, b)
  const { re: zr, im: zi } = kernel
  const source = Math.sqrt(zr * zr + zi * zi)
  const omega = 2 * Math.PI * network.hertz
  const [yr, yi] = probe.lowImpedance ? [1 / meter.lowImpedanceOhm, 0] : [1 / meter.voltsInputOhm, omega * meter.voltsInputFarad]
  const [dr, di] = [1 + zr * yr - zi * yi, zr * yi + zi * yr]
  const at = openVolts / Math.sqrt(dr * dr + di * di)
  const floating = !probe.lowImpedance && source > FLOATING_OHM
  return { weight, at, sigma: floating ? Math.max(2, at * 0.3) : Math.max(VOLTS_SIGMA, VOLTS_SHARE * at), floating }
}

function ohms(laboratory: Laboratory, probe: Extract<Probe, { meter: 'ohms' }>, weight: number, meter: Meter): Component[] {
  const { kernel, network } = laboratory
  const ohm = kernel.impedance(network.nodeIndex(probe.a), network.nodeIndex(probe.b))
  const read = ohm + meter.leadOhm
  if (read > ELECTRONICS_OHM) {
    // Insulation and electronics are known to a factor: near the end of its range the meter may show a number or OL.
    const past = normalBelow(Math.log(Math.min(ohm, 1e15)), Math.log(meter.overloadOhm), ELECTRONICS_SIGMA)
    const overload = Math.max(ELECTRONICS_OL, past)
    const number: Component = {
      weight: weight * (1 - overload),
      at: onOhmScale(Math.min(read, meter.overloadOhm)),
      sigma: ELECTRONICS_SIGMA,
      floating: false,
    }
    const beyond: Component = { weight: weight * overload, at: 'OL', sigma: 1, floating: false }
    if (overload > 0.999) return [beyond]
    return overload > 0.5 ? [beyond, number] : [number, beyond]
  }
  const lead = OHMS_SIGMA / (read + OHM_OFFSET)
  return [{ weight, at: onOhmScale(read), sigma: Math.sqrt(OHMS_SHARE * OHMS_SHARE + lead * lead), floating: false }]
}

function amps(laboratory: Laboratory, on: string, weight: number): Component {
  const at = laboratory.kernel.difference(laboratory.network.linkRow(ampsLink(laboratory.system, on)), -1)
  return { weight, at, sigma: Math.max(AMPS_SIGMA, AMPS_SHARE * at), floating: false }
}

/** The highest current on the way to where the machine comes to rest or the protection opens: the pull of coils before they seat is in it. */
function highestAmps(laboratory: Laboratory, on: string, { base, constraints, before }: Worlds): Component {
  const { kernel, machine, network, system } = laboratory
  const row = network.linkRow(ampsLink(system, on))
  const at = before.settled.path.reduce((highest, state) => {
    setInState(kernel, machine, base, before.fixed, constraints, state)
    return Math.max(highest, kernel.difference(row, -1))
  }, 0)
  return { weight: 1, at, sigma: Math.max(AMPS_SIGMA, HIGHEST_SHARE * at), floating: false }
}

/** The link whose current a clamp reads: a conductor at one end, or the fuse's lead. */
export function ampsLink(system: System, on: string): string {
  const fuse = firstPart(system, 'fuse')
  if (on === fuse.id) return bodyLink(fuse.id)
  const { cable, name, place } = parsePoint(on)
  const found = system.cables.find((candidate) => candidate.id === cable)
  const conductor = found?.conductors.find((candidate) => candidate.id === name)
  if (!found || !conductor) throw new Error(`no conductor to clamp: ${on}`)
  const isLanded = conductor.lands[found.between.indexOf(place)] !== null
  return isLanded ? landingLink(found.id, conductor.id, place) : conductorLink(found.id, conductor.id)
}

function trip(worlds: Worlds): Component[] {
  const alreadyOpen = worlds.worlds.length === 1 && worlds.worlds[0].protection === 'open' && worlds.trips === 0
  const trips = alreadyOpen ? 0 : worlds.trips
  return [
    { weight: trips, at: { word: 'trips' }, sigma: 1, floating: false },
    { weight: 1 - trips, at: { word: 'holds' }, sigma: 1, floating: false },
  ]
}
