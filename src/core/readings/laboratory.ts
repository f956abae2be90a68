import { type Bench, wiringKey } from '@/src/core/bench/bench'
import { changesOfBench } from '@/src/core/bench/changes'
import { type Factored, factorNetwork } from '@/src/core/circuit/factored'
import type { Network } from '@/src/core/circuit/network'
import { Perturbation } from '@/src/core/circuit/perturbation'
import { createMachine, type Machine } from '@/src/core/operation/machine'
import { LruCache } from '@/src/core/units/cache'
import { workLimit } from '@/src/core/units/work-limit'
import { assemble } from '@/src/core/wiring/assembly'
import type { System } from '@/src/core/wiring/system'
import type { ValueFactors } from '@/src/core/wiring/values'

/**
 * One house with one set of part values, ready to be asked: its two networks factored once, and each bench taken in
 * as a low-rank change and kept. The kernel is shared; everything here runs on one thread.
 */
export interface Laboratory {
  readonly system: System
  readonly factors: ValueFactors
  readonly network: Network
  readonly machine: Machine
  readonly kernel: Perturbation
  /** The network with a bench's changes in place; live when the power is on, ohms when it is off. */
  onBench(bench: Bench): Factored
}

/** Benches kept at once; a job visits a few dozen, the planner weighs about as many. */
const KEPT_BENCHES = workLimit(160)

export function createLaboratory(system: System, factors: ValueFactors): Laboratory {
  const network = assemble(system, factors)
  const kernel = new Perturbation()
  const bases = new LruCache<'live' | 'ohms', Factored>(2)
  const benches = new LruCache<string, Factored>(KEPT_BENCHES)
  const base = (analysis: 'live' | 'ohms') => bases.get(analysis, () => factorNetwork(network, analysis))
  return {
    system,
    factors,
    network,
    machine: createMachine(system, network, factors),
    kernel,
    onBench: (bench) =>
      benches.get(wiringKey(bench), () => kernel.set(base(bench.power ? 'live' : 'ohms'), changesOfBench(system, network, bench)).absorb()),
  }
}
