import type { Bench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import { listSuspects } from '@/src/core/diagnosis/inference/suspects'
import { reachVerdict } from '@/src/core/diagnosis/inference/verdict'
import { joinedCalls, tripAt } from '@/src/core/diagnosis/planner/candidates'
import type { Question, Solver } from '@/src/core/practice/trial'
import { landingsAt } from '@/src/core/readings/look-target'
import { type Observation, questionKey } from '@/src/core/readings/observations'
import { workLimit } from '@/src/core/units/work-limit'
import { CHASSIS, conductorEnd, type Point, pinPoint, terminalPoint } from '@/src/core/wiring/point'
import { commonBeside, houseCommon, houseHot } from '@/src/core/wiring/supply'
import { type Cable, callerOf, callsOf, firstPart, partsOf, placeById, type System } from '@/src/core/wiring/system'
import { feedOf, switchedTerminals } from '@/src/core/wiring/thermostat'

/**
 * How the trade looks for trouble by habit (field-work.md 6 to 9), as fixed orders of checks. A habit does not weigh what a check would tell,
 * but it is given the engine's own judgement of what the readings say, and stops as soon as that names a repair: habits come out better here than in an attic.
 */
export const habitNames = ['ohms first', 'take off', 'add on', 'outdoor first'] as const
export type HabitName = (typeof habitNames)[number]

export const MOST_HABIT_CHECKS = workLimit(60)

/** The solver that follows a habit. */
export function habitSolver(name: HabitName): Solver {
  return (base, evidence, bench) => {
    const { engine, posterior } = weigh(base, evidence)
    const verdict = reachVerdict(listSuspects(engine, evidence, posterior, 1), false)
    if (verdict) return { next: null, verdict }
    return { next: nextByHabit(base, name, evidence.observations, bench), verdict: null }
  }
}

function nextByHabit(engine: Engine, name: HabitName, observations: readonly Observation[], bench: Bench): Question | null {
  const asked = new Set(observations.map((observation) => questionKey(observation.bench, observation.probe)))
  return (
    habitOrder(engine.system, name, observations, bench).find((question) => !asked.has(questionKey(question.bench, question.probe))) ?? null
  )
}

/** All checks of a habit in order, given what the trip runs have said so far. */
function habitOrder(system: System, name: HabitName, observations: readonly Observation[], bench: Bench): Question[] {
  // Look before measuring: the fuse and every landing stand open to the eye.
  const supply = [...supplyFirst(system, bench), ...landings(system, bench)]
  const ohms = ohmsThrough(system, bench)
  const said = tripWords(observations)
  // Nobody goes on calling into a short: once it has tripped, the rest is done with the power off.
  const calls = said.includes('trips') ? [] : callLogic(system, bench)
  if (name === 'ohms first') return [...supply, ...ohms, ...calls]
  const runs = name === 'outdoor first' ? sectionRuns(system, bench) : callRuns(system, bench, name)
  // A run ends where trip turns to hold or hold to trip; when everything joined holds there is no short to find this way.
  const firsts = runs.findIndex((_, index) => said[index] === undefined || (index > 0 && said[index] !== said[index - 1]))
  const trips = firsts < 0 ? runs : runs.slice(0, firsts + 1)
  const holdsAll = (name === 'add on' ? said[runs.length - 1] : said[0]) === 'holds'
  return [...supply, ...trips, ...(holdsAll ? calls : []), ...ohms, ...calls]
}

const tripWords = (observations: readonly Observation[]): (string | undefined)[] =>
  observations
    .filter(({ probe, bench }) => probe.meter === 'trip' && bench.power)
    .map(({ answer }) => (typeof answer === 'object' && 'word' in answer ? answer.word : undefined))

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

const landedEnds = (cable: Cable, place: string): Point[] => {
  const side = cable.between.indexOf(place)
  return cable.conductors
    .filter((conductor) => conductor.lands[side] !== null)
    .map((conductor) => conductorEnd(cable.id, conductor.id, place))
}

/** Each call made at the thermostat and looked for at the unit, then at the thermostat, then outdoors. */
function callLogic(system: System, bench: Bench): Question[] {
  const { place } = firstPart(system, 'fuse')
  const live = joinedCalls(system, bench, place)[0]
  return callsOf(system).flatMap((call) => {
    const thermostat = callerOf(system, call)
    const order = [place, thermostat.place, ...system.places.map(({ id }) => id)].filter((id, index, all) => all.indexOf(id) === index)
    return order.flatMap((at) =>
      (thermostat.calls[call] ?? []).flatMap((terminal): Question[] => {
        const point = terminalPoint(terminal, at)
        if (!placeById(system, at)?.terminals.includes(terminal)) return []
        const hot = feedOf(thermostat, terminal)
        const against = commonBeside(system, point) ?? (placeById(system, at)?.terminals.includes(hot) ? terminalPoint(hot, at) : null)
        return against ? [{ bench: { ...live, call }, place: at, probe: { meter: 'volts', a: point, b: against } }] : []
      }),
    )
  })
}

/** Power off: every conductor with both ends off against ground and its neighbours, loops, then every load and switch unplugged. */
function ohmsThrough(system: System, bench: Bench): Question[] {
  const { place: home } = firstPart(system, 'fuse')
  const off: Bench = { ...bench, power: false, call: 'off', lifted: [], jumpers: [], unplugged: [] }
  const ohms = (made: Bench, place: string, a: Point, b: Point): Question => ({ bench: made, place, probe: { meter: 'ohms', a, b } })
  const questions: Question[] = []
  for (const cable of [...system.cables].reverse()) {
    const near = cable.between.includes(home) ? home : cable.between[0]
    const far = cable.between[near === cable.between[0] ? 1 : 0]
    const ends = landedEnds(cable, near)
    const freed: Bench = { ...off, lifted: [...ends, ...landedEnds(cable, far)] }
    ends.forEach((end, index) => {
      if (placeById(system, near)?.metal) questions.push(ohms(freed, near, end, terminalPoint(CHASSIS, near)))
      for (const other of ends.slice(index + 1)) questions.push(ohms(freed, near, end, other))
    })
    const farTerminals = cable.conductors.flatMap(({ lands }) => lands[near === cable.between[0] ? 1 : 0] ?? [])
    ends.slice(1).forEach((end, index) => {
      const a = terminalPoint(farTerminals[index], far)
      const b = terminalPoint(farTerminals[index + 1], far)
      if (farTerminals[index + 1] !== undefined && commonBeside(system, a) !== a && commonBeside(system, b) !== b)
        questions.push(ohms({ ...off, lifted: [ends[index], end], jumpers: [{ a, b }] }, near, ends[index], end))
    })
  }
  for (const part of [...partsOf(system, 'coil'), ...partsOf(system, 'switch')]) {
    const unplugged: Bench = { ...off, unplugged: [part.id] }
    const [a, b] = [pinPoint(part, 0), pinPoint(part, 1)]
    questions.push(ohms(unplugged, part.place, a, b))
    if (placeById(system, part.place)?.metal) questions.push(ohms(unplugged, part.place, a, terminalPoint(CHASSIS, part.place)))
  }
  for (const terminal of switchedTerminals(firstPart(system, 'thermostat'))) {
    const point = terminalPoint(terminal, home)
    const common = commonBeside(system, point)
    if (common && placeById(system, home)?.terminals.includes(terminal)) questions.push(ohms(off, home, point, common))
  }
  return questions
}
