import fc from 'fast-check'
import { computePosterior, entropyOfRepair, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { UNREAD } from '@/src/core/diagnosis/likelihood/chain'
import {
  entropyAfter,
  entropyBefore,
  entropyOf,
  leastWrong,
  liveHypotheses,
  mostBits,
  thinOut,
  wrongAfter,
} from '@/src/core/diagnosis/planner/live-hypotheses'
import type { LiveHypothesis } from '@/src/core/diagnosis/planner/live-hypothesis'
import { clusterOutcomes } from '@/src/core/diagnosis/planner/outcomes'
import { gatherRows, inTheirHouses, predictionsOfProbe } from '@/src/core/diagnosis/planner/probe-predictions'
import { furnaceEngine } from '@/tests/setup/furnace'

const weight = fc.double({ min: 0.001, max: 1, noNaN: true })
const hypothesesArb = fc
  .array(fc.record({ weight, group: fc.integer({ min: 0, max: 5 }) }), { minLength: 2, maxLength: 60 })
  .map((drawn): LiveHypothesis[] => {
    const total = drawn.reduce((sum, hypothesis) => sum + hypothesis.weight, 0)
    return drawn.map((hypothesis, index) => ({ ...hypothesis, index, kind: 0, chain: UNREAD, weight: hypothesis.weight / total }))
  })

describe('entropy', () => {
  it('is one bit for two that are equally likely, none for what is certain (Shannon 1948)', () => {
    expect(entropyOf(Float64Array.of(1, 1))).toBeCloseTo(1, 12)
    expect(entropyOf(Float64Array.of(0.5, 0.25, 0.25))).toBeCloseTo(1.5, 12)
    expect(entropyOf(Float64Array.of(3, 0, 0))).toBe(0)
  })

  it('never rises on average by asking, falls by no more than the different predictions tell, and an answer that is the same for all tells nothing', () => {
    fc.assert(
      fc.property(
        hypothesesArb,
        fc.array(fc.double({ min: 0, max: 30, noNaN: true }), { minLength: 60, maxLength: 60 }),
        (hypotheses, volts) => {
          const before = entropyBefore(hypotheses, 6)
          const predictions = hypotheses.map((_, row) => [{ weight: 1, at: volts[row], sigma: 0.5, floating: false }])
          const predicted = predictionsOfProbe(
            gatherRows(hypotheses, (place) => [predictions[place]]),
            0,
          )
          const outcomes = clusterOutcomes(inTheirHouses(hypotheses, predicted), 'volts')
          if (outcomes.count >= 2) {
            expect(entropyAfter(hypotheses, outcomes, 6)).toBeLessThanOrEqual(before + 1e-9)
            expect(before - entropyAfter(hypotheses, outcomes, 6)).toBeLessThanOrEqual(mostBits(predicted) + 1e-9)
            expect(wrongAfter(hypotheses, 6, outcomes)).toBeLessThanOrEqual(wrongAfter(hypotheses, 6, null) + 1e-9)
            expect(wrongAfter(hypotheses, 6, outcomes)).toBeGreaterThanOrEqual(leastWrong(hypotheses, 6, predicted) - 1e-9)
          }
          const one = [{ weight: 1, at: volts[0], sigma: 0.5, floating: false }]
          const alike = predictionsOfProbe(
            gatherRows(hypotheses, () => [one]),
            0,
          )
          const same = clusterOutcomes(inTheirHouses(hypotheses, alike), 'volts')
          expect(mostBits(alike)).toBe(0)
          expect(same.count).toBeLessThan(2)
        },
      ),
      { seed: 9, numRuns: 60 },
    )
  })
})

describe('thinOut', () => {
  it('keeps the weight of all hypotheses and the heaviest of them as they are', () => {
    fc.assert(
      fc.property(hypothesesArb, (drawn) => {
        const hypotheses = [...drawn].sort((a, b) => b.weight - a.weight)
        const thin = thinOut(hypotheses)
        expect(thin.length).toBeLessThanOrEqual(hypotheses.length)
        expect(thin.reduce((sum, hypothesis) => sum + hypothesis.weight, 0)).toBeCloseTo(1, 9)
        expect(thin.slice(0, 10)).toEqual(hypotheses.slice(0, 10))
      }),
      { seed: 9, numRuns: 60 },
    )
  })
})

describe('liveHypotheses', () => {
  const engine = furnaceEngine()
  const posterior = computePosterior(engine, noEvidence)

  it('weighs what matters, heaviest first, each in the group of its repair', () => {
    const hypotheses = liveHypotheses(engine, posterior, false)
    expect(hypotheses.reduce((sum, hypothesis) => sum + hypothesis.weight, 0)).toBeCloseTo(1, 9)
    for (const [index, hypothesis] of hypotheses.slice(1).entries())
      expect(hypothesis.weight).toBeLessThanOrEqual(hypotheses[index].weight + 1e-8)
    const repairOf = ({ index }: LiveHypothesis) => engine.hypotheses[index].fault?.repair.id ?? 'nothing'
    const groups = new Map<number, Set<string>>()
    for (const hypothesis of hypotheses) groups.set(hypothesis.group, (groups.get(hypothesis.group) ?? new Set()).add(repairOf(hypothesis)))
    for (const repairs of groups.values()) expect(repairs.size).toBe(1)
  })

  it('leaves out what comes and goes when only steady faults are wanted', () => {
    const complaint = { ...noEvidence.complaint, symptoms: ['fuse-now-and-then' as const] }
    const comingAndGoing = computePosterior(engine, { ...noEvidence, complaint })
    const some = (steadyOnly: boolean) =>
      liveHypotheses(engine, comingAndGoing, steadyOnly).some(({ index }) => engine.hypotheses[index].intermittent)
    expect([some(true), some(false)]).toEqual([false, true])
  })

  it('comes in one order, whatever the last digit of a logarithm is', () => {
    const shaken = {
      ...posterior,
      hypotheses: posterior.hypotheses.map((share, index) => share * (1 + (index % 2 === 0 ? 3e-14 : -3e-14))),
    }
    const order = (given: typeof posterior) => liveHypotheses(engine, given, true).map(({ index }) => index)
    expect(order(shaken)).toEqual(order(posterior))
  })

  it('looks at every small doubt beside a house that is almost surely sound', () => {
    const share = 0.02 / (engine.hypotheses.length - 1)
    const sure = { ...posterior, hypotheses: posterior.hypotheses.map((_, index) => (index === 0 ? 0.98 : share)), noneOfThese: 0 }
    expect(liveHypotheses(engine, sure, false).length).toBeGreaterThan(100)
  })
})

describe('entropyOfRepair', () => {
  it('falls to nothing when one repair holds all', () => {
    const engine = furnaceEngine()
    const posterior = computePosterior(engine, noEvidence)
    expect(entropyOfRepair(engine, posterior)).toBeGreaterThan(5)
    const certain = { ...posterior, hypotheses: posterior.hypotheses.map((_, index) => (index === 4 ? 1 : 0)), noneOfThese: 0 }
    expect(entropyOfRepair(engine, certain)).toBe(0)
  })
})
