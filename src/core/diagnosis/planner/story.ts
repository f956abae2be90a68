import type { Link } from '@/src/core/diagnosis/likelihood/chain'

/** A story that the planner weighs. */
export interface Story {
  readonly index: number
  /** The wiring in which this story explains the readings so far. */
  readonly kind: number
  readonly weight: number
  readonly group: number
  /** What the readings have taught of its house. */
  readonly chain: Link
}
