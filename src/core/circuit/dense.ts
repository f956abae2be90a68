import { ComplexLu } from '@/src/core/circuit/lu'

/** A complex matrix in split real and imaginary arrays, row-major n x n. */
export interface ComplexMatrix {
  readonly n: number
  readonly re: Float64Array
  readonly im: Float64Array
}

export interface ComplexVector {
  readonly re: Float64Array
  readonly im: Float64Array
}

export const createMatrix = (n: number): ComplexMatrix => ({ n, re: new Float64Array(n * n), im: new Float64Array(n * n) })

export const createVector = (n: number): ComplexVector => ({ re: new Float64Array(n), im: new Float64Array(n) })

export function unitVector(n: number, place: number): ComplexVector {
  const unit = createVector(n)
  unit.re[place] = 1
  return unit
}

/** Factors a copy of the matrix. Throws when a pivot vanishes: a network with an unreferenced part is a bug of assembly. */
export function factor({ n, re, im }: ComplexMatrix): ComplexLu {
  const lu = new ComplexLu(n)
  lu.re.set(re)
  lu.im.set(im)
  if (!lu.factor(n)) throw new Error(`singular matrix of ${n} unknowns`)
  return lu
}

/** Solves A x = b for a factored A. */
export function solve(lu: ComplexLu, { re, im }: ComplexVector): ComplexVector {
  const x = createVector(re.length)
  lu.solve(re, im, x.re, x.im)
  return x
}
