import { createVector } from '@/src/core/circuit/dense'
import { type Change, type Factored, factoredBy } from '@/src/core/circuit/factored'
import { LinkSteps } from '@/src/core/circuit/link-steps'
import { ComplexLu } from '@/src/core/circuit/lu'
import { OPEN_OHM } from '@/src/core/circuit/network'

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
  private readonly small = new ComplexLu(MAX_RANK)
  private readonly yRe = new Float64Array(MAX_RANK)
  private readonly yIm = new Float64Array(MAX_RANK)
  private readonly wRe = new Float64Array(MAX_RANK)
  private readonly wIm = new Float64Array(MAX_RANK)
  /** The port that is looked from, and what it carries over to each change's. */
  private from = 0
  private to = 0
  private readonly steps = new LinkSteps(MAX_RANK)
  private readonly uRe = new Float64Array(MAX_RANK)
  private readonly uIm = new Float64Array(MAX_RANK)
  /** How often it was set: whoever set it last can tell whether that still stands. */
  sets = 0
  /** Results of the last query. */
  re = 0
  im = 0
  /** Volts across the port of the last `transfer`, and the open-circuit volts of the last `source`. */
  vRe = 0
  vIm = 0
  openRe = 0
  openIm = 0

  /** Puts changes in place; steps of the same link add up. Throws when they leave nothing to solve. */
  set(base: Factored, changes: readonly Change[]): this {
    if (changes.length > MAX_RANK) throw new Error(`more than ${MAX_RANK} changes at once: ${changes.length}`)
    this.base = base
    this.sets++
    this.rank = 0
    const { steps } = this
    steps.begin(base)
    for (const change of changes) {
      if (change.kind === 'link') steps.add(change)
      else this.addPort(change.p, change.q, change.y.re, change.y.im)
    }
    for (let step = 0; step < steps.count; step++) {
      const change = steps.change(step)
      if (change !== 0) this.addPort(steps.p, steps.q, change, 0)
    }
    const { rank: r, p, q, dRe, dIm, wRe, wIm } = this
    const { re: mRe, im: mIm } = this.small
    const { x, rowsRe, rowsIm } = base
    for (let k = 0; k < r; k++) {
      const pRe = rowsRe[p[k]]
      const pIm = rowsIm[p[k]]
      const qRe = rowsRe[q[k]]
      const qIm = rowsIm[q[k]]
      const dr = dRe[k]
      const di = dIm[k]
      // What passes between two ports is the same either way round.
      for (let l = 0; l <= k; l++) {
        const re = pRe[p[l]] - pRe[q[l]] - qRe[p[l]] + qRe[q[l]]
        const im = pIm[p[l]] - pIm[q[l]] - qIm[p[l]] + qIm[q[l]]
        mRe[k * r + l] = dr * re - di * im
        mIm[k * r + l] = dr * im + di * re
        mRe[l * r + k] = dRe[l] * re - dIm[l] * im
        mIm[l * r + k] = dRe[l] * im + dIm[l] * re
      }
      mRe[k * r + k] += 1
      const vr = x.re[p[k]] - x.re[q[k]]
      const vi = x.im[p[k]] - x.im[q[k]]
      wRe[k] = dr * vr - di * vi
      wIm[k] = dr * vi + di * vr
    }
    if (!this.small.factor(r))
      throw new Error(`a change makes the network singular: unknowns ${p.slice(0, r).join()} against ${q.slice(0, r).join()}`)
    this.small.solve(wRe, wIm, this.yRe, this.yIm)
    return this
  }

  private addPort(p: number, q: number, re: number, im: number): void {
    const { base, rank } = this
    this.p[rank] = base.need(p)
    this.q[rank] = base.need(q)
    this.dRe[rank] = re
    this.dIm[rank] = im
    this.rank = rank + 1
  }

  /** Volts between two nodes, into re and im; their magnitude is returned. */
  difference(p: number, q: number): number {
    this.lookFrom(p, q)
    return this.readDifference()
  }

  /** Current through the link of a row, from its a to its b, into re and im; its magnitude is returned. */
  current(row: number): number {
    const { network } = this.base
    const link = row - network.nodes.length
    const beside = this.steps.besideOf(link)
    if (beside === 0) return this.difference(row, -1)
    const [a, b] = network.linkEnds[link]
    const siemens = beside + 1 / OPEN_OHM
    const amps = this.difference(a, b) * siemens
    this.re *= siemens
    this.im *= siemens
    return amps
  }

  /** Impedance seen between two nodes with the changes in place, into re and im; its magnitude is returned. */
  impedance(p: number, q: number): number {
    this.lookFrom(p, q)
    return this.readImpedance()
  }

  /** What a meter finds between two nodes: the volts with nothing across them are returned, the impedance behind them goes into re and im. */
  source(p: number, q: number): number {
    this.lookFrom(p, q)
    const volts = this.readDifference()
    this.openRe = this.re
    this.openIm = this.im
    this.readImpedance()
    return volts
  }

  /** Makes a link's current what `transfer` speaks of; its siemens beside an open row are returned, 1 where the row carries it. */
  lookAtCurrent(row: number): number {
    const { network } = this.base
    const link = row - network.nodes.length
    const beside = this.steps.besideOf(link)
    if (beside === 0) this.impedance(row, -1)
    else {
      const [a, b] = network.linkEnds[link]
      this.impedance(a, b)
    }
    return beside === 0 ? 1 : beside + 1 / OPEN_OHM
  }

  /**
   * How a change at another port would move what is looked at: after `source` or `impedance` between two nodes (or `lookAt`), what a
   * unit of current from p to q brings there, into re and im (the transfer impedance), with the changes in place. The volts that stand
   * between p and q go into `vRe` and `vIm`. With those the derivative by an admittance y between p and q is -transfer x volts.
   */
  transfer(p: number, q: number): void {
    const { base, rank: r, from, to, wRe, wIm, yRe, yIm } = this
    const a = base.need(p)
    const b = base.need(q)
    const { rowsRe, rowsIm, x } = base
    let re = rowsRe[from][a] - rowsRe[from][b] - rowsRe[to][a] + rowsRe[to][b]
    let im = rowsIm[from][a] - rowsIm[from][b] - rowsIm[to][a] + rowsIm[to][b]
    let vRe = x.re[a] - x.re[b]
    let vIm = x.im[a] - x.im[b]
    for (let k = 0; k < r; k++) {
      const i = this.p[k]
      const j = this.q[k]
      const ur = rowsRe[a][i] - rowsRe[a][j] - rowsRe[b][i] + rowsRe[b][j]
      const ui = rowsIm[a][i] - rowsIm[a][j] - rowsIm[b][i] + rowsIm[b][j]
      re -= ur * wRe[k] - ui * wIm[k]
      im -= ur * wIm[k] + ui * wRe[k]
      vRe -= ur * yRe[k] - ui * yIm[k]
      vIm -= ur * yIm[k] + ui * yRe[k]
    }
    this.re = re
    this.im = im
    this.vRe = vRe
    this.vIm = vIm
  }

  /** What a port carries over to the ports of the changes, into u. */
  private lookFrom(from: number, to: number): void {
    const { base, rank: r, p, q, uRe, uIm } = this
    const a = base.need(from)
    const b = base.need(to)
    this.from = a
    this.to = b
    const aRe = base.rowsRe[a]
    const aIm = base.rowsIm[a]
    const bRe = base.rowsRe[b]
    const bIm = base.rowsIm[b]
    for (let k = 0; k < r; k++) {
      const i = p[k]
      const j = q[k]
      uRe[k] = aRe[i] - aRe[j] - bRe[i] + bRe[j]
      uIm[k] = aIm[i] - aIm[j] - bIm[i] + bIm[j]
    }
  }

  private readDifference(): number {
    const { rank: r, from, to, uRe, uIm, yRe, yIm } = this
    const { x } = this.base
    let re = x.re[from] - x.re[to]
    let im = x.im[from] - x.im[to]
    for (let k = 0; k < r; k++) {
      re -= uRe[k] * yRe[k] - uIm[k] * yIm[k]
      im -= uRe[k] * yIm[k] + uIm[k] * yRe[k]
    }
    this.re = re
    this.im = im
    return Math.sqrt(re * re + im * im)
  }

  private readImpedance(): number {
    const { rank: r, from, to, uRe, uIm, wRe, wIm, dRe, dIm } = this
    const { rowsRe, rowsIm } = this.base
    for (let k = 0; k < r; k++) {
      wRe[k] = dRe[k] * uRe[k] - dIm[k] * uIm[k]
      wIm[k] = dRe[k] * uIm[k] + dIm[k] * uRe[k]
    }
    this.small.solve(wRe, wIm, wRe, wIm)
    let re = rowsRe[from][from] - 2 * rowsRe[from][to] + rowsRe[to][to]
    let im = rowsIm[from][from] - 2 * rowsIm[from][to] + rowsIm[to][to]
    for (let k = 0; k < r; k++) {
      re -= uRe[k] * wRe[k] - uIm[k] * wIm[k]
      im -= uRe[k] * wIm[k] + uIm[k] * wRe[k]
    }
    this.re = re
    this.im = im
    return Math.sqrt(re * re + im * im)
  }

  /**
   * The network with the changes taken in, as a new base: worth it when many later changes start from here. Its rows are
   * those of the old base less what the changes' ports carry, and are worked out as they are needed.
   */
  absorb(): Factored {
    const { base, rank: r } = this
    if (r === 0) return this.steps.count === 0 ? base : { ...base, stands: this.steps.standsAfter() }
    const width = base.x.re.length
    // What the changes' ports see of every unknown, and what the changes make of it.
    const seenRe = new Float64Array(r * width)
    const seenIm = new Float64Array(r * width)
    const madeRe = new Float64Array(r * width)
    const madeIm = new Float64Array(r * width)
    const x = createVector(width)
    for (let col = 0; col < width; col++) {
      let re = base.x.re[col]
      let im = base.x.im[col]
      for (let k = 0; k < r; k++) {
        const ur = base.rowsRe[this.p[k]][col] - base.rowsRe[this.q[k]][col]
        const ui = base.rowsIm[this.p[k]][col] - base.rowsIm[this.q[k]][col]
        seenRe[k * width + col] = ur
        seenIm[k * width + col] = ui
        re -= ur * this.yRe[k] - ui * this.yIm[k]
        im -= ur * this.yIm[k] + ui * this.yRe[k]
        this.wRe[k] = this.dRe[k] * ur - this.dIm[k] * ui
        this.wIm[k] = this.dRe[k] * ui + this.dIm[k] * ur
      }
      x.re[col] = re
      x.im[col] = im
      this.small.solve(this.wRe, this.wIm, this.wRe, this.wIm)
      for (let k = 0; k < r; k++) {
        madeRe[k * width + col] = this.wRe[k]
        madeIm[k * width + col] = this.wIm[k]
      }
    }
    return factoredBy(base.network, this.steps.standsAfter(), x, (row) => {
      base.need(row)
      const re = base.rowsRe[row].slice()
      const im = base.rowsIm[row].slice()
      for (let k = 0; k < r; k++) {
        const begin = k * width
        const sr = seenRe[begin + row]
        const si = seenIm[begin + row]
        if (sr === 0 && si === 0) continue
        for (let col = 0; col < width; col++) {
          const mr = madeRe[begin + col]
          const mi = madeIm[begin + col]
          re[col] -= sr * mr - si * mi
          im[col] -= sr * mi + si * mr
        }
      }
      return { re, im }
    })
  }
}
