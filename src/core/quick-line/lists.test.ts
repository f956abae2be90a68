import { hear } from '@/tests/lines/measure'
import { standingAt as at } from '@/tests/lines/speech'

describe('several things in one breath', () => {
  it.each([
    ['heat-pump-o', at('indoor'), 'fan holds heat holds cool trips', 'holds on fan; holds on heat; trips on cool'],
    ['heat-pump-o', at('outdoor'), '24 on O and Y', 'O-C 24 V; Y-C 24 V'],
    ['furnace-ac', at('indoor', true), 'outdoor red and white are off', 'lift outdoor Y; lift outdoor C'],
    ['furnace-ac', at('indoor'), 'heat and fan work, cool trips', 'holds on heat; holds on fan; trips on cool'],
    ['heat-pump-o', at('outdoor'), "24 at the contactor, it's out", 'low-contactor-C 24 V; contactor out'],
    [
      'heat-pump-o',
      at('indoor', true),
      'all wires to the heat pump off except C',
      'lift outdoor R; lift outdoor Y; lift outdoor O; lift outdoor W',
    ],
  ])('%s %p: %s', (system, before, said, means) => {
    expect(hear({ system, before, said, means })).toMatchObject({ outcome: 'understood' })
  })

  it.each([
    ['thermostat', "R to Y reads 24 so it's not closing", 'R-Y 24 V', "note it's not closing"],
    ['indoor', 'transformer dead, 120 in nothing out', 'L1-unit-N 120 V; sec-C 0 V', 'note transformer dead'],
  ])('a conclusion is kept beside its reading: at the %s, %s', (place, said, reading, note) => {
    expect(hear({ system: 'furnace-ac', before: at(place), said, means: `${reading}; ${note}` })).toMatchObject({ outcome: 'understood' })
  })

  it('a note stays as it was typed, whatever stands before it', () => {
    expect(
      hear({
        system: 'furnace-ac',
        before: at('indoor'),
        said: 'R-C 26; note sat down. then left',
        means: 'R-C 26 V; note sat down. then left',
      }),
    ).toMatchObject({
      outcome: 'understood',
    })
  })

  it.each([
    ['furnace-ac', at('indoor'), 'pulled disconnect outside'],
    ['furnace-ac', at('indoor'), 'jumped out the fuse'],
    ['furnace-ac', at('indoor'), 'jumper rc to c'],
    ['zoned-furnace-ac', at('panel'), 'panel fuse blown'],
    ['zoned-furnace-ac', at('panel'), "zone 2 calling, damper 2 doesn't open"],
    ['dual-fuel', at('indoor'), 'aux holds heat holds cool pops it'],
  ])('%s %p: %s is asked back, not guessed', (system, before, said) => {
    expect(hear({ system, before, said, means: 'walk outdoor' })).toMatchObject({ outcome: 'asked back' })
  })
})
