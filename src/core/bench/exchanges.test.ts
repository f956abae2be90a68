import fc from 'fast-check'
import { applyChange } from '@/src/core/bench/apply'
import { type BenchChange, benchKey, createBench } from '@/src/core/bench/bench'
import { owedBy } from '@/src/core/bench/owed'
import { sayBench } from '@/src/core/bench/say'
import { wiredNow } from '@/src/core/bench/swaps'
import { planRoute } from '@/src/core/diagnosis/planner/route'
import { stagesOf } from '@/src/core/diagnosis/planner/ways'
import { systemAsLeft } from '@/src/core/job/as-left'
import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { waysOfWorking } from '@/src/core/job/ways'
import { predict } from '@/src/core/readings/predict'
import { cableById } from '@/src/core/wiring/system'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { benchWith, change, furnaceEngine, hypothesisOf } from '@/tests/setup/furnace'
import { standing, standingAfter } from '@/tests/setup/standing'

const both: BenchChange = { do: 'exchange', cable: 'stat-cable', from: 'Y', to: 'W' }
const atStat: BenchChange = { ...both, at: 'thermostat' }

const volts = (letter: string, fault: string | null, ...changes: BenchChange[]) =>
  Number(
    predict(furnaceEngine().laboratory, benchWith(...changes), hypothesisOf(fault), {
      meter: 'volts',
      a: `${letter}@indoor`,
      b: 'C@indoor',
    })[0].at,
  )

const refusal = (wanted: BenchChange, ...changes: BenchChange[]): string => {
  const applied = applyChange(furnaceAc, benchWith(...changes), wanted)
  return applied.ok ? 'it was taken' : applied.problem
}

describe('two conductors that change places', () => {
  it('at both ends the call goes where it went, and an open conductor takes the other call with it', () => {
    const open = 'conductor-open:stat-cable.Y'
    expect(volts('Y', null, change.cool, both)).toBeCloseTo(volts('Y', null, change.cool), 1)
    expect(volts('Y', open, change.cool)).toBeLessThan(5)
    expect(volts('Y', open, change.cool, both)).toBeGreaterThan(22)
    expect(volts('W', open, { do: 'call', call: 'heat' })).toBeGreaterThan(22)
    expect(volts('W', open, { do: 'call', call: 'heat' }, both)).toBeLessThan(5)
  })

  it('a thermostat that does not close fails on either conductor', () => {
    expect(volts('Y', 'thermostat-not-closing:stat.Y', change.cool, both)).toBeLessThan(5)
  })

  it('at one end a call for cool comes out on the other terminal', () => {
    expect(volts('W', null, change.cool, atStat)).toBeGreaterThan(22)
    expect(volts('Y', null, change.cool, atStat)).toBeLessThan(5)
  })

  it('one of them lifted besides is open, once', () => {
    expect(volts('W', null, change.cool, atStat, { do: 'lift', end: 'stat-cable.Y@thermostat' })).toBeGreaterThan(22)
    expect(volts('W', null, change.cool, atStat, { do: 'lift', end: 'stat-cable.Y@indoor' })).toBeGreaterThan(22)
    expect(volts('W', null, change.cool, atStat, { do: 'lift', end: 'stat-cable.W@indoor' })).toBeLessThan(5)
    expect(volts('Y', null, change.cool, both, { do: 'lift', end: 'stat-cable.W@indoor' })).toBeLessThan(8)
  })

  it('is of two conductors in use, each in no other place, and never of the supply at one end only', () => {
    expect(refusal({ ...both, to: 'brown' })).toContain('swap to it instead')
    expect(refusal({ ...both, to: 'Y' })).toContain('Name two different conductors')
    expect(refusal({ ...both, to: 'X' })).toContain('no conductor "X"')
    expect(refusal({ ...both, to: 'G' }, both)).toBe('Y and W of the stat cable are exchanged already: put them back first, "swap back Y".')
    expect(refusal(both, { do: 'swap', cable: 'stat-cable', from: 'W', to: 'brown' })).toContain('W of the stat cable is on a spare')
    expect(refusal({ do: 'swap', cable: 'stat-cable', from: 'W', to: 'brown' }, both)).toContain('exchanged already')
    expect(refusal({ ...atStat, to: 'R' })).toContain('R carries the supply')
    expect(refusal({ ...both, at: 'outdoor' })).toContain('does not go to "outdoor"')
    expect(refusal({ do: 'unswap', cable: 'stat-cable', from: 'G' }, both)).toContain('on no spare')
  })

  it('is owed until it is put back, and no repair makes it stay', () => {
    const bench = benchWith(both)
    expect(sayBench(furnaceAc, bench)).toEqual(['Y (yellow) and W (white) of the stat cable exchanged at both ends'])
    const [owed] = owedBy(furnaceAc, bench)
    expect(owed.say).toBe('Y (yellow) and W (white) of the stat cable exchanged at both ends: put them back')
    expect(owedBy(furnaceAc, benchWith(both, owed.putBack))).toEqual([])
    const repair: EntryDraft = { kind: 'repair', fault: 'conductor-open:stat-cable.Y', zone: 'stat-cable', what: 'splice', cause: '' }
    const stamp = (draft: EntryDraft, index: number) => ({ id: `e${index}`, at: '2026-03-04T09:10:00Z', ...draft }) as Entry
    expect(foldJob(furnaceAc, [{ kind: 'bench', change: both } as const, repair].map(stamp)).owed).toHaveLength(1)
    expect(systemAsLeft(furnaceAc, bench).cables).toEqual(furnaceAc.cables)
  })

  it('leaves no proposed check that hands could not set up @long', () => {
    for (const exchanged of [both, atStat])
      for (const way of waysOfWorking)
        for (const candidate of stagesOf(furnaceAc, benchWith(exchanged), way).flat())
          expect(() => planRoute(furnaceAc, benchWith(exchanged), candidate.bench, 'indoor', furnaceEngine().cost)).not.toThrow()
  })

  it('comes back to the bench that was, whatever was exchanged, with every screw taken once meanwhile', () => {
    const cable = furnaceAc.cables[0]
    const used = cable.conductors.filter(({ lands }) => lands.every((terminal) => terminal !== null)).map(({ id }) => id)
    fc.assert(
      fc.property(fc.shuffledSubarray(used, { minLength: 2 }), fc.boolean(), (moved, isBoth) => {
        const pairs = moved.slice(0, moved.length - (moved.length % 2)).filter((_, index) => index % 2 === 0)
        const bench = pairs.reduce((one, from, index) => {
          const at = isBoth ? {} : { at: cable.between[index % 2] }
          const applied = applyChange(furnaceAc, one, { do: 'exchange', cable: cable.id, from, to: moved[2 * index + 1], ...at })
          return applied.ok ? applied.bench : one
        }, createBench(furnaceAc))
        const wired = cableById(wiredNow(furnaceAc, bench.swaps), cable.id)
        for (const side of [0, 1])
          expect(wired?.conductors.flatMap(({ lands }) => lands[side] ?? []).sort()).toEqual(
            cable.conductors.flatMap(({ lands }) => lands[side] ?? []).sort(),
          )
        const back = bench.swaps.reduce((one, { from }) => {
          const applied = applyChange(furnaceAc, one, { do: 'unswap', cable: cable.id, from })
          return applied.ok ? applied.bench : one
        }, bench)
        expect(benchKey(back)).toBe(benchKey(createBench(furnaceAc)))
      }),
    )
  })
})

describe('as it is typed', () => {
  const atFurnace = standing('furnace-ac', 'indoor', 'on')
  const say = (read: typeof atFurnace, line: string) => {
    const understood = read(line)
    return understood.ok ? understood.say : understood.problem
  }

  it.each([
    ['exchange stat Y and W at both ends', 'exchange Y (yellow) and W (white) of the stat cable at both ends'],
    ['swapped Y and W at both ends', 'exchange Y (yellow) and W (white) of the stat cable at both ends'],
    ['switched green with yellow at the stat', 'exchange G (green) and Y (yellow) of the stat cable at the thermostat only'],
  ])('%s', (line, meant) => {
    expect(say(atFurnace, line)).toBe(meant)
  })

  it('on a zone panel by the screws there, and back', () => {
    const there = 'swapped Y1 and W1 at the panel'
    expect(say(standing('zoned-furnace-ac', 'panel', 'on'), there)).toBe(
      'exchange Y (yellow) and W (white) of the cable 1 at the zone panel only',
    )
    const back = 'put Y (yellow) and W (white) of the cable 1 back on their own screws'
    for (const line of ['swapped Y1 and W1 back', 'swapped them back', back])
      expect(say(standingAfter('zoned-furnace-ac', 'panel', [there]), line)).toBe(back)
  })

  it('which ends is asked where the line does not say', () => {
    expect(say(atFurnace, 'swapped Y and W')).toContain('At both ends, or at one?')
  })

  it('two that were found crossed are seen, and put right by changing them about', () => {
    const found = 'landings at the indoor unit: Y and W of the stat cable are swapped'
    expect(say(atFurnace, 'Y and W swapped')).toBe(found)
    expect(say(standingAfter('furnace-ac', 'indoor', ['Y and W swapped']), 'swapped Y and W')).toBe('repaired: Swapped Y and W')
  })
})
