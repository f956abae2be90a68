import type { Answer } from '@/src/core/readings/check'
import type { Component, Lean, Scale } from '@/src/core/readings/prediction'
import { modelValue } from '@/src/core/units/model-value'
import { workLimit } from '@/src/core/units/work-limit'

/** What a reading taught of the causes, and by how much it was off, in its own widths. */
export interface Lesson {
  /** One number for each cause, from a place on in an array that many lessons share. */
  readonly gains: Float64Array
  readonly from: number
  readonly off: number
  /** What an earlier reading taught. */
  readonly before: Lesson | null
}

/** Where a centre stands in a house of which so much was learnt, and how much of it is still not known. */
export function expectedAfter(lessons: Lesson | null, at: number, leans: readonly Lean[] | undefined): { at: number; variance: number } {
  if (!leans || leans.length === 0) return { at, variance: 0 }
  let variance = 0
  for (let lean = 0; lean < leans.length; lean++) variance += leans[lean].by ** 2
  let mean = at
  for (let lesson = lessons; lesson; lesson = lesson.before) {
    const { gains, from, off } = lesson
    let along = 0
    for (let lean = 0; lean < leans.length; lean++) along += gains[from + leans[lean].cause] * leans[lean].by
    mean += along * off
    variance -= along * along
  }
  return { at: mean, variance: Math.max(0, variance) }
}

/** What of a lean is no straight line. */
const BENT = modelValue({ value: 0.15, unit: 'share of the lean', source: 'assumption, held against brute force (`chain.test.ts`)' })

/** Square of a reading's own width: the meter and the hand, and what a straight line leaves out. */
export function widthOf({ sigma, leans = [] }: Component): number {
  let square = sigma * sigma
  for (const { by } of leans) square += (BENT * by) ** 2
  return square
}

/** A reading that leans on the house by less than this teaches nothing of it. */
const TEACHES = modelValue({ value: 0.02, unit: 'share of its variance', source: 'assumption' })

/** What a reading teaches that was expected so after the lessons before it; null where that is nothing. */
export function learn(
  lessons: Lesson | null,
  told: Component,
  expected: Component,
  answer: Answer,
  scale: Scale,
  causes: number,
): Lesson | null {
  if (typeof told.at !== 'number' || typeof expected.at !== 'number' || told.floating || !told.leans || told.leans.length === 0) return null
  const read = readOn(answer, scale)
  if (read === null) return null
  const unknown = expected.sigma ** 2 - widthOf(told)
  const variance = expected.sigma ** 2 + read.variance
  if (unknown < TEACHES * variance) return null
  // P J, along the chain: what of the leans is not known yet.
  const { gains, from } = roomFor(causes)
  for (const { cause, by } of told.leans) gains[from + cause] += by
  for (let lesson = lessons; lesson; lesson = lesson.before) {
    const { gains: known, from: begin } = lesson
    let along = 0
    for (const { cause, by } of told.leans) along += known[begin + cause] * by
    if (along !== 0) for (let cause = 0; cause < causes; cause++) gains[from + cause] -= along * known[begin + cause]
  }
  const width = Math.sqrt(variance)
  for (let cause = 0; cause < causes; cause++) gains[from + cause] /= width
  return { gains, from, off: (read.at - expected.at) / width, before: lessons }
}

/** Lessons to an array: a reading makes thousands, and an array for each would cost more than what is worked out in it. */
const LESSONS_TO_AN_ARRAY = workLimit(256)
let free = { gains: new Float64Array(0), from: 0 }

/** Zeros for one lesson, which nobody else has. */
function roomFor(causes: number): typeof free {
  const taken = free.from + causes <= free.gains.length ? free : { gains: new Float64Array(causes * LESSONS_TO_AN_ARRAY), from: 0 }
  free = { gains: taken.gains, from: taken.from + causes }
  return taken
}

/** A number, or the middle of a band, on the scale. */
function readOn(answer: Answer, scale: Scale): { at: number; variance: number } | null {
  if (answer === 'OL' || scale === 'word') return null
  const onScale = (value: number) => (scale === 'ohms' ? Math.log(Math.max(0, value) + 0.7) : value)
  if (typeof answer === 'number') return { at: onScale(answer), variance: 0 }
  if ('word' in answer) return null
  const [low, high] = [onScale(answer.low), onScale(answer.high)]
  return { at: (low + high) / 2, variance: (high - low) ** 2 / 12 }
}
