import { evidenceOf } from '@/src/core/advice/advise'
import { type Bench, createBench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import type { Evidence, Posterior } from '@/src/core/diagnosis/inference/posterior'
import { listSuspects, type Suspect } from '@/src/core/diagnosis/inference/suspects'
import { predictionIn } from '@/src/core/diagnosis/likelihood/chain'
import { probePoints } from '@/src/core/diagnosis/planner/candidates'
import type { JobState } from '@/src/core/job/job-state'
import type { Probe } from '@/src/core/readings/check'
import { type Expected, expectedRange } from '@/src/core/readings/expected'
import { type Hypothesis, healthy } from '@/src/core/readings/hypothesis'
import { secondaryAmps } from '@/src/core/readings/overload'
import { predict, predictAll, scaleOf } from '@/src/core/readings/predict'
import { fromOhmScale, type Prediction, type Scale } from '@/src/core/readings/prediction'
import { saysPrediction } from '@/src/core/readings/say'
import { worldsOf } from '@/src/core/readings/world'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'
import type { CallName } from '@/src/core/wiring/call'
import { type Point, terminalPoint } from '@/src/core/wiring/point'
import { houseCommon } from '@/src/core/wiring/supply'
import { callerOf, callsOf, firstPart } from '@/src/core/wiring/system'
import { feedOf } from '@/src/core/wiring/thermostat'

/** What one reading would be if a hypothesis were true. */
export interface Forecast {
  readonly id: string
  readonly say: string
  readonly probability: number
  readonly expected: string
  /** In the meter's unit, for a tick on a scale; null for OL and words. */
  readonly value: number | null
}

const LEADING = workLimit(4)

/** What the meter would show between the probes now: under each leading suspect, and in a sound house. */
export function forecastReading(base: Engine, state: JobState, probe: Probe): Forecast[] {
  const evidence = evidenceOf(state)
  const { engine, posterior } = weigh(base, evidence)
  const scale = scaleOf(engine.system, probe)
  // In this house, with what the readings so far have taught of its values.
  const predicted = (hypothesis: number) =>
    read(
      predictionIn(posterior.chains[hypothesis], predict(engine.laboratory, state.bench, engine.hypotheses[hypothesis], probe, true)),
      scale,
    )
  const forecasts = listSuspects(engine, evidence, posterior, 0)
    .slice(0, LEADING)
    .flatMap(({ id, say, probability }): Forecast[] => {
      const hypothesis = leadingHypothesis(engine, posterior.hypotheses, id)
      return hypothesis === null ? [] : [{ id, say, probability, ...predicted(hypothesis) }]
    })
  if (forecasts.some(({ id }) => id === healthy.id)) return forecasts
  return [
    ...forecasts,
    {
      id: healthy.id,
      say: 'sound',
      probability: posterior.hypotheses[0],
      ...predicted(0),
    },
  ]
}

function read(prediction: Prediction, scale: Scale): { expected: string; value: number | null } {
  const [first] = [...prediction].sort((a, b) => b.weight - a.weight)
  const value = first && typeof first.at === 'number' ? (scale === 'ohms' ? fromOhmScale(first.at) : first.at) : null
  return { expected: saysPrediction(prediction, scale), value: value === null ? null : Math.max(0, value) }
}

/** Index of a suspect's likeliest form. */
function leadingHypothesis(engine: Engine, weights: Float64Array, faultId: string): number | null {
  let best = -1
  engine.hypotheses.forEach(({ fault }, index) => {
    if ((fault?.id ?? healthy.id) === faultId && (best < 0 || weights[index] > weights[best])) best = index
  })
  return best < 0 ? null : best
}

/** Above this against common a terminal counts as hot: about half of a healthy secondary. */
const HOT_VOLTS = modelValue({ value: 15, unit: 'V', source: 'assumption' })

/** Points that carry control voltage now if the likeliest hypothesis is true: what the loom lights. */
export function hotPoints(base: Engine, state: JobState): Point[] {
  const { system } = base
  if (!state.bench.power) return []
  const { engine, posterior } = weigh(base, evidenceOf(state))
  const likeliest = posterior.hypotheses.reduce((best, weight, index) => (weight > posterior.hypotheses[best] ? index : best), 0)
  const common = terminalPoint(houseCommon(system), firstPart(system, 'transformer').place)
  const points = system.places.flatMap((place) => probePoints(system, place.id)).filter((point) => point !== common)
  const predictions = predictAll(
    engine.laboratory,
    state.bench,
    engine.hypotheses[likeliest],
    points.map((point) => ({ meter: 'volts', a: point, b: common })),
  )
  return points.filter((_, index) =>
    predictions[index].some(({ at, weight, floating }) => weight > 0.5 && !floating && typeof at === 'number' && at > HOT_VOLTS),
  )
}

/** Probability that the trouble touches each point, for the loom's sections. Points under a hundredth are left out. */
export function suspicionByPoint(base: Engine, state: JobState): { point: string; probability: number }[] {
  const { engine, posterior } = weigh(base, evidenceOf(state))
  const sums = new Map<string, number>()
  engine.hypotheses.forEach(({ fault }, index) => {
    for (const point of fault?.touches ?? []) sums.set(point, (sums.get(point) ?? 0) + posterior.hypotheses[index])
  })
  return [...sums].filter(([, probability]) => probability > 0.01).map(([point, probability]) => ({ point, probability }))
}

/** The range a sound house of this kind shows for each probe on the bench as it stands. */
export function expectReadings(engine: Engine, state: JobState, probes: readonly Probe[]): Expected[] {
  return probes.map((probe) => expectedRange(engine.laboratory, state.bench, probe))
}

/** What a call asks of the transformer in a sound house, at its own voltage. */
export interface CallLoad {
  readonly call: 'idle' | CallName
  readonly voltAmperes: number
  readonly amps: Expected
  readonly volts: Expected
}

/** The first transformer's load on each call that it feeds, in a sound house with everything put back. */
export function loadPerCall(engine: Engine, state: JobState): CallLoad[] {
  const { system, laboratory } = engine
  const fuse = firstPart(system, 'fuse')
  const transformer = firstPart(system, 'transformer')
  const [hot, common] = transformer.secondary.map((node) => terminalPoint(node, transformer.place))
  const amps: Probe = { meter: 'amps', on: fuse.id }
  const volts: Probe = { meter: 'volts', a: hot, b: common }
  const fed = callsOf(system).filter((call) => {
    const thermostat = callerOf(system, call)
    return thermostat.calls[call]?.some((terminal) => feedOf(thermostat, terminal) === thermostat.hot)
  })
  return (['off', ...fed] as const).map((call): CallLoad => {
    const bench = {
      ...state.bench,
      power: true,
      call,
      lifted: [],
      jumpers: [],
      unplugged: [],
      slot: { holds: 'fuse' as const, ratingA: fuse.ratingA, open: false },
    }
    const [i, v] = predictAll(laboratory, bench, healthy, [amps, volts]).map((prediction) => prediction[0]?.at)
    return {
      call: call === 'off' ? 'idle' : call,
      voltAmperes: typeof i === 'number' && typeof v === 'number' ? i * v : 0,
      amps: expectedRange(engine.laboratory, bench, amps),
      volts: expectedRange(engine.laboratory, bench, volts),
    }
  })
}

/** The leading suspects, each in its likeliest form; a sound house is none. */
const leadingHypotheses = (engine: Engine, evidence: Evidence, posterior: Posterior): { suspect: Suspect; hypothesis: Hypothesis }[] =>
  listSuspects(engine, evidence, posterior, 0)
    .slice(0, LEADING)
    .flatMap((suspect) => {
      const hypothesis = suspect.id === healthy.id ? null : leadingHypothesis(engine, posterior.hypotheses, suspect.id)
      return hypothesis === null ? [] : [{ suspect, hypothesis: engine.hypotheses[hypothesis] }]
    })

/** What the likeliest suspect that overloads would draw through the fuse on the call that brings it out, A; null when none of the leaders does. */
export function leadingOverloadA(base: Engine, state: JobState): number | null {
  const evidence = evidenceOf(state)
  const { engine, posterior } = weigh(base, evidence)
  const fuse = firstPart(base.system, 'fuse')
  for (const { hypothesis } of leadingHypotheses(engine, evidence, posterior)) {
    const calls = (['off', ...callsOf(engine.system)] as const).map((call) => {
      const bench = { ...createBench(engine.system), call, slot: { holds: 'fuse' as const, ratingA: fuse.ratingA, open: false } }
      return worldsOf(engine.laboratory, bench, { ...hypothesis, foundFuse: 'intact' }).overloadA
    })
    const most = Math.max(...calls)
    if (most > fuse.ratingA) return most
  }
  return null
}

/** What the first transformer's winding carries on the bench as it stands, while the protection holds, under one hypothesis. */
export interface WindingLoad {
  readonly id: string
  readonly say: string
  readonly probability: number
  readonly amps: number
}

const NEVER_OPENS_A = workLimit(1000)

/** The winding's current under the leading suspects and in a sound house, hottest first. */
export function windingLoads(base: Engine, state: JobState): WindingLoad[] {
  const evidence = evidenceOf(state)
  const { engine, posterior } = weigh(base, evidence)
  const { id: first } = firstPart(engine.system, 'transformer')
  // A protection that never opens: what the winding carries is asked for the time before it has.
  const bench: Bench = { ...state.bench, slot: { holds: 'fuse', ratingA: NEVER_OPENS_A, open: false } }
  const amps = (hypothesis: Hypothesis): number =>
    Math.max(...(secondaryAmps(engine.laboratory, bench, { ...hypothesis, foundFuse: 'intact' }).get(first) ?? []))
  const leading = leadingHypotheses(engine, evidence, posterior).map(
    ({ suspect: { id, say, probability }, hypothesis }): WindingLoad => ({ id, say, probability, amps: amps(hypothesis) }),
  )
  return [...leading, { id: healthy.id, say: 'sound', probability: posterior.hypotheses[0], amps: amps(healthy) }].sort(
    (a, b) => b.amps - a.amps,
  )
}
