import { createBench } from '@/src/core/bench/bench'
import { graded, inDegree, isGraded, kindsOfWiring } from '@/src/core/diagnosis/hypotheses/houses'
import { computePosterior, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { type Complaint, emptyComplaint } from '@/src/core/job/complaint'
import { createHouse, drawValues } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import { healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { latestAnswers, type Observation } from '@/src/core/readings/observations'
import { createRandom } from '@/src/core/units/random'
import type { Point } from '@/src/core/wiring/point'
import { callsOf } from '@/src/core/wiring/system'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { engineOf, systemOf } from '@/tests/setup/engines'
import { furnaceEngine, hypothesisOf } from '@/tests/setup/furnace'

const engine = furnaceEngine()
const live = createBench(furnaceAc)
const volts = (id: string, a: Point, b: Point, answer: number): Observation => ({
  id,
  bench: live,
  probe: { meter: 'volts', a, b },
  answer,
})

describe('a sound house', () => {
  const house = createHouse(furnaceAc, healthy, drawValues(furnaceAc, createRandom(4)), createRandom(5))
  const trial = runTrial(engine, house, { complaint: noEvidence.complaint })

  it('is called sound only when every call has been made and what it brings on was seen, and nothing ran on', () => {
    expect(trial.verdict?.found).toBe('nothing-wrong')
    const seenOn = (call: string) =>
      trial.observations.filter(({ bench, probe }) => bench.call === call && probe.meter === 'look' && bench.power)
    for (const call of callsOf(furnaceAc)) expect([call, seenOn(call).length > 0]).toEqual([call, true])
    expect(seenOn('off').length).toBeGreaterThan(0)
  })
})

describe.each(['heat-pump-o', 'zoned-furnace-ac'])('a sound house of many calls, %s', (id) => {
  it('is told within the checks of a visit: what one call has shown at a place is not looked at again on the next @long', () => {
    const system = systemOf(id)
    const house = createHouse(system, healthy, drawValues(system, createRandom(8)), createRandom(9))
    const trial = runTrial(engineOf(id), house, { complaint: noEvidence.complaint })
    expect(trial.verdict?.found).toBe('nothing-wrong')
    const called = new Set(trial.observations.map(({ bench }) => bench.call))
    for (const call of callsOf(system)) expect(called).toContain(call)
    expect(trial.checks).toBeLessThanOrEqual(18)
  })
})

/** Looks at what runs in a house of a system, the pocket breaker in the slot, and where such a search stands. */
function lookingAt(id: string) {
  const system = systemOf(id)
  const called = (call: Observation['bench']['call']): Observation['bench'] => ({
    ...createBench(system),
    slot: { holds: 'breaker', ratingA: 3, open: false },
    call,
  })
  const seen = (call: Observation['bench']['call'], at: string, word = 'as called'): Observation => ({
    id: `${call} ${at}`,
    bench: called(call),
    probe: { meter: 'look', at },
    answer: { word },
  })
  return { engine: engineOf(id), asFound: createBench(system), called, seen }
}

describe('a look that speaks of trouble where all else is well', () => {
  it('is taken a second time at once, the call on, though a short could be behind it @long', () => {
    const { engine: heatPump, called, seen } = lookingAt('heat-pump-b')
    const observations = [
      seen('off', 'runs@indoor'),
      seen('fan', 'runs@indoor'),
      seen('cool', 'runs@outdoor'),
      seen('heat-2', 'runs@indoor', 'not as called'),
    ]
    const { next } = propose(heatPump, { ...noEvidence, observations }, called('heat-2'))
    expect(next).toMatchObject({ probe: { meter: 'look', at: 'runs@indoor' }, bench: { call: 'heat-2' } })
    expect(next?.say).toMatch(/^Once more/)
  })
})

describe('a house after a repair', () => {
  const { engine: coolStrips, called, seen, asFound } = lookingAt('cool-strips')
  const complaint: Complaint = { ...emptyComplaint, symptoms: ['blank-thermostat'] }
  const repaired = ['conductor-open:stat-cable.C']
  // Before the repair: 24 V was there, and every wire on its screw.
  const before: Observation[] = [
    { id: 'fed', bench: asFound, probe: { meter: 'volts', a: 'float-fuse@indoor', b: 'C@indoor' }, answer: 28.6 },
    { ...seen('off', 'landings@indoor', 'all landed'), bench: asFound },
  ]
  const looks = [seen('off', 'runs@indoor'), seen('off', 'runs@outdoor'), seen('fan', 'runs@indoor')]

  // A sound house is likelier than not after a repair, and its calls were all made: without the rule that would be the end.
  it('is not called sound beside a call that was seen not to run: what is behind it is looked for @long', () => {
    const observations = [...looks, seen('cool', 'runs@indoor', 'not as called'), seen('heat', 'runs@indoor')]
    const { next, verdict } = propose(coolStrips, { complaint, repaired, before, observations }, called('heat'))
    expect(verdict).toBeNull()
    expect(next).not.toBeNull()
  })

  it('is called sound once that call, too, was seen to run @long', () => {
    const observations = [...looks, seen('cool', 'runs@indoor'), seen('cool', 'runs@outdoor'), seen('heat', 'runs@indoor')]
    let { next, verdict } = propose(coolStrips, { complaint, repaired, before, observations }, called('heat'))
    for (let asked = 0; next?.probe.meter === 'look' && asked < 6; asked++) {
      const { at } = next.probe
      const word = at === 'fuse' ? 'good' : at.startsWith('landings@') ? 'all landed' : 'as called'
      observations.push({ id: `more ${asked}`, bench: next.bench, probe: next.probe, answer: { word } })
      ;({ next, verdict } = propose(coolStrips, { complaint, repaired, before, observations }, next.bench))
    }
    expect(verdict?.found).toBe('nothing-wrong')
  })
})

describe('a reading that stands against the verdict', () => {
  // Everything says that the transformer is dead.
  const dead = [
    volts('r', 'R@indoor', 'C@indoor', 0.02),
    volts('s', 'sec@indoor', 'C@indoor', 0.03),
    volts('t', 'R@thermostat', 'C@thermostat', 0.02),
    { id: 'look', bench: live, probe: { meter: 'look', at: 'fuse' }, answer: { word: 'good' } } as Observation,
  ]

  it('is surer when it is taken again and stays', () => {
    const [once] = latestAnswers([dead[0]])
    const [twice] = latestAnswers([dead[0], { ...dead[0], id: 'again', answer: 0.04 }])
    expect(once.repeats).toBeUndefined()
    expect(twice).toMatchObject({ id: 'again', repeats: 1 })
    const [changed] = latestAnswers([dead[0], { ...dead[0], id: 'again', answer: 26 }])
    expect(changed).toMatchObject({ id: 'again', answer: 26 })
    expect(changed.repeats).toBeUndefined()
    // Plain wrong twice over is a chance in thousands: what it speaks against sinks further.
    const against = (observation: Observation) => {
      const marginal = engine.store.alone(observation)
      return marginal[0] - marginal[engine.hypotheses.findIndex(({ fault }) => fault?.family === 'transformer-dead')]
    }
    expect(against(twice)).toBeLessThan(against(once) - 2)
  })

  it('keeps the part from being condemned until it has been taken again', () => {
    const line = volts('line', 'L1-unit@indoor', 'N@indoor', 121)
    const odd: Observation = { ...volts('odd', 'R@indoor', 'W@indoor', 26) }
    const { next, verdict } = propose(engine, { ...noEvidence, observations: [...dead, line, odd] }, live)
    expect(verdict).toBeNull()
    expect(next?.say).toMatch(/^Once more: volts, R to W/)
  })
})

describe('a cable that is to be opened', () => {
  it('has had its wires in the hand at both ends, or was looked at there, and was read without the thermostat @long', () => {
    const house = createHouse(
      furnaceAc,
      hypothesisOf('conductor-short:stat-cable.Y+W'),
      drawValues(furnaceAc, createRandom(3)),
      createRandom(6),
    )
    const trial = runTrial(engine, house, { complaint: noEvidence.complaint })
    expect(trial.verdict).toMatchObject({ found: 'repair', zone: 'stat-cable' })
    const looked = trial.observations.flatMap(({ probe }) => (probe.meter === 'look' ? [probe.at] : []))
    const handled = (place: string) =>
      ['Y', 'W'].every((wire) => trial.observations.some(({ bench }) => bench.lifted.includes(`stat-cable.${wire}@${place}`)))
    for (const place of ['indoor', 'thermostat']) expect(handled(place) || looked.includes(`landings@${place}`)).toBe(true)
    const without = ({ lifted, unplugged }: (typeof trial.observations)[number]['bench']) =>
      unplugged.includes('stat') || ['Y', 'W'].every((wire) => lifted.includes(`stat-cable.${wire}@thermostat`))
    expect(trial.observations.some(({ bench }) => without(bench))).toBe(true)
  })

  it('is told from the wire on the wrong screw that reads the same @long', () => {
    const house = createHouse(
      furnaceAc,
      hypothesisOf('landed-wrong:stat-cable.Y@thermostat>W'),
      drawValues(furnaceAc, createRandom(3)),
      createRandom(6),
    )
    const { verdict } = runTrial(engine, house, { complaint: noEvidence.complaint })
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'land:stat-cable.Y@thermostat' } })
  })
})

describe('a lead that is to be freed from the metal', () => {
  // Where C is bonded outdoors too, Y and C changed over there ground the call as a rubbed lead does.
  const bonded = kindsOfWiring(furnaceAc).flatMap(({ wiring }) => (wiring.some(({ do: act }) => act === 'short') ? [...wiring] : []))
  const search = (fault: string) => {
    const hypothesis = { ...hypothesisOf(fault), wiring: bonded }
    const house = createHouse(furnaceAc, hypothesis, drawValues(furnaceAc, createRandom(3)), createRandom(8))
    return runTrial(engine, house, { complaint: noEvidence.complaint })
  }

  it('is told from two wires changed over at the strip it hangs on @long', () => {
    expect(bonded).toHaveLength(1)
    expect(search('ends-swapped:outdoor-cable.Y+C@outdoor').verdict).toMatchObject({ repair: { id: 'swap:outdoor-cable.Y+C@outdoor' } })
  })

  it('is still found, its strip looked at @long', () => {
    const { observations, verdict } = search('lead-to-chassis:Y@outdoor')
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'lead:Y@outdoor' } })
    expect(observations.map(({ probe }) => probe)).toContainEqual({ meter: 'look', at: 'landings@outdoor' })
  })
})

describe('it held this time', () => {
  const held = (id: string): Observation => ({
    id,
    bench: { ...live, call: 'cool', slot: { holds: 'breaker', ratingA: 3, open: false } },
    probe: { meter: 'trip' },
    answer: { word: 'holds' },
  })
  const massAfter = (times: number) => {
    const observations = Array.from({ length: times }, (_, index) => held(`hold ${index}`))
    const { hypotheses } = computePosterior(engine, {
      ...noEvidence,
      complaint: { ...emptyComplaint, symptoms: ['fuse-now-and-then'] },
      observations,
    })
    return engine.hypotheses.reduce(
      (sum, { fault, intermittent }, index) =>
        sum + (intermittent && fault?.id === 'conductor-to-chassis:outdoor-cable.Y' ? hypotheses[index] : 0),
      0,
    )
  }

  it('speaks a little more against what comes and goes each time that it holds, and never rules it out', () => {
    const masses = [1, 2, 4, 8].map(massAfter)
    for (const [index, mass] of masses.slice(1).entries()) expect(mass).toBeLessThan(masses[index])
    expect(masses[3]).toBeGreaterThan(0)
  })
})

describe('damage by degrees', () => {
  it('moves every ohm of a touch and none of a clean open', () => {
    const rub = hypothesisOf('conductor-to-chassis:outdoor-cable.Y')
    expect(isGraded(rub)).toBe(true)
    const more = graded(rub, 3).effects[0]
    const asTold = rub.effects[0]
    if (more.do !== 'short' || asTold.do !== 'short') throw new Error('a rub is a short')
    expect(more.ohm).toBeCloseTo(3 * asTold.ohm)
    const open = hypothesisOf('conductor-open:outdoor-cable.Y')
    expect(isGraded(open)).toBe(false)
    expect(inDegree(open, 2)).toBe(open)
  })

  it('a rub of eight ohms, which no hypothesis names, is found all the same @long', () => {
    const hypothesis = graded(hypothesisOf('conductor-to-chassis:outdoor-cable.Y'), 8 / 0.2)
    const house = createHouse(furnaceAc, hypothesis, drawValues(furnaceAc, createRandom(8)), createRandom(9))
    const { verdict } = runTrial(engine, house, { complaint: noEvidence.complaint })
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'cable-short:outdoor-cable.Y' } })
  })
})

describe('a line that reads nothing across', () => {
  it('is read to ground before it is called off: an open neutral reads all of it there @long', () => {
    const engine = engineOf('furnace-no-common')
    const { system } = engine
    const fault = engine.faults.find(({ id }) => id === 'neutral-open:furnace-supply')
    if (!fault) throw new Error('no such fault')
    const house = createHouse(system, hypothesisOfFault(fault), templateValues, createRandom(6))
    const { verdict, observations } = runTrial(engine, house, { complaint: noEvidence.complaint })
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: fault.repair.id } })
    expect(observations.some(({ probe }) => probe.meter === 'volts' && [probe.a, probe.b].includes('chassis@indoor'))).toBe(true)
  })
})
