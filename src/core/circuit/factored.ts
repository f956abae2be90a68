import { type ComplexVector, factor, invert, solve } from '@/src/core/circuit/dense'
import { assertReferenced } from '@/src/core/circuit/floating'
import { type Analysis, type Network, OPEN_OHM } from '@/src/core/circuit/network'
import { stamp } from '@/src/core/circuit/solver'
import { type Complex, complex } from '@/src/core/units/complex'

/**
 * A network solved: its unknowns, and the rows of its matrix's inverse, each worked out when it is first needed. The
 * matrix is symmetric, and so is the inverse: a column is the row of the same number.
 */
export interface Factored {
  readonly network: Network
  readonly x: ComplexVector
  /** Rows by number, those that were needed so far; ask `need` first. */
  readonly rowsRe: readonly Float64Array[]
  readonly rowsIm: readonly Float64Array[]
  /** Makes sure of a row; -1 is the reference, which has none. */
  need(row: number): void
}

export function factorNetwork(network: Network, analysis: Analysis): Factored {
  assertReferenced(network, analysis)
  const { matrix, rhs } = stamp(network, analysis)
  const factors = factor(matrix)
  const inverse = invert(factors)
  const { n } = inverse
  const rowsOf = (values: Float64Array) => Array.from({ length: n }, (_, row) => values.subarray(row * n, (row + 1) * n))
  return { network, x: solve(factors, rhs), rowsRe: rowsOf(inverse.re), rowsIm: rowsOf(inverse.im), need: () => {} }
}

/**
 * A rank-1 change of the matrix: d (e_p - e_q)(e_p - e_q)^T over unknowns p and q, -1 for none.
 * An admittance between two nodes, or the impedance of one link (p its row, q -1).
 */
export interface Change {
  readonly p: number
  readonly q: number
  readonly d: Complex
}

/** A link's impedance from one value to another, in ohm. */
export function changeLink(network: Network, id: string, fromOhm: number, toOhm: number): Change {
  return { p: network.linkRow(id), q: -1, d: complex(fromOhm - toOhm) }
}

export function openLink(network: Network, id: string): Change {
  return changeLink(network, id, network.link(id).ohm, OPEN_OHM)
}

/** An admittance added between two nodes. */
export function addAdmittance(network: Network, a: string, b: string, y: Complex): Change {
  return { p: network.nodeIndex(a), q: network.nodeIndex(b), d: y }
}
