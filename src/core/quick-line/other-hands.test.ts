import type { BenchChange } from '@/src/core/bench/bench'
import { readQuickLine } from '@/src/core/quick-line/read-line'
import type { CallName } from '@/src/core/wiring/call'
import type { Point } from '@/src/core/wiring/point'
import { systemOf } from '@/tests/setup/engines'
import { drafts, standing } from '@/tests/setup/standing'

type Standing = ReturnType<typeof standing>

/** Lines that other hands typed and that were heard as something else, or not at all; each with what it means in the grammar's words. */

const lift = (end: Point): BenchChange => ({ do: 'lift', end })
const call = (name: CallName): BenchChange => ({ do: 'call', call: name })
const inside = (power: 'on' | 'off' = 'on', ...more: BenchChange[]) => standing('furnace-ac', 'indoor', power, ...more)
const outside = (power: 'on' | 'off' = 'on', ...more: BenchChange[]) => standing('furnace-ac', 'outdoor', power, ...more)

describe('a line means', () => {
  it.each<[string, Standing, string]>([
    // Fuses, and air that is none.
    ['3 amp fuse on the board is blown', inside(), 'fuse blown'],
    ['somebody put a 10 amp in it', inside(), 'fuse 10 in'],
    ['heats ok, AC pops the fuse', inside(), 'holds on heat; trips on cool'],
    ['lifted outdoor Y and retried cool, holds', inside(), 'lift outdoor Y; call cool; holds'],
    // One letter at two places, one side of a switch, what a board gives out.
    ['Y has 24 here and nothing outside', inside('on', call('cool')), 'Y-C 24 V; Y-C 0 V at outdoor'],
    ['Y 24 at furnace but 0 outside', inside('on', call('cool')), 'Y-C 24 V; Y-C 0 V at outdoor'],
    ['24 out of limit', inside('on', call('heat')), 'limit-rollout-C 24 V'],
    ['24 in to limit', inside('on', call('heat')), 'W-C 24 V'],
    ['T1 to T2 zero', outside('on', call('cool')), 'compressor-line to L2-unit 0 V'],
    ['26 at Y, 0 at Y out', standing('heat-pump-o', 'outdoor', 'on', call('heat')), 'Y-C 26 V; Y-out-C 0 V'],
    ['R is hot to ground 26', inside(), 'R-gnd 26 V'],
    ['Y to C is 0.4, should be around 15', inside('off'), 'Y-C 0.4'],
    ['stat dead, no 24 at R and C', inside(), 'thermostat blank; R-C 0 V'],
    // A wire in the hand is read on itself.
    ['Y wire to ground still 0.4', inside('off', lift('outdoor-cable.Y@indoor')), 'ohms outdoor-cable.Y@indoor to gnd 0.4'],
    ['wire to C 0.2', inside('off', lift('stat-cable.G@indoor')), 'ohms stat-cable.G@indoor to C 0.2'],
    // What runs and what does not.
    ['contactor pulled in but compressor and fan dead', outside('on', call('cool')), 'contactor in; compressor still; condenser-fan still'],
    ['fan spins compressor doesn’t', outside('on', call('cool')), 'condenser-fan runs; compressor still'],
    ['tied R and Y, unit runs', standing('furnace-ac', 'thermostat', 'on'), 'jumper R Y; outdoor as called'],
    ['R to Y jumper, nothing', standing('furnace-ac', 'thermostat', 'on'), 'jumper R Y; outdoor not as called'],
    ['compressor 9.8 A', outside('on', call('cool')), 'compressor runs; note compressor 9.8 A'],
    ['valve coil has 26 but it’s not magnetized', standing('heat-pump-o', 'outdoor', 'on', call('cool')), 'valve 26 V; valve out'],
    ['jumped R to Y at the stat, nothing', inside(), 'jumper R Y at thermostat; outdoor not as called'],
    // A strip that was looked over, and the lead that the line is on.
    ['at the air handler landings good', standing('cool-strips', 'thermostat', 'on'), 'landings ok at indoor'],
    ['no loose wires', inside(), 'landings ok'],
    ['checked the landings at the stat, all good', inside(), 'landings ok at thermostat'],
    [
      'transformer is on the 240 tap',
      standing('rooftop-electric', 'package', 'on'),
      'L1-unit-tap-240 0 V; note transformer is on the 240 tap',
    ],
    ['transformer is on the 208 tap', standing('rooftop-electric', 'package', 'on'), 'note transformer is on the 208 tap'],
    ['jumped R and Y here and it runs', inside(), 'jumper R Y; outdoor as called'],
    ['main breaker keeps tripping', standing('package-heat-pump', 'package', 'on'), 'note main breaker keeps tripping'],
    ['put a new contactor in', outside('off'), 'repaired Put a new contactor in'],
    [
      'Y2 to C 0 out here, 26 at the furnace',
      standing('furnace-ac-two-stage', 'outdoor', 'on', call('cool-2')),
      'Y2-C 0 V; Y2-C 26 V at indoor',
    ],
    [
      'pulled O off the stat, still 25 on the wire',
      standing('heat-pump-o', 'thermostat', 'on', call('heat')),
      'lift stat O; stat-cable.O@thermostat to C 25 V',
    ],
    ['O to R 0.3, shorted in the wall', standing('heat-pump-o', 'indoor', 'off'), 'O-R 0.3'],
    // The two wires of the pair, and not the part beside them.
    ['pulled the wires at the contactor, pair reads open now', outside('off'), 'unplug contactor; Y-C OL'],
    ['pair reads 0.4', inside('off', lift('outdoor-cable.Y@indoor')), 'ohms outdoor-cable.Y@indoor to C 0.4'],
    ['26 going into the board on Y, nothing coming out', standing('heat-pump-o', 'outdoor', 'on', call('heat')), 'Y-C 26 V; Y-out-C 0 V'],
    ['found the 3 amp blown', inside(), 'fuse blown'],
    ['display shows cooling', standing('zoned-furnace-ac', 'stat-1', 'on', call('cool')), 'thermostat-1 shows a call'],
    // Zones.
    [
      'pulled zone 2 stat wires off the panel',
      standing('zoned-furnace-ac', 'indoor', 'on'),
      'walk panel; lift stat-cable-2 R at panel; lift stat-cable-2 Y at panel; lift stat-cable-2 G at panel; lift stat-cable-2 W at panel; lift stat-cable-2 C at panel',
    ],
    // Whoever stands at a zone's thermostat sets that one, and no other.
    ['set it to cool', standing('zoned-furnace-ac', 'stat-2', 'on'), 'call cool zone 2'],
    ['call cool', standing('zoned-furnace-ac', 'stat-2', 'on'), 'call cool zone 2'],
    ['call cool zone 1', standing('zoned-furnace-ac', 'panel', 'on'), 'call cool'],
    ['trips on cool', standing('zoned-furnace-ac', 'stat-2', 'on'), 'trips on cool zone 2'],
    // Off here and at the other end of the same cable.
    [
      'pulled zone 2 Y here and at the stat',
      standing('zoned-furnace-ac', 'panel', 'off'),
      'lift stat-cable-2.Y@stat-2; lift stat-cable-2.Y@panel',
    ],
    ['lifted Y here and outside', inside('off'), 'lift outdoor-cable.Y@indoor; lift outdoor-cable.Y@outdoor'],
    // What was seen of the igniter on this call says what a flame that does not come is.
    ['igniter glows, burners never light', standing('rooftop-gas', 'package', 'on', call('heat')), 'flame glows without flame'],
    ['igniter 120 glowing', standing('rooftop-gas', 'package', 'on', call('heat')), 'igniter 120 V; igniter runs'],
    // The disconnect where one stands; what it feeds is the record's to know.
    ['pulled the disconnect', outside(), 'note pulled the disconnect'],
    ['pulled the disconnect', standing('rooftop-gas', 'package', 'on'), 'power off'],
    ['power off at the furnace', outside(), 'power off'],
    ['listened, valve buzzing', standing('heat-pump-o', 'outdoor', 'on', call('heat')), 'valve chatters'],
    ['board in on O 25, out 0', standing('heat-pump-o', 'outdoor', 'on', call('cool')), 'O-C 25 V; O-out-C 0 V'],
    ['came back when I turned it off', standing('furnace-ac', 'thermostat', 'on', call('cool')), 'call off; stat alive'],
    // Seen while that is not called, which is no call for it.
    ['blower on with no fan call', inside(), 'blower runs'],
    ['strips are on with no aux call', standing('heat-pump-o', 'indoor', 'on', call('heat')), 'strips runs'],
    ['blower on with no fan call', inside('on', call('fan')), 'call off; blower runs'],
    // Is, and whose.
    ["pulled zone 2's Y, still trips", standing('zoned-furnace-ac', 'panel', 'on'), 'lift stat-cable-2.Y@panel; trips'],
    ["inducer's running", standing('rooftop-gas', 'package', 'on', call('heat')), 'inducer runs'],
    // What was read while it calls.
    ['thermostat is calling, 26 on W', standing('furnace-induced-draft', 'indoor', 'on'), 'call heat; W-C 26 V'],
    ['stat is calling and Y has 25', inside(), 'call cool; Y-C 25 V'],
    ['stat is calling and Y has 25', inside('on', call('cool')), 'Y-C 25 V'],
    ['the condenser wires read 0.7', standing('air-handler-plain', 'indoor', 'off'), 'Y-C 0.7'],
    ['put a 3 amp fuse inline', standing('air-handler-plain', 'indoor', 'off'), 'fuse 3 in'],
    ['24 v transformer reads 0', standing('air-handler-plain', 'indoor', 'on'), 'secondary 0'],
    ['lights and stays lit now', standing('furnace-induced-draft', 'indoor', 'on', call('heat')), 'flame burns'],
    // What stands behind a reading or an act, with no comma between, is not lost.
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
    ['blower runs no flame', inside('on', call('heat')), 'blower runs; indoor not as called'],
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
    // One wire where it belongs says nothing of the others; a note stays as it was typed.
    ['white wire is on the W screw', standing('furnace-ac', 'thermostat', 'on'), 'note white wire is on the W screw'],
    // What is no act and no reading.
    ['jumper between Rc and Rh still in', standing('furnace-two-transformers', 'indoor', 'on'), 'note jumper between Rc and Rh still in'],
    ['no C wire', standing('furnace-no-common', 'indoor', 'on'), 'note no C wire'],
    // Mended.
    [
      'cleaned the flame rod, 3.2 uA, stays lit',
      standing('rooftop-gas', 'package', 'on', call('heat')),
      'repaired Cleaned the flame rod; flame 3.2 µA; flame burns',
    ],
    ['wrapped it and moved it away', outside('off'), 'repaired Wrapped it and moved it away'],
    ['swapped the transformer for a 40 VA', standing('air-handler-plain', 'indoor', 'off'), 'repaired Swapped the transformer for a 40 VA'],
    ['replaced transformer and fuse', inside('off'), 'fuse in; repaired transformer'],
    // Cut short.
    ['OD Y-GND 0.3', inside('off'), 'outdoor Y-gnd 0.3'],
    ['CTR OUT, 0V COIL', outside('on', call('cool')), 'contactor out; contactor 0 V'],
    ['XFMR 120/0', inside(), 'primary 120; secondary 0'],
    ['FUSE BLWN', inside(), 'fuse blown'],
    ['ind on ps open', standing('rooftop-gas', 'package', 'on', call('heat')), 'inducer runs; draft jumps between 20 and 28 V'],
    ['hsi glows no lite', standing('furnace-induced-draft', 'indoor', 'on', call('heat')), 'flame glows without flame'],
  ])('%s', (line, where, means) => {
    expect(drafts(where, line)).toEqual(drafts(where, means))
  })
})

describe('a visit that begins with', () => {
  it.each<[string, string, string | null, string]>([
    ['heat-pump-o', 'blows cold in heat', 'heat', 'mode-dead'],
    ['heat-pump-o', 'aux heat only, no heat pump', 'heat', 'half-works'],
    ['furnace-ac', 'nothing at all', null, 'nothing-runs'],
    ['rooftop-gas', 'no heat, cools fine', 'heat', 'mode-dead'],
    ['zoned-furnace-ac', 'zone 2 wont cool, zone 1 is fine', 'cool-zone-2', 'mode-dead'],
    ['furnace-ac', 'blower runs all the time', 'fan', 'never-stops'],
  ])('%s: %s is the complaint, and no trial', (id, line, mode, symptom) => {
    const told = drafts(standing(id, id === 'rooftop-gas' ? 'package' : 'indoor', 'on'), line)
    expect(told).toMatchObject([{ kind: 'complaint', complaint: { call: mode, symptoms: expect.arrayContaining([symptom]) } }])
  })
})

it('what is kept in words is kept in the words that were typed', () => {
  for (const text of ['blower on with no fan call', 'thermostat is calling, 26 on W'])
    expect(drafts(inside(), `note ${text}`)).toEqual([{ kind: 'note', text }])
})

describe('the first words of a visit', () => {
  const first = (line: string) => readQuickLine(line, { system: systemOf('furnace-ac'), entries: [], suspects: [], proposed: null })
  it.each([
    ['blows the fuse on cool', 'cool'],
    ['AC blows the fuse', 'cool'],
    ['pops the fuse when it cools', 'cool'],
    ['trips breaker on heat', 'heat'],
  ])('%s: it does so time and again, and nobody has seen it yet', (line, mode) => {
    expect(first(line)).toMatchObject({ drafts: [{ kind: 'complaint', complaint: { symptoms: ['fuse-on-call'], call: mode } }] })
  })
  it('and what was tried is a trial', () => {
    expect(first('heats ok, AC pops the fuse')).toMatchObject({
      ok: true,
      drafts: expect.arrayContaining([expect.objectContaining({ kind: 'trip' })]),
    })
    expect(first('trips on cool')).toMatchObject({ ok: true, drafts: expect.arrayContaining([expect.objectContaining({ kind: 'trip' })]) })
  })
})

describe('is asked, and not guessed', () => {
  it.each<[string, Standing, RegExp]>([
    ['unhooked Y at the stat, still running outside', inside(), /^No call is on in the record/],
    ['flame never comes', standing('rooftop-gas', 'package', 'on', call('heat')), /^Did the igniter glow/],
    // A color is one of the wires at the place that is named.
    ['white to ground at the furnace 0.9', outside('off'), /^Which white/],
    ['damper 2 reads 90', standing('zoned-furnace-ac', 'panel', 'on'), /^90 V on the 24 V side/],
    ['still shorted', inside('off'), /^Between which points/],
    ['second stage never comes on', standing('furnace-ac-two-stage', 'indoor', 'on'), /^Second stage of what/],
    ['furnace and heat pump both running', standing('dual-fuel', 'indoor', 'on', call('heat')), /^Say what each does/],
    ['lifted O, wire to ground 0.2', standing('heat-pump-o', 'indoor', 'off'), /^More than one conductor answers to O/],
    // Two figures between the same points at once: one of them was read elsewhere.
    ['24 on Y, 0 on Y', inside('on', call('cool')), /but nothing of/],
    ['short R to C and see', inside(), /^Never join C/],
    ['jump 24 hot to the frame', inside(), /^Never join C/],
    ['touched red to ground to see if it sparks', inside(), /^Never join C/],
  ])('%s', (line, read, asks) => {
    const understood = read(line)
    expect(understood.ok ? understood.say : understood.problem).toMatch(asks)
  })
})
