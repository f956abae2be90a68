import type { Bench } from '@/src/core/bench/bench'
import { BESIDE_LEVEL, degrees, inDegree, isGraded, overDegrees } from '@/src/core/diagnosis/houses'
import type { Probe } from '@/src/core/readings/check'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { predict, scaleOf } from '@/src/core/readings/predict'
import { isAlike, onOhmScale, type Prediction, type Scale } from '@/src/core/readings/prediction'

/** What every story foretells of one reading, over the spread of values and in each kind of wiring. */
export interface Foreseen {
  /** Predictions in each of the spread's houses, or at each degree of the damage; stories that foretell the same share them. */
  readonly spreads: readonly Spread[]
  readonly spreadOf: readonly number[]
  /** Predictions in the template's house wired otherwise, kind after kind, story after story: one, or one at each degree of the damage. */
  readonly otherwise: readonly (readonly (readonly Prediction[])[])[]
}

interface Spread {
  readonly over: 'values' | 'degrees'
  readonly predictions: readonly Prediction[]
}

/** How far part values carry a reading from the template's: the planner must not hope to see what the spread of houses hides. */
const SPREAD = { ohms: 0.22, volts: 0.03, 'line-volts': 0.03, amps: 0.15 } as const

/** `volts` is the share of the volts that is not known of the house: less where its level is weighed beside. */
export function widened(prediction: Prediction, scale: Scale, volts: number = SPREAD.volts): Prediction {
  if (scale === 'word') return prediction
  return prediction.map((component) => {
    if (typeof component.at !== 'number' || component.floating) return component
    // A metal path of an ohm or less is copper and contacts: no part value moves it.
    const spread =
      scale === 'ohms' ? (component.at < onOhmScale(2) ? 0 : SPREAD.ohms) : (scale === 'volts' ? volts : SPREAD[scale]) * component.at
    const { weight, at, sigma, floating } = component
    return { weight, at, sigma: Math.sqrt(sigma * sigma + spread * spread), floating }
  })
}

/** What a story of damage by degrees foretells at each of them; part values are in the width. */
export function foretellByDegree(laboratory: Laboratory, bench: Bench, story: Hypothesis, probe: Probe): Prediction[] {
  const scale = scaleOf(laboratory.system, probe)
  return overDegrees(degrees.map((_, degree) => widened(predict(laboratory, bench, inDegree(story, degree), probe), scale, BESIDE_LEVEL)))
}

/** Stories to a piece of work: some ten milliseconds, which is the longest that an answer may have to wait behind it. */
const STORIES_TO_A_PIECE = 40

/** One reading being foreseen, story by story: in pieces while there is time, and the rest at once when its answer comes. */
export class Foreseeing {
  private done = 0
  private readonly keyOfSound: string
  private readonly places = new Map<string, number>()
  private readonly spreads: Spread[] = []
  private readonly spreadOf: number[] = []
  private readonly otherwise: (readonly Prediction[])[][]
  private readonly shared = new Map<string, readonly Prediction[]>()

  /** @param laboratories the house over the spread of part values, the template first; @param storiesByKind the same stories in each kind of wiring */
  constructor(
    private readonly laboratories: readonly Laboratory[],
    private readonly storiesByKind: readonly (readonly Hypothesis[])[],
    private readonly bench: Bench,
    private readonly probe: Probe,
  ) {
    this.keyOfSound = keyOf(predict(laboratories[0], bench, storiesByKind[0][0], probe))
    this.otherwise = storiesByKind.slice(1).map(() => [])
  }

  /** The work that is left, in pieces that may be done in this order or not at all. */
  pieces(): (() => void)[] {
    const left = this.total - this.done
    return Array.from({ length: Math.ceil(left / STORIES_TO_A_PIECE) }, () => () => this.advance(STORIES_TO_A_PIECE))
  }

  /** Does what is left. */
  finish(): Foreseen {
    this.advance(this.total - this.done)
    return { spreads: this.spreads, spreadOf: this.spreadOf, otherwise: this.otherwise }
  }

  private get total(): number {
    return this.storiesByKind.length * this.storiesByKind[0].length
  }

  private advance(stories: number): void {
    const end = Math.min(this.total, this.done + stories)
    for (; this.done < end; this.done++) {
      const kind = Math.floor(this.done / this.storiesByKind[0].length)
      const story = this.storiesByKind[kind][this.done % this.storiesByKind[0].length]
      if (kind === 0) this.foreseeAsDrawn(story)
      else this.foreseeOtherwise(story, kind)
    }
  }

  private foreseeAsDrawn(story: Hypothesis): void {
    const { laboratories, bench, probe, places, spreads, spreadOf } = this
    const [laboratory] = laboratories
    const inTemplate = predict(laboratory, bench, story, probe)
    const foretold = keyOf(inTemplate)
    // A reading that shows the damage shows how much of it there is.
    const byDegree = isGraded(story) && foretold !== this.keyOfSound ? foretellByDegree(laboratory, bench, story, probe) : null
    // Stories that foretell the same in the template's house (most of them: their fault is elsewhere) do so over the spread.
    const key = byDegree ? keyOfAll(byDegree) : foretold
    const known = places.get(key)
    spreadOf.push(known ?? spreads.length)
    if (known !== undefined) return
    places.set(key, spreads.length)
    spreads.push(
      byDegree
        ? { over: 'degrees', predictions: byDegree }
        : {
            over: 'values',
            predictions: laboratories.map((one, corner) => (corner === 0 ? inTemplate : predict(one, bench, story, probe))),
          },
    )
  }

  /** Beside a wiring difference the spread of part values is in the width. */
  private foreseeOtherwise(story: Hypothesis, kind: number): void {
    const [laboratory] = this.laboratories
    const { bench, probe } = this
    const foretold = this.otherwise[kind - 1]
    const prediction = widened(predict(laboratory, bench, story, probe), scaleOf(laboratory.system, probe), BESIDE_LEVEL)
    // The first story is the sound house, with which most share what they foretell.
    if (foretold.length > 0 && isAlike(prediction, foretold[0][0])) {
      foretold.push(foretold[0])
      return
    }
    const predictions = isGraded(story) ? foretellByDegree(laboratory, bench, story, probe) : [prediction]
    const key = `${kind} ${keyOfAll(predictions)}`
    const known = this.shared.get(key) ?? predictions
    this.shared.set(key, known)
    foretold.push(known)
  }
}

const keyOfAll = (predictions: readonly Prediction[]): string => predictions.map(keyOf).join(' | ')

const keyOf = (prediction: Prediction): string =>
  prediction.map(({ at, weight }) => `${typeof at === 'number' ? at.toPrecision(3) : sayAt(at)} ${weight.toFixed(3)}`).join(' ')

const sayAt = (at: 'OL' | { readonly word: string }): string => (at === 'OL' ? at : at.word)
