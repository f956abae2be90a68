import { createBench } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { findContradictions } from '@/src/core/diagnosis/inference/contradiction'
import { weigh } from '@/src/core/diagnosis/inference/pairs'
import { noEvidence } from '@/src/core/diagnosis/inference/posterior'
import { listSuspects } from '@/src/core/diagnosis/inference/suspects'
import { propose } from '@/src/core/diagnosis/planner/propose'
import { wrongOn } from '@/src/core/readings/landing-looks'
import type { Observation } from '@/src/core/readings/observations'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { furnaceEngine } from '@/tests/setup/furnace'

const engine = furnaceEngine()
const bench = createBench(engine.system)
const look = (at: string, word: string, on = bench): Observation => ({
  id: `${at} ${word}`,
  bench: on,
  probe: { meter: 'look', at },
  answer: { word },
})
const suspectsOf = (observations: readonly Observation[], of = engine) => {
  const evidence = { ...noEvidence, observations }
  const weighed = weigh(of, evidence)
  return { evidence, suspects: listSuspects(weighed.engine, evidence, weighed.posterior, 1) }
}

describe('what the eye saw', () => {
  it('a wire that is off leads, and nobody is asked to look again', () => {
    const off = look('landings@outdoor', 'off: outdoor-cable.C@outdoor')
    const { evidence, suspects } = suspectsOf([off])
    expect(suspects[0].id).toBe('not-landed:outdoor-cable.C@outdoor')
    expect(suspects[0].probability).toBeGreaterThan(0.9)
    expect(findContradictions(engine, evidence, suspects)).toEqual([])
    const { next } = propose(engine, evidence, bench)
    expect(next?.say ?? '').not.toMatch(/once more/i)
  })

  it('a fuse that is blown is blown, though nobody told of one: it is not looked at again', () => {
    const { evidence } = suspectsOf([look('fuse', 'blown')])
    const { next } = propose(engine, evidence, bench)
    expect(next).not.toBeNull()
    expect(next?.probe).not.toEqual({ meter: 'look', at: 'fuse' })
  })

  it('a wire seen on another screw is on that screw', () => {
    const { suspects } = suspectsOf([look('landings@outdoor', wrongOn('outdoor-cable.C@outdoor', 'Y'))])
    expect(suspects[0].id).toBe('landed-wrong:outdoor-cable.C@outdoor>Y')
  })

  it('two wires on each other’s screws beside a call that trips are one of two faults, and no odd reading', () => {
    const cool = { ...bench, call: 'cool' as const }
    const { suspects } = suspectsOf([
      { id: 'trip', bench: cool, probe: { meter: 'trip' }, answer: { word: 'trips' } },
      look('landings@indoor', 'swapped: stat-cable.Y@indoor with stat-cable.G@indoor', { ...cool, slot: { ...cool.slot, open: true } }),
    ])
    const share = (is: (id: string) => boolean) => suspects.reduce((sum, { id, probability }) => sum + (is(id) ? probability : 0), 0)
    expect(share((id) => id.includes('ends-swapped:stat-cable.Y+G@indoor'))).toBeGreaterThan(0.6)
    expect(share((id) => id.includes('ends-swapped:stat-cable.Y+G@indoor') && id.includes(' + '))).toBeGreaterThan(0.5)
  })

  it('a wire seen on another screw is so, though the fuse is blown and that blows none', () => {
    const { suspects } = suspectsOf([look('fuse', 'blown'), look('landings@indoor', wrongOn('outdoor-cable.C@indoor', 'Y'))])
    const share = suspects.reduce((sum, { id, probability }) => sum + (id.includes('outdoor-cable.C@indoor>Y') ? probability : 0), 0)
    expect(share).toBeGreaterThan(0.7)
  })

  it('copper that shows names its conductor', () => {
    const { suspects } = suspectsOf([look('wiring@outdoor-cable', 'bare: Y')])
    const ofY = suspects.filter(({ id }) => id.includes('outdoor-cable.Y')).reduce((sum, { probability }) => sum + probability, 0)
    expect(ofY).toBeGreaterThan(0.8)
  })

  it('a valve that chatters uncalled is the board that drives it, and not none of these @long', () => {
    const heatPump = systemById('heat-pump-o')
    if (!heatPump) throw new Error('no heat pump')
    const of = createEngine(heatPump)
    const { suspects } = suspectsOf([look('valve', 'chatters', { ...createBench(heatPump), call: 'heat' })], of)
    expect(suspects[0].id).toBe('output-chatters:defrost-board.O-out')
    expect(suspects.find(({ id }) => id === 'none-of-these')?.probability ?? 0).toBeLessThan(0.1)
  })
})

describe('trip, take one off, hold', () => {
  it('on a slot of 5 A: what tripped on cool and holds with outdoor Y on a spare is outdoor Y @long', () => {
    const heatPump = systemById('heat-pump-o')
    if (!heatPump) throw new Error('no heat pump')
    const of = createEngine(heatPump)
    const tried = { ...createBench(heatPump), call: 'cool' as const, slot: { holds: 'breaker' as const, ratingA: 5, open: false } }
    const trial = (word: 'trips' | 'holds', on: typeof tried): Observation => ({
      id: `${word} ${on.swaps.length}`,
      bench: on,
      probe: { meter: 'trip' },
      answer: { word },
    })
    const swapped = { ...tried, swaps: [{ cable: 'outdoor-cable', from: 'Y', to: 'black', kept: false }] }
    const { suspects } = suspectsOf([trial('trips', tried), trial('holds', swapped)], of)
    const ofY = suspects.filter(({ id }) => /outdoor-cable\.Y/.test(id)).reduce((sum, { probability }) => sum + probability, 0)
    expect(suspects[0].id).toBe('conductor-to-chassis:outdoor-cable.Y')
    expect(ofY).toBeGreaterThan(0.4)
    const without = suspectsOf([trial('trips', tried)], of).suspects
    expect(without.filter(({ id }) => /outdoor-cable\.Y/.test(id)).reduce((sum, { probability }) => sum + probability, 0)).toBeLessThan(
      0.15,
    )
  })
})

describe('what cannot be read wrong', () => {
  it('a bare coil of next to no ohm is that coil, whatever else is thought', () => {
    const off = { ...bench, power: false, unplugged: ['contactor'] }
    const { suspects } = suspectsOf([
      { id: 'coil', bench: off, probe: { meter: 'ohms', a: 'contactor.1@outdoor', b: 'contactor.2@outdoor' }, answer: 0.3 },
    ])
    expect(suspects[0].id).toBe('coil-shorted:contactor')
    expect(suspects[0].probability).toBeGreaterThan(0.9)
  })

  it('a wire seen on a wrong screw is none of these to nobody, however odd the readings before it', () => {
    const cool = { ...bench, call: 'cool' as const, place: 'outdoor' }
    const volts = (a: string, b: string, answer: number): Observation => ({
      id: `${a} ${b}`,
      bench: cool,
      probe: { meter: 'volts', a: `${a}@outdoor`, b: `${b}@outdoor` },
      answer,
    })
    const { suspects } = suspectsOf([
      volts('Y', 'C', 26),
      look('contactor', 'out', cool),
      volts('Y', 'chassis', 13),
      volts('C', 'chassis', 14),
      look('landings@indoor', 'wrong: outdoor-cable.C@indoor', { ...cool, place: 'indoor' }),
    ])
    const share = (is: (id: string) => boolean) => suspects.reduce((sum, { id, probability }) => sum + (is(id) ? probability : 0), 0)
    expect(share((id) => id.includes('outdoor-cable') && id.includes('C') && id.includes('@indoor'))).toBeGreaterThan(0.4)
    expect(share((id) => id === 'none-of-these')).toBeLessThan(0.3)
  })
})
