import { applyChange } from '@/src/core/bench/apply'
import { type Bench, type BenchChange, createBench } from '@/src/core/bench/bench'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { propose } from '@/src/core/diagnosis/planner/propose'
import type { Answer, Probe } from '@/src/core/readings/check'
import type { Observation } from '@/src/core/readings/observations'
import type { Point } from '@/src/core/wiring/point'
import { engineOf } from '@/tests/setup/engines'

describe('a short under which all runs, and on which nothing opens', () => {
  const engine = engineOf('furnace-induced-draft')
  const bench: Bench = { ...createBench(engine.system), slot: { holds: 'breaker', ratingA: 3, open: false } }
  const seen = (call: Bench['call'], place: string, probe: Probe, answer: Answer): Observation => ({
    id: `${call} ${place} ${probe.meter}`,
    bench: { ...bench, call, place },
    probe,
    answer,
  })
  const runs = (call: Bench['call'], place: string) => seen(call, place, { meter: 'look', at: `runs@${place}` }, { word: 'as called' })
  const metal = { meter: 'volts', a: 'R@indoor', b: 'chassis@indoor' } as const
  const checked = [
    runs('off', 'indoor'),
    runs('fan', 'indoor'),
    runs('fan', 'outdoor'),
    runs('cool', 'outdoor'),
    runs('heat', 'indoor'),
    seen('heat', 'indoor', metal, 24.2),
  ]

  it('is looked for in the amps of the call before one walks off and leaves the transformer to it @long', () => {
    const { next } = propose(engine, { ...noEvidence, observations: checked }, { ...bench, call: 'heat', place: 'indoor' })
    expect(next?.probe).toEqual({ meter: 'amps', on: 'fuse' })
    expect(next?.setup).toEqual([])
  })

  it('is not left on once the amps have told of it, and is looked for with the power off @long', () => {
    const observations = [...checked, seen('heat', 'indoor', { meter: 'amps', on: 'fuse' }, 4)]
    const { next } = propose(engine, { ...noEvidence, observations }, { ...bench, call: 'heat', place: 'indoor' })
    expect(next?.bench.power).toBe(false)
    expect(next?.probe.meter).toBe('ohms')
  })
})

describe('a complaint whose call would burn out the transformer', () => {
  const engine = engineOf('heat-pump-o')
  const ohms = (a: Point, b: Point): Probe => ({ meter: 'ohms', a, b })
  const volts = (a: Point, b: Point): Probe => ({ meter: 'volts', a, b })
  const lift = (end: Point): BenchChange => ({ do: 'lift', end })
  const land = (end: Point): BenchChange => ({ do: 'land', end })
  /** Cool is dead: something of 11 ohm is wired across the reversing valve, and all that speaks of it was read with the power off. */
  const read: readonly (readonly [readonly BenchChange[], Probe, Answer])[] = [
    [[], { meter: 'look', at: 'landings@indoor' }, { word: 'all landed' }],
    [
      [
        { do: 'walk', place: 'thermostat' },
        { do: 'call', call: 'cool' },
      ],
      { meter: 'look', at: 'stat' },
      { word: 'shows a call' },
    ],
    [[], volts('R@thermostat', 'Y@thermostat'), 0.14],
    [[], volts('Y@thermostat', 'C@thermostat'), 18.65],
    [
      [
        { do: 'call', call: 'off' },
        { do: 'walk', place: 'indoor' },
        { do: 'power', on: false },
      ],
      ohms('Y@indoor', 'C@indoor'),
      10.8,
    ],
    [[], ohms('O@indoor', 'C@indoor'), 8.3],
    [[lift('outdoor-cable.O@indoor')], ohms('outdoor-cable.O@indoor', 'chassis@indoor'), 8.4],
    [[lift('outdoor-cable.C@indoor')], ohms('outdoor-cable.C@indoor', 'outdoor-cable.O@indoor'), 8.4],
    [[land('outdoor-cable.C@indoor')], ohms('outdoor-cable.O@indoor', 'outdoor-cable.R@indoor'), 8.8],
    [
      [
        { do: 'walk', place: 'outdoor' },
        { do: 'unplug', part: 'valve' },
      ],
      ohms('valve.1@outdoor', 'valve.2@outdoor'),
      24.3,
    ],
    [[lift('outdoor-cable.O@outdoor')], ohms('O@outdoor', 'C@outdoor'), 11.2],
    [[], ohms('O-out@outdoor', 'chassis@outdoor'), 11.3],
    [[], ohms('O@outdoor', 'chassis@outdoor'), 11.3],
    [[{ do: 'plug', part: 'valve' }], ohms('O@outdoor', 'C@outdoor'), 7.9],
    [[lift('outdoor-cable.C@outdoor')], ohms('outdoor-cable.C@outdoor', 'outdoor-cable.Y@outdoor'), 'OL'],
    [[], ohms('R@outdoor', 'C@outdoor'), 3490],
  ]

  it('is not made to show once the ohms have told what is wrong @long', () => {
    let bench = createBench(engine.system)
    const observations = read.map(([changes, probe, answer], index): Observation => {
      for (const change of changes) {
        const applied = applyChange(engine.system, bench, change)
        if (!applied.ok) throw new Error(applied.problem)
        bench = applied.bench
      }
      return { id: String(index), bench, probe, answer }
    })
    const complaint = { ...noEvidence.complaint, symptoms: ['mode-dead' as const], call: 'cool' as const }
    const { next, verdict } = propose(engine, { ...noEvidence, complaint, observations }, bench)
    expect(next?.bench.power ?? false).toBe(false)
    expect(verdict && 'repair' in verdict && verdict.repair.id).toBe('accessory:valve')
  })
})
