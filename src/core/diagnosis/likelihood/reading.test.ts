import { computePosterior, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import type { Observation } from '@/src/core/readings/observations'
import { benchWith, change, furnaceEngine } from '@/tests/setup/furnace'

const cooling = benchWith(change.cool)
const at = (id: string, answer: number, place = 'outdoor'): Observation => ({
  id,
  bench: cooling,
  probe: { meter: 'volts', a: `Y@${place}`, b: `C@${place}` },
  answer,
})
const out: Observation = { id: 'out', bench: cooling, probe: { meter: 'look', at: 'contactor' }, answer: { word: 'out' } }
const after = (...observations: Observation[]) => computePosterior(furnaceEngine(), { ...noEvidence, observations })

it('24 volts names a circuit that is live: beside 27 on the same wire it speaks against nothing', () => {
  const read = after(at('indoor', 27, 'indoor'), out)
  const named = after(at('indoor', 27, 'indoor'), out, at('outdoor', 24))
  expect(named.noneOfThese).toBeLessThan(2 * read.noneOfThese + 0.01)
  // Any other figure is the meter's: three volts are lost on the way.
  const measured = after(at('indoor', 27, 'indoor'), out, at('outdoor', 23.9))
  expect(measured.noneOfThese).toBeGreaterThan(named.noneOfThese)
  // A dead wire is no live one.
  const open = furnaceEngine().hypotheses.findIndex(({ id }) => id === 'conductor-open:outdoor-cable.Y')
  const dead = after(at('indoor', 27, 'indoor'), out, at('outdoor', 0))
  expect(named.hypotheses[open]).toBeLessThan(dead.hypotheses[open] / 20)
})
