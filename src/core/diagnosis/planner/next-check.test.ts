import fc from 'fast-check'
import { applyChange } from '@/src/core/bench/apply'
import type { Bench } from '@/src/core/bench/bench'
import { computePosterior, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { findNextCheck } from '@/src/core/diagnosis/planner/next-check'
import { planRoute } from '@/src/core/diagnosis/planner/route'
import { problemWithProbe } from '@/src/core/job/check-entry'
import { emptyComplaint, type Symptom } from '@/src/core/job/complaint'
import { symptoms } from '@/src/core/job/symptoms'
import type { Probe } from '@/src/core/readings/check'
import { questionKey } from '@/src/core/readings/observations'
import { isLinePoint } from '@/src/core/readings/predict'
import { isAlike } from '@/src/core/readings/prediction'
import { createRandom } from '@/src/core/units/random'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { benchWith, change, furnaceEngine } from '@/tests/setup/furnace'

const next = (bench: Bench = benchWith(), told: Symptom[] = [], skipped: readonly Probe[] = []) => {
  const engine = furnaceEngine()
  const posterior = computePosterior(engine, { ...noEvidence, complaint: { ...emptyComplaint, symptoms: told } })
  return findNextCheck(engine, posterior, bench, [], { skipped })
}

describe('findNextCheck', () => {
  it('is never unsafe and always possible, whatever the bench and the complaint', () => {
    const engine = furnaceEngine()
    const benchArb = fc.subarray([
      change.off,
      change.cool,
      change.breaker,
      change.jumperY,
      change.liftY,
      { do: 'walk', place: 'outdoor' } as const,
    ])
    fc.assert(
      fc.property(benchArb, fc.subarray([...symptoms], { maxLength: 2 }), fc.integer({ min: 1, max: 1000 }), (changes, told, seed) => {
        const bench = benchWith(...changes)
        const posterior = computePosterior(engine, { ...noEvidence, complaint: { ...emptyComplaint, symptoms: told } })
        // Shaken, so that the planner is seen on posteriors that no short list of readings reaches.
        const random = createRandom(seed)
        const shaken = posterior.hypotheses.map((weight) => weight * random.uniform() ** 6)
        const total = shaken.reduce((sum, weight) => sum + weight, 0)
        const check = findNextCheck(
          engine,
          { ...posterior, hypotheses: shaken.map((weight) => (0.98 * weight) / total), noneOfThese: 0.02 },
          bench,
          [],
        )
        if (!check) return
        let reached = bench
        for (const step of check.setup) {
          // Wires and plugs are only touched with the power off.
          if (['lift', 'land', 'unplug', 'plug', 'jumper', 'unjumper', 'slot'].includes(step.do)) expect(reached.power).toBe(false)
          const applied = applyChange(furnaceAc, reached, step)
          expect(applied).toMatchObject({ ok: true })
          if (applied.ok) reached = applied.bench
        }
        expect(problemWithProbe(furnaceAc, reached, check.probe)).toBeNull()
        expect(reached.place).toBe(check.place)
        if (check.probe.meter === 'ohms') expect(reached.power).toBe(false)
        if (check.probe.meter === 'volts' && [check.probe.a, check.probe.b].some((point) => isLinePoint(furnaceAc, point)))
          expect(check.caution).toMatch(/line voltage/i)
        expect(check.outcomes.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 6)
        expect(check.gainBits).toBeGreaterThan(0)
      }),
      { seed: 3, numRuns: 40 },
    )
  })

  it('does not ask again what was asked on the same bench, nor what was declined', () => {
    const engine = furnaceEngine()
    const first = next()
    if (!first) throw new Error('no check')
    const posterior = computePosterior(engine, noEvidence)
    const asked = [{ id: 'a', bench: first.bench, probe: first.probe, answer: first.outcomes[0].answer }]
    const second = findNextCheck(engine, posterior, benchWith(), asked)
    expect(second && questionKey(second.bench, second.probe)).not.toBe(questionKey(first.bench, first.probe))
    const declined = next(benchWith(), [], [first.probe])
    expect(declined?.probe).not.toEqual(first.probe)
  })

  it('prices the walk: the same check costs two minutes more from outdoors', () => {
    const indoors = next(benchWith(), ['mode-dead'])
    const outdoors = next(benchWith({ do: 'walk', place: 'outdoor' }), ['mode-dead'])
    expect(outdoors?.probe).toEqual(indoors?.probe)
    expect(outdoors?.setup).toContainEqual({ do: 'walk', place: 'indoor' })
    expect((outdoors?.minutes ?? 0) - (indoors?.minutes ?? 0)).toBeCloseTo(2)
  })

  it('asks where the technician stands when that tells enough', () => {
    expect(next(benchWith())?.place).toBe('indoor')
    const atTheWall = next(benchWith({ do: 'walk', place: 'thermostat' }))
    expect([atTheWall?.place, atTheWall?.setup]).toEqual(['thermostat', []])
  })

  it('says what each answer would mean', () => {
    for (const { meaning } of next(benchWith(), ['blank-thermostat'])?.outcomes ?? []) expect(meaning.length).toBeGreaterThan(5)
  })
})

describe('planRoute', () => {
  it('turns the power off before it moves a wire, and on again after', () => {
    const { changes, minutes } = planRoute(furnaceAc, benchWith(), benchWith(change.breaker, change.jumperY), 'indoor')
    expect(changes.map(({ do: act }) => act)).toEqual(['power', 'jumper', 'slot', 'power'])
    expect(minutes).toBeGreaterThan(1)
  })

  it('walks as little as it can and prices each walk', () => {
    const far = benchWith(change.off, { do: 'lift', end: 'outdoor-cable.Y@outdoor' })
    const { changes, minutes } = planRoute(furnaceAc, benchWith(), far, 'outdoor')
    expect(changes.filter(({ do: act }) => act === 'walk')).toEqual([{ do: 'walk', place: 'outdoor' }])
    expect(minutes).toBeCloseTo(0.3 + 2 + 0.5)
  })

  it('does nothing when the bench is there already', () => {
    expect(planRoute(furnaceAc, benchWith(change.cool), benchWith(change.cool), 'indoor')).toMatchObject({ changes: [], minutes: 0 })
  })
})

describe('what comes and goes', () => {
  /** A posterior that holds nothing but these hypotheses. */
  const holding = (weights: Readonly<Record<string, number>>) => {
    const engine = furnaceEngine()
    const posterior = computePosterior(engine, noEvidence)
    for (const id of Object.keys(weights)) expect(engine.hypotheses.map((hypothesis) => hypothesis.id)).toContain(id)
    return { ...posterior, hypotheses: Float64Array.from(engine.hypotheses, ({ id }) => weights[id] ?? 0), noneOfThese: 0 }
  }
  const unsteady = { 'conductor-to-chassis:outdoor-cable.Y now and then': 0.49, 'conductor-to-chassis:stat-cable.W now and then': 0.49 }
  const steady = { 'transformer-dead:transformer.primary': 0.01, 'conductor-open:stat-cable.G': 0.01 }

  const isSplit = (weights: Readonly<Record<string, number>>, [one, other]: readonly string[]): boolean => {
    const engine = furnaceEngine()
    const check = findNextCheck(engine, holding(weights), benchWith(), [])
    if (!check) throw new Error('nothing is asked')
    const predicted = engine.store.predictions(check.bench, [check.probe])
    const [a, b] = [one, other].map(
      (id) =>
        predicted(
          engine.hypotheses.findIndex((hypothesis) => hypothesis.id === id),
          0,
        )[0],
    )
    return !isAlike(a, b)
  }

  it('is asked about as soon as it holds nearly all, however well a check would split the rest', () => {
    expect(isSplit({ ...unsteady, ...steady }, Object.keys(unsteady))).toBe(true)
  })

  it('waits while what stands still holds most', () => {
    const most = Object.fromEntries(Object.entries(steady).map(([id]) => [id, 0.45]))
    const little = Object.fromEntries(Object.entries(unsteady).map(([id]) => [id, 0.05]))
    expect(isSplit({ ...most, ...little }, Object.keys(steady))).toBe(true)
  })
})
