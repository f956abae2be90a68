import { type Bench, createBench } from '@/src/core/bench/bench'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { separationsOf } from '@/src/core/diagnosis/planner/separation'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { emptyComplaint } from '@/src/core/job/complaint'
import { createLaboratory } from '@/src/core/readings/laboratory'
import type { Observation } from '@/src/core/readings/observations'
import type { Point } from '@/src/core/wiring/point'
import { callsOf } from '@/src/core/wiring/system'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { engineOf, systemOf } from '@/tests/setup/engines'
import { looked, readVolts, separationIn } from '@/tests/setup/separations'

describe('a motor that stands still', () => {
  const { isMade, bench } = separationIn('furnace-ac', 'load-dead', 'blower')
  const fan = { ...bench, call: 'fan' as const }
  const jumped = { ...bench, jumpers: [{ a: 'R@indoor' as const, b: 'G@indoor' as const }] }
  const volts = (on: Bench) => readVolts(on, 'blower-line@indoor', 'N@indoor', 120)

  it('has its volts on the bench on which it was seen still: a relay that lets go warm is in on one and out on the other', () => {
    expect(isMade([volts(jumped), looked(fan, 'blower', 'still')])).toBe(false)
    expect(isMade([volts(jumped), looked(fan, 'runs@indoor', 'not as called')])).toBe(false)
    expect(isMade([volts(jumped), looked(fan, 'blower', 'still'), volts(fan)])).toBe(true)
    // Where it was not looked at by itself its volts are what is known of it.
    expect(isMade([volts(jumped)])).toBe(true)
  })
})

describe('an armature that is said not to move', () => {
  it('is looked at itself, on a call: amps and volts alone may be anything that was called', () => {
    const { ways, isMade, bench } = separationIn('furnace-ac', 'armature-jammed', 'contactor')
    const calls = ways(bench).map((way) => way.bench.call)
    expect(calls).toEqual(['cool'])
    expect(ways(bench).every(({ probe, place }) => probe.meter === 'look' && probe.at === 'contactor' && place === 'outdoor')).toBe(true)
    expect(isMade([looked(bench, 'contactor', 'out')])).toBe(false)
    expect(isMade([looked({ ...bench, call: 'cool' }, 'contactor', 'out')])).toBe(true)
  })
})

describe('an armature that stays out on few volts', () => {
  it('is fed alone before it is condemned: a sound one stays out on a supply that another load pulls down', () => {
    const system = systemById('rooftop-gas')
    const fault = system && enumerateFaults(system).find(({ id }) => id === 'armature-jammed:second-contactor')
    if (!system || !fault) throw new Error('no such fault')
    const bench = createBench(system)
    const onCall: Bench = { ...bench, call: 'cool-2' }
    const [byEye, byVolts] = separationsOf(createLaboratory(system, templateValues), fault)
    const sagged = readVolts(onCall, 'Y2@package', 'C@package', 19.8)
    expect(byEye.isMade([looked(onCall, 'second-contactor', 'out')])).toBe(true)
    expect(byVolts.isMade([looked(onCall, 'second-contactor', 'out'), sagged])).toBe(false)
    expect(byVolts.isMade([readVolts(onCall, 'Y2@package', 'C@package', 24.1)])).toBe(true)
    const alone = byVolts.ways(bench).filter(({ bench: { jumpers } }) => jumpers.length > 0)
    expect(alone.map(({ bench: { call, jumpers }, probe }) => [call, jumpers.map(({ b }) => b), probe])).toEqual([
      ['off', ['Y2@package'], { meter: 'look', at: 'second-contactor' }],
    ])
    expect(byVolts.isMade([sagged, looked(alone[0].bench, 'second-contactor', 'out')])).toBe(true)
  })
})

describe('a delay', () => {
  it('is waited out before it is named', () => {
    const { ways, isMade, bench } = separationIn('heat-pump-o', 'delay-running', 'defrost-board.Y-out')
    const [way] = ways(bench)
    expect(way.bench).toMatchObject({ power: true, since: { call: 'long', power: 'long' } })
    expect(way.bench.call).not.toBe('off')
    const atOnce = looked({ ...bench, place: 'outdoor', call: 'cool' }, 'compressor', 'off')
    expect(isMade([atOnce])).toBe(false)
    const waited = { ...atOnce, bench: { ...atOnce.bench, since: { call: 'long', power: 'long' } as const } }
    expect(isMade([waited])).toBe(true)
    // What the furnace does then says nothing of what the board outdoors gives out.
    expect(isMade([{ ...waited, bench: { ...waited.bench, place: 'indoor' } }])).toBe(false)
    expect(isMade([{ ...atOnce, bench: { ...atOnce.bench, since: { call: 'minutes', power: 'long' } } }])).toBe(false)
  })
})

it('a neutral is read across its load with a call on: a loose one sags under load, and reads full volts without one', () => {
  const { ways, isMade, bench } = separationIn('furnace-ac', 'neutral-open', 'furnace-supply')
  expect(ways(bench).every((way) => way.bench.power && way.bench.call !== 'off')).toBe(true)
  const read = (call: 'off' | 'cool') => readVolts({ ...bench, call }, 'L1-unit@indoor', 'N@indoor', 118)
  expect([isMade([read('off')]), isMade([read('cool')])]).toEqual([false, true])
})

describe('a broken conductor', () => {
  const system = systemById('furnace-ac')
  const fault = system && enumerateFaults(system).find(({ id }) => id === 'conductor-open:stat-cable.Y')
  if (!system || !fault) throw new Error('no such fault')
  const bench = createBench(system)
  const separations = separationsOf(createLaboratory(system, templateValues), fault)

  it('is read on its bare ends, with the call on: one that only came off its screw has its volts on the copper', () => {
    expect(separations.flatMap(({ ways }) => ways(bench))).toEqual(
      ['thermostat', 'indoor'].map((place) => ({
        bench: expect.objectContaining({ power: true, call: 'cool', lifted: [], jumpers: [] }),
        probe: { meter: 'volts', a: `stat-cable.Y@${place}`, b: `C@${place}` },
        place,
      })),
    )
  })

  it('is read by itself, too, with the wires off at both ends and the meter on one of them', () => {
    const lifted: Bench = { ...bench, power: false, lifted: ['stat-cable.Y@thermostat', 'stat-cable.Y@indoor'] }
    const at = (a: Point): Observation => ({ id: a, bench: lifted, probe: { meter: 'ohms', a, b: 'C@indoor' }, answer: 'OL' })
    expect(separations.map(({ isMade }) => isMade([at('Y@indoor')]))).toEqual([false, false])
    expect(separations.map(({ isMade }) => isMade([at('stat-cable.Y@indoor')]))).toEqual([false, true])
  })
})

it('no reading that stands apart joins R to a gas valve behind its ignition, on any system @long', () => {
  for (const system of catalogue) {
    const bench = createBench(system)
    const valves = system.parts.flatMap((part) => (part.kind === 'coil' && part.role === 'gas-valve' ? part.between : []))
    const behindBoards = system.parts.flatMap((part) => (part.kind === 'board' ? part.outputs.map(({ to }) => to) : []))
    const laboratory = createLaboratory(system, templateValues)
    for (const fault of enumerateFaults(system))
      for (const way of separationsOf(laboratory, fault).flatMap(({ ways }) => ways(bench))) {
        const joined = way.bench.jumpers.flatMap(({ a, b }) => [a, b]).map((point) => point.split('@', 1)[0])
        expect(joined.filter((name) => valves.includes(name) && behindBoards.includes(name))).toEqual([])
        expect(way.bench.power || way.bench.call === 'off').toBe(true)
        expect(['off', ...callsOf(system)]).toContain(way.bench.call)
      }
  }
})

it('of a run of two wires none is named before the bond was seen: without it a broken C reads at its end like a broken Y', () => {
  const id = 'air-handler-plain'
  const engine = engineOf(id)
  const found = createBench(systemOf(id))
  const cool: Bench = { ...found, call: 'cool', slot: { holds: 'breaker', ratingA: 3, open: false } }
  const outside = { ...cool, place: 'outdoor' }
  const steps: Observation[] = [
    looked(found, 'landings@indoor', 'all landed'),
    readVolts(cool, 'Y@indoor', 'C@indoor', 25.9),
    readVolts(outside, 'outdoor-cable.Y@outdoor', 'C@outdoor', 0.1),
    looked(outside, 'landings@outdoor', 'all landed'),
    readVolts(outside, 'C@outdoor', 'chassis@outdoor', 0.4),
    readVolts(outside, 'high-low@outdoor', 'C@outdoor', 0),
    // Taken once more: they are the ones that it hangs on.
    readVolts(outside, 'outdoor-cable.Y@outdoor', 'C@outdoor', 0.2),
    readVolts(outside, 'C@outdoor', 'chassis@outdoor', 0.5),
    readVolts(cool, 'outdoor-cable.Y@indoor', 'C@indoor', 25.8),
  ]
  const complaint = { ...emptyComplaint, symptoms: ['mode-dead' as const], call: 'cool' as const }
  const { next } = propose(engine, { complaint, observations: steps, repaired: [] }, cool)
  expect(next?.probe).toEqual({ meter: 'volts', a: 'R@indoor', b: 'chassis@indoor' })
})

describe('a flame that is not sensed', () => {
  const engine = engineOf('furnace-induced-draft')
  const heat: Bench = { ...createBench(engine.system), place: 'indoor', call: 'heat' }
  const seen = [
    looked({ ...heat, call: 'off' }, 'landings@indoor', 'all landed'),
    looked({ ...heat, place: 'thermostat' }, 'stat', 'shows a call'),
    readVolts(heat, 'W@indoor', 'C@indoor', 26.8),
    looked(heat, 'flame@ignition', 'lights and goes out'),
    looked(heat, 'gas-valve', 'in'),
  ]
  const complaint = { ...emptyComplaint, symptoms: ['mode-dead' as const], call: 'heat' as const }
  const proposedAfter = (observations: readonly Observation[]) => propose(engine, { ...noEvidence, complaint, observations }, heat)

  it('is read in its own current before the control or its rod is named: a switch that opens with the heat puts out a flame as well @long', () => {
    const { next, verdict } = proposedAfter(seen)
    expect(verdict).toBeNull()
    expect(next?.probe).toEqual({ meter: 'look', at: 'signal@ignition' })
    const named = proposedAfter([...seen, looked(heat, 'signal@ignition', 'low')])
    expect(named.verdict ?? named.next?.probe).not.toEqual(next?.probe)
  })
})

describe('a coil of a few shorted turns', () => {
  const { isMade, ways, bench } = separationIn('heat-pump-o', 'coil-shorted', 'valve', 1)
  const apart = (answer: number): Observation => ({
    id: `apart ${answer}`,
    bench: { ...bench, power: false, unplugged: ['valve'] },
    probe: { meter: 'ohms', a: 'valve.1@outdoor', b: 'valve.2@outdoor' },
    answer,
  })

  it('is one that no sound coil reads, or is unplugged live: what still pulls the supply down is something else', () => {
    expect(isMade([apart(0.4)])).toBe(true)
    expect(isMade([apart(11.6)])).toBe(false)
    expect(ways(bench)).toContainEqual(
      expect.objectContaining({ bench: expect.objectContaining({ power: true, call: 'cool', unplugged: ['valve'] }) }),
    )
    const unplugged = { ...bench, call: 'cool' as const, unplugged: ['valve'] }
    expect(isMade([apart(11.6), readVolts(unplugged, 'O@outdoor', 'C@outdoor', 21)])).toBe(true)
  })

  it('has its line read under the load: a loose leg ahead of the transformer sags under a sound coil, too', () => {
    const line = separationIn('heat-pump-o', 'coil-shorted', 'valve', 2)
    const primary = ['L1-unit', 'L2-unit'].map((name) => `${name}@indoor` as const)
    expect(line.isMade([apart(11.6)])).toBe(false)
    expect(line.isMade([apart(0.4)])).toBe(true)
    expect(line.isMade([apart(11.6), readVolts({ ...bench, call: 'cool' }, primary[0], primary[1], 239)])).toBe(true)
    expect(line.isMade([apart(11.6), readVolts(bench, primary[0], primary[1], 239)])).toBe(false)
  })
})
