import { type Bench, createBench } from '@/src/core/bench/bench'
import { PredictionTask } from '@/src/core/diagnosis/likelihood/prediction-task'
import { causeIndex } from '@/src/core/readings/causes'
import type { Probe } from '@/src/core/readings/check'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { predict } from '@/src/core/readings/predict'
import type { Prediction } from '@/src/core/readings/prediction'
import { minutesThatMatter } from '@/src/core/readings/waiting'
import { quantile } from '@/src/core/units/quantile'
import { templateValues } from '@/src/core/wiring/values'
import { engineOf } from '@/tests/setup/engines'

const engine = engineOf('zoned-furnace-ac')
const off = { ...createBench(engine.system), power: false }
const throughValve: Probe = { meter: 'ohms', a: 'W@indoor', b: 'C@indoor' }
const throughContactor: Probe = { meter: 'ohms', a: 'Y@indoor', b: 'C@indoor' }
const taskOf = (probe: Probe, laboratory = engine.laboratory) => new PredictionTask(laboratory, engine.hypothesesByKind, off, probe)

const asItIs = (prediction: Prediction) => prediction
const isOther = () => true

/** How far two predictions of the same shape are apart, in widths. */
const apart = (one: Prediction, other: Prediction): number =>
  Math.max(
    ...one.map(({ at, sigma }, place) => {
      const beside = other[place]?.at
      if (typeof at === 'number' && typeof beside === 'number') return Math.abs(at - beside) / sigma
      return JSON.stringify(at) === JSON.stringify(beside) ? 0 : Number.POSITIVE_INFINITY
    }),
  )

describe('one reading predicted for every house', () => {
  it.each([throughValve, throughContactor])('is in a house of other coils what it would be when worked out there: %j', (probe) => {
    const other = createLaboratory(engine.system, { ...templateValues, coilOhm: { contactor: 0.5, 'blower-relay': 1.6 } })
    const plain = taskOf(probe).finish()
    const [moved, anew] = [taskOf(probe).finishIn(other, isOther, asItIs), taskOf(probe, other).finish()]
    const far: number[] = []
    let changed = 0
    for (const [house, place] of moved.of.entries()) {
      far.push(apart(moved.predictions[place], anew.predictions[anew.of[house]]))
      if (apart(plain.predictions[plain.of[house]], moved.predictions[place]) > 1) changed++
    }
    expect(Math.max(...far)).toBeLessThan(1)
    expect(quantile(far, 0.99)).toBeLessThan(0.25)
    expect(changed).toBeGreaterThan(0)
  })

  it('is left as it is where it leans on no coil that is another there', () => {
    const other = createLaboratory(engine.system, { ...templateValues, coilOhm: { contactor: 0.5 } })
    const contactor = causeIndex.of(engine.system).get('ohms:contactor')
    const leansOnContactor = (prediction: Prediction) =>
      prediction.some(({ leans = [], sigma }) => leans.some(({ cause, by }) => cause === contactor && Math.abs(by) > 0.1 * sigma))
    const task = taskOf(throughContactor)
    const here = task.finish().predictions
    const there = task.finishIn(other, leansOnContactor, asItIs).predictions
    const changed = here.filter((prediction, place) => apart(prediction, there[place]) > 0.5)
    expect(changed.length).toBeGreaterThan(0)
    expect(changed.filter((prediction) => !leansOnContactor(prediction))).toEqual([])
    expect(here.filter((prediction, place) => prediction === there[place]).length).toBeGreaterThan(0)
  })

  it.each([[{ call: 'moment', power: 'fresh' }], [{ call: 'minutes', power: 'long' }], [{ call: 'long', power: 'fresh' }]] as const)(
    'is the same when it is taken from a bench of other minutes as when it is predicted anew: %j @long',
    (since) => {
      const { laboratory, hypothesesByKind } = engineOf('heat-pump-o')
      const probes: Probe[] = [
        { meter: 'volts', a: 'Y@outdoor', b: 'C@outdoor' },
        { meter: 'look', at: 'contactor' },
      ]
      for (const probe of probes) {
        const bench: Bench = { ...createBench(laboratory.system), call: 'cool', since }
        const plain = minutesThatMatter(laboratory, bench)
        const before = new PredictionTask(laboratory, hypothesesByKind, plain, probe)
        before.finish()
        const [derived, anew] = [before, null].map((same) => new PredictionTask(laboratory, hypothesesByKind, bench, probe, same).finish())
        for (const [house, place] of derived.of.entries())
          expect(apart(derived.predictions[place], anew.predictions[anew.of[house]])).toBeLessThan(1)
        const weights = (all: typeof anew) =>
          [...all.of].map((place) => all.predictions[place].map(({ weight }) => weight.toFixed(3)).join())
        expect(weights(derived)).toEqual(weights(anew))
      }
    },
  )

  it('comes to the same in pieces as at once', () => {
    const inPieces = taskOf(throughValve)
    for (const piece of inPieces.pieces()) piece()
    expect(inPieces.finish()).toEqual(taskOf(throughValve).finish())
  })

  it('keeps coils of the same ohms apart, for each may be another: a wire on a wrong screw reads the next coil', () => {
    const heatPump = engineOf('heat-pump-o')
    const cold = { ...createBench(heatPump.system), power: false }
    const { predictions, of } = new PredictionTask(heatPump.laboratory, heatPump.hypothesesByKind, cold, throughContactor).finish()
    const coilOf = (prediction: Prediction) =>
      prediction[0]?.leans?.reduce((most, lean) => (Math.abs(lean.by) > Math.abs(most.by) ? lean : most), { cause: -1, by: 0 }).cause
    const mistaken = heatPump.hypotheses.filter((hypothesis, index) => {
      if (heatPump.houses.degrees[index] > 1) return false
      const own = predict(heatPump.laboratory, cold, hypothesis, throughContactor, true)
      return coilOf(own) !== coilOf(predictions[of[heatPump.houses.first[index]]])
    })
    expect(mistaken.map(({ id }) => id)).toEqual([])
  })
})
