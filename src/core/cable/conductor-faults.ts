import { modelValue } from '@/src/core/units/model-value'

/**
 * The troubles that the conductors of one cable may have, and which of their ends then hang together. Everything is off at both ends, so
 * that nothing but the cable itself joins them. Ends are numbers: `0 … n-1` at the first end, `n` the metal around, `n+1 … 2n` at the second.
 */
export interface ConductorFaults {
  /** Conductors that are parted. */
  readonly opens: readonly number[]
  /** What touches what, by end: the stretch of a parted conductor that hangs on its first or on its second end. */
  readonly touches: readonly (readonly [number, number])[]
  readonly weight: number
}

/** Odds where nothing is known, beside that a conductor is sound: cables are opened for what is nicked and rubbed as often as for what is parted. */
const OPEN_ODDS = modelValue({ value: 0.05, unit: 'odds', source: 'assumption' })
/** The same for two conductors that touch each other. */
const TOUCH_ODDS = modelValue({ value: 0.012, unit: 'odds a pair', source: 'assumption' })
/** The same for one that touches the metal around. */
const METAL_ODDS = modelValue({ value: 0.02, unit: 'odds', source: 'assumption' })

/** Odds of each trouble beside that there is none, where something is known: by the numbers of the conductors. */
export interface ConductorOdds {
  readonly open: readonly number[]
  readonly metal: readonly number[]
  /** By the lower number and the higher one. */
  readonly pair: readonly (readonly number[])[]
}

/** Where nothing is known but that the cable is being tested. */
export const usualOdds = (conductors: number): ConductorOdds => ({
  open: new Array(conductors).fill(OPEN_ODDS),
  metal: new Array(conductors).fill(METAL_ODDS),
  pair: Array.from({ length: conductors }, () => new Array(conductors).fill(TOUCH_ODDS)),
})

/** More than this in one cable and nobody sorts it out: it gets replaced. */
export const MOST_FAULTS = modelValue({ value: 3, unit: 'faults', source: 'assumption' })

export const metalEnd = (conductors: number): number => conductors
export const firstEnd = (conductor: number): number => conductor
export const secondEnd = (conductors: number, conductor: number): number => conductors + 1 + conductor

/**
 * Every set of up to `MOST_FAULTS` troubles of a cable. A touch of a parted conductor is told for either side of the break, since from one
 * end only one of the two is seen.
 */
export function conductorFaults(conductors: number, hasMetal: boolean, odds = usualOdds(conductors)): ConductorFaults[] {
  type Trouble = { readonly open: number } | { readonly pair: readonly [number, number | null] }
  const all = Array.from({ length: conductors }, (_, index) => index)
  const troubles: { trouble: Trouble; weight: number }[] = [
    ...all.map((open) => ({ trouble: { open }, weight: odds.open[open] })),
    ...all.flatMap((a) => all.slice(a + 1).map((b) => ({ trouble: { pair: [a, b] as const }, weight: odds.pair[a][b] }))),
    ...(hasMetal ? all.map((a) => ({ trouble: { pair: [a, null] as const }, weight: odds.metal[a] })) : []),
  ]
  const sets: ConductorFaults[] = []
  const grow = (from: number, chosen: readonly Trouble[], weight: number): void => {
    sets.push(...sidesOf(conductors, chosen, weight))
    if (chosen.length === MOST_FAULTS) return
    for (let next = from; next < troubles.length; next++)
      grow(next + 1, [...chosen, troubles[next].trouble], weight * troubles[next].weight)
  }
  grow(0, [], 1)
  return sets

  function sidesOf(n: number, chosen: readonly Trouble[], chosenWeight: number): ConductorFaults[] {
    const opens = chosen.flatMap((trouble) => ('open' in trouble ? [trouble.open] : []))
    const pairs = chosen.flatMap((trouble) => ('pair' in trouble ? [trouble.pair] : []))
    const sides = (conductor: number | null): number[] =>
      conductor === null
        ? [metalEnd(n)]
        : opens.includes(conductor)
          ? [firstEnd(conductor), secondEnd(n, conductor)]
          : [firstEnd(conductor)]
    let ways: (readonly (readonly [number, number])[])[] = [[]]
    for (const [a, b] of pairs)
      ways = ways.flatMap((way) => sides(a).flatMap((one) => sides(b).map((other) => [...way, [one, other] as const])))
    return ways.map((touches) => ({ opens, touches, weight: chosenWeight / ways.length }))
  }
}

/** For each end, the ends that hang on it, as bits: `joins` are those that were tied together by hand. */
export function hangTogether(conductors: number, { opens, touches }: ConductorFaults, joins: readonly (readonly number[])[]): Uint32Array {
  const ends = 2 * conductors + 1
  const masks = new Uint32Array(ends)
  for (let end = 0; end < ends; end++) masks[end] = 1 << end
  const join = (a: number, b: number) => {
    if ((masks[a] & (1 << b)) !== 0) return
    const both = masks[a] | masks[b]
    for (let end = 0; end < ends; end++) if ((both & (1 << end)) !== 0) masks[end] = both
  }
  for (let one = 0; one < conductors; one++) if (!opens.includes(one)) join(firstEnd(one), secondEnd(conductors, one))
  for (const [a, b] of touches) join(a, b)
  for (const group of joins) for (const end of group.slice(1)) join(group[0], end)
  return masks
}

/** Whether two ends read closed, with further ends tied together while the meter is on them. */
export const readsClosed = (masks: Uint32Array, joins: readonly (readonly number[])[], a: number, b: number): boolean =>
  (reached(masks, joins, a) & (1 << b)) !== 0

/** All ends that hang on one of them, as bits, with further ends tied together. */
export function reached(masks: Uint32Array, joins: readonly (readonly number[])[], from: number): number {
  let bits = masks[from]
  for (let grown = joins.length > 0; grown; ) {
    grown = false
    for (const group of joins) {
      if (!group.some((end) => (bits & (1 << end)) !== 0)) continue
      const before = bits
      for (const end of group) bits |= masks[end]
      grown ||= bits !== before
    }
  }
  return bits
}

/** What a conductor is: parted or whole, and the others, or the metal, that it touches. */
export interface ConductorState {
  readonly isOpen: boolean
  /** Numbers of the conductors that it touches; the metal by `metalEnd`. In order. */
  readonly touches: readonly number[]
}

/**
 * What can be named of each conductor. It is what the ends show: a break that a touch on either side bridges is none to any meter.
 */
export function statesOf(conductors: number, faults: ConductorFaults): ConductorState[] {
  const masks = hangTogether(conductors, faults, [])
  const bothEnds = (conductor: number) => masks[firstEnd(conductor)] | masks[secondEnd(conductors, conductor)]
  const has = (mask: number, conductor: number) => (mask & ((1 << firstEnd(conductor)) | (1 << secondEnd(conductors, conductor)))) !== 0
  return Array.from({ length: conductors }, (_, conductor) => {
    const mask = bothEnds(conductor)
    const others = Array.from({ length: conductors }, (_, other) => other).filter((other) => other !== conductor && has(mask, other))
    return {
      isOpen: (masks[firstEnd(conductor)] & (1 << secondEnd(conductors, conductor))) === 0,
      touches: (mask & (1 << metalEnd(conductors))) !== 0 ? [...others, metalEnd(conductors)] : others,
    }
  })
}
