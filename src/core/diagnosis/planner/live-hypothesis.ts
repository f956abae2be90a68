import type { Link } from '@/src/core/diagnosis/likelihood/chain'

/** A hypothesis that the planner weighs. */
export interface LiveHypothesis {
  readonly index: number
  /** The wiring in which this hypothesis explains the readings so far. */
  readonly kind: number
  readonly weight: number
  readonly group: number
  /** What the readings have taught of its house. */
  readonly chain: Link
}
