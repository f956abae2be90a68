import { type Bench, createBench } from '@/src/core/bench/bench'
import { enumerateFaults } from '@/src/core/faults/enumerate'
import type { Probe } from '@/src/core/readings/check'
import { healthy, hypothesisOfFault } from '@/src/core/readings/hypothesis'
import { createLaboratory } from '@/src/core/readings/laboratory'
import { predict } from '@/src/core/readings/predict'
import { fromOhmScale } from '@/src/core/readings/prediction'
import type { Point } from '@/src/core/wiring/point'
import { furnaceAc, systemById } from '@/src/core/wiring/systems/catalogue'
import { templateValues } from '@/src/core/wiring/values'

/** What the meter shows under faults of the line, the transformer, boards and what people leave behind: as a technician knows them. */
const asked = (systemId: string, fault: string | null, probe: Probe, bench: Partial<Bench> = {}) => {
  const system = systemById(systemId)
  if (!system) throw new Error(`no system ${systemId}`)
  const found = enumerateFaults(system).find(({ id }) => id === fault)
  if (fault !== null && !found) throw new Error(`no fault ${fault}`)
  const hypothesis = found ? hypothesisOfFault(found) : healthy
  return predict(createLaboratory(system, templateValues), { ...createBench(system), ...bench }, hypothesis, probe)[0].at
}
const volts = (systemId: string, fault: string | null, a: Point, b: Point, bench: Partial<Bench> = {}): number => {
  const at = asked(systemId, fault, { meter: 'volts', a, b }, bench)
  if (typeof at !== 'number') throw new Error('no number')
  return at
}
const seen = (systemId: string, fault: string | null, at: string, bench: Partial<Bench> = {}) => {
  const found = asked(systemId, fault, { meter: 'look', at }, bench)
  return typeof found === 'object' ? found.word : found
}

const lifted: Partial<Bench> = { power: false, lifted: ['outdoor-cable.Y@indoor', 'outdoor-cable.C@indoor'] }

describe('the line side', () => {
  it('with an open neutral reads full to ground and next to nothing across: read across both, never just to ground', () => {
    const open = 'neutral-open:furnace-supply'
    expect(volts('furnace-ac', open, 'L1-unit@indoor', 'chassis@indoor')).toBeGreaterThan(115)
    expect(volts('furnace-ac', open, 'L1-unit@indoor', 'N@indoor')).toBeLessThan(10)
    expect(volts('furnace-ac', open, 'R@indoor', 'C@indoor')).toBeLessThan(3)
    expect(volts('furnace-ac', null, 'L1-unit@indoor', 'N@indoor')).toBeGreaterThan(115)
  })

  it('with one leg open shows it on that leg alone: the other still reads to ground', () => {
    const open = 'supply-leg-open:outdoor-disconnect.L2-unit'
    const cooling = { call: 'cool' } as const
    expect(volts('furnace-ac', open, 'L1-unit@outdoor', 'chassis@outdoor', cooling)).toBeGreaterThan(110)
    expect(volts('furnace-ac', open, 'L1-unit@outdoor', 'L2-unit@outdoor', cooling)).toBeLessThan(150)
    expect(seen('furnace-ac', open, 'contactor', cooling)).toBe('in')
    expect(seen('furnace-ac', open, 'compressor', cooling)).toBe('still')
  })
})

describe('the transformer', () => {
  it('on the 208 V lead gives more than its plate, on the 240 V lead half of it', () => {
    const right = volts('cool-strips', null, 'R@indoor', 'C@indoor')
    const tooHigh = volts('cool-strips', 'wrong-tap:transformer.208', 'R@indoor', 'C@indoor')
    expect(tooHigh / right).toBeCloseTo(240 / 208, 1)
    const tooLow = volts('furnace-no-common', 'wrong-tap:transformer.240', 'R@indoor', 'C@indoor')
    expect(tooLow / volts('furnace-no-common', null, 'R@indoor', 'C@indoor')).toBeCloseTo(0.5, 1)
  })

  it('burnt part through holds its volts idle and gives way under a call', () => {
    const weak = 'transformer-weak:transformer'
    const idle = volts('air-handler-plain', weak, 'R@indoor', 'C@indoor')
    const loaded = volts('air-handler-plain', weak, 'R@indoor', 'C@indoor', { call: 'cool' })
    expect(idle).toBeGreaterThan(26)
    expect(loaded).toBeLessThan(22)
    expect(volts('air-handler-plain', null, 'R@indoor', 'C@indoor', { call: 'cool' })).toBeGreaterThan(23)
  })

  it('in phase and strapped to another leaves both near their own volts', () => {
    const tied = 'transformers-tied:Rc+Rh@indoor'
    expect(volts('furnace-two-transformers', tied, 'Rc@indoor', 'Rh@indoor')).toBeLessThan(0.2)
    expect(volts('furnace-two-transformers', tied, 'Rh@indoor', 'C@indoor')).toBeGreaterThan(24)
  })

  it('behind a loose fuse clip reads good ahead of the fuse and sags behind it', () => {
    const across = (fault: string | null) =>
      volts('furnace-ac', fault, 'sec@indoor', 'C@indoor', { call: 'cool' }) -
      volts('furnace-ac', fault, 'R@indoor', 'C@indoor', { call: 'cool' })
    expect(across(null)).toBeLessThan(0.1)
    expect(across('fuse-clip-loose:fuse')).toBeGreaterThan(2.5)
  })
})

describe('what people and weather leave', () => {
  it('a jumper makes its call with the thermostat off the wall, and is seen', () => {
    const left = 'jumper-left:R+Y@indoor'
    expect(seen('furnace-ac', left, 'contactor', { unplugged: ['stat'] })).toBe('in')
    expect(seen('furnace-ac', left, 'landings@indoor')).toBe('strap')
    expect(seen('furnace-ac', null, 'landings@indoor')).toBe('all landed')
  })

  it('of two wires changed over, the one that is in the hand does not hide the other on the wrong screw', () => {
    const swapped = 'ends-swapped:outdoor-cable.Y+C@outdoor'
    const inHand: Partial<Bench> = { lifted: ['outdoor-cable.Y@outdoor'] }
    expect(seen('furnace-ac', swapped, 'landings@outdoor')).toBe('swapped: outdoor-cable.Y@outdoor with outdoor-cable.C@outdoor')
    expect(seen('furnace-ac', swapped, 'landings@outdoor', inHand)).toBe('wrong: outdoor-cable.C@outdoor')
  })

  it('water leaks a little everywhere and is seen', () => {
    const wet = 'water-in-connector:outdoor'
    expect(seen('heat-pump-o', wet, 'landings@outdoor')).toBe('wet')
    const leak = volts('heat-pump-o', wet, 'Y@outdoor', 'C@outdoor', { lifted: ['outdoor-cable.Y@indoor'] })
    expect(leak).toBeGreaterThan(0.2)
    expect(leak).toBeLessThan(10)
  })

  it('condensate gets into an indoor unit too; a thermostat on a wall has no connector', () => {
    const ids = enumerateFaults(furnaceAc).map(({ id }) => id)
    expect(ids).toContain('water-in-connector:indoor')
    expect(ids).not.toContain('water-in-connector:thermostat')
  })

  it('a green strip is a bad joint in every conductor there, is seen, and starves the coil that is called', () => {
    const green = 'strip-corroded:outdoor'
    expect(seen('furnace-ac', green, 'landings@outdoor')).toBe('corroded')
    expect(seen('furnace-ac', green, 'landings@indoor')).toBe('all landed')
    const across = (fault: string | null) => volts('furnace-ac', fault, 'Y@outdoor', 'C@outdoor', { call: 'cool' })
    expect(across(null)).toBeGreaterThan(24)
    expect(across(green)).toBeLessThan(8)
    // Two joints of 60 ohm in the loop, one at each end of the coil.
    const ohms = (fault: string | null) =>
      asked('furnace-ac', fault, { meter: 'ohms', a: 'outdoor-cable.Y@indoor', b: 'outdoor-cable.C@indoor' }, lifted)
    expect(fromOhmScale(Number(ohms(green))) - fromOhmScale(Number(ohms(null)))).toBeCloseTo(120, 0)
  })
})

describe('a board', () => {
  it('that feeds its output for good runs the unit with nothing called', () => {
    expect(seen('heat-pump-o', 'output-on:defrost-board.Y-out', 'contactor')).toBe('in')
    expect(seen('heat-pump-o', null, 'contactor')).toBe('out')
  })

  it('that toggles makes its valve chatter on the call and lie still without it', () => {
    expect(seen('heat-pump-o', 'output-toggles:defrost-board.O-out', 'valve', { call: 'cool' })).toBe('chatters')
    expect(seen('heat-pump-o', 'output-toggles:defrost-board.O-out', 'valve')).toBe('out')
  })

  it('is dark without its supply, flashes while its delay runs, and is steady else', () => {
    const cooling = { call: 'cool' } as const
    expect(seen('heat-pump-o', 'conductor-open:outdoor-cable.R', 'defrost-board', cooling)).toBe('dark')
    expect(seen('heat-pump-o', 'delay-running:defrost-board.Y-out', 'defrost-board', cooling)).toBe('flashes')
    expect(seen('heat-pump-o', null, 'defrost-board', cooling)).toBe('steady')
  })
})

describe('a thermostat', () => {
  it('shows a code under a short on its call, waits out its delay, and is alive else', () => {
    const cooling = { call: 'cool' } as const
    expect(seen('rooftop-gas', 'lead-to-chassis:Y1@package', 'stat', cooling)).toBe('over-current code')
    expect(seen('rooftop-gas', 'delay-running:stat', 'stat', cooling)).toBe('waits')
    expect(seen('rooftop-gas', null, 'stat')).toBe('alive')
    expect(seen('rooftop-gas', null, 'stat', cooling)).toBe('shows a call')
    expect(seen('rooftop-gas', 'thermostat-not-closing:stat.Y1', 'stat', cooling)).toBe('shows a call')
    expect(seen('rooftop-gas', 'thermostat-not-called:stat', 'stat', cooling)).toBe('shows no call')
  })

  it('names the hot side that it closes each call to', () => {
    const system = systemById('furnace-two-transformers')
    if (!system) throw new Error('no system')
    const say = (id: string) => enumerateFaults(system).find((fault) => fault.id === id)?.say
    expect(say('thermostat-not-closing:stat.W')).toBe('The battery thermostat does not close Rh to W')
    expect(say('thermostat-not-closing:stat.Y')).toBe('The battery thermostat does not close Rc to Y')
  })
})

describe('what is beside a part, or in it and not electric', () => {
  const cooling = { call: 'cool' } as const
  const ohms = (fault: string | null, a: Point, b: Point, bench: Partial<Bench> = {}) =>
    asked('furnace-ac', fault, { meter: 'ohms', a, b }, { power: false, ...bench })

  it('an armature that jams stays out though its coil is fed', () => {
    expect(seen('furnace-ac', 'armature-jammed:contactor', 'contactor', cooling)).toBe('out')
    expect(volts('furnace-ac', 'armature-jammed:contactor', 'Y@outdoor', 'C@outdoor', cooling)).toBeGreaterThan(22)
  })

  it('a spade that is off reads open from the terminals, and the coil whole between its pins', () => {
    const off = 'lead-loose:contactor.C'
    expect(ohms(off, 'Y@outdoor', 'C@outdoor')).toBe('OL')
    const alone = { unplugged: ['contactor'] }
    expect(ohms(off, 'contactor.1@outdoor', 'contactor.2@outdoor', alone)).toBeCloseTo(
      Number(ohms(null, 'contactor.1@outdoor', 'contactor.2@outdoor', alone)),
    )
  })

  it('an accessory across a coil is still there when the coil is unplugged', () => {
    const at = ohms('accessory-across:contactor', 'low-contactor@outdoor', 'C@outdoor', { unplugged: ['contactor'] })
    expect(fromOhmScale(Number(at))).toBeCloseTo(16.2, 0)
  })

  it('two outputs joined in the base of a thermostat part once it is off the wall; two conductors do not', () => {
    const apart: Partial<Bench> = { unplugged: ['stat'], lifted: ['stat-cable.Y@indoor', 'stat-cable.W@indoor'] }
    expect(ohms('thermostat-joined:stat.Y+W', 'Y@thermostat', 'W@thermostat', apart) ?? '').toBe('OL')
    expect(fromOhmScale(Number(ohms('conductor-short:stat-cable.Y+W', 'Y@thermostat', 'W@thermostat', apart)))).toBeLessThan(3)
  })
})

describe('what was done to the wiring earlier', () => {
  const spare = 'spare-serves:stat-cable.Y'

  it('a spare in the place of Y: its own wire hangs off, and the call goes through all the same', () => {
    expect(seen('furnace-ac', spare, 'landings@indoor')).toBe('off: stat-cable.Y@indoor')
    expect(seen('furnace-ac', spare, 'contactor', { call: 'cool' })).toBe('in')
    expect(seen('furnace-ac', 'not-landed:stat-cable.Y@indoor', 'contactor', { call: 'cool' })).toBe('out')
  })

  it('two hot sides strapped at a zone panel do no more than that until the commons are joined, too', () => {
    const tied = 'transformers-tied:R+R1@panel'
    const fed = (fault: string, at: Point, common: Point) => volts('zoned-furnace-ac', fault, at, common)
    expect(fed(tied, 'R1@panel', 'C1@panel')).toBeCloseTo(volts('zoned-furnace-ac', null, 'R1@panel', 'C1@panel'), 0)
    // In phase the two share the load; what is joined by both sides reads alike across either.
    const both = `${tied} commons`
    expect(fed(both, 'R1@panel', 'C1@panel')).toBeCloseTo(fed(both, 'R@indoor', 'C@indoor'), 0)
    // With the panel's own fuse out the furnace's transformer feeds the panel.
    const dead = { power: true, slot: { holds: 'nothing' as const, ratingA: 3, open: true } }
    expect(volts('zoned-furnace-ac', both, 'R@indoor', 'C@indoor', dead)).toBeGreaterThan(20)
    expect(volts('zoned-furnace-ac', tied, 'R@indoor', 'C@indoor', dead)).toBeLessThan(20)
  })

  it('a defrost contact that sticks feeds the strips with nothing called; a board that stays in defrost does the same on every call', () => {
    expect(seen('heat-pump-o', 'defrost-stuck:defrost-board.R+W', 'sequencer')).toBe('in')
    expect(seen('heat-pump-o', null, 'sequencer')).toBe('out')
    expect(seen('heat-pump-o', 'defrost-stuck:defrost-board', 'valve')).toBe('in')
  })
})
