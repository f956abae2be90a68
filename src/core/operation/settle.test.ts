import { type Bench, createBench } from '@/src/core/bench/bench'
import type { Effect } from '@/src/core/faults/effect'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import { isAlive, isPulledIn } from '@/src/core/operation/state'
import { healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { worldsOf } from '@/src/core/readings/world'
import { systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { benchWith, change, furnaceEngine, hypothesisOf } from '@/tests/setup/furnace'

const worlds = (fault: string | null, ...changes: Parameters<typeof benchWith>) =>
  worldsOf(furnaceEngine().laboratory, benchWith(...changes), hypothesisOf(fault))

describe('the relay fixed point', () => {
  it('settles in a sound house on every call', () => {
    for (const call of [change.fan, change.cool, change.heat]) expect(worlds(null, call).worlds[0].settled.outcome).toBe('settled')
  })

  it('chatters when a short on Y kills the thermostat that makes the call', () => {
    const [holding] = worlds('conductor-to-chassis:outdoor-cable.Y', change.breaker, change.cool).worlds
    // While the protection has not opened yet, the thermostat dies under the short, lets go, and comes back.
    expect(holding.settled.outcome).toBe('chatters')
    expect(new Set(holding.settled.members.map((state) => isAlive(state)))).toEqual(new Set([true, false]))
  })

  it('does not chatter when a jumper makes the call: nothing lets go', () => {
    const { worlds: both } = worlds('conductor-to-chassis:outdoor-cable.Y', change.breaker, change.jumperY)
    expect(both.map(({ settled }) => settled.outcome)).not.toContain('chatters')
  })
})

const worldOf = (systemId: string, fault: string | null, bench: Partial<Bench>) => {
  const system = systemById(systemId)
  if (!system) throw new Error(`no system ${systemId}`)
  const laboratory = createLaboratory(system, templateValues)
  const found = enumerateFaults(system).find(({ id }) => id === fault)
  const worlds = worldsOf(laboratory, { ...createBench(system), ...bench }, found ? hypothesisOfFault(found) : healthy)
  return { laboratory, ...worlds, states: worlds.worlds[0].settled }
}

describe('thermostats that live otherwise than on a common', () => {
  it('a bimetal closes its contacts with the fuse blown and the house dark', () => {
    const slot = { holds: 'fuse' as const, ratingA: 3, open: true }
    const { states } = worldOf('air-handler-plain', null, { call: 'fan', slot })
    expect(states.members.every((state) => isAlive(state))).toBe(true)
    expect(states.members.some((state) => isPulledIn(state, 0))).toBe(false)
  })

  it('a power-stealing one lives through the cooling load, stays alive while it cools, and goes blank with the load open', () => {
    expect(worldOf('furnace-no-common', null, {}).states.members.every((state) => isAlive(state))).toBe(true)
    expect(worldOf('furnace-no-common', null, { call: 'cool' }).states).toMatchObject({ outcome: 'settled' })
    expect(worldOf('furnace-no-common', null, { call: 'cool' }).states.members.every((state) => isAlive(state))).toBe(true)
    expect(worldOf('furnace-no-common', 'conductor-open:outdoor-cable.Y', {}).states.members.some((state) => isAlive(state))).toBe(false)
    // What it draws is too little to pull the contactor in.
    const { laboratory, states } = worldOf('furnace-no-common', null, {})
    const contactor = laboratory.machine.relays.findIndex(({ part }) => part.id === 'contactor')
    expect(states.members.some((state) => isPulledIn(state, contactor))).toBe(false)
  })
})

describe('a board with outputs', () => {
  const contactorIn = (fault: string | null, wiring: Effect[]) => {
    const system = systemById('heat-pump-o')
    if (!system) throw new Error('no heat pump')
    const laboratory = createLaboratory(system, templateValues)
    const found = enumerateFaults(system).find(({ id }) => id === fault)
    const hypothesis = { ...(found ? hypothesisOfFault(found) : healthy), wiring }
    const { members } = worldsOf(laboratory, { ...createBench(system), call: 'cool' }, hypothesis).worlds[0].settled
    const contactor = laboratory.machine.relays.findIndex(({ part }) => part.id === 'contactor')
    return members.every((state) => isPulledIn(state, contactor))
  }
  const relay: Effect = { do: 'output', board: 'defrost-board', to: 'Y-out', mode: 'relay' }

  it('passes the call on, or makes it with a relay of its own, with the same end', () => {
    expect([contactorIn(null, []), contactorIn(null, [relay])]).toEqual([true, true])
  })

  it('with a relay needs its own supply; a metal path does not', () => {
    expect(contactorIn('conductor-open:outdoor-cable.R', [])).toBe(true)
    expect(contactorIn('conductor-open:outdoor-cable.R', [relay])).toBe(false)
  })

  it('does not make a dead output, however it is built', () => {
    expect(contactorIn('output-dead:defrost-board.Y-out', [])).toBe(false)
    expect(contactorIn('output-dead:defrost-board.Y-out', [relay])).toBe(false)
  })
})

describe('two transformers', () => {
  it('heat on the second while the fuse of the first is out, and cool on the first alone', () => {
    const slot = { holds: 'nothing' as const, ratingA: 3, open: true }
    const heats = (bench: Partial<Bench>, relay: string) => {
      const { laboratory, states } = worldOf('furnace-two-transformers', null, bench)
      const index = laboratory.machine.relays.findIndex(({ part }) => part.id === relay)
      return states.members.every((state) => isPulledIn(state, index))
    }
    expect(heats({ call: 'heat', slot }, 'gas-valve')).toBe(true)
    expect(heats({ call: 'cool', slot }, 'contactor')).toBe(false)
    expect(heats({ call: 'cool' }, 'contactor')).toBe(true)
  })
})
