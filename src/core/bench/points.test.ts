import { applyChange } from '@/src/core/bench/apply'
import { pinOf, problemWithPoint, sayPoint } from '@/src/core/bench/points'
import { sayPair } from '@/src/core/bench/say'
import { problemWithProbe } from '@/src/core/job/check-entry'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { benchWith, change } from '@/tests/setup/furnace'

describe("a part's own leads", () => {
  it('are points of the parts that unplug, and of no others', () => {
    expect(pinOf(furnaceAc, 'contactor.1@outdoor')).toMatchObject({ id: 'contactor' })
    expect(pinOf(furnaceAc, 'limit.2@indoor')).toMatchObject({ id: 'limit' })
    for (const point of [
      'contactor.3@outdoor',
      'contactor.1@indoor',
      'transformer.1@indoor',
      'outdoor-cable.Y@indoor',
      'Y@indoor',
    ] as const)
      expect([point, pinOf(furnaceAc, point)]).toEqual([point, null])
    expect(problemWithPoint(furnaceAc, 'contactor.2@outdoor')).toBeNull()
    expect(problemWithPoint(furnaceAc, 'contactor.3@outdoor')).toContain('no cable "contactor"')
  })

  it('are called after their part, the two together as the part itself', () => {
    expect(sayPoint(furnaceAc, 'contactor.1@outdoor')).toBe('own lead 1 of the contactor at the outdoor unit')
    expect(sayPair(furnaceAc, 'contactor.1@outdoor', 'contactor.2@outdoor')).toBe('across the contactor itself at the outdoor unit')
    expect(sayPair(furnaceAc, 'contactor.1@outdoor', 'chassis@outdoor')).toBe('own lead 1 of the contactor to chassis at the outdoor unit')
  })

  it('are read in volts and ohms, not lifted and not clamped', () => {
    const [a, b] = ['contactor.1@outdoor', 'contactor.2@outdoor'] as const
    expect(problemWithProbe(furnaceAc, benchWith(change.off), { meter: 'ohms', a, b })).toBeNull()
    expect(problemWithProbe(furnaceAc, benchWith(), { meter: 'volts', a, b })).toBeNull()
    expect(problemWithProbe(furnaceAc, benchWith(), { meter: 'amps', on: a })).toContain('A clamp goes around a conductor')
    expect(applyChange(furnaceAc, benchWith(), { do: 'lift', end: a })).toMatchObject({ ok: false })
  })
})
