import { standing } from '@/tests/setup/standing'

/** What is said beside a reading or an act. */
const furnace = standing('furnace-ac', 'indoor', 'on')
const cooling = standing('furnace-ac', 'indoor', 'on', { do: 'call', call: 'cool' })
const onFan = standing('furnace-ac', 'indoor', 'on', { do: 'call', call: 'fan' })
const furnaceOff = standing('furnace-ac', 'indoor', 'off')
const condenser = standing('furnace-ac', 'outdoor', 'on')
const heatPumpOff = standing('heat-pump-o', 'indoor', 'off')
const heatPumpCooling = standing('heat-pump-o', 'indoor', 'on', { do: 'call', call: 'cool' })
const condenserOff = standing('furnace-ac', 'outdoor', 'off')
const heating = standing('heat-pump-o', 'indoor', 'on', { do: 'call', call: 'heat' })
const dualFuel = standing('dual-fuel', 'indoor', 'on', { do: 'call', call: 'heat' })

const CAPACITOR = 'run capacitor: condenser fan side low, then note: run capacitor: 44 µF on compressor (label 45), 2 µF on condenser fan'

describe('beside a reading or an act', () => {
  it.each([
    // The fan on auto leaves a call as it is.
    ['fan auto', cooling, 'note: fan auto'],
    ['set to cool, fan auto', furnace, 'set the thermostat to call for cool, then note: fan auto'],
    ['fan back to auto', onFan, 'set the thermostat to off'],
    // The line side is not 24 V, and is no thermostat.
    ['nothing on the line side of the transformer', furnace, 'L1 after the furnace switch to N at the indoor unit: 0 V'],
    ['no power on the line side', furnace, 'L1 after the furnace switch to N at the indoor unit: 0 V'],
    ['line side dead', furnace, 'L1 after the furnace switch to N at the indoor unit: 0 V'],
    // A fuse of any size that blows on a call.
    ['3 amp fuse blew as soon as I called for cooling', furnace, 'set the thermostat to call for cool, then it trips'],
    ['5 amp fuse popped when I called heat', furnace, 'set the thermostat to call for heat, then it trips'],
    // The label and what was read.
    ['cap 45/5 reads 44 and 2', condenserOff, CAPACITOR],
    ['cap reads 44 herm 2 fan', condenserOff, CAPACITOR],
    ['45/5 cap reads 44/4.9', condenserOff, 'run capacitor: good'],
    // The wire is off meanwhile.
    ['G to ground 0.4 with the wire off', furnaceOff, 'then G (green) of the stat cable to chassis at the indoor unit: 0.4 ohm'],
    [
      'with G off the board it still reads 0.4 to ground',
      furnaceOff,
      'then G (green) of the stat cable to chassis at the indoor unit: 0.4 ohm',
    ],
    ['outdoor Y to ground: no beep', furnaceOff, 'Y (red) of the outdoor cable to chassis at the indoor unit: OL'],
    // The same at both ends of a cable, by its letter or without.
    ['24 at R in the furnace, none at the stat', furnace, 'R to C at the indoor unit: 24 V, then R to C at the thermostat: 0 V'],
    ['R to C good at the furnace, dead at the stat', furnace, 'R to C at the thermostat: 0 V, then note: R to C good at the unit'],
    ['have 26 at the board but not at the stat', cooling, 'R to C at the indoor unit: 26 V, then R to C at the thermostat: 0 V'],
    ['measured 28 volts secondary side', furnace, 'transformer secondary, hot side to C at the indoor unit: 28 V'],
    ['yellow and white shorted in the stat wire', furnaceOff, 'Y (yellow) to W (white) of the stat cable at the indoor unit: near 0'],
    ['outdoor Y to outdoor O shorted', heatPumpOff, 'Y (yellow) to O (green) of the outdoor cable at the air handler: near 0'],
    ['25 on the reversing valve coil no shift', heatPumpCooling, 'reversing valve: out'],
    [
      'blows only with outdoor Y hooked up',
      furnace,
      'it trips, then lift Y (red) of the outdoor cable at the indoor unit, then 3 A fuse in the slot, then it holds',
    ],
    [
      '240 at the disconnect, nothing after it',
      condenser,
      '240 V, then L1 after the outdoor disconnect to L2 after the outdoor disconnect at the outdoor unit: 0 V',
    ],
    ['cap reads 32 on a 35', condenserOff, 'run capacitor: compressor side low'],
    ['capacitor 4.1 of 5 fan side', condenserOff, 'run capacitor: condenser fan side low'],
    ['capacitor 7.4 on a 7.5', condenserOff, 'run capacitor: good'],
    // A spare by its cable.
    ['used the brown in the stat cable for Y', furnaceOff, 'to the spare brown of the stat cable, both ends'],
    ['using the blue spare for Y to the condenser', furnaceOff, '"blue" is not a free spare of the outdoor cable'],
    // Strips are what comes on with the auxiliary heat; a furnace is no strip.
    ['aux comes on right away', heating, 'heat strips: runs'],
    ['aux comes on', dualFuel, 'note: aux comes on'],
  ])('%s', (said, where, meant) => {
    const read = where(said)
    expect(read.ok ? read.say : read.problem).toContain(meant)
  })
})
