import { createBench } from '@/src/core/bench/bench'
import { defaultCost, walkMinutes } from '@/src/core/bench/cost'
import { readCostModel } from '@/src/core/bench/cost-schema'
import { createEngine } from '@/src/core/diagnosis/engine'
import { withShopRates } from '@/src/core/diagnosis/hypotheses/shop-rates'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

describe('a technician with minutes of their own', () => {
  it('keeps the defaults for what they do not say', () => {
    const read = readCostModel({ handling: { lift: 3 } })
    expect(read).toEqual({ ok: true, cost: { ...defaultCost, handling: { ...defaultCost.handling, lift: 3 } } })
  })

  it('is told what does not fit', () => {
    expect(readCostModel({ handling: { lift: -1 } })).toMatchObject({ ok: false, problem: expect.stringContaining('handling.lift') })
    expect(readCostModel({ handlng: {} })).toMatchObject({ ok: false })
  })

  it('is walked past the yard when outdoors is half an hour away', () => {
    const far = {
      ...furnaceAc,
      walks: furnaceAc.walks.map((walk) => ({ ...walk, minutes: walk.between.includes('outdoor') ? 30 : walk.minutes })),
    }
    expect(walkMinutes(far, 'indoor', 'outdoor')).toBe(30)
    const next = propose(createEngine(far), noEvidence, createBench(far)).next
    expect(next?.place).not.toBe('outdoor')
  })

  it('is spared the ohmmeter when it takes them ages', () => {
    const cost = { ...defaultCost, reading: { ...defaultCost.reading, ohms: 40 } }
    expect(propose(createEngine(furnaceAc, { cost }), noEvidence, createBench(furnaceAc)).next?.probe.meter).not.toBe('ohms')
  })
})

describe('withShopRates', () => {
  const faults = enumerateFaults(furnaceAc)
  const share = (list: typeof faults, family: string) =>
    list.reduce((sum, fault) => sum + (fault.family === family ? fault.rate : 0), 0) / list.reduce((sum, { rate }) => sum + rate, 0)

  it('leaves the base rates to a shop without closed jobs', () => {
    for (const [index, { rate }] of withShopRates(faults, {}).entries()) expect(rate).toBeCloseTo(faults[index].rate, 12)
  })

  it('moves towards what the shop finds, more the more it has found, and keeps the sum', () => {
    const some = withShopRates(faults, { 'coil-open': 20 })
    const many = withShopRates(faults, { 'coil-open': 2000 })
    expect(share(some, 'coil-open')).toBeGreaterThan(share(faults, 'coil-open'))
    expect(share(many, 'coil-open')).toBeGreaterThan(0.95)
    const sum = (list: typeof faults) => list.reduce((total, { rate }) => total + rate, 0)
    expect(sum(some)).toBeCloseTo(sum(faults), 9)
  })
})
