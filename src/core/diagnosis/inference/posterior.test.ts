import fc from 'fast-check'
import { computePosterior, type Evidence, noEvidence, posteriorsWithout } from '@/src/core/diagnosis/inference/posterior'
import { houseOf } from '@/src/core/diagnosis/likelihood/by-house'
import type { Answer, Probe } from '@/src/core/readings/check'
import { latestAnswers, type Observation, questionKey } from '@/src/core/readings/observations'
import type { Point } from '@/src/core/wiring/point'
import { benchWith, change, furnaceEngine } from '@/tests/setup/furnace'

const volts = (a: Point, b: Point): Probe => ({ meter: 'volts', a, b })
const ohms = (a: Point, b: Point): Probe => ({ meter: 'ohms', a, b })
const questions: readonly { readonly on: Observation['bench']; readonly probe: Probe }[] = [
  { on: benchWith(), probe: volts('R@indoor', 'C@indoor') },
  { on: benchWith(change.cool), probe: volts('Y@indoor', 'C@indoor') },
  { on: benchWith(change.cool), probe: volts('Y@outdoor', 'C@outdoor') },
  { on: benchWith(change.heat), probe: volts('W@indoor', 'C@indoor') },
  { on: benchWith(change.off), probe: ohms('Y@indoor', 'C@indoor') },
]
const answersArb = fc.array(
  fc.record({
    question: fc.nat(questions.length - 1),
    answer: fc.oneof(fc.double({ min: 0, max: 30, noNaN: true }), fc.constant<Answer>('OL')),
  }),
  { minLength: 1, maxLength: 6 },
)
const evidenceArb = answersArb.map(
  (answers): Evidence => ({
    ...noEvidence,
    observations: answers.map(({ question, answer }, index) => {
      const { on, probe } = questions[question]
      return { id: `r${index}`, bench: on, probe, answer: probe.meter === 'volts' && answer === 'OL' ? 0 : answer }
    }),
  }),
)

describe('what would be thought without a reading', () => {
  it('is what would be thought had it never been taken @long', () => {
    const engine = furnaceEngine()
    fc.assert(
      fc.property(evidenceArb, (evidence) => {
        const left = latestAnswers(evidence.observations)
        const without = [...posteriorsWithout(engine, evidence, () => true)]
        expect(without).toHaveLength(left.length)
        for (const [place, { posterior }] of without.entries()) {
          const key = questionKey(left[place].bench, left[place].probe)
          const observations = evidence.observations.filter(({ bench, probe }) => questionKey(bench, probe) !== key)
          const never = computePosterior(engine, { ...evidence, observations })
          expect(posterior.noneOfThese).toBeCloseTo(never.noneOfThese, 9)
          for (let hypothesis = 0; hypothesis < never.hypotheses.length; hypothesis += 17)
            expect(posterior.hypotheses[hypothesis]).toBeCloseTo(never.hypotheses[hypothesis], 9)
        }
      }),
      { seed: 12, numRuns: 25 },
    )
  })
})

describe('the wiring of a hypothesis', () => {
  it('is the kind that holds most over all degrees of its damage, not the single likeliest house', () => {
    const engine = furnaceEngine()
    fc.assert(
      fc.property(evidenceArb, (evidence) => {
        const { links, of } = engine.store.chains(latestAnswers(evidence.observations))
        const { kinds } = computePosterior(engine, evidence)
        for (let hypothesis = 0; hypothesis < kinds.length; hypothesis += 13) {
          const held = engine.kinds.map((_, kind) => {
            let sum = 0
            for (let place = houseOf(engine.houses, hypothesis, kind, 0); place < houseOf(engine.houses, hypothesis, kind + 1, 0); place++)
              sum += Math.exp(links[of[place]].log + engine.houses.logWeights[place])
            return sum
          })
          expect(held[kinds[hypothesis]]).toBeGreaterThanOrEqual(Math.max(...held) * (1 - 1e-9))
        }
      }),
      { seed: 13, numRuns: 25 },
    )
  })
})
