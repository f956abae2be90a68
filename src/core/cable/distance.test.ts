import { distanceToOpen, distanceToShort, lengthFromLoop } from '@/src/core/cable/distance'
import type { Run } from '@/src/core/cable/run'
import { copperOhm } from '@/src/core/wiring/copper'

const run: Run = { gaugeAwg: 18, toldM: 15, drawnM: 12, isNulled: true, copperC: 20 }
const perMetre = copperOhm(18, 1)

/** What a meter reads of a short so far along, from one end. */
const short = (atM: number, end: 0 | 1, contact: number, lengthM = 15, step = 0.01) => ({
  of: 'short' as const,
  end,
  ohm: Math.round((2 * perMetre * (end === 0 ? atM : lengthM - atM) + contact) / step) * step,
  step,
})

describe('the distance to a short', () => {
  it('is told from both ends whatever the contact itself has', () => {
    for (const contact of [0, 0.4, 12]) {
      const found = distanceToShort(run, [short(4.1, 0, contact), short(4.1, 1, contact)])
      expect(found?.middleM).toBeCloseTo(4.1, 0)
      expect([found && found.lowM < 4.1, found && found.highM > 4.1, found?.isUseful]).toEqual([true, true, true])
    }
  })

  it('from one end is no further off than the reading allows, and asks for the other end', () => {
    const found = distanceToShort(run, [short(4.1, 0, 0.3)])
    expect(found?.highM).toBeLessThan(1.15 * ((2 * perMetre * 4.1 + 0.3) / (2 * perMetre)))
    expect(found?.better).toContain('other end')
  })

  it('is a guess with a meter of tenths whose leads were not nulled, and says what would do better', () => {
    const brief = { ...run, toldM: 5, drawnM: 5 }
    const found = distanceToShort({ ...brief, isNulled: false }, [short(2, 0, 0.3, 5, 0.1), short(2, 1, 0.3, 5, 0.1)])
    const fine = distanceToShort(brief, [short(2, 0, 0.3, 5), short(2, 1, 0.3, 5)])
    const width = (distance: typeof found) => (distance ? distance.highM - distance.lowM : Number.NaN)
    expect(width(found)).toBeGreaterThan(1.2 * width(fine))
    expect(found).toMatchObject({ isUseful: false, better: expect.stringContaining('Null the leads') })
  })

  it('to metal counts one conductor, not two', () => {
    const at = (end: 0 | 1, metres: number) => ({ of: 'to-metal' as const, end, ohm: perMetre * metres + 0.5, step: 0.001 })
    expect(distanceToShort(run, [at(0, 6), at(1, 9)])?.middleM).toBeCloseTo(6, 0)
  })

  it('needs a reading of the short', () => {
    expect(distanceToShort(run, [])).toBeNull()
    expect(distanceToShort(run, [{ of: 'sound', end: 0, ohm: 0.6, step: 0.01 }])).toBeNull()
  })
})

describe('the length of a run', () => {
  it('comes from the loop of two sound conductors, and narrows the distance', () => {
    const loop = { of: 'sound' as const, end: 0 as const, ohm: 2 * perMetre * 21, step: 0.01 }
    const unpaced = { ...run, toldM: null }
    const length = lengthFromLoop(unpaced, [loop])
    expect(length?.middleM).toBeCloseTo(21, 0)
    const shorts = [short(8, 0, 0.2, 21), short(8, 1, 0.2, 21)]
    const [without, withLoop] = [shorts, [...shorts, loop]].map((readings) => distanceToShort(unpaced, readings))
    if (!without || !withLoop) throw new Error('no distance')
    expect(withLoop.highM - withLoop.lowM).toBeLessThan(without.highM - without.lowM)
    expect(withLoop.middleM).toBeCloseTo(8, 0)
  })
})

describe('the distance to an open', () => {
  const capacitance = (metres: number) => Math.round(metres * 60) / 1000

  it('is the share of the capacitance, from both ends or against a sound conductor', () => {
    const ends = [
      { of: 'open' as const, end: 0 as const, nF: capacitance(9.8), step: 0.001 },
      { of: 'open' as const, end: 1 as const, nF: capacitance(5.2), step: 0.001 },
    ]
    const sound = { of: 'sound' as const, end: 0 as const, nF: capacitance(15), step: 0.001 }
    for (const readings of [ends, [ends[0], sound], [...ends, sound]]) {
      const found = distanceToOpen(run, readings)
      expect(Math.abs((found?.middleM ?? 0) - 9.8)).toBeLessThan(0.7)
      expect([found && found.lowM < 9.8, found && found.highM > 9.8]).toEqual([true, true])
    }
  })

  it('is not told from one end that nothing is compared with', () => {
    expect(distanceToOpen(run, [{ of: 'open', end: 0, nF: 0.5, step: 0.01 }])).toBeNull()
  })
})
