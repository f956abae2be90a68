import type { ConductorReading, ConductorStep, Setup } from '@/src/core/cable/conductor-plan'
import { type Marks, toldBy } from '@/src/core/cable/marks'

/** Where the search among the conductors of a cable stands: at which end, what is in at the other one, what was read. */
export interface Stand extends Setup {
  readonly here: 0 | 1
  readonly readings: readonly ConductorReading[]
  /** The other end is not off its screws yet. */
  readonly mustCross: boolean
}

const MOST_STEPS = 80

/**
 * Follows a plan on a cable until it has no further step.
 *
 * @param ohms what is read between two ends, with these tied together and these resistors in: 0 closed, Infinity open
 */
export function followPlan<P extends { readonly next: ConductorStep }>(
  planAt: (stand: Stand) => P,
  ohms: (joins: readonly (readonly number[])[], marks: Marks | null, a: number, b: number) => number,
): { readonly plan: P; readonly readings: number; readonly walks: number } {
  let stand: Stand = { here: 0, ties: [], marks: null, readings: [], mustCross: true }
  let walks = 0
  for (let step = 0; step < MOST_STEPS; step++) {
    const plan = planAt(stand)
    const { next } = plan
    if (next.do === 'done' || next.do === 'stuck') return { plan, readings: stand.readings.length, walks }
    if (next.do === 'read') {
      const { ties, marks, readings } = stand
      const joins = [...ties, ...next.test.joins]
      const told = toldBy(ohms(joins, marks, next.test.a, next.test.b))
      stand = { ...stand, readings: [...readings, { ...next.test, joins, ...(marks && { marks }), ...told }] }
      continue
    }
    const isWalk = next.do === 'cross'
    walks += Number(isWalk)
    stand = { ...stand, ties: next.ties, marks: next.marks, mustCross: false, here: isWalk ? ((1 - stand.here) as 0 | 1) : stand.here }
  }
  throw new Error('The plan has no end.')
}
