import fc from 'fast-check'
import { applyChange } from '@/src/core/bench/apply'
import { type Bench, type BenchChange, benchKey, createBench } from '@/src/core/bench/bench'
import { owedBy } from '@/src/core/bench/owed'
import { sayBench, sayChange, sayPair } from '@/src/core/bench/say'
import { conductorEnd } from '@/src/core/wiring/point'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

const start = createBench(furnaceAc)

const benchAfter = (...changes: BenchChange[]): Bench =>
  changes.reduce((bench, change) => {
    const applied = applyChange(furnaceAc, bench, change)
    if (!applied.ok) throw new Error(applied.problem)
    return applied.bench
  }, start)

const problem = (bench: Bench, change: BenchChange): string => {
  const applied = applyChange(furnaceAc, bench, change)
  return applied.ok ? 'it was taken' : applied.problem
}

const liftY: BenchChange = { do: 'lift', end: 'outdoor-cable.Y@indoor' }
const jumperY: BenchChange = { do: 'jumper', a: 'R@indoor', b: 'Y@indoor' }

describe('applyChange', () => {
  it('refuses a jumper that would join R and C, however it gets there', () => {
    expect(problem(start, { do: 'jumper', a: 'R@indoor', b: 'C@indoor' })).toContain('dead short')
    expect(problem(start, { do: 'jumper', a: 'R@thermostat', b: 'C@outdoor' })).toContain('dead short')
    expect(problem(start, { do: 'jumper', a: 'R@indoor', b: 'chassis@outdoor' })).toContain('dead short')
    expect(problem(benchAfter(jumperY), { do: 'jumper', a: 'Y@outdoor', b: 'C@outdoor' })).toContain('dead short')
  })

  it('lets the same jumper in once the conductor between is lifted', () => {
    expect(problem(benchAfter(jumperY, liftY), { do: 'jumper', a: 'Y@outdoor', b: 'C@outdoor' })).toBe('it was taken')
  })

  it('lifts an end once, lands it once, and says so otherwise', () => {
    const lifted = benchAfter(liftY)
    expect(lifted.lifted).toEqual(['outdoor-cable.Y@indoor'])
    expect(problem(lifted, liftY)).toContain('lifted already')
    expect(problem(start, { do: 'land', end: 'outdoor-cable.Y@indoor' })).toContain('is not lifted')
    expect(problem(start, { do: 'lift', end: 'Y@indoor' })).toContain('is a terminal or')
  })

  it('says what there is instead of what there is not', () => {
    expect(problem(start, { do: 'jumper', a: 'R@indoor', b: 'Q@indoor' })).toContain('There is no "Q" at the indoor unit. It has R, Y, G')
    expect(problem(start, { do: 'lift', end: 'garden-cable.Y@indoor' })).toContain('Cables here: stat-cable, outdoor-cable')
    expect(problem(start, { do: 'walk', place: 'roof' })).toContain('Places here: thermostat, indoor, outdoor')
    expect(problem(start, { do: 'unplug', part: 'bond' })).toContain('does not unplug')
    expect(problem(start, { do: 'reset' })).toContain('no breaker in the fuse slot')
  })

  it('leaves the bench before untouched', () => {
    const frozen = JSON.stringify(start)
    benchAfter(liftY, jumperY, { do: 'power', on: false })
    expect(JSON.stringify(start)).toBe(frozen)
  })
})

describe('owedBy', () => {
  it('owes nothing on a bench as found', () => {
    expect(owedBy(furnaceAc, start)).toEqual([])
  })

  it('names a bypassed switch as a bypass, and what can hurt first', () => {
    const owed = owedBy(
      furnaceAc,
      benchAfter(liftY, { do: 'jumper', a: 'Y@outdoor', b: 'high-low@outdoor' }, { do: 'panel', place: 'outdoor', on: false }),
    )
    expect(owed.map(({ what }) => what)).toEqual(['bypass', 'lifted', 'panel'])
    expect(owed[0].say).toBe('high-pressure switch is bypassed')
  })

  it('owes the printed fuse while a breaker, nothing or the wrong fuse is in the slot', () => {
    for (const change of [
      { do: 'slot', holds: 'breaker' },
      { do: 'slot', holds: 'nothing' },
      { do: 'slot', holds: 'fuse', ratingA: 5 },
    ] as BenchChange[])
      expect(owedBy(furnaceAc, benchAfter(change))).toMatchObject([{ what: 'slot', putBack: { holds: 'fuse', ratingA: 3 } }])
    expect(owedBy(furnaceAc, benchAfter({ do: 'slot', holds: 'fuse', ratingA: 3 }))).toEqual([])
  })

  it('is paid in full by its own put-backs, whatever was done', () => {
    const changeArb = fc.oneof(
      fc.constantFrom<BenchChange>(
        { do: 'power', on: false },
        { do: 'call', call: 'cool' },
        { do: 'slot', holds: 'breaker' },
        { do: 'slot', holds: 'fuse', ratingA: 5 },
        { do: 'panel', place: 'indoor', on: false },
        { do: 'unplug', part: 'contactor' },
        { do: 'unplug', part: 'stat' },
        jumperY,
        { do: 'jumper', a: 'W@indoor', b: 'limit-rollout@indoor' },
      ),
      fc
        .constantFrom(
          ...furnaceAc.cables.flatMap((cable) => cable.conductors.slice(0, 2).map(({ id }) => conductorEnd(cable.id, id, 'indoor'))),
        )
        .map((end): BenchChange => ({ do: 'lift', end })),
    )
    fc.assert(
      fc.property(fc.array(changeArb, { maxLength: 12 }), (changes) => {
        let bench = start
        for (const change of changes) {
          const applied = applyChange(furnaceAc, bench, change)
          if (applied.ok) bench = applied.bench
        }
        for (const { putBack } of owedBy(furnaceAc, bench)) {
          const applied = applyChange(furnaceAc, bench, putBack)
          expect(applied).toMatchObject({ ok: true })
          if (applied.ok) bench = applied.bench
        }
        expect(owedBy(furnaceAc, bench)).toEqual([])
        expect(sayBench(furnaceAc, bench).filter((phrase) => !phrase.includes('fuse in'))).toEqual([])
      }),
      { seed: 5, numRuns: 150 },
    )
  })
})

describe('words for the bench', () => {
  it('says the place once when both points share it', () => {
    expect(sayPair(furnaceAc, 'R@indoor', 'C@indoor')).toBe('R to C at the indoor unit')
    expect(sayPair(furnaceAc, 'outdoor-cable.Y@indoor', 'outdoor-cable.C@indoor')).toBe(
      'Y (red) to C (white) of the outdoor cable at the indoor unit',
    )
    expect(sayPair(furnaceAc, 'outdoor-cable.Y@indoor', 'chassis@indoor')).toBe(
      'Y (red) of the outdoor cable to chassis at the indoor unit',
    )
    expect(sayPair(furnaceAc, 'Y@indoor', 'Y@outdoor')).toBe('Y at the indoor unit to Y at the outdoor unit')
  })

  it('calls a lead by the parts that it joins', () => {
    expect(sayChange(furnaceAc, { do: 'jumper', a: 'limit-rollout@indoor', b: 'W@indoor' })).toBe(
      'jumper lead from limit switch to rollout switch to W at the indoor unit',
    )
  })

  it('has one key for one electrical bench, wherever the technician stands', () => {
    expect(benchKey(benchAfter({ do: 'walk', place: 'outdoor' }))).toBe(benchKey(start))
    expect(benchKey(benchAfter(liftY, jumperY))).toBe(benchKey(benchAfter({ do: 'jumper', a: 'Y@indoor', b: 'R@indoor' }, liftY)))
    expect(benchKey(benchAfter(liftY))).not.toBe(benchKey(start))
  })
})
