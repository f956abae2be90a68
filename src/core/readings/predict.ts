import { type Bench, benchKey, isResistor } from '@/src/core/bench/bench'
import { setInState } from '@/src/core/operation/in-state'
import { type Probe, tripWord } from '@/src/core/readings/check'
import { isFromTheCallOn } from '@/src/core/readings/clock-after'
import { type Hypothesis, healthy, whileHidden, whileShown } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { parseLook } from '@/src/core/readings/look-target'
import { look, wordsOfLook } from '@/src/core/readings/looks'
import { AMPS_SIGMA, ampsLink, meterReadings, readingsThroughResistors } from '@/src/core/readings/meter-readings'
import { nowAndThen, seenToOpen, showsOn } from '@/src/core/readings/now-and-then'
import type { Component, Prediction, Scale } from '@/src/core/readings/prediction'
import { asCalled, runs, workingIn } from '@/src/core/readings/working'
import { type Watches, type Worlds, weightFor, worldsOf } from '@/src/core/readings/world'
import { LruCache, Memo } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'
import { neutralLink, poleLink } from '@/src/core/wiring/links'
import { type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { lineNodes } from '@/src/core/wiring/supply'
import { furtherFuses, partsOf, type System } from '@/src/core/wiring/system'

/** A clamp catches a pull of a twentieth of a second more or less. */
const HIGHEST_SHARE = modelValue({ value: 0.25, unit: 'share', source: 'assumption' })

/** Which scale a probe reads on; line-side points have one of their own. */
export function scaleOf(system: System, probe: Probe): Scale {
  if (probe.meter === 'trip' || probe.meter === 'look') return 'word'
  if (probe.meter !== 'volts') return probe.meter
  return [probe.a, probe.b].some((point) => isLinePoint(system, point)) ? 'line-volts' : 'volts'
}

export const isLinePoint = (system: System, point: Point): boolean => lineNodes(system).has(point)

/** Words that can answer a look or a trip. */
export function wordsFor(system: System, probe: Probe): string[] {
  if (probe.meter === 'trip') return ['trips', ...furtherFuses(system).map(({ id }) => tripWord(id)), 'holds']
  if (probe.meter !== 'look') return []
  return wordsOfLook(system, probe.at)
}

/** Of which probes it is asked how they lean on what is not known of the house: of all, of none, or of these alone. */
export type Leaning = boolean | readonly boolean[]

/**
 * What each probe would read on a bench under a hypothesis, the machine settled once for all of them. With `leaning` also how each
 * reading leans on what is not known of the house, which takes about as long again; where that is asked of some, the others are left
 * empty.
 */
export function predictAll(
  laboratory: Laboratory,
  bench: Bench,
  hypothesis: Hypothesis,
  probes: readonly Probe[],
  leaning: Leaning = false,
): Prediction[] {
  const shown = predictShown(laboratory, bench, whileShown(hypothesis), probes, leaning)
  if (showsOn(laboratory.system, hypothesis, bench) === 1) return shown
  const hidden = predictShown(laboratory, bench, whileHidden(hypothesis), probes, leaning)
  return shown.map((prediction, index) => atTimes(laboratory.system, bench, hypothesis, probes[index], prediction, hidden[index]))
}

/** What a probe reads of a hypothesis whose fault shows at times. */
function atTimes(system: System, bench: Bench, hypothesis: Hypothesis, probe: Probe, shown: Prediction, hidden: Prediction): Prediction {
  return nowAndThen(seenToOpen(hypothesis, probe, shown, hidden), hidden, showsOn(system, hypothesis, bench, probe))
}

export const predict = (laboratory: Laboratory, bench: Bench, hypothesis: Hypothesis, probe: Probe, leaning = false): Prediction =>
  predictAll(laboratory, bench, hypothesis, alone.of(probe), leaning)[0]

const alone = new Memo((probe: Probe) => [probe])

/** Whether it matters how the fuse was found: not once another one or a breaker is in its slot, unless the old one is looked at. */
export const tellsFoundFuse = ({ slot }: Bench, probes: readonly Probe[]): boolean =>
  slot.holds === 'as-found' || probes.some((probe) => probe.meter === 'look' && probe.at === 'fuse')

/**
 * What one probe reads under a hypothesis, put together from the moments when its fault shows and when it hides, which many hypotheses share.
 * @param moment predicts one moment of a hypothesis (`whileShown`, `whileHidden`)
 */
export function overMoments(
  system: System,
  bench: Bench,
  hypothesis: Hypothesis,
  probe: Probe,
  moment: (told: Hypothesis) => Prediction,
): Prediction {
  const shown = moment(whileShown(hypothesis))
  if (showsOn(system, hypothesis, bench) === 1) return shown
  return atTimes(system, bench, hypothesis, probe, shown, moment(whileHidden(hypothesis)))
}

/** What one probe reads at one moment of a hypothesis. */
export const predictMoment = (laboratory: Laboratory, bench: Bench, told: Hypothesis, probe: Probe, leaning: boolean): Prediction =>
  predictShown(laboratory, bench, told, alone.of(probe), leaning)[0]

function predictShown(
  laboratory: Laboratory,
  bench: Bench,
  hypothesis: Hypothesis,
  probes: readonly Probe[],
  leaning: Leaning,
): Prediction[] {
  const worlds = worldsOf(laboratory, bench, hypothesis)
  const readings = (bench.jumpers.some(isResistor) ? readingsThroughResistors : meterReadings).of(laboratory).of(probes)
  // Asked first, for it sets the kernel too.
  const soundly = probes.some(asksWhatRuns) ? soundWork(laboratory, bench) : null
  const loose = looseInLine(laboratory, hypothesis)
  const whole = loose.length > 0 ? wholeLine(laboratory, bench, probes, loose) : null
  const predictions: Prediction[] = new Array(probes.length).fill(NOTHING)
  const add = (index: number, more: Prediction) => {
    if (more.length > 0) predictions[index] = predictions[index] === NOTHING ? more : [...predictions[index], ...more]
  }
  for (const world of worlds.worlds) {
    const shares = probes.map((probe) => weightFor(world, watchedBy(laboratory.system, probe)) / world.settled.members.length)
    for (const member of world.settled.members) {
      const solved = setInState(laboratory.kernel, laboratory.machine, worlds.base, world.fixed, worlds.constraints, member)
      const works = soundly && workingIn(laboratory, solved, hypothesis, member)
      for (let index = 0; index < probes.length; index++) {
        if (typeof leaning === 'object' && !leaning[index]) continue
        const share = shares[index]
        if (share === 0) continue
        const reading = readings[index]
        if (reading) add(index, anyPart(reading(solved, share, leaning ? member : null), whole?.[index] ?? null))
        const probe = probes[index]
        if (probe.meter !== 'look') continue
        if (soundly && works && asksWhatRuns(probe)) add(index, asCalled(laboratory.system, probe.at, works, soundly, share))
        add(index, runs(laboratory, solved, hypothesis, probe.at, share))
      }
    }
    probes.forEach((probe, index) => {
      if (probe.meter === 'look' && shares[index] > 0)
        add(
          index,
          look(laboratory, probe.at, bench, hypothesis, worlds, { ...world, weight: shares[index] * world.settled.members.length }),
        )
    })
  }
  probes.forEach((probe, index) => {
    if (probe.meter === 'trip') add(index, trip(worlds))
    if (probe.meter === 'amps' && probe.hold) add(index, highestAmps(laboratory, probe.on, worlds))
  })
  return predictions
}

const NOTHING: Prediction = []

/** Volts at an igniter and whether it glows; the burners from the call on. */
function watchedBy(system: System, probe: Probe): Watches {
  const igniters = ignitersOf.of(system)
  if (igniters.size === 0) return 'else'
  if (probe.meter === 'volts') return igniters.has(probe.a) || igniters.has(probe.b) ? 'igniter' : 'else'
  if (probe.meter !== 'look') return 'else'
  return igniters.has(probe.at) ? 'igniter' : isFromTheCallOn(probe) ? 'burners' : 'else'
}
const ignitersOf = new Memo(
  (system: System): ReadonlySet<string> =>
    new Set(partsOf(system, 'board').flatMap(({ ignites, place }) => (ignites ? [ignites.igniter, terminalPoint(ignites.by, place)] : []))),
)

/**
 * Where a joint of the line is loose: what hangs behind it there decides how much of the volts is left across it, and half of that no model has.
 */
const looseInLine = ({ system }: Laboratory, { effects }: Hypothesis): string[] =>
  effects.flatMap((effect) => (effect.do === 'resist' ? (lineJoints.of(system).get(effect.link) ?? []) : []))
const lineJoints = new Memo(
  (system: System): ReadonlyMap<string, string> =>
    new Map([
      ...partsOf(system, 'disconnect').flatMap(({ id, place, poles }) => poles.map((_, pole) => [poleLink(id, pole), place] as const)),
      ...partsOf(system, 'supply').map(({ id, place }) => [neutralLink(id), place] as const),
    ]),
)

/** What each probe of the line at some places reads in a sound house, V; null for every other probe. */
const wholeLine = (laboratory: Laboratory, bench: Bench, probes: readonly Probe[], places: readonly string[]): (number | null)[] =>
  probes.map((probe) => {
    if (scaleOf(laboratory.system, probe) !== 'line-volts' || !placesOf(probe).some((place) => places.includes(place))) return null
    const volts = predict(laboratory, bench, healthy, probe).flatMap(({ at }) => (typeof at === 'number' ? [at] : []))
    return volts.length > 0 ? Math.max(...volts) : null
  })

const placesOf = (probe: Probe): string[] => ('a' in probe ? [parsePoint(probe.a).place, parsePoint(probe.b).place] : [])

/** Less than this of the whole is a part of it. */
const LESS_THAN_WHOLE = modelValue({ value: 0.92, unit: 'share', source: 'assumption' })
/** Any part of the volts up to that, evenly: so many bells side by side. What reads all of them has no loose joint before it. */
const PARTS = workLimit(8)

/** Where a loose joint leaves a part of the volts, it may be any part. */
function anyPart(components: readonly Component[], whole: number | null): Prediction {
  if (whole === null) return components
  return components.flatMap((component) => {
    const { at, weight } = component
    if (typeof at !== 'number' || at > LESS_THAN_WHOLE * whole) return [component]
    const most = LESS_THAN_WHOLE * whole
    return Array.from(
      { length: PARTS },
      (_, part): Component => ({ weight: weight / PARTS, at: (most * (part + 0.5)) / PARTS, sigma: most / (2 * PARTS), floating: false }),
    )
  })
}

const asksWhatRuns = (probe: Probe): probe is LookProbe => probe.meter === 'look' && parseLook(probe.at).what === 'runs'
type LookProbe = Extract<Probe, { meter: 'look' }>

/** Benches whose sound work is kept. */
const KEPT_SOUND = workLimit(40)
const soundKept = new Memo((_: Laboratory) => new LruCache<string, ReadonlyMap<string, number>>(KEPT_SOUND))

/** What works on a bench while nothing is wrong, its protection whole: behind a blown fuse nothing does what is called for. */
const soundWork = (laboratory: Laboratory, bench: Bench): ReadonlyMap<string, number> =>
  soundKept.of(laboratory).get(benchKey(bench), () => {
    const whole: Bench = {
      ...bench,
      slot: { ...bench.slot, open: bench.slot.holds === 'nothing' },
      ...(bench.further && { further: bench.further.map((slot) => ({ ...slot, open: slot.holds === 'nothing' })) }),
    }
    const { base, constraints, worlds } = worldsOf(laboratory, whole, healthy)
    const [{ fixed, settled }] = worlds
    const [state] = settled.members
    const solved = setInState(laboratory.kernel, laboratory.machine, base, fixed, constraints, state)
    return workingIn(laboratory, solved, healthy, state)
  })

/** The highest current on the way to where the machine comes to rest or the protection opens: the pull of coils before they seat is in it. */
function highestAmps(laboratory: Laboratory, on: string, { base, constraints, before }: Worlds): Component[] {
  const { kernel, machine, network, system } = laboratory
  const row = network.linkRow(ampsLink(system, on))
  const at = before.settled.path.reduce((highest, state) => {
    const solved = setInState(kernel, machine, base, before.fixed, constraints, state)
    return Math.max(highest, solved.kernel.current(row))
  }, 0)
  return [{ weight: 1, at, sigma: Math.max(AMPS_SIGMA, HIGHEST_SHARE * at), floating: false }]
}

function trip(worlds: Worlds): Component[] {
  const alreadyOpen = worlds.worlds.length === 1 && worlds.worlds[0].protection === 'open' && worlds.trips === 0
  const trips = alreadyOpen ? 0 : worlds.trips
  const word = (said: string, weight: number): Component => ({
    weight,
    at: { word: said },
    sigma: 1,
    floating: false,
    ...(worlds.isRace && { race: true }),
  })
  const further = worlds.furtherTrips.map((one) => word(tripWord(one.part), one.trips))
  const holds = further.reduce((left, { weight }) => left - weight, 1 - trips)
  return [word('trips', trips), ...further, word('holds', Math.max(0, holds))]
}
