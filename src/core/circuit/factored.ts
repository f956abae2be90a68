import { type ComplexVector, createVector, factor, solve, unitVector } from '@/src/core/circuit/dense'
import { assertReferenced } from '@/src/core/circuit/floating'
import { type Analysis, type Network, OPEN_OHM } from '@/src/core/circuit/network'
import { stamp } from '@/src/core/circuit/solver'
import { type Complex, complex } from '@/src/core/units/complex'

/**
 * A network solved: its unknowns, and the rows of its matrix's inverse, each worked out when it is first needed. The
 * matrix is symmetric, and so is the inverse: a column is the row of the same number. Behind the last unknown, here and in
 * every row, stands a zero for the reference, which so needs no case of its own.
 */
export interface Factored {
  readonly network: Network
  readonly x: ComplexVector
  /** Rows by their place, those that were needed so far; ask `need` first. */
  readonly rowsRe: readonly Float64Array[]
  readonly rowsIm: readonly Float64Array[]
  /** Makes sure of an unknown's row, and returns its place; -1 is the reference. */
  need(unknown: number): number
}

/** A network solved whose rows are worked out by `rowOf`, each once. */
export function factoredBy(network: Network, x: ComplexVector, rowOf: (row: number) => ComplexVector): Factored {
  const reference = network.size
  const rowsRe: Float64Array[] = new Array(reference + 1)
  const rowsIm: Float64Array[] = new Array(reference + 1)
  const none = createVector(reference + 1)
  rowsRe[reference] = none.re
  rowsIm[reference] = none.im
  const need = (unknown: number): number => {
    if (unknown < 0) return reference
    if (rowsRe[unknown] === undefined) {
      const { re, im } = rowOf(unknown)
      rowsRe[unknown] = re
      rowsIm[unknown] = im
    }
    return unknown
  }
  return { network, x, rowsRe, rowsIm, need }
}

export function factorNetwork(network: Network, analysis: Analysis): Factored {
  assertReferenced(network, analysis)
  const { matrix, rhs } = stamp(network, analysis)
  const factors = factor(matrix)
  return factoredBy(network, withReference(solve(factors, rhs)), (row) => withReference(solve(factors, unitVector(network.size, row))))
}

function withReference({ re, im }: ComplexVector): ComplexVector {
  const padded = createVector(re.length + 1)
  padded.re.set(re)
  padded.im.set(im)
  return padded
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
