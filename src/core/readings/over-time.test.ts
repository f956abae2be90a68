import { createBench, type Jumper } from '@/src/core/bench/bench'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { isAlive } from '@/src/core/operation/state'
import { healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { runOverTime, type Script } from '@/src/core/readings/over-time'
import { worldsOf } from '@/src/core/readings/world'
import { callsOf } from '@/src/core/wiring/system'
import { catalogue, systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

const run = (systemId: string, fault: string | null, script: Script, bench: Partial<ReturnType<typeof createBench>> = {}) => {
  const system = systemById(systemId)
  if (!system) throw new Error(`no system ${systemId}`)
  const found = enumerateFaults(system).find(({ id }) => id === fault)
  if (fault !== null && !found) throw new Error(`no fault ${fault}`)
  return runOverTime(
    createLaboratory(system, templateValues),
    { ...createBench(system), ...bench },
    found ? hypothesisOfFault(found) : healthy,
    script,
  )
}

describe.each(catalogue.map((system) => [system.id, system] as const))('%s over time, sound', (_, system) => {
  it('comes to rest on every call in the state that the fixed point names', () => {
    const laboratory = createLaboratory(system, templateValues)
    for (const call of callsOf(system)) {
      const bench = { ...createBench(system), call }
      const { outcome, members } = runOverTime(laboratory, bench, healthy, { untilS: 1000 })
      expect([call, outcome]).toEqual([call, 'settled'])
      expect([call, members]).toEqual([call, worldsOf(laboratory, bench, healthy).worlds[0].settled.members])
    }
  })
})

describe('a cooling call over time', () => {
  it('brings blower relay and contactor in at once, and lets both go when it ends', () => {
    const { happenings } = run('furnace-ac', null, {
      calls: [
        { atS: 10, call: 'cool' },
        { atS: 60, call: 'off' },
      ],
      untilS: 100,
    })
    const of = (what: string) => happenings.filter((happening) => happening.what === what).map(({ atS, to }) => [Math.round(atS), to])
    expect(of('contactor')).toEqual([
      [10, 'in'],
      [60, 'out'],
    ])
    expect(of('stat')[0]).toEqual([2, 'alive'])
  })

  it('waits out the five minutes of a board with a relay of its own, and no longer', () => {
    const system = systemById('heat-pump-o')
    if (!system) throw new Error('no heat pump')
    const laboratory = createLaboratory(system, templateValues)
    const relayBoard = { ...healthy, wiring: [{ do: 'output', board: 'defrost-board', to: 'Y-out', mode: 'relay' } as const] }
    const { happenings } = runOverTime(laboratory, { ...createBench(system), call: 'cool' }, relayBoard, {
      calls: [
        { atS: 400, call: 'off' },
        { atS: 410, call: 'cool' },
      ],
      untilS: 800,
    })
    const contactor = happenings.filter(({ what }) => what === 'contactor').map(({ atS, to }) => [Math.round(atS), to])
    expect(contactor).toEqual([
      [300, 'in'],
      [400, 'out'],
      [700, 'in'],
    ])
  })

  it('says that something is still to come when the time is up before it', () => {
    const { outcome } = run('cool-strips', null, { calls: [{ atS: 10, call: 'heat' }], untilS: 25 })
    expect(outcome).toBe('under-way')
    expect(run('cool-strips', null, { calls: [{ atS: 10, call: 'heat' }], untilS: 100 }).outcome).toBe('settled')
  })

  it('closes a sequencer half a minute after its call', () => {
    const { happenings } = run('cool-strips', null, { calls: [{ atS: 10, call: 'heat' }], untilS: 100 })
    const closed = happenings.find(({ what }) => what === 'sequencer')
    expect(closed?.to).toBe('in')
    expect(closed?.atS).toBeCloseTo(40, 0)
  })
})

describe('protection over time', () => {
  const short = 'conductor-to-chassis:outdoor-cable.Y'

  it('melts a 3 A fuse within the band of its standard on a dead short', () => {
    const atFuse = (fuseShare: number) => {
      const system = systemById('furnace-ac')
      const jumpers: Jumper[] = [{ a: 'R@indoor', b: 'Y@indoor' }]
      const slot = { holds: 'fuse' as const, ratingA: 3, open: false }
      if (!system) throw new Error('no furnace')
      const { happenings } = run('furnace-ac', short, { untilS: 60, fuseShare }, { jumpers, slot })
      return happenings.find(({ what }) => what === 'fuse')?.atS ?? Number.NaN
    }
    const [quick, slow] = [atFuse(0), atFuse(1)]
    expect(quick).toBeGreaterThan(0.03)
    expect(quick).toBeLessThan(0.5)
    expect(slow).toBeGreaterThan(quick)
    expect(slow).toBeLessThan(5)
  })

  it('cooks a transformer behind a short that its fuse cannot see, and a second one the same way', () => {
    const ahead = run('furnace-ac', 'lead-to-chassis:sec@indoor', { untilS: 3600 })
    const cooked = ahead.happenings.find(({ to }) => to === 'cooked')
    expect(cooked?.what).toBe('transformer')
    expect(cooked?.atS).toBeLessThan(300)
    expect(ahead.happenings.some(({ what }) => what === 'fuse')).toBe(false)
    // In the heat of an attic sooner than in a cool basement.
    const cool = run('furnace-ac', 'lead-to-chassis:sec@indoor', { untilS: 3600, ambientC: 15 })
    expect(cool.happenings.find(({ to }) => to === 'cooked')?.atS).toBeGreaterThan(cooked?.atS ?? 0)
  })

  it('never heats a sound winding to its limit', () => {
    const { windingC, happenings } = run('furnace-ac', null, { calls: [{ atS: 5, call: 'cool' }], untilS: 7200 })
    expect(happenings.some(({ to }) => to === 'cooked')).toBe(false)
    expect(windingC).toBeGreaterThan(55)
    expect(windingC).toBeLessThan(130)
  })

  it('lets the guard of a smart thermostat beat the breaker', () => {
    const { happenings } = run('rooftop-gas', 'lead-to-chassis:Y1@package', { calls: [{ atS: 10, call: 'cool' }], untilS: 60 })
    expect(happenings.find(({ what }) => what === 'guard')).toMatchObject({ to: 'tripped' })
    expect(happenings.some(({ to }) => to === 'open')).toBe(false)
  })
})

describe('chatter over time', () => {
  it('has the period of the thermostat that dies under a short and comes back, when nothing melts', () => {
    const slot = { holds: 'fuse' as const, ratingA: 15, open: false }
    const { outcome, periodS, members } = run('furnace-ac', 'conductor-to-chassis:outdoor-cable.Y', { untilS: 120 }, { call: 'cool', slot })
    expect(outcome).toBe('chatters')
    // It lives on for its hold-up of 1.5 s and takes 2 s to come back.
    expect(periodS).toBeGreaterThan(3)
    expect(periodS).toBeLessThan(4.5)
    expect(new Set(members.map((state) => isAlive(state)))).toEqual(new Set([true, false]))
  })

  it('is that of a board which switches its output on and off', () => {
    const { outcome, periodS } = run('heat-pump-o', 'output-toggles:defrost-board.O-out', { untilS: 120 }, { call: 'cool' })
    expect(outcome).toBe('chatters')
    expect(periodS).toBeCloseTo(2, 0)
  })
})

describe('a heat pump in frost', () => {
  const heat = (fault: string | null, untilS: number) => run('heat-pump-o', fault, { untilS }, { call: 'heat' })

  it('thaws after ninety minutes on the call: valve over, strips on, for eight minutes, and then heats on', () => {
    const { happenings, outcome } = heat(null, 6500)
    const of = (what: string) => happenings.filter((happening) => happening.what === what).map(({ atS, to }) => [Math.round(atS / 60), to])
    const [[begins], [ends]] = of('defrost-board') as [number, string][]
    expect([begins, ends]).toEqual([90, 98])
    expect(of('valve')).toEqual([
      [begins, 'in'],
      [ends, 'out'],
    ])
    // A sequencer takes its time both ways.
    expect(of('sequencer').map(([, to]) => to)).toEqual(['in', 'out'])
    expect(of('contactor').map(([, to]) => to)).toEqual(['in'])
    expect(outcome).toBe('settled')
  })

  it('does not thaw when the call never reaches its board, nor when the call is over before', () => {
    expect(heat('conductor-open:outdoor-cable.Y', 6500).happenings.map(({ to }) => to)).not.toContain('defrosts')
    const short = run('heat-pump-o', null, { untilS: 6500, calls: [{ atS: 5000, call: 'off' }] }, { call: 'heat' })
    expect(short.happenings.map(({ to }) => to)).not.toContain('defrosts')
  })
})

describe('an ignition control', () => {
  it('purges and warms up before the valve, and does not begin with a limit open', () => {
    const lit = run('rooftop-gas', null, { untilS: 200, calls: [{ atS: 20, call: 'heat' }] })
    const valve = lit.happenings.find(({ what }) => what === 'gas-valve')
    expect(valve).toMatchObject({ to: 'in' })
    expect(valve?.atS).toBeGreaterThan(59)
    expect(valve?.atS).toBeLessThan(63)
    const tripped = run('rooftop-gas', 'switch-open:limit', { untilS: 200, calls: [{ atS: 20, call: 'heat' }] })
    expect(tripped.happenings.some(({ what }) => what === 'gas-valve')).toBe(false)
  })
})
