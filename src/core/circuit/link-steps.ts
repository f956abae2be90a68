import type { Factored, LinkStands, LinkStep } from '@/src/core/circuit/factored'
import { OPEN_OHM } from '@/src/core/circuit/network'

/**
 * Steps of links against a base, gathered link by link, for only where they lead together tells how to take them. A row that
 * is closed in the base takes them itself; one that is open there is closed by an admittance beside it. The arrays are reused.
 */
export class LinkSteps {
  private base!: Factored
  /** How many links there is a step of. */
  count = 0
  /** The unknowns between which the last change that was asked for lies. */
  p = 0
  q = 0
  private readonly links: Int32Array
  private readonly opens: Int32Array
  private readonly ohm: Float64Array
  private readonly beside: Float64Array

  constructor(most: number) {
    this.links = new Int32Array(most)
    this.opens = new Int32Array(most)
    this.ohm = new Float64Array(most)
    this.beside = new Float64Array(most)
  }

  begin(base: Factored): void {
    this.base = base
    this.count = 0
  }

  add({ row, opens, ohm }: LinkStep): void {
    const link = row - this.base.network.nodes.length
    const step = this.stepOf(link)
    if (step === this.count) {
      const { stands } = this.base
      this.links[step] = link
      this.opens[step] = stands.opens[link]
      this.ohm[step] = stands.ohm[link]
      this.count++
    }
    this.opens[step] += opens
    this.ohm[step] += ohm
  }

  /** What one of the links changes on the diagonal of `p` against `q`: nothing, ohm of its row, or siemens between its ends. */
  change(step: number): number {
    const { network, stands } = this.base
    const link = this.links[step]
    const isOpen = this.opens[step] > 0
    const known = stands.beside[link]
    if (stands.opens[link] <= 0 && known === 0) {
      this.p = network.nodes.length + link
      this.q = -1
      this.beside[step] = 0
      return ohmOf(stands.opens[link], stands.ohm[link]) - (isOpen ? OPEN_OHM : ohmOf(this.opens[step], this.ohm[step]))
    }
    const [a, b] = network.linkEnds[link]
    this.p = a
    this.q = b
    this.beside[step] = isOpen ? 0 : 1 / ohmOf(this.opens[step], this.ohm[step]) - 1 / OPEN_OHM
    return this.beside[step] - known
  }

  /** Siemens beside the row of a link, 0 for none, once its change has been asked for. */
  besideOf(link: number): number {
    const step = this.stepOf(link)
    return step < this.count ? this.beside[step] : this.base.stands.beside[link]
  }

  /** How the links stand after the steps. */
  standsAfter(): LinkStands {
    const { stands } = this.base
    const [opens, ohm, beside] = [stands.opens.slice(), stands.ohm.slice(), stands.beside.slice()]
    for (let step = 0; step < this.count; step++) {
      const link = this.links[step]
      opens[link] = this.opens[step]
      ohm[link] = this.ohm[step]
      beside[link] = this.beside[step]
    }
    return { opens, ohm, beside }
  }

  /** The place of a link's step, or the first free one. */
  private stepOf(link: number): number {
    let step = 0
    while (step < this.count && this.links[step] !== link) step++
    return step
  }
}

/** A closed link's impedance; one that was closed more than once is closed by one of its closings. */
const ohmOf = (opens: number, ohm: number): number => ohm / (1 - opens)
