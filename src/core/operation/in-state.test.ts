import fc from 'fast-check'
import { createBench } from '@/src/core/bench/bench'
import { changesOfBench } from '@/src/core/bench/changes'
import type { Network } from '@/src/core/circuit/network'
import { Perturbation } from '@/src/core/circuit/perturbation'
import { type Solution, solveNetwork } from '@/src/core/circuit/solver'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { movesOf, setInState } from '@/src/core/operation/in-state'
import { nextState } from '@/src/core/operation/settle'
import { healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { writeChanges } from '@/src/core/readings/network-in-state'
import { worldsOf } from '@/src/core/readings/world'
import { complex, magnitude, subtract } from '@/src/core/units/complex'
import { callsOf } from '@/src/core/wiring/system'
import { catalogue, furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

/** The dense solution, asked as the kernel is. */
function asKernel(network: Network, solution: Solution): Pick<Perturbation, 'difference' | 'current'> {
  const at = (index: number) => (index < 0 ? complex(0) : solution.voltage(network.nodes[index]))
  return {
    difference: (p, q) => magnitude(subtract(at(p), at(q))),
    current: (row) => magnitude(solution.current(network.links[row - network.nodes.length].id)),
  }
}

describe('a machine in a state', () => {
  const always = ['furnace-ac', 'heat-pump-o', 'zoned-furnace-ac']
  it.each(catalogue.map((system) => [system.id, always.includes(system.id) ? '' : ' @long', system] as const))(
    '%s: is a fresh dense solution, node by node, to a microvolt%s',
    (_id, _tag, system) => {
      const laboratory = createLaboratory(system, templateValues)
      const { machine, network } = laboratory
      const [plain, often] = [new Perturbation(), new Perturbation()]
      const property = fc.property(
        fc.constantFrom(...enumerateFaults(system)),
        fc.constantFrom(...callsOf(system)),
        fc.boolean(),
        (fault, call, isFuseOpen) => {
          const found = createBench(system)
          const bench = { ...found, call, slot: { ...found.slot, open: isFuseOpen } }
          const { base, constraints, worlds } = worldsOf(laboratory, bench, hypothesisOfFault(fault))
          for (const { fixed, settled } of worlds) {
            for (const state of settled.path) {
              const changes = [...changesOfBench(system, network, bench), ...fixed, ...movesOf(machine, constraints, state)]
              const solution = solveNetwork(writeChanges(network, changes))
              const oracle = asKernel(network, solution)
              plain.set(base, [...fixed, ...movesOf(machine, constraints, state)])
              // Another state between: what a kernel holds already is not set again, nor counted.
              for (let times = 0; times < 101; times++) {
                setInState(often, machine, base, fixed, constraints, state)
                often.set(base, [])
              }
              setInState(often, machine, base, fixed, constraints, state)
              for (const kernel of [plain, often]) {
                for (const node of network.nodes) {
                  kernel.difference(network.nodeIndex(node), -1)
                  expect(magnitude(subtract(kernel, solution.voltage(node)))).toBeLessThan(1e-6)
                }
                for (const { id } of network.links) {
                  const row = network.linkRow(id)
                  expect(Math.abs(kernel.current(row) - oracle.current(row))).toBeLessThan(1e-6)
                }
                expect(nextState(machine, constraints, state, kernel)).toBe(nextState(machine, constraints, state, oracle))
              }
            }
          }
        },
      )
      fc.assert(property, { seed: 5, numRuns: 10 })
    },
  )

  it('is not read any more once another state was set in its place', () => {
    const laboratory = createLaboratory(furnaceAc, templateValues)
    const { machine, network } = laboratory
    const { base, constraints, worlds } = worldsOf(laboratory, createBench(furnaceAc), healthy)
    const kernel = new Perturbation()
    const [state] = worlds[0].settled.members
    const at = network.nodeIndex('R@indoor')
    const first = setInState(kernel, machine, base, [], constraints, state)
    expect(first.kernel.difference(at, -1)).toBeGreaterThan(20)
    setInState(kernel, machine, base, [], constraints, 0)
    expect(() => first.kernel).toThrow('gone')
  })
})
