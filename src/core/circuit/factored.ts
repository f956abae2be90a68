import { type ComplexVector, createVector, factor, solve, unitVector } from '@/src/core/circuit/dense'
import { assertReferenced } from '@/src/core/circuit/floating'
import type { Analysis, Network } from '@/src/core/circuit/network'
import { stamp } from '@/src/core/circuit/solver'
import type { Complex } from '@/src/core/units/complex'

/**
 * A network solved: its unknowns, and the rows of its matrix's inverse, each worked out when it is first needed. The
 * matrix is symmetric, and so is the inverse: a column is the row of the same number. Behind the last unknown, here and in
 * every row, stands a zero for the reference, which so needs no case of its own.
 */
export interface Factored {
  readonly network: Network
  readonly stands: LinkStands
  readonly x: ComplexVector
  /** Rows by their place, those that were needed so far; ask `need` first. */
  readonly rowsRe: readonly Float64Array[]
  readonly rowsIm: readonly Float64Array[]
  /** Makes sure of an unknown's row, and returns its place; -1 is the reference. */
  need(unknown: number): number
}

/** A network solved whose rows are worked out by `rowOf`, each once. */
export function factoredBy(network: Network, stands: LinkStands, x: ComplexVector, rowOf: (row: number) => ComplexVector): Factored {
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
  return { network, stands, x, rowsRe, rowsIm, need }
}

export function factorNetwork(network: Network, analysis: Analysis): Factored {
  assertReferenced(network, analysis)
  const { matrix, rhs } = stamp(network, analysis)
  const factors = factor(matrix)
  return factoredBy(network, standsOf(network), withReference(solve(factors, rhs)), (row) =>
    withReference(solve(factors, unitVector(network.size, row))),
  )
}

function withReference({ re, im }: ComplexVector): ComplexVector {
  const padded = createVector(re.length + 1)
  padded.re.set(re)
  padded.im.set(im)
  return padded
}

/** An admittance added between two nodes; -1 is the reference. */
export interface AddedAdmittance {
  readonly kind: 'admittance'
  readonly p: number
  readonly q: number
  readonly y: Complex
}

/**
 * A step of a link's impedance, `opens` times OPEN_OHM and `ohm`. The two are kept apart, for in their sum the ohm of a contact
 * would drown. Steps of one link add up: a fault that opens a contact, and the relay that closes it, leave it open.
 */
export interface LinkStep {
  readonly kind: 'link'
  readonly row: number
  readonly opens: number
  readonly ohm: number
}

export type Change = AddedAdmittance | LinkStep

/** A link's impedance from one value to another, in ohm. */
export function changeLink(network: Network, id: string, fromOhm: number, toOhm: number): LinkStep {
  return { kind: 'link', row: network.linkRow(id), opens: 0, ohm: toOhm - fromOhm }
}

/** A link that stands closed, opened. */
export function openLink(network: Network, id: string): LinkStep {
  return { kind: 'link', row: network.linkRow(id), opens: 1, ohm: -network.link(id).ohm }
}

/** A link that stands open, closed. */
export function closeLink(network: Network, id: string): LinkStep {
  return { kind: 'link', row: network.linkRow(id), opens: -1, ohm: network.link(id).ohm }
}

/** An admittance added between two nodes. */
export function addAdmittance(network: Network, a: string, b: string, y: Complex): AddedAdmittance {
  return { kind: 'admittance', p: network.nodeIndex(a), q: network.nodeIndex(b), y }
}

/**
 * How the links stand, in their order. A link that is closed on a base in which it is open is closed by an admittance beside
 * its row: a step of its row from OPEN_OHM to a few milliohm would leave three digits of sixteen.
 */
export interface LinkStands {
  /** How many times a link is open; closed at 0 or less. */
  readonly opens: Int8Array
  readonly ohm: Float64Array
  /** Siemens beside an open row, 0 for none. */
  readonly beside: Float64Array
}

const standsOf = ({ links }: Network): LinkStands => ({
  opens: Int8Array.from(links, ({ closed }) => (closed ? 0 : 1)),
  ohm: Float64Array.from(links, ({ closed, ohm }) => (closed ? ohm : 0)),
  beside: new Float64Array(links.length),
})
