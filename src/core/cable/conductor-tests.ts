import { firstEnd, metalEnd, secondEnd } from '@/src/core/cable/conductor-faults'

/** One reading at one end: the meter from `a` to `b`, with the ends of each group of `joins` clipped together there. */
export interface ConductorTest {
  readonly joins: readonly (readonly number[])[]
  readonly a: number
  readonly b: number
}

/** The end of a cable that readings are taken at, as numbers of its ends. */
export interface CableEnd {
  readonly conductors: number
  readonly side: 0 | 1
  /** The metal around can be touched here. */
  readonly hasMetal: boolean
}

export const endOf = ({ conductors, side }: Pick<CableEnd, 'conductors' | 'side'>, conductor: number): number =>
  side === 0 ? firstEnd(conductor) : secondEnd(conductors, conductor)

/**
 * The readings that are worth a thought at one end, while `ties` are in at the other: each pair; one against all the rest in a bunch; bunch against
 * bunch, so that each two things are parted by one of them; and whole chains, over a tie there and a clip here in turn, whole or in part.
 */
export function testsAt(end: CableEnd, ties: readonly (readonly number[])[]): ConductorTest[] {
  const own = Array.from({ length: end.conductors }, (_, conductor) => endOf(end, conductor))
  const things = end.hasMetal ? [...own, metalEnd(end.conductors)] : own
  const tied = groupsHere(end, ties)
  const loose = things.filter((thing) => !tied.some((group) => group.includes(thing))).map((thing) => [thing])
  return [
    ...things.flatMap((a, index) => things.slice(index + 1).map((b) => ({ joins: [], a, b }))),
    ...things.flatMap((a) => bunch(things.filter((b) => b !== a)).map(({ joins, of }) => ({ joins, a, b: of }))),
    ...halves([...tied, ...loose]),
    ...chains(tied),
  ]
}

/** Ties at the other end, by the ends of the same conductors here. */
const groupsHere = (end: CableEnd, ties: readonly (readonly number[])[]): number[][] =>
  ties.map((group) =>
    group.map((tied) => {
      const conductor = tied > end.conductors ? tied - end.conductors - 1 : tied
      return tied === metalEnd(end.conductors) ? tied : endOf(end, conductor)
    }),
  )

/** Things clipped together, and the one that the meter goes to. */
const bunch = (things: readonly number[]) => (things.length > 1 ? [{ joins: [things], of: things[0] }] : [])

/** Bunch against bunch, by each binary digit of a thing's number: no two things are on one side in all of them. Each half of a half as well. */
function halves(groups: readonly (readonly number[])[]): ConductorTest[] {
  const tests: ConductorTest[] = []
  for (let digit = 1; digit < groups.length; digit *= 2) {
    const parted = [0, 1].map((side) => groups.filter((_, index) => (Math.floor(index / digit) % 2 === 1 ? 1 : 0) === side))
    const [one, other] = parted.map((side) => side.flat())
    tests.push(...between(one, other))
    for (const half of halfOf(one)) tests.push(...between(half, other))
    for (const half of halfOf(other)) tests.push(...between(one, half))
  }
  return tests
}

const halfOf = (things: readonly number[]): number[][] =>
  things.length < 3 ? [] : [things.slice(0, Math.ceil(things.length / 2)), things.slice(Math.ceil(things.length / 2))]

function between(one: readonly number[], other: readonly number[]): ConductorTest[] {
  if (one.length === 0 || other.length === 0) return []
  return [{ joins: [one, other].filter((side) => side.length > 1), a: one[0], b: other[0] }]
}

/** Out on one conductor and back on its partner, clipped to the next pair, and so on: one reading for all of them, or for some in a row. */
function chains(tied: readonly (readonly number[])[]): ConductorTest[] {
  const pairs = tied.filter((group) => group.length > 1)
  return pairs.flatMap((first, from) =>
    pairs.slice(from).flatMap((last, further) => {
      const joins = Array.from({ length: further }, (_, index) => [pairs[from + index][1], pairs[from + index + 1][0]])
      return last.slice(1).map((back) => ({ joins, a: first[0], b: back }))
    }),
  )
}

/** Ways to tie the conductors of `order` at one end before the other is read: none, all, in pairs, threes, halves. */
export function tiesFor(end: Pick<CableEnd, 'conductors' | 'side'>, order: readonly number[]): number[][][] {
  const inGroupsOf = (size: number): number[][] => {
    const groups: number[][] = []
    for (let from = 0; from < order.length; from += size) groups.push(order.slice(from, from + size))
    // One that is left over goes with the last.
    if (groups.length > 1 && (groups.at(-1)?.length ?? 0) < 2) groups.at(-2)?.push(...(groups.pop() ?? []))
    return groups.filter((group) => group.length > 1).map((group) => group.map((conductor) => endOf(end, conductor)))
  }
  const sizes = [...new Set([2, 3, Math.ceil(order.length / 2), order.length])].filter((size) => size > 1 && size <= order.length)
  return [[], ...sizes.map(inGroupsOf)]
}
