import type { Bench } from '@/src/core/bench/bench'
import { isResistor, isSameJumper } from '@/src/core/bench/bench'
import { distanceToOpen, distanceToShort, lengthFromLoop } from '@/src/core/cable/distance'
import type { CapacitanceReading, Distance, LoopReading, Run } from '@/src/core/cable/run'
import type { JobState } from '@/src/core/job/job-state'
import type { RunFact } from '@/src/core/job/run-schema'
import { latestAnswers, type Observation } from '@/src/core/readings/observations'
import { modelValue } from '@/src/core/units/model-value'
import type { PlaceId } from '@/src/core/wiring/ids'
import { CHASSIS, conductorEnd, isPoint, parsePoint } from '@/src/core/wiring/point'
import type { Cable, System } from '@/src/core/wiring/system'

/** Something along a run that was measured. */
export interface RunFinding {
  readonly of: 'short' | 'to-metal' | 'open'
  readonly conductors: readonly string[]
  /** The places from which it was read. */
  readonly readFrom: readonly string[]
  /** Null while the readings do not tell it. */
  readonly distance: Distance | null
  /** What to read next for a distance, where there is none. */
  readonly next: string | null
}

/** A run of cable as the job knows it. */
export interface RunReport {
  readonly cable: Cable
  /** Metres that the drawing of it spans, and where they are from. */
  readonly lengthM: number
  readonly lengthFrom: 'told' | 'loop' | 'drawn'
  /** What the loop of two sound conductors says. */
  readonly loop: Distance | null
  readonly landmarks: readonly { readonly name: string; readonly metres: number }[]
  readonly isNulled: boolean
  readonly copperC: number | null
  readonly findings: readonly RunFinding[]
}

/** More than this between two conductors is no touch of copper: a part or a board is in the way. */
const MOST_OF_SHORT_OHM = modelValue({ value: 60, unit: 'ohm', source: 'assumption' })
/** A conductor with less than this share of its neighbours' capacitance ends before they do. */
const ENDS_BEFORE = modelValue({
  value: 0.92,
  unit: 'share',
  source: 'assumption: two conductors of a cable are alike within some per cent',
})

/** Every run of a system: its length, what it passes, and where along it something is. */
export const runsOf = (system: System, state: JobState): RunReport[] => system.cables.map((cable) => runOf(cable, state))

function runOf(cable: Cable, { runs, observationsSinceRepair }: JobState): RunReport {
  const facts = runs.flatMap(({ cable: id, fact }) => (id === cable.id ? [fact] : []))
  const last = <What extends RunFact['what']>(what: What) =>
    facts.findLast((fact): fact is Extract<RunFact, { what: What }> => fact.what === what)
  const told = last('length')?.metres ?? null
  const run: Run = {
    gaugeAwg: cable.gaugeAwg,
    toldM: told,
    drawnM: cable.lengthM,
    isNulled: last('meter')?.isNulled ?? false,
    copperC: last('copper')?.celsius ?? null,
  }
  const read = withSteps(latestAnswers(observationsSinceRepair).flatMap((observation) => loopOf(cable, observation) ?? []))
  const sound = read.filter(({ of }) => of === 'sound')
  const loop = lengthFromLoop(run, sound)
  const landmarks = facts
    .flatMap((fact) => (fact.what === 'landmark' ? [{ name: fact.name, metres: fact.metres }] : []))
    .sort((a, b) => a.metres - b.metres)
  return {
    cable,
    lengthM: told ?? loop?.middleM ?? cable.lengthM,
    lengthFrom: told !== null ? 'told' : loop ? 'loop' : 'drawn',
    loop,
    landmarks,
    isNulled: run.isNulled,
    copperC: run.copperC,
    findings: [...shortsOf(cable, run, read, sound), ...opensOf(cable, run, facts)],
  }
}

interface PairReading extends LoopReading {
  readonly conductors: readonly string[]
}

/** What an ohm reading says of a run: both of what it is between hang free at both ends, or are joined at the far one. */
function loopOf(cable: Cable, { bench, probe, answer }: Observation): Omit<PairReading, 'step'> | null {
  if (probe.meter !== 'ohms' || bench.power || typeof answer !== 'number' || answer > MOST_OF_SHORT_OHM) return null
  const ends = [probe.a, probe.b].map((point) => parsePoint(point))
  const own = ends.filter((end) => end.cable === cable.id)
  const [{ place }] = ends
  const end = cable.between.indexOf(place)
  if (own.length === 0 || end < 0 || ends.some((one) => one.place !== place)) return null
  const conductors = own.map(({ name }) => name).sort()
  if (!conductors.every((name) => isFree(cable, name, bench))) return null
  if (own.length === 1)
    return ends.some(({ cable: other, name }) => other === null && name === CHASSIS)
      ? { of: 'to-metal', end: end as 0 | 1, ohm: answer, conductors }
      : null
  const far = cable.between[1 - end]
  const [a, b] = conductors.map((name) => conductorEnd(cable.id, name, far))
  const isJoined = bench.jumpers.some((jumper) => !isResistor(jumper) && isSameJumper(jumper, a, b))
  if (!isJoined && bench.jumpers.some((jumper) => [jumper.a, jumper.b].some((point) => isPoint(point) && [a, b].includes(point))))
    return null
  return { of: isJoined ? 'sound' : 'short', end: end as 0 | 1, ohm: answer, conductors }
}

/** Nothing but the cable itself hangs on a conductor: off its screws at both ends, or never on one. */
const isFree = (cable: Cable, name: string, { lifted }: Bench): boolean =>
  cable.between.every((place, side) => {
    const conductor = cable.conductors.find(({ id }) => id === name)
    return conductor !== undefined && (conductor.lands[side] === null || lifted.includes(conductorEnd(cable.id, name, place)))
  })

/** The last digit of a meter is the finest that it showed. */
function withSteps(readings: readonly Omit<PairReading, 'step'>[]): PairReading[] {
  const digits = Math.max(0, ...readings.map(({ ohm }) => decimalsOf(ohm)))
  return readings.map((reading) => ({ ...reading, step: 10 ** -digits }))
}

const decimalsOf = (value: number): number => Math.min(4, `${value}`.split('.')[1]?.length ?? 0)

function shortsOf(cable: Cable, run: Run, read: readonly PairReading[], sound: readonly PairReading[]): RunFinding[] {
  const touching = read.filter(({ of }) => of !== 'sound')
  const keys = [...new Set(touching.map(({ of, conductors }) => `${of} ${conductors.join(' ')}`))]
  return keys.map((key) => {
    const own = touching.filter(({ of, conductors }) => `${of} ${conductors.join(' ')}` === key)
    // A loop tells the length only where both of it are none of those that touch.
    const loops = sound.filter(({ conductors }) => !conductors.some((name) => own[0].conductors.includes(name)))
    return {
      of: own[0].of === 'to-metal' ? 'to-metal' : 'short',
      conductors: own[0].conductors,
      readFrom: own.map(({ end }) => cable.between[end]),
      distance: distanceToShort(run, [...own, ...loops]),
      next: null,
    }
  })
}

/** Conductors that have less capacitance than their neighbours at an end, or were read at both. */
function opensOf(cable: Cable, run: Run, facts: readonly RunFact[]): RunFinding[] {
  const latest = new Map<string, Extract<RunFact, { what: 'capacitance' }>>()
  for (const fact of facts) if (fact.what === 'capacitance') latest.set(`${fact.conductor} ${fact.place}`, fact)
  const read = [...latest.values()]
  const digits = Math.max(0, ...read.map(({ nF }) => decimalsOf(nF)))
  const most = (place: PlaceId) => Math.max(...read.filter((one) => one.place === place).map(({ nF }) => nF))
  const isShort = ({ nF, place }: (typeof read)[number]) => nF < ENDS_BEFORE * most(place)
  const names = [...new Set(read.map(({ conductor }) => conductor))]
  return names.flatMap((name): RunFinding[] => {
    const own = read.filter(({ conductor }) => conductor === name)
    // By itself it is nothing until it was read at both ends; beside others it has less than they have.
    if (names.length === 1 ? own.length < 2 : !own.some(isShort)) return []
    const readingOf = (of: 'open' | 'sound', { place, nF }: (typeof read)[number]): CapacitanceReading => ({
      of,
      end: cable.between.indexOf(place) as 0 | 1,
      nF,
      step: 10 ** -digits,
    })
    const sound = read.filter((one) => one.conductor !== name && !isShort(one))
    const distance = distanceToOpen(run, [...own.map((one) => readingOf('open', one)), ...sound.map((one) => readingOf('sound', one))])
    return [
      {
        of: 'open',
        conductors: [name],
        readFrom: own.map(({ place }) => place),
        distance,
        next: distance ? null : 'Read it from the other end too, or a sound conductor of this cable from this end.',
      },
    ]
  })
}
