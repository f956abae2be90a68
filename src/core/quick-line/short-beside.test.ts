import { standing } from '@/tests/setup/standing'

/** What is said beside a reading or an act. */
const furnace = standing('furnace-ac', 'indoor', 'on')
const cooling = standing('furnace-ac', 'indoor', 'on', { do: 'call', call: 'cool' })
const onFan = standing('furnace-ac', 'indoor', 'on', { do: 'call', call: 'fan' })
const furnaceOff = standing('furnace-ac', 'indoor', 'off')
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
