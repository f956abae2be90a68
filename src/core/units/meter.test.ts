import { defaultMeter, isBeeping, resolutionFor, shownAmps, shownOhms, shownVolts } from '@/src/core/units/meter'
import { normalBelow } from '@/src/core/units/normal'
import { sayAmps, sayMinutes, sayOhms, sayPercent, sayVolts } from '@/src/core/units/quantity'
import { createRandom } from '@/src/core/units/random'

describe('what a 6000-count meter shows', () => {
  it('rounds volts to the range that they select', () => {
    expect(shownVolts(26.4437, defaultMeter)).toBe(26.44)
    expect(shownVolts(119.63, defaultMeter)).toBe(119.6)
    expect(shownVolts(0.029, defaultMeter)).toBe(0.03)
  })

  it('shows OL from its overload limit on, and a tenth of an ohm at best', () => {
    expect(shownOhms(40e6, defaultMeter)).toBe('OL')
    expect(shownOhms(0.44, defaultMeter)).toBe(0.4)
    expect(shownOhms(14230, defaultMeter)).toBe(14230)
  })

  it('steps by a hundredth of an ampere on the clamp', () => {
    expect(shownAmps(0.2749, defaultMeter)).toBe(0.27)
  })

  it('sings on a coil of a dozen ohms and is silent on a board', () => {
    expect(isBeeping(14, defaultMeter)).toBe(true)
    expect(isBeeping(20000, defaultMeter)).toBe(false)
  })

  it('never shows a finer step than counts allow', () => {
    expect(resolutionFor(5.9, 6000)).toBeCloseTo(0.001)
    expect(resolutionFor(6.1, 6000)).toBeCloseTo(0.01)
  })
})

describe('quantities in words', () => {
  it('keeps to the units of the trade', () => {
    expect([sayVolts(0.029), sayVolts(26.44), sayVolts(119.6)]).toEqual(['29 mV', '26.4 V', '119.6 V'])
    expect([sayOhms('OL'), sayOhms(0.4), sayOhms(14230), sayOhms(4.2e6)]).toEqual(['OL', '0.4 ohm', '14.2 kohm', '4.2 Mohm'])
    expect([sayAmps(0.274), sayAmps(8.13)]).toEqual(['0.27 A', '8.1 A'])
    expect([sayMinutes(0.4), sayMinutes(1.5), sayMinutes(12.4)]).toEqual(['half a minute', '1.5 min', '12 min'])
  })

  it('claims neither certainty nor impossibility', () => {
    expect([sayPercent(0.001), sayPercent(0.5), sayPercent(0.999)]).toEqual(['under 1 %', '50 %', 'over 99 %'])
  })
})

describe('numbers that chance is made of', () => {
  it('has the normal distribution at its published values', () => {
    // Abramowitz and Stegun, table 26.1.
    expect(normalBelow(0, 0, 1)).toBeCloseTo(0.5, 6)
    expect(normalBelow(1, 0, 1)).toBeCloseTo(0.841345, 5)
    expect(normalBelow(-1.96, 0, 1)).toBeCloseTo(0.024998, 5)
  })

  it('draws the same from the same seed, and evenly', () => {
    const [a, b] = [createRandom(3), createRandom(3)]
    expect([a.uniform(), a.normal(), a.uniform()]).toEqual([b.uniform(), b.normal(), b.uniform()])
    const draws = Array.from({ length: 4000 }, () => a.uniform())
    expect(draws.reduce((sum, value) => sum + value, 0) / draws.length).toBeCloseTo(0.5, 1)
  })
})
