import { type Bench, createBench } from '@/src/core/bench/bench'
import { owedBy } from '@/src/core/bench/owed'
import { kindsOfWiring } from '@/src/core/diagnosis/hypotheses/houses'
import { planRoute } from '@/src/core/diagnosis/planner/route'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { isAlive } from '@/src/core/operation/state'
import type { Probe } from '@/src/core/readings/check'
import { healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { runOverTime } from '@/src/core/readings/over-time'
import { predict } from '@/src/core/readings/predict'
import { worldsOf } from '@/src/core/readings/world'
import { circuitOf } from '@/src/core/wiring/supply'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

const found = systemById('zoned-furnace-ac')
if (!found) throw new Error('no zoned system')
const zoned = found
const laboratory = createLaboratory(zoned, templateValues)
const bench = (call: Bench['call']): Bench => ({ ...createBench(zoned), call })
const faultOf = (id: string) => {
  const fault = enumerateFaults(zoned).find((candidate) => candidate.id === id)
  if (!fault) throw new Error(`no fault ${id}`)
  return hypothesisOfFault(fault)
}
const reads = (call: Bench['call'], probe: Probe, hypothesis = healthy) => predict(laboratory, bench(call), hypothesis, probe)[0].at
const looks = (call: Bench['call'], at: string, hypothesis = healthy) => reads(call, { meter: 'look', at }, hypothesis)

describe('two zones behind a panel', () => {
  it.each(['cool', 'cool-zone-2'] as const)('%s pulls the one contactor in and shuts the damper of the zone that does not call', (call) => {
    const [open, shut] = call === 'cool' ? ['damper-1', 'damper-2'] : ['damper-2', 'damper-1']
    expect(looks(call, 'contactor')).toEqual({ word: 'in' })
    expect(looks(call, open)).toEqual({ word: 'open' })
    expect(looks(call, shut)).toEqual({ word: 'shut' })
  })

  it('keeps the zones and the unit apart: each call reaches its own landing and the unit, not the other zone', () => {
    expect(reads('cool-zone-2', { meter: 'volts', a: 'Y2@panel', b: 'C2@panel' })).toBeGreaterThan(24)
    expect(reads('cool-zone-2', { meter: 'volts', a: 'Y1@panel', b: 'C1@panel' })).toBeLessThan(1)
    expect(circuitOf(zoned, 'R1@panel')).toBe(circuitOf(zoned, 'R@stat-2'))
    expect(circuitOf(zoned, 'R@panel')).not.toBe(circuitOf(zoned, 'R1@panel'))
  })

  it('a dead thermostat takes its own zone with it and leaves the other', () => {
    const dead = faultOf('thermostat-dead:thermostat-2')
    expect(looks('cool-zone-2', 'contactor', dead)).toEqual({ word: 'out' })
    expect(looks('cool', 'contactor', dead)).toEqual({ word: 'in' })
    expect(looks('off', 'thermostat-2', dead)).toEqual({ word: 'blank' })
    expect(looks('off', 'thermostat-1', dead)).toEqual({ word: 'alive' })
    const [upper, lower] = laboratory.machine.thermostats
    const { members } = worldsOf(laboratory, bench('off'), dead).worlds[0].settled
    expect(members.map((state) => [isAlive(state, upper), isAlive(state, lower)])).toEqual([[true, false]])
  })

  it('a contact that fails at one thermostat leaves the same letter at the other', () => {
    const stuck = faultOf('thermostat-not-closing:thermostat-1.Y')
    expect(looks('cool', 'contactor', stuck)).toEqual({ word: 'out' })
    expect(looks('cool-zone-2', 'contactor', stuck)).toEqual({ word: 'in' })
  })

  it('a short in a zone cable overloads the panel and not the fuse of the unit', () => {
    const shorted = faultOf('conductor-short:stat-cable-2.R+C')
    expect(worldsOf(laboratory, bench('off'), shorted).trips).toBe(0)
    expect(looks('off', 'zone-board', shorted)).toEqual({ word: 'dark' })
    expect(reads('off', { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, shorted)).toBeGreaterThan(24)
  })

  it('a dry contact cannot be a board that passes the call on', () => {
    expect(
      kindsOfWiring(zoned)
        .flatMap(({ wiring }) => wiring)
        .some((effect) => effect.do === 'output'),
    ).toBe(false)
  })

  it('changing zones sets the first thermostat back on the way, and says which one is still set', () => {
    const { changes } = planRoute(zoned, bench('cool'), bench('heat-zone-2'), 'indoor')
    expect(changes.map((change) => (change.do === 'call' ? change.call : change.do === 'walk' ? change.place : change.do))).toEqual([
      'stat-1',
      'off',
      'stat-2',
      'heat-zone-2',
      'indoor',
    ])
    expect(owedBy(zoned, bench('heat-zone-2'))).toMatchObject([
      { what: 'call', place: 'stat-2', say: 'thermostat of zone 2 is set to heat, zone 2' },
    ])
  })

  it('over time, one zone hands over to the other: dampers swing, the compressor runs on', () => {
    const { happenings, outcome } = runOverTime(laboratory, bench('cool'), healthy, {
      calls: [{ atS: 600, call: 'cool-zone-2' }],
      untilS: 1200,
    })
    expect(outcome).toBe('settled')
    const after = happenings.filter(({ atS }) => atS >= 600).map(({ what, to }) => `${what} ${to}`)
    expect(after).toEqual(expect.arrayContaining(['thermostat-2 called', 'damper-1 in', 'damper-2 out']))
  })
})
