import { createBench } from '@/src/core/bench/bench'
import { computePosterior, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { liveHypotheses } from '@/src/core/diagnosis/planner/live-hypotheses'
import { rankChecks } from '@/src/core/diagnosis/planner/next-check'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { redundantWith } from '@/src/core/diagnosis/planner/redundancy'
import { type Probe, probeKey } from '@/src/core/readings/check'
import type { Observation } from '@/src/core/readings/observations'
import type { Point } from '@/src/core/wiring/point'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { furnaceEngine } from '@/tests/setup/furnace'

const engine = furnaceEngine()
const live = createBench(furnaceAc)
const volts = (a: Point, b: Point): Probe => ({ meter: 'volts', a, b })
const read = (probe: Probe, answer: Observation['answer']): Observation => ({ id: probeKey(probe), bench: live, probe, answer })

/** No power anywhere: what is between R and anything else says the same as R to C. */
const dead = [read(volts('R@indoor', 'C@indoor'), 0.02), read({ meter: 'look', at: 'fuse' }, { word: 'good' })]

describe('a check that would only say again what was read', () => {
  const hypotheses = liveHypotheses(engine, computePosterior(engine, { ...noEvidence, observations: dead }), true)
  const isRedundant = (probe: Probe) => {
    const predictionsOf = engine.store.predictions(live, [probe])
    return redundantWith(
      engine,
      hypotheses,
      dead,
    )(`${probe.meter} volts`, (row) => predictionsOf(hypotheses[row].index, hypotheses[row].kind)[0])
  }

  it('is one that every hypothesis left foretells like a reading that was taken', () => {
    expect(isRedundant(volts('R@indoor', 'C@indoor'))).toBe(true)
    expect(isRedundant(volts('R@indoor', 'W@indoor'))).toBe(true)
  })

  it('is not one at which the hypotheses part: the secondary before the fuse', () => {
    expect(isRedundant(volts('sec@indoor', 'C@indoor'))).toBe(false)
  })

  it('is not proposed, nor named among those that come closest', () => {
    const posterior = computePosterior(engine, { ...noEvidence, observations: dead })
    const asked = rankChecks(engine, posterior, live, dead, {}, 5)
    expect(asked.length).toBeGreaterThan(1)
    const idle = asked.filter(({ bench }) => bench.call === 'off' && bench.jumpers.length + bench.lifted.length === 0)
    expect(idle.map(({ probe }) => probeKey(probe))).not.toContain(probeKey(volts('R@indoor', 'W@indoor')))
  })
})

describe('a house of which nobody knows what ails it', () => {
  it('is run through its calls once the readings tell little', () => {
    // Read all over, and everything as it should be: what is left hides in many small doubts.
    let bench = live
    const observations: Observation[] = []
    const asked: string[] = []
    for (let count = 0; count < 14; count++) {
      const { next } = propose(engine, { ...noEvidence, observations }, bench)
      if (!next) break
      asked.push(next.probe.meter === 'look' ? next.probe.at : next.probe.meter)
      const sound = [...next.outcomes].sort((a, b) => b.probability - a.probability)
      const answer = next.probe.meter === 'look' ? soundLook(next.probe.at, sound[0].answer) : sound[0].answer
      observations.push({ id: String(count), bench: next.bench, probe: next.probe, answer })
      bench = next.bench
    }
    expect(asked.some((at) => at.startsWith('runs@'))).toBe(true)
  })

  const soundLook = (at: string, likeliest: Observation['answer']): Observation['answer'] =>
    at.startsWith('runs@') ? { word: 'as called' } : at.startsWith('landings@') ? { word: 'all landed' } : likeliest
})
