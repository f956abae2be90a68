import { type Bench, createBench } from '@/src/core/bench/bench'
import { computePosterior, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { hasUnmadeCall, nextReproduction } from '@/src/core/diagnosis/planner/proof'
import { emptyComplaint } from '@/src/core/job/complaint'
import type { Observation } from '@/src/core/readings/observations'
import { engineOf, systemOf } from '@/tests/setup/engines'

const engine = engineOf('furnace-ac')
const found = createBench(systemOf('furnace-ac'))
const cool = { ...found, call: 'cool' as const, place: 'outdoor' }
const complaint = { ...emptyComplaint, symptoms: ['mode-dead' as const], call: 'cool' as const }
const asked = (observations: readonly Observation[]) => {
  const evidence = { ...noEvidence, complaint, observations }
  return nextReproduction(engine, computePosterior(engine, evidence), evidence, cool, {})
}
const across = (a: string, b: string, answer: number, bench: Bench = cool): Observation => ({
  id: `${a} ${answer}`,
  bench,
  probe: { meter: 'volts', a: `${a}@outdoor`, b: `${b}@outdoor` },
  answer,
})

it('a dead mode is seen in the line volts that its motor does not get on the call', () => {
  expect(asked([])).not.toBeNull()
  expect(asked([across('compressor-line', 'L2-unit', 0.2)])).toBeNull()
})

it('volts that are there, or missing with nothing called, show nothing of it', () => {
  expect(asked([across('compressor-line', 'L2-unit', 240)])).not.toBeNull()
  expect(asked([across('compressor-line', 'L2-unit', 0.2, { ...cool, call: 'off' })])).not.toBeNull()
})

it('a house has a call that was not made until each that brings something on was', () => {
  const seen = (call: 'cool' | 'heat' | 'fan'): Observation => ({
    id: call,
    bench: { ...found, call },
    probe: { meter: 'look', at: 'runs@indoor' },
    answer: { word: 'as called' },
  })
  expect(hasUnmadeCall(engine, { ...noEvidence, observations: [seen('cool'), seen('fan')] })).toBe(true)
  expect(hasUnmadeCall(engine, { ...noEvidence, observations: [seen('cool'), seen('fan'), seen('heat')] })).toBe(false)
})
