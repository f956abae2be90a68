import type { Bench } from '@/src/core/bench/bench'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { predict } from '@/src/core/readings/predict'
import { fromOhmScale } from '@/src/core/readings/prediction'
import { worldsOf } from '@/src/core/readings/world'
import { defaultMeter, isBeeping } from '@/src/core/units/meter'
import type { Point } from '@/src/core/wiring/point'
import { furnaceAc } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'
import { benchWith, change, hypothesisOf } from '@/tests/setup/furnace'

/** Readings that every technician knows, out of the circuit and nowhere typed in. */

const laboratory = createLaboratory(furnaceAc, templateValues)

const volts = (a: Point, b: Point, bench: Bench = benchWith(), fault: string | null = null, lowImpedance = false): number => {
  const [{ at }] = predict(laboratory, bench, hypothesisOf(fault), { meter: 'volts', a, b, lowImpedance })
  return typeof at === 'number' ? at : Number.NaN
}

const ohms = (a: Point, b: Point, bench: Bench, fault: string | null = null): number | 'OL' => {
  const [{ at }] = predict(laboratory, bench, hypothesisOf(fault), { meter: 'ohms', a, b })
  return typeof at === 'number' ? fromOhmScale(at) : 'OL'
}

const word = (at: string, bench: Bench, fault: string | null = null): string => {
  const [first] = [...predict(laboratory, bench, hypothesisOf(fault), { meter: 'look', at })].sort((a, b) => b.weight - a.weight)
  return typeof first.at === 'object' ? first.at.word : ''
}

describe('volts', () => {
  it('R to C is 24 to 28 V, and sags by half a volt or so when the house runs', () => {
    const idle = volts('R@indoor', 'C@indoor')
    const cooling = volts('R@indoor', 'C@indoor', benchWith(change.cool))
    expect(idle).toBeGreaterThan(24)
    expect(idle).toBeLessThan(28)
    expect(idle - cooling).toBeGreaterThan(0.3)
    expect(idle - cooling).toBeLessThan(2)
  })

  it('R to a closed call is a few millivolts, R to an open one the whole secondary', () => {
    expect(volts('R@thermostat', 'Y@thermostat', benchWith(change.cool))).toBeLessThan(0.06)
    expect(volts('R@thermostat', 'Y@thermostat')).toBeGreaterThan(20)
  })

  it('R to the chassis is as R to C, since C is bonded', () => {
    expect(volts('R@indoor', 'chassis@indoor')).toBeCloseTo(volts('R@indoor', 'C@indoor'), 1)
  })

  it('an open conductor floats at ghost volts, which a low-impedance input takes away', () => {
    const bench = benchWith({ do: 'lift', end: 'stat-cable.W@indoor' })
    const ghost = volts('stat-cable.W@indoor', 'C@indoor', bench)
    expect(ghost).toBeGreaterThan(0.5)
    expect(ghost).toBeLessThan(24)
    expect(volts('stat-cable.W@indoor', 'C@indoor', bench, null, true)).toBeLessThan(0.2)
  })

  it('a switch that is open has the supply across it, one that is closed nothing', () => {
    const bench = benchWith(change.cool)
    expect(volts('Y@outdoor', 'high-low@outdoor', bench, 'switch-open:high-pressure')).toBeGreaterThan(20)
    expect(volts('high-low@outdoor', 'low-contactor@outdoor', bench, 'switch-open:high-pressure')).toBeLessThan(1)
  })

  it('a dead transformer leaves the primary alive', () => {
    expect(volts('L1-unit@indoor', 'N@indoor', benchWith(), 'transformer-dead:transformer.secondary')).toBeGreaterThan(110)
    expect(volts('sec@indoor', 'C@indoor', benchWith(), 'transformer-dead:transformer.secondary')).toBeLessThan(1)
  })
})

describe('a thermostat that never lets go', () => {
  it('shows a call with nothing set, and runs the unit', () => {
    const stuck = 'thermostat-stuck-closed:stat.Y'
    // Two runs of cable and a welded contact carry the contactor: some tenths of a volt.
    expect(volts('R@indoor', 'Y@indoor', benchWith(), stuck)).toBeLessThan(0.5)
    expect(word('contactor', benchWith(), stuck)).toBe('in')
    // Unlike a short in the cable, it goes when the thermostat comes off the wall.
    expect(word('contactor', benchWith({ do: 'unplug', part: 'stat' }), stuck)).toBe('out')
    expect(word('contactor', benchWith({ do: 'unplug', part: 'stat' }), 'conductor-short:stat-cable.R+Y')).toBe('in')
  })
})

describe('amps and trips', () => {
  it('a dead short takes about eight amperes and opens a 3 A fuse, but for thermostats that let go within milliseconds', () => {
    const { overloadA, trips, isRace } = worldsOf(laboratory, benchWith(change.cool), hypothesisOf('conductor-to-chassis:outdoor-cable.Y'))
    expect(overloadA).toBeGreaterThan(6.5)
    expect(overloadA).toBeLessThan(10)
    expect([trips > 0.7, trips < 0.95, isRace]).toEqual([true, true, true])
  })

  it('made by a jumper at the unit it is no race: nothing lets go', () => {
    const { trips, isRace } = worldsOf(laboratory, benchWith(change.jumperY), hypothesisOf('conductor-to-chassis:outdoor-cable.Y'))
    expect([trips > 0.98, isRace]).toEqual([true, false])
  })

  it('the same short holds until its call comes', () => {
    expect(worldsOf(laboratory, benchWith(), hypothesisOf('conductor-to-chassis:outdoor-cable.Y')).trips).toBe(0)
    expect(worldsOf(laboratory, benchWith(change.heat), hypothesisOf('conductor-to-chassis:outdoor-cable.Y')).trips).toBe(0)
  })

  it('lifting the outdoor Y at the indoor unit makes it hold with the jumper in', () => {
    const short = hypothesisOf('conductor-to-chassis:outdoor-cable.Y')
    expect(worldsOf(laboratory, benchWith(change.breaker, change.jumperY), short).trips).toBeGreaterThan(0.9)
    expect(worldsOf(laboratory, benchWith(change.breaker, change.jumperY, change.liftY), short).trips).toBe(0)
  })

  it('every mode of a sound house stays far under the fuse and under the plate', () => {
    for (const call of [change.fan, change.cool, change.heat]) {
      const { overloadA, trips } = worldsOf(laboratory, benchWith(call), hypothesisOf(null))
      expect(overloadA).toBeLessThan(40 / 24)
      expect(trips).toBe(0)
    }
  })

  it('a clamp that keeps the highest tells of a short after the fuse has opened', () => {
    const short = hypothesisOf('conductor-to-chassis:outdoor-cable.Y')
    const amps = (hold?: 'max') =>
      predict(laboratory, benchWith(change.cool), short, { meter: 'amps', on: 'fuse', ...(hold && { hold }) }).find(
        ({ weight }) => weight > 0.5,
      )?.at
    expect(amps()).toBeCloseTo(0, 6)
    expect(amps('max')).toBeGreaterThan(6.5)
    expect(amps('max')).toBeLessThan(10)
  })

  it('in a sound house it keeps the pull of the coils, above what they hold with', () => {
    const amps = (hold?: 'max') =>
      Number(predict(laboratory, benchWith(change.cool), hypothesisOf(null), { meter: 'amps', on: 'fuse', ...(hold && { hold }) })[0].at)
    expect(amps('max')).toBeGreaterThan(1.3 * amps())
    expect(amps('max')).toBeLessThan(4 * amps())
  })

  it('a clamp on Y reads the contactor while cooling and nothing while heating', () => {
    const amps = (bench: Bench) => predict(laboratory, bench, hypothesisOf(null), { meter: 'amps', on: 'outdoor-cable.Y@indoor' })[0].at
    expect(amps(benchWith(change.cool))).toBeGreaterThan(0.15)
    expect(amps(benchWith(change.cool))).toBeLessThan(0.4)
    expect(amps(benchWith(change.heat))).toBeLessThan(0.01)
  })
})

describe('ohms with the power off', () => {
  const off = benchWith(change.off, change.liftY)

  it('a contactor coil is 10 to 20 ohm through its conductors, and sings on the beeper', () => {
    const coil = ohms('outdoor-cable.Y@indoor', 'C@indoor', off)
    expect(coil).toBeGreaterThan(10)
    expect(coil).toBeLessThan(20)
    expect(coil !== 'OL' && isBeeping(coil, defaultMeter)).toBe(true)
  })

  it('a rub reads near nothing to the chassis, a sound conductor the coil and its bond', () => {
    expect(ohms('outdoor-cable.Y@indoor', 'chassis@indoor', off, 'conductor-to-chassis:outdoor-cable.Y')).toBeLessThan(1)
    expect(ohms('outdoor-cable.Y@indoor', 'chassis@indoor', off)).toBeGreaterThan(10)
  })

  it('an open conductor reads OL, and so does a lifted spare', () => {
    expect(ohms('outdoor-cable.Y@indoor', 'C@indoor', off, 'conductor-open:outdoor-cable.Y')).toBe('OL')
    expect(ohms('stat-cable.brown@indoor', 'chassis@indoor', off)).toBe('OL')
  })

  it('reads through the loads when nothing is lifted', () => {
    expect(ohms('Y@indoor', 'C@indoor', benchWith(change.off))).toBeLessThan(20)
  })
})

describe('looks', () => {
  it('the contactor pulls in on cool and not on heat', () => {
    expect(word('contactor', benchWith(change.cool))).toBe('in')
    expect(word('contactor', benchWith(change.heat))).toBe('out')
  })

  it('the contactor stays out when C is open outside, and the thermostat stays alive', () => {
    const bench = benchWith(change.cool)
    expect(word('contactor', bench, 'conductor-open:outdoor-cable.C')).toBe('out')
    expect(word('stat', bench, 'conductor-open:outdoor-cable.C')).toBe('shows a call')
  })

  it('a thermostat without its common is blank', () => {
    expect(word('stat', benchWith(), 'conductor-open:stat-cable.C')).toBe('blank')
  })
})

describe('a part on its own', () => {
  const unplugged = benchWith(change.off, { do: 'unplug', part: 'contactor' })
  const across = (bench: Bench, fault: string | null = null) => ohms('contactor.1@outdoor', 'contactor.2@outdoor', bench, fault)

  it('reads its winding on its own two leads once it is unplugged, whatever hangs on its plug', () => {
    const alone = across(unplugged)
    expect(alone).toBeGreaterThan(8)
    expect(alone).toBeLessThan(30)
    // A short beside it does not read through; plugged in, it does.
    expect(across(unplugged, 'conductor-short:outdoor-cable.Y+C')).toBeCloseTo(alone as number, 1)
    expect(across(benchWith(change.off), 'conductor-short:outdoor-cable.Y+C')).toBeLessThan(2)
    expect(across(unplugged, 'coil-open:contactor')).toBe('OL')
    expect(across(unplugged, 'coil-shorted:contactor')).toBeLessThan(2)
  })

  it('that is grounded says so on its own leads', () => {
    expect(ohms('contactor.1@outdoor', 'chassis@outdoor', unplugged, 'coil-to-ground:contactor')).toBeLessThan(1)
    expect(ohms('contactor.1@outdoor', 'chassis@outdoor', unplugged)).toBe('OL')
  })
})

describe('a wrongly landed wire', () => {
  it('comes off the wrong terminal when its end is lifted', () => {
    const lifted = benchWith(change.off, { do: 'lift', end: 'outdoor-cable.Y@outdoor' }, { do: 'lift', end: 'outdoor-cable.Y@indoor' })
    const hypothesis = 'landed-wrong:outdoor-cable.Y@outdoor>C'
    expect(ohms('outdoor-cable.Y@outdoor', 'C@outdoor', lifted, hypothesis)).toBe('OL')
    expect(ohms('Y@indoor', 'C@indoor', benchWith(change.off), hypothesis)).toBeLessThan(3)
  })
})
