import type { Bench } from '@/src/core/bench/bench'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import { listSuspects } from '@/src/core/diagnosis/inference/suspects'
import { actsOf, reachVerdict } from '@/src/core/diagnosis/inference/verdict'
import { joinedCalls, tripAt } from '@/src/core/diagnosis/planner/candidates'
import type { Complaint } from '@/src/core/job/complaint'
import { followCall } from '@/src/core/practice/habit-follow'
import { knownFrom, shortOnCall } from '@/src/core/practice/habit-steps'
import type { Question, Solver } from '@/src/core/practice/trial'
import { wordOf } from '@/src/core/readings/check'
import { landingsAt } from '@/src/core/readings/look-target'
import type { Observation } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'
import type { PlaceId } from '@/src/core/wiring/ids'
import { conductorEnd, type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { houseCommon, houseHot } from '@/src/core/wiring/supply'
import { type Cable, callsOf, firstPart, type System } from '@/src/core/wiring/system'
import { switchedTerminals } from '@/src/core/wiring/thermostat'

/**
 * How the trade looks for trouble by habit (field-work.md 6 to 9): fixed orders of checks, each followed as a good technician follows it.
 * It is used on the complaints that it is meant for; what a trip run or a reading has said narrows what is read next; and it stops when its
 * technician would be convinced. The judgement is the engine's own, which no hand has: habits come out better here than in an attic.
 */
export const habitNames = ['ohms first', 'take off', 'add on', 'outdoor first', 'follow the call'] as const
export type HabitName = (typeof habitNames)[number]

export const MOST_HABIT_CHECKS = workLimit(60)

/** A technician stops when one repair stands out so far: without the second look that a verdict of the engine waits for. */
const CONVINCED = modelValue({ value: 0.8, unit: 'probability', source: 'assumption' })

/** What a habit is meant for: the four that hunt shorts for what blows a fuse, the fifth for what does not run. */
export function isMeantFor(name: HabitName, { symptoms }: Complaint): boolean {
  const blows = symptoms.some((symptom) => symptom === 'fuse-on-call' || symptom === 'fuse-at-power-up')
  return name === 'follow the call' ? symptoms.some((one) => one === 'mode-dead' || one === 'half-works') : blows
}

/** The solver that follows a habit. */
export function habitSolver(name: HabitName): Solver {
  return (base, evidence, bench) => {
    const { engine, posterior } = weigh(base, evidence)
    const suspects = listSuspects(engine, evidence, posterior, 1)
    const [lead] = suspects
    const held = new Map<string, number>()
    for (const suspect of suspects)
      for (const { repair } of actsOf(suspect)) held.set(repair.id, (held.get(repair.id) ?? 0) + suspect.probability)
    const isConvinced = actsOf(lead).some(({ repair }) => (held.get(repair.id) ?? 0) >= CONVINCED)
    const verdict = reachVerdict(suspects, isConvinced)
    if (verdict) return { next: null, verdict }
    const { system } = base
    const known = knownFrom(evidence.observations)
    const order = habitOrder(system, name, evidence.complaint, evidence.observations, bench)
    return { next: order.find((question) => known(question) === undefined) ?? null, verdict: null }
  }
}

/** All checks of a habit in order, given what the answers so far have said. */
function habitOrder(
  system: System,
  name: HabitName,
  { call: told, symptoms }: Complaint,
  observations: readonly Observation[],
  bench: Bench,
): Question[] {
  // Look before measuring: the fuse and every landing stand open to the eye.
  const looks = landings(system, bench)
  const known = knownFrom(observations)
  // What blows with nothing called hangs on R itself.
  const isAtPowerUp = symptoms.includes('fuse-at-power-up')
  const switched = switchedTerminals(firstPart(system, 'thermostat'))
  const terminals = isAtPowerUp ? [houseHot(system), ...switched] : switched
  const hunt = (among: readonly string[]) => among.flatMap((terminal) => shortOnCall(system, bench, terminal, known))
  if (name === 'follow the call') {
    // Whoever was called for one of them does not go through the others.
    const calls = told === null ? callsOf(system) : [told]
    return [...supplyFirst(system, bench), ...looks, ...calls.flatMap((call) => followCall(system, bench, call, known))]
  }
  if (name === 'ohms first') return [...looks, ...hunt(terminals)]
  const runs = name === 'outdoor first' ? sectionRuns(system, bench) : isAtPowerUp ? [] : callRuns(system, bench, name)
  const words = runs.map((run) => wordOf(known(run)))
  // A run ends where trip turns to hold or hold to trip: what was moved last is where the short is.
  const turn = words.findIndex((word, index) => index > 0 && word !== null && words[index - 1] !== null && word !== words[index - 1])
  if (turn < 0) return [...looks, ...runs, ...hunt(terminals)]
  const moved = movedAt(runs[turn - 1].bench, runs[turn].bench)
  return [...looks, ...runs.slice(0, turn + 1), ...hunt([...terminals].sort((a, b) => Number(moved.has(b)) - Number(moved.has(a))))]
}

/** The terminals whose jumper or wire is on one bench and not on the other. */
function movedAt(one: Bench, other: Bench): ReadonlySet<string> {
  const held = ({ jumpers, lifted }: Bench) => [...jumpers.flatMap(({ a, b }) => [a, b]), ...lifted]
  const [before, after] = [new Set(held(one)), new Set(held(other))]
  const moved = [...[...before].filter((point) => !after.has(point)), ...[...after].filter((point) => !before.has(point))]
  return new Set(moved.map((point) => parsePoint(point).name))
}

function supplyFirst(system: System, bench: Bench): Question[] {
  const { place, primary } = firstPart(system, 'transformer')
  const live = joinedCalls(system, bench, place)[0]
  const volts = (a: string, b: string): Question => ({
    bench: live,
    place,
    probe: { meter: 'volts', a: terminalPoint(a, place), b: terminalPoint(b, place) },
  })
  return [volts(houseHot(system), houseCommon(system)), volts(primary[0], primary[1])]
}

const landings = (system: System, bench: Bench): Question[] =>
  system.places.map(({ id }) => ({ bench, place: id, probe: { meter: 'look', at: landingsAt(id) } }))

function callRuns(system: System, bench: Bench, name: 'take off' | 'add on'): Question[] {
  const { place } = firstPart(system, 'fuse')
  const runs = joinedCalls(system, bench, place).map((joined): Question => ({ bench: joined, ...tripAt(place) }))
  return name === 'take off' ? runs.reverse() : runs
}

/** Everything joined; then each cable off the unit, outdoors first; then the thermostat off the wall. */
function sectionRuns(system: System, bench: Bench): Question[] {
  const { place } = firstPart(system, 'fuse')
  const all = joinedCalls(system, bench, place).at(-1)
  if (!all) return []
  const runs: Bench[] = [all]
  for (const cable of [...system.cables].filter(({ between }) => between.includes(place)).reverse()) {
    const before = runs[runs.length - 1]
    runs.push({ ...before, lifted: [...new Set([...before.lifted, ...landedEnds(cable, place)])] })
  }
  return runs.map((joined) => ({ bench: joined, ...tripAt(place) }))
}

const landedEnds = (cable: Cable, place: PlaceId): Point[] => {
  const side = cable.between.indexOf(place)
  return cable.conductors
    .filter((conductor) => conductor.lands[side] !== null)
    .map((conductor) => conductorEnd(cable.id, conductor.id, place))
}
