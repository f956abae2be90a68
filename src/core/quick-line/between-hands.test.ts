import { standing } from '@/tests/setup/standing'

/** What is typed in a few words between two hands, and what is asked where they could mean two things. */
const at = (system: string, place: string, power: 'on' | 'off' = 'on', call?: 'cool' | 'heat' | 'cool-2') =>
  standing(system, place, power, ...(call ? [{ do: 'call' as const, call }] : []))

const furnace = at('furnace-ac', 'indoor')
const cooling = at('furnace-ac', 'indoor', 'on', 'cool')
const furnaceOff = at('furnace-ac', 'indoor', 'off')
const outdoorOff = standing('furnace-ac', 'indoor', 'off', { do: 'lift', end: 'outdoor-cable.Y@indoor' as never })
const condenser = at('furnace-ac', 'outdoor', 'on', 'cool')
const condenserOff = at('furnace-ac', 'outdoor', 'off')
const heatPump = at('heat-pump-o', 'indoor')
const heatPumpOff = at('heat-pump-o', 'indoor', 'off')
const heating = at('heat-pump-o', 'indoor', 'on', 'heat')
const rooftop = at('rooftop-gas', 'package', 'off')
const rooftopOn = at('rooftop-gas', 'package', 'on', 'cool-2')
const packaged = at('package-heat-pump', 'package', 'on', 'cool')
const plain = at('air-handler-plain', 'indoor')
const wet = at('air-handler-120', 'indoor')

describe('a few words', () => {
  it.each([
    // Contacts are the contactor's where it stands.
    ['contacts burnt', condenserOff, 'contacts of the contactor: burned'],
    ['4 volts across the contacts', condenser, 'L1 after the outdoor disconnect to lead from contactor to compressor'],
    [
      'contactor in, 240 both sides, comp dead',
      packaged,
      'lead from contactor to compressor to L2 after the unit disconnect at the package unit: 240 V, then compressor: still',
    ],
    [
      '240 in and out of the contactor',
      packaged,
      'L1 after the unit disconnect to L2 after the unit disconnect at the package unit: 240 V, then lead from',
    ],
    ['Y2 contactor coil 12', rooftop, 'Y2 to C at the rooftop unit: 12 ohm'],
    ['Y2 contactor 24.8 V', rooftopOn, 'Y2 to C at the rooftop unit: 24.8 V'],
    // Motors.
    ['condensor fan spins, compressor hums', cooling, 'condenser fan: runs, then compressor: hums'],
    ['compressor hums and trips off', packaged, 'compressor: hums, then note: trips off'],
    ['inside fan on, outside dead', cooling, 'blower motor: runs, then what runs at the outdoor unit: not as called'],
    ['blower on, nothing outside', cooling, 'blower motor: runs, then what runs at the outdoor unit: not as called'],
    ['strips on', heating, 'heat strips: runs'],
    // Live at one end of a wire, and not at the other.
    ['Y live inside, dead outside', cooling, 'Y to C at the indoor unit: 20–28 V, then Y to C at the outdoor unit: 0 V'],
    ['26 on Y at board, not at condenser', cooling, 'Y to C at the indoor unit: 26 V, then Y to C at the outdoor unit: 0 V'],
    ['voltage drops to 12 when contactor tries to pull in', condenser, 'Y to C at the outdoor unit: 12 V, then note: tries to pull in'],
    ['red wire to condenser to ground 0.4', furnaceOff, 'Y (red) of the outdoor cable to chassis at the indoor unit: 0.4 ohm'],
    ['strip element open', heatPumpOff, 'heat strips to L2 after the air handler breaker at the air handler: OL'],
    ['transformer label says 40', furnace, 'note: transformer label says 40'],
    // Each of several calls.
    [
      'heat, cool and fan work',
      furnace,
      'call for heat, then it holds, then set the thermostat to call for cool, then it holds, then set the thermostat to call for fan, then blower motor: runs',
    ],
    ['cool and fan hold', furnace, 'call for cool, then it holds, then set the thermostat to call for fan, then it holds'],
    [
      "furnace runs, condenser doesn't",
      cooling,
      'what runs at the indoor unit: as called, then what runs at the outdoor unit: not as called',
    ],
    // Proved dead is no short.
    ['L1-N 0, R-C 0', furnaceOff, 'L1 to N at the indoor unit: 0 V, then R to C at the indoor unit: 0 V'],
    ['L1 to ground 0', furnaceOff, '0 V'],
    ['L1-unit-compressor-line 0 at outdoor', furnaceOff, '0 ohm'],
    ['N-chassis 0', furnaceOff, '0 ohm'],
    ['LOTO', furnace, 'power off'],
    ['turned it on, popped', furnaceOff, 'power on, then it trips'],
    ['outdoor Y capped', furnaceOff, 'lift Y (red) of the outdoor cable at the indoor unit, then note: outdoor Y capped'],
    ['both coil wires off contactor', condenserOff, 'unplug the contactor'],
    ['new fuse blew right away', furnace, '3 A fuse in the slot, then it trips'],
    ['going for parts', furnace, 'left unfinished: part on order'],
    ['board: R-C 26', furnace, 'R to C at the indoor unit: 26 V'],
    // What is fine with a jumper in held; what is dead on a call was seen to be.
    [
      'jumped R Y, ok, added G, pops',
      furnace,
      'jumper R to Y at the indoor unit, then it holds, then jumper R to G at the indoor unit, then it trips',
    ],
    ['jumped R Y, ok', plain, 'jumper R to Y at the air handler'],
    ['Y has 26, heat pump dead', heating, 'Y to C at the air handler: 26 V, then what runs at the heat pump: not as called'],
    ['over current code zone 2 on G', at('zoned-furnace-ac', 'panel'), 'thermostat of zone 2: over-current code on G'],
    ['L2 leg is dead', at('rooftop-electric', 'package'), 'L2 to chassis at the rooftop unit: 0 V'],
    // On the wire that is off, and on the screw that it came from.
    ['Y to ground 0.3 on the wire', outdoorOff, 'Y (red) of the outdoor cable to chassis at the indoor unit: 0.3 ohm'],
    ['wire 0.3 to ground', outdoorOff, 'Y (red) of the outdoor cable to chassis at the indoor unit: 0.3 ohm'],
    ['terminal to ground OL', outdoorOff, 'Y to chassis at the indoor unit: OL'],
    ['24 to Y at AH, 24 at HP', heating, 'Y to C at the air handler: 24 V, then Y to C at the heat pump: 24 V'],
    // What is about to be done is not done.
    ['going outside to lift the other end', outdoorOff, 'walk to the outdoor unit'],
    ['door off, holding the switch in', furnace, 'panel of the indoor unit off, then note: holding the switch in'],
    ['wire rubbed through where it comes out of the wall', condenserOff, 'rubbed, then note'],
    ['3 amp auto fuse blown', furnace, 'board fuse: blown'],
    // An outdoor unit rests on a call for heat or for the fan.
    ['nothing running outside', at('furnace-ac', 'indoor', 'on', 'heat'), 'what runs at the outdoor unit: as called'],
    ['nothing running outside', cooling, 'what runs at the outdoor unit: not as called'],
    // What is said beside a reading does not take its place.
    ['transformer reads 26', furnace, 'transformer secondary, hot side to C at the indoor unit: 26 V'],
    ['Y-C 24, coil iced up', cooling, 'Y to C at the indoor unit: 24 V, then note: coil iced up'],
    ['held the door switch in, Y-C 24', cooling, 'Y to C at the indoor unit: 24 V, then note: held the door switch in'],
    ['condenser side 26', cooling, 'Y to C at the outdoor unit: 26 V'],
    ["it's a 3 amp", standing('furnace-ac', 'indoor', 'on', { do: 'slot', holds: 'breaker' }), '3 A breaker in the fuse slot'],
    // Fuse, breaker, power.
    ["it's a 3 amp", heatPump, '3 A fuse in the slot'],
    ["fuse good but it's a 5", furnace, 'board fuse: good, then note: 5 A fuse'],
    ['fuse ok 3 A purple', furnace, 'board fuse: good, then note: 3 A fuse'],
    ['3 amp breaker in line on R', plain, '3 A breaker in the fuse slot'],
    ['both breakers off, tested dead', heatPump, 'power off, then note: tested dead'],
    ['shut the door and power back on', furnace, 'panel of the indoor unit on, then power on'],
    ['stinks at the transformer', furnace, 'burning smell'],
    ['float switch full of water', wet, 'float switch: up'],
    ['B has power', at('heat-pump-b', 'indoor', 'on', 'cool'), 'B to C at the air handler: 20–28 V'],
    // Wires and jumpers.
    [
      'outdoor Y off at both ends, 0.3 to ground',
      furnaceOff,
      'Y (red) of the outdoor cable at the outdoor unit, then Y (red) of the outdoor cable to chassis at the indoor unit: 0.3 ohm',
    ],
    [
      'lifted outdoor Y both ends, still 0.3 to ground',
      furnaceOff,
      'then Y (red) of the outdoor cable to chassis at the indoor unit: 0.3 ohm',
    ],
    ['outdoor Y 0.3 to ground both ends off', furnaceOff, 'then Y (red) of the outdoor cable to chassis at the indoor unit: 0.3 ohm'],
    ['outdoor Y to outdoor C 0.3 both ends off', furnaceOff, 'then Y (red) to C (white) of the outdoor cable at the indoor unit: 0.3 ohm'],
    ['unhooked the whole outdoor bundle', heatPumpOff, 'lift C (blue) of the outdoor cable at the air handler'],
    ['R and Y together trips right now', furnace, 'jumper R to Y at the indoor unit, then it trips'],
    ["jumper's still in", furnace, "note: jumper's still in"],
  ])('%s', (said, where, meant) => {
    const read = where(said)
    expect(read.ok ? read.say : read.problem).toContain(meant)
  })

  it('both cables come off the strip where one stands, every wire of them', () => {
    const read = heatPumpOff('pulled both cables off the board')
    expect(read.ok && read.drafts).toHaveLength(11)
    expect(read.ok && read.say).toMatch(/stat cable.*outdoor cable/)
  })

  it('one jumper goes from terminal to terminal, and is out before the next goes in', () => {
    const read = furnace('R to G fine, R to W fine, R to Y pops')
    expect(read.ok && read.say).toBe(
      'jumper R to G at the indoor unit, then it holds, then take out the jumper R to G at the indoor unit, then jumper R to W at the indoor unit, then it holds, then take out the jumper R to W at the indoor unit, then jumper R to Y at the indoor unit, then it trips',
    )
  })

  it.each([
    ['contacts burnt', furnaceOff, 'Which contacts?'],
    ['4 volts across the contacts', cooling, 'Which contacts?'],
    ['welded shut', furnaceOff, 'What is?'],
    ['R to G good, R to Y good', furnace, 'A reading is a number'],
    ['terminal 0.4', outdoorOff, 'Name two points'],
    ['aux heat on', heating, 'Called for, or seen to run?'],
    ['26 at board 0 at condenser', cooling, 'Between which two points?'],
    ['blower on, nothing outside', heatPump, 'No call is on in the record'],
    ['indoor unit running, outdoor unit off', furnace, 'No call is on in the record'],
  ])('is asked after: %s', (said, where, asked) => {
    const read = where(said)
    expect(read.ok).toBe(false)
    expect(!read.ok && read.problem).toContain(asked)
  })
})
