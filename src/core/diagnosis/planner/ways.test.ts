import { createBench } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { priceWays, propose } from '@/src/core/diagnosis/planner/propose'
import { stagesOf } from '@/src/core/diagnosis/planner/ways'
import { foldJob } from '@/src/core/job/fold'
import { waysOfWorking } from '@/src/core/job/ways'
import { createDemoJob } from '@/src/core/practice/demo'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { furnaceEngine } from '@/tests/setup/furnace'

const bench = createBench(furnaceAc)
const tripsOf = (way: 'take-off' | 'add-on' | 'halve') =>
  stagesOf(furnaceAc, bench, way)
    .flat()
    .filter(({ probes }) => probes.length === 1 && probes[0].probe.meter === 'trip')
    .map((candidate) => candidate.bench)

describe('stagesOf', () => {
  it('takes calls off one by one from all joined, and adds them one by one from none', () => {
    const calls = (way: 'take-off' | 'add-on') =>
      tripsOf(way)
        .slice(0, 4)
        .map(({ jumpers }) => jumpers.length)
    expect(calls('take-off')).toEqual([3, 2, 1, 0])
    expect(calls('add-on')).toEqual([0, 1, 2, 3])
  })

  it('never puts C into the bundle', () => {
    for (const way of ['take-off', 'add-on', 'halve'] as const)
      for (const { jumpers } of tripsOf(way)) for (const { a, b } of jumpers) expect(`${a} ${b}`).not.toMatch(/\bC@|chassis/)
  })

  it('halves by taking the outdoor cable off first, then the stat cable, then the thermostat', () => {
    const [joined, outdoor, stat, wall] = tripsOf('halve')
    expect(joined.lifted).toEqual([])
    expect(outdoor.lifted).toEqual(['outdoor-cable.Y@indoor', 'outdoor-cable.C@indoor'])
    expect(stat.lifted).toContain('stat-cable.R@indoor')
    expect(wall.unplugged).toEqual(['stat'])
  })

  it('asks for nothing live when only ohms are wanted, until ohms can tell no more', () => {
    const stages = stagesOf(furnaceAc, bench, 'ohms')
    const before = stages.slice(1, -1).flat()
    expect(before.length).toBeGreaterThan(20)
    expect(before.every((candidate) => !candidate.bench.power)).toBe(true)
  })
})

describe('priceWays', () => {
  const prices = priceWays(furnaceEngine(), noEvidence, bench, [])

  it('puts every way beside the free choice, each with a check of its own kind', () => {
    expect(prices.map(({ way }) => way)).toEqual([...waysOfWorking])
    const ohms = prices.find(({ way }) => way === 'ohms')?.next
    expect(ohms?.probe.meter === 'look' || ohms?.bench.power === false).toBe(true)
    expect(prices.find(({ way }) => way === 'numbers')?.next?.probe.meter).toMatch(/volts|look/)
  })

  it('has no way whose next check tells clearly more per minute than the free choice, which looks one check further', () => {
    const rate = (way: string) => {
      const next = prices.find((price) => price.way === way)?.next
      return next ? next.gainBits / (next.minutes + 1) : 0
    }
    for (const { way } of prices) expect(rate(way)).toBeLessThanOrEqual(1.05 * rate('free'))
    expect(prices[0].minutesLeft).toBeGreaterThan(2)
  })

  it('is at the demo job what each way would ask there, without a walk for a look at its odds', () => {
    const demo = createDemoJob('demo', new Date('2026-05-04T09:00:00Z'))
    const engine = createEngine(demo.system)
    const state = foldJob(demo.system, demo.entries)
    const evidence = { ...noEvidence, complaint: state.complaint, observations: state.observations }
    for (const { way, next, minutesLeft } of priceWays(engine, evidence, state.bench, state.skipped)) {
      expect(next).toEqual(propose(engine, evidence, state.bench, { way, skipped: state.skipped }).next)
      expect(next?.setup.filter((change) => change.do === 'walk')).toEqual([])
      expect(minutesLeft).toBeLessThan(20)
    }
  })

  it('is what the search follows when a way is chosen', () => {
    expect(propose(furnaceEngine(), noEvidence, bench, { way: 'ohms' }).next).toEqual(prices.find(({ way }) => way === 'ohms')?.next)
  })
})
