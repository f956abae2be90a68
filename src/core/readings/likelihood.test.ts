import fc from 'fast-check'
import { likelihood, likelihoodOfAnything, misfit, WRONG_READING } from '@/src/core/readings/likelihood'
import { onOhmScale, type Prediction } from '@/src/core/readings/prediction'

const volts: Prediction = [{ weight: 1, at: 26.5, sigma: 0.8, floating: false }]
const rub: Prediction = [{ weight: 1, at: onOhmScale(0.4), sigma: 0.2, floating: false }]
const open: Prediction = [{ weight: 1, at: 'OL', sigma: 1, floating: false }]
const ghost: Prediction = [{ weight: 1, at: 9, sigma: 3, floating: true }]

describe('likelihood', () => {
  it('is highest where the reading was expected', () => {
    expect(likelihood(26.5, volts, 'volts', 0)).toBeGreaterThan(likelihood(24, volts, 'volts', 0))
    expect(likelihood(24, volts, 'volts', 0)).toBeGreaterThan(likelihood(3, volts, 'volts', 0))
  })

  it('never makes a reading impossible: two in a hundred are plain wrong', () => {
    expect(likelihood(0, volts, 'volts', 0)).toBeGreaterThan(0)
    expect(likelihood(0, volts, 'volts', 0)).toBeCloseTo(WRONG_READING * likelihoodOfAnything(0, 'volts', 0), 9)
  })

  it('tells a rub from OL by a wide margin', () => {
    expect(likelihood('OL', open, 'ohms', 0) / likelihood('OL', rub, 'ohms', 0)).toBeGreaterThan(100)
    expect(likelihood(0.5, rub, 'ohms', 0) / likelihood(0.5, open, 'ohms', 0)).toBeGreaterThan(100)
  })

  it('lets a floating point read almost anything', () => {
    const ratio = likelihood(9, ghost, 'volts', 0) / likelihood(22, ghost, 'volts', 0)
    expect(ratio).toBeGreaterThan(1)
    expect(ratio).toBeLessThan(6)
  })

  it('adds up to one over bands that cover the whole scale', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 30, noNaN: true }), fc.double({ min: 1, max: 29, noNaN: true }), (at, cut) => {
        const prediction: Prediction = [{ weight: 1, at, sigma: 0.3 + 0.03 * at, floating: false }]
        const below = likelihood({ low: 0, high: cut }, prediction, 'volts', 0)
        const above = likelihood({ low: cut, high: 60 }, prediction, 'volts', 0)
        expect(below + above).toBeGreaterThan(0.97)
        expect(below + above).toBeLessThan(1.03)
      }),
      { seed: 4 },
    )
  })

  it.each(['volts', 'line-volts', 'amps', 'ohms'] as const)(
    'gives anything at all no more in a band down to nothing than its share, %s',
    (scale) => {
      const whole = likelihoodOfAnything({ low: 0, high: 60e6 }, scale, 0)
      const halves = [3, 60e6].map((high, index) => likelihoodOfAnything({ low: index === 0 ? 0 : 3, high }, scale, 0))
      expect(halves[0]).toBeLessThan(0.6 * whole)
      expect(halves[0] + halves[1]).toBeCloseTo(whole, 9)
    },
  )

  it('takes a word as it is', () => {
    const trips: Prediction = [
      { weight: 0.9, at: { word: 'trips' }, sigma: 1, floating: false },
      { weight: 0.1, at: { word: 'holds' }, sigma: 1, floating: false },
    ]
    expect(likelihood({ word: 'trips' }, trips, 'word', 2)).toBeCloseTo(0.98 * 0.9 + 0.02 / 2)
  })
})

describe('misfit', () => {
  it('counts standard deviations from the nearest part of a prediction', () => {
    expect(misfit(26.5, volts, 'volts')).toBeCloseTo(0)
    expect(misfit(24.1, volts, 'volts')).toBeCloseTo(3)
    expect(misfit('OL', open, 'ohms')).toBe(0)
    expect(misfit(0.4, open, 'ohms')).toBe(9)
    expect(misfit({ low: 20, high: 30 }, volts, 'volts')).toBe(0)
  })

  it('forgives a floating point', () => {
    expect(misfit(22, ghost, 'volts')).toBeLessThanOrEqual(1)
  })
})
