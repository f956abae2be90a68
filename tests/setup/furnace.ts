import { applyChange } from '@/src/core/bench/apply'
import { type Bench, type BenchChange, createBench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { type Hypothesis, healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { engineOf } from '@/tests/setup/engines'

/** Short ways to the furnace with A/C, for tests that read like the trade. */

export const furnaceEngine = (): Engine => engineOf(furnaceAc.id)

export const benchWith = (...changes: BenchChange[]): Bench =>
  changes.reduce((bench, change) => {
    const applied = applyChange(furnaceAc, bench, change)
    if (!applied.ok) throw new Error(applied.problem)
    return applied.bench
  }, createBench(furnaceAc))

export const hypothesisOf = (faultId: string | null, foundFuse: Hypothesis['foundFuse'] = 'intact'): Hypothesis => {
  if (faultId === null) return healthy
  const fault = enumerateFaults(furnaceAc).find(({ id }) => id === faultId)
  if (!fault) throw new Error(`the furnace has no fault ${faultId}`)
  return hypothesisOfFault(fault, foundFuse)
}

export const change = {
  breaker: { do: 'slot', holds: 'breaker' },
  off: { do: 'power', on: false },
  cool: { do: 'call', call: 'cool' },
  heat: { do: 'call', call: 'heat' },
  fan: { do: 'call', call: 'fan' },
  jumperY: { do: 'jumper', a: 'R@indoor', b: 'Y@indoor' },
  liftY: { do: 'lift', end: 'outdoor-cable.Y@indoor' },
} as const satisfies Record<string, BenchChange>
