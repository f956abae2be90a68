import type { Bench } from '@/src/core/bench/bench'
import { sayBench } from '@/src/core/bench/say'
import type { System } from '@/src/core/wiring/system'

/** What another bench has that this one has not, and the other way round, a phrase each. */
export function benchDifference(system: System, from: Bench, to: Bench): string[] {
  const [before, after] = [sayBench(system, from), sayBench(system, to)]
  const gone = before
    .filter((phrase) => !after.includes(phrase))
    .map((phrase) => (phrase === 'power off' ? 'power on' : `no longer ${phrase}`))
  return [...after.filter((phrase) => !before.includes(phrase)), ...gone]
}
