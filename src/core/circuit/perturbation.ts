import { createVector } from '@/src/core/circuit/dense'
import type { Change, Factored } from '@/src/core/circuit/factored'

/** Changes at once: a bench's, a fault's, and one or two for every relay that moves. */
const MAX_RANK = 96

/**
 * A factored network under a few rank-1 changes, without factoring again: with Z the impedances between the
 * changed ports and v0 their voltages, y = (I + D Z)^-1 D v0 (Sherman-Morrison-Woodbury, in the form that never
 * divides by a change). The arrays are reused: read what you need before the next `set`.
 */
export class Perturbation {
  private base!: Factored
  private rank = 0
  private readonly p = new Int32Array(MAX_RANK)
  private readonly q = new Int32Array(MAX_RANK)
  private readonly dRe = new Float64Array(MAX_RANK)
  private readonly dIm = new Float64Array(MAX_RANK)
  private readonly mRe = new Float64Array(MAX_RANK * MAX_RANK)
  private readonly mIm = new Float64Array(MAX_RANK * MAX_RANK)
  private readonly order = new Int32Array(MAX_RANK)
  private readonly yRe = new Float64Array(MAX_RANK)
  private readonly yIm = new Float64Array(MAX_RANK)
  private readonly wRe = new Float64Array(MAX_RANK)
  private readonly wIm = new Float64Array(MAX_RANK)
  private readonly uRe = new Float64Array(MAX_RANK)
  private readonly uIm = new Float64Array(MAX_RANK)
  /** Results of the last query. */
  re = 0
  im = 0

  set(base: Factored, changes: readonly Change[]): this {
    if (changes.length > MAX_RANK) throw new Error(`more than ${MAX_RANK} changes at once: ${changes.length}`)
    this.base = base
    this.rank = changes.length
    const r = this.rank
    for (let k = 0; k < r; k++) {
      this.p[k] = changes[k].p
      this.q[k] = changes[k].q
      this.dRe[k] = changes[k].d.re
      this.dIm[k] = changes[k].d.im
    }
    const { p, q, dRe, dIm, mRe, mIm } = this
    for (let k = 0; k < r; k++) {
      base.need(p[k])
      base.need(q[k])
    }
    for (let k = 0; k < r; k++) {
      for (let l = 0; l < r; l++) {
        this.transfer(p[k], q[k], p[l], q[l])
        mRe[k * r + l] = dRe[k] * this.re - dIm[k] * this.im + (k === l ? 1 : 0)
        mIm[k * r + l] = dRe[k] * this.im + dIm[k] * this.re
      }
    }
    this.factorSmall()
    const { x } = base
    for (let k = 0; k < r; k++) {
      const vr = at(x.re, p[k]) - at(x.re, q[k])
      const vi = at(x.im, p[k]) - at(x.im, q[k])
      this.wRe[k] = dRe[k] * vr - dIm[k] * vi
      this.wIm[k] = dRe[k] * vi + dIm[k] * vr
    }
    this.solveSmall(this.yRe, this.yIm)
    return this
  }

  /** Difference of two unknowns (volts between two nodes; q -1: the unknown itself, so a link's current), into re and im. */
  difference(p: number, q: number): number {
    const { x } = this.base
    this.base.need(p)
    this.base.need(q)
    let re = at(x.re, p) - at(x.re, q)
    let im = at(x.im, p) - at(x.im, q)
    for (let k = 0; k < this.rank; k++) {
      this.transfer(p, q, this.p[k], this.q[k])
      const yr = this.yRe[k]
      const yi = this.yIm[k]
      const tr = this.re
      const ti = this.im
      re -= tr * yr - ti * yi
      im -= tr * yi + ti * yr
    }
    this.re = re
    this.im = im
    return Math.hypot(re, im)
  }

  /** Impedance seen between two nodes with the changes in place, into re and im; its magnitude is returned. */
  impedance(p: number, q: number): number {
    const r = this.rank
    this.base.need(p)
    this.base.need(q)
    for (let k = 0; k < r; k++) {
      this.transfer(this.p[k], this.q[k], p, q)
      this.uRe[k] = this.re
      this.uIm[k] = this.im
      this.wRe[k] = this.dRe[k] * this.re - this.dIm[k] * this.im
      this.wIm[k] = this.dRe[k] * this.im + this.dIm[k] * this.re
    }
    this.solveSmall(this.wRe, this.wIm)
    this.transfer(p, q, p, q)
    let re = this.re
    let im = this.im
    for (let k = 0; k < r; k++) {
      re -= this.uRe[k] * this.wRe[k] - this.uIm[k] * this.wIm[k]
      im -= this.uRe[k] * this.wIm[k] + this.uIm[k] * this.wRe[k]
    }
    this.re = re
    this.im = im
    return Math.hypot(re, im)
  }

  /**
   * The network with the changes taken in, as a new base: worth it when many later changes start from here. Its rows are
   * those of the old base less what the changes' ports carry, and are worked out as they are needed.
   */
  absorb(): Factored {
    const { base, rank: r } = this
    if (r === 0) return base
    const n = base.x.re.length
    // What the changes' ports see of every unknown, and what the changes make of it.
    const seenRe = new Float64Array(r * n)
    const seenIm = new Float64Array(r * n)
    const madeRe = new Float64Array(r * n)
    const madeIm = new Float64Array(r * n)
    const x = createVector(n)
    for (let col = 0; col < n; col++) {
      let re = base.x.re[col]
      let im = base.x.im[col]
      for (let k = 0; k < r; k++) {
        this.transfer(this.p[k], this.q[k], col, -1)
        seenRe[k * n + col] = this.re
        seenIm[k * n + col] = this.im
        re -= this.re * this.yRe[k] - this.im * this.yIm[k]
        im -= this.re * this.yIm[k] + this.im * this.yRe[k]
        this.wRe[k] = this.dRe[k] * this.re - this.dIm[k] * this.im
        this.wIm[k] = this.dRe[k] * this.im + this.dIm[k] * this.re
      }
      x.re[col] = re
      x.im[col] = im
      this.solveSmall(this.wRe, this.wIm)
      for (let k = 0; k < r; k++) {
        madeRe[k * n + col] = this.wRe[k]
        madeIm[k * n + col] = this.wIm[k]
      }
    }
    const rowsRe: Float64Array[] = new Array(n)
    const rowsIm: Float64Array[] = new Array(n)
    const need = (row: number): void => {
      if (row < 0 || rowsRe[row] !== undefined) return
      base.need(row)
      const re = base.rowsRe[row].slice()
      const im = base.rowsIm[row].slice()
      for (let k = 0; k < r; k++) {
        const begin = k * n
        const sr = seenRe[begin + row]
        const si = seenIm[begin + row]
        if (sr === 0 && si === 0) continue
        for (let col = 0; col < n; col++) {
          const mr = madeRe[begin + col]
          const mi = madeIm[begin + col]
          re[col] -= sr * mr - si * mi
          im[col] -= sr * mi + si * mr
        }
      }
      rowsRe[row] = re
      rowsIm[row] = im
    }
    return { network: base.network, x, rowsRe, rowsIm, need }
  }

  /** (e_p - e_q)^T inverse (e_r - e_s), into re and im; rows p and q must be there. */
  private transfer(p: number, q: number, r: number, s: number): void {
    const { rowsRe, rowsIm } = this.base
    let sumRe = 0
    let sumIm = 0
    if (p >= 0) {
      const re = rowsRe[p]
      const im = rowsIm[p]
      if (r >= 0) {
        sumRe += re[r]
        sumIm += im[r]
      }
      if (s >= 0) {
        sumRe -= re[s]
        sumIm -= im[s]
      }
    }
    if (q >= 0) {
      const re = rowsRe[q]
      const im = rowsIm[q]
      if (r >= 0) {
        sumRe -= re[r]
        sumIm -= im[r]
      }
      if (s >= 0) {
        sumRe += re[s]
        sumIm += im[s]
      }
    }
    this.re = sumRe
    this.im = sumIm
  }

  private factorSmall(): void {
    const { rank: r, mRe, mIm, order } = this
    for (let k = 0; k < r; k++) order[k] = k
    for (let k = 0; k < r; k++) {
      let best = -1
      let bestRow = k
      for (let row = k; row < r; row++) {
        const size = Math.abs(mRe[row * r + k]) + Math.abs(mIm[row * r + k])
        if (size > best) {
          best = size
          bestRow = row
        }
      }
      if (bestRow !== k) {
        for (let col = 0; col < r; col++) {
          const a = k * r + col
          const b = bestRow * r + col
          const re = mRe[a]
          mRe[a] = mRe[b]
          mRe[b] = re
          const im = mIm[a]
          mIm[a] = mIm[b]
          mIm[b] = im
        }
        const row = order[k]
        order[k] = order[bestRow]
        order[bestRow] = row
      }
      const pr = mRe[k * r + k]
      const pi = mIm[k * r + k]
      const square = pr * pr + pi * pi
      if (!(square > 0))
        throw new Error(`a change makes the network singular: unknowns ${this.p.slice(0, r).join()} against ${this.q.slice(0, r).join()}`)
      for (let row = k + 1; row < r; row++) {
        const ar = mRe[row * r + k]
        const ai = mIm[row * r + k]
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
  }

  /** Solves the small system for the right-hand side in w, into the given arrays (which may be w itself). */
  private solveSmall(outRe: Float64Array, outIm: Float64Array): void {
    const { rank: r, mRe, mIm, order, wRe, wIm } = this
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

  private readonly scratchRe = new Float64Array(MAX_RANK)
  private readonly scratchIm = new Float64Array(MAX_RANK)
}

const at = (values: Float64Array, index: number): number => (index < 0 ? 0 : values[index])
