import { createBench } from '@/src/core/bench/bench'
import { isWarm } from '@/src/core/bench/since'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { emptyComplaint } from '@/src/core/job/complaint'
import { createHouse } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import { healthy } from '@/src/core/readings/hypothesis'
import type { Observation } from '@/src/core/readings/observations'
import { createRandom } from '@/src/core/units/random'
import { templateValues } from '@/src/core/wiring/values'
import { engineOf, systemOf } from '@/tests/setup/engines'

const id = 'furnace-ac'
const system = systemOf(id)
const told = { ...emptyComplaint, symptoms: ['mode-dead' as const], call: 'cool' as const }
const isHeldLook = ({ bench, probe }: Observation) =>
  bench.call === 'cool' && bench.since !== undefined && isWarm(bench.since) && probe.meter === 'look'

describe('a house that runs, of which something else was told', () => {
  it('is not called sound before the call of it was left on for minutes @long', () => {
    const { verdict, observations } = runTrial(engineOf(id), createHouse(system, healthy, templateValues, createRandom(3)), {
      complaint: told,
    })
    expect(observations.some(isHeldLook)).toBe(true)
    expect(verdict && 'repair' in verdict && verdict.found === 'repair').toBe(false)
  })
})

describe('what has shown itself after minutes', () => {
  const held = {
    ...createBench(system),
    place: 'outdoor',
    call: 'cool' as const,
    since: { call: 'minutes' as const, power: 'long' as const },
  }
  const look = (answer: string, since?: (typeof held)['since']): Observation => ({
    id: `look ${answer}`,
    bench: since ? held : { ...held, since },
    probe: { meter: 'look', at: 'runs@outdoor' },
    answer: { word: answer },
  })

  it('is read while it shows: the call stays on, and no wait is asked again', () => {
    const observations = [look('as called'), look('not as called', held.since)]
    const { next } = propose(engineOf(id), { ...noEvidence, complaint: told, observations }, { ...held, since: undefined })
    expect(next?.probe.meter).not.toBe('ohms')
    expect(next?.bench).toMatchObject({ power: true, call: 'cool' })
    expect(next?.waits).toBe(0)
  })
})
