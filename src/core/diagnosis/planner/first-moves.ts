import { type Bench, createBench } from '@/src/core/bench/bench'
import { anyTime } from '@/src/core/bench/since'
import type { Engine } from '@/src/core/diagnosis/engine'
import { type Evidence, type Posterior, zoneProbabilities } from '@/src/core/diagnosis/inference/posterior'
import { readyFuses } from '@/src/core/diagnosis/planner/candidates'
import { cooksOn, heatPrice } from '@/src/core/diagnosis/planner/heat'
import { type Check, type Choice, weighQuestion } from '@/src/core/diagnosis/planner/next-check'
import { nextOfWay } from '@/src/core/diagnosis/planner/way-steps'
import type { Symptom } from '@/src/core/job/complaint'
import { openedBy, type Probe, probeKey } from '@/src/core/readings/check'
import { landingsAt, parseLook } from '@/src/core/readings/look-target'
import { type Observation, questionKey } from '@/src/core/readings/observations'
import { wholeLooks } from '@/src/core/readings/working'
import { modelValue } from '@/src/core/units/model-value'
import type { PlaceId } from '@/src/core/wiring/ids'
import { type Point, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside } from '@/src/core/wiring/supply'
import { callerOf, callsOf, firstPart, partsOf, placeById, type System } from '@/src/core/wiring/system'
import { feedOf, switchedTerminals } from '@/src/core/wiring/thermostat'

/** A call that leaves its thermostat with less has not left it: nothing is to be followed to the unit. */
const NO_CALL_VOLTS = modelValue({ value: 4, unit: 'V', source: 'assumption' })

/** Complaints that are answered first by whether there is a call at all. */
const asksForCall: readonly Symptom[] = ['nothing-runs', 'mode-dead', 'half-works']
/** One mode dead, or half of it: a wire that is off is seen at a glance. */
const asksForEyes: readonly Symptom[] = ['mode-dead', 'half-works']
/** What is dead as a whole is answered first by whether there is 24 V. */
const asksForVolts: readonly Symptom[] = ['nothing-runs', 'blank-thermostat']

/** Of all that may be wrong, what is left for the thermostat once it is known to call. */
const SURELY_CALLS = modelValue({ value: 0.05, unit: 'probability', source: 'assumption' })

/** A first move that tells less than this is left out. */
const WORTH_A_MOVE = modelValue({ value: 0.08, unit: 'bit', source: 'assumption' })

/**
 * Is there 24 V, and is there a call? The short routine by which the trade begins where something is dead: volts at the unit; the
 * thermostat set to call and looked at; its contact; the call at the unit. The first of these that still tells something, or null. The
 * call is the one that the customer has made for days: what it would burn out is burned out.
 */
export function firstMove(engine: Engine, evidence: Evidence, posterior: Posterior, bench: Bench, choice: Choice): Check | null {
  const { complaint, observations } = evidence
  if (evidence.repaired.length > 0 || bench.slot.open) return null
  if (observations.some(({ probe, answer }) => probe.meter === 'trip' && openedBy(answer) !== null)) return null
  // It blows on one call, and nobody said on which: that is the first question.
  if (complaint.symptoms.includes('fuse-on-call') && complaint.call === null) {
    const step = nextOfWay(engine.system, bench, 'which-call', observations)
    const check = step && weighQuestion(engine, posterior, observations, bench, step.bench, step.probe, step.place)
    if (check) return check
  }
  const told = (wanted: readonly Symptom[]) => complaint.symptoms.some((symptom) => wanted.includes(symptom))
  const refused = new Set((choice.skipped ?? []).map(probeKey))
  const asked = new Set(observations.map((one) => questionKey(anyTime(one.bench), one.probe)))
  const cooks = cooksOn(engine, posterior, observations, 'of-all')
  for (const move of [
    ...(told(asksForEyes) ? landingsHere(engine.system, bench) : []),
    ...(told(asksForVolts) ? voltsAtUnit(engine.system, bench) : []),
    ...(told(asksForCall)
      ? isThereACall(
          engine.system,
          isOhmed(observations) || isWorthABreaker(engine, posterior, evidence, bench)
            ? { ...bench, ...readyFuses(engine.system, bench) }
            : bench,
          complaint.call,
          observations,
        )
      : []),
  ]) {
    if (refused.has(probeKey(move.probe)) || asked.has(questionKey(anyTime(move.bench), move.probe))) continue
    if (placeById(engine.system, move.place)?.kind === 'thermostat' && !mayNotCall(engine, posterior, move.place)) continue
    if (cooks(move.bench)) continue
    const check = weighQuestion(engine, posterior, observations, bench, move.bench, move.probe, move.place, true)
    if (check && check.gainBits >= WORTH_A_MOVE) return check
  }
  if (told(['never-stops'])) return whatStaysOn(engine, evidence, posterior, bench, refused, asked)
  return told(['chatters']) ? whatChatters(engine, evidence, posterior, bench, refused, asked) : null
}

/**
 * What never stops is looked at with nothing called, and then which wire of a call is still live where it stands: nothing is switched off
 * or taken apart before that is known.
 */
function whatStaysOn(
  engine: Engine,
  { complaint, observations }: Evidence,
  posterior: Posterior,
  bench: Bench,
  refused: ReadonlySet<string>,
  asked: ReadonlySet<string>,
): Check | null {
  const { system } = engine
  const idle = { ...calling(system, bench, 'off'), slot: bench.slot }
  const unit = firstPart(system, 'fuse').place
  const weighed = (probe: Probe, place: PlaceId): Check[] => {
    if (refused.has(probeKey(probe)) || asked.has(questionKey(anyTime(idle), probe))) return []
    const check = weighQuestion(engine, posterior, observations, bench, idle, probe, place)
    return check && check.gainBits >= WORTH_A_MOVE ? [check] : []
  }
  const live = switchedTerminals(firstPart(system, 'thermostat')).flatMap((name) => {
    const point = terminalPoint(name, unit)
    const common = placeById(system, unit)?.terminals.includes(name) ? commonBeside(system, point) : null
    return common ? weighed({ meter: 'volts', a: point, b: common }, unit) : []
  })
  const told = live.reduce<Check | null>((best, check) => (best === null || check.gainBits > best.gainBits ? check : best), null)
  const [look] = wholeLooks(system).flatMap((probe) => weighed(probe, parseLook(probe.at).of))
  const wasSeen = observations.some(
    (one) => one.bench.call === 'off' && one.bench.power && (one.probe.meter === 'look' || one.probe.meter === 'volts'),
  )
  // Where it was told what runs on, the wire of its call says it as well as the eye.
  if (look && !wasSeen && (complaint.call === null || !told)) return look
  // The strip there is looked over before one leaves it.
  const [strip] = landingsHere(system, bench).flatMap(({ probe, place }) => weighed(probe, place))
  return told ?? strip ?? null
}

/** What chatters is seen and heard, the call on, before anything is switched off: the relay or valve of which the most is learned for its minutes. */
function whatChatters(
  engine: Engine,
  { complaint, observations }: Evidence,
  posterior: Posterior,
  bench: Bench,
  refused: ReadonlySet<string>,
  asked: ReadonlySet<string>,
): Check | null {
  const { system } = engine
  const call = complaint.call ?? (bench.call === 'off' ? callsOf(system).find((one) => one !== 'fan') : bench.call)
  if (call === undefined) return null
  const on = calling(system, bench, call)
  const checks = partsOf(system, 'coil').flatMap(({ id, place }) => {
    const probe: Probe = { meter: 'look', at: id }
    if (refused.has(probeKey(probe)) || asked.has(questionKey(anyTime(on), probe))) return []
    const check = weighQuestion(engine, posterior, observations, bench, on, probe, place)
    return check && check.gainBits >= WORTH_A_MOVE ? [check] : []
  })
  // All of one place is seen before the next walk.
  const rate = ({ gainBits, minutes }: Check) => gainBits / (minutes + engine.cost.attention)
  return checks.reduce<Check | null>((best, check) => (best === null || rate(check) > rate(best) ? check : best), null)
}

/** Ohms were read: what they may have found is not called on a fuse of which nobody knows what it lets through. */
const isOhmed = (observations: readonly Observation[]): boolean => observations.some(({ probe }) => probe.meter === 'ohms')

/** The call may be missing at its thermostat: a motor that runs on it, or volts at the unit, have settled that. */
const mayNotCall = (engine: Engine, posterior: Posterior, place: PlaceId): boolean =>
  (zoneProbabilities(engine, posterior.hypotheses).get(place) ?? 0) > SURELY_CALLS

/** The strip where one stands: a glance, with nothing switched. */
function landingsHere(system: System, bench: Bench): Move[] {
  const isUnit = placeById(system, bench.place)?.kind !== 'thermostat'
  return isUnit ? [{ bench, probe: { meter: 'look', at: landingsAt(bench.place) }, place: bench.place }] : []
}

interface Move {
  readonly bench: Bench
  readonly probe: Probe
  readonly place: PlaceId
}

/** R to C where the fuse is, as it stands. */
function voltsAtUnit(system: System, bench: Bench): Move[] {
  const { place } = firstPart(system, 'fuse')
  const { hot } = firstPart(system, 'thermostat')
  const common = commonBeside(system, terminalPoint(hot, place))
  if (!common || bench.call !== 'off' || !bench.power) return []
  return [{ bench, probe: { meter: 'volts', a: terminalPoint(hot, place), b: common }, place }]
}

/** Everything put back, and the call made. */
const calling = (system: System, from: Bench, call: Bench['call']): Bench => ({
  ...createBench(system),
  slot: from.slot,
  further: from.further,
  ...(from.guards && { guards: from.guards }),
  panelsOff: from.panelsOff,
  place: from.place,
  call,
})

/** A breaker goes in before the call where it saves a transformer this much: the two minutes that it takes, the codes and delays that go with the power, and a margin. */
const WORTH_A_BREAKER = modelValue({ value: 8, unit: 'minutes at its odds', source: 'assumption' })

/** The call would be made on a transformer that nothing known protects, or hardly: a breaker in its slot, or in its leg, takes the short. */
function isWorthABreaker(engine: Engine, posterior: Posterior, { complaint, observations }: Evidence, bench: Bench): boolean {
  const call = complaint.call ?? callsOf(engine.system).find((one) => one !== 'fan')
  if (call === undefined || bench.slot.holds === 'breaker') return false
  const price = heatPrice(engine, posterior, observations)
  const made = calling(engine.system, bench, call)
  return price(made) - price({ ...made, ...readyFuses(engine.system, made) }) > WORTH_A_BREAKER
}

/** The call of the complaint, made at its thermostat and followed from there to the unit as far as it goes. */
function isThereACall(system: System, from: Bench, wanted: Evidence['complaint']['call'], observations: readonly Observation[]): Move[] {
  const call = wanted ?? (from.call === 'off' ? callsOf(system).find((one) => one !== 'fan') : from.call)
  if (call === undefined) return []
  const stat = callerOf(system, call)
  const bench = calling(system, from, call)
  const at = (name: string, place: PlaceId) => terminalPoint(name, place)
  const [terminal] = [...(stat.calls[call] ?? [])].sort((a, b) => Number(a === 'G') - Number(b === 'G'))
  if (terminal === undefined) return []
  const unit = firstPart(system, 'fuse').place
  const volts = (a: Point, b: Point | null, place: PlaceId): Move[] => (b ? [{ bench, probe: { meter: 'volts', a, b }, place }] : [])
  const leaving = stat.common === undefined ? [] : volts(at(terminal, stat.place), at(stat.common, stat.place), stat.place)
  const isMissing = leaving.some((move) =>
    observations.some(
      ({ bench: on, probe, answer }) =>
        typeof answer === 'number' &&
        answer < NO_CALL_VOLTS &&
        questionKey(anyTime(on), probe) === questionKey(anyTime(move.bench), move.probe),
    ),
  )
  return [
    { bench, probe: { meter: 'look', at: stat.id }, place: stat.place },
    ...volts(at(feedOf(stat, terminal), stat.place), at(terminal, stat.place), stat.place),
    ...leaving,
    ...(isMissing ? [] : volts(at(terminal, unit), commonBeside(system, at(terminal, unit)), unit)),
  ]
}
