import { type Bench, wiringKey } from '@/src/core/bench/bench'
import { changesOfBench } from '@/src/core/bench/changes'
import { type Factored, factorNetwork } from '@/src/core/circuit/factored'
import { Perturbation } from '@/src/core/circuit/perturbation'
import { constraintsOfCall } from '@/src/core/operation/asked'
import { setInState } from '@/src/core/operation/in-state'
import { createMachine, type Machine } from '@/src/core/operation/machine'
import { settle } from '@/src/core/operation/settle'
import { LruCache, Memo } from '@/src/core/units/cache'
import { workLimit } from '@/src/core/units/work-limit'
import { assemble } from '@/src/core/wiring/assembly'
import { windingLink } from '@/src/core/wiring/links'
import { callsOf, partsOf, type System } from '@/src/core/wiring/system'
import { templateValues } from '@/src/core/wiring/values'

interface SoundHouse {
  readonly machine: Machine
  readonly kernel: Perturbation
  readonly base: Factored
  readonly loads: LruCache<string, number>
}

/** Answers kept for one system: a number each. */
const KEPT_BENCHES = workLimit(400)

const soundHouseOf = new Memo((system: System): SoundHouse => {
  // A guard inside a thermostat opens in time, or does not: nothing may rely on it.
  const parts = system.parts.map((part) => (part.kind === 'thermostat' ? { ...part, guardA: undefined } : part))
  const unguarded = { ...system, parts }
  const network = assemble(unguarded, templateValues)
  const machine = createMachine(unguarded, network, templateValues)
  return { machine, kernel: new Perturbation(), base: factorNetwork(network, 'live'), loads: new LruCache(KEPT_BENCHES) }
})

/**
 * The highest share of its rated current (VA over 24 V) that any transformer's secondary settles at in a sound house wired as
 * this bench is, over every call that may come on, with the power on and whatever is in the fuse slot holding.
 */
export function worstWindingLoad(system: System, bench: Bench): number {
  const house = soundHouseOf.of(system)
  const live: Bench = { ...bench, power: true, slot: { holds: 'fuse', ratingA: bench.slot.ratingA, open: false } }
  return house.loads.get(wiringKey(live), () => solveWorst(house, live))
}

function solveWorst({ machine, kernel, base }: SoundHouse, bench: Bench): number {
  const { system, network } = machine
  const wired = kernel.set(base, changesOfBench(system, network, bench)).absorb()
  let worst = 0
  for (const call of ['off', ...callsOf(system)] as const) {
    const constraints = constraintsOfCall(machine, call, bench.unplugged)
    for (const member of settle(machine, wired, [], constraints, 0, kernel).members) {
      const solved = setInState(kernel, machine, wired, [], constraints, member)
      for (const { id, va } of partsOf(system, 'transformer'))
        worst = Math.max(worst, solved.kernel.current(network.linkRow(windingLink(id, 'secondary'))) / (va / 24))
    }
  }
  return worst
}
