import { createBench } from '@/src/core/bench/bench'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { emptyComplaint } from '@/src/core/job/complaint'
import type { Observation } from '@/src/core/readings/observations'
import { engineOf, systemOf } from '@/tests/setup/engines'

describe('R and W joined in the stat cable, the furnace runs on', () => {
  const id = 'furnace-ac'
  const complaint = { ...emptyComplaint, symptoms: ['never-stops' as const] }
  const bench = { ...createBench(systemOf(id)), place: 'thermostat' }
  const volts = (a: 'W' | 'G', answer: number): Observation => ({
    id: `${a}-C`,
    bench: { ...bench, place: 'indoor' },
    probe: { meter: 'volts', a: `${a}@indoor`, b: 'C@indoor' },
    answer,
  })
  const landed = (place: string): Observation => ({
    id: `landings ${place}`,
    bench: { ...bench, place },
    probe: { meter: 'look', at: `landings@${place}` },
    answer: { word: 'all landed' },
  })
  const nextAfter = (observations: readonly Observation[]) => propose(engineOf(id), { complaint, observations, repaired: [] }, bench).next

  it('once both strips were looked at, its wires come off at both ends on the way: nobody walks back to read it by itself', () => {
    const next = nextAfter([volts('G', 0.1), volts('W', 26), landed('indoor'), landed('thermostat')])
    expect(next?.probe).toMatchObject({ meter: 'ohms', a: 'stat-cable.R@thermostat', b: 'stat-cable.W@thermostat' })
    expect([...(next?.bench.lifted ?? [])].sort()).toEqual([
      'stat-cable.R@indoor',
      'stat-cable.R@thermostat',
      'stat-cable.W@indoor',
      'stat-cable.W@thermostat',
    ])
  })

  it('before that no wire comes off: what was to be seen on its screw would be gone', () => {
    expect(nextAfter([volts('G', 0.1), volts('W', 26)])?.bench.lifted).toEqual([])
  })
})
