import { type Bench, benchKey } from '@/src/core/bench/bench'
import { changesOfBench } from '@/src/core/bench/changes'
import { type Factored, factorNetwork } from '@/src/core/circuit/factored'
import type { Network } from '@/src/core/circuit/network'
import { Perturbation } from '@/src/core/circuit/perturbation'
import { createMachine, type Machine } from '@/src/core/operation/machine'
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
const KEPT_BENCHES = 160

export function createLaboratory(system: System, factors: ValueFactors): Laboratory {
  const network = assemble(system, factors)
  const kernel = new Perturbation()
  const bases = new Map<'live' | 'ohms', Factored>()
  const benches = new Map<string, Factored>()
  const base = (analysis: 'live' | 'ohms') => {
    const known = bases.get(analysis)
    if (known) return known
    const made = factorNetwork(network, analysis)
    bases.set(analysis, made)
    return made
  }
  return {
    system,
    factors,
    network,
    machine: createMachine(system, network, factors),
    kernel,
    onBench: (bench) => {
      const key = benchKey({ ...bench, call: 'off' })
      const known = benches.get(key)
      if (known) return known
      const made = kernel.set(base(bench.power ? 'live' : 'ohms'), changesOfBench(system, network, bench)).absorb()
      if (benches.size >= KEPT_BENCHES) benches.delete(benches.keys().next().value as string)
      benches.set(key, made)
      return made
    },
  }
}
