import { createBench } from '@/src/core/bench/bench'
import { planRoute } from '@/src/core/diagnosis/planner/route'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'

const says = (route: ReturnType<typeof planRoute>) => route.changes.map((change) => Object.values(change).join(' '))

describe('the way from a call to a dead bench', () => {
  const dead = { ...createBench(furnaceAc), power: false, unplugged: ['contactor'] }
  const calling = { ...createBench(furnaceAc), call: 'cool' as const }

  it('sets the call back first for whoever stands before the thermostat, and walks once', () => {
    const route = planRoute(furnaceAc, { ...calling, place: 'thermostat' }, dead, 'outdoor')
    expect(says(route)).toEqual(['call off', 'walk indoor', 'power false', 'walk outdoor', 'unplug contactor'])
  })

  it('cuts the power first for whoever stands at the unit, when that walks less', () => {
    const route = planRoute(furnaceAc, { ...calling, place: 'indoor' }, { ...calling, power: false, call: 'off' }, 'thermostat')
    expect(says(route)).toEqual(['power false', 'walk thermostat', 'call off'])
  })

  it('cuts the power before the walk to the thermostat for whoever stands at the switch: the call may be burning the transformer', () => {
    const lost = { ...calling, power: false, call: 'off' as const, unplugged: ['gas-valve'] }
    const route = planRoute(furnaceAc, { ...calling, place: 'indoor' }, lost, 'indoor')
    expect(says(route)[0]).toBe('power false')
  })

  it('puts another call on after the power is back', () => {
    const route = planRoute(furnaceAc, { ...calling, power: false, place: 'indoor' }, { ...calling, call: 'heat' }, 'thermostat')
    expect(says(route)).toEqual(['power true', 'walk thermostat', 'call heat'])
  })
})

describe('the way to a wire that a spare serves for', () => {
  it('lifts what is landed: the wire itself is off already', () => {
    const swaps = [{ cable: 'stat-cable', from: 'Y', to: 'brown', kept: false }]
    const from = { ...createBench(furnaceAc), power: false, swaps }
    const lifted = ['stat-cable.Y@indoor', 'stat-cable.Y@thermostat', 'stat-cable.G@indoor'] as const
    expect(says(planRoute(furnaceAc, from, { ...from, lifted }, 'indoor'))).toEqual(['lift stat-cable.G@indoor'])
  })
})

describe('a call that is to have been on for minutes', () => {
  const calling = { ...createBench(furnaceAc), place: 'outdoor', call: 'cool' as const }
  const warm = { call: 'minutes', power: 'long' } as const

  it('is waited for once, and the bench tells so', () => {
    const made = planRoute(furnaceAc, { ...calling, place: 'thermostat', call: 'off' }, { ...calling, since: warm }, 'outdoor')
    expect(made.waits).toBeGreaterThanOrEqual(3)
    expect(made.bench.since).toEqual(warm)
    expect(planRoute(furnaceAc, { ...calling, since: warm }, { ...calling, since: warm }, 'outdoor').waits).toBe(0)
    expect(planRoute(furnaceAc, { ...calling, since: { ...warm, call: 'long' } }, { ...calling, since: warm }, 'indoor').waits).toBe(0)
  })

  it('says nothing of its minutes once another call is made', () => {
    expect(planRoute(furnaceAc, { ...calling, since: warm }, { ...calling, call: 'heat' }, 'thermostat').bench.since).toBeUndefined()
  })
})
