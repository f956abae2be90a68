import type { BenchChange } from '@/src/core/bench/bench'
import type { CallName } from '@/src/core/wiring/call'
import { drafts, standing } from '@/tests/setup/standing'

type Standing = ReturnType<typeof standing>
const call = (name: CallName): BenchChange => ({ do: 'call', call: name })
const inside = (power: 'on' | 'off' = 'on', ...more: BenchChange[]) => standing('furnace-ac', 'indoor', power, ...more)
const outside = (power: 'on' | 'off' = 'on', ...more: BenchChange[]) => standing('furnace-ac', 'outdoor', power, ...more)

describe('several readings in one breath', () => {
  it.each<[string, Standing, string]>([
    ['24.8 24.6 24.9 on Y G R', inside('on', call('cool')), 'Y-C 24.8 V; G-C 24.6 V; R-C 24.9 V'],
    ['24 at transformer, none after the fuse', inside(), 'sec-C 24 V at indoor; R-C 0 V at indoor'],
    ['26 before the fuse, 26 after', inside(), 'sec-C 26 V at indoor; R-C 26 V at indoor'],
    ['60 L to N 120 L to ground', standing('air-handler-120', 'indoor', 'on'), 'L1-unit-N 60 V; L1-unit-gnd 120 V'],
    ['208 line, 22 control', standing('rooftop-electric', 'package', 'on'), 'line 208; secondary 22'],
    ['no ground on any wire', inside('off'), 'R-gnd OL; Y-gnd OL; G-gnd OL; W-gnd OL'],
    ['zone 1 damper motor 40 ohms', standing('zoned-furnace-ac', 'panel', 'off'), 'ohms across damper-1 40'],
    ['dead at R and C', inside('off'), 'R-C 0 V'],
    // Two colors that one cable alone has here, on their screws; a letter by the color that its wire has elsewhere.
    ["I've got 26 volts between red and blue", inside(), 'R-C 26 V'],
    ['red to blue OL', inside('off'), 'R-C OL'],
    ['26 volts on orange in heating', standing('heat-pump-o', 'outdoor', 'on', call('heat')), 'O-C 26 V'],
    ['24 volts coming in on the two wires', outside('on', call('cool')), 'Y-C 24 V'],
    ['zero volts between the two wires out here', outside('on', call('cool')), 'Y-C 0 V'],
    ['defrost board has 24 in on Y, nothing out', standing('heat-pump-o', 'outdoor', 'on', call('cool')), 'Y-C 24 V; Y-out-C 0 V'],
    ['W drops to 8 when heat kicks on', inside(), 'call heat; W-C 8 V'],
  ])('%s', (line, where, means) => {
    expect(drafts(where, line)).toEqual(drafts(where, means))
  })

  it('a figure is on each letter, and nothing is made of more of the one than of the other', () => {
    expect(inside()('24.8 24.6 on Y G R').ok).toBe(false)
  })
})

describe('what no word is lost of', () => {
  it.each<[string, Standing, string]>([
    ['120 at igniter no glow', standing('furnace-induced-draft', 'indoor', 'on', call('heat')), 'igniter 120 V; flame no glow'],
    ['24 at contactor no click', outside('on', call('cool')), 'contactor 24 V; contactor out'],
    ['stat off wall, G to R fan comes on', standing('furnace-ac', 'thermostat', 'on'), 'unplug stat; jumper G R; blower runs'],
    ['jumped Y to Y out on board, contactor pulls in', standing('heat-pump-o', 'outdoor', 'on'), 'jumper Y Y-out; contactor in'],
    ['tapped contactor and it came in', outside('on', call('cool')), 'contactor in; note tapped contactor and it came in'],
    ['held 10 seconds then popped', inside('on', call('cool')), 'trips after 10 s'],
    ['Y1 contactor in, Y2 contactor out', standing('rooftop-gas', 'package', 'on', call('cool')), 'contactor in; second contactor out'],
    ['nothing pulled in out here', outside('on', call('cool')), 'contactor out'],
    ['wire nut fell off yellow', outside('off'), 'note wire nut fell off yellow'],
    ['zone two thermostat is calling for cooling', standing('zoned-furnace-ac', 'panel', 'on'), 'call cool zone 2'],
    [
      'jumped the pressure switch and it fired',
      standing('furnace-induced-draft', 'indoor', 'on', call('heat')),
      'jumper rollout-draft draft-ignition; flame burns',
    ],
    [
      'it lights for about 5 seconds and shuts down',
      standing('furnace-induced-draft', 'indoor', 'on', call('heat')),
      'flame lights and goes out',
    ],
    ['flame sense 0', standing('furnace-induced-draft', 'indoor', 'on', call('heat')), 'flame 0 µA'],
    ['white wire is on the O screw', standing('heat-pump-o', 'thermostat', 'on'), 'landings W on O'],
    ['cool on flashing', standing('furnace-ac', 'thermostat', 'on'), 'call cool; stat waits'],
    ['board out to contactor dead', standing('heat-pump-o', 'outdoor', 'on', call('heat')), 'contactor 0 V'],
    ['R to C OL fuse out', inside('off'), 'fuse out; R-C OL'],
    ['3A fuse in', inside(), 'fuse 3 in'],
    ['240 at T1 T2 nothing running', outside('on', call('cool')), 'compressor-line to L2-unit 240 V; outdoor not as called'],
    ['blower runs no flame', inside('on', call('heat')), 'blower runs; note no flame'],
    ['Y to R jumped condenser on', standing('furnace-no-common', 'indoor', 'on'), 'jumper Y R; outdoor as called'],
    ['no line voltage', inside(), 'L1-unit-N 0 V'],
    ['no line voltage', outside(), 'L1-unit-L2-unit 0 V'],
    ['burners lit', standing('furnace-induced-draft', 'indoor', 'on', call('heat')), 'flame burns'],
    ['flame out after 5 s', standing('furnace-induced-draft', 'indoor', 'on', call('heat')), 'flame lights and goes out'],
    ['W1 valve in, W2 out', standing('furnace-ac-two-stage', 'indoor', 'on', call('heat')), 'gas-valve in; gas-valve-high out'],
    ["contactor hums doesn't seat", standing('package-heat-pump', 'package', 'on', call('cool')), 'contactor chatters'],
    ['rollout reset', standing('rooftop-gas', 'package', 'off'), 'rollout set'],
    ['overflow float up', standing('furnace-no-common', 'indoor', 'on'), 'float up'],
    // Amps of something that the record does not know are none of the transformer's.
    ['second bank 0 A', standing('rooftop-electric', 'package', 'on', call('heat-2')), 'note second bank 0 A'],
    ['heating transformer secondary 0 primary 120', standing('furnace-two-transformers', 'indoor', 'on'), 'L1-unit-N 120 V; Rh-C 0 V'],
    ['kill power', inside(), 'power off'],
    ['back on', inside('off'), 'power on'],
  ])('%s', (line, where, means) => {
    expect(drafts(where, line)).toEqual(drafts(where, means))
  })
})
