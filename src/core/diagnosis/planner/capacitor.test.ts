import { createBench } from '@/src/core/bench/bench'
import { assess } from '@/src/core/diagnosis/inference/assessment'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { emptyComplaint } from '@/src/core/job/complaint'
import { createHouse } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import type { Observation } from '@/src/core/readings/observations'
import { createRandom } from '@/src/core/units/random'
import { templateValues } from '@/src/core/wiring/values'
import { engineOf } from '@/tests/setup/engines'

const engine = engineOf('furnace-ac')
const onCool = { ...createBench(engine.system), call: 'cool' as const, place: 'outdoor' as const }
const look = (at: string, word: string, bench: Observation['bench'] = onCool): Observation => ({
  id: `${at} ${word}`,
  bench,
  probe: { meter: 'look', at },
  answer: { word },
})
const acrossCompressor: Observation = {
  id: 'across',
  bench: onCool,
  probe: { meter: 'volts', a: 'compressor-line@outdoor', b: 'L2-unit@outdoor' },
  answer: 241,
}
const leader = (...observations: Observation[]) => assess(weigh(engine, { ...noEvidence, observations })).suspects[0].id

describe('a motor that has its volts and does not turn', () => {
  it('is its capacitor where it hums, and the motor where the capacitor is within its label', () => {
    const hums = [look('compressor', 'hums'), look('condenser-fan', 'runs'), acrossCompressor]
    expect(leader(...hums)).toBe('capacitor-weak:run-capacitor.compressor')
    const off = { ...onCool, power: false }
    expect(leader(...hums, look('capacitor@run-capacitor', 'good', off))).toBe('load-dead:compressor')
  })

  it('that hums has them: a capacitor that was read bad is named with no further check', () => {
    const off = { ...onCool, power: false }
    const found = look('capacitor@run-capacitor', 'weak: compressor', off)
    const asked = (compressor: string) => {
      const observations = [look('compressor', compressor), look('condenser-fan', 'runs'), look('contactor', 'in'), found]
      return propose(engine, { ...noEvidence, observations }, off)
    }
    expect(asked('hums')).toMatchObject({ next: null, verdict: { found: 'repair', repair: { id: 'replace:run-capacitor' } } })
    expect(asked('still').verdict).toBeNull()
  })

  it('with no volts across it nothing is wrong with the capacitor', () => {
    const dead = [look('compressor', 'still'), look('condenser-fan', 'still'), { ...acrossCompressor, answer: 0.2 }]
    expect(leader(...dead)).not.toMatch(/capacitor|load-dead/)
  })

  it.each(['compressor', 'condenser-fan'])(
    'a capacitor that no longer starts the %s is found, and read by itself before it is named @long',
    (load) => {
      const truth = engine.hypotheses.find(({ id }) => id === `capacitor-weak:run-capacitor.${load}`)
      if (!truth) throw new Error('no such hypothesis')
      const house = createHouse(engine.system, truth, templateValues, createRandom(5))
      const trial = runTrial(engine, house, { complaint: { ...emptyComplaint, symptoms: ['half-works'], call: 'cool' } })
      expect(trial.verdict).toMatchObject({ found: 'repair', repair: { id: 'replace:run-capacitor' } })
      expect(
        trial.observations.some(({ probe, bench }) => probe.meter === 'look' && probe.at === 'capacitor@run-capacitor' && !bench.power),
      ).toBe(true)
    },
  )
})
