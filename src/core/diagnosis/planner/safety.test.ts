import fc from 'fast-check'
import { applyChange, pluggableParts } from '@/src/core/bench/apply'
import { type Bench, type BenchChange, createBench } from '@/src/core/bench/bench'
import { problemWithJumpers } from '@/src/core/bench/jumper-guard'
import { sayCheck } from '@/src/core/diagnosis/explanation/say-check'
import type { Candidate } from '@/src/core/diagnosis/planner/candidate'
import { planRoute } from '@/src/core/diagnosis/planner/route'
import { stagesOf } from '@/src/core/diagnosis/planner/ways'
import { problemWithProbe } from '@/src/core/job/check-entry'
import { waysOfWorking } from '@/src/core/job/ways'
import { probeKey } from '@/src/core/readings/check'
import { isLinePoint } from '@/src/core/readings/predict'
import { conductorEnd } from '@/src/core/wiring/point'
import { callsOf, firstPart, type System } from '@/src/core/wiring/system'
import { catalogue } from '@/src/core/wiring/systems/catalogue'

/** Every check that any way of working could ever propose, from benches as technicians leave them: searched for what could hurt. */

const changesOf = (system: System): BenchChange[] => [
  { do: 'power', on: false },
  { do: 'slot', holds: 'breaker' },
  { do: 'slot', holds: 'nothing' },
  ...callsOf(system).map((call): BenchChange => ({ do: 'call', call })),
  ...pluggableParts(system).map((part): BenchChange => ({ do: 'unplug', part })),
  ...system.places.map(({ id }): BenchChange => ({ do: 'walk', place: id })),
  ...system.cables.flatMap((cable) =>
    cable.conductors
      .filter(({ lands }) => lands[0] !== null)
      .map(({ id }): BenchChange => ({ do: 'lift', end: conductorEnd(cable.id, id, cable.between[0]) })),
  ),
]

const benchAfter = (system: System, changes: readonly BenchChange[]): Bench =>
  changes.reduce((bench, change) => {
    const applied = applyChange(system, bench, change)
    return applied.ok ? applied.bench : bench
  }, createBench(system))

const WIRES = ['lift', 'land', 'unplug', 'plug', 'jumper', 'unjumper', 'slot']

/** What could hurt in a check. Listed, since there are tens of thousands of them and an expectation each takes longer than to look. */
function dangersOf(system: System, { bench, probes }: Candidate): string[] {
  // What a jumper may join is held against the solver in bench/jumper-guard.test.ts.
  const jumped = problemWithJumpers(system, bench)
  const asked = probes.flatMap(({ probe }) => {
    const refused = problemWithProbe(system, bench, probe)
    const isLive = probe.meter === 'ohms' && bench.power
    const isLine = probe.meter === 'volts' && [probe.a, probe.b].some((point) => isLinePoint(system, point))
    const { caution } = sayCheck(system, probe, bench)
    return [
      ...(refused === null ? [] : [`${probeKey(probe)} is refused: ${refused}`]),
      ...(isLive ? [`${probeKey(probe)} with the power on`] : []),
      ...(isLine && !/line voltage/i.test(caution ?? '') ? [`${probeKey(probe)} without a word of line voltage`] : []),
    ]
  })
  return jumped === null ? asked : [jumped, ...asked]
}

describe.each(catalogue.map((system) => [system.id, system] as const))('every check that could be proposed on %s', (_, system) => {
  it('is safe to set up and to take, whatever the bench and the way of working', () => {
    fc.assert(
      fc.property(fc.subarray(changesOf(system), { maxLength: 6 }), fc.constantFrom(...waysOfWorking), (changes, way) => {
        const bench = benchAfter(system, changes)
        const candidates = stagesOf(system, bench, way).flat()
        expect(candidates.length).toBeGreaterThan(20)
        expect(candidates.flatMap((candidate) => dangersOf(system, candidate))).toEqual([])
        // The way there: hands on wires only with the power off, and never a larger fuse than the label's.
        for (const candidate of candidates.filter((__, index) => index % 9 === 0)) {
          let reached = bench
          for (const step of planRoute(system, bench, candidate.bench, candidate.probes[0].place).changes) {
            if (WIRES.includes(step.do)) expect(reached.power).toBe(false)
            if (step.do === 'slot' && step.holds !== 'nothing') expect(step.ratingA).toBeLessThanOrEqual(firstPart(system, 'fuse').ratingA)
            const applied = applyChange(system, reached, step)
            if (!applied.ok) throw new Error(applied.problem)
            reached = applied.bench
          }
        }
      }),
      { seed: 11, numRuns: 7 },
    )
  })
})
