import { createBench } from '@/src/core/bench/bench'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { emptyComplaint } from '@/src/core/job/complaint'
import type { WayOfWorking } from '@/src/core/job/ways'
import { createHouse } from '@/src/core/practice/house'
import { runTrial, type Trial } from '@/src/core/practice/trial'
import type { Observation } from '@/src/core/readings/observations'
import { createRandom } from '@/src/core/units/random'
import { templateValues } from '@/src/core/wiring/values'
import { engineOf, systemOf } from '@/tests/setup/engines'

const complaint = { ...emptyComplaint, symptoms: ['fuse-on-call' as const], call: 'cool' as const }

type Visit = Trial & { readonly trials: readonly Observation[]; readonly beforeOhms: readonly Observation[] }
const visits = new Map<string, Visit>()

/** A visit in one way of working to a house whose Y is rubbed through outdoors; the same for every test that asks of it. */
function visit(id: string, way: WayOfWorking): Visit {
  const made = visits.get(`${id} ${way}`)
  if (made) return made
  const engine = engineOf(id)
  const rubbed = engine.hypotheses.find((one) => one.id === 'conductor-to-chassis:outdoor-cable.Y fuse blown')
  if (!rubbed) throw new Error('no such fault')
  const trial = runTrial(
    engine,
    createHouse(engine.system, rubbed, templateValues, createRandom(7)),
    { complaint },
    (one, evidence, bench) => propose(one, evidence, bench, { way }),
  )
  const trials = trial.observations.filter(({ probe }) => probe.meter === 'trip')
  const firstOhms = trial.observations.findIndex(({ probe }) => probe.meter === 'ohms')
  const whole = { ...trial, trials, beforeOhms: trial.observations.slice(0, firstOhms < 0 ? undefined : firstOhms) }
  visits.set(`${id} ${way}`, whole)
  return whole
}

describe.each([
  ['furnace-ac', ''],
  ['heat-pump-o', ' @long'],
])('a way of working on %s', (id, tag) => {
  it.each(['take-off', 'add-on', 'halve'] as const)(`%s: goes by the book until it holds, and ends in the repair${tag}`, (way) => {
    const { verdict, trials, beforeOhms } = visit(id, way)
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'cable-short:outdoor-cable.Y' } })
    // Every trial was made before the meter went to ohms: the way is not left in the middle.
    expect(beforeOhms.filter(({ probe }) => probe.meter === 'trip')).toEqual(trials)
    expect(trials.at(-1)).toMatchObject({ answer: { word: 'holds' } })
    expect(trials.at(-1)?.bench.lifted).toContain('outdoor-cable.Y@indoor')
  })

  it(`take-off: from all calls joined, one less each time${tag}`, () => {
    const joined = visit(id, 'take-off').trials.map(({ bench }) => bench.jumpers.length)
    const fell = joined.slice(0, joined.indexOf(Math.min(...joined)) + 1)
    expect(fell.length).toBeGreaterThan(1)
    expect(fell).toEqual([...fell].sort((a, b) => b - a))
  })
})

it('a way begins without a walk', () => {
  for (const way of ['take-off', 'add-on', 'halve'] as const) {
    const { next } = propose(engineOf('furnace-ac'), { ...noEvidence, complaint }, createBench(systemOf('furnace-ac')), { way })
    expect(next?.setup.filter((change) => change.do === 'walk')).toEqual([])
  }
})
