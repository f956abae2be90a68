import fc from 'fast-check'
import { factorNetwork } from '@/src/core/circuit/factored'
import { floatingNodes } from '@/src/core/circuit/floating'
import { createNetwork, EARTH, type Element } from '@/src/core/circuit/network'
import { solveNetwork } from '@/src/core/circuit/solver'
import { type Complex, complex, magnitude, multiply, reciprocal, subtract } from '@/src/core/units/complex'

/** Random ladders: a chain of nodes, each with an impedance to the next and one to earth, some through links. */
const impedanceArb = fc.record({ re: fc.double({ min: 0.5, max: 500, noNaN: true }), im: fc.double({ min: -300, max: 300, noNaN: true }) })
const ladderArb = fc.array(fc.record({ along: impedanceArb, down: impedanceArb, linked: fc.boolean() }), { minLength: 2, maxLength: 8 })
type Ladder = { along: Complex; down: Complex; linked: boolean }[]

function ladder(rungs: Ladder, sources: Element[]): Element[] {
  return [
    ...rungs.flatMap(({ along, down, linked }, index): Element[] => [
      { kind: 'impedance', id: `along ${index}`, a: `n${index}`, b: linked ? `m${index}` : `n${index + 1}`, ac: along, dcOhm: along.re },
      ...(linked ? [{ kind: 'link', id: `link ${index}`, a: `m${index}`, b: `n${index + 1}`, ohm: 0.01, closed: true } as const] : []),
      { kind: 'impedance', id: `down ${index}`, a: `n${index + 1}`, b: EARTH, ac: down, dcOhm: down.re },
    ]),
    ...sources,
  ]
}

const source = (id: string, node: string, volts: number): Element => ({
  kind: 'source',
  id,
  a: node,
  b: EARTH,
  volts: complex(volts),
  ac: complex(1, 0.5),
  dcOhm: 1,
})

const settings = { seed: 7, numRuns: 60 }

describe('a network with a part that floats', () => {
  const grounded: Element = { kind: 'impedance', id: 'load', a: 'top', b: EARTH, ac: complex(10), dcOhm: 10 }
  const island: Element = { kind: 'impedance', id: 'island', a: 'left', b: 'right', ac: complex(10), dcOhm: 10 }

  it('is refused by name, live and on the ohmmeter, instead of with a number', () => {
    const network = createNetwork([grounded, island])
    expect(floatingNodes(network, 'live')).toEqual(['left', 'right'])
    expect(() => solveNetwork(network)).toThrow('nothing ties left, right to earth')
    expect(() => factorNetwork(network, 'ohms')).toThrow('nothing ties left, right to earth')
  })

  it('is tied live by a capacitor that direct current does not pass', () => {
    const capacitor: Element = { kind: 'impedance', id: 'c', a: 'left', b: EARTH, ac: complex(0, -1e6), dcOhm: Infinity }
    const network = createNetwork([grounded, island, capacitor])
    expect(floatingNodes(network, 'live')).toEqual([])
    expect(floatingNodes(network, 'ohms')).toEqual(['left', 'right'])
  })
})

describe('solveNetwork', () => {
  it('divides a voltage as two resistors do', () => {
    const network = createNetwork([
      { kind: 'source', id: 's', a: 'top', b: EARTH, volts: complex(24), ac: complex(1e-9), dcOhm: 1e-9 },
      { kind: 'impedance', id: 'upper', a: 'top', b: 'middle', ac: complex(10), dcOhm: 10 },
      { kind: 'impedance', id: 'lower', a: 'middle', b: EARTH, ac: complex(20), dcOhm: 20 },
    ])
    expect(solveNetwork(network).voltsBetween('middle', EARTH)).toBeCloseTo(16, 6)
  })

  it('steps down by the turns ratio and reflects the load to the primary', () => {
    const network = createNetwork([
      { kind: 'source', id: 's', a: 'hot', b: EARTH, volts: complex(120), ac: complex(1e-6), dcOhm: 1 },
      { kind: 'link', id: 'ammeter', a: 'hot', b: 'p', ohm: 1e-6, closed: true },
      {
        kind: 'transformer',
        id: 't',
        p1: 'p',
        p2: EARTH,
        s1: 'sec',
        s2: EARTH,
        turnsRatio: 5,
        ac: complex(1e-6),
        primaryDcOhm: 10,
        secondaryDcOhm: 1,
      },
      { kind: 'impedance', id: 'load', a: 'sec', b: EARTH, ac: complex(12), dcOhm: 12 },
    ])
    const solution = solveNetwork(network)
    expect(solution.voltsBetween('sec', EARTH)).toBeCloseTo(24, 3)
    expect(magnitude(solution.current('ammeter'))).toBeCloseTo(24 / 12 / 5, 4)
  })

  it('passes nothing through an open link and reads nothing live in the ohms analysis', () => {
    const network = createNetwork([
      source('s', 'a', 24),
      { kind: 'link', id: 'switch', a: 'a', b: 'b', ohm: 0.03, closed: false },
      { kind: 'impedance', id: 'load', a: 'b', b: EARTH, ac: complex(50), dcOhm: 50 },
    ])
    expect(magnitude(solveNetwork(network).current('switch'))).toBeLessThan(1e-9)
    expect(solveNetwork(network, 'ohms').voltsBetween('a', EARTH)).toBe(0)
  })

  it('is reciprocal: a volt here makes the current there that a volt there makes here', () => {
    fc.assert(
      fc.property(ladderArb, (rungs) => {
        const far = `n${rungs.length}`
        const withAmmeters = (atNear: number, atFar: number) =>
          solveNetwork(
            createNetwork(
              ladder(
                rungs,
                [
                  source('near', 'near lead', atNear),
                  { kind: 'link', id: 'near', a: 'near lead', b: 'n0', ohm: 0.02, closed: true },
                  source('far', 'far lead', atFar),
                  { kind: 'link', id: 'far', a: 'far lead', b: far, ohm: 0.02, closed: true },
                ].map((element, index) => ({ ...element, id: `${element.id} ${index}` }) as Element),
              ),
            ),
          )
        const there = withAmmeters(1, 0).current('far 3')
        const here = withAmmeters(0, 1).current('near 1')
        expect(magnitude(subtract(there, here))).toBeLessThan(1e-9 * (1 + magnitude(there)))
      }),
      settings,
    )
  })

  it('gives as much power as is taken', () => {
    fc.assert(
      fc.property(ladderArb, fc.double({ min: 1, max: 30, noNaN: true }), (rungs, volts) => {
        const network = createNetwork(ladder(rungs, [source('s', 'n0', volts)]))
        const solution = solveNetwork(network)
        let taken = 0
        for (const element of network.elements) {
          if (element.kind === 'impedance' && element.ac) {
            const across = magnitude(subtract(solution.voltage(element.a), solution.voltage(element.b)))
            taken += across ** 2 * reciprocal(element.ac).re
          }
          if (element.kind === 'link') taken += magnitude(solution.current(element.id)) ** 2 * element.ohm
        }
        const current = multiply(subtract(complex(volts), solution.voltage('n0')), reciprocal(complex(1, 0.5)))
        taken += magnitude(current) ** 2 * 1
        expect(taken).toBeCloseTo(volts * current.re, 6)
      }),
      settings,
    )
  })

  it('superposes: two sources together are the sum of each alone', () => {
    fc.assert(
      fc.property(
        ladderArb,
        fc.double({ min: -30, max: 30, noNaN: true }),
        fc.double({ min: -30, max: 30, noNaN: true }),
        (rungs, v, w) => {
          const far = `n${rungs.length}`
          const at = (near: number, distant: number) =>
            solveNetwork(createNetwork(ladder(rungs, [source('s', 'n0', near), source('t', far, distant)]))).voltage('n1')
          const [both, first, second] = [at(v, w), at(v, 0), at(0, w)]
          expect(magnitude(subtract(both, { re: first.re + second.re, im: first.im + second.im }))).toBeLessThan(1e-8)
        },
      ),
      settings,
    )
  })
})

describe('createNetwork', () => {
  it('names the id that is used twice', () => {
    expect(() => createNetwork([source('s', 'a', 1), source('s', 'b', 1)])).toThrow('element id used twice: s')
  })
})
