import { type Bench, createBench } from '@/src/core/bench/bench'
import { computePosterior, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { listSuspects } from '@/src/core/diagnosis/inference/suspects'
import { emptyComplaint } from '@/src/core/job/complaint'
import type { Observation } from '@/src/core/readings/observations'
import { engineOf } from '@/tests/setup/engines'
import { looked, readVolts, separationIn } from '@/tests/setup/separations'

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
