import { type Bench, createBench } from '@/src/core/bench/bench'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { emptyComplaint, type Symptom } from '@/src/core/job/complaint'
import { createHouse } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import { LANDED } from '@/src/core/readings/landing-looks'
import type { Observation } from '@/src/core/readings/observations'
import { createRandom } from '@/src/core/units/random'
import type { CallName } from '@/src/core/wiring/call'
import { templateValues } from '@/src/core/wiring/values'
import { engineOf } from '@/tests/setup/engines'

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

  it.each(['furnace-ac', 'heat-pump-o'])(
    '%s, one mode is dead: a glance over the strip where one stands, then the thermostat is set to call for it and looked at',
    (id) => {
      const engine = engineOf(id)
      const first = firstOf(id, 'mode-dead', 'cool')
      expect(first).toMatchObject({ probe: { meter: 'look', at: 'landings@indoor' }, setup: [] })
      const bench = createBench(engine.system)
      const landed: Observation = { id: 'a', bench, probe: { meter: 'look', at: 'landings@indoor' }, answer: { word: LANDED } }
      const { next } = propose(engine, { ...noEvidence, complaint: told('mode-dead', 'cool'), observations: [landed] }, bench)
      expect(next).toMatchObject({ probe: { meter: 'look', at: 'stat' }, bench: { call: 'cool', power: true } })
    },
  )

  it('a call on a transformer that nothing protects is made behind a breaker: one in eight of these is a short @long', () => {
    const { observations } = visit('air-handler-plain', 'lead-to-chassis:high-low@outdoor', told('mode-dead', 'cool'))
    const called = observations.filter(({ bench }) => bench.power && bench.call !== 'off')
    expect(called.length).toBeGreaterThan(0)
    expect(called.every(({ bench }) => bench.slot.holds === 'breaker')).toBe(true)
    // Where a fuse is in its slot it is left as it was found.
    expect(firstOf('furnace-ac', 'mode-dead', 'cool')?.bench.slot.holds).toBe('as-found')
  })

  it('it never stops: what runs with nothing called, which wire is still live there, and the strip, before one leaves it or switches off', () => {
    const { verdict, observations } = visit('furnace-ac', 'conductor-short:stat-cable.R+W', told('never-stops'))
    expect(observations[0]).toMatchObject({ probe: { meter: 'look', at: 'runs@indoor' }, bench: { call: 'off', power: true } })
    const here = observations.slice(
      0,
      observations.findIndex(({ bench }) => bench.place !== 'indoor'),
    )
    expect(here.every(({ bench }) => bench.power)).toBe(true)
    expect(here.some(({ probe, answer }) => probe.meter === 'volts' && probe.a === 'W@indoor' && Number(answer) > 20)).toBe(true)
    expect(here.some(({ probe }) => probe.meter === 'look' && probe.at === 'landings@indoor')).toBe(true)
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'cable-short:stat-cable.R+W' } })
    // To the thermostat once, with the wires off at the unit: nobody reads at the unit again.
    const places = observations.map(({ bench }) => bench.place)
    expect(places.filter((place, index) => index > 0 && place !== places[index - 1])).toEqual(['thermostat'])
  })

  it('the heat never stops: the wire of that call is read first, with nothing called', () => {
    const { checks, observations } = visit('furnace-ac', 'conductor-short:stat-cable.R+W', told('never-stops', 'heat'))
    expect(observations[0]).toMatchObject({ probe: { meter: 'volts', a: 'W@indoor' }, bench: { call: 'off', power: true } })
    expect(observations.every(({ bench }) => bench.call === 'off')).toBe(true)
    expect(checks).toBeLessThanOrEqual(4)
  })

  it('something chatters: the call on, what does is seen and heard before anything is switched off @long', () => {
    const next = firstOf('heat-pump-o', 'chatters', 'heat')
    expect(next).toMatchObject({ probe: { meter: 'look' }, bench: { power: true, call: 'heat' } })
    const { verdict, checks, observations } = visit('heat-pump-o', 'output-chatters:defrost-board.O-out', told('chatters', 'heat'))
    expect(verdict).toMatchObject({ repair: { id: 'replace:defrost-board' } })
    expect(checks).toBeLessThanOrEqual(5)
    // Nobody walks away from a place and comes back to it for the next relay.
    const places = observations.map(({ bench }) => bench.place)
    const arrivals = places.filter((place, index) => place !== places[index - 1])
    expect(new Set(arrivals).size).toBe(arrivals.length)
  })

  it('what ohms have found is not called again on a fuse of which nobody knows what it lets through @long', () => {
    const engine = engineOf('dual-fuel')
    const whole = createBench(engine.system)
    const dead = { ...whole, power: false }
    const cOff = { ...dead, lifted: ['outdoor-cable.C@indoor'] }
    const apart = { ...cOff, unplugged: ['high-pressure'], place: 'outdoor' }
    const observations = [
      { id: 'l', bench: whole, probe: { meter: 'look', at: 'landings@indoor' }, answer: { word: 'all landed' } },
      { id: 's', bench: { ...whole, call: 'cool' }, probe: { meter: 'look', at: 'stat' }, answer: { word: 'shows a call' } },
      { id: 'v', bench: { ...whole, call: 'cool' }, probe: { meter: 'volts', a: 'Y@thermostat', b: 'C@thermostat' }, answer: 19.4 },
      { id: 'o', bench: dead, probe: { meter: 'ohms', a: 'Y@indoor', b: 'C@indoor' }, answer: 4.6 },
      { id: 'q', bench: cOff, probe: { meter: 'ohms', a: 'outdoor-cable.C@indoor', b: 'outdoor-cable.R@indoor' }, answer: 17.4 },
      { id: 'p', bench: apart, probe: { meter: 'ohms', a: 'Y-out@outdoor', b: 'chassis@outdoor' }, answer: 7.4 },
    ] as Observation[]
    const { next } = propose(engine, { ...noEvidence, complaint: told('mode-dead', 'cool'), observations }, apart as Bench)
    expect(next).not.toBeNull()
    if (next?.bench.power) expect(next.bench.slot.holds).toBe('breaker')
  })

  it('what never stops is seen with nothing called: no call is made for it', () => {
    const { observations } = visit('furnace-ac', 'conductor-short:stat-cable.R+W', told('never-stops'))
    expect(observations.filter(({ bench }) => bench.call !== 'off')).toEqual([])
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

  it.each(['furnace-ac', 'heat-pump-o'])('%s: the thermostat does not close, in four and the glance before them', (id) => {
    const { verdict, checks, observations } = visit(id, 'thermostat-not-closing:stat.Y', told('mode-dead', 'cool'))
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'replace:stat' } })
    expect(checks).toBeLessThanOrEqual(5)
    expect(observations.every(({ bench }) => bench.power)).toBe(true)
    // A call that has not left its thermostat is not followed to the unit.
    const left = observations.findIndex(({ bench }) => bench.place === 'thermostat')
    expect(observations.slice(left).every(({ bench }) => bench.place === 'thermostat')).toBe(true)
  })

  it('a wire that hangs off its screw is landed once it is seen: no check is spent on proving it', () => {
    const { verdict, observations, checks } = visit('furnace-ac', 'not-landed:stat-cable.Y@indoor', told('mode-dead', 'cool'))
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'land:stat-cable.Y@indoor' } })
    expect(observations.at(-1)).toMatchObject({ probe: { at: 'landings@indoor' }, answer: { word: 'off: stat-cable.Y@indoor' } })
    expect(checks).toBeLessThanOrEqual(2)
  })
})
