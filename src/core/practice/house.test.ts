import { graded } from '@/src/core/diagnosis/hypotheses/houses'
import { createHouse } from '@/src/core/practice/house'
import { healthy } from '@/src/core/readings/hypothesis'
import { createRandom } from '@/src/core/units/random'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { hypothesisOf } from '@/tests/setup/furnace'

const open = (hypothesis = healthy) => createHouse(furnaceAc, hypothesis, templateValues, createRandom(2))

describe('time that goes by in a house', () => {
  it('cooks no transformer of a sound house, whatever is called', () => {
    const house = open()
    house.change({ do: 'call', call: 'cool' })
    expect([house.pass(10), house.pass(600)]).toEqual([false, false])
  })

  it('cooks the one that feeds a short ahead of the fuse, once, and not while the power is off', () => {
    const house = open(hypothesisOf('lead-to-chassis:sec@indoor'))
    house.change({ do: 'power', on: false })
    expect(house.pass(60)).toBe(false)
    house.change({ do: 'power', on: true })
    expect([house.pass(2), house.pass(2)]).toEqual([true, false])
  })

  it('lets it cool between two short spells', () => {
    const spell = 0.2
    const house = open(hypothesisOf('lead-to-chassis:sec@indoor'))
    for (let times = 0; times < 4; times++) {
      expect(house.pass(spell)).toBe(false)
      house.change({ do: 'power', on: false })
      house.pass(120)
      house.change({ do: 'power', on: true })
    }
  })
})

describe('what a house answers', () => {
  it('on an unplugged part is the part alone, to the degree of its damage', () => {
    const ohms = (hypothesis = healthy): number => {
      const house = open(hypothesis)
      for (const change of [
        { do: 'power', on: false },
        { do: 'unplug', part: 'contactor' },
      ] as const)
        house.change(change)
      const { answer } = house.ask({ meter: 'ohms', a: 'contactor.1@outdoor', b: 'contactor.2@outdoor' })
      if (typeof answer !== 'number') throw new Error(`read ${JSON.stringify(answer)}`)
      return answer
    }
    const shorted = hypothesisOf('coil-shorted:contactor')
    expect(ohms()).toBeGreaterThan(8)
    expect(ohms(shorted)).toBeLessThan(3)
    expect(ohms(graded(shorted, 4))).toBeGreaterThan(ohms(shorted) + 1)
  })
})
