import type { Bench } from '@/src/core/bench/bench'
import type { Observation } from '@/src/core/readings/observations'
import { terminalPoint } from '@/src/core/wiring/point'
import { firstPart } from '@/src/core/wiring/system'
import { systemOf } from '@/tests/setup/engines'
import { looked, readVolts, separationIn } from '@/tests/setup/separations'

describe('low volts behind the fuse', () => {
  it('are its holder only where the holder itself loses them under a load', () => {
    const { isMade, bench } = separationIn('furnace-ac', 'fuse-clip-loose', 'fuse')
    const heat = { ...bench, call: 'heat' as const }
    expect(isMade([readVolts(heat, 'R@indoor', 'C@indoor', 14)])).toBe(false)
    expect(isMade([readVolts(bench, 'sec@indoor', 'R@indoor', 0)])).toBe(false)
    expect(isMade([readVolts(heat, 'sec@indoor', 'R@indoor', 12)])).toBe(true)
  })

  it('are the wrong tap only with the line read, and the winding at its own leads', () => {
    const id = 'rooftop-electric'
    const [primary, secondary] = [0, 1].map((place) => separationIn(id, 'wrong-tap', '240', place))
    const behind = readVolts(primary.bench, 'R@package', 'C@package', 14)
    expect([primary.isMade([behind]), secondary.isMade([behind])]).toEqual([false, false])
    const { primary: into, secondary: outOf, place } = firstPart(systemOf(id), 'transformer')
    const at = (leads: readonly string[], volts: number) =>
      readVolts(primary.bench, terminalPoint(leads[0], place), terminalPoint(leads[1], place), volts)
    expect(primary.isMade([at(into, 208)])).toBe(true)
    expect(secondary.isMade([at(outOf, 21)])).toBe(true)
  })
})

describe('a strip that is called corroded', () => {
  it('is read from a wire to its screw under a load', () => {
    const { isMade, bench } = separationIn('furnace-ac', 'strip-corroded', 'thermostat')
    const heat = { ...bench, call: 'heat' as const }
    expect(isMade([readVolts(heat, 'R@thermostat', 'W@thermostat', 9)])).toBe(false)
    expect(isMade([readVolts(heat, 'stat-cable.R@thermostat', 'R@thermostat', 4)])).toBe(true)
  })
})

describe('a spade that is said to be off', () => {
  const { ways, isMade, bench } = separationIn('furnace-ac', 'lead-loose', 'contactor.C')
  const cold: Bench = { ...bench, place: 'outdoor', power: false }
  const through: Observation = {
    id: 'through',
    bench: cold,
    probe: { meter: 'ohms', a: 'low-contactor@outdoor', b: 'C@outdoor' },
    answer: 'OL',
  }

  it('is read through the leads of its part, cold and plugged in: a winding that opens with the heat has a path there', () => {
    expect(ways({ ...cold, unplugged: ['contactor'] })).toMatchObject([{ bench: { power: false, unplugged: [] }, probe: through.probe }])
    expect(isMade([through])).toBe(true)
  })

  it('is not told by the part alone, its leads off', () => {
    const alone: Observation = {
      ...through,
      bench: { ...cold, unplugged: ['contactor'] },
      probe: { meter: 'ohms', a: 'contactor.1@outdoor', b: 'contactor.2@outdoor' },
      answer: 15,
    }
    expect(isMade([alone])).toBe(false)
    expect(isMade([{ ...through, bench: alone.bench }])).toBe(false)
  })
})

describe('the lead of a coil on the metal, where the common is bonded to it', () => {
  it('is looked along before it is named: what was wired in across the coil reads the same', () => {
    const { ways, isMade, bench } = separationIn('rooftop-gas', 'lead-to-chassis', 'draft-ignition@package', 1)
    expect(ways(bench)).toEqual([expect.objectContaining({ probe: { meter: 'look', at: 'wiring@package' }, place: 'package' })])
    expect(isMade([looked(bench, 'landings@package', 'all landed')])).toBe(false)
    expect(isMade([looked(bench, 'wiring@package', 'sound')])).toBe(true)
    // A dead short is no winding.
    const toMetal = (answer: number): Observation => ({
      id: 'apart',
      bench: { ...bench, power: false },
      probe: { meter: 'ohms', a: 'draft-ignition@package', b: 'chassis@package' },
      answer,
    })
    expect(isMade([toMetal(10)])).toBe(false)
    expect(isMade([toMetal(0.4)])).toBe(true)
  })
})
