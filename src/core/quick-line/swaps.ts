import { sparesOf } from '@/src/core/bench/swaps'
import type { EntryDraft } from '@/src/core/job/entry'
import { benchDraft } from '@/src/core/quick-line/drafts'
import { readAtPlace, readCable } from '@/src/core/quick-line/points'
import type { Reader } from '@/src/core/quick-line/reader'
import type { Cable, Conductor } from '@/src/core/wiring/system'

/** A conductor is called by its letter or its colour. */
const isCalled = ({ id, colour }: Conductor, said: string): boolean =>
  id.toLowerCase() === said.toLowerCase() || colour === said.toLowerCase()

/** `between attic hatch and fence post`, `from attic hatch to fence post`: the section of the way on which a spare serves. */
function readSection(reader: Reader): [string, string] | undefined {
  const apart = reader.accept('between') ? / and / : reader.accept('from') ? / to / : null
  if (apart === null) return undefined
  const token = reader.tokens[reader.at - 1]
  const ends = reader
    .words('Say between which two places along the run: "between attic hatch and fence post".')
    .split(apart)
    .map((end) => end.replace(/^the /i, '').trim())
  const [near, far] = ends
  if (ends.length !== 2 || !near || !far)
    return reader.failAt('A section has two ends, each a place along the run: "between attic hatch and fence post".', token)
  return [near, far]
}

/** `swap outdoor Y to brown`, `swap outdoor Y`, `swap back`; `swap outdoor Y to brown between attic hatch and fence post`. */
export function readSwap(reader: Reader): EntryDraft[] {
  if (reader.accept('back')) return readSwapBack(reader)
  const { system, state } = reader.context
  const cable = readCable(reader)
  const token = reader.word('Say which conductor goes to a spare, as in swap outdoor Y to brown.')
  const place = readAtPlace(reader)
  const named = system.cables.filter(
    ({ id, conductors }) => (cable === null || id === cable) && conductors.some((one) => isCalled(one, token.text)),
  )
  if (named.length === 0) reader.failAt(`There is no conductor "${token.text}"${cable === null ? '' : ` in the ${cable}`}.`, token)
  const freeIn = (one: Cable) =>
    sparesOf(one).filter((spare) => !state.bench.swaps.some((swap) => swap.cable === one.id && swap.to === spare.id))
  // Of several the one that comes to the place, or that has the spare which is named.
  const wanted = reader.tokens[reader.at]?.text === 'to' ? reader.tokens[reader.at + 1]?.text : undefined
  const hasSpare = (one: Cable) => wanted === undefined || wanted === 'spare' || freeIn(one).some((spare) => isCalled(spare, wanted))
  const fitting = named.filter((one) => (place === null || one.between.includes(place)) && hasSpare(one))
  // Else the one that comes to where one stands.
  const here = fitting.filter(({ between }) => between.includes(state.bench.place))
  const cables = fitting.length === 1 ? fitting : here.length === 1 ? here : named
  if (cables.length > 1)
    reader.failAt(
      `More than one conductor answers to ${token.text}: say ${cables.map(({ id }) => `"${id} ${token.text}"`).join(' or ')}.`,
      token,
    )
  const [{ id, name, conductors }] = cables
  const from = conductors.find((one) => isCalled(one, token.text))?.id ?? token.text
  const free = freeIn(cables[0])
  if (!reader.accept('to')) {
    if (free.length !== 1)
      reader.fail(free.length === 0 ? `The ${name} has no free spare.` : `Say which spare: ${free.map((one) => one.id).join(', ')}.`)
    return [benchDraft({ do: 'swap', cable: id, from, to: free[0].id })]
  }
  reader.accept('spare')
  const spare = reader.word('Say which spare takes its place.')
  const to = free.find((one) => isCalled(one, spare.text))
  if (!to)
    reader.failAt(
      `"${spare.text}" is not a free spare of the ${name}${free.length > 0 ? `; there is ${free.map((one) => one.id).join(', ')}` : ''}.`,
      spare,
    )
  const section = readSection(reader)
  return [benchDraft({ do: 'swap', cable: id, from, to: (to as Conductor).id, ...(section && { section }) })]
}

/**
 * `exchange stat Y W`, `exchange stat Y and W at thermostat`: two conductors in use on each other's screws. Which ends are meant where none is
 * said, both or the one where one stands, is asked: what follows from it differs.
 */
export function readExchange(reader: Reader): EntryDraft[] {
  const { system, state } = reader.context
  const said = readCable(reader)
  const token = reader.word('Say which two conductors change places, as in exchange stat Y and W at both ends.')
  reader.accept('and')
  const other = reader.word('Say with which other conductor, as in exchange stat Y and W at both ends.')
  const isAt = reader.accept('at')
  const isBoth = reader.accept('both')
  if (isBoth) reader.accept('ends')
  else if (isAt) reader.at--
  const place = isBoth ? null : readAtPlace(reader)
  const having = system.cables.filter(
    ({ id, between, conductors }) =>
      (said === null || id === said) &&
      (place === null || between.includes(place)) &&
      [token, other].every(({ text }) => conductors.some((one) => isCalled(one, text))),
  )
  const here = having.filter(({ between }) => between.includes(state.bench.place))
  const cables = having.length > 1 && here.length === 1 ? here : having
  const [cable] = cables
  if (!cable) return reader.failAt(`No cable here has both ${token.text} and ${other.text}.`, token)
  const two = `${token.text} and ${other.text}`
  if (cables.length > 1)
    return reader.failAt(`Of which cable? Say ${cables.map(({ id }) => `"exchange ${id} ${two}"`).join(' or ')}.`, token)
  if (place === null && !isBoth) {
    const [near, far] = cable.between
    const at = far === state.bench.place ? far : near
    return reader.failAt(
      `At both ends, or at one? Say "exchange ${cable.id} ${two} at both ends", or "exchange ${cable.id} ${two} at ${at}".`,
      token,
    )
  }
  const [from, to] = [token, other].map(({ text }) => (cable.conductors.find((one) => isCalled(one, text)) as Conductor).id)
  return [benchDraft({ do: 'exchange', cable: cable.id, from, to, ...(place !== null && { at: place }) })]
}

export function readSwapBack(reader: Reader): EntryDraft[] {
  const swaps = reader.context.state.bench.swaps.filter(({ kept }) => !kept)
  const ofCable = readCable(reader)
  const token = reader.at < reader.tokens.length ? reader.word('Say which conductor goes back.') : null
  const fitting = swaps.filter(
    ({ cable, from, to, exchange }) =>
      (ofCable === null || cable === ofCable) &&
      (token === null || [from, ...(exchange ? [to] : [])].some((one) => one.toLowerCase() === token.text.toLowerCase())),
  )
  const [swap, another] = fitting
  if (swap && !another) return [benchDraft({ do: 'unswap', cable: swap.cable, from: swap.from, ...(swap.exchange && { to: swap.to }) })]
  if (swaps.length === 0) reader.fail('No conductor is on a spare, and none are exchanged.')
  return reader.fail(`Say which goes back: ${swaps.map(({ from }) => `swap back ${from}`).join(', ')}.`)
}
