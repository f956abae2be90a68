import { createBench } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { graded, inDegree, isGraded, kindsOfWiring } from '@/src/core/diagnosis/hypotheses/houses'
import { computePosterior, noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { emptyComplaint } from '@/src/core/job/complaint'
import { createHouse, drawValues } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import { healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { latestAnswers, type Observation } from '@/src/core/readings/observations'
import { createRandom } from '@/src/core/units/random'
import { callsOf } from '@/src/core/wiring/system'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { furnaceEngine, hypothesisOf } from '@/tests/setup/furnace'

const engine = furnaceEngine()
const live = createBench(furnaceAc)
const volts = (id: string, a: string, b: string, answer: number): Observation => ({
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
  it('is told within the checks of a visit: what one call has shown at a place is not looked at again on the next', () => {
    const system = systemById(id)
    if (!system) throw new Error(`no system ${id}`)
    const house = createHouse(system, healthy, drawValues(system, createRandom(8)), createRandom(9))
    const trial = runTrial(createEngine(system), house, { complaint: noEvidence.complaint })
    expect(trial.verdict?.found).toBe('nothing-wrong')
    const called = new Set(trial.observations.map(({ bench }) => bench.call))
    for (const call of callsOf(system)) expect(called).toContain(call)
    expect(trial.checks).toBeLessThanOrEqual(18)
  })
})

describe('a look that speaks of trouble where all else is well', () => {
  const heatPump = systemById('heat-pump-b')
  if (!heatPump) throw new Error('no system heat-pump-b')
  const called = (call: Observation['bench']['call']): Observation['bench'] => ({
    ...createBench(heatPump),
    slot: { holds: 'breaker', ratingA: 3, open: false },
    call,
  })
  const look = (id: string, call: Observation['bench']['call'], at: string, word = 'as called'): Observation => ({
    id,
    bench: called(call),
    probe: { meter: 'look', at },
    answer: { word },
  })

  it('is taken a second time at once, the call on, though a short could be behind it', () => {
    const observations = [
      look('a', 'off', 'runs@indoor'),
      look('b', 'fan', 'runs@indoor'),
      look('c', 'cool', 'runs@outdoor'),
      look('d', 'heat-2', 'runs@indoor', 'not as called'),
    ]
    const { next } = propose(createEngine(heatPump), { ...noEvidence, observations }, called('heat-2'))
    expect(next).toMatchObject({ probe: { meter: 'look', at: 'runs@indoor' }, bench: { call: 'heat-2' } })
    expect(next?.say).toMatch(/^Once more/)
  })
})

describe('a house after a repair', () => {
  it('is not called sound beside a call that was seen not to run', () => {
    const system = systemById('cool-strips')
    if (!system) throw new Error('no system cool-strips')
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
    const looks = [seen('off', 'runs@indoor'), seen('off', 'runs@outdoor'), seen('fan', 'runs@indoor'), seen('heat', 'runs@indoor')]
    const after = (observations: readonly Observation[]) =>
      propose(
        createEngine(system),
        {
          complaint: { ...emptyComplaint, symptoms: ['blank-thermostat'] },
          repaired: ['conductor-open:stat-cable.C'],
          observations,
        },
        called('heat'),
      ).verdict
    expect(after([...looks, seen('cool', 'runs@indoor', 'not as called')])).toBeNull()
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
      const marginal = engine.alone(observation)
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
  it('has been looked at at its ends, and the thermostat was off the wall', () => {
    const house = createHouse(
      furnaceAc,
      hypothesisOf('conductor-short:stat-cable.Y+W'),
      drawValues(furnaceAc, createRandom(3)),
      createRandom(6),
    )
    const trial = runTrial(engine, house, { complaint: noEvidence.complaint })
    expect(trial.verdict).toMatchObject({ found: 'repair', zone: 'stat-cable' })
    const looked = trial.observations.flatMap(({ probe }) => (probe.meter === 'look' ? [probe.at] : []))
    expect(looked).toContain('landings@indoor')
    expect(trial.observations.some(({ bench }) => bench.unplugged.includes('stat'))).toBe(true)
  })

  it('is told from the wire on the wrong screw that reads the same', () => {
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
    const house = createHouse(furnaceAc, hypothesis, drawValues(furnaceAc, createRandom(3)), createRandom(6))
    return runTrial(engine, house, { complaint: noEvidence.complaint })
  }

  it('is told from two wires changed over at the strip it hangs on', () => {
    expect(bonded).toHaveLength(1)
    expect(search('ends-swapped:outdoor-cable.Y+C@outdoor').verdict).toMatchObject({ repair: { id: 'swap:outdoor-cable.Y+C@outdoor' } })
  })

  it('is still found, its strip looked at', () => {
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

  it('a rub of eight ohms, which no hypothesis names, is found all the same', () => {
    const hypothesis = graded(hypothesisOf('conductor-to-chassis:outdoor-cable.Y'), 8 / 0.2)
    const house = createHouse(furnaceAc, hypothesis, drawValues(furnaceAc, createRandom(8)), createRandom(9))
    const { verdict } = runTrial(engine, house, { complaint: noEvidence.complaint })
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: 'cable-short:outdoor-cable.Y' } })
  })
})

describe('a line that reads nothing across', () => {
  it('is read to ground before it is called off: an open neutral reads all of it there', () => {
    const system = systemById('furnace-no-common')
    if (!system) throw new Error('no such system')
    const engine = createEngine(system)
    const fault = engine.faults.find(({ id }) => id === 'neutral-open:furnace-supply')
    if (!fault) throw new Error('no such fault')
    const house = createHouse(system, hypothesisOfFault(fault), templateValues, createRandom(6))
    const { verdict, observations } = runTrial(engine, house, { complaint: noEvidence.complaint })
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: fault.repair.id } })
    expect(observations.some(({ probe }) => probe.meter === 'volts' && [probe.a, probe.b].includes('chassis@indoor'))).toBe(true)
  })
})
