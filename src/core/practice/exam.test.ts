import { createBench } from '@/src/core/bench/bench'
import type { Engine } from '@/src/core/diagnosis/engine'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { emptyComplaint } from '@/src/core/job/complaint'
import {
  calibrate,
  claimOf,
  drawCase,
  equalCostSolver,
  isMet,
  leastChecks,
  type Sitting,
  shareOf,
  sit,
  waySolver,
} from '@/src/core/practice/exam'
import { habitNames, habitSolver, isMeantFor, MOST_HABIT_CHECKS } from '@/src/core/practice/habits'
import type { Hypothesis } from '@/src/core/readings/hypothesis'
import { createRandom } from '@/src/core/units/random'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { engineOf } from '@/tests/setup/engines'
import { furnaceEngine } from '@/tests/setup/furnace'

describe('shareOf', () => {
  it('keeps the doubt of small numbers (published values of the Wilson interval)', () => {
    expect(shareOf(10, 10)).toMatchObject({ share: 1, high: 1 })
    expect(shareOf(10, 10).low).toBeCloseTo(0.722, 2)
    expect(shareOf(50, 100).low).toBeCloseTo(0.404, 2)
    expect(shareOf(50, 100).high).toBeCloseTo(0.596, 2)
  })
})

describe('calibrate', () => {
  it('holds what was claimed against what was right', () => {
    const sitting = (probability: number, right: boolean, asGroup = false): Sitting => ({
      hidden: '',
      family: '',
      right,
      asGroup,
      trial: {
        verdict: { found: 'nothing-wrong', probability, suspects: [] },
        checks: 1,
        minutes: 1,
        lead: '',
        trips: 0,
        fuses: 0,
        cooked: 0,
        observations: [],
        bench: createBench(furnaceAc),
      },
    })
    const claims = [sitting(0.96, true), sitting(0.97, false), sitting(0.6, true), sitting(0.6, true, true)]
    expect(calibrate(claims.flatMap((one) => claimOf(one) ?? []))).toEqual([
      { claimed: 0.6, right: 0.5, n: 2 },
      { claimed: 0.965, right: 0.5, n: 2 },
    ])
  })
})

describe('an examined house', () => {
  it('is solved although its part values are drawn wider than the engine assumes @long', () => {
    const random = createRandom(12)
    const sittings = ['conductor-open:outdoor-cable.Y', 'ends-swapped:stat-cable.Y+G@indoor', 'coil-open:gas-valve'].map((id) =>
      sit(furnaceEngine(), drawCase(furnaceEngine(), random, id)),
    )
    expect(sittings.map(({ right }) => right)).toEqual([true, true, true])
  })
})

describe('what the exam hides', () => {
  it('is no code of a thermostat that guards no outputs: it would show nowhere', () => {
    const codes = ({ faults }: Engine) => faults.filter(({ family }) => family === 'thermostat-false-code')
    const guarding = engineOf('rooftop-gas')
    expect(codes(furnaceEngine()).map((fault) => isMet(furnaceEngine(), fault))).toEqual([false])
    expect(codes(guarding).map((fault) => isMet(guarding, fault))).toEqual([true])
  })

  it('is a delay that runs out as it does in a house: waited out, nothing is wrong @long', () => {
    const engine = engineOf('heat-pump-o')
    const { trial, right } = sit(engine, drawCase(engine, createRandom(4), 'delay-running:defrost-board.Y-out'))
    expect(right).toBe(true)
    expect(trial.verdict && 'repair' in trial.verdict ? trial.verdict.repair.id : trial.verdict?.found).not.toBe('replace:defrost-board')
  })
})

describe('the other solvers, on the same house', () => {
  const engine = furnaceEngine()
  const drawn = drawCase(engine, createRandom(21), 'conductor-open:outdoor-cable.Y')

  it('find it too by every way of working, and the house stays the same for each of them @long', () => {
    for (const way of ['take-off', 'numbers'] as const) {
      const sitting = sit(engine, drawn, waySolver(way))
      expect([way, sitting.right]).toEqual([way, true])
      expect(sitting.hidden).toBe(drawn.hypothesis.id)
    }
  })

  it('find a short by each habit that is meant for it, narrowing as they go @long', () => {
    const short = drawCase(engine, createRandom(24), 'conductor-to-chassis:outdoor-cable.Y')
    const told = { ...short, complaint: { ...emptyComplaint, symptoms: ['fuse-on-call' as const], call: 'cool' as const } }
    for (const name of habitNames.filter((one) => isMeantFor(one, told.complaint))) {
      const { trial, right } = sit(engine, told, habitSolver(name), { mostChecks: MOST_HABIT_CHECKS })
      expect([name, right, trial.checks < 30]).toEqual([name, true, true])
    }
  })

  it('hunt what blows with nothing called on R first, with the fuse out', () => {
    const short = drawCase(engine, createRandom(25), 'conductor-to-chassis:stat-cable.R')
    const told = { ...short, complaint: { ...emptyComplaint, symptoms: ['fuse-at-power-up' as const] } }
    const { trial, right } = sit(engine, told, habitSolver('ohms first'), { mostChecks: MOST_HABIT_CHECKS })
    const ohms = trial.observations.filter(({ probe }) => probe.meter === 'ohms')
    expect(right).toBe(true)
    expect(ohms[0]).toMatchObject({ bench: { slot: { holds: 'nothing' } }, probe: { a: 'R@indoor' } })
  })

  it('go on to the wire outdoors that hangs behind a float, and to what it feeds @long', () => {
    const behindFloat = engineOf('furnace-no-common')
    const short = drawCase(behindFloat, createRandom(27), 'coil-shorted:contactor')
    const told = { ...short, complaint: { ...emptyComplaint, symptoms: ['fuse-on-call' as const], call: 'cool' as const } }
    const { trial, right } = sit(behindFloat, told, habitSolver('ohms first'), { mostChecks: MOST_HABIT_CHECKS })
    expect(right).toBe(true)
    expect(trial.observations.some(({ probe }) => probe.meter === 'ohms' && probe.a.startsWith('outdoor-cable.Y@'))).toBe(true)
  })

  it('hunt a short where the call that is followed opens the fuse, and ask no more of it live @long', () => {
    const short = drawCase(engine, createRandom(28), 'conductor-to-chassis:outdoor-cable.Y')
    const told = { ...short, complaint: { ...emptyComplaint, symptoms: ['mode-dead' as const], call: 'cool' as const } }
    const { trial, right } = sit(engine, told, habitSolver('follow the call'), { mostChecks: MOST_HABIT_CHECKS })
    expect(right).toBe(true)
    expect(trial.trips).toBeLessThan(3)
    expect(trial.observations.some(({ probe }) => probe.meter === 'ohms')).toBe(true)
  })

  it('look at what a call should bring on, and follow no other @long', () => {
    const induced = engineOf('furnace-induced-draft')
    const jammed = drawCase(induced, createRandom(3), 'armature-jammed:inducer-relay')
    const told = { ...jammed, complaint: { ...emptyComplaint, symptoms: ['mode-dead' as const], call: 'heat' as const } }
    const { trial } = sit(induced, told, habitSolver('follow the call'), { mostChecks: MOST_HABIT_CHECKS })
    expect(trial.observations.map(({ probe }) => probe)).toContainEqual({ meter: 'look', at: 'inducer-relay' })
    expect(trial.observations.map(({ bench }) => bench.call)).not.toContain('cool')
  })

  it('follow a dead call from the thermostat to where the volts end', () => {
    const dead = { ...drawn, complaint: { ...emptyComplaint, symptoms: ['mode-dead' as const], call: 'cool' as const } }
    const followed = sit(engine, dead, habitSolver('follow the call'), { mostChecks: MOST_HABIT_CHECKS })
    expect(followed.right).toBe(true)
    expect(habitNames.filter((name) => isMeantFor(name, dead.complaint))).toEqual(['follow the call'])
  })

  it('at equal cost need no fewer checks than the answers can carry bits @long', () => {
    const { solver, answerBits } = equalCostSolver()
    const { trial } = sit(engine, drawn, solver)
    expect(answerBits).toHaveLength(trial.checks)
    const least = leastChecks(engine, drawn, answerBits)
    expect(least.byEntropy).toBeGreaterThan(0.5)
    // Four times as many bits an answer, a quarter of the checks.
    const carryingMore = leastChecks(
      engine,
      drawn,
      answerBits.map((bits) => 4 * bits),
    )
    expect(carryingMore.byEntropy).toBeCloseTo(least.byEntropy / 4, 6)
    expect(carryingMore.ofThis).toBeCloseTo(least.ofThis / 4, 6)
  })

  it('is longer for a repair that is rarely met, and over all repairs as often as they are met it is the entropy', () => {
    const complaint = emptyComplaint
    const lengthOf = (hypothesis: Hypothesis) => leastChecks(engine, { complaint, hypothesis }, [1]).ofThis
    const hypothesis = (id: string) => engine.hypotheses.find((one) => one.id === id) ?? engine.hypotheses[0]
    expect(lengthOf(hypothesis('landed-wrong:stat-cable.Y@thermostat>C'))).toBeGreaterThan(lengthOf(hypothesis('switch-open:float')) + 1)
    const { posterior } = weigh(engine, noEvidence)
    const mean = engine.hypotheses.reduce((sum, one, index) => sum + posterior.hypotheses[index] * lengthOf(one), 0)
    // None of these has no word; what is left open at the end is counted otherwise by a few hundredths.
    expect(Math.abs(mean - leastChecks(engine, { complaint, hypothesis: engine.hypotheses[0] }, [1]).byEntropy)).toBeLessThan(0.4)
  })
})
