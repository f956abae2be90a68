/**
 * Complex dense linear algebra on split real and imaginary Float64Arrays, row-major n x n.
 * Gaussian elimination with partial pivoting (Golub and Van Loan, Matrix Computations, 3.4).
 */
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

export interface Factors {
  readonly lu: ComplexMatrix
  readonly order: Int32Array
}

/** Factors a copy of the matrix. Throws when a pivot vanishes: a network with an unreferenced part is a bug of assembly. */
export function factor(matrix: ComplexMatrix): Factors {
  const { n } = matrix
  const re = matrix.re.slice()
  const im = matrix.im.slice()
  const order = Int32Array.from({ length: n }, (_, row) => row)
  for (let k = 0; k < n; k++) {
    let best = -1
    let bestRow = k
    for (let row = k; row < n; row++) {
      const size = Math.abs(re[row * n + k]) + Math.abs(im[row * n + k])
      if (size > best) {
        best = size
        bestRow = row
      }
    }
    if (!(best > 1e-30)) throw new Error(`singular matrix at column ${k}`)
    if (bestRow !== k) swapRows(re, im, order, n, k, bestRow)
    const pr = re[k * n + k]
    const pi = im[k * n + k]
    const square = pr * pr + pi * pi
    for (let row = k + 1; row < n; row++) {
      const ar = re[row * n + k]
      const ai = im[row * n + k]
      if (ar === 0 && ai === 0) continue
      const fr = (ar * pr + ai * pi) / square
      const fi = (ai * pr - ar * pi) / square
      re[row * n + k] = fr
      im[row * n + k] = fi
      const target = row * n
      const source = k * n
      for (let col = k + 1; col < n; col++) {
        const ur = re[source + col]
        const ui = im[source + col]
        if (ur === 0 && ui === 0) continue
        re[target + col] -= fr * ur - fi * ui
        im[target + col] -= fr * ui + fi * ur
      }
    }
  }
  return { lu: { n, re, im }, order }
}

function swapRows(re: Float64Array, im: Float64Array, order: Int32Array, n: number, a: number, b: number): void {
  for (let col = 0; col < n; col++) {
    const r = re[a * n + col]
    re[a * n + col] = re[b * n + col]
    re[b * n + col] = r
    const i = im[a * n + col]
    im[a * n + col] = im[b * n + col]
    im[b * n + col] = i
  }
  const row = order[a]
  order[a] = order[b]
  order[b] = row
}

/** Solves A x = b for a factored A. */
export function solve(factors: Factors, b: ComplexVector): ComplexVector {
  const { lu, order } = factors
  const { n, re, im } = lu
  const x = createVector(n)
  for (let row = 0; row < n; row++) {
    let sr = b.re[order[row]]
    let si = b.im[order[row]]
    for (let col = 0; col < row; col++) {
      const lr = re[row * n + col]
      const li = im[row * n + col]
      if (lr === 0 && li === 0) continue
      sr -= lr * x.re[col] - li * x.im[col]
      si -= lr * x.im[col] + li * x.re[col]
    }
    x.re[row] = sr
    x.im[row] = si
  }
  for (let row = n - 1; row >= 0; row--) {
    let sr = x.re[row]
    let si = x.im[row]
    for (let col = row + 1; col < n; col++) {
      const ur = re[row * n + col]
      const ui = im[row * n + col]
      if (ur === 0 && ui === 0) continue
      sr -= ur * x.re[col] - ui * x.im[col]
      si -= ur * x.im[col] + ui * x.re[col]
    }
    const pr = re[row * n + row]
    const pi = im[row * n + row]
    const square = pr * pr + pi * pi
    x.re[row] = (sr * pr + si * pi) / square
    x.im[row] = (si * pr - sr * pi) / square
  }
  return x
}
