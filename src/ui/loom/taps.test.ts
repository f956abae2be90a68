import { layoutLoom } from '@/src/core/formats/loom/layout'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { type Direction, nearestTap, tapsOf } from '@/src/ui/loom/taps'

const loom = layoutLoom(furnaceAc, { width: 832, height: 616 })
const taps = tapsOf(loom, [], [])
const at = (point: string, among = taps) => {
  const tap = among.find((candidate) => candidate.point === point)
  if (!tap) throw new Error(`no spot for ${point}`)
  return tap
}

describe('nearestTap', () => {
  it('walks along a row and from row to row', () => {
    expect(nearestTap(taps, at('R@thermostat'), 'ArrowRight').point).toBe('R@indoor')
    expect(nearestTap(taps, at('R@thermostat'), 'ArrowDown').point).toBe('Y@thermostat')
    expect(nearestTap(taps, at('W@indoor'), 'ArrowRight').point).toBe('limit-rollout@indoor')
  })

  it('reaches every spot from the first by arrows alone', () => {
    const reached = new Set([taps[0]])
    for (const tap of reached)
      for (const direction of ['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown'] as Direction[])
        reached.add(nearestTap(taps, tap, direction))
    expect(reached.size).toBe(taps.length)
  })

  it('stays when there is nothing further', () => {
    expect(nearestTap(taps, at('R@thermostat'), 'ArrowLeft').point).toBe('R@thermostat')
  })
})

describe('tapsOf', () => {
  it('has a lifted end as a spot of its own, off its terminal', () => {
    const lifted = tapsOf(loom, ['outdoor-cable.Y@indoor'], [])
    expect(lifted).toHaveLength(taps.length + 1)
    expect(at('outdoor-cable.Y@indoor', lifted).x).toBeGreaterThan(at('Y@outdoor').x - 120)
  })

  it('has an unplugged part as one spot for both probes, and only while it is unplugged', () => {
    const unplugged = tapsOf(loom, [], ['contactor'])
    expect(unplugged).toHaveLength(taps.length + 1)
    expect(at('contactor.1@outdoor', unplugged)).toMatchObject({ with: 'contactor.2@outdoor' })
  })
})
