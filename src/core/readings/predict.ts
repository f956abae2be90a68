import type { Bench } from '@/src/core/bench/bench'
import { singlesOf } from '@/src/core/faults/fault'
import { INTERMITTENT_SHOWS } from '@/src/core/faults/rates'
import { changesBetween, isAlive, isGuarded, isPulledIn } from '@/src/core/operation/settle'
import type { Probe } from '@/src/core/readings/check'
import { type Hypothesis, whileHidden } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { type Component, OHM_OFFSET, onOhmScale, type Prediction, type Scale } from '@/src/core/readings/prediction'
import { type World, type Worlds, worldsOf } from '@/src/core/readings/world'
import { defaultMeter, type Meter } from '@/src/core/units/meter'
import { normalBelow } from '@/src/core/units/normal'
import { bodyLink, conductorLink, landingLink } from '@/src/core/wiring/assembly'
import { parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { lineNodes } from '@/src/core/wiring/supply'
import { firstPart, partById, type System } from '@/src/core/wiring/system'

/** engine.md section 7, and the meter's accuracy beside them. */
const VOLTS_SIGMA = 0.3
const VOLTS_SHARE = 0.03
const AMPS_SIGMA = 0.04
const AMPS_SHARE = 0.08
const OHMS_SHARE = 0.12
const OHMS_SIGMA = 0.3
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
  if (probe.at === 'fuse') return ['good', 'blown']
  if (probe.at.startsWith('landings@'))
    return [
      'all landed',
      ...landedEnds(system, probe.at.slice('landings@'.length)).flatMap((end) => [`off: ${end}`, `wrong: ${end}`]),
      'strap',
      'wet',
    ]
  const part = partById(system, probe.at)
  if (part?.kind === 'load') return ['runs', 'still']
  if (part?.kind === 'board') return ['steady', 'flashes', 'dark']
  if (part?.kind === 'thermostat')
    return [
      'alive',
      'blank',
      'chatters',
      ...(part.power === 'mechanical' ? [] : ['waits']),
      ...(part.guardA === undefined ? [] : ['over-current code']),
    ]
  return ['in', 'out', 'chatters']
}

function landedEnds(system: System, place: string): string[] {
  return system.cables.flatMap((cable) => {
    const side = cable.between.indexOf(place)
    return side < 0
      ? []
      : cable.conductors.filter((conductor) => conductor.lands[side] !== null).map((conductor) => `${cable.id}.${conductor.id}@${place}`)
  })
}

/** What each probe would read on a bench under a hypothesis, the machine settled once for all of them. */
export function predictAll(
  laboratory: Laboratory,
  bench: Bench,
  hypothesis: Hypothesis,
  probes: readonly Probe[],
  meter: Meter = defaultMeter,
): Prediction[] {
  const shown = predictShown(laboratory, bench, hypothesis, probes, meter)
  if (!hypothesis.intermittent) return shown
  const hidden = predictShown(laboratory, bench, whileHidden(hypothesis), probes, meter)
  const weighed = (prediction: Prediction, share: number) =>
    prediction.map((component) => ({ ...component, weight: component.weight * share }))
  return shown.map((prediction, index) => [...weighed(prediction, INTERMITTENT_SHOWS), ...weighed(hidden[index], 1 - INTERMITTENT_SHOWS)])
}

function predictShown(laboratory: Laboratory, bench: Bench, hypothesis: Hypothesis, probes: readonly Probe[], meter: Meter): Prediction[] {
  const worlds = worldsOf(laboratory, bench, hypothesis)
  const predictions: Component[][] = probes.map(() => [])
  for (const world of worlds.worlds) {
    const share = world.weight / world.settled.members.length
    for (const member of world.settled.members) {
      laboratory.kernel.set(worlds.base, [...world.fixed, ...changesBetween(laboratory.machine, worlds.constraints, 0, member)])
      probes.forEach((probe, index) => {
        if (probe.meter === 'volts') predictions[index].push(volts(laboratory, probe, share, meter))
        if (probe.meter === 'ohms') predictions[index].push(...ohms(laboratory, probe, share, meter))
        if (probe.meter === 'amps') predictions[index].push(amps(laboratory, probe.on, share))
        if (probe.meter === 'look') predictions[index].push(...runs(laboratory, probe.at, share))
      })
    }
    probes.forEach((probe, index) => {
      if (probe.meter === 'look' && partById(laboratory.system, probe.at)?.kind !== 'load')
        predictions[index].push(look(laboratory, probe.at, bench, hypothesis, world))
    })
  }
  probes.forEach((probe, index) => {
    if (probe.meter === 'trip') predictions[index].push(...trip(worlds))
  })
  return predictions
}

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
  const openVolts = kernel.difference(a, b)
  const source = kernel.impedance(a, b)
  const [zr, zi] = [kernel.re, kernel.im]
  const omega = 2 * Math.PI * network.hertz
  const [yr, yi] = probe.lowImpedance ? [1 / meter.lowImpedanceOhm, 0] : [1 / meter.voltsInputOhm, omega * meter.voltsInputFarad]
  const at = openVolts / Math.hypot(1 + zr * yr - zi * yi, zr * yi + zi * yr)
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
  return [{ weight, at: onOhmScale(read), sigma: Math.hypot(OHMS_SHARE, OHMS_SIGMA / (read + OHM_OFFSET)), floating: false }]
}

function amps(laboratory: Laboratory, on: string, weight: number): Component {
  const at = laboratory.kernel.difference(laboratory.network.linkRow(ampsLink(laboratory.system, on)), -1)
  return { weight, at, sigma: Math.max(AMPS_SIGMA, AMPS_SHARE * at), floating: false }
}

/** Below this share of its rated volts a motor or a heater does not run: assumption. */
export const RUNS_ABOVE = 0.6

/** A line-voltage load, seen and heard from beside the unit. */
function runs({ system, network, kernel }: Laboratory, at: string, weight: number): Component[] {
  const part = partById(system, at)
  if (part?.kind !== 'load') return []
  const [a, b] = part.between.map((name) => network.nodeIndex(terminalPoint(name, part.place)))
  return [{ weight, at: { word: kernel.difference(a, b) > RUNS_ABOVE * part.volts ? 'runs' : 'still' }, sigma: 1, floating: false }]
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

function look(laboratory: Laboratory, at: string, bench: Bench, hypothesis: Hypothesis, world: World): Component {
  const word = lookWord(laboratory, at, bench, hypothesis, world)
  return { weight: world.weight, at: { word }, sigma: 1, floating: false }
}

const isFoundFuseOut = (system: System, bench: Bench): boolean =>
  firstPart(system, 'fuse').holds === undefined && (bench.slot.holds === 'breaker' || bench.slot.holds === 'nothing')

function lookWord(laboratory: Laboratory, at: string, bench: Bench, hypothesis: Hypothesis, world: World): string {
  // A found fuse that was taken out for the breaker can still be looked at, in the hand.
  if (at === 'fuse')
    return (isFoundFuseOut(laboratory.system, bench) ? hypothesis.foundFuse === 'blown' : world.protection === 'open') ? 'blown' : 'good'
  if (at.startsWith('landings@')) {
    const off = landedEnds(laboratory.system, at.slice('landings@'.length)).find((end) =>
      hypothesis.effects.some((effect) => effect.do === 'open' && effect.link === `landing:${end}`),
    )
    if (!off || bench.lifted.includes(off)) return strapOrWater(hypothesis, at.slice('landings@'.length)) ?? 'all landed'
    return hypothesis.effects.some((effect) => effect.do === 'short' && effect.a === off) ? `wrong: ${off}` : `off: ${off}`
  }
  const { members } = world.settled
  const waits =
    hypothesis.fault !== null &&
    singlesOf(hypothesis.fault).some(({ family, repair }) => family === 'delay-running' && repair.id === `wait:${at}`)
  const board = laboratory.machine.outputs.find(({ part }) => part.id === at)
  if (board) {
    const { kernel } = laboratory
    if (kernel.difference(board.hot, board.common) < board.part.aliveAboveVolts) return 'dark'
    return waits && bench.call !== 'off' ? 'flashes' : 'steady'
  }
  if (waits && members.every(isAlive) && bench.call !== 'off') return 'waits'
  if (at === laboratory.machine.thermostat.id && members.every((state) => isGuarded(laboratory.machine, state))) return 'over-current code'
  if (hypothesis.effects.some((effect) => effect.do === 'weld' && effect.coil === at)) return 'in'
  const relay = laboratory.machine.relays.findIndex((model) => model.part.id === at)
  const isOn = relay < 0 ? isAlive : (state: number) => isPulledIn(state, relay)
  const [on, off] = relay < 0 ? ['alive', 'blank'] : ['in', 'out']
  const states = new Set(members.map(isOn))
  if (states.size > 1) return 'chatters'
  return states.has(true) ? on : off
}

/** What else the eye finds at the landings of a place. */
function strapOrWater({ fault }: Hypothesis, place: string): string | null {
  const here = fault ? singlesOf(fault).filter(({ zone }) => zone === place) : []
  if (here.some(({ family }) => family === 'jumper-left' || family === 'transformers-tied')) return 'strap'
  return here.some(({ family }) => family === 'water-in-connector') ? 'wet' : null
}
