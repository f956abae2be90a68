import type { Outcomes } from '@/src/core/diagnosis/planner/outcomes'
import type { Question } from '@/src/core/diagnosis/planner/question'
import type { Route } from '@/src/core/diagnosis/planner/route'
import type { Probe } from '@/src/core/readings/check'
import type { Prediction } from '@/src/core/readings/prediction'
import type { PlaceId } from '@/src/core/wiring/ids'

/** One thing that could be asked now, with what it tells and costs. */
export interface Scored {
  readonly score: number
  readonly gainBits: number
  readonly minutes: number
  readonly probe: Probe
  readonly place: PlaceId
  readonly route: Route
  readonly outcomes: Outcomes
  readonly question: Question
  /** Which probe of its question this is. */
  readonly wanted: number
  /** The meter and its scale: only readings of the same can say the same. */
  readonly meter: string
  /** What each hypothesis weighed foretells of it. */
  readonly predicted: (hypothesis: number) => Prediction
}
