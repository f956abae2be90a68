import { hear } from '@/tests/lines/measure'
import { standingAt as at } from '@/tests/lines/speech'

describe('what is on a strip and what hangs on it', () => {
  it.each([
    ['zoned-furnace-ac', at('panel'), 'zone 1 Y to C 25', 'Y1-C1 25 V'],
    ['zoned-furnace-ac', at('panel'), '24 in at the zone panel', 'R1-C1 24 V'],
    ['zoned-furnace-ac', at('panel'), 'damper 1 stays closed', 'damper-1 shut'],
    ['furnace-ac', at('indoor', true), 'pulled Y and C to the condenser', 'lift outdoor Y at indoor; lift outdoor C at indoor'],
    ['furnace-ac', at('outdoor', true), 'Y to ground 0.4 with the cable off', 'lift outdoor Y; lift outdoor C; ohms Y-gnd 0.4'],
    ['furnace-ac', at('outdoor'), '0 volts load side of the contactor', 'compressor-line-L2-unit 0 V'],
    ['furnace-ac', at('outdoor'), "24 on the contactor, contactor won't pull", 'low-contactor-C 24 V; contactor out'],
    ['furnace-ac', at('indoor'), 'heat runs without tripping', 'holds on heat'],
    ['furnace-ac', at('thermostat'), 'set it to 60 and cool', 'call cool'],
    ['package-heat-pump', at('package'), 'O energized all the time', 'O-C jumps between 20 and 28'],
    ['cool-strips', at('indoor'), "sequencer has 24 and isn't closing", 'W-C 24 V; sequencer out'],
    ['rooftop-electric', at('package'), 'strip heat not on', 'strips still'],
    ['zoned-furnace-ac', at('panel'), 'no R2', 'R2-C2 0 V'],
    ['furnace-ac', at('indoor', true), 'ohm meter from condenser Y to ground shows 0', 'ohms Y-gnd 0 at outdoor'],
    ['furnace-ac', at('indoor'), 'installed a 3A fuse', 'fuse 3 in'],
    ['heat-pump-o', at('thermostat'), 'stat in emergency heat', 'call emergency'],
    ['cool-strips', at('indoor'), 'safety float open', 'float up'],
    ['furnace-induced-draft', at('indoor'), 'igniter lights and flame goes out after 5 sec', 'call heat; flame lights and goes out'],
    ['furnace-induced-draft', at('indoor'), 'igniter glows then nothing', 'call heat; flame glows without flame'],
  ])('%s %p: %s', (system, before, said, means) => {
    expect(hear({ system, before, said, means })).toMatchObject({ outcome: 'understood' })
  })
})
