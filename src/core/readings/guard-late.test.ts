import { createBench } from '@/src/core/bench/bench'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { predict } from '@/src/core/readings/predict'
import { worldsOf } from '@/src/core/readings/world'
import type { CallName } from '@/src/core/wiring/call'
import { templateValues } from '@/src/core/wiring/values'
import { systemOf } from '@/tests/setup/engines'

/** A thermostat that guards its outputs, over an inducer that proves its draft. */
const system = systemOf('rooftop-gas')
const laboratory = createLaboratory(system, templateValues)
const of = (id: string, call: CallName) => {
  const fault = enumerateFaults(system).find((one) => one.id === id)
  if (!fault) throw new Error(`no ${id}`)
  return { bench: { ...createBench(system), call }, hypothesis: hypothesisOfFault(fault) }
}
const outcomes = (id: string, call: CallName) => {
  const { bench, hypothesis } = of(id, call)
  return worldsOf(laboratory, bench, hypothesis).worlds.map(({ settled }) => settled.outcome)
}

describe('a short behind the pressure switch that the inducer makes', () => {
  // The short pulls the relay out before the guard has seen it, the draft falls, the relay pulls in again.
  it('leaves the relay chattering where the guard of the thermostat is slower than the relay, and out where it is not', () => {
    const { bench, hypothesis } = of('lead-to-chassis:draft-ignition@package', 'heat')
    const words = predict(laboratory, bench, hypothesis, { meter: 'look', at: 'inducer-relay' }).map(({ at }) => at)
    expect(words).toContainEqual({ word: 'chatters' })
    expect(words).toContainEqual({ word: 'out' })
  })

  it('opens the guard, or starves the thermostat, where no relay lets go of it; the guard alone once a code was seen', () => {
    expect(outcomes('lead-to-chassis:Y1@package', 'cool')).toEqual(['settled', 'chatters', 'settled'])
    const { bench, hypothesis } = of('lead-to-chassis:Y1@package', 'cool')
    const { worlds, trips } = worldsOf(laboratory, { ...bench, guards: ['stat'] }, hypothesis)
    expect(worlds.map(({ settled }) => settled.outcome)).toEqual(['settled'])
    expect(trips).toBe(0)
  })
})
