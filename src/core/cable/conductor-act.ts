import type { Bench, BenchChange } from '@/src/core/bench/bench'
import { liftAll, pointOf, tie } from '@/src/core/cable/cable-bench'
import type { ConductorStep } from '@/src/core/cable/conductor-plan'
import type { ConductorTest } from '@/src/core/cable/conductor-tests'
import type { Probe } from '@/src/core/readings/check'
import type { Cable } from '@/src/core/wiring/system'

/** What to do next with the conductors of a cable. */
export type ConductorAct =
  /** Set the bench up and read; `probe` is asked after `changes`. `isLoop`: a sound cable reads closed. */
  | {
      readonly do: 'read'
      readonly changes: readonly BenchChange[]
      readonly probe: Probe
      readonly isLoop: boolean
      readonly soundOhm: number | null
    }
  /** Set up here, walk, set up there. */
  | { readonly do: 'walk'; readonly changes: readonly BenchChange[] }
  /** The helper at the other end sets up. */
  | { readonly do: 'call out'; readonly changes: readonly BenchChange[] }
  | { readonly do: 'done' }
  | { readonly do: 'stuck'; readonly why: 'no join tells' | 'far end' | 'readings' | 'too many' }

/** A step of a plan as the hands do it from this bench: power off, everything off at both ends, ties, a walk, and the meter. */
export function actOf(
  cable: Cable,
  bench: Bench,
  here: 0 | 1,
  step: Extract<ConductorStep, { do: 'read' | 'cross' | 'tie there' }>,
  isLoop: (test: ConductorTest) => boolean,
  /** What a cable with nothing wrong would read through resistors at the other end; null where none is in. */
  soundOhm: (test: ConductorTest) => number | null = () => null,
): ConductorAct {
  const [place, far] = [cable.between[here], cable.between[1 - here]]
  const ready: BenchChange[] = [
    ...(bench.power ? [{ do: 'power', on: false } as const] : []),
    ...(bench.place === place ? [] : [{ do: 'walk', place } as const]),
    ...liftAll(cable, bench, place),
  ]
  switch (step.do) {
    case 'read': {
      const { test } = step
      const probe: Probe = { meter: 'ohms', a: pointOf(cable, test.a, place), b: pointOf(cable, test.b, place) }
      return {
        do: 'read',
        changes: [...ready, ...tie(cable, bench, here, { ties: test.joins, marks: null })],
        probe,
        isLoop: isLoop(test),
        soundOhm: soundOhm(test),
      }
    }
    case 'tie there':
      return { do: 'call out', changes: [...ready, ...liftAll(cable, bench, far), ...tie(cable, bench, (1 - here) as 0 | 1, step)] }
    case 'cross':
      return {
        do: 'walk',
        changes: [...ready, ...tie(cable, bench, here, step), { do: 'walk', place: far }, ...liftAll(cable, bench, far)],
      }
  }
}
