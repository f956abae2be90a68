import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { createHouse, drawValues } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import { type Hypothesis, healthy } from '@/src/core/readings/hypothesis'
import { createRandom } from '@/src/core/units/random'
import { bodyLink } from '@/src/core/wiring/links'
import { terminalPoint } from '@/src/core/wiring/point'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { furnaceEngine, hypothesisOf } from '@/tests/setup/furnace'

const engine = furnaceEngine()

/** A search from nothing told: a house in which every call runs as it should. */
const search = (truth: Hypothesis, seed: number) =>
  runTrial(engine, createHouse(furnaceAc, truth, drawValues(furnaceAc, createRandom(seed)), createRandom(seed + 1)), {
    complaint: noEvidence.complaint,
  })

describe('a grounded wire in a house without a bond', () => {
  // Nothing blows and all runs: the second touch anywhere would be a dead short.
  it.each(['conductor-to-chassis:stat-cable.Y', 'coil-to-ground:contactor', 'conductor-to-chassis:stat-cable.R'])(
    '%s is not called sound',
    (id) => {
      const truth = { ...hypothesisOf(id), wiring: [{ do: 'open', link: bodyLink('bond') } as const] }
      const { verdict, observations } = search(truth, 3)
      expect(observations.some(({ probe }) => probe.meter === 'volts' && [probe.a, probe.b].includes('chassis@indoor'))).toBe(true)
      expect(verdict?.found).not.toBe('nothing-wrong')
    },
  )

  it('costs a sound house with its bond one reading: full volts on one call say it of all', () => {
    const { verdict, observations } = search(healthy, 4)
    expect(verdict?.found).toBe('nothing-wrong')
    const toMetal = observations.filter(({ probe }) => probe.meter === 'volts' && [probe.a, probe.b].includes('chassis@indoor'))
    expect(toMetal).toHaveLength(1)
    expect(toMetal.every(({ bench }) => bench.power && bench.call !== 'off')).toBe(true)
  })
})

describe('what a call should let rest', () => {
  it('is seen: a thermostat that joins G and Y brings on the outdoor unit with the fan', () => {
    const joined: Hypothesis = {
      ...healthy,
      id: 'joined',
      effects: [{ do: 'short', a: terminalPoint('G', 'thermostat'), b: terminalPoint('Y', 'thermostat'), ohm: 0.1, within: 'stat' }],
    }
    const { verdict, observations } = search(joined, 5)
    const outside = observations.find(({ bench, probe }) => bench.call === 'fan' && probe.meter === 'look' && probe.at === 'runs@outdoor')
    expect(outside?.answer).toEqual({ word: 'not as called' })
    expect(verdict?.found).not.toBe('nothing-wrong')
  })

  it('is seen on a call in place of with nothing called: no look more', () => {
    const { observations } = search(healthy, 4)
    expect(
      observations.filter(({ bench, probe }) => bench.call === 'off' && probe.meter === 'look' && probe.at === 'runs@outdoor'),
    ).toEqual([])
  })
})
