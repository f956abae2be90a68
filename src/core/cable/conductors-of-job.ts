import type { Bench, BenchChange, Jumper } from '@/src/core/bench/bench'
import { isSameJumper } from '@/src/core/bench/bench'
import { wiredNow } from '@/src/core/bench/swaps'
import { type ConductorState, hangTogether, metalEnd, readsClosed } from '@/src/core/cable/conductor-faults'
import { type ConductorReading, planConductors } from '@/src/core/cable/conductor-plan'
import { endOf } from '@/src/core/cable/conductor-tests'
import type { JobState } from '@/src/core/job/job-state'
import type { FarEndReach } from '@/src/core/job/run-schema'
import type { Answer, Probe } from '@/src/core/readings/check'
import { latestAnswers, type Observation } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'
import { CHASSIS, conductorEnd, isPoint, type Point, parsePoint, terminalPoint } from '@/src/core/wiring/point'
import { type Cable, placeById, type System } from '@/src/core/wiring/system'

/** What to do next with the conductors of a cable. */
export type ConductorAct =
  /** Set the bench up and read; `probe` is asked after `changes`. `isLoop`: a sound cable reads closed. */
  | { readonly do: 'read'; readonly changes: readonly BenchChange[]; readonly probe: Probe; readonly isLoop: boolean }
  /** Set up here, walk, set up there. */
  | { readonly do: 'walk'; readonly changes: readonly BenchChange[] }
  /** The helper at the other end sets up. */
  | { readonly do: 'call out'; readonly changes: readonly BenchChange[] }
  | { readonly do: 'done' }
  | { readonly do: 'stuck'; readonly why: 'no join tells' | 'far end' | 'readings' }

/** What the conductors of one cable are, by themselves, with everything off at both ends. */
export interface ConductorsReport {
  readonly cable: string
  readonly reach: FarEndReach
  /** In the order of the cable; null while it is not told. */
  readonly states: readonly (ConductorState | null)[]
  /** Readings of this cable by itself that were taken. */
  readonly taken: number
  /** A reading that fits no set of up to three troubles beside the others; null where there is none. */
  readonly misfit: Observation | null
  readonly next: ConductorAct
}

/** Below this, two ends are joined by copper, through a touch or a corroded joint at the worst; above it they are not. */
const CLOSED_BELOW = modelValue({ value: 1000, unit: 'ohm', source: 'assumption: wet insulation between two conductors reads more' })

/** The conductors of a cable are being told apart: all of it hangs free, or the other end was spoken of. */
export function isAskedFor(system: System, { bench, runs }: Pick<JobState, 'bench' | 'runs'>, cableId: string): boolean {
  const cable = wiredNow(system, bench.swaps).cables.find(({ id }) => id === cableId)
  if (!cable) return false
  const isSpokenOf = runs.some(({ cable: id, fact }) => id === cableId && fact.what === 'far-end')
  return isSpokenOf || cable.between.every((place) => isAllOff(cable, bench, place))
}

/** @throws Error when the system has no such cable */
export function conductorsOfJob(system: System, state: JobState, cableId: string): ConductorsReport {
  const wired = wiredNow(system, state.bench.swaps)
  const cable = wired.cables.find(({ id }) => id === cableId)
  if (!cable) throw new Error(`The system has no cable "${cableId}".`)
  const { bench } = state
  const here = cable.between[1] === bench.place ? 1 : 0
  const told = state.runs.findLast(({ cable: id, fact }) => id === cableId && fact.what === 'far-end')?.fact
  const reach: FarEndReach = told?.what === 'far-end' ? told.reach : 'walk'
  const read = latestAnswers(state.observationsSinceRepair).flatMap((observation) => {
    const reading = readingOf(cable, observation)
    return reading ? [{ observation, reading }] : []
  })
  const far = cable.between[1 - here]
  const ties = groupsAt(cable, bench, (1 - here) as 0 | 1) ?? []
  const plan = planConductors({
    conductors: cable.conductors.length,
    hasMetal: [hasMetal(wired, cable.between[0]), hasMetal(wired, cable.between[1])],
    here,
    ties,
    readings: read.map(({ reading }) => reading),
    mustCross: !isAllOff(cable, bench, far),
    reach,
  })
  const { next } = plan
  const done = (act: ConductorAct): ConductorsReport => ({
    cable: cableId,
    reach,
    states: plan.states,
    taken: read.length,
    misfit: plan.misfit?.reading == null ? null : read[plan.misfit.reading].observation,
    next: act,
  })
  if (next.do === 'done') return done(next)
  if (next.do === 'stuck') return done({ do: 'stuck', why: plan.misfit ? 'readings' : reach === 'none' ? 'far end' : 'no join tells' })
  const place = cable.between[here]
  const ready: BenchChange[] = [
    ...(bench.power ? [{ do: 'power', on: false } as const] : []),
    ...(bench.place === place ? [] : [{ do: 'walk', place } as const]),
    ...liftAll(cable, bench, place),
  ]
  if (next.do === 'read') {
    const { test } = next
    const probe: Probe = { meter: 'ohms', a: pointOf(cable, test.a, place), b: pointOf(cable, test.b, place) }
    const sound = hangTogether(cable.conductors.length, { opens: [], touches: [], weight: 1 }, [...ties, ...test.joins])
    const isLoop = readsClosed(sound, [], test.a, test.b)
    return done({ do: 'read', changes: [...ready, ...tie(cable, bench, here, test.joins)], probe, isLoop })
  }
  if (next.do === 'tie there')
    return done({
      do: 'call out',
      changes: [...ready, ...liftAll(cable, bench, far), ...tie(cable, bench, (1 - here) as 0 | 1, next.ties)],
    })
  return done({
    do: 'walk',
    changes: [...ready, ...tie(cable, bench, here, next.ties), { do: 'walk', place: far }, ...liftAll(cable, bench, far)],
  })
}

const hasMetal = (system: System, place: string): boolean => placeById(system, place)?.metal === true

/** A conductor is off its screw there, or never was on one. */
const isOff = (bench: Bench, cable: Cable, side: number, conductor: Cable['conductors'][number]): boolean =>
  conductor.lands[side] === null || bench.lifted.includes(conductorEnd(cable.id, conductor.id, cable.between[side]))

const isAllOff = (cable: Cable, bench: Bench, place: string): boolean =>
  cable.conductors.every((conductor) => isOff(bench, cable, cable.between.indexOf(place), conductor))

const liftAll = (cable: Cable, bench: Bench, place: string): BenchChange[] =>
  cable.conductors
    .filter((conductor) => !isOff(bench, cable, cable.between.indexOf(place), conductor))
    .map(({ id }) => ({ do: 'lift', end: conductorEnd(cable.id, id, place) }))

/** An ohm reading of the cable by itself, as the plan takes it; null for one that anything else may be in. */
function readingOf(cable: Cable, { bench, probe, answer }: Observation): ConductorReading | null {
  if (probe.meter !== 'ohms' || bench.power) return null
  const isClosed = closedBy(answer)
  if (isClosed === null || !cable.between.every((place) => isAllOff(cable, bench, place))) return null
  const [a, b] = [probe.a, probe.b].map((point) => numberOf(cable, point))
  const joins = ([0, 1] as const).map((side) => groupsAt(cable, bench, side))
  if (a === null || b === null || joins.some((groups) => groups === null)) return null
  return { a, b, joins: joins.flatMap((groups) => groups ?? []), isClosed }
}

function closedBy(answer: Answer): boolean | null {
  if (answer === 'OL') return false
  if (typeof answer === 'number') return answer < CLOSED_BELOW
  if ('word' in answer) return null
  return answer.high < CLOSED_BELOW ? true : answer.low >= CLOSED_BELOW ? false : null
}

/** A point of the cable, or the metal, as the plan's number; null for any other. */
function numberOf(cable: Cable, point: Point): number | null {
  const { cable: of, name, place } = parsePoint(point)
  const side = cable.between.indexOf(place)
  if (of === null) return name === CHASSIS ? metalEnd(cable.conductors.length) : null
  const conductor = cable.conductors.findIndex(({ id }) => id === name)
  return of !== cable.id || side < 0 || conductor < 0
    ? null
    : endOf({ conductors: cable.conductors.length, side: side as 0 | 1 }, conductor)
}

/** Jumpers on the cable's ends at one of its places. */
const jumpersAt = (cable: Cable, { jumpers }: Bench, side: 0 | 1): Jumper[] =>
  jumpers.filter((jumper) =>
    ends(jumper).some((point) => parsePoint(point).cable === cable.id && parsePoint(point).place === cable.between[side]),
  )

const ends = ({ a, b }: Jumper): Point[] => [a, b].filter(isPoint)

/** What is tied together there; null where something else than the cable's own is tied to it. */
function groupsAt(cable: Cable, bench: Bench, side: 0 | 1): number[][] | null {
  const groups: number[][] = []
  for (const jumper of jumpersAt(cable, bench, side)) {
    const numbers = [jumper.a, jumper.b].map((point) => numberOf(cable, point))
    if (numbers.includes(null)) return null
    const pair = numbers.flatMap((number) => number ?? [])
    const met = groups.filter((group) => group.some((end) => pair.includes(end)))
    for (const group of met) groups.splice(groups.indexOf(group), 1)
    groups.push([...new Set([...met.flat(), ...pair])])
  }
  return groups
}

const pointOf = (cable: Cable, number: number, place: string): Point => {
  const count = cable.conductors.length
  if (number === metalEnd(count)) return terminalPoint(CHASSIS, place)
  return conductorEnd(cable.id, cable.conductors[number > count ? number - count - 1 : number].id, place)
}

/** The jumpers there as they have to be: those that are not wanted come out, each group gets its own. */
function tie(cable: Cable, bench: Bench, side: 0 | 1, groups: readonly (readonly number[])[]): BenchChange[] {
  const place = cable.between[side]
  const wanted = groups.flatMap((group) =>
    group.slice(1).map((end): Jumper => ({ a: pointOf(cable, group[0], place), b: pointOf(cable, end, place) })),
  )
  const present = jumpersAt(cable, bench, side)
  return [
    ...present
      .filter((one) => !wanted.some(({ a, b }) => isSameJumper(one, a, b)))
      .map(({ a, b }): BenchChange => ({ do: 'unjumper', a, b })),
    ...wanted
      .filter(({ a, b }) => !present.some((one) => isSameJumper(one, a, b)))
      .map(({ a, b }): BenchChange => ({ do: 'jumper', a, b })),
  ]
}
