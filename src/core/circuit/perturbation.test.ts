import fc from 'fast-check'
import { addAdmittance, type Change, closeLink, factorNetwork, openLink } from '@/src/core/circuit/factored'
import { Perturbation } from '@/src/core/circuit/perturbation'
import { solveNetwork } from '@/src/core/circuit/solver'
import { writeChanges } from '@/src/core/readings/network-in-state'
import { complex, magnitude, subtract } from '@/src/core/units/complex'
import { assemble } from '@/src/core/wiring/assembly'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

const network = assemble(furnaceAc)
const live = factorNetwork(network, 'live')
const probed = ['R@indoor', 'Y@indoor', 'Y@outdoor', 'low-contactor@outdoor', 'C@outdoor', 'chassis@indoor'].map((name) =>
  network.nodeIndex(name),
)

const changesArb = fc
  .tuple(
    fc.uniqueArray(fc.nat({ max: network.links.length - 1 }), { maxLength: 4 }),
    fc.array(
      fc.record({
        a: fc.nat({ max: network.nodes.length - 1 }),
        b: fc.nat({ max: network.nodes.length - 1 }),
        ohm: fc.double({ min: 0.05, max: 1e4, noNaN: true }),
      }),
      { maxLength: 3 },
    ),
  )
  .map(([opened, joined]): Change[] => [
    ...opened.map((index) => openLink(network, network.links[index].id)),
    ...joined
      .filter(({ a, b }) => a !== b)
      .map(({ a, b, ohm }) => addAdmittance(network, network.nodes[a], network.nodes[b], complex(1 / ohm))),
  ])

describe('Perturbation', () => {
  it('agrees with a fresh dense solution whatever is opened or joined', () => {
    const kernel = new Perturbation()
    fc.assert(
      fc.property(changesArb, (changes) => {
        kernel.set(live, changes)
        const oracle = solveNetwork(writeChanges(network, changes))
        for (const node of probed) {
          kernel.difference(node, probed[0])
          const wanted = subtract(oracle.voltage(network.nodes[node]), oracle.voltage(network.nodes[probed[0]]))
          const scale = 1 + magnitude(wanted)
          // 1e12 ohm for an open link costs about six digits of the sixteen; a millivolt in a thousand volts is left.
          expect(Math.hypot(kernel.re - wanted.re, kernel.im - wanted.im) / scale).toBeLessThan(1e-5)
        }
      }),
      { seed: 11, numRuns: 60 },
    )
  })

  it('gives the port impedance that a unit current would show', () => {
    const kernel = new Perturbation().set(live, [openLink(network, 'landing:outdoor-cable.Y@indoor')])
    const far = network.nodeIndex('Y@outdoor')
    const common = network.nodeIndex('C@outdoor')
    const direct = kernel.impedance(far, common)
    const loaded = new Perturbation().set(live, [
      openLink(network, 'landing:outdoor-cable.Y@indoor'),
      addAdmittance(network, 'Y@outdoor', 'C@outdoor', complex(1e-3)),
    ])
    const withLoad = loaded.impedance(far, common)
    // 1 / z_loaded = 1 / z + 1 mS, as admittances in parallel add.
    expect(withLoad).toBeLessThan(direct)
    expect(direct).toBeLessThan(60)
    expect(direct).toBeGreaterThan(5)
  })

  it('absorbs its changes into a base that then reads the same', () => {
    const changes = [openLink(network, 'landing:stat-cable.C@indoor'), addAdmittance(network, 'Y@indoor', 'R@indoor', complex(20))]
    const absorbed = new Perturbation().set(live, changes).absorb()
    const before = new Perturbation().set(live, changes)
    const after = new Perturbation().set(absorbed, [])
    for (const node of probed) expect(after.difference(node, -1)).toBeCloseTo(before.difference(node, -1), 6)
  })

  it('adds up the steps of a link, in a base that took some of them in too: opened twice and closed once it is open', () => {
    const link = 'landing:outdoor-cable.Y@indoor'
    const volts = (base: typeof live, changes: Change[]) =>
      new Perturbation().set(base, changes).difference(network.nodeIndex('Y@outdoor'), network.nodeIndex('C@outdoor'))
    const call = addAdmittance(network, 'R@indoor', 'Y@indoor', complex(20))
    const [open, close] = [openLink(network, link), closeLink(network, link)]
    const closed = volts(live, [call])
    expect(closed).toBeGreaterThan(20)
    expect(volts(live, [call, open, close])).toBeCloseTo(closed, 9)
    expect(volts(live, [call, open])).toBeLessThan(0.1)
    expect(volts(live, [call, open, open, close])).toBeLessThan(0.1)
    const opened = new Perturbation().set(live, [open]).absorb()
    expect(volts(opened, [call, close])).toBeCloseTo(closed, 6)
    // Opening what is open already changes nothing but the count.
    const twice = new Perturbation().set(opened, [open]).absorb()
    expect(volts(twice, [call, close])).toBeLessThan(0.1)
    expect(volts(twice, [call, close, close])).toBeCloseTo(closed, 6)
  })

  it('refuses more changes than it has room for', () => {
    const many = Array.from({ length: 97 }, () => addAdmittance(network, 'R@indoor', 'Y@indoor', complex(1)))
    expect(() => new Perturbation().set(live, many)).toThrow('more than 96 changes')
  })

  it('tells how a reading moves with an admittance anywhere: the adjoint is what a small step of it does', () => {
    const kernel = new Perturbation()
    const step = 1e-7
    fc.assert(
      fc.property(changesArb, fc.nat({ max: probed.length - 1 }), fc.nat({ max: probed.length - 1 }), (changes, one, other) => {
        const [a, b] = [probed[0], probed[1]]
        const [p, q] = [probed[one], probed[other]]
        if (p === q) return
        // Where an island hangs on its insulation alone, no such step is a small one.
        if (step * kernel.set(live, changes).impedance(p, q) > 0.1) return
        kernel.set(live, changes).source(a, b)
        const before = complex(kernel.openRe, kernel.openIm)
        kernel.transfer(p, q)
        const { re, im, vRe, vIm } = kernel
        const told = complex(-(re * vRe - im * vIm), -(re * vIm + im * vRe))
        kernel.set(live, [...changes, { kind: 'admittance', p, q, y: complex(step) }]).difference(a, b)
        const moved = subtract(complex(kernel.re, kernel.im), before)
        const off = magnitude(subtract(complex(moved.re / step, moved.im / step), told))
        // The second order of the step, and what sixteen digits leave of a small difference.
        expect(off).toBeLessThan(1e-3 * magnitude(told) + 1e-2 + step * magnitude(complex(re, im)) * magnitude(told) * 2)
      }),
      { seed: 21, numRuns: 60 },
    )
  })
})
