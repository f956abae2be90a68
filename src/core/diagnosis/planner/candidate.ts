import type { Bench } from '@/src/core/bench/bench'
import type { Probe } from '@/src/core/readings/check'
import type { PlaceId } from '@/src/core/wiring/ids'

/** A bench worth reaching and what to ask on it, each question with the place where it is taken. */
export interface Candidate {
  readonly bench: Bench
  readonly probes: readonly { readonly probe: Probe; readonly place: PlaceId }[]
}
