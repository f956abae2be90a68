import type { Scored } from '@/src/core/diagnosis/planner/scored'
import { workLimit } from '@/src/core/units/work-limit'

/** Scores that agree to nine digits are one: then the order in which the wiring lists them is kept. */
const SCORE_STEP = workLimit(1e-9)

/** The best of what is offered, best first, no more than so many; what would only say again what was read is not taken. */
export class Shortlist {
  readonly list: Scored[] = []

  constructor(
    private readonly most: number,
    private readonly isRedundant: (meter: string, predicted: Scored['predicted']) => boolean,
  ) {}

  /** What scores less has no place any more. */
  get least(): number {
    return this.list.length < this.most ? Number.NEGATIVE_INFINITY : this.list[this.most - 1].score
  }

  offer(scored: Scored): void {
    if (this.list.length >= this.most && scored.score - this.least < SCORE_STEP / 2) return
    if (this.isRedundant(scored.meter, scored.predicted)) return
    const place = this.list.findIndex((other) => scored.score - other.score >= SCORE_STEP / 2)
    this.list.splice(place < 0 ? this.list.length : place, 0, scored)
    if (this.list.length > this.most) this.list.pop()
  }
}
