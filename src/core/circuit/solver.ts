import { type ComplexMatrix, type ComplexVector, createMatrix, createVector, factor, solve } from '@/src/core/circuit/dense'
import { assertReferenced } from '@/src/core/circuit/floating'
import { type Analysis, type Element, type Network, OPEN_OHM } from '@/src/core/circuit/network'
import { type Complex, complex, magnitude, multiply, reciprocal, scale, subtract } from '@/src/core/units/complex'

/** The equations A x = b of a network: x holds node voltages, then link currents. A is symmetric. */
export interface Equations {
  readonly matrix: ComplexMatrix
  readonly rhs: ComplexVector
}

/**
 * Stamps a network by modified nodal analysis (Ho, Ruehli and Brennan 1975). A link's row reads va - vb - z i = 0,
 * so that opening it changes one diagonal and nothing cancels.
 */
export function stamp(network: Network, analysis: Analysis): Equations {
  const matrix = createMatrix(network.size)
  const rhs = createVector(network.size)
  const n = network.size
  const add = (row: number, col: number, value: Complex) => {
    if (row < 0 || col < 0) return
    matrix.re[row * n + col] += value.re
    matrix.im[row * n + col] += value.im
  }
  const addPair = (a: number, b: number, y: Complex) => {
    add(a, a, y)
    add(b, b, y)
    add(a, b, scale(y, -1))
    add(b, a, scale(y, -1))
  }
  const inject = (row: number, value: Complex) => {
    if (row < 0) return
    rhs.re[row] += value.re
    rhs.im[row] += value.im
  }
  for (const element of network.elements) stampElement(element)
  return { matrix, rhs }

  function stampElement(element: Element): void {
    switch (element.kind) {
      case 'impedance': {
        const y = admittance(element.ac, element.dcOhm, analysis)
        if (y) addPair(network.nodeIndex(element.a), network.nodeIndex(element.b), y)
        return
      }
      case 'link': {
        const row = network.linkRow(element.id)
        const a = network.nodeIndex(element.a)
        const b = network.nodeIndex(element.b)
        add(row, a, complex(1))
        add(a, row, complex(1))
        add(row, b, complex(-1))
        add(b, row, complex(-1))
        add(row, row, complex(-(element.closed ? element.ohm : OPEN_OHM)))
        return
      }
      case 'source': {
        const a = network.nodeIndex(element.a)
        const b = network.nodeIndex(element.b)
        const y = admittance(element.ac, element.dcOhm, analysis)
        if (!y) return
        addPair(a, b, y)
        if (analysis === 'live') {
          inject(a, multiply(element.volts, y))
          inject(b, scale(multiply(element.volts, y), -1))
        }
        return
      }
      case 'transformer': {
        const [p1, p2, s1, s2] = [element.p1, element.p2, element.s1, element.s2].map(network.nodeIndex)
        if (analysis === 'ohms') {
          addPair(p1, p2, complex(1 / element.primaryDcOhm))
          addPair(s1, s2, complex(1 / element.secondaryDcOhm))
          return
        }
        const y = reciprocal(element.ac)
        const k = 1 / element.turnsRatio
        addPair(s1, s2, y)
        addPair(p1, p2, scale(y, k * k))
        const mutual = scale(y, -k)
        for (const [p, s, sign] of [
          [p1, s1, 1],
          [p1, s2, -1],
          [p2, s1, -1],
          [p2, s2, 1],
        ] as const) {
          add(p, s, scale(mutual, sign))
          add(s, p, scale(mutual, sign))
        }
        return
      }
    }
  }
}

/** Admittance of an element under an analysis, or null when it passes nothing. */
export function admittance(ac: Complex | null, dcOhm: number, analysis: Analysis): Complex | null {
  if (analysis === 'ohms') return Number.isFinite(dcOhm) ? complex(1 / dcOhm) : null
  return ac ? reciprocal(ac) : null
}

export interface Solution {
  /** Voltage of a node against earth, RMS phasor. */
  voltage(node: string): Complex
  /** Current through a link from its `a` to its `b`, RMS phasor. */
  current(link: string): Complex
  /** What an ideal meter shows between two nodes. */
  voltsBetween(a: string, b: string): number
}

/** Solves a network from scratch. The oracle for the low-rank path, and the way for a single solution. */
export function solveNetwork(network: Network, analysis: Analysis = 'live'): Solution {
  assertReferenced(network, analysis)
  const { matrix, rhs } = stamp(network, analysis)
  const x = solve(factor(matrix), rhs)
  const at = (index: number): Complex => (index < 0 ? complex(0) : complex(x.re[index], x.im[index]))
  const voltage = (node: string) => at(network.nodeIndex(node))
  return {
    voltage,
    current: (link) => at(network.linkRow(link)),
    voltsBetween: (a, b) => magnitude(subtract(voltage(a), voltage(b))),
  }
}
