import { type Bench, type BenchChange, createBench, type Jumper } from '@/src/core/bench/bench'
import { bypassedBy, cautionOf } from '@/src/core/bench/caution'
import { owedBy } from '@/src/core/bench/owed'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'

const bench = createBench(furnaceAc)
const past: Jumper = { a: 'Y@outdoor', b: 'low-contactor@outdoor' }

describe('a jumper past safeties', () => {
  it('goes past every switch between its ends, one or two in a row', () => {
    expect(bypassedBy(furnaceAc, past).map(({ role }) => role)).toEqual(['high-pressure', 'low-pressure'])
    expect(bypassedBy(furnaceAc, { a: 'high-low@outdoor', b: 'Y@outdoor' }).map(({ role }) => role)).toEqual(['high-pressure'])
    expect(bypassedBy(furnaceAc, { a: 'R@indoor', b: 'Y@indoor' })).toEqual([])
  })

  it('goes past a board on its way, which is no safety', () => {
    const pump = systemById('heat-pump-o')
    if (!pump) throw new Error('no heat pump')
    expect(bypassedBy(pump, past).map(({ role }) => role)).toEqual(['high-pressure', 'low-pressure'])
  })

  it('is warned of by their names when it goes in, and owed by their names', () => {
    expect(cautionOf(furnaceAc, bench, { do: 'jumper', ...past })).toMatch(/bypasses the high-pressure switch and the low-pressure switch/i)
    expect(owedBy(furnaceAc, { ...bench, jumpers: [past] })).toMatchObject([
      { what: 'bypass', say: expect.stringMatching(/high-pressure switch and low-pressure switch are bypassed/i) },
    ])
  })
})

describe('a live end in the hand', () => {
  it('is warned of when R comes off with the power on, and not with it off', () => {
    const lift: BenchChange = { do: 'lift', end: 'stat-cable.R@indoor' }
    expect(cautionOf(furnaceAc, bench, lift)).toContain('live')
    expect(cautionOf(furnaceAc, { ...bench, power: false }, lift)).toBeNull()
    expect(cautionOf(furnaceAc, bench, { do: 'lift', end: 'stat-cable.G@indoor' })).toBeNull()
  })
})

describe('two wires that change places', () => {
  it('are bare with the power on, and at one end a call brings on something else', () => {
    const exchange: BenchChange = { do: 'exchange', cable: 'stat-cable', from: 'Y', to: 'W' }
    expect(cautionOf(furnaceAc, bench, exchange)).toContain('Power off first')
    expect(cautionOf(furnaceAc, { ...bench, power: false }, exchange)).toBeNull()
    expect(cautionOf(furnaceAc, { ...bench, power: false }, { ...exchange, at: 'thermostat' })).toContain('on the other terminal')
  })
})

describe('a jumper on a screw without a wire', () => {
  const jumper: BenchChange = { do: 'jumper', a: 'R@thermostat', b: 'Y@thermostat' }

  it('is warned of once the last wire is off, and not while one is on', () => {
    const lifted: Bench = { ...bench, power: false, lifted: ['stat-cable.Y@thermostat'] }
    expect(cautionOf(furnaceAc, lifted, jumper)).toContain('No wire is on Y')
    expect(cautionOf(furnaceAc, { ...lifted, lifted: [] }, jumper)).toBeNull()
    // Two wires share Y at the furnace: one of them is still on.
    expect(cautionOf(furnaceAc, { ...lifted, lifted: ['stat-cable.Y@indoor'] }, { ...jumper, a: 'R@indoor', b: 'Y@indoor' })).toBeNull()
  })
})
