import { hear } from '@/tests/lines/measure'
import { standingAt as at } from '@/tests/lines/speech'

describe('what goes in and what comes out', () => {
  it.each([
    ['furnace-ac', at('outdoor'), '240 in, 240 out of the contactor', 'line 240; compressor-line-L2-unit 240 V'],
    ['furnace-ac', at('outdoor'), '240 in, nothing out of the contactor', 'line 240; compressor-line-L2-unit 0 V'],
    ['furnace-ac', at('indoor'), '120 in 27 out', 'line 120; sec-C 27 V'],
    ['furnace-ac', at('outdoor'), '24 before the low pressure, 0 after', 'high-low-C 24 V; low-contactor-C 0 V'],
    ['rooftop-gas', at('package'), 'secondary 27 primary 240', 'line 240; sec-C 27 V'],
    ['furnace-ac', at('indoor', true), 'transformer secondary 0.8 ohm primary OL', 'ohms sec-C 0.8; ohms L1-unit-N OL'],
  ])('%s %p: %s', (system, before, said, means) => {
    expect(hear({ system, before, said, means })).toMatchObject({ outcome: 'understood' })
  })
})

describe('as it is said over the shoulder', () => {
  it.each([
    ['furnace-ac', at('indoor'), 'put a new 3 amp in', 'fuse 3 in'],
    ['furnace-ac', at('indoor'), '3 amp breaker in place of the fuse', 'breaker 3 in'],
    ['furnace-ac', at('indoor'), 'amps climb to 4 then it pops', 'max 4 A on R; trips'],
    ['furnace-ac', at('indoor'), 'rc 26.4 yc 25', 'R-C 26.4; Y-C 25'],
    ['furnace-ac', at('indoor', true), 'outdoor pair reads 14 from here', 'outdoor-cable Y-outdoor-cable C 14'],
    ['furnace-ac', at('indoor', true), 'every wire to ground OL', 'R-gnd OL; Y-gnd OL; G-gnd OL; W-gnd OL'],
    [
      'furnace-ac',
      at('indoor', true),
      'Y to C outdoor cable OL both ends off',
      'lift outdoor Y at indoor; lift outdoor C at indoor; lift outdoor Y at outdoor; lift outdoor C at outdoor; ohms lifted outdoor-cable Y-lifted outdoor-cable C OL at indoor',
    ],
    ['rooftop-gas', at('package'), 'no light on the ignition board', 'ignition dark'],
    ['furnace-ac', at('indoor'), 'no light on the board', 'note no light on the board'],
    ['furnace-ac', at('indoor'), 'used the brown for Y at both ends', 'swap stat Y to brown'],
    ['furnace-ac', at('indoor'), 'use brown for Y from the hatch to the plate', 'swap stat Y to brown between hatch and plate'],
    ['furnace-ac', at('outdoor'), 'pushed the contactor in by hand and it runs', 'note pushed the contactor in by hand and it runs'],
    ['furnace-ac', at('indoor'), 'cut and capped the outdoor pair', 'note cut and capped the outdoor pair'],
    ['furnace-ac', at('indoor'), 'transformer buzzes', 'note transformer buzzes'],
  ])('%s %p: %s', (system, before, said, means) => {
    expect(hear({ system, before, said, means })).toMatchObject({ outcome: 'understood' })
  })

  it.each([
    ['cond fan runs', 'condenser fan: runs'],
    ['120 on one leg and 0 on the other', 'Which leg is which?'],
    ['0.6 amps on red', 'Which red?'],
  ])('"%s" is not taken for something else', (said, asked) => {
    const heard = hear({ system: 'furnace-ac', before: [], said, means: 'note x' })
    expect(heard.as).toContain(asked)
  })
})
