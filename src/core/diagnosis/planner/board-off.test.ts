import { applyChange } from '@/src/core/bench/apply'
import { createBench } from '@/src/core/bench/bench'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { emptyComplaint } from '@/src/core/job/complaint'
import { createHouse, drawValues } from '@/src/core/practice/house'
import { runTrial } from '@/src/core/practice/trial'
import { hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { predict } from '@/src/core/readings/predict'
import { fromOhmScale } from '@/src/core/readings/prediction'
import { createRandom } from '@/src/core/units/random'
import { templateValues } from '@/src/core/wiring/values'
import { engineOf, systemOf } from '@/tests/setup/engines'

const system = systemOf('heat-pump-b')
const faultAt = (spot: string) => {
  const fault = enumerateFaults(system).find(({ id }) => id === `lead-to-chassis:${spot}@outdoor`)
  if (!fault) throw new Error(`no lead ${spot}`)
  return hypothesisOfFault(fault)
}

describe('a defrost board that passes Y', () => {
  const dead = { ...createBench(system), power: false, lifted: ['outdoor-cable.Y@outdoor', 'outdoor-cable.Y@indoor'] as const }
  const off = { ...dead, unplugged: ['defrost-board', 'high-pressure'] }
  const toMetal = (lead: string, spot: string, bench: typeof dead) => {
    const [{ at }] = predict(createLaboratory(system, templateValues), bench, faultAt(spot), {
      meter: 'ohms',
      a: `${lead}@outdoor`,
      b: 'chassis@outdoor',
    })
    return typeof at === 'number' ? fromOhmScale(at) : at
  }

  it('makes its two leads one node; unplugged, each reads by itself', () => {
    const plugged = { ...off, unplugged: ['high-pressure'] }
    for (const spot of ['Y', 'Y-out']) for (const lead of ['Y', 'Y-out']) expect(toMetal(lead, spot, plugged)).toBeLessThan(1)
    expect([toMetal('Y', 'Y', off), toMetal('Y-out', 'Y-out', off)].every((ohm) => Number(ohm) < 1)).toBe(true)
    for (const [lead, spot] of [
      ['Y-out', 'Y'],
      ['Y', 'Y-out'],
    ])
      expect(toMetal(lead, spot, off)).toBe('OL')
  })

  it.each(['Y', 'Y-out'])('is unplugged before one of them is named: %s @long', (spot) => {
    const house = createHouse(system, faultAt(spot), drawValues(system, createRandom(3)), createRandom(4))
    const { verdict, observations } = runTrial(engineOf(system.id), house, {
      complaint: { ...emptyComplaint, symptoms: ['fuse-on-call'], call: 'cool' },
    })
    expect(verdict).toMatchObject({ found: 'repair', repair: { id: `lead:${spot}@outdoor` } })
    expect(observations.some(({ bench }) => bench.unplugged.includes('defrost-board'))).toBe(true)
  })

  it('unplugs like any part with a plug; a zone panel does not', () => {
    expect(applyChange(system, createBench(system), { do: 'unplug', part: 'defrost-board' })).toMatchObject({ ok: true })
    const zoned = systemOf('zoned-furnace-ac')
    const panel = zoned.parts.find(({ kind }) => kind === 'board')
    expect(applyChange(zoned, createBench(zoned), { do: 'unplug', part: panel?.id ?? '' })).toMatchObject({ ok: false })
  })
})
