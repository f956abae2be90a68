import type { Candidate } from '@/src/core/diagnosis/planner/candidate'
import { openQuestions } from '@/src/core/diagnosis/planner/question'
import type { Probe } from '@/src/core/readings/check'
import type { Observation } from '@/src/core/readings/observations'
import type { Point } from '@/src/core/wiring/point'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { benchWith, change } from '@/tests/setup/furnace'

const volts = (a: Point): Probe => ({ meter: 'volts', a, b: 'C@indoor' })

describe('what is left to ask', () => {
  const bench = benchWith(change.breaker, change.cool)
  const candidate: Candidate = {
    bench,
    probes: [volts('Y@indoor'), volts('R@indoor')].map((probe) => ({ probe, place: 'indoor' })),
  }
  const left = (asked: readonly Observation[]) => openQuestions(furnaceAc, [candidate], asked, []).flatMap(({ wanted }) => wanted)
  const dead = { ...bench, slot: { ...bench.slot, open: true } }
  const reading: Observation = { id: 'b', bench: dead, probe: volts('Y@indoor'), answer: 0.1 }

  it('is not the question that tripped the breaker and was answered on the dead circuit', () => {
    const trips: Observation = { id: 'a', bench, probe: { meter: 'trip' }, answer: { word: 'trips' } }
    expect(left([trips, reading])).toEqual([1])
  })

  it('is the same question on a live circuit when the protection had opened for another reason', () => {
    expect(left([reading])).toEqual([0, 1])
    const onFan: Observation = {
      id: 'a',
      bench: benchWith(change.breaker, change.fan),
      probe: { meter: 'trip' },
      answer: { word: 'trips' },
    }
    expect(left([onFan, reading])).toEqual([0, 1])
  })

  it('is not what runs at a unit whose motors were looked at one by one', () => {
    const whole: Candidate = { bench, probes: [{ probe: { meter: 'look', at: 'runs@outdoor' }, place: 'outdoor' }] }
    const seen = (at: string, word: string): Observation => ({ id: at, bench, probe: { meter: 'look', at }, answer: { word } })
    const open = (...asked: Observation[]) => openQuestions(furnaceAc, [whole], asked, []).length
    expect(open(seen('compressor', 'hums'))).toBe(1)
    expect(open(seen('compressor', 'hums'), seen('condenser-fan', 'runs'))).toBe(0)
  })
})
