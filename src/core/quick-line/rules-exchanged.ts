import { swapAt } from '@/src/core/bench/swaps'
import { foundOff } from '@/src/core/quick-line/hands'
import { findCable } from '@/src/core/quick-line/names'
import { type Rule, rule, type Said } from '@/src/core/quick-line/rule'
import type { Sentence } from '@/src/core/quick-line/sentence'
import { wordOf } from '@/src/core/readings/check'
import { conductorEnd } from '@/src/core/wiring/point'
import type { Cable, Conductor } from '@/src/core/wiring/system'

/** Two conductors in use that change places as a test, at both ends or at one; and back. */

const EXCHANGED = '(?:swapped|swap|switched|switch|exchanged|exchange|traded|trade|flipped|flip)'

/** A conductor by its letter, its color, or the screw that it is on at either end. */
const isCalled = ({ id, colour, lands }: Conductor, said: string): boolean =>
  [id, colour, ...lands].some((name) => name?.toLowerCase() === said)

/** The conductors that are meant, where one cable alone has both of them in use: that of the place, of several. */
function meant(the: Sentence, named: string, one: string, other: string, at: string | null) {
  const along = named === '' ? null : findCable(the.system, named)
  const found = the.system.cables.flatMap((cable) => {
    const two = [one, other].map((said) => cable.conductors.find((conductor) => isCalled(conductor, said) && isInUse(conductor)))
    const [from, to] = two
    const isOf = (along === null || cable.id === along) && (at === null || cable.between.includes(at))
    return isOf && from && to && from !== to ? [{ cable, from, to }] : []
  })
  const here = found.filter(({ cable }) => cable.between.includes(the.state.bench.place))
  return found.length > 1 && here.length > 0 ? here : found
}

const isInUse = ({ lands }: Conductor): boolean => lands.every((terminal) => terminal !== null)

function exchanged(the: Sentence, named: string, one: string, other: string, where: string): Said {
  const isBoth = /^both/.test(where)
  const at = where === '' || isBoth ? null : /^(?:here|this end)$/.test(where) ? the.state.bench.place : the.place(where)
  if (where !== '' && !isBoth && at === null) return null
  const found = meant(the, named, one, other, at)
  const [only, another] = found
  if (!only) return null
  if (another)
    return { asks: `Of which cable? Say ${found.map(({ cable, from, to }) => `"exchange ${cable.id} ${from.id} ${to.id}"`).join(' or ')}.` }
  // Two that were found on each other's screws are put right by it.
  if (foundOff(the) !== null && wasFoundSwapped(the, only.cable, [only.from, only.to])) return the.asRepair()
  const line = `exchange ${only.cable.id} ${only.from.id} ${only.to.id}`
  // Where they stand so already, that is the way back.
  const made = exchangeOf(the, only.cable, only.from)
  if (made && (where === '' || (made.at ?? null) === at)) return `swap back ${only.cable.id} ${only.from.id}`
  return isBoth || at !== null ? `${line} at ${at ?? 'both ends'}` : line
}

function wasFoundSwapped(the: Sentence, { id }: Cable, two: readonly Conductor[]): boolean {
  const word = the.state.observations.map(({ answer }) => wordOf(answer)).findLast((said) => said?.startsWith('swapped: ')) ?? ''
  return two.every((conductor) => word.includes(`${id}.${conductor.id}@`))
}

function exchangeOf({ state }: Sentence, { id, between }: Cable, conductor: Conductor) {
  const made = swapAt(state.bench.swaps, conductorEnd(id, conductor.id, between[0]))
  return made?.exchange ? made : null
}

/** The exchange that was made last goes back. */
function lastBack({ state }: Sentence): string | null {
  const last = state.bench.swaps.findLast(({ exchange }) => exchange)
  return last === undefined ? null : `swap back ${last.cable} ${last.from}`
}

export const exchangedRules: readonly Rule[] = [
  rule(
    `${EXCHANGED}(?: (stat|thermostat|outdoor|condenser|stat cable|outdoor cable))? (\\w+)(?: wires?)? (?:and|with|for|&|/) (\\w+?)(?: wires?)?(?: (?:around|over))?(?:,? (?:(?:at|on|in) )?(both ends|both|here|this end|(?:at|on|in) .+))?`,
    (the, named, one, other, where) => exchanged(the, named.replace(/ cable$/, ''), one, other, where.replace(/^(?:at|on|in) /, '')),
  ),
  rule(
    `(?:${EXCHANGED} (?:them|those|wires|two)(?: two)? back(?: again)?|(?:put|moved|switched) (?:them|those|both|wires) back (?:where they (?:were|belong|go)|like they were|right|on their own (?:screws|terminals)))`,
    lastBack,
  ),
  rule(
    `(?:${EXCHANGED} )?(\\w+) and (\\w+)(?: wires)?(?: are)? back(?: again| to normal| where they (?:were|belong|go)| like they were| on their own (?:screws|terminals))?`,
    (the, one) =>
      the.state.bench.swaps.some(
        ({ exchange, from, to }) => exchange && [from, to].some((id) => id.toLowerCase() === one.replace(/\d$/, '')),
      )
        ? lastBack(the)
        : null,
  ),
]
