import { type Bench, createBench } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { emptyComplaint } from '@/src/core/job/complaint'
import type { Answer, Probe } from '@/src/core/readings/check'
import type { Point } from '@/src/core/wiring/point'
import { systemById } from '@/src/core/wiring/systems/catalogue'

const system = systemById('heat-pump-o')
if (!system) throw new Error('no heat pump')
const engine = createEngine(system)
const whole = createBench(system)
const dead: Bench = { ...whole, place: 'indoor', power: false }
const chattering: Bench = { ...whole, place: 'thermostat', call: 'cool' }
const lifted: Bench = { ...dead, lifted: ['outdoor-cable.O@indoor'] }

function proposed(...readings: readonly [Bench, Probe, Answer][]) {
  const observations = readings.map(([bench, probe, answer], index) => ({ id: `r${index}`, bench, probe, answer }))
  const complaint = { ...emptyComplaint, symptoms: ['mode-dead' as const], call: 'cool' as const }
  return propose(engine, { complaint, observations, repaired: [] }, observations[observations.length - 1].bench)
}

it('a float that was seen up is believed: not taken again, and never none of these', () => {
  const tank = systemById('cool-strips')
  if (!tank) throw new Error('no air handler with a float')
  const observations = [{ id: 'float', bench: createBench(tank), probe: { meter: 'look' as const, at: 'float' }, answer: { word: 'up' } }]
  const { next } = propose(createEngine(tank), { complaint: emptyComplaint, observations, repaired: [] }, observations[0].bench)
  expect(next?.probe).not.toEqual({ meter: 'look', at: 'float' })
})

describe('a thermostat that was seen to chatter', () => {
  const seen: [Bench, Probe, Answer] = [chattering, { meter: 'look', at: 'stat' }, { word: 'chatters' }]

  it('shows none of the shorts behind it: the coil is read by itself before it is condemned @long', () => {
    const { verdict, next } = proposed(
      seen,
      [dead, { meter: 'ohms', a: 'O@indoor', b: 'C@indoor' }, 2.1],
      [lifted, { meter: 'ohms', a: 'outdoor-cable.O@indoor', b: 'chassis@indoor' }, 2.2],
    )
    expect(verdict).toBeNull()
    expect(next).not.toBeNull()
  })

  it('condemns no transformer by ohms: what goes in and what comes out is read live first', () => {
    const ohms = (a: Point, answer: number): [Bench, Probe, Answer] => [dead, { meter: 'ohms', a, b: 'C@indoor' }, answer]
    const { verdict, next } = proposed(seen, ohms('O@indoor', 23.4), ohms('Y@indoor', 21.1), ohms('R@indoor', 18.7), ohms('G@indoor', 45.2))
    expect(verdict).toBeNull()
    expect(next).not.toBeNull()
  })
})
