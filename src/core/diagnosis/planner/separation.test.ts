import { type Bench, createBench } from '@/src/core/bench/bench'
import { computePosterior, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { listSuspects } from '@/src/core/diagnosis/inference/suspects'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { separationsOf } from '@/src/core/diagnosis/planner/separation'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import type { FaultFamily } from '@/src/core/faults/families'
import { emptyComplaint } from '@/src/core/job/complaint'
import { createLaboratory } from '@/src/core/readings/laboratory'
import type { Observation } from '@/src/core/readings/observations'
import { type Point, terminalPoint } from '@/src/core/wiring/point'
import { callsOf, firstPart } from '@/src/core/wiring/system'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { engineOf, systemOf } from '@/tests/setup/engines'

function separationIn(id: string, family: FaultFamily, spot: string, place = 0) {
  const system = systemById(id)
  const fault = system && enumerateFaults(system).find((one) => one.family === family && one.id.endsWith(spot))
  const separation = system && fault ? separationsOf(createLaboratory(system, templateValues), fault)[place] : undefined
  if (!system || !separation) throw new Error(`${id} has nothing that stands apart for ${family} ${spot}`)
  return { ...separation, bench: createBench(system) }
}

const looked = (bench: Observation['bench'], at: string, word: string): Observation => ({
  id: `${at} ${word}`,
  bench,
  probe: { meter: 'look', at },
  answer: { word },
})

const readVolts = (bench: Observation['bench'], a: Point, b: Point, answer: number): Observation => ({
  id: `${a} ${answer}`,
  bench,
  probe: { meter: 'volts', a, b },
  answer,
})

describe('a thermostat that does not close', () => {
  const { ways, isMade, bench } = separationIn('furnace-ac', 'thermostat-not-closing', 'stat.W')
  const heat = { ...bench, call: 'heat' as const }
  const across: Observation = { id: 'across', bench: heat, probe: { meter: 'volts', a: 'R@thermostat', b: 'W@thermostat' }, answer: 26.4 }

  it('is jumped past, live, at the unit or at the wall: it might have let go of a short', () => {
    expect(ways(heat)).toContainEqual({
      bench: expect.objectContaining({ power: true, call: 'off', jumpers: [{ a: 'R@indoor', b: 'W@indoor' }] }),
      probe: { meter: 'volts', a: 'W@indoor', b: 'C@indoor' },
      place: 'indoor',
    })
    const [way] = ways(heat)
    expect(isMade([{ id: 'jumped', bench: way.bench, probe: way.probe, answer: 26 }])).toBe(true)
  })

  it('is not taken at the volts across it alone, but with a display that shows the call beside them', () => {
    expect(isMade([across, looked(heat, 'stat', 'alive')])).toBe(false)
    expect(isMade([across, looked(heat, 'stat', 'shows a call')])).toBe(true)
    expect(isMade([across, looked({ ...bench, call: 'cool' }, 'stat', 'shows a call')])).toBe(false)
  })
})

describe('what a thermostat does, by the meter on its own call', () => {
  const { ways, isMade, bench } = separationIn('furnace-ac', 'thermostat-not-closing', 'stat.W', 1)
  const heat = { ...bench, call: 'heat' as const }

  it('is read before it is replaced: with it jumped past all runs in a sound house, too', () => {
    const past = { ...bench, jumpers: [{ a: 'R@indoor' as const, b: 'W@indoor' as const }] }
    expect(isMade([readVolts(past, 'W@indoor', 'C@indoor', 26), looked(heat, 'runs@indoor', 'not as called')])).toBe(false)
    expect(ways(bench)).toContainEqual(
      expect.objectContaining({
        bench: expect.objectContaining({ call: 'heat' }),
        probe: { meter: 'volts', a: 'R@thermostat', b: 'W@thermostat' },
      }),
    )
    expect(isMade([readVolts(heat, 'W@indoor', 'C@indoor', 0.1)])).toBe(true)
    expect(isMade([readVolts({ ...bench, call: 'cool' }, 'W@indoor', 'C@indoor', 0.1)])).toBe(false)
  })
})

describe('what stays on with nothing called', () => {
  it('is a welded contact only with nothing on its coil', () => {
    const { isMade, bench } = separationIn('furnace-ac', 'contact-welded', 'blower-relay')
    expect(isMade([readVolts(bench, 'blower-line@indoor', 'N@indoor', 120), looked(bench, 'runs@indoor', 'not as called')])).toBe(false)
    expect(isMade([readVolts(bench, 'G@indoor', 'C@indoor', 0.2)])).toBe(true)
    expect(isMade([looked({ ...bench, unplugged: ['blower-relay'] }, 'blower', 'runs')])).toBe(true)
  })

  it('is seen to be in with nothing called: on another call something may feed it', () => {
    const { ways, isMade, bench } = separationIn('furnace-no-common', 'contact-welded', 'contactor', 1)
    expect(isMade([looked({ ...bench, call: 'fan' }, 'contactor', 'in')])).toBe(false)
    expect(isMade([looked(bench, 'contactor', 'in')])).toBe(true)
    expect(isMade([looked(bench, 'compressor', 'runs')])).toBe(true)
    expect(ways({ ...bench, call: 'fan' })).toEqual([
      expect.objectContaining({ probe: { meter: 'look', at: 'contactor' }, bench: expect.objectContaining({ call: 'off', power: true }) }),
    ])
  })

  it('is the thermostat only with that off the wall, or its wire', () => {
    const { ways, isMade, bench } = separationIn('furnace-ac', 'thermostat-stuck-closed', 'stat.W')
    expect(isMade([readVolts(bench, 'W@indoor', 'C@indoor', 26)])).toBe(false)
    expect(isMade([readVolts({ ...bench, unplugged: ['stat'] }, 'W@indoor', 'C@indoor', 0.1)])).toBe(true)
    // Another wire, read while the thermostat happens to be off, says nothing of this one.
    expect(isMade([readVolts({ ...bench, unplugged: ['stat'] }, 'outdoor-cable.Y@indoor', 'C@indoor', 0.1)])).toBe(false)
    expect(ways(bench)).toContainEqual(
      expect.objectContaining({
        bench: expect.objectContaining({ unplugged: ['stat'] }),
        probe: { meter: 'volts', a: 'W@indoor', b: 'C@indoor' },
      }),
    )
  })
})

describe('low volts behind the fuse', () => {
  it('are its holder only where the holder itself loses them under a load', () => {
    const { isMade, bench } = separationIn('furnace-ac', 'fuse-clip-loose', 'fuse')
    const heat = { ...bench, call: 'heat' as const }
    expect(isMade([readVolts(heat, 'R@indoor', 'C@indoor', 14)])).toBe(false)
    expect(isMade([readVolts(bench, 'sec@indoor', 'R@indoor', 0)])).toBe(false)
    expect(isMade([readVolts(heat, 'sec@indoor', 'R@indoor', 12)])).toBe(true)
  })

  it('are the wrong tap only with the line read, and the winding at its own leads', () => {
    const id = 'rooftop-electric'
    const [primary, secondary] = [0, 1].map((place) => separationIn(id, 'wrong-tap', '240', place))
    const behind = readVolts(primary.bench, 'R@package', 'C@package', 14)
    expect([primary.isMade([behind]), secondary.isMade([behind])]).toEqual([false, false])
    const { primary: into, secondary: outOf, place } = firstPart(systemOf(id), 'transformer')
    const at = (leads: readonly string[], volts: number) =>
      readVolts(primary.bench, terminalPoint(leads[0], place), terminalPoint(leads[1], place), volts)
    expect(primary.isMade([at(into, 208)])).toBe(true)
    expect(secondary.isMade([at(outOf, 21)])).toBe(true)
  })
})

describe('a strip that is called corroded', () => {
  it('is read from a wire to its screw under a load', () => {
    const { isMade, bench } = separationIn('furnace-ac', 'strip-corroded', 'thermostat')
    const heat = { ...bench, call: 'heat' as const }
    expect(isMade([readVolts(heat, 'R@thermostat', 'W@thermostat', 9)])).toBe(false)
    expect(isMade([readVolts(heat, 'stat-cable.R@thermostat', 'R@thermostat', 4)])).toBe(true)
  })
})

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

describe('a board that puts nothing out', () => {
  it('is landed past from its own supply', () => {
    const { ways, isMade, bench } = separationIn('heat-pump-o', 'output-dead', 'defrost-board.Y-out')
    const [way] = ways(bench)
    expect(way.bench.jumpers).toEqual([{ a: 'R@outdoor', b: 'Y-out@outdoor' }])
    expect(isMade([])).toBe(false)
  })

  it('is never landed past where its output opens a gas valve: that is unplugged, and the output read on the call', () => {
    const { ways, isMade, bench } = separationIn('rooftop-gas', 'output-dead', 'ignition.ignition-valve')
    const [way, ...others] = ways(bench)
    expect(others).toEqual([])
    expect(way.bench).toMatchObject({ jumpers: [], unplugged: ['gas-valve'], power: true, call: 'heat' })
    expect(isMade([{ id: 'read', bench: way.bench, probe: way.probe, answer: 0.1 }])).toBe(true)
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

it('no reading that stands apart joins R to a gas valve behind its ignition, on any system', () => {
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

  it('is read in its own current before the control or its rod is named: a switch that opens with the heat puts out a flame as well', () => {
    const { next, verdict } = proposedAfter(seen)
    expect(verdict).toBeNull()
    expect(next?.probe).toEqual({ meter: 'look', at: 'signal@ignition' })
    const named = proposedAfter([...seen, looked(heat, 'signal@ignition', 'low')])
    expect(named.verdict ?? named.next?.probe).not.toEqual(next?.probe)
  })
})

describe('a spade that is said to be off', () => {
  const { ways, isMade, bench } = separationIn('furnace-ac', 'lead-loose', 'contactor.C')
  const cold: Bench = { ...bench, place: 'outdoor', power: false }
  const through: Observation = {
    id: 'through',
    bench: cold,
    probe: { meter: 'ohms', a: 'low-contactor@outdoor', b: 'C@outdoor' },
    answer: 'OL',
  }

  it('is read through the leads of its part, cold and plugged in: a winding that opens with the heat has a path there', () => {
    expect(ways({ ...cold, unplugged: ['contactor'] })).toMatchObject([{ bench: { power: false, unplugged: [] }, probe: through.probe }])
    expect(isMade([through])).toBe(true)
  })

  it('is not told by the part alone, its leads off', () => {
    const alone: Observation = {
      ...through,
      bench: { ...cold, unplugged: ['contactor'] },
      probe: { meter: 'ohms', a: 'contactor.1@outdoor', b: 'contactor.2@outdoor' },
      answer: 15,
    }
    expect(isMade([alone])).toBe(false)
    expect(isMade([{ ...through, bench: alone.bench }])).toBe(false)
  })
})

describe('an output that is said to come and go', () => {
  const engine = engineOf('furnace-induced-draft')
  const heat: Bench = { ...createBench(engine.system), place: 'indoor', call: 'heat' }
  const leftOn: Bench = { ...heat, since: { call: 'long', power: 'long' } }
  const evidence = (...last: Observation[]) => ({
    ...noEvidence,
    complaint: { ...emptyComplaint, symptoms: ['mode-dead' as const], call: 'heat' as const },
    observations: [
      looked({ ...heat, call: 'off' }, 'landings@indoor', 'all landed'),
      looked({ ...heat, place: 'thermostat' }, 'stat', 'shows a call'),
      readVolts(heat, 'W@indoor', 'C@indoor', 26.8),
      looked(heat, 'flame@ignition', 'lights and goes out'),
      looked(heat, 'signal@ignition', 'good'),
      ...last,
    ],
  })
  const input = readVolts(leftOn, 'draft-ignition@indoor', 'C@indoor', 0.1)

  it('waits for what its board is given once the call was left on: a switch ahead of it that opens with the heat takes that away', () => {
    const { ways, isMade } = separationIn('furnace-induced-draft', 'output-toggles', 'ignition.valve-out')
    expect(ways(heat)).toContainEqual(
      expect.objectContaining({ probe: input.probe, bench: expect.objectContaining({ since: leftOn.since }) }),
    )
    expect(isMade([{ ...input, bench: heat }])).toBe(false)
    expect(isMade([input])).toBe(true)
  })

  it('is not the board without its input: one of the switches in the line lets go', () => {
    const all = evidence(input, { ...input, id: 'again' })
    const suspects = listSuspects(engine, all, computePosterior(engine, all))
    const board = suspects.filter(({ id }) => id.startsWith('output-')).reduce((sum, { probability }) => sum + probability, 0)
    const switches = suspects.filter(({ id }) => /^switch-open:(?:limit|rollout|draft)$/.test(id))
    expect(board).toBeLessThan(0.05)
    expect(switches.reduce((sum, { probability }) => sum + probability, 0)).toBeGreaterThan(0.5)
  })
})

describe('the lead of a coil on the metal, where the common is bonded to it', () => {
  it('is looked along before it is named: what was wired in across the coil reads the same', () => {
    const { ways, isMade, bench } = separationIn('rooftop-gas', 'lead-to-chassis', 'draft-ignition@package', 1)
    expect(ways(bench)).toEqual([expect.objectContaining({ probe: { meter: 'look', at: 'wiring@package' }, place: 'package' })])
    expect(isMade([looked(bench, 'landings@package', 'all landed')])).toBe(false)
    expect(isMade([looked(bench, 'wiring@package', 'sound')])).toBe(true)
    // A dead short is no winding.
    const toMetal = (answer: number): Observation => ({
      id: 'apart',
      bench: { ...bench, power: false },
      probe: { meter: 'ohms', a: 'draft-ignition@package', b: 'chassis@package' },
      answer,
    })
    expect(isMade([toMetal(10)])).toBe(false)
    expect(isMade([toMetal(0.4)])).toBe(true)
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
})
