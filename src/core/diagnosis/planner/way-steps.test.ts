import { createBench } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { emptyComplaint } from '@/src/core/job/complaint'
import type { WayOfWorking } from '@/src/core/job/ways'
import { createHouse } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import { createRandom } from '@/src/core/units/random'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

const complaint = { ...emptyComplaint, symptoms: ['fuse-on-call' as const], call: 'cool' as const }

/** A visit in one way of working to a house whose Y is rubbed through outdoors. */
function visit(id: string, way: WayOfWorking) {
  const system = systemById(id)
  if (!system) throw new Error(`no ${id}`)
  const engine = createEngine(system)
  const rubbed = engine.hypotheses.find((one) => one.id === 'conductor-to-chassis:outdoor-cable.Y fuse blown')
  if (!rubbed) throw new Error('no such fault')
  const trial = runTrial(engine, createHouse(system, rubbed, templateValues, createRandom(7)), { complaint }, (one, evidence, bench) =>
    propose(one, evidence, bench, { way }),
  )
  const trials = trial.observations.filter(({ probe }) => probe.meter === 'trip')
  const firstOhms = trial.observations.findIndex(({ probe }) => probe.meter === 'ohms')
  return { ...trial, trials, beforeOhms: trial.observations.slice(0, firstOhms < 0 ? undefined : firstOhms) }
}

describe.each(['furnace-ac', 'heat-pump-o'])('a way of working on %s', (id) => {
  it.each(['take-off', 'add-on', 'halve'] as const)('%s: goes by the book until it holds, and ends in the repair', (way) => {
    const { verdict, trials, beforeOhms } = visit(id, way)
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'cable-short:outdoor-cable.Y' } })
    // Every trial was made before the meter went to ohms: the way is not left in the middle.
    expect(beforeOhms.filter(({ probe }) => probe.meter === 'trip')).toEqual(trials)
    expect(trials.at(-1)).toMatchObject({ answer: { word: 'holds' } })
    expect(trials.at(-1)?.bench.lifted).toContain('outdoor-cable.Y@indoor')
  })

  it('take-off: from all calls joined, one less each time', () => {
    const joined = visit(id, 'take-off').trials.map(({ bench }) => bench.jumpers.length)
    const fell = joined.slice(0, joined.indexOf(Math.min(...joined)) + 1)
    expect(fell.length).toBeGreaterThan(1)
    expect(fell).toEqual([...fell].sort((a, b) => b - a))
  })
})

it('a way begins without a walk', () => {
  const system = systemById('furnace-ac')
  if (!system) throw new Error('no furnace')
  for (const way of ['take-off', 'add-on', 'halve'] as const) {
    const { next } = propose(createEngine(system), { ...noEvidence, complaint }, createBench(system), { way })
    expect(next?.setup.filter((change) => change.do === 'walk')).toEqual([])
  }
})
