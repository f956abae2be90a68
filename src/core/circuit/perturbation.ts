import { createVector } from '@/src/core/circuit/dense'
import { type Change, type Factored, factoredBy, type LinkStands, type LinkStep } from '@/src/core/circuit/factored'
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
  private readonly mRe = new Float64Array(MAX_RANK * MAX_RANK)
  private readonly mIm = new Float64Array(MAX_RANK * MAX_RANK)
  private readonly order = new Int32Array(MAX_RANK)
  private readonly scales = new Float64Array(MAX_RANK)
  private readonly yRe = new Float64Array(MAX_RANK)
  private readonly yIm = new Float64Array(MAX_RANK)
  private readonly wRe = new Float64Array(MAX_RANK)
  private readonly wIm = new Float64Array(MAX_RANK)
  /** The port that is looked from, and what it carries over to each change's. */
  private from = 0
  private to = 0
  /** Links that a step was taken of, how they stand after it, and what closes them beside an open row. */
  private steps = 0
  private readonly stepped = new Int32Array(MAX_RANK)
  private readonly opens = new Int32Array(MAX_RANK)
  private readonly ohm = new Float64Array(MAX_RANK)
  private readonly beside = new Float64Array(MAX_RANK)
  private readonly uRe = new Float64Array(MAX_RANK)
  private readonly uIm = new Float64Array(MAX_RANK)
  /** How often it was set: whoever set it last can tell whether that still stands. */
  sets = 0
  /** Results of the last query. */
  re = 0
  im = 0

  set(base: Factored, changes: readonly Change[]): this {
    if (changes.length > MAX_RANK) throw new Error(`more than ${MAX_RANK} changes at once: ${changes.length}`)
    this.base = base
    this.sets++
    this.rank = 0
    this.steps = 0
    for (const change of changes) {
      if (change.kind === 'link') this.addStep(change)
      else this.addPort(change.p, change.q, change.y.re, change.y.im)
    }
    this.takeSteps()
    const { rank: r, p, q, dRe, dIm, mRe, mIm, wRe, wIm } = this
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
    this.factorSmall()
    this.solveSmall(this.yRe, this.yIm)
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

  /** Steps of the same link are gathered, for only where they lead tells how to take them. */
  private addStep({ row, opens, ohm }: LinkStep): void {
    const link = row - this.base.network.nodes.length
    let step = 0
    while (step < this.steps && this.stepped[step] !== link) step++
    if (step === this.steps) {
      const { stands } = this.base
      this.stepped[step] = link
      this.opens[step] = stands.opens[link]
      this.ohm[step] = stands.ohm[link]
      this.steps++
    }
    this.opens[step] += opens
    this.ohm[step] += ohm
  }

  private takeSteps(): void {
    const { network, stands } = this.base
    for (let step = 0; step < this.steps; step++) {
      const link = this.stepped[step]
      const row = network.nodes.length + link
      const isOpen = this.opens[step] > 0
      const known = stands.beside[link]
      this.beside[step] = 0
      if (stands.opens[link] <= 0 && known === 0) {
        const from = ohmOf(stands.opens[link], stands.ohm[link])
        const to = isOpen ? OPEN_OHM : ohmOf(this.opens[step], this.ohm[step])
        if (to !== from) this.addPort(row, -1, from - to, 0)
        continue
      }
      const beside = isOpen ? 0 : 1 / ohmOf(this.opens[step], this.ohm[step]) - 1 / OPEN_OHM
      this.beside[step] = beside
      const [a, b] = network.linkEnds[link]
      if (beside !== known) this.addPort(a, b, beside - known, 0)
    }
  }

  /** Volts between two nodes, into re and im; their magnitude is returned. */
  difference(p: number, q: number): number {
    this.lookFrom(p, q)
    return this.readDifference()
  }

  /** Current through the link of a row, from its a to its b, into re and im; its magnitude is returned. */
  current(row: number): number {
    const { network, stands } = this.base
    const link = row - network.nodes.length
    let step = 0
    while (step < this.steps && this.stepped[step] !== link) step++
    const beside = step < this.steps ? this.beside[step] : stands.beside[link]
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
    this.readImpedance()
    return volts
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
    this.solveSmall(wRe, wIm)
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
    if (r === 0) return base
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
      this.solveSmall(this.wRe, this.wIm)
      for (let k = 0; k < r; k++) {
        madeRe[k * width + col] = this.wRe[k]
        madeIm[k * width + col] = this.wIm[k]
      }
    }
    return factoredBy(base.network, this.standsAfter(), x, (row) => {
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

  private standsAfter(): LinkStands {
    const { stands } = this.base
    const [opens, ohm, beside] = [stands.opens.slice(), stands.ohm.slice(), stands.beside.slice()]
    for (let step = 0; step < this.steps; step++) {
      const link = this.stepped[step]
      opens[link] = this.opens[step]
      ohm[link] = this.ohm[step]
      beside[link] = this.beside[step]
    }
    return { opens, ohm, beside }
  }

  /** Rows of opened links are ten orders above those of joined points, so a pivot is chosen by its share of its own row. */
  private factorSmall(): void {
    const { rank: r, mRe, mIm, order, scales } = this
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
        const scale = scales[k]
        scales[k] = scales[bestRow]
        scales[bestRow] = scale
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

/** A closed link's impedance; one that was closed more than once is closed by one of its closings. */
const ohmOf = (opens: number, ohm: number): number => ohm / (1 - opens)
