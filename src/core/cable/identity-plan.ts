import { firstEnd, metalEnd, secondEnd } from '@/src/core/cable/conductor-faults'
import type { ConductorReading, ConductorStep, Setup } from '@/src/core/cable/conductor-plan'
import { type CableEnd, type ConductorTest, endOf, testsAt } from '@/src/core/cable/conductor-tests'
import { classesOf, isTold, type Marks, marksAt, ohmsBetween, pictureThrough, testsThrough } from '@/src/core/cable/marks'
import type { FarEndReach } from '@/src/core/job/run-schema'
import { LruCache } from '@/src/core/units/cache'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'

/** Which color at the second end is which at the first, where they change on the way: all conductors sound. */
export interface IdentityQuestion {
  readonly conductors: number
  readonly hasMetal: readonly [boolean, boolean]
  readonly here: 0 | 1
  /** Ties that are in at the other end. */
  readonly ties: readonly (readonly number[])[]
  /** Resistors that are in at the other end. */
  readonly marks?: Marks | null
  /** Resistors of known values that are at hand, ohm. */
  readonly resistors?: readonly number[]
  readonly readings: readonly ConductorReading[]
  readonly mustCross: boolean
  readonly reach: FarEndReach
}

export interface IdentityPlan {
  /** For each conductor at the first end, which one it is at the second; null while it is not told. */
  readonly same: readonly (number | null)[]
  /** No way to connect the ends fits every reading: something is not sound. */
  readonly isMisfit: boolean
  readonly next: ConductorStep
}

/** So many conductors are told apart in one go: their orders still fit into memory. */
export const MOST_UNKNOWN = workLimit(9)
const ORDERS_WEIGHED = workLimit(1500)

const allOrders = new LruCache<number, readonly Uint8Array[]>(workLimit(3))
const leftAfter = new LruCache<string, readonly Uint8Array[]>(workLimit(40))

/** Every way in which the ends may belong together: for each conductor at the first end, the one at the second. */
function ordersOf(conductors: number): readonly Uint8Array[] {
  return allOrders.get(conductors, () => {
    const orders: Uint8Array[] = []
    const order = Uint8Array.from({ length: conductors }, (_, index) => index)
    // Heap's algorithm.
    const permute = (count: number): void => {
      if (count === 1) {
        orders.push(order.slice())
        return
      }
      for (let index = 0; index < count; index++) {
        permute(count - 1)
        const other = count % 2 === 0 ? index : 0
        ;[order[other], order[count - 1]] = [order[count - 1], order[other]]
      }
    }
    permute(conductors)
    return orders
  })
}

/** For each end, the ends that hang on it, as bits. */
function hang(order: Uint8Array, joins: readonly (readonly number[])[]): Uint32Array {
  const conductors = order.length
  const masks = Uint32Array.from({ length: 2 * conductors + 1 }, (_, end) => 1 << end)
  const join = (a: number, b: number) => {
    const both = masks[a] | masks[b]
    for (let end = 0; end < masks.length; end++) if ((both & (1 << end)) !== 0) masks[end] = both
  }
  for (let one = 0; one < conductors; one++) join(firstEnd(one), secondEnd(conductors, order[one]))
  for (const group of joins) for (const end of group.slice(1)) join(group[0], end)
  return masks
}

function ordersLeft(conductors: number, readings: readonly ConductorReading[]): readonly Uint8Array[] {
  const last = readings.at(-1)
  if (!last) return ordersOf(conductors)
  return leftAfter.get(`${conductors} ${JSON.stringify(readings)}`, () =>
    ordersLeft(conductors, readings.slice(0, -1)).filter((order) =>
      isTold(last, ohmsBetween(hang(order, last.joins), [], last.marks ?? null, last.a, last.b)),
    ),
  )
}

/**
 * The next reading, or the next ties, by which the ends are told apart. Two walks do for any number but two: ties in pairs at one end, then the
 * same pairs moved on by one, make a chain that runs one way only. Two conductors need the metal as a third. One walk does with resistors.
 *
 * @throws Error above `MOST_UNKNOWN` conductors
 */
export function planIdentity(question: IdentityQuestion): IdentityPlan {
  const { conductors, readings, here, ties, marks = null, resistors = [], mustCross, reach } = question
  if (conductors > MOST_UNKNOWN) throw new Error(`Only ${MOST_UNKNOWN} conductors are told apart at once.`)
  const left = ordersLeft(conductors, readings)
  const same = Array.from({ length: conductors }, (_, one) =>
    left.length > 0 && left.every((order) => order[one] === left[0][one]) ? left[0][one] : null,
  )
  if (left.length === 0) return { same, isMisfit: true, next: { do: 'stuck' } }
  if (left.length === 1) return { same, isMisfit: false, next: { do: 'done' } }
  return { same, isMisfit: false, next: nextStep() }

  function nextStep(): ConductorStep {
    const step = Math.ceil(left.length / ORDERS_WEIGHED)
    const some = left.filter((_, index) => index % step === 0)
    const endAt = (side: 0 | 1): CableEnd => ({ conductors, side, hasMetal: question.hasMetal[side] })
    const now = mustCross ? null : evenest(endAt(here), { ties, marks }, some)
    if (now) return { do: 'read', test: now.test }
    if (reach === 'none') return { do: 'stuck' }
    const isHelped = reach === 'helper'
    const there = (1 - here) as 0 | 1
    const [tiedAt, readAt] = isHelped ? [there, here] : [here, there]
    // Of the ties that tell anything those that leave the fewest ways open.
    const row = isHelped ? asTheyCome(conductors) : inGroups(endAt(here), ties, left)
    const chains = chainTies(endAt(tiedAt), question.hasMetal[readAt], row).map((chain): Setup => ({ ties: chain, marks: null }))
    const marked = resistors.length > 0 ? [{ ties: [], marks: marksAt(endAt(tiedAt), asTheyCome(conductors), resistors) }] : []
    const choices = [...marked, ...chains].flatMap((choice) => {
      const best = evenest(endAt(readAt), choice, some)
      return best ? [{ choice, pictures: picturesOf(endAt(readAt), choice, some) }] : []
    })
    if (choices.length === 0) return { do: 'stuck' }
    const { choice } = choices.reduce((best, one) => (one.pictures > best.pictures ? one : best))
    return { do: isHelped ? 'tie there' : 'cross', ...choice }
  }
}

const asTheyCome = (conductors: number): number[] => Array.from({ length: conductors }, (_, one) => one)

/**
 * The conductors of one end in a row: single ones first, then those that are known to be tied together at the other end, each beside its partner. Ties
 * that are moved on by one along it make one chain with those.
 */
function inGroups({ conductors, side }: CableEnd, ties: readonly (readonly number[])[], left: readonly Uint8Array[]): number[] {
  const imageOf = (order: Uint8Array, tied: number): number => (side === 1 ? order[tied] : order.indexOf(tied - conductors - 1))
  // Which of two pairs is which may be open still: that each is a pair is enough.
  const groupsIn = (order: Uint8Array): number[][] =>
    ties
      .filter((group) => !group.includes(metalEnd(conductors)))
      .map((group) => group.map((tied) => imageOf(order, tied)).sort((a, b) => a - b))
      .sort(([a], [b]) => a - b)
  const known = groupsIn(left[0])
  const groups = left.every((order) => JSON.stringify(groupsIn(order)) === JSON.stringify(known)) ? known : []
  const grouped = groups.flat()
  return [...asTheyCome(conductors).filter((one) => !grouped.includes(one)), ...grouped]
}

/** Pairs along a row, the same moved on by one, and one on the metal. */
function chainTies(end: CableEnd, isMetalThere: boolean, row: readonly number[]): number[][][] {
  const pairsFrom = (first: number): number[][] =>
    Array.from({ length: Math.floor((row.length - first) / 2) }, (_, pair) => [
      endOf(end, row[first + 2 * pair]),
      endOf(end, row[first + 2 * pair + 1]),
    ])
  const metal = end.hasMetal && isMetalThere ? [[[endOf(end, 0), metalEnd(end.conductors)]]] : []
  // Of an even number one stays single in both: it hangs on nothing, which is a mark as well.
  const first = row.length % 2 === 0 ? pairsFrom(0).slice(0, -1) : pairsFrom(0)
  return [first, pairsFrom(1), pairsFrom(0), ...metal].filter((ties) => ties.length > 0)
}

/** The reading that tells most of the ways apart; null where none parts them. */
function evenest(end: CableEnd, { ties, marks }: Setup, orders: readonly Uint8Array[]): { test: ConductorTest } | null {
  const masks = orders.map((order) => hang(order, ties))
  let best: { test: ConductorTest; bits: number } | null = null
  for (const test of marks ? testsThrough({ ...end, hasMetal: false }, marks) : testsFor(end, ties)) {
    const counts: number[] = []
    for (const one of classesOf(masks.map((mask) => ohmsBetween(mask, test.joins, marks, test.a, test.b))))
      counts[one] = (counts[one] ?? 0) + 1
    if (counts.length < 2) continue
    const clips = test.joins.reduce((sum, group) => sum + group.length - 1, 0)
    const bits = -counts.reduce((sum, count) => sum + (count / orders.length) * Math.log2(count / orders.length), 0) - BITS_A_CLIP * clips
    if (!best || bits > best.bits) best = { test, bits }
  }
  return best
}

/** Of two readings that tell nearly as much, the one with fewer clips. */
const BITS_A_CLIP = modelValue({ value: 0.006, unit: 'bit', source: 'assumption' })

/** Pairs, one against the rest, and bunch against bunch: which of them belong together is what is asked, so that ties there make no groups here. */
function testsFor(end: CableEnd, ties: readonly (readonly number[])[]): ConductorTest[] {
  const tests = testsAt(end, [])
  return ties.some((group) => group.includes(metalEnd(end.conductors)))
    ? tests
    : tests.filter(({ a, b }) => a !== metalEnd(end.conductors) && b !== metalEnd(end.conductors))
}

/** How many different pictures all readings at one end would show. */
const picturesOf = ({ conductors, side, hasMetal }: CableEnd, { ties, marks }: Setup, orders: readonly Uint8Array[]): number =>
  new Set(
    orders.map((order) => {
      const masks = hang(order, ties)
      const seen = Array.from({ length: conductors }, (_, one) => 1 << endOf({ conductors, side }, one)).reduce(
        (bits, bit) => bits | bit,
        1 << conductors,
      )
      if (marks) return pictureThrough({ conductors, side, hasMetal }, masks, marks)
      return Array.from({ length: conductors }, (_, one) => masks[endOf({ conductors, side }, one)] & seen).join(' ')
    }),
  ).size
