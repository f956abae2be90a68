import { readQuickLine } from '@/src/core/quick-line/read-line'
import { systemOf } from '@/tests/setup/engines'
import { drafts, standing } from '@/tests/setup/standing'

/** What a line is told where it is not entered. */
const problem = (id: string, line: string): string => {
  const read = readQuickLine(line, { system: systemOf(id), entries: [], suspects: [], proposed: null })
  return read.ok ? `entered: ${read.say}` : read.problem
}

describe('what is measured, seen or done is no remark', () => {
  it('ohms while the power is on are asked after, and not kept in words', () => {
    for (const line of ['igniter 62 ohms', 'igniter cold 61 ohm'])
      expect(problem('rooftop-gas', line)).toMatch(/^The power is on in the record.*"power off; igniter/)
    expect(problem('furnace-ac', 'hps reads OL')).toMatch(/^The power is on in the record/)
    const dead = standing('rooftop-gas', 'package', 'off')
    expect(drafts(dead, 'igniter cold 61 ohm')).toEqual(drafts(dead, 'ohms igniter 61'))
  })

  it('a fuse with its size is blown all the same; one that a house never had leaves no empty slot', () => {
    const inside = standing('furnace-ac', 'indoor', 'on')
    expect(drafts(inside, '3 amp fuse blown on the board')).toEqual(drafts(inside, 'fuse blown'))
    expect(drafts(inside, 'no fuse in it')).toEqual(drafts(inside, 'slot empty'))
    const old = standing('air-handler-plain', 'indoor', 'on')
    expect(drafts(old, 'no fuse in this one')).toMatchObject([{ kind: 'note' }])
    expect(drafts(old, 'slot empty')).toMatchObject([{ change: { do: 'slot', holds: 'nothing' } }])
  })

  it('a place without damage is sound, and no unit that does not run', () => {
    const inside = standing('furnace-ac', 'indoor', 'on')
    for (const line of ['no damage outside', 'no signs of damage outside', 'nothing chewed outside'])
      expect(drafts(inside, line)).toEqual(drafts(inside, 'sound outdoor'))
  })

  it('nothing, on a call that was just made, is what it should bring on', () => {
    const old = standing('air-handler-plain', 'indoor', 'on')
    for (const line of ['fan on and nothing', 'call fan, nothing happens'])
      expect(drafts(old, line)).toEqual(drafts(old, 'call fan; indoor not as called'))
  })

  it('a whole cable comes off where it is said to, and a board is passed on one call', () => {
    const inside = standing('furnace-ac', 'indoor', 'off')
    expect(drafts(inside, 'unhook the whole outdoor cable at the condenser')).toEqual(
      drafts(inside, 'lift outdoor Y at outdoor; lift outdoor C at outdoor'),
    )
    expect(drafts(inside, 'lift outdoor cable at outdoor')).toEqual(drafts(inside, 'unhook the whole outdoor cable at the condenser'))
    const off = { do: 'lift', end: 'outdoor-cable.Y@indoor' } as const
    const both = standing('furnace-ac', 'indoor', 'off', off, { do: 'lift', end: 'outdoor-cable.Y@outdoor' })
    expect(drafts(both, 'put the outdoor cable back on at the furnace')).toMatchObject([{ change: { do: 'land', end: off.end } }])
    expect(drafts(both, 'land outdoor cable at outdoor')).toMatchObject([{ change: { do: 'land', end: 'outdoor-cable.Y@outdoor' } }])
    expect(problem('heat-pump-o', 'bypassed the defrost board')).toContain('"jumper Y Y-out at outdoor" or "jumper O O-out at outdoor"')
    expect(problem('furnace-ac', 'jumped out the pressure switch')).toContain('"high-pressure switch" or "low-pressure switch"')
  })

  it('both sides of a transformer, and the line side of a contactor, by their short names', () => {
    const old = standing('air-handler-plain', 'indoor', 'on')
    expect(drafts(old, 'xfmr 24.8 sec, 240 pri')).toEqual(drafts(old, 'primary 240; transformer secondary 24.8'))
    expect(drafts(old, 'line side of contactor 241')).toEqual(drafts(old, 'L1-unit-L2-unit 241 V at outdoor'))
  })

  it('the second stage, on', () => {
    const roof = standing('rooftop-gas', 'package', 'on')
    expect(drafts(roof, 'cool 2 on')).toEqual(drafts(roof, 'call cool2'))
    expect(drafts(roof, 'stage 2 comes on')).toEqual(drafts(roof, 'call cool2; second compressor runs'))
  })

  it('a wire that burned off is off its screw', () => {
    const outside = standing('air-handler-plain', 'outdoor', 'on')
    expect(drafts(outside, 'C burned off at the board')).toEqual(drafts(outside, 'landings C off'))
  })

  it('what is moved at a place that is named is moved there', () => {
    const inside = standing('heat-pump-o', 'indoor', 'on')
    expect(drafts(inside, 'pulled C off at the outdoor unit, light goes out')).toMatchObject([
      { change: { do: 'lift', end: 'outdoor-cable.C@outdoor' } },
      { kind: 'note' },
    ])
  })

  it('what is so at both units is read at each, and no volts at a contactor are line volts', () => {
    const outside = standing('heat-pump-o', 'outdoor', 'on', { do: 'call', call: 'cool' })
    expect(drafts(outside, 'O is hot inside and out')).toEqual(drafts(outside, 'O is hot inside, O is hot outside'))
    expect(drafts(outside, '24 leaving the air handler, nothing at the outdoor unit')).toEqual(
      drafts(outside, 'R-C 24 V at indoor; R-C 0 V at outdoor'),
    )
    expect(drafts(outside, 'no 240 at the contactor')).toEqual(drafts(outside, 'L1-unit-L2-unit 0 V at outdoor'))
  })

  it('what is said of one side, one jumper, one switch is said of that', () => {
    const sides = standing('furnace-two-transformers', 'indoor', 'on', { do: 'jumper', a: 'Rc@indoor', b: 'Rh@indoor' })
    expect(drafts(sides, 'cooling fuse is good')).toEqual(drafts(sides, 'fuse good'))
    expect(problem('furnace-two-transformers', 'heating fuse is good')).toMatch(/^The record of this house has no fuse there/)
    expect(drafts(sides, 'take the Rc Rh jumper out')).toEqual(drafts(sides, 'jumper out'))
    const furnace = standing('furnace-induced-draft', 'indoor', 'on')
    expect(drafts(furnace, 'door off, held the switch')).toMatchObject([{ change: { do: 'panel', on: false } }, { kind: 'note' }])
    expect(drafts(furnace, 'tripped the rollout')).toEqual(drafts(furnace, 'rollout tripped'))
  })

  it('everything at a unit comes off there', () => {
    const inside = standing('dual-fuel', 'indoor', 'off')
    expect(drafts(inside, 'lifted everything at the outdoor unit')).toEqual(drafts(inside, 'lift outdoor cable at outdoor'))
  })

  it('what a hand did to wires, or to a call, is never kept in words alone', () => {
    for (const line of ['short went away when I unhooked the outdoor cable', "short's still there with the outdoor cable off"])
      expect(problem('furnace-ac', line)).not.toMatch(/^entered/)
    const inside = standing('heat-pump-o', 'indoor', 'on', { do: 'slot', holds: 'breaker', ratingA: 3 })
    expect(drafts(inside, '3A breaker tripped after 2 minutes')).toEqual(drafts(inside, 'breaker tripped after 2 minutes'))
    expect(drafts(inside, 'cool with Y off outside holds')).toEqual(drafts(inside, 'Y off outside, holds on cool'))
    expect(drafts(inside, 'fuse blows every time it goes to defrost')).toMatchObject([{ kind: 'complaint' }])
  })

  it('the second stage by its call', () => {
    const two = standing('furnace-ac-two-stage', 'indoor', 'on')
    expect(drafts(two, 'heat 2 never comes on')).toEqual(drafts(two, 'call heat2; indoor not as called'))
  })

  it('a fuse by its unit, a unit that stops, and what is never joined', () => {
    const inside = standing('heat-pump-o', 'indoor', 'on', { do: 'call', call: 'cool' })
    expect(drafts(inside, 'air handler fuse popped')).toEqual(drafts(inside, 'fuse blown'))
    expect(drafts(inside, 'outdoor unit stops')).toEqual(drafts(inside, 'outdoor not as called'))
    expect(problem('heat-pump-o', 'jump 24 volts to chassis')).toMatch(/^Never join C/)
    const lifted = standing('heat-pump-o', 'outdoor', 'off', { do: 'lift', end: 'outdoor-cable.R@outdoor' })
    expect(lifted('jumper R to ground to see if it sparks')).toMatchObject({ ok: false, problem: expect.stringMatching(/^Never join C/) })
    expect(problem('heat-pump-o', 'put a jumper on the fuse')).toMatch(/^Nothing is run with its fuse bypassed/)
  })

  it('more than a 24 V side has is asked after: a decimal point, or ohms', () => {
    for (const line of ['W to C 45', 'W-C 45, Y-C 14'])
      expect(problem('furnace-ac', line)).toMatch(/^45 V on the 24 V side\?.*Ohms are read/)
    const dead = standing('furnace-ac', 'indoor', 'off')
    expect(drafts(dead, 'W-C 45')).toMatchObject([{ probe: { meter: 'ohms' }, answer: 45 }])
    for (const line of ['indoor blower is on, nothing outside', 'blower is on, nothing outside'])
      expect(problem('furnace-ac', line)).toMatch(/^No call is on in the record/)
  })
})
