import type { Bench } from '@/src/core/bench/bench'
import { sayBench } from '@/src/core/bench/say'
import type { System } from '@/src/core/wiring/system'

/** What another bench has that this one has not, and the other way round, a phrase each. */
export function benchDifference(system: System, from: Bench, to: Bench): string[] {
  const [before, after] = [phrases(system, from), phrases(system, to)]
  return [
    ...after.filter((phrase) => !before.includes(phrase)),
    ...before.filter((phrase) => !after.includes(phrase)).map((phrase) => `no longer ${phrase}`),
  ]
}

/** What is normal is said, too, where two benches differ in it. */
const phrases = (system: System, bench: Bench): string[] => [
  bench.power ? 'power on' : 'power off',
  ...sayBench(system, bench).filter((phrase) => phrase !== 'power off'),
]
