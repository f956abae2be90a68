import { applyChange } from '@/src/core/bench/apply'
import { type Bench, type BenchChange, createBench } from '@/src/core/bench/bench'
import { owedBy } from '@/src/core/bench/owed'
import { sayBench, saySlotShort } from '@/src/core/bench/say'
import { planRoute } from '@/src/core/diagnosis/planner/route'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import type { Entry } from '@/src/core/job/entry'
import { foldJob } from '@/src/core/job/fold'
import { isGuarded } from '@/src/core/operation/state'
import { healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { worldsOf } from '@/src/core/readings/world'
import type { System } from '@/src/core/wiring/system'
import { systemSchema } from '@/src/core/wiring/system-schema'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

const known = (id: string): System => systemSchema.parse(systemById(id))
const rooftop = known('rooftop-gas')
const plain = known('air-handler-plain')

const benchAfter = (system: System, ...changes: BenchChange[]): Bench =>
  changes.reduce((bench, change) => {
    const applied = applyChange(system, bench, change)
    if (!applied.ok) throw new Error(applied.problem)
    return applied.bench
  }, createBench(system))
const trip: Entry = { id: 't', at: '2026-05-04T09:10:00Z', kind: 'trip', result: 'trips' }

describe('a breaker on the transformer', () => {
  it('trips without spending a fuse, is owed until it is reset, and is then nothing out of the ordinary', () => {
    const state = foldJob(rooftop, [trip])
    expect(state).toMatchObject({ trips: 1, fusesSpent: 0 })
    expect(state.owed).toMatchObject([{ what: 'slot', say: 'the transformer breaker tripped: reset it', putBack: { do: 'reset' } }])
    const reset = applyChange(rooftop, state.bench, { do: 'reset' })
    if (!reset.ok) throw new Error(reset.problem)
    expect(owedBy(rooftop, reset.bench)).toEqual([])
    expect(sayBench(rooftop, reset.bench)).toEqual([])
    expect([saySlotShort(rooftop, state.bench), saySlotShort(rooftop, reset.bench)]).toEqual(['tripped', 'breaker'])
  })

  it('is reset, not replaced, on the way to a live check', () => {
    const tripped = foldJob(rooftop, [trip]).bench
    const wanted: Bench = { ...tripped, slot: { holds: 'breaker', ratingA: 4, open: false } }
    expect(planRoute(rooftop, tripped, wanted, 'package').changes).toContainEqual({ do: 'reset' })
  })

  it('opens on a dead short of a call made by a jumper, and holds a sound house on all of them', () => {
    const laboratory = createLaboratory(rooftop, templateValues)
    const short = enumerateFaults(rooftop).find(({ id }) => id === 'lead-to-chassis:Y1@package')
    if (!short) throw new Error('no such fault')
    const jumper: BenchChange = { do: 'jumper', a: 'R@package', b: 'Y1@package' }
    expect(worldsOf(laboratory, benchAfter(rooftop, jumper), hypothesisOfFault(short)).trips).toBeGreaterThan(0.8)
    // Called by the smart thermostat, its guard is mostly faster than the breaker, and is so once it has shown its code.
    const cool = benchAfter(rooftop, { do: 'call', call: 'cool' })
    const called = worldsOf(laboratory, cool, hypothesisOfFault(short))
    expect(called.trips).toBeLessThan(0.3)
    expect(worldsOf(laboratory, { ...cool, guards: ['stat'] }, hypothesisOfFault(short)).trips).toBe(0)
    expect(called.worlds[0].settled.members.every((state) => isGuarded(state, laboratory.machine.thermostats[0]))).toBe(true)
    for (const call of ['fan', 'cool', 'cool-2', 'heat'] as const)
      expect(worldsOf(laboratory, benchAfter(rooftop, { do: 'call', call }), healthy).trips).toBe(0)
  })
})

describe('an old air handler without a fuse', () => {
  const laboratory = createLaboratory(plain, templateValues)
  const short = enumerateFaults(plain).find(({ id }) => id === 'conductor-to-chassis:outdoor-cable.Y')
  if (!short) throw new Error('no such fault')

  it('never trips as found: the transformer carries the short', () => {
    const { trips, overloadA } = worldsOf(laboratory, benchAfter(plain, { do: 'call', call: 'cool' }), hypothesisOfFault(short))
    expect(trips).toBe(0)
    expect(overloadA).toBeGreaterThan(4)
  })

  it('trips behind an inline breaker, which a fuse then replaces', () => {
    const bench = benchAfter(plain, { do: 'slot', holds: 'breaker' }, { do: 'jumper', a: 'R@indoor', b: 'Y@indoor' })
    expect(worldsOf(laboratory, bench, hypothesisOfFault(short)).trips).toBeGreaterThan(0.8)
    expect(owedBy(plain, bench).map(({ what }) => what)).toEqual(['jumper', 'slot'])
    expect(saySlotShort(plain, createBench(plain))).toBe('no fuse')
  })

  it('has no fuse that could have blown', () => {
    expect(enumerateFaults(plain).some(({ family }) => family === 'fuse-only')).toBe(false)
  })
})
