import {
  expectReadings,
  forecastReading,
  hotPoints,
  leadingOverloadA,
  loadPerCall,
  suspicionByPoint,
  windingLoads,
} from '@/src/core/advice/forecast'
import type { BenchChange } from '@/src/core/bench/bench'
import { createEngine } from '@/src/core/diagnosis/engine'
import { emptyComplaint } from '@/src/core/job/complaint'
import type { Entry, EntryDraft } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import type { Point } from '@/src/core/wiring/point'
import { callsOf, firstPart } from '@/src/core/wiring/system'
import { catalogue, furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { change, furnaceEngine } from '@/tests/setup/furnace'

let count = 0
const state = (...drafts: (EntryDraft | BenchChange)[]) =>
  foldJob(
    furnaceAc,
    drafts.map(
      (draft) =>
        ({ id: `e${++count}`, at: '2026-05-04T09:10:00Z', ...('do' in draft ? { kind: 'bench', change: draft } : draft) }) as Entry,
    ),
  )
const onCool: EntryDraft = {
  kind: 'complaint',
  complaint: { ...emptyComplaint, symptoms: ['fuse-on-call'], call: 'cool', changed: ['garden-work'] },
}

describe('forecastReading', () => {
  it('tells what a rub and a sound conductor would read on the lifted end', () => {
    const at = state(onCool, change.breaker, change.off, change.liftY)
    const forecasts = forecastReading(furnaceEngine(), at, { meter: 'ohms', a: 'outdoor-cable.Y@indoor', b: 'chassis@indoor' })
    const rub = forecasts.find(({ id }) => id === 'conductor-to-chassis:outdoor-cable.Y')
    const sound = forecasts.find(({ id }) => id === 'nothing-wrong')
    expect(rub?.value).toBeLessThan(1)
    expect(sound?.value).toBeGreaterThan(8)
    expect(rub?.probability).toBeGreaterThan(sound?.probability ?? 1)
  })

  it('tells it for this house: on a low line everything is expected low', () => {
    const volts = (a: Point, b: Point, answer: number): EntryDraft => ({ kind: 'reading', probe: { meter: 'volts', a, b }, answer })
    const soundAt = (...drafts: EntryDraft[]) =>
      forecastReading(furnaceEngine(), state(onCool, change.breaker, ...drafts), {
        meter: 'volts',
        a: 'R@thermostat',
        b: 'C@thermostat',
      }).find(({ id }) => id === 'nothing-wrong')?.value ?? Number.NaN
    const usual = soundAt()
    const low = soundAt(volts('R@indoor', 'C@indoor', 0.93 * usual), volts('sec@indoor', 'C@indoor', 0.93 * usual))
    expect(low / usual).toBeGreaterThan(0.9)
    expect(low / usual).toBeLessThan(0.97)
  })
})

describe('windingLoads', () => {
  const loadsOn = (...drafts: (EntryDraft | BenchChange)[]) => windingLoads(furnaceEngine(), state(onCool, ...drafts))
  const of = (loads: ReturnType<typeof loadsOn>, id: string) => loads.find((load) => load.id === id)?.amps ?? Number.NaN

  it('is a fraction of its rating in a sound house, and many times it under the short that is suspected, hottest first', () => {
    const loads = loadsOn(change.breaker, change.jumperY)
    const rub = of(loads, 'conductor-to-chassis:outdoor-cable.Y')
    expect(of(loads, 'nothing-wrong')).toBeLessThan(1.2)
    expect(rub).toBeGreaterThan(5)
    expect(loads.map(({ amps }) => amps)).toEqual(loads.map(({ amps }) => amps).sort((a, b) => b - a))
  })

  it('is the same for both once the suspected wire is lifted off, and nothing with the power off', () => {
    const lifted = loadsOn(change.breaker, change.jumperY, change.liftY)
    expect(of(lifted, 'conductor-to-chassis:outdoor-cable.Y')).toBeCloseTo(of(lifted, 'nothing-wrong'), 1)
    for (const { amps } of loadsOn(change.off)) expect(amps).toBeLessThan(0.01)
  })
})

describe('hotPoints', () => {
  it('lights R and what a jumper feeds, not what is lifted off, and nothing with the power off', () => {
    const lit = hotPoints(furnaceEngine(), state(change.breaker, change.jumperY, change.liftY))
    expect(lit).toEqual(expect.arrayContaining(['R@thermostat', 'R@indoor', 'Y@indoor']))
    expect(lit).not.toContain('outdoor-cable.Y@indoor')
    expect(lit).not.toContain('W@indoor')
    expect(hotPoints(furnaceEngine(), state(change.off))).toEqual([])
  })
})

describe('suspicionByPoint', () => {
  it('is strongest on the conductor that the complaint points at', () => {
    const [lead] = [...suspicionByPoint(furnaceEngine(), state(onCool))].sort((a, b) => b.probability - a.probability)
    expect(lead.point).toMatch(/^outdoor-cable\.Y@/)
  })
})

describe('loadPerCall', () => {
  it.each(catalogue.map((system) => [system.id, system] as const))('keeps every call of a sound %s under its plate', (_, system) => {
    const loads = loadPerCall(createEngine(system), foldJob(system, []))
    // Heat on a transformer of its own asks nothing of the first one.
    const fed = callsOf(system).filter((call) => !(call === 'heat' && system.id === 'furnace-two-transformers'))
    expect(loads.map(({ call }) => call)).toEqual(['idle', ...fed])
    for (const { call, voltAmperes, amps, volts } of loads) {
      // A house with neither board nor electronic thermostat draws nothing until something is called.
      expect(voltAmperes).toBeGreaterThan(call === 'idle' ? 0 : 1)
      expect(voltAmperes).toBeLessThan(firstPart(system, 'transformer').va)
      expect(amps.low).toBeLessThan(amps.high)
      expect(volts.low).toBeGreaterThan(20)
    }
  })
})

describe('what the power step asks', () => {
  it('expects ranges on the bench as it stands', () => {
    const [board] = expectReadings(furnaceEngine(), state(), [{ meter: 'volts', a: 'R@indoor', b: 'C@indoor' }])
    expect(board.low).toBeGreaterThan(23)
    expect(board.high).toBeLessThan(30)
  })

  it('knows what the leading short would draw, and that an open draws nothing', () => {
    expect(leadingOverloadA(furnaceEngine(), state(onCool))).toBeGreaterThan(6)
    const dead: EntryDraft = { kind: 'complaint', complaint: { ...emptyComplaint, symptoms: ['mode-dead'], call: 'heat' } }
    expect(leadingOverloadA(furnaceEngine(), state(dead, { kind: 'trip', result: 'holds' }))).toBeNull()
  })
})
