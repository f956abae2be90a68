import fc from 'fast-check'
import { applyChange } from '@/src/core/bench/apply'
import { type BenchChange, benchKey, createBench } from '@/src/core/bench/bench'
import { owedBy } from '@/src/core/bench/owed'
import { sparesOf, wiredNow } from '@/src/core/bench/swaps'
import { planRoute } from '@/src/core/diagnosis/planner/route'
import { stagesOf } from '@/src/core/diagnosis/planner/ways'
import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { waysOfWorking } from '@/src/core/job/ways'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import { predict } from '@/src/core/readings/predict'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { benchWith, change, furnaceEngine, hypothesisOf } from '@/tests/setup/furnace'

const swapY: BenchChange = { do: 'swap', cable: 'stat-cable', from: 'Y', to: 'brown' }
const back: BenchChange = { do: 'unswap', cable: 'stat-cable', from: 'Y' }
const volts = (fault: string | null, ...changes: BenchChange[]) =>
  predict(furnaceEngine().laboratory, benchWith(change.cool, ...changes), hypothesisOf(fault), {
    meter: 'volts',
    a: 'Y@indoor',
    b: 'C@indoor',
  })[0].at

const refusal = (wanted: BenchChange, ...changes: BenchChange[]): string => {
  const applied = applyChange(furnaceAc, benchWith(...changes), wanted)
  return applied.ok ? 'it was taken' : applied.problem
}

describe('a conductor on a spare', () => {
  it('tells whether the fault follows the conductor: the open one is out of the way', () => {
    expect(volts('conductor-open:stat-cable.Y')).toBeLessThan(5)
    expect(volts('conductor-open:stat-cable.Y', swapY)).toBeGreaterThan(22)
  })

  it('or stays: a thermostat that does not close fails on the spare, too', () => {
    expect(volts('thermostat-not-closing:stat.Y', swapY)).toBeLessThan(5)
  })

  it('serves as well as the conductor did, and as badly once its own end is lifted', () => {
    expect(Number(volts(null, swapY))).toBeCloseTo(Number(volts(null)), 1)
    expect(volts(null, swapY, { do: 'lift', end: 'stat-cable.brown@indoor' })).toBeLessThan(8)
  })

  it('is one of the free spares, of a conductor that serves, with its ends landed', () => {
    expect(refusal({ ...swapY, to: 'G' })).toContain('is not a free spare. Free: brown, orange, black')
    expect(refusal({ ...swapY, from: 'Y', to: 'orange' }, swapY)).toContain('on a spare already')
    expect(refusal({ ...swapY, from: 'G' }, swapY)).toContain('Free: orange, black')
    expect(refusal({ ...swapY, from: 'orange' })).toContain('nothing to swap')
    expect(refusal({ ...swapY, cable: 'outdoor-cable' })).toContain('has no free spare')
    expect(refusal({ do: 'lift', end: 'stat-cable.Y@indoor' }, swapY)).toContain('a spare serves in its place')
    expect(refusal(back)).toContain('on no spare')
  })

  it('takes the screws of ends that are in the hand already, and leaves nothing lifted behind', () => {
    const lifts: BenchChange[] = ['thermostat', 'indoor'].map((place) => ({ do: 'lift', end: `stat-cable.Y@${place}` }))
    const [held, straight] = [benchWith(...lifts, swapY), benchWith(swapY)]
    expect(benchKey(held)).toBe(benchKey(straight))
    expect(owedBy(furnaceAc, held)).toEqual(owedBy(furnaceAc, straight))
    // What else is in the hand stays there.
    expect(benchWith({ do: 'lift', end: 'stat-cable.G@indoor' }, ...lifts, swapY).lifted).toEqual(['stat-cable.G@indoor'])
  })

  it('is owed until it is swapped back', () => {
    const bench = benchWith(swapY)
    const [owed] = owedBy(furnaceAc, bench)
    expect(owed.say).toBe('Y (yellow) is on brown of the stat cable: swap back, or record it as the repair')
    expect(owedBy(furnaceAc, benchWith(swapY, owed.putBack))).toEqual([])
  })

  it('comes back to the bench that was, whatever was swapped', () => {
    const cable = furnaceAc.cables[0]
    const used = cable.conductors.filter(({ lands }) => lands.every((terminal) => terminal !== null)).map(({ id }) => id)
    fc.assert(
      fc.property(fc.shuffledSubarray(used, { maxLength: sparesOf(cable).length }), (moved) => {
        const spares = sparesOf(cable)
        const there = moved.map((from, index): BenchChange => ({ do: 'swap', cable: cable.id, from, to: spares[index].id }))
        const again = moved.map((from): BenchChange => ({ do: 'unswap', cable: cable.id, from }))
        const wired = wiredNow(furnaceAc, benchWith(...there).swaps)
        const landed = (conductors: typeof cable.conductors) => conductors.flatMap(({ lands }) => (lands[0] ? [lands[0]] : [])).sort()
        expect(landed(wired.cables[0].conductors)).toEqual(landed(cable.conductors))
        expect(benchKey(benchWith(...there, ...again))).toBe(benchKey(createBench(furnaceAc)))
      }),
    )
  })

  it('leaves no proposed check that hands could not set up', () => {
    const bench = benchWith(swapY)
    for (const way of waysOfWorking)
      for (const candidate of stagesOf(furnaceAc, bench, way).flat())
        expect(() => planRoute(furnaceAc, bench, candidate.bench, 'indoor', furnaceEngine().cost)).not.toThrow()
  })

  it('is the repair, and owed no more, once the repair of its cable is recorded', () => {
    const stamp = (draft: EntryDraft, index: number) => ({ id: `e${index}`, at: '2026-03-04T09:10:00Z', ...draft }) as Entry
    const repair: EntryDraft = { kind: 'repair', fault: 'conductor-open:stat-cable.Y', zone: 'stat-cable', what: 'spare used', cause: '' }
    const state = foldJob(furnaceAc, [{ kind: 'bench', change: swapY } as const, repair].map(stamp))
    expect(state.owed).toEqual([])
    expect(state.bench.swaps).toEqual([{ cable: 'stat-cable', from: 'Y', to: 'brown', kept: true }])
  })
})

describe('a swap by quick line', () => {
  const read = (line: string) => readQuickLine(line, { system: furnaceAc, entries: [], suspects: [], proposed: null })
  it('takes a letter or a colour, and goes back', () => {
    expect(read('swap stat Y to brown; swap back')).toMatchObject({
      ok: true,
      drafts: [
        { kind: 'bench', change: swapY },
        { kind: 'bench', change: back },
      ],
    })
  })

  it('points at the word that does not fit', () => {
    // One cable alone has a brown spare.
    expect(read('swap Y to brown')).toMatchObject({ ok: true, drafts: [{ change: { cable: 'stat-cable', to: 'brown' } }] })
    expect(read('swap Y')).toMatchObject({ ok: false, problem: expect.stringContaining('say "stat-cable Y" or "outdoor-cable Y"') })
    expect(read('swap stat Y')).toMatchObject({ ok: false, problem: 'Say which spare: brown, orange, black.' })
    expect(read('swap stat Y to pink')).toMatchObject({ ok: false, start: 15, end: 19 })
    expect(read('swap back')).toMatchObject({ ok: false, problem: 'No conductor is on a spare, and none are exchanged.' })
  })
})

describe('a spare on a section of the way only', () => {
  const onSection: BenchChange = { ...swapY, section: ['attic hatch', 'wall plate'] }

  it.each(['conductor-open:stat-cable.Y', 'conductor-short:stat-cable.Y+C'])('takes what is wrong along the conductor out: %s', (fault) => {
    expect(volts(fault)).toBeLessThan(8)
    expect(Number(volts(fault, onSection))).toBeCloseTo(Number(volts(null)), 1)
  })

  it('serves as well as the conductor did; its ends stay on their screws, and one that is lifted still breaks it', () => {
    expect(Number(volts(null, onSection))).toBeCloseTo(Number(volts(null)), 1)
    expect(volts(null, onSection, { do: 'lift', end: 'stat-cable.Y@indoor' })).toBeLessThan(8)
    expect(wiredNow(furnaceAc, benchWith(onSection).swaps)).toBe(furnaceAc)
  })

  it('leaves a spare that is cut: it serves nowhere else, and reads open from end to end', () => {
    expect(refusal({ ...swapY, from: 'G' }, onSection)).toContain('Free: orange, black')
    const tied: BenchChange = { do: 'jumper', a: 'stat-cable.brown@thermostat', b: 'stat-cable.orange@thermostat' }
    const loop = (...changes: BenchChange[]) =>
      predict(furnaceEngine().laboratory, benchWith({ do: 'power', on: false }, ...changes, tied), hypothesisOf(null), {
        meter: 'ohms',
        a: 'stat-cable.brown@indoor',
        b: 'stat-cable.orange@indoor',
      })[0].at
    expect(loop()).toBeLessThan(5)
    expect(loop(onSection)).toBe('OL')
  })

  it('has two ends, and is owed until it is recorded as the repair', () => {
    expect(refusal({ ...onSection, section: ['hatch', 'Hatch'] })).toContain('has two ends')
    const owed = owedBy(furnaceAc, benchWith(onSection)).map(({ say }) => say)
    expect(owed.join(' ')).toContain('Y (yellow) is on brown of the stat cable between attic hatch and wall plate')
  })
})
