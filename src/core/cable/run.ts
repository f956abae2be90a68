import type { Cable } from '@/src/core/wiring/system'

/** What is known of a run of cable, beside its readings. */
export interface Run {
  readonly gaugeAwg: Cable['gaugeAwg']
  /** Metres as they were told; null where nobody has paced them. */
  readonly toldM: number | null
  /** Metres as the drawing has them: a guess. */
  readonly drawnM: number
  /** The meter was nulled with its leads together. */
  readonly isNulled: boolean
  /** Temperature of the copper, °C; null where nobody has said. */
  readonly copperC: number | null
}

/**
 * One resistance, read at one end of a run with everything off at both ends. `short`: between the two that touch; `to-metal`: between one
 * and the metal that it touches; `sound`: between two sound conductors that are joined at the other end.
 */
export interface LoopReading {
  readonly of: 'short' | 'to-metal' | 'sound'
  /** The end at which it was read: that from which the distance counts, or the other. */
  readonly end: 0 | 1
  readonly ohm: number
  /** The last digit that the meter showed, ohm. */
  readonly step: number
}

/** One capacitance against another conductor of the same cable: of the open one, from one end, or of a sound one, over the whole run. */
export interface CapacitanceReading {
  readonly of: 'open' | 'sound'
  readonly end: 0 | 1
  readonly nF: number
  readonly step: number
}

/** Metres from the first end, with how far they may be off. */
export interface Distance {
  readonly lowM: number
  readonly middleM: number
  readonly highM: number
  /** The band is no wider than is of use: a part of the run can be left alone. */
  readonly isUseful: boolean
  /** What would narrow it. */
  readonly better: string | null
}

/** Weights at values, in any order. */
export interface Density {
  readonly at: readonly number[]
  readonly weights: readonly number[]
}
