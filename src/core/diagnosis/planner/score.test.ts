import fc from 'fast-check'
import { computePosterior, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { liveHypotheses, thinOut } from '@/src/core/diagnosis/planner/live-hypotheses'
import { openQuestions } from '@/src/core/diagnosis/planner/question'
import { planRoute, routesFrom } from '@/src/core/diagnosis/planner/route'
import { type Pricing, scoreAll } from '@/src/core/diagnosis/planner/score'
import type { Scored } from '@/src/core/diagnosis/planner/scored'
import { Shortlist } from '@/src/core/diagnosis/planner/shortlist'
import { candidatesFrom } from '@/src/core/diagnosis/planner/ways'
import { createRandom } from '@/src/core/units/random'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { benchWith, change, furnaceEngine } from '@/tests/setup/furnace'

describe('the best of all checks', () => {
  it('is found without weighing all of them: what was left early could not have been among the best @long', () => {
    const engine = furnaceEngine()
    const bench = benchWith(change.off, change.liftY)
    const questions = openQuestions(furnaceAc, candidatesFrom(furnaceAc, bench), [], [])
    const pricingArb = fc.constantFrom<Pricing>({}, { equalCost: true }, { stakes: 120 })
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1000 }), pricingArb, (seed, pricing) => {
        const random = createRandom(seed)
        const prior = computePosterior(engine, noEvidence)
        const shaken = prior.hypotheses.map((weight) => weight * random.uniform() ** 8)
        const total = shaken.reduce((sum, weight) => sum + weight, 0)
        const posterior = { ...prior, hypotheses: shaken.map((weight) => weight / total), noneOfThese: 0 }
        const hypotheses = thinOut(liveHypotheses(engine, posterior, false))
        const ranked = (most: number): Scored[] => {
          const best = new Shortlist(most, () => false)
          scoreAll(engine, hypotheses, bench, questions, 0.03, pricing, best)
          return best.list
        }
        const all = ranked(Number.POSITIVE_INFINITY)
        const few = ranked(4)
        expect(few.map(({ score }) => score.toPrecision(9))).toEqual(all.slice(0, 4).map(({ score }) => score.toPrecision(9)))
        for (const { minutes, route } of all) expect(minutes).toBeGreaterThan(route.minutes)
      }),
      { seed: 21, numRuns: 12 },
    )
  })
})

describe('routesFrom', () => {
  it('is what planning each way anew would give, from wherever one stands and whatever is called while the power is off', () => {
    const starts = [benchWith(), benchWith(change.off), benchWith(change.cool, change.off), benchWith({ do: 'walk', place: 'outdoor' })]
    for (const from of starts)
      for (const { bench, probes } of candidatesFrom(furnaceAc, benchWith()))
        for (const { place } of probes.slice(0, 2)) {
          const { cost } = furnaceEngine()
          expect(routesFrom(furnaceAc, from, cost)(bench, place)).toEqual(planRoute(furnaceAc, from, bench, place, cost))
          expect(routesFrom(furnaceAc, from, cost)(bench, place)).toBe(routesFrom(furnaceAc, from, cost)(bench, place))
        }
  })
})
