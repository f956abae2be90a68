import { examineDouble, examineOutside, examineWrongReading } from '@/src/core/practice/hard-cases'
import { outsideFaults } from '@/src/core/practice/outside-faults'
import { createRandom } from '@/src/core/units/random'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { furnaceEngine } from '@/tests/setup/furnace'

describe('hard cases', () => {
  it('a house is solved although one reading was plainly wrong @long', () => {
    const random = createRandom(3)
    // A search that asks for nothing but looks has no number to falsify: the next house is taken.
    const faults = [
      'conductor-open:stat-cable.Y',
      'switch-open:limit',
      'conductor-to-chassis:outdoor-cable.Y',
      'coil-open:contactor',
      'lead-to-chassis:Y@outdoor',
      'conductor-open:outdoor-cable.C',
    ]
    const sittings = faults.flatMap((fault) => examineWrongReading(furnaceEngine(), random, fault) ?? [])
    expect(sittings.length).toBeGreaterThanOrEqual(2)
    expect(sittings.filter(({ right }) => right).length).toBeGreaterThanOrEqual(sittings.length - 1)
  })

  it('two faults: names one of them, and after its repair the other @long', () => {
    const random = createRandom(33)
    const sittings = Array.from({ length: 2 }, () => examineDouble(furnaceEngine(), random))
    expect(sittings.map(({ first }) => first)).toEqual([true, true])
    for (const { bothAtOnce, secondAfterRepair } of sittings) if (bothAtOnce) expect(secondAfterRepair).toBeNull()
    expect(sittings.some(({ bothAtOnce, secondAfterRepair }) => bothAtOnce || secondAfterRepair === true)).toBe(true)
  })

  it('a fault of no catalogue is made of effects that no hypothesis of the engine has', () => {
    const catalogued = new Set(furnaceEngine().hypotheses.map(({ effects }) => JSON.stringify(effects)))
    for (const { effects } of outsideFaults(furnaceAc)) expect(catalogued).not.toContain(JSON.stringify(effects))
    const { hidden, condemned, readings } = examineOutside(furnaceEngine(), createRandom(2), 5)
    expect(outsideFaults(furnaceAc).map(({ id }) => id)).toContain(hidden)
    expect(condemned).toBe(false)
    expect(readings.length).toBeGreaterThanOrEqual(5)
  })
})
