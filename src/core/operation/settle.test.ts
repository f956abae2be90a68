import { isAlive } from '@/src/core/operation/settle'
import { worldsOf } from '@/src/core/readings/world'
import { benchWith, change, furnaceEngine, storyOf } from '@/tests/setup/furnace'

const worlds = (fault: string | null, ...changes: Parameters<typeof benchWith>) =>
  worldsOf(furnaceEngine().laboratory, benchWith(...changes), storyOf(fault))

describe('the relay fixed point', () => {
  it('settles in a sound house on every call', () => {
    for (const call of [change.fan, change.cool, change.heat]) expect(worlds(null, call).worlds[0].settled.outcome).toBe('settled')
  })

  it('chatters when a short on Y kills the thermostat that makes the call', () => {
    const [holding] = worlds('conductor-to-chassis:outdoor-cable.Y', change.breaker, change.cool).worlds
    // While the protection has not opened yet, the thermostat dies under the short, lets go, and comes back.
    expect(holding.settled.outcome).toBe('chatters')
    expect(new Set(holding.settled.members.map(isAlive))).toEqual(new Set([true, false]))
  })

  it('does not chatter when a jumper makes the call: nothing lets go', () => {
    const { worlds: both } = worlds('conductor-to-chassis:outdoor-cable.Y', change.breaker, change.jumperY)
    expect(both.map(({ settled }) => settled.outcome)).not.toContain('chatters')
  })
})
