import { answerTo, drafts, standing, standingAfter } from '@/tests/setup/standing'

/** Places, parts and wires by the names that they go by, beside what was read or done there. */
const furnace = standing('furnace-ac', 'indoor', 'on')
const heating = standing('furnace-ac', 'indoor', 'on', { do: 'call', call: 'heat' })
const furnaceOff = standing('furnace-ac', 'indoor', 'off')
const heatPump = standing('heat-pump-o', 'indoor', 'on')
const heatPumpOff = standing('heat-pump-o', 'indoor', 'off')
const coolingB = standing('heat-pump-b', 'indoor', 'on', { do: 'call', call: 'heat' })
const zoned = standing('zoned-furnace-ac', 'panel', 'on')
const draft = standing('furnace-induced-draft', 'indoor', 'on', { do: 'call', call: 'heat' })
const draftOff = standing('furnace-induced-draft', 'indoor', 'off')
const rooftop = standing('rooftop-electric', 'package', 'on')
const valveUnplugged = standingAfter('furnace-ac', 'indoor', ['power off', 'unplug contactor'])

describe('what goes by another name', () => {
  it.each([
    ['jumped R to Y at the sub base', furnace, 'jumper R to Y at the thermostat'],
    ['L1 to L2 at disconnect 243', furnace, 'at the outdoor unit: 243 V'],
    ['72 volts at the hot surface igniter', draft, 'at the indoor unit: 72 V'],
    ['pulled both low volt wires off the contactor', furnaceOff, 'unplug the contactor'],
    [
      '26 at Y outside contactor not in',
      standing('heat-pump-o', 'indoor', 'on', { do: 'call', call: 'cool' }),
      'Y to C at the heat pump: 26 V',
    ],
    ['O/B to C 17', heatPumpOff, 'O to C at the air handler: 17 ohm'],
    ['O/B 26', coolingB, 'B to C at the air handler: 26 V'],
    ['1 meg between yellow and cabinet', furnaceOff, 'Y (yellow) of the stat cable to chassis at the indoor unit: 1 Mohm'],
    ['wires at stat all tight', furnace, 'landings at the thermostat: all landed'],
    ['ohm igniter open', draftOff, 'at the indoor unit: OL'],
    ['phase A to B 207', rooftop, 'L1 to L2 at the rooftop unit: 207 V'],
    ['contactor unplugged, reads 14.6', furnaceOff, 'unplug the contactor, then'],
    ['contactor unplugged, reads 14.6', valveUnplugged, '14.6 ohm'],
    ['damper 2 24 volts wont open', zoned, 'shut'],
    ['burners not lit', heating, 'what runs at the indoor unit: not as called'],
    ['igniter has 118 doesnt glow', draft, 'at the indoor unit: 118 V, then'],
    ['inducer motor 8 ohms', draftOff, '8 ohm'],
    ['draft motor runs, switch doesnt close', draft, 'inducer: runs'],
    ['Y to C is hot, 25', furnace, 'Y to C at the indoor unit: 25 V'],
    [
      "inducer runs, pressure switch doesn't close",
      draft,
      'inducer: runs, then lead from rollout switch to furnace pressure switch to lead from furnace pressure switch to ignition control',
    ],
    ['trips when Y is jumped', furnace, 'jumper R to Y at the indoor unit, then'],
    ['24 at the gas valve, no flame', heating, ', then what runs at the indoor unit: not as called'],
  ])('%s', (line, asked, says) => expect(answerTo(asked, line)).toContain(says))

  it('takes two cables of one color apart by the cable that is named behind the wires', () => {
    expect(answerTo(furnaceOff, 'red to white in the outdoor cable 1.2')).toContain(
      'Y (red) to C (white) of the outdoor cable at the indoor unit: 1.2 ohm',
    )
    expect(answerTo(heatPump, 'swap outdoor blue for purple')).not.toContain('Which blue?')
  })

  it('asks which zone is meant by a floor', () => {
    for (const line of ['call cool upstairs', 'upstairs calling for cool', 'set downstairs to heat'])
      expect(answerTo(zoned, line)).toContain('Which zone is that?')
  })
})

describe('what the hand did', () => {
  it('a slip is one trip, and no evidence', () => {
    expect(drafts(furnace, 'oops, slipped with the lead, popped it')).toEqual([{ kind: 'trip', result: 'trips', slip: true }])
  })

  it('a fuse put in beside a wire that comes off is put in', () => {
    for (const line of ['lift outdoor cable, put a fuse in', 'unhooked condenser wires at the furnace and put a fuse in, holds on cool'])
      expect(answerTo(furnace, line)).toMatch(/^.*(?:lift|take).*, then .*fuse/i)
  })

  it('what runs once a letter was jumped stands there', () => {
    expect(answerTo(heatPump, 'jumped R to Y at the outdoor unit, runs')).toContain(', then what runs at the heat pump: as called')
  })

  it.each([
    'breaker for the condenser tripped',
    'smoked transformer',
    'extra wire on Y',
    '3 flashes, pressure switch',
    'filters plugged',
    'drop of 2 volts when contactor pulls',
    '5 min delay on the stat',
  ])('%s: a note', (line) => expect(drafts(furnace, line)).toEqual([{ kind: 'note', text: expect.stringMatching(/\w/) }]))
})
