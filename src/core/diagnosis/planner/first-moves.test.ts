import { createBench } from '@/src/core/bench/bench'
import { createEngine, type Engine } from '@/src/core/diagnosis/engine'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { emptyComplaint, type Symptom } from '@/src/core/job/complaint'
import { createHouse } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import { createRandom } from '@/src/core/units/random'
import type { CallName } from '@/src/core/wiring/call'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

const engines = new Map<string, Engine>()
function engineOf(id: string): Engine {
  const system = systemById(id)
  if (!system) throw new Error(`no system ${id}`)
  const engine = engines.get(id) ?? createEngine(system)
  engines.set(id, engine)
  return engine
}
const told = (symptom: Symptom, call: CallName | null = null) => ({ ...emptyComplaint, symptoms: [symptom], call })
const firstOf = (id: string, symptom: Symptom, call: CallName | null = null) => {
  const engine = engineOf(id)
  return propose(engine, { ...noEvidence, complaint: told(symptom, call) }, createBench(engine.system)).next
}

function visit(id: string, hypothesis: string, complaint: ReturnType<typeof told>) {
  const engine = engineOf(id)
  const found = engine.hypotheses.find((one) => one.id === hypothesis)
  if (!found) throw new Error(`no ${hypothesis}`)
  return runTrial(engine, createHouse(engine.system, found, templateValues, createRandom(7)), { complaint })
}

describe('the first moves', () => {
  it.each([
    ['furnace-ac', 'mode-dead', 'cool'],
    ['heat-pump-o', 'mode-dead', 'heat'],
    ['furnace-ac', 'half-works', 'cool'],
    ['rooftop-gas', 'nothing-runs', null],
  ] as const)('%s, %s: the power stays on, there are lights and delays to be seen', (id, symptom, call) => {
    const next = firstOf(id, symptom, call)
    expect(next?.bench.power).toBe(true)
    expect(next?.setup.filter((change) => change.do === 'power')).toEqual([])
  })

  it('nothing runs: is there 24 V at the unit', () => {
    expect(firstOf('furnace-ac', 'nothing-runs')?.probe).toMatchObject({ meter: 'volts', a: 'R@indoor', b: 'C@indoor' })
  })

  it('one mode is dead: the thermostat is set to call for it and looked at', () => {
    expect(firstOf('furnace-ac', 'mode-dead', 'cool')).toMatchObject({ probe: { meter: 'look', at: 'stat' }, bench: { call: 'cool' } })
  })

  it('a fuse that blows on a call: ohms, with the power off', () => {
    expect(firstOf('furnace-ac', 'fuse-on-call', 'cool')).toMatchObject({ probe: { meter: 'ohms' }, bench: { power: false } })
  })

  it('a fuse that blows on one call, and nobody said on which: that is asked first, call after call', () => {
    const next = firstOf('rooftop-gas', 'fuse-on-call')
    expect(next?.probe).toEqual({ meter: 'trip' })
    expect(next?.bench.jumpers.length).toBeLessThanOrEqual(1)
  })

  it('smell: the power goes off before anything else', () => {
    expect(firstOf('furnace-ac', 'smell')?.setup[0]).toEqual({ do: 'power', on: false })
  })
})

describe('is there a call', () => {
  it.each([
    ['furnace-ac', 'stat'],
    ['heat-pump-o', 'stat'],
    ['zoned-furnace-ac', 'thermostat-1'],
  ])('%s: nobody set it, in three checks', (id, stat) => {
    const { verdict, checks } = visit(id, `thermostat-not-called:${stat}`, told('mode-dead', 'cool'))
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: `set:${stat}` } })
    expect(checks).toBeLessThanOrEqual(3)
  })

  it.each(['furnace-ac', 'heat-pump-o'])('%s: the thermostat does not close, in four', (id) => {
    const { verdict, checks } = visit(id, 'thermostat-not-closing:stat.Y', told('mode-dead', 'cool'))
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'replace:stat' } })
    expect(checks).toBeLessThanOrEqual(4)
  })

  it('a wire that hangs off its screw is landed once it is seen: no check is spent on proving it', () => {
    const { verdict, observations } = visit('furnace-ac', 'not-landed:stat-cable.Y@indoor', told('mode-dead', 'cool'))
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'land:stat-cable.Y@indoor' } })
    expect(observations.at(-1)).toMatchObject({ probe: { at: 'landings@indoor' }, answer: { word: 'off: stat-cable.Y@indoor' } })
  })
})
