import { type Bench, createBench } from '@/src/core/bench/bench'
import type { Probe } from '@/src/core/readings/check'
import { hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { showsOn } from '@/src/core/readings/now-and-then'
import { predict } from '@/src/core/readings/predict'
import { engineOf } from '@/tests/setup/engines'

describe('a switch or a winding that opens with the heat, ahead of an ignition control or behind it', () => {
  const { laboratory, system, faults } = engineOf('furnace-induced-draft')
  const heat: Bench = { ...createBench(system), place: 'indoor', call: 'heat', since: { call: 'long', power: 'long' } }
  const warm = (id: string) => {
    const fault = faults.find((one) => one.id === id)
    if (!fault) throw new Error(`no fault ${id}`)
    return { ...hypothesisOfFault(fault), intermittent: true, warms: true as const }
  }
  const chanceOf = (id: string, probe: Probe, word: string) =>
    predict(laboratory, heat, warm(id), probe)
      .filter(({ at }) => typeof at === 'object' && at.word === word)
      .reduce((sum, { weight }) => sum + weight, 0)
  const [flame, signal] = (['flame', 'signal'] as const).map((what): Probe => ({ meter: 'look', at: `${what}@ignition` }))

  it.each(['switch-open:limit', 'coil-open:gas-valve'])(
    '%s: the burners light and go out before the eye, and their current was good',
    (id) => {
      expect(chanceOf(id, flame, 'lights and goes out')).toBeGreaterThan(0.3)
      expect(chanceOf(id, flame, 'lights and goes out') + chanceOf(id, flame, 'burns')).toBeGreaterThan(0.9)
      expect(chanceOf(id, signal, 'good')).toBeGreaterThan(0.9)
    },
  )

  it('is less sure to be there for who reads the valve: some make the call anew to see its trial', () => {
    const hypothesis = warm('switch-open:limit')
    const volts = (a: `${string}@${string}`): Probe => ({ meter: 'volts', a, b: 'C@indoor' })
    const [input, valve] = ['draft-ignition@indoor', 'valve-out@indoor'].map((a) =>
      showsOn(system, hypothesis, heat, volts(a as 'W@indoor')),
    )
    expect(input).toBeGreaterThan(0.9)
    expect(valve).toBeLessThan(0.75)
    expect(valve).toBeGreaterThan(showsOn(system, hypothesis, heat, flame))
  })
})
