import type { BenchChange } from '@/src/core/bench/bench'
import { sparesOf } from '@/src/core/bench/swaps'
import type { EntryDraft } from '@/src/core/job/entry'
import { LookReader } from '@/src/core/job/quick-line-looks'
import type { Conductor } from '@/src/core/wiring/system'

/** A conductor is called by its letter or its colour. */
const isCalled = ({ id, colour }: Conductor, said: string): boolean =>
  id.toLowerCase() === said.toLowerCase() || colour === said.toLowerCase()

const bench = (change: BenchChange): EntryDraft => ({ kind: 'bench', change })

/** Conductors that go to a spare and come back, as they are typed. */
export class SwapReader extends LookReader {
  /** `swap outdoor Y to brown`, `swap outdoor Y`, `swap back`. */
  protected swap(): EntryDraft[] {
    if (this.accept('back')) return this.swapBack()
    const { system, state } = this.context
    const cable = this.cable()
    const token = this.word('Say which conductor goes to a spare, as in swap outdoor Y to brown.')
    const cables = system.cables.filter(
      ({ id, conductors }) => (cable === null || id === cable) && conductors.some((one) => isCalled(one, token.text)),
    )
    if (cables.length === 0) this.failAt(`There is no conductor "${token.text}"${cable === null ? '' : ` in the ${cable}`}.`, token)
    if (cables.length > 1)
      this.failAt(
        `More than one conductor answers to "${token.text}": say ${cables.map(({ id }) => `${id} ${token.text}`).join(' or ')}.`,
        token,
      )
    const [{ id, name, conductors }] = cables
    const from = conductors.find((one) => isCalled(one, token.text))?.id ?? token.text
    const free = sparesOf(cables[0]).filter((one) => !state.bench.swaps.some((swap) => swap.cable === id && swap.to === one.id))
    if (!this.accept('to')) {
      if (free.length !== 1)
        this.fail(free.length === 0 ? `The ${name} has no free spare.` : `Say which spare: ${free.map((one) => one.id).join(', ')}.`)
      return [bench({ do: 'swap', cable: id, from, to: free[0].id })]
    }
    this.accept('spare')
    const spare = this.word('Say which spare takes its place.')
    const to = free.find((one) => isCalled(one, spare.text))
    if (!to)
      this.failAt(
        `"${spare.text}" is not a free spare of the ${name}${free.length > 0 ? `; there is ${free.map((one) => one.id).join(', ')}` : ''}.`,
        spare,
      )
    return [bench({ do: 'swap', cable: id, from, to: (to as Conductor).id })]
  }

  protected swapBack(): EntryDraft[] {
    const swaps = this.context.state.bench.swaps.filter(({ kept }) => !kept)
    const ofCable = this.cable()
    const token = this.at < this.tokens.length ? this.word('Say which conductor goes back.') : null
    const fitting = swaps.filter(
      ({ cable, from }) => (ofCable === null || cable === ofCable) && (token === null || from.toLowerCase() === token.text.toLowerCase()),
    )
    if (fitting.length === 1) return [bench({ do: 'unswap', cable: fitting[0].cable, from: fitting[0].from })]
    if (swaps.length === 0) this.fail('No conductor is on a spare.')
    return this.fail(`Say which goes back: ${swaps.map(({ from }) => `swap back ${from}`).join(', ')}.`)
  }
}
