/**
 * Complex linear equations, row after row in split real and imaginary arrays that are reused: Gaussian elimination with scaled
 * partial pivoting (Golub and Van Loan, Matrix Computations, 3.4). The one kernel of the solver and of its perturbations.
 */
export class ComplexLu {
  private rank = 0
  readonly re: Float64Array
  readonly im: Float64Array
  private readonly order: Int32Array
  private readonly scales: Float64Array
  private readonly scratchRe: Float64Array
  private readonly scratchIm: Float64Array

  constructor(most: number) {
    this.re = new Float64Array(most * most)
    this.im = new Float64Array(most * most)
    this.order = new Int32Array(most)
    this.scales = new Float64Array(most)
    this.scratchRe = new Float64Array(most)
    this.scratchIm = new Float64Array(most)
  }

  /**
   * Factors what the caller wrote into the first r x r entries, row after row; false when it is singular. Rows of opened links are
   * ten orders above those of joined points, so a pivot is chosen by its share of its own row.
   */
  factor(r: number): boolean {
    this.rank = r
    const { re: mRe, im: mIm, order, scales } = this
    for (let k = 0; k < r; k++) {
      order[k] = k
      let most = 0
      for (let col = 0; col < r; col++) {
        const size = Math.abs(mRe[k * r + col]) + Math.abs(mIm[k * r + col])
        if (size > most) most = size
      }
      scales[k] = 1 / most
    }
    for (let k = 0; k < r; k++) {
      let best = -1
      let bestRow = k
      for (let row = k; row < r; row++) {
        const size = (Math.abs(mRe[row * r + k]) + Math.abs(mIm[row * r + k])) * scales[row]
        if (size > best) {
          best = size
          bestRow = row
        }
      }
      if (bestRow !== k) {
        for (let col = 0; col < r; col++) {
          exchange(mRe, k * r + col, bestRow * r + col)
          exchange(mIm, k * r + col, bestRow * r + col)
        }
        exchange(order, k, bestRow)
        exchange(scales, k, bestRow)
      }
      const pr = mRe[k * r + k]
      const pi = mIm[k * r + k]
      const square = pr * pr + pi * pi
      if (!(square > 0)) return false
      for (let row = k + 1; row < r; row++) {
        const ar = mRe[row * r + k]
        const ai = mIm[row * r + k]
        // A network's rows are mostly empty.
        if (ar === 0 && ai === 0) continue
        const fr = (ar * pr + ai * pi) / square
        const fi = (ai * pr - ar * pi) / square
        mRe[row * r + k] = fr
        mIm[row * r + k] = fi
        for (let col = k + 1; col < r; col++) {
          const ur = mRe[k * r + col]
          const ui = mIm[k * r + col]
          mRe[row * r + col] -= fr * ur - fi * ui
          mIm[row * r + col] -= fr * ui + fi * ur
        }
      }
    }
    return true
  }

  /** Solves for a right-hand side, into the given arrays (which may be the same). */
  solve(wRe: Float64Array, wIm: Float64Array, outRe: Float64Array, outIm: Float64Array): void {
    const { rank: r, re: mRe, im: mIm, order } = this
    const tRe = this.scratchRe
    const tIm = this.scratchIm
    for (let row = 0; row < r; row++) {
      let sr = wRe[order[row]]
      let si = wIm[order[row]]
      for (let col = 0; col < row; col++) {
        const lr = mRe[row * r + col]
        const li = mIm[row * r + col]
        sr -= lr * tRe[col] - li * tIm[col]
        si -= lr * tIm[col] + li * tRe[col]
      }
      tRe[row] = sr
      tIm[row] = si
    }
    for (let row = r - 1; row >= 0; row--) {
      let sr = tRe[row]
      let si = tIm[row]
      for (let col = row + 1; col < r; col++) {
        const ur = mRe[row * r + col]
        const ui = mIm[row * r + col]
        sr -= ur * tRe[col] - ui * tIm[col]
        si -= ur * tIm[col] + ui * tRe[col]
      }
      const pr = mRe[row * r + row]
      const pi = mIm[row * r + row]
      const square = pr * pr + pi * pi
      tRe[row] = (sr * pr + si * pi) / square
      tIm[row] = (si * pr - sr * pi) / square
    }
    for (let row = 0; row < r; row++) {
      outRe[row] = tRe[row]
      outIm[row] = tIm[row]
    }
  }
}

function exchange(list: Float64Array | Int32Array, a: number, b: number): void {
  const kept = list[a]
  list[a] = list[b]
  list[b] = kept
}
