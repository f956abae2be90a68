import type { Bench } from '@/src/core/bench/bench'
import { degrees, inDegree, isUneven, overDegrees } from '@/src/core/diagnosis/hypotheses/houses'
import { causesOf } from '@/src/core/readings/causes'
import type { Probe } from '@/src/core/readings/check'
import { type Hypothesis, withFuseIntact } from '@/src/core/readings/hypothesis'
import type { Laboratory } from '@/src/core/readings/laboratory'
import { showsOn } from '@/src/core/readings/now-and-then'
import { overMoments, predictMoment, tellsFoundFuse } from '@/src/core/readings/predict'
import type { Prediction } from '@/src/core/readings/prediction'

/** The cause behind a system's own: how much of its damage a hypothesis has beyond its degree. */
export const damageCause = ({ system }: Laboratory): number => causesOf.of(system).length

/** How many causes a chain of a system's readings knows. */
export const countCauses = (laboratory: Laboratory): number => damageCause(laboratory) + 1

/**
 * One reading on one bench, predicted for many hypotheses: what is there at one moment is worked out once for what stands still and what
 * comes and goes alike.
 */
export class OneReading {
  private readonly moments = new Map<Hypothesis, Prediction>()
  private readonly leaningMoments = new Map<Hypothesis, Prediction>()
  private readonly isFuseTold: boolean

  constructor(
    private readonly laboratory: Laboratory,
    private readonly bench: Bench,
    private readonly probe: Probe,
  ) {
    this.isFuseTold = tellsFoundFuse(bench, [probe])
  }

  /** Whether a fault shows on another bench as often as on this one. */
  isMetAsOften(hypothesis: Hypothesis, bench: Bench): boolean {
    const often = (on: Bench, probe?: Probe) => showsOn(this.laboratory.system, hypothesis, on, probe)
    return often(this.bench) === often(bench) && often(this.bench, this.probe) === often(bench, this.probe)
  }

  /** @param leaning with how it leans on what is not known of the house */
  predict(hypothesis: Hypothesis, leaning: boolean): Prediction {
    const moments = leaning ? this.leaningMoments : this.moments
    return overMoments(this.laboratory.system, this.bench, hypothesis, this.probe, (told) => {
      const moment = this.isFuseTold ? told : withFuseIntact(told)
      const known = moments.get(moment)
      if (known) return known
      const made = predictMoment(this.laboratory, this.bench, moment, this.probe, leaning)
      moments.set(moment, made)
      return made
    })
  }

  /** What a hypothesis of damage by degrees predicts at each of them, leaning on its damage; with `leaning` on the rest as well. */
  byDegree(hypothesis: Hypothesis): (degree: number, leaning: boolean) => Prediction {
    const plain = degrees.map((_, degree) => this.predict(inDegree(hypothesis, degree), false))
    const cause = damageCause(this.laboratory)
    const uneven = isUneven(hypothesis)
    const [alike, leans] = [
      overDegrees(plain, cause, undefined, uneven),
      overDegrees(plain, cause, (degree) => this.predict(inDegree(hypothesis, degree), true), uneven),
    ]
    return (degree, leaning) => (leaning ? leans : alike)(degree)
  }
}
