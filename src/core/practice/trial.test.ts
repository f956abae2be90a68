import { formOpinion, proposeCheck } from '@/src/core/advice/advise'
import { emptyComplaint } from '@/src/core/job/complaint'
import { foldJob } from '@/src/core/job/fold'
import { readJobFile, writeJobFile } from '@/src/core/job/job-file'
import { createDemoJob, DEMO_FAULT } from '@/src/core/practice/demo'
import { createHouse, drawValues } from '@/src/core/practice/house'
import { drawComplaint, runTrial } from '@/src/core/practice/trial'
import { predict } from '@/src/core/readings/predict'
import { createRandom } from '@/src/core/units/random'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { benchWith, furnaceEngine, hypothesisOf } from '@/tests/setup/furnace'

describe('a simulated house', () => {
  it('has part values of its own, within reason', () => {
    const random = createRandom(9)
    const [a, b] = [drawValues(furnaceAc, random), drawValues(furnaceAc, random)]
    expect(a).not.toEqual(b)
    for (const { emf, coilOhm } of [a, b]) {
      expect(emf).toBeGreaterThan(0.9)
      expect(emf).toBeLessThan(1.1)
      expect(Object.keys(coilOhm).sort()).toEqual(['blower-relay', 'contactor', 'gas-valve'])
    }
  })

  it('blows its fuse for real: what was found good is blown after a short', () => {
    const house = createHouse(furnaceAc, hypothesisOf('conductor-short:stat-cable.R+C'), templateValues, createRandom(1))
    expect(house.ask({ meter: 'trip' })).toMatchObject({ answer: { word: 'trips' }, tripped: true })
    expect(house.ask({ meter: 'look', at: 'fuse' }).answer).toEqual({ word: 'blown' })
    expect(house.ask({ meter: 'volts', a: 'R@indoor', b: 'C@indoor' }).answer).toBeLessThan(0.5)
  })
})

describe('the proposed checks, answered by simulated houses', () => {
  const cases = [
    'conductor-to-chassis:outdoor-cable.Y',
    'conductor-open:stat-cable.C',
    'switch-open:limit',
    'coil-shorted:contactor',
    'thermostat-not-closing:stat.W',
    'not-landed:outdoor-cable.C@outdoor',
    'transformer-dead:transformer.primary',
  ]
  // Three of them on every check; the others search the same way.
  const always = [cases[0], cases[2], cases[6]]
  it.each(cases.map((id) => [id, always.includes(id) ? '' : ' @long'] as const))('end at the repair of %s%s', (id) => {
    const engine = furnaceEngine()
    const random = createRandom(cases.indexOf(id) + 40)
    const index = engine.hypotheses.findIndex(({ fault }) => fault?.id === id)
    const house = createHouse(furnaceAc, engine.hypotheses[index], drawValues(furnaceAc, random), random)
    const trial = runTrial(engine, house, { complaint: drawComplaint(engine, index, random) })
    expect(trial.verdict).toMatchObject({ found: 'repair', repair: engine.hypotheses[index].fault?.repair })
    expect(trial.fuses).toBeLessThanOrEqual(1)
    // A fuse that blew for nothing looks like a short that hides: it takes the longest of all.
    expect(trial.checks).toBeLessThan(27)
  })

  it('name a fuse that blew for nothing, beside the shorts that may only hide @long', () => {
    const engine = furnaceEngine()
    const random = createRandom(47)
    const house = createHouse(furnaceAc, hypothesisOf('fuse-only:fuse', 'blown'), drawValues(furnaceAc, random), random)
    const { verdict } = runTrial(engine, house, { complaint: emptyComplaint })
    expect(verdict?.suspects[0]).toBe('fuse-only:fuse')
  })

  it('condemn no part of a sound house', () => {
    const engine = furnaceEngine()
    const random = createRandom(77)
    const house = createHouse(furnaceAc, engine.hypotheses[0], drawValues(furnaceAc, random), random)
    expect(runTrial(engine, house, { complaint: drawComplaint(engine, 0, random) }).verdict).toMatchObject({ found: 'nothing-wrong' })
  })
})

describe('a fault that comes and goes in a house without its bond', () => {
  it('leaves the bond missing while it hides', () => {
    const laboratory = furnaceEngine().laboratory
    const hypothesis = {
      ...hypothesisOf('conductor-open:stat-cable.W'),
      intermittent: true,
      wiring: [{ do: 'open', link: 'body:bond' } as const],
    }
    const [first, second] = predict(laboratory, benchWith(), hypothesis, { meter: 'volts', a: 'R@indoor', b: 'chassis@indoor' })
    // Neither with the fault shown nor with it hidden is there the full secondary against a chassis that nothing ties down.
    for (const { at } of [first, second]) expect(at).toBeLessThan(20)
  })
})

describe('the demo job', () => {
  const job = createDemoJob('demo', new Date('2026-05-04T09:10:00Z'))

  it('stands half way: suspects, a next check, no verdict, something owed', () => {
    const state = foldJob(job.system, job.entries)
    const opinion = formOpinion(furnaceEngine(), state)
    expect(state.refused).toEqual([])
    expect(state.owed.length).toBeGreaterThan(1)
    expect(opinion.suspects[0].id).toBe(DEMO_FAULT)
    expect(opinion.suspects[0].probability).toBeLessThan(0.95)
    expect(opinion.suspects[0].why).toContain('for: ')
    expect(proposeCheck(furnaceEngine(), state)).toMatchObject({ verdict: null, next: { probe: { meter: 'ohms' } } })
  })

  it('is a job file like any other', () => {
    expect(readJobFile(writeJobFile(job))).toEqual({ ok: true, file: job })
  })
})
