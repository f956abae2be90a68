import { type Bench, createBench } from '@/src/core/bench/bench'
import { joinFaults } from '@/src/core/diagnosis/inference/pairs'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { seenAmiss } from '@/src/core/diagnosis/planner/again'
import { propose } from '@/src/core/diagnosis/planner/propose'
import type { Answer, Probe } from '@/src/core/readings/check'
import { factsIn, latestAnswers, type Observation, wrongShare } from '@/src/core/readings/observations'
import { predictAll } from '@/src/core/readings/predict'
import { engineOf, systemOf } from '@/tests/setup/engines'

const furnace = systemOf('furnace-ac')
const engine = engineOf('furnace-ac')
const idle: Bench = { ...createBench(furnace), slot: { ...createBench(furnace).slot, holds: 'breaker' } }
const on = (call: Bench['call'], place = 'indoor'): Bench => ({ ...idle, call, place })

let count = 0
const take = (bench: Bench, probe: Probe, answer: Answer): Observation => ({ id: `o${++count}`, bench, probe, answer })
const look = (bench: Bench, at: string, word: string) => take(bench, { meter: 'look', at }, { word })
const volts = (bench: Bench, a: string, b: string, answer: number) => take(bench, { meter: 'volts', a: a as never, b: b as never }, answer)

describe('a look that was taken twice', () => {
  const amiss = () => look(on('fan'), 'runs@indoor', 'not as called')

  it('is one fact more or less: the same eyes were misled twice; a third time is another', () => {
    const [twice] = latestAnswers([amiss(), amiss()])
    const [thrice] = latestAnswers([amiss(), amiss(), amiss()])
    const [once] = latestAnswers([amiss()])
    expect([once, twice, thrice].map(factsIn)).toEqual([1, 1, 2])
    expect(wrongShare(twice)).toBeLessThan(wrongShare(once))
    expect(wrongShare(thrice)).toBeLessThan(wrongShare(twice) / 5)
    const [read] = latestAnswers([volts(idle, 'R@indoor', 'C@indoor', 26), volts(idle, 'R@indoor', 'C@indoor', 26)])
    expect(factsIn(read)).toBe(2)
  })

  it('is taken a third time once all that was read since speaks against it', () => {
    const observations = [
      look(idle, 'runs@indoor', 'as called'),
      amiss(),
      amiss(),
      volts(idle, 'R@thermostat', 'C@thermostat', 26.2),
      look(on('fan'), 'stat', 'shows a call'),
      volts(on('fan', 'thermostat'), 'R@thermostat', 'G@thermostat', 0.04),
      volts(on('fan', 'thermostat'), 'G@thermostat', 'C@thermostat', 25.9),
      volts(on('fan'), 'G@indoor', 'C@indoor', 25.8),
      volts(on('fan'), 'W@indoor', 'C@indoor', 0.02),
      look(on('fan'), 'blower-relay', 'in'),
      look(on('fan'), 'blower', 'runs'),
    ]
    const { next } = propose(engine, { ...noEvidence, observations }, on('fan'))
    expect(next?.probe).toEqual({ meter: 'look', at: 'runs@indoor' })
    expect(next?.say).toMatch(/^Once more/)
  })
})

describe('looks that disagree', () => {
  const outside = (word: string) => look(on('fan', 'outdoor'), 'runs@outdoor', word)
  const askedAfter = (...words: string[]) =>
    propose(engine, { ...noEvidence, observations: [look(idle, 'runs@indoor', 'as called'), ...words.map(outside)] }, on('fan', 'outdoor'))
      .next

  it('are taken until two in a row agree', () => {
    const again = { probe: { meter: 'look', at: 'runs@outdoor' }, bench: { call: 'fan' } }
    expect(askedAfter('not as called', 'as called')).toMatchObject(again)
    expect(askedAfter('not as called', 'as called', 'not as called')).toMatchObject(again)
    expect(askedAfter('not as called', 'as called', 'not as called', 'as called')).toMatchObject(again)
    expect(askedAfter('not as called', 'as called', 'not as called', 'as called', 'as called')).not.toMatchObject(again)
  })

  it('what did not run in the first moments of a call and does a minute later is amiss no more', () => {
    const since = (call: 'moment' | 'minutes'): Bench => ({ ...on('fan'), since: { call, power: 'long' } })
    const early = look(since('moment'), 'runs@indoor', 'not as called')
    expect(seenAmiss(engine, [early])).toEqual([early])
    expect(seenAmiss(engine, [early, look(since('minutes'), 'runs@indoor', 'as called')])).toEqual([])
  })
})

describe('a sound house', () => {
  it('is called so within three checks of the last call that was seen to run', () => {
    const seen: Observation[] = [look(idle, 'runs@indoor', 'as called')]
    for (const call of ['fan', 'cool', 'heat'] as const)
      for (const place of ['indoor', 'outdoor']) seen.push(look(on(call, place), `runs@${place}`, 'as called'))
    let asked = 0
    for (; asked <= 3; asked++) {
      const { next, verdict } = propose(engine, { ...noEvidence, observations: seen }, seen.at(-1)?.bench ?? idle)
      if (verdict?.found === 'nothing-wrong') break
      if (!next) throw new Error('it ended without a word')
      if (next.probe.meter === 'look' && next.probe.at.startsWith('runs@')) asked = -1
      seen.push(take(next.bench, next.probe, next.outcomes[0].answer))
    }
    expect(asked).toBeLessThanOrEqual(3)
  })
})

describe('two faults', () => {
  it('are the same two, and the same two acts, whichever was thought of first', () => {
    const [one, other] = ['coil-shorted:contactor', 'transformer-dead:transformer.secondary'].map((id) => {
      const fault = engine.faults.find((each) => each.id === id)
      if (!fault) throw new Error(`no fault ${id}`)
      return fault
    })
    expect(joinFaults(one, other)).toEqual(joinFaults(other, one))
  })
})

describe('a free point', () => {
  it('that nothing live is near has no ghost: behind an open secondary the meter reads next to nothing', () => {
    const plain = engineOf('air-handler-plain')
    const open = plain.hypotheses.find(({ id }) => id === 'transformer-dead:transformer.secondary')
    if (!open) throw new Error('no such hypothesis')
    const [prediction] = predictAll(plain.laboratory, createBench(plain.system), open, [
      { meter: 'volts', a: 'R@indoor' as never, b: 'C@indoor' as never },
    ])
    expect(prediction.every(({ floating, at }) => !floating && typeof at === 'number' && at < 1)).toBe(true)
  })
})

describe('volts that were read before something was seen to stop', () => {
  const warming = (place = 'indoor'): Bench => ({ ...on('heat', place), since: { call: 'minutes', power: 'long' } })
  const told = { ...noEvidence.complaint, symptoms: ['mode-dead' as const], call: 'heat' as const }
  const before = [
    look(idle, 'landings@indoor', 'all landed'),
    volts(on('heat', 'thermostat'), 'R@thermostat', 'W@thermostat', 0.1),
    volts(on('heat'), 'W@indoor', 'C@indoor', 26.4),
    volts(on('heat'), 'rollout-valve@indoor', 'C@indoor', 26.3),
  ]

  it('are read again while it shows, before anything is switched off: a limit may have opened since', () => {
    const observations = [...before, look(warming(), 'gas-valve', 'out')]
    const { next } = propose(engine, { ...noEvidence, complaint: told, observations }, on('heat'))
    expect(next?.probe).toEqual({ meter: 'volts', a: 'rollout-valve@indoor', b: 'C@indoor' })
    expect(next?.say).toMatch(/^Once more/)
    expect(next?.bench).toMatchObject({ power: true, call: 'heat' })
  })

  it('are read once: after that the search goes on', () => {
    const observations = [...before, look(warming(), 'gas-valve', 'out'), volts(warming(), 'rollout-valve@indoor', 'C@indoor', 26.3)]
    const { next } = propose(engine, { ...noEvidence, complaint: told, observations }, on('heat'))
    expect(next?.probe).not.toEqual({ meter: 'volts', a: 'rollout-valve@indoor', b: 'C@indoor' })
  })
})
