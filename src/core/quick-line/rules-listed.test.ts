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
