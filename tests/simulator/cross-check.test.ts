import { applyChange } from '@/src/core/bench/apply'
import { type Bench, type BenchChange, createBench } from '@/src/core/bench/bench'
import { writeNetlist } from '@/src/core/circuit/netlist'
import { solveNetwork } from '@/src/core/circuit/solver'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { type Hypothesis, healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { networkInState } from '@/src/core/readings/network-in-state'
import { predict } from '@/src/core/readings/predict'
import { fromOhmScale } from '@/src/core/readings/prediction'
import { magnitude, subtract } from '@/src/core/units/complex'
import { defaultMeter } from '@/src/core/units/meter'
import { createRandom } from '@/src/core/units/random'
import { unplugs } from '@/src/core/wiring/part-kinds'
import type { Point } from '@/src/core/wiring/point'
import { callsOf, partsOf } from '@/src/core/wiring/system'
import { catalogue, furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { simulate } from '@/tests/simulator/ngspice'

/** An independent simulator is given our own element list: this proves the solver, every node of every case. */

const laboratory = createLaboratory(furnaceAc, templateValues)
const faults = enumerateFaults(furnaceAc)

const hypothesis = (id: string | null): Hypothesis => {
  const fault = id === null ? null : faults.find((candidate) => candidate.id === id)
  if (fault === undefined) throw new Error(`no fault ${id}`)
  return fault ? hypothesisOfFault(fault) : healthy
}

const benchOf = (changes: readonly BenchChange[]): Bench =>
  changes.reduce((bench, change) => {
    const applied = applyChange(furnaceAc, bench, change)
    if (!applied.ok) throw new Error(applied.problem)
    return applied.bench
  }, createBench(furnaceAc))

const jumperY: BenchChange = { do: 'jumper', a: 'R@indoor', b: 'Y@indoor' }
const liftY: BenchChange = { do: 'lift', end: 'outdoor-cable.Y@indoor' }
const breaker: BenchChange = { do: 'slot', holds: 'breaker' }

const cases: [string, string | null, BenchChange[]][] = [
  ['sound, nothing called', null, []],
  ['sound, cooling', null, [{ do: 'call', call: 'cool' }]],
  ['sound, heating', null, [{ do: 'call', call: 'heat' }]],
  ['sound, cooling by a jumper with Y lifted', null, [jumperY, liftY]],
  ['sound, thermostat unplugged', null, [{ do: 'unplug', part: 'stat' }]],
  ['Y open in the outdoor cable, cooling', 'conductor-open:outdoor-cable.Y', [{ do: 'call', call: 'cool' }]],
  ['Y on metal in the outdoor cable, cooling', 'conductor-to-chassis:outdoor-cable.Y', [breaker, { do: 'call', call: 'cool' }]],
  ['R and G shorted in the stat cable', 'conductor-short:stat-cable.R+G', [breaker]],
  ['contactor coil shorted, jumper in', 'coil-shorted:contactor', [breaker, jumperY]],
  ['low-pressure switch open, cooling', 'switch-open:low-pressure', [{ do: 'call', call: 'cool' }]],
  ['transformer dead', 'transformer-dead:transformer.secondary', []],
  ['C not landed at the thermostat', 'not-landed:stat-cable.C@thermostat', [{ do: 'call', call: 'fan' }]],
  ['W rubbed through at the limit, heating', 'lead-to-chassis:limit-rollout@indoor', [breaker, { do: 'call', call: 'heat' }]],
]

describe('every node of a live circuit agrees with an independent simulator', () => {
  it.each(cases)('%s', (_, fault, changes) => {
    const network = networkInState(laboratory, benchOf(changes), hypothesis(fault))
    const { deck, names } = writeNetlist(network, 'cross-check')
    const simulated = simulate(deck)
    const ours = solveNetwork(network)
    for (const [name, number] of names.node) {
      const wanted = simulated(number)
      expect(magnitude(subtract(ours.voltage(name), wanted))).toBeLessThan(1e-6 * (1 + magnitude(wanted)))
    }
  })
})

describe('ohms with the power off agree with the simulator', () => {
  const off: BenchChange = { do: 'power', on: false }
  it.each([
    ['a sound contactor circuit', null, [off, liftY], 'outdoor-cable.Y@indoor', 'C@indoor'],
    ['a rub to metal', 'conductor-to-chassis:outdoor-cable.Y', [off, liftY], 'outdoor-cable.Y@indoor', 'chassis@indoor'],
    ['the gas valve through limit and rollout', null, [off], 'W@indoor', 'C@indoor'],
    ['a shorted coil', 'coil-shorted:contactor', [off], 'Y@indoor', 'C@indoor'],
  ] as [string, string | null, BenchChange[], Point, Point][])('%s', (_, fault, changes, a, b) => {
    const network = networkInState(laboratory, benchOf(changes), hypothesis(fault))
    const { deck, names } = writeNetlist(network, 'ohms', 'ohms')
    const [na, nb] = [names.node.get(a), names.node.get(b)]
    const simulated = simulate(deck.replace('.op', `I1 ${nb} ${na} dc 1\n.op`))
    const wanted = Math.abs(simulated(na ?? -1).re - simulated(nb ?? -1).re) + defaultMeter.leadOhm
    const [{ at }] = predict(laboratory, benchOf(changes), hypothesis(fault), { meter: 'ohms', a, b })
    expect(typeof at === 'number' ? fromOhmScale(at) : at).toBeCloseTo(wanted, 4)
  })
})

describe.each(catalogue.map((system) => [system.id, system] as const))('%s agrees at every node', (_, system) => {
  const house = createLaboratory(system, templateValues)
  const known = enumerateFaults(system)
  const random = createRandom(31)
  const boards = partsOf(system, 'board').flatMap((board) => (unplugs(system, board) ? [board.id] : []))

  it('sound on every call, and with ten faults drawn at random @long', () => {
    const calls = ['off', ...callsOf(system)] as const
    const hypotheses: [Bench, Hypothesis][] = [
      ...calls.map((call): [Bench, Hypothesis] => [{ ...createBench(system), call }, healthy]),
      // With its boards unplugged.
      ...calls.map((call): [Bench, Hypothesis] => [{ ...createBench(system), call, unplugged: boards }, healthy]),
      ...Array.from({ length: 10 }, (): [Bench, Hypothesis] => {
        const fault = random.pick(known)
        return [{ ...createBench(system), call: random.pick(calls) }, hypothesisOfFault(fault)]
      }),
    ]
    for (const [bench, hypothesis] of hypotheses) {
      const network = networkInState(house, bench, hypothesis)
      const { deck, names } = writeNetlist(network, hypothesis.id)
      const simulated = simulate(deck)
      const ours = solveNetwork(network)
      for (const [name, number] of names.node) {
        const wanted = simulated(number)
        const off = magnitude(subtract(ours.voltage(name), wanted))
        // 1e-6 relative, with a floor of 10 microvolt; what floats on gigohms is allowed ten times that.
        if (off > 1e-5 + 1e-5 * magnitude(wanted)) throw new Error(`${hypothesis.id}, ${bench.call}, ${name}: off by ${off} V`)
      }
    }
    expect(hypotheses.length).toBeGreaterThan(12)
  }, 60_000)
})
