import { createBench } from '@/src/core/bench/bench'
import { atTime } from '@/src/core/bench/since'
import { clockAfterReading } from '@/src/core/readings/clock-after'
import { flameOf, runsAt } from '@/src/core/readings/look-target'
import { systemOf } from '@/tests/setup/engines'

const heating = { ...createBench(systemOf('furnace-induced-draft')), call: 'heat' as const }
const longOn = { now: 20, call: 0, power: 0 }

it('who watches the burners makes the call anew for it: what opened with its heat has closed again', () => {
  const watched = clockAfterReading(longOn, heating, { meter: 'look', at: flameOf('ignition') }, 2)
  expect(atTime(heating, watched).since).toBeUndefined()
  const looked = clockAfterReading(longOn, heating, { meter: 'look', at: runsAt('indoor') }, 2)
  expect(atTime(heating, looked).since).toEqual({ call: 'long', power: 'long' })
})
