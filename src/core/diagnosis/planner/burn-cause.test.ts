import { createBench } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { joinFaults } from '@/src/core/diagnosis/inference/pairs'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { emptyComplaint } from '@/src/core/job/complaint'
import { createHouse } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import type { Observation } from '@/src/core/readings/observations'
import { createRandom } from '@/src/core/units/random'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { engineOf, systemOf } from '@/tests/setup/engines'

it.each([
  ['air-handler-plain', 'transformer', 'contactor', 'nothing-runs', null],
  ['furnace-two-transformers', 'heat-transformer', 'gas-valve', 'mode-dead', 'heat'],
] as const)(
  'a dead transformer of %s is not the end: what burned it out is looked for with the power off, and named first @long',
  (id, transformer, coil, symptom, call) => {
    const system = systemById(id)
    if (!system) throw new Error(`no ${id}`)
    const engine = createEngine(system)
    const [dead, shorted] = [`transformer-dead:${transformer}.secondary`, `coil-shorted:${coil}`].map((id) => {
      const one = engine.hypotheses.find((hypothesis) => hypothesis.id === id)
      if (!one?.fault) throw new Error(`no ${id}`)
      return { ...one, fault: one.fault }
    })
    const both = { ...dead, id: 'both', fault: joinFaults(dead.fault, shorted.fault), effects: [...dead.effects, ...shorted.effects] }
    const trial = runTrial(engine, createHouse(system, both, templateValues, createRandom(1)), {
      complaint: { ...emptyComplaint, symptoms: [symptom], call },
    })
    expect(trial.verdict).toMatchObject({
      found: 'repair',
      repair: { id: `replace:${coil}` },
      also: { repair: { id: `replace:${transformer}` } },
    })
    expect(trial.cooked).toBe(0)
  },
)

it('on the hot side it is read behind the fuse, with that out: through it a dead primary leaves the secondary across the reading @long', () => {
  const id = 'heat-pump-o'
  const engine = engineOf(id)
  const [dead, grounded] = ['transformer-dead:transformer.primary', 'lead-to-chassis:R@outdoor 3 ohm'].map((one) => {
    const found = engine.hypotheses.find((hypothesis) => hypothesis.id === one)
    if (!found?.fault) throw new Error(`no ${one}`)
    return { ...found, fault: found.fault }
  })
  const both = { ...dead, id: 'both', fault: joinFaults(dead.fault, grounded.fault), effects: [...dead.effects, ...grounded.effects] }
  const { verdict, observations } = runTrial(engine, createHouse(systemOf(id), both, templateValues, createRandom(2)), {
    complaint: { ...emptyComplaint, symptoms: ['nothing-runs'] },
  })
  expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'lead:R@outdoor' } })
  expect(observations.some(({ bench, probe }) => bench.slot.holds === 'nothing' && probe.meter === 'ohms' && probe.a === 'R@indoor')).toBe(
    true,
  )
})

it('the fuse out parts what is ahead of it from what hangs behind: a rub that no fuse sees is named', () => {
  const id = 'furnace-ac'
  const engine = engineOf(id)
  const rub = engine.hypotheses.find((one) => one.id === 'lead-to-chassis:sec@indoor')
  if (!rub) throw new Error('no such hypothesis')
  const { verdict, observations } = runTrial(engine, createHouse(systemOf(id), rub, templateValues, createRandom(1)), {
    complaint: { ...emptyComplaint, symptoms: ['smell'] },
  })
  expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'lead:sec@indoor' } })
  expect(observations.some(({ bench, probe }) => bench.slot.holds === 'nothing' && bench.slot.open && probe.meter === 'ohms')).toBe(true)
})

it.each([
  ['furnace-two-transformers', 'lead-to-chassis:sec@indoor', 'mode-dead', 'fan'],
  ['package-heat-pump', 'ends-swapped:stat-cable.Y+C@thermostat', 'nothing-runs', null],
] as const)('on %s, what no call is ohmed through is looked for as well: %s @long', (id, cause, symptom, call) => {
  const engine = engineOf(id)
  const [dead, short] = ['transformer-dead:transformer.secondary', cause].map((one) => {
    const found = engine.hypotheses.find((hypothesis) => hypothesis.id === one)
    if (!found?.fault) throw new Error(`no ${one}`)
    return { ...found, fault: found.fault }
  })
  const both = { ...dead, id: 'both', fault: joinFaults(dead.fault, short.fault), effects: [...dead.effects, ...short.effects] }
  const { verdict, cooked } = runTrial(engine, createHouse(systemOf(id), both, templateValues, createRandom(4)), {
    complaint: { ...emptyComplaint, symptoms: [symptom], call },
  })
  // Its own half ohm and that of a winding are a meter's noise apart: named, or one of those that the group is left with.
  expect(verdict).toMatchObject({ suspects: expect.arrayContaining([expect.stringContaining(cause)]) })
  expect(cooked).toBe(0)
})

it('no volts out of it and all of them going in: the ohms of its circuits come next, the likeliest first, and a bare coil of next to nothing is the end', () => {
  const id = 'air-handler-plain'
  const live = createBench(systemOf(id))
  const dead = { ...live, power: false }
  const complaint = { ...emptyComplaint, symptoms: ['nothing-runs' as const] }
  const steps: Observation[] = [
    { id: 'out', bench: live, probe: { meter: 'volts', a: 'R@indoor', b: 'C@indoor' }, answer: 0.1 },
    { id: 'in', bench: live, probe: { meter: 'volts', a: 'L1-unit@indoor', b: 'L2-unit@indoor' }, answer: 241 },
    { id: 'secondary', bench: dead, probe: { meter: 'ohms', a: 'R@indoor', b: 'C@indoor' }, answer: 'OL' },
    { id: 'cool', bench: dead, probe: { meter: 'ohms', a: 'Y@indoor', b: 'C@indoor' }, answer: 2.4 },
    {
      id: 'coil',
      bench: { ...dead, place: 'outdoor', unplugged: ['contactor'] },
      probe: { meter: 'ohms', a: 'contactor.1@outdoor', b: 'contactor.2@outdoor' },
      answer: 1.5,
    },
  ]
  const after = (count: number) =>
    propose(engineOf(id), { complaint, observations: steps.slice(0, count), repaired: [] }, steps[count - 1].bench)
  for (const count of [2, 3, 4]) {
    const { probe, bench } = steps[count]
    expect(after(count).next).toMatchObject({ probe, bench: { power: false, unplugged: bench.unplugged } })
  }
  expect(after(5)).toMatchObject({ next: null, verdict: { repair: { id: 'replace:contactor' } } })
})

it.each([
  ['heat-pump-o', 'conductor-to-chassis:stat-cable.R 20 ohm', 'transformer-dead:transformer.secondary', 'cable-short:stat-cable.R'],
  ['zoned-furnace-ac', 'conductor-short:stat-cable-2.W+C', 'transformer-dead:panel-transformer.secondary', 'cable-short:stat-cable-2.W+C'],
])('what hangs across an open winding, or behind a zone panel, is followed to its wire: %s @long', (id, cause, dead, repair) => {
  const engine = engineOf(id)
  const [burned, short] = [dead, cause].map((one) => {
    const found = engine.hypotheses.find((hypothesis) => hypothesis.id === one)
    if (!found?.fault) throw new Error(`no ${one}`)
    return { ...found, fault: found.fault }
  })
  const both = { ...burned, id: 'both', fault: joinFaults(burned.fault, short.fault), effects: [...burned.effects, ...short.effects] }
  const { verdict, cooked } = runTrial(engine, createHouse(systemOf(id), both, templateValues, createRandom(1)), {
    complaint: { ...emptyComplaint, symptoms: ['nothing-runs'] },
  })
  expect(verdict).toMatchObject({ repair: { id: repair } })
  expect(cooked).toBe(0)
})
