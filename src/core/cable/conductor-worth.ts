import { type CableEnd, type ConductorTest, endOf } from '@/src/core/cable/conductor-tests'
import { classesOf, type Marks, ohmsBetween, pictureThrough } from '@/src/core/cable/marks'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'

/** What a reading along a cable tells of its conductors, in bits over the pictures that may be true. */

/** Of two readings that tell nearly as much, the one with fewer clips. */
const BITS_A_CLIP = modelValue({ value: 0.001, unit: 'share of the entropy', source: 'assumption' })
/** Bits that are none. */
export const NOTHING = workLimit(1e-9)

/** A case with the ends that hang together in it while certain ties are in. */
export interface Held {
  readonly picture: number
  readonly weight: number
  readonly masks: Uint32Array
}

/** The reading that tells most of which picture is true, and the share of what is open that it tells. */
export function bestTest(
  tests: readonly ConductorTest[],
  held: readonly Held[],
  marks: Marks | null,
): { test: ConductorTest; share: number } | null {
  const numbers = new Map<number, number>()
  const own = held.map(({ picture }) => {
    const number = numbers.get(picture) ?? numbers.size
    numbers.set(picture, number)
    return number
  })
  const all = new Float64Array(numbers.size)
  held.forEach(({ weight }, index) => {
    all[own[index]] += weight
  })
  const open = entropyOf(all)
  if (open < NOTHING) return null
  let best: { test: ConductorTest; gain: number; worth: number } | null = null
  for (const test of tests) {
    const classes = classesOf(held.map(({ masks }) => ohmsBetween(masks, test.joins, marks, test.a, test.b)))
    const parted: Float64Array[] = []
    classes.forEach((one, index) => {
      parted[one] ??= new Float64Array(numbers.size)
      parted[one][own[index]] += held[index].weight
    })
    const gain = open - entropyAfter(parted)
    const worth = gain - BITS_A_CLIP * open * clipsOf(test)
    if (gain > NOTHING && (!best || worth > best.worth)) best = { test, gain, worth }
  }
  return best && { test: best.test, share: best.gain / open }
}

const clipsOf = ({ joins }: ConductorTest): number => joins.reduce((sum, group) => sum + group.length - 1, 0)

function entropyOf(weights: Float64Array): number {
  const sum = weights.reduce((total, weight) => total + weight, 0)
  let bits = 0
  for (const weight of weights) if (weight > 0) bits -= (weight / sum) * Math.log2(weight / sum)
  return bits
}

/** What is open on average once it is known in which class the reading falls. */
function entropyAfter(parted: readonly Float64Array[]): number {
  const sums = parted.map((some) => some.reduce((total, weight) => total + weight, 0))
  const all = sums.reduce((total, sum) => total + sum, 0)
  return parted.reduce((bits, some, at) => (sums[at] > 0 ? bits + (sums[at] / all) * entropyOf(some) : bits), 0)
}

/** The share of what is open that all readings at one end together tell. */
export function shareOfAll(end: CableEnd, held: readonly Held[], marks: Marks | null): number {
  const { conductors, side, hasMetal } = end
  const seen = [
    ...Array.from({ length: conductors }, (_, conductor) => endOf({ conductors, side }, conductor)),
    ...(hasMetal ? [conductors] : []),
  ]
  const visible = seen.reduce((bits, end) => bits | (1 << end), 0)
  const pictures = new Map<string, Map<number, number>>()
  const all = new Map<number, number>()
  for (const { picture, weight, masks } of held) {
    const hung = seen.map((one) => masks[one] & visible).join(' ')
    const key = marks ? `${hung} ${pictureThrough(end, masks, marks)}` : hung
    const own = pictures.get(key) ?? new Map<number, number>()
    pictures.set(key, own.set(picture, (own.get(picture) ?? 0) + weight))
    all.set(picture, (all.get(picture) ?? 0) + weight)
  }
  const sumOf = (weights: Map<number, number>) => [...weights.values()].reduce((sum, weight) => sum + weight, 0)
  const bitsOf = (weights: Map<number, number>) => sumOf(weights) * entropyOf(Float64Array.from(weights.values()))
  return 1 - [...pictures.values()].reduce((sum, own) => sum + bitsOf(own), 0) / Math.max(NOTHING, bitsOf(all))
}
