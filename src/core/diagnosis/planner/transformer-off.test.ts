import { applyChange } from '@/src/core/bench/apply'
import { createBench } from '@/src/core/bench/bench'
import { cautionOf } from '@/src/core/bench/caution'
import { owedBy } from '@/src/core/bench/owed'
import { sayBench, sayChange } from '@/src/core/bench/say'
import { emptyComplaint } from '@/src/core/job/complaint'
import { createHouse } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import { type Hypothesis, healthy } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { predict } from '@/src/core/readings/predict'
import { fromOhmScale } from '@/src/core/readings/prediction'
import { sayBenchShort } from '@/src/core/readings/say'
import { createRandom } from '@/src/core/units/random'
import { templateValues } from '@/src/core/wiring/values'
import { engineOf, systemOf } from '@/tests/setup/engines'

const system = systemOf('furnace-ac')
const engine = engineOf('furnace-ac')
const rubbed = engine.hypotheses.find(({ id }) => id === 'lead-to-chassis:sec@indoor')
if (!rubbed) throw new Error('no such lead')

describe('a transformer off its 24 V leads', () => {
  const laboratory = createLaboratory(system, templateValues)
  const dead = { ...createBench(system), power: false }
  const applied = applyChange(system, dead, { do: 'unplug', part: 'transformer' })
  if (!applied.ok) throw new Error(applied.problem)
  const ohms = (bench: typeof dead, hypothesis: Hypothesis) => {
    const [{ at }] = predict(laboratory, bench, hypothesis, { meter: 'ohms', a: 'sec@indoor', b: 'C@indoor' })
    return typeof at === 'number' ? fromOhmScale(at) : at
  }

  it('no longer reads across them: only then is a lead on the metal told from a sound winding', () => {
    expect([ohms(dead, healthy), ohms(dead, rubbed)].every((read) => Number(read) < 2)).toBe(true)
    expect(Number(ohms(applied.bench, rubbed))).toBeLessThan(1)
    expect(Number(ohms(applied.bench, healthy))).toBeGreaterThan(100)
  })

  it('feeds nothing with the power on', () => {
    const [{ at }] = predict(laboratory, { ...applied.bench, power: true }, healthy, { meter: 'volts', a: 'R@indoor', b: 'C@indoor' })
    expect(at).toBeLessThan(0.5)
  })

  it('has its leads warned of while they are live, and are on already where they are', () => {
    const off = { do: 'unplug', part: 'transformer' } as const
    expect(cautionOf(system, createBench(system), off)).toMatch(/^Those leads are live/)
    expect(cautionOf(system, dead, off)).toBeNull()
    expect(applyChange(system, dead, { do: 'plug', part: 'transformer' })).toMatchObject({
      ok: false,
      problem: 'The 24 V leads of the transformer are on already.',
    })
  })

  it('is said by its leads, and they are owed until they are back on', () => {
    expect(sayChange(system, { do: 'unplug', part: 'transformer' })).toBe('take the 24 V leads off the transformer')
    expect(sayBench(system, applied.bench)).toContain('24 V leads of the transformer off')
    expect(sayBenchShort(system, applied.bench)).toBe('power off, transformer leads off')
    expect(owedBy(system, applied.bench)).toContainEqual(
      expect.objectContaining({ say: 'The 24 V leads of the transformer are off', putBack: { do: 'plug', part: 'transformer' } }),
    )
  })
})

it('a rub ahead of a good fuse that left no mark is named with those leads off, and without a walk @long', () => {
  const house = createHouse(system, rubbed, templateValues, createRandom(7))
  const { verdict, checks, observations } = runTrial(engine, house, { complaint: { ...emptyComplaint, symptoms: ['smell'] } })
  expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'lead:sec@indoor' } })
  expect(observations.some(({ bench }) => bench.unplugged.includes('transformer'))).toBe(true)
  expect(observations.every(({ bench }) => bench.place === 'indoor')).toBe(true)
  expect(checks).toBeLessThanOrEqual(10)
})
